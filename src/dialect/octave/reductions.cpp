// The functions of Octave that take many elements together: the GNU Octave manual, Sums and
// Products, Utility Functions, Descriptive Statistics.

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <numeric>

#include "dialect/lexis.hpp"
#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

using Line = std::vector<double>;

double sum_of(const Line& line) {
  return std::accumulate(line.begin(), line.end(), 0.0);
}

double mean_of(const Line& line) {
  return sum_of(line) / static_cast<double>(line.size());
}

double median_of(Line line) {
  if (line.empty() || std::any_of(line.begin(), line.end(), [](double x) { return std::isnan(x); }))
    return std::nan("");
  std::sort(line.begin(), line.end());
  const std::size_t half = line.size() / 2;
  return line.size() % 2 == 1 ? line[half] : (line[half - 1] + line[half]) / 2;
}

double variance_of(const Line& line) {
  if (line.size() == 1) return 0;
  const double mean = mean_of(line);
  double sum = 0;
  for (const double x : line) sum += (x - mean) * (x - mean);
  return sum / static_cast<double>(line.size() - 1);
}

// The one that is there most often, of several the smallest.
double mode_of(Line line) {
  std::sort(line.begin(), line.end());
  double best = line.empty() ? std::nan("") : line[0];
  std::ptrdiff_t most = 0;
  for (std::size_t i = 0; i < line.size(); ++i) {
    const auto count = std::count(line.begin(), line.end(), line[i]);
    if (count > most) best = line[i];
    most = std::max(most, count);
  }
  return best;
}

// The place of the largest or the smallest; those that are not numbers do not count.
std::size_t place_of_most(const Line& line, bool largest) {
  std::size_t best = 0;
  for (std::size_t i = 1; i < line.size(); ++i) {
    const bool is_first = std::isnan(line[best]) && !std::isnan(line[i]);
    if (is_first || (largest ? line[i] > line[best] : line[i] < line[best])) best = i;
  }
  return best;
}

// The order of the elements: numbers first, equal ones as they were.
std::vector<std::size_t> order_of(const Line& line, bool descends) {
  std::vector<std::size_t> out(line.size());
  std::iota(out.begin(), out.end(), std::size_t{0});
  std::stable_sort(out.begin(), out.end(), [&](std::size_t a, std::size_t b) {
    const bool a_is_none = std::isnan(line[a]);
    const bool b_is_none = std::isnan(line[b]);
    if (a_is_none || b_is_none) return descends ? a_is_none && !b_is_none : b_is_none && !a_is_none;
    return descends ? line[a] > line[b] : line[a] < line[b];
  });
  return out;
}

Line running(const Line& line, bool adds) {
  Line out;
  double total = adds ? 0 : 1;
  for (const double x : line) out.push_back(total = adds ? total + x : total * x);
  return out;
}

Line reduced(std::string_view name, const Line& line) {
  const auto holds = [](double x) { return x != 0; };
  if (name == "sum") return {sum_of(line)};
  if (name == "sumsq") return {std::inner_product(line.begin(), line.end(), line.begin(), 0.0)};
  if (name == "prod") return {std::accumulate(line.begin(), line.end(), 1.0, std::multiplies<>())};
  if (name == "mean") return {mean_of(line)};
  if (name == "median") return {median_of(line)};
  if (name == "var") return {variance_of(line)};
  if (name == "std") return {std::sqrt(variance_of(line))};
  if (name == "mode") return {mode_of(line)};
  if (name == "any") return {std::any_of(line.begin(), line.end(), holds) ? 1.0 : 0.0};
  if (name == "all") return {std::all_of(line.begin(), line.end(), holds) ? 1.0 : 0.0};
  if (name == "cumsum" || name == "cumprod") return running(line, name == "cumsum");
  if (name == "range") return {line[place_of_most(line, true)] - line[place_of_most(line, false)]};
  return {line[place_of_most(line, name == "max")]};
}

// What `make` gives of each line of an array: of each column, or of each row where `by_row`.
template <typename Make>
Array along(const Array& array, bool by_row, Make make) {
  const auto rows = static_cast<std::size_t>(array.rows);
  const auto columns = static_cast<std::size_t>(array.columns);
  const std::size_t count = by_row ? rows : columns;
  const std::size_t size = by_row ? columns : rows;
  std::vector<Line> lines;
  for (std::size_t i = 0; i < count; ++i) {
    Line line;
    for (std::size_t k = 0; k < size; ++k)
      line.push_back(real_at(array, by_row ? i * columns + k : k * columns + i));
    lines.push_back(make(line));
  }
  const std::size_t made = lines.empty() ? 0 : lines[0].size();
  Array out =
      doubles(static_cast<int>(by_row ? count : made), static_cast<int>(by_row ? made : count), {});
  for (std::size_t i = 0; i < static_cast<std::size_t>(out.rows); ++i) {
    for (std::size_t k = 0; k < static_cast<std::size_t>(out.columns); ++k)
      out.reals.push_back(by_row ? lines[i][k] : lines[k][i]);
  }
  return out;
}

}  // namespace

