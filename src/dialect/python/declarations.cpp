// Reads statements that give names values, and those that change a value.

#include "changes.hpp"

#include <algorithm>

#include "decimals.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

using computed::Node;
using computed::Operation;
using When = computed::Trouble::When;

constexpr std::string_view spaces_and_ends = " \t\r\n";
constexpr std::string_view changing =
    "append extend insert pop remove sort reverse clear update setdefault add discard popitem";

std::string_view trimmed(std::string_view text) {
  text.remove_prefix(std::min(text.find_first_not_of(spaces_and_ends), text.size()));
  return text.substr(0, text.find_last_not_of(spaces_and_ends) + 1);
}

}  // namespace

std::string_view root_of(const Node& path) {
  const bool is_part = path.kind == Node::Kind::item || path.kind == Node::Kind::member ||
                       path.kind == Node::Kind::slice;
  if (is_part) return root_of(path.parts[0]);
  return path.kind == Node::Kind::name ? std::string_view(path.text) : std::string_view();
}

namespace {

bool read_all(std::string_view source, Node& node) {
  TemplateContent content;
  content.source = source;
  ExpressionReader reader(content, 0, source.size());
  return reader.read(node) &&
         source.find_first_not_of(spaces_and_ends, reader.at()) == std::string_view::npos;
}

// The first equals sign of an assignment outside of brackets and quotes, and the operator before it.
std::size_t sign_in(std::string_view statement, std::string_view& operation) {
  int depth = 0;
  char quote = 0;
  for (std::size_t i = 0; i < statement.size(); ++i) {
    const char c = statement[i];
    if (quote != 0) {
      if (c == '\\') ++i;
      if (c == quote) quote = 0;
      continue;
    }
    if (c == '"' || c == '\'') quote = c;
    if (c == '#') break;
    if (c == '(' || c == '[' || c == '{') ++depth;
    if (c == ')' || c == ']' || c == '}') --depth;
    if (c != '=' || depth != 0) continue;
    if (i + 1 < statement.size() && statement[i + 1] == '=') return std::string_view::npos;
    std::size_t from = i;
    while (from > 0 &&
           std::string_view("+-*/%&|^<>!").find(statement[from - 1]) != std::string_view::npos)
      --from;
    operation = statement.substr(from, i - from);
    return i;
  }
  return std::string_view::npos;
}

}  // namespace

bool read_change(std::string_view statement, Change& out) {
  statement = trimmed(statement);
  if (statement.starts_with("del ")) {
    return read_all(statement.substr(4), out.target) && out.target.kind == Node::Kind::item &&
           !root_of(out.target).empty();
  }
  Node node;
  std::string_view operation;
  const std::size_t sign = sign_in(statement, operation);
  if (sign == std::string_view::npos) {
    if (!read_all(statement, node) || node.kind != Node::Kind::call) return false;
    const Node& callee = node.parts[0];
    if (callee.kind != Node::Kind::member || !has_word(changing, callee.text)) return false;
    out.method = callee.text;
    out.target = callee.parts[0];
    out.given.assign(node.parts.begin() + 1, node.parts.end());
    out.names = node.keys;
    return !root_of(out.target).empty();
  }
  const std::string_view left = statement.substr(0, sign - operation.size());
  const std::string value = operation.empty()
                                ? std::string(statement.substr(sign + 1))
                                : std::string(left) + " " + std::string(operation) + " (" +
                                      std::string(statement.substr(sign + 1)) + ")";
  if (!read_all(left, out.target) || out.target.kind != Node::Kind::item ||
      root_of(out.target).empty())
    return false;
  return read_all(value, out.given.emplace_back());
}

