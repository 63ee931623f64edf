#include "text/escape.hpp"

#include <utf8proc.h>

#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view hex_letters = "0123456789abcdef";

void append_byte(unsigned char byte, std::string& out) {
  out += "\\x";
  out += hex_letters[byte >> 4];
  out += hex_letters[byte & 15];
}

void append_code_point(char32_t value, std::string& out) {
  out += "\\u{";
  bool started = false;
  for (int shift = 20; shift >= 0; shift -= 4) {
    const auto digit = static_cast<std::size_t>(value >> shift & 15);
    started |= digit != 0 || shift == 0;
    if (started) out += hex_letters[digit];
  }
  out += '}';
}

bool is_invisible(char32_t value) {
  const auto category = utf8proc_category(static_cast<utf8proc_int32_t>(value));
  return category == UTF8PROC_CATEGORY_CC || category == UTF8PROC_CATEGORY_CF ||
         category == UTF8PROC_CATEGORY_ZL || category == UTF8PROC_CATEGORY_ZP ||
         category == UTF8PROC_CATEGORY_CO || category == UTF8PROC_CATEGORY_CN;
}

// The joiner that emoji sequences are made of is left alone.
constexpr char32_t zero_width_joiner = 0x200D;

void append_visible(std::string_view bytes, char32_t value, std::string& out) {
  switch (value) {
    case '\n':
      out += "\\n";
      return;
    case '\t':
      out += "\\t";
      return;
    case '\r':
      out += "\\r";
      return;
    default:
      break;
  }
  if (value < 0x20 || value == 0x7F)
    append_byte(static_cast<unsigned char>(value), out);
  else if (value > 0x7F && value != zero_width_joiner && is_invisible(value))
    append_code_point(value, out);
  else
    out += bytes;
}

}  // namespace

std::string visible(std::string_view text) {
  std::string out;
  while (!text.empty()) {
    const auto point = first_code_point(text);
    const std::size_t bytes = point ? static_cast<std::size_t>(point->bytes) : 1;
    if (point)
      append_visible(text.substr(0, bytes), point->value, out);
    else
      append_byte(static_cast<unsigned char>(text[0]), out);
    text.remove_prefix(bytes);
  }
  return out;
}

std::string in_quotes(std::string_view text) {
  std::string escaped;
  for (const char c : text) {
    if (c == '"' || c == '\\') escaped += '\\';
    escaped += c;
  }
  std::string out = "\"";
  out += visible(escaped);
  out += '"';
  return out;
}

bool is_printable(char32_t value) {
  const auto category = utf8proc_category(static_cast<utf8proc_int32_t>(value));
  return value == ' ' || !(is_invisible(value) || category == UTF8PROC_CATEGORY_ZS ||
                           category == UTF8PROC_CATEGORY_CS);
}

bool extends_another(char32_t value) {
  const bool emoji_modifier = value >= 0x1F3FB && value <= 0x1F3FF;
  return !emoji_modifier &&
         utf8proc_get_property(static_cast<utf8proc_int32_t>(value))->boundclass ==
             UTF8PROC_BOUNDCLASS_EXTEND;
}

std::string to_hexadecimal(std::string_view bytes) {
  std::string out;
  out.reserve(bytes.size() * 2);
  for (const char c : bytes) {
    const auto byte = static_cast<unsigned char>(c);
    out += hex_letters[byte >> 4];
    out += hex_letters[byte & 15];
  }
  return out;
}

}  // namespace inky::inline v1
