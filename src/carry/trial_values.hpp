// The values that a verdict is earned on, beside those of every type.
#pragma once

#include "inky_margin/carry/carry.hpp"

namespace inky::inline v1 {

// Half-way between two results of a real's field, or just beside: where roundings part.
std::vector<Value> values_at_ties(const Spec& spec, Type type);

// New year, leap days, noon and midnight, the first and the last year, each with an offset from UTC.
std::span<const Value> moments_with_offsets();

}  // namespace inky::inline v1
