// Writes an expression back from its tree, so that nothing in it can leave its place.
#pragma once

#include <string>

#include "dialect/program_form.hpp"
#include "grammar.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::computed {

// Appends the expression. False where a value in it cannot be written. `form` writes its values.
bool write(const Node& node, const Grammar& grammar, const ProgramForm& form, WrittenCall& out);

}  // namespace inky::inline v1::computed
