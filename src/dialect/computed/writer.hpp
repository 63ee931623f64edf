// Writes an expression back from its tree, so that nothing in it can leave its place.
#pragma once

#include <string>

#include "dialect/program_form.hpp"
#include "grammar.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::computed {

// How texts are written: as literals of their own, or inside of a literal, where quotes and
// backslashes have to stay out.
enum class TextStyle : std::uint8_t { literals, inside_text };

// Appends the expression. False where a value in it cannot be written. `form` writes its values.
bool write(const Node& node, const Grammar& grammar, const ProgramForm& form, WrittenCall& out,
           TextStyle texts = TextStyle::literals);

}  // namespace inky::inline v1::computed
