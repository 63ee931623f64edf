// The functions that expressions of Octave may call, and parts of arrays.

#include <algorithm>
#include <cmath>

#include "../computed/elementary.hpp"
#include "dialect/lexis.hpp"
#include "display_facts.hpp"
#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

double rounded(std::string_view name, double x) {
  if (name == "floor") return std::floor(x);
  if (name == "ceil") return std::ceil(x);
  if (name == "fix") return std::trunc(x);
  return nearest_whole(x);
}

// mod() and rem() of two whole numbers; nothing where a quotient is not exact.
std::optional<double> remainder_of(bool floors, double x, double y) {
  constexpr double most = 0x1p53;
  const bool wholes = x == std::floor(x) && y == std::floor(y);
  if (!wholes || std::fabs(x) >= most || std::fabs(y) >= most) return std::nullopt;
  if (y == 0) return floors ? x : std::nan("");
  if (x == y) return 0;
  const double rest = std::fmod(x, y);
  const bool turns = floors && rest != 0 && (rest < 0) != (y < 0);
  // A zero has a sign, too.
  return std::copysign(turns ? rest + y : rest, floors ? y : x);
}

}  // namespace

// Of each element by itself.
bool Expressions::map(const Node& node, std::string_view name, const Value& value, Value& out) {
  Array array;
  if (!take_double(node, value, array)) return false;
  const bool rounds = has_word("floor ceil fix round", name);
  if (!array.is_real()) {
    if (name == "abs") {
      for (int128& x : array.wholes) x = within(x < 0 ? -x : x, array.type);
    } else if (!rounds) {
      return not_yet(std::string(name) + " of integers is", node);
    }
    out = value_of(array);
    return true;
  }
  for (double& x : array.reals) {
    if (rounds) {
      x = std::isfinite(x) ? rounded(name, x) : x;
    } else if (name == "abs") {
      x = std::fabs(x);
    } else if (name == "sign") {
      x = x > 0 ? 1 : x < 0 ? -1 : x == 0 ? 0 : x;
    } else {
      const bool has_no_value = x < 0 && (name == "sqrt" || name.starts_with("log"));
      const bool is_single = array.type == Type::f32;
      if (has_no_value || (is_single && name != "sqrt"))
        return not_yet(std::string(name) + " of this is", node);
      x = *computed::elementary(name, x);
      // The root of a single number in a double is near enough to be rounded once more.
      if (is_single) x = static_cast<double>(static_cast<float>(x));
    }
  }
  out = value_of(array);
  return true;
}

// Of all elements of a vector.
bool Expressions::reduce(const Node& node, std::string_view name, const Arguments& arguments,
                         Value& out) {
  Array array;
  if (!take_double(node, arguments[0], array)) return false;
  if (arguments.size() == 2 && (name == "max" || name == "min" || name == "mod" || name == "rem")) {
    Array other;
    if (!take_double(node, arguments[1], other)) return false;
    const bool fits = array.type == Type::f64 && other.type == Type::f64 && other.is_scalar();
    if (!fits) return not_yet(std::string(name) + " of these is", node);
    const double y = other.reals[0];
    for (double& x : array.reals) {
      if (std::isnan(x) || std::isnan(y)) return not_yet(std::string(name) + " of NaN is", node);
      if (name == "max" || name == "min") {
        x = name == "max" ? std::max(x, y) : std::min(x, y);
        continue;
      }
      const auto rest = remainder_of(name == "mod", x, y);
      if (!rest) return not_yet(std::string(name) + " of these is", node);
      x = *rest;
    }
    out = value_of(array);
    return true;
  }
  const bool is_vector = array.rows == 1 || array.columns == 1;
  if (arguments.size() != 1 || !is_vector || array.is_empty() || array.type != Type::f64)
    return not_yet(std::string(name) + " of this is", node);
  double result = name == "prod" ? 1 : 0;
  if (name == "max" || name == "min") result = array.reals[0];
  for (const double x : array.reals) {
    if (std::isnan(x) && (name == "max" || name == "min"))
      return not_yet(std::string(name) + " of NaN is", node);
    if (name == "sum" || name == "mean")
      result += x;
    else if (name == "prod")
      result *= x;
    else
      result = name == "max" ? std::max(result, x) : std::min(result, x);
  }
  if (name == "mean") result /= static_cast<double>(array.reals.size());
  out = Value::real(result);
  return true;
}

