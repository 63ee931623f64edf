// Matrices of R, without names of rows and columns.

#include <algorithm>
#include <cmath>

#include "../computed/arithmetic.hpp"
#include "expressions.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;

constexpr int most_of_matrix = 10'000;

}  // namespace

bool is_matrix(const Value& value) {
  return value.is(Type::list) && !value.as_list().empty() && value.as_list()[0].is(Type::list);
}

Matrix matrix_of(const Value& value) {
  Matrix out;
  const auto rows = value.as_list();
  out.rows = static_cast<int>(rows.size());
  out.columns = static_cast<int>(rows[0].as_list().size());
  for (const Value& row : rows)
    out.columns =
        std::min(out.columns, static_cast<int>(row.is(Type::list) ? row.as_list().size() : 0));
  for (int column = 0; column < out.columns; ++column) {
    for (const Value& row : rows)
      out.items.push_back(row.as_list()[static_cast<std::size_t>(column)]);
  }
  return out;
}

Value value_of(const Matrix& matrix) {
  std::vector<Value> rows;
  for (int row = 0; row < matrix.rows; ++row) {
    std::vector<Value> items;
    items.reserve(static_cast<std::size_t>(matrix.columns));
    for (int column = 0; column < matrix.columns; ++column) items.push_back(matrix.at(row, column));
    rows.push_back(Value::list(std::move(items)));
  }
  return Value::list(std::move(rows));
}

// matrix(x, nrow, ncol, byrow)
bool Expressions::make_matrix(const Node& node, const Arguments& arguments, Value& out) {
  const Value* given[4] = {nullptr, nullptr, nullptr, nullptr};
  constexpr std::string_view names[] = {"data", "nrow", "ncol", "byrow"};
  for (std::size_t i = 0; i < arguments.size() && i < 4; ++i) given[i] = &arguments[i];
  for (const auto& [key, value] : arguments.named) {
    const auto* const known = std::find(std::begin(names), std::end(names), key);
    if (known == std::end(names)) return not_yet("the argument " + key + " is", node);
    given[known - std::begin(names)] = &value;
  }
  Items items;
  Mode mode = Mode::unknown;
  if (given[0] == nullptr || arguments.size() > 4 || !take_items(node, *given[0], items, mode))
    return not_yet("matrix with these arguments is", node);
  std::int64_t rows = 0;
  std::int64_t columns = 0;
  if (given[1] != nullptr && !take_whole(node, *given[1], rows)) return false;
  if (given[2] != nullptr && !take_whole(node, *given[2], columns)) return false;
  const auto count = static_cast<std::int64_t>(items.size());
  if (given[1] == nullptr && given[2] == nullptr) rows = count;
  if (rows < 0 || columns < 0 || count == 0) return not_yet("such a matrix is", node);
  if (rows == 0) rows = columns == 0 ? count : (count + columns - 1) / columns;
  if (columns == 0) columns = (count + rows - 1) / rows;
  if (rows < 1 || columns < 1 || rows * columns > most_of_matrix || (rows * columns) % count != 0)
    return not_yet("such a matrix is", node);
  bool by_row = false;
  if (given[3] != nullptr && !holds(node, *given[3], by_row)) return false;
  Matrix made;
  made.rows = static_cast<int>(rows);
  made.columns = static_cast<int>(columns);
  for (std::int64_t column = 0; column < columns; ++column) {
    for (std::int64_t row = 0; row < rows; ++row) {
      const std::int64_t number = by_row ? row * columns + column : column * rows + row;
      made.items.push_back(items[static_cast<std::size_t>(number % count)]);
    }
  }
  out = value_of(made);
  return true;
}

