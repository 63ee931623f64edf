// Exact rational arithmetic, independent of the product's own: what a number is, and what rounding
// it must give, by definition.
#pragma once

#include <boost/multiprecision/cpp_int.hpp>

#include "inky_margin/number/binary_format.hpp"

namespace support {

// Without expression templates: `auto` then always holds a number.
using Integer = boost::multiprecision::number<boost::multiprecision::cpp_int::backend_type,
                                              boost::multiprecision::et_off>;
using Rational = boost::multiprecision::number<boost::multiprecision::cpp_rational::backend_type,
                                               boost::multiprecision::et_off>;

inline Integer to_integer(inky::uint128 value) {
  return (Integer(inky::high_half(value)) << 64) + inky::low_half(value);
}

inline Rational power(int base, int exponent) {
  const Integer whole =
      boost::multiprecision::pow(Integer(base), static_cast<unsigned>(std::abs(exponent)));
  return exponent >= 0 ? Rational(whole) : Rational(Integer(1), whole);
}

inline Integer floor(const Rational& x) {
  const Integer quotient = numerator(x) / denominator(x);  // toward zero
  return x < 0 && Rational(quotient) != x ? Integer(quotient - 1) : quotient;
}

inline Rational exact(const inky::BinaryReal& real) {
  const Rational magnitude = Rational(to_integer(real.significand)) * power(2, real.exponent);
  return real.negative ? Rational(-magnitude) : magnitude;
}

// By the definition of each rounding: pick one of the two whole neighbours.
inline Integer round_whole(const Rational& x, inky::Rounding rounding) {
  const Integer low = floor(x);
  if (Rational(low) == x) return low;
  const Integer high = low + 1;
  const Rational twice = (x - low) * 2;
  const Integer& toward = x < 0 ? high : low;
  const Integer& away = x < 0 ? low : high;
  switch (rounding) {
    case inky::Rounding::up:
      return high;
    case inky::Rounding::down:
      return low;
    case inky::Rounding::away:
      return away;
    case inky::Rounding::toward:
      return toward;
    default:
      break;
  }
  if (twice != 1) return twice < 1 ? low : high;
  if (rounding == inky::Rounding::half_away) return away;
  if (rounding == inky::Rounding::half_toward) return toward;
  return low % 2 == 0 ? low : high;
}

inline Rational round_to_places(const Rational& x, int places, inky::Rounding rounding) {
  return Rational(round_whole(x * power(10, places), rounding)) / power(10, places);
}

// e with 10^e <= |x| < 10^(e+1), found by stepping.
inline int decimal_exponent(const Rational& x) {
  const Rational magnitude = x < 0 ? Rational(-x) : x;
  int e = static_cast<int>(static_cast<double>(msb(numerator(magnitude))) * 0.30103 -
                           static_cast<double>(msb(denominator(magnitude))) * 0.30103) -
          2;
  while (power(10, e + 1) <= magnitude) ++e;
  return e;
}

inline Rational round_to_significant(const Rational& x, int count, inky::Rounding rounding) {
  return round_to_places(x, count - 1 - decimal_exponent(x), rounding);
}

// Whether `candidate`, of `size` digits, is the closest decimal of that many digits that reads back
// as `real`, and whether no decimal of one digit fewer does.
inline bool is_shortest(const inky::BinaryFormat& format, const inky::BinaryReal& real,
                        const Rational& candidate, int size) {
  if (real.is_zero()) return candidate == 0 && size == 0;
  const Rational value = abs(exact(real));
  const bool half_gap = real.significand == inky::uint128{1} << (format.precision - 1) &&
                        real.exponent > format.lowest_exponent();
  const Rational unit = power(2, real.exponent);
  const Rational low = value - unit / (half_gap ? 4 : 2);
  const Rational high = value + unit / 2;
  const bool closed = (real.significand & 1) == 0;
  const auto inside = [&](const Rational& x) {
    return closed ? low <= x && x <= high : low < x && x < high;
  };
  if (!inside(candidate)) return false;
  const int e = decimal_exponent(candidate);
  const Rational step = power(10, e - size + 1);
  // Its neighbours of as many digits; below a power of ten they stand ten times closer.
  const Rational below_candidate = candidate - (candidate == power(10, e) ? step / 10 : step);
  for (const Rational& neighbour : {below_candidate, Rational(candidate + step)}) {
    if (abs(neighbour - value) < abs(candidate - value) && inside(neighbour)) return false;
  }
  if (size == 1) return true;
  const Rational coarse = step * 10;
  const Rational below = Rational(floor(value / coarse)) * coarse;
  return !inside(below) && !inside(below + coarse);
}

}  // namespace support
