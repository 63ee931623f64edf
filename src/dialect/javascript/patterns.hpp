// Regular expressions of JavaScript: ECMA-262, 22.2.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <string_view>

#include "text/regular_expression.hpp"

namespace inky::inline v1::javascript {

struct Pattern {
  RegularExpression expression;
  bool is_global = false;
  bool ignores_case = false;
  bool has_lines = false;
  bool is_plain = false;  // of ASCII alone
};

struct PatternFault {
  bool is_syntax = false;  // a SyntaxError; else it is not supported yet
  std::string why;
};

// Reads a pattern, and its flags.
std::optional<Pattern> read_pattern(std::string_view source, std::string_view flags,
                                    PatternFault& fault);

}  // namespace inky::inline v1::javascript
