// An exact number for people: shortened to six digits.
#pragma once

#include <string>
#include <string_view>

namespace inky::cli {

// An exact number, as the number floor tells it, to six digits for people: "1.77636e-16". The
// second leaves out its sign.
std::string brief(std::string_view exact);
std::string brief_size(std::string_view exact);

}  // namespace inky::cli
