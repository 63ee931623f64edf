#include "inky_margin/number/binary_format.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::array<std::string_view, 5> class_names = {"zero", "subnormal", "normal", "infinite",
                                                         "not a number"};

uint128 assemble(const BinaryFormat& format, bool negative, int biased, uint128 fraction) {
  return uint128{negative} << (format.width() - 1) |
         uint128{static_cast<unsigned>(biased)} << format.stored_fraction_bits() | fraction;
}

int special_exponent(const BinaryFormat& format) {
  return (1 << format.exponent_bits) - 1;
}

// The leading bit that f80 stores even where the others imply it.
uint128 stored_leading_bit(const BinaryFormat& format) {
  return format.explicit_leading_bit ? uint128{1} << (format.precision - 1) : 0;
}

bool overflows_to_infinity(Rounding rounding, bool negative) {
  return rounds_away(rounding, Tail::above_half, negative, true);
}

// `value` cut by `bits` (1 or more), and how the cut part compares with half a unit.
uint128 cut(uint128 value, int bits, bool inexact, Tail& tail) {
  if (bits > 128) {
    tail = value != 0 || inexact ? Tail::below_half : Tail::exact;
    return 0;
  }
  const uint128 kept = bits == 128 ? 0 : value >> bits;
  const uint128 rest = bits == 128 ? value : value & ((uint128{1} << bits) - 1);
  const uint128 half = uint128{1} << (bits - 1);
  if (rest == half)
    tail = inexact ? Tail::above_half : Tail::half;
  else if (rest > half)
    tail = Tail::above_half;
  else
    tail = rest != 0 || inexact ? Tail::below_half : Tail::exact;
  return kept;
}

}  // namespace

std::string_view name_of(RealClass kind) {
  return class_names[static_cast<std::size_t>(kind)];
}

uint128 pack(const BinaryFormat& format, const BinaryReal& value) {
  switch (value.kind) {
    case RealClass::zero:
      return zero_bits(format, value.negative);
    case RealClass::infinite:
      return infinity_bits(format, value.negative);
    case RealClass::not_a_number:
      return quiet_nan_bits(format, value.negative);
    default:
      break;
  }
  return round_to_format(format, value.negative, value.significand, value.exponent, false,
                         Rounding::half_even);
}

uint128 zero_bits(const BinaryFormat& format, bool negative) {
  return assemble(format, negative, 0, 0);
}

uint128 infinity_bits(const BinaryFormat& format, bool negative) {
  return assemble(format, negative, special_exponent(format), stored_leading_bit(format));
}

uint128 quiet_nan_bits(const BinaryFormat& format, bool negative) {
  const uint128 quiet = uint128{1} << (format.precision - 2);
  return assemble(format, negative, special_exponent(format), stored_leading_bit(format) | quiet);
}

uint128 largest_finite_bits(const BinaryFormat& format, bool negative) {
  const uint128 fraction = (uint128{1} << format.stored_fraction_bits()) - 1;
  return assemble(format, negative, special_exponent(format) - 1, fraction);
}

const BinaryFormat* format_named(std::string_view name) {
  for (const BinaryFormat* format : all_formats) {
    if (format->name == name) return format;
  }
  return nullptr;
}

std::optional<uint128> next_above(const BinaryFormat& format, uint128 bits) {
  BinaryReal value = unpack(format, bits);
  if (value.kind == RealClass::not_a_number || bits == infinity_bits(format, false))
    return std::nullopt;
  if (value.is_zero()) return uint128{1};
  if (!value.is_finite()) return largest_finite_bits(format, true);
  // Half a unit more, rounded up, is one unit more; a negative number moves toward zero, where the
  // unit may be half as large.
  value.significand = value.significand * 4 + (value.negative ? uint128{0} - 1 : uint128{1});
  value.exponent -= 2;
  return round_to_format(format, value.negative, value.significand, value.exponent, false,
                         Rounding::up);
}

std::optional<uint128> next_below(const BinaryFormat& format, uint128 bits) {
  const uint128 sign = uint128{1} << (format.width() - 1);
  const std::optional<uint128> above = next_above(format, bits ^ sign);
  if (!above) return std::nullopt;
  return *above ^ sign;
}

uint128 round_to_format(const BinaryFormat& format, bool negative, uint128 significand,
                        int exponent, bool inexact, Rounding rounding) {
  const int excess = bit_length(significand) - format.precision;
  const int to_lowest = format.lowest_exponent() - exponent;
  int drop = excess > to_lowest ? excess : to_lowest;
  Tail tail = Tail::exact;
  if (drop > 0) {
    significand = cut(significand, drop, inexact, tail);
  } else {
    // Widening is exact: at most `precision` bits result.
    if (significand == 0)
      drop = to_lowest;
    else
      significand <<= -drop;
    tail = inexact ? Tail::below_half : Tail::exact;
  }
  exponent += drop;
  if (rounds_away(rounding, tail, negative, (significand & 1) != 0)) {
    ++significand;
    if (bit_length(significand) > format.precision) {
      significand >>= 1;
      ++exponent;
    }
  }
  const uint128 leading = uint128{1} << (format.precision - 1);
  if (significand < leading) return assemble(format, negative, 0, significand);
  const int biased = exponent - format.lowest_exponent() + 1;
  if (biased >= special_exponent(format)) {
    return overflows_to_infinity(rounding, negative) ? infinity_bits(format, negative)
                                                     : largest_finite_bits(format, negative);
  }
  return assemble(format, negative, biased,
                  format.explicit_leading_bit ? significand : significand & (leading - 1));
}

uint128 convert(const BinaryReal& value, const BinaryFormat& to, Rounding rounding) {
  if (value.kind != RealClass::normal && value.kind != RealClass::subnormal) return pack(to, value);
  return round_to_format(to, value.negative, value.significand, value.exponent, false, rounding);
}

}  // namespace inky::inline v1
