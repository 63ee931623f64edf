// Chains of a stream among other statements: what they set stays for those that follow.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/expression_form.hpp"

namespace inky::inline v1 {

// The manipulators of a chain that stay set, and whether they come before all values.
struct Lasting {
  std::vector<std::string> settings;
  bool come_first = true;
  bool have_names = false;  // one of them takes a value that may change
};
// Nothing where a setting is no manipulator: cout.width(5).
std::optional<Lasting> lasting_in(const ExpressionForm& form, std::string_view chain);

// What a chain begins with: "std::cout".
std::string stream_of(std::string_view chain);

}  // namespace inky::inline v1
