// A number weighed: what was typed, what a format stores for it, and how far the two are apart.
//
//   Weighing w = *weigh("2.675", binary64);
//   to_text(*w.stored), to_text(*w.error), w.error_ulps   // "2.67499999...", "-0.00000...", "-0.4"
//   weigh("2,675", binary64)                            // nothing: not a number
#pragma once

#include <array>
#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/exact_decimal.hpp"

namespace inky::inline v1 {

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

// What is stored, without anything typed.
Weighing weigh_stored(const BinaryFormat& format, uint128 bits);

// How many of the typed significant digits the stored number still shows: the most digits at which
// both round to the same. All of them when nothing was lost.
struct SurvivingDigits {
  std::size_t typed;
  std::size_t kept;
};
// REQUIRES: typed and stored are set.
SurvivingDigits surviving_digits(const Weighing& weighing);

// Decimal digits that survive the way from text to this format and back, whatever they are (15 in
// f64), and those that any number of the format needs to be read back (17 in f64).
int digits_always_kept(const BinaryFormat& format);
int digits_always_enough(const BinaryFormat& format);

// What printing at some places shows of a number, and the point where the last digit would turn.
struct PlacesView {
  int places;
  std::string shows;      // rounded to nearest, ties to even
  ExactDecimal halfway;   // the halfway point between the two printable neighbours
  ExactDecimal distance;  // number - halfway
  Tail side;              // of the number, by magnitude; exact: it needs no rounding
};
PlacesView view_at(const ExactDecimal& value, int places);

// A short text that needs no allocation.
class NumberText {
 public:
  std::string_view view() const { return {room_.data(), size_}; }
  std::string string() const { return std::string(view()); }
  // For those who write it.
  char* room() { return room_.data(); }
  void end_at(const char* end) { size_ = static_cast<std::size_t>(end - room_.data()); }

 private:
  std::array<char, 80> room_;
  std::size_t size_ = 0;
};

// The shortest text that reads back as these bits, or inf, -inf, nan.
NumberText shortest_number(const BinaryFormat& format, uint128 bits);
inline std::string shortest_text(const BinaryFormat& format, uint128 bits) {
  return shortest_number(format, bits).string();
}
// The C library's %a form.
NumberText hexadecimal_number(const BinaryFormat& format, uint128 bits);
inline std::string hexadecimal_text(const BinaryFormat& format, uint128 bits) {
  return hexadecimal_number(format, bits).string();
}

}  // namespace inky::inline v1
