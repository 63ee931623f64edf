// Writing machine integers as decimal digits.
#pragma once

#include <array>
#include <cstdint>
#include <cstring>

#include "inky_margin/number/wide.hpp"

namespace inky::decimal_writing {

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

// Exactly eight digits.
inline void write_eight(char* out, std::uint32_t n) {
  const std::uint32_t high = n / 10000;
  const std::uint32_t low = n % 10000;
  write_pair(out, high / 100);
  write_pair(out + 2, high % 100);
  write_pair(out + 4, low / 100);
  write_pair(out + 6, low % 100);
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

}  // namespace inky::decimal_writing
