#include "inky_margin/number/evaluation.hpp"

#include <algorithm>
#include <array>

#include "expression.hpp"
#include "inky_margin/number/decimal.hpp"
#include "inky_margin/number/weighing.hpp"
#include "number/number_type.hpp"
#include "rational.hpp"
#include "ulps.hpp"

namespace inky::inline v1 {

namespace {

using expression::Function;
using expression::Node;
using Maybe = std::optional<Rational>;

// Texts of exact numbers: complete up to so many digits, then cut to so many.
constexpr std::size_t most_exact_digits = 1200;
constexpr int cut_digits = 40;
// Numbers that are not rounded may grow without end; beyond this they are forgotten.
constexpr int most_ideal_bits = 20'000;
// Enough for the square root of any format, and for telling its error.
constexpr int root_bits = 400;
constexpr std::size_t most_operand_text = 40;

// An operand: what is stored, and what it would be without any rounding.
struct Operand {
  const NumberType* type = nullptr;
  uint128 bits = 0;  // of a real
  Integer whole;     // of a whole type
  Maybe ideal;       // the exact value of its text
  Maybe drift;       // never farther from the ideal than this, whatever the numbers rounded to

  bool is_real() const { return type->is_real(); }
  BinaryReal real() const { return unpack(*type->format, bits); }
  bool is_finite() const { return !is_real() || real().is_finite(); }
  bool is_nan() const { return is_real() && real().kind == RealClass::not_a_number; }
  bool is_infinite() const { return is_real() && real().kind == RealClass::infinite; }
  bool is_negative() const { return is_real() ? real().negative : whole < 0; }
  bool is_zero() const { return is_real() ? real().is_zero() : whole == 0; }
  // REQUIRES: finite.
  Rational value() const { return is_real() ? rational_of(real()) : Rational(whole); }
};

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

// |x| grown a little, to 64 bits: a bound need not be long.
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

// Where two types meet.
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

class Evaluator {
 public:
  Evaluator(std::string_view source, const EvaluationOptions& options)
      : source_(source), options_(options) {}

