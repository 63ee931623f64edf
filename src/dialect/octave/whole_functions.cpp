// The functions of Octave for whole numbers: the GNU Octave manual, Utility Functions, and Bit
// Manipulations. All of doubles.

#include <cmath>
#include <numeric>

#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

constexpr double most_exact = 0x1p53;
constexpr double most_factored = 1e12;

bool is_prime(std::uint64_t number) {
  if (number < 2) return false;
  for (std::uint64_t by = 2; by * by <= number; ++by) {
    if (number % by == 0) return false;
  }
  return true;
}

std::uint64_t bits_of_two(std::string_view name, std::uint64_t x, std::uint64_t y) {
  return name == "bitand" ? x & y : name == "bitor" ? x | y : x ^ y;
}

}  // namespace

bool Expressions::of_wholes(const Node& node, std::string_view name, const Arguments& arguments,
                            Value& out) {
  const std::string called(name);
  const bool is_of_two =
      name == "gcd" || name == "lcm" || name == "nchoosek" || name.starts_with("bit");
  if (arguments.size() != (is_of_two ? 2U : 1U))
    return not_yet(called + " with these arguments is", node);
  Array given[2];
  for (std::size_t i = 0; i < arguments.size(); ++i) {
    if (!take_double(node, arguments[i], given[i])) return false;
    for (const double x : given[i].reals) {
      if (x != std::floor(x) || std::fabs(x) >= most_exact)
        return not_yet(called + " of these is", node);
    }
    if (given[i].type != Type::f64) return not_yet(called + " of this class is", node);
  }
  const Array& first = given[0];
  const Array& second = given[1];
  if (!is_of_two && (name == "primes" || name == "factor")) {
    const double x = first.is_scalar() ? first.reals[0] : -1;
    const bool is_small = x >= 1 && x <= (name == "primes" ? 10'000 : most_factored);
    if (!is_small) return not_yet(called + " of this is", node);
    std::vector<double> made;
    auto left = static_cast<std::uint64_t>(x);
    if (name == "primes") {
      for (std::uint64_t number = 2; number <= left; ++number) {
        if (is_prime(number)) made.push_back(static_cast<double>(number));
      }
      if (made.empty()) return not_yet("primes of this is", node);
    } else {
      for (std::uint64_t by = 2; by * by <= left; ++by) {
        for (; left % by == 0; left /= by) made.push_back(static_cast<double>(by));
      }
      if (left > 1 || made.empty()) made.push_back(static_cast<double>(left));
    }
    out = value_of(row_of(std::move(made)));
    return true;
  }
  const bool fits = !is_of_two || first.is_scalar() || second.is_scalar() ||
                    (first.rows == second.rows && first.columns == second.columns);
  if (!fits || first.is_empty()) return not_yet(called + " of these is", node);
  const Array& shape = is_of_two && first.is_scalar() ? second : first;
  Array made = doubles(shape.rows, shape.columns, {});
  for (std::size_t i = 0; i < count_of(shape); ++i) {
    const double x = first.reals[first.is_scalar() ? 0 : i];
    const double y = is_of_two ? second.reals[second.is_scalar() ? 0 : i] : 0;
    double result = 0;
    if (name == "isprime") {
      if (x < 0 || x > most_factored) return not_yet("isprime of this is", node);
      result = is_prime(static_cast<std::uint64_t>(x)) ? 1 : 0;
    } else if (name == "factorial" || name == "nchoosek") {
      // As far as every product on the way is exact.
      constexpr double most = 18;
      const bool is_known = x >= 0 && x <= most && (name == "factorial" || (y >= 0 && y <= x));
      if (!is_known || count_of(shape) > (name == "factorial" ? 10'000U : 1U))
        return not_yet(called + " of this is", node);
      result = 1;
      if (name == "factorial") {
        for (double k = 2; k <= x; ++k) result *= k;
      } else {
        for (double k = 1; k <= y; ++k) result = result * (x - y + k) / k;
      }
    } else if (name == "gcd" || name == "lcm") {
      const auto a = static_cast<std::uint64_t>(std::fabs(x));
      const auto b = static_cast<std::uint64_t>(std::fabs(y));
      const auto common = static_cast<double>(std::gcd(a, b));
      if (name == "lcm" && (a == 0 || b == 0)) return not_yet("lcm of zero is", node);
      result = name == "gcd" ? common : std::fabs(x) / common * std::fabs(y);
      if (result >= most_exact) return not_yet(called + " of these is", node);
    } else if (name == "bitshift") {
      if (x < 0 || std::fabs(y) >= 53) return not_yet("bitshift of these is", node);
      result = std::fmod(std::floor(std::ldexp(x, static_cast<int>(y))), most_exact);
    } else {
      if (x < 0 || y < 0) return not_yet(called + " of these is", node);
      result = static_cast<double>(
          bits_of_two(name, static_cast<std::uint64_t>(x), static_cast<std::uint64_t>(y)));
    }
    made.reals.push_back(result);
  }
  out = value_of(name == "isprime" ? converted(made, Type::truth) : made);
  return true;
}

}  // namespace inky::inline v1::octave
