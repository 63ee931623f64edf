// What a locale makes of dates, currencies, units and short numbers: asked of Intl, Node.js 20 with
// ICU 78, by tools/record/javascript_locales.py.
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <span>
#include <string>
#include <string_view>

namespace inky::inline v1::javascript {

// Which of the forms of a number goes with a word: "1 day", "2 days".
enum class Plural : unsigned char { one, few, many, other };

// A pattern of a date has its fields in braces:
//   {Y} {y}    the year, whole and with two digits       {M} {m}   the month, {D} {d} the day,
//   {I} {i}    minutes, {S} {s} seconds: plain, and with two digits
//   {H} {h}    hours of 24 and of 12, {K} from 1 to 24, {J} from 0 to 11; twice for two digits
//   {N0} {W3} {P6}   the name of a month, a day of the week, a half of the day: of this list
// A pattern of a number has # where its digits are, and ~ where its sign is.
class LocalePatterns {
 public:
  // Null where the locale is not known.
  static const LocalePatterns* of(std::string_view tag);

  std::string_view tag;
  std::string_view exponent;  // between a number and its power of ten
  std::string_view names;     // each list a line, its names between bars
  std::string_view patterns;  // each a line
  // By two letters for each pattern.
  std::string_view dates;
  std::string_view times;
  std::string_view between;
  std::string_view week;
  std::string_view styles;
  std::string_view money;
  std::string_view units;
  std::string_view compact;

  // Whether units, names of currencies and short numbers are known, whose words go by the number.
  bool has_words() const { return !units.empty(); }
  // The name at a place of a list.
  std::string_view name(std::size_t list, std::size_t place) const;
  // All of these: nothing where the locale has no such pattern, or a field that is not known here.
  // Which of the widths of the weekday (short, long, narrow), the year (numeric, 2-digit), the month
  // (numeric, 2-digit, short, long, narrow) and the day (numeric, 2-digit), from 1; 0: none.
  std::optional<std::string_view> date(const std::array<int, 4>& widths) const;
  // Of the hour, the minute and the second (numeric, 2-digit); of twelve hours: 1, not: 2, 0: as usual.
  std::optional<std::string_view> time(const std::array<int, 3>& widths, int twelve) const;
  std::optional<std::string_view> between_date(const std::array<int, 4>& widths) const;
  // A day of the week alone, with a time.
  std::optional<std::string_view> week_time(int weekday, const std::array<int, 3>& widths,
                                            int twelve) const;
  // dateStyle and timeStyle: full, long, medium, short, from 1; 0: none.
  std::optional<std::string_view> style(int date, int time) const;

  struct Money {
    int places = 2;
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
    int digits = 1;  // that stand before the word
    // Where one (or ten, or a hundred) is shown, one with a place, few, many, many with a place.
    std::array<std::string_view, 5> patterns;
  };
  // Of a number of this power of ten: 3 to 14.
  Compact short_form(bool is_long, int power) const;

 private:
  std::size_t number_in(std::string_view table, std::size_t index) const;
  std::string_view pattern(std::size_t number) const;
  std::optional<std::string_view> found(std::string_view table, std::size_t index) const;
};

// The category of a number that is shown with these digits: "1", "1.50".
Plural plural_of(std::string_view tag, std::string_view shown);

}  // namespace inky::inline v1::javascript
