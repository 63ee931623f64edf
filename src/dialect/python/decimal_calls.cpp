// decimal.Decimal in expressions: the Library Reference, "decimal".

#include <algorithm>
#include <optional>

#include "../family/values.hpp"
#include "expressions.hpp"
#include "number/decimal_arithmetic.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::python {

namespace {

// Of what is kept on the way, so that nothing grows without end.
constexpr std::int64_t most_adjusted = most_zeros;

std::optional<Rounding> rounding_of(std::string_view name) {
  constexpr std::pair<std::string_view, Rounding> names[] = {
      {"ROUND_HALF_EVEN", Rounding::half_even},
      {"ROUND_HALF_UP", Rounding::half_away},
      {"ROUND_HALF_DOWN", Rounding::half_toward},
      {"ROUND_UP", Rounding::away},
      {"ROUND_DOWN", Rounding::toward},
      {"ROUND_CEILING", Rounding::up},
      {"ROUND_FLOOR", Rounding::down}};
  for (const auto& [known, rounding] : names) {
    if (known == name) return rounding;
  }
  return std::nullopt;
}

// An int or a Decimal, exactly; nothing for anything else.
std::optional<Decimal> exactly(const Value& value) {
  if (value.is(Type::decimal)) return value.as_decimal();
  if (is_int(value)) return decimal_of(computed::whole_of(value), 0);
  return std::nullopt;
}

// A float as Decimal() takes it: all that is stored. REQUIRES: finite.
Decimal decimal_of_real(const BinaryReal& real) {
  const ExactDecimal exact = exact_decimal(real);
  Decimal out;
  out.negative = real.negative;
  if (exact.is_zero()) return out;
  out.coefficient = exact.digits;
  out.exponent = exact.point - static_cast<std::int64_t>(exact.digits.size());
  // A whole number has no exponent.
  return out.exponent > 0 ? rescaled(out, 0, Rounding::half_even) : out;
}

Decimal in_context(const Decimal& value, const DecimalContext& context) {
  return cut_to(value, context.digits, context.rounding);
}

}  // namespace

DecimalContext decimal_context(const Value* digits, const Value* rounding) {
  DecimalContext out;
  if (digits != nullptr) out.digits = static_cast<std::int64_t>(digits->as_whole());
  if (rounding != nullptr)
    out.rounding = rounding_of(text_of(*rounding)).value_or(Rounding::half_even);
  return out;
}

std::optional<Rounding> decimal_rounding(std::string_view name) {
  return rounding_of(name);
}

bool Expressions::give_decimal(const Node& node, const Decimal& number, Value& out) {
  if (std::abs(number.exponent) > most_adjusted ||
      std::abs(number.adjusted_exponent()) > most_adjusted)
    return over_limit("a decimal this large or small is over the limit", node);
  out = Value::decimal(number);
  return true;
}

bool Expressions::combine_decimals(const Node& node, Operation operation, const Value& left,
                                   const Value& right, Value& out) {
  const DecimalContext context = decimal_context(find(context_digits), find(context_rounding));
  const auto a = exactly(left);
  const auto b = exactly(right);
  if (!a || !b) return wrong_operands(node, operation, left, right);
  if (!a->is_finite() || !b->is_finite())
    return not_yet("arithmetic with infinities and not-a-numbers of Decimal is", node);
  switch (operation) {
    case Operation::add:
      return give_decimal(node, in_context(inky::sum(*a, *b), context), out);
    case Operation::subtract: {
      Decimal minus = *b;
      minus.negative = !minus.negative;
      return give_decimal(node, in_context(inky::sum(*a, minus), context), out);
    }
    case Operation::multiply:
      return give_decimal(node, in_context(product(*a, *b), context), out);
    case Operation::divide:
    case Operation::divide_down:
    case Operation::remainder:
      break;
    default:
      return wrong_operands(node, operation, left, right);
  }
  if (b->is_zero())
    return raise(
        a->is_zero() || operation == Operation::remainder ? "InvalidOperation" : "DivisionByZero",
        "a Decimal is divided by zero", node);
  if (operation == Operation::divide)
    return give_decimal(node, quotient(*a, *b, context.digits, context.rounding), out);
  // Toward zero, both.
  const Rational exact = rational_of(*a) / rational_of(*b);
  Decimal whole = decimal_of(round_whole(exact, Rounding::toward), 0);
  if (static_cast<std::int64_t>(whole.coefficient.size()) > context.digits)
    return raise("InvalidOperation", "a quotient of more digits than the context has", node);
  whole.negative = a->negative != b->negative;
  if (operation == Operation::divide_down) return give_decimal(node, whole, out);
  Decimal taken = product(whole, *b);
  taken.negative = !taken.negative;
  Decimal rest = inky::sum(*a, taken);
  if (rest.is_zero()) rest.negative = a->negative;
  rest = rescaled(rest, std::min(a->exponent, b->exponent), Rounding::half_even);
  return give_decimal(node, in_context(rest, context), out);
}

