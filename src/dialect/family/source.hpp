// Templates as source, in any family.
#pragma once

#include <optional>
#include <span>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/template.hpp"

namespace inky::inline v1 {

// What no dialect reads: a source that is too long, not UTF-8, or no content of a literal.
std::optional<Error> check_source(const DialectFacts& facts, std::string_view source);

// What comes of a template that is refused as a whole.
Outcome outcome_of(const Refusal& refusal);

// Why no program can be written of a template that is not read whole.
Error not_read(const TemplateContent& parsed);

// Refuses a source that is a literal with one of these prefixes, quote included: $"...". `what` is
// not supported yet. Whether it did.
bool refuse_prefixed(std::span<const std::string_view> prefixes, std::string_view what,
                     std::string_view remedy, TemplateContent& out);

// A note where both ends of the source are the same one of the language's quotes.
void note_quotes(const DialectFacts& facts, TemplateContent& parsed);

}  // namespace inky::inline v1
