// decimal.Decimal: its format specification, which is not that of other numbers.
//
//   [[fill]align][sign][z][0][width][,][.precision][type]
//
// Defined by the Python 3.11 library reference, decimal.Decimal.__format__; what that leaves open
// is as the module of CPython 3.11 does it. Digits are those of the decimal, rounded half to even
// as the usual context has it, and its zeros stay.
#pragma once

#include <string_view>

#include "spec.hpp"

namespace inky::inline v1::python {

// Appends format(value, text). REQUIRES: a decimal. A precision or a width beyond the limit is
// refused as such.
Trouble format_decimal(std::string_view text, const Value& value, WidthUnit unit, Output& out);

// What str() and repr() make of a decimal.
std::string decimal_text(const Value& value, bool as_repr);

}  // namespace inky::inline v1::python