bool Expressions::decimal_power(const Node& node, const Value& left, const Value& right,
                                Value& out) {
  const DecimalContext context = decimal_context(find(context_digits), find(context_rounding));
  const auto base = exactly(left);
  const auto exponent = exactly(right);
  if (!base || !exponent) return wrong_operands(node, Operation::power, left, right);
  constexpr int most_steps = 1000;
  if (!base->is_finite() || !exponent->is_finite() ||
      std::is_neq(compare(rescaled(*exponent, 0, Rounding::toward), *exponent)) ||
      exponent->adjusted_exponent() > 2)
    return not_yet("such a power of a Decimal is", node);
  const int count = rescaled(*exponent, 0, Rounding::toward).coefficient.size() > 4
                        ? most_steps
                        : std::stoi(rescaled(*exponent, 0, Rounding::toward).coefficient);
  // What is rounded on the way shows in other roundings than the usual one.
  if (context.rounding != Rounding::half_even)
    return not_yet("a power of a Decimal under this rounding is", node);
  if (count == 0 && base->is_zero()) return raise("InvalidOperation", "0 to the power of 0", node);
  if (exponent->negative && base->is_zero())
    return raise("DivisionByZero", "0 to a negative power", node);
  Decimal result = decimal_of(1, 0);
  for (int i = 0; i < count; ++i) result = product(result, *base);
  if (exponent->negative && count != 0)
    result = quotient(decimal_of(1, 0), result, context.digits, context.rounding);
  return give_decimal(node, in_context(result, context), out);
}

std::partial_ordering Expressions::compare_decimals(const Value& left, const Value& right) {
  const auto exact = [](const Value& value) -> std::optional<Decimal> {
    if (!is_real(value.type())) return exactly(value);
    const BinaryReal real = nearest_f64(value);
    if (real.is_finite()) return decimal_of_real(real);
    Decimal special;
    special.kind =
        real.kind == RealClass::infinite ? Decimal::Kind::infinite : Decimal::Kind::not_a_number;
    special.negative = real.negative;
    return special;
  };
  const auto a = exact(left);
  const auto b = exact(right);
  if (!a || !b || a->kind == Decimal::Kind::not_a_number || b->kind == Decimal::Kind::not_a_number)
    return std::partial_ordering::unordered;
  const auto rank = [](const Decimal& x) { return x.is_finite() ? 0 : x.negative ? -1 : 1; };
  if (rank(*a) != 0 || rank(*b) != 0) return rank(*a) <=> rank(*b);
  return compare(*a, *b);
}

