// A template as the content of a literal: what can stand there, and the same content written again.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

// A quote that would end the literal, where the language has one kind of quotes and they are not
// around the template as well.
std::optional<Error> check_quotes(const DialectFacts& facts, std::string_view source);

// The content of the literal, written again from what `source` means: characters that stand for
// themselves, and escapes. Nothing in it can end the literal, and nothing is filled in by the
// language. An error (bad_template, not_supported_yet) where that cannot be.
Result<std::string> rewritten(const DialectFacts& facts, std::string_view source);

}  // namespace inky::inline v1
