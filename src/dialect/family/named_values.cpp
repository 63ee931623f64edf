#include "named_values.hpp"

#include <algorithm>

namespace inky::inline v1 {

namespace {

// Up to this many values, a loop is faster than an index.
constexpr std::size_t few = 16;

auto bears(std::string_view name) {
  return [name](const Value& value) { return value.is_named() && value.name() == name; };
}

}  // namespace

const ValueIndex::Index* ValueIndex::index() const {
  if (values_.size() <= few) return nullptr;
  if (!index_) {
    index_.emplace();
    for (std::size_t i = 0; i < values_.size(); ++i) {
      if (!values_[i].is_named()) {
        index_->unnamed.push_back(i);
        continue;
      }
      const auto [at, added] = index_->names.try_emplace(values_[i].name(), Places{i, i});
      if (!added) at->second.last = i;
    }
  }
  return &*index_;
}

const Value* ValueIndex::named(std::string_view name) const {
  if (const Index* all = index()) {
    const auto found = all->names.find(name);
    return found == all->names.end() ? nullptr : &values_[found->second.first];
  }
  const auto found = std::find_if(values_.begin(), values_.end(), bears(name));
  return found == values_.end() ? nullptr : &*found;
}

const Value* ValueIndex::last_named(std::string_view name) const {
  if (const Index* all = index()) {
    const auto found = all->names.find(name);
    return found == all->names.end() ? nullptr : &values_[found->second.last];
  }
  const auto found = std::find_if(values_.rbegin(), values_.rend(), bears(name));
  return found == values_.rend() ? nullptr : &*found;
}

const Value* ValueIndex::unnamed(std::size_t place) const {
  if (const Index* all = index())
    return place < all->unnamed.size() ? &values_[all->unnamed[place]] : nullptr;
  for (const Value& value : values_) {
    if (!value.is_named() && place-- == 0) return &value;
  }
  return nullptr;
}

std::size_t ValueIndex::unnamed_count() const {
  if (const Index* all = index()) return all->unnamed.size();
  return static_cast<std::size_t>(std::count_if(
      values_.begin(), values_.end(), [](const Value& value) { return !value.is_named(); }));
}

const Value* NamedValues::find(std::string_view name) const {
  if (const Value* value = values_.named(name)) return value;
  if (names_.size() <= few) {
    std::size_t place = 0;
    for (const std::string& known : names_) {
      if (known == name) return values_.unnamed(place);
      if (values_.named(known) == nullptr) ++place;
    }
    return nullptr;
  }
  if (!places_) {
    places_.emplace();
    std::size_t place = 0;
    for (const std::string& known : names_) {
      if (values_.named(known) == nullptr) places_->emplace(known, place++);
    }
  }
  const auto found = places_->find(name);
  return found == places_->end() ? nullptr : values_.unnamed(found->second);
}

std::size_t NamedValues::spare() const {
  std::size_t used = 0;
  for (const std::string& name : names_) used += find(name) != nullptr ? 1 : 0;
  return values_.values().size() - used;
}

bool NameCollector::has(std::string_view name) const {
  if (!known_.empty()) return known_.count(std::string(name)) != 0;
  return std::find(names_.begin(), names_.end(), name) != names_.end();
}

void NameCollector::add(std::string_view name) {
  if (names_.size() < few) {
    if (std::find(names_.begin(), names_.end(), name) == names_.end()) names_.emplace_back(name);
    return;
  }
  if (known_.empty()) known_.insert(names_.begin(), names_.end());
  if (known_.emplace(name).second) names_.emplace_back(name);
}

}  // namespace inky::inline v1
