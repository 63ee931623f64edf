#include "../family/escapes.hpp"

#include <algorithm>

#include "../family/utf16.hpp"
#include "expressions.hpp"
#include "facts.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::fsharp {

namespace {

constexpr EscapeRules escape_rules = {.simple = "n\nt\t\"\"''\\\\a\ab\bf\fr\rv\v",
                                      .most_octal_digits = 0,
                                      .least_hexadecimal_digits = 2,
                                      .most_hexadecimal_digits = 2,
                                      .bytes = false};

}  // namespace

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  const std::string_view rest = std::string_view(out.source).substr(at);
  if (const std::size_t size = read_surrogates(at, out); size != 0) return size;
  if (rest.size() >= 4 && is_digit(rest[1]) && is_digit(rest[2]) && is_digit(rest[3])) {
    const int number = (rest[1] - '0') * 100 + (rest[2] - '0') * 10 + (rest[3] - '0');
    if (number > 255) {
      out.notes.push_back({Code::implementation_defined,
                           "a decimal escape above 255 is wrapped to a byte, with a warning",
                           {at, at + 4}});
    }
    append_utf8(static_cast<char32_t>(number & 0xFF), out.literals);
    return 4;
  }
  if (rest.starts_with("\\0")) {
    out.literals += '\0';
    return 2;
  }
  if (const std::size_t size = read_backslash(escape_rules, out.source, at, out.literals);
      size != 0)
    return size;
  out.notes.push_back({Code::unknown_escape,
                       "F# defines no such escape, and keeps the backslash",
                       {at, std::min(at + 2, out.source.size())}});
  out.literals += '\\';
  return 1;
}

}  // namespace inky::inline v1::fsharp
