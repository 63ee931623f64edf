// The escapes of a string literal: ISO C17, 6.4.4.4.

#include <algorithm>

#include "c.hpp"
#include "inky_margin/text/utf8.hpp"

namespace inky::c_language {

namespace {

int hex_value(char c) {
  if (c >= '0' && c <= '9') return c - '0';
  if (c >= 'a' && c <= 'f') return c - 'a' + 10;
  if (c >= 'A' && c <= 'F') return c - 'A' + 10;
  return -1;
}

// Digits of `base` from `at`, at most `most`; their value goes to `value`. Returns how many.
std::size_t read_digits(std::string_view text, std::size_t at, int base, std::size_t most,
                        std::uint32_t& value) {
  std::size_t count = 0;
  value = 0;
  while (count < most && at + count < text.size()) {
    const int digit = hex_value(text[at + count]);
    if (digit < 0 || digit >= base) break;
    value = (value * static_cast<unsigned>(base) + static_cast<unsigned>(digit)) & 0xFFFFFFFFU;
    ++count;
  }
  return count;
}

constexpr std::string_view simple_escapes = "n\nt\t\"\"''\\\\??a\ab\bf\fr\rv\v";

std::size_t read_code_point_escape(std::string_view source, std::size_t at, std::size_t digits,
                                   std::string& out) {
  std::uint32_t value = 0;
  if (read_digits(source, at + 2, 16, digits, value) != digits) return 0;
  if (value > 0x10FFFF || (value >= 0xD800 && value <= 0xDFFF)) return 0;
  append_utf8(value, out);
  return digits + 2;
}

// Returns 0 for an escape the language does not define.
std::size_t read_known_escape(std::string_view source, std::size_t at, std::string& out) {
  if (at + 1 >= source.size()) return 0;
  const char letter = source[at + 1];
  for (std::size_t i = 0; i < simple_escapes.size(); i += 2) {
    if (simple_escapes[i] != letter) continue;
    out += simple_escapes[i + 1];
    return 2;
  }
  std::uint32_t value = 0;
  if (letter == 'u') return read_code_point_escape(source, at, 4, out);
  if (letter == 'U') return read_code_point_escape(source, at, 8, out);
  const bool hexadecimal = letter == 'x';
  const std::size_t start = at + (hexadecimal ? 2 : 1);
  const std::size_t count =
      read_digits(source, start, hexadecimal ? 16 : 8, hexadecimal ? source.size() : 3, value);
  // A byte is 8 bits; more is a constraint violation.
  if (count == 0 || value > 0xFF) return 0;
  out += static_cast<char>(value);
  return start - at + count;
}

}  // namespace

std::size_t read_escape(std::string_view source, std::size_t at, std::string& literals,
                        Notes& notes) {
  if (const std::size_t size = read_known_escape(source, at, literals); size != 0) return size;
  // gcc warns and drops the backslash; what follows is read as if it were not there.
  notes.push_back(
      {Code::unknown_escape,
       "C defines no such escape; gcc drops the backslash, which is itself written \\\\",
       {at, std::min(at + 2, source.size())}});
  return 1;
}

}  // namespace inky::c_language
