// What a locale makes of dates, currencies, units and short numbers.
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <string>
#include <string_view>

#include "dates.hpp"
#include "locale_records.hpp"
#include "plurals.hpp"

namespace inky::inline v1::javascript {

// Of the weekday (short, long, narrow), the year (numeric, 2-digit), the month (numeric, 2-digit,
// short, long, narrow) and the day (numeric, 2-digit), which width is asked, from 1; 0: none.
using DateOptions = std::array<int, 4>;
// Of the hour, the minute and the second: numeric, 2-digit.
using TimeOptions = std::array<int, 3>;

// A pattern of a date has its fields in braces:
//   {Y} {y}    the year, whole and with two digits
//   {M} {m}    the month, {D} {d} the day, {I} {i} minutes, {S} {s} seconds: plain, two digits
//   {a} {c} {e}   the year, the month, the day: as wide as was asked
//   {H} {h}    hours of 24 and of 12, {K} from 1 to 24, {J} from 0 to 11; twice for two digits
//   {O}        the rest of the name of UTC: 00:00 in UTC+00:00
//   {W} {N}    the name of the day of the week, of the month: as wide as was asked
//   {W7} {N8} {P6} {Q9}   such a name, a half of the day, a part of the day by its hour: of this list
// A pattern of a number has # where its digits are, ~ where its sign is, and ¤ for the currency.
class LocalePatterns {
 public:
  explicit LocalePatterns(const LocaleRecord& record) : record_(record) {}

  std::string_view exponent() const { return record_.text(LocalePart::exponent); }
  // Whether units, names of currencies and short numbers are known, whose words go by the number.
  bool has_words() const { return !record_.text(LocalePart::units).empty(); }

  // All of these: nothing where the locale has no such pattern, or a field that is not known here.
  std::optional<std::string_view> date(const DateOptions& asked) const;
  // Of twelve hours: 1, not: 2, 0: as usual.
  std::optional<std::string_view> time(const TimeOptions& asked, int twelve) const;
  // The text between a date and a time, or a text with {d} and {t} where these are.
  std::optional<std::string_view> between_date(const DateOptions& asked) const;
  static std::string joined(std::string_view together, std::string_view date,
                            std::string_view time);
  // A day of the week alone, with a time.
  std::optional<std::string_view> week_time(int weekday, const TimeOptions& asked,
                                            int twelve) const;
  // dateStyle and timeStyle: full, long, medium, short, from 1; 0: none.
  std::optional<std::string> style(int date, int time) const;
  // The pattern with its fields filled, by the calendar of the locale; digits are those of ASCII, or
  // of `digits`. Nothing where the calendar has no such date that is known here.
  std::optional<std::string> filled(std::string_view pattern, const DateFields& fields,
                                    const DateOptions& asked, std::string_view digits) const;

  struct Money {
    int places = 2;
    std::string_view symbol;
    std::string_view positive;
    std::string_view negative;
    std::string_view accounted_positive;    // as accounts have it
    std::string_view accounted;             // a negative one there
    std::string_view accounted_plus;        // a positive one with its sign there
    std::array<std::string_view, 4> named;  // by Plural
  };
  // `display`: symbol, narrowSymbol, code, name. Nothing where the currency is not known here.
  std::optional<Money> currency(std::string_view code, int display) const;
  // `display`: short, long, narrow.
  std::optional<std::array<std::string_view, 4>> unit(std::string_view name, int display) const;
  struct Compact {
    int digits = 1;                         // that stand before the word
    std::string_view one;                   // of one, ten, or a hundred
    std::array<std::string_view, 4> words;  // by Plural
  };
  // Of a number of this power of ten: 3 to 14. REQUIRES: has_words().
  Compact short_form(bool is_long, int power) const;

 private:
  // A name of a list of the table.
  std::string_view name(std::size_t list, std::size_t place) const;
  std::string field_text(std::string_view field, const DateFields& fields, const DateOptions& asked,
                         std::string_view digits) const;

  LocaleRecord record_;
};

// The text with the digits of ASCII replaced by those of a locale; empty: those stay.
std::string with_digits(std::string text, std::string_view digits);

}  // namespace inky::inline v1::javascript
