// Lower case, without a locale.
//
//   lower_case("ÉTUDE")       // "étude"
//   lower_case("ΟΔΟΣ")        // "οδος": a sigma at the end of a word
//
// Source: the Unicode Standard, 3.13, toLowercase, with the data of the utf8proc library and the
// unconditional mapping and Final_Sigma of SpecialCasing.txt. What is cased is decided by general
// category alone.
#pragma once

#include <string>
#include <string_view>

namespace inky::inline v1 {

// REQUIRES: UTF-8.
std::string lower_case(std::string_view text);

}  // namespace inky::inline v1
