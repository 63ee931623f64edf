// An expression of JavaScript as source, made from its tree and nothing else.
#pragma once

#include <span>
#include <string>

#include "expression.hpp"
#include "inky_margin/dialect/program_form.hpp"

namespace inky::javascript {

// Appends the expression; texts are written as `form` has them.
void append_source(const ProgramForm& form, const Node& node, std::string& out);

// What stands in the way of running the expression; null where nothing does. It may use the values
// of these names, and what is known here of the language: anything else may be a function that
// acts.
const Node* unknown_part(const Node& node, std::span<const std::string> names);

// Text as it stands between the backticks of a template literal.
std::string template_text(const ProgramForm& form, std::string_view text);

}  // namespace inky::javascript
