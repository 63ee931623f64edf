// A source as one statement or several.

#include <string>

#include "dialect/language_facts.hpp"
#include "dialect/statement_blocks.hpp"
#include "dialect/statement_chains.hpp"
#include "dialect/statement_counts.hpp"
#include "dialect/statement_lines.hpp"
#include "dialect/statement_names.hpp"
#include "inky_margin/dialect/statement.hpp"

namespace inky::inline v1 {

namespace {

Error no_statements(const Dialect& asked, std::size_t size) {
  return {Code::not_supported_yet,
          "whole calls of " + std::string(asked.facts().language) + " are not supported yet",
          {0, size},
          "Paste the template alone, and give its values."};
}

}  // namespace

Result<Template> parse_statement(const Dialect& asked, std::string_view source) {
  const LanguageFacts* language = language_facts_of(asked);
  if (source.size() > most_template)
    return Error{Code::over_limit,
                 "a statement of " + std::to_string(source.size()) +
                     " bytes is over the limit of " + std::to_string(most_template),
                 {most_template, source.size()},
                 "Make it shorter."};
  if (language == nullptr || language->expressions == nullptr)
    return no_statements(asked, source.size());
  const std::vector<Span> statements = statements_of(*language, source);
  const auto is_chain = [&](Span span) {
    return chain_dialect(*language, source.substr(span.from, span.to - span.from)) != nullptr;
  };
  if (statements.size() > 1 ||
      (statements.size() == 1 &&
       (control_of(*language, source, statements[0]) || is_chain(statements[0]) ||
        counts_in(*language, source.substr(statements[0].from)))))
    return read_statements(*language, source, statements);
  return read_statement(*language, source, statements.empty() ? 0 : statements[0].from, true);
}

}  // namespace inky::inline v1
