// java.time.ZoneId: the names of zones, and how ZonedDateTime settles on a time. Observed on OpenJDK
// 17.0.15.
#pragma once

#include <optional>
#include <string_view>

#include "../family/time_zones.hpp"
#include "locales.hpp"

namespace inky::inline v1::java_language {

// Whether ZoneId.of knows it.
bool has_zone(Zone zone);

// The zone that an object of ZoneId or ZoneOffset is; nothing: it is neither.
std::optional<TimeZone> zone_in(const Value& object);

// "CEST", "Central European Summer Time"; nothing: the names of this locale are not known here, or
// those of this zone. REQUIRES: the moment has a zone.
std::optional<std::string_view> zone_display_name(const Moment& moment, bool is_long,
                                                  const JavaLocale& locale);

// "GMT", "UTC": what an offset follows.
std::string_view greenwich_name(const JavaLocale& locale);

// ZonedDateTime.ofLocal: of two times that with this offset, or the earlier; what clocks skip is moved
// on by as much as they skip. Nothing where the zone is not known then.
std::optional<Moment> zoned(const Moment& local, const TimeZone& zone,
                            std::optional<int> preferred = {});

}  // namespace inky::inline v1::java_language
