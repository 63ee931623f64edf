#include "typed.hpp"

#include <algorithm>
#include <string>

namespace inky::inline v1::computed {

namespace {

bool is_narrow(Type type) {
  return type == Type::i8 || type == Type::u8 || type == Type::i16 || type == Type::u16 ||
         type == Type::character || type == Type::truth;
}

// Types that arithmetic is done in here.
bool is_arithmetic(Type type) {
  return type == Type::i32 || type == Type::u32 || type == Type::i64 || type == Type::u64 ||
         type == Type::f32 || type == Type::f64 || type == Type::f80;
}

bool is_zero(const Value& value) {
  return is_real(value.type()) ? value.as_real().is_zero() : whole_of(value) == 0;
}

}  // namespace

bool Typed::is_number(const Value& value) const {
  const Type type = value.type();
  if (type == Type::truth) return rules_.truth_is_a_number;
  if (type == Type::character) return value.as_character() <= rules_.most_character;
  if (type == Type::u64 && !rules_.has_unsigned) return false;
  return is_narrow(type) || is_arithmetic(type);
}

Value Typed::promoted(const Value& value) const {
  if (is_narrow(value.type())) return wrapped(Type::i32, whole_of(value));
  return value.is(Type::u32) && !rules_.has_unsigned ? wrapped(Type::i64, whole_of(value)) : value;
}

std::optional<Type> Typed::meet(Type left, Type right) const {
  if (is_real(left) || is_real(right)) {
    // The enumerators of reals are in the order of their width.
    return std::max(is_real(left) ? left : Type::f32, is_real(right) ? right : Type::f32);
  }
  if (left == right) return left;
  const TypeFact& a = fact_of(left);
  const TypeFact& b = fact_of(right);
  if (a.is_signed == b.is_signed) return a.width > b.width ? left : right;
  const Type with_sign = a.is_signed ? left : right;
  const Type without = a.is_signed ? right : left;
  if (fact_of(with_sign).width > fact_of(without).width) return with_sign;
  if (!rules_.signs_widen) return without;
  if (without == Type::u64) return std::nullopt;
  return Type::i64;
}

Value Typed::of_truth(bool value) const {
  return rules_.comparison_is_i32 ? Value::whole(Type::i32, value ? 1 : 0) : Value::truth(value);
}

bool Typed::holds(const Node& node, const Value& value, bool& out) {
  if (value.is(Type::truth)) {
    out = value.as_whole() != 0;
    return true;
  }
  if (!rules_.truth_is_a_number || !is_number(value))
    return refuse("a condition is needed here, and this is " + describe(value), node);
  out = !is_zero(value);
  return true;
}

bool Typed::name_without_value(const Node& node, Value&) {
  // What a library or a class has is not all known here.
  if (node.text.find(':') != std::string::npos)
    return not_yet("the name " + node.text + " is", node);
  return refuse("'" + node.text + "' was not declared", node);
}

bool Typed::keep(const Node& node, Type type, const Integer& number, Value& out) {
  if (!fits(type, number) && fact_of(type).is_signed && rules_.leaves_undefined) {
    return put_off(Trouble::When::undefined, {},
                   "the result " + number.str() + " does not fit " + std::string(name_of(type)) +
                       ", and overflow of signed numbers has no meaning in " +
                       std::string(rules_.language),
                   node, wrapped(type, number), out);
  }
  out = wrapped(type, number);
  return true;
}

bool Typed::convert(const Node& node, Type type, const Value& value, Value& out) {
  if (type == Type::truth) {
    out = Value::truth(!is_zero(value));
    return true;
  }
  if (is_real(type)) {
    out = real_of(type, value);
    return true;
  }
  if (!is_real(value.type())) {
    out = wrapped(type, whole_of(value));
    return true;
  }
  const auto whole = cut(value);
  if (whole && fits(type, *whole)) {
    out = wrapped(type, *whole);
    return true;
  }
  return convert_unfit(node, type, value, out);
}

// A real that the whole type does not hold.
bool Typed::convert_unfit(const Node& node, Type type, const Value& value, Value& out) {
  if (!rules_.reals_saturate) {
    return put_off(Trouble::When::undefined, {},
                   describe(value) + " does not fit " + std::string(name_of(type)) +
                       ", and such a conversion has no meaning in " + std::string(rules_.language),
                   node, wrapped(type, 1), out);
  }
  const BinaryReal real = value.as_real();
  const TypeFact& fact = fact_of(type);
  const Integer most = (Integer(1) << (fact.is_signed ? fact.width - 1 : fact.width)) - 1;
  const Integer least = fact.is_signed ? Integer(-most - 1) : Integer(0);
  const bool is_number = real.kind != RealClass::not_a_number;
  out = wrapped(type, !is_number ? Integer(0) : real.negative ? least : most);
  return true;
}

bool Typed::shown_plainly(const Node& node, const Value& value, std::string& out) {
  if (value.is(Type::text)) {
    out = value.as_text();
    return true;
  }
  Value shown;
  if (!fill(node, *rules_.plain_dialect(), rules_.plain_template, {&value, 1}, shown)) return false;
  out = shown.as_text();
  return true;
}

bool Typed::wrong_operands(const Node& node, Operation operation, const Value& left,
                           const Value& right) {
  return refuse("the operator " + std::string(text_of(*rules_.grammar, operation)) +
                    " is not for " + describe(left) + " and " + describe(right),
                node);
}

bool Typed::combine_others(const Node& node, Operation operation, const Value& left,
                           const Value& right, Value& out) {
  const bool has_text = left.is(Type::text) || right.is(Type::text);
  if (has_text && operation == Operation::add && rules_.plain_dialect != nullptr) {
    std::string first;
    std::string second;
    if (!shown_plainly(node, left, first) || !shown_plainly(node, right, second)) return false;
    out = Value::text(first + second);
    return true;
  }
  for (const Value* value : {&left, &right}) {
    if (!is_number(*value) && !value->is(Type::text) && !value->is(Type::truth))
      return not_yet("arithmetic with " + std::string(name_of(value->type())) + " is", node);
  }
  if (left.is(Type::text) || right.is(Type::text)) return not_yet("operators on texts are", node);
  return wrong_operands(node, operation, left, right);
}

bool Typed::apply(const Node& node, const Value& operand, Value& out) {
  if (!is_number(operand)) {
    if (operand.is(Type::text) || operand.is(Type::truth))
      return refuse("the operator " + std::string(text_of(*rules_.grammar, node.operation)) +
                        " is not for " + describe(operand),
                    node);
    return not_yet("arithmetic with " + std::string(name_of(operand.type())) + " is", node);
  }
  Value value = promoted(operand);
  if (node.operation == Operation::keep) {
    out = std::move(value);
    return true;
  }
  if (node.operation == Operation::complement) {
    if (is_real(value.type())) return refuse("there is no ~ for a real", node);
    out = wrapped(value.type(), -whole_of(value) - 1);
    return true;
  }
  if (is_real(value.type())) {
    out = negated_real(value);
    return true;
  }
  return keep(node, value.type(), -whole_of(value), out);
}

bool Typed::combine(const Node& node, Operation operation, const Value& left, const Value& right,
                    Value& out) {
  const bool equality = operation == Operation::equal || operation == Operation::unequal;
  const bool logic = equality || operation == Operation::bits_and ||
                     operation == Operation::bits_or || operation == Operation::bits_differ;
  if (!rules_.truth_is_a_number && logic && left.is(Type::truth) && right.is(Type::truth)) {
    const bool a = left.as_whole() != 0;
    const bool b = right.as_whole() != 0;
    out = Value::truth(operation == Operation::equal      ? a == b
                       : operation == Operation::bits_and ? a && b
                       : operation == Operation::bits_or  ? a || b
                                                          : a != b);
    return true;
  }
  if (!is_number(left) || !is_number(right))
    return combine_others(node, operation, left, right, out);
  const Value a = promoted(left);
  const Value b = promoted(right);
  if (operation == Operation::shift_left || operation == Operation::shift_right ||
      operation == Operation::shift_right_plain)
    return shift(node, operation, a, b, out);
  const auto type = meet(a.type(), b.type());
  if (!type) return wrong_operands(node, operation, left, right);
  Value x;
  Value y;
  if (!convert(node, *type, a, x) || !convert(node, *type, b, y)) return false;
  if (is_comparison(operation)) {
    out = of_truth(relates(operation, compare(x, y)));
    return true;
  }
  return is_real(*type) ? combine_reals(node, operation, *type, x, y, out)
                        : combine_wholes(node, operation, *type, x, y, out);
}

bool Typed::combine_reals(const Node& node, Operation operation, Type type, const Value& left,
                          const Value& right, Value& out) {
  const bool known = operation == Operation::add || operation == Operation::subtract ||
                     operation == Operation::multiply || operation == Operation::divide ||
                     (operation == Operation::remainder && rules_.reals_have_remainders);
  if (!known) return wrong_operands(node, operation, left, right);
  out = computed::combine_reals(operation, type, left, right);
  return true;
}

bool Typed::combine_wholes(const Node& node, Operation operation, Type type, const Value& left,
                           const Value& right, Value& out) {
  const auto result =
      computed::combine_wholes(operation, whole_of(left), whole_of(right), Division::toward_zero);
  if (!result) {
    const bool raises = !rules_.leaves_undefined;
    return put_off(raises ? Trouble::When::run : Trouble::When::undefined,
                   std::string(rules_.zero_fault),
                   raises ? std::string(rules_.zero_reason) : "a division by zero has no meaning",
                   node, wrapped(type, 1), out);
  }
  // The most negative number has a remainder by -1 as little as a quotient: C17 6.5.5.
  const bool divides = operation == Operation::divide || operation == Operation::remainder;
  const bool is_odd = divides && whole_of(right) == -1 && !fits(type, -whole_of(left));
  if (is_odd && !rules_.quotient_fault.empty()) {
    return put_off(Trouble::When::run, std::string(rules_.quotient_fault),
                   "the quotient " + Integer(-whole_of(left)).str() + " does not fit " +
                       std::string(name_of(type)),
                   node, wrapped(type, 1), out);
  }
  if (is_odd && rules_.leaves_undefined) return keep(node, type, -whole_of(left), out);
  return keep(node, type, *result, out);
}

bool Typed::shift(const Node& node, Operation operation, const Value& left, const Value& right,
                  Value& out) {
  if (is_real(left.type()) || is_real(right.type()))
    return wrong_operands(node, operation, left, right);
  const int width = fact_of(left.type()).width;
  Integer by = whole_of(right);
  if (!rules_.leaves_undefined) by = computed::whole_of(wrapped(Type::u8, by)) % width;
  if (by < 0 || by >= width) {
    return put_off(Trouble::When::undefined, {},
                   "a shift by " + by.str() + " of a number of " + std::to_string(width) +
                       " bits has no meaning",
                   node, left, out);
  }
  const int count = by.convert_to<int>();
  Integer number = whole_of(left);
  // Zeros come in, and no sign.
  if (operation == Operation::shift_right_plain && number < 0) number += Integer(1) << width;
  out = wrapped(left.type(), shifted(number, operation == Operation::shift_left ? count : -count));
  return true;
}

bool Typed::settle_sides(const Node& node, Side taken_side, Side other_side) {
  Value& taken = taken_side.value;
  const Value& other = other_side.value;
  if (taken.type() == other.type() || other.is(Type::nil)) return true;
  if (!is_number(taken) || !is_number(other)) {
    const bool texts = taken.is(Type::text) && other.is(Type::text);
    return texts || refuse("the two sides have no type in common", node);
  }
  Value settled;
  const auto type = meet(promoted(taken).type(), promoted(other).type());
  if (!type) return refuse("the two sides have no type in common", node);
  if (!convert(node, *type, promoted(taken), settled)) return false;
  taken = std::move(settled);
  return true;
}

bool widens(Type from, Type to) {
  if (from == to) return true;
  if (is_real(from)) return from == Type::f32 && to == Type::f64;
  const bool is_known = is_whole(from) || from == Type::character;
  if (!is_known) return false;
  if (is_real(to)) return true;
  if (!is_whole(to)) return false;
  // A character of these languages has 16 bits.
  const TypeFact& wide = fact_of(to);
  const int width = from == Type::character ? 16 : fact_of(from).width;
  const bool is_signed = from != Type::character && fact_of(from).is_signed;
  if (is_signed) return wide.is_signed && width <= wide.width;
  return wide.is_signed ? width < wide.width : width <= wide.width;
}

bool fits_in(const Value& value, Type type) {
  if (!is_whole(value.type())) return false;
  if (type == Type::character) return fits(Type::u16, whole_of(value));
  return is_whole(type) && fits(type, whole_of(value));
}

}  // namespace inky::inline v1::computed
