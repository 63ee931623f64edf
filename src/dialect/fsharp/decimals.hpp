// A decimal under the letters of sprintf that take one: f, e, g and M.
#pragma once

#include "inky_margin/format/spec.hpp"
#include "inky_margin/number/exact_decimal.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::fsharp {

// Rounded half away from zero. What is shown as zero has no sign, and one that was below zero takes
// none in its place. `all_digits`: a precision of 0 asks g for them. REQUIRES: a decimal of .NET.
void lay_out_decimal(char letter, bool all_digits, Spec spec, const Decimal& held, Output& out);

}  // namespace inky::inline v1::fsharp
