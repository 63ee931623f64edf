// An expression alone, as a value.

#include "dialect/language_facts.hpp"
#include "dialect/statement.hpp"
#include "family/named_values.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "text/utf8.hpp"

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

// What came of an expression: its value, or why it has none. What the language itself does about it
// is a trouble; what cannot be read is an error alone.
struct Computed {
  Value value;
  std::optional<Error> error;
  std::optional<Trouble> trouble;
};

Computed failed(Error error) {
  return {{}, std::move(error), std::nullopt};
}
Computed failed(const Trouble& trouble) {
  return {{}, error_of(trouble), trouble};
}

Computed compute_by_reader(const ExpressionForm& form, std::string_view expression,
                           const computed::Scope& scope, bool is_declared) {
  TemplateContent content;
  content.source = expression;
  const auto reader = form.reader(content, 0);
  Node node;
  if (!reader->read(node)) {
    const Refusal& refusal = *reader->refusal();
    // What a declaration has may be another form than those that are read here.
    const bool later = is_declared || refusal.when == Refusal::When::not_supported_yet;
    return failed(Error{later ? Code::not_supported_yet : Code::bad_value, refusal.why,
                        refusal.span, later ? give_result : "Correct it."});
  }
  const std::size_t end =
      std::min(expression.find_first_not_of(" \t\r\n", reader->at()), expression.size());
  if (end < expression.size())
    return failed(Error{Code::not_supported_yet,
                        "what follows here in an expression is not supported yet",
                        {end, expression.size()},
                        give_result});
  const auto evaluator = form.evaluator(scope);
  Computed out;
  if (!evaluator->evaluate(node, out.value)) return failed(*evaluator->trouble());
  return out;
}

// `is_declared`: what a declaration gives a name, where that is no expression.
enum class Asked : unsigned char { expression, declared, change };

Computed compute_in(const Dialect& asked, std::string_view source, std::span<const Value> values,
                    Asked what, computed::Shared* shared) {
  const LanguageFacts* language = language_facts_of(asked);
  const ExpressionForm* form = language == nullptr ? nullptr : language->expressions;
  ByName scope(values);
  scope.shared = shared;
  if (source.size() > most_template)
    return failed(Error{Code::over_limit,
                        "an expression of " + std::to_string(source.size()) +
                            " bytes is over the limit of " + std::to_string(most_template),
                        {most_template, source.size()},
                        "Make it shorter."});
  if (form == nullptr)
    return failed(
        Error{Code::not_supported_yet,
              "expressions of " + std::string(asked.facts().language) + " are not supported yet",
              {0, source.size()},
              give_result});
  const bool is_declared = what == Asked::declared;
  const auto own = what == Asked::change                              ? form->compute_change
                   : is_declared && form->compute_declared != nullptr ? form->compute_declared
                                                                      : form->compute;
  if (own == nullptr) return compute_by_reader(*form, source, scope, is_declared);
  Computed out;
  Trouble trouble;
  if (!own(source, scope, out.value, trouble)) return failed(trouble);
  return out;
}

}  // namespace

namespace {

std::optional<Outcome> put(Computed computed, Value& out) {
  if (!computed.error) {
    out = std::move(computed.value);
    return std::nullopt;
  }
  if (computed.trouble) return computed::outcome_of(*computed.trouble);
  return Outcome::error(std::move(*computed.error));
}

}  // namespace

std::optional<Outcome> compute_declared(const Dialect& asked, std::string_view source,
                                        std::span<const Value> values, Value& out,
                                        computed::Shared* shared) {
  return put(compute_in(asked, source, values, Asked::declared, shared), out);
}

std::optional<Outcome> compute_change(const Dialect& asked, std::string_view statement,
                                      std::span<const Value> values, Value& out,
                                      computed::Shared* shared) {
  return put(compute_in(asked, statement, values, Asked::change, shared), out);
}

std::optional<Outcome> compute_truth(const Dialect& asked, std::string_view source,
                                     std::span<const Value> values, bool& out,
                                     computed::Shared* shared) {
  const ExpressionForm& form = *language_facts_of(asked)->expressions;
  if (form.reader == nullptr) {
    Value chosen;
    auto failure = compute_declared(asked, "(" + std::string(source) + ") ? true : false", values,
                                    chosen, shared);
    if (!failure) out = chosen.is(Type::truth) && chosen.as_whole() != 0;
    return failure;
  }
  TemplateContent content;
  content.source = source;
  const auto reader = form.reader(content, 0);
  Node node;
  const bool good = reader->read(node) &&
                    source.find_first_not_of(" \t\r\n", reader->at()) == std::string_view::npos;
  if (!good)
    return Outcome::error({Code::not_supported_yet, "a condition such as this is not supported yet",
                           Span{0, source.size()}, give_result});
  ByName scope(values);
  scope.shared = shared;
  const auto evaluator = form.evaluator(scope);
  if (evaluator->decide(node, out)) return std::nullopt;
  return computed::outcome_of(*evaluator->trouble());
}

