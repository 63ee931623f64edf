// Lines and columns of a text.
#pragma once

#include <cstddef>
#include <string_view>

namespace inky::inline v1 {

// The byte at a line and a column, both from 1; a column is a code point. The end of the text where
// there is no such place.
std::size_t offset_of(std::string_view text, std::size_t line, std::size_t column);

}  // namespace inky::inline v1
