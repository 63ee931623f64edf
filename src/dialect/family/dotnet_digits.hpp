// The shortest digits as .NET makes them of a double, a float or a Half.
//
// They are the fewest that read back, but for two powers of two, 2^-958 and 2^-25: of these, .NET
// 10.0 drops the last of 17 digits, and the text reads back as the number below. Seen by asking for
// all powers of two; other numbers have steps of one size on both sides, where nothing goes wrong.
#pragma once

#include "inky_margin/number/digits.hpp"

namespace inky::inline v1 {

// REQUIRES: a finite value.
void dotnet_digits(const BinaryFormat& format, const BinaryReal& value, Digits& out);

}  // namespace inky::inline v1
