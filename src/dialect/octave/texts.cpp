// The functions that make texts, in expressions of Octave: sprintf and its like, num2str, mat2str.

#include <algorithm>
#include <cmath>

#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "text/lower_case.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

std::string trimmed(std::string_view text) {
  constexpr std::string_view blanks = " \t\n\v\f\r";
  const std::size_t from = std::min(text.find_first_not_of(blanks), text.size());
  const std::size_t to = text.find_last_not_of(blanks) + 1;
  return std::string(text.substr(from, std::max(to, from) - from));
}

// The format that num2str chooses for all elements: num2str.m of Octave 7.3.
std::string format_of(const Array& array) {
  if (array.type == Type::truth) return "%3d";
  double most = 0;
  bool are_wholes = true;
  bool all_finite = true;
  const auto look = [&](double x) {
    if (!std::isfinite(x)) {
      all_finite = false;
      return;
    }
    most = std::max(most, std::fabs(x));
    are_wholes = are_wholes && x == std::trunc(x);
  };
  for (const double x : array.reals) look(x);
  for (const int128 x : array.wholes) look(static_cast<double>(x));
  int digits = most == 0 ? 0 : static_cast<int>(std::floor(std::log10(most)));
  constexpr int most_whole = 15;
  if (digits > most_whole || !are_wholes) {
    digits = std::clamp(digits + 5, 5, 16);
    return "%" + std::to_string(digits + 7) + "." + std::to_string(digits) + "g";
  }
  digits += 3;
  if (!all_finite) digits = std::max(digits, 5);
  return "%" + std::to_string(digits) + (array.is_real() ? ".0f" : "d");
}

// The letter of the first field of a format; NUL where it has none.
char first_letter(std::string_view format) {
  for (std::size_t at = format.find('%'); at != std::string_view::npos;
       at = format.find('%', at + 2)) {
    const std::size_t end = format.find_first_not_of("-+ #0123456789.*", at + 1);
    if (end == std::string_view::npos) break;
    if (format[end] != '%') return format[end];
  }
  return '\0';
}

// What the escapes of a format stand for: do_string_escapes. Nothing where one is not known here.
std::optional<std::string> without_escapes(std::string_view text) {
  constexpr std::string_view letters = "abfnrtv\\'\"";
  constexpr std::string_view meanings = "\a\b\f\n\r\t\v\\'\"";
  std::string out;
  for (std::size_t at = 0; at < text.size(); ++at) {
    if (text[at] != '\\') {
      out += text[at];
      continue;
    }
    const std::size_t which =
        at + 1 < text.size() ? letters.find(text[at + 1]) : std::string_view::npos;
    if (which == std::string_view::npos) return std::nullopt;
    out += meanings[which];
    ++at;
  }
  return out;
}

}  // namespace

// Every element is a value of its own, column by column. The escapes of a format between single
// quotes are its own.
bool Expressions::fill_in(const Node& node, const Arguments& arguments, Value& out) {
  if (arguments.size() == 0 || !arguments[0].is(Type::text))
    return not_yet("a template of this is", node);
  const std::size_t part = node.parts.size() - arguments.size();
  const Node& source = node.parts[part < node.parts.size() ? part : 0];
  std::string format(arguments[0].as_text());
  if (format.find('\\') != std::string::npos && (!computed::is_text(source) || source.is_raw)) {
    const auto meant = computed::is_text(source) ? without_escapes(format) : std::nullopt;
    if (!meant) return not_yet("a template with this backslash is", node);
    format = *meant;
  }
  std::vector<Value> values;
  for (const Value& argument : std::span<const Value>(arguments.values).subspan(1)) {
    Array array;
    if (!take_any(node, argument, array)) return false;
    // A field of reals prints the real part; what others do is not known here, but for wholes.
    if (array.is_complex() && array.is_scalar()) {
      const char letter = arguments.size() == 2 ? first_letter(format) : '\0';
      if (letter == 'd' || letter == 'i')
        return raise("wrong type argument 'complex scalar'", node);
      if (std::string_view("eEfFgG").find(letter) == std::string_view::npos)
        return not_yet("a complex number with such a template is", node);
    }
    if (array.is_complex() && !array.is_scalar())
      return raise("wrong type argument 'complex matrix'", node);
    // Of a complex number the real part is printed, of rows of text one column after the other.
    array.imaginaries.clear();
    if (array.type == Type::text && array.rows > 1) {
      std::vector<std::size_t> places;
      for (std::size_t i = 0; i < count_of(array); ++i) places.push_back(place_of(array, i));
      array = elements_at(array, places, 1, static_cast<int>(places.size()));
    }
    if (array.type == Type::text || array.is_scalar()) {
      values.push_back(value_of(array));
      continue;
    }
    for (std::size_t i = 0; i < count_of(array); ++i)
      values.push_back(value_of(element_of(array, place_of(array, i))));
  }
  return fill(node, *octave_dialect(), format, values, out);
}

