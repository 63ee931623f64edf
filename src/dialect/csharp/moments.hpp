// What .NET makes of a DateTime under a format string: standard letters, and patterns of codes.
//
// Defined by "Standard date and time format strings" and "Custom date and time format strings" of
// the .NET documentation; observed on .NET 10.0. A moment without an offset is of the kind
// Unspecified: z and U show it as a machine in UTC does. One with an offset is a DateTimeOffset.
#pragma once

#include <string>
#include <string_view>

#include "cultures.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1::csharp {

// Appends the moment, which may be a DateTime of the kind Utc. False where .NET throws a FormatException, and `why` states for what.
bool append_moment(const Moment& moment, bool is_utc, std::string_view format,
                   const Culture& culture, std::string& out, std::string& why);

// Whether the format is a letter whose pattern is no culture's: o, r, s, u.
bool is_same_in_every_culture(std::string_view format);

// Whether the format shows what depends on the machine's time zone.
bool depends_on_time_zone(std::string_view format);

}  // namespace inky::inline v1::csharp
