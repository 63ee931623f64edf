#include "hexadecimal.hpp"

#include <algorithm>
#include <string>

#include "format/layout.hpp"
#include "number/hexadecimal_real.hpp"

namespace inky::inline v1::java_language {

namespace {

// A subnormal as if its exponent had no limit.
BinaryReal normalized(BinaryReal real) {
  const int shift = binary64.precision - bit_length(real.significand);
  real.significand <<= shift;
  real.exponent -= shift;
  real.kind = RealClass::normal;
  return real;
}

}  // namespace

void lay_out_hexadecimal(Spec spec, const BinaryReal& real, Output& out) {
  const bool upper_letters = spec.letters == Letters::upper;
  constexpr int all_digits = 13;
  const int places = spec.places == unset ? unset : std::max(spec.places, 1);
  const bool rounded = places != unset && places < all_digits && !real.is_zero();
  std::string text;
  int exponent = 0;
  if (rounded) {
    const HexadecimalDigits digits =
        hexadecimal_digits(binary64, normalized(real), places, Rounding::half_even, spec.letters);
    // A carry makes the leading digit 2.
    const bool carried = digits.lead == 2;
    text = digits.fraction();
    text.erase(text.find_last_not_of('0') + 1);
    exponent = digits.exponent + (carried ? 1 : 0);
    text.insert(0, "1.");
  } else {
    const HexadecimalDigits digits =
        hexadecimal_digits(binary64, real, any_places, Rounding::half_even, spec.letters);
    text = (digits.lead == 0 ? "0." : "1.") + std::string(digits.fraction());
    exponent = digits.exponent;
  }
  if (text.size() == 2) text += '0';
  // Zeros of the width are counted before those of the precision, so there may be too many.
  if (spec.align == Align::inner) {
    const bool signed_number = real.negative || spec.sign != Sign::minus;
    const int used = static_cast<int>(text.size() + 1 + std::to_string(exponent).size()) + 2 +
                     (signed_number ? 1 : 0);
    text.insert(0, static_cast<std::size_t>(std::max(spec.width - used, 0)), '0');
    spec.width = 0;
  }
  const std::size_t point = text.find('.');
  if (places != unset && text.size() < point + 1 + static_cast<std::size_t>(places))
    text.resize(point + 1 + static_cast<std::size_t>(places), '0');
  text += upper_letters ? 'P' : 'p';
  text += std::to_string(exponent);
  lay_out_whole(spec, real.negative, text, upper_letters ? "0X" : "0x", out);
}

}  // namespace inky::inline v1::java_language
