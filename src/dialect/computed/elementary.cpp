#include "elementary.hpp"

#include <cmath>

namespace inky::inline v1::computed {

std::optional<double> elementary(std::string_view function, double x) {
  struct Known {
    std::string_view name;
    double (*function)(double);
  };
  static constexpr Known known[] = {
      {"sqrt", std::sqrt}, {"cbrt", std::cbrt}, {"exp", std::exp},     {"expm1", std::expm1},
      {"log", std::log},   {"log2", std::log2}, {"log10", std::log10}, {"log1p", std::log1p},
      {"sin", std::sin},   {"cos", std::cos},   {"tan", std::tan},     {"asin", std::asin},
      {"acos", std::acos}, {"atan", std::atan}, {"sinh", std::sinh},   {"cosh", std::cosh},
      {"tanh", std::tanh},
  };
  for (const Known& one : known) {
    if (one.name == function) return one.function(x);
  }
  return std::nullopt;
}

double power(double x, double y) {
  return std::pow(x, y);
}

}  // namespace inky::inline v1::computed
