// What a cargo calls its values, and what it is first printed with.
#pragma once

#include <string>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// An unremarkable value of a type.
const Value& sample_of(Type type);
// The name of a value that has none: v1.
std::string default_name(int index);

}  // namespace inky::inline v1