// zeros, ones, numel, length, rows, columns, size, and the classes of numbers.
bool Expressions::make(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out) {
  if (name == "zeros" || name == "ones") {
    int rows = 1;
    int columns = 1;
    if (arguments.size() > 2) return not_yet("more than two sizes are", node);
    if (arguments.size() > 0 && !take_count(node, arguments[0], rows)) return false;
    columns = arguments.size() == 1 ? rows : columns;
    if (arguments.size() > 1 && !take_count(node, arguments[1], columns)) return false;
    constexpr int most = 10'000;
    if (rows < 1 || columns < 1 || rows * columns > most) return not_yet("such a size is", node);
    Array made;
    made.rows = rows;
    made.columns = columns;
    made.reals.assign(count_of(made), name == "ones" ? 1 : 0);
    out = value_of(made);
    return true;
  }
  Array array;
  if (arguments.size() != 1 || !take(node, arguments[0], array))
    return not_yet(std::string(name) + " with these arguments is", node);
  const int width = array.type == Type::text ? static_cast<int>(array.text.size()) : array.columns;
  if (name == "numel") {
    out = Value::real(static_cast<double>(array.rows) * width);
  } else if (name == "length") {
    out = Value::real(array.rows == 0 || width == 0 ? 0 : std::max(array.rows, width));
  } else if (name == "rows" || name == "columns") {
    out = Value::real(name == "rows" ? array.rows : width);
  } else if (name == "size") {
    out = Value::list({Value::real(array.rows), Value::real(width)});
  } else {
    const display::ClassFact* to = display::find_fact(display::classes, name);
    if (array.type == Type::text && !take_double(node, arguments[0], array)) return false;
    const bool has_nan =
        std::any_of(array.reals.begin(), array.reals.end(), [](double x) { return std::isnan(x); });
    if (to->type == Type::truth && has_nan)
      return raise("logical: NaN can't be converted to logical value", node);
    out = value_of(converted(array, to->type));
  }
  return true;
}

// x(2), x(1, 3), x(end), x(:)'; which of it an index names.
bool Expressions::index(const Node& node, const Value& of, const Arguments& arguments, Value& out) {
  Array array;
  if (!take(node, of, array)) return false;
  if (array.type == Type::text) return not_yet("a part of a text is", node);
  int numbers[2] = {1, 1};
  if (arguments.size() < 1 || arguments.size() > 2) return not_yet("such an index is", node);
  for (std::size_t i = 0; i < arguments.size(); ++i) {
    if (!take_count(node, arguments[i], numbers[i])) return false;
    if (numbers[i] < 1)
      return raise("index (" + std::to_string(numbers[i]) + "): out of bound; value " +
                       std::to_string(numbers[i]) + " out of bound " +
                       std::to_string(count_of(array)),
                   node);
  }
  const bool two = arguments.size() == 2;
  const bool inside = two ? numbers[0] <= array.rows && numbers[1] <= array.columns
                          : static_cast<std::size_t>(numbers[0]) <= count_of(array);
  if (!inside) return raise("index out of bound", node);
  const auto first = static_cast<std::size_t>(numbers[0]) - 1;
  const auto second = static_cast<std::size_t>(numbers[1]) - 1;
  const std::size_t at =
      two ? first * static_cast<std::size_t>(array.columns) + second : place_of(array, first);
  out = value_of(element_of(array, at));
  return true;
}

bool Expressions::call(const Node& node, const std::string& path, const Arguments& arguments,
                       Value& out) {
  if (const Value* value = find(path)) return index(node, *value, arguments, out);
  if (has_word("abs floor ceil fix round sign sqrt exp log log2 log10 sin cos tan", path) &&
      arguments.size() == 1)
    return map(node, path, arguments[0], out);
  if (has_word("sum prod mean max min mod rem", path) && arguments.size() > 0)
    return reduce(node, path, arguments, out);
  const bool is_class = display::find_fact(display::classes, path) != nullptr;
  if (is_class || has_word("zeros ones numel length rows columns size", path))
    return make(node, path, arguments, out);
  if (has_word("printf fprintf puts disp sprintf num2str mat2str upper toupper lower tolower",
               path))
    return show(node, path, arguments, out);
  return Evaluator::call(node, path, arguments, out);
}

}  // namespace inky::inline v1::octave
