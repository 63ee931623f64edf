#include "expressions.hpp"

#include <algorithm>
#include <bit>
#include <cmath>

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;
using computed::Operation;

// The GNU Octave manual, Operator Precedence.
constexpr computed::OperatorFact infix_operators[] = {
    {"^", Operation::power, 12},        {"**", Operation::power, 12},
    {".^", Operation::power_each, 12},  {".**", Operation::power_each, 12},
    {"*", Operation::multiply, 10},     {"/", Operation::divide, 10},
    {"\\", Operation::none, 10},        {".*", Operation::multiply_each, 10},
    {"./", Operation::divide_each, 10}, {".\\", Operation::none, 10},
    {"+", Operation::add, 9},           {"-", Operation::subtract, 9},
    {":", Operation::range, 8},         {"<", Operation::less, 7},
    {"<=", Operation::at_most, 7},      {"==", Operation::equal, 7},
    {">=", Operation::at_least, 7},     {">", Operation::more, 7},
    {"!=", Operation::unequal, 7},      {"~=", Operation::unequal, 7},
    {"&", Operation::bits_and, 6},      {"|", Operation::bits_or, 5},
    {"&&", Operation::both, 4},         {"||", Operation::either, 3},
    {"=", Operation::none, 1},          {"+=", Operation::none, 1},
    {"-=", Operation::none, 1},         {"*=", Operation::none, 1},
    {"/=", Operation::none, 1},         {"++", Operation::none, 13},
    {"--", Operation::none, 13},
};
constexpr computed::OperatorFact prefix_operators[] = {
    {"-", Operation::negate, 11}, {"+", Operation::keep, 11},  {"!", Operation::deny, 11},
    {"~", Operation::deny, 11},   {"++", Operation::none, 11}, {"--", Operation::none, 11},
    {"@", Operation::none, 11}};
constexpr computed::OperatorFact postfix_operators[] = {{"'", Operation::transpose, 13},
                                                        {".'", Operation::transpose, 13}};

// The GNU Octave manual, Numeric Data Types. Numbers of other bases are no doubles.
std::optional<Value> number_of(std::string_view text) {
  const bool based = text.size() > 1 && text[0] == '0' && !is_digit(text[1]) && text[1] != '.' &&
                     (text[1] | 0x20) != 'e';
  if (based || text.find('_') != std::string_view::npos) return std::nullopt;
  std::string plain(text);
  if (plain.back() == '.') plain += '0';
  auto value = read_typed(Type::f64, plain);
  if (!value) return std::nullopt;
  return std::move(*value);
}

constexpr computed::CodeFacts code_facts = {
    .grammar = &grammar,
    .language = "Octave",
    .syntax_fault = "parse error",
    .read_escape = nullptr,
    .number = number_of,
    .rare_suffixes = "ijIJ",
    .constant = [](std::string_view) -> std::optional<Value> { return std::nullopt; },
    .unknown_words = "function if for while"};

constexpr PrintFact prints[] = {{.name = "printf"},
                                {.name = "fprintf"},
                                {.name = "puts", .is_evaluated = true},
                                {.name = "disp", .is_evaluated = true}};

bool is_blank(char c) {
  return c == ' ' || c == '\t';
}

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = prefix_operators;
  out.postfix = postfix_operators;
  out.rows = ";";
  out.point_before_members = false;
  out.functions =
      "abs floor ceil fix round sign sqrt exp log log2 log10 sin cos tan sum prod mean max min mod "
      "rem zeros ones numel length rows columns size sprintf num2str mat2str upper toupper lower "
      "tolower "
      "double single logical int8 int16 int32 int64 uint8 uint16 uint32 uint64 printf fprintf puts "
      "disp";
  return out;
}();

const ExpressionForm expression_form = {
    .grammar = &grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<ExpressionReader>(out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope, false);
    },
    .prints = prints,
    .ends = ";\n",
    .silent_words = "clear clc close pkg",
    .sessions = "octave-display",
    .plain_field = "%s",
    .plain_dialect = "octave",
    .own_names = "pi e eps Inf inf NaN nan NA true false realmax realmin i j I J"};

