#pragma once

#include <string>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::csharp {

// ToString() of what takes no format. Inside others, numbers and moments are shown so too.
void append_shown(const Value& value, std::string& out);

}  // namespace inky::inline v1::csharp
