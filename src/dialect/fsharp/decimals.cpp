#include "decimals.hpp"

#include <string>

#include "../family/dotnet_decimal.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "number/decimal_arithmetic.hpp"

namespace inky::inline v1::fsharp {

namespace {

// g: six digits where none are asked for.
Decimal settle_general(bool all_digits, const Decimal& held, Spec& spec) {
  constexpr int usual_digits = 6;
  const int most = all_digits                  ? static_cast<int>(held.coefficient.size())
                   : spec.significant == unset ? usual_digits
                                               : spec.significant;
  Decimal shown = cut_to(held, most, Rounding::half_away);
  Digits digits;
  decimal_digits(shown, digits);
  const bool fixed = digits.is_zero() || (digits.point() <= most && digits.point() >= -3);
  spec.notation = fixed ? Notation::fixed : Notation::scientific;
  spec.places = unset;
  spec.significant = unset;
  return shown;
}

}  // namespace

void lay_out_decimal(char letter, bool all_digits, Spec spec, const Decimal& held, Output& out) {
  const bool below = held.negative && !held.is_zero();
  // On the right of a whole number, zeros would change it.
  const bool whole = std::is_eq(compare(rescaled(held, 0, Rounding::toward), held));
  const bool keeps_value = letter == 'M' || spec.notation == Notation::compact;
  if (spec.align == Align::left && whole && keeps_value) spec.fill = " ";
  if (letter == 'M') {
    std::string text = dotnet_text(held);
    if (text[0] == '-') text.erase(0, 1);
    return lay_out_whole(spec, below, text, {}, out);
  }
  const bool scientific = spec.notation == Notation::scientific;
  const Decimal shown = spec.notation == Notation::fixed
                            ? rescaled(held, -spec.places, Rounding::half_away)
                        : scientific ? cut_to(held, spec.places + 1, Rounding::half_away)
                                     : settle_general(all_digits, held, spec);
  if (below && shown.is_zero()) spec.sign = Sign::minus;
  Digits digits;
  decimal_digits(shown, digits);
  lay_out_digits(spec, below && !shown.is_zero(), digits, scientific ? scientific_numbers : numbers,
                 out);
}

}  // namespace inky::inline v1::fsharp
