// A decimal as .NET holds it in a System.Decimal: a whole number of 96 bits, and 0 to 28 places.
//
// More digits than that are rounded half to even, as decimal.Parse and the compilers of C# and F#
// do. Observed on .NET 10.0.
#pragma once

#include <optional>

#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/value.hpp"
#include "number/decimal96.hpp"

namespace inky::inline v1 {

// The value as .NET holds it; an error (value_out_of_range) where it cannot. A note where digits
// were lost. REQUIRES: a decimal.
Result<Decimal> held_by_dotnet(const Value& value, Span span, Notes* notes);

// The double, as .NET makes it: two roundings, so that it may be beside the nearest.
double dotnet_double(const Decimal& value);
// A real to `digits` significant digits: 15 of a double, 7 of a float. Nothing where it is too
// large, or no number.
std::optional<Decimal> dotnet_from_real(double value, int digits);

// decimal.Parse in the invariant culture, of digits with a point and a minus sign. Nothing for any
// other text, which .NET may read.
std::optional<Decimal> read_dotnet_decimal(std::string_view text);

// ToString() in the invariant culture: all places, and no exponent.
std::string dotnet_text(const Decimal& held);

}  // namespace inky::inline v1
