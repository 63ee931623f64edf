#include "escapes.hpp"

#include <cstdint>

#include "text/utf8.hpp"

namespace inky::inline v1 {

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

bool append_code_point(std::uint32_t value, std::string& out) {
  if (value > 0x10FFFF || (value >= 0xD800 && value <= 0xDFFF)) return false;
  append_utf8(value, out);
  return true;
}

}  // namespace

std::size_t read_backslash(const EscapeRules& rules, std::string_view source, std::size_t at,
                           std::string& out) {
  if (at + 1 >= source.size()) return 0;
  const char letter = source[at + 1];
  for (std::size_t i = 0; i < rules.simple.size(); i += 2) {
    if (rules.simple[i] != letter) continue;
    out += rules.simple[i + 1];
    return 2;
  }
  std::uint32_t value = 0;
  if (letter == 'u' || letter == 'U') {
    const std::size_t wanted = letter == 'u' ? 4 : 8;
    const bool found = read_digits(source, at + 2, 16, wanted, value) == wanted;
    return found && append_code_point(value, out) ? wanted + 2 : 0;
  }
  const bool hexadecimal = letter == 'x';
  const std::size_t start = at + (hexadecimal ? 2 : 1);
  const std::size_t count =
      read_digits(source, start, hexadecimal ? 16 : 8,
                  hexadecimal ? rules.most_hexadecimal_digits : rules.most_octal_digits, value);
  if (count < (hexadecimal ? rules.least_hexadecimal_digits : 1)) return 0;
  if (!rules.bytes) return append_code_point(value, out) ? start - at + count : 0;
  if (value > 0xFF) return 0;
  out += static_cast<char>(value);
  return start - at + count;
}

}  // namespace inky::inline v1
