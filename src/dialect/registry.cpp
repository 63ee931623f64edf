#include <array>

#include "dialects.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

// One line a dialect.
std::span<const Dialect* const> all_dialects() {
  static const std::array dialects = {
      c_dialect(),
      cpp_format_dialect(),
      cpp_stream_dialect(),
      csharp_dialect(),
      fsharp_dialect(),
      java_dialect(),
      java_pattern_dialect(),
      javascript_dialect(),
      lisp_dialect(),
      octave_dialect(),
      octave_display_dialect(),
      php_dialect(),
      python_dialect(),
      python_percent_dialect(),
      r_dialect(),
      r_format_dialect(),
      rust_dialect(),
  };
  return dialects;
}

const Dialect* find_dialect(std::string_view id) {
  for (const Dialect* dialect : all_dialects()) {
    if (dialect->facts().id == id) return dialect;
  }
  return nullptr;
}

}  // namespace inky::inline v1
