// One call from a template and its values to text.
//
//   Result<std::string> text = format("c", "%-6s|%8.2f", "K-07", 2.675);
//   text.value()                                    // "K-07  |    2.67"
//   format("c", "%d", "ink").error().message        // why C gives this no meaning
//
// It reads the template every time. Dialect::parse and Dialect::render read it once and render
// it often.
#pragma once

#include <span>
#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

// An error where there is no such dialect (unknown_dialect), where the template cannot be read, or
// where it prints nothing (template_fails): its span is in the template, its message begins with
// the language's own name for the failure where there is one.
Result<std::string> format_values(std::string_view dialect, std::string_view source,
                                  std::span<const Value> values);

template <typename... Values>
Result<std::string> format(std::string_view dialect, std::string_view source,
                           const Values&... values) {
  if constexpr (sizeof...(values) == 0) {
    return format_values(dialect, source, {});
  } else {
    const Value list[] = {Value(values)...};
    return format_values(dialect, source, list);
  }
}

}  // namespace inky::inline v1
