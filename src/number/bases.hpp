// A whole number in the bases that programs are written in.
//
//   in_bases(213)    // {{2, "11010101"}, {8, "325"}, {16, "d5"}}
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/wide.hpp"

namespace inky::inline v1 {

struct BaseDigits {
  int base;
  std::string digits;
};
// In base 2, 8 and 16, lower letters.
std::vector<BaseDigits> in_bases(uint128 magnitude);
// In one base. REQUIRES: from 2 to 36.
BaseDigits in_base(uint128 magnitude, int base);

// Digits in groups of four, of three in base 8 and 10, from the right: "1101 0101".
std::string in_groups(const BaseDigits& of);

// The magnitude of a real that is a whole number below 2^64.
std::optional<uint128> whole_magnitude(const BinaryReal& real);

}  // namespace inky::inline v1
