// Durations of Rust, std::time::Duration, which are not below zero: whole seconds up to 64 bits, and
// nanoseconds.
#pragma once

#include "../family/instants.hpp"
#include "inky_margin/format/spec.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/columns.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::rust {

inline constexpr int128 longest_duration =
    (static_cast<int128>(~std::uint64_t{0}) + 1) * nanoseconds_per_second - 1;

constexpr bool fits_duration(int128 nanoseconds) {
  return nanoseconds >= 0 && nanoseconds <= longest_duration;
}

// {:?}: in seconds, or in the largest unit of milliseconds, microseconds and nanoseconds that it has
// one of. REQUIRES: it fits.
void lay_out_duration(const Spec& spec, int precision, int128 nanoseconds, WidthUnit unit,
                      Output& out);

}  // namespace inky::inline v1::rust
