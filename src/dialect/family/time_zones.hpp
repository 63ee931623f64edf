// What the clocks of a program go by, and moments on such clocks.
#pragma once

#include <optional>

#include "format/zones.hpp"
#include "instants.hpp"

namespace inky::inline v1 {

// Nothing; an offset from UTC, in minutes; or a zone of tzdata, of which the offset is not looked at.
struct TimeZone {
  std::optional<int> offset = {};
  Zone zone = 0;

  bool is_none() const { return zone == 0 && !offset; }
  friend bool operator==(const TimeZone&, const TimeZone&) = default;
};
inline constexpr TimeZone utc{0, 0};

TimeZone zone_of(const Moment& moment);

// Whether runtimes that bring a database with them are known to say something else of a zone at this
// second since 1970: tools/record/zone_difference_table.py.
bool databases_differ(Zone zone, std::int64_t second);

// What these clocks show at an instant, in nanoseconds since 1970 began in UTC. Without a zone, what
// clocks of UTC show. Nothing outside of the years 1 to 9999, before 1970 in a zone of tzdata, and
// where its offset is not whole minutes.
std::optional<Moment> moment_at(int128 instant, const TimeZone& zone);

// This date and time of day on such clocks: the earlier time where they show it twice, or the later.
// One that they skip has the offset before the change, or with `later` that after it.
std::optional<Moment> moment_on(const Moment& local, const TimeZone& zone, bool later = false);

// "CEST", "+03". REQUIRES: the moment has a zone.
std::string_view zone_letters(const Moment& moment);
// How far the clocks are ahead of the zone's standard time, in minutes. REQUIRES: as above.
int summer_minutes(const Moment& moment);

}  // namespace inky::inline v1
