// Upper case, without a locale.
//
//   upper_case("Zinkweiß")      // "ZINKWEISS": it may grow
//
// Source: the Unicode Standard, 3.13, toUppercase, with the data of the utf8proc library and of
// SpecialCasing.txt. Greek, Lithuanian, Turkish and Azeri have further rules, which are not here.
#pragma once

#include <string>
#include <string_view>

namespace inky::inline v1 {

// REQUIRES: UTF-8.
std::string upper_case(std::string_view text);

}  // namespace inky::inline v1
