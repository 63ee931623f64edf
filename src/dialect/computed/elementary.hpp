// Functions of real numbers, for the languages that leave them to the C library: so do we. What it
// promises is to be near, so another library may differ in the last bit.
#pragma once

#include <optional>
#include <string_view>

namespace inky::inline v1::computed {

// sqrt, cbrt, exp, log, log2, log10, sin, cos, tan, atan and their like; nothing for another name.
std::optional<double> elementary(std::string_view function, double x);

double power(double x, double y);

}  // namespace inky::inline v1::computed
