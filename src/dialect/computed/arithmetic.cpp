#include "arithmetic.hpp"

#include <cassert>
#include <cmath>
#include <limits>

#include "../family/values.hpp"
#include "format/fraction_value.hpp"
#include "number/decimal_arithmetic.hpp"

namespace inky::inline v1::computed {

namespace {

Integer lowest_of(const TypeFact& fact) {
  return fact.is_signed ? Integer(-(Integer(1) << (fact.width - 1))) : Integer(0);
}
Integer highest_of(const TypeFact& fact) {
  return (Integer(1) << (fact.is_signed ? fact.width - 1 : fact.width)) - 1;
}

Value of_bits(Type type, uint128 bits) {
  return Value::real(type, bits);
}

// What the operation gives where a side is infinite or no number, or a divisor is zero: IEEE
// 754-2019, 6.1, 7.2 and 7.3. Where it makes a not-a-number of numbers, that is negative, as the
// processors of x86 make it; one that is given stays.
Value combine_specials(Operation operation, Type type, const BinaryReal& a, const BinaryReal& b) {
  const BinaryFormat& format = *fact_of(type).format;
  const auto nan = [&] { return of_bits(type, quiet_nan_bits(format, true)); };
  const auto infinity = [&](bool negative) {
    return of_bits(type, infinity_bits(format, negative));
  };
  for (const BinaryReal* given : {&a, &b}) {
    if (given->kind == RealClass::not_a_number)
      return of_bits(type, quiet_nan_bits(format, given->negative));
  }
  const bool a_infinite = a.kind == RealClass::infinite;
  const bool b_infinite = b.kind == RealClass::infinite;
  const bool negative = a.negative != b.negative;
  switch (operation) {
    case Operation::add:
    case Operation::subtract: {
      const bool b_negative = b.negative != (operation == Operation::subtract);
      if (a_infinite && b_infinite && a.negative != b_negative) return nan();
      return infinity(a_infinite ? a.negative : b_negative);
    }
    case Operation::multiply:
      return a.is_zero() || b.is_zero() ? nan() : infinity(negative);
    case Operation::divide:
      if ((a_infinite && b_infinite) || (a.is_zero() && b.is_zero())) return nan();
      if (b_infinite) return of_bits(type, zero_bits(format, negative));
      return infinity(negative);
    default:  // a remainder
      return a_infinite || b.is_zero() ? nan() : of_bits(type, pack(format, a));
  }
}

// Exactly, and rounded once: the formats that the machine's own arithmetic does not have.
Value combine_exactly(Operation operation, Type type, const Value& left, const Value& right) {
  const BinaryFormat& format = *fact_of(type).format;
  const BinaryReal a = left.as_real();
  const BinaryReal b = right.as_real();
  const bool divides = operation == Operation::divide || operation == Operation::remainder;
  if (!a.is_finite() || !b.is_finite() || (divides && b.is_zero()))
    return combine_specials(operation, type, a, b);
  const Rational x = rational_of(a);
  const Rational y = rational_of(b);
  const auto keep = [&](const Rational& exact, bool negative_zero) {
    return of_bits(type, stored(format, exact, negative_zero));
  };
  switch (operation) {
    case Operation::add:
      return keep(x + y, a.negative && b.negative);
    case Operation::subtract:
      return keep(x - y, a.negative && !b.negative);
    case Operation::multiply:
      return keep(x * y, a.negative != b.negative);
    case Operation::divide:
      return keep(x / y, a.negative != b.negative);
    default: {
      Rational quotient = x / y;
      const Integer whole = floor(quotient < 0 ? Rational(-quotient) : quotient);
      const Rational rest = x - y * Rational(quotient < 0 ? Integer(-whole) : whole);
      return keep(rest, a.negative);
    }
  }
}

template <typename Real>
Real combine_by_machine(Operation operation, Real a, Real b) {
  switch (operation) {
    case Operation::add:
      return a + b;
    case Operation::subtract:
      return a - b;
    case Operation::multiply:
      return a * b;
    case Operation::divide:
      return a / b;
    default:
      return std::fmod(a, b);
  }
}

float float_of(const Value& value) {
  return std::bit_cast<float>(static_cast<std::uint32_t>(low_half(value.bits())));
}

static_assert(std::numeric_limits<double>::is_iec559 && std::numeric_limits<float>::is_iec559);

Integer floor_quotient(const Integer& left, const Integer& right) {
  Integer quotient = left / right;
  if (left % right != 0 && (left < 0) != (right < 0)) quotient -= 1;
  return quotient;
}

// Two's complement of any length, as Python and Lisp see bits.
Integer combine_bits(Operation operation, const Integer& left, const Integer& right) {
  const int bits = std::max(bit_length(left < 0 ? Integer(-left) : left),
                            bit_length(right < 0 ? Integer(-right) : right)) +
                   1;
  const Integer all = Integer(1) << bits;
  const Integer a = left < 0 ? Integer(left + all) : left;
  const Integer b = right < 0 ? Integer(right + all) : right;
  Integer out = operation == Operation::bits_and  ? Integer(a & b)
                : operation == Operation::bits_or ? Integer(a | b)
                                                  : Integer(a ^ b);
  return (out >> (bits - 1)) != 0 ? Integer(out - all) : out;
}

}  // namespace

Integer whole_of(const Value& value) {
  if (value.is(Type::character)) return Integer(static_cast<std::uint32_t>(value.as_character()));
  return integer_of(natural_of(value));
}

bool fits(Type type, const Integer& number) {
  const TypeFact& fact = fact_of(type);
  return fact.width == 0 || (lowest_of(fact) <= number && number <= highest_of(fact));
}

Value wrapped(Type type, const Integer& number) {
  const TypeFact& fact = fact_of(type);
  if (fact.width == 0) {
    SignedNatural whole{number < 0, Natural()};
    const Integer magnitude = number < 0 ? Integer(-number) : number;
    for (int at = (bit_length(magnitude) + 63) / 64 - 1; at >= 0; --at) {
      whole.magnitude.shift_left(64);
      const Integer limb = (magnitude >> (64 * at)) & Integer(~std::uint64_t{0});
      whole.magnitude.add(limb.convert_to<std::uint64_t>());
    }
    return Value::big(std::move(whole));
  }
  const Integer all = Integer(1) << fact.width;
  Integer kept = number % all;
  if (kept < 0) kept += all;
  const uint128 bits = bits_of_integer(kept);
  return Value::whole(type,
                      fact.is_signed ? wrap_signed(bits, fact.width) : static_cast<int128>(bits));
}

Value smallest(const Integer& number) {
  const Type type = fits(Type::i32, number)   ? Type::i32
                    : fits(Type::i64, number) ? Type::i64
                                              : Type::big;
  return wrapped(type, number);
}

std::optional<Integer> combine_wholes(Operation operation, const Integer& left,
                                      const Integer& right, Division division) {
  switch (operation) {
    case Operation::add:
      return left + right;
    case Operation::subtract:
      return left - right;
    case Operation::multiply:
      return left * right;
    case Operation::divide:
    case Operation::divide_down:
      if (right == 0) return std::nullopt;
      return division == Division::down ? floor_quotient(left, right) : Integer(left / right);
    case Operation::remainder:
      if (right == 0) return std::nullopt;
      return division == Division::down ? Integer(left - right * floor_quotient(left, right))
                                        : Integer(left % right);
    default:
      return combine_bits(operation, left, right);
  }
}

Integer shifted(const Integer& left, int by) {
  assert(-most_shift <= by && by <= most_shift);
  if (by >= 0) return left * (Integer(1) << by);
  return floor_quotient(left, Integer(1) << -by);
}

Integer power_of(const Integer& base, int exponent) {
  return boost::multiprecision::pow(base, static_cast<unsigned>(exponent));
}

Value real_of(Type type, const Value& value) {
  const BinaryFormat& format = *fact_of(type).format;
  if (is_real(value.type())) {
    if (value.is(type)) return value;
    return of_bits(type, convert(value.as_real(), format));
  }
  if (value.is(Type::fraction)) return of_bits(type, stored(format, rational_of(value), false));
  return of_bits(type, stored(format, Rational(whole_of(value)), false));
}

Value combine_reals(Operation operation, Type type, const Value& left, const Value& right) {
  if (type == Type::f64)
    return Value::real(combine_by_machine(operation, double_of(left), double_of(right)));
  if (type == Type::f32) {
    const float result = combine_by_machine(operation, float_of(left), float_of(right));
    return of_bits(type, uint128{std::bit_cast<std::uint32_t>(result)});
  }
  return combine_exactly(operation, type, left, right);
}

Value negated_real(const Value& value) {
  const int sign = fact_of(value.type()).format->width() - 1;
  return of_bits(value.type(), value.bits() ^ (uint128{1} << sign));
}

std::optional<Integer> cut(const Value& real) {
  const BinaryReal number = real.as_real();
  if (!number.is_finite()) return std::nullopt;
  const Rational x = rational_of(number);
  return x < 0 ? Integer(-floor(-x)) : floor(x);
}

std::partial_ordering compare(const Value& left, const Value& right) {
  const auto exact = [](const Value& value) {
    return is_real(value.type())      ? rational_of(value.as_real())
           : value.is(Type::decimal)  ? rational_of(value.as_decimal())
           : value.is(Type::fraction) ? rational_of(value)
                                      : Rational(whole_of(value));
  };
  const auto infinite_sign = [](const Value& value) {
    if (!is_real(value.type()) || value.as_real().kind != RealClass::infinite) return 0;
    return value.as_real().negative ? -1 : 1;
  };
  for (const Value* value : {&left, &right}) {
    if (is_real(value->type()) && value->as_real().kind == RealClass::not_a_number)
      return std::partial_ordering::unordered;
  }
  const int a = infinite_sign(left);
  const int b = infinite_sign(right);
  if (a != 0 || b != 0) return a <=> b;
  const Rational x = exact(left);
  const Rational y = exact(right);
  return x < y   ? std::partial_ordering::less
         : y < x ? std::partial_ordering::greater
                 : std::partial_ordering::equivalent;
}

bool relates(Operation comparison, std::partial_ordering order) {
  switch (comparison) {
    case Operation::equal:
      return std::is_eq(order);
    case Operation::unequal:
      return std::is_neq(order);
    case Operation::less:
      return std::is_lt(order);
    case Operation::at_most:
      return std::is_lteq(order);
    case Operation::more:
      return std::is_gt(order);
    default:
      return std::is_gteq(order);
  }
}

Value extreme(bool largest, const Value& a, const Value& b) {
  if (is_real(a.type())) {
    const BinaryReal x = a.as_real();
    const BinaryReal y = b.as_real();
    if (x.kind == RealClass::not_a_number) return a;
    if (y.kind == RealClass::not_a_number) return b;
    if (x.is_zero() && y.is_zero()) return x.negative == largest ? b : a;
  }
  return largest == std::is_lt(compare(a, b)) ? b : a;
}

Value rounded_real(const Value& real, Rounding rounding) {
  const BinaryReal number = real.as_real();
  if (!number.is_finite() || number.is_zero()) return real;
  const Integer whole = round_whole(rational_of(number), rounding);
  return of_bits(real.type(),
                 stored(*fact_of(real.type()).format, Rational(whole), number.negative));
}

}  // namespace inky::inline v1::computed
