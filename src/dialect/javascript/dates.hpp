// Dates: ECMA-262, 21.4. A time is a count of milliseconds since 1970; NaN is an invalid date. The
// zone of the machine is taken to be UTC.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::javascript {

struct DateFields {
  std::int64_t year = 1970;
  int month = 0;  // 0 to 11
  int day = 1;
  int hour = 0;
  int minute = 0;
  int second = 0;
  int millisecond = 0;
  int weekday = 4;  // 0: Sunday
};

// REQUIRES: a time that is no NaN.
DateFields fields_of(double time);
// The year, the month from 0, the day, the hour, the minute, the second and the millisecond, each of
// any size: MakeDay, MakeTime and TimeClip.
double time_from(const std::array<double, 7>& parts);
double time_of(const Moment& moment);

// The time that a text names. Nothing where it is in a form that is not known here: the standard
// leaves it to V8.
std::optional<double> read_date(std::string_view text);

// "2031-05-09T14:05:07.000Z"; REQUIRES: a time that is no NaN.
std::string iso_text(double time);
// toString: "Fri May 09 2031 14:05:07 GMT+0000 (Coordinated Universal Time)".
std::string date_text(double time);
// toDateString, toTimeString and toUTCString.
std::string day_text(double time);
std::string hour_text(double time);
std::string utc_text(double time);

}  // namespace inky::inline v1::javascript
