#include "expressions.hpp"
#include "changes.hpp"

#include <algorithm>
#include <cmath>

#include "../computed/arithmetic.hpp"
#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "inky_margin/number/decimal.hpp"
#include "text/ascii.hpp"
#include "values.hpp"

namespace inky::inline v1::php {

namespace {

using computed::Node;
using computed::Operation;

// The PHP manual, Operator Precedence.
constexpr computed::OperatorFact infix_operators[] = {
    {"**", Operation::power, 16, true}, {"instanceof", Operation::none, 14},
    {"*", Operation::multiply, 12},     {"/", Operation::divide, 12},
    {"%", Operation::remainder, 12},    {"+", Operation::add, 11},
    {"-", Operation::subtract, 11},     {"<<", Operation::shift_left, 10},
    {">>", Operation::shift_right, 10}, {".", Operation::join, 9},
    {"<", Operation::less, 8},          {"<=", Operation::at_most, 8},
    {">", Operation::more, 8},          {">=", Operation::at_least, 8},
    {"==", Operation::equal, 7},        {"!=", Operation::unequal, 7},
    {"<>", Operation::unequal, 7},      {"===", Operation::same, 7},
    {"!==", Operation::not_same, 7},    {"<=>", Operation::order, 7},
    {"&", Operation::bits_and, 6},      {"^", Operation::bits_differ, 5},
    {"|", Operation::bits_or, 4},       {"&&", Operation::both, 3},
    {"||", Operation::either, 2},       {"?\?", Operation::if_nil, 1, true},
    {"=>", Operation::range, -1},  // a key ends there
    {"=", Operation::none, 1},          {"+=", Operation::none, 1},
    {"-=", Operation::none, 1},         {"*=", Operation::none, 1},
    {"/=", Operation::none, 1},         {".=", Operation::none, 1},
    {"%=", Operation::none, 1},         {"**=", Operation::none, 1},
    {"?\?=", Operation::none, 1},       {"and", Operation::none, 0},
    {"or", Operation::none, 0},         {"xor", Operation::none, 0},
    {"?:", Operation::none, 1},         {"++", Operation::none, 16},
    {"--", Operation::none, 16},        {"?->", Operation::none, 16},
};
constexpr computed::OperatorFact prefix_operators[] = {
    {"-", Operation::negate, 14}, {"+", Operation::keep, 14},  {"~", Operation::complement, 14},
    {"!", Operation::deny, 13},   {"++", Operation::none, 14}, {"--", Operation::none, 14},
    {"@", Operation::none, 14},   {"&", Operation::none, 14},
};

constexpr std::string_view type_names = "int integer float double string bool boolean";

// The PHP manual, Integers and Floating point numbers. A whole number beyond 64 bits is a float.
std::optional<Value> number_of(std::string_view source) {
  if (source.ends_with('_') || source.find("__") != std::string_view::npos) return std::nullopt;
  std::string text(source);
  text.erase(std::remove(text.begin(), text.end(), '_'), text.end());
  const char mark = text.size() > 1 && text[0] == '0' ? static_cast<char>(text[1] | 0x20) : ' ';
  const bool based = mark == 'x' || mark == 'b' || mark == 'o';
  if (!based && text.find_first_of(".eE") != std::string::npos) {
    auto real = read_typed(Type::f64, text);
    if (!real) return std::nullopt;
    return std::move(*real);
  }
  const bool octal = !based && text.size() > 1 && text[0] == '0';
  if (octal) text = "0o" + text.substr(1);
  if (based) text[1] = mark;
  const auto number = read_whole(text);
  if (!number) return std::nullopt;
  const Integer whole = integer_of(*number);
  if (computed::fits(Type::i64, whole)) return computed::wrapped(Type::i64, whole);
  return computed::real_of(Type::f64, computed::wrapped(Type::big, whole));
}

}  // namespace

std::string small_letters(std::string_view text) {
  std::string out(text);
  for (char& c : out) c = 'A' <= c && c <= 'Z' ? static_cast<char>(c + 32) : c;
  return out;
}

namespace {

std::optional<Value> constant_of(std::string_view word) {
  constexpr std::pair<std::string_view, const char*> date_forms[] = {
      {"DATE_ATOM", "Y-m-d\\TH:i:sP"},
      {"DATE_ISO8601", "Y-m-d\\TH:i:sO"},
      {"DATE_RFC2822", "D, d M Y H:i:s O"},
      {"DATE_COOKIE", "l, d-M-Y H:i:s T"},
      {"DATE_RSS", "D, d M Y H:i:s O"}};
  for (const auto& [name, form] : date_forms) {
    if (name == word) return Value::text(form);
  }
  const std::string small = small_letters(word);
  if (small == "true" || small == "false") return Value::truth(small == "true");
  if (small == "null") return Value();
  if (word == "PHP_EOL") return Value::text("\n");
  constexpr std::pair<std::string_view, std::string_view> formats[] = {
      {"ATOM", "Y-m-d\\TH:i:sP"},
      {"COOKIE", "l, d-M-Y H:i:s T"},
      {"ISO8601", "Y-m-d\\TH:i:sO"},
      {"RFC822", "D, d M y H:i:s O"},
      {"RFC850", "l, d-M-y H:i:s T"},
      {"RFC1036", "D, d M y H:i:s O"},
      {"RFC1123", "D, d M Y H:i:s O"},
      {"RFC2822", "D, d M Y H:i:s O"},
      {"RFC7231", "D, d M Y H:i:s \\G\\M\\T"},
      {"RSS", "D, d M Y H:i:s O"},
      {"W3C", "Y-m-d\\TH:i:sP"},
      {"RFC3339", "Y-m-d\\TH:i:sP"},
      {"RFC3339_EXTENDED", "Y-m-d\\TH:i:s.vP"}};
  for (const std::string_view prefix :
       {"DATE_", "DateTime::", "DateTimeInterface::", "DateTimeImmutable::"}) {
    if (!word.starts_with(prefix)) continue;
    for (const auto& [name, format] : formats) {
      if (word.substr(prefix.size()) == name) return Value::text(std::string(format));
    }
  }
  if (word == "CAL_GREGORIAN") return Value::whole(Type::i64, 0);
  if (word == "PHP_INT_MAX") return computed::wrapped(Type::i64, (Integer(1) << 63) - 1);
  if (word == "PHP_INT_MIN") return computed::wrapped(Type::i64, Integer(1) << 63);
  if (word == "PHP_INT_SIZE") return Value::whole(Type::i64, 8);
  if (word == "PHP_FLOAT_EPSILON") return Value::real(0x1p-52);
  if (word == "M_PI") return Value::real(0x1.921fb54442d18p+1);
  if (word == "M_E") return Value::real(0x1.5bf0a8b145769p+1);
  if (word == "NAN") return Value::real(std::nan(""));
  if (word == "INF") return Value::real(HUGE_VAL);
  if (word == "JSON_PRETTY_PRINT") return Value::whole(Type::i64, 128);
  if (word == "JSON_UNESCAPED_UNICODE") return Value::whole(Type::i64, 256);
  if (word == "JSON_UNESCAPED_SLASHES") return Value::whole(Type::i64, 64);
  if (word == "STR_PAD_RIGHT") return Value::whole(Type::i64, 1);
  if (word == "STR_PAD_LEFT") return Value::whole(Type::i64, 0);
  if (word == "STR_PAD_BOTH") return Value::whole(Type::i64, 2);
  return std::nullopt;
}

constexpr PrintFact prints[] = {{"echo", "", true},
                                {"print", "", true},
                                {.name = "print_r", .is_evaluated = true},
                                {.name = "var_dump", .is_evaluated = true},
                                {.name = "var_export", .is_evaluated = true}};

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = prefix_operators;
  out.condition = computed::Grammar::Condition::marks;
  out.condition_stands_alone = true;
  out.point_before_members = false;
  out.arrow = "->";
  out.lists = "[";
  out.prefix_of_names = "$";
  out.methods = "format getTimestamp modify add sub diff setDate setTime";
  out.functions =
      "strlen strtoupper strtolower ucfirst ucwords str_repeat str_pad substr trim ltrim rtrim "
      "implode join count round abs floor ceil sqrt pow intdiv fmod max min number_format sprintf "
      "strrev lcfirst chr ord hexdec bindec octdec intval floatval strval pi dechex decbin decoct "
      "array_sum array_keys array_values range str_replace strpos exp log explode array_reverse "
      "array_slice array_merge in_array array_product array_combine json_encode date gmdate "
      "strtotime mktime gmmktime date_create date_create_immutable date_format DateTime "
      "DateTimeImmutable "
      "log10 sin cos tan";
  return out;
}();

const computed::CodeFacts code_facts = {
    .grammar = &grammar,
    .language = "PHP",
    .syntax_fault = "ParseError",
    .digit_marks = "_",
    .read_escape = read_escape,
    .number = number_of,
    .constant = constant_of,
    .is_type = [](std::string_view name) { return has_word(type_names, small_letters(name)); },
    .makes_objects = true,
    .unknown_words = "function array clone"};

// Calls that we look for in the user's program. We only read them: nothing here calls setlocale().
constexpr LocaleStatementFact locale_statements[] = {{"setlocale(LC_ALL,", ")"},
                                                     {"setlocale(LC_NUMERIC,", ")"}};

const ExpressionForm expression_form = {
    .read_declarations = read_declarations,
    .compute_change = compute_change,
    .block_words = "function",
    .grammar = &grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<ExpressionReader>(out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope);
    },
    .given = given_value,
    .prints = prints,
    .ends = ";",
    .silent_words = "use declare namespace",
    .blocks = Blocks::braces,
    .counts = true,
    .plain_field = "%s",
    .plain_dialect = "php",
    .value_field = "%s",
    .locale_statements = locale_statements};

