// An amount of money, by the facility that a language has for it.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"
#include "statement_form.hpp"

namespace inky::inline v1 {

// Errors: not_supported_yet where the language has no such facility, none for this locale, or one
// that shows another currency there.
// REQUIRES: the wish has a currency and a locale.
Result<WrittenStatements> write_money(const Dialect& dialect, const Spec& wish, const Value& value,
                                      std::string_view name);

}  // namespace inky::inline v1
