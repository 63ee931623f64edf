// BigDecimal under the letters of Formatter that take one: e, f and g.
//
// Observed on OpenJDK 17.0.15: rounded half up, exactly; g rounds first, and then chooses its
// notation; a zero keeps its exponent where one is shown, 0.00e-02.
#pragma once

#include "inky_margin/format/spec.hpp"
#include "inky_margin/number/digits.hpp"
#include "inky_margin/number/exact_decimal.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::java_language {

// What is shown of one, in the notation that was settled.
struct ShownDecimal {
  Spec spec;
  Decimal rounded;
};
ShownDecimal round_big_decimal(const Spec& asked, const Decimal& value);

// `spec` is the settled one, with the marks of a locale or without.
void lay_out_big_decimal(const Spec& spec, const Decimal& rounded, Output& out);

}  // namespace inky::inline v1::java_language
