// What the operators of Octave do: the GNU Octave manual, Arithmetic Ops to Boolean Expressions.

#include <algorithm>
#include <cmath>

#include "../computed/elementary.hpp"
#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;
using computed::Operation;

double element(const Array& array, int row, int column) {
  const auto i = static_cast<std::size_t>(array.rows == 1 ? 0 : row);
  const auto k = static_cast<std::size_t>(array.columns == 1 ? 0 : column);
  const std::size_t at = i * static_cast<std::size_t>(array.columns) + k;
  return array.is_real() ? array.reals[at] : static_cast<double>(array.wholes[at]);
}

double combined(Operation operation, double a, double b) {
  switch (operation) {
    case Operation::add:
      return a + b;
    case Operation::subtract:
      return a - b;
    case Operation::multiply:
    case Operation::multiply_each:
      return a * b;
    case Operation::divide:
    case Operation::divide_each:
      return a / b;
    case Operation::power:
    case Operation::power_each:
      return b == 2 ? a * a : computed::power(a, b);
    case Operation::less:
      return a < b ? 1 : 0;
    case Operation::at_most:
      return a <= b ? 1 : 0;
    case Operation::more:
      return a > b ? 1 : 0;
    case Operation::at_least:
      return a >= b ? 1 : 0;
    case Operation::equal:
      return a == b ? 1 : 0;
    case Operation::unequal:
      return a != b ? 1 : 0;
    case Operation::bits_and:
      return a != 0 && b != 0 ? 1 : 0;
    default:
      return a != 0 || b != 0 ? 1 : 0;
  }
}

bool gives_truth(Operation operation) {
  return computed::is_comparison(operation) || operation == Operation::bits_and ||
         operation == Operation::bits_or;
}

}  // namespace

bool Expressions::combine_elements(const Node& node, Operation operation, const Array& left,
                                   const Array& right, Array& out) {
  const bool fits = (left.rows == right.rows || left.rows == 1 || right.rows == 1) &&
                    (left.columns == right.columns || left.columns == 1 || right.columns == 1);
  const std::string sign(computed::text_of(grammar, operation));
  if (!fits)
    return raise("operator " + sign + ": nonconformant arguments (op1 is " + size_text(left) +
                     ", op2 is " + size_text(right) + ")",
                 node);
  const bool truth = gives_truth(operation);
  const bool wholes = !left.is_real() || !right.is_real();
  if (wholes && !left.is_real() && !right.is_real() && left.type != right.type && !truth)
    return raise("binary operator '" + sign + "' not implemented for these classes", node);
  const Type type = truth                                               ? Type::truth
                    : !left.is_real()                                   ? left.type
                    : !right.is_real()                                  ? right.type
                    : left.type == Type::f32 || right.type == Type::f32 ? Type::f32
                                                                        : Type::f64;
  const bool is_wide = type == Type::i64 || type == Type::u64;
  if (is_wide) return not_yet("arithmetic of 64-bit integers is", node);
  Array made;
  made.type = Type::f64;
  made.rows = left.rows == 1 ? right.rows : left.rows;
  made.columns = left.columns == 1 ? right.columns : left.columns;
  for (int i = 0; i < made.rows; ++i) {
    for (int k = 0; k < made.columns; ++k) {
      double a = element(left, i, k);
      double b = element(right, i, k);
      if (type == Type::f32) {
        a = static_cast<double>(static_cast<float>(a));
        b = static_cast<double>(static_cast<float>(b));
      }
      const bool is_power = operation == Operation::power || operation == Operation::power_each;
      if (is_power && a < 0 && b != std::floor(b))
        return combine_complex(node, operation, left, right, out);
      if ((operation == Operation::bits_and || operation == Operation::bits_or) &&
          (std::isnan(a) || std::isnan(b)))
        return not_yet("the logic of NaN is", node);
      made.reals.push_back(combined(operation, a, b));
    }
  }
  // Single arithmetic rounds once: each result of two singles is near enough in a double.
  out = type == Type::f64 ? made : converted(made, type);
  return true;
}

bool Expressions::multiply(const Node& node, const Array& left, const Array& right, Array& out) {
  if (left.columns != right.rows)
    return raise("operator *: nonconformant arguments (op1 is " + size_text(left) + ", op2 is " +
                     size_text(right) + ")",
                 node);
  if (left.type != Type::f64 || right.type != Type::f64)
    return not_yet("a product of matrices of these classes is", node);
  // The library adds in an order of its own: it shows where a sum is not exact.
  out = {};
  out.rows = left.rows;
  out.columns = right.columns;
  constexpr double most = 0x1p53;
  for (int i = 0; i < out.rows; ++i) {
    for (int k = 0; k < out.columns; ++k) {
      double sum = 0;
      for (int n = 0; n < left.columns; ++n) {
        const double product = element(left, i, n) * element(right, n, k);
        const bool exact = product == std::floor(product) && std::fabs(product) < most;
        if (!exact && left.columns > 1) return not_yet("a product of such matrices is", node);
        sum += product;
      }
      out.reals.push_back(sum);
    }
  }
  return true;
}

