#include "text/utf8.hpp"

#include <algorithm>
#include <array>
#include <cassert>

namespace inky::inline v1 {

namespace {

// By length: the least value that needs that many bytes, and the bits of the first byte.
struct Form {
  char32_t least;
  unsigned mark;
  unsigned mask;
};
constexpr std::array<Form, 5> forms = {
    {{0, 0, 0}, {0, 0x00, 0x80}, {0x80, 0xC0, 0xE0}, {0x800, 0xE0, 0xF0}, {0x10000, 0xF0, 0xF8}}};

constexpr char32_t highest = 0x10FFFF;

bool is_surrogate(char32_t value) {
  return value >= 0xD800 && value <= 0xDFFF;
}

int length_from(unsigned char lead) {
  for (int length = 1; length <= 4; ++length) {
    const Form& form = forms[static_cast<std::size_t>(length)];
    if ((lead & form.mask) == form.mark) return length;
  }
  return 0;
}

}  // namespace

std::optional<CodePoint> first_code_point(std::string_view text) {
  if (text.empty()) return std::nullopt;
  const auto lead = static_cast<unsigned char>(text[0]);
  const int length = length_from(lead);
  if (length == 0 || text.size() < static_cast<std::size_t>(length)) return std::nullopt;
  const Form& form = forms[static_cast<std::size_t>(length)];
  char32_t value = lead & ~form.mask;
  for (std::size_t i = 1; i < static_cast<std::size_t>(length); ++i) {
    if (!is_continuation(text[i])) return std::nullopt;
    value = value << 6 | (static_cast<unsigned char>(text[i]) & 0x3FU);
  }
  if (value < form.least || value > highest || is_surrogate(value)) return std::nullopt;
  return CodePoint{value, length};
}

std::size_t first_invalid_utf8(std::string_view text) {
  for (std::size_t at = 0; at < text.size();) {
    if (static_cast<unsigned char>(text[at]) < 0x80) {
      ++at;
      continue;
    }
    const std::optional<CodePoint> point = first_code_point(text.substr(at));
    if (!point) return at;
    at += static_cast<std::size_t>(point->bytes);
  }
  return std::string_view::npos;
}

void append_utf8(char32_t value, std::string& out) {
  assert(value <= highest && !is_surrogate(value));
  int length = 1;
  while (length < 4 && value >= forms[static_cast<std::size_t>(length) + 1].least) ++length;
  const Form& form = forms[static_cast<std::size_t>(length)];
  out += static_cast<char>(form.mark | value >> (6 * (length - 1)));
  for (int i = length - 2; i >= 0; --i) out += static_cast<char>(0x80 | (value >> (6 * i) & 0x3F));
}

bool is_ascii(std::string_view text) {
  return std::all_of(text.begin(), text.end(),
                     [](char c) { return static_cast<unsigned char>(c) < 0x80; });
}

}  // namespace inky::inline v1
