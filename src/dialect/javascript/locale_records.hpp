// The table of locales: asked of Intl, Node.js 20 with ICU 78, by tools/record/javascript_locale_table.py.
#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <span>
#include <string_view>

namespace inky::inline v1::javascript {

enum class LocalePart : unsigned char {
  calendar,  // "buddhist", "persian"; empty: the Gregorian one
  digits,    // the ten of them; empty: those of ASCII
  point,
  group,
  minus,
  plus,
  percent,
  negative_percent,
  not_a_number,
  money_point,
  money_group,
  before_minus,  // of a plain number
  after_minus,
  before_plus,
  after_plus,
  // Whole digits from which on marks are written; whether there are two digits between marks, of
  // numbers, of percentages, of amounts as accounts have them, and of other amounts; whether
  // amounts in euros have the marks of English; and whether other digits are written in the same way.
  shape,
  exponent,
  // Names between bars: of days of the week, short, long, narrow; of months.
  short_days,
  long_days,
  narrow_days,
  short_months,
  long_months,
  narrow_months,
  more_names,  // further lists, each a line
  // Rows of patterns.
  dates,
  times,
  between,
  week,
  styles,
  symbols,
  money,
  units,
  compact,
  named,
};

class LocaleRecord {
 public:
  // Of this very tag.
  static std::optional<LocaleRecord> of(std::string_view tag);

  std::string_view tag() const;
  std::string_view text(LocalePart part) const;
  // REQUIRES, as below: the part has such a row, and the row such a place.
  std::size_t number(LocalePart part, std::size_t row) const;
  // Of a part up to the styles: nothing where the locale has none.
  std::optional<std::string_view> date_pattern(LocalePart part, std::size_t row,
                                               std::size_t place) const;

  // A row of money, or of words, by its number, and the pattern at a place of it.
  static std::string_view money_row(std::size_t number);
  static std::string_view money_pattern(std::string_view row, std::size_t place);
  static std::string_view word_row(std::size_t number);
  static std::string_view word_pattern(std::string_view row, std::size_t place);
  static std::size_t number_in(std::string_view packed, std::size_t place);

 private:
  // Of the tag at a place of the table, which is in order.
  explicit LocaleRecord(std::size_t place);

  std::size_t place_;
  std::size_t record_;
};

// The places of a currency, which the recorder numbers.
int places_of_currency(std::size_t currency);

// What a code of a language that is another name stands for: "sr-Latn" for "hbs". Empty where it is
// none.
std::string_view renamed_language(std::string_view code);

// Whether the runtime has a locale of this tag that is not known here.
bool is_left_out(std::string_view tag);

// The tags of locales without an extension, the usual one first.
std::span<const std::string_view> locale_tags();
// Some that write numbers in ways of their own, for trials.
std::span<const std::string_view> telling_locales();

}  // namespace inky::inline v1::javascript
