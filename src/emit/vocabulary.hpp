// The words that a table program has of its own; and the last check of one before it is used: every
// word outside of its texts is known.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <unordered_set>

#include "inky_margin/dialect/dialect.hpp"
#include "scan/tokens.hpp"

namespace inky::inline v1 {

// The words in the forms that the programs of a dialect are made of.
class Vocabulary {
 public:
  // REQUIRES: a dialect with a table form.
  explicit Vocabulary(const Dialect& dialect);

  void add_modifiers(const DialectFacts& facts);
  void add_word(const std::string& word) { words_.insert(word); }
  bool has(const std::string& word) const { return words_.count(word) != 0; }

 private:
  // Forms have marks for what is filled in: @N. They are words only where a scanner takes them so.
  void add(std::string_view source);

  const SourceLanguage* language_;
  std::string begin_;  // of a program: code of PHP is none without it
  std::unordered_set<std::string> words_;
};

// A form with its @N filled in.
std::string with_name(std::string_view form, const std::string& name);

// Whether the scanner of source files, which knows nothing of how the program was made, finds in it
// only words that the facts of its language have, and the names of the sheet's columns: whatever
// stood in headings and cells is inside of texts, or not there.
bool has_known_words_only(const Dialect& dialect, std::span<const std::string> columns,
                          std::string_view source);

}  // namespace inky::inline v1
