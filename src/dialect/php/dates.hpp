// Dates and times of PHP, and the texts of their formats.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

#include "../family/time_zones.hpp"
#include "inky_margin/dialect/writer.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1::php {

inline constexpr int seconds_of_day = 86'400;

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
  Zone zone = 0;                   // that the offset is from
  bool is_zulu = false;            // by a Z
  bool is_greenwich = false;       // as gmdate() has it
  bool lacks_clock = false;        // the time of day is that of now

  bool is_leap() const { return (year % 4 == 0 && year % 100 != 0) || year % 400 == 0; }
};

Instant fields_of(std::int64_t seconds);
// What clocks of its zone show.
Instant fields_of(const Moment& moment);

// A date and a time of day on the clocks of a zone: what they skip is moved on. Nothing where they show
// it twice, of which PHP takes the one or the other, and where the zone is not known then.
std::optional<Moment> settled_on(const Moment& local, const TimeZone& zone);

// Minutes east of UTC, and the number of a zone.
inline constexpr std::string_view zone_object = "DateTimeZone";
// What date_default_timezone_set() leaves behind, under a name that no variable has.
inline constexpr std::string_view default_zone = "default zone";

// Of such an object, and one of a zone.
TimeZone zone_in(const Value& object);
Value zone_value(const TimeZone& zone);

// The text of a format; nothing where a code of it is not known here.
std::optional<std::string> shown_by(std::string_view format, const Instant& at);

// The moment that a text names, from `base` on where it says "+1 week"; nothing where it is of a form
// that is not known here, or needs the time of now.
std::optional<Moment> moment_named(std::string_view text, const Moment* base);

// A moment that is given is a DateTimeImmutable.
Value given_value(const Value& value);
// The format of DateTimeInterface::format() of a wish, in single quotes; nothing, and a note, where
// there is none.
std::optional<std::string> write_date_letters(const FieldWish& wish, Notes& notes);

// DateInterval: each part as it was given, and the days between the two moments, where it is of two.
struct Interval {
  int parts[6] = {};  // years, months, days, hours, minutes, seconds
  bool inverted = false;
  std::optional<int> days = {};
};
// "P1M", "P1DT2H"; nothing where it is none.
std::optional<Interval> read_interval(std::string_view text);
// Of the parts that are more than their unit holds, the rest goes on into the next.
std::optional<Moment> moved(const Moment& moment, const Interval& by, bool subtracts);
Interval between(const Moment& from, const Moment& to);
// "%a days"; nothing where a code of it is not known here.
std::optional<std::string> shown_interval(std::string_view format, const Interval& interval);

}  // namespace inky::inline v1::php
