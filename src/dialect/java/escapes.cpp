#include "escapes.hpp"

#include <algorithm>

#include "../family/escapes.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::java_language {

namespace {

constexpr EscapeRules escape_rules = {.simple = "n\nt\t\"\"''\\\\b\bf\fr\rs ",
                                      .most_octal_digits = 3,
                                      .least_hexadecimal_digits = 1,
                                      .most_hexadecimal_digits = 0,
                                      .bytes = false};

// The unit after "\u", which may have more than one u; its length, or 0.
std::size_t read_unit(std::string_view text, std::uint32_t& unit) {
  if (!text.starts_with("\\u")) return 0;
  const std::size_t digits = std::min(text.find_first_not_of('u', 1), text.size());
  unit = 0;
  for (std::size_t i = digits; i < digits + 4; ++i) {
    const char c = i < text.size() ? text[i] : '?';
    const std::size_t value = std::string_view("0123456789abcdef").find(static_cast<char>(c | 32));
    if (value == std::string_view::npos || !((c >= '0' && c <= '9') || (c | 32) >= 'a')) return 0;
    unit = unit * 16 + static_cast<std::uint32_t>(value);
  }
  return digits + 4;
}

void refuse(TemplateContent& out, Refusal refusal) {
  if (!out.refusal) out.refusal = std::move(refusal);
}

// \u is read before anything else in a source file.
std::size_t read_unicode_escape(std::size_t at, TemplateContent& out) {
  const std::string_view rest = std::string_view(out.source).substr(at);
  std::uint32_t unit = 0;
  std::uint32_t low = 0;
  const std::size_t size = read_unit(rest, unit);
  if (size == 0) {
    refuse(out,
           {Refusal::When::compile, "illegal unicode escape", "\\u needs four hexadecimal digits",
            Span{at, std::min(at + 6, out.source.size())}});
    return 1;
  }
  const Span span{at, at + size};
  if (unit >= 0xD800 && unit < 0xDC00) {
    const std::size_t more = read_unit(rest.substr(size), low);
    if (more != 0 && low >= 0xDC00 && low < 0xE000) {
      append_utf8(static_cast<char32_t>(0x10000 + ((unit - 0xD800) << 10) + (low - 0xDC00)),
                  out.literals);
      return size + more;
    }
  }
  const bool half = unit >= 0xD800 && unit < 0xE000;
  if (half || unit == '\\' || unit == '"' || unit == '\n' || unit == '\r' || unit == '%') {
    refuse(out, {Refusal::When::not_supported_yet, "Write the character itself.",
                 half ? "half of a surrogate pair is not supported yet"
                      : "a \\u escape of a character that means something in source is not "
                        "supported yet",
                 span});
    return size;
  }
  append_utf8(static_cast<char32_t>(unit), out.literals);
  return size;
}

}  // namespace

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  const std::string_view rest = std::string_view(out.source).substr(at);
  if (rest.starts_with("\\u")) return read_unicode_escape(at, out);
  // Three octal digits only up to 377.
  EscapeRules rules = escape_rules;
  if (rest.size() > 1 && rest[1] > '3') rules.most_octal_digits = 2;
  if (rest.size() > 1 && rest[1] != 'x' && rest[1] != 'U') {
    const std::size_t size = read_backslash(rules, out.source, at, out.literals);
    if (size != 0) return size;
    if (rest[1] == '\n') return 2;
  }
  refuse(out, {Refusal::When::compile, "illegal escape character",
               "Java has no such escape; a backslash itself is written \\\\",
               Span{at, std::min(at + 2, out.source.size())}});
  return 1;
}

}  // namespace inky::inline v1::java_language
