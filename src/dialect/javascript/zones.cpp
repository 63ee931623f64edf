#include "zones.hpp"

#include <algorithm>
#include <cmath>
#include <iterator>

#include "../family/time_zones.hpp"

namespace inky::inline v1::javascript {

namespace {

#include "zone_names.inc"

// "GMT-4", "GMT-04:00"
std::string offset_from_greenwich(int minutes, bool is_long) {
  std::string out = offset_text(minutes);
  if (!is_long) {
    if (out[1] == '0') out.erase(1, 1);
    if (minutes % 60 == 0) out.resize(out.find(':'));
  }
  return "GMT" + out;
}

}  // namespace

std::optional<ZoneClock> clock_in_zone(Zone zone, double time) {
  constexpr double milliseconds = 1000;
  constexpr double furthest = 8.64e15;
  if (!(std::fabs(time) <= furthest)) return std::nullopt;
  const auto second = static_cast<std::int64_t>(std::floor(time / milliseconds));
  const auto clock = clock_at(zone, second);
  if (databases_differ(zone, second) || !clock || clock->seconds % 60 != 0) return std::nullopt;
  return ZoneClock{time + clock->seconds * milliseconds, clock->seconds / 60};
}

std::optional<std::string> zone_name_text(Zone zone, const ZoneClock& clock, ZoneName form) {
  if (form == ZoneName::short_offset || form == ZoneName::long_offset)
    return offset_from_greenwich(clock.minutes, form == ZoneName::long_offset);
  if (zone == 0) return form == ZoneName::in_long ? "Coordinated Universal Time" : "UTC";
  constexpr double year_2021 = 1'609'459'200'000;
  const std::string_view name = zone_name(zone);
  const auto* found = std::lower_bound(std::begin(named_zones), std::end(named_zones), name);
  if (found == std::end(named_zones) || *found != name || clock.time < year_2021)
    return std::nullopt;
  std::string_view lines = zone_texts[zone_places[found - std::begin(named_zones)]];
  const std::string offset = offset_from_greenwich(clock.minutes, true);
  while (!lines.empty()) {
    std::string_view line = lines.substr(0, lines.find('\n'));
    lines.remove_prefix(std::min(line.size() + 1, lines.size()));
    const std::size_t first = line.find('|');
    if (line.substr(0, first) != offset) continue;
    line.remove_prefix(first + 1);
    const std::size_t second = line.find('|');
    return std::string(form == ZoneName::in_short ? line.substr(0, second)
                                                  : line.substr(second + 1));
  }
  return std::nullopt;
}

}  // namespace inky::inline v1::javascript
