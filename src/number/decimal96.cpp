#include "number/decimal96.hpp"

#include <algorithm>

#include "number/decimal_arithmetic.hpp"

namespace inky::inline v1 {

namespace {

constexpr int most_places = 28;

bool fits_96_bits(const Decimal& value) {
  constexpr std::string_view largest = "79228162514264337593543950335";
  return value.coefficient.size() < largest.size() ||
         (value.coefficient.size() == largest.size() && value.coefficient <= largest);
}

}  // namespace

std::optional<Decimal> decimal96(const Decimal& value) {
  if (!value.is_finite()) return std::nullopt;
  Decimal out = value;
  if (value.exponent > 0) {
    if (!value.is_zero() && value.adjusted_exponent() > most_places) return std::nullopt;
    out = rescaled(value, 0, Rounding::half_even);
  }
  const auto size = static_cast<std::int64_t>(out.coefficient.size());
  // The most places with which it may fit; one fewer where it does not.
  std::int64_t exponent =
      std::max({out.exponent, std::int64_t{-most_places}, out.exponent + size - (most_places + 1)});
  for (; exponent <= 0; ++exponent) {
    Decimal rounded = rescaled(out, std::max(exponent, out.exponent), Rounding::half_even);
    if (fits_96_bits(rounded)) return rounded;
  }
  return std::nullopt;
}

std::optional<Decimal> sum96(const Decimal& a, const Decimal& b) {
  Decimal exact = sum(a, b);
  exact.exponent = std::min<std::int64_t>(exact.exponent, 0);
  return decimal96(exact);
}

std::optional<Decimal> product96(const Decimal& a, const Decimal& b) {
  const Decimal exact = product(a, b);
  if (!exact.is_zero()) {
    constexpr int most_lost = 19;
    const bool small = a.coefficient.size() < 10 && b.coefficient.size() < 10;
    if (small && exact.exponent < -most_places - most_lost) return Decimal{};
    return decimal96(exact);
  }
  // A zero keeps its places where both factors have at most 32 bits.
  const Integer most = Integer(1) << 32;
  const bool short_factors = abs(coefficient_of(a)) < most && abs(coefficient_of(b)) < most;
  if (!short_factors) return Decimal{};
  return decimal96(exact);
}

std::optional<Decimal> quotient96(const Decimal& a, const Decimal& b) {
  const std::int64_t natural = a.exponent - b.exponent;
  const Integer divisor = abs(coefficient_of(b));
  const Integer dividend = abs(coefficient_of(a));
  const Integer most = (Integer(1) << 96) - 1;
  Decimal out;
  if (natural <= 0 && dividend % divisor == 0) {
    out = decimal_of(dividend / divisor, natural);
  } else {
    // All places that there is room for, rounded once; the zeros at the end go.
    const Rational exact = rational_of(a) / rational_of(b);
    const Rational magnitude = exact < 0 ? Rational(-exact) : exact;
    if (magnitude > Rational(most)) return std::nullopt;
    std::int64_t places = most_places;
    while (places > 0 && magnitude * power(10, static_cast<int>(places)) > Rational(most)) --places;
    Integer digits =
        round_whole(magnitude * power(10, static_cast<int>(places)), Rounding::half_even);
    if (digits > most) {
      digits = round_whole(Rational(digits) / 10, Rounding::half_even);
      --places;
    }
    while (places > 0 && digits % 10 == 0) {
      digits /= 10;
      --places;
    }
    out = decimal_of(digits, -places);
  }
  out.negative = a.negative != b.negative;
  return decimal96(out);
}

Decimal remainder96(const Decimal& a, const Decimal& b) {
  const Decimal size_a{Decimal::Kind::finite, false, a.coefficient, a.exponent};
  const Decimal size_b{Decimal::Kind::finite, false, b.coefficient, b.exponent};
  if (std::is_lt(compare(size_a, size_b))) return a;
  const std::int64_t exponent = std::min(a.exponent, b.exponent);
  Decimal out = decimal_of(abs(coefficient_of(rescaled(a, exponent, Rounding::toward))) %
                               abs(coefficient_of(rescaled(b, exponent, Rounding::toward))),
                           exponent);
  out.negative = a.negative;
  return out;
}

}  // namespace inky::inline v1
