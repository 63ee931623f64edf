// The dialects of Python.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* python_dialect();
const Dialect* python_percent_dialect();

}  // namespace inky::inline v1
