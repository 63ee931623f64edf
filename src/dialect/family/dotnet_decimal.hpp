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

// ToString() in the invariant culture: all places, and no exponent.
std::string dotnet_text(const Decimal& held);

}  // namespace inky::inline v1
