// Writing source, in any family: text between the quotes of a literal, and lists of names.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::writing {

// How a language writes a character that cannot stand as itself.
enum class ControlForm : std::uint8_t {
  octal,        // \001
  hexadecimal,  // \x01
  unicode,      // \u0001
  braces,       // \u{1}
  none,         // as itself
};

struct LiteralRules {
  std::string_view doubled = {};      // characters that are written twice
  std::string_view escaped = "\"\\";  // with a backslash before them
  std::string_view numbered = {};     // by their number, as control characters are
  ControlForm control = ControlForm::hexadecimal;
  bool letters = true;  // \n, \t and \r
  bool nul = true;      // the character of code 0 can stand there
};

// Text as it is between the quotes; nothing where it cannot.
std::optional<std::string> literal(const LiteralRules& rules, std::string_view text);

// "a, b, c", each with `before` in front.
std::string listed(std::span<const std::string> names, std::string_view separator,
                   std::string_view before = {});

// Whether a template with braces has a field of this name: one of `ends` comes behind the name.
bool names_field(std::string_view source, std::string_view name, std::string_view ends);
// Whether the name is a width or a precision there, with a $ behind it.
bool names_count(std::string_view source, std::string_view name);

// What a wish leaves open, settled by the type of the value: the kind, and with it the notation.
Kind kind_of(const FieldWish& wish);
// Fixed notation without a count is the shortest digits, where a language cannot keep out
// exponents.
Spec without_open_places(const Spec& spec);
// Whether it asks for no more than the value as the language shows it.
bool asks_nothing_of_a_number(const Spec& spec);

// "wish-not-expressible"
void cannot(std::string what, Notes& notes);

}  // namespace inky::inline v1::writing
