// The dialects there are; each is defined in the file of its name.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky {

const Dialect* c_dialect();
const Dialect* python_percent_dialect();

}  // namespace inky
