// The dialects of R.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* r_dialect();
const Dialect* r_format_dialect();

}  // namespace inky::inline v1
