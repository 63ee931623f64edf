// The operators of Python: the Language Reference, 6.5 to 6.9.

#include <algorithm>
#include <cmath>

#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "format/fraction_value.hpp"
#include "text/utf8.hpp"
#include "times.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

constexpr int most_bits = 20'000;

bool is_sequence(const Value& value) {
  return value.is(Type::list) || value.is(Type::tuple);
}

bool is_float(const Value& value) {
  return is_real(value.type());
}
bool is_numeric(const Value& value) {
  return is_int(value) || is_float(value) || value.is(Type::complex);
}

Value complex_of(const Value& value) {
  if (value.is(Type::complex)) return value;
  const Value real = computed::real_of(Type::f64, value);
  return Value::complex(computed::double_of(real), 0.0);
}

}  // namespace

Value whole_value(const Integer& number) {
  return computed::smallest(number);
}

bool Expressions::keep(const Node& node, const Integer& number, Value& out) {
  const int bits = bit_length(number < 0 ? Integer(-number) : number);
  if (bits > most_bits)
    return over_limit("a whole number of " + std::to_string(bits) + " bits is over the limit of " +
                          std::to_string(most_bits),
                      node);
  out = whole_value(number);
  return true;
}

bool Expressions::to_float(const Node& node, const Value& value, double& out) {
  const Value real = computed::real_of(Type::f64, value);
  out = computed::double_of(real);
  if (is_int(value) && std::isinf(out))
    return raise("OverflowError", "int too large to convert to float", node);
  return true;
}

bool Expressions::wrong_operands(const Node& node, Operation operation, const Value& left,
                                 const Value& right) {
  return raise("TypeError",
               "unsupported operand type(s) for " + std::string(text_of(grammar, operation)) +
                   ": '" + std::string(type_name(left)) + "' and '" +
                   std::string(type_name(right)) + "'",
               node);
}

bool Expressions::apply(const Node& node, const Value& operand, Value& out) {
  const Operation operation = node.operation;
  if (operand.is(Type::fraction) && operation != Operation::complement)
    return combine_fractions(node,
                             operation == Operation::negate ? Operation::subtract : Operation::add,
                             Value::whole(Type::i32, 0), operand, out);
  if (operand.is(Type::decimal) && operation != Operation::complement) {
    const Value zero = Value::whole(Type::i32, 0);
    return combine_decimals(node,
                            operation == Operation::negate ? Operation::subtract : Operation::add,
                            zero, operand, out);
  }
  if (operand.is(Type::duration) && operation != Operation::complement) {
    out = Value::duration(operation == Operation::negate ? -operand.as_duration()
                                                         : operand.as_duration());
    return true;
  }
  const bool fits = is_int(operand) || (operation != Operation::complement && is_numeric(operand));
  if (!fits) {
    return raise("TypeError",
                 "bad operand type for unary " + std::string(text_of(grammar, operation)) + ": '" +
                     std::string(type_name(operand)) + "'",
                 node);
  }
  if (is_int(operand)) {
    const Integer number = computed::whole_of(operand);
    return keep(node,
                operation == Operation::negate       ? Integer(-number)
                : operation == Operation::complement ? Integer(-number - 1)
                                                     : number,
                out);
  }
  if (operation == Operation::keep) {
    out = operand;
  } else if (is_float(operand)) {
    out = computed::negated_real(computed::real_of(Type::f64, operand));
  } else {
    const auto parts = operand.as_list();
    out = Value::complex(-computed::double_of(parts[0]), -computed::double_of(parts[1]));
  }
  return true;
}

bool Expressions::holds(const Node&, const Value& value, bool& out) {
  if (is_int(value))
    out = computed::whole_of(value) != 0;
  else if (is_float(value))
    out = !value.as_real().is_zero();
  else if (value.is(Type::decimal))
    out = !value.as_decimal().is_zero();
  else if (value.is(Type::duration))
    out = value.as_duration() != 0;
  else if (value.is(Type::fraction))
    out = rational_of(value) != 0;
  else if (value.is(Type::complex))
    out = !value.as_list()[0].as_real().is_zero() || !value.as_list()[1].as_real().is_zero();
  else if (value.is(Type::text))
    out = !value.as_text().empty();
  else if (is_compound(value.type()))
    out = !value.as_list().empty();
  else
    out = !value.is(Type::nil);
  return true;
}