namespace {

// 1..4 and 1..=3
std::optional<Outcome> compute_range(const Dialect& asked, const std::string& source,
                                     std::size_t sign, std::span<const Value> values,
                                     std::vector<Value>& out, computed::Shared* shared) {
  const ExpressionForm& form = *language_facts_of(asked)->expressions;
  std::size_t behind = sign + form.range_sign.size();
  const bool has_last = source.substr(behind).starts_with('=');
  if (has_last) ++behind;
  Value ends[2];
  if (auto failure = compute_declared(asked, source.substr(0, sign), values, ends[0], shared))
    return failure;
  if (auto failure = compute_declared(asked, source.substr(behind), values, ends[1], shared))
    return failure;
  if (!is_whole(ends[0].type()) || ends[0].type() != ends[1].type() || ends[0].is(Type::big))
    return Outcome::error({Code::not_supported_yet, "a range of these is not supported yet",
                           Span{0, source.size()}, "Give whole numbers of one type."});
  const int128 last = ends[1].as_whole() - (has_last ? 0 : 1);
  if (last - ends[0].as_whole() > most_steps)
    return Outcome::error(
        {Code::over_limit,
         "a range of more than " + std::to_string(most_steps) + " numbers is over the limit",
         Span{0, source.size()}, "Let it end sooner."});
  for (int128 at = ends[0].as_whole(); at <= last; ++at)
    out.push_back(Value::whole(ends[0].type(), at));
  return std::nullopt;
}

}  // namespace

std::optional<Outcome> compute_items(const Dialect& asked, const std::string& source,
                                     std::span<const Value> values, bool with_keys,
                                     std::vector<Value>& out, computed::Shared* shared) {
  const ExpressionForm& form = *language_facts_of(asked)->expressions;
  if (const std::size_t sign =
          form.range_sign.empty() ? std::string::npos : source.find(form.range_sign);
      sign != std::string::npos && source.find('(') > sign)
    return compute_range(asked, source, sign, values, out, shared);
  std::string whole(form.items.empty() ? std::string_view("{}") : form.items);
  whole.replace(whole.find("{}"), 2, source);
  Value made;
  if (auto failure = compute_declared(asked, whole, values, made, shared)) return failure;
  if (with_keys && (made.is(Type::list) || made.is(Type::record))) {
    std::int64_t place = 0;
    for (const Value& item : made.as_list()) {
      Value key = made.is(Type::record) ? Value::text(std::string(item.name()))
                                        : Value::whole(Type::i64, place++);
      out.push_back(Value::tuple({std::move(key), item}));
    }
    return std::nullopt;
  }
  // Where names have a sign of their own, the items of a record are its values.
  const bool has_values =
      made.is(Type::record) && form.grammar != nullptr && !form.grammar->prefix_of_names.empty();
  if (made.is(Type::list) || made.is(Type::tuple) || has_values) {
    out.assign(made.as_list().begin(), made.as_list().end());
    return std::nullopt;
  }
  if (made.is(Type::text) && form.declares_types && is_ascii(made.as_text())) {
    for (const char c : made.as_text()) out.push_back(Value::character(static_cast<char32_t>(c)));
    return std::nullopt;
  }
  if (form.items.empty() || is_compound(made.type()))
    return Outcome::error({Code::not_supported_yet, "a loop through this is not supported yet",
                           Span{0, source.size()}, "Give a list."});
  out.push_back(std::move(made));
  return std::nullopt;
}

Result<Value> compute(const Dialect& asked, std::string_view expression,
                      std::span<const Value> values) {
  const LanguageFacts* language = language_facts_of(asked);
  const ExpressionForm* form = language == nullptr ? nullptr : language->expressions;
  const Result<std::vector<Value>> own = asked.own_values(values);
  if (!own) return own.error();
  std::vector<Value> given = *own;
  if (form != nullptr && form->given != nullptr) {
    for (std::size_t i = 0; i < given.size(); ++i) {
      given[i] = form->given((*own)[i]);
      given[i].set_name(std::string(values[i].name()));
    }
  }
  Computed computed = compute_in(asked, expression, given, Asked::expression, nullptr);
  if (computed.error) return std::move(*computed.error);
  if (computed.value.is_function())
    return Error{Code::not_supported_yet,
                 "such a value is not supported yet",
                 {0, expression.size()},
                 give_result};
  return std::move(computed.value);
}

}  // namespace inky::inline v1
