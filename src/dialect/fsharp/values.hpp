// Values, as F# has them.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/spec.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::fsharp {

// The types of 128 bits and more are bigint, which takes no number letter.
bool is_integer(const Value& value);
bool is_single(const Value& value);
// A character beyond 16 bits is a string.
bool is_char(const Value& value);
bool is_string(const Value& value);
std::string_view type_name(const Value& value);
BinaryReal real_of(const Value& value);
// The shortest digits, fixed where the number has up to N before the point, as the type
// can distinguish, and not more than four zeros after it.
void lay_out_shortest(const Spec& given, const BinaryFormat& format, const BinaryReal& real,
                      Output& out);
// string, and %O but for null.
std::string to_string(const Value& value);
// %A.
std::string written(const Value& value);

}  // namespace inky::inline v1::fsharp
