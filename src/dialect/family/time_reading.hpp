// The parts of a moment out of a text, by a pattern that a language has turned into steps.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// One step reads a number, a name, or a text that must be there.
struct TimeStep {
  enum class What : std::uint8_t {
    literal,  // text, as it is
    blanks,   // at least one blank
    year,
    year_of_century,
    month,
    day,
    day_of_year,
    hour,
    hour_of_half,  // 1 to 12
    minute,
    second,
    fraction,  // of a second
    month_name,
    short_month_name,
    weekday_name,
    short_weekday_name,
    half,    // AM or PM
    offset,  // +02:00, +0200 or Z
  };
  What what = What::literal;
  int least = 1;  // digits
  int most = 2;
  std::string text = {};  // of a literal
};

struct TimeParts {
  std::optional<int> year;
  std::optional<int> year_of_century;
  std::optional<int> month;
  std::optional<int> day;
  std::optional<int> day_of_year;
  std::optional<int> weekday;  // 0 for Sunday
  std::optional<int> hour;
  std::optional<int> hour_of_half;
  std::optional<int> minute;
  std::optional<int> second;
  std::optional<int> nanosecond;
  std::optional<bool> afternoon;
  std::optional<int> offset;  // minutes

  bool has_clock() const { return hour || hour_of_half || minute || second || nanosecond; }
  // The hour of the day: the one read, or that of the half. 0 where none was read.
  int hour_of_day() const;
};

// Each step takes as many digits as it may, and no step gives one back. Nothing where the text differs
// from the steps, where a number is out of range, or where some text is left. Names are English;
// `any_case`: capitals do not matter in them.
std::optional<TimeParts> read_time_parts(std::string_view text, std::span<const TimeStep> steps,
                                         bool any_case);

// With what was not read from `usual`; nothing where there is no such day. A year of a century
// below `first_of_1900` is one of 2000 to 2099.
std::optional<Moment> moment_of(const TimeParts& parts, const Moment& usual, int first_of_1900);

std::string_view english_month(int month);      // from 1
std::string_view english_weekday(int weekday);  // 0 for Sunday

}  // namespace inky::inline v1
