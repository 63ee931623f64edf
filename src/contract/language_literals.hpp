// A whole number as the literals of programming languages.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/number/binary_format.hpp"

namespace inky::inline v1 {

// The languages that write their literals alike, by their ids, and the literals; empty where they
// have none in that base. Without a sign.
struct WrittenAlike {
  std::vector<std::string_view> languages;
  std::string binary;
  std::string octal;
  std::string hexadecimal;
};
std::vector<WrittenAlike> literals_of(uint128 magnitude);

}  // namespace inky::inline v1
