// Numbers as text, and text as numbers.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/number/binary_format.hpp"

namespace inky::inline v1::javascript {

BinaryReal real_of(double number);

// Number::toString, in base 10.
void append_number(double number, std::string& out);
std::string number_text(double number);

// V8's DoubleToRadixCString: digits until they distinguish the number from its neighbour,
// and zeros for whole digits beyond 53 bits.
std::string radix_text(double number, int radix);

// ECMA-262, 7.1.4.1: NaN where the text is no number.
double read_number(std::string_view text);

// Without blanks at its ends.
std::string_view trimmed(std::string_view text);

}  // namespace inky::inline v1::javascript
