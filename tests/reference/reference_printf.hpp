// A slow, obvious printf for one field: straight from ISO C17, 7.21.6.1, over exact rationals,
// sharing no code with the product. Whatever is fast must agree with it.
#pragma once

#include <cmath>
#include <string>

#include "support/rational.hpp"

namespace reference {

struct Directive {
  bool left = false, plus = false, space = false, alternate = false, zero = false;
  int width = 0;
  int precision = -1;  // -1: left out
  char letter = 'd';
};

inline std::string pad(const Directive& d, const std::string& sign, const std::string& body,
                       bool zeros_allowed) {
  const std::size_t used = sign.size() + body.size();
  const std::size_t missing =
      static_cast<std::size_t>(d.width) > used ? static_cast<std::size_t>(d.width) - used : 0;
  if (d.left) return sign + body + std::string(missing, ' ');
  if (d.zero && zeros_allowed) return sign + std::string(missing, '0') + body;
  return std::string(missing, ' ') + sign + body;
}

inline std::string sign_of(const Directive& d, bool negative) {
  if (negative) return "-";
  return d.plus ? "+" : d.space ? " " : "";
}

inline std::string upper(std::string text) {
  for (char& c : text) c = static_cast<char>(c >= 'a' && c <= 'z' ? c - 'a' + 'A' : c);
  return text;
}

// d i u o x X
inline std::string whole(const Directive& d, long value) {
  const bool is_signed = d.letter == 'd' || d.letter == 'i';
  support::Integer magnitude(is_signed ? abs(support::Integer(value))
                                       : support::Integer(static_cast<unsigned>(value)));
  const unsigned base = d.letter == 'o' ? 8 : d.letter == 'x' || d.letter == 'X' ? 16 : 10;
  const bool zero = magnitude == 0;
  std::string digits;
  for (; magnitude != 0; magnitude /= base)
    digits.insert(0, 1, "0123456789abcdef"[static_cast<unsigned>(magnitude % base)]);
  const int least = d.precision < 0 ? 1 : d.precision;
  while (static_cast<int>(digits.size()) < least) digits.insert(0, 1, '0');
  if (d.alternate && base == 8 && (digits.empty() || digits[0] != '0')) digits.insert(0, 1, '0');
  std::string sign = is_signed ? sign_of(d, value < 0) : "";
  if (d.alternate && base == 16 && !zero) sign += "0x";
  if (d.letter == 'X') {
    sign = upper(sign);
    digits = upper(digits);
  }
  return pad(d, sign, digits, d.precision < 0);
}

// A rational of at most `places` decimals, written out.
inline std::string fixed_text(const support::Rational& value, int places, bool keep_point) {
  std::string digits = support::Integer(numerator(value * support::power(10, places))).str();
  while (static_cast<int>(digits.size()) <= places) digits.insert(0, 1, '0');
  const std::size_t point = digits.size() - static_cast<std::size_t>(places);
  if (places > 0 || keep_point) digits.insert(point, 1, '.');
  return digits;
}

inline std::string scientific_text(const support::Rational& value, int places, bool keep_point) {
  support::Rational kept(0);
  int exponent = 0;
  if (value != 0) {
    kept = support::round_to_significant(value, places + 1, inky::Rounding::half_even);
    exponent = support::decimal_exponent(kept);
    kept *= support::power(10, -exponent);
  }
  std::string text = fixed_text(kept, places, keep_point);
  std::string power = std::to_string(std::abs(exponent));
  if (power.size() < 2) power.insert(0, 1, '0');
  return text + (exponent < 0 ? "e-" : "e+") + power;
}

inline std::string without_trailing_zeros(const std::string& text) {
  const std::size_t tail = std::min(text.find('e'), text.size());
  std::string mantissa = text.substr(0, tail);
  if (mantissa.find('.') == std::string::npos) return text;
  mantissa.erase(mantissa.find_last_not_of('0') + 1);
  if (mantissa.back() == '.') mantissa.pop_back();
  return mantissa + text.substr(tail);
}

inline std::string compact_text(const support::Rational& value, int precision, bool alternate) {
  const int count = precision < 0 ? 6 : precision == 0 ? 1 : precision;
  int exponent = 0;
  if (value != 0) {
    exponent = support::decimal_exponent(
        support::round_to_significant(value, count, inky::Rounding::half_even));
  }
  std::string text;
  if (count > exponent && exponent >= -4) {
    const int places = count - 1 - exponent;
    text = fixed_text(support::round_to_places(value, places, inky::Rounding::half_even), places,
                      alternate);
  } else {
    text = scientific_text(value, count - 1, alternate);
  }
  return alternate ? text : without_trailing_zeros(text);
}

// f F e E g G
inline std::string real(const Directive& d, double value) {
  const bool is_upper = d.letter < 'a';
  const std::string sign = sign_of(d, std::signbit(value));
  std::string body;
  if (!std::isfinite(value)) {
    body = std::isnan(value) ? "nan" : "inf";
    return pad(d, sign, is_upper ? upper(body) : body, false);
  }
  const support::Rational exact =
      abs(support::exact(inky::unpack(inky::binary64, std::bit_cast<std::uint64_t>(value))));
  const int places = d.precision < 0 ? 6 : d.precision;
  switch (is_upper ? d.letter - 'A' + 'a' : d.letter) {
    case 'f':
      body = fixed_text(support::round_to_places(exact, places, inky::Rounding::half_even), places,
                        d.alternate);
      break;
    case 'e':
      body = scientific_text(exact, places, d.alternate);
      break;
    default:
      body = compact_text(exact, d.precision, d.alternate);
  }
  return pad(d, sign, is_upper ? upper(body) : body, true);
}

}  // namespace reference
