// The leading 128 bits of the powers of ten, computed by the compiler.
//
// 10^k = (significand + more) x 2^exponent with 2^127 <= significand < 2^128 and 0 <= more < 1;
// `more` is zero exactly for 0 <= k <= 55, since 5^55 < 2^128 < 5^56.
//
// The range: reading needs 10^k from -342 (the smallest power that a 19-digit significand can lift
// to the lowest subnormal of f64) to 308; shortest digits need -292 to 324; 17 significant digits
// of the lowest subnormal need 16 + 324. The table covers all three.
#pragma once

#include <array>
#include <cstddef>
#include <cstdint>

#include "inky_margin/number/wide.hpp"

namespace inky::inline v1::powers {

inline constexpr int lowest = -342;
inline constexpr int highest = 342;
inline constexpr int highest_exact = 55;

// floor(log2(10^k)). 1741647 / 2^19 = 3.32192802... agrees with log2(10) = 3.32192809... closely
// enough for |k| <= 1233; the tests check every k of the table.
constexpr int floor_log2_of_power(int k) {
  return (k * 1741647) >> 19;
}

// floor(log10(2^e)), likewise for |e| <= 2620.
constexpr int floor_log10_of_power_of_two(int e) {
  return (e * 315653) >> 20;
}

// floor(log10(3/4 x 2^e)): where the gap below a number is half the gap above.
constexpr int floor_log10_of_three_quarters(int e) {
  return (e * 1262611 - 524031) >> 22;
}

namespace computing {

// A little-endian number of 32-bit limbs, wide enough for 5^342 (795 bits), and for
// 2^scale / 5^342 to keep 128 bits (scale - 795 >= 128).
inline constexpr std::size_t limbs = 30;
inline constexpr int scale = 32 * static_cast<int>(limbs) - 1;
using Wide = std::array<std::uint32_t, limbs>;

constexpr int length(const Wide& x) {
  for (std::size_t i = limbs; i-- > 0;) {
    if (x[i] != 0) return static_cast<int>(i) * 32 + bit_length(std::uint64_t{x[i]});
  }
  return 0;
}

// The 128 bits from the highest set one on, zeros where the number is shorter.
constexpr uint128 leading_128(const Wide& x) {
  const int top = length(x);
  const auto last = static_cast<std::size_t>((top - 1) / 32);
  const int lift = (32 - top % 32) % 32;
  const auto limb = [&](std::size_t below) {
    return below <= last ? std::uint64_t{x[last - below]} : std::uint64_t{0};
  };
  uint128 bits = 0;
  for (std::size_t i = 0; i < 4; ++i) bits = bits << 32 | limb(i);
  return lift == 0 ? bits : bits << lift | limb(4) >> (32 - lift);
}

constexpr void multiply_by_five(Wide& x) {
  std::uint64_t carry = 0;
  for (std::uint32_t& limb : x) {
    carry += std::uint64_t{limb} * 5;
    limb = static_cast<std::uint32_t>(carry);
    carry >>= 32;
  }
}

// Rounds toward zero; doing so k times gives floor(x / 5^k) exactly.
constexpr void divide_by_five(Wide& x) {
  std::uint64_t remainder = 0;
  for (std::size_t i = limbs; i-- > 0;) {
    const std::uint64_t part = remainder << 32 | x[i];
    x[i] = static_cast<std::uint32_t>(part / 5);
    remainder = part % 5;
  }
}

using Table = std::array<uint128, static_cast<std::size_t>(highest - lowest + 1)>;

constexpr Table make_table() {
  Table table{};
  Wide up{1};
  Wide down{};
  down[limbs - 1] = 0x80000000U;
  for (int k = 0; k <= highest; ++k) {
    table[static_cast<std::size_t>(k - lowest)] = leading_128(up);
    multiply_by_five(up);
    if (-k >= lowest) table[static_cast<std::size_t>(-k - lowest)] = leading_128(down);
    divide_by_five(down);
  }
  return table;
}

}  // namespace computing

extern const computing::Table table;

inline uint128 significand(int k) {
  return table[static_cast<std::size_t>(k - lowest)];
}
constexpr int exponent(int k) {
  return floor_log2_of_power(k) - 127;
}
constexpr bool is_exact(int k) {
  return 0 <= k && k <= highest_exact;
}

}  // namespace inky::inline v1::powers
