// Reads expressions of Lisp: the HyperSpec, 2.2 to 2.4.

#include <algorithm>
#include <utility>

#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "format/fraction_value.hpp"
#include "printer.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/lower_case.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::lisp {

namespace {

using computed::Node;
using computed::Operation;

constexpr computed::OperatorFact infix_operators[] = {{"and", Operation::both, 2},
                                                      {"or", Operation::either, 1}};

constexpr PrintFact prints[] = {{.name = "princ"},
                                {.name = "prin1", .field = "~S"},
                                {.name = "print", .field = "~%~S "},
                                {.name = "write-string"},
                                {.name = "write-line", .field = "~A~%"}};

constexpr bool is_blank(char c) {
  return c == ' ' || c == '\t' || c == '\n' || c == '\r' || c == '\f';
}

// Whether a source is a list that begins with the name of a function that prints, and has a text or
// an end behind it.
bool begins_form(std::string_view source) {
  if (!source.starts_with('(')) return false;
  const std::size_t from = std::min(source.find_first_not_of(" \t\r\n", 1), source.size());
  const std::size_t to = std::min(source.find_first_of(" \t\r\n()\"", from), source.size());
  const std::string name = lower_case(source.substr(from, to - from));
  constexpr std::string_view takers = "format error warn";
  const bool has_text = source.find('"', to) != std::string_view::npos;
  if (has_word(takers, name)) return has_text;
  return std::any_of(std::begin(prints), std::end(prints),
                     [&](const PrintFact& print) { return print.name == name; });
}

}  // namespace

Value whole_or_ratio(const Rational& number) {
  if (denominator(number) == 1) return computed::smallest(numerator(number));
  return fraction_value(number);
}

namespace {

// The HyperSpec, 2.3.1; nothing where the token is no number.
std::optional<Value> read_number(std::string_view token) {
  std::string text(token);
  if (text.starts_with('+')) text.erase(0, 1);
  const std::size_t sign = text.starts_with('-') ? 1 : 0;
  if (text.size() == sign) return std::nullopt;
  // 3/4
  if (const std::size_t bar = text.find('/', sign); bar != std::string::npos) {
    const bool plain = text.find_first_not_of("0123456789/", sign) == std::string::npos &&
                       bar > sign && bar + 1 < text.size();
    const auto ratio = plain ? read_typed(Type::fraction, text) : Result<Value>(Error{});
    if (!ratio) return std::nullopt;
    return whole_or_ratio(rational_of(*ratio));
  }
  const std::size_t end = std::min(text.find_first_not_of("0123456789", sign), text.size());
  if (end > sign && (end == text.size() || (text[end] == '.' && end + 1 == text.size()))) {
    text.resize(end);
    const std::size_t first = std::min(text.find_first_not_of('0', sign), text.size() - 1);
    text.erase(sign, first - sign);
    const auto whole = read_whole(text);
    if (!whole) return std::nullopt;
    return computed::smallest(integer_of(*whole));
  }
  // Digits, a point and digits, a marker and an exponent: one of the last two has to be there.
  std::size_t at = end;
  std::size_t digits = end - sign;
  bool has_point = false;
  if (at < text.size() && text[at] == '.') {
    has_point = true;
    const std::size_t from = ++at;
    at = std::min(text.find_first_not_of("0123456789", at), text.size());
    if (at == from && at == text.size()) return std::nullopt;
    digits += at - from;
  }
  if (digits == 0) return std::nullopt;
  Type type = Type::f32;
  if (at < text.size()) {
    const char marker = static_cast<char>(text[at] | 0x20);
    if (std::string_view("esfdl").find(marker) == std::string_view::npos) return std::nullopt;
    type = marker == 'd' || marker == 'l' ? Type::f64 : Type::f32;
    text[at] = 'e';
    std::size_t from = at + 1;
    if (from < text.size() && (text[from] == '-' || text[from] == '+')) ++from;
    if (from >= text.size() || text.find_first_not_of("0123456789", from) != std::string::npos)
      return std::nullopt;
  } else if (!has_point) {
    return std::nullopt;
  }
  auto value = read_typed(type, text);
  if (!value || !value->as_real().is_finite()) return std::nullopt;
  return std::move(*value);
}

// #xFF
std::optional<Value> number_in_base(std::string_view token) {
  const char mark = static_cast<char>(token[1] | 0x20);
  std::string text(token.substr(2));
  const bool negative = text.starts_with('-');
  if (negative) text.erase(0, 1);
  const auto number = read_whole(std::string("0") + mark + text);
  if (!number) return std::nullopt;
  const Integer whole = integer_of(*number);
  return computed::smallest(negative ? Integer(-whole) : whole);
}

// Whether a token is a name in which nothing changes how what follows is read: no | and no \\.
bool is_plain_name(std::string_view token) {
  return token.find_first_not_of('.') != std::string_view::npos &&
         std::all_of(token.begin(), token.end(), [](char c) {
           return is_word_part(c) ||
                  std::string_view("*+-/<>=?!&%.~^$").find(c) != std::string_view::npos;
         });
}

Node name_node(std::string text, Span span) {
  Node out;
  out.kind = Node::Kind::name;
  out.text = std::move(text);
  out.span = span;
  return out;
}

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix_calls = true;
  out.point_before_members = false;
  out.functions =
      "+ - * / 1+ 1- mod rem floor ceiling round truncate abs min max sqrt exp log expt sin cos "
      "tan "
      "atan = /= < > <= >= not null zerop plusp minusp evenp oddp logand logior logxor ash gcd "
      "float "
      "length string-upcase string-downcase string-capitalize subseq char char-code code-char "
      "reverse first second third last nth list string= princ-to-string write-to-string format";
  return out;
}();

