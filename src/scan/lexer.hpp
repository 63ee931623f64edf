// A source text as words, numbers, literals and signs; comments are passed over.
#pragma once

#include <algorithm>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/lexis.hpp"
#include "reader.hpp"

namespace inky::inline v1 {

// A text or a character as written in source.
struct Literal {
  std::string body;  // between the quotes
  Position at;       // of its first byte
  LiteralRule rule = LiteralRule::escapes;
  char quote = '"';
  bool fills = false;            // it has slots, as the language fills them in
  bool slots_are_calls = false;  // ${...}
  // The blanks before its lines are not all part of it: as many as the line with the fewest has, or
  // as many as stand before the quotes that end it.
  enum class Indentation : std::uint8_t { none, fewest, of_end } indentation = Indentation::none;
  std::size_t end_indentation = 0;  // of of_end
  bool bytes = false;               // b"..."
  bool wide = false;                // of wide characters: L"..."
  bool whole = true;                // it is closed, and not over the limit
};

struct Token {
  enum class Kind : std::uint8_t { end, word, number, text, character, sign };
  Kind kind = Kind::end;
  std::string text;  // of a word, a number or a sign
  Position at;
  bool line_before = false;   // a new line is before it
  bool space_before = false;  // or anything else that is passed over
  Literal literal;            // of a text or a character

  bool is_sign(std::string_view sign) const { return kind == Kind::sign && text == sign; }
};

class Lexer {
 public:
  // `remarks`: null where nobody asks for them.
  Lexer(const Lexis& lexis, Reader& reader, const Remarks* remarks = nullptr)
      : lexis_(lexis), reader_(reader), remarks_(remarks) {}

  // Whether `#include <header>` or "header" came before.
  bool includes(std::string_view header) const;
  const std::vector<Include>& includes() const { return headers_; }

  // The next token; Kind::end at the end, again and again.
  void next(Token& out);

 private:
  // How deep texts in slots of texts are followed.
  static constexpr int most_nesting = 20;

  static constexpr std::size_t most_word = 256;

  static bool is_blank(int byte) {
    return byte == ' ' || byte == '\t' || byte == '\r' || byte == '\f' || byte == '\v';
  }
  static bool holds(std::string_view set, int byte) {
    return byte > 0 && set.find(static_cast<char>(byte)) != std::string_view::npos;
  }

  void pass_blanks(Token& out);
  bool pass_comment(bool line_begins);
  void pass_line();
  // One byte of a comment, which may begin a remark.
  void take_of_comment(std::string_view close);
  void note_include(std::size_t ahead);
  void hand_on_remark(std::string_view close);
  void pass_code_close();
  bool is_word_byte(int byte) const;
  bool begins_literal(std::size_t& prefix) const;
  void read_word(Token& out);
  void read_number(Token& out);
  void read_sign(Token& out);
  void read_prefixed(Token& out, std::size_t prefix);
  void read_literal(Token& out, const QuoteFact& fact, bool raw, bool fills);
  void read_triple(Literal& out, char quote, bool raw);
  void read_to(Literal& out, std::string_view end);
  void read_quoted(Literal& out, bool spans_lines);
  void read_filled(Literal& out, int nesting);
  void read_slot(Literal& out, int nesting);
  bool read_heredoc(Token& out);
  bool read_pattern();
  bool read_label(Token& out);
  void keep(Literal& out);
  const QuoteFact* quote_fact(int byte) const;
  bool operand_before() const;

  const Lexis& lexis_;
  Reader& reader_;
  const Remarks* remarks_;
  std::size_t last_line_ = 0;  // where the token before ends
  static constexpr std::size_t most_headers = 1000;
  std::vector<Include> headers_;
  bool in_code_ = false;
  bool begun_ = false;
  bool blank_before_ = false;
  Token::Kind last_ = Token::Kind::end;
  std::string last_text_;
};

}  // namespace inky::inline v1
