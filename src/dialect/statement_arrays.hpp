// Arrays and lists of typed languages among statements: their declarations and their changes.
//
//   int a[] = {1, 2, 3};        var xs = new List<double> { 1.5, 2 };        a[1] += 4;        xs.Add(3);
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "dialect/statement.hpp"
#include "dialect/statement_lines.hpp"

namespace inky::inline v1 {

// The most items that a declaration fills in by itself: int a[100] = {}.
inline constexpr std::size_t most_filled_items = 1'000;

struct ArrayDeclaration {
  Declaration declared;
  std::string item_type;  // that its items are converted to; empty: they stay as they are
  bool is_array = true;   // what it shows as a whole is not what a list shows
  bool is_text = false;   // char name[] = "ink"
  bool is_fixed = false;  // it does not grow: what an array is, and some lists are
  bool never_changes = false;
  std::size_t count = 0;  // of an array whose items are written out
};
// Nothing where a statement declares no such value.
std::optional<ArrayDeclaration> array_of(const LanguageFacts& language, std::string_view statement);

struct NamedChange {
  std::string name;
  ListChange change;
};
// Nothing where a statement is no such change.
std::optional<NamedChange> list_change_of(const ExpressionForm& form, std::string_view statement);

// Changes a list in place; `places` lead to the item, and `value` is what it takes. False where this
// is not known, or where there is no such item.
bool apply_change(ListChange::Kind kind, std::span<const Value> places, const Value& value,
                  Value& list);
// The item at some places; null where there is none.
const Value* item_at(const Value& list, std::span<const Value> places);

}  // namespace inky::inline v1