bool Expressions::combine(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  if (computed::is_object(left) || computed::is_object(right))
    return not_yet("an operator of such an object is", node);
  bool truth = false;
  switch (operation) {
    case Operation::equal:
    case Operation::unequal:
      out = Value::truth(equal(left, right) == (operation == Operation::equal));
      return true;
    case Operation::less:
    case Operation::at_most:
    case Operation::more:
    case Operation::at_least:
      if (!less(node, operation, left, right, truth)) return false;
      out = Value::truth(truth);
      return true;
    case Operation::same:
    case Operation::not_same: {
      const bool nil = left.is(Type::nil) || right.is(Type::nil);
      const bool truths = left.is(Type::truth) && right.is(Type::truth);
      if (!nil && !truths) return not_yet("whether two values are one object is", node);
      const bool same = nil ? left.is(right.type()) : left.as_whole() == right.as_whole();
      out = Value::truth(same == (operation == Operation::same));
      return true;
    }
    case Operation::contained:
    case Operation::not_contained:
      if (!contains(node, right, left, truth)) return false;
      out = Value::truth(truth == (operation == Operation::contained));
      return true;
    case Operation::power:
      return power(node, left, right, out);
    default:
      break;
  }
  if (operation == Operation::remainder && is_text_or_character(left))
    return format_percent(node, left, right, out);
  if (is_time_value(left) || is_time_value(right))
    return combine_times(node, operation, left, right, out);
  if (left.is(Type::fraction) || right.is(Type::fraction))
    return combine_fractions(node, operation, left, right, out);
  const auto is_operand = [](const Value& value) {
    return is_int(value) || value.is(Type::decimal);
  };
  if ((left.is(Type::decimal) && is_operand(right)) ||
      (right.is(Type::decimal) && is_operand(left)))
    return combine_decimals(node, operation, left, right, out);
  if (!is_numeric(left) || !is_numeric(right))
    return combine_sequences(node, operation, left, right, out);
  if (left.is(Type::complex) || right.is(Type::complex))
    return combine_complex(node, operation, left, right, out);
  if (is_int(left) && is_int(right)) return combine_wholes(node, operation, left, right, out);
  double x = 0;
  double y = 0;
  const bool bits = operation == Operation::bits_and || operation == Operation::bits_or ||
                    operation == Operation::bits_differ || operation == Operation::shift_left ||
                    operation == Operation::shift_right;
  if (bits) return wrong_operands(node, operation, left, right);
  return to_float(node, left, x) && to_float(node, right, y) &&
         combine_floats(node, operation, x, y, out);
}

bool Expressions::combine_wholes(const Node& node, Operation operation, const Value& left,
                                 const Value& right, Value& out) {
  const Integer a = computed::whole_of(left);
  const Integer b = computed::whole_of(right);
  const bool truths = left.is(Type::truth) && right.is(Type::truth);
  if (operation == Operation::divide) {
    if (b == 0) return raise("ZeroDivisionError", "division by zero", node);
    out = Value::real(Type::f64, stored(binary64, Rational(a) / Rational(b), a == 0 && b < 0));
    if (std::isinf(computed::double_of(out)))
      return raise("OverflowError", "integer division result too large for a float", node);
    return true;
  }
  if (operation == Operation::shift_left || operation == Operation::shift_right) {
    if (b < 0) return raise("ValueError", "negative shift count", node);
    if (operation == Operation::shift_right && b > most_bits)
      return keep(node, a < 0 ? Integer(-1) : Integer(0), out);
    if (a == 0) return keep(node, 0, out);
    if (b > most_bits)
      return over_limit(
          "a shift by " + b.str() + " is over the limit of " + std::to_string(most_bits), node);
    const int by = b.convert_to<int>();
    return keep(node, computed::shifted(a, operation == Operation::shift_left ? by : -by), out);
  }
  const auto result = computed::combine_wholes(operation, a, b, computed::Division::down);
  if (!result) return raise("ZeroDivisionError", "integer division or modulo by zero", node);
  const bool stays_truth =
      truths && (operation == Operation::bits_and || operation == Operation::bits_or ||
                 operation == Operation::bits_differ);
  if (!stays_truth) return keep(node, *result, out);
  out = Value::truth(*result != 0);
  return true;
}

