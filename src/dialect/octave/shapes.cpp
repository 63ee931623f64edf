// The functions of Octave that make arrays, tell their sizes, and put their elements in another
// order: the GNU Octave manual, Special Utility Matrices, Object Sizes, Rearranging Matrices.

#include <algorithm>
#include <cmath>

#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

// The magic square of this many rows, as magic.m makes it.
std::vector<double> magic_square(int size) {
  const auto n = static_cast<std::size_t>(size);
  std::vector<double> out(n * n);
  const auto at = [&](std::size_t row, std::size_t column) -> double& {
    return out[row * n + column];
  };
  if (size % 2 == 1) {
    // The numbers go up and to the right, from the middle of the first row.
    std::size_t row = 0;
    std::size_t column = n / 2;
    for (std::size_t number = 1; number <= n * n; ++number) {
      at(row, column) = static_cast<double>(number);
      const std::size_t up = (row + n - 1) % n;
      const std::size_t right = (column + 1) % n;
      if (at(up, right) != 0) {
        row = (row + 1) % n;
      } else {
        row = up;
        column = right;
      }
    }
    return out;
  }
  // Of fours: counted through, and some of them counted from the end.
  for (std::size_t row = 0; row < n; ++row) {
    for (std::size_t column = 0; column < n; ++column) {
      const std::size_t number = row * n + column + 1;
      const bool turns = (row % 4 == 0 || row % 4 == 3) == (column % 4 == 0 || column % 4 == 3);
      at(row, column) = static_cast<double>(turns ? n * n + 1 - number : number);
    }
  }
  return out;
}

}  // namespace

// (n), (rows, columns), ([rows, columns])
bool Expressions::take_sizes(const Node& node, const Arguments& arguments, std::size_t from,
                             int& rows, int& columns) {
  rows = columns = 1;
  if (arguments.size() > from + 2) return not_yet("more than two sizes are", node);
  if (arguments.size() == from + 1) {
    Array sizes;
    if (!take_double(node, arguments[from], sizes)) return false;
    if (sizes.rows == 1 && sizes.columns == 2) {
      const Value one = Value::real(real_at(sizes, 0));
      const Value two = Value::real(real_at(sizes, 1));
      if (!take_count(node, one, rows) || !take_count(node, two, columns)) return false;
    } else {
      if (!take_count(node, arguments[from], rows)) return false;
      columns = rows;
    }
  } else if (arguments.size() == from + 2) {
    if (!take_count(node, arguments[from], rows) || !take_count(node, arguments[from + 1], columns))
      return false;
  }
  rows = std::max(rows, 0);
  columns = std::max(columns, 0);
  if (rows * columns > most_elements)
    return over_limit("a matrix of more than 10,000 elements", node);
  if (rows == 0 && columns != 0) return not_yet("an array without rows is", node);
  return true;
}

bool Expressions::make(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out) {
  if (name == "linspace") {
    int count = 100;
    Array from;
    Array to;
    if (arguments.size() < 2 || arguments.size() > 3 || !take_double(node, arguments[0], from) ||
        !take_double(node, arguments[1], to))
      return not_yet("linspace with these arguments is", node);
    if (arguments.size() == 3 && !take_count(node, arguments[2], count)) return false;
    if (!from.is_scalar() || !to.is_scalar() || from.type != Type::f64 || to.type != Type::f64)
      return not_yet("linspace of these is", node);
    count = std::max(count, 1);
    const double start = from.reals[0];
    const double end = to.reals[0];
    // From both ends toward the middle.
    const int steps = count - 1;
    const double step = (end - start) / steps;
    std::vector<double> made(static_cast<std::size_t>(count), end);
    for (int i = 0; i <= steps / 2 && i < steps; ++i) {
      made[static_cast<std::size_t>(i)] = start + i * step;
      if (i > 0) made[static_cast<std::size_t>(steps - i)] = end - i * step;
    }
    if (steps > 0 && steps % 2 == 0)
      made[static_cast<std::size_t>(steps / 2)] = start == -end ? 0 : (start + end) / 2;
    out = value_of(row_of(std::move(made)));
    return true;
  }
  int rows = 1;
  int columns = 1;
  if (!take_sizes(node, arguments, 0, rows, columns)) return false;
  if (name == "magic") {
    if (arguments.size() != 1 || rows < 3 || (rows % 2 == 0 && rows % 4 != 0))
      return not_yet("this magic square is", node);
    out = value_of(doubles(rows, rows, magic_square(rows)));
    return true;
  }
  Array made = doubles(rows, columns, {});
  made.reals.assign(count_of(made), name == "ones" ? 1 : 0);
  if (name == "eye") {
    if (rows > 1 && columns > 1) return not_yet("this display of a diagonal matrix is", node);
    if (!made.reals.empty()) made.reals[0] = 1;
  }
  out = value_of(made);
  return true;
}

bool Expressions::measure(const Node& node, std::string_view name, const Arguments& arguments,
                          Value& out) {
  Array array;
  if (arguments.size() == 0 || arguments.size() > 2 || !take_any(node, arguments[0], array))
    return not_yet(std::string(name) + " with these arguments is", node);
  if (arguments.size() == 2) {
    int which = 0;
    if (name != "size") return not_yet(std::string(name) + " with these arguments is", node);
    if (!take_count(node, arguments[1], which)) return false;
    if (which < 1) return not_yet("such a dimension is", node);
    out = Value::real(which == 1 ? array.rows : which == 2 ? array.columns : 1);
    return true;
  }
  // "" has no rows.
  const int rows = array.type == Type::text && array.columns == 0 ? 0 : array.rows;
  if (name == "numel")
    out = Value::real(static_cast<double>(count_of(array)));
  else if (name == "length")
    out = Value::real(array.is_empty() ? 0 : std::max(rows, array.columns));
  else if (name == "ndims")
    out = Value::real(2);
  else if (name == "size")
    out = Value::list({Value::real(rows), Value::real(array.columns)});
  else
    out = Value::real(name == "rows" ? rows : array.columns);
  return true;
}

