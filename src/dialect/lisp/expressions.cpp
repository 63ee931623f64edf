// Evaluates expressions of Lisp: numbers are whole and exact, or floats of two widths.

#include "expressions.hpp"

#include <algorithm>
#include <utility>

#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "format/fraction_value.hpp"
#include "printer.hpp"

namespace inky::inline v1::lisp {

namespace {

using computed::Node;
using computed::Operation;
using computed::Trouble;

bool is_float(const Value& value) {
  return value.is(Type::f32) || value.is(Type::f64);
}
bool is_number(const Value& value) {
  return is_whole(value.type()) || is_float(value) || value.is(Type::fraction);
}
Rational exactly(const Value& value) {
  return value.is(Type::fraction) ? rational_of(value) : Rational(computed::whole_of(value));
}
bool is_finite(const Value& value) {
  return !is_float(value) || value.as_real().is_finite();
}

constexpr std::pair<std::string_view, Operation> arithmetic[] = {{"+", Operation::add},
                                                                 {"-", Operation::subtract},
                                                                 {"*", Operation::multiply},
                                                                 {"/", Operation::divide}};
constexpr std::pair<std::string_view, Operation> bitwise[] = {{"logand", Operation::bits_and},
                                                              {"logior", Operation::bits_or},
                                                              {"logxor", Operation::bits_differ}};
constexpr std::pair<std::string_view, Operation> comparisons[] = {
    {"=", Operation::equal}, {"/=", Operation::unequal}, {"<", Operation::less},
    {">", Operation::more},  {"<=", Operation::at_most}, {">=", Operation::at_least}};

template <typename Table>
Operation operation_named(const Table& table, std::string_view name) {
  for (const auto& [known, operation] : table) {
    if (known == name) return operation;
  }
  return Operation::none;
}

}  // namespace

bool Expressions::wrong_type(const Node& node, const Value& value) {
  return signal("TYPE-ERROR", "the value " + describe(value) + " is not of the expected type",
                node);
}

bool Expressions::apply(const Node& node, const Value&, Value&) {
  return not_yet("this is", node);
}
bool Expressions::combine(const Node& node, Operation, const Value&, const Value&, Value&) {
  return not_yet("this is", node);
}

// Everything but nil.
bool Expressions::holds(const Node&, const Value& value, bool& out) {
  out = !is_null(value);
  return true;
}

bool Expressions::name_without_value(const Node& node, Value& out) {
  const std::string_view name = node.text;
  if (name == "nil" || name == "NIL") {
    out = Value();
    return true;
  }
  if (name == "t" || name == "T") {
    out = Value::truth(true);
    return true;
  }
  // A long-float is a double-float in SBCL.
  if (name == "pi" || name == "PI") {
    out = Value::real(0x1.921fb54442d18p+1);
    return true;
  }
  if (name.starts_with('\'') || name.starts_with('#')) return not_yet("a symbol is", node);
  return signal("UNBOUND-VARIABLE", "the variable " + node.text + " has no value", node);
}

// One of + - * /: HyperSpec, 12.1.4.1, the wider float of the two; a whole number becomes one.
bool Expressions::calculate(const Node& node, Operation operation, const Value& left,
                            const Value& right, Value& out) {
  for (const Value* side : {&left, &right}) {
    if (!is_number(*side)) {
      const bool is_text_there = side->is(Type::text) || is_null(*side);
      return is_text_there ? wrong_type(node, *side) : not_yet("arithmetic with this is", node);
    }
    if (!is_finite(*side)) return not_yet("arithmetic with infinities is", node);
  }
  const bool divides = operation == Operation::divide;
  const bool by_zero = is_float(right) ? right.as_real().is_zero() : exactly(right) == 0;
  if (divides && by_zero) return signal("DIVISION-BY-ZERO", "a division by zero", node);
  if (!is_float(left) && !is_float(right)) {
    const Rational a = exactly(left);
    const Rational b = exactly(right);
    out = whole_or_ratio(operation == Operation::add        ? Rational(a + b)
                         : operation == Operation::subtract ? Rational(a - b)
                         : divides                          ? Rational(a / b)
                                                            : Rational(a * b));
    return true;
  }
  const Type type = left.is(Type::f64) || right.is(Type::f64) ? Type::f64 : Type::f32;
  out = computed::combine_reals(operation, type, float_value_of(type, left),
                                float_value_of(type, right));
  if (!is_finite(out))
    return signal("FLOATING-POINT-OVERFLOW", "the result is too large for its float", node);
  return true;
}

bool Expressions::call_arithmetic(const Node& node, std::string_view name, Values values,
                                  Value& out) {
  const Operation operation = operation_named(arithmetic, name);
  const bool is_sum = operation == Operation::add || operation == Operation::multiply;
  const Value neutral =
      Value::whole(Type::i32, operation == Operation::multiply || operation == Operation::divide);
  if (values.empty()) {
    if (!is_sum) return not_yet("a call without numbers is", node);
    out = neutral;
    return true;
  }
  if (values.size() == 1) {
    if (operation == Operation::subtract && is_float(values[0])) {
      out = computed::negated_real(values[0]);
      return true;
    }
    if (is_sum) {
      if (!is_number(values[0])) return wrong_type(node, values[0]);
      out = values[0];
      return true;
    }
    return calculate(node, operation, neutral, values[0], out);
  }
  out = values[0];
  for (const Value& value : values.subspan(1)) {
    const Value before = out;
    if (!calculate(node, operation, before, value, out)) return false;
  }
  return true;
}

bool Expressions::call_comparison(const Node& node, std::string_view name, Values values,
                                  Value& out) {
  const Operation operation = operation_named(comparisons, name);
  for (const Value& value : values) {
    if (!is_number(value)) return wrong_type(node, value);
  }
  bool good = true;
  for (std::size_t i = 0; i < values.size(); ++i) {
    // /= is true where no two of them are equal.
    const std::size_t last =
        operation == Operation::unequal ? values.size() : std::min(i + 2, values.size());
    for (std::size_t k = i + 1; k < last; ++k)
      good = good && computed::relates(operation, computed::compare(values[i], values[k]));
  }
  out = Value::truth(good);
  return true;
}

// floor, ceiling, round and truncate: the first of their two values.
bool Expressions::call_division(const Node& node, std::string_view name, Values values,
                                Value& out) {
  constexpr std::pair<std::string_view, Rounding> roundings[] = {{"floor", Rounding::down},
                                                                 {"ceiling", Rounding::up},
                                                                 {"round", Rounding::half_even},
                                                                 {"truncate", Rounding::toward}};
  const auto known = std::find_if(std::begin(roundings), std::end(roundings),
                                  [&](const auto& one) { return one.first == name; });
  for (const Value& value : values) {
    if (!is_number(value)) return wrong_type(node, value);
  }
  if (values.size() == 1) {
    if (!is_float(values[0])) {
      out = computed::smallest(round_whole(exactly(values[0]), known->second));
      return true;
    }
    const auto whole = computed::cut(computed::rounded_real(values[0], known->second));
    if (!whole) return not_yet("this number as a whole one is", node);
    out = computed::smallest(*whole);
    return true;
  }
  if (values.size() != 2 || is_float(values[0]) || is_float(values[1]))
    return not_yet("the function " + std::string(name) + " with these is", node);
  const Rational by = exactly(values[1]);
  if (by == 0) return signal("DIVISION-BY-ZERO", "a division by zero", node);
  out = computed::smallest(round_whole(exactly(values[0]) / by, known->second));
  return true;
}

bool Expressions::call_on_rational(const Node& node, std::string_view name, const Value& value,
                                   Value& out) {
  if (!is_number(value)) return wrong_type(node, value);
  if (name == "rational" && is_float(value)) {
    if (!is_finite(value)) return not_yet("a ratio of this is", node);
    out = whole_or_ratio(rational_of(value.as_real()));
    return true;
  }
  if (is_float(value))
    return name == "rationalize" ? not_yet("rationalize of a float is", node)
                                 : wrong_type(node, value);
  const Rational exact = exactly(value);
  out = name == "numerator"     ? computed::smallest(numerator(exact))
        : name == "denominator" ? computed::smallest(denominator(exact))
                                : value;
  return true;
}

bool Expressions::convert(const Node& node, std::string_view type, const Value& value, Value& out) {
  if (!is_number(value) || !is_finite(value)) return not_yet("a conversion of this is", node);
  if (type != "single-float" && type != "double-float" && type != "float")
    return not_yet("the type " + std::string(type) + " is", node);
  // What is a float already stays one.
  if (type == "float") {
    out = is_float(value) ? value : float_value_of(Type::f32, value);
    return true;
  }
  out = float_value_of(type == "single-float" ? Type::f32 : Type::f64, value);
  if (!is_finite(out))
    return signal("FLOATING-POINT-OVERFLOW", "the number is too large for the float", node);
  return true;
}

bool Expressions::call_by_name(const Node& node, Value& out) {
  const bool reduces = node.parts[0].text == "reduce";
  if (node.parts.size() != 3) return not_yet("this call is", node);
  const std::string& named = node.parts[1].text;
  const std::string_view name = named.starts_with("#'")   ? std::string_view(named).substr(2)
                                : named.starts_with('\'') ? std::string_view(named).substr(1)
                                                          : std::string_view();
  Value list;
  if (!evaluate_again(node.parts[2], list)) return false;
  if (!is_list(list)) return wrong_type(node, list);
  const bool is_known =
      operation_named(arithmetic, name) != Operation::none || name == "max" || name == "min";
  const Values items = items_of(list);
  if (!is_known || (reduces && items.empty())) return not_yet("this call is", node);
  return operation_named(arithmetic, name) != Operation::none
             ? call_arithmetic(node, name, items, out)
             : call_on_number(node, name, items, out);
}

std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  if (node.kind != Node::Kind::call || node.parts[0].kind != Node::Kind::name) return std::nullopt;
  const std::string& name = node.parts[0].text;
  if (name == "reduce" || name == "apply") return call_by_name(node, out);
  const bool names_type = name == "concatenate" || name == "coerce";
  if (!names_type) return std::nullopt;
  const std::size_t type_at = name == "coerce" ? 2 : 1;
  if (node.parts.size() <= type_at) return not_yet("this call is", node);
  const std::string& type = node.parts[type_at].text;
  if (name == "coerce") {
    Value value;
    return evaluate_again(node.parts[1], value) &&
           convert(node, type.starts_with('\'') ? std::string_view(type).substr(1) : "", value,
                   out);
  }
  if (type != "'string") return not_yet("this call is", node);
  std::string text;
  for (std::size_t i = 2; i < node.parts.size(); ++i) {
    Value part;
    if (!evaluate_again(node.parts[i], part)) return false;
    if (!part.is(Type::text)) return not_yet("joining this is", node);
    text += part.as_text();
  }
  out = Value::text(std::move(text));
  return true;
}

