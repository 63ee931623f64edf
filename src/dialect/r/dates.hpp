// Dates of R: a Date is a date, and a POSIXct is a moment in UTC; one with the offset Z is in GMT,
// which print() names, and one with a time zone is shown on its clocks. Source: the R 4.2 help pages of as.Date, as.POSIXct and strptime; R 4.2.2 with
// TZ=UTC.
#pragma once

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "../family/glibc_locales.hpp"
#include "../family/time_zones.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1::r_language {

inline bool is_date(const Value& value) {
  return value.is(Type::date) || value.is(Type::moment);
}
// Whether a value is a date, or a vector of dates of one type and of NA.
bool are_dates(const Value& value);
// A POSIXlt, of which the parts are known: it is marked as an expression. Zones do not change it.
inline bool has_known_parts(const Value& value) {
  return value.is(Type::moment) && value.is_expression();
}
// What Sys.setlocale("LC_TIME") chooses. R writes all else as in C.
SettingFact locale_setting();
// What a value of the caller is: an instant, in UTC.
Value in_utc(const Value& value);

inline constexpr std::int64_t seconds_of_day = 86'400;

// "UTC" and no name at all are none, and "GMT" is its offset; nothing: no such zone is known here.
std::optional<TimeZone> zone_named_by(std::string_view name);
// A date and a time of day on the clocks of a zone. Nothing where they skip it or show it twice, of which
// R takes the one or the other by what it has read before, and where the zone is not known then.
std::optional<Moment> settled_in(const Moment& local, const TimeZone& zone);
// The same instant on other clocks.
std::optional<Moment> seen_in(const Moment& moment, const TimeZone& zone);

// What as.numeric() gives, without the parts of a second: days, or seconds, since 1970.
std::int64_t number_of(const Value& date);
// The date or moment of that number; nothing beyond the years 1 to 9999.
std::optional<Value> date_of(std::int64_t number, const Value& like);

// format(): by codes, or, where there are none, in the way that all of them share. The zone stands
// behind where it is asked for. Nothing where it is not known, and why.
struct DateFormat {
  std::string_view codes = {};
  bool has_zone = false;
  std::string_view locale = {};  // of LC_TIME, by its tag; empty: the usual one
};
std::optional<std::vector<std::string>> date_texts(std::span<const Value> items,
                                                   const DateFormat& format, std::string& unknown);

// A date, or a vector of them, as texts or as numbers. Nothing where a number would have a fraction.
std::optional<Value> plain_dates(const Value& dates, bool as_text);

// strptime(): the moment that a text has by these codes; nothing where it has none.
struct ReadTime {
  std::optional<Moment> moment;
  bool knows_codes = true;
};
ReadTime read_time_by(std::string_view text, std::string_view codes);

}  // namespace inky::inline v1::r_language
