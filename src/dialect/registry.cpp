#include <array>

#include "dialects.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky {

// One line a dialect.
std::span<const Dialect* const> all_dialects() {
  static const std::array dialects = {
      c_dialect(),
  };
  return dialects;
}

const Dialect* find_dialect(std::string_view id) {
  for (const Dialect* dialect : all_dialects()) {
    if (dialect->facts().id == id) return dialect;
  }
  return nullptr;
}

}  // namespace inky
