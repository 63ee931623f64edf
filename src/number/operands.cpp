// Operands: read from text, stored, and converted.

#include <algorithm>
#include <string>

#include "evaluator.hpp"
#include "expression.hpp"
#include "inky_margin/number/evaluation.hpp"
#include "inky_margin/number/weighing.hpp"
#include "number/number_type.hpp"
#include "rational.hpp"
#include "ulps.hpp"

namespace inky::inline v1 {

Operand Evaluator::read(const Node& node, const std::string& word, const NumberType* type) {
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

Operand Evaluator::not_a_number(const Node& node, const std::string& word) {
  return fail(node, "\"" + word.substr(0, most_operand_text) + "\" is not a number",
              "Write a decimal such as 2.675 or 1e-3, a hexadecimal real of at most 113 bits such "
              "as 0x1.8p+1, or a whole number.");
}

Operand Evaluator::read_real_number(const Node& node, const std::string& word,
                                    const NumberType* type) {
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

std::string Evaluator::shown(const std::string& word) {
  return word.size() > most_exact_digits ? word.substr(0, most_operand_text) + "..." : word;
}

std::optional<SignedNatural> Evaluator::whole_in_base(const std::string& word) const {
  if (options_.base == 10) return read_whole(word);
  SignedNatural out;
  for (const char c : word) {
    if (c == '-') {
      out.negative = true;
      continue;
    }
    const int digit = c <= '9' ? c - '0' : (c | 0x20) - 'a' + 10;
    if (digit < 0 || digit >= options_.base || word.size() > most_exact_digits) return std::nullopt;
    out.magnitude.multiply(static_cast<std::uint64_t>(options_.base));
    out.magnitude.add(static_cast<std::uint64_t>(digit));
  }
  return out;
}

Operand Evaluator::read_whole_number(const Node& node, const std::string& word,
                                     const NumberType* type) {
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
                    "; convert it to see the result: " + std::string(out.type->name) + "(" +
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

bool Evaluator::fits(const Integer& value, const NumberType& type) {
  return type.is_real() || type.is_unbounded() || store_whole(natural_of(value), type).fits;
}

Operand Evaluator::named(const Node& node) {
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

void Evaluator::set_error(const Operand& stored, const Rational& exact, std::string& text,
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

Operand Evaluator::keep(const Node& node, const NumberType& type, const Rational& exact,
                        bool negative_zero, Step& step) {
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
      return fail(node, "a whole number of more than " + std::to_string(most_whole_bits) + " bits",
                  "Write one of the operands as a real, with a point.", true);
    }
    if (!fits(out.whole, type)) return overflowed(node, std::move(out), exact, step);
  }
  set_error(out, exact, step.exact, step.error, step.error_ulps);
  return out;
}

Operand Evaluator::overflowed(const Node& node, Operand out, const Rational& exact, Step& step) {
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

Operand Evaluator::special(const NumberType& type, RealClass kind, bool negative) {
  Operand out;
  out.type = &type;
  out.bits = kind == RealClass::infinite ? infinity_bits(*type.format, negative)
             : kind == RealClass::zero   ? zero_bits(*type.format, negative)
                                         : quiet_nan_bits(*type.format, false);
  return out;
}

Operand Evaluator::no_number(const NumberType& type, Step& step, std::string_view why) {
  step.remark = why;
  return special(type, RealClass::not_a_number, false);
}

Operand Evaluator::finish(const Node& node, Step step, Operand out) {
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

Maybe Evaluator::with_rounding(const Maybe& brought, const Operand& out) {
  if (!brought || !out.is_finite()) return std::nullopt;
  const bool exact = !out.is_real() || (*brought == 0 && out.ideal && *out.ideal == out.value());
  return exact ? *brought : Rational(*brought + half_ulp(*out.type->format, out.real()));
}

std::string Evaluator::text_of(const Operand& operand) {
  std::string text = typed_number(operand).text;
  if (text.size() > most_operand_text) text = text.substr(0, most_operand_text) + "...";
  return text;
}

Operand Evaluator::converted(const Node& node, const Operand& operand, const NumberType& type,
                             Step& step) {
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

Operand Evaluator::brought(const Node& node, const Operand& operand, const NumberType& type,
                           Step& step) {
  if (operand.type == &type) return operand;
  Step aside;
  Operand out = converted(node, operand, type, aside);
  if (fault_) return {};
  step.conversions.push_back(
      {typed_number(operand), typed_number(out), aside.error, aside.error_ulps});
  if (!aside.remark.empty()) step.remark = text_of(operand) + " " + aside.remark;
  return out;
}

Operand Evaluator::converted_by_call(const Node& node, const Operand& operand) {
  Step step;
  step.operation = std::string(node.type->name) + "(" + text_of(operand) + ")";
  Operand out = converted(node, operand, *node.type, step);
  return finish(node, std::move(step), std::move(out));
}

}  // namespace inky::inline v1
