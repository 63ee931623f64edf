// Wishes as directives of a control string, and directives as wishes.
#pragma once

#include "control.hpp"

namespace inky::inline v1::lisp {

WrittenField write_directive(const FieldWish& wish);

// What a directive asks of a value of this type; false where it is FORMAT's own, which no wish
// states.
bool read_directive(const Directive& directive, Type type, Spec& out);

}  // namespace inky::inline v1::lisp