// A square matrix times itself, over and over.
bool Expressions::raise_matrix(const Node& node, const Array& base, const Array& exponent,
                               Array& out) {
  constexpr double most = 20;
  const bool is_known = base.rows == base.columns && exponent.is_scalar() && exponent.is_real() &&
                        !exponent.is_complex() && exponent.reals[0] >= 1 &&
                        exponent.reals[0] <= most &&
                        exponent.reals[0] == std::floor(exponent.reals[0]);
  if (!is_known) return not_yet("this power of a matrix is", node);
  out = base;
  for (int i = 1; i < static_cast<int>(exponent.reals[0]); ++i) {
    Array next;
    if (!multiply(node, out, base, next)) return false;
    out = std::move(next);
  }
  return true;
}

bool Expressions::combine(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  Array a;
  Array b;
  if (!take_any(node, left, a) || !take_any(node, right, b)) return false;
  const bool is_complex = a.is_complex() || b.is_complex();
  if (!a.is_complex() && !take_double(node, left, a)) return false;
  if (!b.is_complex() && !take_double(node, right, b)) return false;
  Array made;
  const bool scalars = a.is_scalar() || b.is_scalar();
  if (operation == Operation::multiply && !scalars) {
    if (is_complex) return not_yet("a product of complex matrices is", node);
    if (!multiply(node, a, b, made)) return false;
  } else if (operation == Operation::power && (!a.is_scalar() || !b.is_scalar())) {
    if (!raise_matrix(node, a, b, made)) return false;
  } else if (operation == Operation::divide && !b.is_scalar()) {
    return not_yet("this operator on matrices is", node);
  } else if (!(is_complex ? combine_complex(node, operation, a, b, made)
                          : combine_elements(node, operation, a, b, made))) {
    return false;
  }
  out = value_of(made);
  return true;
}

// Names are those that a session has; a range looks into its left side, and an index into its
// arguments.
std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  if (node.kind == Node::Kind::name) {
    const Value* value = find(node.text);
    if (value == nullptr) return std::nullopt;
    out = *value;
    out.drop_name();
    return true;
  }
  if (node.kind == Node::Kind::list) return join(node, out);
  if (node.kind == Node::Kind::call) {
    const Node& callee = node.parts[0];
    const Value* value = callee.kind == Node::Kind::name ? find(callee.text) : nullptr;
    if (value != nullptr) return index(node, *value, out);
    Value of;
    if (callee.kind != Node::Kind::name && callee.kind != Node::Kind::member)
      return evaluate_again(callee, of) && index(node, of, out);
  }
  if (is_range(node)) return range(node, out);
  return std::nullopt;
}

bool Expressions::take_end(const Node& node, double& out, bool& is_text) {
  Value value;
  Array array;
  if (!evaluate_again(node, value) || !take_double(node, value, array)) return false;
  is_text = value.is(Type::text);
  if (!array.is_scalar() || !array.is_real()) return not_yet("a range of these is", node);
  out = array.reals[0];
  return true;
}

// from:to and from:step:to, which is read as (from:step):to.
bool Expressions::range(const Node& node, Value& out) {
  const Node& inner = node.parts[0];
  const bool has_step =
      inner.kind == Node::Kind::binary && !inner.enclosed && inner.operation == Operation::range;
  double from = 0;
  double step = 1;
  double to = 0;
  bool from_text = false;
  bool to_text = false;
  bool unused = false;
  if (!take_end(has_step ? inner.parts[0] : inner, from, from_text) ||
      (has_step && !take_end(inner.parts[1], step, unused)) ||
      !take_end(node.parts[1], to, to_text))
    return false;
  if (from_text != to_text) return not_yet("a range of a text and a number is", node);
  const double count = std::floor((to - from) / step * (1 + 0x1p-52)) + 1;
  constexpr double most = 10'000;
  if (!(count <= most) || !std::isfinite(from) || step == 0 || !std::isfinite(step))
    return not_yet("such a range is", node);
  Array made;
  made.columns = count < 1 ? 0 : static_cast<int>(count);
  for (int i = 0; i < made.columns; ++i) {
    const double next = from + i * step;
    made.reals.push_back(step > 0 ? std::min(next, to) : std::max(next, to));
  }
  // Between two characters are characters.
  if (from_text) {
    made.type = Type::text;
    for (const double code : made.reals) made.text += static_cast<char>(code);
  }
  out = value_of(made);
  return true;
}

}  // namespace inky::inline v1::octave
