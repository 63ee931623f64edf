// The dialects of C++.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* cpp_format_dialect();
const Dialect* cpp_stream_dialect();

}  // namespace inky::inline v1
