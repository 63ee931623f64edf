// Statements that set the locale of those behind them: setlocale(LC_ALL, "de_DE.UTF-8").
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "dialect/expression_form.hpp"

namespace inky::inline v1 {

// The expression that names the locale; nothing where the statement sets none.
std::optional<std::string> locale_set_by(const ExpressionForm& form, std::string_view statement);

}  // namespace inky::inline v1
