#include "changes.hpp"

#include <algorithm>

#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::php {

namespace {

using computed::Node;
using When = computed::Trouble::When;

// "$xs", the keys in brackets (empty: a new one), and what is put there.
struct Put {
  std::string name;
  std::vector<std::string> keys;
  std::string value;
  bool combines = false;
};

std::string_view trimmed_end(std::string_view text) {
  text.remove_prefix(std::min(text.find_first_not_of(" \t\r\n"), text.size()));
  return text.substr(0, text.find_last_not_of(" \t\r\n") + 1);
}

bool read_put(std::string_view statement, Put& out) {
  statement = trimmed_end(statement);
  if (!statement.starts_with('$')) return false;
  std::size_t at = 1;
  while (at < statement.size() && is_word_part(statement[at])) ++at;
  out.name = statement.substr(1, at - 1);
  while (at < statement.size() && statement[at] == '[') {
    const std::size_t from = ++at;
    int depth = 1;
    char quote = 0;
    for (; at < statement.size() && depth > 0; ++at) {
      const char c = statement[at];
      if (quote != 0) {
        if (c == '\\') ++at;
        if (c == quote) quote = 0;
      } else if (c == '"' || c == '\'') {
        quote = c;
      } else {
        depth += c == '[' ? 1 : c == ']' ? -1 : 0;
      }
    }
    if (depth > 0 || at > statement.size()) return false;
    out.keys.emplace_back(trimmed_end(statement.substr(from, at - 1 - from)));
  }
  if (out.name.empty() || out.keys.empty()) return false;
  const std::size_t sign = std::min(statement.find_first_not_of(" \t", at), statement.size());
  const std::string_view rest = statement.substr(sign);
  for (const std::string_view operation : {"", "+", "-", "*", "/", ".", "%"}) {
    const std::size_t size = operation.size();
    if (!rest.starts_with(operation) || rest.size() <= size + 1 || rest[size] != '=' ||
        rest[size + 1] == '=' || rest[size + 1] == '>')
      continue;
    const std::string value(rest.substr(size + 1));
    out.combines = size > 0;
    out.value = out.combines ? std::string(statement.substr(0, at)) + " " + std::string(operation) +
                                   " (" + value + ")"
                             : value;
    return true;
  }
  // $counts["a"]++
  if (rest == "++" || rest == "--") {
    out.combines = true;
    out.value = std::string(statement.substr(0, at)) + " " + rest[0] + " 1";
    return true;
  }
  return false;
}

class Changing {
 public:
  Changing(const computed::Scope& scope, computed::Trouble& trouble)
      : scope_(scope), trouble_(trouble) {}

  bool put(const Put& asked, Value& out) {
    const Value* known = scope_.find(asked.name);
    out = known == nullptr ? Value::list({}) : *known;
    out.drop_name();
    Value value;
    return evaluate(asked.value, value) && put_at(asked.keys, value, out);
  }

 private:
  bool not_yet(std::string what) {
    trouble_ = {When::not_supported_yet, {}, std::move(what) + " not supported yet", {}};
    return false;
  }
  bool evaluate(const std::string& source, Value& out) {
    TemplateContent content;
    content.source = source;
    ExpressionReader reader(content, 0);
    Node node;
    const bool read =
        reader.read(node) && source.find_first_not_of(" \t\r\n", reader.at()) == std::string::npos;
    if (!read) return not_yet("such a change is");
    Expressions evaluator(scope_);
    if (evaluator.evaluate(node, out)) {
      out.drop_name();
      return true;
    }
    trouble_ = *evaluator.trouble();
    return false;
  }

  bool put_at(std::span<const std::string> keys, const Value& value, Value& of) {
    // Each change makes a new array: what a loop makes counts.
    constexpr std::size_t weight = 8;
    const std::size_t size = of.is(Type::list) || of.is(Type::record) ? of.as_list().size() : 0;
    if (scope_.shared != nullptr && (scope_.shared->made += weight * size) > most_output) {
      trouble_ = {When::over_limit,
                  {},
                  "what these statements make is over the limit of " + std::to_string(most_output) +
                      " bytes",
                  {}};
      return false;
    }
    if (keys.empty()) {
      of = value;
      return true;
    }
    if (!of.is(Type::list) && !of.is(Type::record)) return not_yet("changing this is");
    std::vector<Value> items(of.as_list().begin(), of.as_list().end());
    if (keys[0].empty()) {
      if (of.is(Type::record) && !items.empty()) return not_yet("a number as a key is");
      Value item = Value::list({});
      if (!put_at(keys.subspan(1), value, item)) return false;
      items.push_back(std::move(item));
      of = Value::list(std::move(items));
      return true;
    }
    Value key;
    if (!evaluate(keys[0], key)) return false;
    if (is_key(key)) {
      const std::string name(key.as_text());
      if (of.is(Type::list) && !items.empty()) return not_yet("a key among numbers is");
      const auto found = std::find_if(items.begin(), items.end(),
                                      [&](const Value& one) { return one.name() == name; });
      Value item = found == items.end() ? Value::list({}) : *found;
      item.drop_name();
      if (!put_at(keys.subspan(1), value, item)) return false;
      put_field(items, name, std::move(item));
      of = Value::record(std::move(items));
      return true;
    }
    const bool is_place = is_whole(key.type()) && !key.is(Type::big) && of.is(Type::list) &&
                          key.as_whole() >= 0 &&
                          key.as_whole() <= static_cast<int128>(items.size());
    if (!is_place) return not_yet("such a key of an array is");
    const auto place = static_cast<std::size_t>(key.as_whole());
    if (place == items.size()) items.push_back(Value::list({}));
    if (!put_at(keys.subspan(1), value, items[place])) return false;
    of = Value::list(std::move(items));
    return true;
  }

