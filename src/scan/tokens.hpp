// A source text cut into its tokens, for those who want to see that it states what it should.
//
//   tokens_of(language, "printf(\"%d\", n);")
//                        // word printf, sign (, text %d, sign , ...
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/language.hpp"

namespace inky::inline v1 {

class Dialect;

struct SourceToken {
  enum class Kind : std::uint8_t { word, number, text, character, sign };
  Kind kind = Kind::word;
  // As it is in source; of a text or a character, between its quotes; of a number, without the
  // marks between its digits; empty of a pattern and of a label such as 'a.
  std::string text;
  friend bool operator==(const SourceToken&, const SourceToken&) = default;
};

struct SourceTokens {
  std::vector<SourceToken> tokens;
  // A literal that does not end, or is longer than most_call bytes, ends the tokens; it and those
  // behind it are not there.
  bool whole = true;
};

// Comments are passed over.
SourceTokens tokens_of(const SourceLanguage& language, std::string_view text);

// The language that a dialect is a part of; null where it is not known.
const SourceLanguage* language_of_dialect(const Dialect& dialect);

}  // namespace inky::inline v1
