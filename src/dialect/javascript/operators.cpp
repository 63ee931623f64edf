// What the operators of JavaScript do: ECMA-262, 13.5 to 13.14.

#include <cmath>
#include <limits>

#include "../computed/arithmetic.hpp"
#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "evaluator.hpp"
#include "numbers.hpp"

namespace inky::inline v1::javascript {

namespace {

using computed::Operation;

// ToInt32 and ToUint32: the low 32 bits of what is left of the point.
std::uint32_t low_bits(double number) {
  if (!std::isfinite(number)) return 0;
  constexpr double all = 4294967296.0;
  const double rest = std::fmod(std::trunc(number), all);
  return static_cast<std::uint32_t>(rest < 0 ? rest + all : rest);
}
// What is compared as a text, where the other is one, too.
bool is_textual(const Datum& datum) {
  return datum.kind >= DatumKind::text && datum.kind != DatumKind::date;
}

double as_signed(std::uint32_t bits) {
  return static_cast<double>(static_cast<std::int32_t>(bits));
}

}  // namespace

bool Evaluator::holds(const Datum& datum) {
  switch (datum.kind) {
    case DatumKind::undefined:
    case DatumKind::null:
      return false;
    case DatumKind::boolean:
      return datum.truth;
    case DatumKind::number:
      return datum.number != 0 && !std::isnan(datum.number);
    case DatumKind::big:
      return !datum.big.magnitude.is_zero();
    case DatumKind::text:
      return !datum.text.empty();
    default:
      return true;
  }
}

bool Evaluator::evaluate_unary(const Node& node, Datum& out) {
  Datum right;
  if (!evaluate(node.parts[0], right)) return false;
  if (node.operation == Operation::deny) {
    out.kind = DatumKind::boolean;
    out.truth = !holds(right);
    return true;
  }
  if (right.kind == DatumKind::big && node.operation == Operation::negate) {
    out = std::move(right);
    out.big.negative = !out.big.negative && !out.big.magnitude.is_zero();
    return true;
  }
  if (right.kind == DatumKind::big && node.operation == Operation::complement)
    return not_yet("arithmetic with BigInt is", node);
  double number = 0;
  if (!to_number(right, node, number)) return false;
  out = Datum::of_number(node.operation == Operation::negate       ? -number
                         : node.operation == Operation::complement ? as_signed(~low_bits(number))
                                                                   : number);
  return true;
}

double Evaluator::combine(Operation operation, double a, double b) {
  const std::uint32_t bits = low_bits(a);
  const unsigned count = low_bits(b) & 31U;
  switch (operation) {
    case Operation::add:
      return a + b;
    case Operation::subtract:
      return a - b;
    case Operation::multiply:
      return a * b;
    case Operation::divide:
      return a / b;
    case Operation::remainder:
      return std::fmod(a, b);
    case Operation::power: {
      const bool is_none = std::isnan(b) || (std::fabs(a) == 1 && std::isinf(b));
      return is_none ? std::numeric_limits<double>::quiet_NaN() : computed::power(a, b);
    }
    case Operation::bits_and:
      return as_signed(bits & low_bits(b));
    case Operation::bits_or:
      return as_signed(bits | low_bits(b));
    case Operation::bits_differ:
      return as_signed(bits ^ low_bits(b));
    case Operation::shift_left:
      return as_signed(bits << count);
    case Operation::shift_right:
      return static_cast<double>(static_cast<std::int32_t>(bits) >> count);
    default:
      return static_cast<double>(bits >> count);
  }
}

// Whether a part of an expression makes a new object.
bool Evaluator::is_made(const Node& node, std::size_t part) {
  if (part >= node.parts.size()) return false;
  const Node::Kind kind = node.parts[part].kind;
  return kind == Node::Kind::array || kind == Node::Kind::object || kind == Node::Kind::construct ||
         kind == Node::Kind::function || kind == Node::Kind::pattern;
}

bool Evaluator::equal(const Node& node, const Datum& left, const Datum& right, bool loosely,
                      bool& out) {
  const auto is_empty = [](const Datum& datum) { return datum.kind <= DatumKind::null; };
  if (left.kind > DatumKind::text && right.kind > DatumKind::text) {
    // Those that were made for this are no other's.
    out = false;
    return (is_made(node, 0) && is_made(node, 1)) ||
           not_yet("whether two objects are the same is", node);
  }
  if (left.kind > DatumKind::text || right.kind > DatumKind::text) {
    const bool is_left = left.kind > DatumKind::text;
    const Datum& other = is_left ? right : left;
    if (!loosely || is_empty(other)) {
      out = false;
      return true;
    }
    Datum text;
    text.kind = DatumKind::text;
    append_text(is_left ? left : right, text.text);
    return equal(node, is_left ? text : left, is_left ? right : text, true, out);
  }
  if (left.kind == right.kind) {
    out = left.kind == DatumKind::boolean  ? left.truth == right.truth
          : left.kind == DatumKind::number ? left.number == right.number
          : left.kind == DatumKind::text   ? left.text == right.text
                                           : is_empty(left);
    if (left.kind == DatumKind::big) out = integer_of(left.big) == integer_of(right.big);
    return true;
  }
  if (!loosely) {
    out = false;
    return true;
  }
  if (is_empty(left) || is_empty(right)) {
    out = is_empty(left) && is_empty(right);
    return true;
  }
  if (left.kind == DatumKind::big || right.kind == DatumKind::big)
    return not_yet("comparing a BigInt is", node);
  double a = 0;
  double b = 0;
  if (!to_number(left, node, a) || !to_number(right, node, b)) return false;
  out = a == b;
  return true;
}

bool Evaluator::compare(const Node& node, const Datum& left, const Datum& right, Datum& out) {
  out.kind = DatumKind::boolean;
  const Operation operation = node.operation;
  const bool loosely = operation == Operation::equal || operation == Operation::unequal;
  if (loosely || operation == Operation::same || operation == Operation::not_same) {
    bool is_equal = false;
    if (!equal(node, left, right, loosely, is_equal)) return false;
    out.truth = is_equal == (operation == Operation::equal || operation == Operation::same);
    return true;
  }
  std::partial_ordering order = std::partial_ordering::unordered;
  if (left.kind == DatumKind::big && right.kind == DatumKind::big) {
    const Integer a = integer_of(left.big);
    const Integer b = integer_of(right.big);
    order = a < b   ? std::partial_ordering::less
            : a > b ? std::partial_ordering::greater
                    : std::partial_ordering::equivalent;
  } else if (left.kind == DatumKind::big || right.kind == DatumKind::big) {
    return not_yet("comparing a BigInt with another value is", node);
  } else if (is_textual(left) && is_textual(right)) {
    std::string a;
    std::string b;
    append_text(left, a);
    append_text(right, b);
    order = utf16_of(a) <=> utf16_of(b);
  } else {
    double a = 0;
    double b = 0;
    if (!to_number(left, node, a) || !to_number(right, node, b)) return false;
    order = a <=> b;
  }
  out.truth = operation == Operation::less      ? std::is_lt(order)
              : operation == Operation::at_most ? std::is_lteq(order)
              : operation == Operation::more    ? std::is_gt(order)
                                                : std::is_gteq(order);
  return true;
}

bool Evaluator::evaluate_binary(const Node& node, Datum& out) {
  Datum left;
  Datum right;
  const Operation operation = node.operation;
  if (!evaluate(node.parts[0], left)) return false;
  const bool chooses = operation == Operation::both || operation == Operation::either ||
                       operation == Operation::if_nil;
  if (chooses) {
    const bool stays = operation == Operation::both     ? !holds(left)
                       : operation == Operation::either ? holds(left)
                                                        : left.kind > DatumKind::null;
    if (!stays) return evaluate(node.parts[1], out);
    out = std::move(left);
    return true;
  }
  if (!evaluate(node.parts[1], right)) return false;
  if (computed::is_comparison(operation)) return compare(node, left, right, out);
  // A date that is added is its text, unlike one that is subtracted.
  const auto is_text = [](const Datum& datum) { return datum.kind >= DatumKind::text; };
  if (operation == Operation::add && (is_text(left) || is_text(right))) {
    out.kind = DatumKind::text;
    append_text(left, out.text);
    append_text(right, out.text);
    return within_budget(out, node);
  }
  if (left.kind == DatumKind::big && right.kind == DatumKind::big)
    return combine_big(node, left, right, out);
  if (left.kind == DatumKind::big || right.kind == DatumKind::big)
    return fail("TypeError", "Cannot mix BigInt and other types, use explicit conversions", node);
  double a = 0;
  double b = 0;
  if (!to_number(left, node, a) || !to_number(right, node, b)) return false;
  out = Datum::of_number(combine(operation, a, b));
  return true;
}

// Whole numbers of any size: ECMA-262, 6.1.6.2.
bool Evaluator::combine_big(const Node& node, const Datum& left, const Datum& right, Datum& out) {
  const Integer a = integer_of(left.big);
  const Integer b = integer_of(right.big);
  out = {};
  out.kind = DatumKind::big;
  const auto put = [&](const Integer& result) {
    out.big = natural_of(computed::smallest(result));
    return true;
  };
  switch (node.operation) {
    case Operation::power: {
      if (b < 0) return fail("RangeError", "Exponent must be non-negative", node);
      const Integer magnitude = a < 0 ? Integer(-a) : a;
      const Integer bits = magnitude < 2 ? 1 : Integer(boost::multiprecision::msb(magnitude) + 1);
      if (b > computed::most_shift || bits * b > computed::most_shift)
        return not_yet("a BigInt as large as this is", node);
      return put(computed::power_of(a, static_cast<int>(b)));
    }
    case Operation::shift_left:
    case Operation::shift_right: {
      if (b > computed::most_shift || b < -computed::most_shift)
        return not_yet("a shift as far as this is", node);
      const int by = static_cast<int>(b);
      return put(computed::shifted(a, node.operation == Operation::shift_left ? by : -by));
    }
    case Operation::shift_right_plain:
      return fail("TypeError", "BigInts have no unsigned right shift, use >> instead", node);
    case Operation::divide:
    case Operation::remainder:
      if (b == 0) return fail("RangeError", "Division by zero", node);
      [[fallthrough]];
    default: {
      const auto result =
          computed::combine_wholes(node.operation, a, b, computed::Division::toward_zero);
      return result ? put(*result) : not_yet("this operator of BigInts is", node);
    }
  }
}

bool Evaluator::call_extreme(const Node& node, bool largest, const std::vector<Datum>& arguments,
                             Datum& out) {
  double found = largest ? -HUGE_VAL : HUGE_VAL;
  for (const Datum& argument : arguments) {
    double number = 0;
    if (!to_number(argument, node, number)) return false;
    const bool zeros = number == 0 && found == 0;
    const bool better = zeros     ? std::signbit(found) == largest
                        : largest ? number > found
                                  : number < found;
    if (std::isnan(number) || (!std::isnan(found) && better)) found = number;
  }
  out = Datum::of_number(found);
  return true;
}

}  // namespace inky::inline v1::javascript
