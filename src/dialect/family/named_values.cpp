#include "named_values.hpp"

#include <algorithm>

namespace inky {

namespace {

const Value* named(std::span<const Value> values, std::string_view name) {
  const auto found = std::find_if(values.begin(), values.end(), [&](const Value& value) {
    return value.is_named() && value.name() == name;
  });
  return found == values.end() ? nullptr : &*found;
}

}  // namespace

const Value* find_value(std::span<const std::string> names, std::span<const Value> values,
                        std::string_view name) {
  if (const Value* value = named(values, name)) return value;
  std::size_t place = 0;
  bool listed = false;
  for (const std::string& known : names) {
    listed = known == name;
    if (listed) break;
    if (named(values, known) == nullptr) ++place;
  }
  if (!listed) return nullptr;
  for (const Value& value : values) {
    if (!value.is_named() && place-- == 0) return &value;
  }
  return nullptr;
}

std::size_t spare_values(std::span<const std::string> names, std::span<const Value> values) {
  const auto is_spare = [&](const Value& value) {
    return std::none_of(names.begin(), names.end(), [&](const std::string& name) {
      return find_value(names, values, name) == &value;
    });
  };
  return static_cast<std::size_t>(std::count_if(values.begin(), values.end(), is_spare));
}

}  // namespace inky
