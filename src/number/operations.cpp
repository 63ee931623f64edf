// Operations and comparisons.

#include <algorithm>
#include <array>
#include <string>

#include "evaluator.hpp"
#include "expression.hpp"
#include "inky_margin/number/evaluation.hpp"
#include "rational.hpp"

namespace inky::inline v1 {

Operand Evaluator::negated(const Node& node, const Operand& operand) {
  Step step;
  step.operation = "-" + text_of(operand);
  Operand out;
  if (operand.is_finite()) {
    const bool negative_zero = operand.is_real() && !operand.is_negative();
    out = keep(node, *operand.type, -operand.value(), negative_zero, step);
  } else {
    out = special(*operand.type, operand.real().kind, !operand.real().negative);
  }
  if (operand.ideal && step.remark.empty()) out.ideal = -*operand.ideal;
  out.drift = operand.drift;
  return finish(node, std::move(step), std::move(out));
}

Operand Evaluator::combined(const Node& node, const Operand& given_left,
                            const Operand& given_right) {
  Step step;
  const NumberType& type = meet(*given_left.type, *given_right.type);
  const Operand left = brought(node, given_left, type, step);
  const Operand right = brought(node, given_right, type, step);
  if (fault_) return {};
  step.operation = text_of(left) + " " + node.word + " " + text_of(right);
  const char sign = node.word[0];
  Operand out;
  const bool divides = sign == '/' || sign == '%';
  if (!type.is_real() && divides && right.is_zero())
    return fail(node, "division by zero", "Whole types have no answer to it; reals have inf.");
  if (left.is_finite() && right.is_finite() && !(divides && right.is_zero())) {
    const bool crossed = left.is_negative() != right.is_negative();
    const bool negative_zero = sign == '*' || sign == '/' ? crossed
                               : sign == '%'              ? left.is_negative()
                               : sign == '-' ? left.is_negative() && !right.is_negative()
                                             : left.is_negative() && right.is_negative();
    out = keep(node, type, *compute(sign, left.value(), right.value(), !type.is_real()),
               negative_zero, step);
    if (fault_) return {};
  } else {
    out = combine_specials(sign, left, right, step);
  }
  set_ideal(sign, left, right, step, out);
  return finish(node, std::move(step), std::move(out));
}

Maybe Evaluator::compute(char sign, const Rational& a, const Rational& b, bool whole) {
  switch (sign) {
    case '+':
      return a + b;
    case '-':
      return a - b;
    case '*':
      return a * b;
    default:
      break;
  }
  if (b == 0) return std::nullopt;
  const Rational quotient = a / b;
  if (sign == '/' && !whole) return quotient;
  const Rational cut(round_whole(quotient, Rounding::toward));
  // The step shows what was cut; only the remainder needs the cut quotient.
  return sign == '/' ? quotient : Rational(a - b * cut);
}

void Evaluator::set_ideal(char sign, const Operand& a, const Operand& b, const Step& step,
                          Operand& out) {
  const bool known = a.ideal && b.ideal && out.is_finite() && !step.out_of_range;
  if (!known) return;
  out.ideal = compute(sign, *a.ideal, *b.ideal, !out.is_real());
  if (!out.is_real() && out.ideal) out.ideal = Rational(round_whole(*out.ideal, Rounding::toward));
  if (!a.drift || !b.drift) return;
  const Rational& da = *a.drift;
  const Rational& db = *b.drift;
  Maybe carried;
  if (sign == '+' || sign == '-') {
    carried = da + db;
  } else if (sign == '*') {
    carried = abs(*a.ideal) * db + abs(*b.ideal) * da + da * db;
  } else if (da == 0 && db == 0) {
    carried = Rational(0);
  } else if (sign == '/' && out.is_real() && abs(*b.ideal) > db) {
    carried = (da + abs(*a.ideal / *b.ideal) * db) / (abs(*b.ideal) - db);
  }
  out.drift = with_rounding(carried, out);
}

Operand Evaluator::combine_specials(char sign, const Operand& a, const Operand& b, Step& step) {
  const NumberType& type = *a.type;
  if (a.is_nan() || b.is_nan()) return special(type, RealClass::not_a_number, false);
  const bool crossed = a.is_negative() != b.is_negative();
  switch (sign) {
    case '*':
      if (a.is_zero() || b.is_zero()) return no_number(type, step, "inf times zero has no value");
      return special(type, RealClass::infinite, crossed);
    case '/':
      if (a.is_infinite() && b.is_infinite())
        return no_number(type, step, "inf over inf has no value");
      if (a.is_zero() && b.is_zero()) return no_number(type, step, "zero over zero has no value");
      if (b.is_infinite()) return special(type, RealClass::zero, crossed);
      if (b.is_zero()) step.remark = "division by zero";
      return special(type, RealClass::infinite, crossed);
    case '%':
      if (a.is_infinite() || b.is_zero())
        return no_number(type, step, a.is_infinite() ? "inf has no remainder" : "division by zero");
      return a;
    default:
      break;
  }
  const bool minus = sign == '-';
  const bool opposed = crossed != minus;
  if (a.is_infinite() && b.is_infinite() && opposed)
    return no_number(type, step, "inf minus inf has no value");
  return special(type, RealClass::infinite,
                 a.is_infinite() ? a.is_negative() : b.is_negative() != minus);
}

Operand Evaluator::called(const Node& node, const Operand& operand) {
  Step step;
  step.operation = std::string(expression::name_of(node.function)) + "(" + text_of(operand) + ")";
  Operand out;
  if (!operand.is_finite())
    out = call_special(node.function, operand, step);
  else if (node.function == Function::sqrt)
    out = root(node, operand, step);
  else if (node.function == Function::ulp)
    out = last_place(node, operand, step);
  else
    out = rounded(node, operand, step);
  return finish(node, std::move(step), std::move(out));
}

Operand Evaluator::call_special(Function function, const Operand& operand, Step& step) {
  const BinaryReal real = operand.real();
  if (real.kind == RealClass::not_a_number) return operand;
  if (function == Function::abs) return special(*operand.type, RealClass::infinite, false);
  if (function == Function::ulp) return no_number(*operand.type, step, "inf has no last place");
  if (function == Function::sqrt && real.negative)
    return no_number(*operand.type, step, "a negative number has no square root");
  return operand;
}

Operand Evaluator::rounded(const Node& node, const Operand& operand, Step& step) {
  static constexpr std::array roundings = {Rounding::toward, Rounding::down, Rounding::up,
                                           Rounding::toward, Rounding::half_away};
  const auto apply = [&](const Rational& x) {
    if (node.function == Function::abs) return Rational(abs(x));
    return Rational(round_whole(x, roundings[static_cast<std::size_t>(node.function)]));
  };
  const bool keeps_sign = node.function != Function::abs;
  Operand out =
      keep(node, *operand.type, apply(operand.value()), keeps_sign && operand.is_negative(), step);
  if (operand.ideal && step.remark.empty()) out.ideal = apply(*operand.ideal);
  const bool smooth = node.function == Function::abs || (operand.drift && *operand.drift == 0);
  if (smooth) out.drift = operand.drift;
  return out;
}

Operand Evaluator::root(const Node& node, const Operand& given, Step& step) {
  const Operand operand =
      given.is_real() ? given : brought(node, given, type_of(*options_.reals), step);
  const NumberType& type = *operand.type;
  if (operand.is_zero()) return keep(node, type, 0, operand.is_negative(), step);
  if (operand.is_negative()) return no_number(type, step, "a negative number has no square root");
  const Rational value = operand.value();
  const int bits = root_bits + std::max(0, bit_length(denominator(value)));
  const Rational below = root_below(value, bits);
  const bool exact = below * below == value;
  // A little more than the root below, so that a tie is not taken for one.
  const Rational near = exact ? below : Rational(below + power(2, -bits - 1));
  Operand out = keep(node, type, near, false, step);
  if (!exact) {
    step.exact = rounded_text(near, cut_digits) + "...";
    step.error = rounded_text(out.value() - near, cut_digits) + "...";
  }
  if (operand.ideal && *operand.ideal == value && exact) {
    out.ideal = below;
    out.drift = operand.drift;
  }
  return out;
}

Operand Evaluator::last_place(const Node& node, const Operand& operand, Step& step) {
  if (!operand.is_real()) return keep(node, *operand.type, 1, false, step);
  return keep(node, *operand.type, 2 * half_ulp(*operand.type->format, operand.real()), false,
              step);
}

Integer Evaluator::place_of(const Operand& operand) {
  if (!operand.is_real()) return operand.whole;
  const BinaryFormat& format = *operand.type->format;
  const BinaryReal real = operand.real();
  const int binade = real.is_finite() ? real.exponent - format.lowest_exponent()
                                      : format.max_exponent() - format.min_exponent() + 1;
  const Integer significand =
      real.is_finite() ? integer_of(real.significand) : Integer(1) << (format.precision - 1);
  const Integer place = (Integer(binade) << (format.precision - 1)) + significand;
  return real.is_zero() ? Integer(0) : real.negative ? Integer(-place) : place;
}

bool Evaluator::relates(std::string_view relation, int order) {
  if (relation == "==") return order == 0;
  if (relation == "!=") return order != 0;
  if (relation == "<") return order < 0;
  if (relation == "<=") return order <= 0;
  return relation == ">" ? order > 0 : order >= 0;
}

Operand Evaluator::compared(const Node& node, const Operand& given_left,
                            const Operand& given_right) {
  Step step;
  const NumberType& type = meet(*given_left.type, *given_right.type);
  Operand left = brought(node, given_left, type, step);
  const Operand right = brought(node, given_right, type, step);
  if (fault_) return {};
  Comparison made;
  made.relation = node.word;
  made.left = typed_number(left);
  made.right = typed_number(right);
  if (left.is_nan() || right.is_nan()) {
    made.holds = node.word == "!=";
  } else {
    const Integer apart = place_of(left) - place_of(right);
    made.holds = relates(node.word, apart.sign());
    made.ulps_apart = Integer(abs(apart)).str();
  }
  if (left.ideal && right.ideal) {
    const Rational apart = *left.ideal - *right.ideal;
    made.holds_as_typed = relates(node.word, apart.sign());
  }
  if (left.is_finite() && right.is_finite()) {
    made.difference = exact_text(left.value() - right.value());
    if (left.drift && right.drift) set_tolerance(left, right, made);
  }
  if (!step.conversions.empty()) {
    step.operation = made.left.text + " " + node.word + " " + made.right.text;
    step.from = node.from;
    step.to = node.to;
    conversions_of_comparison(step);
  }
  out_.comparison = std::move(made);
  return left;
}

void Evaluator::conversions_of_comparison(const Step& step) {
  for (const Conversion& conversion : step.conversions) {
    Step made;
    made.from = step.from;
    made.to = step.to;
    made.operation = std::string(conversion.to.type->name) + "(" + conversion.from.text + ")";
    made.exact =
        conversion.from.type->is_real()
            ? exact_text(rational_of(unpack(*conversion.from.type->format, conversion.from.bits)))
            : conversion.from.text;
    made.stored = conversion.to;
    made.error = conversion.error;
    made.error_ulps = conversion.error_ulps;
    out_.steps.push_back(std::move(made));
  }
}

void Evaluator::set_tolerance(const Operand& left, const Operand& right, Comparison& out) {
  const Rational bound = *left.drift + *right.drift;
  out.absolute_tolerance = tolerance_text(bound);
  const Rational larger = std::max(abs(left.value()), abs(right.value()));
  if (larger > 0) out.relative_tolerance = tolerance_text(bound / larger);
}

std::string Evaluator::tolerance_text(const Rational& bound) {
  if (bound == 0) return "0";
  return rounded_text(bound * Rational(21, 20), 2);
}

}  // namespace inky::inline v1
