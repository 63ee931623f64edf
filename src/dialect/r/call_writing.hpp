// Wishes as calls of formatC, and calls of formatC as wishes.
#pragma once

#include <optional>

#include "call.hpp"

namespace inky::inline v1::r_language {

// A call of formatC, which hands the number to the C library.
WrittenField written_call(const FieldWish& wish);

// What a call of formatC asks, whose arguments are all written out.
std::optional<Spec> wish_of_call(const Call& call, Type type, Notes& notes);

}  // namespace inky::inline v1::r_language
