// Values, as PHP has them.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/spec.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::php {

// A whole number beyond 64 bits is a float.
bool is_int(const Value& value);
BinaryReal float_of(const Value& value);
// Cut toward zero.
SignedNatural cut_of(const BinaryReal& real);
// A cast to int: a float wraps; a text that is too large stays at the end of the range.
std::int64_t int_of(const Value& value);
// The g of PHP, which a float turned into text takes as well: to N digits (unset: the
// shortest that read back), always with a decimal before an exponent.
void lay_out_compact(const Spec& given, const BinaryReal& real, Output& out);
std::string float_text(const BinaryReal& real);
std::string any_text(const Value& value);

}  // namespace inky::inline v1::php
