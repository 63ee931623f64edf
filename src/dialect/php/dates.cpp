// What date() makes of a number of seconds: the PHP manual, DateTimeInterface::format.

#include <array>

#include "../family/time_reading.hpp"

#include "dates.hpp"

namespace inky::inline v1::php {

Instant fields_of(std::int64_t seconds) {
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

Instant fields_of(const Moment& moment) {
  Instant out = fields_of(seconds_since_1970(moment));
  out.microseconds = moment.nanosecond / 1'000;
  out.offset = moment.offset;
  out.zone = moment.zone;
  return out;
}

std::optional<Moment> settled_on(const Moment& local, const TimeZone& zone) {
  if (zone.zone == 0) return moment_on(local, zone);
  const auto clocks = clocks_showing(zone.zone, seconds_since_1970(local));
  if (!clocks) return std::nullopt;
  if (!clocks->skipped)
    return clocks->earlier.seconds == clocks->later.seconds ? moment_on(local, zone) : std::nullopt;
  Moment moved = moment_of_seconds(seconds_since_1970(local) + clocks->later.seconds -
                                   clocks->earlier.seconds);
  moved.nanosecond = local.nanosecond;
  return moment_on(moved, zone, true);
}

namespace {

// What the clocks of its zone show. REQUIRES: it has one.
ZoneTime clock_of(const Instant& at) {
  return clock_at(at.zone, at.seconds - at.offset.value_or(0) * 60).value_or(ZoneTime{});
}

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
      fields_of(at.seconds + (3 - monday_first) * std::int64_t{seconds_of_day});
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
                        {'I', at.zone != 0 && clock_of(at).is_summer ? 1 : 0, 1},
                        {'Z', at.offset.value_or(0) * 60, 1}};
  for (const Part& part : parts) {
    if (part.code != code) continue;
    const std::string digits = std::to_string(part.number);
    return std::string(part.width > digits.size() ? part.width - digits.size() : 0, '0') + digits;
  }
  return std::nullopt;
}

std::optional<std::string> word_of(char code, const Instant& at) {
  const std::string day(english_weekday(at.weekday));
  const std::string month(english_month(at.month));
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
      if (at.zone != 0) return std::string(zone_name(at.zone));
      return at.is_zulu ? "Z" : at.offset ? offset_text(*at.offset) : "UTC";
    case 'T':
      if (at.zone != 0) return std::string(clock_of(at).letters);
      return at.is_zulu        ? "Z"
             : at.offset       ? "GMT" + offset_text(*at.offset, "")
             : at.is_greenwich ? "GMT"
                               : "UTC";
    case 'O':
      return offset_text(at.offset.value_or(0), "");
    case 'P':
      return offset_text(at.offset.value_or(0));
    case 'p':
      if (at.zone != 0 && clock_of(at).letters != "UTC") return offset_text(*at.offset);
      return at.offset.value_or(0) == 0 ? "Z" : offset_text(*at.offset);
    case 'S': {
      const int last = at.day / 10 == 1 ? 0 : at.day % 10;
      return last == 1 ? "st" : last == 2 ? "nd" : last == 3 ? "rd" : "th";
    }
    default:
      return std::nullopt;
  }
}

}  // namespace

std::optional<std::string> shown_by(std::string_view format, const Instant& at) {
  std::string text;
  for (std::size_t i = 0; i < format.size(); ++i) {
    const char code = format[i];
    constexpr std::string_view of_clock = "aABgGhHisuvcrU";
    if (at.lacks_clock && of_clock.find(code) != std::string_view::npos) return std::nullopt;
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

}  // namespace inky::inline v1::php
