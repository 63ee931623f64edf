#include "dialect/statement_locales.hpp"

#include "dialect/statement_lines.hpp"

namespace inky::inline v1 {

namespace {

// How much of `text`, from its start, is `wanted`, whatever blanks are in it; nothing where it is not.
std::optional<std::size_t> begins_with(std::string_view text, std::string_view wanted) {
  std::size_t at = 0;
  for (const char c : wanted) {
    if (c == ' ') continue;
    while (at < text.size() && text[at] == ' ') ++at;
    if (at == text.size() || text[at] != c) return std::nullopt;
    ++at;
  }
  return at;
}

}  // namespace

std::optional<StatementStep> locale_step_of(const ExpressionForm& form,
                                            std::string_view statement) {
  for (const LocaleStatementFact& fact : form.locale_statements) {
    const auto from = begins_with(statement, fact.before);
    if (!from || !statement.ends_with(fact.behind)) continue;
    std::string_view inner = statement.substr(*from);
    if (inner.size() < fact.behind.size()) continue;
    inner.remove_suffix(fact.behind.size());
    StatementStep step;
    step.kind = StatementStep::Kind::locale;
    step.expression = trimmed(inner);
    step.name = fact.dialect;
    step.prints = fact.prints;
    return step;
  }
  return std::nullopt;
}

}  // namespace inky::inline v1
