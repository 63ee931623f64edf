// The expressions that a session has without computing: names, numbers, texts, matrices of these.

#include <bit>

#include "inky_margin/number/decimal.hpp"
#include "session_reader.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::octave {

bool SessionReader::read_number(Expression& out) {
  const std::size_t start = at_;
  if (peek() == '0' && (peek(1) == 'x' || peek(1) == 'X' || peek(1) == 'b' || peek(1) == 'B'))
    return not_yet("numbers of another base, which are no doubles, are", start);
  while (is_digit(peek())) ++at_;
  if (peek() == '.') ++at_;
  while (is_digit(peek())) ++at_;
  if (peek() == 'e' || peek() == 'E') {
    const std::size_t digits = peek(1) == '-' || peek(1) == '+' ? 2 : 1;
    if (!is_digit(peek(digits))) return parse_error("the exponent has no digits", start);
    at_ += digits;
    while (is_digit(peek())) ++at_;
  }
  if (is_word_start(peek())) return not_yet("complex numbers and such are", start);
  std::string_view digits = source_.substr(start, at_ - start);
  std::string plain(digits);
  if (const std::size_t point = plain.find('.');
      point != std::string::npos && !is_digit(point + 1 < plain.size() ? plain[point + 1] : '\0'))
    plain.insert(point + 1, "0");
  const auto bits = read_real(binary64, plain);
  if (!bits) return not_yet("such a number is", start);
  out.literal.reals = {std::bit_cast<double>(low_half(*bits))};
  tell(
      "number", [&] { return std::string("the double nearest to it"); }, field_);
  return true;
}

bool SessionReader::read_word(Expression& out, int depth) {
  const std::size_t start = at_;
  out.name = read_name();
  const display::ClassFact* to = display::find_fact(display::classes, out.name);
  const std::size_t after = at_;
  skip_blanks();
  if (peek() == '(' && depth_of_matrix_ == 0) {
    if (to == nullptr) return not_yet("calls and parts of arrays are", start);
    ++at_;
    tell(
        "class", [&] { return std::string("the nearest of the class " + out.name); }, field_);
    out.kind = Expression::Kind::conversion;
    out.to = to->type;
    out.rows.resize(1);
    out.rows[0].resize(1);
    if (!read_expression(out.rows[0][0], depth + 1)) return false;
    skip_blanks();
    if (at_end()) return parse_error("the closing bracket is missing", start);
    if (peek() != ')') return not_yet("operators and other expressions are", at_);
    ++at_;
    tell(
        "class", [&] { return std::string("the end of the call"); }, field_);
    return true;
  }
  at_ = after;
  if (peek() == '(' || (peek() == '\'') || peek() == '.' || peek() == '{')
    return not_yet("calls and parts of arrays are", start);
  if (has_word("intmax intmin ans i j I J", out.name)) return not_yet("this name here is", start);
  out.kind = Expression::Kind::name;
  const bool kept = std::find(kept_.begin(), kept_.end(), out.name) != kept_.end();
  if (!kept && !display::is_constant(out.name)) names_.add(out.name);
  tell(
      "value",
      [&] {
        return std::string(display::is_constant(out.name) ? "a constant"
                                                          : "the value named " + out.name);
      },
      field_);
  return true;
}

bool SessionReader::read_text(Expression& out) {
  const std::size_t start = at_;
  const char quote = source_[at_++];
  out.literal.type = Type::text;
  for (;;) {
    if (at_end() || peek() == '\n') return parse_error("the text has no closing quote", start);
    const char c = source_[at_++];
    if (c == quote) {
      if (peek() != quote) break;
      ++at_;
      out.literal.text += quote;
    } else if (c == '\\' && quote == '"') {
      constexpr std::string_view letters = "ntr\"'\\";
      constexpr std::string_view meanings = "\n\t\r\"'\\";
      const std::size_t which = letters.find(peek());
      if (at_end() || which == std::string_view::npos) return not_yet("this escape is", at_ - 1);
      out.literal.text += meanings[which];
      ++at_;
    } else {
      out.literal.text += c;
    }
  }
  if (out.negative || depth_of_matrix_ > 0) return not_yet("texts as numbers are", start);
  tell(
      "text", [&] { return std::string(in_quotes(out.literal.text)); }, field_);
  return true;
}

// Elements between commas or blanks, rows between semicolons or line ends.
bool SessionReader::read_matrix(Expression& out, int depth) {
  const std::size_t start = at_;
  if (depth_of_matrix_ > 0) return not_yet("matrices in matrices are", start);
  out.kind = Expression::Kind::matrix;
  ++depth_of_matrix_;
  ++at_;
  tell(
      "matrix", [&] { return std::string("a matrix, row by row"); }, field_);
  out.rows.emplace_back();
  for (;;) {
    skip_blanks();
    const char c = peek();
    if (at_end()) return parse_error("the closing bracket of the matrix is missing", start);
    if (c == ']') break;
    if (c == ';' || c == '\n' || c == '\r') {
      ++at_;
      if (!out.rows.back().empty()) out.rows.emplace_back();
      continue;
    }
    if (c == ',') {
      if (out.rows.back().empty())
        return parse_error("an element is missing before the comma", at_);
      ++at_;
      continue;
    }
    if ((c == '-' || c == '+') && (peek(1) == ' ' || peek(1) == '\t') && !out.rows.back().empty())
      return not_yet("operators are", at_);
    out.rows.back().emplace_back();
    if (!read_expression(out.rows.back().back(), depth + 1)) return false;
    if (std::string_view(" \t,;]\r\n").find(peek()) == std::string_view::npos)
      return not_yet("operators and other expressions are", at_);
  }
  if (out.rows.back().empty()) out.rows.pop_back();
  ++at_;
  --depth_of_matrix_;
  tell(
      "matrix", [&] { return std::string("the end of the matrix"); }, field_);
  return true;
}

}  // namespace inky::inline v1::octave
