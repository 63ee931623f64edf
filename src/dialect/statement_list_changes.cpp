// What changes of arrays and lists do.

#include <algorithm>

#include "computed/arithmetic.hpp"
#include "dialect/statement_arrays.hpp"

namespace inky::inline v1 {

namespace {

// Where an item is; nothing where there is none.
std::optional<std::size_t> place_in(const Value& list, const Value& place) {
  if (!list.is(Type::list) || !is_whole(place.type())) return std::nullopt;
  const Integer at = computed::whole_of(place);
  if (at < 0 || at >= list.as_list().size()) return std::nullopt;
  return at.convert_to<std::size_t>();
}

// Whether values have one order in every language: all are numbers, or texts of ASCII.
bool sort_items(std::vector<Value>& items) {
  const auto is_one_kind = [&](auto&& test) {
    return std::all_of(items.begin(), items.end(), test);
  };
  if (is_one_kind([](const Value& one) {
        return is_whole(one.type()) ||
               (is_real(one.type()) && one.as_real().kind != RealClass::not_a_number);
      })) {
    std::stable_sort(items.begin(), items.end(), [](const Value& a, const Value& b) {
      return std::is_lt(computed::compare(a, b));
    });
    return true;
  }
  const bool are_words = is_one_kind([](const Value& one) {
    if (!one.is(Type::text)) return false;
    const std::string_view text = one.as_text();
    return std::all_of(text.begin(), text.end(), [](char c) { return 'a' <= c && c <= 'z'; });
  });
  if (!are_words) return false;
  std::stable_sort(items.begin(), items.end(),
                   [](const Value& a, const Value& b) { return a.as_text() < b.as_text(); });
  return true;
}

}  // namespace

const Value* item_at(const Value& list, std::span<const Value> places) {
  const Value* out = &list;
  for (const Value& place : places) {
    const auto at = place_in(*out, place);
    if (!at) return nullptr;
    out = &out->as_list()[*at];
  }
  return out;
}

bool apply_change(ListChange::Kind kind, std::span<const Value> places, const Value& value,
                  Value& list) {
  if (!list.is(Type::list)) return false;
  std::vector<Value> items(list.as_list().begin(), list.as_list().end());
  switch (kind) {
    case ListChange::Kind::item: {
      const auto at = place_in(list, places[0]);
      if (!at) return false;
      if (places.size() == 1)
        items[*at] = value;
      else if (!apply_change(kind, places.subspan(1), value, items[*at]))
        return false;
      break;
    }
    case ListChange::Kind::add:
      items.push_back(value);
      break;
    case ListChange::Kind::drop_last:
      if (items.empty()) return false;
      items.pop_back();
      break;
    case ListChange::Kind::clear:
      items.clear();
      break;
    case ListChange::Kind::sort:
      if (!sort_items(items)) return false;
      break;
    case ListChange::Kind::reverse:
      std::reverse(items.begin(), items.end());
      break;
  }
  list = Value::list(std::move(items));
  return true;
}

}  // namespace inky::inline v1
