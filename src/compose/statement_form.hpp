// Statements of a language with a value in them, made from a form, and what they print.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

// The form with a text in the place of each @ that the mark follows.
std::string with_filled(std::string_view form, char mark, std::string_view text);

struct WrittenStatements {
  std::string statements;  // print the value, without a line end behind
  std::string text;        // what they print of it
};

// Statements about a value of this name, with what they print of it. Errors: as parse_statement(),
// and not_supported_yet where they print nothing of it.
Result<WrittenStatements> with_text(const Dialect& dialect, std::string statements,
                                    const Value& value, std::string_view name);

Error language_cannot(const Dialect& dialect, std::string_view what, std::string remedy);

}  // namespace inky::inline v1
