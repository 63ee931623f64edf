#include "scan/tokens.hpp"

#include <algorithm>

#include "dialect/language_facts.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "lexer.hpp"

namespace inky::inline v1 {

namespace {

SourceToken::Kind kind_of(Token::Kind kind) {
  switch (kind) {
    case Token::Kind::word:
      return SourceToken::Kind::word;
    case Token::Kind::number:
      return SourceToken::Kind::number;
    case Token::Kind::text:
      return SourceToken::Kind::text;
    case Token::Kind::character:
      return SourceToken::Kind::character;
    default:
      return SourceToken::Kind::sign;
  }
}

}  // namespace

SourceTokens tokens_of(const SourceLanguage& language, std::string_view text) {
  std::size_t at = 0;
  const ByteSource source = [&](char* into, std::size_t most) {
    const std::size_t size = std::min(most, text.size() - at);
    std::copy_n(text.data() + at, size, into);
    at += size;
    return size;
  };
  Reader reader(source);
  Lexer lexer(*language.lexis, reader);
  SourceTokens out;
  for (Token token;;) {
    lexer.next(token);
    if (token.kind == Token::Kind::end) return out;
    const bool literal = token.kind == Token::Kind::text || token.kind == Token::Kind::character;
    if (literal && !token.literal.whole) {
      out.whole = false;
      return out;
    }
    out.tokens.push_back({kind_of(token.kind), literal ? token.literal.body : token.text});
  }
}

const SourceLanguage* language_of_dialect(const Dialect& dialect) {
  const LanguageFacts* facts = language_facts_of(dialect);
  return facts == nullptr ? nullptr : find_language(facts->id);
}

}  // namespace inky::inline v1
