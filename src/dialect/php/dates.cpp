// What date() makes of a number of seconds, in UTC: the PHP manual, DateTimeInterface::format.

#include <array>

#include "expressions.hpp"

namespace inky::inline v1::php {

namespace {

using computed::Node;

constexpr int seconds_of_day = 86'400;

// A second of the Gregorian calendar.
struct Instant {
  std::int64_t seconds = 0;  // since 1970
  int year = 0;
  int month = 0;
  int day = 0;
  int weekday = 0;  // 0 is Sunday
  int in_day = 0;   // seconds

  bool is_leap() const { return (year % 4 == 0 && year % 100 != 0) || year % 400 == 0; }
};

Instant instant_of(std::int64_t seconds) {
  Instant out;
  out.seconds = seconds;
  const std::int64_t days = seconds / seconds_of_day - (seconds % seconds_of_day < 0 ? 1 : 0);
  out.in_day = static_cast<int>(seconds - days * seconds_of_day);
  out.weekday = static_cast<int>(((days + 4) % 7 + 7) % 7);
  // Days since 1 March of the year 0, in eras of 400 years, whose years end with February.
  constexpr std::int64_t days_to_1970 = 719'468;
  constexpr std::int64_t era_days = 146'097;
  const std::int64_t shifted = days + days_to_1970;
  const std::int64_t era = (shifted >= 0 ? shifted : shifted - era_days + 1) / era_days;
  const std::int64_t in_era = shifted - era * era_days;
  const std::int64_t year =
      (in_era - in_era / 1'460 + in_era / 36'524 - in_era / (era_days - 1)) / 365;
  const std::int64_t in_year = in_era - (365 * year + year / 4 - year / 100);
  const std::int64_t month = (5 * in_year + 2) / 153;  // 0 is March
  out.day = static_cast<int>(in_year - (153 * month + 2) / 5 + 1);
  out.month = static_cast<int>(month < 10 ? month + 3 : month - 9);
  out.year = static_cast<int>(year + era * 400 + (out.month <= 2 ? 1 : 0));
  return out;
}

constexpr std::array<const char*, 7> day_names = {"Sunday",   "Monday", "Tuesday", "Wednesday",
                                                  "Thursday", "Friday", "Saturday"};
constexpr std::array<const char*, 12> month_names = {
    "January", "February", "March",     "April",   "May",      "June",
    "July",    "August",   "September", "October", "November", "December"};
constexpr std::array<int, 12> lengths = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};

int day_of_year(const Instant& at) {
  int out = at.day - 1;
  for (std::size_t i = 0; i + 1 < static_cast<std::size_t>(at.month); ++i) out += lengths[i];
  return out + (at.is_leap() && at.month > 2 ? 1 : 0);
}

// ISO 8601-1: a week belongs to the year of its Thursday.
struct Week {
  int year = 0;
  int number = 0;
};
Week week_of(const Instant& at) {
  const int monday_first = at.weekday == 0 ? 6 : at.weekday - 1;
  const Instant thursday =
      instant_of(at.seconds + (3 - monday_first) * std::int64_t{seconds_of_day});
  return {thursday.year, day_of_year(thursday) / 7 + 1};
}

// The codes that are a number, and the digits it has at least.
std::optional<std::string> number_of(char code, const Instant& at) {
  const int hour = at.in_day / 3'600;
  const int hour12 = hour % 12 == 0 ? 12 : hour % 12;
  struct Part {
    char code;
    std::int64_t number;
    std::size_t width;
  };
  const int days = lengths[static_cast<std::size_t>(at.month - 1)];
  const Part parts[] = {{'d', at.day, 2},
                        {'j', at.day, 1},
                        {'N', at.weekday == 0 ? 7 : at.weekday, 1},
                        {'w', at.weekday, 1},
                        {'z', day_of_year(at), 1},
                        {'m', at.month, 2},
                        {'n', at.month, 1},
                        {'t', days + (at.is_leap() && at.month == 2 ? 1 : 0), 1},
                        {'L', at.is_leap() ? 1 : 0, 1},
                        {'Y', at.year, 4},
                        {'y', at.year % 100, 2},
                        {'g', hour12, 1},
                        {'G', hour, 1},
                        {'h', hour12, 2},
                        {'H', hour, 2},
                        {'i', at.in_day / 60 % 60, 2},
                        {'s', at.in_day % 60, 2},
                        {'U', at.seconds, 1},
                        {'o', week_of(at).year, 4},
                        {'W', week_of(at).number, 2},
                        {'u', 0, 6},
                        {'v', 0, 3},
                        {'I', 0, 1},
                        {'Z', 0, 1}};
  for (const Part& part : parts) {
    if (part.code != code) continue;
    const std::string digits = std::to_string(part.number);
    return std::string(part.width > digits.size() ? part.width - digits.size() : 0, '0') + digits;
  }
  return std::nullopt;
}

std::optional<std::string> word_of(char code, const Instant& at) {
  const std::string day = day_names[static_cast<std::size_t>(at.weekday)];
  const std::string month = month_names[static_cast<std::size_t>(at.month - 1)];
  const bool is_morning = at.in_day < seconds_of_day / 2;
  switch (code) {
    case 'D':
      return day.substr(0, 3);
    case 'l':
      return day;
    case 'M':
      return month.substr(0, 3);
    case 'F':
      return month;
    case 'a':
      return is_morning ? "am" : "pm";
    case 'A':
      return is_morning ? "AM" : "PM";
    case 'e':
    case 'T':
      return "UTC";
    case 'O':
      return "+0000";
    case 'P':
      return "+00:00";
    case 'p':
      return "Z";
    case 'S': {
      const int last = at.day / 10 == 1 ? 0 : at.day % 10;
      return last == 1 ? "st" : last == 2 ? "nd" : last == 3 ? "rd" : "th";
    }
    default:
      return std::nullopt;
  }
}

// The text of a format; nothing where a code of it is not known here.
std::optional<std::string> shown_by(std::string_view format, const Instant& at) {
  std::string text;
  for (std::size_t i = 0; i < format.size(); ++i) {
    const char code = format[i];
    if (auto number = number_of(code, at)) {
      text += *number;
    } else if (auto word = word_of(code, at)) {
      text += *word;
    } else if (code == 'c' || code == 'r') {
      text += *shown_by(code == 'c' ? "Y-m-d\\TH:i:sP" : "D, d M Y H:i:s O", at);
    } else if (code == '\\') {
      if (i + 1 < format.size()) text += format[++i];
    } else if (code == 'B' || code == 'x' || code == 'X') {
      return std::nullopt;
    } else {
      text += code;
    }
  }
  return text;
}

}  // namespace

std::optional<bool> Expressions::format_date(const Node& node, const std::string& name,
                                             const Arguments& arguments, Value& out) {
  if (name != "date" && name != "gmdate") return std::nullopt;
  if (arguments.size() != 2 || !arguments[0].is(Type::text))
    return not_yet("the function " + name + " with these arguments is", node);
  std::int64_t seconds = 0;
  if (!take_int(node, arguments[1], seconds)) return false;
  // The years 1 to 9999.
  if (seconds < -62'135'596'800 || seconds > 253'402'300'799)
    return not_yet("such a date is", node);
  const Instant at = instant_of(seconds);
  auto text = shown_by(arguments[0].as_text(), at);
  if (!text) return not_yet("this code of date is", node);
  out = Value::text(std::move(*text));
  return true;
}

}  // namespace inky::inline v1::php
