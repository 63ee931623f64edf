// What the facilities of Python share: its string literals, and its values as text.
#pragma once

#include <array>
#include <string>
#include <string_view>

#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::python {

// The escapes of a str literal, after those of the facility itself.
template <std::size_t count>
constexpr auto with_escapes(const std::array<EscapeFact, count>& own) {
  constexpr auto common = std::to_array<EscapeFact>({
      {"\\n", "a new line"},
      {"\\t", "a tab"},
      {"\\\"", "a double quote"},
      {"\\'", "a single quote"},
      {"\\\\", "a backslash"},
      {"\\a", "the bell"},
      {"\\b", "a backspace"},
      {"\\f", "a form feed"},
      {"\\r", "a carriage return"},
      {"\\v", "a vertical tab"},
      {"\\101", "the character of this octal number, up to three digits"},
      {"\\x41", "the character of this hexadecimal number of two digits"},
      {"\\u03a9", "the character of this code point; \\U takes eight digits"},
  });
  std::array<EscapeFact, count + common.size()> out{};
  std::size_t at = 0;
  for (const EscapeFact& fact : own) out[at++] = fact;
  for (const EscapeFact& fact : common) out[at++] = fact;
  return out;
}

// Reads the escape at `at` (a backslash) of a str literal: appends what it means to the
// literals and returns its length.
std::size_t read_escape(std::size_t at, TemplateContent& out);

// Not-a-number has no sign of its own; zeros fill in front of it.
inline constexpr NumberStyle number_style = {.sign_of_nan = false, .zero_fill_specials = true};

// A whole number or truth value: Python's bool is an int.
bool is_int(const Value& value);

// "int", "float", "NoneType".
std::string_view type_name(const Value& value);

enum class Conversion : char { str = 's', repr = 'r', ascii = 'a' };

// What str(), repr() and ascii() make of a value.
std::string text_of_any(const Value& value, Conversion conversion);

// repr() or ascii() of a str.
std::string quoted(std::string_view text, bool ascii);

}  // namespace inky::inline v1::python
