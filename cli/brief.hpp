// An exact number for people: shortened to six digits.
#pragma once

#include <string>
#include <string_view>

namespace inky::cli {

// An exact number, as the number floor shows it, to six digits for people: "1.77636e-16". The
// second leaves out its sign.
std::string brief(std::string_view exact);
std::string brief_size(std::string_view exact);

// Long expansions are broken into lines of this many bytes.
inline constexpr std::size_t line_size = 80;
// A text of more than `most` bytes is cut, and ends in "...".
std::string shortened(std::string text, std::size_t most = line_size);

}  // namespace inky::cli
