// Functions of Math that are no arithmetic, to the last bit as V8 11.3 has them: those of fdlibm.
// The C library's are near these, and differ in one of ten to one of a hundred results.
#pragma once

#include <optional>
#include <string_view>

namespace inky::inline v1::javascript {

// exp, log, log2, log10, cbrt, sin, cos, tan, atan, asin, acos, sinh, cosh, tanh, log1p, expm1.
// Nothing for another name, and for angles beyond what is computed here.
std::optional<double> elementary(std::string_view name, double x);

}  // namespace inky::inline v1::javascript
