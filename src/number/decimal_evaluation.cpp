#include "number/decimal_evaluation.hpp"

#include <algorithm>

#include "evaluator.hpp"
#include "expression.hpp"
#include "number/decimal96.hpp"
#include "number/decimal_arithmetic.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::int64_t digits_of_128 = 34;

// An operand: what is stored, and what it would be without any rounding.
struct DecimalOperand {
  Decimal value;
  Maybe ideal;
};

class DecimalEvaluator {
 public:
  DecimalEvaluator(std::string_view source, const EvaluationOptions& options,
                   const NumberType& type)
      : source_(source), options_(options), type_(type) {}

  EvaluationAnswer run() {
    expression::Parsed parsed = expression::parse(source_, options_);
    if (parsed.fault) return {std::nullopt, std::move(parsed.fault)};
    std::vector<DecimalOperand> made(parsed.nodes.size());
    for (std::size_t i = 0; i < parsed.nodes.size(); ++i) {
      const Node& node = parsed.nodes[i];
      const auto part = [&](int index) {
        return index < 0 ? DecimalOperand() : std::move(made[static_cast<std::size_t>(index)]);
      };
      const DecimalOperand left = part(node.left);
      made[i] = value_of(node, left, part(node.right));
      if (fault_) return {std::nullopt, std::move(fault_)};
    }
    const DecimalOperand& result = made.back();
    if (!out_.comparison) out_.result = typed(result.value);
    if (!out_.comparison && result.ideal) {
      out_.exact = exact_text(*result.ideal);
      set_error(result.value, *result.ideal, out_.error, out_.error_ulps);
    }
    return {std::move(out_), std::nullopt};
  }

 private:
  bool is_96() const { return &type_ == &decimal_types[0]; }

  DecimalOperand fail(const Node& node, std::string message, std::string remedy,
                      bool over_limit = false) {
    if (!fault_) fault_ = {node.from, node.to, std::move(message), std::move(remedy), over_limit};
    return {};
  }

  TypedNumber typed(const Decimal& value) const { return {&type_, 0, to_text(value)}; }

  // The difference, and the same in units of the last digit.
  static void set_error(const Decimal& value, const Rational& exact, std::string& error,
                        std::string& ulps) {
    constexpr int ulps_digits = 6;
    const Rational difference = rational_of(value) - exact;
    error = exact_text(difference);
    ulps = difference == 0 ? "0"
                           : rounded_text(difference / power(10, static_cast<int>(value.exponent)),
                                          ulps_digits);
  }

  std::optional<Decimal> held(const Decimal& value) const {
    if (is_96()) return decimal96(value);
    return cut_to(value, digits_of_128, Rounding::half_even);
  }

  DecimalOperand value_of(const Node& node, const DecimalOperand& left,
                          const DecimalOperand& right) {
    switch (node.kind) {
      case Node::Kind::literal:
        return read(node, node.word);
      case Node::Kind::name: {
        const auto found =
            std::find_if(options_.names.begin(), options_.names.end(),
                         [&](const NamedNumber& one) { return one.name == node.word; });
        if (found == options_.names.end())
          return fail(node, "the name " + node.word + " has no value",
                      "Give it one: " + node.word + "=2.5.");
        return read(node, found->text);
      }
      case Node::Kind::minus: {
        DecimalOperand out = left;
        out.value.negative = !out.value.negative;
        if (out.ideal) *out.ideal = -*out.ideal;
        return out;
      }
      case Node::Kind::binary:
        return combine(node, left, right);
      case Node::Kind::comparison:
        compare_sides(node, left, right);
        return left;
      case Node::Kind::call:
        return call(node, left);
      default:
        return fail(node, "a conversion among decimals is not supported yet",
                    "Leave the type out, or weigh it as f64.");
    }
  }

  DecimalOperand read(const Node& node, const std::string& word) {
    if (node.type != nullptr)
      return fail(node, "a number with a type among decimals is not supported yet",
                  "Leave the type out.");
    const std::optional<Decimal> typed_value = read_decimal(word);
    const std::optional<SignedNatural> whole = typed_value ? std::nullopt : read_whole(word);
    if (!whole && (!typed_value || !typed_value->is_finite()))
      return fail(node, "\"" + word + "\" is no decimal", "Write digits, as in 19.99.");
    const Decimal given = whole ? decimal_of(integer_of(*whole), 0) : *typed_value;
    if (std::max(given.exponent, -given.exponent) > most_zeros)
      return fail(node,
                  "a digit of this number is more than " + std::to_string(most_zeros) +
                      " places from the point",
                  "Give one whose digits are nearer to the point.", true);
    const std::optional<Decimal> stored = held(given);
    if (!stored) return too_large(node);
    ReadNumber literal;
    literal.from = node.from;
    literal.to = node.to;
    literal.typed = word;
    literal.stored = typed(*stored);
    set_error(*stored, rational_of(given), literal.error, literal.error_ulps);
    out_.literals.push_back(std::move(literal));
    return {*stored, rational_of(given)};
  }

  DecimalOperand too_large(const Node& node) {
    return fail(node, "this does not fit " + std::string(type_.name),
                is_96() ? "It holds -79228162514264337593543950335 to "
                          "79228162514264337593543950335."
                        : "Give a smaller number.");
  }

