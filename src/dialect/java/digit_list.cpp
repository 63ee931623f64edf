#include "digit_list.hpp"

#include <algorithm>
#include <string>

#include "../family/values.hpp"
#include "decimal.hpp"
#include "number/decimal_arithmetic.hpp"

namespace inky::inline v1::java_language::pattern {

void DigitList::set(double value, bool negative, int most, bool behind_point, Rounding rounding) {
  const BinaryReal real = unpack(binary64, bits_of(value));
  java_digits(binary64, real, Purpose::plain, digits_);
  digits_.strip_trailing_zeros();
  int keep = most;
  if (behind_point) {
    keep = most + digits_.point();
    // Less than a tenth of the last place: nothing, whatever the rounding.
    if (keep < 0) return digits_.set(0, 0);
  }
  if (!behind_point && most == 0) return;
  cut(keep, negative, rounding, [&] { return side(real); });
}

void DigitList::set_decimal(const Decimal& value, int multiplier, int most, bool behind_point,
                            Rounding rounding) {
  const Decimal factor = decimal_of(Integer(multiplier), 0);
  decimal_digits(product(value, factor), digits_);
  const int keep = behind_point ? most + digits_.point() : most;
  if (behind_point && keep < 0) return digits_.set(0, 0);
  if (!behind_point && most == 0) return;
  round_digits(digits_, keep, value.negative, rounding);
  digits_.strip_trailing_zeros();
}

void DigitList::set_whole(const Value& value, int multiplier, int most, bool& negative,
                          Rounding rounding) {
  SignedNatural number = natural_of(value);
  number.magnitude.multiply(static_cast<std::uint64_t>(multiplier));
  negative = number.negative && !number.magnitude.is_zero();
  std::string text;
  if (!number.magnitude.is_zero()) append_whole(number.magnitude, 10, Letters::lower, text);
  const auto size = static_cast<int>(text.size());
  std::copy(text.begin(), text.end(), digits_.room(size));
  digits_.set(size, size);
  digits_.strip_trailing_zeros();
  if (most > 0) cut(most, negative, rounding, [] { return 0; });
}

int DigitList::side(const BinaryReal& real) const {
  if (is_whole_number(real) && real.leading_exponent() <= 62) return -1;
  Digits exact;
  exact_digits(real, exact);
  if (exact.point() != digits_.point()) return digits_.point() < exact.point() ? -1 : 1;
  const int order = digits_.text().compare(exact.text());
  return order < 0 ? -1 : order > 0 ? 1 : 0;
}

}  // namespace inky::inline v1::java_language::pattern