// ["ink" => 9.55, "nib" => 2]
std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  if (const auto special = evaluate_special(node, out)) return special;
  if (node.kind == Node::Kind::binary && node.operation == Operation::if_nil) {
    if (!value_or_nil(node.parts[0], out)) return false;
    return !out.is(Type::nil) || evaluate_again(node.parts[1], out);
  }
  if (node.kind == Node::Kind::function) {
    // It keeps the values that other names have where it is made.
    std::vector<std::string> names;
    computed::collect_names(node, names);
    if (!names.empty()) return not_yet("a function that uses other names is", node);
    out = Value::text(node.text);
    out.set_expression();
    return true;
  }
  if (node.kind != Node::Kind::list || node.parts.empty() ||
      node.parts[0].kind != Node::Kind::tuple)
    return std::nullopt;
  std::vector<Value> fields;
  for (const Node& pair : node.parts) {
    Value key;
    Value value;
    if (pair.kind != Node::Kind::tuple) return not_yet("keys for some of the values are", pair);
    if (!evaluate_again(pair.parts[0], key) || !evaluate_again(pair.parts[1], value)) return false;
    if (!is_key(key)) return not_yet("such a key of an array is", pair);
    put_field(fields, std::string(key.as_text()), std::move(value));
  }
  out = Value::record(std::move(fields));
  return true;
}

