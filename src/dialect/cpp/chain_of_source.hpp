// A chain of insertions as it stands in a source file, with what a reader of one file cannot know
// made a value of its own.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"

namespace inky::inline v1::cpp_stream {

// Each operand that is no literal, no name and no manipulator becomes a name that nobody declares,
// with blanks behind it, so that every other byte stays in its place: an operator, a literal with a
// suffix and a template may be the program's own.
//
//   chain_of_source("cout << j[\"lot\"_key] << setw(w + 1) << 'K'")
//                // "cout << v_          << setw(v_   ) << 'K'"
//
// `replaced`: the stretches that are not as they stand there, in order.
std::string chain_of_source(std::string_view chain, std::vector<Span>& replaced);

}  // namespace inky::inline v1::cpp_stream
