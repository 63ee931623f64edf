#include "dates.hpp"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <limits>

#include "text/ascii.hpp"

namespace inky::inline v1::javascript {

namespace {

constexpr double day_length = 86'400'000;
constexpr std::string_view month_names[] = {"Jan", "Feb", "Mar", "Apr", "May", "Jun",
                                            "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"};
constexpr std::string_view day_names[] = {"Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"};

// Days from 1970 to the first of a month; the year may be below zero.
std::int64_t days_before(std::int64_t year, int month) {
  // Years that begin in March have their odd day last.
  const std::int64_t y = month < 2 ? year - 1 : year;
  const std::int64_t m = month < 2 ? month + 10 : month - 2;
  const std::int64_t era = (y >= 0 ? y : y - 399) / 400;
  const std::int64_t in_era = y - era * 400;
  const std::int64_t day = (153 * m + 2) / 5;
  return era * 146'097 + in_era * 365 + in_era / 4 - in_era / 100 + day - 719'468;
}

void append_padded(std::int64_t number, std::size_t digits, std::string& out) {
  std::string text = std::to_string(number < 0 ? -number : number);
  if (number < 0) out += '-';
  out.append(digits - std::min(digits, text.size()), '0');
  out += text;
}

void append_clock(const DateFields& fields, std::string& out) {
  append_padded(fields.hour, 2, out);
  append_padded(fields.minute, 2, out += ':');
  append_padded(fields.second, 2, out += ':');
}

// Reads a number of `least` to `most` digits, and moves behind it.
bool take_digits(std::string_view& text, std::size_t least, std::size_t most, double& out) {
  std::size_t size = 0;
  out = 0;
  while (size < text.size() && size < most && is_digit(text[size]))
    out = out * 10 + (text[size++] - '0');
  if (size < least) return false;
  text.remove_prefix(size);
  return true;
}
bool take(std::string_view& text, std::string_view sign) {
  if (!text.starts_with(sign)) return false;
  text.remove_prefix(sign.size());
  return true;
}

// ":30", ":30.25", and a zone behind them.
bool read_clock(std::string_view text, std::array<double, 7>& parts, double& minutes_east) {
  if (!take_digits(text, 2, 2, parts[3]) || !take(text, ":") || !take_digits(text, 2, 2, parts[4]))
    return false;
  if (take(text, ":")) {
    if (!take_digits(text, 2, 2, parts[5])) return false;
    if (take(text, ".")) {
      constexpr std::size_t most_places = 9;
      const std::size_t before = text.size();
      double places = 0;
      if (!take_digits(text, 1, most_places, places)) return false;
      for (std::size_t i = before - text.size(); i < 3; ++i) places *= 10;
      for (std::size_t i = before - text.size(); i > 3; --i) places = std::floor(places / 10);
      parts[6] = places;
    }
  }
  const bool is_end = parts[3] == 24 && parts[4] == 0 && parts[5] == 0 && parts[6] == 0;
  if ((parts[3] > 23 && !is_end) || parts[4] > 59 || parts[5] > 59) return false;
  if (text.empty() || text == "Z") return true;
  const bool is_west = text[0] == '-';
  double hours = 0;
  double minutes = 0;
  if (!take(text, is_west ? "-" : "+") || !take_digits(text, 2, 2, hours) || !take(text, ":") ||
      !take_digits(text, 2, 2, minutes) || !text.empty() || hours > 23 || minutes > 59)
    return false;
  minutes_east = (is_west ? -1 : 1) * (hours * 60 + minutes);
  return true;
}

// The forms of the standard: 2031, 2031-05, 2031-05-09, and a time behind a T or a blank.
std::optional<double> read_iso(std::string_view text) {
  std::array<double, 7> parts{};
  parts[2] = 1;
  double minutes_east = 0;
  if (!take_digits(text, 4, 4, parts[0])) return std::nullopt;
  double month = 1;
  if (take(text, "-")) {
    if (!take_digits(text, 2, 2, month)) return std::nullopt;
    if (take(text, "-") && !take_digits(text, 2, 2, parts[2])) return std::nullopt;
  }
  // A day that the month has not is another day for V8, or none.
  if (month < 1 || month > 12 || parts[2] < 1 ||
      parts[2] > days_of_month(std::max(static_cast<int>(parts[0]), 1), static_cast<int>(month)))
    return std::nullopt;
  parts[1] = month - 1;
  if (!text.empty()) {
    if (!take(text, "T") && !take(text, " ")) return std::nullopt;
    if (!read_clock(text, parts, minutes_east)) return std::nullopt;
  }
  const double minute = 60'000;
  return time_from(parts) - minutes_east * minute;
}

// "May 9, 2031 14:05", "9 May 2031", "2031/05/09", "5/9/2031": as V8 reads them.
std::optional<double> read_words(std::string_view text) {
  std::array<double, 7> parts{};
  double minutes_east = 0;
  double first = 0;
  double second = 0;
  const auto month_in = [&]() -> int {
    std::size_t size = 0;
    while (size < text.size() && is_word_start(text[size])) ++size;
    const std::string_view word = text.substr(0, size);
    constexpr std::string_view whole[] = {"January",   "February", "March",    "April",
                                          "May",       "June",     "July",     "August",
                                          "September", "October",  "November", "December"};
    for (int i = 0; i < 12; ++i) {
      if (word != whole[i] && word != month_names[i]) continue;
      text.remove_prefix(size);
      return i;
    }
    return -1;
  };
  for (const std::string_view day : day_names) {
    if (text.starts_with(day) && text.size() > 5 && text.substr(3, 2) == ", ")
      text.remove_prefix(5);
  }
  if (int month = month_in(); month >= 0) {
    if (!take(text, " ") || !take_digits(text, 1, 2, parts[2])) return std::nullopt;
    take(text, ",");
    if (!take(text, " ") || !take_digits(text, 4, 4, parts[0])) return std::nullopt;
    parts[1] = month;
  } else if (take_digits(text, 1, 4, first)) {
    if (take(text, "/")) {
      double third = 0;
      if (!take_digits(text, 1, 2, second) || !take(text, "/") || !take_digits(text, 1, 4, third))
        return std::nullopt;
      const bool year_first = first > 999;
      parts = {year_first ? first : third, (year_first ? second : first) - 1,
               year_first ? third : second};
      if (parts[1] < 0 || parts[1] > 11) return std::nullopt;
    } else {
      if (!take(text, " ")) return std::nullopt;
      month = month_in();
      if (month < 0 || !take(text, " ") || !take_digits(text, 4, 4, parts[0])) return std::nullopt;
      parts[1] = month;
      parts[2] = first;
    }
  } else {
    return std::nullopt;
  }
  if (parts[0] < 1000 || parts[2] < 1 || parts[2] > 28) return std::nullopt;
  if (!text.empty()) {
    take(text, ",");
    if (!take(text, " ")) return std::nullopt;
    const bool is_utc = text.ends_with(" GMT") || text.ends_with(" UTC");
    if (is_utc) text.remove_suffix(4);
    if (text.find_first_of("+-Z.") != std::string_view::npos ||
        !read_clock(text, parts, minutes_east))
      return std::nullopt;
  }
  return time_from(parts);
}

}  // namespace

DateFields fields_of(double time) {
  DateFields out;
  const double days = std::floor(time / day_length);
  double rest = time - days * day_length;
  const auto day = static_cast<std::int64_t>(days);
  // From the first of March of the year 0 on.
  const std::int64_t shifted = day + 719'468;
  const std::int64_t era = (shifted >= 0 ? shifted : shifted - 146'096) / 146'097;
  const std::int64_t in_era = shifted - era * 146'097;
  const std::int64_t year = (in_era - in_era / 1460 + in_era / 36524 - in_era / 146'096) / 365;
  const std::int64_t in_year = in_era - (365 * year + year / 4 - year / 100);
  const std::int64_t month = (5 * in_year + 2) / 153;
  out.day = static_cast<int>(in_year - (153 * month + 2) / 5 + 1);
  out.month = static_cast<int>(month < 10 ? month + 2 : month - 10);
  out.year = year + era * 400 + (out.month < 2 ? 1 : 0);
  out.weekday = static_cast<int>(((day % 7) + 11) % 7);
  const auto clock = static_cast<std::int64_t>(rest);
  out.millisecond = static_cast<int>(clock % 1000);
  out.second = static_cast<int>(clock / 1000 % 60);
  out.minute = static_cast<int>(clock / 60'000 % 60);
  out.hour = static_cast<int>(clock / 3'600'000);
  return out;
}

double time_from(const std::array<double, 7>& parts) {
  constexpr double most = 8.64e15;
  constexpr double nan = std::numeric_limits<double>::quiet_NaN();
  std::array<double, 7> whole{};
  for (std::size_t i = 0; i < parts.size(); ++i) {
    if (!(std::fabs(parts[i]) <= most)) return nan;
    whole[i] = std::trunc(parts[i]);
  }
  const double years = whole[0] + std::floor(whole[1] / 12);
  constexpr double most_years = 400'000;
  if (std::fabs(years) > most_years) return nan;
  const int month = static_cast<int>(whole[1] - std::floor(whole[1] / 12) * 12);
  const auto days =
      static_cast<double>(days_before(static_cast<std::int64_t>(years), month)) + whole[2] - 1;
  const double clock = whole[3] * 3'600'000 + whole[4] * 60'000 + whole[5] * 1000 + whole[6];
  const double time = days * day_length + clock;
  return std::fabs(time) <= most ? time + 0.0 : nan;
}

double time_of(const Moment& moment) {
  return time_from({static_cast<double>(moment.year), static_cast<double>(moment.month - 1),
                    static_cast<double>(moment.day), static_cast<double>(moment.hour),
                    static_cast<double>(moment.minute), static_cast<double>(moment.second),
                    std::floor(moment.nanosecond / 1e6)});
}

std::optional<double> read_date(std::string_view text) {
  if (const auto time = read_iso(text)) return time;
  return read_words(text);
}

std::string iso_text(double time) {
  const DateFields fields = fields_of(time);
  std::string out;
  const bool is_plain = fields.year >= 0 && fields.year <= 9999;
  if (!is_plain && fields.year > 0) out += '+';
  append_padded(fields.year, is_plain ? 4 : 6, out);
  append_padded(fields.month + 1, 2, out += '-');
  append_padded(fields.day, 2, out += '-');
  out += 'T';
  append_clock(fields, out);
  append_padded(fields.millisecond, 3, out += '.');
  return out + 'Z';
}

std::string day_text(double time) {
  if (std::isnan(time)) return "Invalid Date";
  const DateFields fields = fields_of(time);
  std::string out(day_names[fields.weekday]);
  (out += ' ') += month_names[fields.month];
  append_padded(fields.day, 2, out += ' ');
  append_padded(fields.year, fields.year < 0 ? 6 : 4, out += ' ');
  return out;
}

std::string hour_text(double time) {
  if (std::isnan(time)) return "Invalid Date";
  std::string out;
  append_clock(fields_of(time), out);
  return out + " GMT+0000 (Coordinated Universal Time)";
}

std::string date_text(double time) {
  return std::isnan(time) ? day_text(time) : day_text(time) + " " + hour_text(time);
}

std::string utc_text(double time) {
  if (std::isnan(time)) return "Invalid Date";
  const DateFields fields = fields_of(time);
  std::string out = std::string(day_names[fields.weekday]) + ", ";
  append_padded(fields.day, 2, out);
  (out += ' ') += month_names[fields.month];
  append_padded(fields.year, fields.year < 0 ? 6 : 4, out += ' ');
  append_clock(fields, out += ' ');
  return out + " GMT";
}

}  // namespace inky::inline v1::javascript
