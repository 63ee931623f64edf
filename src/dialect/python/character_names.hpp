// The characters that Python's \N{...} names.
#pragma once

#include <optional>
#include <string_view>

namespace inky::inline v1::python {

// As unicodedata of Python 3.11.2 has it, Unicode 14.0, with aliases. Letters count alike in both
// cases, but not in names that are made by rule: of ideographs, and of syllables of Hangul. Nothing
// where no character has the name.
std::optional<char32_t> character_named(std::string_view name);

}  // namespace inky::inline v1::python
