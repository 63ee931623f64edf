// An expression of JavaScript as source, made from its tree and nothing else.
#pragma once

#include <span>
#include <string>

#include "dialect/program_form.hpp"
#include "expression.hpp"

namespace inky::inline v1::javascript {

// Appends the expression; texts are written as `form` has them.
void append_source(const ProgramForm& form, const Node& node, std::string& out);

// The first part that must not be run: a name that is neither of `names` nor the language's own, or
// a call that we do not know, which may do anything. Null: there is none.
const Node* unknown_part(const Node& node, std::span<const std::string> names);

// Text as it is between the backticks of a template literal.
std::string template_text(const ProgramForm& form, std::string_view text);

}  // namespace inky::inline v1::javascript