// As CPython does it: Objects/floatobject.c, float_divmod.
bool Expressions::combine_floats(const Node& node, Operation operation, double left, double right,
                                 Value& out) {
  const auto give = [&](double number) {
    out = float_value(number);
    return true;
  };
  switch (operation) {
    case Operation::add:
      return give(left + right);
    case Operation::subtract:
      return give(left - right);
    case Operation::multiply:
      return give(left * right);
    case Operation::divide:
      if (right == 0) return raise("ZeroDivisionError", "float division by zero", node);
      return give(left / right);
    default:
      break;
  }
  if (right == 0) return raise("ZeroDivisionError", "float modulo by zero", node);
  double rest = std::fmod(left, right);
  double quotient = (left - rest) / right;
  if (rest != 0) {
    if ((right < 0) != (rest < 0)) {
      rest += right;
      quotient -= 1;
    }
  } else {
    rest = std::copysign(0.0, right);
  }
  if (operation == Operation::remainder) return give(rest);
  if (quotient == 0) return give(std::copysign(0.0, left / right));
  double down = std::floor(quotient);
  if (quotient - down > 0.5) down += 1;
  return give(down);
}

bool Expressions::power(const Node& node, const Value& left, const Value& right, Value& out) {
  if (left.is(Type::fraction) || right.is(Type::fraction))
    return fraction_power(node, left, right, out);
  if (left.is(Type::decimal) || right.is(Type::decimal))
    return decimal_power(node, left, right, out);
  if (!is_numeric(left) || !is_numeric(right))
    return wrong_operands(node, Operation::power, left, right);
  if (left.is(Type::complex) || right.is(Type::complex))
    return complex_power(node, left, right, out);
  if (is_int(left) && is_int(right) && computed::whole_of(right) >= 0) {
    const Integer base = computed::whole_of(left);
    const Integer exponent = computed::whole_of(right);
    const int bits = bit_length(base < 0 ? Integer(-base) : base);
    if (bits > 1 && exponent * (bits - 1) > most_bits)
      return over_limit(
          "a power of this size is over the limit of " + std::to_string(most_bits) + " bits", node);
    if (bits <= 1) {
      const bool odd = exponent % 2 != 0;
      return keep(node, exponent == 0 ? Integer(1) : base == -1 && !odd ? Integer(1) : base, out);
    }
    return keep(node, computed::power_of(base, exponent.convert_to<int>()), out);
  }
  double x = 0;
  double y = 0;
  if (!to_float(node, left, x) || !to_float(node, right, y)) return false;
  if (x == 0 && y < 0)
    return raise("ZeroDivisionError", "0.0 cannot be raised to a negative power", node);
  if (x < 0 && std::isfinite(x) && std::isfinite(y) && y != std::floor(y))
    return complex_power(node, left, right, out);
  const double result = computed::power(x, y);
  if (std::isinf(result) && std::isfinite(x) && std::isfinite(y))
    return raise("OverflowError", "(34, 'Numerical result out of range')", node);
  out = float_value(result);
  return true;
}

// Objects/complexobject.c: complex_pow, c_powu and _Py_c_pow.
bool Expressions::complex_power(const Node& node, const Value& left, const Value& right,
                                Value& out) {
  for (const Value* value : {&left, &right}) {
    double unused = 0;
    if (!value->is(Type::complex) && !to_float(node, *value, unused)) return false;
  }
  const Value base = complex_of(left);
  const Value exponent = complex_of(right);
  const double a = computed::double_of(base.as_list()[0]);
  const double b = computed::double_of(base.as_list()[1]);
  const double c = computed::double_of(exponent.as_list()[0]);
  const double d = computed::double_of(exponent.as_list()[1]);
  const auto give = [&](const Value& value) {
    for (const Value& part : value.as_list()) {
      if (part.as_real().kind == RealClass::infinite)
        return raise("OverflowError", "complex exponentiation", node);
    }
    out = value;
    return true;
  };
  constexpr double most_by_products = 100;
  if (d == 0 && c == std::floor(c) && std::fabs(c) <= most_by_products) {
    Value product = Value::complex(1, 0);
    Value factor = base;
    for (int rest = std::abs(static_cast<int>(c)); rest > 0; rest /= 2) {
      if (rest % 2 != 0 && !combine_complex(node, Operation::multiply, product, factor, product))
        return false;
      if (!combine_complex(node, Operation::multiply, factor, factor, factor)) return false;
    }
    if (c > 0) return give(product);
    Value inverse;
    return combine_complex(node, Operation::divide, Value::complex(1, 0), product, inverse) &&
           give(inverse);
  }
  if (c == 0 && d == 0) return give(Value::complex(1, 0));
  if (a == 0 && b == 0) {
    if (d != 0 || c < 0)
      return raise("ZeroDivisionError", "0.0 to a negative or complex power", node);
    return give(Value::complex(0, 0));
  }
  const double size = std::hypot(a, b);
  const double angle = std::atan2(b, a);
  double length = std::pow(size, c);
  double phase = angle * c;
  if (d != 0) {
    length /= std::exp(angle * d);
    phase += d * std::log(size);
  }
  if (std::isinf(phase))
    return raise("ZeroDivisionError", "0.0 to a negative or complex power", node);
  return give(Value::complex(length * std::cos(phase), length * std::sin(phase)));
}

