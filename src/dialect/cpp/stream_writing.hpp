// Chains as source.
#pragma once

#include <optional>
#include <span>

#include "chain.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::cpp_stream {

// Written insertion by insertion: settings only where they change.
WrittenTemplate write_chain(std::span<const TemplatePart> parts);

// A chain as source, made from what was read of it, for values of these names. Nothing where a
// value in it has no source.
std::optional<WrittenCall> print_chain(const TemplateContent& parsed,
                                       std::span<const std::string> names);

// What a chain asks of the value of an insertion. Nothing, and a note, where a wish cannot say it.
std::optional<Spec> wish_of_insertion(const Chain& chain, int field, Type type, Notes& notes);

}  // namespace inky::inline v1::cpp_stream
