// Writing machine integers as decimal digits, without a branch a digit.
#pragma once

#include <array>
#include <bit>
#include <cstdint>
#include <cstring>

#include "inky_margin/number/wide.hpp"

namespace inky::inline v1::decimal_writing {

inline constexpr std::array<char, 200> pairs = [] {
  std::array<char, 200> text{};
  for (std::size_t i = 0; i < 100; ++i) {
    text[2 * i] = static_cast<char>('0' + i / 10);
    text[2 * i + 1] = static_cast<char>('0' + i % 10);
  }
  return text;
}();

inline constexpr std::array<std::uint64_t, 20> powers = [] {
  std::array<std::uint64_t, 20> table{};
  table[0] = 1;
  for (std::size_t i = 1; i < table.size(); ++i) table[i] = table[i - 1] * 10;
  return table;
}();

// 10^exponent, for 0 to 19.
inline std::uint64_t power_of_ten(int exponent) {
  return powers[static_cast<std::size_t>(exponent)];
}

// The number of decimal digits: 1 for 0. 1233 / 4096 is just above log10(2), so the guess is the
// count or one too small.
inline int digit_count(std::uint64_t n) {
  const int guess = bit_length(n | 1) * 1233 >> 12;
  return guess + ((n | 1) >= power_of_ten(guess) ? 1 : 0);
}

inline void write_pair(char* out, std::uint64_t two_digits) {
  std::memcpy(out, pairs.data() + 2 * two_digits, 2);
}

// The eight digits of n < 10^8 as bytes 0 to 9, the first in the lowest byte: halves of four
// digits, quarters of two, then single ones, all in one word. 10486 / 2^20 and 103 / 2^10 divide by
// 100 and by 10 exactly over the ranges that occur here.
constexpr std::uint64_t eight_digits(std::uint32_t n) {
  std::uint64_t word = n / 10000 | std::uint64_t{n % 10000} << 32;
  const std::uint64_t hundreds = (word * 10486 >> 20) & 0x0000007F0000007F;
  word = hundreds | (word - 100 * hundreds) << 16;
  const std::uint64_t tens = (word * 103 >> 10) & 0x000F000F000F000F;
  return tens | (word - 10 * tens) << 8;
}

inline constexpr std::uint64_t ascii_zeros = 0x3030303030303030;
static_assert(std::endian::native == std::endian::little,
              "digits are stored as little-endian words");

// Exactly eight digits.
inline void write_eight(char* out, std::uint32_t n) {
  const std::uint64_t word = eight_digits(n) + ascii_zeros;
  std::memcpy(out, &word, 8);
}

// The digits of n, and after them some characters that do not matter; returns how many digits.
// REQUIRES: room for `loose_room` characters.
inline constexpr std::size_t loose_room = 16;
inline int write_loosely(char* out, std::uint32_t n) {
  int before = 0;
  if (n >= 100000000) {
    const std::uint32_t top = n / 100000000;
    n %= 100000000;
    before = top >= 10 ? 2 : 1;
    write_pair(out, top >= 10 ? top : top * 10);
    write_eight(out + before, n);
    return before + 8;
  }
  const std::uint64_t digits = eight_digits(n);
  // The last digit stays, even when it is zero too.
  const int zeros = std::countr_zero(digits | std::uint64_t{1} << 56) / 8;
  const std::uint64_t word = (digits + ascii_zeros) >> (8 * zeros);
  std::memcpy(out, &word, 8);
  return 8 - zeros;
}

// Exactly `count` digits, with leading zeros. REQUIRES: n < 10^count.
inline void write_padded(char* out, std::uint64_t n, int count) {
  while (count > 8) {
    count -= 8;
    write_eight(out + count, static_cast<std::uint32_t>(n % 100000000));
    n /= 100000000;
  }
  auto rest = static_cast<std::uint32_t>(n);
  for (; count >= 2; count -= 2) {
    write_pair(out + count - 2, rest % 100);
    rest /= 100;
  }
  if (count == 1) *out = static_cast<char>('0' + rest % 10);
}

// Returns the number of digits written, at least 1 and at most 20.
inline int write(char* out, std::uint64_t n) {
  const int count = digit_count(n);
  write_padded(out, n, count);
  return count;
}

}  // namespace inky::inline v1::decimal_writing
