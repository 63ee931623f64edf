#include "queries.hpp"

#include <algorithm>
#include <utility>

#include "arithmetic.hpp"
#include "evaluator.hpp"

namespace inky::inline v1::computed {

namespace {

// The names of a function that is called, before those around it.
struct Parameters final : Scope {
  Parameters(const Scope& around, const std::vector<std::string>& all) : outer(around), names(all) {
    shared = around.shared;
  }
  const Value* find(std::string_view name) const override {
    for (std::size_t i = 0; i < names.size(); ++i) {
      if (names[i] == name) return &values[i];
    }
    return outer.find(name);
  }
  const Scope& outer;
  const std::vector<std::string>& names;
  std::vector<Value> values;
};

// Whether values have one order in every language: numbers, or words of small letters.
bool have_order(std::span<const Value> values) {
  const auto is_number = [](const Value& one) {
    return is_whole(one.type()) || (one.is(Type::decimal) && one.as_decimal().is_finite()) ||
           (is_real(one.type()) && one.as_real().kind != RealClass::not_a_number);
  };
  const auto is_word = [](const Value& one) {
    if (!one.is(Type::text)) return false;
    const std::string_view text = one.as_text();
    return std::all_of(text.begin(), text.end(), [](char c) { return 'a' <= c && c <= 'z'; });
  };
  return std::all_of(values.begin(), values.end(), is_number) ||
         std::all_of(values.begin(), values.end(), is_word);
}

bool is_before(const Value& a, const Value& b) {
  return a.is(Type::text) ? a.as_text() < b.as_text() : std::is_lt(compare(a, b));
}

std::vector<std::size_t> places_in_order(std::span<const Value> keys, bool down) {
  std::vector<std::size_t> out(keys.size());
  for (std::size_t i = 0; i < out.size(); ++i) out[i] = i;
  std::stable_sort(out.begin(), out.end(), [&](std::size_t a, std::size_t b) {
    return down ? is_before(keys[b], keys[a]) : is_before(keys[a], keys[b]);
  });
  return out;
}

// The first of those that are equal, in their order.
std::vector<Value> without_equals(std::vector<Value> items) {
  const std::vector<std::size_t> places = places_in_order(items, false);
  std::vector<bool> is_kept(items.size(), true);
  for (std::size_t i = 1; i < places.size(); ++i)
    is_kept[places[i]] = is_before(items[places[i - 1]], items[places[i]]);
  std::vector<Value> out;
  for (std::size_t i = 0; i < items.size(); ++i) {
    if (is_kept[i]) out.push_back(std::move(items[i]));
  }
  return out;
}

}  // namespace

bool Evaluator::call_function(const Node& function, std::span<const Value> arguments, Value& out) {
  // |(i, x)| takes a pair apart.
  if (arguments.size() == 1 && function.keys.size() > 1 && arguments[0].is(Type::tuple))
    arguments = arguments[0].as_list();
  if (function.kind != Node::Kind::function || function.keys.size() != arguments.size())
    return not_yet("such a function is", function);
  const std::size_t around_count = parameters_.size();
  for (const std::string& name : function.keys) {
    if (!may_hide_names() &&
        std::find(parameters_.begin(), parameters_.end(), name) != parameters_.end())
      return not_yet("a parameter with the name of another one is", function);
  }
  Parameters local(*scope_, function.keys);
  local.values.assign(arguments.begin(), arguments.end());
  for (Value& one : local.values) one.drop_name();
  const Scope* const around = std::exchange(scope_, &local);
  parameters_.insert(parameters_.end(), function.keys.begin(), function.keys.end());
  const bool good = evaluate_part(function.parts[0], out);
  parameters_.resize(around_count);
  scope_ = around;
  return good;
}

// By the place of each in `keys`.
bool Evaluator::sort_by(const Node& node, const std::vector<Value>& keys, bool down,
                        std::vector<Value>& items) {
  if (!have_order(keys)) return not_yet("an order of these is", node);
  std::vector<Value> sorted;
  sorted.reserve(items.size());
  for (const std::size_t place : places_in_order(keys, down)) sorted.push_back(items[place]);
  items = std::move(sorted);
  return true;
}

bool Evaluator::add_up(const Node& node, bool multiplies, std::span<const Value> items,
                       Value& out) {
  if (items.empty()) return not_yet("a sum of nothing is", node);
  out = items[0];
  for (const Value& one : items.subspan(1)) {
    Value next;
    if (!is_whole(one.type()) || !is_whole(out.type())) {
      if (!combine(node, multiplies ? Operation::multiply : Operation::add, out, one, next))
        return false;
    } else {
      const Integer sum = multiplies ? Integer(whole_of(out) * whole_of(one))
                                     : Integer(whole_of(out) + whole_of(one));
      if (!out.is(one.type()) || !fits(out.type(), sum))
        return not_yet("a sum that does not fit is", node);
      next = wrapped(out.type(), sum);
    }
    out = std::move(next);
  }
  return true;
}

bool Evaluator::query(const Node& node, Query query, std::vector<Value> items, Value& out) {
  const std::size_t count = node.parts.size() - 1;
  const bool has_function = count > 0 && node.parts[count].kind == Node::Kind::function;
  const auto call = [&](const Value& item, Value& result) {
    return call_function(node.parts[count], {&item, 1}, result);
  };
  const auto decide = [&](const Value& item, bool& holds_true) {
    Value result;
    return call(item, result) && holds(node.parts[count], result, holds_true);
  };
  const auto unknown = [&] {
    return not_yet("the method " + node.parts[0].text + " with these arguments is", node);
  };
  const bool narrows = query == Query::keep || query == Query::all || query == Query::any ||
                       query == Query::count || query == Query::first || query == Query::last;
  const bool maps = query == Query::map || query == Query::sum || query == Query::least ||
                    query == Query::most || query == Query::average;
  if (query == Query::fold) {
    // Without a value to begin with, it is the first item.
    const bool has_first = count == 2;
    if (count == 0 || count > 2 || !has_function || (!has_first && items.empty())) return unknown();
    if (has_first && !evaluate_part(node.parts[1], out)) return false;
    if (!has_first) {
      out = items[0];
      items.erase(items.begin());
    }
    for (const Value& item : items) {
      const Value both[] = {out, item};
      Value next;
      if (!call_function(node.parts[count], both, next)) return false;
      out = std::move(next);
    }
    return true;
  }
  if (query == Query::take || query == Query::skip) {
    Value size;
    if (count != 1 || has_function || !evaluate_part(node.parts[1], size)) return unknown();
    if (!is_whole(size.type())) return unknown();
    const Integer whole = whole_of(size);
    const std::size_t kept = whole < 0              ? 0
                             : whole > items.size() ? items.size()
                                                    : whole.convert_to<std::size_t>();
    if (query == Query::take)
      items.resize(kept);
    else
      items.erase(items.begin(), items.begin() + static_cast<std::ptrdiff_t>(kept));
    out = Value::list(std::move(items));
    return true;
  }
  if (count > (has_function ? 1U : 0U)) return unknown();
  const bool needs_function =
      query == Query::map || query == Query::keep || query == Query::all || query == Query::any;
  const bool takes_function =
      narrows || maps || query == Query::sorted || query == Query::sorted_down;
  if ((needs_function && !has_function && query != Query::any) || (has_function && !takes_function))
    return unknown();
  if (has_function && narrows) {
    std::vector<Value> kept;
    for (Value& item : items) {
      bool is_kept = false;
      if (!decide(item, is_kept)) return false;
      if (query == Query::all && !is_kept) {
        out = of_truth(false);
        return true;
      }
      if (is_kept) kept.push_back(std::move(item));
    }
    items = std::move(kept);
  } else if (has_function) {
    std::vector<Value> results(items.size());
    for (std::size_t i = 0; i < items.size(); ++i) {
      if (!call(items[i], results[i])) return false;
    }
    if (query == Query::sorted || query == Query::sorted_down) {
      if (!sort_by(node, results, query == Query::sorted_down, items)) return false;
      out = Value::list(std::move(items));
      return true;
    }
    items = std::move(results);
  }
  switch (query) {
    case Query::all:
    case Query::any:
      out = of_truth(query == Query::all || !items.empty());
      return true;
    case Query::sum:
    case Query::product:
      return add_up(node, query == Query::product, items, out);
    case Query::first:
    case Query::last:
      if (items.empty()) return not_yet("an item of an empty list is", node);
      out = query == Query::first ? items.front() : items.back();
      return true;
    case Query::least:
    case Query::most: {
      if (items.empty() || !have_order(items)) return not_yet("an order of these is", node);
      out = items[0];
      for (const Value& one : items) {
        if (query == Query::least ? is_before(one, out) : is_before(out, one)) out = one;
      }
      return true;
    }
    case Query::reversed:
      std::reverse(items.begin(), items.end());
      break;
    case Query::sorted:
    case Query::sorted_down:
      if (!sort_by(node, items, query == Query::sorted_down, items)) return false;
      break;
    case Query::distinct:
      if (!have_order(items)) return not_yet("an order of these is", node);
      items = without_equals(std::move(items));
      break;
    case Query::same:
    case Query::map:
    case Query::keep:
      break;
    default:
      return unknown();
  }
  out = Value::list(std::move(items));
  return true;
}

}  // namespace inky::inline v1::computed
