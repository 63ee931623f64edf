#include "changes.hpp"

#include <algorithm>

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
    if (scope_.spent != nullptr && (*scope_.spent += weight * size) > most_output) {
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

std::vector<Declaration> read_declarations(std::string_view statement) {
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
  Put put;
  if (read_put(source, put)) return Changing(scope, trouble).put(put, out);
  trouble = {When::not_supported_yet, {}, "such a change is not supported yet", {0, source.size()}};
  return false;
}

}  // namespace inky::inline v1::php
