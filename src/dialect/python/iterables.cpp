// Generators and what else only gives its items: the Language Reference, 6.2.8; the Library
// Reference, "Built-in Functions". They are evaluated where their items are taken at once.

#include <algorithm>

#include "../family/records.hpp"
#include "../family/values.hpp"
#include "decimals.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

constexpr std::size_t most_items = 100'000;

// The functions that take all items of their argument.
constexpr std::string_view takers = "list tuple sum min max sorted any all dict";
// Those whose result only gives its items.
constexpr std::string_view givers = "map filter range zip enumerate reversed set";
// Those that take the items of a set, whose order is not known.
constexpr std::string_view takers_of_sets = "len sum min max sorted any all";

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
  if (node.kind == Node::Kind::filled) return evaluate_filled(node, out);
  if (node.kind == Node::Kind::record && node.keys.empty() && !node.parts.empty())
    return evaluate_dict(node, out);
  if (node.kind == Node::Kind::member && node.text == "__name__") return evaluate_type(node, out);
  if (node.kind == Node::Kind::name) {
    for (auto own = own_.rbegin(); own != own_.rend(); ++own) {
      if (own->first != node.text) continue;
      out = own->second;
      return true;
    }
    return std::nullopt;
  }
  if (is_call_of(node, "isinstance") && find("isinstance") == nullptr)
    return evaluate_is_instance(node, out);
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
  if (is_call_of(node, "sorted min max") && !is_named) {
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      if (node.keys[i - 1] == "key") return evaluate_keyed(node, i, out);
    }
  }
  return evaluate_taking(node, out);
}

bool Expressions::has_value(std::string_view name) const {
  const Value* given = find(name);
  // A module is none.
  const bool is_module =
      given != nullptr && given->is_expression() && is_imported_name(given->as_text());
  return (given != nullptr && !is_module) ||
         std::any_of(own_.begin(), own_.end(), [&](const auto& own) { return own.first == name; });
}

// {key: value}, and {key: value for ...}: each part comes to pairs.
bool Expressions::evaluate_dict(const Node& node, Value& out) {
  std::vector<Value> pairs;
  for (const Node& part : node.parts) {
    if (part.kind == Node::Kind::for_each) {
      if (!evaluate_for_each(part, pairs)) return false;
    } else if (!evaluate_again(part, pairs.emplace_back())) {
      return false;
    }
  }
  std::vector<Value> fields;
  for (const Value& pair : pairs) {
    const Value& key = pair.as_list()[0];
    if (!is_text_or_character(key)) return not_yet("keys other than texts are", node);
    put_field(fields, text_of(key), pair.as_list()[1]);
  }
  out = Value::record(std::move(fields));
  return true;
}

void Expressions::add_context(std::vector<Value>& values) const {
  const Value* rounding = find(context_rounding);
  if (rounding == nullptr) return;
  values.push_back(*rounding);
  values.back().set_name(std::string(context_rounding));
}

// An f-string among other things: a template whose values are those of the names in it.
bool Expressions::evaluate_filled(const Node& node, Value& out) {
  std::vector<Value> values;
  for (const std::string& name : node.keys) {
    const auto own = std::find_if(own_.rbegin(), own_.rend(),
                                  [&](const auto& one) { return one.first == name; });
    const Value* known = own != own_.rend() ? &own->second : find(name);
    if (known == nullptr) continue;
    values.push_back(*known);
    values.back().set_name(name);
  }
  add_context(values);
  return fill_template(node, *python_dialect(), node.text, values, out);
}

// type(x).__name__
bool Expressions::evaluate_type(const Node& node, Value& out) {
  Value of;
  if (!is_call_of(node.parts[0], "type") || node.parts[0].parts.size() != 2)
    return not_yet("the attribute \"__name__\" is", node);
  if (!evaluate_again(node.parts[0].parts[1], of)) return false;
  out = Value::text(std::string(type_name(of)));
  return true;
}

