// Digits and letters of ASCII, whatever the locale.
#pragma once

#include <algorithm>
#include <string_view>

namespace inky::inline v1 {

constexpr bool is_digit(char c) {
  return '0' <= c && c <= '9';
}
constexpr bool is_letter(char c) {
  return ('a' <= c && c <= 'z') || ('A' <= c && c <= 'Z');
}
constexpr bool is_hexadecimal_digit(char c) {
  return is_digit(c) || ('a' <= c && c <= 'f') || ('A' <= c && c <= 'F');
}
constexpr bool is_capital_letter(char c) {
  return 'A' <= c && c <= 'Z';
}
constexpr bool is_small_letter(char c) {
  return 'a' <= c && c <= 'z';
}
constexpr char small_letter(char c) {
  return is_capital_letter(c) ? static_cast<char>(c - 'A' + 'a') : c;
}
constexpr char capital_letter(char c) {
  return is_small_letter(c) ? static_cast<char>(c - 'a' + 'A') : c;
}
// What an identifier of most languages is made of.
constexpr bool is_word_start(char c) {
  return is_letter(c) || c == '_';
}
constexpr bool is_word_part(char c) {
  return is_word_start(c) || is_digit(c);
}

// A letter or _, and letters, digits and _ behind it.
constexpr bool is_word(std::string_view text) {
  return !text.empty() && is_word_start(text[0]) &&
         std::all_of(text.begin(), text.end(), is_word_part);
}

}  // namespace inky::inline v1
