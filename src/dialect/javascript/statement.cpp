#include "statement.hpp"

#include <algorithm>

#include "dialect/statement_parts.hpp"
#include "dialects.hpp"
#include "evaluation.hpp"
#include "expression.hpp"

namespace inky::inline v1::javascript {

namespace {

constexpr PrintFact prints[] = {{"console.log", "\n"},       {"console.info", "\n"},
                                {"console.warn", "\n"},      {"console.error", "\n"},
                                {"console.debug", "\n"},     {"process.stdout.write", ""},
                                {"process.stderr.write", ""}};

// Whether it is a text whatever its values are: a stream takes nothing else.
bool is_surely_text(const Node& node) {
  constexpr std::string_view methods_of_texts[] = {"toFixed",  "toPrecision", "toExponential",
                                                   "toString", "padStart",    "padEnd",
                                                   "repeat",   "join",        "toLocaleString"};
  switch (node.kind) {
    case Node::Kind::text:
    case Node::Kind::text_template:
      return true;
    case Node::Kind::binary:
      return node.operation == computed::Operation::add &&
             (is_surely_text(node.parts[0]) || is_surely_text(node.parts[1]));
    case Node::Kind::call:
      return node.parts[0].kind == Node::Kind::member &&
             std::find(std::begin(methods_of_texts), std::end(methods_of_texts),
                       node.parts[0].text) != std::end(methods_of_texts);
    default:
      return false;
  }
}

// Text of the template that is not in the statement.
void add_between(StatementParts& parts, std::string_view text, std::size_t at) {
  const std::size_t from = parts.inner.size();
  parts.inner += text;
  parts.segments.push_back({{from, parts.inner.size()}, {at, at}, false});
}

// console.log(a, `b`): the slots of a template literal, and of a template made for the others.
bool read_call(StatementParts& parts, Span inside, std::optional<Error>& error) {
  parts.dialect = javascript_dialect();
  parts.is_filled = true;
  TemplateContent content;
  content.source = parts.text.substr(0, inside.to);
  const auto behind_blanks = [&](std::size_t at) {
    return std::min(content.source.find_first_not_of(" \t\r\n", at), inside.to);
  };
  std::size_t at = behind_blanks(inside.from);
  const bool writes = parts.after.empty();
  for (bool is_first = true; at < inside.to; is_first = false) {
    const std::size_t start = at;
    Node node;
    if (content.source.compare(start, 3, "...") == 0) {
      error = Error{Code::not_supported_yet,
                    "spread values are not supported yet",
                    {start, start + 3},
                    "Write the values one by one."};
      return false;
    }
    if (!read_expression(content, at, node)) {
      const Refusal& refusal = *content.refusal;
      const bool later = refusal.when == Refusal::When::not_supported_yet;
      error = Error{later ? Code::not_supported_yet : Code::bad_template, refusal.why, refusal.span,
                    later ? refusal.as : "Correct the statement."};
      return false;
    }
    const std::size_t end = behind_blanks(at);
    const bool is_last = end >= inside.to;
    // The directives in the first text take the values behind it.
    const bool fills = is_first && !writes && !is_last && node.kind == Node::Kind::text &&
                       node.text.find('%') != std::string::npos;
    if (fills) {
      add_between(parts, "${util.format(", start);
      parts.add_segment({start, inside.to}, true);
      add_between(parts, ")}", inside.to);
      break;
    }
    if (writes && !is_surely_text(node)) {
      error = Error{Code::not_supported_yet,
                    "writing what may be no text is not supported yet",
                    {start, at},
                    "Write a template literal."};
      return false;
    }
    if (!is_last && content.source[end] != ',') {
      error = Error{Code::not_supported_yet,
                    "this in a call is not supported yet",
                    {end, end + 1},
                    "Write a template literal."};
      return false;
    }
    if (!is_first) add_between(parts, " ", start);
    if (node.kind == Node::Kind::text_template && content.source[start] == '`') {
      parts.add_segment({start + 1, at - 1}, true);
    } else {
      add_between(parts, writes ? "${" : "${util.format(", start);
      parts.add_segment({start, at}, true);
      add_between(parts, writes ? "}" : ")}", at);
    }
    at = is_last ? end : behind_blanks(end + 1);
  }
  parts.add_text(parts.after, inside.to);
  parts.after.clear();
  return true;
}

struct ValuesByName final : Scope {
  explicit ValuesByName(const computed::Scope& given) : scope(given) { spent = given.spent; }
  const Value* find(std::string_view name) const override { return scope.find(name); }
  const computed::Scope& scope;
};

// Nothing where the contract has no such value.
std::optional<Value> value_of(const Datum& datum) {
  switch (datum.kind) {
    case DatumKind::null:
      return Value();
    case DatumKind::boolean:
      return Value::truth(datum.truth);
    case DatumKind::number:
      return Value::real(datum.number);
    case DatumKind::text:
      return Value::text(datum.text);
    case DatumKind::array: {
      std::vector<Value> items;
      for (const Datum& item : datum.items) {
        auto value = value_of(item);
        if (!value) return std::nullopt;
        items.push_back(std::move(*value));
      }
      return Value::list(std::move(items));
    }
    case DatumKind::object: {
      std::vector<Value> fields;
      for (std::size_t i = 0; i < datum.items.size(); ++i) {
        auto value = value_of(datum.items[i]);
        if (!value) return std::nullopt;
        value->set_name(datum.keys[i]);
        fields.push_back(std::move(*value));
      }
      return Value::record(std::move(fields));
    }
    case DatumKind::big:
      return Value::big(datum.big);
    default:
      return std::nullopt;
  }
}

bool compute_value(std::string_view source, const computed::Scope& scope, Value& out,
                   computed::Trouble& trouble) {
  using When = computed::Trouble::When;
  const Span whole = {0, source.size()};
  TemplateContent content;
  content.source = source;
  std::size_t at = 0;
  Node node;
  if (!read_expression(content, at, node)) {
    const Refusal& refusal = *content.refusal;
    const bool later = refusal.when == Refusal::When::not_supported_yet;
    trouble = {later ? When::not_supported_yet : When::compile, refusal.as, refusal.why,
               refusal.span};
    return false;
  }
  const std::size_t end = std::min(source.find_first_not_of(" \t\r\n", at), source.size());
  if (end < source.size()) {
    trouble = {When::not_supported_yet,
               {},
               "what follows here is not supported yet",
               {end, source.size()}};
    return false;
  }
  Failure failure;
  const auto made = evaluate(node, ValuesByName(scope), {}, nullptr, failure);
  if (!made) {
    trouble = {failure.name.empty() ? When::not_supported_yet : When::run, failure.name,
               failure.why, failure.span};
    return false;
  }
  auto value = value_of(*made);
  if (!value) {
    trouble = {When::not_supported_yet, {}, "such a result is not supported yet", whole};
    return false;
  }
  out = std::move(*value);
  return true;
}

}  // namespace

const ExpressionForm expression_form = {
    .read_call = read_call,
    .compute = compute_value,
    .prints = prints,
    .ends = ";\n",
    .silent_words = "import",
    .blocks = Blocks::braces,
    .items = "[...({})]",
    .keys = "Object.keys({})",
    .each_method = ".forEach(",
    .counts = true,
    .own_names =
        "true false null undefined typeof new Math Number String JSON Object Array NaN "
        "Infinity Intl BigInt"};

}  // namespace inky::inline v1::javascript
