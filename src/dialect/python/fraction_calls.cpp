// fractions.Fraction in expressions: the Python 3.11 library reference, fractions.

#include <cmath>

#include "../family/values.hpp"
#include "expressions.hpp"
#include "format/fraction_value.hpp"
#include "number/decimal_arithmetic.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::python {

using computed::Node;
using computed::Operation;

namespace {

bool is_rational(const Value& value) {
  return is_int(value) || value.is(Type::fraction);
}
// REQUIRES: is_rational().
Rational exact_ratio(const Value& value) {
  return value.is(Type::fraction) ? rational_of(value) : Rational(computed::whole_of(value));
}

// "1/3", "-0.125", "1e-3", with blanks around it; nothing where the text is none of them.
std::optional<Rational> read_rational(std::string_view text) {
  constexpr std::string_view blanks = " \t\r\n";
  const std::size_t from = std::min(text.find_first_not_of(blanks), text.size());
  text = text.substr(from, text.find_last_not_of(blanks) + 1 - from);
  if (const std::size_t bar = text.find('/'); bar != std::string_view::npos) {
    const auto is_plain = [](std::string_view digits) {
      return !digits.empty() && digits.find_first_not_of("0123456789") == std::string_view::npos;
    };
    const std::string_view above = text.substr(0, bar);
    const std::size_t sign = above.starts_with('-') || above.starts_with('+') ? 1 : 0;
    if (!is_plain(above.substr(sign)) || !is_plain(text.substr(bar + 1))) return std::nullopt;
    const auto fraction =
        read_typed(Type::fraction, above.starts_with('+') ? text.substr(1) : text);
    return fraction ? std::optional(rational_of(*fraction)) : std::nullopt;
  }
  constexpr std::size_t most_size = 400;
  const auto decimal = text.size() < most_size ? read_decimal(text) : std::nullopt;
  constexpr std::int64_t furthest = 2000;
  if (!decimal || !decimal->is_finite() || std::abs(decimal->adjusted_exponent()) > furthest)
    return std::nullopt;
  return rational_of(*decimal);
}

// Lib/fractions.py, limit_denominator: the nearest fraction below a bound, of two that are equally
// near the one with the lower denominator.
Rational limited(const Rational& number, const Integer& most) {
  if (denominator(number) <= most) return number;
  Integer p0 = 0;
  Integer q0 = 1;
  Integer p1 = 1;
  Integer q1 = 0;
  Integer n = numerator(number);
  Integer d = denominator(number);
  for (;;) {
    const Integer a = inky::floor(Rational(n, d));
    const Integer q2 = q0 + a * q1;
    if (q2 > most) break;
    const Integer p2 = p0 + a * p1;
    p0 = p1;
    q0 = q1;
    p1 = p2;
    q1 = q2;
    const Integer rest = n - a * d;
    n = d;
    d = rest;
  }
  const Integer k = (most - q0) / q1;
  const Rational first(p0 + k * p1, q0 + k * q1);
  const Rational second(p1, q1);
  const Rational to_second =
      second < number ? Rational(number - second) : Rational(second - number);
  const Rational to_first = first < number ? Rational(number - first) : Rational(first - number);
  return to_second <= to_first ? second : first;
}

}  // namespace

bool Expressions::give_fraction(const Node& node, const Rational& number, Value& out) {
  constexpr int most_bits = 60'000;
  if (bit_length(denominator(number)) > most_bits)
    return over_limit("a fraction of this size is over the limit", node);
  out = fraction_value(number);
  return true;
}

bool Expressions::combine_fractions(const Node& node, Operation operation, const Value& left,
                                    const Value& right, Value& out) {
  for (const Value* side : {&left, &right}) {
    if (!is_real(side->type())) continue;
    // With a float it is one.
    const auto as_float = [](const Value& value) {
      return value.is(Type::fraction) ? computed::real_of(Type::f64, value) : value;
    };
    return combine(node, operation, as_float(left), as_float(right), out);
  }
  if (left.is(Type::complex) || right.is(Type::complex))
    return not_yet("a complex number and a Fraction here are", node);
  if (!is_rational(left) || !is_rational(right))
    return wrong_operands(node, operation, left, right);
  const Rational a = exact_ratio(left);
  const Rational b = exact_ratio(right);
  const bool divides = operation == Operation::divide || operation == Operation::divide_down ||
                       operation == Operation::remainder;
  if (divides && b == 0) {
    const std::string above = (numerator(a) * denominator(b)).str();
    return raise("ZeroDivisionError",
                 operation == Operation::divide ? "Fraction(" + above + ", 0)"
                                                : "integer division or modulo by zero",
                 node);
  }
  switch (operation) {
    case Operation::add:
      return give_fraction(node, a + b, out);
    case Operation::subtract:
      return give_fraction(node, a - b, out);
    case Operation::multiply:
      return give_fraction(node, a * b, out);
    case Operation::divide:
      return give_fraction(node, a / b, out);
    case Operation::divide_down:
      return keep(node, inky::floor(a / b), out);
    case Operation::remainder:
      return give_fraction(node, a - b * Rational(inky::floor(a / b)), out);
    default:
      return wrong_operands(node, operation, left, right);
  }
}