  const computed::Scope& scope_;
  computed::Trouble& trouble_;
};

}  // namespace

bool is_key(const Value& value) {
  if (!value.is(Type::text)) return false;
  const std::string_view text = value.as_text();
  // A whole number in a text is a number.
  const std::string_view digits = text.substr(text.starts_with('-') ? 1 : 0);
  return digits.empty() || !std::all_of(digits.begin(), digits.end(), is_digit);
}

namespace {

constexpr std::string_view changing =
    "sort rsort usort ksort krsort uksort asort arsort uasort array_push array_pop";

bool is_name(std::string_view text) {
  return !text.empty() && is_word_start(text[0]) &&
         std::all_of(text.begin(), text.end(), is_word_part);
}

Declaration made(std::string_view name, std::string expression, std::string_view statement) {
  Declaration out;
  out.name = name;
  out.expression = std::move(expression);
  out.span = {0, statement.size()};
  return out;
}

// sort($items), usort($items, fn($a, $b) => $a <=> $b)
std::optional<Declaration> read_sort(std::string_view statement) {
  const std::size_t open = statement.find('(');
  if (open == std::string_view::npos || !statement.ends_with(')')) return std::nullopt;
  const std::string_view function = trimmed_end(statement.substr(0, open));
  std::string_view name = trimmed_end(statement.substr(open + 1));
  const std::size_t end = name.find_first_of(",) ");
  name = name.substr(0, end);
  if (function.empty() || !has_word(changing, function) || !name.starts_with('$') ||
      !is_name(name.substr(1)))
    return std::nullopt;
  Declaration out = made(name.substr(1), std::string(statement), statement);
  out.changes = out.in_place = true;
  return out;
}

// [$a, $b] = $pair and list($a, $b) = $pair
std::vector<Declaration> read_parts(std::string_view statement) {
  const bool is_word = statement.starts_with("list(");
  const char close = is_word ? ')' : ']';
  const std::size_t end = statement.find(close);
  const std::size_t sign = statement.find('=', std::min(end, statement.size()));
  if ((!is_word && !statement.starts_with('[')) || sign == std::string_view::npos ||
      statement.substr(sign).starts_with("==") ||
      !trimmed_end(statement.substr(end + 1, sign - end - 1)).empty())
    return {};
  const std::string given(trimmed_end(statement.substr(sign + 1)));
  std::string_view names = statement.substr(is_word ? 5 : 1, end - (is_word ? 5 : 1));
  std::vector<Declaration> out;
  while (!trimmed_end(names).empty()) {
    const std::size_t comma = std::min(names.find(','), names.size());
    const std::string_view name = trimmed_end(names.substr(0, comma));
    if (!name.starts_with('$') || !is_name(name.substr(1))) return {};
    // What is taken apart may name the names.
    if (given.find(name) != std::string::npos) return {};
    out.push_back(
        made(name.substr(1), "(" + given + ")[" + std::to_string(out.size()) + "]", statement));
    names.remove_prefix(std::min(comma + 1, names.size()));
  }
  return out;
}

// function add($a, $b) { return $a + $b; }
std::optional<Declaration> read_function(std::string_view statement) {
  const std::size_t open = statement.find('(');
  const std::size_t close = statement.find(')');
  const std::size_t brace = statement.find('{');
  if (!statement.starts_with("function ") || close == std::string_view::npos ||
      brace == std::string_view::npos || open > close || close > brace || !statement.ends_with('}'))
    return std::nullopt;
  const std::string_view name = trimmed_end(statement.substr(9, open - 9));
  std::string_view body = trimmed_end(statement.substr(brace + 1, statement.size() - brace - 2));
  const bool is_plain = body.starts_with("return ") && body.ends_with(';') &&
                        body.find(';') == body.size() - 1 &&
                        trimmed_end(statement.substr(close + 1, brace - close - 1)).empty();
  if (!is_name(name) || !is_plain) return std::nullopt;
  body = body.substr(7, body.size() - 8);
  Declaration out = made(name,
                         "fn" + std::string(statement.substr(open, close + 1 - open)) + " => (" +
                             std::string(body) + ")",
                         statement);
  out.comes_first = true;
  return out;
}

// const WIDTH = 5; and define("WIDTH", 5);
std::optional<Declaration> read_constant(std::string_view statement) {
  if (statement.starts_with("const ")) {
    const std::size_t sign = std::min(statement.find('='), statement.size());
    const std::string_view name =
        trimmed_end(statement.substr(6, sign - std::min<std::size_t>(6, sign)));
    if (!is_name(name) || sign == statement.size()) return std::nullopt;
    return made(name, std::string(trimmed_end(statement.substr(sign + 1))), statement);
  }
  if (!statement.starts_with("define(") || !statement.ends_with(')')) return std::nullopt;
  const std::string_view inside = statement.substr(7, statement.size() - 8);
  const std::size_t comma = comma_in(inside);
  if (comma == std::string_view::npos) return std::nullopt;
  std::string_view name = trimmed_end(inside.substr(0, comma));
  if (name.size() < 3 || (name.front() != '"' && name.front() != '\'')) return std::nullopt;
  name = name.substr(1, name.size() - 2);
  if (!is_name(name)) return std::nullopt;
  return made(name, std::string(trimmed_end(inside.substr(comma + 1))), statement);
}

// $d->modify("+1 day"), and others that change a DateTime.
bool is_date_change(std::string_view statement) {
  statement = trimmed_end(statement);
  if (!statement.starts_with('$') || !statement.ends_with(')')) return false;
  std::size_t at = 1;
  while (at < statement.size() && is_word_part(statement[at])) ++at;
  if (statement.substr(at, 2) != "->") return false;
  const std::size_t from = at + 2;
  const std::size_t open = std::min(statement.find('(', from), statement.size());
  return has_word("modify add sub setDate setTime setTimestamp setTimezone",
                  statement.substr(from, open - from));
}

// date_default_timezone_set("Europe/Berlin")
std::optional<Declaration> read_default_zone(std::string_view statement) {
  constexpr std::string_view function = "date_default_timezone_set";
  statement = trimmed_end(statement);
  if (!statement.starts_with(function) || !statement.ends_with(')')) return std::nullopt;
  const std::string_view arguments = trimmed_end(statement.substr(function.size()));
  if (!arguments.starts_with('(')) return std::nullopt;
  Declaration out;
  out.name = default_zone;
  out.expression = "new DateTimeZone" + std::string(arguments);
  out.span = {0, statement.size()};
  return out;
}

}  // namespace