ExpressionReader::ExpressionReader(TemplateContent& out, std::size_t at)
    : CodeReader(code_facts, out, at) {}

// In a matrix a blank ends an element, unless an operator with a blank on its other side is there.
bool ExpressionReader::ends_element(std::size_t blanks) const {
  if (in_matrix_ == 0 || blanks == 0 || at_ == 0) return false;
  const char before = source_[at_ - 1];
  const bool ends_value =
      is_word_part(before) || std::string_view(")]'\".").find(before) != std::string_view::npos;
  if (!ends_value) return false;
  const char c = peek(blanks);
  const char next = peek(blanks + 1);
  if (c == '+' || c == '-') return !is_blank(next);
  if (c == '!' || c == '~') return next != '=';
  return is_word_part(c) || std::string_view("([\"'@.").find(c) != std::string_view::npos;
}

void ExpressionReader::skip_blanks() {
  std::size_t blanks = 0;
  while (is_blank(peek(blanks))) ++blanks;
  if (!ends_element(blanks)) at_ += blanks;
}

// 'it''s': nothing but the quote is special.
bool ExpressionReader::read_single_quoted(Node& node) {
  const std::size_t start = at_++;
  std::string text;
  for (;;) {
    if (at_end() || peek() == '\n') return syntax_error("the text has no closing quote", start);
    const char c = source_[at_++];
    if (c == '\'' && peek() != '\'') break;
    if (c == '\'') ++at_;
    text += c;
  }
  node.kind = Node::Kind::constant;
  node.value = Value::text(std::move(text));
  node.texts.push_back({start + 1, at_ - 1});
  node.is_raw = true;
  return true;
}

bool ExpressionReader::read_matrix(Node& node) {
  const std::size_t start = at_++;
  ++in_matrix_;
  node.kind = Node::Kind::list;
  Node row;
  row.kind = Node::Kind::list;
  for (;;) {
    while (is_blank(peek()) || peek() == ',') ++at_;
    if (at_end()) return syntax_error("a closing ] is missing", start);
    const char c = peek();
    if (c == ']' || c == ';' || c == '\n') {
      ++at_;
      if (!row.parts.empty()) node.parts.push_back(std::move(row));
      row = Node();
      row.kind = Node::Kind::list;
      if (c == ']') break;
      continue;
    }
    row.parts.emplace_back();
    if (!read(row.parts.back())) return false;
  }
  --in_matrix_;
  return true;
}

std::optional<bool> ExpressionReader::read_own(Node& node) {
  const char c = peek();
  if (c == '\'') return read_single_quoted(node);
  if (c == '"') {
    std::size_t end = at_ + 1;
    while (end < source_.size() && source_[end] != '"') end += source_[end] == '\\' ? 2 : 1;
    if (end >= source_.size()) end = std::string_view::npos;
    if (end == std::string_view::npos) return syntax_error("the text has no closing quote", at_);
    const std::string_view text = source_.substr(at_ + 1, end - at_ - 1);
    node.kind = Node::Kind::constant;
    std::string meant;
    for (std::size_t i = 0; i < text.size(); ++i) {
      if (text[i] != '\\') {
        meant += text[i];
        continue;
      }
      constexpr std::string_view letters = "ntr\"'\\";
      constexpr std::string_view meanings = "\n\t\r\"'\\";
      const std::size_t which =
          i + 1 < text.size() ? letters.find(text[i + 1]) : std::string_view::npos;
      if (which == std::string_view::npos) return not_yet("this escape here is", at_ + 1 + i);
      meant += meanings[which];
      ++i;
    }
    node.value = Value::text(std::move(meant));
    node.texts.push_back({at_ + 1, end});
    at_ = end + 1;
    return true;
  }
  if (c == '[') return read_matrix(node);
  if (c == '{') return not_yet("cells are", at_);
  // A colon alone: all elements.
  if (c == ':' && (peek(1) == ')' || peek(1) == ',')) {
    ++at_;
    node.kind = Node::Kind::name;
    node.text = ":";
    return true;
  }
  // In parentheses blanks mean nothing.
  if (c == '(' && in_matrix_ > 0) return not_yet("parentheses in a matrix are", at_);
  return CodeReader::read_own(node);
}

