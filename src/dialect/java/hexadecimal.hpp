// Reals in base 16, as Java writes them.
#pragma once

#include "inky_margin/format/spec.hpp"
#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::java_language {

// Double.toHexString's form: one digit at least after the point, a subnormal with a leading 0
// unless it was rounded.
void lay_out_hexadecimal(Spec spec, const BinaryReal& real, Output& out);

}  // namespace inky::inline v1::java_language
