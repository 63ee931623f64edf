// The dialects of C.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* c_dialect();
const Dialect* strftime_dialect();

}  // namespace inky::inline v1
