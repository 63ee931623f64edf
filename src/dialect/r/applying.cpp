// The functions of R that are given functions: sapply and its like, Reduce.

#include <algorithm>

#include "../computed/arithmetic.hpp"
#include "expressions.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;
using computed::Operation;

}  // namespace

bool Expressions::call_function(const Node& function, std::vector<Value> values, Value& out) {
  for (Value& value : values) value.drop_name();
  if (function.kind == Node::Kind::for_each) {
    if (function.keys.size() != values.size())
      return not_yet("a function of another number of arguments is", function);
    const std::size_t outside = own_.size();
    for (std::size_t i = 0; i < values.size(); ++i)
      own_.emplace_back(function.keys[i], std::move(values[i]));
    const bool good = evaluate_again(function.parts[0], out);
    own_.resize(outside);
    return good;
  }
  if (function.kind != Node::Kind::name) return not_yet("a function such as this is", function);
  for (const auto& facts : {grammar.infix}) {
    for (const computed::OperatorFact& fact : facts) {
      if (fact.text == function.text && fact.operation != Operation::none && values.size() == 2)
        return combine(function, fact.operation, values[0], values[1], out);
    }
  }
  computed::Node node;
  node.kind = Node::Kind::call;
  node.span = function.span;
  node.parts.push_back(function);
  node.parts.resize(values.size() + 1);
  node.keys.resize(values.size());
  return call(node, function.text, {std::move(values), {}}, out);
}

// sapply(x, f), vapply(x, f, numeric(1)), mapply(f, x, y), Map(f, x), Filter(f, x)
bool Expressions::apply_each(const Node& node, std::string_view name, Value& out) {
  const std::string called(name);
  const bool function_first = name == "mapply" || name == "Map" || name == "Filter";
  const bool has_names = std::any_of(node.keys.begin(), node.keys.end(),
                                     [](const std::string& key) { return !key.empty(); });
  if (node.parts.size() < 3 || has_names || name == "lapply" || name == "Map")
    return not_yet(called + " with these arguments is", node);
  const Node& function = node.parts[function_first ? 1 : 2];
  std::vector<std::vector<Value>> columns;
  for (std::size_t i = 1; i < node.parts.size(); ++i) {
    const std::size_t function_at = function_first ? 1 : 2;
    if (i == function_at || (name == "vapply" && i == 3)) continue;
    Value value;
    if (!evaluate_again(node.parts[i], value)) return false;
    if (is_matrix(value) || value.is(Type::record)) return not_yet(called + " of this is", node);
    columns.push_back(items_of(value));
  }
  const bool one = name != "mapply";
  if (columns.empty() || (one && columns.size() != 1))
    return not_yet(called + " with these arguments is", node);
  std::size_t longest = 0;
  for (const auto& column : columns) longest = std::max(longest, column.size());
  constexpr std::size_t most_calls = 10'000;
  if (longest > most_calls) return over_limit("more than 10,000 calls are over the limit", node);
  std::vector<Value> made;
  for (std::size_t i = 0; i < longest; ++i) {
    std::vector<Value> values;
    for (const auto& column : columns) {
      if (column.empty()) return not_yet(called + " of nothing is", node);
      values.push_back(column[i % column.size()]);
    }
    Value result;
    if (!call_function(function, values, result)) return false;
    if (name == "Filter") {
      bool kept = false;
      if (!holds(node, result, kept)) return false;
      if (kept) made.push_back(columns[0][i]);
      continue;
    }
    if (is_compound(result.type())) return not_yet("a function that gives several values is", node);
    // Where the items are texts, the results are named by them.
    const Value& first = columns[0][i % columns[0].size()];
    if (first.is_named())
      result.set_name(std::string(first.name()));
    else if (first.is(Type::text))
      result.set_name(std::string(first.as_text()));
    made.push_back(std::move(result));
  }
  if (made.empty()) return not_yet(called + " of nothing is", node);
  // All become of one mode.
  computed::Node call;
  call.span = node.span;
  call.kind = Node::Kind::call;
  call.parts.resize(made.size() + 1);
  call.keys.resize(made.size());
  const Value from = Value::list(made);
  std::vector<Value> plain = made;
  for (Value& value : plain) value.drop_name();
  Value joined;
  if (!join(call, {std::move(plain), {}}, joined)) return false;
  out = with_names(std::move(joined), from);
  return true;
}

bool Expressions::reduce(const Node& node, Value& out) {
  const bool is_plain = node.parts.size() == 3 || node.parts.size() == 4;
  const bool has_names = std::any_of(node.keys.begin(), node.keys.end(),
                                     [](const std::string& key) { return !key.empty(); });
  if (!is_plain || has_names) return not_yet("Reduce with these arguments is", node);
  Value value;
  if (!evaluate_again(node.parts[2], value)) return false;
  std::vector<Value> items = items_of(value);
  if (is_matrix(value) || items.empty()) return not_yet("Reduce of this is", node);
  if (node.parts.size() == 4) {
    Value start;
    if (!evaluate_again(node.parts[3], start)) return false;
    items.insert(items.begin(), std::move(start));
  }
  out = items[0];
  for (std::size_t i = 1; i < items.size(); ++i) {
    Value next;
    if (!call_function(node.parts[1], {out, items[i]}, next)) return false;
    out = std::move(next);
  }
  return true;
}

}  // namespace inky::inline v1::r_language
