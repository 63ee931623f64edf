// Wishes as slots of a template literal, and the expressions of slots as wishes.
#pragma once

#include "expression.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::javascript {

WrittenField write_slot(const FieldWish& wish);

// What an expression asks of a value of this type: a chain of methods on one name. False where it
// is anything else.
bool read_slot(const Node& expression, Type type, Spec& out);

}  // namespace inky::inline v1::javascript
