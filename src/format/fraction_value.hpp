// Fractions between values and exact rationals.
#pragma once

#include "inky_margin/format/value.hpp"
#include "number/rational.hpp"

namespace inky::inline v1 {

// A value of the type fraction, in lowest terms, also where its denominator is 1.
Value fraction_value(const Rational& number);
// REQUIRES: a fraction.
Rational rational_of(const Value& fraction);
// "-1/3", "2/1".
std::string fraction_text(const Value& fraction);

}  // namespace inky::inline v1
