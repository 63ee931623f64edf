// The dialects of The POSIX shell.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* shell_dialect();

}  // namespace inky::inline v1
