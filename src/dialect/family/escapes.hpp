// Backslash escapes of string literals, by rules that each language states.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace inky::inline v1 {

struct EscapeRules {
  std::string_view simple;  // pairs: the letter, and what it means
  std::size_t most_octal_digits;
  std::size_t least_hexadecimal_digits;
  std::size_t most_hexadecimal_digits;
  bool bytes;  // octal and hexadecimal escapes are bytes, up to 255; or code points
};

// Reads the escape at `at` (a backslash): appends what it means to `out` and returns its
// length; 0, and nothing appended, for one that the language does not define.
std::size_t read_backslash(const EscapeRules& rules, std::string_view source, std::size_t at,
                           std::string& out);

}  // namespace inky::inline v1
