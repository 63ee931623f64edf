// Arithmetic on typed values, as the hardware and the standards define it. What a language makes of
// a result that does not fit its type, or of a division by zero, is the language's own.
#pragma once

#include <compare>
#include <optional>

#include "inky_margin/format/value.hpp"
#include "number/rational.hpp"
#include "tree.hpp"

namespace inky::inline v1::computed {

// A whole number, a truth value as 0 or 1, or a character by its code.
Integer whole_of(const Value& value);
bool fits(Type type, const Integer& number);
// REQUIRES: a whole type. Two's complement where the type has a width.
Value wrapped(Type type, const Integer& number);
// The first of i32, i64 and big that holds it.
Value smallest(const Integer& number);

enum class Division : std::uint8_t { toward_zero, down };
// add to remainder, and the bitwise ones. Nothing: a division by zero. A remainder has the sign of
// its left side where division goes toward zero, and else that of its right side.
std::optional<Integer> combine_wholes(Operation operation, const Integer& left,
                                      const Integer& right, Division division);
// left x 2^by, rounded down. REQUIRES: -most_shift <= by <= most_shift.
Integer shifted(const Integer& left, int by);
inline constexpr int most_shift = 20'000;
// REQUIRES: an exponent of 0 or more, and a result of at most most_shift bits.
Integer power_of(const Integer& base, int exponent);

// A whole number, a fraction or a real as the nearest real of a type.
Value real_of(Type type, const Value& value);
// REQUIRES: both are reals of this type; add to remainder, which has the sign of its left side.
Value combine_reals(Operation operation, Type type, const Value& left, const Value& right);
Value negated_real(const Value& value);
// A real without its digits after the point; nothing for infinities and not-a-number.
std::optional<Integer> cut(const Value& real);

// As numbers, exactly: whole numbers, truth values, characters, fractions, decimals, reals.
std::partial_ordering compare(const Value& left, const Value& right);
bool relates(Operation comparison, std::partial_ordering order);

// An f64 as the machine's own.
inline double double_of(const Value& value) {
  return std::bit_cast<double>(low_half(value.bits()));
}

// The larger or the smaller of two numbers of one type. Not-a-number is either, and a zero with a
// sign is below one without: IEEE 754-2019, 9.6.
Value extreme(bool largest, const Value& a, const Value& b);

// |value| rounded to a whole number, as a real of the same type, with its sign.
Value rounded_real(const Value& real, Rounding rounding);

}  // namespace inky::inline v1::computed
