// decimal.Decimal: its format specification, which is not that of other numbers.
//
//   [[fill]align][sign][z][0][width][,][.precision][type]
//
// Defined by the Python 3.11 library reference, decimal.Decimal.__format__; what that leaves open
// is as the module of CPython 3.11 does it. Digits are those of the decimal, rounded as the
// context has it, and its zeros stay.
#pragma once

#include <cstdint>
#include <string_view>

#include "inky_margin/number/rounding.hpp"
#include "spec.hpp"

namespace inky::inline v1::python {

// What getcontext() says: how many digits results have, and how they are rounded.
struct DecimalContext {
  std::int64_t digits = 28;
  Rounding rounding = Rounding::half_even;
};
// What a program sets it by, under names that no variable has.
inline constexpr std::string_view context_digits = "prec of the context";
inline constexpr std::string_view context_rounding = "rounding of the context";
// The context of a program: what it was set to, or the usual one.
// Null: it was not set.
DecimalContext decimal_context(const Value* digits, const Value* rounding);

// Appends format(value, text). REQUIRES: a decimal. A precision or a width beyond the limit is
// refused as such.
Trouble format_decimal(std::string_view text, const Value& value, WidthUnit unit, Rounding rounding,
                       Output& out);

// What str() and repr() make of a decimal.
std::string decimal_text(const Value& value, bool as_repr);

}  // namespace inky::inline v1::python
