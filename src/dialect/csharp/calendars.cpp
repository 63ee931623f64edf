#include "calendars.hpp"

#include <cstdint>
#include <iterator>

#include "../family/persian_calendar.hpp"

namespace inky::inline v1::csharp {

namespace {

#include "um_al_qura.inc"

std::optional<CalendarDate> um_al_qura_date(std::int64_t day) {
  if (day < first_day) return std::nullopt;
  auto left = static_cast<int>(day - first_day);
  for (std::size_t year = 0; year < std::size(long_months); ++year) {
    for (unsigned month = 0; month < 12; ++month) {
      const int days = 29 + static_cast<int>((long_months[year] >> month) & 1U);
      if (left < days)
        return CalendarDate{first_year + static_cast<int>(year), static_cast<int>(month) + 1,
                            left + 1};
      left -= days;
    }
  }
  return std::nullopt;
}

}  // namespace

std::optional<CalendarDate> date_in_calendar(std::string_view calendar, const Moment& moment) {
  constexpr int buddhist = 543;  // years before the Christian era
  constexpr int seconds_of_day = 86'400;
  if (calendar == "Gregorian") return CalendarDate{moment.year, moment.month, moment.day};
  if (calendar == "ThaiBuddhist")
    return CalendarDate{moment.year + buddhist, moment.month, moment.day};
  const std::int64_t day =
      seconds_since_1970({moment.year, moment.month, moment.day}) / seconds_of_day;
  if (calendar == "UmAlQura") return um_al_qura_date(day);
  if (calendar != "Persian") return std::nullopt;
  const auto date = persian_date(day);
  return date ? std::optional(CalendarDate{date->year, date->month, date->day}) : std::nullopt;
}

}  // namespace inky::inline v1::csharp
