// Natural: a whole number of any size, zero or more.
//
//   Natural n(7);
//   n.multiply_power_of_five(3);   // 875
//   n.shift_left(2);               // 3500
//
// Made for the slow, exact paths of this library, so it has only the operations they use. Up to
// 3072 bits live inside the object: every binary64 computation fits, and none of them allocates.
// (The widest: a 53-bit significand times 5^1074 has 2547 bits.)
#pragma once

#include <array>
#include <compare>
#include <cstddef>
#include <cstdint>
#include <span>
#include <vector>

#include "inky_margin/number/wide.hpp"

namespace inky::inline v1 {

class Natural {
 public:
  Natural() = default;
  explicit Natural(uint128 value);
  Natural(const Natural& other);
  Natural& operator=(const Natural& other);
  ~Natural() = default;

  bool is_zero() const { return size_ == 0; }
  // The number of bits needed to write the value; 0 for zero.
  int bit_length() const;
  // Little-endian limbs of 64 bits; the last one is not zero.
  std::span<const std::uint64_t> limbs() const { return {data(), size_}; }
  bool bit(int index) const;
  // The low 128 bits.
  uint128 low_bits() const;

  void multiply(std::uint64_t factor);
  void add(std::uint64_t term);
  void multiply_power_of_five(int exponent);
  void multiply_power_of_ten(int exponent);
  void shift_left(int bits);
  // Divides by 2^bits, rounding toward zero; returns whether a one bit was lost.
  bool shift_right(int bits);
  // Divides by a divisor that is not zero; returns the remainder.
  std::uint64_t divide(std::uint64_t divisor);
  // REQUIRES: other <= *this.
  void subtract(const Natural& other);

  std::strong_ordering operator<=>(const Natural& other) const;
  bool operator==(const Natural& other) const;

 private:
  static constexpr std::size_t inline_limbs = 48;

  std::uint64_t* data() { return heap_.empty() ? inline_.data() : heap_.data(); }
  const std::uint64_t* data() const { return heap_.empty() ? inline_.data() : heap_.data(); }
  void resize(std::size_t size);  // new limbs are zero
  void trim();

  std::size_t size_ = 0;
  std::array<std::uint64_t, inline_limbs> inline_;  // the first size_ limbs are set
  std::vector<std::uint64_t> heap_;                 // used, when not empty, instead of inline_
};

}  // namespace inky::inline v1
