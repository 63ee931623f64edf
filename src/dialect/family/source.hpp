// Templates as source, in any family.
#pragma once

#include <optional>
#include <string_view>

#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/template.hpp"

namespace inky {

// What no dialect reads: a source that is too long, or not UTF-8.
std::optional<Error> check_source(std::string_view source);

// What comes of a template that is refused as a whole.
Outcome outcome_of(const Refusal& refusal);

// A note where both ends of the source are the same one of `quotes`.
void note_quotes(std::string_view quotes, Template& parsed);

}  // namespace inky
