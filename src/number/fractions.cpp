#include "number/fractions.hpp"

#include "rational.hpp"

namespace inky::inline v1 {

namespace {

constexpr int error_digits = 6;
const Integer& limit() {
  static const Integer value("1000000000000000");
  return value;
}

}  // namespace

std::vector<Fraction> best_fractions(const Weighing& weighing) {
  std::vector<Fraction> out;
  if (!weighing.stored) return out;
  // Far from one, every fraction is a whole number or nearly zero.
  constexpr int most_exponent = 48;
  if (!weighing.real.is_zero() && std::abs(weighing.real.leading_exponent()) > most_exponent)
    return out;
  const Rational value = rational_of(weighing.real);
  const bool comparable = weighing.typed && weighing.typed->digits.size() < 5000 &&
                          std::abs(weighing.typed->point) < 5000;
  const std::optional<Rational> typed =
      comparable ? std::optional(rational_of(*weighing.typed)) : std::nullopt;
  // The two convergents before; the next is (term x this + last).
  Integer last_above = 0;
  Integer last_below = 1;
  Integer above = 1;
  Integer below = 0;
  Rational rest = value;
  while (true) {
    const Integer term = floor(rest);
    const Integer next_above_ = term * above + last_above;
    const Integer next_below_ = term * below + last_below;
    if (abs(next_above_) >= limit() || next_below_ >= limit()) return out;
    last_above = std::exchange(above, next_above_);
    last_below = std::exchange(below, next_below_);
    const Rational fraction(above, below);
    Fraction made{above.str(), below.str(), rounded_text(fraction - value, error_digits),
                  false,       false,       false};
    made.exact = fraction == value;
    made.as_typed = typed && fraction == *typed;
    made.reads_back = stored(*weighing.format, fraction, weighing.real.negative) == weighing.bits;
    out.push_back(made);
    if (made.reads_back) return out;
    rest = 1 / (rest - Rational(term));
  }
}

}  // namespace inky::inline v1
