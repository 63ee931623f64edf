#include "number/multiples.hpp"

#include "rational.hpp"

namespace inky::inline v1 {

bool can_be_multiple(const ExactDecimal& x) {
  return x.digits.size() <= most_multiple_digits && std::abs(x.point) <= most_multiple_digits;
}

ExactDecimal rounded_to_multiple(const ExactDecimal& value, const ExactDecimal& step,
                                 Rounding rounding) {
  const Rational unit = abs(rational_of(step));
  const Rational multiple = Rational(round_whole(rational_of(value) / unit, rounding)) * unit;
  // A multiple of an ending decimal ends too.
  ExactDecimal out =
      exact_decimal(*scan_decimal(*ending_decimal(abs(multiple), 4 * most_multiple_digits)));
  out.negative = value.negative;
  return out;
}

Tail tail_at_multiple(const ExactDecimal& value, const ExactDecimal& step) {
  return tail_of(rational_of(value) / abs(rational_of(step)));
}

}  // namespace inky::inline v1
