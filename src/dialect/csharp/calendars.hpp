// The calendars by which cultures of .NET show dates.
#pragma once

#include <optional>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::csharp {

struct CalendarDate {
  int year = 1;
  int month = 1;
  int day = 1;
};

// Of a calendar by the name that .NET gives it: "Gregorian", "ThaiBuddhist", "Persian", "UmAlQura".
// Nothing where it has no such date, or none that is known here.
std::optional<CalendarDate> date_in_calendar(std::string_view calendar, const Moment& moment);

}  // namespace inky::inline v1::csharp
