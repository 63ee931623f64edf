// Literals of numbers as programming languages write them, made into decimal digits.
//
//   literal_in("#2r1101")     // digits "13"
//   literal_in("2#1101#")     // digits "13"
//   literal_in("&HFF")        // digits "255"
//   literal_in("1'000u")      // digits "1000"
//   literal_in("1.1f")        // digits "1.1", type "f32"
//   literal_in("1.1")         // nothing: it is no other literal than ours
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace inky::inline v1 {

struct NumberLiteral {
  std::string digits;     // a decimal number
  std::string_view type;  // where a mark at its end says it; else empty
};

std::optional<NumberLiteral> literal_in(std::string_view text);

}  // namespace inky::inline v1
