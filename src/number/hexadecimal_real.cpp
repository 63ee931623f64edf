#include "number/hexadecimal_real.hpp"

namespace inky::inline v1 {

namespace {

Tail tail_of(uint128 rest, uint128 half) {
  if (rest == 0) return Tail::exact;
  return rest == half ? Tail::half : rest < half ? Tail::below_half : Tail::above_half;
}

}  // namespace

HexadecimalDigits hexadecimal_digits(const BinaryFormat& format, const BinaryReal& value,
                                     int places, Rounding rounding, Letters letters) {
  const int lead_bits = format.explicit_leading_bit ? 4 : 1;
  const int fraction_bits = (format.precision - lead_bits + 3) / 4 * 4;
  const int padding = fraction_bits - (format.precision - lead_bits);
  uint128 bits = value.significand << padding;
  int count = fraction_bits / 4;
  if (places != any_places && places < count) {
    const int drop = fraction_bits - 4 * places;
    const uint128 rest = bits & ((uint128{1} << drop) - 1);
    bits >>= drop;
    if (rounds_away(rounding, tail_of(rest, uint128{1} << (drop - 1)), value.negative,
                    (bits & 1) != 0)) {
      ++bits;
    }
    count = places;
  }
  HexadecimalDigits out;
  out.exponent = value.is_zero() ? 0 : value.exponent + format.precision - lead_bits;
  out.lead = static_cast<int>(low_half(bits >> (4 * count)));
  if (out.lead == 16) {
    out.lead = 1;
    out.exponent += 4;
  }
  if (places == any_places) {
    for (; count > 0 && (bits & 15) == 0; --count) bits >>= 4;
  }
  out.count = count;
  const std::string_view digits =
      letters == Letters::lower ? "0123456789abcdef" : "0123456789ABCDEF";
  for (int i = count; i-- > 0; bits >>= 4) {
    out.digits[static_cast<std::size_t>(i)] = digits[low_half(bits) & 15];
  }
  return out;
}

}  // namespace inky::inline v1
