#include "inky_margin/number/weighing.hpp"

#include <algorithm>
#include <cassert>

#include "inky_margin/number/whole.hpp"
#include "number/decimal_writing.hpp"
#include "number/hexadecimal_real.hpp"
#include "powers_of_ten.hpp"
#include "ulps.hpp"

namespace inky::inline v1 {

namespace {

// The error over the unit of the last place: both are read as f128, whose range and 113 bits are
// more than the six digits need, and the unit is a power of two, so dividing changes the exponent.
std::string in_ulps(const ExactDecimal& error, const BinaryReal& ulp) {
  if (error.is_zero()) return "0";
  const std::optional<uint128> bits = read_real(binary128, to_text(error));
  BinaryReal ratio = unpack(binary128, *bits);
  if (ratio.is_zero()) return error.negative ? "-0" : "0";
  ratio.exponent -= ulp.exponent;
  Digits digits;
  digits_to_significant(ratio, ulps_digits, Rounding::half_even, digits);
  digits.strip_trailing_zeros();
  return plain_text(digits, error.negative);
}

// The same from 128 bits of the typed number, for the usual sizes: nothing where they do not settle
// six digits. In the names of powers_of_ten.hpp, typed = leading x 10^k.
std::optional<std::string> in_ulps_quickly(const DecimalText& typed, const BinaryFormat& format,
                                           const BinaryReal& stored) {
  const std::int64_t k = typed.leading_exponent;
  if (typed.truncated || typed.leading == 0 || format.precision > binary64.precision ||
      k < powers::lowest || k > powers::highest)
    return std::nullopt;
  const auto power = static_cast<int>(k);
  const int lift = 64 - bit_length(typed.leading);
  const std::uint64_t leading = typed.leading << lift;
  const uint128 g = powers::significand(power);
  // The upper 128 of 192 bits, at most two below the true ones.
  const uint128 product =
      multiply_wide(leading, high_half(g)) + high_half(multiply_wide(leading, low_half(g)));
  // typed / ulp = product / 2^shift
  const int shift = stored.exponent - (64 - lift + powers::floor_log2_of_power(power) - 127);
  if (shift < 64 || shift > 127) return std::nullopt;
  const auto difference = static_cast<int128>((stored.significand << shift) - product);
  const uint128 ratio = magnitude_of(difference) >> (shift - 64);  // in units of 2^-64
  constexpr uint128 smallest = uint128{1} << 44;
  if (ratio < smallest || ratio > uint128{1} << 63) return std::nullopt;
  // As many decimal places as give six digits.
  int places = ulps_digits;
  while ((ratio * decimal_writing::power_of_ten(places)) >> 64 <
         decimal_writing::power_of_ten(ulps_digits - 1))
    ++places;
  const uint128 scaled = ratio * decimal_writing::power_of_ten(places);
  const std::uint64_t tail = low_half(scaled);
  // What is unknown of the ratio may not reach the point where the last digit turns.
  constexpr std::uint64_t half = std::uint64_t{1} << 63;
  constexpr std::uint64_t unknown = std::uint64_t{1} << 42;
  if (tail > half - unknown && tail < half + unknown) return std::nullopt;
  Digits digits;
  const int count =
      decimal_writing::write(digits.room(24), high_half(scaled) + (tail > half ? 1 : 0));
  digits.set(count, count - places);
  digits.strip_trailing_zeros();
  return plain_text(digits, (difference < 0) != stored.negative);
}

NumberText special_text(const BinaryReal& real) {
  const std::string_view text = real.kind == RealClass::not_a_number ? "nan"
                                : real.negative                      ? "-inf"
                                                                     : "inf";
  NumberText out;
  out.end_at(std::copy(text.begin(), text.end(), out.room()));
  return out;
}

// The exact value of a hexadecimal text; nothing when it is none, or longer than f128.
std::optional<ExactDecimal> hexadecimal_decimal(std::string_view text) {
  const auto near = read_real(binary128, text, Rounding::half_even);
  const auto low = read_real(binary128, text, Rounding::toward);
  const auto high = read_real(binary128, text, Rounding::away);
  if (!near || low != high) return std::nullopt;
  const BinaryReal real = unpack(binary128, *near);
  if (!real.is_finite()) return std::nullopt;
  return exact_decimal(real);
}

}  // namespace

int Weighing::exponent() const {
  switch (real.kind) {
    case RealClass::normal:
      return real.leading_exponent();
    case RealClass::zero:
    case RealClass::subnormal:
      return format->min_exponent();
    default:
      return format->max_exponent() + 1;
  }
}

uint128 Weighing::fraction() const {
  return bits & ((uint128{1} << (format->precision - 1)) - 1);
}

BinaryReal Weighing::ulp() const {
  assert(real.is_finite());
  return {RealClass::normal, false, 1, real.is_zero() ? format->lowest_exponent() : real.exponent};
}

std::optional<Weighing> weigh(std::string_view text, const BinaryFormat& format) {
  Weighing out;
  out.format = &format;
  const std::optional<DecimalText> decimal = scan_decimal(text);
  if (decimal) {
    out.bits = nearest(format, *decimal);
    out.typed = exact_decimal(*decimal);
  } else {
    const std::optional<uint128> bits = read_real(format, text);
    if (!bits) return std::nullopt;
    out.bits = *bits;
    const bool hexadecimal = text.find_first_of("xX") != std::string_view::npos;
    if (hexadecimal) {
      out.typed = hexadecimal_decimal(text);
      if (!out.typed) return std::nullopt;
    }
  }
  out.real = unpack(format, out.bits);
  if (!out.real.is_finite()) return out;
  out.stored = exact_decimal(out.real);
  if (!out.typed) return out;
  out.error = difference(*out.stored, *out.typed);
  std::optional<std::string> quick;
  if (decimal && !out.error->is_zero()) quick = in_ulps_quickly(*decimal, format, out.real);
  out.error_ulps = quick ? std::move(*quick) : in_ulps(*out.error, out.ulp());
  return out;
}

Weighing weigh_stored(const BinaryFormat& format, uint128 bits) {
  Weighing out;
  out.format = &format;
  out.bits = bits;
  out.real = unpack(format, bits);
  if (out.real.is_finite()) out.stored = exact_decimal(out.real);
  return out;
}

SurvivingDigits surviving_digits(const Weighing& weighing) {
  assert(weighing.typed && weighing.stored);
  const ExactDecimal& typed = *weighing.typed;
  const ExactDecimal& stored = *weighing.stored;
  SurvivingDigits out{typed.digits.size(), typed.digits.size()};
  if (weighing.error && weighing.error->is_zero()) return out;
  // What differs, differs within the digits that always identify a number, or soon after.
  const auto most = static_cast<std::size_t>(digits_always_enough(*weighing.format)) + 3;
  out.kept = std::min(out.kept, most);
  for (; out.kept > 0; --out.kept) {
    const auto count = static_cast<std::int64_t>(out.kept);
    const ExactDecimal a = rounded(typed, count - typed.point, Rounding::half_even);
    const ExactDecimal b = rounded(stored, count - stored.point, Rounding::half_even);
    if (a.point == b.point && a.digits == b.digits && a.negative == b.negative) break;
  }
  return out;
}

// log10(2) = 0.30103 - 0.0000000043...: no precision of ours is near enough to a whole number of
// digits for that to matter.
int digits_always_kept(const BinaryFormat& format) {
  return (format.precision - 1) * 30103 / 100000;
}
int digits_always_enough(const BinaryFormat& format) {
  return 2 + format.precision * 30103 / 100000;
}

PlacesView view_at(const ExactDecimal& value, int places) {
  PlacesView out;
  out.places = places;
  out.shows = to_text(rounded(value, places, Rounding::half_even), places);
  out.side = tail_at(value, places);
  const ExactDecimal cut = rounded(value, places, Rounding::toward);
  // Away from zero by half a unit of the last place.
  out.halfway = difference(cut, {!value.negative, "5", -std::int64_t{places}});
  out.distance = difference(value, out.halfway);
  return out;
}

NumberText shortest_number(const BinaryFormat& format, uint128 bits) {
  const BinaryReal real = unpack(format, bits);
  if (!real.is_finite()) return special_text(real);
  Digits digits;
  shortest_digits(format, real, digits);
  NumberText out;
  out.end_at(write_plain_text(digits, real.negative, out.room()));
  return out;
}

NumberText hexadecimal_number(const BinaryFormat& format, uint128 bits) {
  const BinaryReal real = unpack(format, bits);
  if (!real.is_finite()) return special_text(real);
  const HexadecimalDigits digits =
      hexadecimal_digits(format, real, any_places, Rounding::half_even, Letters::lower);
  NumberText out;
  char* at = out.room();
  if (real.negative) *at++ = '-';
  *at++ = '0';
  *at++ = 'x';
  *at++ = "0123456789abcdef"[digits.lead];
  if (digits.count > 0) *at++ = '.';
  at = std::copy_n(digits.digits.data(), digits.count, at);
  *at++ = 'p';
  *at++ = digits.exponent < 0 ? '-' : '+';
  const auto exponent =
      static_cast<std::uint64_t>(digits.exponent < 0 ? -digits.exponent : digits.exponent);
  out.end_at(at + decimal_writing::write(at, exponent));
  return out;
}

}  // namespace inky::inline v1
