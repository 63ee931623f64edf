// An amount of money, by the facility that a language has for it.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

struct WrittenMoney {
  std::string statements;  // print it, without a line end behind
  std::string text;        // what they print of the value
};

// Errors: not_supported_yet where the language has no such facility, none for this locale, or one
// that shows another currency there.
// REQUIRES: the wish has a currency and a locale.
Result<WrittenMoney> write_money(const Dialect& dialect, const Spec& wish, const Value& value,
                                 std::string_view name);

}  // namespace inky::inline v1
