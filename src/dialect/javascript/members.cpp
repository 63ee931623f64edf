// Objects that are written down, and the parts of values: o.a, items[0], text.length.

#include <algorithm>
#include <numeric>
#include <unordered_map>

#include "evaluator.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

// The number of a key that is the index of an array; nothing of any other.
std::optional<std::uint64_t> index_of(std::string_view key) {
  constexpr std::size_t most_digits = 9;
  const bool is_index = !key.empty() && key.size() <= most_digits &&
                        key.find_first_not_of("0123456789") == std::string_view::npos &&
                        (key[0] != '0' || key.size() == 1);
  if (!is_index) return std::nullopt;
  std::uint64_t out = 0;
  for (const char c : key) out = out * 10 + static_cast<std::uint64_t>(c - '0');
  return out;
}

// Of several values of one key the last stays, where the first was; keys that are indices come
// first: ECMA-262, 10.1.11.
void settle_keys(Datum& object) {
  std::unordered_map<std::string, std::size_t> places;
  std::vector<std::string> keys;
  std::vector<Datum> items;
  for (std::size_t i = 0; i < object.keys.size(); ++i) {
    const auto [found, is_new] = places.emplace(object.keys[i], keys.size());
    if (is_new) {
      keys.push_back(object.keys[i]);
      items.push_back(std::move(object.items[i]));
    } else {
      items[found->second] = std::move(object.items[i]);
    }
  }
  std::vector<std::size_t> order(keys.size());
  std::iota(order.begin(), order.end(), std::size_t{0});
  std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
    const auto first = index_of(keys[a]);
    const auto second = index_of(keys[b]);
    return first && (!second || *first < *second);
  });
  object.keys.clear();
  object.items.clear();
  for (const std::size_t place : order) {
    object.keys.push_back(std::move(keys[place]));
    object.items.push_back(std::move(items[place]));
  }
}

}  // namespace

bool Evaluator::evaluate_object(const Node& node, Datum& out) {
  out.kind = DatumKind::object;
  const auto put = [&](std::string key, Datum value) {
    out.keys.push_back(std::move(key));
    out.items.push_back(std::move(value));
  };
  for (std::size_t i = 0; i < node.parts.size(); ++i) {
    const Node& part = node.parts[i];
    Datum value;
    if (part.kind == Node::Kind::spread) {
      if (!evaluate(part.parts[0], value)) return false;
      if (value.kind == DatumKind::object) {
        for (std::size_t k = 0; k < value.items.size(); ++k) put(value.keys[k], value.items[k]);
      } else if (value.kind == DatumKind::array && value.keys.empty()) {
        for (std::size_t k = 0; k < value.items.size(); ++k) put(std::to_string(k), value.items[k]);
      } else if (value.kind > DatumKind::big && value.kind < DatumKind::map) {
        return not_yet("spreading this is", part);
      }
    } else if (part.kind == Node::Kind::entry) {
      Datum key;
      if (!evaluate(part.parts[0], key) || !evaluate(part.parts[1], value)) return false;
      std::string name;
      append_text(key, name);
      put(std::move(name), std::move(value));
    } else {
      if (!evaluate(part, value)) return false;
      put(node.keys[i], std::move(value));
    }
  }
  settle_keys(out);
  return within_budget(out, node);
}

void settle_all(Datum& datum) {
  for (Datum& item : datum.items) settle_all(item);
  if (datum.kind == DatumKind::object) settle_keys(datum);
}

bool Evaluator::check_members(const Datum& of, std::string_view name, const Node& node) {
  if (of.kind != DatumKind::undefined && of.kind != DatumKind::null) return true;
  return fail("TypeError",
              std::string("Cannot read properties of ") +
                  (of.kind == DatumKind::null ? "null" : "undefined") + " (reading '" +
                  std::string(name) + "')",
              node);
}