Value given_value(const Value& value) {
  const bool is_double = value.is(Type::i32) || value.is(Type::i64);
  if (value.is(Type::list)) {
    std::vector<Value> items;
    for (const Value& item : value.as_list()) items.push_back(given_value(item));
    return Value::list(std::move(items));
  }
  return is_double ? computed::real_of(Type::f64, value) : value;
}

bool array_of(const Value& value, Array& out) {
  out = {};
  const auto add = [&](const Value& item, bool first) {
    const Type type = item.type();
    const bool is_known =
        type == Type::f64 || type == Type::f32 || type == Type::truth ||
        (is_whole(type) && type != Type::i128 && type != Type::u128 && type != Type::big);
    if (!is_known || (!first && type != out.type)) return false;
    out.type = type;
    if (is_real(type))
      out.reals.push_back(std::bit_cast<double>(
          low_half(convert(unpack(*fact_of(type).format, item.bits()), binary64))));
    else
      out.wholes.push_back(item.as_whole());
    return true;
  };
  if (value.is(Type::text)) {
    out.type = Type::text;
    out.text = value.as_text();
    return true;
  }
  if (!value.is(Type::list)) return add(value, true);
  const auto rows = value.as_list();
  const bool nested = !rows.empty() && rows[0].is(Type::list);
  out.rows = rows.empty() ? 0 : nested ? static_cast<int>(rows.size()) : 1;
  out.columns = static_cast<int>(nested ? rows[0].as_list().size() : rows.size());
  bool first = true;
  for (const Value& row : rows) {
    if (row.is(Type::list) != nested) return false;
    const std::span<const Value> items = nested ? row.as_list() : std::span<const Value>(&row, 1);
    if (nested && static_cast<int>(items.size()) != out.columns) return false;
    for (const Value& item : items) {
      if (!add(item, first)) return false;
      first = false;
    }
  }
  return true;
}

Array element_of(const Array& array, std::size_t place) {
  Array one;
  one.type = array.type;
  if (array.is_real())
    one.reals = {array.reals[place]};
  else
    one.wholes = {array.wholes[place]};
  return one;
}

Value value_of(const Array& array) {
  if (array.type == Type::text) return Value::text(array.text);
  const auto element = [&](std::size_t at) {
    if (array.type == Type::truth) return Value::truth(array.wholes[at] != 0);
    if (array.type == Type::f64) return Value::real(array.reals[at]);
    if (array.type == Type::f32) return computed::real_of(Type::f32, Value::real(array.reals[at]));
    return Value::whole(array.type, array.wholes[at]);
  };
  if (array.is_scalar()) return element(0);
  std::vector<Value> rows;
  const auto columns = static_cast<std::size_t>(array.columns);
  for (std::size_t i = 0; i < static_cast<std::size_t>(array.rows); ++i) {
    std::vector<Value> row;
    for (std::size_t k = 0; k < columns; ++k) row.push_back(element(i * columns + k));
    if (array.rows == 1) return Value::list(std::move(row));
    rows.push_back(Value::list(std::move(row)));
  }
  return Value::list(std::move(rows));
}

bool Expressions::take(const Node& node, const Value& value, Array& out) {
  return array_of(value, out) || not_yet("such a value is", node);
}

