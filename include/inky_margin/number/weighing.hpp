// A number weighed: what was typed, what a format stores for it, and how far the two are apart.
//
//   Weighing w = *weigh("2.675", binary64);
//   to_text(w.stored), to_text(w.error), w.error_ulps   // "2.67499999...", "-0.00000...", "-0.4"
//   weigh("2,675", binary64)                            // nothing: not a number
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/exact_decimal.hpp"

namespace inky {

struct Weighing {
  const BinaryFormat* format = nullptr;
  uint128 bits = 0;
  BinaryReal real;

  // Set for a finite typed number, whatever became of it.
  std::optional<ExactDecimal> typed;
  // Set when the stored number is finite.
  std::optional<ExactDecimal> stored;
  // stored - typed; set when both are.
  std::optional<ExactDecimal> error;
  // The error in units of the stored number's last place, to six digits; empty when there is none.
  std::string error_ulps;

  // The unbiased exponent that the encoding means; the lowest for zero and subnormal numbers, one
  // more than the highest for infinities and not-a-number.
  int exponent() const;
  // The fraction field as stored, without a leading bit.
  uint128 fraction() const;
  // One unit of the last place, as a power of two; the lowest for zero. REQUIRES: finite.
  BinaryReal ulp() const;
};

// Nothing when the text is no number. A hexadecimal number may have 112 bits after its first.
std::optional<Weighing> weigh(std::string_view text, const BinaryFormat& format);

// The shortest text that reads back as these bits, or inf, -inf, nan.
std::string shortest_text(const BinaryFormat& format, uint128 bits);
// The C library's %a form.
std::string hexadecimal_text(const BinaryFormat& format, uint128 bits);

}  // namespace inky
