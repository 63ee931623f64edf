// The dialect `c`: the format string of printf.
//
// Defined by ISO C17, 7.21.6.1, and POSIX.1-2017, fprintf (n$ and the apostrophe). Where the
// standard leaves the text to the implementation, the text is that of the GNU C library on LP64:
// hexadecimal reals, %p of a null pointer, the sign of a not-a-number.
//
// What sets it apart from its family:
//   - values pass through the default argument promotions: a narrow whole becomes int, f32 double;
//   - a value of the wrong type, a missing value, and many flags are undefined, never an error;
//   - width and precision of text count bytes, so a character may be cut;
//   - %#g drops zeros that the standard keeps, where rounding carries to a power of ten: the GNU C
//     library does, and what it prints is what is asked here;
//   - a text value serves as char* for %s and, written as a wide literal, as wchar_t* for %ls.

#include "c.hpp"
#include "dialects.hpp"

namespace inky::inline v1 {

namespace c_language {

namespace {

// The GNU C library knows 4096 (NL_ARGMAX).
constexpr int most_position = 4096;

// ISO C17, 6.4.3: a universal character name is not one of the basic characters. C++ takes it.
std::size_t read_own_escape(std::size_t at, TemplateContent& out) {
  const std::size_t kept = out.literals.size();
  const std::size_t size = read_escape(at, out);
  const char letter = at + 1 < out.source.size() ? out.source[at + 1] : '\0';
  const char named = out.literals.size() == kept + 1 ? out.literals.back() : '\0';
  const bool is_named = size > 2 && (letter == 'u' || letter == 'U') && named != '\0';
  if (is_named && named != '$' && named != '@' && named != '`' && !out.refusal)
    out.refusal = {Refusal::When::compile, "error",
                   "a universal character name cannot name a basic character; write it as it is",
                   Span{at, at + size}};
  return size;
}

const percent::Syntax syntax = {.facts = &facts,
                                .most_position = most_position,
                                .keys = false,
                                .unknown_letters_take_values = false,
                                .ends_at_zero = true,
                                .read_escape = read_own_escape,
                                .finish = finish};

}  // namespace

Result<TemplateContent> CDialect::do_parse(std::string_view source) const {
  Result<TemplateContent> parsed = percent::parse(syntax, source);
  if (parsed) note_quotes(inky::c_language::facts, *parsed);
  return parsed;
}

std::vector<Words> CDialect::do_explain(const TemplateContent& parsed) const {
  return percent::explain(syntax, parsed);
}

}  // namespace c_language

const Dialect* c_dialect() {
  static const c_language::CDialect dialect;
  return &dialect;
}

}  // namespace inky::inline v1