const ExpressionForm expression_form = {
    .grammar = &grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<ExpressionReader>(out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope);
    },
    .prints = prints,
    .begins = begins_form,
    .plain_field = "~A",
    .plain_dialect = "lisp",
    .own_names =
        "pi t nil T NIL PI *standard-output* #'+ #'* #'max #'min #'- 'string 'double-float "
        "'single-float"};

ExpressionReader::ExpressionReader(TemplateContent& out, std::size_t at)
    : Reader(grammar, out.source, at), out_(out) {}

// A comment from ; to the end of the line, too.
void ExpressionReader::skip_blanks() {
  while (!at_end()) {
    if (peek() == ';')
      at_ = std::min(source_.find('\n', at_), source_.size());
    else if (is_blank(peek()))
      ++at_;
    else
      return;
  }
}

std::string_view ExpressionReader::read_token() {
  const std::size_t start = at_;
  while (!at_end() && !is_blank(peek()) &&
         std::string_view("()\"';`,").find(peek()) == std::string_view::npos)
    ++at_;
  return source_.substr(start, at_ - start);
}

bool ExpressionReader::read_text(Node& node) {
  const std::size_t start = at_++;
  const std::size_t kept = out_.literals.size();
  while (!at_end() && peek() != '"') {
    if (peek() == '\\')
      at_ += read_escape(at_, out_);
    else
      out_.literals += source_[at_++];
  }
  std::string text = out_.literals.substr(kept);
  out_.literals.resize(kept);
  if (out_.refusal) {
    const Refusal refusal = *out_.refusal;
    return refuse(refusal.when, refusal.as, refusal.why, refusal.span.from);
  }
  if (at_end()) {
    return refuse(Refusal::When::compile, "END-OF-FILE", "a closing \" is missing", start);
  }
  node.texts.push_back({start + 1, at_++});
  node.kind = Node::Kind::constant;
  node.value = Value::text(std::move(text));
  return true;
}

// #\A, #\Space
bool ExpressionReader::read_character(Node& node) {
  const std::size_t start = at_;
  at_ += 2;
  const auto point = first_code_point(source_.substr(std::min(at_, source_.size())));
  if (!point) return syntax_error("a character is expected here", start);
  const std::size_t from = at_;
  at_ += static_cast<std::size_t>(point->bytes);
  read_token();
  const std::string name = lower_case(source_.substr(from, at_ - from));
  char32_t c = point->value;
  if (name.size() > static_cast<std::size_t>(point->bytes)) {
    if (name != "space" && name != "newline" && name != "tab")
      return not_yet("the name of this character is", start);
    c = name == "space" ? U' ' : name == "tab" ? U'\t' : U'\n';
  }
  node.kind = Node::Kind::constant;
  node.value = Value::character(c);
  return true;
}

bool ExpressionReader::close_form(std::size_t start) {
  skip_blanks();
  if (at_end() || peek() != ')')
    return refuse(Refusal::When::compile, "END-OF-FILE", "a closing ) is missing", start);
  ++at_;
  return true;
}

