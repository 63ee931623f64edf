// Decimals of any length, exactly: what was typed, what is stored, and their difference.
//
//   ExactDecimal typed = exact_decimal(*scan_decimal("2.675"));
//   ExactDecimal stored = exact_decimal(unpack(binary64, 0x4005666666666666));
//   to_text(difference(stored, typed))             // "-0.00000000000000017763568394002504..."
//   to_text(rounded(typed, 2, Rounding::half_even))    // "2.68": typed, it is a tie
//
// The value is 0.d1 d2 d3 ... x 10^point; neither the first nor the last digit is zero, and zero
// itself has none, but may have a sign.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/decimal.hpp"
#include "inky_margin/number/digits.hpp"

namespace inky::inline v1 {

struct ExactDecimal {
  bool negative = false;
  std::string digits;
  std::int64_t point = 0;

  bool is_zero() const { return digits.empty(); }
};

// A decimal with its trailing zeros, as languages keep them: 1.10 is 110 x 10^-2, and not 1.1. One
// member of a cohort (IEEE 754-2019, 3.3).
//
//   read_decimal("1.10")->coefficient        // "110", and the exponent is -2
//   to_text(*read_decimal("1.10e5"))         // "1.10E+5"
struct Decimal {
  enum class Kind : std::uint8_t { finite, infinite, not_a_number };
  Kind kind = Kind::finite;
  bool negative = false;
  std::string coefficient = "0";  // no zeros in front
  std::int64_t exponent = 0;      // of ten

  bool is_finite() const { return kind == Kind::finite; }
  bool is_zero() const { return is_finite() && coefficient == "0"; }
  // The exponent where one digit stands before the point.
  std::int64_t adjusted_exponent() const {
    return exponent + static_cast<std::int64_t>(coefficient.size()) - 1;
  }
  friend bool operator==(const Decimal&, const Decimal&) = default;
};

// [+-] digits [. digits] [e [+-] digits], or inf, infinity, nan in any letters. Nothing where the
// text is not that.
std::optional<Decimal> read_decimal(std::string_view text);

// The scientific string of decimal arithmetic: all digits, and an exponent only where it is above
// zero, or where more than five zeros would follow the point. What Python and Java print.
std::string to_text(const Decimal& value);

ExactDecimal exact_decimal(const DecimalText& typed);
// REQUIRES: finite.
ExactDecimal exact_decimal(const Decimal& value);
// REQUIRES: finite, and an exponent within +-10^9.
void decimal_digits(const Decimal& value, Digits& out);
// REQUIRES: finite.
ExactDecimal exact_decimal(const BinaryReal& value);

// How far apart two points may be for a difference or a text without an exponent: a text of a
// billion zeros helps nobody.
inline constexpr std::int64_t most_zeros = 20'000;

// a - b. REQUIRES: points no more than most_zeros apart, or one of them zero.
ExactDecimal difference(const ExactDecimal& a, const ExactDecimal& b);

// Rounded to a multiple of 10^-places.
ExactDecimal rounded(const ExactDecimal& value, std::int64_t places, Rounding rounding);
// How what lies beyond `places` compares with half a unit there, in magnitude.
Tail tail_at(const ExactDecimal& value, std::int64_t places);

// All digits and no exponent, up to most_zeros zeros; then with one: "-1e-1000000".
// `least_places`: zeros are added up to this many digits after the point.
std::string to_text(const ExactDecimal& value, std::int64_t least_places = 0);

}  // namespace inky::inline v1
