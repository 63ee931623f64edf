// The methods of arrays: ECMA-262, 23.1.3; those that call a function are in array_calls.cpp.

#include <algorithm>
#include <cmath>

#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "evaluator.hpp"

namespace inky::inline v1::javascript {

namespace {

Datum at_index(const Datum& of, std::size_t index) {
  return index < of.items.size() && of.items[index].kind != DatumKind::hole ? of.items[index]
                                                                            : Datum();
}

}  // namespace

bool Evaluator::find_item(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                          Datum& out) {
  const std::string& name = node.parts[0].text;
  if (arguments.size() != 1) return not_yet(name + " with these arguments is", node);
  double found = -1;
  for (std::size_t i = 0; i < of.items.size(); ++i) {
    const Datum item = at_index(of, i);
    const auto is_nan = [](const Datum& datum) {
      return datum.kind == DatumKind::number && std::isnan(datum.number);
    };
    bool is_equal = name == "includes" && is_nan(item) && is_nan(arguments[0]);
    if (!is_equal && !equal(node, item, arguments[0], false, is_equal)) return false;
    if (!is_equal) continue;
    found = static_cast<double>(i);
    if (name != "lastIndexOf") break;
  }
  out = name == "includes" ? Datum::of_truth(found >= 0) : Datum::of_number(found);
  return true;
}

// By their texts; what is undefined stands at the end.
bool Evaluator::sort_by_text(const Node& node, Datum& of, Datum& out) {
  std::vector<std::pair<std::u16string, Datum>> known;
  std::size_t missing = 0;
  for (Datum& item : of.items) {
    if (item.kind == DatumKind::hole) return not_yet("sorting an array with holes is", node);
    if (item.kind == DatumKind::undefined) {
      ++missing;
      continue;
    }
    std::string text;
    append_text(item, text);
    known.emplace_back(utf16_of(text), std::move(item));
  }
  std::stable_sort(known.begin(), known.end(),
                   [](const auto& a, const auto& b) { return a.first < b.first; });
  for (auto& [text, item] : known) out.items.push_back(std::move(item));
  out.items.resize(out.items.size() + missing);
  return true;
}

bool Evaluator::flatten(const Node& node, const Datum& of, double depth, std::vector<Datum>& out) {
  for (const Datum& item : of.items) {
    if (item.kind == DatumKind::hole) continue;
    if (item.kind == DatumKind::array && depth >= 1) {
      if (!flatten(node, item, depth - 1, out)) return false;
    } else {
      out.push_back(item);
    }
  }
  return true;
}

// push, pop, shift, unshift and splice: what they return, and what `of` is behind them.
bool Evaluator::change_items(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                             Datum& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t size = of.items.size();
  out = {};
  if (name == "push" || name == "unshift") {
    of.items.insert(name == "push" ? of.items.end() : of.items.begin(), arguments.begin(),
                    arguments.end());
    out = Datum::of_number(static_cast<double>(of.items.size()));
  } else if (name == "splice") {
    std::size_t from = 0;
    double count = 0;
    if (!take_place(arguments, 0, node, 0, size, from) ||
        !take_integer(arguments, 1, node, arguments.size() < 2 ? HUGE_VAL : 0, count))
      return false;
    if (arguments.empty()) count = 0;
    const auto begin = of.items.begin() + static_cast<std::ptrdiff_t>(from);
    const auto taken =
        static_cast<std::ptrdiff_t>(std::clamp(count, 0.0, static_cast<double>(size - from)));
    out.kind = DatumKind::array;
    out.items.assign(begin, begin + taken);
    of.items.erase(begin, begin + taken);
    if (arguments.size() > 2)
      of.items.insert(of.items.begin() + static_cast<std::ptrdiff_t>(from), arguments.begin() + 2,
                      arguments.end());
  } else if (size > 0) {
    const bool at_end = name == "pop";
    out = at_index(of, at_end ? size - 1 : 0);
    of.items.erase(at_end ? of.items.end() - 1 : of.items.begin());
  }
  return true;
}

bool Evaluator::call_on_array(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                              Datum& out, bool& is_known) {
  const std::string& name = node.parts[0].text;
  if (!of.keys.empty()) of.items.resize(item_count(of));
  of.keys.clear();
  const std::size_t size = of.items.size();
  is_known = true;
  out = {};
  if (name == "join") return call_join(node, of, arguments, out);
  if (has_word("push pop shift unshift splice", name))
    return change_items(node, of, arguments, out);
  if (has_word("includes indexOf lastIndexOf", name)) return find_item(node, of, arguments, out);
  if (name == "at" || name == "with") {
    double place = 0;
    if (!take_integer(arguments, 0, node, 0, place)) return false;
    if (place < 0) place += static_cast<double>(size);
    const bool inside = place >= 0 && place < static_cast<double>(size);
    const auto at = inside ? static_cast<std::size_t>(place) : size;
    if (name == "at") {
      out = at_index(of, at);
      return true;
    }
    if (!inside) return fail("RangeError", "Invalid index", node);
    out = std::move(of);
    out.items[at] = arguments.size() > 1 ? arguments[1] : Datum();
    return true;
  }
  if (has_word("keys values entries", name)) {
    out = Datum::of_kind(DatumKind::iterator);
    out.text = "Array";
    for (std::size_t i = 0; i < size; ++i) {
      Datum entry = Datum::of_kind(DatumKind::array);
      entry.items = {Datum::of_number(static_cast<double>(i)), at_index(of, i)};
      out.items.push_back(name == "entries" ? std::move(entry)
                                            : entry.items[name == "keys" ? 0 : 1]);
    }
    return true;
  }
  out.kind = DatumKind::array;
  if (name == "slice") {
    std::size_t from = 0;
    std::size_t to = 0;
    if (!take_place(arguments, 0, node, 0, size, from) ||
        !take_place(arguments, 1, node, static_cast<double>(size), size, to))
      return false;
    for (std::size_t i = from; i < to; ++i) out.items.push_back(of.items[i]);
    return true;
  }
  if (name == "concat") {
    out.items = std::move(of.items);
    for (const Datum& argument : arguments) {
      if (argument.kind == DatumKind::array)
        out.items.insert(out.items.end(), argument.items.begin(), argument.items.end());
      else
        out.items.push_back(argument);
    }
    return true;
  }
  if (name == "reverse" || name == "toReversed") {
    out.items = std::move(of.items);
    std::reverse(out.items.begin(), out.items.end());
    return true;
  }
  if (name == "fill") {
    std::size_t from = 0;
    std::size_t to = 0;
    if (!take_place(arguments, 1, node, 0, size, from) ||
        !take_place(arguments, 2, node, static_cast<double>(size), size, to))
      return false;
    out.items = std::move(of.items);
    for (std::size_t i = from; i < to; ++i)
      out.items[i] = arguments.empty() ? Datum() : arguments[0];
    return true;
  }
  if (name == "flat") {
    double depth = 1;
    if (!take_integer(arguments, 0, node, 1, depth)) return false;
    return flatten(node, of, depth, out.items);
  }
  const bool has_order = !arguments.empty() && arguments[0].kind != DatumKind::undefined;
  if ((name == "sort" || name == "toSorted") && !has_order) return sort_by_text(node, of, out);
  is_known = false;
  return false;
}

}  // namespace inky::inline v1::javascript
