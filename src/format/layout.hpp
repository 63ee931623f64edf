// Laying out one field: sign, prefix, digits, marks and padding, by a spec.
//
// Every dialect ends here once it has settled what its own source means and what its own language
// makes of the value. What a language decides for all its numbers alike is in a NumberStyle.
//
// Nothing here allocates, except for texts of more than 800 digits.
#pragma once

#include <array>
#include <string_view>

#include "inky_margin/format/spec.hpp"
#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/digits.hpp"
#include "inky_margin/text/columns.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1 {

struct NumberStyle {
  std::string_view infinity = "inf";  // in upper letters when the spec asks for them
  std::string_view not_a_number = "nan";
  bool sign_of_nan = true;  // a negative not-a-number shows its sign
  int least_exponent_digits = 2;
  bool exponent_plus = true;        // "e+05" rather than "e05"
  bool zero_fill_specials = false;  // zeros also in front of inf and nan
  bool carry_drops_zeros = false;   // see carry_drops_zeros()
  bool hexadecimal_prefix = true;   // 0x in front of hexadecimal reals
};

// A slip of the GNU C library (2.36) that programs on it show: in compact notation with kept zeros,
// a value below 10^P that rounds up to 10^P at P digits prints 1.e+06 for 1.00000e+06. Whether
// `value` under `spec` is such a case.
bool carry_drops_zeros(const Spec& spec, const BinaryReal& value);

// Cut to spec.limit, padded to spec.width; natural alignment is left.
void lay_out_text(const Spec& spec, std::string_view text, WidthUnit unit, Output& out);

// `digits`: of the magnitude, already in its base; may be empty. `prefix`: between sign and digits.
// Natural alignment is right.
void lay_out_whole(const Spec& spec, bool negative, std::string_view digits,
                   std::string_view prefix, Output& out);

// The same for the decimal digits of `magnitude`, the commonest case.
void lay_out_decimal(const Spec& spec, bool negative, std::uint64_t magnitude, Output& out);

// Digits that a language chose itself, laid out as they are: spec.notation is fixed or scientific,
// spec.places states how many go after the point (unset: all of them), and there are no more
// digits than that.
void lay_out_digits(const Spec& spec, bool negative, const Digits& digits, const NumberStyle& style,
                    Output& out);

// By spec.notation; natural alignment is right.
void lay_out_real(const Spec& spec, const BinaryFormat& format, const BinaryReal& value,
                  const NumberStyle& style, Output& out);

}  // namespace inky::inline v1
