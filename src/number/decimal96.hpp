// Decimals of a fixed size: a whole number of 96 bits, and 0 to 28 places. What .NET calls
// System.Decimal, with its rules for what does not fit; observed on .NET 10.0.
#pragma once

#include <optional>

#include "inky_margin/number/exact_decimal.hpp"

namespace inky::inline v1 {

// More digits than fit are rounded half to even; an exponent above zero is written out. Nothing
// where it is too large, or no finite number.
std::optional<Decimal> decimal96(const Decimal& value);

// Nothing: the result is too large. Each REQUIRES decimals of this size.
std::optional<Decimal> sum96(const Decimal& a, const Decimal& b);
std::optional<Decimal> product96(const Decimal& a, const Decimal& b);
// REQUIRES: b is not zero.
std::optional<Decimal> quotient96(const Decimal& a, const Decimal& b);
Decimal remainder96(const Decimal& a, const Decimal& b);

}  // namespace inky::inline v1
