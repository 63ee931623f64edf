// The dialects of Java.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* java_dialect();
const Dialect* java_pattern_dialect();

}  // namespace inky::inline v1
