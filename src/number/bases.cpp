#include "bases.hpp"

#include "inky_margin/number/whole.hpp"

namespace inky::inline v1 {

std::vector<BaseDigits> in_bases(uint128 magnitude) {
  std::vector<BaseDigits> out;
  for (const int base : {2, 8, 16}) out.push_back(in_base(magnitude, base));
  return out;
}

BaseDigits in_base(uint128 magnitude, int base) {
  WholeRoom room;
  return {base, std::string(write_whole(magnitude, base, Letters::lower, room))};
}

std::string in_groups(const BaseDigits& of) {
  const std::size_t group = of.base == 8 || of.base == 10 ? 3 : 4;
  std::string out;
  for (std::size_t i = 0; i < of.digits.size(); ++i) {
    if (i > 0 && (of.digits.size() - i) % group == 0) out += ' ';
    out += of.digits[i];
  }
  return out;
}

std::optional<uint128> whole_magnitude(const BinaryReal& real) {
  if (!real.is_finite()) return std::nullopt;
  if (real.is_zero()) return uint128{0};
  if (real.leading_exponent() < 0 || real.leading_exponent() > 63) return std::nullopt;
  if (real.exponent >= 0) return real.significand << real.exponent;
  const uint128 whole = real.significand >> -real.exponent;
  if (whole << -real.exponent != real.significand) return std::nullopt;
  return whole;
}

}  // namespace inky::inline v1
