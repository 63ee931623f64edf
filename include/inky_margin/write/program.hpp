// A whole program that prints a template with its values, in the language of its dialect.
//
//   const Value values[] = {Value::real(2.675)};
//   *write_program(*find_dialect("python"), *find_dialect("python")->parse("{:.2f}"), values)
//                                     // v1 = 2.675
//                                     // print("{:.2f}".format(v1), end="")
//
// Values stand in it as literals, from which the language reads the same values again; no text can
// leave its quotes.
#pragma once

#include <span>
#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

// An error where the language has no such program, no literal of such a value, or no way to choose
// such a setting, yet. REQUIRES: find_fault() finds nothing in any of the settings.
Result<std::string> write_program(const Dialect& dialect, const Template& parsed,
                                  std::span<const Value> values,
                                  std::span<const Setting> settings = {});

// A value as a literal of the language, with its quotes.
Result<std::string> write_value(const Dialect& dialect, const Value& value);

}  // namespace inky::inline v1
