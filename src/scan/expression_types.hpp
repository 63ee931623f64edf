// The type of an expression of C as far as its source states it: C17, 6.3.1.8 and 6.5.
#pragma once

#include <span>
#include <string>

#include "arguments.hpp"

namespace inky::inline v1 {

// By the name that Lexis::types has; empty where it is not known.
std::string type_of_expression(const Lexis& lexis, std::span<const Item> items,
                               const Declarations& declared);

}  // namespace inky::inline v1
