#include "inky_margin/number/evaluation.hpp"

#include <iterator>
#include <string>
#include <vector>

#include "evaluator.hpp"
#include "expression.hpp"
#include "inky_margin/number/weighing.hpp"
#include "number/number_type.hpp"
#include "rational.hpp"

namespace inky::inline v1 {

SignedNatural natural_of(const Integer& value) {
  SignedNatural out;
  if (value == 0) return out;
  out.negative = value < 0;
  std::vector<std::uint64_t> limbs;
  boost::multiprecision::export_bits(abs(value), std::back_inserter(limbs), 64);
  for (const std::uint64_t limb : limbs) {
    out.magnitude.shift_left(64);
    out.magnitude.add(limb);
  }
  return out;
}

TypedNumber typed_number(const Operand& operand) {
  if (operand.is_real())
    return {operand.type, operand.bits, shortest_text(*operand.type->format, operand.bits)};
  const uint128 bits =
      operand.type->width == 0 ? 0 : store_whole(natural_of(operand.whole), *operand.type).bits;
  return {operand.type, bits, operand.whole.str()};
}

std::string exact_text(const Rational& x) {
  if (auto text = ending_decimal(x, most_exact_digits)) return std::move(*text);
  return rounded_text(x, cut_digits) + "...";
}

Rational upward(const Rational& x) {
  if (x == 0) return 0;
  const int shift = 64 - (bit_length(numerator(x)) - bit_length(denominator(x)));
  const Integer scaled = floor(x * power(2, shift)) + 1;
  return Rational(scaled) * power(2, -shift);
}

bool is_short(const Rational& x) {
  return bit_length(numerator(x)) + bit_length(denominator(x)) <= most_ideal_bits;
}

Rational half_ulp(const BinaryFormat& format, const BinaryReal& real) {
  return power(2, (real.is_zero() ? format.lowest_exponent() : real.exponent) - 1);
}

const NumberType& type_of(const BinaryFormat& format) {
  return *number_type_named(format.name);
}

const NumberType& meet(const NumberType& a, const NumberType& b) {
  if (a.is_real() != b.is_real()) return a.is_real() ? a : b;
  if (a.is_real()) {
    // Of f16 and bf16 neither holds the other's numbers.
    const bool apart = a.format->width() == b.format->width() && a.name != b.name;
    if (apart) return type_of(binary32);
    return a.format->width() >= b.format->width() ? a : b;
  }
  if (a.is_unbounded() || b.is_unbounded()) return a.is_unbounded() ? a : b;
  if (a.width != b.width) return a.width > b.width ? a : b;
  return a.is_signed ? b : a;
}

EvaluationAnswer Evaluator::run() {
  expression::Parsed parsed = expression::parse(source_, options_);
  if (parsed.fault) return {std::nullopt, std::move(parsed.fault)};
  std::vector<Operand> made(parsed.nodes.size());
  for (std::size_t i = 0; i < parsed.nodes.size(); ++i) {
    const Node& node = parsed.nodes[i];
    std::vector<Operand> operands;
    for (const int index : {node.left, node.right}) {
      if (index >= 0) operands.push_back(std::move(made[static_cast<std::size_t>(index)]));
    }
    made[i] = value_of(node, operands);
    if (fault_) return {std::nullopt, std::move(fault_)};
  }
  Operand result = std::move(made.back());
  if (options_.result != nullptr && result.type != options_.result && !out_.comparison) {
    result =
        converted_by_call({Node::Kind::conversion, 0, source_.size(), -1, -1,
                           std::string(options_.result->name), options_.result, Function::none},
                          result);
    if (fault_) return {std::nullopt, std::move(fault_)};
  }
  out_.result = typed_number(result);
  if (result.ideal && result.is_finite())
    set_error(result, *result.ideal, out_.exact, out_.error, out_.error_ulps);
  return {std::move(out_), std::nullopt};
}

Operand Evaluator::fail(const Node& node, std::string message, std::string remedy,
                        bool over_limit) {
  if (!fault_) fault_ = {node.from, node.to, std::move(message), std::move(remedy), over_limit};
  return {};
}

Operand Evaluator::value_of(const Node& node, std::vector<Operand>& operands) {
  switch (node.kind) {
    case Node::Kind::literal:
      return read(node, node.word, node.type);
    case Node::Kind::name:
      return named(node);
    case Node::Kind::minus:
      return negated(node, operands[0]);
    case Node::Kind::binary:
      return combined(node, operands[0], operands[1]);
    case Node::Kind::comparison:
      return compared(node, operands[0], operands[1]);
    case Node::Kind::call:
      return called(node, operands[0]);
    case Node::Kind::conversion:
      return converted_by_call(node, operands[0]);
  }
  return {};
}

std::optional<WholeOverflow> overflow_named(std::string_view name) {
  for (std::size_t i = 0; i < overflow_names.size(); ++i)
    if (overflow_names[i] == name) return static_cast<WholeOverflow>(i);
  return std::nullopt;
}

EvaluationAnswer evaluate(std::string_view source, const EvaluationOptions& options) {
  return Evaluator(source, options).run();
}

}  // namespace inky::inline v1