// num2str(x), num2str(x, digits), num2str(x, format); of a row of numbers at most.
bool Expressions::number_as_text(const Node& node, const Arguments& arguments, Value& out) {
  Array array;
  if (arguments.size() == 0 || arguments.size() > 2)
    return not_yet("num2str with these arguments is", node);
  if (!take(node, arguments[0], array)) return false;
  if (array.type == Type::text) {
    out = arguments[0];
    return true;
  }
  if (array.is_empty()) return not_yet("num2str of such a matrix is", node);
  std::string format = format_of(array);
  if (arguments.size() == 2 && arguments[1].is(Type::text)) {
    format = arguments[1].as_text();
  } else if (arguments.size() == 2) {
    int digits = 0;
    if (!take_count(node, arguments[1], digits)) return false;
    if (digits < 0) return raise("num2str: PRECISION must be a scalar integer >= 0", node);
    const std::string width = std::to_string(array.is_real() ? digits + 7 : digits);
    format =
        "%" + width + (array.is_real() ? "." + std::to_string(digits) + "g" : std::string("d"));
  }
  std::string all;
  const bool is_repeated = std::count(format.begin(), format.end(), '%') == 1;
  if (!is_repeated) return not_yet("num2str with such a format is", node);
  constexpr std::size_t most = 10'000;
  if (count_of(array) > most) return not_yet("num2str of more than 10,000 elements is", node);
  const auto columns = static_cast<std::size_t>(array.columns);
  for (std::size_t i = 0; i < columns; ++i) all += format;
  std::vector<std::string> rows;
  for (std::size_t row = 0; row < static_cast<std::size_t>(array.rows); ++row) {
    std::vector<Value> values;
    for (std::size_t i = 0; i < columns; ++i)
      values.push_back(value_of(element_of(array, row * columns + i)));
    Value made;
    if (!fill(node, *octave_dialect(), all, values, made)) return false;
    rows.emplace_back(made.as_text());
  }
  if (rows.size() == 1) {
    out = Value::text(trimmed(rows[0]));
    return true;
  }
  // Of several rows the blanks go that all begin with.
  std::size_t blanks = rows[0].size();
  for (const std::string& row : rows) {
    if (row.size() != rows[0].size()) return not_yet("num2str of such a matrix is", node);
    blanks = std::min(blanks, std::min(row.find_first_not_of(' '), row.size()));
  }
  std::vector<Value> texts;
  texts.reserve(rows.size());
  for (const std::string& row : rows) texts.push_back(Value::text(row.substr(blanks)));
  out = Value::list(std::move(texts));
  return true;
}

// mat2str(x), mat2str(x, digits): as one would type it.
bool Expressions::matrix_as_text(const Node& node, const Arguments& arguments, Value& out) {
  Array array;
  int digits = 15;
  if (arguments.size() == 0 || arguments.size() > 2 || !take(node, arguments[0], array) ||
      array.type == Type::text || array.is_empty())
    return not_yet("mat2str with these arguments is", node);
  if (arguments.size() == 2 && !take_count(node, arguments[1], digits)) return false;
  const std::string format = "%." + std::to_string(digits) + "g";
  std::string made;
  for (std::size_t i = 0; i < count_of(array); ++i) {
    if (i > 0) made += i % static_cast<std::size_t>(array.columns) == 0 ? ";" : " ";
    if (array.type == Type::truth) {
      made += array.wholes[i] != 0 ? "true" : "false";
      continue;
    }
    const Value number = value_of(element_of(array, i));
    Value text;
    if (!fill(node, *octave_dialect(), format, {&number, 1}, text)) return false;
    made += text.as_text();
  }
  out = Value::text(array.is_scalar() ? made : "[" + made + "]");
  return true;
}

bool Expressions::show(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out) {
  // What is printed is a text here.
  if (name == "printf" || name == "sprintf") return fill_in(node, arguments, out);
  if (name == "fprintf") {
    Arguments given = arguments;
    const bool has_stream = given.size() > 1 && !given[0].is(Type::text);
    if (has_stream) given.values.erase(given.values.begin());
    return fill_in(node, given, out);
  }
  if (name == "num2str") return number_as_text(node, arguments, out);
  if (name == "mat2str") return matrix_as_text(node, arguments, out);
  Array array;
  if (arguments.size() != 1) return not_yet(std::string(name) + " with these arguments is", node);
  if (!take_any(node, arguments[0], array)) return false;
  if (name == "disp") {
    if (in_session_) return not_yet("disp in an expression is", node);
    array.is_range = is_range(node.parts[1]) && !array.is_scalar();
    out = Value::text(displayed(array, {}));
    return true;
  }
  if (array.type != Type::text || array.rows != 1)
    return not_yet(std::string(name) + " of this is", node);
  if (name == "puts") {
    out = arguments[0];
    return true;
  }
  if (!is_ascii(array.text)) return not_yet(std::string(name) + " of this is", node);
  const bool raises = name == "upper" || name == "toupper";
  out = Value::text(raises ? upper_case(array.text) : lower_case(array.text));
  return true;
}

}  // namespace inky::inline v1::octave