// Texts are the codes of their bytes, and truth values 0 and 1.
bool Expressions::take_double(const Node& node, const Value& value, Array& out) {
  if (!take(node, value, out)) return false;
  if (out.type == Type::text) {
    out.type = Type::f64;
    out.columns = static_cast<int>(out.text.size());
    out.rows = 1;
    for (const char c : out.text) out.reals.push_back(static_cast<unsigned char>(c));
    out.text.clear();
  } else if (out.type == Type::truth) {
    out = converted(out, Type::f64);
  }
  return true;
}

bool Expressions::take_count(const Node& node, const Value& value, int& out) {
  Array array;
  if (!take_double(node, value, array)) return false;
  constexpr int most = 10'000;
  if (!array.is_scalar() || !array.is_real() || !(std::fabs(array.reals[0]) <= most) ||
      array.reals[0] != std::floor(array.reals[0]))
    return not_yet("such a size or index is", node);
  out = static_cast<int>(array.reals[0]);
  return true;
}

bool Expressions::holds(const Node& node, const Value& value, bool& out) {
  Array array;
  if (!take_double(node, value, array)) return false;
  if (array.is_empty()) return not_yet("an empty condition is", node);
  out = std::all_of(array.reals.begin(), array.reals.end(), [](double x) { return x != 0; }) &&
        std::all_of(array.wholes.begin(), array.wholes.end(), [](int128 x) { return x != 0; });
  return true;
}

bool Expressions::deny(const Node& node, const Value& operand, Value& out) {
  Array array;
  if (!take_double(node, operand, array)) return false;
  for (const double x : array.reals) {
    if (std::isnan(x)) return not_yet("the logic of NaN is", node);
  }
  Array made = converted(array, Type::truth);
  for (int128& bit : made.wholes) bit = bit == 0 ? 1 : 0;
  out = value_of(made);
  return true;
}

bool Expressions::apply(const Node& node, const Value& operand, Value& out) {
  Array array;
  if (node.operation == Operation::transpose) {
    if (!take(node, operand, array)) return false;
    if (array.type == Type::text) return not_yet("a text turned around is", node);
    Array turned = array;
    std::swap(turned.rows, turned.columns);
    const auto rows = static_cast<std::size_t>(array.rows);
    const auto columns = static_cast<std::size_t>(array.columns);
    for (std::size_t i = 0; i < rows; ++i) {
      for (std::size_t k = 0; k < columns; ++k) {
        const std::size_t from = i * columns + k;
        const std::size_t to = k * rows + i;
        if (array.is_real())
          turned.reals[to] = array.reals[from];
        else
          turned.wholes[to] = array.wholes[from];
      }
    }
    out = value_of(turned);
    return true;
  }
  if (!take_double(node, operand, array)) return false;
  if (node.operation == Operation::negate) {
    for (double& x : array.reals) x = -x;
    for (int128& x : array.wholes) x = within(-x, array.type);
  }
  out = value_of(array);
  return true;
}

bool Expressions::name_without_value(const Node& node, Value& out) {
  struct Known {
    std::string_view name;
    double value;
  };
  const Known known[] = {{"pi", 0x1.921fb54442d18p+1},
                         {"e", 0x1.5bf0a8b145769p+1},
                         {"eps", 0x1p-52},
                         {"Inf", HUGE_VAL},
                         {"inf", HUGE_VAL},
                         {"NaN", std::nan("")},
                         {"nan", std::nan("")},
                         {"realmax", 0x1.fffffffffffffp+1023},
                         {"realmin", 0x1p-1022}};
  for (const Known& one : known) {
    if (one.name != node.text) continue;
    out = Value::real(one.value);
    return true;
  }
  if (node.text == "true" || node.text == "false") {
    out = Value::truth(node.text == "true");
    return true;
  }
  if (node.text == "i" || node.text == "j" || node.text == "I" || node.text == "J")
    return not_yet("complex numbers are", node);
  return raise("'" + node.text + "' undefined", node);
}

// A row of rows: what is in it stands side by side, and rows below each other.
Value Expressions::list_of(std::vector<Value> items) const {
  return Value::list(std::move(items));
}

}  // namespace inky::inline v1::octave