// Decimal("1.10"), Decimal(3), Decimal(0.1)
bool Expressions::make_decimal(const Node& node, const Arguments& arguments, Value& out) {
  if (!takes(node, "Decimal", arguments, 0, 1)) return false;
  if (arguments.size() == 0) return give_decimal(node, Decimal{}, out);
  const Value& value = arguments[0];
  if (value.is(Type::decimal)) {
    out = value;
    out.drop_name();
    return true;
  }
  if (is_int(value)) return give_decimal(node, *exactly(value), out);
  if (is_real(value.type())) {
    const BinaryReal real = nearest_f64(value);
    if (real.is_finite()) return give_decimal(node, decimal_of_real(real), out);
    out = *read_typed(Type::decimal, describe(value));
    return true;
  }
  if (!is_text_or_character(value)) return not_yet("Decimal() of this is", node);
  std::string text = text_of(value);
  constexpr std::string_view blanks = " \t\n\r\f\v";
  text.erase(0, std::min(text.find_first_not_of(blanks), text.size()));
  text.erase(text.find_last_not_of(blanks) + 1);
  std::erase(text, '_');
  const std::optional<Decimal> read = read_decimal(text);
  if (!read)
    return raise("InvalidOperation", in_quotes(text) + " is no number for Decimal()", node);
  if (!read->is_finite()) {
    out = Value::decimal(*read);
    return true;
  }
  return give_decimal(node, *read, out);
}

bool Expressions::round_decimal(const Node& node, const Decimal& value, const Value* places,
                                Value& out) {
  const DecimalContext context = decimal_context(find(context_digits), find(context_rounding));
  if (places == nullptr || places->is(Type::nil)) {
    if (!value.is_finite())
      return raise(value.kind == Decimal::Kind::infinite ? "OverflowError" : "ValueError",
                   "cannot convert Infinity or NaN to integer", node);
    return keep(node, round_whole(rational_of(value), Rounding::half_even), out);
  }
  std::int64_t count = 0;
  if (!take_whole(node, *places, count)) return false;
  return quantize(node, value, -count, context.rounding, out);
}

bool Expressions::quantize(const Node& node, const Decimal& value, std::int64_t exponent,
                           Rounding rounding, Value& out) {
  const DecimalContext context = decimal_context(find(context_digits), find(context_rounding));
  if (!value.is_finite()) return not_yet("rounding an infinity or a NaN of Decimal is", node);
  if (std::abs(exponent) > most_adjusted)
    return over_limit("a decimal this large or small is over the limit", node);
  const Decimal kept = rescaled(value, exponent, rounding);
  if (static_cast<std::int64_t>(kept.coefficient.size()) > context.digits)
    return raise("InvalidOperation", "the result has more digits than the context", node);
  return give_decimal(node, kept, out);
}

