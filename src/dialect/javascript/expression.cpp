#include "expression.hpp"

#include <algorithm>
#include <bit>

#include "../family/escapes.hpp"
#include "../family/pasted_source.hpp"
#include "../family/utf16.hpp"
#include "inky_margin/number/decimal.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

bool is_name_part(char c) {
  return is_name_start(c) || is_digit(c);
}

double nearest_double(std::string_view text) {
  return std::bit_cast<double>(low_half(*read_real(binary64, text)));
}

// A whole number in base 16, 8 or 2, as the nearest double.
double nearest_double(const SignedNatural& whole) {
  std::string digits;
  append_whole(whole.magnitude, 10, Letters::lower, digits);
  return nearest_double(digits);
}

class Reader : PastedSource {
 public:
  Reader(TemplateContent& out, std::size_t at) : PastedSource(out, at) {}

  bool read(Node& node) { return read_sum(node); }
  std::size_t at() const { return at_; }

 private:
  bool syntax_error(std::string why, std::size_t from) {
    return refuse(Refusal::When::compile, "SyntaxError", std::move(why), from);
  }
  void skip_blanks() { skip_blanks_and_comments(); }

  // Moves what is read so far under a new node.
  static void wrap(Node& node, Node::Kind kind) {
    Node outer;
    outer.kind = kind;
    outer.span = node.span;
    outer.parts.push_back(std::move(node));
    node = std::move(outer);
  }

  bool read_sum(Node& node) {
    if (++depth_ > most_depth) return not_yet("expressions nested so deep are", at_);
    const bool read = read_operators(node, 1) && read_condition(node);
    --depth_;
    return read && check_end();
  }

  // The longest operator that begins here; null where none does.
  const computed::OperatorFact* find_operator() const {
    const computed::OperatorFact* found = nullptr;
    for (const computed::OperatorFact& fact : operators.infix) {
      const bool is_longer = found == nullptr || fact.text.size() > found->text.size();
      if (starts_with(fact.text) && is_longer) found = &fact;
    }
    return found;
  }

  bool read_operators(Node& node, int level) {
    if (!read_unary(node)) return false;
    for (;;) {
      skip_blanks();
      const computed::OperatorFact* found = find_operator();
      if (found == nullptr || found->operation == computed::Operation::none || found->level < level)
        return true;
      const std::size_t start = at_;
      at_ += found->text.size();
      const bool is_power = found->operation == computed::Operation::power;
      if (is_power && node.kind == Node::Kind::unary && !node.enclosed)
        return syntax_error("what is before ** needs parentheses", start);
      wrap(node, Node::Kind::binary);
      node.operation = found->operation;
      node.parts.emplace_back();
      if (!read_operators(node.parts[1], found->level + (found->right_first ? 0 : 1))) return false;
      node.span.to = node.parts[1].span.to;
      if (mixes_choices(node)) return syntax_error("?? with && or || needs parentheses", start);
    }
  }

  static bool mixes_choices(const Node& node) {
    using computed::Operation;
    const auto is_choice = [](const Node& part) {
      const bool chooses = part.operation == Operation::both || part.operation == Operation::either;
      return part.kind == Node::Kind::binary && !part.enclosed && chooses;
    };
    const auto is_default = [](const Node& part) {
      return part.kind == Node::Kind::binary && !part.enclosed &&
             part.operation == Operation::if_nil;
    };
    return std::any_of(node.parts.begin(), node.parts.end(), [&](const Node& part) {
      return (node.operation == Operation::if_nil && is_choice(part)) ||
             (is_choice(node) && is_default(part));
    });
  }

  bool read_condition(Node& node) {
    skip_blanks();
    if (peek() != '?' || peek(1) == '.') return true;
    const std::size_t start = at_++;
    wrap(node, Node::Kind::condition);
    node.parts.resize(3);
    if (!read_sum(node.parts[1])) return false;
    skip_blanks();
    if (peek() != ':') return syntax_error("a : is missing", start);
    ++at_;
    if (!read_sum(node.parts[2])) return false;
    node.span.to = node.parts[2].span.to;
    return true;
  }

  // What stands behind an expression is the end of it, or an operator that we do not know.
  bool check_end() {
    skip_blanks();
    const char c = peek();
    if (at_ >= source_.size() || std::string_view("})],:`").find(c) != std::string_view::npos)
      return true;
    if (std::string_view("?=<>&|^!+-*").find(c) != std::string_view::npos)
      return not_yet(std::string("the operator ") + c + " here is", at_);
    return syntax_error("an expression ends here, and something else follows", at_);
  }

  bool read_unary(Node& node) {
    skip_blanks();
    const std::size_t start = at_;
    const char c = peek();
    if ((c == '+' || c == '-') && peek(1) == c)
      return not_yet(std::string("the operator ") + c + " here is", at_);
    const auto prefix =
        std::find_if(operators.prefix.begin(), operators.prefix.end(),
                     [&](const computed::OperatorFact& fact) { return fact.text[0] == c; });
    if (prefix == operators.prefix.end()) return read_chain(node);
    ++at_;
    if (++depth_ > most_depth) return not_yet("expressions nested so deep are", at_);
    node.kind = Node::Kind::unary;
    node.operation = prefix->operation;
    node.parts.emplace_back();
    if (!read_unary(node.parts[0])) return false;
    --depth_;
    node.span = {start, node.parts[0].span.to};
    return true;
  }

