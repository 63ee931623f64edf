// Decimal digits of a stored number: all of them, the shortest that identify it, or as many as
// asked, under any rounding.
//
//   Digits d;
//   digits_to_places(unpack(binary64, bits_of(2.675)), 2, Rounding::half_even, d);
//   d.text(), d.point()      // "267", 1: that is 2.67
//   shortest_digits(binary64, unpack(binary64, bits_of(0.1)), d);
//   d.text(), d.point()      // "1", 0: that is 0.1
//
// The value of `Digits` is 0.d1 d2 d3 ... x 10^point. Digits past the end are zeros. The first is
// not zero; zero itself has no digits. Signs are left to the caller.
//
// All results are exact for every finite value of every format. For f64 and narrower, up to 19
// places and up to 17 significant digits cost a few multiplications, and nothing here allocates.
#pragma once

#include <array>
#include <bit>
#include <cstdint>
#include <memory>
#include <string>
#include <string_view>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/rounding.hpp"

namespace inky::inline v1 {

class Digits {
 public:
  // The most digits any f64 has: 767, those of (2^53 - 1) x 2^-1074.
  static constexpr int inline_capacity = 800;

  Digits() = default;
  Digits(const Digits&) = delete;
  Digits& operator=(const Digits&) = delete;

  // What is read past the end is not a digit, but may be copied: the room is larger.
  std::string_view text() const { return {data(), static_cast<std::size_t>(size_)}; }
  int size() const { return size_; }
  bool is_zero() const { return size_ == 0; }
  // Where the decimal point stands, counted from before the first digit.
  int point() const { return point_; }

  // For those who make digits: room for `size` characters, then `set` what was written there.
  char* room(int size) {
    if (size <= inline_capacity && !heap_) return inline_.data();
    return large_room(size);
  }
  void set(int size, int point) {
    size_ = size;
    point_ = size == 0 ? 0 : point;
  }
  void strip_trailing_zeros();

 private:
  char* large_room(int size);
  const char* data() const { return heap_ ? heap_.get() : inline_.data(); }

  int size_ = 0;
  int point_ = 0;
  int heap_capacity_ = 0;
  std::unique_ptr<char[]> heap_;
  std::array<char, inline_capacity> inline_;  // the first size_ characters are set
};

inline std::uint64_t bits_of(double value) {
  return std::bit_cast<std::uint64_t>(value);
}
inline std::uint32_t bits_of(float value) {
  return std::bit_cast<std::uint32_t>(value);
}

// Each function REQUIRES a finite value.

// Every digit, without trailing zeros.
void exact_digits(const BinaryReal& value, Digits& out);

// The fewest digits that read back (to nearest, ties to even) as the same number of the same
// format; among those the closest to it, and of two equally close the one whose last digit is even.
// IEEE 754-2019, 5.12.2. Never more than 17 for f64, 9 for f32, 36 for f128.
void shortest_digits(const BinaryFormat& format, const BinaryReal& value, Digits& out);

// Rounded to a multiple of 10^-places; `places` may be negative.
void digits_to_places(const BinaryReal& value, int places, Rounding rounding, Digits& out);

// The same split at the point: a whole part, and a fraction counted in units of the last place. For
// the usual sizes only; false, and nothing done, where places or whole part are beyond 64 bits.
struct FixedParts {
  std::uint64_t whole;
  std::uint64_t fraction;
};
bool fixed_parts(const BinaryReal& value, int places, Rounding rounding, FixedParts& out);

// Rounded to `count` digits, at least 1. Fewer may be set: the rest are zeros.
void digits_to_significant(const BinaryReal& value, int count, Rounding rounding, Digits& out);

// Digits already there, cut to the first `keep` of them; `keep` may be zero or negative, counting
// from before the first digit. A carry out of the first digit moves the point.
void round_digits(Digits& digits, int keep, bool negative, Rounding rounding);

// The digits as a plain decimal, or with an exponent beyond 21 digits before the point or 7 zeros
// after it: "0.001", "1e+23". For people to read; no language's own form.
std::string plain_text(const Digits& digits, bool negative = false);
// The same to a place with room for plain_text_extra characters more than digits; returns its end.
inline constexpr int plain_text_extra = 32;
char* write_plain_text(const Digits& digits, bool negative, char* out);

// How the digits beyond the first `keep` compare with half a unit of the last kept one.
Tail tail_after(const Digits& digits, int keep);

}  // namespace inky::inline v1
