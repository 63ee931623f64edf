// How a whole program is in source: what is around its statements, and how values are written.
// Facts of a language, which each of its dialects names.
//
// In a form, @ marks what is filled in: the name, the value.
#pragma once

#include <cstdint>
#include <span>
#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

// How a byte that cannot be printed is written in a literal.
enum class ControlEscape : std::uint8_t {
  octal,        // \033
  hexadecimal,  // \x1b
  unicode,      // \u001b
  braces,       // \u{1b}
  itself,       // it stands there as it is
};

// How a character that changes the direction of text is written, which some compilers refuse as it
// is, and nobody can see.
enum class DirectionEscape : std::uint8_t {
  digits,  // \u202e
  braces,  // \u{202e}
  bytes,   // \342\200\256
  itself,
};

struct TypeForm {
  Type type;
  std::string_view name;  // in a declaration, with what parts it from the name
  // Around the digits: "@ULL". Of a duration, @s and @n are its seconds and its nanoseconds.
  std::string_view literal = "@";
  std::string_view needs = {};  // a line that the program begins with where it has such a value
  std::string_view with_offset =
      {};  // the literal of a moment with an offset, where that is another
  // The literal of one with a time zone; empty: it stands there with its offset alone.
  std::string_view with_zone = {};
  std::string_view zone_needs = {};  // as `needs`, where it has such a one
};

// A line that a program begins with where its statement uses one of these words.
struct NeededLine {
  std::string_view words;  // separated by spaces
  std::string_view line;
};

// How a program chooses one of the facts' settings.
struct SettingForm {
  // Who has the data of a locale, so that a machine may lack it.
  enum class Source : std::uint8_t { runtime, c_library, icu, icu_by_environment };
  std::string_view name;
  std::string_view line;           // @L the value in quotes, @N the value alone
  std::string_view replaces = {};  // of `before`; empty: the line comes behind it
  std::string_view needs = {};     // a line that the program begins with
  Source source = Source::runtime;
};

// How a template gets the values that have names.
enum class NamesPassed : std::uint8_t {
  in_order,      // as those without
  by_name_only,  // a field without a name never takes them
  in_a_mapping,  // all in one value, which a field without a key takes whole
};

struct ProgramForm {
  std::string_view before;       // empty: there is no program
  std::string_view declaration;  // @T a type, @N a name, @V a value
  std::string_view statement;    // @S
  std::string_view after;
  std::span<const TypeForm> types;  // those it can be given
  std::string_view infinity = {};   // of an f64; empty: it cannot be written
  std::string_view negative_infinity = {};
  std::string_view not_a_number = {};
  std::string_view truth = "true";
  std::string_view falsehood = "false";
  std::string_view least_i64 = {};  // where its digits are no literal
  char exponent = 'e';              // of a real
  std::string_view real_end = {};   // of a real without an exponent
  ControlEscape control = ControlEscape::octal;
  DirectionEscape direction = DirectionEscape::digits;
  std::string_view escaped = "\"\\";  // what has a backslash before it in a text
  // \u is read before the source is cut into literals, so that \u0022 is a quote that ends one:
  // the Java Language Specification, 3.3.
  bool unicode_first = false;
  std::span<const NeededLine> needed = {};
  std::span<const SettingForm> settings = {};  // those that a program can choose
  NamesPassed named_values = NamesPassed::in_order;
};

// What a dialect's program is made of: an empty form where there is none.
inline constexpr ProgramForm no_program_form = {};
inline const ProgramForm& program_form_of(const DialectFacts& facts) {
  return facts.forms.program == nullptr ? no_program_form : *facts.forms.program;
}

// Null where a program cannot choose this setting.
const SettingForm* find_setting_form(const DialectFacts& facts, std::string_view name);

// A text as it is between the double quotes of a literal. No text can end the literal.
std::string literal_text(const ProgramForm& form, std::string_view text);
// The same for one character of the text, which the language reads as itself.
void append_literal_character(const ProgramForm& form, std::string_view character,
                              std::string& out);

}  // namespace inky::inline v1
