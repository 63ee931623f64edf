// The dialects of Rust.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* rust_dialect();

}  // namespace inky::inline v1
