// The dialects there are; each is defined in the file of its name.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

const Dialect* c_dialect();
const Dialect* cpp_format_dialect();
const Dialect* cpp_stream_dialect();
const Dialect* csharp_dialect();
const Dialect* fsharp_dialect();
const Dialect* java_dialect();
const Dialect* java_pattern_dialect();
const Dialect* javascript_dialect();
const Dialect* lisp_dialect();
const Dialect* octave_dialect();
const Dialect* octave_display_dialect();
const Dialect* php_dialect();
const Dialect* python_dialect();
const Dialect* python_percent_dialect();
const Dialect* r_dialect();
const Dialect* r_format_dialect();
const Dialect* rust_dialect();

}  // namespace inky::inline v1
