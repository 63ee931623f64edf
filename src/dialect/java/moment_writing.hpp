// Wishes of moments as fields of Java's Formatter, and such fields as wishes.
#pragma once

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::java_language {

// %tY-%<tm-%<td
WrittenField write_moment(const FieldWish& wish);
// What a field of a moment asks; nothing, and a note, where a wish cannot say it.
std::optional<Spec> moment_wish(const Field& field, std::string_view source, Notes& notes);

}  // namespace inky::inline v1::java_language
