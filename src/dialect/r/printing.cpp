// What print() of R shows: vectors, with or without names, matrices and lists.

#include <algorithm>
#include <cmath>

#include "../family/values.hpp"
#include "expressions.hpp"
#include "vector_format.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;

constexpr int line_width = 80;

// Escapes in quotes are written already.
int columns_of(std::string_view text) {
  return static_cast<int>(measure(text, WidthUnit::columns));
}

int width_of_all(const std::vector<std::string>& texts) {
  int width = 0;
  for (const std::string& text : texts) width = std::max(width, columns_of(text));
  return width;
}

std::string padded_to(std::string_view text, int width, std::string_view justify) {
  return padded_by(text, width - columns_of(text), justify);
}

// Digits that a number needs at most, all of them exact: those of complex numbers are shared in a
// way of their own where it needs more.
bool is_short(double x) {
  const double scaled = std::fabs(x) * 1000;
  return scaled == std::floor(scaled) && scaled < 1e6;
}

// 1+2i, 3.5-1i: the real parts share one format, and so do the imaginary ones.
bool complex_texts(const std::vector<Value>& items, std::vector<std::string>& out) {
  std::vector<std::optional<BinaryReal>> reals;
  std::vector<std::optional<BinaryReal>> imaginaries;
  std::vector<bool> negative;
  for (const Value& item : items) {
    const auto parts = item.as_list();
    for (const Value& part : parts) {
      const double x = std::bit_cast<double>(low_half(part.bits()));
      if (!is_short(x)) return false;
    }
    reals.emplace_back(nearest_f64(parts[0]));
    BinaryReal imaginary = nearest_f64(parts[1]);
    negative.push_back(imaginary.negative && !imaginary.is_zero());
    imaginary.negative = false;
    imaginaries.emplace_back(imaginary);
  }
  constexpr int digits = 7;
  const Shared real = share(reals, digits, 0, 0);
  const Shared imaginary = share(imaginaries, digits, 0, 0);
  if (real.scientific || imaginary.scientific) return false;
  for (std::size_t i = 0; i < items.size(); ++i)
    out.push_back(number_text(reals[i], real) + (negative[i] ? "-" : "+") +
                  number_text(imaginaries[i], imaginary) + "i");
  return true;
}

}  // namespace

bool Expressions::texts_of(const Node& node, const Items& items, Mode mode, const Shown& shown,
                           std::vector<std::string>& out) {
  if (mode != Mode::real) {
    for (const Value& item : items) {
      const bool quotes = mode == Mode::character && shown.quotes && !item.is(Type::nil);
      if (mode == Mode::character && !shown.quotes && item.is(Type::nil))
        return not_yet("NA among texts without quotes is", node);
      out.push_back(quotes ? printed_quoted(item.as_text()) : as_character(item, mode));
    }
    return true;
  }
  std::vector<std::optional<BinaryReal>> numbers;
  for (const Value& item : items) {
    if (item.is(Type::nil))
      numbers.emplace_back();
    else
      numbers.emplace_back(nearest_f64(item));
  }
  const Shared shared = share(numbers, shown.digits, 0, 0);
  // The width is reckoned for all of them, and may be more than any of them needs.
  for (const auto& number : numbers)
    out.push_back(padded_to(number_text(number, shared), shared.width, "right"));
  return true;
}

// The number of the first element of each line, and the elements in one format. Names stand above
// their elements.
bool Expressions::print_vector(const Node& node, const Value& value, const Shown& shown,
                               std::string& out) {
  Items items;
  Mode mode = Mode::unknown;
  std::vector<std::string> texts;
  const bool is_complex =
      value.is(Type::complex) ||
      (value.is(Type::list) && !value.as_list().empty() && value.as_list()[0].is(Type::complex));
  if (is_complex) {
    const Items all = items_of(value);
    const bool known = std::all_of(all.begin(), all.end(),
                                   [](const Value& item) { return item.is(Type::complex); });
    if (!known || !complex_texts(all, texts))
      return not_yet("printing these complex numbers is", node);
    mode = Mode::real;
  } else {
    if (!take_items(node, value, items, mode)) return false;
    if (items.empty()) return not_yet("printing a vector of nothing is", node);
    if (!texts_of(node, items, mode, shown, texts)) return false;
  }
  const std::vector<std::string> names = names_of(value);
  if (!names.empty()) {
    const int width = std::max(width_of_all(texts), width_of_all(names));
    const auto in_line = static_cast<std::size_t>(std::max(1, line_width / (width + 1)));
    for (std::size_t from = 0; from < texts.size(); from += in_line) {
      const std::size_t to = std::min(from + in_line, texts.size());
      for (std::size_t i = from; i < to; ++i) out += padded_to(names[i], width, "right") + ' ';
      out += '\n';
      for (std::size_t i = from; i < to; ++i) out += padded_to(texts[i], width, "right") + ' ';
      out += '\n';
    }
    return true;
  }
  const int width = width_of_all(texts);
  const int label = static_cast<int>(std::to_string(texts.size()).size()) + 2;
  const auto in_line = static_cast<std::size_t>(std::max(1, (line_width - label) / (width + 1)));
  for (std::size_t i = 0; i < texts.size(); ++i) {
    if (i % in_line == 0) {
      if (i > 0) out += '\n';
      out += padded_to("[" + std::to_string(i + 1) + "]", label, "right");
    }
    out += ' ';
    out += padded_to(texts[i], width, mode == Mode::character ? "left" : "right");
  }
  out += '\n';
  return true;
}

