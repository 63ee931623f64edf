// What the operators of R do, element by element: the R Language Definition, 3.3.

#include <algorithm>
#include <cmath>

#include "../computed/arithmetic.hpp"
#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "expressions.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;
using computed::Operation;

constexpr double epsilon = 0x1p-52;

// R 4.2, arithmetic.c: the remainder has the sign of its right side.
double remainder_of(double x, double y) {
  if (y == 0) return std::nan("");
  if (std::fabs(y) * epsilon > 1 && std::isfinite(x) && std::fabs(x) <= std::fabs(y)) {
    if (std::fabs(x) == std::fabs(y)) return 0;
    return (x < 0 && y > 0) || (y < 0 && x > 0) ? x + y : x;
  }
  const double quotient = x / y;
  const long double rest =
      static_cast<long double>(x) -
      static_cast<long double>(std::floor(quotient)) * static_cast<long double>(y);
  const auto more = static_cast<double>(rest / static_cast<long double>(y));
  return static_cast<double>(rest - static_cast<long double>(std::floor(more)) *
                                        static_cast<long double>(y));
}

double quotient_of(double x, double y) {
  const double quotient = x / y;
  if (y == 0 || std::fabs(quotient) * epsilon > 1 || !std::isfinite(quotient)) return quotient;
  if (std::fabs(quotient) < 1) return quotient < 0 || (x < 0 && y > 0) || (x > 0 && y < 0) ? -1 : 0;
  const long double rest =
      static_cast<long double>(x) -
      static_cast<long double>(std::floor(quotient)) * static_cast<long double>(y);
  return static_cast<double>(static_cast<long double>(std::floor(quotient)) +
                             std::floor(rest / static_cast<long double>(y)));
}

double power_of(double x, double y) {
  if (x == 1 || y == 0) return 1;
  return y == 2 ? x * x : computed::power(x, y);
}

}  // namespace

bool Expressions::apply(const Node& node, const Value& operand, Value& out) {
  if (is_matrix(operand)) {
    Matrix matrix = matrix_of(operand);
    Value made;
    if (!apply(node, Value::list(matrix.items), made)) return false;
    matrix.items.assign(made.as_list().begin(), made.as_list().end());
    out = value_of(matrix);
    return true;
  }
  if (operand.is(Type::complex))
    return combine(node, Operation::subtract, Value::complex(0, 0), operand, out);
  Items items;
  Mode mode = Mode::unknown;
  if (!take_numbers(node, operand, items, mode)) return false;
  if (node.operation == Operation::negate) {
    for (Value& item : items) {
      if (item.is(Type::nil)) continue;
      item = is_real(item.type()) ? computed::negated_real(item)
                                  : computed::wrapped(Type::i32, -computed::whole_of(item));
    }
  }
  out = with_names(vector_of(std::move(items)), operand);
  return true;
}

bool Expressions::deny(const Node& node, const Value& operand, Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (!take_numbers(node, operand, items, mode)) return false;
  for (Value& item : items) {
    if (item.is(Type::nil)) continue;
    item = Value::truth(is_real(item.type()) ? item.as_real().is_zero() : item.as_whole() == 0);
  }
  out = with_names(vector_of(std::move(items)), operand);
  return true;
}

bool Expressions::combine_wholes(Operation operation, const Value& left, const Value& right,
                                 Value& out) {
  const Integer divisor = computed::whole_of(right);
  const auto result = computed::combine_wholes(operation, computed::whole_of(left), divisor,
                                               computed::Division::down);
  // NA stands for what is no integer, and, with a warning, for what 32 bits do not hold.
  const bool fits = result && computed::fits(Type::i32, *result) && *result != -Integer(2147483648);
  out = fits ? computed::wrapped(Type::i32, *result) : Value();
  return true;
}

bool Expressions::compare(const Node& node, Operation operation, Mode mode, const Value& left,
                          const Value& right, Value& out) {
  if (left.is(Type::nil) || right.is(Type::nil)) {
    out = Value();
    return true;
  }
  if (mode == Mode::character) {
    const bool equality = operation == Operation::equal || operation == Operation::unequal;
    if (!equality) return not_yet("the order of texts is", node);
    const bool equal = as_character(left, mode_of(left)) == as_character(right, mode_of(right));
    out = Value::truth(equal == (operation == Operation::equal));
    return true;
  }
  const auto is_nan = [](const Value& value) {
    return is_real(value.type()) && value.as_real().kind == RealClass::not_a_number;
  };
  if (is_nan(left) || is_nan(right))
    out = Value();
  else
    out = Value::truth(computed::relates(operation, computed::compare(left, right)));
  return true;
}

