// Templates whose holes a logger or a library fills in: which of them get a value is checked, and
// not what is printed.
//
//   GivenValues given; given.values = {Given{Type::i32}};
//   check_holes(HoleRule::braces, "{} of {}", given).faults[0].code   // Code::hole_not_filled
//
// Observed: util.format of Node.js 20, java.text.MessageFormat of OpenJDK 17, SLF4J 1.7 and
// Microsoft.Extensions.Logging of .NET 10; tools/compilers/holes.py asks them again.
#pragma once

#include <string_view>

#include "inky_margin/check/check.hpp"
#include "inky_margin/dialect/language.hpp"

namespace inky::inline v1 {

// REQUIRES: a rule, not HoleRule::none. The template is as it stands in source, escapes and all.
Checked check_holes(HoleRule rule, std::string_view source, const GivenValues& given);

}  // namespace inky::inline v1