std::vector<Declaration> read_declarations(std::string_view statement) {
  if (auto zone = read_default_zone(statement)) return {*zone};
  if (is_date_change(statement)) {
    std::size_t end = 1;
    while (is_word_part(statement[end])) ++end;
    Declaration out;
    out.name = statement.substr(1, end - 1);
    out.expression = statement;
    out.span = {0, statement.size()};
    out.changes = out.in_place = true;
    return {out};
  }
  if (auto sorted = read_sort(statement)) return {*sorted};
  if (auto function = read_function(statement)) return {*function};
  if (auto constant = read_constant(statement)) return {*constant};
  if (auto parts = read_parts(statement); !parts.empty()) return parts;
  Put put;
  if (!read_put(statement, put)) return {};
  Declaration out;
  out.name = put.name;
  out.expression = statement;
  out.span = {0, statement.size()};
  out.changes = out.in_place = true;
  return {out};
}

bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble) {
  const bool of_date = is_date_change(source);
  if (of_date || read_sort(source)) {
    TemplateContent content;
    content.source = source;
    ExpressionReader reader(content, 0);
    Node node;
    Expressions evaluator(scope);
    if (reader.read(node) && reader.at() >= source.size()) {
      const bool is_method = of_date && node.kind == Node::Kind::call &&
                             node.parts[0].kind == Node::Kind::member &&
                             node.parts[0].parts[0].kind == Node::Kind::name;
      if (of_date && !is_method) {
        trouble = {
            When::not_supported_yet, {}, "such a change is not supported yet", {0, source.size()}};
        return false;
      }
      if (of_date ? evaluator.change_date(node, out) : evaluator.change_array(node, out))
        return true;
      trouble = *evaluator.trouble();
      return false;
    }
  }
  Put put;
  if (read_put(source, put)) return Changing(scope, trouble).put(put, out);
  trouble = {When::not_supported_yet, {}, "such a change is not supported yet", {0, source.size()}};
  return false;
}

}  // namespace inky::inline v1::php