bool Expressions::reshape(const Node& node, std::string_view name, const Arguments& arguments,
                          Value& out) {
  const std::string called(name);
  Array array;
  if (arguments.size() == 0) return not_yet(called + " without arguments is", node);
  if (!take_any(node, arguments[0], array)) return false;
  const auto rows = static_cast<std::size_t>(array.rows);
  const auto columns = static_cast<std::size_t>(array.columns);
  std::vector<std::size_t> places;
  if (name == "reshape") {
    int sizes[2] = {0, 0};
    Arguments given = arguments;
    if (given.size() == 3) {
      // One of the two may be left open.
      Array open[2];
      if (!take_any(node, given[1], open[0]) || !take_any(node, given[2], open[1])) return false;
      for (std::size_t i = 0; i < 2; ++i) {
        int other = 1;
        if (!open[i].is_empty()) continue;
        if (!take_count(node, given[2 - i], other)) return false;
        if (other < 1 || count_of(array) % static_cast<std::size_t>(other) != 0)
          return not_yet("reshape to this size is", node);
        const std::size_t left = count_of(array) / static_cast<std::size_t>(other);
        given.values[i + 1] = Value::real(static_cast<double>(left));
      }
    }
    if (!take_sizes(node, given, 1, sizes[0], sizes[1])) return false;
    const Array like = doubles(sizes[0], sizes[1], {});
    if (count_of(like) != count_of(array))
      return raise("reshape: can't reshape " + std::to_string(array.rows) + "x" +
                       std::to_string(array.columns) + " array to " + std::to_string(sizes[0]) +
                       "x" + std::to_string(sizes[1]) + " array",
                   node);
    // Both are counted column by column.
    places.resize(count_of(array));
    for (std::size_t i = 0; i < places.size(); ++i) places[place_of(like, i)] = place_of(array, i);
    out = value_of(elements_at(array, places, sizes[0], sizes[1]));
    return true;
  }
  if (name == "repmat") {
    int down = 1;
    int across = 1;
    if (!take_sizes(node, arguments, 1, down, across)) return false;
    const std::size_t times = static_cast<std::size_t>(down) * static_cast<std::size_t>(across);
    if (times * count_of(array) > static_cast<std::size_t>(most_elements))
      return over_limit("a matrix of more than 10,000 elements", node);
    for (std::size_t i = 0; i < rows * static_cast<std::size_t>(down); ++i) {
      for (std::size_t k = 0; k < columns * static_cast<std::size_t>(across); ++k)
        places.push_back((i % rows) * columns + k % columns);
    }
    const Array made = elements_at(array, places, array.rows * down, array.columns * across);
    if (made.is_empty() && made.rows != 1) return not_yet("an array without elements is", node);
    out = value_of(made);
    return true;
  }
  if (name == "kron") {
    Array other;
    if (arguments.size() != 2 || !take_double(node, arguments[0], array) ||
        !take_double(node, arguments[1], other))
      return not_yet("kron with these arguments is", node);
    if (array.type != Type::f64 || other.type != Type::f64 ||
        count_of(array) * count_of(other) > static_cast<std::size_t>(most_elements))
      return not_yet("kron of these is", node);
    Array made = doubles(array.rows * other.rows, array.columns * other.columns, {});
    for (int i = 0; i < made.rows; ++i) {
      for (int k = 0; k < made.columns; ++k) {
        const int a = (i / other.rows) * array.columns + k / other.columns;
        const int b = (i % other.rows) * other.columns + k % other.columns;
        made.reals.push_back(array.reals[static_cast<std::size_t>(a)] *
                             other.reals[static_cast<std::size_t>(b)]);
      }
    }
    out = value_of(made);
    return true;
  }
  if (arguments.size() != 1) return not_yet(called + " with these arguments is", node);
  if (name == "trace") {
    if (array.rows != array.columns || array.type != Type::f64 || array.is_complex())
      return not_yet("trace of this is", node);
    double sum = 0;
    for (std::size_t i = 0; i < rows; ++i) sum += array.reals[i * columns + i];
    out = Value::real(sum);
    return true;
  }
  if (name == "diag" && rows != 1 && columns != 1) {
    for (std::size_t i = 0; i < std::min(rows, columns); ++i) places.push_back(i * columns + i);
    out = value_of(elements_at(array, places, static_cast<int>(places.size()), 1));
    return true;
  }
  if (name == "diag") return not_yet("this display of a diagonal matrix is", node);
  if (name == "triu" || name == "tril") {
    if (array.type != Type::f64 || array.is_complex()) return not_yet(called + " of this is", node);
    for (std::size_t i = 0; i < count_of(array); ++i) {
      const std::size_t row = i / columns;
      const std::size_t column = i % columns;
      if (name == "triu" ? column < row : column > row) array.reals[i] = 0;
    }
    out = value_of(array);
    return true;
  }
  for (std::size_t i = 0; i < rows; ++i) {
    for (std::size_t k = 0; k < columns; ++k)
      places.push_back(name == "fliplr" ? i * columns + (columns - 1 - k)
                                        : (rows - 1 - i) * columns + k);
  }
  out = value_of(elements_at(array, places, array.rows, array.columns));
  return true;
}

}  // namespace inky::inline v1::octave
