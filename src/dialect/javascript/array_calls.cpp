// The methods of arrays, maps and sets that call a function for each item: ECMA-262, 23.1.3.

#include <algorithm>

#include "dialect/lexis.hpp"
#include "evaluator.hpp"

namespace inky::inline v1::javascript {

bool Evaluator::sort_by(const Node& node, const Datum& of, const Datum& function, Datum& out) {
  bool failed = false;
  out = of;
  for (const Datum& item : of.items) {
    if (item.kind <= DatumKind::undefined) return not_yet("sorting these is", node);
  }
  std::stable_sort(out.items.begin(), out.items.end(), [&](const Datum& a, const Datum& b) {
    Datum made;
    double order = 0;
    failed = failed || !call_value(function, {a, b}, node, made) || !to_number(made, node, order);
    return !failed && order < 0;
  });
  return !failed;
}

bool Evaluator::reduce(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                       Datum& out) {
  std::vector<std::pair<std::size_t, const Datum*>> items;
  for (std::size_t i = 0; i < of.items.size(); ++i) {
    if (of.items[i].kind != DatumKind::hole) items.emplace_back(i, &of.items[i]);
  }
  if (node.parts[0].text == "reduceRight") std::reverse(items.begin(), items.end());
  std::size_t at = 0;
  if (arguments.size() > 1) {
    out = arguments[1];
  } else if (items.empty()) {
    return fail("TypeError", "Reduce of empty array with no initial value", node);
  } else {
    out = *items[at++].second;
  }
  for (; at < items.size(); ++at) {
    const Datum index = Datum::of_number(static_cast<double>(items[at].first));
    Datum made;
    if (!call_value(arguments[0], {std::move(out), *items[at].second, index, of}, node, made))
      return false;
    out = std::move(made);
  }
  return true;
}

std::optional<bool> Evaluator::call_for_each(const Node& node, const Datum& of,
                                             const std::vector<Datum>& arguments, Datum& out) {
  const std::string& name = node.parts[0].text;
  const bool calls = has_word(
      "map filter some every find findIndex findLast findLastIndex flatMap forEach reduce "
      "reduceRight sort toSorted",
      name);
  if (!calls || arguments.empty() || arguments[0].kind != DatumKind::function) return std::nullopt;
  if (of.kind != DatumKind::array) return std::nullopt;
  const Datum& function = arguments[0];
  out = {};
  if (name == "forEach") return not_yet("forEach in an expression is", node);
  if (name == "reduce" || name == "reduceRight") return reduce(node, of, arguments, out);
  if (name == "sort" || name == "toSorted") return sort_by(node, of, function, out);
  const bool makes_list = has_word("map filter flatMap", name);
  const bool finds = name.starts_with("find");
  const bool from_end = name.starts_with("findLast");
  const bool wants_index = name.ends_with("Index");
  if (makes_list) out.kind = DatumKind::array;
  if (name == "some" || name == "every") out = Datum::of_truth(name == "every");
  if (wants_index) out = Datum::of_number(-1);
  const std::size_t size = item_count(of);
  for (std::size_t i = 0; i < size; ++i) {
    const std::size_t at = from_end ? size - 1 - i : i;
    Datum item = of.items[at];
    if (item.kind == DatumKind::hole) {
      if (name == "map") out.items.push_back(item);
      if (!finds) continue;
      item = {};
    }
    Datum made;
    const Datum index = Datum::of_number(static_cast<double>(at));
    if (!call_value(function, {item, index, of}, node, made)) return false;
    const bool is_true = holds(made);
    if (name == "map") {
      out.items.push_back(std::move(made));
      continue;
    }
    if (name == "flatMap") {
      if (made.kind == DatumKind::array)
        out.items.insert(out.items.end(), made.items.begin(), made.items.end());
      else
        out.items.push_back(std::move(made));
      continue;
    }
    if (name == "filter" && is_true) out.items.push_back(item);
    if ((name == "some" && is_true) || (name == "every" && !is_true)) {
      out.truth = name == "some";
      return true;
    }
    if (finds && is_true) {
      out = wants_index ? index : item;
      return true;
    }
  }
  return true;
}

}  // namespace inky::inline v1::javascript
