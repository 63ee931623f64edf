// Exact rationals, for the slow paths that must not round: Boost's, and their ways in and out.
#pragma once

#include <boost/multiprecision/cpp_int.hpp>
#include <optional>
#include <string>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/exact_decimal.hpp"
#include "inky_margin/number/natural.hpp"
#include "inky_margin/number/rounding.hpp"
#include "inky_margin/number/whole.hpp"

namespace inky::inline v1 {

// Without expression templates: `auto` then always holds a number.
using Integer = boost::multiprecision::number<boost::multiprecision::cpp_int::backend_type,
                                              boost::multiprecision::et_off>;
using Rational = boost::multiprecision::number<boost::multiprecision::cpp_rational::backend_type,
                                               boost::multiprecision::et_off>;

Integer integer_of(uint128 value);
Integer integer_of(const SignedNatural& value);
// REQUIRES: 0 <= value < 2^128.
uint128 bits_of_integer(const Integer& value);
// 0 for zero.
int bit_length(const Integer& value);

// base^exponent; the exponent may be negative.
Rational power(int base, int exponent);
// REQUIRES: finite.
Rational rational_of(const BinaryReal& value);
Rational rational_of(const ExactDecimal& value);

Integer floor(const Rational& x);
// To a whole number, by any rounding.
Integer round_whole(const Rational& x, Rounding rounding);
// What lies beyond the nearest whole number toward zero, in magnitude.
Tail tail_of(const Rational& x);

// The encoding of the nearest number of the format; a zero takes the sign given.
uint128 stored(const BinaryFormat& format, const Rational& x, bool negative_zero);
// floor(sqrt(x) x 2^bits) / 2^bits. REQUIRES: x >= 0.
Rational root_below(const Rational& x, int bits);

// The digits of a decimal that ends; nothing where it does not, or has more than `most` digits.
std::optional<std::string> ending_decimal(const Rational& x, std::size_t most);
// Rounded to `count` significant digits, trailing zeros dropped, with an exponent where the plain
// form is long.
std::string rounded_text(const Rational& x, int count);

}  // namespace inky::inline v1
