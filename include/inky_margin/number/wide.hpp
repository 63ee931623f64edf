// 128-bit integers, and the one multiplication everything fast here is made of.
#pragma once

#include <bit>
#include <cstdint>

namespace inky::inline v1 {

__extension__ typedef unsigned __int128 uint128;
__extension__ typedef __int128 int128;

constexpr std::uint64_t high_half(uint128 x) {
  return static_cast<std::uint64_t>(x >> 64);
}
constexpr std::uint64_t low_half(uint128 x) {
  return static_cast<std::uint64_t>(x);
}
constexpr uint128 join_halves(std::uint64_t high, std::uint64_t low) {
  return uint128{high} << 64 | low;
}
constexpr uint128 multiply_wide(std::uint64_t a, std::uint64_t b) {
  return uint128{a} * b;
}

// The number of bits needed to write x: 0 for 0, 1 for 1, 128 for the largest.
constexpr int bit_length(std::uint64_t x) {
  return 64 - std::countl_zero(x);
}
constexpr int bit_length(uint128 x) {
  return high_half(x) != 0 ? 64 + bit_length(high_half(x)) : bit_length(low_half(x));
}

}  // namespace inky::inline v1
