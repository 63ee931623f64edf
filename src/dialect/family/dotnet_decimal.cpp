#include "dotnet_decimal.hpp"

#include <algorithm>
#include <bit>
#include <cmath>

#include "inky_margin/number/decimal.hpp"
#include "number/decimal_arithmetic.hpp"

namespace inky::inline v1 {

Result<Decimal> held_by_dotnet(const Value& value, Span span, Notes* notes) {
  const Decimal& given = value.as_decimal();
  std::optional<Decimal> held = decimal96(given);
  if (!held)
    return Error{Code::value_out_of_range, describe(value) + " is no decimal of .NET", span,
                 "It holds -79228162514264337593543950335 to 79228162514264337593543950335."};
  if (notes != nullptr && std::is_neq(compare(*held, given)))
    notes->push_back(
        {Code::type_converted,
         "a decimal of .NET has 28 or 29 digits: " + describe(value) + " becomes " + to_text(*held),
         span});
  return std::move(*held);
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
  auto held = decimal96(out);
  while (held && !held->is_zero() && held->exponent < 0 && held->coefficient.back() == '0') {
    held->coefficient.pop_back();
    ++held->exponent;
  }
  return held;
}

std::optional<Decimal> read_dotnet_decimal(std::string_view text) {
  const std::size_t sign = text.starts_with('-') ? 1 : 0;
  const bool plain = sign < text.size() && text.back() != '.' && text[sign] != '.' &&
                     text.find_first_not_of("0123456789.", sign) == std::string_view::npos;
  return plain ? read_decimal(text) : std::nullopt;
}

std::string dotnet_text(const Decimal& held) {
  Decimal positive = held;
  if (held.is_zero()) positive.negative = false;
  std::string out = to_text(exact_decimal(positive), -held.exponent);
  return out;
}

}  // namespace inky::inline v1
