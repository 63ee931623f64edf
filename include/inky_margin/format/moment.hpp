// A date of the proleptic Gregorian calendar and a time of day, without a time zone.
//
//   read_moment("2031-05-09T14:05:00.25")    // 9 May 2031, 14:05 and a quarter of a second
//   read_moment("2031-05-09")                // midnight
//   weekday(*moment), day_of_year(*moment)   // 5 (a Friday; Sunday is 0), 129
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/number/wide.hpp"

namespace inky::inline v1 {

struct Moment {
  int year = 1;   // 1 to 9999
  int month = 1;  // 1 to 12
  int day = 1;    // 1 to the days of the month
  int hour = 0;
  int minute = 0;
  int second = 0;      // no leap seconds
  int nanosecond = 0;  // 0 to 999,999,999

  // Any moment as one number, and back.
  uint128 packed() const;
  static Moment unpacked(uint128 number);

  friend bool operator==(const Moment&, const Moment&) = default;
};

// ISO 8601-1, extended form: a date, or a date, a T or a space, and a time to the minute, to the
// second or to at most nine places of it. Nothing where the text is not that, or no such day
// exists.
std::optional<Moment> read_moment(std::string_view text);

// The same form: to the second, and as many groups of three places as it takes.
std::string moment_text(const Moment& moment);

bool is_leap_year(int year);
int days_of_month(int year, int month);
// 0 for Sunday to 6.
int weekday(const Moment& moment);
// 1 to 366.
int day_of_year(const Moment& moment);

}  // namespace inky::inline v1
