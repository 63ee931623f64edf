// The literals in expressions: numbers, texts, templates and objects.

#include <bit>

#include "expression_reader.hpp"
#include "inky_margin/number/decimal.hpp"
#include "numbers.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::javascript {

namespace {

double nearest_double(std::string_view text) {
  return std::bit_cast<double>(low_half(*read_real(binary64, text)));
}

// A whole number in base 16, 8 or 2, as the nearest double.
double nearest_double(const SignedNatural& whole) {
  std::string digits;
  append_whole(whole.magnitude, 10, Letters::lower, digits);
  return nearest_double(digits);
}

}  // namespace

// ECMA-262, 12.9.3.
bool Reader::read_number(Node& node) {
  const std::size_t start = at_;
  const char mark = static_cast<char>(peek(1) | 0x20);
  const bool based = peek() == '0' && (mark == 'x' || mark == 'o' || mark == 'b');
  if (peek() == '0' && is_digit(peek(1))) return not_yet("numbers that begin with 0 are", start);
  bool has_point = false;
  std::string digits;
  if (based) {
    for (; is_name_part(peek()); ++at_) digits += peek();
  } else {
    for (;; ++at_) {
      const char c = peek();
      const bool exponent = (c == 'e' || c == 'E') && at_ > start;
      if (c == '.' && has_point) break;
      if (!is_digit(c) && c != '.' && c != '_' && !exponent) break;
      digits += c;
      has_point = has_point || c == '.' || exponent;
      if (exponent && (peek(1) == '+' || peek(1) == '-')) digits += source_[++at_];
    }
  }
  bool big = !based && !has_point && peek() == 'n';
  if (big) ++at_;
  if (based && digits.ends_with('n')) {
    big = true;
    digits.pop_back();
  }
  const bool separated = digits.find("__") == std::string::npos && !digits.ends_with('_') &&
                         digits.find("_.") == std::string::npos &&
                         digits.find("._") == std::string::npos;
  digits.erase(std::remove(digits.begin(), digits.end(), '_'), digits.end());
  if (based) {
    for (char& c : digits) c = static_cast<char>(c | (c >= 'A' && c <= 'Z' ? 0x20 : 0));
  }
  const auto whole = based || big ? read_whole(digits) : std::nullopt;
  const bool good = based || big ? whole.has_value() : scan_decimal(digits).has_value();
  if (!good || !separated || is_name_part(peek()))
    return syntax_error(in_quotes(source_.substr(start, at_ - start + 1)) +
                            " is no number of JavaScript; a member of a whole number is written "
                            "(5).toFixed(2)",
                        start);
  node.kind = big ? Node::Kind::big : Node::Kind::number;
  if (big)
    node.big = *whole;
  else
    node.number = based ? nearest_double(*whole) : nearest_double(digits);
  return true;
}

bool Reader::read_text(Node& node) {
  const std::size_t start = at_;
  const char quote = source_[at_++];
  const std::size_t kept = out_.literals.size();
  while (at_ < source_.size() && source_[at_] != quote && source_[at_] != '\n') {
    if (source_[at_] == '\\')
      at_ += read_escape(at_, out_);
    else
      out_.literals += source_[at_++];
    if (out_.refusal) return false;
  }
  if (peek() != quote)
    return syntax_error(std::string("a closing ") + quote + " is missing", start);
  ++at_;
  node.kind = Node::Kind::text;
  node.text = out_.literals.substr(kept);
  out_.literals.resize(kept);
  return true;
}

// A template inside a slot.
bool Reader::read_template(Node& node) {
  const std::size_t start = at_++;
  node.kind = Node::Kind::text_template;
  node.keys.emplace_back();
  const std::size_t kept = out_.literals.size();
  const auto take = [&] {
    node.keys.back() = out_.literals.substr(kept);
    out_.literals.resize(kept);
  };
  while (at_ < source_.size() && source_[at_] != '`') {
    if (starts_with("${")) {
      take();
      at_ += 2;
      node.parts.emplace_back();
      if (!read_sequence(node.parts.back()) || !close('}', start)) return false;
      node.keys.emplace_back();
    } else if (source_[at_] == '\\') {
      at_ += read_escape(at_, out_);
      if (out_.refusal) return false;
    } else {
      out_.literals += source_[at_++];
    }
  }
  if (at_ >= source_.size()) return syntax_error("a closing ` is missing", start);
  take();
  ++at_;
  return true;
}