bool Expressions::combine_one(const Node& node, Operation operation, Mode mode, const Value& left,
                              const Value& right, Value& out) {
  if (operation == Operation::bits_and || operation == Operation::bits_or) {
    if (left.is(Type::nil) || right.is(Type::nil)) return not_yet("logic with NA is", node);
    const auto is_true = [](const Value& value) {
      return is_real(value.type()) ? !value.as_real().is_zero() : value.as_whole() != 0;
    };
    out = Value::truth(operation == Operation::bits_and ? is_true(left) && is_true(right)
                                                        : is_true(left) || is_true(right));
    return true;
  }
  if (left.is(Type::nil) || right.is(Type::nil)) {
    // NA ^ 0 and 1 ^ NA are 1, whatever NA stands for.
    const Value& other = left.is(Type::nil) ? right : left;
    const double is_one = left.is(Type::nil) ? 0 : 1;
    const bool is_known =
        operation == Operation::power && !other.is(Type::nil) && double_in(other) == is_one;
    out = is_known ? Value::real(1) : Value();
    return true;
  }
  const bool divides = operation == Operation::divide || operation == Operation::power;
  if (mode != Mode::real && !divides) return combine_wholes(operation, left, right, out);
  const double x = computed::double_of(computed::real_of(Type::f64, left));
  const double y = computed::double_of(computed::real_of(Type::f64, right));
  switch (operation) {
    case Operation::add:
      out = Value::real(x + y);
      return true;
    case Operation::subtract:
      out = Value::real(x - y);
      return true;
    case Operation::multiply:
      out = Value::real(x * y);
      return true;
    case Operation::divide:
      out = Value::real(x / y);
      return true;
    case Operation::power:
      out = Value::real(power_of(x, y));
      return true;
    case Operation::remainder:
      // R warns of a loss of all accuracy.
      if (std::isfinite(x / y) && std::fabs(x / y) * epsilon > 1)
        return not_yet("the remainder of such numbers is", node);
      out = Value::real(remainder_of(x, y));
      return true;
    default:
      out = Value::real(quotient_of(x, y));
      return true;
  }
}

bool Expressions::combine(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  if (operation == Operation::range) return range(node, left, right, out);
  if (operation == Operation::contained) return is_among(node, left, right, out);
  if (const auto dates = combine_dates(node, operation, left, right, out)) return *dates;
  if (const auto complex = combine_complex(node, operation, left, right, out)) return *complex;
  if (is_matrix(left) || is_matrix(right) || operation == Operation::multiply_each)
    return combine_matrices(node, operation, left, right, out);
  Items a;
  Items b;
  Mode first = Mode::unknown;
  Mode second = Mode::unknown;
  const bool compares = computed::is_comparison(operation);
  if (compares ? !take_items(node, left, a, first) || !take_items(node, right, b, second)
               : !take_numbers(node, left, a, first) || !take_numbers(node, right, b, second))
    return false;
  const Mode mode = std::max(first, second);
  const std::size_t longest = std::max(a.size(), b.size());
  if (a.empty() || b.empty()) {
    out = Value::list({});
    return true;
  }
  // The shorter one begins again.
  if (longest % a.size() != 0 || longest % b.size() != 0)
    return not_yet("vectors of these lengths together are", node);
  Items made(longest);
  for (std::size_t i = 0; i < longest; ++i) {
    const Value& x = a[i % a.size()];
    const Value& y = b[i % b.size()];
    if (compares ? !compare(node, operation, mode, x, y, made[i])
                 : !combine_one(node, operation, mode, x, y, made[i]))
      return false;
  }
  // The names of the left side come first.
  out = vector_of(std::move(made));
  const bool left_names = a.size() == longest && !names_of(left).empty();
  if (left_names || b.size() == longest)
    out = with_names(std::move(out), left_names ? left : right);
  return true;
}

// x %in% y
bool Expressions::is_among(const Node& node, const Value& left, const Value& right, Value& out) {
  Items a;
  Items b;
  Mode first = Mode::unknown;
  Mode second = Mode::unknown;
  if (!take_items(node, left, a, first) || !take_items(node, right, b, second)) return false;
  for (Value& item : a) {
    bool found = false;
    for (const Value& other : b) {
      Value same;
      if (item.is(Type::nil) || other.is(Type::nil)) return not_yet("%in% with NA is", node);
      if (!compare(node, Operation::equal, std::max(first, second), item, other, same))
        return false;
      found = found || (same.is(Type::truth) && same.as_whole() != 0);
    }
    item = Value::truth(found);
  }
  out = vector_of(std::move(a));
  return true;
}

// from:to, by steps of one.
bool Expressions::range(const Node& node, const Value& from, const Value& to, Value& out) {
  Items first;
  Items last;
  Mode mode = Mode::unknown;
  if (!take_numbers(node, from, first, mode) || !take_numbers(node, to, last, mode)) return false;
  if (first.size() != 1 || last.size() != 1 || first[0].is(Type::nil) || last[0].is(Type::nil))
    return not_yet("a range of these is", node);
  const double a = computed::double_of(computed::real_of(Type::f64, first[0]));
  const double b = computed::double_of(computed::real_of(Type::f64, last[0]));
  constexpr double most = 100'000;
  if (!(std::fabs(a) < 2e9) || !(std::fabs(b - a) < most)) return not_yet("such a range is", node);
  const double step = a <= b ? 1 : -1;
  const auto count = static_cast<std::size_t>(std::floor(std::fabs(b - a) + 1e-10)) + 1;
  const bool whole = a == std::floor(a);
  Items items;
  for (std::size_t i = 0; i < count; ++i) {
    const double number = a + step * static_cast<double>(i);
    items.push_back(whole ? Value::whole(Type::i32, static_cast<int128>(number))
                          : Value::real(number));
  }
  out = vector_of(std::move(items));
  return true;
}

}  // namespace inky::inline v1::r_language
