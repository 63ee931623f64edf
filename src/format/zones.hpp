// Time zones: what their clocks show, from 1970 on.
//
//   const Zone berlin = *zone_named("Europe/Berlin");
//   clock_at(berlin, instant)                   // {7200, true, "CEST"}
//   clocks_showing(berlin, local)               // one, two, or none of a gap
//
// Source: tzdata, by tools/record/zone_table.py. Before 1970 the databases of the runtimes differ.
#pragma once

#include <cstdint>
#include <optional>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// How far a zone's clocks are ahead of UTC at one time.
struct ZoneTime {
  int seconds = 0;
  bool is_summer = false;
  std::string_view letters;  // "CEST", "+03"
};

// The number of a zone by its name in tzdata, or by one that a link there gives it. The case counts.
std::optional<Zone> zone_named(std::string_view name);
// The same, where the case does not count.
std::optional<Zone> zone_named_in_any_case(std::string_view name);

// Seconds since 1970 in UTC. Nothing for a time before that. REQUIRES, as all below: a zone that
// zone_named() gave.
std::optional<ZoneTime> clock_at(Zone zone, std::int64_t instant);

// What clocks show `local`, in seconds since 1970 as if it were UTC: the earlier and the later time,
// of which both are the same where there is one. Where no clock shows it, since a change skipped it,
// what was before that change and what came after. Nothing for a time before 1970.
struct LocalClocks {
  ZoneTime earlier;
  ZoneTime later;
  bool skipped = false;
};
std::optional<LocalClocks> clocks_showing(Zone zone, std::int64_t local);

// The moment that clocks of a zone show at this time, with its offset. Nothing before 1970, after the
// year 9999, and where the offset is not whole minutes.
std::optional<Moment> moment_in_zone(Zone zone, int128 instant_nanoseconds);

// This date and time of day in a zone: the earlier of two, or the later; one that no clock shows is
// kept, with the offset before the change, or with `later` that after it. Nothing as above.
std::optional<Moment> settled_in_zone(Zone zone, const Moment& local, bool later = false);

}  // namespace inky::inline v1
