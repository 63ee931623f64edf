// What becomes of a whole number in a type of a width.
//
//   store_whole(*read_whole("300"), *number_type_named("u8"))
//   // fits: no; wrapped: "44"; saturated: "255"
#pragma once

#include <string>

#include "inky_margin/number/evaluation.hpp"

namespace inky::inline v1 {

// The ends of a whole type's range, in decimal. REQUIRES: a whole type of a width.
std::string lowest_whole(const NumberType& type);
std::string highest_whole(const NumberType& type);

// Whether the type holds the number. REQUIRES: a whole type of a width.
bool fits(const SignedNatural& value, const NumberType& type);

// What becomes of a whole number in a whole type of a width. Languages differ: some wrap it,
// keeping the low bits; some saturate, keeping the nearest number there is; some refuse.
struct StoredWhole {
  bool fits = false;
  uint128 bits = 0;       // of the wrapped number, in the low bits
  std::string wrapped;    // in decimal
  std::string saturated;  // in decimal
};
// REQUIRES: a whole type of a width.
StoredWhole store_whole(const SignedNatural& value, const NumberType& type);

// The bits of a whole type read as the type of the same width with the other signedness, in
// decimal.
std::string reinterpreted(uint128 bits, const NumberType& type);

}  // namespace inky::inline v1
