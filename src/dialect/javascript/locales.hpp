// The marks of the locales that toLocaleString knows: asked of Intl.NumberFormat, Node.js 20 with
// ICU 78.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/number/digits.hpp"

namespace inky::inline v1::javascript {

struct Locale {
  std::string_view tag;
  std::string_view point;
  std::string_view group;
  std::string_view minus;
  std::string_view plus;
  // Patterns: # is the number, ~ its sign.
  std::string_view percent;
  std::string_view negative_percent;
  std::string_view not_a_number;
  std::string_view money_point;
  std::string_view money_group;
  std::string_view before_sign;  // of a plain number
  int least_grouped = 4;         // whole digits from which on marks are written
  bool groups_of_two = false;
  bool percent_of_two = false;
  bool accounts_of_two = false;
};

// Null where it is not known.
const Locale* locale_tagged(std::string_view tag);

// What the options of toLocaleString ask.
struct LocaleOptions {
  enum class Style : unsigned char { decimal, percent, currency, unit };
  enum class Notation : unsigned char { standard, scientific, engineering, compact };
  enum class Sign : unsigned char { usual, always, never, but_for_zero, below_zero };
  Style style = Style::decimal;
  Notation notation = Notation::standard;
  Sign sign = Sign::usual;
  std::string name;  // of the currency or the unit
  int display =
      0;  // of a currency: symbol, narrowSymbol, code, name; of a unit: short, long, narrow
  bool is_long = false;   // compact numbers
  bool accounts = false;  // negative amounts as accounts have them
  int least_whole = 1;
  int least_places = 0;
  int most_places = 3;
  // Significant digits; most 0: places are counted.
  int least_significant = 1;
  int most_significant = 0;
  bool has_digits = false;  // one of these four was asked for
  bool groups = true;
  int least_grouped = 0;  // whole digits from which on marks are written; 0: as the locale has it
};

// Appends the digits with the marks of the locale.
void append_grouped(const Digits& digits, const LocaleOptions& options, const Locale& locale,
                    std::string& out);

// A number as a locale writes it, whose digits are changed. Nothing where a part of it is not known
// here.
std::optional<std::string> locale_text(Digits& digits, bool negative, const LocaleOptions& options,
                                       const Locale& locale);
// The same of what has no digits: "NaN" and the sign of infinity.
std::optional<std::string> locale_text(std::string_view word, bool negative,
                                       const LocaleOptions& options, const Locale& locale);

}  // namespace inky::inline v1::javascript
