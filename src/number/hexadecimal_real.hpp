// Reals in hexadecimal: exact, since a hexadecimal digit is four binary ones.
//
//   HexadecimalDigits h = hexadecimal_digits(f64, unpack(binary64, bits_of(2.5)), any_places,
//   half_even); h.lead, h.fraction(), h.exponent      // 1, "4", 1: that is 0x1.4p+1
#pragma once

#include <array>
#include <string_view>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/whole.hpp"

namespace inky::inline v1 {

struct HexadecimalDigits {
  int lead = 0;      // the digit before the point
  int exponent = 0;  // of two
  int count = 0;     // hexadecimal digits after the point
  std::array<char, 32> digits{};

  std::string_view fraction() const { return {digits.data(), static_cast<std::size_t>(count)}; }
};

inline constexpr int any_places = -1;

// The form the C library of the GNU system gives (ISO C17 leaves the leading digit open): lead 1
// for normal numbers, 0 for subnormal ones, which keep the lowest normal exponent; for f80 the
// whole first hexadecimal digit of the significand. Without `places`, trailing zeros are dropped.
// With `places`, rounded to that many digits; a carry grows the lead and leaves the exponent,
// but for a lead of 16, which becomes 1.
// More places than the format has are not filled with zeros: the caller does.
// REQUIRES: finite.
HexadecimalDigits hexadecimal_digits(const BinaryFormat& format, const BinaryReal& value,
                                     int places, Rounding rounding, Letters letters);

}  // namespace inky::inline v1
