// What date() makes of a number of seconds, in UTC, and DateTime of a text: the PHP manual,
// DateTimeInterface::format and Date and Time Formats.

#include <array>

#include "../computed/objects.hpp"
#include "dialect/lexis.hpp"
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
  int microseconds = 0;
  std::optional<int> offset = {};  // minutes east of UTC, where the text has one
  bool is_zulu = false;            // by a Z
  bool is_greenwich = false;       // as gmdate() has it

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
                        {'U', at.seconds - at.offset.value_or(0) * 60, 1},
                        {'o', week_of(at).year, 4},
                        {'W', week_of(at).number, 2},
                        {'u', at.microseconds, 6},
                        {'v', at.microseconds / 1'000, 3},
                        {'I', 0, 1},
                        {'Z', at.offset.value_or(0) * 60, 1}};
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
      return at.is_zulu ? "Z" : at.offset ? offset_text(*at.offset) : "UTC";
    case 'T':
      return at.is_zulu        ? "Z"
             : at.offset       ? "GMT" + offset_text(*at.offset, "")
             : at.is_greenwich ? "GMT"
                               : "UTC";
    case 'O':
      return offset_text(at.offset.value_or(0), "");
    case 'P':
      return offset_text(at.offset.value_or(0));
    case 'p':
      return at.offset.value_or(0) == 0 ? "Z" : offset_text(*at.offset);
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

// The moment that a text names; nothing where it is of another form than these: 2031-05-09, with
// 14:05 or 14:05:07.25 behind a space or a T, and an offset.
std::optional<Moment> moment_named(std::string_view text) {
  std::string iso(text);
  constexpr std::size_t date_size = 10;
  if (iso.size() > date_size && iso[date_size] == ' ') iso[date_size] = 'T';
  return iso.size() < date_size ? std::nullopt : read_moment(iso);
}

constexpr std::string_view moment_object = "DateTime";

// Of such an object: its moment, and whether a Z says its zone.
Instant instant_of(const Value& object) {
  const Moment moment = computed::object_part(object, 0).as_moment();
  Instant out = instant_of(seconds_since_1970(moment));
  out.is_zulu = computed::object_part(object, 1).as_whole() != 0;
  out.microseconds = moment.nanosecond / 1'000;
  out.offset = moment.offset;
  return out;
}

}  // namespace

std::optional<bool> Expressions::make_moment(const Node& node, const std::string& name,
                                             const Arguments& arguments, Value& out) {
  constexpr std::string_view makers =
      "datetime datetimeimmutable date_create date_create_immutable";
  const std::string small = small_letters(name);
  const bool makes = has_word(makers, small);
  if (!makes && small != "strtotime" && small != "mktime" && small != "gmmktime")
    return std::nullopt;
  const auto unknown = [&] { return not_yet(name + " with these arguments is", node); };
  if (small.ends_with("mktime")) {
    std::int64_t parts[6] = {};
    if (arguments.size() != 6) return unknown();
    for (std::size_t i = 0; i < 6; ++i) {
      if (!take_int(node, arguments[i], parts[i])) return false;
    }
    constexpr std::int64_t most = 100'000;
    for (const std::int64_t part : parts) {
      if (part > most || part < -most) return unknown();
    }
    // Months and days beyond theirs go on into the next.
    const std::int64_t months = parts[5] * 12 + parts[3] - 1;
    const std::int64_t year = months / 12 - (months % 12 < 0 ? 1 : 0);
    if (year < 100 || year > 9'998) return unknown();
    Moment first{static_cast<int>(year), static_cast<int>(months - year * 12) + 1, 1};
    out = Value::whole(Type::i64, seconds_since_1970(first) + (parts[4] - 1) * seconds_of_day +
                                      parts[0] * 3'600 + parts[1] * 60 + parts[2]);
    return true;
  }
  if (arguments.size() != 1 || !arguments[0].is(Type::text)) return unknown();
  const auto moment = moment_named(arguments[0].as_text());
  if (!moment) return not_yet("a text such as this as a date is", node);
  if (small == "strtotime")
    out = Value::whole(Type::i64, seconds_since_1970(*moment) - moment->offset.value_or(0) * 60);
  else
    out = computed::object_of(moment_object, {Value::moment(*moment),
                                              Value::truth(arguments[0].as_text().ends_with('Z'))});
  return true;
}

// $d->format("Y-m-d"), $d->getTimestamp()
bool Expressions::call_method(const Node& node, const Value& of, const Arguments& arguments,
                              Value& out) {
  const std::string name = small_letters(node.parts[0].text);
  if (!computed::is_object(of, moment_object))
    return Evaluator::call_method(node, of, arguments, out);
  const Moment moment = computed::object_part(of, 0).as_moment();
  if (name == "gettimestamp" && arguments.size() == 0) {
    out = Value::whole(Type::i64, seconds_since_1970(moment) - moment.offset.value_or(0) * 60);
    return true;
  }
  if (name != "format" || arguments.size() != 1 || !arguments[0].is(Type::text))
    return not_yet("the method " + node.parts[0].text + " is", node);
  auto text = shown_by(arguments[0].as_text(), instant_of(of));
  if (!text) return not_yet("this code of date is", node);
  out = Value::text(std::move(*text));
  return true;
}

std::optional<bool> Expressions::format_date(const Node& node, const std::string& name,
                                             const Arguments& arguments, Value& out) {
  if (name == "date_format" && arguments.size() == 2 &&
      computed::is_object(arguments[0], moment_object) && arguments[1].is(Type::text)) {
    auto shown = shown_by(arguments[1].as_text(), instant_of(arguments[0]));
    if (!shown) return not_yet("this code of date is", node);
    out = Value::text(std::move(*shown));
    return true;
  }
  if (name != "date" && name != "gmdate") return std::nullopt;
  if (arguments.size() != 2 || !arguments[0].is(Type::text))
    return not_yet("the function " + name + " with these arguments is", node);
  std::int64_t seconds = 0;
  if (!take_int(node, arguments[1], seconds)) return false;
  // The years 1 to 9999.
  if (seconds < -62'135'596'800 || seconds > 253'402'300'799)
    return not_yet("such a date is", node);
  Instant at = instant_of(seconds);
  at.is_greenwich = name == "gmdate";
  auto text = shown_by(arguments[0].as_text(), at);
  if (!text) return not_yet("this code of date is", node);
  out = Value::text(std::move(*text));
  return true;
}

}  // namespace inky::inline v1::php
