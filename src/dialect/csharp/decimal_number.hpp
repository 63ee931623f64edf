// A number as .NET formats it: its digits and their scale.
#pragma once

#include <string_view>

#include "inky_margin/number/digits.hpp"
#include "numbers.hpp"

namespace inky::inline v1::csharp {

inline constexpr char upper(char c) {
  return c >= 'a' && c <= 'z' ? static_cast<char>(c - 'a' + 'A') : c;
}

// A number being formatted: 0.d1 d2 ... x 10^scale.
struct Number {
  Digits digits;
  int scale = 0;
  bool negative = false;
  bool is_real = false;

  char digit(int at) const {
    return at >= 0 && at < digits.size() ? digits.text()[static_cast<std::size_t>(at)] : '0';
  }
  // To its first `keep` digits, half away. A whole number has no negative zero.
  void round(int keep) {
    round_digits(digits, keep, negative, Rounding::half_away);
    digits.strip_trailing_zeros();
    scale += digits.point();
    digits.set(digits.size(), 0);
    if (digits.is_zero()) {
      scale = 0;
      if (!is_real) negative = false;
    }
  }
};

// The point is taken out of the digits, which are then rounded as if it stood before them.
void take(Number& number);

void take_whole(const Value& value, Number& out);

// Under a standard letter.
// Rounded already. `digits`: how many significant ones G and E show at most.
void append_standard(const NumberFormat& format, int most_digits, const Number& number,
                     const Culture& culture, Output& out);

// The places that F, N, C and P show.
int places_of(const NumberFormat& format, const Culture& culture);

void append_exponent(int exponent, char letter, int least_digits, bool plus, const Culture& culture,
                     Output& out);

// Fills a pattern, character by character. The number is rounded to what the pattern shows.
void append_pattern(std::string_view pattern, const Culture& culture, Number& number, Output& out);

}  // namespace inky::inline v1::csharp
