// The values that a verdict is earned on, beside those of every type.
#pragma once

#include "inky_margin/carry/carry.hpp"

namespace inky::inline v1 {

// Half-way between two results of a real's field, or just beside: where roundings part.
std::vector<Value> values_at_ties(const Spec& spec, Type type);

}  // namespace inky::inline v1
