// Numbers as R reads and rounds them, where that is not the nearest.
#pragma once

#include <optional>
#include <string_view>

namespace inky::inline v1::r_language {

// The number that a text or a literal is; nothing where it is none, or beyond what is known here.
std::optional<double> number_in(std::string_view text);

// round(x, digits).
double rounded(double x, int digits);

// signif(x, digits); nothing where its powers of ten are not exact.
std::optional<double> with_digits(double x, int digits);

}  // namespace inky::inline v1::r_language
