// Functions that are given to others: lambda, those of the language by their names, and names that
// stand for them: the Library Reference, "Built-in Functions".

#include <algorithm>

#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

bool Expressions::find_callable(const Node& node, Callable& out) {
  if (node.kind == Node::Kind::function) {
    out.body = node.parts.data();
    out.usual = std::span(node.parts).subspan(1);
    out.names = node.keys;
    return true;
  }
  const std::string path = path_of(node);
  const std::string first = path.substr(0, path.find('.'));
  const Value* known = path.empty() ? nullptr : find(first);
  if (known != nullptr && known->is_expression() && first == path) {
    TemplateContent content;
    content.source = known->as_text();
    ExpressionReader reader(content, 0, content.source.size());
    auto read = std::make_shared<Node>();
    if (!reader.read(*read)) return not_yet("this function is", node);
    // from math import sqrt
    const std::string imported = path_of(*read);
    if (read->kind != Node::Kind::function &&
        (imported.starts_with("math.") || imported == "decimal.Decimal" ||
         imported.starts_with("datetime."))) {
      out.path = imported;
      return true;
    }
    if (read->kind != Node::Kind::function)
      return not_yet("the name " + std::string(known->as_text()) + " is", node);
    out.body = read->parts.data();
    out.usual = std::span(read->parts).subspan(1);
    out.names = read->keys;
    out.written = std::move(read);
    return true;
  }
  constexpr std::string_view functions =
      "str int float len abs repr bool hex bin oct chr ord round sum min max sorted list tuple "
      "Decimal decimal.Decimal";
  const bool is_text_method = path.starts_with("str.") && path.find('.', 4) == std::string::npos;
  if (known == nullptr &&
      (has_word(functions, path) || is_text_method || path.starts_with("math."))) {
    out.path = path;
    return true;
  }
  // counts.get
  if (node.kind == Node::Kind::member && node.text == "get") {
    out.path = ".get";
    return evaluate_again(node.parts[0], out.of);
  }
  return not_yet("such a function as a value is", node);
}

bool Expressions::apply_callable(const Callable& function, std::vector<Value> arguments,
                                 const Node& node, Value& out) {
  constexpr int most_calls = 30;
  if (calls_ >= most_calls) return not_yet("calls as deep as this are", node);
  for (Value& argument : arguments) argument.drop_name();
  if (function.body == nullptr) {
    Arguments given;
    const bool is_method = function.path.starts_with("str.") || function.path == ".get";
    if (!is_method) {
      given.values = std::move(arguments);
      return call(node, function.path, given, out);
    }
    Value of = function.of;
    if (function.path != ".get") {
      if (arguments.empty()) return raise("TypeError", "the method needs an argument", node);
      of = std::move(arguments[0]);
      arguments.erase(arguments.begin());
      if (!is_text_or_character(of))
        return raise("TypeError", "descriptor for 'str' objects doesn't apply to this", node);
    }
    given.values = std::move(arguments);
    Node method = node;
    method.parts.resize(1);
    method.parts[0] = Node();
    method.parts[0].kind = Node::Kind::member;
    method.parts[0].text = function.path.substr(function.path.find('.') + 1);
    return call_method(method, of, given, out);
  }
  while (arguments.size() < function.names.size() &&
         function.names.size() - arguments.size() <= function.usual.size()) {
    const std::size_t missing = function.names.size() - arguments.size();
    const Node& usual = function.usual[function.usual.size() - missing];
    if (!evaluate_again(usual, arguments.emplace_back())) return false;
  }
  if (arguments.size() != function.names.size())
    return raise("TypeError",
                 "the function takes " + std::to_string(function.names.size()) +
                     " arguments, and was given " + std::to_string(arguments.size()),
                 node);
  const std::size_t outside = own_.size();
  for (std::size_t i = 0; i < arguments.size(); ++i)
    own_.emplace_back(function.names[i], std::move(arguments[i]));
  ++calls_;
  const bool done = evaluate_again(*function.body, out);
  --calls_;
  own_.resize(outside);
  return done;
}

bool Expressions::evaluate_filter(const Node& node, std::vector<Value>& out) {
  if (node.parts.size() != 3) return not_yet("filter with these arguments is", node);
  std::vector<Value> items;
  Callable function;
  const bool is_none =
      node.parts[1].kind == Node::Kind::constant && node.parts[1].value.is(Type::nil);
  if (!is_none && !find_callable(node.parts[1], function)) return false;
  if (!evaluate_items(node.parts[2], items)) return false;
  for (Value& item : items) {
    Value test = item;
    bool is_true = false;
    if (!is_none && !apply_callable(function, {item}, node, test)) return false;
    if (!holds(node, test, is_true)) return false;
    if (is_true) out.push_back(std::move(item));
  }
  return true;
}

bool Expressions::evaluate_keyed(const Node& node, std::size_t key, Value& out) {
  const bool sorts = node.parts[0].text == "sorted";
  Callable function;
  std::vector<Value> items;
  bool backwards = false;
  std::vector<const Node*> given;
  Value other;
  bool has_other = false;
  for (std::size_t i = 1; i < node.parts.size(); ++i) {
    const std::string& name = node.keys[i - 1];
    if (i == key) continue;
    if (name.empty()) {
      given.push_back(&node.parts[i]);
    } else if (name == "reverse" && sorts) {
      Value value;
      if (!evaluate_again(node.parts[i], value) || !holds(node, value, backwards)) return false;
    } else if (name == "default" && !sorts) {
      if (!evaluate_again(node.parts[i], other)) return false;
      has_other = true;
    } else {
      return not_yet("such an argument is", node.parts[i]);
    }
  }
  const Node& chosen = node.parts[key];
  const bool is_none = chosen.kind == Node::Kind::constant && chosen.value.is(Type::nil);
  if (!is_none && !find_callable(chosen, function)) return false;
  if (given.size() == 1) {
    if (!evaluate_items(*given[0], items)) return false;
  } else {
    if (sorts || given.empty()) return not_yet("such arguments are", node);
    for (const Node* one : given) {
      if (!evaluate_again(*one, items.emplace_back())) return false;
    }
  }
  std::vector<std::pair<Value, Value>> keyed;
  for (Value& item : items) {
    Value by = item;
    if (!is_none && !apply_callable(function, {item}, node, by)) return false;
    keyed.emplace_back(std::move(by), std::move(item));
  }
  bool good = true;
  const auto is_before = [&](const auto& a, const auto& b) {
    bool is_less = false;
    good = good && less(node, Operation::less, a.first, b.first, is_less);
    return good && is_less;
  };
  if (sorts) {
    // Equal items keep their order, that way round too.
    if (backwards) std::reverse(keyed.begin(), keyed.end());
    std::stable_sort(keyed.begin(), keyed.end(), is_before);
    if (backwards) std::reverse(keyed.begin(), keyed.end());
    std::vector<Value> sorted;
    sorted.reserve(keyed.size());
    for (auto& [by, item] : keyed) sorted.push_back(std::move(item));
    out = Value::list(std::move(sorted));
    return good;
  }
  if (keyed.empty()) {
    out = other;
    return has_other || raise("ValueError", "min() or max() of nothing", node);
  }
  const bool largest = node.parts[0].text == "max";
  std::size_t best = 0;
  for (std::size_t i = 1; i < keyed.size(); ++i) {
    if (largest ? is_before(keyed[best], keyed[i]) : is_before(keyed[i], keyed[best])) best = i;
  }
  out = std::move(keyed[best].second);
  return good;
}

}  // namespace inky::inline v1::python
