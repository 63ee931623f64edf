// An expression of JavaScript as source, made from its tree and nothing else.
#pragma once

#include <string>

#include "expression.hpp"
#include "inky_margin/dialect/program_form.hpp"

namespace inky::javascript {

// Appends the expression; texts are written as `form` has them.
void append_source(const ProgramForm& form, const Node& node, std::string& out);

// Text as it stands between the backticks of a template literal.
std::string template_text(const ProgramForm& form, std::string_view text);

}  // namespace inky::javascript
