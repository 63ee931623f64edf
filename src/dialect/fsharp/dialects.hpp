// The dialects of F#.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* fsharp_dialect();

}  // namespace inky::inline v1
