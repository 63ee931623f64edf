// A decimal as .NET holds it in a System.Decimal: a whole number of 96 bits, and 0 to 28 places.
//
// More digits than that are rounded half to even, as decimal.Parse and the compilers of C# and F#
// do; an exponent above zero is written out. Observed on .NET 10.0.
#pragma once

#include <optional>

#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// Nothing where it is too large, or no finite number.
std::optional<Decimal> dotnet_decimal(const Decimal& value);

// The value as .NET holds it; an error (value_out_of_range) where it cannot. A note where digits
// were lost. REQUIRES: a decimal.
Result<Decimal> held_by_dotnet(const Value& value, Span span, Notes* notes);

// ---- Arithmetic: System.Decimal's own. Nothing is an OverflowException. ----

// REQUIRES: decimals that .NET holds.
std::optional<Decimal> dotnet_sum(const Decimal& a, const Decimal& b);
std::optional<Decimal> dotnet_product(const Decimal& a, const Decimal& b);
// REQUIRES: b is not zero.
std::optional<Decimal> dotnet_quotient(const Decimal& a, const Decimal& b);
Decimal dotnet_remainder(const Decimal& a, const Decimal& b);
// The double, as .NET makes it: two roundings, so that it may be beside the nearest.
double dotnet_double(const Decimal& value);
// A real to `digits` significant digits: 15 of a double, 7 of a float. Nothing where it is too
// large, or no number.
std::optional<Decimal> dotnet_from_real(double value, int digits);

// ToString() in the invariant culture: all places, and no exponent.
std::string dotnet_text(const Decimal& held);

}  // namespace inky::inline v1
