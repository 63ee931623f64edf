#include "dotnet_decimal.hpp"

#include <algorithm>
#include <bit>
#include <cmath>

#include "inky_margin/number/decimal.hpp"
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

std::optional<Decimal> dotnet_decimal(const Decimal& value) {
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

Result<Decimal> held_by_dotnet(const Value& value, Span span, Notes* notes) {
  const Decimal& given = value.as_decimal();
  std::optional<Decimal> held = dotnet_decimal(given);
  if (!held)
    return Error{Code::value_out_of_range, describe(value) + " is no decimal of .NET", span,
                 "It holds -79228162514264337593543950335 to 79228162514264337593543950335."};
  if (notes != nullptr && compare(*held, given) != 0)
    notes->push_back(
        {Code::type_converted,
         "a decimal of .NET has 28 or 29 digits: " + describe(value) + " becomes " + to_text(*held),
         span});
  return std::move(*held);
}

std::optional<Decimal> dotnet_sum(const Decimal& a, const Decimal& b) {
  Decimal exact = sum(a, b);
  exact.exponent = std::min<std::int64_t>(exact.exponent, 0);
  return dotnet_decimal(exact);
}

std::optional<Decimal> dotnet_product(const Decimal& a, const Decimal& b) {
  const Decimal exact = product(a, b);
  if (!exact.is_zero()) {
    constexpr int most_lost = 19;
    const bool small = a.coefficient.size() < 10 && b.coefficient.size() < 10;
    if (small && exact.exponent < -most_places - most_lost) return Decimal{};
    return dotnet_decimal(exact);
  }
  // A zero keeps its places where both factors have at most 32 bits.
  const Integer most = Integer(1) << 32;
  const bool short_factors = abs(coefficient_of(a)) < most && abs(coefficient_of(b)) < most;
  if (!short_factors) return Decimal{};
  return dotnet_decimal(exact);
}

std::optional<Decimal> dotnet_quotient(const Decimal& a, const Decimal& b) {
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
  return dotnet_decimal(out);
}

Decimal dotnet_remainder(const Decimal& a, const Decimal& b) {
  const Decimal size_a{Decimal::Kind::finite, false, a.coefficient, a.exponent};
  const Decimal size_b{Decimal::Kind::finite, false, b.coefficient, b.exponent};
  if (compare(size_a, size_b) < 0) return a;
  const std::int64_t exponent = std::min(a.exponent, b.exponent);
  Decimal out = decimal_of(abs(coefficient_of(rescaled(a, exponent, Rounding::toward))) %
                               abs(coefficient_of(rescaled(b, exponent, Rounding::toward))),
                           exponent);
  out.negative = a.negative;
  return out;
}

double dotnet_double(const Decimal& value) {
  const Integer bits = abs(coefficient_of(value));
  const auto high = (bits >> 64).convert_to<std::uint64_t>();
  const auto low = Integer(bits & Integer(~std::uint64_t{0})).convert_to<std::uint64_t>();
  double power_of_ten = 1;
  for (std::int64_t i = value.exponent; i < 0; ++i) power_of_ten *= 10;
  // 10^23 and up are not exact; the table of .NET has the nearest.
  if (value.exponent < -22)
    power_of_ten = std::bit_cast<double>(
        low_half(*read_real(binary64, "1e" + std::to_string(-value.exponent))));
  const double out = (static_cast<double>(low) + static_cast<double>(high) * 0x1p64) / power_of_ten;
  return value.negative ? -out : out;
}

std::optional<Decimal> dotnet_from_real(double value, int digits) {
  const BinaryReal real = unpack(binary64, bits_of(value));
  if (!real.is_finite()) return std::nullopt;
  if (real.is_zero() || std::fabs(value) < 0x1p-95) return Decimal{};
  Digits kept;
  digits_to_significant(real, digits, Rounding::half_even, kept);
  kept.strip_trailing_zeros();
  Decimal out;
  out.negative = real.negative;
  out.coefficient = std::string(kept.text());
  out.exponent = kept.point() - kept.size();
  auto held = dotnet_decimal(out);
  while (held && !held->is_zero() && held->exponent < 0 && held->coefficient.back() == '0') {
    held->coefficient.pop_back();
    ++held->exponent;
  }
  return held;
}

std::string dotnet_text(const Decimal& held) {
  Decimal positive = held;
  if (held.is_zero()) positive.negative = false;
  std::string out = to_text(exact_decimal(positive), -held.exponent);
  return out;
}

}  // namespace inky::inline v1
