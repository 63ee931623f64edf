#pragma once

#include "inky_margin/format/spec.hpp"
#include "inky_margin/number/digits.hpp"

namespace inky::inline v1::java_language {

// The digits to show; the compact notation is settled as fixed or scientific.
// Rounded half up on Java's own digits.
void round_java(Spec& spec, const BinaryReal& real, Digits& digits);

}  // namespace inky::inline v1::java_language