namespace {

int depth_of(const Node& path) {
  const bool is_part = path.kind == Node::Kind::item || path.kind == Node::Kind::member;
  return is_part ? 1 + depth_of(path.parts[0]) : 0;
}

bool is_name(std::string_view text) {
  return !text.empty() && is_word_start(text[0]) &&
         std::all_of(text.begin(), text.end(), is_word_part);
}

// The parts between commas outside of brackets and quotes.
std::vector<std::string_view> parts_of(std::string_view text) {
  std::vector<std::string_view> out;
  for (std::size_t comma = comma_in(text); comma != std::string_view::npos;
       comma = comma_in(text)) {
    out.push_back(trimmed(text.substr(0, comma)));
    text.remove_prefix(comma + 1);
  }
  out.push_back(trimmed(text));
  return out;
}

// def f(x, y): return x + y
std::vector<Declaration> read_definition(std::string_view statement) {
  const std::size_t open = statement.find('(');
  const std::size_t close = statement.find(')');
  const std::size_t colon = statement.find(':', close == std::string_view::npos ? 0 : close);
  if (open == std::string_view::npos || close < open || colon == std::string_view::npos) return {};
  const std::string_view name = trimmed(statement.substr(4, open - 4));
  std::string names;
  const std::string_view inside = statement.substr(open + 1, close - open - 1);
  for (std::string_view one : inside.empty() ? std::vector<std::string_view>() : parts_of(inside)) {
    // A type beside it is for readers.
    const std::size_t sign = one.find('=');
    const std::string_view usual =
        sign == std::string_view::npos ? std::string_view() : trimmed(one.substr(sign + 1));
    one = trimmed(one.substr(0, std::min(one.find(':'), sign)));
    if (!is_name(one)) return {};
    (names += names.empty() ? " " : ", ") += one;
    if (!usual.empty()) (names += "=") += usual;
  }
  const std::string_view arrow = trimmed(statement.substr(close + 1, colon - close - 1));
  const std::string_view body = trimmed(statement.substr(colon + 1));
  const bool is_one = body.starts_with("return ") && body.find('\n') == std::string_view::npos;
  if (!is_name(name) || !is_one || (!arrow.empty() && !arrow.starts_with("->"))) return {};
  Declaration out;
  out.name = name;
  out.expression = "lambda" + names + ": " + std::string(trimmed(body.substr(7)));
  out.span = {0, statement.size()};
  return {out};
}

// a, b = 1, 2
std::vector<Declaration> read_unpacking(std::string_view statement) {
  std::string_view operation;
  const std::size_t sign = sign_in(statement, operation);
  if (sign == std::string_view::npos || !operation.empty()) return {};
  auto names = parts_of(statement.substr(0, sign));
  std::size_t star = names.size();
  for (std::size_t i = 0; i < names.size(); ++i) {
    if (!names[i].starts_with('*') || star < names.size()) continue;
    star = i;
    names[i].remove_prefix(1);
  }
  const bool has_star = star < names.size();
  if ((names.size() < 2 && !has_star) || !std::all_of(names.begin(), names.end(), is_name))
    return {};
  std::vector<Declaration> out;
  // All of it is known before the first name changes.
  const std::string kept = "_parts";
  const auto add = [&](std::string_view name, std::string expression) {
    Declaration one;
    one.name = name;
    one.expression = std::move(expression);
    one.span = {0, statement.size()};
    out.push_back(std::move(one));
  };
  std::string value(trimmed(statement.substr(sign + 1)));
  if (value.empty()) return {};
  if (comma_in(value) != std::string::npos) value = "(" + value + ")";
  if (has_star) {
    add(kept, "[_ for _ in " + value + "]");
    for (std::size_t i = 0; i < names.size(); ++i) {
      const std::string behind = std::to_string(names.size() - i);
      std::string part = kept + "[";
      if (i < star) {
        part += std::to_string(i);
      } else if (i > star) {
        (part += '-') += behind;
      } else {
        (part += std::to_string(star)) += ":len(_parts) - ";
        part += std::to_string(names.size() - 1 - star);
      }
      add(names[i], part + ']');
    }
    return out;
  }
  std::string all;
  for (const std::string_view name : names) (all += all.empty() ? "" : ", ") += name;
  add(kept, "[[" + all + "] for " + all + " in [" + value + "]][0]");
  for (std::size_t i = 0; i < names.size(); ++i)
    add(names[i], kept + "[" + std::to_string(i) + "]");
  return out;
}

bool makes_new(const Node& node) {
  switch (node.kind) {
    case Node::Kind::name:
    case Node::Kind::member:
    case Node::Kind::item:
      return false;
    case Node::Kind::binary: {
      // [[0] * 2] * 3: one list in all places.
      const auto has_lists = [](const Node& part) {
        return part.kind == Node::Kind::list && !part.parts.empty() &&
               part.parts[0].kind != Node::Kind::constant;
      };
      if (node.operation == Operation::multiply &&
          (has_lists(node.parts[0]) || has_lists(node.parts[1])))
        return false;
      return node.operation != Operation::either && node.operation != Operation::both;
    }
    case Node::Kind::condition:
      return makes_new(node.parts[1]) && makes_new(node.parts[2]);
    case Node::Kind::call:
      return (node.parts[0].kind == Node::Kind::name &&
              has_word("list dict sorted tuple str int float len sum", node.parts[0].text)) ||
             (node.parts[0].kind == Node::Kind::member &&
              has_word("split copy splitlines", node.parts[0].text));
    default:
      return true;
  }
}

void collect_changed(const Node& node, std::vector<std::string>& out) {
  const bool changes = node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::member &&
                       has_word(changing, node.parts[0].text);
  if (changes) {
    const std::string_view root = root_of(node.parts[0].parts[0]);
    if (!root.empty()) out.emplace_back(root);
  }
  for (const Node& part : node.parts) collect_changed(part, out);
}

}  // namespace