  bool read_chain(Node& node) {
    if (!read_primary(node)) return false;
    for (;;) {
      const std::size_t end = at_;
      skip_blanks();
      const std::size_t start = at_;
      if (peek() == '.' && !is_digit(peek(1))) {
        ++at_;
        skip_blanks();
        if (!is_name_start(peek()))
          return syntax_error("the name of a member follows a point", start);
        wrap(node, Node::Kind::member);
        node.text = read_name();
      } else if (peek() == '[') {
        ++at_;
        wrap(node, Node::Kind::item);
        node.parts.emplace_back();
        if (!read_sum(node.parts[1]) || !close(']', start)) return false;
      } else if (peek() == '(') {
        ++at_;
        wrap(node, Node::Kind::call);
        if (!read_list(node, ')', start)) return false;
      } else if (peek() == '`') {
        return not_yet("tagged templates are", start);
      } else {
        at_ = end;
        return true;
      }
      node.span.to = at_;
    }
  }

  bool close(char bracket, std::size_t start) {
    skip_blanks();
    if (peek() != bracket || at_ >= source_.size())
      return syntax_error(std::string("a closing ") + bracket + " is missing", start);
    ++at_;
    return true;
  }

  // Expressions up to a bracket, separated by commas.
  bool read_list(Node& node, char bracket, std::size_t start) {
    for (;;) {
      skip_blanks();
      if (peek() == bracket && at_ < source_.size()) {
        ++at_;
        return true;
      }
      if (starts_with("...")) return not_yet("spread values are", at_);
      if (peek() == ',')
        return bracket == ']' ? not_yet("holes in arrays are", at_)
                              : syntax_error("a value is expected here", at_);
      node.parts.emplace_back();
      if (!read_sum(node.parts.back())) return false;
      skip_blanks();
      if (peek() == ',')
        ++at_;
      else if (peek() != bracket)
        return syntax_error(std::string("a closing ") + bracket + " is missing", start);
    }
  }

  std::string read_name() {
    const std::size_t start = at_;
    while (is_name_part(peek())) ++at_;
    return std::string(source_.substr(start, at_ - start));
  }

  bool read_primary(Node& node) {
    skip_blanks();
    const std::size_t start = at_;
    const char c = peek();
    node.span.from = start;
    bool read = true;
    if (is_digit(c) || (c == '.' && is_digit(peek(1)))) {
      read = read_number(node);
    } else if (c == '"' || c == '\'') {
      read = read_text(node);
    } else if (c == '`') {
      read = read_template(node);
    } else if (is_name_start(c)) {
      node.kind = Node::Kind::name;
      node.text = read_name();
      constexpr std::string_view words[] = {"new",   "typeof",   "void",  "delete",
                                            "await", "function", "class", "async",
                                            "yield", "this",     "super"};
      if (std::find(std::begin(words), std::end(words), node.text) != std::end(words))
        return not_yet("the word " + node.text + " is", start);
    } else if (c == '(') {
      ++at_;
      read = read_sum(node) && close(')', start);
      node.enclosed = true;
    } else if (c == '[') {
      ++at_;
      node.kind = Node::Kind::array;
      read = read_list(node, ']', start);
    } else if (c == '{') {
      ++at_;
      read = read_object(node, start);
    } else if (c == '/' || static_cast<unsigned char>(c) >= 0x80) {
      return not_yet(c == '/' ? "regular expressions are" : "names beyond ASCII are", start);
    } else {
      return syntax_error("an expression is expected here", start);
    }
    node.span = {start, at_};
    return read;
  }

  bool read_object(Node& node, std::size_t start) {
    node.kind = Node::Kind::object;
    for (;;) {
      skip_blanks();
      if (peek() == '}') {
        ++at_;
        return true;
      }
      Node key;
      if (peek() == '"' || peek() == '\'') {
        if (!read_text(key)) return false;
      } else if (is_name_start(peek())) {
        key.text = read_name();
      } else {
        return at_ >= source_.size() ? syntax_error("a closing } is missing", start)
                                     : not_yet("such keys of objects are", at_);
      }
      skip_blanks();
      if (peek() != ':') return not_yet("short forms of objects are", at_);
      ++at_;
      node.keys.push_back(std::move(key.text));
      node.parts.emplace_back();
      if (!read_sum(node.parts.back())) return false;
      skip_blanks();
      if (peek() == ',')
        ++at_;
      else if (peek() != '}')
        return syntax_error("a closing } is missing", start);
    }
  }

  // ECMA-262, 12.9.3.
  bool read_number(Node& node) {
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

  bool read_text(Node& node) {
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
  bool read_template(Node& node) {
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
        if (!read_sum(node.parts.back()) || !close('}', start)) return false;
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

  int depth_ = 0;
};

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
                                        "null", "undefined", "NaN",    "Infinity", "util"};
  return std::find(std::begin(names), std::end(names), name) != std::end(names);
}

bool read_expression(TemplateContent& out, std::size_t& at, Node& node) {
  Reader reader(out, at);
  const bool good = reader.read(node);
  at = reader.at();
  return good;
}

}  // namespace inky::inline v1::javascript