// if and cond, behind their names: as one form for each of two ways.
bool ExpressionReader::read_conditions(Node& node, std::size_t start) {
  node.kind = Node::Kind::condition;
  node.parts.resize(3);
  node.parts[2] = name_node("nil", {at_, at_});
  const bool is_cond = node.text == "cond";
  node.text.clear();
  if (!is_cond) {
    if (!read(node.parts[0]) || !read(node.parts[1])) return false;
    skip_blanks();
    if (!at_end() && peek() != ')' && !read(node.parts[2])) return false;
    return close_form(start);
  }
  Node* open = &node;
  for (bool first = true;; first = false) {
    skip_blanks();
    if (!at_end() && peek() == ')' && !first) {
      ++at_;
      return true;
    }
    if (peek() != '(') return syntax_error("a clause in parentheses is expected here", at_);
    if (!first) {
      open = &open->parts[2];
      open->kind = Node::Kind::condition;
      open->text.clear();
      open->parts.resize(3);
      open->parts[2] = name_node("nil", {at_, at_});
    }
    const std::size_t clause = at_++;
    if (!read(open->parts[0]) || !read(open->parts[1]) || !close_form(clause)) return false;
  }
}

bool ExpressionReader::read_form(Node& node, bool is_quoted) {
  const std::size_t start = at_++;
  node.kind = Node::Kind::call;
  node.parts.emplace_back();
  skip_blanks();
  if (is_quoted) {
    node.parts[0] = name_node("list", {start, at_});
  } else {
    const std::size_t from = at_;
    const std::string name = lower_case(read_token());
    if (name.empty()) return not_yet("this form is", start);
    constexpr std::string_view special =
        "let let* lambda defun defvar defparameter setf setq incf decf loop do dolist dotimes "
        "progn "
        "when unless case quote function declare multiple-value-bind values funcall mapcar";
    if (has_word(special, name)) return not_yet("the form " + name + " is", start);
    if (name == "if" || name == "cond") {
      node.parts.clear();
      node.text = name;
      return read_conditions(node, start);
    }
    node.parts[0] = name_node(name, {from, at_});
  }
  for (;;) {
    skip_blanks();
    if (!at_end() && peek() == ')') break;
    if (at_end())
      return refuse(Refusal::When::compile, "END-OF-FILE", "a closing ) is missing", start);
    node.parts.emplace_back();
    if (is_quoted) ++quoted_;
    const bool good = read(node.parts.back());
    if (is_quoted) --quoted_;
    if (!good) return false;
    if (is_quoted && node.parts.back().kind == Node::Kind::name)
      return not_yet("a symbol is", node.parts.back().span.from);
  }
  ++at_;
  node.keys.resize(node.parts.size() - 1);
  const std::string& name = node.parts[0].text;
  const bool chooses = name == "and" || name == "or";
  if (!chooses) return true;
  if (node.parts.size() == 1) return not_yet("this form without parts is", start);
  // (and a b c) is (and (and a b) c).
  Node joined = std::move(node.parts[1]);
  for (std::size_t i = 2; i < node.parts.size(); ++i) {
    computed::wrap(joined, Node::Kind::binary);
    joined.operation = name == "and" ? Operation::both : Operation::either;
    joined.parts.push_back(std::move(node.parts[i]));
  }
  node = std::move(joined);
  return true;
}

bool ExpressionReader::read_token_value(Node& node) {
  const std::size_t start = at_;
  const std::string_view token = read_token();
  if (token.empty()) return syntax_error("an expression is expected here", start);
  const bool has_base = token.size() > 2 && token[0] == '#' &&
                        std::string_view("xXoObB").find(token[1]) != std::string_view::npos;
  if (auto value = has_base ? number_in_base(token) : read_number(token)) {
    node.kind = Node::Kind::constant;
    node.value = std::move(*value);
    return true;
  }
  if (token == "#" && peek() == '\'') {
    ++at_;
    const std::string_view name = read_token();
    if (!is_plain_name(name)) return not_yet("this function is", start);
    node = name_node("#'" + lower_case(name), {start, at_});
    return true;
  }
  if (token[0] == '#' || token[0] == ':' || token[0] == '|')
    return not_yet("this kind of token is", start);
  if (is_digit(token[0]) || !is_plain_name(token)) return not_yet("this number or name is", start);
  node = name_node(std::string(token), {start, at_});
  return true;
}

std::optional<bool> ExpressionReader::read_own(Node& node) {
  const std::size_t start = at_;
  if (peek() == '"') return read_text(node);
  if (starts_with("#\\")) return read_character(node);
  if (peek() == '(') return read_form(node, quoted_ > 0);
  if (peek() == '\'') {
    ++at_;
    if (peek() == '(') return read_form(node, true);
    const std::string_view name = read_token();
    if (!is_plain_name(name)) return not_yet("this symbol is", start);
    node = name_node("'" + lower_case(name), {start, at_});
    return true;
  }
  return read_token_value(node);
}

}  // namespace inky::inline v1::lisp
