// Whole calls of JavaScript: console.log(...) and its like.
#pragma once

#include "dialect/expression_form.hpp"

namespace inky::inline v1::javascript {

extern const ExpressionForm expression_form;

}  // namespace inky::inline v1::javascript
