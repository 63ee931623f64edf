// String literals of Java: the Java Language Specification, 3.3 and 3.10.7.
#pragma once

#include <array>
#include <cstddef>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::java_language {

inline constexpr auto escape_facts = std::to_array<EscapeFact>({
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\'", "a single quote"},
    {"\\\\", "a backslash"},
    {"\\b", "a backspace"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\s", "a space"},
    {"\\101", "the character of this octal number, up to 377"},
    {"\\u03a9", "the UTF-16 unit of this hexadecimal number of four digits"},
});

// The escapes of a literal, after those of the facility itself.
template <std::size_t count>
constexpr auto with_escapes(const std::array<EscapeFact, count>& own) {
  std::array<EscapeFact, count + escape_facts.size()> out{};
  std::size_t at = 0;
  for (const EscapeFact& fact : own) out[at++] = fact;
  for (const EscapeFact& fact : escape_facts) out[at++] = fact;
  return out;
}

// Reads the escape at `at` (a backslash) of a literal: appends what it means to the literals
// and returns its length. What Java does not define is refused.
std::size_t read_escape(std::size_t at, TemplateContent& out);

}  // namespace inky::inline v1::java_language
