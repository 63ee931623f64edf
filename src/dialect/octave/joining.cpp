// Matrices made of parts, in expressions of Octave: the GNU Octave manual, Matrices.

#include <algorithm>

#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

// The class of parts side by side: texts come first, then the first of the integer classes, then
// single; truth values stay where there is nothing else.
Type joined_class(const std::vector<Array>& parts) {
  Type out = Type::truth;
  for (const Array& part : parts) {
    if (part.type == Type::text) return Type::text;
    const bool is_integer = !part.is_real() && part.type != Type::truth;
    const bool has_integer = out != Type::f64 && out != Type::f32 && out != Type::truth;
    if (has_integer) continue;
    if (is_integer || (part.type == Type::f32) || (out == Type::truth)) out = part.type;
  }
  return out;
}

}  // namespace

bool Expressions::join_arrays(const Node& node, std::vector<Array> parts, bool beside, Array& out) {
  // [] is left out, but its class counts.
  const Type type = joined_class(parts);
  const bool has_text = type == Type::text;
  std::erase_if(parts, [](const Array& part) {
    return part.rows == 0 || (part.columns == 0 && (part.rows == 0 || part.type == Type::text));
  });
  out = {};
  out.rows = 0;
  out.columns = 0;
  out.type = type;
  if (parts.empty()) {
    out.rows = has_text ? 1 : 0;
    return true;
  }
  bool is_complex = false;
  for (Array& part : parts) {
    if (has_text && part.type != Type::text)
      return not_yet("numbers and texts side by side are", node);
    is_complex = is_complex || part.is_complex();
    if (part.type == type) continue;
    if (part.is_complex()) return not_yet("complex numbers of another class are", node);
    part = converted(part, type);
  }
  // Rows of text are all as long as the longest.
  if (has_text && !beside) {
    int width = 0;
    for (const Array& part : parts) width = std::max(width, part.columns);
    for (Array& part : parts) {
      std::string padded;
      for (int row = 0; row < part.rows; ++row) {
        const auto columns = static_cast<std::size_t>(part.columns);
        padded += part.text.substr(static_cast<std::size_t>(row) * columns, columns);
        padded.append(static_cast<std::size_t>(width - part.columns), ' ');
      }
      part.text = std::move(padded);
      part.columns = width;
    }
  }
  const Array& first = parts[0];
  for (const Array& part : parts) {
    if (beside ? part.rows != first.rows : part.columns != first.columns) {
      Array before = first;
      if (beside)
        before.columns = 0;
      else
        before.rows = 0;
      for (const Array& one : parts) {
        if (&one == &part) break;
        (beside ? before.columns : before.rows) += beside ? one.columns : one.rows;
      }
      return raise(std::string(beside ? "horizontal" : "vertical") + " dimensions mismatch (" +
                       size_text(before) + " vs " + size_text(part) + ")",
                   node);
    }
    (beside ? out.columns : out.rows) += beside ? part.columns : part.rows;
  }
  (beside ? out.rows : out.columns) = beside ? first.rows : first.columns;
  if (out.rows > most_elements || out.columns > most_elements ||
      count_of(out) > static_cast<std::size_t>(most_elements))
    return over_limit("a matrix of more than 10,000 elements", node);
  const auto add = [&](const Array& part, std::size_t from, std::size_t count) {
    const auto range = [&](auto& to, const auto& items) {
      if (items.empty()) return;
      const auto start = items.begin() + static_cast<std::ptrdiff_t>(from);
      to.insert(to.end(), start, start + static_cast<std::ptrdiff_t>(count));
    };
    range(out.reals, part.reals);
    range(out.wholes, part.wholes);
    range(out.text, part.text);
    if (!is_complex) return;
    if (part.is_complex())
      range(out.imaginaries, part.imaginaries);
    else
      out.imaginaries.insert(out.imaginaries.end(), count, 0.0);
  };
  if (!beside) {
    for (const Array& part : parts) add(part, 0, count_of(part));
    return true;
  }
  for (std::size_t row = 0; row < static_cast<std::size_t>(out.rows); ++row) {
    for (const Array& part : parts) {
      const auto width = static_cast<std::size_t>(part.columns);
      add(part, row * width, width);
    }
  }
  return true;
}

// Each row is joined side by side first, and then the rows below each other.
bool Expressions::join(const Node& matrix, Value& out) {
  std::vector<Array> rows;
  for (const Node& row : matrix.parts) {
    std::vector<Array> items;
    for (const Node& item : row.parts) {
      Value value;
      items.emplace_back();
      if (!evaluate_again(item, value) || !take_any(item, value, items.back())) return false;
    }
    rows.emplace_back();
    if (!join_arrays(matrix, std::move(items), true, rows.back())) return false;
  }
  Array made;
  if (!join_arrays(matrix, std::move(rows), false, made)) return false;
  out = value_of(made);
  return true;
}

}  // namespace inky::inline v1::octave
