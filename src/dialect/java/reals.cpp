#include "reals.hpp"

#include "decimal.hpp"
#include "values.hpp"

namespace inky::inline v1::java_language {

void round_java(Spec& spec, const BinaryReal& real, Digits& digits) {
  const int count = spec.notation == Notation::scientific ? spec.places + 1 : spec.significant;
  if (spec.notation == Notation::fixed) {
    java_digits(binary64, real, Purpose::format, digits);
    round_digits(digits, digits.point() + spec.places, false, Rounding::half_away);
    return;
  }
  if (!round_far_from_tie(real, count, digits)) {
    java_digits(binary64, real, Purpose::format, digits);
    round_digits(digits, count, false, Rounding::half_away);
  }
  if (spec.notation != Notation::compact) return;
  const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
  const bool fixed = exponent >= -4 && exponent < count;
  spec.notation = fixed ? Notation::fixed : Notation::scientific;
  spec.places = fixed ? count - 1 - exponent : count - 1;
  spec.significant = unset;
}

}  // namespace inky::inline v1::java_language
