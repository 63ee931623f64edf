#include "inky_margin/number/rounding.hpp"

namespace inky::inline v1 {

std::string_view name_of(Rounding rounding) {
  return rounding_names[static_cast<std::size_t>(rounding)];
}

std::optional<Rounding> rounding_named(std::string_view name) {
  for (Rounding rounding : all_roundings) {
    if (name_of(rounding) == name) return rounding;
  }
  return std::nullopt;
}

}  // namespace inky::inline v1
