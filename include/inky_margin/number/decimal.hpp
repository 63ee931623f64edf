// Decimal text read: "2.675", "-1e-7", "0x1.8p+1", "inf", and the stored number nearest to it.
//
//   const std::optional<DecimalText> typed = scan_decimal("2.675");
//   nearest(binary64, *typed)                       // 0x4005666666666666
//   scan_decimal("2,675")                      // nothing: a comma is not a decimal point
//   read_real(binary64, "-inf")                     // 0xfff0000000000000
//
// Reading is correctly rounded for every text, however long, in every format and direction
// (IEEE 754-2019, 5.12.2). Exponents may have any number of digits.
#pragma once

#include <cstdint>
#include <optional>
#include <string_view>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/digits.hpp"

namespace inky::inline v1 {

// A decimal number as typed: [+-] digits [. digits] [e [+-] digits]; a digit on at least one side
// of the point. Views point into the scanned text.
struct DecimalText {
  bool negative = false;
  std::string_view whole;     // digits before the point
  std::string_view fraction;  // digits after it
  std::int64_t exponent = 0;  // of ten, as typed; held at +-10^15 when larger
  // The first up to 19 significant digits and what they count: value = leading x
  // 10^leading_exponent, and a little more when `truncated`.
  std::uint64_t leading = 0;
  std::int64_t leading_exponent = 0;
  bool truncated = false;  // a digit beyond `leading` is not zero

  bool is_zero() const { return leading == 0; }
};

// Nothing when the text is not such a number.
std::optional<DecimalText> scan_decimal(std::string_view text);

// The encoding of the nearest number of the format.
uint128 nearest(const BinaryFormat& format, const DecimalText& decimal,
                Rounding rounding = Rounding::half_even);

// The significant digits as typed, leading and trailing zeros dropped. Nothing when the exponent is
// beyond +-10^9, where digit positions no longer fit.
bool typed_digits(const DecimalText& decimal, Digits& out);

// Any text a real number is given by: decimal, hexadecimal ("0x1.8p+1", the exponent may be left
// out), "inf", "infinity" or "nan" in any letters, each with an optional sign.
std::optional<uint128> read_real(const BinaryFormat& format, std::string_view text,
                                 Rounding rounding = Rounding::half_even);

}  // namespace inky::inline v1
