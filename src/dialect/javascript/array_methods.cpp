// The methods of arrays: ECMA-262, 23.1.3. Those that take a function are not supported yet.

#include <algorithm>
#include <cmath>

#include "../family/values.hpp"
#include "evaluator.hpp"

namespace inky::inline v1::javascript {

bool Evaluator::call_own(const Node& function, std::vector<Datum> arguments, Datum& out) {
  const std::size_t outside = own_.size();
  arguments.resize(function.keys.size());
  for (std::size_t i = 0; i < function.keys.size(); ++i)
    own_.emplace_back(function.keys[i], std::move(arguments[i]));
  out = {};
  const bool done = evaluate(function.parts[0], out);
  own_.resize(outside);
  return done && within_budget(out, function);
}

std::optional<bool> Evaluator::call_for_each(const Node& node, const Datum& of, Datum& out) {
  const std::string& name = node.parts[0].text;
  const bool has_function = node.parts.size() > 1 && node.parts[1].kind == Node::Kind::function;
  if (!has_function) return std::nullopt;
  const Node& function = node.parts[1];
  out = {};
  if (name == "reduce") return reduce(node, of, out);
  if (name == "sort") {
    bool failed = false;
    out = of;
    std::stable_sort(out.items.begin(), out.items.end(), [&](const Datum& a, const Datum& b) {
      Datum made;
      double order = 0;
      const bool undefined = a.kind == DatumKind::undefined || b.kind == DatumKind::undefined;
      failed = failed || undefined || !call_own(function, {a, b}, made) ||
               !to_number(made, function, order);
      return !failed && order < 0;
    });
    if (failed && failure_.why.empty()) return not_yet("sorting these is", node);
    return !failed;
  }
  const bool makes_list = name == "map" || name == "filter";
  if (!makes_list && name != "some" && name != "every" && name != "find") return std::nullopt;
  if (makes_list) out.kind = DatumKind::array;
  if (name == "some" || name == "every") {
    out.kind = DatumKind::boolean;
    out.truth = name == "every";
  }
  for (std::size_t i = 0; i < of.items.size(); ++i) {
    Datum made;
    if (!call_own(function, {of.items[i], Datum::of_number(static_cast<double>(i))}, made))
      return false;
    const bool is_true = holds(made);
    if (name == "map") out.items.push_back(std::move(made));
    if (name == "filter" && is_true) out.items.push_back(of.items[i]);
    if ((name == "some" && is_true) || (name == "every" && !is_true)) {
      out.truth = name == "some";
      return true;
    }
    if (name == "find" && is_true) {
      out = of.items[i];
      return true;
    }
  }
  return true;
}

bool Evaluator::reduce(const Node& node, const Datum& of, Datum& out) {
  std::size_t at = 0;
  if (node.parts.size() > 2) {
    if (!evaluate(node.parts[2], out)) return false;
  } else if (of.items.empty()) {
    return fail("TypeError", "Reduce of empty array with no initial value", node);
  } else {
    out = of.items[at++];
  }
  for (; at < of.items.size(); ++at) {
    Datum made;
    if (!call_own(node.parts[1], {out, of.items[at], Datum::of_number(static_cast<double>(at))},
                  made))
      return false;
    out = std::move(made);
  }
  return true;
}

bool Evaluator::call_on_array(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                              Datum& out, bool& is_known) {
  const std::string& name = node.parts[0].text;
  const std::size_t size = of.items.size();
  is_known = true;
  out = {};
  if (name == "join") return call_join(node, of, arguments, out);
  if (name == "at") {
    double place = 0;
    if (!take_integer(arguments, 0, node, 0, place)) return false;
    if (place < 0) place += static_cast<double>(size);
    const bool inside = place >= 0 && place < static_cast<double>(size);
    if (inside) out = of.items[static_cast<std::size_t>(place)];
    return true;
  }
  if (name == "includes" || name == "indexOf") {
    if (arguments.size() != 1) return not_yet(name + " with these arguments is", node);
    double found = -1;
    for (std::size_t i = 0; i < size && found < 0; ++i) {
      const auto is_nan = [](const Datum& datum) {
        return datum.kind == DatumKind::number && std::isnan(datum.number);
      };
      bool is_equal = name == "includes" && is_nan(of.items[i]) && is_nan(arguments[0]);
      if (!is_equal && !equal(node, of.items[i], arguments[0], false, is_equal)) return false;
      if (is_equal) found = static_cast<double>(i);
    }
    out = Datum::of_number(found);
    if (name == "includes") {
      out = {};
      out.kind = DatumKind::boolean;
      out.truth = found >= 0;
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
  if (name == "reverse") {
    out.items = std::move(of.items);
    std::reverse(out.items.begin(), out.items.end());
    return true;
  }
  if (name == "fill" && arguments.size() == 1) {
    out.items.assign(size, arguments[0]);
    return true;
  }
  if (name == "sort" && arguments.empty()) {
    // By their texts; what is undefined stands at the end.
    std::vector<std::pair<std::u16string, Datum>> known;
    std::vector<Datum> missing;
    for (Datum& item : of.items) {
      if (item.kind == DatumKind::undefined) {
        missing.push_back(std::move(item));
        continue;
      }
      std::string text;
      append_text(item, text);
      known.emplace_back(utf16_of(text), std::move(item));
    }
    std::stable_sort(known.begin(), known.end(),
                     [](const auto& a, const auto& b) { return a.first < b.first; });
    for (auto& [text, item] : known) out.items.push_back(std::move(item));
    for (Datum& item : missing) out.items.push_back(std::move(item));
    return true;
  }
  is_known = false;
  return false;
}

}  // namespace inky::inline v1::javascript
