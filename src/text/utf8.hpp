// UTF-8, checked: what it holds, and where it breaks off.
//
//   first_invalid_utf8("ink")          // npos: all of it is UTF-8
//   first_invalid_utf8("ink\xff")      // 3
//
// Source: RFC 3629 (no overlong forms, no surrogates, nothing above U+10FFFF).
#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

namespace inky::inline v1 {

// One code point and the bytes it takes.
struct CodePoint {
  char32_t value = 0;
  int bytes = 0;
};

// The code point at the start of `text`; nothing when it is empty or does not start with one.
std::optional<CodePoint> first_code_point(std::string_view text);

// The byte offset of the first byte that is not part of valid UTF-8; npos when there is none.
std::size_t first_invalid_utf8(std::string_view text);
inline bool is_utf8(std::string_view text) {
  return first_invalid_utf8(text) == std::string_view::npos;
}

// REQUIRES: a Unicode scalar value.
void append_utf8(char32_t value, std::string& out);

bool is_ascii(std::string_view text);

// Whether a byte continues a code point begun before it.
constexpr bool is_continuation(char byte) {
  return (static_cast<unsigned char>(byte) & 0xC0) == 0x80;
}

}  // namespace inky::inline v1