bool Expressions::name_without_value(const Node& node, Value&) {
  if (node.kind == Node::Kind::member) return not_yet("a member is", node);
  return not_yet("a name without a value (" + node.text + ") is", node);
}

bool Expressions::take_number(const Node& node, const Value& value, Value& out) {
  if (value.is(Type::truth) || value.is(Type::nil)) {
    out = Value::whole(Type::i64, value.is(Type::nil) ? 0 : value.as_whole());
    return true;
  }
  if (is_real(value.type()) || (is_whole(value.type()) && !is_int(value))) {
    out = Value::real(Type::f64, pack(binary64, float_of(value)));
    return true;
  }
  if (value.is(Type::text)) {
    // What is a number to its last byte; PHP warns of others, or throws.
    const std::string_view text = value.as_text();
    const bool is_plain = !text.empty() &&
                          text.find_first_not_of("0123456789.eE+-") == std::string_view::npos &&
                          is_digit(text.back()) && (is_digit(text[0]) || text[0] == '-');
    auto number = is_plain ? number_of(text.substr(text[0] == '-' ? 1 : 0)) : std::nullopt;
    const bool is_octal = text.size() > 1 && text[0] == '0' && is_digit(text[1]);
    if (number && !is_octal && text[0] != '-') {
      out = std::move(*number);
      return true;
    }
    return not_yet("arithmetic with such a text is", node);
  }
  if (!is_whole(value.type()))
    return not_yet("arithmetic with " + std::string(name_of(value.type())) + " is", node);
  out = computed::wrapped(Type::i64, computed::whole_of(value));
  return true;
}

