// Time zones of Intl.DateTimeFormat: ECMA-402, 6.5. Observed on Node.js 20 with ICU 78.
#pragma once

#include <optional>
#include <string>

#include "format/zones.hpp"

namespace inky::inline v1::javascript {

enum class ZoneName : unsigned char { none, in_short, in_long, short_offset, long_offset };

// What the clocks of a zone show at a time in milliseconds since 1970: those milliseconds as if it
// were UTC, and how far they are ahead of it. Nothing before 1970 and after 9999, and where that is
// not whole minutes.
struct ZoneClock {
  double time = 0;
  int minutes = 0;
};
std::optional<ZoneClock> clock_in_zone(Zone zone, double time);

// "EDT", "Eastern Daylight Time", "GMT-4", "GMT-04:00", as American English has them; 0 is UTC.
// Nothing where a name is not known: before 2021, and in zones that change their names.
std::optional<std::string> zone_name_text(Zone zone, const ZoneClock& clock, ZoneName form);

}  // namespace inky::inline v1::javascript
