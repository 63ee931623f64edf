// The dialect that is meant where none is named.
#pragma once

#include <string_view>

namespace inky::inline v1 {

inline constexpr std::string_view usual_dialect = "c";

}  // namespace inky::inline v1