bool Expressions::take_int(const Node& node, const Value& value, std::int64_t& out) {
  Value number;
  if (!take_number(node, value, number)) return false;
  if (!number.is(Type::i64)) return not_yet("a float here is", node);
  out = static_cast<std::int64_t>(number.as_whole());
  return true;
}

bool Expressions::take_text(const Node& node, const Value& value, std::string& out) {
  if (is_compound(value.type())) return not_yet("a list as a text is", node);
  if (find_rare({&value, 1}) != nullptr) return not_yet("this value as a text is", node);
  out = value.is(Type::text) ? std::string(value.as_text()) : any_text(value);
  return true;
}

bool Expressions::holds(const Node& node, const Value& value, bool& out) {
  if (value.is(Type::text)) {
    out = !value.as_text().empty() && value.as_text() != "0";
    return true;
  }
  if (is_compound(value.type())) {
    out = !value.as_list().empty();
    return true;
  }
  Value number;
  if (!take_number(node, value, number)) return false;
  out = is_real(number.type()) ? !number.as_real().is_zero() : number.as_whole() != 0;
  return true;
}

bool Expressions::apply(const Node& node, const Value& operand, Value& out) {
  Value number;
  if (node.operation == Operation::complement) {
    std::int64_t whole = 0;
    if (!take_int(node, operand, whole)) return false;
    out = Value::whole(Type::i64, ~whole);
    return true;
  }
  if (!take_number(node, operand, number)) return false;
  if (node.operation == Operation::keep) {
    out = std::move(number);
    return true;
  }
  if (is_real(number.type())) {
    out = computed::negated_real(number);
    return true;
  }
  return combine_wholes(node, Operation::multiply, computed::whole_of(number), Integer(-1), out);
}

// A result that does not fit is a float.
bool Expressions::combine_wholes(const Node& node, Operation operation, const Integer& left,
                                 const Integer& right, Value& out) {
  const bool is_zero = right == 0;
  if (operation == Operation::remainder && is_zero)
    return raise("DivisionByZeroError", "Modulo by zero", node);
  if (operation == Operation::divide) {
    if (is_zero) return raise("DivisionByZeroError", "Division by zero", node);
    if (left % right != 0 || !computed::fits(Type::i64, left / right)) {
      const auto real = [](const Integer& whole) {
        return computed::real_of(Type::f64, computed::wrapped(Type::i64, whole));
      };
      out = computed::combine_reals(operation, Type::f64, real(left), real(right));
      return true;
    }
  }
  const Integer result =
      *computed::combine_wholes(operation, left, right, computed::Division::toward_zero);
  if (computed::fits(Type::i64, result)) {
    out = computed::wrapped(Type::i64, result);
    return true;
  }
  // The floats of both sides, and not the exact result.
  const auto real = [](const Integer& whole) {
    return computed::real_of(Type::f64, computed::wrapped(Type::i64, whole));
  };
  out = computed::combine_reals(operation, Type::f64, real(left), real(right));
  return true;
}

bool Expressions::power(const Node& node, const Value& left, const Value& right, Value& out) {
  const bool wholes = left.is(Type::i64) && right.is(Type::i64);
  if (wholes && right.as_whole() >= 0) {
    const Integer base = computed::whole_of(left);
    const auto exponent = static_cast<std::int64_t>(right.as_whole());
    const Integer magnitude = base < 0 ? Integer(-base) : base;
    constexpr int most_bits = 63;
    if (magnitude <= 1 || exponent <= most_bits) {
      const Integer result =
          computed::power_of(base, static_cast<int>(magnitude <= 1 ? exponent % 2 + 2 : exponent));
      const bool is_first = exponent == 0;
      if (is_first || computed::fits(Type::i64, result)) {
        out = computed::wrapped(Type::i64, is_first ? Integer(1) : result);
        return true;
      }
    }
    // It is made of squares, each rounded.
    return not_yet("a power beyond 64 bits is", node);
  }
  const auto real = [](const Value& value) {
    return computed::double_of(computed::real_of(Type::f64, value));
  };
  out = Value::real(computed::power(real(left), real(right)));
  return true;
}

