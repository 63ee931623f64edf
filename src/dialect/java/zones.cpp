#include "zones.hpp"

#include <algorithm>
#include <array>
#include <iterator>

namespace inky::inline v1::java_language {

namespace {

// From one second until another, not summer time where tzdata has it, and the other way round.
struct ZoneInversion {
  std::string_view zone;
  std::int64_t from;
  std::int64_t until;
};

#include "zone_names.inc"

const std::string_view* found_zone(Zone zone) {
  const std::string_view name = zone_name(zone);
  const auto* at = std::lower_bound(std::begin(java_zones), std::end(java_zones), name);
  return at == std::end(java_zones) || *at != name ? nullptr : at;
}

// ZoneRules.isDaylightSavings(). REQUIRES: the moment has a zone.
bool is_summer_time(const Moment& moment) {
  const std::int64_t second =
      seconds_since_1970(moment) - std::int64_t{moment.offset.value_or(0)} * 60;
  const std::string_view name = zone_name(moment.zone);
  const auto clock = clock_at(moment.zone, second);
  const bool is_inverted = std::any_of(
      std::begin(java_inversions), std::end(java_inversions), [&](const ZoneInversion& one) {
        return one.zone == name && one.from <= second && second < one.until;
      });
  return clock && clock->is_summer != is_inverted;
}

}  // namespace

bool has_zone(Zone zone) {
  return found_zone(zone) != nullptr;
}

std::optional<std::string_view> zone_display_name(const Moment& moment, bool is_long,
                                                  const JavaLocale& locale) {
  const std::string_view* zone = found_zone(moment.zone);
  const auto* language =
      std::find_if(std::begin(java_zone_languages), std::end(java_zone_languages),
                   [&](const auto& one) { return one.first == locale.tag(); });
  if (zone == nullptr || language == std::end(java_zone_languages)) return std::nullopt;
  const auto& names = java_zone_names[static_cast<std::size_t>(zone - java_zones)];
  const std::string_view all = java_zone_texts[names[static_cast<std::size_t>(language->second)]];
  return listed_name(all, (is_long ? 2U : 0U) + (is_summer_time(moment) ? 1U : 0U));
}

std::string_view greenwich_name(const JavaLocale& locale) {
  const auto* found = std::find_if(std::begin(java_greenwich), std::end(java_greenwich),
                                   [&](const auto& one) { return one.first == locale.tag(); });
  return found == std::end(java_greenwich) ? "GMT" : found->second;
}

std::optional<Moment> zoned(const Moment& local, const TimeZone& zone,
                            std::optional<int> preferred) {
  if (zone.zone == 0) return moment_on(local, zone);
  const auto clocks = clocks_showing(zone.zone, seconds_since_1970(local));
  if (!clocks) return std::nullopt;
  if (clocks->skipped) {
    Moment in_utc = local;
    in_utc.offset = 0;
    const int128 skipped = int128{clocks->later.seconds - clocks->earlier.seconds};
    auto moved = moment_at(instant_of(in_utc) + skipped * nanoseconds_per_second, std::nullopt);
    return moved ? moment_on(*moved, zone, true) : std::nullopt;
  }
  return moment_on(local, zone, preferred && *preferred * 60 == clocks->later.seconds);
}

}  // namespace inky::inline v1::java_language