// Each column has a format of its own.
bool Expressions::print_matrix(const Node& node, const Value& value, const Shown& shown,
                               std::string& out) {
  const Matrix matrix = matrix_of(value);
  Mode mode = Mode::unknown;
  Items all;
  if (!take_items(node, Value::list(matrix.items), all, mode)) return false;
  const std::string_view justify = mode == Mode::character && shown.quotes ? "left" : "right";
  if (mode == Mode::character && !shown.quotes) return not_yet("a matrix without quotes is", node);
  std::vector<std::vector<std::string>> columns;
  std::vector<int> widths;
  for (int column = 0; column < matrix.columns; ++column) {
    Items items;
    for (int row = 0; row < matrix.rows; ++row) items.push_back(matrix.at(row, column));
    columns.emplace_back();
    if (!texts_of(node, items, mode, shown, columns.back())) return false;
    const std::string heading = "[," + std::to_string(column + 1) + "]";
    widths.push_back(std::max(width_of_all(columns.back()), static_cast<int>(heading.size())));
  }
  // Wide enough for one row more: observed on R 4.2.2.
  const int label = static_cast<int>(std::to_string(matrix.rows + 1).size()) + 3;
  for (std::size_t from = 0; from < columns.size();) {
    int used = label;
    std::size_t to = from;
    while (to < columns.size() && (to == from || used + widths[to] + 1 <= line_width))
      used += widths[to++] + 1;
    out += std::string(static_cast<std::size_t>(label), ' ');
    for (std::size_t i = from; i < to; ++i)
      out += ' ' + padded_to("[," + std::to_string(i + 1) + "]", widths[i], justify);
    out += '\n';
    for (int row = 0; row < matrix.rows; ++row) {
      out += padded_to("[" + std::to_string(row + 1) + ",]", label, "right");
      for (std::size_t i = from; i < to; ++i)
        out += ' ' + padded_to(columns[i][static_cast<std::size_t>(row)], widths[i], justify);
      out += '\n';
    }
    from = to;
  }
  return true;
}

bool Expressions::print_value(const Node& node, const Value& value, const Shown& shown,
                              std::string& out) {
  if (is_matrix(value)) return print_matrix(node, value, shown, out);
  // NULL, or a vector of some mode without elements: numeric(0).
  if (value.is(Type::list) && value.as_list().empty())
    return not_yet("printing what has no elements is", node);
  if (!value.is(Type::record)) return print_vector(node, value, shown, out);
  for (const Value& field : value.as_list()) {
    Value plain = field;
    plain.drop_name();
    if (field.is(Type::record)) return not_yet("printing a list in a list is", node);
    out += "$" + std::string(field.name()) + "\n";
    if (!print_value(node, plain, shown, out)) return false;
    out += '\n';
  }
  return true;
}

// print(x), with digits and quote.
bool Expressions::print(const Node& node, const Arguments& arguments, Value& out) {
  Shown shown;
  if (arguments.size() != 1) return not_yet("print with these arguments is", node);
  for (const auto& [key, value] : arguments.named) {
    std::int64_t digits = 0;
    if (key == "quote" && value.is(Type::truth)) {
      shown.quotes = value.as_whole() != 0;
    } else if (key == "digits") {
      constexpr std::int64_t most_digits = 15;
      if (!take_whole(node, value, digits)) return false;
      if (digits < 1 || digits > most_digits) return not_yet("this number of digits is", node);
      shown.digits = static_cast<int>(digits);
    } else {
      return not_yet("the argument " + key + " of print is", node);
    }
  }
  std::string text;
  const Node& shown_node = node.parts[1];
  const bool is_null = arguments[0].is(Type::list) && arguments[0].as_list().empty() &&
                       (shown_node.kind == Node::Kind::constant ||
                        (shown_node.kind == Node::Kind::call && shown_node.parts.size() == 1 &&
                         computed::path_of(shown_node.parts[0]) == "c"));
  if (is_null) {
    out = Value::text("NULL\n");
    return true;
  }
  if (!print_value(node, arguments[0], shown, text)) return false;
  out = Value::text(std::move(text));
  return true;
}

}  // namespace inky::inline v1::r_language