// isinstance(x, int), isinstance(x, (int, float))
bool Expressions::evaluate_is_instance(const Node& node, Value& out) {
  Value of;
  if (node.parts.size() != 3) return not_yet("such a call is", node);
  if (!evaluate_again(node.parts[1], of)) return false;
  const Node& type = node.parts[2];
  const std::span<const Node> types =
      type.kind == Node::Kind::tuple ? std::span<const Node>(type.parts) : std::span(&type, 1);
  bool is_one = false;
  for (const Node& one : types) {
    if (one.kind != Node::Kind::name ||
        !has_word("int float str bool list tuple dict complex set bytes", one.text))
      return not_yet("such a type is", node);
    const std::string_view name = type_name(of);
    is_one = is_one || name == one.text || (name == "bool" && one.text == "int");
  }
  out = Value::truth(is_one);
  return true;
}

// sum(x * 2 for x in items), ", ".join(map(str, items))
std::optional<bool> Expressions::evaluate_taking(const Node& node, Value& out) {
  if (node.kind != Node::Kind::call || node.parts.size() < 2 || !gives_items(node.parts[1]))
    return std::nullopt;
  const Node& callee = node.parts[0];
  if (is_call_of(node.parts[1], "set")) {
    if (!is_call_of(node, takers_of_sets)) return not_yet("the order of a set is", node);
  } else if (is_call_of(node, "len")) {
    return std::nullopt;
  }
  const bool joins = callee.kind == Node::Kind::member && callee.text == "join";
  if (!joins && !is_call_of(node, takers) && !is_call_of(node, "len")) return std::nullopt;
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
    if (callee.text == "set") {
      std::vector<Value> all;
      if (node.parts.size() > 2) return not_yet("such a set is", node);
      if (node.parts.size() == 2 && !evaluate_items(node.parts[1], all)) return false;
      constexpr std::size_t most_of_set = 2'000;
      if (all.size() > most_of_set) return not_yet("a set as large as this is", node);
      for (Value& one : all) {
        const bool is_there = std::any_of(out.begin(), out.end(),
                                          [&](const Value& other) { return equal(one, other); });
        if (!is_there) out.push_back(std::move(one));
      }
      return true;
    }
    if (callee.text == "map") return evaluate_map(node, out);
    if (callee.text == "filter") return evaluate_filter(node, out);
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
    // A second for gives its items one after the other.
    const Node& made = node.parts[0];
    if (holds_all && made.kind == Node::Kind::for_each && !made.enclosed) {
      if (!evaluate_for_each(made, out)) return false;
      if (out.size() > most_items)
        return over_limit("more than 100,000 items are over the limit", node);
    } else if (holds_all) {
      out.emplace_back();
      if (!evaluate_again(made, out.back())) return false;
    }
    own_.resize(outside);
  }
  return true;
}

bool Expressions::evaluate_map(const Node& node, std::vector<Value>& out) {
  Callable function;
  if (node.parts.size() < 3) return not_yet("map with these arguments is", node);
  if (!find_callable(node.parts[1], function)) return false;
  std::vector<std::vector<Value>> columns;
  std::size_t size = most_items;
  for (std::size_t i = 2; i < node.parts.size(); ++i) {
    if (!evaluate_items(node.parts[i], columns.emplace_back())) return false;
    size = std::min(size, columns.back().size());
  }
  for (std::size_t i = 0; i < size; ++i) {
    std::vector<Value> arguments;
    arguments.reserve(columns.size());
    for (auto& column : columns) arguments.push_back(std::move(column[i]));
    if (!apply_callable(function, std::move(arguments), node, out.emplace_back())) return false;
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
    const Node& part = node.parts[i];
    if (part.kind != Node::Kind::spread) {
      if (!evaluate_items(part, columns.emplace_back())) return false;
      continue;
    }
    // zip(*rows)
    std::vector<Value> rows;
    if (counts || !evaluate_items(part.parts[0], rows))
      return counts ? not_yet("this is", part) : false;
    for (const Value& row : rows) {
      if (!items_of(part, row, columns.emplace_back())) return false;
    }
  }
  if (columns.empty()) return true;
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
