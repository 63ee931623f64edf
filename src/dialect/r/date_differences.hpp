// What lies between two dates of R: a difftime, an object with numbers and a unit.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "../computed/objects.hpp"

namespace inky::inline v1::r_language {

inline constexpr std::string_view difftime = "difftime";

struct DifferenceUnit {
  std::string_view name;
  double seconds;
};
// By its name, or the beginning of it; null: there is none.
const DifferenceUnit* difference_unit(std::string_view name);

Value difference_of(std::vector<Value> numbers, std::string_view unit);

inline bool is_difference(const Value& value) {
  return computed::is_object(value, difftime);
}
// REQUIRES, of both: is_difference().
inline const Value& numbers_of(const Value& value) {
  return computed::object_part(value, 0);
}
inline std::string unit_of(const Value& value) {
  return std::string(computed::object_part(value, 1).as_text());
}

}  // namespace inky::inline v1::r_language
