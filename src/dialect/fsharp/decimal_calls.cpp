// System.Decimal in expressions of F#: both sides are decimals, and nothing is converted unasked.

#include "../family/dotnet_decimal.hpp"
#include "../family/values.hpp"
#include "expressions.hpp"
#include "number/decimal_arithmetic.hpp"
#include "values.hpp"

namespace inky::inline v1::fsharp {

using computed::Node;
using computed::Operation;

bool Expressions::give_decimal(const Node& node, const std::optional<Decimal>& number, Value& out) {
  if (!number)
    return raise("OverflowException", "the result is too large for a decimal", node,
                 Value::decimal({}), out);
  out = Value::decimal(*number);
  return true;
}

bool Expressions::combine_decimals(const Node& node, Operation operation, const Value& left,
                                   const Value& right, Value& out) {
  const Decimal& a = left.as_decimal();
  Decimal b = right.as_decimal();
  switch (operation) {
    case Operation::subtract:
      b.negative = !b.negative;
      [[fallthrough]];
    case Operation::add:
      return give_decimal(node, sum96(a, b), out);
    case Operation::multiply:
      return give_decimal(node, product96(a, b), out);
    case Operation::divide:
    case Operation::remainder:
      if (b.is_zero())
        return raise("DivideByZeroException", "a decimal divided by zero", node, Value::decimal({}),
                     out);
      return give_decimal(
          node, operation == Operation::divide ? quotient96(a, b) : remainder96(a, b), out);
    default:
      return mismatch("there is no such operator for decimals", node);
  }
}

bool Expressions::convert_decimal(const Node& node, Type type, const Value& of, Value& out) {
  if (is_real(type)) {
    out = computed::real_of(type, Value::real(dotnet_double(of.as_decimal())));
    return true;
  }
  const Integer whole = coefficient_of(rescaled(of.as_decimal(), 0, Rounding::toward));
  if (!computed::fits(type, whole))
    return raise("OverflowException", describe(of) + " does not fit", node,
                 computed::wrapped(type, 1), out);
  out = computed::wrapped(type, whole);
  return true;
}

bool Expressions::round_decimal(const Node& node, std::string_view name, const Value& of,
                                Value& out) {
  constexpr std::pair<std::string_view, Rounding> roundings[] = {{"floor", Rounding::down},
                                                                 {"ceil", Rounding::up},
                                                                 {"truncate", Rounding::toward},
                                                                 {"round", Rounding::half_even}};
  for (const auto& [known, rounding] : roundings) {
    if (name == known) return give_decimal(node, rescaled(of.as_decimal(), 0, rounding), out);
  }
  return mismatch(std::string(name) + " is not for a decimal", node);
}

bool Expressions::to_decimal(const Node& node, const Value& of, Value& out) {
  if (of.is(Type::decimal)) {
    out = of;
    return true;
  }
  if (is_integer(of)) return give_decimal(node, decimal_of(computed::whole_of(of), 0), out);
  constexpr int double_digits = 15;
  constexpr int float_digits = 7;
  if (of.is(Type::f64) || of.is(Type::f32)) {
    const double number = computed::double_of(computed::real_of(Type::f64, of));
    return give_decimal(
        node, dotnet_from_real(number, of.is(Type::f64) ? double_digits : float_digits), out);
  }
  if (!of.is(Type::text)) return not_yet("decimal of this is", node);
  const auto read = read_dotnet_decimal(of.as_text());
  if (!read) return not_yet("reading this text is", node);
  return give_decimal(node, decimal96(*read), out);
}

bool Expressions::size_of_decimal(std::string_view name, const Value& of, Value& out) {
  Decimal number = of.as_decimal();
  if (name == "sign") {
    out = Value::whole(Type::i32, number.is_zero() ? 0 : number.negative ? -1 : 1);
    return true;
  }
  number.negative = false;
  out = Value::decimal(std::move(number));
  return true;
}

}  // namespace inky::inline v1::fsharp
