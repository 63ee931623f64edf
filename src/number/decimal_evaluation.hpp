// Expressions evaluated in decimals. Every literal and every step is rounded to the digits of the
// type, and the answer tells what was lost. The language is that of evaluate(), without types, sqrt and ulp.
//
//   evaluate_decimals("19.99 * 3 + 0.07", {}, decimal_types[0]).evaluation->result.text   // "60.04"
#pragma once

#include "inky_margin/number/evaluation.hpp"

namespace inky::inline v1 {

// `decimal`: a whole number of 96 bits and up to 28 places, as .NET has it. `decimal128`: 34
// digits, ties to the even one (IEEE 754-2019, 3.5), without its limits of the exponent.
inline constexpr NumberType decimal_types[] = {{"decimal", 0, true, nullptr},
                                               {"decimal128", 0, true, nullptr}};
// Null for an unknown name.
const NumberType* decimal_type_named(std::string_view name);
inline bool is_decimal(const NumberType& type) {
  return &type == &decimal_types[0] || &type == &decimal_types[1];
}

// REQUIRES: one of decimal_types. Of the options, the names count.
EvaluationAnswer evaluate_decimals(std::string_view source, const EvaluationOptions& options,
                                   const NumberType& type);

}  // namespace inky::inline v1
