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

#include "../dialects.hpp"
#include "inky_margin/text/escape.hpp"

namespace inky {

namespace c_language {

namespace {

// The GNU C library knows 4096 (NL_ARGMAX).
constexpr int most_position = 4096;

const percent::Syntax syntax = {.facts = &facts,
                                .most_position = most_position,
                                .keys = false,
                                .unknown_letters_take_values = false,
                                .read_escape = read_escape,
                                .finish = finish};

}  // namespace

Result<Template> CDialect::parse(std::string_view source) const {
  Result<Template> parsed = percent::parse(syntax, source);
  if (parsed && source.size() >= 2 && source.front() == '"' && source.back() == '"') {
    parsed->notes.push_back({Code::quotes_in_template,
                             "the quotes at both ends are printed too; leave them out if they "
                             "only delimit the literal",
                             {0, source.size()}});
  }
  return parsed;
}

std::vector<Words> CDialect::explain(const Template& parsed) const {
  std::vector<Words> out;
  for (const Piece& piece : parsed.pieces) {
    if (piece.field != unset)
      percent::explain_field(syntax, parsed, piece.field, out);
    else
      out.push_back({piece.source, "literal", "prints " + in_quotes(parsed.literal(piece)), unset});
  }
  return out;
}

}  // namespace c_language

const Dialect* c_dialect() {
  static const c_language::CDialect dialect;
  return &dialect;
}

}  // namespace inky
