// Statements that set the locale of those behind them: setlocale(LC_ALL, "de_DE.UTF-8").
#pragma once

#include <optional>
#include <string_view>

#include "dialect/statement.hpp"

namespace inky::inline v1 {

// The step that the statement is, whose expression names the locale; nothing where it sets none.
std::optional<StatementStep> locale_step_of(const ExpressionForm& form, std::string_view statement);

}  // namespace inky::inline v1
