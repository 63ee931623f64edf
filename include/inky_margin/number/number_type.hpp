// The types a number is stored in: wholes of a stated width, wholes of any size, binary reals.
//
//   number_type_named("u8")->width                        // 8
//   number_type_named("f32")->format == &binary32         // true
//   store_whole(*read_whole("300"), *number_type_named("u8"))
//   // fits: no; wrapped: "44"; saturated: "255"
#pragma once

#include <array>
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

inline constexpr auto number_types = std::to_array<NumberType>({
    {"i8", 8, true, nullptr},
    {"i16", 16, true, nullptr},
    {"i32", 32, true, nullptr},
    {"i64", 64, true, nullptr},
    {"i128", 128, true, nullptr},
    {"u8", 8, false, nullptr},
    {"u16", 16, false, nullptr},
    {"u32", 32, false, nullptr},
    {"u64", 64, false, nullptr},
    {"u128", 128, false, nullptr},
    {"big", 0, true, nullptr},
    {"f16", 0, true, &binary16},
    {"bf16", 0, true, &bfloat16},
    {"f32", 0, true, &binary32},
    {"f64", 0, true, &binary64},
    {"f80", 0, true, &extended80},
    {"f128", 0, true, &binary128},
});
// Null when there is none of this name.
const NumberType* number_type_named(std::string_view name);

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

}  // namespace inky
