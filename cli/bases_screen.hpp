// A whole number in several bases, and as the literals of programming languages.
#pragma once

#include <optional>

#include "inky_margin/number/binary_format.hpp"
#include "screen.hpp"

namespace inky::cli {

// In base 2, 8, 10, 16 and the one asked for. Nothing from 2^64 on: it would not fit a line.
void put_bases(Screen& screen, std::optional<uint128> magnitude, bool negative, int asked);

}  // namespace inky::cli
