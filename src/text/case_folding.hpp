// Case folding, without a locale: texts that differ in case alone become the same.
//
//   folded_case("Zinkweiß")      // "zinkweiss": it may grow
//
// Source: the Unicode Standard, 3.13, toCasefold, with the data of the utf8proc library.
#pragma once

#include <string>
#include <string_view>

namespace inky::inline v1 {

// REQUIRES: UTF-8.
std::string folded_case(std::string_view text);

}  // namespace inky::inline v1