bool Evaluator::find_property(const Datum& of, std::string_view name, const Node& node,
                              Datum& out) {
  out = {};
  const auto place = std::find(of.keys.rbegin(), of.keys.rend(), name);
  const auto count_back = place - of.keys.rbegin();
  switch (of.kind) {
    case DatumKind::object:
    case DatumKind::array:
      if (place != of.keys.rend())
        out = of.items[of.items.size() - 1 - static_cast<std::size_t>(count_back)];
      else if (name == "length" && of.kind == DatumKind::array)
        out = Datum::of_number(static_cast<double>(item_count(of)));
      return true;
    case DatumKind::text:
      if (name == "length")
        out = Datum::of_number(static_cast<double>(measure(of.text, WidthUnit::utf16_units)));
      return true;
    case DatumKind::map:
    case DatumKind::set:
      if (name == "size") out = Datum::of_number(static_cast<double>(of.items.size()));
      return true;
    case DatumKind::pattern:
      if (name == "source") out = Datum::of_text(of.text);
      if (name == "flags" && of.keys[0].size() > 1) return not_yet("this member is", node);
      if (name == "flags") out = Datum::of_text(of.keys[0]);
      if (name == "global") out = Datum::of_truth(of.keys[0].find('g') != std::string::npos);
      return name != "lastIndex" || not_yet("this member is", node);
    case DatumKind::error:
      if (name == "message") out = Datum::of_text(of.text);
      if (name == "name") out = Datum::of_text(of.keys[0]);
      return name != "stack" || not_yet("this member is", node);
    case DatumKind::function:
      if (name == "name" || name == "prototype") return not_yet("this member is", node);
      if (name == "length" && of.function->written)
        out = Datum::of_number(static_cast<double>(of.function->written->parts.size() - 1));
      return name != "length" || of.function->written || not_yet("this member is", node);
    default:
      return true;
  }
}

bool Evaluator::is_method(std::string_view name) {
  const auto known = methods();
  return std::any_of(known.begin(), known.end(),
                     [&](const MethodFact& fact) { return fact.name == name; });
}

bool Evaluator::evaluate_member(const Node& node, Datum& out) {
  if (const auto constant = find_constant(node, out)) return *constant;
  Datum of;
  if (!evaluate_link(node.parts[0], of)) return false;
  is_ended_ = is_ended_ || (node.optional && of.kind <= DatumKind::null);
  if (is_ended_) return true;
  if (!check_members(of, node.text, node)) return false;
  if (!find_property(of, node.text, node, out)) return false;
  const bool is_function =
      is_method(node.text) || is_common(node.text) || node.text == "constructor";
  if (out.kind != DatumKind::undefined || !is_function || node.text == "length") return true;
  return not_yet("the member " + node.text + " without a call is", node);
}

bool Evaluator::evaluate_item(const Node& node, Datum& out) {
  Datum of;
  Datum key;
  if (!evaluate_link(node.parts[0], of)) return false;
  is_ended_ = is_ended_ || (node.optional && of.kind <= DatumKind::null);
  if (is_ended_) return true;
  if (!evaluate(node.parts[1], key)) return false;
  std::string name;
  append_text(key, name);
  if (!check_members(of, name, node)) return false;
  const bool digits = !name.empty() && name.size() < 9 &&
                      name.find_first_not_of("0123456789") == std::string::npos &&
                      (name == "0" || name[0] != '0');
  if (digits && of.kind == DatumKind::array) {
    const auto index = static_cast<std::size_t>(std::stoul(name));
    if (index < item_count(of) && of.items[index].kind != DatumKind::hole) out = of.items[index];
    return true;
  }
  if (of.kind == DatumKind::text && digits) return evaluate_unit(node, of, std::stoul(name), out);
  if (!find_property(of, name, node, out)) return false;
  if (out.kind == DatumKind::undefined && (is_method(name) || is_common(name)) && name != "length")
    return not_yet("such a member is", node);
  return true;
}

bool Evaluator::evaluate_unit(const Node& node, const Datum& of, std::size_t index, Datum& out) {
  const std::string_view before = cut(of.text, index, WidthUnit::utf16_units);
  const std::string_view rest = std::string_view(of.text).substr(before.size());
  if (index >= measure(of.text, WidthUnit::utf16_units)) return true;
  const auto point = first_code_point(rest);
  if (measure(before, WidthUnit::utf16_units) != index || point->value > 0xFFFF)
    return not_yet("half of a surrogate pair is", node);
  out = Datum::of_text(std::string(rest.substr(0, static_cast<std::size_t>(point->bytes))));
  return true;
}

}  // namespace inky::inline v1::javascript
