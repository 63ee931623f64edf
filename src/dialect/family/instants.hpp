// Moments as counts of nanoseconds, and steps by months.
#pragma once

#include <cstdint>
#include <optional>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

inline constexpr int128 nanoseconds_per_second = 1'000'000'000;

// The nanoseconds since the year 1970 began in UTC. A moment without an offset is taken to be in UTC.
int128 instant_of(const Moment& moment);

// The moment on clocks with this offset whose own count since 1970 is `local`. Nothing outside of the
// years 1 to 9999.
std::optional<Moment> moment_at(int128 local, std::optional<int> offset);

// As read_moment(), without a time zone in brackets: what languages read has none.
std::optional<Moment> read_plain_moment(std::string_view text);

// The same day so many months later, or the last day of a month that is shorter. Nothing outside of
// the years 1 to 9999.
std::optional<Moment> months_later(const Moment& moment, std::int64_t months);

}  // namespace inky::inline v1