  EvaluationAnswer run() {
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

 private:
  Operand fail(const Node& node, std::string message, std::string remedy, bool over_limit = false) {
    if (!fault_) fault_ = {node.from, node.to, std::move(message), std::move(remedy), over_limit};
    return {};
  }

  Operand value_of(const Node& node, std::vector<Operand>& operands) {
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

  // ---- Numbers from text ----

  Operand read(const Node& node, const std::string& word, const NumberType* type) {
    const bool is_word = word == "inf" || word == "nan" || word == "-inf" || word == "-nan";
    const bool prefixed = word.find_first_of("xXbBoO") != std::string::npos && options_.base == 10;
    const bool hexadecimal = prefixed && word.find_first_of("xX") != std::string::npos;
    const bool real =
        is_word || word.find('.') != std::string::npos ||
        (options_.base == 10 && !prefixed && word.find_first_of("eE") != std::string::npos) ||
        (hexadecimal && word.find_first_of("pP") != std::string::npos);
    const bool real_type = type != nullptr && type->is_real() && options_.base == 10;
    if (real || (real_type && prefixed == hexadecimal)) return read_real_number(node, word, type);
    return read_whole_number(node, word, type);
  }

  Operand not_a_number(const Node& node, const std::string& word) {
    return fail(
        node, "\"" + word.substr(0, most_operand_text) + "\" is not a number",
        "Write a decimal such as 2.675 or 1e-3, a hexadecimal real of at most 113 bits such "
        "as 0x1.8p+1, or a whole number.");
  }

  Operand read_real_number(const Node& node, const std::string& word, const NumberType* type) {
    Operand out;
    out.type = type != nullptr ? type : &type_of(*options_.reals);
    if (!out.type->is_real()) {
      return fail(node, "\"" + word.substr(0, most_operand_text) + "\" is not a whole number",
                  "Convert it: " + std::string(out.type->name) + "(" +
                      word.substr(0, most_operand_text) + ").");
    }
    const std::optional<Weighing> weighing = weigh(word, *out.type->format);
    if (!weighing) return not_a_number(node, word);
    out.bits = weighing->bits;
    const bool told = weighing->typed && std::abs(weighing->typed->point) < 5000 &&
                      weighing->typed->digits.size() < 5000;
    if (told) out.ideal = rational_of(*weighing->typed);
    if (told && out.is_finite()) {
      const bool exact = *out.ideal == out.value();
      out.drift = exact ? Rational(0) : half_ulp(*out.type->format, out.real());
    }
    ReadNumber made{node.from, node.to, shown(word), typed_number(out), {}, {}};
    if (weighing->error) {
      made.error = to_text(*weighing->error);
      made.error_ulps = weighing->error_ulps;
    }
    out_.literals.push_back(std::move(made));
    return out;
  }

  static std::string shown(const std::string& word) {
    return word.size() > most_exact_digits ? word.substr(0, most_operand_text) + "..." : word;
  }

  std::optional<SignedNatural> whole_in_base(const std::string& word) const {
    if (options_.base == 10) return read_whole(word);
    SignedNatural out;
    for (const char c : word) {
      if (c == '-') {
        out.negative = true;
        continue;
      }
      const int digit = c <= '9' ? c - '0' : (c | 0x20) - 'a' + 10;
      if (digit < 0 || digit >= options_.base || word.size() > most_exact_digits)
        return std::nullopt;
      out.magnitude.multiply(static_cast<std::uint64_t>(options_.base));
      out.magnitude.add(static_cast<std::uint64_t>(digit));
    }
    return out;
  }

  Operand read_whole_number(const Node& node, const std::string& word, const NumberType* type) {
    const std::optional<SignedNatural> number = whole_in_base(word);
    if (!number && options_.base != 10) {
      return fail(node,
                  "\"" + word.substr(0, most_operand_text) + "\" is not a whole number in base " +
                      std::to_string(options_.base),
                  "Its digits are the first " + std::to_string(options_.base) + " of 0-9 and a-z.");
    }
    if (!number && word.size() > most_whole_digits) {
      return fail(node,
                  "a whole number of more than " + std::to_string(most_whole_digits) + " digits",
                  "Write it as a real, with a point.", true);
    }
    if (!number) return not_a_number(node, word);
    Operand out;
    out.whole = integer_of(*number);
    out.type = type;
    for (const char* candidate : {"i32", "i64", "big"}) {
      if (out.type == nullptr && fits(out.whole, *number_type_named(candidate)))
        out.type = number_type_named(candidate);
    }
    if (!fits(out.whole, *out.type)) {
      return fail(node, shown(word) + " does not fit " + std::string(out.type->name),
                  "It holds " + lowest_whole(*out.type) + " to " + highest_whole(*out.type) +
                      "; convert to see what becomes of it: " + std::string(out.type->name) + "(" +
                      shown(word) + ").");
    }
    if (out.type->is_real()) {
      const std::string decimal = out.whole.str();
      return read_real_number(node, decimal, out.type);
    }
    if (bit_length(out.whole) < most_ideal_bits) {
      out.ideal = Rational(out.whole);
      out.drift = Rational(0);
    }
    out_.literals.push_back({node.from, node.to, shown(word), typed_number(out), "0", "0"});
    return out;
  }

  static bool fits(const Integer& value, const NumberType& type) {
    return type.is_real() || type.is_unbounded() || store_whole(natural_of(value), type).fits;
  }

  Operand named(const Node& node) {
    const auto found =
        std::find_if(options_.names.begin(), options_.names.end(),
                     [&](const NamedNumber& number) { return number.name == node.word; });
    if (found == options_.names.end()) {
      return fail(node, "the name \"" + node.word + "\" has no value",
                  "Give it one after the expression: " + node.word + "=2.5.");
    }
    EvaluationOptions options = options_;
    options.names = {};
    const expression::Parsed parsed = expression::parse(found->text, options);
    if (parsed.fault || parsed.nodes.size() != 1 || parsed.nodes[0].kind != Node::Kind::literal) {
      return fail(node,
                  "the value of \"" + node.word + "\", \"" + found->text.substr(0, 40) +
                      "\", is not a number",
                  "Give one number, such as " + node.word + "=2.5 or " + node.word + "=1.1:f32.");
    }
    Node literal = parsed.nodes[0];
    literal.from = node.from;
    literal.to = node.to;
    return read(literal, literal.word, literal.type);
  }

  // ---- Storing ----

  // stored - exact, in three texts.
  static void set_error(const Operand& stored, const Rational& exact, std::string& text,
                        std::string& error, std::string& ulps) {
    text = exact_text(exact);
    const Rational difference = stored.value() - exact;
    error = exact_text(difference);
    if (!stored.is_real()) {
      ulps = difference == 0 ? "0" : rounded_text(difference, ulps_digits);
      return;
    }
    const Rational ulp = 2 * half_ulp(*stored.type->format, stored.real());
    ulps = rounded_text(difference / ulp, ulps_digits);
  }

  // A result that is an exact number, rounded to its type.
  Operand keep(const Node& node, const NumberType& type, const Rational& exact, bool negative_zero,
               Step& step) {
    Operand out;
    out.type = &type;
    if (type.is_real()) {
      out.bits = stored(*type.format, exact, negative_zero);
      if (out.is_infinite()) {
        step.exact = exact_text(exact);
        step.remark = "beyond the range of " + std::string(type.name);
        return out;
      }
      if (out.is_zero() && exact != 0) step.remark = "too small for " + std::string(type.name);
    } else {
      out.whole = round_whole(exact, Rounding::toward);
      if (Rational(out.whole) != exact) step.remark = "cut toward zero";
      if (bit_length(out.whole) > most_whole_bits) {
        return fail(node,
                    "a whole number of more than " + std::to_string(most_whole_bits) + " bits",
                    "Write one of the operands as a real, with a point.", true);
      }
      if (!fits(out.whole, type)) return overflowed(node, std::move(out), exact, step);
    }
    set_error(out, exact, step.exact, step.error, step.error_ulps);
    return out;
  }

  Operand overflowed(const Node& node, Operand out, const Rational& exact, Step& step) {
    const StoredWhole made = store_whole(natural_of(out.whole), *out.type);
    const std::string name(out.type->name);
    if (options_.overflow == WholeOverflow::fail) {
      return fail(node, exact_text(exact) + " does not fit " + name,
                  "It holds " + lowest_whole(*out.type) + " to " + highest_whole(*out.type) + ".");
    }
    const bool wraps = options_.overflow == WholeOverflow::wrap;
    out.whole = Integer(wraps ? made.wrapped : made.saturated);
    step.out_of_range = true;
    step.remark = "does not fit " + name + ": " +
                  (wraps ? "wraps to " + made.wrapped + "; where it saturates, " + made.saturated
                         : "saturates at " + made.saturated + "; where it wraps, " + made.wrapped);
    set_error(out, exact, step.exact, step.error, step.error_ulps);
    return out;
  }

  // A result by the rules for infinities and not-a-number, which no exact number stands behind.
  static Operand special(const NumberType& type, RealClass kind, bool negative) {
    Operand out;
    out.type = &type;
    out.bits = kind == RealClass::infinite ? infinity_bits(*type.format, negative)
               : kind == RealClass::zero   ? zero_bits(*type.format, negative)
                                           : quiet_nan_bits(*type.format, false);
    return out;
  }
  static Operand no_number(const NumberType& type, Step& step, std::string_view why) {
    step.remark = why;
    return special(type, RealClass::not_a_number, false);
  }

  Operand finish(const Node& node, Step step, Operand out) {
    if (fault_) return {};
    step.from = node.from;
    step.to = node.to;
    step.stored = typed_number(out);
    if (out.ideal && !is_short(*out.ideal)) out.ideal.reset();
    if (out.drift && (!out.ideal || !out.is_finite())) out.drift.reset();
    if (out.drift) out.drift = upward(*out.drift);
    out_.steps.push_back(std::move(step));
    return out;
  }

  // The drift of a result: what its operands bring, and its own rounding.
  static Maybe with_rounding(const Maybe& brought, const Operand& out) {
    if (!brought || !out.is_finite()) return std::nullopt;
    const bool exact = !out.is_real() || (*brought == 0 && out.ideal && *out.ideal == out.value());
    return exact ? *brought : Rational(*brought + half_ulp(*out.type->format, out.real()));
  }

  // ---- Conversions ----

  static std::string text_of(const Operand& operand) {
    std::string text = typed_number(operand).text;
    if (text.size() > most_operand_text) text = text.substr(0, most_operand_text) + "...";
    return text;
  }

  // To a type that `meet` gave, or that a call names.
  Operand converted(const Node& node, const Operand& operand, const NumberType& type, Step& step) {
    if (operand.type == &type) return operand;
    Operand out;
    if (operand.is_finite()) {
      out = keep(node, type, operand.value(), operand.is_negative(), step);
      if (fault_) return {};
      const bool cut = !type.is_real() && operand.ideal;
      out.ideal =
          cut ? Maybe(Rational(round_whole(*operand.ideal, Rounding::toward))) : operand.ideal;
      if (step.out_of_range) out.ideal.reset();
      // Cutting may turn the least drift into a whole unit.
      out.drift = type.is_real() || (operand.drift && *operand.drift == 0)
                      ? with_rounding(operand.drift, out)
                      : std::nullopt;
      return out;
    }
    if (!type.is_real()) {
      return fail(node, text_of(operand) + " has no place in " + std::string(type.name),
                  "Whole types have neither infinities nor not-a-number.");
    }
    return special(type, operand.real().kind, operand.real().negative);
  }

  // An operand brought to the type of the step, which is said.
  Operand brought(const Node& node, const Operand& operand, const NumberType& type, Step& step) {
    if (operand.type == &type) return operand;
    Step aside;
    Operand out = converted(node, operand, type, aside);
    if (fault_) return {};
    step.conversions.push_back(
        {typed_number(operand), typed_number(out), aside.error, aside.error_ulps});
    if (!aside.remark.empty()) step.remark = text_of(operand) + " " + aside.remark;
    return out;
  }

  Operand converted_by_call(const Node& node, const Operand& operand) {
    Step step;
    step.operation = std::string(node.type->name) + "(" + text_of(operand) + ")";
    Operand out = converted(node, operand, *node.type, step);
    return finish(node, std::move(step), std::move(out));
  }

  // ---- Operations ----

  Operand negated(const Node& node, const Operand& operand) {
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

  Operand combined(const Node& node, const Operand& given_left, const Operand& given_right) {
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

  // Exactly; nothing for a division by zero. Whole numbers divide without a fraction.
  static Maybe compute(char sign, const Rational& a, const Rational& b, bool whole) {
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

  static void set_ideal(char sign, const Operand& a, const Operand& b, const Step& step,
                        Operand& out) {
    const bool known = a.ideal && b.ideal && out.is_finite() && !step.out_of_range;
    if (!known) return;
    out.ideal = compute(sign, *a.ideal, *b.ideal, !out.is_real());
    if (!out.is_real() && out.ideal)
      out.ideal = Rational(round_whole(*out.ideal, Rounding::toward));
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

  // IEEE 754-2019, 6.1, 6.2 and 7.2, 7.3.
  static Operand combine_specials(char sign, const Operand& a, const Operand& b, Step& step) {
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
          return no_number(type, step,
                           a.is_infinite() ? "inf has no remainder" : "division by zero");
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

  Operand called(const Node& node, const Operand& operand) {
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

  static Operand call_special(Function function, const Operand& operand, Step& step) {
    const BinaryReal real = operand.real();
    if (real.kind == RealClass::not_a_number) return operand;
    if (function == Function::abs) return special(*operand.type, RealClass::infinite, false);
    if (function == Function::ulp) return no_number(*operand.type, step, "inf has no last place");
    if (function == Function::sqrt && real.negative)
      return no_number(*operand.type, step, "a negative number has no square root");
    return operand;
  }

  Operand rounded(const Node& node, const Operand& operand, Step& step) {
    static constexpr std::array roundings = {Rounding::toward, Rounding::down, Rounding::up,
                                             Rounding::toward, Rounding::half_away};
    const auto apply = [&](const Rational& x) {
      if (node.function == Function::abs) return Rational(abs(x));
      return Rational(round_whole(x, roundings[static_cast<std::size_t>(node.function)]));
    };
    const bool keeps_sign = node.function != Function::abs;
    Operand out = keep(node, *operand.type, apply(operand.value()),
                       keeps_sign && operand.is_negative(), step);
    if (operand.ideal && step.remark.empty()) out.ideal = apply(*operand.ideal);
    const bool smooth = node.function == Function::abs || (operand.drift && *operand.drift == 0);
    if (smooth) out.drift = operand.drift;
    return out;
  }

  // A whole number is taken as a real first.
  Operand root(const Node& node, const Operand& given, Step& step) {
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

  Operand last_place(const Node& node, const Operand& operand, Step& step) {
    if (!operand.is_real()) return keep(node, *operand.type, 1, false, step);
    return keep(node, *operand.type, 2 * half_ulp(*operand.type->format, operand.real()), false,
                step);
  }

  // ---- Comparison ----

  // How many numbers of its type lie between this one and zero, plus one, with its sign.
  static Integer place_of(const Operand& operand) {
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

  static bool relates(std::string_view relation, int order) {
    if (relation == "==") return order == 0;
    if (relation == "!=") return order != 0;
    if (relation == "<") return order < 0;
    if (relation == "<=") return order <= 0;
    return relation == ">" ? order > 0 : order >= 0;
  }

  Operand compared(const Node& node, const Operand& given_left, const Operand& given_right) {
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

  // A comparison stores nothing, so its conversions stand as steps of their own.
  void conversions_of_comparison(const Step& step) {
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

  static void set_tolerance(const Operand& left, const Operand& right, Comparison& out) {
    const Rational bound = *left.drift + *right.drift;
    out.absolute_tolerance = tolerance_text(bound);
    const Rational larger = std::max(abs(left.value()), abs(right.value()));
    if (larger > 0) out.relative_tolerance = tolerance_text(bound / larger);
  }

  // Two digits, rounded up.
  static std::string tolerance_text(const Rational& bound) {
    if (bound == 0) return "0";
    return rounded_text(bound * Rational(21, 20), 2);
  }

  std::string_view source_;
  const EvaluationOptions& options_;
  Evaluation out_;
  std::optional<EvaluationFault> fault_;
};

}  // namespace

std::optional<WholeOverflow> overflow_named(std::string_view name) {
  if (name == "wrap") return WholeOverflow::wrap;
  if (name == "saturate") return WholeOverflow::saturate;
  if (name == "fail") return WholeOverflow::fail;
  return std::nullopt;
}

EvaluationAnswer evaluate(std::string_view source, const EvaluationOptions& options) {
  return Evaluator(source, options).run();
}

}  // namespace inky::inline v1
