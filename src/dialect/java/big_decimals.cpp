#include "big_decimals.hpp"

#include <cstdlib>
#include <string>

#include "facts.hpp"
#include "format/layout.hpp"
#include "number/decimal_arithmetic.hpp"

namespace inky::inline v1::java_language {

ShownDecimal round_big_decimal(const Spec& asked, const Decimal& value) {
  ShownDecimal out{asked, value};
  Spec& spec = out.spec;
  if (spec.notation == Notation::compact) {
    const int count = spec.significant;
    out.rounded = cut_to(value, count, Rounding::half_away);
    const std::int64_t exponent = out.rounded.adjusted_exponent();
    const bool fixed =
        out.rounded.is_zero() ? out.rounded.exponent == 0 : exponent >= -4 && exponent < count;
    spec.notation = fixed ? Notation::fixed : Notation::scientific;
    spec.places = count - 1 - (fixed ? static_cast<int>(exponent) : 0);
    spec.significant = unset;
  }
  out.rounded = spec.notation == Notation::fixed
                    ? rescaled(out.rounded, -spec.places, Rounding::half_away)
                    : cut_to(out.rounded, spec.places + 1, Rounding::half_away);
  return out;
}

void lay_out_big_decimal(const Spec& spec, const Decimal& rounded, Output& out) {
  const bool keeps_exponent =
      spec.notation == Notation::scientific && rounded.is_zero() && rounded.exponent != 0;
  if (!keeps_exponent) {
    Digits digits;
    decimal_digits(rounded, digits);
    // A slip of OpenJDK 17: of a whole number with ten digits, the exponent is 9 and not 09.
    NumberStyle style = numbers;
    constexpr std::size_t slip_digits = 10;
    if (rounded.exponent == 0 && rounded.coefficient.size() == slip_digits)
      style.least_exponent_digits = 1;
    return lay_out_digits(spec, rounded.negative, digits, style, out);
  }
  std::string text = "0";
  const bool has_point = spec.places > 0 || spec.keep_point;
  if (has_point) text += spec.point.text();
  text.append(static_cast<std::size_t>(spec.places), '0');
  text += spec.letters == Letters::upper ? 'E' : 'e';
  text += rounded.exponent < 0 ? '-' : '+';
  const std::string exponent = std::to_string(std::abs(rounded.exponent));
  if (exponent.size() < 2) text += '0';
  Spec alone = spec;
  alone.group = "";
  // A width counts the point as one, whatever its bytes.
  if (has_point) alone.width += static_cast<int>(spec.point.text().size()) - 1;
  lay_out_whole(alone, false, text + exponent, {}, out);
}

}  // namespace inky::inline v1::java_language