bool Expressions::combine(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  if (operation == Operation::join) {
    std::string first;
    std::string second;
    if (!take_text(node, left, first) || !take_text(node, right, second)) return false;
    out = Value::text(first + second);
    return true;
  }
  if (computed::is_comparison(operation)) return compare(node, operation, left, right, out);
  if (operation == Operation::order) {
    Value less;
    Value equal;
    if (!compare(node, Operation::less, left, right, less) ||
        !compare(node, Operation::equal, left, right, equal))
      return false;
    out = Value::whole(Type::i64, less.as_whole() != 0 ? -1 : equal.as_whole() != 0 ? 0 : 1);
    return true;
  }
  Value a;
  Value b;
  if (!take_number(node, left, a) || !take_number(node, right, b)) return false;
  if (operation == Operation::power) return power(node, a, b, out);
  const bool needs_wholes =
      operation == Operation::remainder || operation == Operation::shift_left ||
      operation == Operation::shift_right || operation == Operation::bits_and ||
      operation == Operation::bits_or || operation == Operation::bits_differ;
  if (needs_wholes && (is_real(a.type()) || is_real(b.type())))
    return not_yet("a float with this operator is", node);
  if (operation == Operation::shift_left || operation == Operation::shift_right) {
    const Integer by = computed::whole_of(b);
    if (by < 0) return raise("ArithmeticError", "Bit shift by negative number", node);
    const Integer number = computed::whole_of(a);
    constexpr int width = 64;
    const bool left_shift = operation == Operation::shift_left;
    if (by >= width)
      out = Value::whole(Type::i64, left_shift || number >= 0 ? 0 : -1);
    else
      out = computed::wrapped(
          Type::i64,
          computed::shifted(number, left_shift ? by.convert_to<int>() : -by.convert_to<int>()));
    return true;
  }
  if (a.is(Type::i64) && b.is(Type::i64))
    return combine_wholes(node, operation, computed::whole_of(a), computed::whole_of(b), out);
  a = computed::real_of(Type::f64, a);
  b = computed::real_of(Type::f64, b);
  if (operation == Operation::divide && b.as_real().is_zero())
    return raise("DivisionByZeroError", "Division by zero", node);
  out = computed::combine_reals(operation, Type::f64, a, b);
  return true;
}

// A record's value is an object with public properties.
bool Expressions::member(const Node& node, const Value& of, Value& out) {
  if (const auto part = part_of_interval(node.text, of, out)) return *part;
  if (of.is(Type::record)) {
    for (const Value& field : of.as_list()) {
      if (field.name() != node.text) continue;
      out = field;
      out.drop_name();
      return true;
    }
  }
  return not_yet("a property that is not there is", node);
}

bool Expressions::item(const Node& node, const Value& of, const Value& at, Value& out) {
  if (of.is(Type::record) && at.is(Type::text)) {
    for (const Value& field : of.as_list()) {
      if (field.name() != at.as_text()) continue;
      out = field;
      out.drop_name();
      return true;
    }
  }
  std::int64_t index = 0;
  if (of.is(Type::text) && is_whole(at.type())) {
    // A byte of it; from the end, where the index is negative.
    const std::string_view text = of.as_text();
    const auto size = static_cast<std::int64_t>(text.size());
    if (!take_int(node, at, index)) return false;
    if (index < 0) index += size;
    if (index < 0 || index >= size) return not_yet("a byte that is not there is", node);
    out = Value::text(std::string(1, text[static_cast<std::size_t>(index)]));
    return true;
  }
  if (of.is(Type::list) && is_whole(at.type()) && take_int(node, at, index) && index >= 0 &&
      static_cast<std::size_t>(index) < of.as_list().size()) {
    out = of.as_list()[static_cast<std::size_t>(index)];
    return true;
  }
  return not_yet("an item that is not there is", node);
}

bool Expressions::cast(const Node& node, const Value& of, Value& out) {
  const std::string type = small_letters(node.text);
  if (type == "string") {
    std::string text;
    if (!take_text(node, of, text)) return false;
    out = Value::text(std::move(text));
    return true;
  }
  if (type == "bool" || type == "boolean") {
    bool truth = false;
    if (!holds(node, of, truth)) return false;
    out = Value::truth(truth);
    return true;
  }
  if (is_compound(of.type()) || find_rare({&of, 1}) != nullptr)
    return not_yet("this cast is", node);
  if (type == "float" || type == "double")
    out = Value::real(Type::f64, pack(binary64, float_of(of)));
  else
    out = Value::whole(Type::i64, int_of(of));
  return true;
}

}  // namespace inky::inline v1::php
