#include "statement.hpp"

#include <algorithm>

#include "dialect/lexis.hpp"
#include "dialect/statement_lines.hpp"
#include "dialect/statement_parts.hpp"
#include "dialects.hpp"
#include "evaluation.hpp"
#include "expression.hpp"
#include "text/ascii.hpp"

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
  // An expression alone is shown as console.log shows it.
  const bool writes = parts.after.empty() && !parts.call.empty();
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
  explicit ValuesByName(const computed::Scope& given) : scope(given) {
    spent = given.shared == nullptr ? nullptr : &given.shared->made;
  }
  const Value* find(std::string_view name) const override { return scope.find(name); }
  const computed::Scope& scope;
};

// No type has it: it is kept as what makes it.
std::optional<Value> kept(const Datum& datum) {
  const auto source = source_of(datum);
  if (!source) return std::nullopt;
  Value out = Value::text(*source);
  out.set_expression();
  return out;
}

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
      if (!datum.keys.empty()) return std::nullopt;
      for (const Datum& item : datum.items) {
        auto value = value_of(item);
        if (!value) return std::nullopt;
        if (value->is_expression()) return kept(datum);
        items.push_back(std::move(*value));
      }
      return Value::list(std::move(items));
    }
    case DatumKind::object: {
      std::vector<Value> fields;
      for (std::size_t i = 0; i < datum.items.size(); ++i) {
        auto value = value_of(datum.items[i]);
        if (!value) return std::nullopt;
        if (value->is_expression()) return kept(datum);
        value->set_name(datum.keys[i]);
        fields.push_back(std::move(*value));
      }
      return Value::record(std::move(fields));
    }
    case DatumKind::big:
      return Value::big(datum.big);
    case DatumKind::undefined:
    case DatumKind::hole:
      return std::nullopt;
    default:
      break;
  }
  return kept(datum);
}

using When = computed::Trouble::When;

bool refuse(const TemplateContent& content, computed::Trouble& trouble) {
  const Refusal& refusal = *content.refusal;
  const bool later = refusal.when == Refusal::When::not_supported_yet;
  trouble = {later ? When::not_supported_yet : When::compile, refusal.as, refusal.why,
             refusal.span};
  return false;
}

