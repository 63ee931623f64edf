// An argument of a call, as the words and signs it is made of, and what they show of its value.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "declarations.hpp"
#include "inky_margin/check/check.hpp"
#include "lexer.hpp"

namespace inky::inline v1 {

struct Item {
  enum class Kind : std::uint8_t { word, number, text, character, sign, group };
  Kind kind = Kind::sign;
  std::string text;       // of a word, number or sign; of a group the words in it, if there are few
  Literal literal;        // of a text or character
  char bracket = 0;       // that a group begins with
  std::string shown;      // of a group: what is in it, for messages; empty: texts are, or nothing
  bool is_empty = false;  // a group with nothing in it
  bool is_list = false;   // a group of several
  bool spreads = false;   // a group with a value in it that is any number of them
  std::size_t elements = 0;  // of a group
  std::string type;          // of a group around one expression, as far as it is known

  bool is_sign(std::string_view sign) const { return kind == Kind::sign && text == sign; }
  bool is_word(std::string_view word) const { return kind == Kind::word && text == word; }
};

using Argument = std::vector<Item>;

// What an argument shows of its value.
Given given_by(const Lexis& lexis, const Argument& argument, const Declarations& declared);

// The type of a number as it is written; empty where it has no name.
std::string type_of_number(const Lexis& lexis, std::string_view text);

// An argument as it is written in source, for messages; cut where it is long, and empty where there
// are texts in it.
std::string written(std::span<const Item> argument);

// The texts that an argument is, joined; false where it is anything else.
bool all_texts(const Lexis& lexis, const Argument& argument, std::size_t from);
// Where the argument begins behind its name, `fmt = `; 0 where it has none.
std::size_t behind_name(const Lexis& lexis, const Argument& argument);
// The template of a macro such as PRId64; nothing where it is none.
std::optional<std::string> format_macro(const Lexis& lexis, const Item& item);

}  // namespace inky::inline v1
