// The words of a command of a shell, and what they stand for: POSIX.1-2017, XCU, 2.2 and 2.6.
#pragma once

#include <string>
#include <string_view>

#include "../computed/evaluator.hpp"
#include "dialect/expression_form.hpp"

namespace inky::inline v1::shell {

// How whole commands are read: printf and echo.
extern const ExpressionForm expression_form;

// What %b makes of a text, and echo: its escapes read. `ends`: \c ends all that is printed.
struct EscapedText {
  std::string bytes;
  bool ends = false;
};
EscapedText read_escaped(std::string_view text);

// An argument in a program: "$name", a text in double quotes, a number, or "$((a + 1))".
std::string written_argument(const std::string& source);

}  // namespace inky::inline v1::shell
