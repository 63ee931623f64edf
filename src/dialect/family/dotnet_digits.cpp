#include "dotnet_digits.hpp"

namespace inky::inline v1 {

void dotnet_digits(const BinaryFormat& format, const BinaryReal& value, Digits& out) {
  shortest_digits(format, value, out);
  if (format != binary64 || value.is_zero()) return;
  const bool is_power = (value.significand & (value.significand - 1)) == 0;
  const int exponent = value.leading_exponent();
  if (is_power && (exponent == -958 || exponent == -25)) out.set(out.size() - 1, out.point());
}

}  // namespace inky::inline v1