bool Expressions::call(const Node& node, const std::string& path,
                       const computed::Arguments& arguments, Value& out) {
  const Values values(arguments.values);
  const std::string_view name = path;
  if (operation_named(arithmetic, name) != Operation::none)
    return call_arithmetic(node, name, values, out);
  if (operation_named(comparisons, name) != Operation::none && !values.empty())
    return call_comparison(node, name, values, out);
  if (const Operation operation = operation_named(bitwise, name); operation != Operation::none) {
    Integer result = operation == Operation::bits_and ? -1 : 0;
    for (const Value& value : values) {
      if (!is_whole(value.type())) return wrong_type(node, value);
      result = *computed::combine_wholes(operation, result, computed::whole_of(value),
                                         computed::Division::toward_zero);
    }
    out = computed::smallest(result);
    return true;
  }
  if (has_word("floor ceiling round truncate", name) && !values.empty())
    return call_division(node, name, values, out);
  if (name == "list") {
    out = Value::list(arguments.values);
    return true;
  }
  if (name == "format" && values.size() > 1 && is_null(values[0]) && values[1].is(Type::text))
    return fill(node, *lisp_dialect(), values[1].as_text(), values.subspan(2), out);
  if (values.empty()) return not_yet("the function " + path + " is", node);
  if ((name == "not" || name == "null") && values.size() == 1) {
    out = Value::truth(is_null(values[0]));
    return true;
  }
  if (has_word("length reverse first second third nth last", name))
    return call_on_list(node, name, values, out);
  if (values.size() == 1 && has_word("numerator denominator rational rationalize", name))
    return call_on_rational(node, name, values[0], out);
  if (has_word("1+ 1- mod rem abs min max sqrt exp log expt sin cos tan atan zerop plusp minusp "
               "evenp oddp ash gcd float",
               name))
    return call_on_number(node, name, values, out);
  return call_on_texts(node, name, values, out);
}

}  // namespace inky::inline v1::lisp
