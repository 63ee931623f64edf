// The types a number is stored in: wholes of a stated width, wholes of any size, binary reals.
//
//   number_type_named("u8")->width                        // 8
//   number_type_named("f32")->format == &binary32         // true
//   store_whole(*read_whole("300"), *number_type_named("u8"))
//   // fits: no; wrapped: "44"; saturated: "255"
#pragma once

#include <span>
#include <string>
#include <string_view>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/whole.hpp"

namespace inky {

struct NumberType {
  std::string_view name;
  int width;                   // bits of a whole type; 0: of any size, or a real
  bool is_signed;              // of a whole type
  const BinaryFormat* format;  // of a real type; null for the others

  bool is_real() const { return format != nullptr; }
  bool is_unbounded() const { return format == nullptr && width == 0; }
};

// i8 to i128, u8 to u128, big, f16, bf16, f32, f64, f80, f128.
std::span<const NumberType> number_types();
// Null when there is none of this name.
const NumberType* number_type_named(std::string_view name);

// The ends of a whole type's range, in decimal. REQUIRES: a whole type of a width.
std::string lowest_whole(const NumberType& type);
std::string highest_whole(const NumberType& type);

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

}  // namespace inky
