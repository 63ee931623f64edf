// Binary floating-point formats, one description for all six, and the numbers stored in them.
//
//   const BinaryReal v = unpack(binary64, 0x4005666666666666);   // 2.675
//   v.significand                                           // 0x15666666666666
//   v.exponent                                              // -51: value = significand x 2^-51
//   pack(binary64, v)                                       // 0x4005666666666666
//
// Source: IEEE 754-2019, 3.4 (f16, f32, f64, f128); bf16 has f32's exponent and 8 bits of
// significand; f80 is the x87 extended format, whose leading significand bit is stored.
#pragma once

#include <array>
#include <cassert>
#include <cstdint>
#include <optional>
#include <string_view>

#include "inky_margin/number/rounding.hpp"
#include "inky_margin/number/wide.hpp"

namespace inky::inline v1 {

struct BinaryFormat {
  std::string_view name;
  int precision;              // bits of significand, the leading one included
  int exponent_bits;          // width of the biased exponent
  bool explicit_leading_bit;  // the leading significand bit is stored (f80 only)

  constexpr int bias() const { return (1 << (exponent_bits - 1)) - 1; }
  // Unbiased exponents of the largest finite and the smallest normal number.
  constexpr int max_exponent() const { return bias(); }
  constexpr int min_exponent() const { return 1 - bias(); }
  // Every finite value is a whole multiple of 2^lowest_exponent().
  constexpr int lowest_exponent() const { return min_exponent() - (precision - 1); }
  constexpr int stored_fraction_bits() const {
    return explicit_leading_bit ? precision : precision - 1;
  }
  constexpr int width() const { return 1 + exponent_bits + stored_fraction_bits(); }

  friend constexpr bool operator==(const BinaryFormat& a, const BinaryFormat& b) {
    return a.name == b.name;
  }
};

inline constexpr BinaryFormat binary16{"f16", 11, 5, false};
inline constexpr BinaryFormat bfloat16{"bf16", 8, 8, false};
inline constexpr BinaryFormat binary32{"f32", 24, 8, false};
inline constexpr BinaryFormat binary64{"f64", 53, 11, false};
inline constexpr BinaryFormat extended80{"f80", 64, 15, true};
inline constexpr BinaryFormat binary128{"f128", 113, 15, false};

// All six, the narrowest first.
inline constexpr std::array<const BinaryFormat*, 6> all_formats = {
    &binary16, &bfloat16, &binary32, &binary64, &extended80, &binary128};
// By its short name, such as "f64"; null when there is none.
const BinaryFormat* format_named(std::string_view name);

enum class RealClass : std::uint8_t { zero, subnormal, normal, infinite, not_a_number };
std::string_view name_of(RealClass kind);

// A number taken apart: for a finite one, value = (negative ? -1 : 1) x significand x 2^exponent.
// A normal significand has exactly `precision` bits. A not-a-number keeps its payload there.
struct BinaryReal {
  RealClass kind = RealClass::zero;
  bool negative = false;
  uint128 significand = 0;
  int exponent = 0;

  constexpr bool is_finite() const { return kind <= RealClass::normal; }
  constexpr bool is_zero() const { return kind == RealClass::zero; }
  // The exponent e with 2^e <= |value| < 2^(e+1). REQUIRES: finite, not zero.
  constexpr int leading_exponent() const {
    assert(is_finite() && !is_zero());
    return exponent + bit_length(significand) - 1;
  }
};

// `bits`: the encoding, in the low format.width() bits.
constexpr BinaryReal unpack(const BinaryFormat& format, uint128 bits) {
  const int fraction_bits = format.stored_fraction_bits();
  const uint128 fraction = bits & ((uint128{1} << fraction_bits) - 1);
  const int biased =
      static_cast<int>(low_half(bits >> fraction_bits)) & ((1 << format.exponent_bits) - 1);
  const bool negative = (bits >> (format.width() - 1) & 1) != 0;
  const uint128 leading = uint128{1} << (format.precision - 1);
  if (biased == (1 << format.exponent_bits) - 1) {
    const uint128 payload = fraction & (leading - 1);
    return {payload == 0 ? RealClass::infinite : RealClass::not_a_number, negative, payload, 0};
  }
  if (biased == 0) {
    return {fraction == 0 ? RealClass::zero : RealClass::subnormal, negative, fraction,
            format.lowest_exponent()};
  }
  const uint128 significand = format.explicit_leading_bit ? fraction : fraction | leading;
  return {RealClass::normal, negative, significand, format.lowest_exponent() + biased - 1};
}

// The encoding of a number that `format` holds exactly.
uint128 pack(const BinaryFormat& format, const BinaryReal& value);

uint128 zero_bits(const BinaryFormat& format, bool negative);
uint128 infinity_bits(const BinaryFormat& format, bool negative);
uint128 quiet_nan_bits(const BinaryFormat& format, bool negative);
uint128 largest_finite_bits(const BinaryFormat& format, bool negative);

// The next number above or below; nothing beyond the infinities and for not-a-number. IEEE
// 754-2019, 5.3.1, nextUp and nextDown: what lies below the lowest positive number is zero.
std::optional<uint128> next_above(const BinaryFormat& format, uint128 bits);
std::optional<uint128> next_below(const BinaryFormat& format, uint128 bits);

// The encoding nearest to (negative ? -1 : 1) x (significand + more) x 2^exponent under
// `rounding`, where 0 <= more < 1 and `more` is not zero exactly when `inexact` is set.
// Overflow and underflow as IEEE 754-2019, 7.4 and 7.5. REQUIRES: when inexact, the significand
// has at least two bits more than the precision, or is the floor of a value below the lowest
// subnormal's quarter (all rounding information is then in `inexact`).
uint128 round_to_format(const BinaryFormat& format, bool negative, uint128 significand,
                        int exponent, bool inexact, Rounding rounding);

// A number of any format stored in another one. Not-a-number stays not-a-number, sign kept.
uint128 convert(const BinaryReal& value, const BinaryFormat& to,
                Rounding rounding = Rounding::half_even);

}  // namespace inky::inline v1
