#include "numbers.hpp"

#include <algorithm>
#include <bit>
#include <cmath>
#include <limits>
#include <string>

#include "evaluation.hpp"
#include "inky_margin/number/decimal.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

// ECMA-262, 6.1.6.1.20, steps 6 to 12: fixed up to 21 digits before the point, and from 1e-6 on.
void append_digits(const Digits& digits, std::string& out) {
  const int size = digits.size();
  const int point = digits.point();
  const std::string_view text = digits.text();
  if (digits.is_zero()) {
    out += '0';
  } else if (size <= point && point <= 21) {
    out += text;
    out.append(static_cast<std::size_t>(point - size), '0');
  } else if (0 < point && point <= 21) {
    out += text.substr(0, static_cast<std::size_t>(point));
    out += '.';
    out += text.substr(static_cast<std::size_t>(point));
  } else if (-6 < point && point <= 0) {
    out += "0.";
    out.append(static_cast<std::size_t>(-point), '0');
    out += text;
  } else {
    out += text[0];
    if (size > 1) (out += '.') += text.substr(1);
    out += point > 0 ? "e+" : "e-";
    out += std::to_string(std::abs(point - 1));
  }
}

bool is_blank(char32_t c) {
  return c == ' ' || (c >= 9 && c <= 13) || c == 0xA0 || c == 0xFEFF || c == 0x1680 ||
         (c >= 0x2000 && c <= 0x200A) || c == 0x2028 || c == 0x2029 || c == 0x202F || c == 0x205F ||
         c == 0x3000;
}

}  // namespace

BinaryReal real_of(double number) {
  return unpack(binary64, bits_of(number));
}

void append_number(double number, std::string& out) {
  const BinaryReal real = real_of(number);
  if (real.kind == RealClass::not_a_number) {
    out += "NaN";
    return;
  }
  if (real.negative && !real.is_zero()) out += '-';
  if (real.kind == RealClass::infinite) {
    out += "Infinity";
    return;
  }
  Digits digits;
  shortest_digits(binary64, real, digits);
  append_digits(digits, out);
}

std::string number_text(double number) {
  std::string out;
  append_number(number, out);
  return out;
}

std::string radix_text(double number, int radix) {
  const bool negative = number < 0;
  const double value = std::abs(number);
  double whole = std::floor(value);
  double fraction = value - whole;
  const double above = std::nextafter(value, std::numeric_limits<double>::infinity());
  double delta = std::max(0.5 * (above - value), std::numeric_limits<double>::denorm_min());
  constexpr std::string_view letters = "0123456789abcdefghijklmnopqrstuvwxyz";
  std::string behind;
  if (fraction >= delta) {
    do {
      fraction *= radix;
      delta *= radix;
      const int digit = static_cast<int>(fraction);
      behind += letters[static_cast<std::size_t>(digit)];
      fraction -= digit;
      if (!(fraction > 0.5 || (fraction == 0.5 && (digit & 1) != 0)) || fraction + delta <= 1)
        continue;
      // A carry, as far back as it goes.
      while (!behind.empty()) {
        const std::size_t last = letters.find(behind.back());
        behind.pop_back();
        if (last + 1 < static_cast<std::size_t>(radix)) {
          behind += letters[last + 1];
          break;
        }
      }
      if (behind.empty()) whole += 1;
      break;
    } while (fraction >= delta);
  }
  std::string before;  // its last digit first
  const auto exponent = [](double x) { return x == 0 ? -1074 : std::ilogb(x) - 52; };
  while (exponent(whole / radix) > 0) {
    whole /= radix;
    before += '0';
  }
  do {
    const double rest = std::fmod(whole, radix);
    before += letters[static_cast<std::size_t>(rest)];
    whole = (whole - rest) / radix;
  } while (whole > 0);
  if (negative) before += '-';
  std::reverse(before.begin(), before.end());
  return behind.empty() ? before : before + "." + behind;
}

std::string_view trimmed(std::string_view text) {
  while (const auto point = first_code_point(text)) {
    if (!is_blank(point->value)) break;
    text.remove_prefix(static_cast<std::size_t>(point->bytes));
  }
  while (!text.empty()) {
    std::size_t last = text.size() - 1;
    while (last > 0 && is_continuation(text[last])) --last;
    if (!is_blank(first_code_point(text.substr(last))->value)) break;
    text = text.substr(0, last);
  }
  return text;
}

double read_number(std::string_view text) {
  text = trimmed(text);
  if (text.empty()) return 0;
  const bool negative = text[0] == '-';
  const std::string_view bare = negative || text[0] == '+' ? text.substr(1) : text;
  if (bare == "Infinity") return negative ? -HUGE_VAL : HUGE_VAL;
  const char mark = bare.size() > 1 && bare[0] == '0' ? static_cast<char>(bare[1] | 0x20) : '\0';
  if (mark == 'x' || mark == 'o' || mark == 'b') {
    std::string lower(bare);
    for (char& c : lower) c = static_cast<char>(c | (c >= 'A' && c <= 'Z' ? 0x20 : 0));
    const auto whole = bare.size() == text.size() ? read_whole(lower) : std::nullopt;
    if (!whole) return std::nan("");
    std::string digits;
    append_whole(whole->magnitude, 10, Letters::lower, digits);
    return std::bit_cast<double>(low_half(*read_real(binary64, digits)));
  }
  if (!scan_decimal(text)) return std::nan("");
  return std::bit_cast<double>(low_half(*read_real(binary64, text)));
}

}  // namespace inky::inline v1::javascript
