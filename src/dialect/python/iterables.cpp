// Generators and what else only gives its items: the Language Reference, 6.2.8; the Library
// Reference, "Built-in Functions". They are evaluated where their items are taken at once.

#include <algorithm>

#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

constexpr std::size_t most_items = 100'000;

// The functions that take all items of their argument.
constexpr std::string_view takers = "list tuple sum min max sorted any all";
// Those whose result only gives its items.
constexpr std::string_view givers = "map range zip enumerate reversed";

bool is_call_of(const computed::Node& node, std::string_view names) {
  return node.kind == computed::Node::Kind::call &&
         node.parts[0].kind == computed::Node::Kind::name && has_word(names, node.parts[0].text);
}

bool gives_items(const computed::Node& node) {
  const bool is_view = node.kind == computed::Node::Kind::call &&
                       node.parts[0].kind == computed::Node::Kind::member &&
                       has_word("items keys values", node.parts[0].text);
  return node.kind == computed::Node::Kind::for_each || is_call_of(node, givers) || is_view;
}

}  // namespace

std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  if (node.kind == Node::Kind::name) {
    for (auto own = own_.rbegin(); own != own_.rend(); ++own) {
      if (own->first != node.text) continue;
      out = own->second;
      return true;
    }
    return std::nullopt;
  }
  const bool is_list = node.kind == Node::Kind::list && node.parts.size() == 1 &&
                       node.parts[0].kind == Node::Kind::for_each;
  if (is_list) {
    std::vector<Value> items;
    if (!evaluate_for_each(node.parts[0], items)) return false;
    out = Value::list(std::move(items));
    return true;
  }
  const bool is_named = node.kind == Node::Kind::call && find(path_of(node.parts[0])) != nullptr;
  if (gives_items(node) && !is_named) return not_yet("a value that only gives its items is", node);
  return evaluate_taking(node, out);
}

// sum(x * 2 for x in items), ", ".join(map(str, items))
std::optional<bool> Expressions::evaluate_taking(const Node& node, Value& out) {
  if (node.kind != Node::Kind::call || node.parts.size() < 2 || !gives_items(node.parts[1]))
    return std::nullopt;
  const Node& callee = node.parts[0];
  const bool joins = callee.kind == Node::Kind::member && callee.text == "join";
  if (!joins && !is_call_of(node, takers)) return std::nullopt;
  std::vector<Value> items;
  if (!evaluate_items(node.parts[1], items)) return false;
  Node taking = node;
  taking.parts[1] = Node();
  taking.parts[1].kind = Node::Kind::constant;
  taking.parts[1].span = node.parts[1].span;
  taking.parts[1].value = Value::list(std::move(items));
  return evaluate_again(taking, out);
}

bool Expressions::evaluate_items(const Node& node, std::vector<Value>& out) {
  if (node.kind == Node::Kind::for_each) return evaluate_for_each(node, out);
  if (gives_items(node)) {
    const Node& callee = node.parts[0];
    if (callee.kind == Node::Kind::member) {
      Value of;
      if (!evaluate_again(callee.parts[0], of)) return false;
      if (!of.is(Type::record) || node.parts.size() != 1) return not_yet("such items are", node);
      for (const Value& field : of.as_list()) {
        Value name = Value::text(std::string(field.name()));
        Value value = field;
        value.drop_name();
        if (callee.text == "items")
          out.push_back(Value::tuple({std::move(name), std::move(value)}));
        else
          out.push_back(callee.text == "keys" ? std::move(name) : std::move(value));
      }
      return true;
    }
    if (callee.text == "map") return evaluate_map(node, out);
    if (callee.text == "range") return evaluate_range(node, out);
    if (callee.text == "zip" || callee.text == "enumerate") return evaluate_zip(node, out);
    if (node.parts.size() != 2) return not_yet("reversed with these arguments is", node);
    if (!evaluate_items(node.parts[1], out)) return false;
    std::reverse(out.begin(), out.end());
    return true;
  }
  Value value;
  return evaluate_again(node, value) && items_of(node, value, out);
}

