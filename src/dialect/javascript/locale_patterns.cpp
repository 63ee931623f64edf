#include "locale_patterns.hpp"

#include <algorithm>
#include <cstdint>

#include "dialect/family/locale_table.hpp"
#include "dialect/family/persian_calendar.hpp"

namespace inky::inline v1::javascript {

namespace {

// In the order of the recorder.
constexpr std::string_view currencies =
    "USD EUR GBP JPY CHF CAD AUD NZD CNY INR BRL MXN SEK NOK DKK PLN CZK HUF TRY KRW ZAR SGD HKD "
    "THB "
    "ILS KWD ISK RUB UAH RON PHP IDR VND CLP COP ARS";
constexpr std::string_view unit_names =
    "percent kilometer meter centimeter millimeter mile foot inch yard kilogram gram ounce pound "
    "liter milliliter gallon celsius fahrenheit degree hour minute second millisecond day week "
    "month "
    "year byte kilobyte megabyte gigabyte terabyte bit kilometer-per-hour mile-per-hour hectare "
    "acre";

std::optional<std::size_t> place_among(std::string_view list, std::string_view word) {
  std::size_t place = 0;
  while (!list.empty()) {
    const std::size_t end = std::min(list.find(' '), list.size());
    if (list.substr(0, end) == word) return place;
    list.remove_prefix(std::min(end + 1, list.size()));
    ++place;
  }
  return std::nullopt;
}

// Patterns stand in rows by which parts are asked at all, and in a row by how wide these are.
struct Place {
  std::size_t row = 0;
  std::size_t in_row = 0;

