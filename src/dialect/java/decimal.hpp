// The decimal digits that OpenJDK 17 makes of a double or a float before it rounds or prints them.
//
// They are not always the shortest, nor always the nearest: the method stops as soon as the digits
// so far are within half a unit of the last place of the number, measured as if the numbers above
// and below were equally far apart, and a few numbers that fit a machine word take shorter ways
// with rules of their own. Since every text Java prints of a real is cut from these digits, and
// rounded half up from them, they must be these and no others.
//
// Observed on OpenJDK 17.0.15; changed in 19 (JDK-4511638).
#pragma once

#include "inky_margin/number/digits.hpp"

namespace inky::inline v1::java_language {

// What the digits are for.
enum class Purpose : std::uint8_t {
  format,  // Formatter
  plain,   // Double.toString and Float.toString
};

// REQUIRES: binary32 or binary64, and a finite value.
void java_digits(const BinaryFormat& format, const BinaryReal& value, Purpose purpose, Digits& out);

}  // namespace inky::inline v1::java_language