bool Expressions::fraction_power(const Node& node, const Value& left, const Value& right,
                                 Value& out) {
  const bool is_whole_power =
      is_rational(left) && is_rational(right) && denominator(exact_ratio(right)) == 1;
  if (!is_whole_power) {
    if (left.is(Type::decimal) || right.is(Type::decimal))
      return wrong_operands(node, Operation::power, left, right);
    Value base;
    Value exponent;
    return make_float(node, left, base) && make_float(node, right, exponent) &&
           power(node, base, exponent, out);
  }
  const Integer exponent = numerator(exact_ratio(right));
  constexpr int most_exponent = 1000;
  if (exponent > most_exponent || exponent < -most_exponent)
    return not_yet("a power as large as this is", node);
  Rational base = exact_ratio(left);
  int times = exponent.convert_to<int>();
  if (times < 0) {
    if (base == 0) return raise("ZeroDivisionError", "Fraction(1, 0)", node);
    base = 1 / base;
    times = -times;
  }
  return give_fraction(node,
                       Rational(computed::power_of(numerator(base), times),
                                computed::power_of(denominator(base), times)),
                       out);
}

bool Expressions::make_float(const Node& node, const Value& value, Value& out) {
  if (value.is(Type::fraction)) {
    out = computed::real_of(Type::f64, value);
    if (!out.as_real().is_finite())
      return raise("OverflowError", "integer division result too large for a float", node);
    return true;
  }
  double number = 0;
  if (!to_float(node, value, number)) return false;
  out = float_value(number);
  return true;
}

// Fraction(1, 3), Fraction("0.125"), Fraction(0.5), Fraction(Decimal("1.1"))
bool Expressions::make_fraction(const Node& node, const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (count > 2 || !arguments.named.empty())
    return not_yet("Fraction() with these arguments is", node);
  if (count == 0) return give_fraction(node, 0, out);
  if (count == 2) {
    if (!is_rational(arguments[0]) || !is_rational(arguments[1]))
      return raise("TypeError", "both arguments should be Rational instances", node);
    const Rational below = exact_ratio(arguments[1]);
    if (below == 0)
      return raise("ZeroDivisionError",
                   "Fraction(" + numerator(exact_ratio(arguments[0])).str() + ", 0)", node);
    return give_fraction(node, exact_ratio(arguments[0]) / below, out);
  }
  const Value& given = arguments[0];
  if (is_rational(given)) return give_fraction(node, exact_ratio(given), out);
  if (is_text_or_character(given)) {
    const auto read = read_rational(text_of(given));
    if (read) return give_fraction(node, *read, out);
    return not_yet("a Fraction of this text is", node);
  }
  const bool is_number = is_real(given.type()) || given.is(Type::decimal);
  if (!is_number)
    return raise("TypeError", "argument should be a string or a Rational instance", node);
  const bool finite =
      given.is(Type::decimal) ? given.as_decimal().is_finite() : given.as_real().is_finite();
  if (!finite)
    return raise(describe(given).find("nan") != std::string::npos ? "ValueError" : "OverflowError",
                 "cannot convert " + describe(given) + " to integer ratio", node);
  return give_fraction(node,
                       given.is(Type::decimal)
                           ? rational_of(given.as_decimal())
                           : rational_of(computed::real_of(Type::f64, given).as_real()),
                       out);
}

bool Expressions::round_fraction(const Node& node, const Value& value, const Value* places,
                                 Value& out) {
  const Rational exact = rational_of(value);
  if (places == nullptr || places->is(Type::nil))
    return keep(node, round_whole(exact, Rounding::half_even), out);
  std::int64_t count = 0;
  if (!take_whole(node, *places, count)) return false;
  constexpr std::int64_t most_places = 2000;
  if (std::abs(count) > most_places) return not_yet("rounding to this many places is", node);
  const Rational unit = inky::power(10, static_cast<int>(-count));
  return give_fraction(node, Rational(round_whole(exact / unit, Rounding::half_even)) * unit, out);
}

bool Expressions::call_on_fraction(const Node& node, const Value& of, const Arguments& arguments,
                                   Value& out) {
  const std::string& name = node.parts[0].text;
  if (name == "limit_denominator" && arguments.size() <= 1 && arguments.named.empty()) {
    Integer most = 1'000'000;
    if (arguments.size() == 1) {
      if (!is_int(arguments[0])) return not_yet("this bound is", node);
      most = computed::whole_of(arguments[0]);
    }
    if (most < 1) return raise("ValueError", "max_denominator should be at least 1", node);
    return give_fraction(node, limited(rational_of(of), most), out);
  }
  if (name == "as_integer_ratio" && arguments.size() == 0) {
    const Rational exact = rational_of(of);
    out = Value::tuple({whole_value(numerator(exact)), whole_value(denominator(exact))});
    return true;
  }
  return not_yet("the method " + name + " is", node);
}

}  // namespace inky::inline v1::python
