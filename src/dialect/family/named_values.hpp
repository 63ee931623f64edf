// Values by name and by place, found at once however many there are.
#pragma once

#include <cstddef>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <unordered_map>
#include <unordered_set>
#include <vector>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// The values of one rendering. A few are looked through; for more of them an index is made, once,
// when the first is looked for.
class ValueIndex {
 public:
  // `values` outlive it.
  explicit ValueIndex(std::span<const Value> values) : values_(values) {}

  // The first and the last value that bears the name; null where there is none.
  const Value* named(std::string_view name) const;
  const Value* last_named(std::string_view name) const;
  // Of those without a name, the one at this place, from 0; null where there is none.
  const Value* unnamed(std::size_t place) const;
  std::size_t unnamed_count() const;

  std::span<const Value> values() const { return values_; }

 private:
  struct Places {
    std::size_t first;
    std::size_t last;
  };
  struct Index {
    std::unordered_map<std::string_view, Places> names;
    std::vector<std::size_t> unnamed;
  };
  const Index* index() const;

  std::span<const Value> values_;
  mutable std::optional<Index> index_;
};

// Values by name, where a template is made of names: those of a chain, a slot, a call. The names
// that no value bears get the values without names, in order.
class NamedValues {
 public:
  // `names`, each once, and `values` outlive it.
  NamedValues(std::span<const std::string> names, std::span<const Value> values)
      : names_(names), values_(values) {}

  // Null where the name has no value.
  const Value* find(std::string_view name) const;
  // How many values go to none of the names.
  std::size_t spare() const;

 private:
  std::span<const std::string> names_;
  ValueIndex values_;
  // Of many names, the place of each among those that no value bears.
  mutable std::optional<std::unordered_map<std::string_view, std::size_t>> places_;
};

// Keeps names, each once, in the order in which they first come.
class NameCollector {
 public:
  // `names` outlives it.
  explicit NameCollector(std::vector<std::string>& names) : names_(names) {}
  void add(std::string_view name);
  bool has(std::string_view name) const;

 private:
  std::vector<std::string>& names_;
  std::unordered_set<std::string> known_;  // of many names
};

}  // namespace inky::inline v1
