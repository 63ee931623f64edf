#include "scan/tokens.hpp"

#include <algorithm>

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
  const auto all = all_languages();
  const auto by = [&](auto is_it) {
    const auto found = std::find_if(all.begin(), all.end(), is_it);
    return found == all.end() ? nullptr : &*found;
  };
  const DialectFacts& facts = dialect.facts();
  if (const auto* own = by([&](const auto& one) { return one.dialect == facts.id; })) return own;
  return by([&](const auto& one) { return one.name == facts.language; });
}

}  // namespace inky::inline v1
