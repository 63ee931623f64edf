// Objects that a program makes: new Map, new Set, new Date, new Error; and the methods of maps and
// sets: ECMA-262, 24.

#include <algorithm>
#include <cmath>

#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "evaluator.hpp"

namespace inky::inline v1::javascript {

namespace {

// SameValueZero, of what is not made of parts.
bool is_same(const Datum& a, const Datum& b) {
  if (a.kind != b.kind || a.kind > DatumKind::text) return false;
  switch (a.kind) {
    case DatumKind::number:
      return a.number == b.number || (std::isnan(a.number) && std::isnan(b.number));
    case DatumKind::boolean:
      return a.truth == b.truth;
    case DatumKind::text:
      return a.text == b.text;
    case DatumKind::big:
      return a.big.negative == b.big.negative && a.big.magnitude == b.big.magnitude;
    default:
      return true;
  }
}

const Datum& key_of(const Datum& collection, std::size_t index) {
  const Datum& item = collection.items[index];
  return collection.kind == DatumKind::map ? item.items[0] : item;
}

std::size_t place_of(const Datum& collection, const Datum& key) {
  std::size_t at = 0;
  while (at < collection.items.size() && !is_same(key_of(collection, at), key)) ++at;
  return at;
}

void put(Datum& collection, Datum key, Datum value) {
  const std::size_t at = place_of(collection, key);
  if (at < collection.items.size()) {
    if (collection.kind == DatumKind::map) collection.items[at].items[1] = std::move(value);
    return;
  }
  if (key.kind == DatumKind::number && key.number == 0) key.number = 0;
  if (collection.kind == DatumKind::set) {
    collection.items.push_back(std::move(key));
    return;
  }
  Datum entry = Datum::of_kind(DatumKind::array);
  entry.items = {std::move(key), std::move(value)};
  collection.items.push_back(std::move(entry));
}

}  // namespace

bool Evaluator::construct_collection(const Node& node, DatumKind kind,
                                     const std::vector<Datum>& arguments, Datum& out) {
  out = Datum::of_kind(kind);
  if (arguments.empty() || arguments[0].kind <= DatumKind::null) return true;
  std::vector<Datum> items;
  if (!append_spread(arguments[0], node, items)) return false;
  // Each is looked for among those before it.
  constexpr std::size_t most_items = 2'000;
  if (items.size() > most_items) return over_limit("more than 2,000 items of a Map or a Set", node);
  for (Datum& item : items) {
    if (kind == DatumKind::set) {
      put(out, std::move(item), {});
      continue;
    }
    if (item.kind <= DatumKind::text)
      return fail("TypeError", "an item of a Map is an array of a key and a value", node);
    if (item.kind != DatumKind::array) return not_yet("such an item of a Map is", node);
    item.items.resize(std::max<std::size_t>(item.items.size(), 2));
    put(out, std::move(item.items[0]), std::move(item.items[1]));
  }
  return true;
}

bool Evaluator::construct(const Node& node, Datum& out) {
  const Node& callee = node.parts[0];
  std::vector<Datum> arguments;
  if (!evaluate_all(node, 1, arguments)) return false;
  const bool is_name = callee.kind == Node::Kind::name && scope_.find(callee.text) == nullptr;
  const std::string_view name = is_name ? std::string_view(callee.text) : std::string_view();
  if (name == "Map" || name == "Set")
    return construct_collection(node, name == "Map" ? DatumKind::map : DatumKind::set, arguments,
                                out);
  if (name == "Date") return construct_date(node, arguments, out);
  if (name == "Array") return make_array(node, arguments, out);
  if (name == "RegExp") return construct_pattern(node, arguments, out);
  if (has_word("Error TypeError RangeError SyntaxError ReferenceError", name)) {
    if (arguments.size() > 1) return not_yet("such an Error is", node);
    out = Datum::of_kind(DatumKind::error);
    out.keys.emplace_back(name);
    if (!arguments.empty() && arguments[0].kind != DatumKind::undefined)
      append_text(arguments[0], out.text);
    return true;
  }
  if (is_formatter(callee) && scope_.find("Intl") == nullptr) {
    out = Datum::of_kind(DatumKind::formatter);
    out.text = callee.text;
    out.items = std::move(arguments);
    // What its options refuse, they refuse here; what there is to say of them comes later.
    constexpr double any_time = 1'936'094'400'000;
    Notes* const notes = std::exchange(notes_, nullptr);
    Datum tried;
    const bool good = callee.text == "NumberFormat"
                          ? call_locale(node, Datum::of_number(0), out.items, tried)
                          : format_date(node, any_time, out.items, DateParts::formatted, tried);
    notes_ = notes;
    return good;
  }
  return not_yet("such an object is", node);
}

// Array(3), Array.of is elsewhere.
bool Evaluator::make_array(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  out = Datum::of_kind(DatumKind::array);
  if (arguments.size() != 1 || arguments[0].kind != DatumKind::number) {
    out.items = arguments;
    return true;
  }
  constexpr double most_items = 10'000;
  const double count = arguments[0].number;
  if (!(count >= 0) || count != std::trunc(count) || count > 4294967295.0)
    return fail("RangeError", "Invalid array length", node);
  if (count > most_items) return not_yet("an array of this size is", node);
  out.items.resize(static_cast<std::size_t>(count), Datum::of_kind(DatumKind::hole));
  return true;
}

bool Evaluator::call_on_collection(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                                   Datum& out) {
  const std::string& name = node.parts[0].text;
  const bool is_map = of.kind == DatumKind::map;
  const Datum key = arguments.empty() ? Datum() : arguments[0];
  out = {};
  if (key.kind > DatumKind::text && has_word("get has delete", name))
    return not_yet("looking for an object is", node);
  const std::size_t at = place_of(of, key);
  const bool is_there = at < of.items.size();
  if (name == "has") {
    out = Datum::of_truth(is_there);
  } else if (name == "get" && is_map) {
    if (is_there) out = of.items[at].items[1];
  } else if (name == (is_map ? "set" : "add")) {
    put(of, key, arguments.size() > 1 ? arguments[1] : Datum());
    out = of;
  } else if (name == "delete") {
    if (is_there) of.items.erase(of.items.begin() + static_cast<std::ptrdiff_t>(at));
    out = Datum::of_truth(is_there);
  } else if (name == "clear") {
    of.items.clear();
  } else if (has_word("keys values entries", name)) {
    out = Datum::of_kind(DatumKind::iterator);
    out.text = name == "entries" ? (is_map ? "Map Entries" : "Set Entries")
               : is_map          ? "Map"
                                 : "Set";
    for (const Datum& item : of.items) {
      Datum pair = item;
      if (!is_map) {
        pair = Datum::of_kind(DatumKind::array);
        pair.items = {item, item};
      }
      out.items.push_back(name == "entries" ? pair : pair.items[name == "keys" ? 0 : 1]);
    }
  } else {
    return missing(node, is_method(name));
  }
  return true;
}

}  // namespace inky::inline v1::javascript
