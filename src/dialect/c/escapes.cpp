// The escapes of a string literal: ISO C17, 6.4.4.4.

#include "../family/escapes.hpp"

#include <algorithm>

#include "c.hpp"

namespace inky::inline v1::c_language {

namespace {

constexpr EscapeRules rules = {.simple = "n\nt\t\"\"''\\\\??a\ab\bf\fr\rv\v",
                               .most_octal_digits = 3,
                               .least_hexadecimal_digits = 1,
                               .most_hexadecimal_digits = most_template,
                               // A byte is 8 bits; more is a constraint violation.
                               .bytes = true};

// "\x" needs a digit, "\u" four and "\U" eight, of a character: ISO C17, 6.4.3 and 6.4.4.4.
bool is_incomplete(std::string_view rest) {
  const std::size_t digits =
      std::min(rest.find_first_not_of("0123456789abcdefABCDEF", 2), rest.size()) - 2;
  // More than a byte is no error of gcc, and is not read here.
  return rest[1] != 'x' || digits == 0;
}

}  // namespace

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  if (const std::size_t size = read_backslash(rules, out.source, at, out.literals); size != 0)
    return size;
  const std::string_view rest = std::string_view(out.source).substr(at);
  const char letter = rest.size() > 1 ? rest[1] : '\0';
  const bool by_number = letter == 'x' || letter == 'u' || letter == 'U';
  if (by_number && !out.refusal) {
    // C++23 has braces, which compilers take before they have to.
    const bool braced = rest.size() > 2 && rest[2] == '{';
    const Span span{at, at + 2};
    if (braced)
      out.refusal = {Refusal::When::not_supported_yet, "Write the digits without braces.",
                     "escapes with braces are not supported yet", span};
    else if (is_incomplete(rest))
      out.refusal = {Refusal::When::compile, "error",
                     "too few hexadecimal digits follow, or they name no character; a backslash "
                     "itself is written \\\\",
                     span};
  }
  // gcc warns and drops the backslash; what follows is read as if it were not there.
  out.notes.push_back(
      {Code::unknown_escape,
       "C defines no such escape; gcc drops the backslash, which is itself written \\\\",
       {at, std::min(at + 2, out.source.size())}});
  return 1;
}

}  // namespace inky::inline v1::c_language
