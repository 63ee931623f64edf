#include "rational.hpp"

#include <cstdlib>

namespace inky::inline v1 {

namespace mp = boost::multiprecision;

Integer integer_of(uint128 value) {
  return (Integer(high_half(value)) << 64) + low_half(value);
}

Integer integer_of(const SignedNatural& value) {
  Integer out;
  const auto limbs = value.magnitude.limbs();
  if (limbs.empty()) return out;
  mp::import_bits(out, limbs.begin(), limbs.end(), 64, false);
  return value.negative ? Integer(-out) : out;
}

uint128 bits_of_integer(const Integer& value) {
  const Integer high = value >> 64;
  const Integer low = value - (high << 64);
  return join_halves(static_cast<std::uint64_t>(high), static_cast<std::uint64_t>(low));
}

int bit_length(const Integer& value) {
  return value == 0 ? 0 : static_cast<int>(mp::msb(abs(value))) + 1;
}

Rational power(int base, int exponent) {
  const Integer whole = mp::pow(Integer(base), static_cast<unsigned>(std::abs(exponent)));
  return exponent >= 0 ? Rational(whole) : Rational(Integer(1), whole);
}

Rational rational_of(const BinaryReal& value) {
  const Integer significand = integer_of(value.significand);
  const Integer magnitude =
      value.exponent >= 0 ? Integer(significand << value.exponent) : significand;
  const Integer below = Integer(1) << (value.exponent >= 0 ? 0 : -value.exponent);
  return Rational(value.negative ? Integer(-magnitude) : magnitude, below);
}

Rational rational_of(const ExactDecimal& value) {
  if (value.is_zero()) return 0;
  const Rational digits(Integer(value.digits));
  const auto exponent =
      static_cast<int>(value.point - static_cast<std::int64_t>(value.digits.size()));
  const Rational magnitude = digits * power(10, exponent);
  return value.negative ? Rational(-magnitude) : magnitude;
}

Integer floor(const Rational& x) {
  const Integer quotient = numerator(x) / denominator(x);  // toward zero
  return x < 0 && Rational(quotient) != x ? Integer(quotient - 1) : quotient;
}

Tail tail_of(const Rational& x) {
  const Rational magnitude = abs(x);
  const Rational twice = (magnitude - floor(magnitude)) * 2;
  if (twice == 0) return Tail::exact;
  return twice == 1 ? Tail::half : twice < 1 ? Tail::below_half : Tail::above_half;
}

Integer round_whole(const Rational& x, Rounding rounding) {
  const Integer magnitude = floor(abs(x));
  const bool away = rounds_away(rounding, tail_of(x), x < 0, mp::bit_test(magnitude, 0));
  const Integer kept = away ? Integer(magnitude + 1) : magnitude;
  return x < 0 ? Integer(-kept) : kept;
}

uint128 stored(const BinaryFormat& format, const Rational& x, bool negative_zero) {
  if (x == 0) return zero_bits(format, negative_zero);
  // Enough bits to round any format, and no more than 128.
  constexpr int wanted = 122;
  const Integer above = abs(numerator(x));
  const Integer& below = denominator(x);
  const int shift = wanted - (bit_length(above) - bit_length(below));
  const Integer dividend = shift >= 0 ? Integer(above << shift) : above;
  const Integer divisor = shift >= 0 ? below : Integer(below << -shift);
  const Integer quotient = dividend / divisor;
  const bool inexact = quotient * divisor != dividend;
  return round_to_format(format, x < 0, bits_of_integer(quotient), -shift, inexact,
                         Rounding::half_even);
}

Rational root_below(const Rational& x, int bits) {
  const Integer scaled = (numerator(x) << (2 * bits)) / denominator(x);
  return Rational(mp::sqrt(scaled), Integer(1) << bits);
}

std::optional<std::string> ending_decimal(const Rational& x, std::size_t most) {
  Integer below = denominator(x);
  const auto twos = static_cast<int>(mp::lsb(below));
  below >>= static_cast<unsigned>(twos);
  int fives = 0;
  while (below % 5 == 0) {
    below /= 5;
    ++fives;
    if (fives > static_cast<int>(most)) return std::nullopt;
  }
  const int places = std::max(twos, fives);
  if (below != 1 || places > static_cast<int>(most)) return std::nullopt;
  const Rational scaled = abs(x) * power(10, places);
  std::string digits = numerator(scaled).str();
  if (digits.size() > most) return std::nullopt;
  const auto after = static_cast<std::size_t>(places);
  if (digits.size() <= after) digits.insert(0, after + 1 - digits.size(), '0');
  if (after > 0) digits.insert(digits.size() - after, ".");
  return (x < 0 ? "-" : "") + digits;
}

std::string rounded_text(const Rational& x, int count) {
  if (x == 0) return "0";
  const Rational magnitude = abs(x);
  // A guess from the bits, right or one too large or too small.
  const double bits = bit_length(numerator(magnitude)) - bit_length(denominator(magnitude));
  int exponent = static_cast<int>(bits * 0.30103);
  while (magnitude >= power(10, exponent + 1)) ++exponent;
  while (magnitude < power(10, exponent)) --exponent;
  Integer whole = round_whole(magnitude * power(10, count - 1 - exponent), Rounding::half_even);
  if (Rational(whole) == power(10, count)) ++exponent;
  const std::string text = whole.str();
  Digits digits;
  const auto size = static_cast<int>(text.size());
  std::copy(text.begin(), text.end(), digits.room(size));
  digits.set(size, exponent + 1);
  digits.strip_trailing_zeros();
  return plain_text(digits, x < 0);
}

}  // namespace inky::inline v1
