#include "expressions.hpp"
#include "dates.hpp"

#include <algorithm>
#include <bit>
#include <cmath>

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "display_facts.hpp"
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
                                                        {".'", Operation::transpose_plain, 13}};

// The GNU Octave manual, Numeric Data Types. Numbers of other bases are no doubles.
std::optional<Value> number_of(std::string_view text) {
  std::string plain(text);
  const bool is_imaginary = std::string_view("ijIJ").find(plain.back()) != std::string_view::npos;
  if (is_imaginary) plain.pop_back();
  const bool based = plain.size() > 1 && plain[0] == '0' && !is_digit(plain[1]) &&
                     plain[1] != '.' && (plain[1] | 0x20) != 'e';
  if (based || plain.find('_') != std::string::npos) return std::nullopt;
  if (plain.back() == '.') plain += '0';
  auto value = read_typed(Type::f64, plain);
  if (!value) return std::nullopt;
  if (is_imaginary) return Value::complex(0, std::bit_cast<double>(low_half(value->bits())));
  return std::move(*value);
}

constexpr computed::CodeFacts code_facts = {
    .grammar = &grammar,
    .language = "Octave",
    .syntax_fault = "parse error",
    .read_escape = nullptr,
    .number = number_of,
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
      "abs floor ceil fix round sign sqrt cbrt exp expm1 log log2 log10 log1p sin cos tan asin "
      "acos "
      "atan sinh cosh tanh real imag conj arg angle atan2 hypot mod rem idivide power times plus "
      "minus rdivide xor and or not isnan isinf isfinite isempty isnumeric isreal iscomplex ischar "
      "islogical isspace isalpha isdigit isupper islower class isfloat isinteger isscalar isvector "
      "isrow iscolumn ismatrix issquare isequal sum "
      "prod mean median max min any all cumsum cumprod sort std var mode range sumsq diff nnz norm "
      "dot cross find zeros ones eye linspace magic numel length rows columns size ndims reshape "
      "repmat fliplr flipud diag trace kron unique gcd lcm factorial nchoosek primes isprime "
      "factor "
      "bitand bitor bitxor bitshift sprintf num2str int2str mat2str upper toupper lower tolower "
      "strcat strrep strtrim strcmp strcmpi strncmp strfind blanks char dec2bin dec2hex bin2dec "
      "hex2dec str2double str2num fprintf double single logical int8 int16 int32 int64 uint8 "
      "uint16 "
      "uint32 uint64 printf puts disp intmax intmin flintmax realmax realmin polyval triu tril "
      "datestr datenum datevec weekday eomday is_leap_year strftime asctime ctime gmtime localtime "
      "now clock time date";
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
    .given = given_value,
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
  if (c == '(' && in_matrix_ > 0) {
    const int outside = std::exchange(in_matrix_, 0);
    const bool good = read_enclosed(node);
    in_matrix_ = outside;
    return good;
  }
  return CodeReader::read_own(node);
}

Value given_value(const Value& value) {
  const bool is_double = value.is(Type::i32) || value.is(Type::i64);
  if (value.is(Type::list)) {
    std::vector<Value> items;
    for (const Value& item : value.as_list()) items.push_back(given_value(item));
    return Value::list(std::move(items));
  }
  // A date is its serial number.
  if (has_dates({&value, 1})) return serial_numbers({&value, 1})[0];
  return is_double ? computed::real_of(Type::f64, value) : value;
}

bool Expressions::take_any(const Node& node, const Value& value, Array& out) {
  return array_of(value, out) || not_yet("such a value is", node);
}

bool Expressions::take(const Node& node, const Value& value, Array& out) {
  return take_any(node, value, out) &&
         (!out.is_complex() || not_yet("complex numbers here are", node));
}

// Texts are the codes of their bytes, and truth values 0 and 1.
bool Expressions::take_double(const Node& node, const Value& value, Array& out) {
  if (!take(node, value, out)) return false;
  if (out.type == Type::text) {
    out.type = Type::f64;
    for (const char c : out.text) out.reals.push_back(static_cast<unsigned char>(c));
    out.text.clear();
  } else if (out.type == Type::truth) {
    out = converted(out, Type::f64);
  }
  return true;
}

bool Expressions::take_text(const Node& node, const Value& value, std::string& out) {
  if (!value.is(Type::text)) return not_yet("anything but a text here is", node);
  out = value.as_text();
  return true;
}

bool Expressions::take_count(const Node& node, const Value& value, int& out) {
  Array array;
  if (!take_double(node, value, array)) return false;
  const double count = array.is_scalar() ? real_at(array, 0) : 0.5;
  if (!(std::fabs(count) <= most_elements) || count != std::floor(count))
    return not_yet("such a size or index is", node);
  out = static_cast<int>(count);
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
  if (!take_any(node, operand, array)) return false;
  const bool conjugates = node.operation == Operation::transpose;
  if (conjugates || node.operation == Operation::transpose_plain) {
    std::vector<std::size_t> places;
    for (std::size_t i = 0; i < count_of(array); ++i) places.push_back(place_of(array, i));
    Array turned = elements_at(array, places, array.columns, array.rows);
    if (conjugates) {
      for (double& x : turned.imaginaries) x = -x;
    }
    out = value_of(turned);
    return true;
  }
  if (!array.is_complex() && !take_double(node, operand, array)) return false;
  if (node.operation == Operation::negate) {
    for (double& x : array.reals) x = -x;
    for (double& x : array.imaginaries) x = -x;
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
                         {"flintmax", 0x1p53},
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
  if (node.text == "i" || node.text == "j" || node.text == "I" || node.text == "J") {
    out = Value::complex(0, 1);
    return true;
  }
  if (node.text == "end" && !ends_.empty()) {
    const End& end = ends_.back();
    const Array& of = *end.of;
    out = Value::real(end.count == 1   ? static_cast<double>(count_of(of))
                      : end.place == 0 ? of.rows
                                       : of.columns);
    return true;
  }
  if (node.text == "intmax" || node.text == "intmin") return call(node, node.text, {}, out);
  if (has_word(display::unknown_functions, node.text))
    return not_yet("the function " + node.text + " is", node);
  return raise("'" + node.text + "' undefined", node);
}

}  // namespace inky::inline v1::octave
