// The dialects of Lisp.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* lisp_dialect();

}  // namespace inky::inline v1