// Objects/complexobject.c: _Py_c_quot.
bool Expressions::combine_complex(const Node& node, Operation operation, const Value& left,
                                  const Value& right, Value& out) {
  for (const Value* value : {&left, &right}) {
    double unused = 0;
    if (!value->is(Type::complex) && !to_float(node, *value, unused)) return false;
  }
  const Value first = complex_of(left);
  const Value second = complex_of(right);
  const double a = computed::double_of(first.as_list()[0]);
  const double b = computed::double_of(first.as_list()[1]);
  const double c = computed::double_of(second.as_list()[0]);
  const double d = computed::double_of(second.as_list()[1]);
  switch (operation) {
    case Operation::add:
      out = Value::complex(a + c, b + d);
      return true;
    case Operation::subtract:
      out = Value::complex(a - c, b - d);
      return true;
    case Operation::multiply:
      out = Value::complex(a * c - b * d, a * d + b * c);
      return true;
    case Operation::divide:
      break;
    default:
      return wrong_operands(node, operation, left, right);
  }
  if (c == 0 && d == 0) return raise("ZeroDivisionError", "complex division by zero", node);
  if (std::abs(c) >= std::abs(d)) {
    const double ratio = d / c;
    const double below = c + d * ratio;
    out = Value::complex((a + b * ratio) / below, (b - a * ratio) / below);
  } else if (std::abs(d) >= std::abs(c)) {
    const double ratio = c / d;
    const double below = c * ratio + d;
    out = Value::complex((a * ratio + b) / below, (b * ratio - a) / below);
  } else {
    out = Value::complex(std::nan(""), std::nan(""));
  }
  return true;
}

bool Expressions::repeat(const Node& node, const Value& of, const Value& times, Value& out) {
  const Integer count = std::max(computed::whole_of(times), Integer(0));
  const bool is_text = is_text_or_character(of);
  const std::size_t size = is_text ? text_of(of).size() : of.as_list().size();
  if (count * size > most_output / (is_text ? 1 : 16))
    return over_limit("a result of this size is over the limit", node);
  const auto number = count.convert_to<std::size_t>();
  if (is_text) {
    const std::string once = text_of(of);
    std::string all;
    for (std::size_t i = 0; i < number && !once.empty(); ++i) all += once;
    out = Value::text(std::move(all));
    return true;
  }
  std::vector<Value> items;
  for (std::size_t i = 0; i < number; ++i) {
    for (const Value& item : of.as_list()) items.push_back(item);
  }
  out = of.is(Type::list) ? Value::list(std::move(items)) : Value::tuple(std::move(items));
  return true;
}

bool Expressions::combine_sequences(const Node& node, Operation operation, const Value& left,
                                    const Value& right, Value& out) {
  const auto repeats = [](const Value& value) {
    return is_text_or_character(value) || is_sequence(value);
  };
  if (operation == Operation::multiply && repeats(left) && is_int(right))
    return repeat(node, left, right, out);
  if (operation == Operation::multiply && is_int(left) && repeats(right))
    return repeat(node, right, left, out);
  const bool texts = is_text_or_character(left) && is_text_or_character(right);
  const bool joins = texts || (is_sequence(left) && left.is(right.type()));
  if (operation != Operation::add || !joins) return wrong_operands(node, operation, left, right);
  if (texts) {
    out = Value::text(text_of(left) + text_of(right));
    return true;
  }
  std::vector<Value> items(left.as_list().begin(), left.as_list().end());
  items.insert(items.end(), right.as_list().begin(), right.as_list().end());
  out = left.is(Type::list) ? Value::list(std::move(items)) : Value::tuple(std::move(items));
  return true;
}

// "%.2f" % x, as the dialect of such templates has it.
bool Expressions::format_percent(const Node& node, const Value& form, const Value& values,
                                 Value& out) {
  const bool several = values.is(Type::tuple) || values.is(Type::record);
  return fill(node, *python_percent_dialect(), text_of(form),
              several ? values.as_list() : std::span<const Value>(&values, 1), out);
}

}  // namespace inky::inline v1::python
