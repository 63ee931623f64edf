#include "zones.hpp"

#include <algorithm>
#include <iterator>
#include <string>

#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

// A day of change by POSIX: the weekday of the week of the month, of which 5 is the last; and seconds
// from its midnight on, which may be of another day.
struct ChangeDay {
  std::uint8_t month;
  std::uint8_t week;
  std::uint8_t weekday;
  std::int32_t seconds;
};
// The clocks behind the last change of a list, by their numbers.
struct ZoneRule {
  std::uint8_t standard;
  std::uint8_t summer;
  ChangeDay begin;  // of the summer
  ChangeDay end;
};
struct ZoneSpan {
  std::uint16_t first;  // change
  std::uint16_t count;
  std::uint8_t clock;  // as 1970 began
  std::uint8_t rule;   // 0: the last clock stays
};

#include "zones.inc"

constexpr std::int64_t seconds_of_day = 86'400;

// The day of change in this year, in seconds since 1970 on the clocks before it.
std::int64_t local_second(const ChangeDay& change, int year) {
  const int first = weekday({year, change.month, 1});
  int day = 1 + (change.weekday + 7 - first) % 7 + (change.week - 1) * 7;
  while (day > days_of_month(year, change.month)) day -= 7;
  return seconds_since_1970({year, change.month, day}) + change.seconds;
}

const ZoneTime& clock_by(const ZoneRule& rule, std::int64_t instant) {
  const ZoneTime& standard = clocks[rule.standard];
  const ZoneTime& summer = clocks[rule.summer];
  const int year = moment_of_seconds(instant + standard.seconds).year;
  const std::int64_t begin = local_second(rule.begin, year) - standard.seconds;
  const std::int64_t end = local_second(rule.end, year) - summer.seconds;
  const bool in_summer = begin < end ? begin <= instant && instant < end  // in the north
                                     : instant < end || begin <= instant;
  return in_summer ? summer : standard;
}

// REQUIRES: instant >= 0, before the year 10000.
const ZoneTime& known_clock(Zone zone, std::int64_t instant) {
  const ZoneSpan& span = spans[zone_numbers[zone - 1]];
  const std::uint32_t* first = change_seconds + span.first;
  const std::uint32_t* last = first + span.count;
  const auto* behind = std::upper_bound(
      first, last, instant, [](std::int64_t a, std::uint32_t b) { return a < std::int64_t{b}; });
  if (behind == last && span.rule != 0) return clock_by(rules[span.rule], instant);
  if (behind == first) return clocks[span.clock];
  return clocks[change_clocks[behind - change_seconds - 1]];
}

constexpr std::int64_t behind_last_second = 253'402'300'800;  // of the year 9999
bool is_known(std::int64_t second) {
  return 0 <= second && second < behind_last_second - seconds_of_day;
}

char lower(char c) {
  return is_letter(c) ? static_cast<char>(c | 0x20) : c;
}

std::optional<Zone> zone_at(const std::string_view* found) {
  return static_cast<Zone>(found - std::begin(zone_names) + 1);
}

}  // namespace

std::optional<Zone> zone_named(std::string_view name) {
  const auto* found = std::lower_bound(std::begin(zone_names), std::end(zone_names), name);
  if (found == std::end(zone_names) || *found != name) return std::nullopt;
  return zone_at(found);
}

std::optional<Zone> zone_named_in_any_case(std::string_view name) {
  const auto* found =
      std::find_if(std::begin(zone_names), std::end(zone_names), [&](std::string_view one) {
        return std::equal(one.begin(), one.end(), name.begin(), name.end(),
                          [](char a, char b) { return lower(a) == lower(b); });
      });
  return found == std::end(zone_names) ? std::nullopt : zone_at(found);
}

std::string_view zone_name(Zone zone) {
  return zone == 0 || zone > std::size(zone_names) ? std::string_view() : zone_names[zone - 1];
}

std::optional<ZoneTime> clock_at(Zone zone, std::int64_t instant) {
  if (!is_known(instant)) return std::nullopt;
  return known_clock(zone, instant);
}

std::optional<LocalClocks> clocks_showing(Zone zone, std::int64_t local) {
  // No clock is more than a day away from UTC, and none changes twice within two days.
  if (!is_known(local - seconds_of_day) || !is_known(local + seconds_of_day)) return std::nullopt;
  const ZoneTime& before = known_clock(zone, local - seconds_of_day);
  const ZoneTime& after = known_clock(zone, local + seconds_of_day);
  const auto shows = [&](const ZoneTime& clock) {
    return known_clock(zone, local - clock.seconds).seconds == clock.seconds;
  };
  const bool by_before = shows(before);
  const bool by_after = shows(after);
  if (!by_before && !by_after) return LocalClocks{before, after, true};
  const auto shown = [&](const ZoneTime& clock) {
    return known_clock(zone, local - clock.seconds);
  };
  return LocalClocks{shown(by_before ? before : after), shown(by_after ? after : before)};
}

std::optional<Moment> moment_in_zone(Zone zone, int128 instant_nanoseconds) {
  constexpr int128 billion = 1'000'000'000;
  if (instant_nanoseconds < 0 || instant_nanoseconds / billion >= behind_last_second)
    return std::nullopt;
  const auto instant = static_cast<std::int64_t>(instant_nanoseconds / billion);
  const auto clock = clock_at(zone, instant);
  if (!clock || clock->seconds % 60 != 0 || instant + clock->seconds < 0) return std::nullopt;
  Moment out = moment_of_seconds(instant + clock->seconds);
  out.nanosecond = static_cast<int>(instant_nanoseconds % billion);
  out.offset = clock->seconds / 60;
  out.zone = zone;
  return out;
}

std::optional<Moment> settled_in_zone(Zone zone, const Moment& local, bool later) {
  const auto found = clocks_showing(zone, seconds_since_1970(local));
  if (!found) return std::nullopt;
  const ZoneTime& clock = later ? found->later : found->earlier;
  if (clock.seconds % 60 != 0) return std::nullopt;
  Moment out = local;
  out.offset = clock.seconds / 60;
  out.zone = zone;
  return out;
}

}  // namespace inky::inline v1
