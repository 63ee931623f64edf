#include "numbers.hpp"

#include <algorithm>
#include <limits>

#include "inky_margin/number/decimal.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::shell {

ReadNumber read_number(std::string_view text) {
  ReadNumber out;
  std::size_t at = 0;
  while (at < text.size() && (text[at] == ' ' || (text[at] >= '\t' && text[at] <= '\r'))) ++at;
  if (at < text.size() && (text[at] == '-' || text[at] == '+')) out.negative = text[at++] == '-';
  std::uint64_t base = 10;
  if (at < text.size() && text[at] == '0') {
    const bool marked = at + 2 < text.size() && (text[at + 1] == 'x' || text[at + 1] == 'X') &&
                        is_hexadecimal_digit(text[at + 2]);
    base = marked ? 16 : 8;
    at += marked ? 2 : 0;
  }
  const auto digit_at = [&](std::size_t place) {
    const char c = place < text.size() ? text[place] : '\0';
    const std::uint64_t digit = is_digit(c) ? static_cast<std::uint64_t>(c - '0')
                                : is_hexadecimal_digit(c)
                                    ? static_cast<std::uint64_t>((c | 32) - 'a') + 10
                                    : base;
    return digit;
  };
  for (std::uint64_t digit = digit_at(at); digit < base; digit = digit_at(++at)) {
    constexpr std::uint64_t most = std::numeric_limits<std::uint64_t>::max();
    if (out.magnitude > (most - digit) / base) out.too_large = true;
    out.magnitude = out.magnitude * base + digit;
    out.size = at + 1;
  }
  return out;
}

namespace {

bool is_space(char c) {
  return c == ' ' || (c >= '\t' && c <= '\r');
}

// Whether a text has a word at a place, in any letters.
bool has_at(std::string_view text, std::size_t at, std::string_view word) {
  const std::string_view part = text.substr(std::min(at, text.size()), word.size());
  return part.size() == word.size() &&
         std::equal(part.begin(), part.end(), word.begin(),
                    [](char a, char b) { return static_cast<char>(a | 0x20) == b; });
}

// Where the digits of a base and a point among them end; `count` says how many there were.
std::size_t behind_digits(std::string_view text, std::size_t at, bool hexadecimal,
                          std::size_t& count) {
  bool has_point = false;
  std::size_t end = at;
  for (; at < text.size(); ++at) {
    const char c = text[at];
    if (c == '.' && !has_point) {
      has_point = true;
      if (count > 0) end = at + 1;
      continue;
    }
    if (!(hexadecimal ? is_hexadecimal_digit(c) : is_digit(c))) break;
    ++count;
    end = at + 1;
  }
  return end;
}

// Behind an exponent, where there is a whole one.
std::size_t behind_exponent(std::string_view text, std::size_t at, char mark) {
  if (at >= text.size() || static_cast<char>(text[at] | 0x20) != mark) return at;
  std::size_t digits = at + 1;
  if (digits < text.size() && (text[digits] == '-' || text[digits] == '+')) ++digits;
  std::size_t end = digits;
  while (end < text.size() && is_digit(text[end])) ++end;
  return end > digits ? end : at;
}

// Where the number ends that begins at `at`, behind its sign; `at` where none begins.
std::size_t behind_number(std::string_view text, std::size_t at) {
  if (has_at(text, at, "infinity")) return at + 8;
  if (has_at(text, at, "inf")) return at + 3;
  if (has_at(text, at, "nan")) {
    std::size_t end = at + 3;
    if (end >= text.size() || text[end] != '(') return end;
    while (end + 1 < text.size() && (is_word_part(text[end + 1]))) ++end;
    return end + 1 < text.size() && text[end + 1] == ')' ? end + 2 : at + 3;
  }
  std::size_t count = 0;
  if (has_at(text, at, "0x")) {
    const std::size_t end = behind_digits(text, at + 2, true, count);
    if (count > 0) return behind_exponent(text, end, 'p');
    return at + 1;
  }
  const std::size_t end = behind_digits(text, at, false, count);
  return count > 0 ? behind_exponent(text, end, 'e') : at;
}

}  // namespace

ReadReal read_real_number(std::string_view text) {
  std::size_t from = 0;
  while (from < text.size() && is_space(text[from])) ++from;
  const bool negative = from < text.size() && text[from] == '-';
  const std::size_t sign = from < text.size() && (negative || text[from] == '+') ? 1 : 0;
  const std::size_t end = behind_number(text, from + sign);
  ReadReal out;
  if (end == from + sign) return out;
  out.size = end;
  std::string_view number = text.substr(from, end - from);
  const bool is_nan = has_at(text, from + sign, "nan");
  if (is_nan) number = number.substr(0, sign + 3);
  const auto bits = read_real(binary64, number);
  if (!bits) {
    out.size = 0;
    return out;
  }
  out.real = unpack(binary64, *bits);
  if (is_nan || has_at(text, from + sign, "inf")) return out;
  const bool infinite = out.real.kind == RealClass::infinite;
  // The smallest normal number of 64 bits.
  const std::uint64_t magnitude =
      static_cast<std::uint64_t>(*bits) & (std::numeric_limits<std::uint64_t>::max() >> 1U);
  const bool is_small = magnitude < std::uint64_t{1} << 52U;
  out.out_of_range = infinite || (is_small && read_real(binary64, number, Rounding::up) !=
                                                  read_real(binary64, number, Rounding::down));
  return out;
}

}  // namespace inky::inline v1::shell