bool Expressions::reduce(const Node& node, std::string_view name, const Arguments& arguments,
                         Value& out) {
  const std::string called(name);
  if (arguments.size() == 0) return not_yet(called + " without arguments is", node);
  const bool finds_most = name == "max" || name == "min";
  if (finds_most && arguments.size() == 2) return map_two(node, name, arguments, out);
  Array array;
  if (!take_any(node, arguments[0], array)) return false;
  if (array.is_complex()) {
    if (name != "sum" || arguments.size() != 1 || (array.rows != 1 && array.columns != 1))
      return not_yet(called + " of complex numbers is", node);
    out = Value::complex(sum_of(array.reals), sum_of(array.imaginaries));
    return true;
  }
  const bool is_truth = array.type == Type::truth;
  if (!take_double(node, arguments[0], array)) return false;
  bool by_row = array.rows == 1;
  bool descends = false;
  // The dimension, behind an empty array for max and min; for sort, also which way.
  for (std::size_t i = 1; i < arguments.size(); ++i) {
    const Value& argument = arguments[i];
    if (name == "sort" && argument.is(Type::text)) {
      const std::string_view way = argument.as_text();
      if (way != "ascend" && way != "descend") return not_yet("sort in this way is", node);
      descends = way == "descend";
      continue;
    }
    Array place;
    if (!take_any(node, argument, place)) return false;
    if (finds_most && i == 1 && place.is_empty()) continue;
    const bool is_last = i + 1 == arguments.size();
    const bool is_dimension = is_last && place.is_scalar() &&
                              (real_at(place, 0) == 1 || real_at(place, 0) == 2) && name != "std" &&
                              name != "var" && (finds_most ? i == 2 : i == 1);
    if (!is_dimension) return not_yet(called + " with these arguments is", node);
    by_row = real_at(place, 0) == 2;
  }
  const Type type = array.type;
  const bool keeps_class = finds_most || name == "sort";
  const bool is_wide = type == Type::i64 || type == Type::u64;
  const bool is_known =
      type == Type::f64 || (!is_wide && (keeps_class || name == "any" || name == "all" ||
                                         (type != Type::f32 && name == "sum")));
  if (array.is_empty() || !is_known) return not_yet(called + " of this is", node);
  Array made = along(array, by_row, [&](const Line& line) {
    if (name != "sort") return reduced(name, line);
    Line sorted;
    for (const std::size_t place : order_of(line, descends)) sorted.push_back(line[place]);
    return sorted;
  });
  if (name == "any" || name == "all")
    made = converted(made, Type::truth);
  else if (is_truth && name == "sort")
    made = converted(made, Type::truth);
  else if (type != Type::f64)
    made = converted(made, type);
  out = value_of(made);
  return true;
}

// The numbers of the elements that are not zero, column by column.
bool Expressions::find_places(const Node& node, const Arguments& arguments, Value& out) {
  Array array;
  if (arguments.size() < 1 || arguments.size() > 2 || !take_double(node, arguments[0], array))
    return not_yet("find with these arguments is", node);
  int most = most_elements;
  if (arguments.size() == 2 && !take_count(node, arguments[1], most)) return false;
  std::vector<double> found;
  for (std::size_t i = 0; i < count_of(array); ++i) {
    if (real_at(array, place_of(array, i)) != 0 && static_cast<int>(found.size()) < most)
      found.push_back(static_cast<double>(i + 1));
  }
  const int count = static_cast<int>(found.size());
  if (count == 0 && array.rows != 1) return not_yet("an array without rows is", node);
  out = value_of(array.rows == 1 ? row_of(std::move(found)) : doubles(count, 1, std::move(found)));
  return true;
}

