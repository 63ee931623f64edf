#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::python_percent {

extern const DialectFacts facts;

}  // namespace inky::inline v1::python_percent
