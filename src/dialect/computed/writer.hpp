// Writes an expression back from its tree, so that nothing in it can leave its place.
#pragma once

#include <span>
#include <string>

#include "dialect/program_form.hpp"
#include "grammar.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::computed {

// How texts are written: as literals of their own, or inside of a literal, where quotes and
// backslashes have to stay out.
enum class TextStyle : std::uint8_t { literals, inside_text };

// What an expression is written with.
struct Writing {
  const Grammar& grammar;
  const ProgramForm& form;             // of its values
  std::span<const std::string> names;  // of the values that the program declares
};

// Appends the expression. False where a value in it cannot be written, or where a call in it may do
// more than compute: a method of a value is known by its name alone, so what it is called on has to
// be made from values of the program.
bool write(const Node& node, const Writing& writing, WrittenCall& out,
           TextStyle texts = TextStyle::literals);

}  // namespace inky::inline v1::computed
