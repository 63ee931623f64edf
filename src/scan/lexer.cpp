#include "lexer.hpp"

namespace inky::inline v1 {

namespace {

bool is_digit(int byte) {
  return byte >= '0' && byte <= '9';
}
bool is_letter(int byte) {
  return (byte >= 'a' && byte <= 'z') || (byte >= 'A' && byte <= 'Z');
}
// The signs of more than one character that a reader of calls has to know as one.
constexpr std::string_view long_signs[] = {"...", "<<=", "::", "->", "<<", "|>", "<|", "=>",
                                           "==",  "!=",  "<=", ">=", "&&", "||", ".."};

}  // namespace

bool Lexer::is_word_byte(int byte) const {
  return is_letter(byte) || is_digit(byte) || byte == '_' || byte >= 0x80 ||
         holds(lexis_.word_marks, byte);
}

// ---- What is passed over ----

void Lexer::pass_line() {
  while (reader_.peek() != '\n' && reader_.peek() != Reader::at_end) {
    if (!lexis_.code_close.empty() && reader_.sees(lexis_.code_close)) return;
    take_of_comment(lexis_.code_close);
  }
}

void Lexer::take_of_comment(std::string_view close) {
  const bool may_begin = remarks_ != nullptr && reader_.peek() == remarks_->mark.front();
  if (may_begin && reader_.sees(remarks_->mark)) hand_on_remark(close);
  reader_.take();
}

void Lexer::hand_on_remark(std::string_view close) {
  Remark remark;
  remark.at = reader_.position();
  remark.alone = remark.at.line != last_line_;
  for (std::size_t ahead = 0; remark.text.size() < most_remark; ++ahead) {
    const int byte = reader_.peek(ahead);
    if (byte == Reader::at_end || byte == '\n') break;
    remark.text += static_cast<char>(byte);
    if (!close.empty() && remark.text.ends_with(close)) {
      remark.text.resize(remark.text.size() - close.size());
      break;
    }
  }
  while (!remark.text.empty() && is_blank(remark.text.back())) remark.text.pop_back();
  remarks_->sink(remark);
}

// <header> or "header", so far ahead.
void Lexer::note_include(std::size_t ahead) {
  while (is_blank(reader_.peek(ahead))) ++ahead;
  const int open = reader_.peek(ahead);
  if ((open != '<' && open != '"') || headers_.size() == most_headers) return;
  std::string name;
  for (++ahead; name.size() < most_word; ++ahead) {
    const int byte = reader_.peek(ahead);
    if (byte == '>' || byte == '"') break;
    if (byte == Reader::at_end || byte == '\n') return;
    name += static_cast<char>(byte);
  }
  headers_.push_back({std::move(name), open == '"'});
}

bool Lexer::includes(std::string_view header) const {
  return std::any_of(headers_.begin(), headers_.end(),
                     [&](const Include& one) { return one.name == header; });
}

// To where code begins again.
void Lexer::pass_code_close() {
  while (reader_.peek() != Reader::at_end && !reader_.sees(lexis_.code_open)) reader_.take();
  reader_.take(lexis_.code_open.size());
  while (is_letter(reader_.peek()) || reader_.peek() == '=') reader_.take();
  in_code_ = true;
}

bool Lexer::pass_comment(bool line_begins) {
  if (!lexis_.block_open.empty() && reader_.sees(lexis_.block_open)) {
    const std::size_t size = lexis_.block_open.size();
    bool is_block = true;
    if (lexis_.block_marks_stand_alone) {
      std::size_t ahead = size;
      while (is_blank(reader_.peek(ahead))) ++ahead;
      is_block =
          line_begins && (reader_.peek(ahead) == '\n' || reader_.peek(ahead) == Reader::at_end);
    } else if (lexis_.block_open == "(*" && reader_.peek(2) == ')') {
      is_block = false;  // (*) is the operator
    }
    if (is_block) {
      reader_.take(size);
      std::size_t depth = 1;
      while (depth > 0 && reader_.peek() != Reader::at_end) {
        if (reader_.sees(lexis_.block_close)) {
          reader_.take(lexis_.block_close.size());
          --depth;
        } else if (lexis_.blocks_nest && reader_.sees(lexis_.block_open)) {
          reader_.take(size);
          ++depth;
        } else {
          take_of_comment(lexis_.block_close);
        }
      }
      return true;
    }
  }
  const bool is_line = any_of_words(lexis_.line_comments, [&](std::string_view mark) {
    return reader_.sees(mark) && !(mark == "#" && lexis_.heredocs && reader_.peek(1) == '[');
  });
  if (!is_line && line_begins && reader_.peek() == '#' && !lexis_.directives.empty()) {
    std::size_t ahead = 1;
    while (is_blank(reader_.peek(ahead))) ++ahead;
    std::string word;
    while (is_letter(reader_.peek(ahead)) && word.size() < most_word)
      word += static_cast<char>(reader_.peek(ahead++));
    if (word == "include") note_include(ahead);
    if (lexis_.directives == "*" || has_word(lexis_.directives, word)) {
      pass_line();
      return true;
    }
    return false;
  }
  if (is_line) pass_line();
  return is_line;
}

void Lexer::pass_blanks(Token& out) {
  bool line_begins = !begun_;
  if (!begun_) {
    begun_ = true;
    if (reader_.sees("\xEF\xBB\xBF")) reader_.take(3);
  }
  if (!in_code_ && !lexis_.code_open.empty()) pass_code_close();
  while (true) {
    const int byte = reader_.peek();
    if (byte == '\n') {
      out.line_before = line_begins = true;
      reader_.take();
    } else if (is_blank(byte)) {
      out.space_before = true;
      reader_.take();
    } else if (byte == '\\' &&
               (reader_.peek(1) == '\n' || (reader_.peek(1) == '\r' && reader_.peek(2) == '\n'))) {
      reader_.take(reader_.peek(1) == '\n' ? 2 : 3);
      out.space_before = true;
    } else if (lexis_.block_marks_stand_alone && reader_.sees("...")) {
      pass_line();
      reader_.take();
    } else if (!lexis_.code_close.empty() && reader_.sees(lexis_.code_close)) {
      in_code_ = false;
      out.line_before = true;
      pass_code_close();
    } else if (pass_comment(line_begins)) {
      out.space_before = true;
    } else {
      return;
    }
  }
}

// ---- Tokens ----

void Lexer::next(Token& out) {
  out.kind = Token::Kind::end;
  out.text.clear();
  out.line_before = out.space_before = false;
  pass_blanks(out);
  blank_before_ = out.line_before || out.space_before;
  out.at = reader_.position();
  const int byte = reader_.peek();
  if (byte == Reader::at_end) return;
  std::size_t prefix = 0;
  if (begins_literal(prefix)) {
    read_prefixed(out, prefix);
  } else if (lexis_.hash_characters && reader_.sees("#\\")) {
    out.kind = Token::Kind::character;
    out.literal = {};
    reader_.take(3);
    while (is_word_byte(reader_.peek())) reader_.take();
    out.literal.whole = false;
  } else if (is_digit(byte) || (byte == '.' && is_digit(reader_.peek(1)))) {
    read_number(out);
    // Where words have more characters, what begins with a digit may be a word.
    if (!lexis_.word_marks.empty() && is_word_byte(reader_.peek())) read_word(out);
  } else if (is_word_byte(byte)) {
    read_word(out);
  } else if (byte == '`' && lexis_.names_in_backticks) {
    // A name in quotes.
    out.kind = Token::Kind::word;
    reader_.take();
    while (reader_.peek() != '`' && reader_.peek() != '\n' && reader_.peek() != Reader::at_end)
      reader_.take();
    if (reader_.peek() == '`') reader_.take();
  } else if (lexis_.heredocs && reader_.sees("<<<") && read_heredoc(out)) {
  } else if (lexis_.patterns && byte == '/' && !operand_before() && read_pattern()) {
    out.kind = Token::Kind::word;
  } else {
    read_sign(out);
  }
  last_ = out.kind;
  last_text_ = out.text;
  last_line_ = reader_.position().line;
}

void Lexer::read_word(Token& out) {
  out.kind = Token::Kind::word;
  while (is_word_byte(reader_.peek())) {
    if (out.text.size() < most_word) out.text += static_cast<char>(reader_.peek());
    reader_.take();
  }
}

void Lexer::read_number(Token& out) {
  out.kind = Token::Kind::number;
  const bool hexadecimal = reader_.peek() == '0' && (reader_.peek(1) | 0x20) == 'x';
  const auto add = [&] {
    if (out.text.size() < most_word) out.text += static_cast<char>(reader_.peek());
    reader_.take();
  };
  while (true) {
    const int byte = reader_.peek();
    const int after = reader_.peek(1);
    if (byte == '.') {
      if (after == '.' || is_letter(after) || after == '_') return;
      add();
    } else if (is_digit(byte) || is_letter(byte) || byte == '_') {
      const int letter = byte | 0x20;
      add();
      const bool is_exponent = hexadecimal ? letter == 'p' : letter == 'e';
      if (is_exponent && (after == '+' || after == '-')) add();
    } else if (byte == '\'' && lexis_.digit_quotes && (is_digit(after) || is_letter(after))) {
      reader_.take();
    } else {
      return;
    }
  }
}

void Lexer::read_sign(Token& out) {
  out.kind = Token::Kind::sign;
  for (const std::string_view sign : long_signs) {
    if (!reader_.sees(sign)) continue;
    out.text = sign;
    reader_.take(sign.size());
    return;
  }
  out.text = std::string(1, static_cast<char>(reader_.peek()));
  reader_.take();
}

// Whether what was read last is an operand, so that an operator follows.
bool Lexer::operand_before() const {
  switch (last_) {
    case Token::Kind::end:
      return false;
    case Token::Kind::word: {
      constexpr std::string_view operators =
          "return typeof case in of delete void throw new instanceof do else yield await";
      return !has_word(operators, last_text_);
    }
    case Token::Kind::sign:
      return last_text_ == ")" || last_text_ == "]" || last_text_ == "}" || last_text_ == "'";
    default:
      return true;
  }
}

}  // namespace inky::inline v1