bool Expressions::of_matrix(const Node& node, std::string_view name, const Arguments& arguments,
                            Value& out) {
  const std::string called(name);
  if (!arguments.named.empty()) return not_yet(called + " with these arguments is", node);
  if (name == "outer") {
    Items a;
    Items b;
    Mode mode = Mode::unknown;
    if (arguments.size() != 2 || !take_numbers(node, arguments[0], a, mode) ||
        !take_numbers(node, arguments[1], b, mode))
      return not_yet("outer with these arguments is", node);
    Matrix made;
    made.rows = static_cast<int>(a.size());
    made.columns = static_cast<int>(b.size());
    if (a.size() * b.size() > static_cast<std::size_t>(most_of_matrix) || a.empty() || b.empty())
      return not_yet("such a matrix is", node);
    for (const Value& y : b) {
      for (const Value& x : a) {
        made.items.emplace_back();
        if (!combine(node, Operation::multiply, x, y, made.items.back())) return false;
      }
    }
    out = value_of(made);
    return true;
  }
  if (arguments.size() != 1) return not_yet(called + " with these arguments is", node);
  if (!is_matrix(arguments[0])) return not_yet(called + " of what is no matrix is", node);
  const Matrix matrix = matrix_of(arguments[0]);
  if (name == "dim") {
    out = Value::list(
        {Value::whole(Type::i32, matrix.rows), Value::whole(Type::i32, matrix.columns)});
  } else if (name == "nrow" || name == "ncol") {
    out = Value::whole(Type::i32, name == "nrow" ? matrix.rows : matrix.columns);
  } else if (name == "t") {
    Matrix turned;
    turned.rows = matrix.columns;
    turned.columns = matrix.rows;
    for (int row = 0; row < matrix.rows; ++row) {
      for (int column = 0; column < matrix.columns; ++column)
        turned.items.push_back(matrix.at(row, column));
    }
    out = value_of(turned);
  } else {
    const bool by_row = name.starts_with("row");
    const bool means = name.ends_with("Means");
    const int lines = by_row ? matrix.rows : matrix.columns;
    const int size = by_row ? matrix.columns : matrix.rows;
    Items made;
    for (int line = 0; line < lines; ++line) {
      long double total = 0;
      for (int i = 0; i < size; ++i) {
        const Value& item = by_row ? matrix.at(line, i) : matrix.at(i, line);
        if (item.is(Type::nil) || item.is(Type::text))
          return not_yet(called + " of these is", node);
        total += static_cast<long double>(double_in(item));
      }
      made.push_back(Value::real(static_cast<double>(means ? total / size : total)));
    }
    out = vector_of(std::move(made));
  }
  return true;
}

// Element by element, and %*% of whole numbers.
bool Expressions::combine_matrices(const Node& node, Operation operation, const Value& left,
                                   const Value& right, Value& out) {
  if (operation == Operation::multiply_each) {
    if (!is_matrix(left) || !is_matrix(right)) return not_yet("%*% of these is", node);
    const Matrix a = matrix_of(left);
    const Matrix b = matrix_of(right);
    if (a.columns != b.rows) return raise("non-conformable arguments", node);
    Matrix made;
    made.rows = a.rows;
    made.columns = b.columns;
    const bool integers = std::none_of(a.items.begin(), a.items.end(),
                                       [](const Value& x) { return is_real(x.type()); }) &&
                          std::none_of(b.items.begin(), b.items.end(),
                                       [](const Value& x) { return is_real(x.type()); });
    for (int column = 0; column < made.columns; ++column) {
      for (int row = 0; row < made.rows; ++row) {
        double sum = 0;
        for (int i = 0; i < a.columns; ++i) {
          const Value& x = a.at(row, i);
          const Value& y = b.at(i, column);
          if (x.is(Type::nil) || y.is(Type::nil) || x.is(Type::text) || y.is(Type::text))
            return not_yet("%*% of these is", node);
          // The library adds in an order of its own: it shows where a sum is not exact.
          constexpr double most = 0x1p31;
          const double product = double_in(x) * double_in(y);
          sum += product;
          if (product != std::floor(product) || std::fabs(sum) >= most)
            return not_yet("%*% of such numbers is", node);
        }
        made.items.push_back(integers ? Value::whole(Type::i32, static_cast<int128>(sum))
                                      : Value::real(sum));
      }
    }
    out = value_of(made);
    return true;
  }
  const bool both = is_matrix(left) && is_matrix(right);
  Matrix made = matrix_of(is_matrix(left) ? left : right);
  if (both) {
    const Matrix other = matrix_of(right);
    if (other.rows != made.rows || other.columns != made.columns)
      return raise("non-conformable arrays", node);
  }
  const auto flat = [](const Value& value) {
    return is_matrix(value) ? Value::list(matrix_of(value).items) : value;
  };
  Value result;
  if (!combine(node, operation, flat(left), flat(right), result)) return false;
  const std::size_t count = result.is(Type::list) ? result.as_list().size() : 1;
  if (count != made.items.size()) return not_yet("a matrix and such a vector are", node);
  made.items.clear();
  if (result.is(Type::list))
    made.items.assign(result.as_list().begin(), result.as_list().end());
  else
    made.items.push_back(result);
  out = value_of(made);
  return true;
}

}  // namespace inky::inline v1::r_language
