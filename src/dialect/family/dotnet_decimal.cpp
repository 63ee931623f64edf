#include "dotnet_decimal.hpp"

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

std::string dotnet_text(const Decimal& held) {
  Decimal positive = held;
  if (held.is_zero()) positive.negative = false;
  std::string out = to_text(exact_decimal(positive), -held.exponent);
  return out;
}

}  // namespace inky::inline v1