bool Expressions::evaluate_for_each(const Node& node, std::vector<Value>& out) {
  std::vector<Value> items;
  if (!evaluate_items(node.parts[1], items)) return false;
  if (items.size() > most_items)
    return over_limit("more than 100,000 items are over the limit", node);
  const std::size_t outside = own_.size();
  for (Value& item : items) {
    std::vector<Value> parts;
    if (node.keys.size() == 1)
      parts.push_back(std::move(item));
    else if (!items_of(node, item, parts))
      return false;
    if (parts.size() != node.keys.size())
      return raise("ValueError",
                   parts.size() > node.keys.size() ? "too many values to unpack"
                                                   : "not enough values to unpack",
                   node);
    for (std::size_t i = 0; i < parts.size(); ++i) {
      parts[i].drop_name();
      own_.emplace_back(node.keys[i], std::move(parts[i]));
    }
    bool holds_all = true;
    for (std::size_t i = 2; i < node.parts.size() && holds_all; ++i) {
      Value test;
      if (!evaluate_again(node.parts[i], test) || !holds(node.parts[i], test, holds_all))
        return false;
    }
    if (holds_all) {
      out.emplace_back();
      if (!evaluate_again(node.parts[0], out.back())) return false;
    }
    own_.resize(outside);
  }
  return true;
}

bool Expressions::evaluate_map(const Node& node, std::vector<Value>& out) {
  const bool is_known =
      node.parts.size() == 3 && node.parts[1].kind == Node::Kind::name &&
      has_word("str int float len abs repr bool hex bin oct chr ord round", node.parts[1].text);
  if (!is_known) return not_yet("map with these arguments is", node);
  std::vector<Value> items;
  if (!evaluate_items(node.parts[2], items)) return false;
  for (Value& item : items) {
    Arguments arguments;
    arguments.values.push_back(std::move(item));
    out.emplace_back();
    if (!call(node, node.parts[1].text, arguments, out.back())) return false;
  }
  return true;
}

bool Expressions::evaluate_range(const Node& node, std::vector<Value>& out) {
  std::int64_t numbers[3] = {0, 0, 1};
  const std::size_t count = node.parts.size() - 1;
  if (count < 1 || count > 3) return not_yet("range with these arguments is", node);
  for (std::size_t i = 0; i < count; ++i) {
    Value value;
    if (!evaluate_again(node.parts[i + 1], value) ||
        !take_whole(node, value, numbers[count == 1 ? 1 : i]))
      return false;
  }
  if (numbers[2] == 0) return raise("ValueError", "range() arg 3 must not be zero", node);
  constexpr std::int64_t most = std::int64_t{1} << 40;
  for (std::int64_t i = numbers[0]; numbers[2] > 0 ? i < numbers[1] : i > numbers[1];
       i += numbers[2]) {
    if (out.size() >= most_items || i > most || i < -most)
      return over_limit("more than 100,000 items are over the limit", node);
    out.push_back(computed::smallest(Integer(i)));
  }
  return true;
}

// zip(a, b) and enumerate(items, start).
bool Expressions::evaluate_zip(const Node& node, std::vector<Value>& out) {
  const bool counts = node.parts[0].text == "enumerate";
  std::vector<std::vector<Value>> columns;
  std::int64_t first = 0;
  if (counts && node.parts.size() == 3) {
    Value start;
    if (!evaluate_again(node.parts[2], start) || !take_whole(node, start, first)) return false;
  }
  const std::size_t end = counts ? 2 : node.parts.size();
  if (node.parts.size() < 2 || (counts && node.parts.size() > 3))
    return not_yet("such arguments are", node);
  for (std::size_t i = 1; i < end; ++i) {
    columns.emplace_back();
    if (!evaluate_items(node.parts[i], columns.back())) return false;
  }
  std::size_t size = columns[0].size();
  for (const auto& column : columns) size = std::min(size, column.size());
  for (std::size_t i = 0; i < size; ++i) {
    std::vector<Value> row;
    if (counts) row.push_back(computed::smallest(Integer(first + static_cast<std::int64_t>(i))));
    for (auto& column : columns) row.push_back(std::move(column[i]));
    out.push_back(Value::tuple(std::move(row)));
  }
  return true;
}

}  // namespace inky::inline v1::python
