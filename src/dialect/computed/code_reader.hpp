// Expressions of languages whose numbers, texts and comments are written as C writes them.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/format/template.hpp"
#include "reader.hpp"

namespace inky::inline v1::computed {

// What such a language writes in its own way.
struct CodeFacts {
  const Grammar* grammar = nullptr;
  std::string_view language = {};      // in sentences
  std::string_view syntax_fault = {};  // how it calls what it cannot read
  std::string_view digit_marks = {};   // may stand between digits
  bool hexadecimal_reals = false;      // 0x1.8p3
  std::string_view word_marks = {};    // what a name may have beside letters, digits and _
  // Reads the escape at `at` (a backslash): appends what it means to out.literals, and returns its
  // length. What the language refuses sets out.refusal.
  std::size_t (*read_escape)(std::size_t at, TemplateContent& out) = nullptr;
  // A number of the language; nothing where the text is none.
  std::optional<Value> (*number)(std::string_view text) = nullptr;
  std::string_view rare_suffixes = {};  // of numbers of types that are not supported yet
  // A word that is a value; nothing for all others.
  std::optional<Value> (*constant)(std::string_view word) = nullptr;
  // What is between single quotes; nothing where it is no character of the language.
  std::optional<Value> (*character)(const std::string& text) = nullptr;
  // Whether a word in parentheses before a value is the name of a type.
  bool (*is_type)(std::string_view name) = nullptr;
  std::string_view rare_prefixes = {};  // of texts of kinds that are not supported yet here
  std::string_view verbatim = {};  // before a text without escapes: @"C:\"; "" is a quote in it
  bool raw_triples = false;        // between three quotes or more a text has no escapes
  bool makes_objects = false;      // new Name(...), new int[] {...}
  // Classes whose objects are lists, with their items in braces: new List<int> {1, 2}.
  std::string_view list_classes = {};
  std::string_view function_arrow = {};  // between the names of a function and what it comes to
  std::string_view unknown_words = {};   // words that begin what is not supported yet
};

// true, false and null, as a CodeFacts::constant.
std::optional<Value> truth_or_nil(std::string_view word);

class CodeReader : public Reader {
 public:
  // Reads out.source, and uses out.literals for a while; what escapes are not known goes to its
  // notes. `limit`: the source ends here.
  CodeReader(const CodeFacts& facts, TemplateContent& out, std::size_t at,
             std::size_t limit = std::string::npos)
      : Reader(*facts.grammar, std::string_view(out.source).substr(0, limit), at),
        facts_(facts),
        out_(out) {}

 protected:
  std::optional<bool> read_own(Node& node) override;
  std::optional<std::string> read_cast() override;
  // Comments, too.
  void skip_blanks() override;
  bool begins_name(char c) const override;
  std::string_view syntax_fault() const override { return facts_.syntax_fault; }

  // A literal, where one begins here.
  std::optional<bool> read_literal(Node& node);
  // What is behind the word "new".
  bool read_new(Node& node, std::size_t start);
  // What is between two quotes on one line, with its escapes read.
  bool read_quoted(char quote, std::string& text);

  const CodeFacts& facts_;
  TemplateContent& out_;

 private:
  bool begins_member() const;
  bool read_number(Node& node);
  bool read_text(Node& node);
  bool read_verbatim(Node& node);
  bool read_raw(Node& node);
  bool read_character(Node& node);
  bool read_object(Node& node, std::size_t start);
  bool skip_between(char open, char close, std::string_view& inside);
  // x => ..., (a, b) => .... Nothing where none begins here.
  std::optional<bool> read_function(Node& node);
};

}  // namespace inky::inline v1::computed