  DecimalOperand combine(const Node& node, const DecimalOperand& left,
                         const DecimalOperand& right) {
    const Decimal& a = left.value;
    Decimal b = right.value;
    const char sign = node.word[0];
    if ((sign == '/' || sign == '%') && b.is_zero())
      return fail(node, "a division by zero", "Divide by another number.");
    const Rational x = rational_of(a);
    const Rational y = rational_of(b);
    Rational exact = 0;
    std::optional<Decimal> made;
    switch (sign) {
      case '-':
        b.negative = !b.negative;
        [[fallthrough]];
      case '+':
        exact = sign == '+' ? Rational(x + y) : Rational(x - y);
        made = is_96() ? sum96(a, b) : held(sum(a, b));
        break;
      case '*':
        exact = x * y;
        made = is_96() ? product96(a, b) : held(product(a, b));
        break;
      case '/':
        exact = x / y;
        made = is_96() ? quotient96(a, b) : quotient(a, b, digits_of_128, Rounding::half_even);
        break;
      default: {
        exact = x - y * round_whole(x / y, Rounding::toward);
        Decimal taken = product(decimal_of(round_whole(x / y, Rounding::toward), 0), b);
        taken.negative = !taken.negative;
        made = is_96() ? remainder96(a, b) : held(sum(a, taken));
      }
    }
    if (!made) return too_large(node);
    Maybe ideal;
    if (left.ideal && right.ideal && (sign == '+' || sign == '-' || sign == '*'))
      ideal = sign == '+'   ? Rational(*left.ideal + *right.ideal)
              : sign == '-' ? Rational(*left.ideal - *right.ideal)
                            : Rational(*left.ideal * *right.ideal);
    if (left.ideal && right.ideal && sign == '/' && *right.ideal != 0)
      ideal = *left.ideal / *right.ideal;
    if (sign == '%' && left.ideal == x && right.ideal == y) ideal = exact;
    if (ideal && !is_short(*ideal)) ideal.reset();
    add_step(node, to_text(a) + " " + node.word + " " + to_text(right.value), exact, *made);
    return {*made, std::move(ideal)};
  }

  void add_step(const Node& node, std::string operation, const Rational& exact,
                const Decimal& stored) {
    Step step;
    step.from = node.from;
    step.to = node.to;
    step.operation = std::move(operation);
    step.exact = exact_text(exact);
    step.stored = typed(stored);
    set_error(stored, exact, step.error, step.error_ulps);
    out_.steps.push_back(std::move(step));
  }

  DecimalOperand call(const Node& node, const DecimalOperand& of) {
    const std::string name(expression::name_of(node.function));
    Decimal made = of.value;
    switch (node.function) {
      case Function::floor:
        made = rescaled(of.value, 0, Rounding::down);
        break;
      case Function::ceil:
        made = rescaled(of.value, 0, Rounding::up);
        break;
      case Function::trunc:
        made = rescaled(of.value, 0, Rounding::toward);
        break;
      case Function::round:
        made = rescaled(of.value, 0, Rounding::half_away);
        break;
      case Function::abs:
        made.negative = false;
        break;
      default:
        return fail(node, name + " of a decimal is not supported yet", "Weigh it as f64.");
    }
    add_step(node, name + "(" + to_text(of.value) + ")", rational_of(made), made);
    const bool is_exact = of.ideal && *of.ideal == rational_of(of.value);
    return {made, is_exact ? Maybe(rational_of(made)) : Maybe()};
  }

  void compare_sides(const Node& node, const DecimalOperand& left, const DecimalOperand& right) {
    const auto relates = [&](int order) {
      const std::string& relation = node.word;
      return relation == "=="   ? order == 0
             : relation == "!=" ? order != 0
             : relation == "<"  ? order < 0
             : relation == "<=" ? order <= 0
             : relation == ">"  ? order > 0
                                : order >= 0;
    };
    const auto sign_of = [](const Rational& x) { return x < 0 ? -1 : x > 0 ? 1 : 0; };
    Comparison made;
    made.relation = node.word;
    made.left = typed(left.value);
    made.right = typed(right.value);
    const Rational difference = rational_of(left.value) - rational_of(right.value);
    made.holds = relates(sign_of(difference));
    if (left.ideal && right.ideal)
      made.holds_as_typed = relates(sign_of(*left.ideal - *right.ideal));
    made.difference = exact_text(difference);
    made.ulps_apart = made.difference;
    out_.result = made.left;
    out_.comparison = std::move(made);
  }

  std::string_view source_;
  const EvaluationOptions& options_;
  const NumberType& type_;
  Evaluation out_;
  std::optional<EvaluationFault> fault_;
};

}  // namespace

const NumberType* decimal_type_named(std::string_view name) {
  for (const NumberType& type : decimal_types) {
    if (type.name == name) return &type;
  }
  return nullptr;
}

EvaluationAnswer evaluate_decimals(std::string_view source, const EvaluationOptions& options,
                                   const NumberType& type) {
  return DecimalEvaluator(source, options, type).run();
}

}  // namespace inky::inline v1
