#include "time_zones.hpp"

namespace inky::inline v1 {

namespace {

// Until this second.
struct ZoneDifference {
  std::string_view zone;
  std::int64_t until;
};

#include "zone_differences.inc"

std::int64_t instant_second(const Moment& moment) {
  return seconds_since_1970(moment) - std::int64_t{moment.offset.value_or(0)} * 60;
}

// What the clocks show that is marked so, within a year, nearest to this time.
std::optional<ZoneTime> nearest_clock(Zone zone, std::int64_t second, bool is_summer) {
  constexpr std::int64_t month = std::int64_t{30} * 86'400;
  for (int step = 1; step < 12; ++step) {
    for (const int way : {-1, 1}) {
      const auto other = clock_at(zone, second + way * step * month);
      if (other && other->is_summer == is_summer) return other;
    }
  }
  return std::nullopt;
}

}  // namespace

TimeZone zone_of(const Moment& moment) {
  return {moment.offset, moment.zone};
}

bool databases_differ(Zone zone, std::int64_t second) {
  const std::string_view name = zone_name(zone);
  for (const ZoneDifference& one : zone_differences) {
    if (one.zone == name) return second < one.until;
  }
  return false;
}

std::optional<Moment> moment_at(int128 instant, const TimeZone& zone) {
  if (zone.zone != 0) return moment_in_zone(zone.zone, instant);
  return moment_at(instant + int128{zone.offset.value_or(0)} * 60 * nanoseconds_per_second,
                   zone.offset);
}

std::optional<Moment> moment_on(const Moment& local, const TimeZone& zone, bool later) {
  if (zone.zone != 0) return settled_in_zone(zone.zone, local, later);
  Moment out = local;
  out.offset = zone.offset;
  out.zone = 0;
  return out;
}

std::optional<Moment> moved_along_clock(const Moment& moment, int128 nanoseconds) {
  const int128 local =
      int128{seconds_since_1970(moment)} * nanoseconds_per_second + moment.nanosecond + nanoseconds;
  const auto out = moment_at(local, moment.offset);
  return out ? moment_on(*out, zone_of(moment)) : std::nullopt;
}

std::string_view zone_letters(const Moment& moment) {
  const auto clock = clock_at(moment.zone, instant_second(moment));
  return clock ? clock->letters : std::string_view();
}

int summer_minutes(const Moment& moment) {
  const std::int64_t second = instant_second(moment);
  const auto clock = clock_at(moment.zone, second);
  if (!clock || !clock->is_summer) return 0;
  const auto standard = nearest_clock(moment.zone, second, false);
  return standard ? (clock->seconds - standard->seconds) / 60 : 0;
}

bool is_ahead_of_standard(const Moment& moment) {
  const std::int64_t second = instant_second(moment);
  const auto clock = clock_at(moment.zone, second);
  if (!clock) return false;
  const auto other = nearest_clock(moment.zone, second, !clock->is_summer);
  const bool winter_is_marked = other && (clock->seconds < other->seconds) == clock->is_summer &&
                                clock->seconds != other->seconds;
  return clock->is_summer != winter_is_marked;
}

}  // namespace inky::inline v1
