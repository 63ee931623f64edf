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

// The standard time that the clocks show before or after this one, within a year.
std::optional<ZoneTime> standard_beside(Zone zone, std::int64_t second, int way) {
  constexpr std::int64_t month = std::int64_t{30} * 86'400;
  for (int step = 1; step < 12; ++step) {
    const auto other = clock_at(zone, second + way * step * month);
    if (other && !other->is_summer) return other;
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

std::string_view zone_letters(const Moment& moment) {
  const auto clock = clock_at(moment.zone, instant_second(moment));
  return clock ? clock->letters : std::string_view();
}

int summer_minutes(const Moment& moment) {
  const std::int64_t second = instant_second(moment);
  const auto clock = clock_at(moment.zone, second);
  if (!clock || !clock->is_summer) return 0;
  // Where the standard time before it is the same, the clocks moved to another one with it.
  for (const int way : {-1, 1}) {
    const auto standard = standard_beside(moment.zone, second, way);
    if (standard && standard->seconds != clock->seconds)
      return (clock->seconds - standard->seconds) / 60;
  }
  return 0;
}

}  // namespace inky::inline v1
