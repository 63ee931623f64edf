// What is in front of digits to show their base.
#pragma once

#include <string_view>

#include "inky_margin/format/spec.hpp"

namespace inky::inline v1 {

// 0x, 0o or 0b where it is wished; empty where it is not, or for another base.
constexpr std::string_view base_prefix(const Spec& wish) {
  if (!wish.prefix) return {};
  return wish.base == 16 ? "0x" : wish.base == 8 ? "0o" : wish.base == 2 ? "0b" : "";
}

}  // namespace inky::inline v1