// A part of an object: a: 1, "a": 1, 1: 1, [a]: 1, a, ...a
bool Reader::read_part(Node& node, std::size_t start) {
  const std::size_t from = at_;
  Node key;
  bool may_be_short = false;
  if (starts_with("...")) {
    at_ += 3;
    node.keys.emplace_back();
    if (!read_sum(node.parts.emplace_back())) return false;
    wrap(node.parts.back(), Node::Kind::spread);
    return true;
  }
  if (peek() == '[') {
    ++at_;
    Node entry;
    entry.kind = Node::Kind::entry;
    entry.parts.resize(2);
    if (!read_sum(entry.parts[0]) || !close(']', from)) return false;
    skip_blanks();
    if (peek() != ':') return not_yet("such parts of objects are", at_);
    ++at_;
    if (!read_sum(entry.parts[1])) return false;
    entry.span = {from, at_};
    node.keys.emplace_back();
    node.parts.push_back(std::move(entry));
    return true;
  }
  if (peek() == '"' || peek() == '\'') {
    if (!read_text(key)) return false;
  } else if (is_name_start(peek())) {
    key.text = read_name();
    may_be_short = true;
  } else if (is_digit(peek())) {
    if (!read_number(key)) return false;
    if (key.kind != Node::Kind::number) return not_yet("such keys of objects are", from);
    key.text = number_text(key.number);
  } else {
    return at_ >= source_.size() ? syntax_error("a closing } is missing", start)
                                 : not_yet("such keys of objects are", at_);
  }
  key.span = {from, at_};
  skip_blanks();
  node.keys.push_back(key.text);
  node.parts.emplace_back();
  if (may_be_short && (peek() == ',' || peek() == '}')) {
    node.parts.back().kind = Node::Kind::name;
    node.parts.back().text = std::move(key.text);
    node.parts.back().span = key.span;
    return true;
  }
  if (peek() != ':') return not_yet("such parts of objects are", at_);
  ++at_;
  return read_sum(node.parts.back());
}

// The characters stand for themselves, a backslash, too.
bool Reader::read_raw(Node& node, std::size_t start) {
  const bool is_raw = node.kind == Node::Kind::member && node.text == "raw" &&
                      node.parts[0].kind == Node::Kind::name && node.parts[0].text == "String";
  if (!is_raw) return not_yet("tagged templates are", start);
  const std::size_t from = at_;
  Node literal;
  if (!read_template(literal)) return false;
  const std::string_view inside = source_.substr(from + 1, at_ - from - 2);
  if (!literal.parts.empty() || inside.find('\\') == std::string_view::npos) {
    if (inside.find('\\') != std::string_view::npos)
      return not_yet("String.raw with slots and backslashes is", start);
    literal.span = node.span;
    node = std::move(literal);
    return true;
  }
  const Span span = node.span;
  node = {};
  node.kind = Node::Kind::text;
  node.text = inside;
  node.span = span;
  return true;
}

bool Reader::read_pattern(Node& node) {
  const std::size_t start = at_++;
  bool is_inside = false;  // of brackets
  for (; at_ < source_.size() && source_[at_] != '\n'; ++at_) {
    const char c = source_[at_];
    if (c == '/' && !is_inside) break;
    if (c == '\\') ++at_;
    is_inside = c == '[' || (is_inside && c != ']');
  }
  if (peek() != '/') return syntax_error("a closing / is missing", start);
  node.kind = Node::Kind::pattern;
  node.text = source_.substr(start + 1, at_ - start - 1);
  ++at_;
  node.keys.push_back(read_name());
  return true;
}

bool Reader::read_object(Node& node, std::size_t start) {
  node.kind = Node::Kind::object;
  for (;;) {
    skip_blanks();
    if (peek() == '}') {
      ++at_;
      return true;
    }
    if (!read_part(node, start)) return false;
    skip_blanks();
    if (peek() == ',')
      ++at_;
    else if (peek() != '}')
      return syntax_error("a closing } is missing", start);
  }
}

}  // namespace inky::inline v1::javascript
