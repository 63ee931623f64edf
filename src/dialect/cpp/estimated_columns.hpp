// Text by estimated columns, as std::format counts them: ISO C++20, [format.string.std]/13.
#pragma once

#include <string_view>

#include "inky_margin/text/columns.hpp"

namespace inky::inline v1::cpp_format {

// The longest beginning of at most `limit` columns (unset: all of it), and how many it takes.
std::string_view estimated_cut(std::string_view text, int limit, int& columns);

}  // namespace inky::inline v1::cpp_format