// What was made, as a value that the contract has.
bool put(std::optional<Datum> made, const Failure& failure, Span whole, Value& out,
         computed::Trouble& trouble) {
  if (!made) {
    trouble = {failure.is_over_limit  ? When::over_limit
               : failure.name.empty() ? When::not_supported_yet
                                      : When::run,
               failure.name, failure.why, failure.span};
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

bool compute_value(std::string_view source, const computed::Scope& scope, Value& out,
                   computed::Trouble& trouble) {
  TemplateContent content;
  content.source = source;
  std::size_t at = 0;
  Node node;
  if (!read_expression(content, at, node)) return refuse(content, trouble);
  const std::size_t end = std::min(source.find_first_not_of(" \t\r\n", at), source.size());
  if (end < source.size()) {
    trouble = {When::not_supported_yet,
               {},
               "what follows here is not supported yet",
               {end, source.size()}};
    return false;
  }
  Failure failure;
  auto made = evaluate(node, ValuesByName(scope), {}, nullptr, failure);
  return put(std::move(made), failure, {0, source.size()}, out, trouble);
}

bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble) {
  TemplateContent content;
  content.source = source;
  Node node;
  if (!read_change(content, node)) return refuse(content, trouble);
  Failure failure;
  auto made = evaluate_change(node, ValuesByName(scope), {}, failure);
  return put(std::move(made), failure, {0, source.size()}, out, trouble);
}

// How many parts of parts a change goes down.
int depth_of(const Node& path) {
  switch (path.kind) {
    case Node::Kind::member:
    case Node::Kind::item:
      return 1 + depth_of(path.parts[0]);
    case Node::Kind::call:
    case Node::Kind::assign:
    case Node::Kind::remove:
      return depth_of(path.parts[0]);
    default:
      return 0;
  }
}

// const [a, b] = pair; const {x, y} = point: each name gets a part of what is on the right.
std::vector<Declaration> read_parts(std::string_view statement, bool is_new, std::size_t at) {
  TemplateContent content;
  content.source = statement;
  Node target;
  std::vector<std::string> names;
  const std::size_t from = at;
  if (!read_targets(content, at, target, names)) return {};
  const std::string pattern(statement.substr(from, at - from));
  at = std::min(statement.find_first_not_of(" \t\r\n", at), statement.size());
  const bool assigns =
      at + 1 < statement.size() && statement[at] == '=' && statement[at + 1] != '=';
  if (!assigns) return {};
  const std::string value(statement.substr(at + 1));
  std::vector<Declaration> out;
  const auto add = [&](const std::string& name, std::string expression, bool changes) {
    Declaration one;
    one.name = name;
    one.expression = std::move(expression);
    one.changes = changes;
    one.span = {0, statement.size()};
    out.push_back(std::move(one));
  };
  if (is_new) {
    for (const std::string& name : names) {
      std::string part = "((" + pattern;
      ((part += ") => ") += name) += ")(";
      add(name, part.append(value) + ")", false);
    }
    return out;
  }
  // [a, b] = [b, a]: all of it is known before the first name changes.
  std::string all;
  for (const std::string& name : names) all += (all.empty() ? "" : ", ") + name;
  const std::string kept = "$parts";
  add(kept, "((" + pattern + ") => [" + all + "])(" + value + ")", false);
  for (std::size_t i = 0; i < names.size(); ++i)
    add(names[i], kept + "[" + std::to_string(i) + "]", true);
  return out;
}

// n ??= 5, n ||= 6, n &&= 7
std::vector<Declaration> read_default_change(std::string_view statement) {
  std::size_t end = 0;
  while (end < statement.size() && (is_name_start(statement[end]) || is_digit(statement[end])))
    ++end;
  const std::size_t sign = std::min(statement.find_first_not_of(" \t", end), statement.size());
  const std::string_view operation = statement.substr(sign, 3);
  if (end == 0 || is_digit(statement[0]) || !has_word("?\?= ||= &&=", operation)) return {};
  Declaration out;
  out.name = statement.substr(0, end);
  out.expression = out.name + " " + std::string(operation.substr(0, 2)) + " (" +
                   std::string(statement.substr(sign + 3)) + ")";
  out.span = {0, statement.size()};
  out.changes = out.combines = true;
  return {out};
}

// const top = items.pop(): the name gets what the call returns, and the call changes the items.
std::vector<Declaration> read_taking(std::string_view statement, std::size_t name) {
  std::size_t end = name;
  while (end < statement.size() && (is_name_start(statement[end]) || is_digit(statement[end])))
    ++end;
  const std::size_t sign = std::min(statement.find_first_not_of(" \t", end), statement.size());
  if (end == name || statement.substr(sign, 1) != "=" || statement.substr(sign, 2) == "==")
    return {};
  const std::size_t from = std::min(statement.find_first_not_of(" \t", sign + 1), statement.size());
  TemplateContent content;
  content.source = statement.substr(from);
  Node node;
  const bool takes = read_change(content, node) && node.kind == Node::Kind::call &&
                     has_word("pop shift splice push unshift", node.parts[0].text) &&
                     node.parts[0].parts[0].kind == Node::Kind::name;
  if (!takes) return {};
  Declaration value;
  value.name = statement.substr(name, end - name);
  value.expression = statement.substr(from);
  value.span = {from, statement.size()};
  value.change_follows = true;
  Declaration change;
  change.name = root_of(node);
  change.expression = value.expression;
  change.span = value.span;
  change.changes = change.in_place = true;
  return {value, change};
}

std::vector<Declaration> read_declarations(std::string_view statement) {
  const std::size_t word_end =
      std::min(statement.find_first_not_of("abcdefghijklmnopqrstuvwxyz"), statement.size());
  const std::string_view word = statement.substr(0, word_end);
  const std::size_t next =
      std::min(statement.find_first_not_of(" \t\r\n", word_end), statement.size());
  const char first = next < statement.size() ? statement[next] : '\0';
  const bool is_new = word == "const" || word == "let" || word == "var";
  if (is_new)
    return first == '[' || first == '{' ? read_parts(statement, true, next)
                                        : read_taking(statement, next);
  if (word.empty() && first == '[') return read_parts(statement, false, next);
  Declaration out;
  out.span = {0, statement.size()};
  out.expression = statement;
  if (word == "function" && is_name_start(first)) {
    std::size_t end = next;
    while (end < statement.size() && (is_name_start(statement[end]) || is_digit(statement[end])))
      ++end;
    out.name = statement.substr(next, end - next);
    out.comes_first = true;
    return {out};
  }
  if (auto chosen = read_default_change(statement); !chosen.empty()) return chosen;
  TemplateContent content;
  content.source = statement;
  Node node;
  if (!read_change(content, node)) return {};
  out.name = root_of(node);
  // What the language has for itself is no value: console.log is no change.
  if (is_global(out.name)) return {};
  out.changes = true;
  out.in_place = true;
  constexpr int of_the_value = 1;
  out.is_deep = depth_of(node) > of_the_value;
  return {out};
}

std::optional<Node> read_whole(std::string_view expression) {
  TemplateContent content;
  content.source = expression;
  std::size_t at = 0;
  Node node;
  return read_expression(content, at, node) ? std::optional(std::move(node)) : std::nullopt;
}

// fill([]): one array in all places.
bool fills_with_one(const Node& node) {
  return node.parts.size() > 1 && node.parts[1].kind != Node::Kind::number &&
         node.parts[1].kind != Node::Kind::text;
}

bool makes_new(const Node& node) {
  constexpr std::string_view makers =
      "map filter slice concat split flat flatMap toSorted toReversed with from of fromEntries "
      "keys "
      "values entries matchAll splice parse";
  switch (node.kind) {
    case Node::Kind::name:
    case Node::Kind::member:
    case Node::Kind::item:
    case Node::Kind::sequence:
      return false;
    case Node::Kind::binary:
      return node.operation != computed::Operation::either &&
                     node.operation != computed::Operation::both &&
                     node.operation != computed::Operation::if_nil
                 ? true
                 : makes_new(node.parts[0]) && makes_new(node.parts[1]);
    case Node::Kind::condition:
      return makes_new(node.parts[1]) && makes_new(node.parts[2]);
    case Node::Kind::call: {
      const Node& callee = node.parts[0];
      if (callee.kind == Node::Kind::name) return callee.text == "Array";
      return callee.kind == Node::Kind::member &&
             (has_word(makers, callee.text) ||
              (has_word("sort reverse", callee.text) && makes_new(callee.parts[0])) ||
              (callee.text == "fill" && makes_new(callee.parts[0]) && !fills_with_one(node)));
    }
    default:
      return true;
  }
}

bool is_fresh(std::string_view expression) {
  const auto node = read_whole(expression);
  return node && makes_new(*node);
}

std::vector<std::string> names_of(std::string_view expression) {
  auto node = read_whole(expression);
  if (!node) {
    TemplateContent content;
    content.source = expression;
    Node change;
    if (!read_change(content, change)) return {};
    node = std::move(change);
  }
  std::vector<std::string> names = names_in(*node);
  std::erase_if(names, [](const std::string& name) { return is_global(name); });
  return names;
}

// Those in the arguments of a call that prints, too.
std::vector<std::string> names_changed(std::string_view source) {
  if (const auto node = read_whole(source)) return changed_names(*node);
  TemplateContent content;
  content.source = source;
  Node change;
  if (read_change(content, change)) {
    std::vector<std::string> out = {std::string(root_of(change))};
    for (const Node& part : change.parts) {
      for (std::string& name : changed_names(part)) out.push_back(std::move(name));
    }
    return out;
  }
  return {};
}

}  // namespace

