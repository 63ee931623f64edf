#include "expression_reader.hpp"

#include <algorithm>

#include "../family/escapes.hpp"
#include "../family/utf16.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

constexpr EscapeRules escape_rules = {.simple = "n\nt\tb\bv\vf\fr\r",
                                      .most_octal_digits = 0,
                                      .least_hexadecimal_digits = 2,
                                      .most_hexadecimal_digits = 2,
                                      .bytes = false};

// "\u{1f5a8}"; its length, or 0.
std::size_t read_braced(std::string_view text, std::string& out) {
  const std::size_t end = text.find('}');
  if (end == std::string_view::npos || end < 4) return 0;
  const std::string_view digits = text.substr(3, end - 3);
  if (digits.find_first_not_of("0123456789abcdefABCDEF") != std::string_view::npos) return 0;
  const auto number = read_whole("0x" + std::string(digits));
  if (!number || number->magnitude.bit_length() > 21) return 0;
  const auto point = static_cast<char32_t>(number->magnitude.low_bits());
  if (point > 0x10FFFF || (point >= 0xD800 && point < 0xE000)) return 0;
  append_utf8(point, out);
  return end + 1;
}

}  // namespace

bool is_name_start(char c) {
  return is_word_start(c) || c == '$';
}

// ECMA-262, 12.9.4 and 12.9.6: template literals have no octal escapes, and neither have strings
// that are checked strictly.
std::size_t read_escape(std::size_t at, TemplateContent& out) {
  const std::string_view rest = std::string_view(out.source).substr(at);
  const char letter = rest.size() > 1 ? rest[1] : '\0';
  if (letter == '\n') return 2;
  if (letter == '\r') return rest.starts_with("\\\r\n") ? 3 : 2;
  if (letter == '0' && (rest.size() == 2 || !is_digit(rest[2]))) {
    out.literals += '\0';
    return 2;
  }
  std::size_t size = read_surrogates(at, out);
  if (size == 0 && rest.starts_with("\\u{")) size = read_braced(rest, out.literals);
  if (size == 0 && letter != 'U') size = read_backslash(escape_rules, out.source, at, out.literals);
  if (size != 0) return size;
  if (letter != 'x' && letter != 'u' && !is_digit(letter) && rest.size() > 1) {
    const auto point = first_code_point(rest.substr(1));
    out.literals += rest.substr(1, static_cast<std::size_t>(point->bytes));
    return 1 + static_cast<std::size_t>(point->bytes);
  }
  if (!out.refusal) {
    out.refusal = {Refusal::When::compile, "SyntaxError",
                   "JavaScript has no such escape; a backslash itself is written \\\\",
                   Span{at, std::min(at + 2, out.source.size())}};
  }
  return std::min<std::size_t>(2, rest.size());
}

bool is_known_name(std::string_view name) {
  constexpr std::string_view names[] = {"Math", "String",    "Number", "true",     "false",
                                        "null", "undefined", "NaN",    "Infinity", "util",
                                        "JSON", "Object",    "Array",  "Intl"};
  return std::find(std::begin(names), std::end(names), name) != std::end(names);
}

namespace {

// What a function calls its own is no value, and neither is the name of a function that is called.
void collect_names(const Node& node, std::vector<std::string_view>& own,
                   std::vector<std::string>& names) {
  const bool is_own = std::find(own.begin(), own.end(), node.text) != own.end();
  if (node.kind == Node::Kind::name && !is_known_name(node.text) && !is_own)
    names.push_back(node.text);
  const std::size_t outside = own.size();
  if (node.kind == Node::Kind::function) own.insert(own.end(), node.keys.begin(), node.keys.end());
  const bool calls_name = (node.kind == Node::Kind::call || node.kind == Node::Kind::construct) &&
                          node.parts[0].kind == Node::Kind::name;
  for (std::size_t i = calls_name ? 1 : 0; i < node.parts.size(); ++i)
    collect_names(node.parts[i], own, names);
  own.resize(outside);
}

}  // namespace

std::vector<std::string> names_in(const Node& node) {
  std::vector<std::string_view> own;
  std::vector<std::string> names;
  collect_names(node, own, names);
  return names;
}

bool read_expression(TemplateContent& out, std::size_t& at, Node& node, bool commas) {
  Reader reader(out, at);
  const bool good = reader.read(node, commas);
  at = reader.at();
  return good;
}

}  // namespace inky::inline v1::javascript
