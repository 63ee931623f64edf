// The last check of a table program before it is used: every word outside of its texts is known.
#pragma once

#include <string_view>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/sheet/sheet.hpp"

namespace inky::inline v1 {

// Whether the scanner of source files, which knows nothing of how the program was made, finds in it
// only words that the facts of its language have, and the names of the sheet's columns: whatever
// stood in headings and cells is inside of texts, or not there.
bool has_known_words_only(const Dialect& dialect, const Sheet& sheet, std::string_view source);

}  // namespace inky::inline v1
