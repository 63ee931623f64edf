#include "persian_calendar.hpp"

namespace inky::inline v1 {

namespace {

constexpr int first_year = 1179;
constexpr int last_year = 1478;

// Days from 1970-01-01 to the first day of a year: 8 of 33 years are leap years. Node.js 20 and
// .NET 10 agree with that on each day of these years.
constexpr std::int64_t new_year(std::int64_t year) {
  constexpr std::int64_t epoch = -492'268;  // the first day of the year 1
  return epoch + 365 * (year - 1) + (8 * year + 21) / 33;
}

}  // namespace

std::optional<PersianDate> persian_date(std::int64_t day) {
  if (day < new_year(first_year) || day >= new_year(last_year + 1)) return std::nullopt;
  PersianDate out;
  out.year = first_year + static_cast<int>((day - new_year(first_year)) / 366);
  while (new_year(out.year + 1) <= day) ++out.year;
  const int in_year = static_cast<int>(day - new_year(out.year));
  // Six months of 31 days, and then of 30.
  constexpr int first_half = 6 * 31;
  out.month = in_year < first_half ? in_year / 31 + 1 : (in_year - first_half) / 30 + 7;
  out.day = in_year < first_half ? in_year % 31 + 1 : (in_year - first_half) % 30 + 1;
  return out;
}

}  // namespace inky::inline v1