const ExpressionForm expression_form = {
    .read_call = read_call,
    .compute = compute_value,
    .read_declarations = read_declarations,
    .compute_change = compute_change,
    .is_fresh = is_fresh,
    .changed_names = names_changed,
    .names = names_of,
    .copiers = "Set String max min stringify isArray keys values",
    .block_words = "function",
    .prints = prints,
    .ends = ";\n",
    .silent_words = "import",
    .blocks = Blocks::braces,
    .items = "[...({})]",
    .keys = "Object.keys({})",
    .each_method = ".forEach(",
    .item_parts = "[...({})].map(({pattern}) => {names})",
    .each_items = "({}).size === undefined ? [...({})] : [...({}).values()]",
    .item_pairs =
        "({}).size === undefined ? [...({})].map((item, place) => [item, place]) : "
        "[...({}).entries()].map(([key, value]) => [value, key])",
    .counts = true,
    .constant_words = "const",
    .case_sign = "===",
    .value_field = "${}",
    .value_calls =
        "toFixed toPrecision toExponential toLocaleString toLocaleDateString toLocaleTimeString "
        "toISOString toUTCString toDateString format padStart padEnd",
    .own_names =
        "true false null undefined typeof new Math Number String JSON Object Array NaN "
        "Infinity Intl BigInt"};

}  // namespace inky::inline v1::javascript