  // A part in one of `widths` widths, which `width` counts from 1; 0: without that part.
  void add(int width, int widths) {
    row = row * 2 + (width > 0 ? 1 : 0);
    if (width > 0) within(width - 1, widths);
  }
  void within(int which, int of) {
    in_row = in_row * static_cast<std::size_t>(of) + static_cast<std::size_t>(which);
  }
};

constexpr int numeric_months = 2;

Place date_place(const DateOptions& asked) {
  const auto [weekday, year, month, day] = asked;
  Place out;
  out.add(weekday, 3);
  out.add(year, 2);
  // None, a number, a name.
  const bool is_name = month > numeric_months;
  out.row = out.row * 3 + (month == 0 ? 0 : is_name ? 2 : 1);
  if (month > 0) out.within(is_name ? month - numeric_months - 1 : month - 1, is_name ? 3 : 2);
  out.add(day, 2);
  return out;
}

Place time_place(const TimeOptions& asked, int twelve, Place out = {}) {
  for (const int width : asked) out.add(width, 2);
  out.row = out.row * 3 + static_cast<std::size_t>(twelve);
  return out;
}

std::string two_digits(std::int64_t number, bool has_two) {
  const std::string text = std::to_string(number);
  return has_two && text.size() < 2 ? "0" + text : text;
}

// The year, the month and the day by a calendar.
std::optional<DateFields> in_calendar(DateFields fields, std::string_view calendar) {
  constexpr int buddhist = 543;  // years before the Christian era
  if (calendar == "buddhist") fields.year += buddhist;
  if (calendar != "persian") return fields;
  const Moment day{static_cast<int>(fields.year), fields.month + 1, fields.day};
  const auto date = persian_date(seconds_since_1970(day) / 86'400);
  if (!date) return std::nullopt;
  fields.year = date->year;
  fields.month = date->month - 1;
  fields.day = date->day;
  return fields;
}

}  // namespace

std::string with_digits(std::string text, std::string_view digits) {
  if (digits.empty()) return text;
  const std::size_t size = digits.size() / 10;
  std::string out;
  for (const char c : text) {
    if (c >= '0' && c <= '9')
      out += digits.substr(static_cast<std::size_t>(c - '0') * size, size);
    else
      out += c;
  }
  return out;
}

std::optional<std::string_view> LocalePatterns::date(const DateOptions& asked) const {
  const Place place = date_place(asked);
  return record_.date_pattern(LocalePart::dates, place.row, place.in_row);
}

std::optional<std::string_view> LocalePatterns::time(const TimeOptions& asked, int twelve) const {
  const Place place = time_place(asked, twelve);
  return record_.date_pattern(LocalePart::times, place.row, place.in_row);
}

std::optional<std::string_view> LocalePatterns::week_time(int weekday, const TimeOptions& asked,
                                                          int twelve) const {
  const Place place = time_place(asked, twelve, {0, static_cast<std::size_t>(weekday - 1)});
  return record_.date_pattern(LocalePart::week, place.row, place.in_row);
}

std::optional<std::string_view> LocalePatterns::between_date(const DateOptions& asked) const {
  const Place place = date_place(asked);
  return record_.date_pattern(LocalePart::between, place.row, place.in_row);
}

std::string LocalePatterns::joined(std::string_view together, std::string_view date,
                                   std::string_view time) {
  constexpr std::string_view fields[] = {"{d}", "{t}"};
  const std::size_t at[] = {together.find(fields[0]), together.find(fields[1])};
  // Without fields it is the text between the two, and the date comes first.
  if (at[1] == std::string_view::npos)
    return std::string(date) + std::string(together) + std::string(time);
  const bool date_first = at[0] < at[1];
  const std::size_t first = date_first ? at[0] : at[1];
  const std::size_t second = date_first ? at[1] : at[0];
  constexpr std::size_t size = 3;
  std::string out(together.substr(0, first));
  out += date_first ? date : time;
  out += together.substr(first + size, second - first - size);
  out += date_first ? time : date;
  return out += together.substr(second + size);
}

std::optional<std::string> LocalePatterns::style(int date, int time) const {
  constexpr std::size_t count = 4;
  const auto at = [&](std::size_t place) {
    return record_.date_pattern(LocalePart::styles, 0, place);
  };
  const auto of_date = at(static_cast<std::size_t>(std::max(date - 1, 0)));
  const auto of_time = at(count + static_cast<std::size_t>(std::max(time - 1, 0)));
  if ((date > 0 && !of_date) || (time > 0 && !of_time)) return std::nullopt;
  if (date == 0 || time == 0) return std::string(date > 0 ? *of_date : *of_time);
  const auto both = at(2 * count + static_cast<std::size_t>(date - 1) * count +
                       static_cast<std::size_t>(time - 1));
  if (!both) return std::nullopt;
  return joined(*both, *of_date, *of_time);
}

std::string_view LocalePatterns::name(std::size_t list, std::size_t place) const {
  constexpr std::size_t own_lists = 6;
  if (list < own_lists) {
    const auto part = static_cast<std::size_t>(LocalePart::short_days) + list;
    return listed_name(record_.text(static_cast<LocalePart>(part)), place);
  }
  std::string_view lists = record_.text(LocalePart::more_names);
  for (std::size_t i = own_lists; i < list; ++i)
    lists.remove_prefix(std::min(lists.find('\n') + 1, lists.size()));
  return listed_name(lists.substr(0, lists.find('\n')), place);
}

std::string LocalePatterns::field_text(std::string_view field, const DateFields& fields,
                                       const DateOptions& asked, std::string_view digits) const {
  const char letter = field[0];
  const auto number = [&](std::int64_t value, bool has_two) {
    return with_digits(two_digits(value, has_two), digits);
  };
  const auto year = [&](std::int64_t value, bool has_two) {
    return number(has_two ? value % 100 : value, has_two);
  };
  constexpr int two = 2;
  const bool is_double = field.size() > 1;
  const int half = fields.hour % 12;
  switch (letter) {
    case 'Y':
    case 'y':
      return year(fields.year, letter == 'y');
    case 'a':
      return year(fields.year, asked[1] == two);
    case 'M':
    case 'm':
      return number(fields.month + 1, letter == 'm');
    case 'c':
      return number(fields.month + 1, asked[2] == two);
    case 'D':
    case 'd':
      return number(fields.day, letter == 'd');
    case 'e':
      return number(fields.day, asked[3] == two);
    case 'I':
    case 'i':
      return number(fields.minute, letter == 'i');
    case 'S':
    case 's':
      return number(fields.second, letter == 's');
    case 'O':
      return with_digits("00:00", digits);
    case 'H':
      return number(fields.hour, is_double);
    case 'h':
      return number(half == 0 ? 12 : half, is_double);
    case 'K':
      return number(fields.hour == 0 ? 24 : fields.hour, is_double);
    case 'J':
      return number(half, is_double);
    default:
      break;
  }
  std::size_t list = 0;
  for (const char digit : field.substr(1)) list = list * 10 + static_cast<std::size_t>(digit - '0');
  constexpr std::size_t first_of_months = 3;
  if (field.size() == 1)
    list = letter == 'W'
               ? static_cast<std::size_t>(asked[0] - 1)
               : first_of_months + static_cast<std::size_t>(asked[2] - numeric_months - 1);
  const int place = letter == 'N'   ? fields.month
                    : letter == 'W' ? fields.weekday
                    : letter == 'Q' ? fields.hour
                                    : fields.hour / 12;
  return std::string(name(list, static_cast<std::size_t>(place)));
}

std::optional<std::string> LocalePatterns::filled(std::string_view pattern, const DateFields& given,
                                                  const DateOptions& asked,
                                                  std::string_view digits) const {
  const auto fields = in_calendar(given, record_.text(LocalePart::calendar));
  if (!fields) return std::nullopt;
  // A number that is the name of a month is not written in other digits everywhere.
  const bool is_named_month =
      asked[2] > numeric_months && (pattern.find("{M}") != std::string_view::npos ||
                                    pattern.find("{m}") != std::string_view::npos);
  if (is_named_month && digits != record_.text(LocalePart::digits)) return std::nullopt;
  std::string out;
  while (!pattern.empty()) {
    const std::size_t open = std::min(pattern.find('{'), pattern.size());
    out += pattern.substr(0, open);
    pattern.remove_prefix(open);
    if (pattern.empty()) break;
    const std::size_t close = pattern.find('}');
    out += field_text(pattern.substr(1, close - 1), *fields, asked, digits);
    pattern.remove_prefix(close + 1);
  }
  return out;
}

std::optional<LocalePatterns::Money> LocalePatterns::currency(std::string_view code,
                                                              int display) const {
  const auto place = place_among(currencies, code);
  if (!place) return std::nullopt;
  // Five currencies a row.
  constexpr std::size_t per_row = 5;
  constexpr std::size_t displays = 3;
  const std::size_t row = *place / per_row;
  const std::size_t in_row = *place % per_row;
  constexpr int by_code = 2;
  Money out;
  out.places = places_of_currency(*place);
  const auto which = static_cast<std::size_t>(std::min(display, by_code));
  out.symbol = which == by_code
                   ? code
                   : LocaleRecord::money_pattern(
                         LocaleRecord::money_row(record_.number(LocalePart::symbols, row)),
                         2 * in_row + which);
  const std::string_view shapes = LocaleRecord::money_row(LocaleRecord::number_in(
      LocaleRecord::money_row(record_.number(LocalePart::money, row)), in_row * displays + which));
  std::string_view* const all[] = {&out.positive, &out.negative, &out.accounted,
                                   &out.accounted_plus, &out.accounted_positive};
  for (std::size_t i = 0; i < std::size(all); ++i) *all[i] = LocaleRecord::money_pattern(shapes, i);
  if (!has_words()) return out;
  const std::string_view names = LocaleRecord::money_row(record_.number(LocalePart::named, *place));
  for (std::size_t i = 0; i < out.named.size(); ++i)
    out.named[i] = LocaleRecord::money_pattern(names, i);
  return out;
}

std::optional<std::array<std::string_view, 4>> LocalePatterns::unit(std::string_view name,
                                                                    int display) const {
  const auto place = place_among(unit_names, name);
  if (!place || !has_words()) return std::nullopt;
  const std::string_view row = LocaleRecord::word_row(record_.number(LocalePart::units, *place));
  std::array<std::string_view, 4> out;
  for (std::size_t i = 0; i < out.size(); ++i)
    out[i] = LocaleRecord::word_pattern(row, static_cast<std::size_t>(display) * out.size() + i);
  return out;
}

LocalePatterns::Compact LocalePatterns::short_form(bool is_long, int power) const {
  constexpr int least_power = 3;
  constexpr std::size_t powers = 12;
  const std::size_t place = (is_long ? powers : 0) + static_cast<std::size_t>(power - least_power);
  const std::string_view row = LocaleRecord::word_row(record_.number(LocalePart::compact, place));
  Compact out;
  out.digits = LocaleRecord::word_pattern(row, 0)[0] - '0';
  out.one = LocaleRecord::word_pattern(row, 1);
  for (std::size_t i = 0; i < out.words.size(); ++i)
    out.words[i] = LocaleRecord::word_pattern(row, 2 + i);
  return out;
}

}  // namespace inky::inline v1::javascript
