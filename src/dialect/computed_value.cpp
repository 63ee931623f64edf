// An expression alone, as a value.

#include "dialect/language_facts.hpp"
#include "dialect/statement.hpp"
#include "family/named_values.hpp"
#include "inky_margin/dialect/statement.hpp"

namespace inky::inline v1 {

namespace {

using computed::Node;
using computed::Trouble;

struct ByName final : computed::Scope {
  explicit ByName(std::span<const Value> given) : values(given) {}
  const Value* find(std::string_view name) const override {
    for (const Value& value : values) {
      if (value.name() == name) return &value;
    }
    return nullptr;
  }
  std::span<const Value> values;
};

constexpr const char* give_result = "Give its result.";

Error error_of(const Trouble& trouble) {
  switch (trouble.when) {
    case Trouble::When::not_supported_yet:
      return {Code::not_supported_yet, trouble.why, trouble.span, give_result};
    case Trouble::When::over_limit:
      return {Code::over_limit, trouble.why, trouble.span, give_result};
    case Trouble::When::undefined:
      return {Code::bad_value, "the expression is undefined: " + trouble.why, trouble.span,
              give_result};
    default:
      break;
  }
  return {Code::bad_value, "the expression fails with " + trouble.as + ": " + trouble.why,
          trouble.span, "Correct it."};
}

Result<Value> compute_by_reader(const ExpressionForm& form, std::string_view expression,
                                const computed::Scope& scope) {
  TemplateContent content;
  content.source = expression;
  const auto reader = form.reader(content, 0);
  Node node;
  if (!reader->read(node)) {
    const Refusal& refusal = *reader->refusal();
    const bool later = refusal.when == Refusal::When::not_supported_yet;
    return Error{later ? Code::not_supported_yet : Code::bad_value, refusal.why, refusal.span,
                 later ? give_result : "Correct it."};
  }
  const std::size_t end =
      std::min(expression.find_first_not_of(" \t\r\n", reader->at()), expression.size());
  if (end < expression.size())
    return Error{Code::not_supported_yet,
                 "what follows here in an expression is not supported yet",
                 {end, expression.size()},
                 give_result};
  const auto evaluator = form.evaluator(scope);
  Value out;
  if (!evaluator->evaluate(node, out)) return error_of(*evaluator->trouble());
  return out;
}

}  // namespace

Result<Value> compute_declared(const Dialect& asked, std::string_view source,
                               std::span<const Value> values) {
  const ExpressionForm* form = language_facts_of(asked)->expressions;
  if (form->compute_declared == nullptr) return compute(asked, source, values);
  const ByName scope(values);
  Value out;
  Trouble trouble;
  if (!form->compute_declared(source, scope, out, trouble)) return error_of(trouble);
  return out;
}

Result<Value> compute(const Dialect& asked, std::string_view expression,
                      std::span<const Value> values) {
  const LanguageFacts* language = language_facts_of(asked);
  const ExpressionForm* form = language == nullptr ? nullptr : language->expressions;
  const ByName scope(values);
  if (expression.size() > most_template)
    return Error{Code::over_limit,
                 "an expression of " + std::to_string(expression.size()) +
                     " bytes is over the limit of " + std::to_string(most_template),
                 {most_template, expression.size()},
                 "Make it shorter."};
  if (form != nullptr && form->reader != nullptr)
    return compute_by_reader(*form, expression, scope);
  if (form != nullptr && form->compute != nullptr) {
    Value out;
    Trouble trouble;
    if (!form->compute(expression, scope, out, trouble)) return error_of(trouble);
    return out;
  }
  return Error{Code::not_supported_yet,
               "expressions of " + std::string(asked.facts().language) + " are not supported yet",
               {0, expression.size()},
               give_result};
}

}  // namespace inky::inline v1
