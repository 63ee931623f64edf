// What a cargo calls its values, and what it is first printed with.
#pragma once

#include <string>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// An unremarkable value of a type.
const Value& sample_of(Type type);
// What a field of such a value is written as: a decimal as a real.
constexpr Type written_as(Type type) {
  return type == Type::decimal ? Type::f64 : type;
}
// The name of a value that has none: v1.
std::string default_name(int index);

}  // namespace inky::inline v1