bool is_imported_name(std::string_view path) {
  return path.starts_with("math.") ||
         has_word(
             "math decimal datetime locale decimal.Decimal datetime.datetime datetime.date "
             "datetime.time datetime.timedelta datetime.timezone datetime.UTC fractions "
             "fractions.Fraction calendar time zoneinfo zoneinfo.ZoneInfo",
             path);
}

namespace {

// What an import of another module gives a name is known to be unknown.
constexpr const char* import_word = "import ";

// from math import sqrt, pi as p; import numpy as np: names for what the module has.
std::vector<Declaration> read_import(std::string_view statement) {
  const bool is_from = statement.starts_with("from ");
  const std::size_t word = is_from ? statement.find(" import ") : 0;
  if (word == std::string_view::npos) return {};
  const std::string module(trimmed(is_from ? statement.substr(5, word - 5) : std::string_view()));
  std::string_view names = trimmed(statement.substr(is_from ? word + 8 : 7));
  if (names.starts_with('(') && names.ends_with(')')) names = names.substr(1, names.size() - 2);
  std::vector<Declaration> out;
  // What only readers need.
  if (has_word("typing __future__ dataclasses", module)) return out;
  for (const std::string_view one : parts_of(names)) {
    const std::size_t as = one.find(" as ");
    const std::string_view path = trimmed(one.substr(0, as));
    const std::string_view name = as == std::string_view::npos ? path : trimmed(one.substr(as + 4));
    // A module of its own name is no value: math.pi.
    if (!is_from && as == std::string_view::npos && has_word("math datetime decimal locale", path))
      continue;
    Declaration imported;
    imported.name = name.substr(0, name.find('.'));
    imported.expression = (is_from ? module + "." : std::string()) + std::string(path);
    const bool is_known = has_word("math decimal datetime locale", module) ||
                          (!is_from && has_word("math decimal datetime locale", path));
    if (!is_known) imported.expression = import_word + imported.expression;
    imported.span = {0, statement.size()};
    out.push_back(std::move(imported));
  }
  return out;
}

// x = y = 5: numbers and texts, which nothing changes in place.
std::vector<Declaration> read_shared(std::string_view statement) {
  std::string_view operation;
  std::vector<std::string_view> names;
  std::string_view rest = statement;
  for (;;) {
    const std::size_t sign = sign_in(rest, operation);
    const bool assigns = sign != std::string_view::npos && operation.empty();
    if (!assigns || !is_name(trimmed(rest.substr(0, sign)))) break;
    names.push_back(trimmed(rest.substr(0, sign)));
    rest.remove_prefix(sign + 1);
  }
  Node node;
  if (names.size() < 2 || !read_all(rest, node) || node.kind != Node::Kind::constant) return {};
  std::vector<Declaration> out;
  for (const std::string_view name : names) {
    Declaration one;
    one.name = name;
    one.expression = trimmed(rest);
    one.span = {0, statement.size()};
    out.push_back(std::move(one));
  }
  return out;
}

// top = items.pop(): the name gets what the call returns, and the call changes the items.
std::vector<Declaration> read_taking(std::string_view statement) {
  std::string_view operation;
  const std::size_t sign = sign_in(statement, operation);
  if (sign == std::string_view::npos || !operation.empty()) return {};
  const std::string_view name = trimmed(statement.substr(0, sign));
  const std::string_view call = trimmed(statement.substr(sign + 1));
  Change change;
  if (!is_name(name) || !read_change(call, change) || change.method != "pop" ||
      change.target.kind != Node::Kind::name || change.given.size() > 1)
    return {};
  const std::size_t open = call.find('(');
  const std::string key(trimmed(call.substr(open + 1, call.size() - open - 2)));
  Declaration value;
  value.name = name;
  value.expression = change.target.text + "[" + (key.empty() ? "-1" : key) + "]";
  value.span = {0, statement.size()};
  value.change_follows = true;
  Declaration taken;
  taken.name = change.target.text;
  taken.expression = call;
  taken.span = value.span;
  taken.changes = taken.in_place = true;
  return {value, taken};
}

}  // namespace

