// The functions of PHP that take arrays and give values: the PHP manual, Array Functions.

#include <algorithm>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "changes.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"

namespace inky::inline v1::php {

namespace {

using computed::Node;

std::vector<Value> items_of(const Value& array) {
  std::vector<Value> out(array.as_list().begin(), array.as_list().end());
  for (Value& item : out) item.drop_name();
  return out;
}

// Sorted by merging, stably. It ends whatever `is_before` says, even where that is no order.
template <typename IsBefore>
std::vector<Value> merged(std::vector<Value> items, const IsBefore& is_before) {
  for (std::size_t size = 1; size < items.size(); size *= 2) {
    std::vector<Value> out;
    out.reserve(items.size());
    for (std::size_t from = 0; from < items.size(); from += 2 * size) {
      const std::size_t middle = std::min(from + size, items.size());
      const std::size_t end = std::min(from + 2 * size, items.size());
      std::size_t left = from;
      std::size_t right = middle;
      while (left < middle || right < end) {
        const bool takes_right =
            left == middle || (right < end && is_before(items[right], items[left]));
        out.push_back(std::move(items[takes_right ? right++ : left++]));
      }
    }
    items = std::move(out);
  }
  return items;
}

// Functions that pay no heed to the keys of what they are given.
constexpr std::string_view keyless =
    "implode join count array_sum array_product array_values max min in_array";

}  // namespace

bool Expressions::call_given(const Node& function, std::vector<Value> arguments, Value& out) {
  if (function.kind == Node::Kind::function) return call_function(function, arguments, out);
  const Value* known = function.kind == Node::Kind::name ? find(function.text) : nullptr;
  if (known != nullptr && known->is_expression())
    return call_kept(*known, function, arguments, out);
  if (!computed::is_text(function)) return not_yet("such a function as a value is", function);
  // By its name.
  Arguments given;
  given.values = std::move(arguments);
  return call(function, std::string(function.value.as_text()), given, out);
}

// A function that a name stands for is its source.
bool Expressions::call_kept(const Value& function, const Node& node,
                            std::span<const Value> arguments, Value& out) {
  constexpr int most_calls = 30;
  if (calls_ >= most_calls) return not_yet("calls as deep as this are", node);
  TemplateContent content;
  content.source = function.as_text();
  ExpressionReader reader(content, 0);
  Node read;
  if (!reader.read(read) || read.kind != Node::Kind::function)
    return not_yet("this function is", node);
  ++calls_;
  const bool good = call_function(read, arguments, out);
  --calls_;
  return good;
}

// Calls with a function among their arguments, and those whose arguments may have no value.
std::optional<bool> Expressions::evaluate_special(const Node& node, Value& out) {
  if (node.kind != Node::Kind::call || node.parts[0].kind != Node::Kind::name) return std::nullopt;
  const std::string& name = node.parts[0].text;
  const std::size_t count = node.parts.size() - 1;
  if (name == "isset" || name == "empty") {
    bool is_set = true;
    for (std::size_t i = 1; i <= count; ++i) {
      Value value;
      if (!value_or_nil(node.parts[i], value)) return false;
      bool truth = !value.is(Type::nil);
      if (name == "empty" && truth && !holds(node, value, truth)) return false;
      is_set = is_set && truth;
    }
    out = Value::truth(is_set == (name == "isset"));
    return true;
  }
  if (has_word(keyless, name)) {
    const bool around = std::exchange(gaps_are_known_, true);
    Arguments arguments;
    for (std::size_t i = 1; i <= count; ++i) {
      arguments.values.emplace_back();
      const bool good = evaluate_again(node.parts[i], arguments.values.back());
      if (!good) {
        gaps_are_known_ = around;
        return false;
      }
    }
    gaps_are_known_ = around;
    return call(node, name, arguments, out);
  }
  const bool maps = name == "array_map" && count == 2;
  const bool keeps = name == "array_filter" && (count == 1 || count == 2);
  const bool folds = name == "array_reduce" && count == 3;
  if (!maps && !keeps && !folds) return std::nullopt;
  const bool may_have_gaps = std::exchange(gaps_are_known_, false);
  const Node& list = node.parts[maps ? 2 : 1];
  const Node* function = count > 1 ? &node.parts[maps ? 1 : 2] : nullptr;
  Value array;
  if (!evaluate_again(list, array)) return false;
  if (!is_array(array)) return not_yet("the function " + name + " of this is", node);
  if (folds) {
    if (!evaluate_again(node.parts[3], out)) return false;
    for (const Value& item : items_of(array)) {
      Value next;
      if (!call_given(*function, {out, item}, next)) return false;
      out = std::move(next);
    }
    return true;
  }
  std::vector<Value> results;
  bool has_gap = false;
  bool drops = false;
  for (const Value& item : array.as_list()) {
    Value plain = item;
    plain.drop_name();
    Value result = plain;
    if (function != nullptr && !call_given(*function, {plain}, result)) return false;
    if (!maps) {
      bool is_kept = false;
      if (!holds(node, result, is_kept)) return false;
      has_gap = has_gap || (drops && is_kept);
      drops = drops || !is_kept;
      if (!is_kept) continue;
      result = plain;
    }
    if (array.is(Type::record)) result.set_name(std::string(item.name()));
    results.push_back(std::move(result));
  }
  // What is left keeps its keys.
  if (has_gap && array.is(Type::list) && !may_have_gaps)
    return not_yet("an array whose keys have gaps is", node);
  out =
      array.is(Type::record) ? Value::record(std::move(results)) : Value::list(std::move(results));
  return true;
}

bool Expressions::value_or_nil(const Node& node, Value& out) {
  if (node.kind == Node::Kind::name) {
    const Value* known = find(node.text);
    out = known == nullptr ? Value() : *known;
    out.drop_name();
    return true;
  }
  if (node.kind != Node::Kind::item) return evaluate_again(node, out);
  Value of;
  Value key;
  if (!value_or_nil(node.parts[0], of) || !evaluate_again(node.parts[1], key)) return false;
  out = Value();
  if (of.is(Type::nil)) return true;
  if (of.is(Type::record) && key.is(Type::text)) {
    for (const Value& field : of.as_list()) {
      if (field.name() != key.as_text()) continue;
      out = field;
      out.drop_name();
    }
    return true;
  }
  if (of.is(Type::list) && is_whole(key.type())) {
    const Integer at = computed::whole_of(key);
    if (at >= 0 && at < of.as_list().size()) out = of.as_list()[at.convert_to<std::size_t>()];
    return true;
  }
  if (of.is(Type::list) && of.as_list().empty()) return true;
  return not_yet("such an item is", node);
}

std::optional<bool> Expressions::call_on_array(const Node& node, const std::string& name,
                                               const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (name == "explode" && count == 2) {
    std::string by;
    std::string text;
    if (!take_text(node, arguments[0], by) || !take_text(node, arguments[1], text)) return false;
    if (by.empty()) return raise("ValueError", "the separator is empty", node);
    std::vector<Value> parts;
    std::size_t at = 0;
    for (std::size_t found = text.find(by); found != std::string::npos; found = text.find(by, at)) {
      parts.push_back(Value::text(text.substr(at, found - at)));
      at = found + by.size();
    }
    parts.push_back(Value::text(text.substr(at)));
    out = Value::list(std::move(parts));
    return true;
  }
  if (name == "str_split" && count == 1) {
    std::string text;
    if (!take_text(node, arguments[0], text)) return false;
    std::vector<Value> parts;
    for (const char c : text) parts.push_back(Value::text(std::string(1, c)));
    if (parts.empty()) parts.push_back(Value::text(""));
    out = Value::list(std::move(parts));
    return true;
  }
  if (name == "array_fill" && count == 3 && is_whole(arguments[1].type())) {
    constexpr std::int64_t most = 100'000;
    std::int64_t from = 0;
    std::int64_t size = 0;
    if (!take_int(node, arguments[0], from) || !take_int(node, arguments[1], size)) return false;
    if (from != 0 || size < 0 || size > most) return not_yet("such an array is", node);
    out = Value::list(std::vector<Value>(static_cast<std::size_t>(size), arguments[2]));
    return true;
  }
  if (name == "array_combine" && count == 2 && arguments[0].is(Type::list) &&
      is_array(arguments[1]) && arguments[0].as_list().size() == arguments[1].as_list().size()) {
    std::vector<Value> fields;
    for (std::size_t i = 0; i < arguments[0].as_list().size(); ++i) {
      const Value& key = arguments[0].as_list()[i];
      if (!is_key(key)) return not_yet("such a key of an array is", node);
      put_field(fields, std::string(key.as_text()), arguments[1].as_list()[i]);
    }
    out = Value::record(std::move(fields));
    return true;
  }
  if (name == "in_array" && count == 2 && is_array(arguments[1])) {
    for (const Value& item : arguments[1].as_list()) {
      Value equal;
      if (!combine(node, Operation::equal, arguments[0], item, equal)) return false;
      if (equal.as_whole() == 0) continue;
      out = Value::truth(true);
      return true;
    }
    out = Value::truth(false);
    return true;
  }
  if (name == "array_key_exists" && count == 2 && arguments[1].is(Type::record) &&
      arguments[0].is(Type::text)) {
    const auto fields = arguments[1].as_list();
    out = Value::truth(std::any_of(fields.begin(), fields.end(), [&](const Value& field) {
      return field.name() == arguments[0].as_text();
    }));
    return true;
  }
  if (name == "array_column" && count == 2 && arguments[0].is(Type::list) &&
      arguments[1].is(Type::text)) {
    std::vector<Value> items;
    for (const Value& row : arguments[0].as_list()) {
      if (!row.is(Type::record)) return not_yet("a column of this is", node);
      for (const Value& field : row.as_list()) {
        if (field.name() != arguments[1].as_text()) continue;
        items.push_back(field);
        items.back().drop_name();
      }
    }
    out = Value::list(std::move(items));
    return true;
  }
  if (name == "array_merge" && count > 0) {
    std::vector<Value> items;
    for (const Value& one : arguments.values) {
      if (!one.is(Type::list)) return not_yet("merging these is", node);
      for (const Value& item : one.as_list()) items.push_back(item);
    }
    out = Value::list(std::move(items));
    return true;
  }
  if (count == 0 || !arguments[0].is(Type::list)) return std::nullopt;
  std::vector<Value> items = items_of(arguments[0]);
  if (name == "array_reverse" && count == 1) {
    std::reverse(items.begin(), items.end());
    out = Value::list(std::move(items));
    return true;
  }
  if (name == "array_product" && count == 1) {
    out = Value::whole(Type::i64, 1);
    for (const Value& item : items) {
      Value product;
      if (!combine(node, Operation::multiply, out, item, product)) return false;
      out = std::move(product);
    }
    return true;
  }
  if (name == "array_slice" && (count == 2 || count == 3)) {
    const auto size = static_cast<std::int64_t>(items.size());
    std::int64_t from = 0;
    std::int64_t length = size;
    if (!take_int(node, arguments[1], from)) return false;
    if (count == 3 && !arguments[2].is(Type::nil) && !take_int(node, arguments[2], length))
      return false;
    from = from < 0 ? std::max<std::int64_t>(0, size + from) : std::min(from, size);
    const std::int64_t most = size - from;
    const std::int64_t taken =
        length < 0 ? std::max<std::int64_t>(0, most + length) : std::min(length, most);
    out = Value::list({items.begin() + from, items.begin() + from + taken});
    return true;
  }
  return std::nullopt;
}

// $items sorted, or with more items: sort($items), usort($items, fn($a, $b) => $a <=> $b).
bool Expressions::change_array(const Node& node, Value& out) {
  const std::string name = node.kind == Node::Kind::call ? computed::path_of(node.parts[0]) : "";
  const std::size_t count = node.kind == Node::Kind::call ? node.parts.size() - 1 : 0;
  if (count == 0 || !evaluate_again(node.parts[1], out)) return not_yet("such a change is", node);
  if (!is_array(out)) return not_yet("changing this is", node);
  const bool is_list = out.is(Type::list);
  std::vector<Value> items(out.as_list().begin(), out.as_list().end());
  if (name == "array_push" && count > 1 && is_list) {
    for (std::size_t i = 2; i <= count; ++i) {
      items.emplace_back();
      if (!evaluate_again(node.parts[i], items.back())) return false;
    }
  } else if (name == "array_pop" && count == 1 && is_list && !items.empty()) {
    items.pop_back();
  } else {
    const bool by_function = name == "usort" || name == "uasort" || name == "uksort";
    const bool by_key = name == "ksort" || name == "krsort" || name == "uksort";
    const bool down = name == "rsort" || name == "arsort" || name == "krsort";
    const bool keeps_keys = by_key || name == "asort" || name == "arsort" || name == "uasort";
    const bool is_known = keeps_keys || name == "sort" || name == "rsort" || name == "usort";
    if (!is_known || count != (by_function ? 2U : 1U) || keeps_keys == is_list)
      return not_yet("such a change is", node);
    bool good = true;
    const auto key_of = [&](const Value& item) {
      return by_key ? Value::text(std::string(item.name())) : item;
    };
    const auto is_before = [&](const Value& a, const Value& b) {
      Value order;
      if (!good) return false;
      if (by_function) {
        good = call_given(node.parts[2], {key_of(a), key_of(b)}, order) &&
               (is_whole(order.type()) || not_yet("such an order is", node));
        return good && order.as_whole() < 0;
      }
      good = combine(node, Operation::less, key_of(down ? b : a), key_of(down ? a : b), order);
      return good && order.as_whole() != 0;
    };
    items = merged(std::move(items), is_before);
    if (!good) return false;
  }
  if (!keeps_names(name)) {
    for (Value& item : items) item.drop_name();
  }
  out = is_list ? Value::list(std::move(items)) : Value::record(std::move(items));
  return true;
}

bool Expressions::keeps_names(std::string_view name) {
  return has_word("ksort krsort uksort asort arsort uasort", name);
}

}  // namespace inky::inline v1::php
