// The names of types, and what was meant to be one.
#pragma once

#include <string_view>
#include <vector>

namespace inky::inline v1 {

// All of them, in the order of the types.
std::vector<std::string_view> type_names();

// Whether a text was surely meant as a type: a letter or two, then digits, as in i46.
bool looks_like_type(std::string_view text);

}  // namespace inky::inline v1
