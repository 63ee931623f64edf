// How large a number is, for people, who miscount zeros.
//
//   magnitude_of(exact_decimal(*scan_decimal("13000000000000")))    // "13 trillion", "13 T"
//   of 0.000045                                                     // "45 millionths", "45 u"
//
// Words are those of the short scale (a billion is 10^9); prefixes those of the SI (BIPM, 9th
// edition with the additions of 2022), u standing for the micro sign.
#pragma once

#include <string>

#include "inky_margin/number/exact_decimal.hpp"

namespace inky::inline v1 {

struct Magnitude {
  bool about = false;    // three digits do not tell all of it
  std::string words;     // empty from 0.001 to below 1000, where digits say it best, and for zero
  std::string prefixed;  // empty there, and beyond the prefixes
};

Magnitude magnitude_of(const ExactDecimal& value);

}  // namespace inky::inline v1
