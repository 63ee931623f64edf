// Statements that change a value in place: items.push(4), o.a = 1, delete o.a.

#include <algorithm>
#include <cmath>

#include "evaluator.hpp"
#include "numbers.hpp"

namespace inky::inline v1::javascript {

bool Evaluator::change(const Node& node, Datum& root) {
  Node name;
  name.kind = Node::Kind::name;
  name.text = root_of(node);
  name.span = node.span;
  if (!evaluate(name, root)) return false;
  switch (node.kind) {
    case Node::Kind::call: {
      Datum* of = part_of(node.parts[0].parts[0], root, false);
      std::vector<Datum> arguments;
      Datum result;
      if (of == nullptr || !evaluate_all(node, 1, arguments)) return false;
      // Those that return what they change do so with a copy here.
      const std::string& method = node.parts[0].text;
      const bool returns_it = method == "sort" || method == "reverse" || method == "fill";
      if (method == "copyWithin") return not_yet("copyWithin is", node);
      Datum before = *of;
      const auto known = call_for_each(node, *of, arguments, result);
      if (known ? !*known : !call_method(node, *of, arguments, result)) return false;
      if (returns_it && before.kind == DatumKind::array) *of = std::move(result);
      return within_budget(*of, node);
    }
    case Node::Kind::assign: {
      Datum value;
      if (!evaluate(node.parts[1], value)) return false;
      if (node.parts[0].kind == Node::Kind::member && node.parts[0].text == "length") {
        Datum* of = part_of(node.parts[0].parts[0], root, false);
        if (of == nullptr) return false;
        const bool is_shorter = of->kind == DatumKind::array && of->keys.empty() &&
                                value.kind == DatumKind::number && value.number >= 0 &&
                                value.number <= static_cast<double>(of->items.size());
        if (is_shorter) {
          of->items.resize(static_cast<std::size_t>(value.number));
          return true;
        }
        if (of->kind == DatumKind::array) return not_yet("such a length is", node);
      }
      Datum* part = part_of(node.parts[0], root, true);
      if (part == nullptr) return false;
      *part = std::move(value);
      // A new key that is a number comes before others.
      if (root.kind == DatumKind::object || root.kind == DatumKind::array) settle_all(root);
      return within_budget(root, node);
    }
    default:
      return remove(node.parts[0], root);
  }
}

Datum* Evaluator::part_of(const Node& path, Datum& root, bool makes) {
  if (path.kind == Node::Kind::name) return &root;
  const bool is_part = path.kind == Node::Kind::member || path.kind == Node::Kind::item;
  Datum* of = is_part && !path.optional ? part_of(path.parts[0], root, false) : nullptr;
  if (of == nullptr) {
    if (!is_part || path.optional) not_yet("changing this is", path);
    return nullptr;
  }
  std::string key = path.text;
  if (path.kind == Node::Kind::item) {
    Datum made;
    if (!evaluate(path.parts[1], made)) return nullptr;
    key.clear();
    append_text(made, key);
  }
  if (!check_members(*of, key, path)) return nullptr;
  if (of->kind == DatumKind::array && of->keys.empty()) {
    const double place = read_number(key);
    constexpr double most_items = 10'000;
    const bool is_index = place >= 0 && place == std::trunc(place) && number_text(place) == key;
    if (!is_index || place >= most_items) {
      not_yet("changing this part of an array is", path);
      return nullptr;
    }
    const auto at = static_cast<std::size_t>(place);
    if (at >= of->items.size()) {
      if (!makes) {
        fail("TypeError", "Cannot read properties of undefined", path);
        return nullptr;
      }
      of->items.resize(at + 1, Datum::of_kind(DatumKind::hole));
    }
    return &of->items[at];
  }
  if (of->kind != DatumKind::object) {
    not_yet("changing this is", path);
    return nullptr;
  }
  const auto found = std::find(of->keys.begin(), of->keys.end(), key);
  if (found != of->keys.end())
    return &of->items[static_cast<std::size_t>(found - of->keys.begin())];
  if (!makes) {
    fail("TypeError", "Cannot read properties of undefined", path);
    return nullptr;
  }
  of->keys.push_back(key);
  return &of->items.emplace_back();
}

bool Evaluator::remove(const Node& path, Datum& root) {
  Datum* of = part_of(path.parts[0], root, false);
  if (of == nullptr) return false;
  std::string key = path.text;
  if (path.kind == Node::Kind::item) {
    Datum made;
    if (!evaluate(path.parts[1], made)) return false;
    key.clear();
    append_text(made, key);
  }
  if (of->kind != DatumKind::object) return not_yet("deleting this is", path);
  const auto found = std::find(of->keys.begin(), of->keys.end(), key);
  if (found == of->keys.end()) return true;
  of->items.erase(of->items.begin() + (found - of->keys.begin()));
  of->keys.erase(found);
  return true;
}

}  // namespace inky::inline v1::javascript
