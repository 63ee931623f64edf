// The locales that toLocaleString knows.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/number/digits.hpp"
#include "locale_patterns.hpp"

namespace inky::inline v1::javascript {

struct Locale {
  std::string_view tag;
  std::string_view digits;  // the ten of them; empty: those of ASCII
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
  std::string_view before_minus;  // of a plain number
  std::string_view after_minus;
  std::string_view before_plus;
  std::string_view after_plus;
  int least_grouped = 4;  // whole digits from which on marks are written
  bool groups_of_two = false;
  bool percent_of_two = false;
  bool accounts_of_two = false;
  bool money_of_two = false;
  bool has_english_euros = false;
  bool takes_other_digits = true;
  LocalePatterns patterns;
};

struct LocaleLookup {
  enum class State : unsigned char {
    found,
    no_data,  // the runtime has none either, and takes the machine's own locale
    invalid,
    not_supported_yet,
  };
  State state = State::not_supported_yet;
  std::optional<Locale> locale;
};

// The locale of a tag of BCP 47: it, or the one of the language alone. ECMA-402, 9.2.2.
LocaleLookup locale_tagged(std::string_view tag);
// With digits of a numbering system: "latn", "deva". False where it is not known here how the locale
// writes these.
bool take_numbering(std::string_view system, Locale& locale);
// REQUIRES: a tag of the table.
Locale known_locale(std::string_view tag);

// What the options of toLocaleString ask.
struct LocaleOptions {
  enum class Style : unsigned char { decimal, percent, currency, unit };
  enum class Notation : unsigned char { standard, scientific, engineering, compact };
  enum class Sign : unsigned char { usual, always, never, but_for_zero, below_zero };
  Style style = Style::decimal;
  Notation notation = Notation::standard;
  Sign sign = Sign::usual;
  std::string name;  // of the currency or the unit
  // Of a currency: symbol, narrowSymbol, code, name; of a unit: short, long, narrow.
  int display = 0;
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

// A zero where there is none.
char digit_at(const Digits& digits, int place);

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
