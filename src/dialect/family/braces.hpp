// What brace-style languages share: escapes are resolved before braces are looked for, so that an
// escape may write a brace; and a spec begins with
//
//   [[fill]align][sign][#][0]
//
// Everything else differs, and is each language's own.
#pragma once

#include <algorithm>
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::braces {

// A template without its escapes, and where in the source each byte of it stood.
class Decoded {
 public:
  // Reads the escape at `at` (a backslash) of the source: appends what it means to the
  // literals of the template and returns its length.
  using ReadEscape = std::size_t (*)(std::size_t at, TemplateContent& out);
  Decoded(TemplateContent& parsed, ReadEscape read_escape);

  std::string_view text() const { return text_; }
  // Where a stretch of the text is in the source.
  Span in_source(Span span) const {
    return {static_cast<std::size_t>(at_[span.from]), static_cast<std::size_t>(at_[span.to])};
  }

 private:
  std::string text_;
  std::vector<std::uint32_t> at_;  // of each byte, and of the end
};

// Puts a template into words while it is read, part by part: nothing is between two parts.
class WordsSink {
 public:
  // `out` may be null, where nobody asks.
  explicit WordsSink(std::vector<Words>* out) : out_(out) {}

  bool asked() const { return out_ != nullptr; }
  // The part from the end of the one before to `end`, in the source; nothing where that is empty.
  void add(std::size_t end, std::string_view role, std::string meaning, int field) {
    if (end > at_) out_->push_back({{at_, end}, role, std::move(meaning), field});
    at_ = std::max(at_, end);
  }
  // What is wrong with a field, after its parts.
  void add_fault(Span span, std::string meaning, int field) {
    out_->push_back({span, "fails", std::move(meaning), field});
  }

 private:
  std::vector<Words>* out_;
  std::size_t at_ = 0;
};

// A template that is refused as a whole, or means nothing, is one piece and has no fields.
void settle(TemplateContent& parsed);
constexpr bool is_one_piece(const TemplateContent& parsed) {
  return parsed.refusal || (parsed.fields.empty() && parsed.literals.empty());
}
// The words for such a template; it is not empty.
std::vector<Words> whole_words(const TemplateContent& parsed);

// "+: a plus sign on ...", from the facts.
std::string flag_words(const DialectFacts& facts, char flag);

// The beginning of a spec.
struct Lead {
  Mark fill;       // empty: not given
  char align = 0;  // as written; 0: not given
  char sign = 0;
  bool alternate = false;
  bool zero = false;
};

// A spec, read from its beginning.
class SpecReader {
 public:
  explicit SpecReader(std::string_view text) : text_(text) {}

  std::size_t at() const { return at_; }
  bool at_end() const { return at_ == text_.size(); }
  char peek(std::size_t further = 0) const {
    return at_ + further < text_.size() ? text_[at_ + further] : '\0';
  }
  std::string_view rest() const { return text_.substr(at_); }
  void skip(std::size_t bytes) { at_ += bytes; }
  bool take(char c) {
    if (peek() != c || at_end()) return false;
    ++at_;
    return true;
  }

  // `aligns` are the characters that align; a fill may be any character before one of them.
  void read_fill_and_align(std::string_view aligns, Lead& lead);
  // One of `signs`.
  void read_sign(std::string_view signs, Lead& lead);

  // Digits, at most `beyond`, which means any larger number. False where there are none.
  bool read_number(std::int64_t beyond, std::int64_t& number);

 private:
  std::string_view text_;
  std::size_t at_ = 0;
};

// Literal text up to the next field, or to the end: a piece of the template, told to `words`. False
// where a brace closes nothing; the reader is behind it then.
bool read_literal(SpecReader& reader, const Decoded& decoded, TemplateContent& out,
                  WordsSink& words);

}  // namespace inky::inline v1::braces
