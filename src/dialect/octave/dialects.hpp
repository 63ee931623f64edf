// The dialects of Octave.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* octave_dialect();
const Dialect* octave_display_dialect();

}  // namespace inky::inline v1
