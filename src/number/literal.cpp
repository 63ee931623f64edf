#include "literal.hpp"

#include <algorithm>

#include "inky_margin/number/natural.hpp"
#include "inky_margin/number/whole.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::size_t most_literal_digits = 1'000;

int digit_of(char c) {
  if (is_digit(c)) return c - '0';
  const char letter = small_letter(c);
  return letter >= 'a' && letter <= 'z' ? letter - 'a' + 10 : 36;
}

// The digits of a whole number in a base as decimal ones; nothing where one is none.
std::optional<std::string> decimal_of(std::string_view digits, int base) {
  if (digits.empty() || digits.size() > most_literal_digits) return std::nullopt;
  Natural number;
  for (const char c : digits) {
    if (digit_of(c) >= base) return std::nullopt;
    number.multiply(static_cast<std::uint64_t>(base));
    number.add(static_cast<std::uint64_t>(digit_of(c)));
  }
  std::string out;
  append_whole(number, 10, Letters::lower, out);
  return out;
}

int base_of(char letter) {
  switch (small_letter(letter)) {
    case 'b':
      return 2;
    case 'o':
      return 8;
    case 'h':
    case 'x':
      return 16;
    default:
      return 0;
  }
}

// The base written in front, and the length with it: "16" of "16#ff", "2r" of "2r1101".
int radix_in(std::string_view text, std::size_t& size) {
  size = 0;
  int base = 0;
  while (size < text.size() && is_digit(text[size]) && size < 2) {
    base = base * 10 + (text[size] - '0');
    ++size;
  }
  return base >= 2 && base <= 36 ? base : 0;
}

// #b1101, #xff and #2r1101; &HFF; 16#ff and 16#ff#.
std::optional<std::string> with_radix(std::string_view text) {
  std::size_t size = 0;
  if (text.starts_with('#') && text.size() > 1) {
    text.remove_prefix(1);
    if (const int base = small_letter(text[0]) == 'h' ? 0 : base_of(text[0]); base != 0)
      return decimal_of(text.substr(1), base);
    const int base = radix_in(text, size);
    if (base == 0 || size >= text.size() || small_letter(text[size]) != 'r') return std::nullopt;
    return decimal_of(text.substr(size + 1), base);
  }
  if (text.starts_with('&') && text.size() > 1) {
    const int base = small_letter(text[1]) == 'x' ? 0 : base_of(text[1]);
    if (text.ends_with('&')) text.remove_suffix(1);
    return base == 0 ? std::nullopt
                     : decimal_of(text.substr(std::min<std::size_t>(2, text.size())), base);
  }
  const int base = radix_in(text, size);
  if (base == 0 || text.substr(size, 1) != "#") return std::nullopt;
  text.remove_prefix(size + 1);
  if (text.ends_with('#')) text.remove_suffix(1);
  return decimal_of(text, base);
}

struct Mark {
  std::string_view text;
  std::string_view type;
};
// Longer ones first. Marks that mean another width in each language name no type.
constexpr Mark marks[] = {{"i128", "i128"}, {"u128", "u128"}, {"isize", "i64"}, {"usize", "u64"},
                          {"f32", "f32"},   {"f64", "f64"},   {"i16", "i16"},   {"i32", "i32"},
                          {"i64", "i64"},   {"u16", "u16"},   {"u32", "u32"},   {"u64", "u64"},
                          {"i8", "i8"},     {"u8", "u8"},     {"ull", ""},      {"llu", ""},
                          {"ul", ""},       {"lu", ""},       {"ll", ""},       {"l", ""},
                          {"u", ""},        {"n", ""},        {"f", "f32"}};

}  // namespace

std::optional<NumberLiteral> literal_in(std::string_view text) {
  if (text.size() > 2 * most_literal_digits) return std::nullopt;
  const bool negative = text.starts_with('-');
  if (negative) text.remove_prefix(1);
  const std::string sign = negative ? "-" : "";
  if (const auto digits = with_radix(text)) return NumberLiteral{sign + *digits, {}};
  if (text.empty() || !is_digit(text[0])) return std::nullopt;
  NumberLiteral out;
  std::string plain;
  for (std::size_t i = 0; i < text.size(); ++i) {
    const bool separates = (text[i] == '\'' || text[i] == '_') && i > 0 && i + 1 < text.size() &&
                           digit_of(text[i - 1]) < 16 && digit_of(text[i + 1]) < 16;
    if (!separates) plain += text[i];
  }
  std::string small_letters = plain;
  std::transform(plain.begin(), plain.end(), small_letters.begin(), small_letter);
  const int base = small_letters.size() > 2 && plain[0] == '0' && small_letters[1] != 'h'
                       ? base_of(small_letters[1])
                       : 0;
  for (const Mark& mark : marks) {
    const bool is_digit_too = base == 16 && mark.text == "f";
    if (is_digit_too || small_letters.size() <= mark.text.size() ||
        !small_letters.ends_with(mark.text))
      continue;
    out.type = mark.type;
    plain.resize(plain.size() - mark.text.size());
    break;
  }
  if (base != 0) {
    const auto digits = decimal_of(std::string_view(plain).substr(2), base);
    if (!digits) return std::nullopt;
    out.digits = sign + *digits;
    return out;
  }
  const bool has_mark = plain.size() < small_letters.size();
  if (plain.size() == text.size() && !has_mark) return std::nullopt;
  for (std::size_t i = 0; i < plain.size(); ++i) {
    const bool is_sign = (plain[i] == '+' || plain[i] == '-') && small_letter(plain[i - 1]) == 'e';
    if (!is_digit(plain[i]) && plain[i] != '.' && small_letter(plain[i]) != 'e' && !is_sign)
      return std::nullopt;
  }
  out.digits = sign + plain;
  return out;
}

}  // namespace inky::inline v1
