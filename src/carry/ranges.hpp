// The ranges of values that a verdict may be limited to.
#pragma once

#include <span>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

struct Range {
  std::string_view name;  // empty: all values
  bool (*holds)(const Value& value);
};

// Of a type, the widest first: that of all values.
std::span<const Range> ranges_of(Type type);

}  // namespace inky::inline v1