bool Expressions::call_on_decimal(const Node& node, const Value& of, const Arguments& arguments,
                                  Value& out) {
  const DecimalContext context = decimal_context(find(context_digits), find(context_rounding));
  const std::string& name = node.parts[0].text;
  const Decimal& value = of.as_decimal();
  const auto is_among = [&](std::initializer_list<std::string_view> names) {
    return std::find(names.begin(), names.end(), name) != names.end();
  };
  if (is_among({"quantize", "to_integral_value", "to_integral"})) {
    const bool quantizes = name == "quantize";
    const std::size_t own = quantizes ? 1 : 0;
    if (!takes(node, name, arguments, own, own + 1)) return false;
    const Value* given = arguments.size() > own ? &arguments[own] : arguments.find("rounding");
    Rounding rounding = context.rounding;
    if (given != nullptr && !given->is(Type::nil)) {
      const auto known = is_text_or_character(*given) ? rounding_of(text_of(*given)) : std::nullopt;
      if (!known) return not_yet("this rounding is", node);
      rounding = *known;
    }
    if (!quantizes) {
      if (!value.is_finite()) return not_yet("this of an infinity or a NaN is", node);
      return give_decimal(node, value.exponent >= 0 ? value : rescaled(value, 0, rounding), out);
    }
    const auto unit = exactly(arguments[0]);
    if (!unit)
      return raise("TypeError",
                   "conversion from " + std::string(type_name(arguments[0])) +
                       " to Decimal is not supported",
                   node);
    if (!unit->is_finite()) return not_yet("quantize() with an infinity or a NaN is", node);
    return quantize(node, value, unit->exponent, rounding, out);
  }
  if (!arguments.named.empty()) return not_yet("arguments by name of " + name + " are", node);
  if (name == "compare" && arguments.size() == 1) {
    const auto order = compare_decimals(of, arguments[0]);
    if (order == std::partial_ordering::unordered || is_real(arguments[0].type()))
      return not_yet("this comparison is", node);
    return give_decimal(node,
                        decimal_of(std::is_lt(order)   ? -1
                                   : std::is_gt(order) ? 1
                                                       : 0,
                                   0),
                        out);
  }
  if ((name == "max" || name == "min") && arguments.size() == 1) {
    const auto order = compare_decimals(of, arguments[0]);
    if (order == std::partial_ordering::unordered || order == std::partial_ordering::equivalent ||
        is_real(arguments[0].type()))
      return not_yet("this choice is", node);
    return give_decimal(
        node,
        in_context(*exactly(std::is_gt(order) == (name == "max") ? of : arguments[0]), context),
        out);
  }
  if (!takes(node, name, arguments, 0, 0)) return false;
  if (is_among({"is_nan", "is_infinite", "is_finite", "is_zero", "is_signed"})) {
    out = Value::truth(name == "is_nan"        ? value.kind == Decimal::Kind::not_a_number
                       : name == "is_infinite" ? value.kind == Decimal::Kind::infinite
                       : name == "is_finite"   ? value.is_finite()
                       : name == "is_zero"     ? value.is_zero()
                                               : value.negative);
    return true;
  }
  if (!value.is_finite()) return not_yet("this method of an infinity or a NaN is", node);
  Decimal changed = value;
  if (name == "copy_abs") changed.negative = false;
  if (name == "copy_negate") changed.negative = !changed.negative;
  if (is_among({"copy_abs", "copy_negate", "conjugate", "canonical"}))
    return give_decimal(node, changed, out);
  if (name == "normalize") {
    changed = in_context(value, context);
    if (changed.is_zero()) changed.exponent = 0;
    while (!changed.is_zero() && changed.coefficient.back() == '0') {
      changed.coefficient.pop_back();
      ++changed.exponent;
    }
    return give_decimal(node, changed, out);
  }
  if (name == "adjusted") return keep(node, Integer(value.adjusted_exponent()), out);
  if (name == "as_integer_ratio") {
    const Rational exact = rational_of(value);
    Value above;
    Value below;
    if (!keep(node, numerator(exact), above) || !keep(node, denominator(exact), below))
      return false;
    out = Value::tuple({above, below});
    return true;
  }
  if (name == "sqrt" && !value.negative) {
    // Enough digits for one rounding: the root of a number with a digit more than is kept.
    const Rational exact = rational_of(value);
    const int bits = static_cast<int>(context.digits * 4) + 300;
    const Rational below = root_below(exact, bits);
    if (below * below == exact) {
      // Exact: as near to half the exponent as it gets.
      const std::int64_t ideal =
          value.exponent >= 0 ? value.exponent / 2 : (value.exponent - 1) / 2;
      for (std::int64_t exponent = ideal; exponent >= ideal - context.digits; --exponent) {
        const Rational scaled = below * inky::power(10, static_cast<int>(-exponent));
        if (denominator(scaled) == 1)
          return give_decimal(
              node,
              cut_to(decimal_of(numerator(scaled), exponent), context.digits, Rounding::half_even),
              out);
      }
    }
    const int scale = static_cast<int>(context.digits + 6 - value.adjusted_exponent() / 2);
    Decimal digits =
        decimal_of(round_whole(below * inky::power(10, scale), Rounding::toward), -scale);
    digits.coefficient += '1';
    --digits.exponent;
    return give_decimal(node, cut_to(digits, context.digits, Rounding::half_even), out);
  }
  return not_yet("the method " + name + " is", node);
}

}  // namespace inky::inline v1::python