bool Expressions::of_vectors(const Node& node, std::string_view name, const Arguments& arguments,
                             Value& out) {
  const std::string called(name);
  Array array;
  if (arguments.size() == 0) return not_yet(called + " without arguments is", node);
  if (!take_double(node, arguments[0], array)) return false;
  const bool is_vector = array.rows == 1 || array.columns == 1;
  if (name == "nnz" && arguments.size() == 1) {
    double count = 0;
    for (std::size_t i = 0; i < count_of(array); ++i) count += real_at(array, i) != 0 ? 1 : 0;
    out = Value::real(count);
    return true;
  }
  if (!is_vector || array.is_empty() || array.type != Type::f64)
    return not_yet(called + " of this is", node);
  const Line& x = array.reals;
  if (name == "diff" || name == "unique") {
    if (arguments.size() != 1) return not_yet(called + " with these arguments is", node);
    Line made;
    if (name == "diff") {
      for (std::size_t i = 1; i < x.size(); ++i) made.push_back(x[i] - x[i - 1]);
      if (made.empty()) return not_yet("diff of one element is", node);
    } else {
      made = x;
      if (std::any_of(x.begin(), x.end(), [](double one) { return std::isnan(one); }))
        return not_yet("unique of NaN is", node);
      std::sort(made.begin(), made.end());
      made.erase(std::unique(made.begin(), made.end()), made.end());
    }
    const int count = static_cast<int>(made.size());
    const bool lies = array.rows == 1;
    out = value_of(doubles(lies ? 1 : count, lies ? count : 1, std::move(made)));
    return true;
  }
  if (name == "norm") {
    if (arguments.size() != 1) return not_yet("this norm is", node);
    // As the library adds: by the largest so far.
    double scale = 0;
    double sum = 1;
    for (const double one : x) {
      const double size = std::fabs(one);
      if (std::isnan(size) || std::isinf(size)) return not_yet("the norm of this is", node);
      if (scale == size && size != 0) {
        sum += 1;
      } else if (scale < size) {
        sum *= (scale / size) * (scale / size);
        sum += 1;
        scale = size;
      } else if (size != 0) {
        sum += (size / scale) * (size / scale);
      }
    }
    out = Value::real(scale * std::sqrt(sum));
    return true;
  }
  Array other;
  if (arguments.size() != 2) return not_yet(called + " with these arguments is", node);
  if (!take_double(node, arguments[1], other)) return false;
  if (name == "polyval") {
    if (other.type != Type::f64) return not_yet("polyval of this is", node);
    for (double& at : other.reals) {
      double result = x[0];
      for (std::size_t i = 1; i < x.size(); ++i) result = result * at + x[i];
      at = result;
    }
    out = value_of(other);
    return true;
  }
  if (other.type != Type::f64 || other.reals.size() != x.size() ||
      (other.rows != 1 && other.columns != 1))
    return not_yet(called + " of these is", node);
  const Line& y = other.reals;
  if (name == "cross") {
    if (x.size() != 3 || array.rows != other.rows) return not_yet("cross of these is", node);
    array.reals = {x[1] * y[2] - x[2] * y[1], x[2] * y[0] - x[0] * y[2], x[0] * y[1] - x[1] * y[0]};
    out = value_of(array);
    return true;
  }
  // The library adds in an order of its own: it shows where a sum is not exact.
  constexpr double most = 0x1p53;
  double sum = 0;
  for (std::size_t i = 0; i < x.size(); ++i) {
    const double product = x[i] * y[i];
    sum += product;
    const bool exact = product == std::floor(product) && std::fabs(sum) < most;
    if (!exact && x.size() > 1) return not_yet("the dot product of these is", node);
  }
  out = Value::real(sum);
  return true;
}

// [m, i] = max(x), [s, i] = sort(x), [r, c] = size(x)
bool Expressions::evaluate_several(const Node& node, std::size_t count, std::vector<Value>& out) {
  const std::string path = node.kind == Node::Kind::call ? computed::path_of(node.parts[0]) : "";
  const bool is_known = has_word("max min sort size", path) && find(path) == nullptr && count == 2;
  if (!is_known || node.parts.size() < 2) return not_yet("several values of this are", node);
  Value first;
  if (!evaluate_again(node, first)) return false;
  if (path == "size") {
    if (!first.is(Type::list)) return not_yet("several values of this are", node);
    for (const Value& one : first.as_list()) out.push_back(one);
    return true;
  }
  Value given;
  Array array;
  if (!evaluate_again(node.parts[1], given) || !take_double(node, given, array)) return false;
  bool descends = false;
  if (path == "sort" && node.parts.size() == 3) {
    Value way;
    if (!evaluate_again(node.parts[2], way)) return false;
    if (!way.is(Type::text)) return not_yet("several values of this are", node);
    descends = way.as_text() == "descend";
  } else if (node.parts.size() != 2) {
    return not_yet("several values of this are", node);
  }
  const Array places = along(array, array.rows == 1, [&](const Line& line) {
    if (path != "sort") return Line{static_cast<double>(place_of_most(line, path == "max") + 1)};
    Line made;
    for (const std::size_t place : order_of(line, descends))
      made.push_back(static_cast<double>(place + 1));
    return made;
  });
  out = {std::move(first), value_of(places)};
  return true;
}

}  // namespace inky::inline v1::octave
