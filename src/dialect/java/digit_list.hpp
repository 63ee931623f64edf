#pragma once

#include "inky_margin/format/value.hpp"
#include "inky_margin/number/digits.hpp"

namespace inky::inline v1::java_language::pattern {

// java.text.DigitList: the digits to show.
class DigitList {
 public:
  // Java's digits of a finite double, to `most` digits behind the point or, for an exponent, in
  // all.
  void set(double value, bool negative, int most, bool behind_point, Rounding rounding);

  // Of a BigDecimal, exactly.
  void set_decimal(const Decimal& value, int multiplier, int most, bool behind_point,
                   Rounding rounding);

  void set_whole(const Value& value, int multiplier, int most, bool& negative, Rounding rounding);

  bool is_zero() const { return digits_.is_zero(); }
  int size() const { return digits_.size(); }
  int point() const { return digits_.point(); }
  char digit(int at) const { return digits_.text()[static_cast<std::size_t>(at)]; }

 private:
  // Where the digits lie beside what is stored: -1 below, 0 on it, 1 above. Of a whole number that
  // fits 63 bits OpenJDK 17 does not know that its digits are exact, and takes them to lie below:
  // an exact tie rounds away then (seen with an exponent only, where whole numbers are rounded).
  int side(const BinaryReal& real) const;

  template <typename Side>
  void cut(int keep, bool negative, Rounding rounding, Side side) {
    const Tail tail = tail_after(digits_, keep);
    if (tail == Tail::half && (rounding == Rounding::half_even || rounding == Rounding::half_away ||
                               rounding == Rounding::half_toward)) {
      // Only the stored value shows whether it is a tie.
      const int place = side();
      if (place != 0) rounding = place > 0 ? Rounding::toward : Rounding::away;
    }
    round_digits(digits_, keep, negative, rounding);
  }

  Digits digits_;
};

}  // namespace inky::inline v1::java_language::pattern
