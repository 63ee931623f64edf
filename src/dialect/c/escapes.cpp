// The escapes of a string literal: ISO C17, 6.4.4.4.

#include "../family/escapes.hpp"

#include <algorithm>

#include "c.hpp"

namespace inky::c_language {

namespace {

constexpr EscapeRules rules = {.simple = "n\nt\t\"\"''\\\\??a\ab\bf\fr\rv\v",
                               .most_octal_digits = 3,
                               .least_hexadecimal_digits = 1,
                               .most_hexadecimal_digits = most_template,
                               // A byte is 8 bits; more is a constraint violation.
                               .bytes = true};

}  // namespace

std::size_t read_escape(std::size_t at, Template& out) {
  if (const std::size_t size = read_backslash(rules, out.source, at, out.literals); size != 0)
    return size;
  // gcc warns and drops the backslash; what follows is read as if it were not there.
  out.notes.push_back(
      {Code::unknown_escape,
       "C defines no such escape; gcc drops the backslash, which is itself written \\\\",
       {at, std::min(at + 2, out.source.size())}});
  return 1;
}

}  // namespace inky::c_language
