// The dialects of PHP.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* php_dialect();

}  // namespace inky::inline v1
