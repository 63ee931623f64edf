// Rounding to a multiple of a step: cash in coins of 0.05, lengths in quarters.
//
//   rounded_to_multiple(decimal("1.12"), decimal("0.05"), Rounding::half_even)   // 1.1
//   tail_at_multiple(decimal("1.125"), decimal("0.05"))     // half: 1.125 is 22.5 steps
#pragma once

#include "inky_margin/number/exact_decimal.hpp"

namespace inky::inline v1 {

// The most digits that a number may have; its point is no farther from the first of them.
inline constexpr int most_multiple_digits = 5'000;
bool can_be_multiple(const ExactDecimal& x);

// REQUIRES: can_be_multiple of both, and a step that is not zero; its sign does not matter.
ExactDecimal rounded_to_multiple(const ExactDecimal& value, const ExactDecimal& step,
                                 Rounding rounding);
// What lies beyond the multiple nearer zero, against half a step.
Tail tail_at_multiple(const ExactDecimal& value, const ExactDecimal& step);

}  // namespace inky::inline v1
