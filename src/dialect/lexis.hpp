// What a scanner knows of a language's grammar: enough to tell a literal from a comment, and no
// more. Facts only; the lexer reads them.
#pragma once

#include <cstdint>
#include <optional>
#include <span>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// Whether `use` is true of one of some words that blanks part.
template <typename Use>
constexpr bool any_of_words(std::string_view words, Use use) {
  while (!words.empty()) {
    const std::size_t end = words.find(' ');
    const std::string_view word = words.substr(0, end);
    if (!word.empty() && use(word)) return true;
    words.remove_prefix(end == std::string_view::npos ? words.size() : end + 1);
  }
  return false;
}
constexpr bool has_word(std::string_view words, std::string_view word) {
  return any_of_words(words, [&](std::string_view one) { return one == word; });
}

// What the bytes between the quotes of a literal mean.
enum class LiteralRule : std::uint8_t {
  escapes,          // a backslash begins an escape
  escapes_doubled,  // that, and a quote inside may be written twice
  doubled_escapes,  // a quote inside is written twice; the text goes on to a reader of escapes
  doubled,          // a quote inside is written twice, and a backslash is one
  quote_escapes,    // a backslash is before a quote or a backslash, and is one elsewhere
  guarded,          // a backslash is one, but the quote behind it does not end the text
  raw,              // everything is what it is
};

struct QuoteFact {
  char quote;
  LiteralRule rule;
  bool spans_lines = false;
  bool is_text = true;  // or one character
};

struct TypeNameFact {
  std::string_view name;
  Type type;
};

// Another name of a type, or what a function of the standard library returns: "strchr()".
struct NamedTypeFact {
  std::string_view name;
  std::string_view type;
};

// A type that arithmetic is done with: C17, 6.3.1.1. Reals have the rank 10 and more, an int 2.
struct ArithmeticFact {
  std::string_view name;
  int rank;
  bool is_signed;
};

struct Lexis {
  // What a reader of one file cannot know in a text of insertions made a value of its own, byte for
  // byte in its place. Null: the language has none.
  std::string (*insertions_of_source)(std::string_view text, std::vector<Span>& replaced) = nullptr;

  std::string_view line_comments;  // separated by spaces
  std::string_view block_open = {};
  std::string_view block_close = {};
  bool blocks_nest = false;
  bool block_marks_stand_alone = false;  // in their lines
  std::string_view code_open = {};       // code is between these, where it is not the whole file
  std::string_view code_close = {};
  // Lines that begin with # and one of these words are no code; "*": any word.
  std::string_view directives = {};

  std::span<const QuoteFact> quotes;
  // Letters and signs that stand before a quote: of texts like any other, of raw ones, and of those
  // with slots.
  std::string_view plain_prefixes = {};
  std::string_view raw_prefixes = {};
  std::string_view filling_prefixes = {};
  // How a raw text ends.
  enum class Raw : std::uint8_t {
    guarded,
    doubled,
    delimiter,
    hashes,
    brackets
  } raw = Raw::guarded;
  // What three quotes begin.
  enum class Triple : std::uint8_t {
    nothing,
    escapes,
    indented,
    raw,
    counted
  } triple = Triple::nothing;
  char filling_quote = 0;  // `...${slot}...`
  bool quotes_nest_in_slots = false;
  bool heredocs = false;               // <<<NAME
  bool patterns = false;               // /.../ where an operand may stand
  bool quote_transposes = false;       // ' after an operand is an operator
  bool labels = false;                 // 'a without a second quote is a name
  bool hash_characters = false;        // #\a
  bool names_in_backticks = false;     // `a name`
  bool bang_calls = false;             // name!(...)
  bool imports_of_names = false;       // import static a.b.name;
  std::string_view types_behind = {};  // the sign before <A, B> in a call: name::<A, B>(x)
  // A specification becomes a template between these: {0: and }.
  std::string_view specification_before = {};
  bool digit_quotes = false;         // 1'000
  std::string_view word_marks = {};  // characters of words beyond letters, digits and _

  std::string_view join = {};  // the operator that joins two texts
  bool adjacent_texts_join = false;
  bool lines_end_statements = false;      // outside of parentheses
  bool escapes_name_characters = true;    // \n is a new line, and not an n
  bool keeps_line_ends = false;           // a text keeps CR LF as it is; else it is LF
  bool line_end_joins = false;            // a backslash at the end of a line takes its end away
  bool line_end_takes_blanks = false;     // and the blanks that the next line begins with
  std::string_view names_value = {};      // between a value's name and it: "=", ":"
  bool fields_take_parts = false;         // {name.part} of a value
  bool names_from_scope = false;          // a template may use variables in scope
  bool variables_in_texts = false;        // $name inside a text of escapes is its value
  std::string_view spread = {};           // an argument that begins so is any number of them
  std::string_view percent_dialect = {};  // of the template in "template" % values; empty: no such
  bool format_macros = false;             // "%" PRId64
  // Functions whose value is their text in another language of people, separated by spaces.
  std::string_view translators = {};
  // The same for functions that choose from two texts by a number.
  std::string_view plural_translators = {};
  // Words of a declaration that a name has its value for good by; whether names in capitals have
  // it too; and the function that gives a name, as its first argument, its value.
  std::string_view constant_words = {};
  bool capitals_are_constant = false;
  std::string_view constant_function = {};
  // Words that mean the class which the source is in: this, in this.NAME.
  std::string_view own_class = {};
  std::string_view loop_word = {};  // between a loop's variable and what it goes through
  // A backslash before a character that it says nothing of stands there as it is.
  bool keeps_unknown_escapes = false;
  bool few_values_wait = false;  // a call with too few values is a function of the rest
  // An argument that is no literal may stand for any number of values: one that is alone, or each.
  enum class Many : std::uint8_t { never, alone, each } many = Many::never;
  // A text with slots: what it is called, and the dialect of its slots.
  std::string_view filling_name = {};
  std::string_view filling_dialect = {};
  // {expression,alignment:specification} there, and not {expression!conversion:specification}.
  bool slots_align = false;
  // The methods by which a slot that is an expression formats a number, separated by spaces.
  std::string_view slot_methods = {};

  // The names of types in declarations and casts, and whether a declaration begins with one.
  std::span<const TypeNameFact> types = {};
  // What expressions of C need: empty where they are not read.
  std::span<const NamedTypeFact> named_types = {};
  std::span<const ArithmeticFact> arithmetic = {};
  std::span<const NamedTypeFact> named_values = {};  // errno, and constants of the library
  std::string_view type_of_truth = {};               // of a comparison
  bool truth_is_certain = false;                     // whatever is compared
  std::string_view type_of_text = {};                // of a literal, and of what it is added to
  // The fields of a class are names in it: n is this.n.
  bool fields_are_names = false;
  bool types_come_first = false;
  bool types_come_last = false;  // name: type
  // Words that begin a scope in which nothing is known of a name, and words that a new name
  // follows.
  std::string_view scope_words = {};
  std::string_view binding_words = {};
  // Of a literal without a mark of its type. A whole that does not fit is of the wide one.
  Type whole_type = Type::i32;
  Type wide_whole_type = Type::i64;
  Type real_type = Type::f64;
  Type character_type = Type::character;
  // Marks at the end of a number.
  std::span<const TypeNameFact> suffixes = {};
};

}  // namespace inky::inline v1
