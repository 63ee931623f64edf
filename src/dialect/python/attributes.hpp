// The attributes of values.
#pragma once

#include <optional>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::python {

// Names that stand for something, which has no text of its own worth showing: most are methods,
// printed with an address.
bool has_attribute(const Value& value, std::string_view name);

// The attributes that hold values.
std::optional<Value> attribute_of(const Value& value, std::string_view name);

}  // namespace inky::inline v1::python
