// The dialects of JavaScript.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* javascript_dialect();

}  // namespace inky::inline v1
