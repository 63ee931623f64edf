// The literals of a source text.

#include <algorithm>

#include "lexer.hpp"

namespace inky::inline v1 {

const QuoteFact* Lexer::quote_fact(int byte) const {
  const auto found = std::find_if(lexis_.quotes.begin(), lexis_.quotes.end(),
                                  [&](const QuoteFact& fact) { return fact.quote == byte; });
  return found == lexis_.quotes.end() ? nullptr : &*found;
}

bool Lexer::begins_literal(std::size_t& prefix) const {
  constexpr std::size_t most_prefix = 4;
  for (prefix = 0; prefix < most_prefix; ++prefix) {
    const int byte = reader_.peek(prefix);
    if (prefix == 0 && lexis_.filling_quote != 0 && byte == lexis_.filling_quote) return true;
    if (byte == '#' && prefix > 0 && lexis_.raw == Lexis::Raw::hashes) {
      // r#"..."#, but r#name is a name.
      std::size_t ahead = prefix;
      while (reader_.peek(ahead) == '#') ++ahead;
      return reader_.peek(ahead) == '"';
    }
    if (const QuoteFact* fact = quote_fact(byte)) {
      // A character has no prefix of a raw text or of one with slots.
      for (std::size_t i = 0; i < prefix && !fact->is_text; ++i) {
        if (!holds(lexis_.plain_prefixes, reader_.peek(i))) return false;
      }
      return prefix > 0 ||
             !(byte == '\'' && lexis_.quote_transposes && operand_before() && !blank_before_);
    }
    if (!holds(lexis_.plain_prefixes, byte) && !holds(lexis_.raw_prefixes, byte) &&
        !holds(lexis_.filling_prefixes, byte))
      return false;
  }
  return false;
}

void Lexer::read_prefixed(Token& out, std::size_t prefix) {
  out.literal = {};
  bool raw = false;
  bool fills = false;
  for (std::size_t i = 0; i < prefix; ++i) {
    out.literal.wide = out.literal.wide || reader_.peek() == 'L';
    out.literal.bytes = out.literal.bytes || reader_.peek() == 'b' || reader_.peek() == 'B';
    raw = raw || holds(lexis_.raw_prefixes, reader_.peek());
    fills = fills || holds(lexis_.filling_prefixes, reader_.peek());
    reader_.take();
  }
  if (lexis_.filling_quote != 0 && reader_.peek() == lexis_.filling_quote) {
    out.kind = Token::Kind::text;
    reader_.take();
    out.literal.at = reader_.position();
    out.literal.quote = lexis_.filling_quote;
    out.literal.fills = out.literal.slots_are_calls = true;
    read_filled(out.literal, 0);
    return;
  }
  const QuoteFact* fact = quote_fact(reader_.peek() == '#' ? '"' : reader_.peek());
  if (!fact->is_text && lexis_.labels && read_label(out)) return;
  out.kind = fact->is_text ? Token::Kind::text : Token::Kind::character;
  read_literal(out, *fact, raw, fills);
}

void Lexer::read_literal(Token& out, const QuoteFact& fact, bool raw, bool fills) {
  Literal& literal = out.literal;
  literal.quote = fact.quote;
  literal.rule = fact.rule;
  literal.fills = fills;
  if (raw && lexis_.raw == Lexis::Raw::hashes) {
    std::string end = "\"";
    while (reader_.peek() == '#') {
      if (end.size() < most_word) end += '#';
      reader_.take();
    }
    reader_.take();
    literal.rule = LiteralRule::raw;
    read_to(literal, end);
    return;
  }
  const std::string three(3, fact.quote);
  if (lexis_.triple != Lexis::Triple::nothing && fact.is_text && reader_.sees(three)) {
    read_triple(literal, fact.quote, raw);
    return;
  }
  reader_.take();
  if (raw && (lexis_.raw == Lexis::Raw::delimiter || lexis_.raw == Lexis::Raw::brackets)) {
    constexpr std::string_view opens = "([{";
    constexpr std::string_view closes = ")]}";
    const std::string_view brackets = lexis_.raw == Lexis::Raw::brackets ? opens : "(";
    std::string mark;
    while (!holds(brackets, reader_.peek()) && reader_.peek() != fact.quote &&
           reader_.peek() != '\n' && reader_.peek() != Reader::at_end && mark.size() < 16) {
      mark += static_cast<char>(reader_.peek());
      reader_.take();
    }
    if (!holds(brackets, reader_.peek())) {
      literal.whole = false;
      return;
    }
    const char close = closes[opens.find(static_cast<char>(reader_.peek()))];
    reader_.take();
    literal.rule = LiteralRule::raw;
    read_to(literal, close + mark + fact.quote);
    return;
  }
  if (raw)
    literal.rule = lexis_.raw == Lexis::Raw::doubled ? LiteralRule::doubled : LiteralRule::guarded;
  literal.at = reader_.position();
  if (fills && lexis_.quotes_nest_in_slots && literal.rule == LiteralRule::escapes) {
    read_filled(literal, 0);
    return;
  }
  read_quoted(literal, fact.spans_lines || (raw && lexis_.raw == Lexis::Raw::doubled));
}

void Lexer::read_triple(Literal& out, char quote, bool raw) {
  std::string end;
  while (reader_.peek() == quote && (end.size() < 3 || lexis_.triple == Lexis::Triple::counted)) {
    if (end.size() < most_word) end += quote;
    reader_.take();
  }
  if (lexis_.triple == Lexis::Triple::counted && end.size() % 2 == 0 && end.size() > 3) {
    // An even number of quotes holds nothing.
    out.at = reader_.position();
    return;
  }
  switch (lexis_.triple) {
    case Lexis::Triple::escapes:
      out.rule = raw ? LiteralRule::guarded : LiteralRule::escapes;
      break;
    case Lexis::Triple::indented:
      out.rule = LiteralRule::escapes;
      out.indentation = Literal::Indentation::fewest;
      break;
    default:
      out.rule = LiteralRule::raw;
  }
  read_to(out, end);
  if (lexis_.triple == Lexis::Triple::counted && out.body.find('\n') != std::string::npos) {
    out.indentation = Literal::Indentation::of_end;
    out.end_indentation = out.body.size() - out.body.rfind('\n') - 1;
  }
}

void Lexer::keep(Literal& out) {
  if (out.body.size() < most_call)
    out.body += static_cast<char>(reader_.peek());
  else
    out.whole = false;
  reader_.take();
}

// To an end of more than one character.
void Lexer::read_to(Literal& out, std::string_view end) {
  out.at = reader_.position();
  const bool guards = out.rule == LiteralRule::escapes || out.rule == LiteralRule::guarded;
  while (!reader_.sees(end)) {
    if (reader_.peek() == Reader::at_end) {
      out.whole = false;
      return;
    }
    if (guards && reader_.peek() == '\\') keep(out);
    if (reader_.peek() != Reader::at_end) keep(out);
  }
  reader_.take(end.size());
}

void Lexer::read_quoted(Literal& out, bool spans_lines) {
  const bool guards = out.rule == LiteralRule::escapes || out.rule == LiteralRule::guarded ||
                      out.rule == LiteralRule::escapes_doubled ||
                      out.rule == LiteralRule::quote_escapes;
  const bool doubles = out.rule == LiteralRule::doubled ||
                       out.rule == LiteralRule::doubled_escapes ||
                       out.rule == LiteralRule::escapes_doubled;
  while (true) {
    const int byte = reader_.peek();
    if (byte == Reader::at_end || (byte == '\n' && !spans_lines)) {
      out.whole = false;
      return;
    }
    if (byte == out.quote) {
      if (!doubles || reader_.peek(1) != out.quote) break;
      keep(out);
    } else if (guards && byte == '\\') {
      keep(out);
      // A line that goes on in the next one.
      if (reader_.peek() == '\r') keep(out);
      if (reader_.peek() == Reader::at_end) continue;
    }
    keep(out);
  }
  reader_.take();
}

// A text with slots: what is in a slot may hold texts of its own.
void Lexer::read_filled(Literal& out, int nesting) {
  const char quote = out.quote;
  while (true) {
    const int byte = reader_.peek();
    if (byte == Reader::at_end || (byte == '\n' && !out.slots_are_calls)) {
      out.whole = false;
      return;
    }
    if (byte == static_cast<unsigned char>(quote)) break;
    if (byte == '\\') {
      keep(out);
      if (reader_.peek() != Reader::at_end) keep(out);
    } else if (out.slots_are_calls ? reader_.sees("${") : byte == '{' && reader_.peek(1) != '{') {
      read_slot(out, nesting + 1);
    } else {
      if (byte == '{' && !out.slots_are_calls) keep(out);
      keep(out);
    }
  }
  reader_.take();
}

// REQUIRES: a slot begins here.
void Lexer::read_slot(Literal& out, int nesting) {
  std::size_t depth = 0;
  while (reader_.peek() != Reader::at_end) {
    const int byte = reader_.peek();
    // A slot that does not end in its line would take the rest of the file with it.
    if (byte == '\n' && !out.slots_are_calls) return;
    const bool is_quote = byte == '"' || byte == '\'' || (byte == '`' && out.slots_are_calls);
    keep(out);
    if (is_quote && nesting < most_nesting) {
      Literal inner;
      inner.quote = static_cast<char>(byte);
      inner.slots_are_calls = byte == '`';
      if (inner.slots_are_calls)
        read_filled(inner, nesting);
      else
        read_quoted(inner, false);
      out.body += inner.body;
      if (inner.whole) out.body += inner.quote;
      out.whole = out.whole && inner.whole;
    } else if (byte == '{') {
      ++depth;
    } else if (byte == '}' && --depth == 0) {
      return;
    }
  }
}

// 'a, where no second quote makes it a character.
bool Lexer::read_label(Token& out) {
  std::size_t ahead = 1;
  if (reader_.peek(ahead) == '\\') return false;
  do ++ahead;
  while ((reader_.peek(ahead) & 0xC0) == 0x80 && reader_.peek(ahead) != Reader::at_end);
  if (reader_.peek(ahead) == '\'') return false;
  reader_.take();
  out.kind = Token::Kind::word;
  while (is_word_byte(reader_.peek())) reader_.take();
  return true;
}

bool Lexer::read_heredoc(Token& out) {
  std::size_t ahead = 3;
  while (is_blank(reader_.peek(ahead))) ++ahead;
  const int quote = reader_.peek(ahead);
  const bool quoted = quote == '\'' || quote == '"';
  if (quoted) ++ahead;
  std::string name;
  while (is_word_byte(reader_.peek(ahead)) && name.size() < most_word)
    name += static_cast<char>(reader_.peek(ahead++));
  if (name.empty()) return false;
  out.kind = Token::Kind::text;
  out.literal = {};
  out.literal.rule = quote == '\'' ? LiteralRule::raw : LiteralRule::escapes;
  while (reader_.peek() != '\n' && reader_.peek() != Reader::at_end) reader_.take();
  reader_.take();
  out.literal.at = reader_.position();
  while (reader_.peek() != Reader::at_end) {
    // Its end may be indented, and then its lines are too.
    std::size_t blank = 0;
    while (is_blank(reader_.peek(blank))) ++blank;
    std::size_t i = 0;
    while (i < name.size() && reader_.peek(blank + i) == static_cast<unsigned char>(name[i])) ++i;
    if (i == name.size() && !is_word_byte(reader_.peek(blank + i))) {
      if (blank > 0) out.literal.indentation = Literal::Indentation::of_end;
      out.literal.end_indentation = blank;
      reader_.take(blank + name.size());
      // The line end before it belongs to it.
      std::string& body = out.literal.body;
      if (!body.empty()) body.pop_back();
      if (!body.empty() && body.back() == '\r') body.pop_back();
      return true;
    }
    while (reader_.peek() != '\n' && reader_.peek() != Reader::at_end) keep(out.literal);
    if (reader_.peek() == '\n') keep(out.literal);
  }
  out.literal.whole = false;
  return true;
}

// /.../ to its end in this line; false, and nothing taken, where it has none.
bool Lexer::read_pattern() {
  constexpr std::size_t most_pattern = 4096;
  bool in_class = false;
  for (std::size_t ahead = 1; ahead < most_pattern; ++ahead) {
    const int byte = reader_.peek(ahead);
    if (byte == '\n' || byte == Reader::at_end) return false;
    if (byte == '\\') {
      ++ahead;
    } else if (byte == '[') {
      in_class = true;
    } else if (byte == ']') {
      in_class = false;
    } else if (byte == '/' && !in_class) {
      reader_.take(ahead + 1);
      return true;
    }
  }
  return false;
}

}  // namespace inky::inline v1
