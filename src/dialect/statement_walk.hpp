// A walk over source that steps over comments and literals, and over loops and conditions.
#pragma once

#include <algorithm>
#include <string_view>

#include "dialect/language_facts.hpp"
#include "dialect/lexis.hpp"
#include "dialect/statement_blocks.hpp"
#include "dialect/statement_lines.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

inline constexpr std::string_view control_words = "for while if foreach do switch loop match";

class Walk {
 public:
  Walk(const LanguageFacts& language, std::string_view source, std::size_t at)
      : lexis_(*language.lexis), form_(*language.expressions), source_(source), at_(at) {}

  std::size_t at() const { return at_; }
  bool at_end() const { return at_ >= source_.size(); }
  char peek() const { return at_end() ? '\0' : source_[at_]; }
  std::string_view rest() const { return source_.substr(std::min(at_, source_.size())); }

  void skip_blanks() {
    for (;;) {
      while (!at_end() && is_in(peek(), statement_blanks)) ++at_;
      if (!skip_comment()) return;
    }
  }
  std::string_view word() const {
    std::size_t end = at_;
    while (end < source_.size() && is_word_part(source_[end])) ++end;
    return source_.substr(at_, end - at_);
  }
  void move(std::size_t count) { at_ += count; }

  // One character, comment or literal.
  void step() {
    if (skip_comment()) return;
    const char c = source_[at_++];
    const bool is_quote = std::any_of(lexis_.quotes.begin(), lexis_.quotes.end(),
                                      [&](const QuoteFact& fact) { return fact.quote == c; });
    if (!is_quote) return;
    while (!at_end() && peek() != c) at_ += peek() == '\\' ? 2 : 1;
    at_ = std::min(at_ + 1, source_.size());
  }

  // Behind the bracket that closes the one here; false where none does.
  bool skip_brackets() {
    int depth = 0;
    do {
      if (is_in(peek(), "([{")) ++depth;
      if (is_in(peek(), ")]}")) --depth;
      step();
    } while (depth > 0 && !at_end());
    return depth == 0;
  }

  // Up to one of these outside of brackets; false where there is none.
  bool skip_to(std::string_view ends) {
    int depth = 0;
    while (!at_end()) {
      if (depth == 0 && is_in(peek(), ends)) return true;
      if (is_in(peek(), "([{")) ++depth;
      if (is_in(peek(), ")]}")) --depth;
      step();
    }
    return false;
  }

  // Whether a header stands in brackets; of for (a, b) in pairs only the names do.
  bool is_enclosed() const {
    if (peek() != '(') return false;
    Walk behind = *this;
    if (!behind.skip_brackets()) return true;
    behind.skip_blanks();
    return behind.word() != "in";
  }
  bool skip_header(bool is_indented) {
    skip_blanks();
    if (is_indented) return skip_to(":\n") && peek() == ':';
    if (is_enclosed()) return skip_brackets();
    return skip_to("{;\n") && peek() == '{';
  }

  // A block, another loop or condition, or one simple statement.
  bool skip_body(Span& body) {
    skip_blanks();
    if (peek() == ':') return false;
    if (peek() == '{') {
      body.from = at_ + 1;
      if (!skip_brackets()) return false;
      body.to = at_ - 1;
      return true;
    }
    body.from = at_;
    if (has_word(control_words, word())) {
      if (!skip_control()) return false;
    } else {
      while (!at_end() && !is_in(peek(), form_.ends) && peek() != '}') {
        const bool is_word = at_ > 0 && !is_word_part(source_[at_ - 1]);
        if (is_word && word() == "else") break;
        if (is_in(peek(), "([{")) {
          if (!skip_brackets()) return false;
        } else {
          step();
        }
      }
      // What ends it belongs to it, but for the end of a line before "else".
      if (peek() == ';') ++at_;
    }
    body.to = at_;
    return true;
  }

  // if (n > 1) { ... } else { ... }
  bool skip_control() {
    // One more than may be: that is reported when it is read.
    if (++depth_ > most_blocks + 1) return false;
    const bool good = skip_parts();
    --depth_;
    return good;
  }
  bool skip_parts() {
    const bool is_branch = word() == "if";
    const bool comes_behind = word() == "do";
    const bool is_endless = word() == "loop";
    move(word().size());
    Span body;
    if (comes_behind) return skip_body(body) && skip_condition_behind();
    if (is_endless) return skip_body(body);
    if (!skip_header(false) || !skip_body(body)) return false;
    return !is_branch || skip_other(body);
  }
  // do { ... } while (n > 0);
  bool skip_condition_behind() {
    skip_blanks();
    if (word() != "while") return false;
    move(word().size());
    skip_blanks();
    if (peek() != '(' || !skip_brackets()) return false;
    skip_blanks();
    if (peek() == ';') ++at_;
    return true;
  }
  bool skip_other(Span& other) {
    const std::size_t end = at_;
    skip_blanks();
    if (word() != "else") {
      at_ = end;
      other = {end, end};
      return true;
    }
    move(4);
    return skip_body(other);
  }

  // ---- Blocks by their indentation ----

  std::size_t indentation_at(std::size_t place) const {
    const std::size_t line = place == 0 ? std::string_view::npos : source_.rfind('\n', place - 1);
    return place - (line == std::string_view::npos ? 0 : line + 1);
  }

  // Behind the colon: the rest of the line, or the lines that stand further in.
  void skip_indented(std::size_t indentation, Span& body) {
    body.from = at_;
    const std::size_t line_end = std::min(source_.find('\n', at_), source_.size());
    const std::string_view line = trimmed(source_.substr(at_, line_end - at_));
    at_ = line_end;
    if (line.empty() || line.starts_with(lexis_.line_comments)) {
      while (!at_end()) {
        const std::size_t first = source_.find_first_not_of(" \t\r\n", at_);
        if (first == std::string_view::npos || indentation_at(first) <= indentation) break;
        at_ = std::min(source_.find('\n', first), source_.size());
      }
    }
    body.to = at_;
  }

 private:
  bool skip_comment() {
    if (!lexis_.block_open.empty() && rest().starts_with(lexis_.block_open)) {
      const std::size_t close = source_.find(lexis_.block_close, at_ + lexis_.block_open.size());
      at_ = close == std::string_view::npos ? source_.size() : close + lexis_.block_close.size();
      return true;
    }
    const std::string_view all = lexis_.line_comments;
    const std::string_view first = all.substr(0, std::min(all.find(' '), all.size()));
    if (first.empty() || !rest().starts_with(first)) return false;
    at_ = std::min(source_.find('\n', at_), source_.size());
    return true;
  }

  const Lexis& lexis_;
  const ExpressionForm& form_;
  std::string_view source_;
  std::size_t at_;
  int depth_ = 0;
};

}  // namespace inky::inline v1
