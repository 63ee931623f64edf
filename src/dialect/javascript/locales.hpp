// The marks of the locales that toLocaleString knows: asked of Intl.NumberFormat, Node.js 20 with
// ICU 78.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/number/digits.hpp"

namespace inky::inline v1::javascript {

struct Locale {
  std::string_view tag;
  std::string_view point;
  std::string_view group;
  std::string_view minus;
  std::string_view percent;
  int least_grouped = 4;  // whole digits from which on marks are written
  bool groups_of_two = false;
};

// Null where it is not known.
const Locale* locale_tagged(std::string_view tag);

// What the options of toLocaleString ask.
struct LocaleOptions {
  int least_whole = 1;
  int least_places = 0;
  int most_places = 3;
  bool percent = false;
  bool groups = true;
  bool groups_always = false;  // also below the number of digits from which the locale does
};

// Appends the digits with the marks of the locale.
void append_grouped(const Digits& digits, const LocaleOptions& options, const Locale& locale,
                    std::string& out);

}  // namespace inky::inline v1::javascript
