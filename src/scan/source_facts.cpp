#include "source_facts.hpp"

#include "reader.hpp"

namespace inky::inline v1 {

SourceFacts::SourceFacts(const Lexis& lexis, const ByteSource& source) : declared_(lexis) {
  Reader reader(source);
  Lexer lexer(lexis, reader);
  Token token;
  std::string open;  // the brackets, innermost last
  std::size_t blocks = 0;
  for (lexer.next(token); token.kind != Token::Kind::end; lexer.next(token)) {
    macros_.see(token, open.size());
    declared_.see(token, {!open.empty() && open.back() == '(', open.size(), blocks});
    if (token.kind != Token::Kind::sign || token.text.size() != 1) continue;
    const char sign = token.text[0];
    if (sign == '(' || sign == '[' || sign == '{') {
      if (open.size() == most_depth) open.clear();
      open += sign;
      blocks += sign == '{' ? 1 : 0;
    } else if ((sign == ')' || sign == ']' || sign == '}') && !open.empty()) {
      if (open.back() == '{' && blocks > 0) --blocks;
      open.pop_back();
      if (sign == '}') declared_.end_block(blocks);
    }
  }
  macros_.end();
  includes_ = lexer.includes();
}

std::shared_ptr<const SourceFacts> read_facts(const SourceLanguage& language,
                                              const ByteSource& source) {
  return std::make_shared<const SourceFacts>(*language.lexis, source);
}

std::span<const Include> includes_of(const SourceFacts& facts) {
  return facts.includes();
}

}  // namespace inky::inline v1
