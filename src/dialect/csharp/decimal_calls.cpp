// System.Decimal in expressions: the C# specification, 12.4.7 and 10.2.3, and the methods of the
// type.

#include <algorithm>

#include "../family/dotnet_decimal.hpp"
#include "../family/values.hpp"
#include "expressions.hpp"
#include "number/decimal_arithmetic.hpp"

namespace inky::inline v1::csharp {

namespace {

using computed::Node;
using computed::Operation;

bool is_whole_operand(const Value& value) {
  return (is_whole(value.type()) && value.type() <= Type::u64 && !value.is(Type::i128)) ||
         value.is(Type::character);
}

Decimal as_decimal(const Value& value) {
  return value.is(Type::decimal) ? *decimal96(value.as_decimal())
                                 : decimal_of(computed::whole_of(value), 0);
}

}  // namespace

bool Expressions::give_decimal(const Node& node, const std::optional<Decimal>& number, Value& out) {
  if (number) {
    out = Value::decimal(*number);
    return true;
  }
  if (computed::is_constant(node, is_known_name))
    return refuse_as("CS0463", "the constant is too large for a decimal", node);
  return raise("OverflowException", "the result is too large for a decimal", node,
               Value::decimal({}), out);
}

bool Expressions::combine_decimals(const Node& node, Operation operation, const Value& left,
                                   const Value& right, Value& out) {
  for (const Value* side : {&left, &right}) {
    if (!side->is(Type::decimal) && !is_whole_operand(*side))
      return refuse("there is no operator for " + describe(left) + " and " + describe(right), node);
  }
  const Decimal a = as_decimal(left);
  const Decimal b = as_decimal(right);
  if (computed::is_comparison(operation)) {
    out = Value::truth(computed::relates(operation, compare(a, b)));
    return true;
  }
  switch (operation) {
    case Operation::add:
      return give_decimal(node, sum96(a, b), out);
    case Operation::subtract: {
      Decimal minus = b;
      minus.negative = !minus.negative;
      return give_decimal(node, sum96(a, minus), out);
    }
    case Operation::multiply:
      return give_decimal(node, product96(a, b), out);
    case Operation::divide:
    case Operation::remainder:
      break;
    default:
      return refuse("there is no such operator for decimals", node);
  }
  if (b.is_zero()) {
    if (computed::is_constant(node, is_known_name))
      return refuse_as("CS0020", "a division by a constant zero", node);
    return raise("DivideByZeroException", "a decimal divided by zero", node, Value::decimal({}),
                 out);
  }
  if (operation == Operation::divide) return give_decimal(node, quotient96(a, b), out);
  out = Value::decimal(remainder96(a, b));
  return true;
}

bool Expressions::negate_decimal(const Value& operand, Value& out) {
  Decimal changed = as_decimal(operand);
  changed.negative = !changed.negative;
  out = Value::decimal(std::move(changed));
  return true;
}

bool Expressions::cast_to_decimal(const Node& node, const Value& of, Value& out) {
  if (is_whole_operand(of)) {
    out = Value::decimal(as_decimal(of));
    return true;
  }
  if (!is_real(of.type())) return refuse_as("CS0030", describe(of) + " cannot be a decimal", node);
  constexpr int double_digits = 15;
  constexpr int float_digits = 7;
  const double number = computed::double_of(computed::real_of(Type::f64, of));
  const auto made = dotnet_from_real(number, of.is(Type::f64) ? double_digits : float_digits);
  if (!made && computed::is_constant(node.parts[0], is_known_name))
    return refuse_as("CS0221", "the constant does not fit decimal", node);
  return give_decimal(node, made, out);
}

bool Expressions::cast_decimal(const Node& node, Type type, const Value& of, Value& out) {
  const Decimal number = as_decimal(of);
  if (is_real(type)) {
    out = computed::real_of(type, Value::real(dotnet_double(number)));
    return true;
  }
  if (!is_whole(type)) return not_yet("this cast of a decimal is", node);
  const Integer whole = coefficient_of(rescaled(number, 0, Rounding::toward));
  if (!computed::fits(type, whole)) {
    if (computed::is_constant(node.parts[0], is_known_name))
      return refuse_as("CS0221", "the constant does not fit its type", node);
    return raise("OverflowException", "the decimal does not fit the type", node,
                 computed::wrapped(type, 1), out);
  }
  out = computed::wrapped(type, whole);
  return true;
}

// Math.Round(m, 2), decimal.Truncate(m), Math.Max(m, 1)
bool Expressions::call_decimal_math(const Node& node, std::string_view name,
                                    const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (name == "Round" && count > 0 && count < 4) {
    if (!arguments[0].is(Type::decimal)) return not_yet("rounding this is", node);
    const Value& last = arguments.values.back();
    constexpr std::pair<std::string_view, Rounding> ways[] = {
        {"ToEven", Rounding::half_even},
        {"AwayFromZero", Rounding::half_away},
        {"ToZero", Rounding::toward},
        {"ToNegativeInfinity", Rounding::down},
        {"ToPositiveInfinity", Rounding::up}};
    Rounding rounding = Rounding::half_even;
    std::size_t numbers = count;
    if (last.is(Type::text)) {
      --numbers;
      const auto found = std::find_if(std::begin(ways), std::end(ways),
                                      [&](const auto& way) { return way.first == last.as_text(); });
      if (found == std::end(ways)) return not_yet("this way of rounding is", node);
      rounding = found->second;
    }
    std::int64_t places = 0;
    if (numbers > 2 || (numbers == 2 && !take_int(node, arguments[1], places)))
      return numbers > 2 ? not_yet("these arguments are", node) : false;
    constexpr int most_places = 28;
    if (places < 0 || places > most_places)
      return raise("ArgumentOutOfRangeException", "a decimal is rounded to 0 to 28 places", node,
                   arguments[0], out);
    const Decimal number = as_decimal(arguments[0]);
    return give_decimal(
        node, number.exponent >= -places ? number : rescaled(number, -places, rounding), out);
  }
  if (count == 1 && arguments[0].is(Type::decimal)) {
    Decimal number = as_decimal(arguments[0]);
    constexpr std::pair<std::string_view, Rounding> roundings[] = {
        {"Floor", Rounding::down}, {"Ceiling", Rounding::up}, {"Truncate", Rounding::toward}};
    for (const auto& [known, rounding] : roundings) {
      if (name == known) return give_decimal(node, rescaled(number, 0, rounding), out);
    }
    if (name == "Abs") {
      number.negative = false;
      return give_decimal(node, number, out);
    }
    if (name == "Sign") {
      out = Value::whole(Type::i32, number.is_zero() ? 0 : number.negative ? -1 : 1);
      return true;
    }
    if (name == "Negate") return negate_decimal(arguments[0], out);
    return refuse_as("CS1503", "Math." + std::string(name) + " takes no decimal", node);
  }
  const bool decimals = std::all_of(
      arguments.values.begin(), arguments.values.end(),
      [](const Value& value) { return value.is(Type::decimal) || is_whole_operand(value); });
  if (count == 2 && decimals && (name == "Max" || name == "Min")) {
    const Decimal a = as_decimal(arguments[0]);
    const Decimal b = as_decimal(arguments[1]);
    const bool first = name == "Max" ? std::is_gteq(compare(a, b)) : std::is_lteq(compare(a, b));
    return give_decimal(node, first ? a : b, out);
  }
  constexpr std::pair<std::string_view, Operation> operations[] = {
      {"Add", Operation::add},
      {"Subtract", Operation::subtract},
      {"Multiply", Operation::multiply},
      {"Divide", Operation::divide},
      {"Remainder", Operation::remainder}};
  for (const auto& [known, operation] : operations) {
    if (count == 2 && decimals && name == known && !as_decimal(arguments[1]).is_zero())
      return combine_decimals(node, operation, arguments[0], arguments[1], out);
  }
  return refuse_as("CS1503", std::string(name) + " does not take these", node);
}

// decimal.Parse("1.10"), Convert.ToDecimal(x)
bool Expressions::read_decimal_text(const Node& node, std::string_view name,
                                    const Arguments& arguments, Value& out) {
  const bool culture = arguments.size() == 2 && is_invariant(arguments[1]);
  if (arguments.size() != 1 && !culture)
    return not_yet(std::string(name) + " with these arguments is", node);
  const Value& given = arguments[0];
  if (!given.is(Type::text)) {
    if (name == "decimal.Parse") return not_yet("decimal.Parse of this is", node);
    if (given.is(Type::decimal)) {
      out = given;
      return true;
    }
    return cast_to_decimal(node, given, out);
  }
  const auto read = read_dotnet_decimal(given.as_text());
  if (!read) return not_yet("reading this text is", node);
  return give_decimal(node, decimal96(*read), out);
}

}  // namespace inky::inline v1::csharp
