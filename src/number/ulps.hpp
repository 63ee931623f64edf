// Errors in units of the last place, as they are shown.
#pragma once

namespace inky::inline v1 {

// Six digits state which side of a tie an error lies on and how far; the rest is noise.
inline constexpr int ulps_digits = 6;

}  // namespace inky::inline v1
