// Complex numbers, in expressions of Octave: the GNU Octave manual, Complex Arithmetic.

#include <cmath>
#include <complex>

#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;
using computed::Operation;
using Complex = std::complex<double>;

Complex complex_at(const Array& array, int row, int column) {
  const auto i = static_cast<std::size_t>(array.rows == 1 ? 0 : row);
  const auto k = static_cast<std::size_t>(array.columns == 1 ? 0 : column);
  const std::size_t at = i * static_cast<std::size_t>(array.columns) + k;
  return {array.reals[at], array.is_complex() ? array.imaginaries[at] : 0.0};
}

// Multiplied over and over, where the exponent is a whole number.
Complex power_of_whole(Complex x, int exponent) {
  auto left = static_cast<unsigned>(std::abs(exponent));
  Complex out = left % 2 == 1 ? x : Complex(1);
  while (left >>= 1) {
    x *= x;
    if (left % 2 == 1) out *= x;
  }
  return exponent < 0 ? Complex(1) / out : out;
}

Complex power_of(const Complex& x, double exponent) {
  constexpr double most = 1 << 20;
  const bool is_whole = exponent == std::floor(exponent) && std::fabs(exponent) < most;
  return is_whole ? power_of_whole(x, static_cast<int>(exponent)) : std::pow(x, exponent);
}

// Octave keeps a real side of an operator real.
Complex combined(Operation operation, const Complex& a, const Complex& b, bool left_is_real,
                 bool right_is_real) {
  switch (operation) {
    case Operation::add:
      return left_is_real ? a.real() + b : right_is_real ? a + b.real() : a + b;
    case Operation::subtract:
      return left_is_real ? a.real() - b : right_is_real ? a - b.real() : a - b;
    case Operation::multiply:
    case Operation::multiply_each:
      return left_is_real ? a.real() * b : right_is_real ? a * b.real() : a * b;
    case Operation::divide:
    case Operation::divide_each:
      return left_is_real ? a.real() / b : right_is_real ? a / b.real() : a / b;
    default:
      return right_is_real ? power_of(a, b.real()) : std::pow(a, b);
  }
}

void add(Array& array, const Complex& value) {
  array.reals.push_back(value.real());
  array.imaginaries.push_back(value.imag());
}

}  // namespace

bool Expressions::combine_complex(const Node& node, Operation operation, const Array& left,
                                  const Array& right, Array& out) {
  const bool compares = operation == Operation::equal || operation == Operation::unequal;
  const bool is_known = compares || operation == Operation::add ||
                        operation == Operation::subtract || operation == Operation::multiply ||
                        operation == Operation::multiply_each || operation == Operation::divide ||
                        operation == Operation::divide_each || operation == Operation::power ||
                        operation == Operation::power_each;
  const bool fits = (left.rows == right.rows || left.rows == 1 || right.rows == 1) &&
                    (left.columns == right.columns || left.columns == 1 || right.columns == 1);
  if (!is_known || !fits || left.type != Type::f64 || right.type != Type::f64)
    return not_yet("this operator on complex numbers is", node);
  out = {};
  out.rows = left.rows == 1 ? right.rows : left.rows;
  out.columns = left.columns == 1 ? right.columns : left.columns;
  if (compares) out.type = Type::truth;
  for (int i = 0; i < out.rows; ++i) {
    for (int k = 0; k < out.columns; ++k) {
      const Complex a = complex_at(left, i, k);
      const Complex b = complex_at(right, i, k);
      if (compares)
        out.wholes.push_back((a == b) == (operation == Operation::equal) ? 1 : 0);
      else
        add(out, combined(operation, a, b, !left.is_complex(), !right.is_complex()));
    }
  }
  narrow(out);
  return true;
}

bool Expressions::map_complex(const Node& node, std::string_view name, const Array& array,
                              Array& out) {
  if (array.type != Type::f64) return not_yet(std::string(name) + " of this is", node);
  out = {};
  out.rows = array.rows;
  out.columns = array.columns;
  for (std::size_t i = 0; i < count_of(array); ++i) {
    const Complex x{array.reals[i], array.is_complex() ? array.imaginaries[i] : 0.0};
    const bool is_real = !array.is_complex();
    if (name == "real")
      add(out, x.real());
    else if (name == "imag")
      add(out, x.imag());
    else if (name == "conj")
      add(out, is_real ? x : std::conj(x));
    else if (name == "abs")
      add(out, std::abs(x));
    else if (name == "arg" || name == "angle")
      add(out, std::arg(x));
    else if (name == "sqrt")
      add(out, !is_real       ? std::sqrt(x)
               : x.real() < 0 ? Complex{0, std::sqrt(-x.real())}
                              : Complex{std::sqrt(x.real())});
    else if (name == "exp")
      add(out, std::exp(x));
    else if (name == "log")
      add(out, is_real && x.real() < 0 ? Complex{std::log(-x.real()), 0x1.921fb54442d18p+1}
                                       : std::log(x));
    else if (name == "round" || name == "fix" || name == "floor" || name == "ceil")
      add(out, {name == "round"   ? nearest_whole(x.real())
                : name == "fix"   ? std::trunc(x.real())
                : name == "floor" ? std::floor(x.real())
                                  : std::ceil(x.real()),
                name == "round"   ? nearest_whole(x.imag())
                : name == "fix"   ? std::trunc(x.imag())
                : name == "floor" ? std::floor(x.imag())
                                  : std::ceil(x.imag())});
    else
      return not_yet(std::string(name) + " of complex numbers is", node);
  }
  narrow(out);
  return true;
}

}  // namespace inky::inline v1::octave