bool imports_only(std::string_view statement) {
  return (statement.starts_with("import ") || statement.starts_with("from ")) &&
         read_import(statement).empty();
}

// getcontext().prec = 6, getcontext().rounding = ROUND_UP: of a number or a name alone.
std::optional<Declaration> read_context(std::string_view statement) {
  if (statement.starts_with("decimal.")) statement.remove_prefix(8);
  constexpr std::string_view call = "getcontext().";
  if (!statement.starts_with(call)) return std::nullopt;
  const std::size_t sign = statement.find('=');
  if (sign == std::string_view::npos) return std::nullopt;
  const std::string_view name = trimmed(statement.substr(call.size(), sign - call.size()));
  std::string_view value = trimmed(statement.substr(sign + 1));
  Declaration out;
  out.span = {0, statement.size()};
  if (name == "prec") {
    // From 1 to 999.
    const bool is_number = !value.empty() && value.size() <= 3 && value[0] != '0' &&
                           std::all_of(value.begin(), value.end(), is_digit);
    out.name = context_digits;
    out.expression = value;
    return is_number ? std::optional(out) : std::nullopt;
  }
  if (value.starts_with("decimal.")) value.remove_prefix(8);
  out.name = context_rounding;
  out.expression = value;
  return name == "rounding" && decimal_rounding(value) ? std::optional(out) : std::nullopt;
}

std::vector<Declaration> read_declarations(std::string_view statement) {
  if (auto context = read_context(statement)) return {*context};
  if (statement.starts_with("import ") || statement.starts_with("from "))
    return read_import(statement);
  if (auto taking = read_taking(statement); !taking.empty()) return taking;
  if (auto shared = read_shared(statement); !shared.empty()) return shared;
  if (statement.starts_with("def ")) return read_definition(statement);
  if (auto several = read_unpacking(statement); !several.empty()) return several;
  Change change;
  if (!read_change(statement, change)) return {};
  Declaration out;
  out.name = root_of(change.target);
  out.expression = statement;
  out.span = {0, statement.size()};
  out.changes = out.in_place = true;
  out.is_deep = depth_of(change.target) > (change.method.empty() ? 1 : 0);
  return {out};
}

bool compute_declared(std::string_view source, const computed::Scope& scope, Value& out,
                      computed::Trouble& trouble) {
  if (source.starts_with("import ")) {
    out = Value::text(std::string(source));
    out.set_expression();
    return true;
  }
  TemplateContent content;
  content.source = source;
  ExpressionReader reader(content, 0, source.size());
  Node node;
  if (!reader.read(node)) {
    const Refusal& refusal = *reader.refusal();
    // What a declaration has may be another form than those that are read here.
    trouble = {When::not_supported_yet, {}, refusal.why, refusal.span};
    return false;
  }
  const std::size_t end =
      std::min(source.find_first_not_of(spaces_and_ends, reader.at()), source.size());
  if (end < source.size()) {
    trouble = {When::not_supported_yet,
               {},
               "what follows here in an expression is not supported yet",
               {end, source.size()}};
    return false;
  }
  // A function is looked at where it is used.
  const std::string path = computed::path_of(node);
  const Value* module = scope.find(path.substr(0, path.find('.')));
  const bool is_function = is_imported_name(path) &&
                           (module == nullptr || module->is_expression()) &&
                           !Expressions(scope).evaluate(node, out);
  if (node.kind == Node::Kind::function || is_function) {
    out = Value::text(std::string(source));
    out.set_expression();
    return true;
  }
  Expressions evaluator(scope);
  if (evaluator.evaluate(node, out)) return true;
  trouble = *evaluator.trouble();
  return false;
}

bool is_fresh(std::string_view expression) {
  Node node;
  return read_all(expression, node) && makes_new(node);
}

std::vector<std::string> changed_names(std::string_view expression) {
  std::vector<std::string> out;
  Node node;
  if (read_all(expression, node)) {
    collect_changed(node, out);
    // A function that has a name may be called with any value.
    if (node.kind == Node::Kind::function && !out.empty()) out.emplace_back();
    return out;
  }
  Change change;
  if (!read_change(expression, change)) return out;
  out.emplace_back(root_of(change.target));
  for (const Node& part : change.given) collect_changed(part, out);
  return out;
}

}  // namespace inky::inline v1::python
