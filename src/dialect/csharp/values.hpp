// Values, as .NET has them.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/spec.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::csharp {

bool is_known(const Value& value);
std::string list_name(const Value& value);
std::string type_name(const Value& value);

}  // namespace inky::inline v1::csharp
