// Escapes of languages whose text is UTF-16: "\u03a9" is a unit, and two may make a character.
#pragma once

#include <cstddef>

#include "inky_margin/format/template.hpp"

namespace inky::inline v1 {

// Reads an escape of a surrogate at `at` (a backslash) and the one after it: appends the character
// they make to the literals and returns the length of both. Half of a pair is refused as "not
// supported yet". 0, and nothing done, for any other escape.
std::size_t read_surrogates(std::size_t at, TemplateContent& out);

}  // namespace inky::inline v1
