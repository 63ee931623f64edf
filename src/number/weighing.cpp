#include "inky_margin/number/weighing.hpp"

#include "inky_margin/number/hexadecimal_real.hpp"

namespace inky {

namespace {

// Six digits say which side of a tie an error lies on and how far; the rest is noise.
constexpr int ulps_digits = 6;

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
  return (error.negative ? "-" : "") + plain_text(digits);
}

std::string special_text(const BinaryReal& real) {
  if (real.kind == RealClass::not_a_number) return "nan";
  return real.negative ? "-inf" : "inf";
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
  return {RealClass::normal, false, 1, real.is_zero() ? format->lowest_exponent() : real.exponent};
}

std::optional<Weighing> weigh(std::string_view text, const BinaryFormat& format) {
  Weighing out;
  out.format = &format;
  if (const std::optional<DecimalText> decimal = scan_decimal(text)) {
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
  out.error_ulps = in_ulps(*out.error, out.ulp());
  return out;
}

std::string shortest_text(const BinaryFormat& format, uint128 bits) {
  const BinaryReal real = unpack(format, bits);
  if (!real.is_finite()) return special_text(real);
  Digits digits;
  shortest_digits(format, real, digits);
  return (real.negative ? "-" : "") + plain_text(digits);
}

std::string hexadecimal_text(const BinaryFormat& format, uint128 bits) {
  const BinaryReal real = unpack(format, bits);
  if (!real.is_finite()) return special_text(real);
  const HexadecimalDigits digits =
      hexadecimal_digits(format, real, any_places, Rounding::half_even, Letters::lower);
  std::string out(real.negative ? "-0x" : "0x");
  out += "0123456789abcdef"[digits.lead];
  if (digits.count > 0) out += ".";
  out += digits.fraction();
  out += digits.exponent < 0 ? "p-" : "p+";
  return out + std::to_string(digits.exponent < 0 ? -digits.exponent : digits.exponent);
}

}  // namespace inky
