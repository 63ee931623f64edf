#include "literal.hpp"

#include "dialect/program_form.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

Error ends_literal(const DialectFacts& facts, Span span, char quote) {
  const std::string written = std::string("\\") + quote;
  return {
      Code::bad_template,
      std::string("the quote ") + quote + " ends the literal of " + std::string(facts.language) +
          " here",
      span,
      "Write " + written + " for a quote that is printed; leave quotes around the literal out."};
}

class LiteralWriter {
 public:
  LiteralWriter(const DialectFacts& facts, std::string_view source)
      : form_(program_form_of(facts)), facts_(facts), source_(source) {}

  Result<std::string> write() {
    while (at_ < source_.size()) {
      const char c = source_[at_];
      std::optional<Error> error;
      if (c == '\\')
        error = write_escape();
      else if (c == '"')
        error = ends_literal(facts_, {at_, at_ + 1}, c);
      else
        write_character();
      if (error) return std::move(*error);
    }
    return std::move(out_);
  }

 private:
  std::size_t size_at(std::size_t at) const {
    const auto point = first_code_point(source_.substr(at));
    return point ? static_cast<std::size_t>(point->bytes) : 1;
  }

  void write_character() {
    const std::size_t size = size_at(at_);
    const bool marks_escaped = form_.escaped.find('?') != std::string_view::npos;
    // One question mark alone begins no trigraph.
    if (marks_escaped && source_[at_] == '?' && !out_.ends_with('?'))
      out_ += '?';
    else
      append_literal_character(form_, source_.substr(at_, size), out_);
    at_ += size;
  }

  // A backslash and what is behind it stay together: whatever they mean, they end nothing.
  std::optional<Error> write_escape() {
    if (at_ + 1 >= source_.size())
      return Error{Code::bad_template,
                   "the backslash takes the closing quote of the literal away",
                   {at_, at_ + 1},
                   "Write \\\\ for a backslash."};
    const char next = source_[at_ + 1];
    const auto unit = static_cast<unsigned char>(next);
    const std::size_t size = 1 + size_at(at_ + 1);
    if (unit < 0x20 || unit == 0x7F)
      return Error{Code::not_supported_yet,
                   "a backslash before a line end or a control character in a program is not "
                   "supported yet",
                   {at_, at_ + size},
                   "Write the literal in one line."};
    if (form_.unicode_first && next == 'u') return write_unicode();
    out_ += source_.substr(at_, size);
    at_ += size;
    return std::nullopt;
  }

  // A character by its number, which the language reads before it looks for literals.
  std::optional<Error> write_unicode() {
    std::size_t digits = at_ + 1;
    while (digits < source_.size() && source_[digits] == 'u') ++digits;
    std::uint32_t number = 0;
    for (std::size_t i = digits; i < digits + 4; ++i) {
      if (i >= source_.size() || !is_hexadecimal_digit(source_[i]))
        return Error{Code::bad_template,
                     "\\u needs four hexadecimal digits, or the whole program cannot be read",
                     {at_, std::min(i + 1, source_.size())},
                     "Write \\\\ for a backslash."};
      const char c = source_[i];
      number = number * 16 + static_cast<std::uint32_t>(c <= '9' ? c - '0' : (c | 32) - 'a' + 10);
    }
    const Span span{at_, digits + 4};
    // Everything the language itself could take for a mark of its own is in ASCII.
    if (number < 0x80)
      return Error{Code::bad_template,
                   in_quotes(source_.substr(span.from, span.to - span.from)) +
                       " is read before the literal is, and may end it",
                   span, "Write the character itself, or its escape."};
    out_ += source_.substr(span.from, span.to - span.from);
    at_ = span.to;
    return std::nullopt;
  }

  const ProgramForm& form_;
  const DialectFacts& facts_;
  std::string_view source_;
  std::size_t at_ = 0;
  std::string out_;
};

}  // namespace

std::optional<Error> check_quotes(const DialectFacts& facts, std::string_view source) {
  if (facts.quotes.size() != 1) return std::nullopt;
  const char quote = facts.quotes.front();
  // Pasted with the quotes around it, and perhaps a mark before them: "...", $"...".
  const std::size_t open = source.find(quote);
  const bool around = open <= 1 && open + 1 < source.size() && source.back() == quote;
  const std::size_t end = around ? source.size() - 1 : source.size();
  for (std::size_t at = around ? open + 1 : 0; at < end; ++at) {
    if (source[at] == '\\')
      ++at;
    else if (source[at] == quote)
      return ends_literal(facts, {at, at + 1}, quote);
  }
  return std::nullopt;
}

Result<std::string> rewritten(const DialectFacts& facts, std::string_view source) {
  return LiteralWriter(facts, source).write();
}

}  // namespace inky::inline v1
