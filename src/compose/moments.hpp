// A moment, by the facility that a language has for it.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"
#include "statement_form.hpp"

namespace inky::inline v1 {

// Whether the language has such a facility.
bool shows_moments(const Dialect& dialect);

// Errors: not_supported_yet where the language has no such facility, or no letters for a part.
// REQUIRES: the wish is for a moment.
Result<WrittenStatements> write_moment(const Dialect& dialect, const Spec& wish, const Value& value,
                                       std::string_view name);

}  // namespace inky::inline v1
