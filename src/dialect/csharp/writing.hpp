// Wishes as items of a composite format, and formats of numbers as wishes.
#pragma once

#include "inky_margin/dialect/dialect.hpp"
#include "numbers.hpp"

namespace inky::inline v1::csharp {

WrittenField write_item(const FieldWish& wish);

// The custom format of a wish for a moment; nothing, and a note, where there is none.
std::optional<std::string> write_time_format(const FieldWish& wish, Notes& notes);
// The parts of a moment that a format shows; nothing where it is no pattern of them.
std::optional<TimePattern> read_time_format(std::string_view format);

// What a format asks of a number of this type; false where a wish cannot say it.
bool read_format(const NumberFormat& number, std::string_view format, Type type, Spec& out);

}  // namespace inky::inline v1::csharp
