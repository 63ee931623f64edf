#include "expressions.hpp"

#include <algorithm>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "fields.hpp"
#include "text/ascii.hpp"
#include "text/lower_case.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::rust {

namespace {

using computed::Node;
using computed::Operation;

// The Rust Reference, 8.2, Expression precedence.
constexpr computed::OperatorFact infix_operators[] = {
    {"as", Operation::as_type, 14},    {"*", Operation::multiply, 13},
    {"/", Operation::divide, 13},      {"%", Operation::remainder, 13},
    {"+", Operation::add, 12},         {"-", Operation::subtract, 12},
    {"<<", Operation::shift_left, 11}, {">>", Operation::shift_right, 11},
    {"&", Operation::bits_and, 10},    {"^", Operation::bits_differ, 9},
    {"|", Operation::bits_or, 8},      {"==", Operation::equal, 7},
    {"!=", Operation::unequal, 7},     {"<", Operation::less, 7},
    {"<=", Operation::at_most, 7},     {">", Operation::more, 7},
    {">=", Operation::at_least, 7},    {"&&", Operation::both, 6},
    {"||", Operation::either, 5},      {"..", Operation::none, 4},
    {"=", Operation::none, 1},         {"+=", Operation::none, 1},
    {"-=", Operation::none, 1},        {"*=", Operation::none, 1},
    {"/=", Operation::none, 1},        {"?", Operation::none, 16},
};
constexpr computed::OperatorFact prefix_operators[] = {
    {"-", Operation::negate, 15},   {"!", Operation::deny, 15}, {"&", Operation::keep, 15},
    {"*", Operation::none, 15},     {"|", Operation::none, 15}, {"if", Operation::none, 15},
    {"match", Operation::none, 15},
};

struct TypeName {
  std::string_view name;
  Type type;
};
constexpr TypeName type_names[] = {
    {"i8", Type::i8},     {"i16", Type::i16},   {"i32", Type::i32},       {"i64", Type::i64},
    {"i128", Type::i128}, {"isize", Type::i64}, {"u8", Type::u8},         {"u16", Type::u16},
    {"u32", Type::u32},   {"u64", Type::u64},   {"u128", Type::u128},     {"usize", Type::u64},
    {"f32", Type::f32},   {"f64", Type::f64},   {"char", Type::character}};

const TypeName* find_type(std::string_view name) {
  const auto found = std::find_if(std::begin(type_names), std::end(type_names),
                                  [&](const TypeName& known) { return known.name == name; });
  return found == std::end(type_names) ? nullptr : found;
}

// The Rust Reference, 2.6, Number literals. One without a type is an i32 or an f64, unless what it
// meets has another.
std::optional<Value> number_of(std::string_view source) {
  std::string text(source);
  text.erase(std::remove(text.begin(), text.end(), '_'), text.end());
  Type type = Type::i32;
  bool has_type = false;
  for (const TypeName& known : type_names) {
    const bool is_hexadecimal = text.starts_with("0x") && known.name[0] == 'f';
    if (!text.ends_with(known.name) || is_hexadecimal || known.type == Type::character) continue;
    text.resize(text.size() - known.name.size());
    type = known.type;
    has_type = true;
    break;
  }
  const bool based = text.size() > 1 && text[0] == '0' && !is_digit(text[1]) && text[1] != '.' &&
                     text[1] != 'e' && text[1] != 'E';
  if (text.empty()) return std::nullopt;
  const bool real = !based && text.find_first_of(".eE") != std::string::npos;
  if (real || is_real(type)) {
    if (based || (has_type && !is_real(type))) return std::nullopt;
    auto value = read_typed(has_type ? type : Type::f64, text);
    if (!value || !value->as_real().is_finite()) return std::nullopt;
    return std::move(*value);
  }
  const std::size_t first = std::min(text.find_first_not_of('0'), text.size());
  if (!based) text.erase(0, std::min(first, text.size() - 1));
  const auto number = read_whole(text);
  if (!number) return std::nullopt;
  const Integer whole = integer_of(*number);
  // Behind a minus sign it may be one more than the most.
  if (!computed::fits(type, whole) && !computed::fits(type, -whole)) return std::nullopt;
  return computed::wrapped(type, whole);
}

std::optional<Value> constant_of(std::string_view word) {
  if (word == "true" || word == "false") return Value::truth(word == "true");
  if (word == "None") return Value();
  return std::nullopt;
}

std::optional<Value> character_of(const std::string& text) {
  const auto point = first_code_point(text);
  if (!point || static_cast<std::size_t>(point->bytes) != text.size()) return std::nullopt;
  return Value::character(point->value);
}

constexpr PrintFact prints[] = {{.name = "println!", .after = "\n", .may_be_empty = true},
                                {"print!", ""},
                                {.name = "eprintln!", .after = "\n", .may_be_empty = true},
                                {"eprint!", ""}};

constexpr computed::CodeFacts code_facts = {.grammar = &grammar,
                                            .language = "Rust",
                                            .syntax_fault = "error",
                                            .digit_marks = "_",
                                            .read_escape = read_escape,
                                            .number = number_of,
                                            .constant = constant_of,
                                            .character = character_of,
                                            .unknown_words = "vec Box String Vec"};

bool is_number(const Value& value) {
  return is_whole(value.type()) || is_real(value.type());
}

// A literal without a type of its own takes the one it meets.
bool is_open(const Node& node) {
  if (!computed::is_constant(node) || !node.text.empty()) return false;
  return std::all_of(node.parts.begin(), node.parts.end(), is_open);
}

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = prefix_operators;
  out.names_argument = "=";
  out.lists = "[";
  out.path = "::";
  out.cast_word = "as";
  out.functions = "Some";
  out.methods =
      "abs sqrt powi floor ceil round trunc max min to_string len to_uppercase to_lowercase trim "
      "trim_start trim_end repeat is_empty contains starts_with ends_with replace pow to_owned "
      "as_str";
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
    .ends = ";",
    .silent_words = "use extern",
    .blocks = Blocks::braces,
    .range_sign = "..",
    .constant_words = "let const",
    .variable_word = "mut",
    .declares_types = true,
    .assigns = assigned,
    .assignment_fault = "E0308",
    .modifiers = "let mut const static",
    .plain_types = "String str char bool"};

ExpressionReader::ExpressionReader(TemplateContent& out, std::size_t at)
    : CodeReader(code_facts, out, at) {}

// println!(...): the sign is a part of the name.
std::optional<bool> ExpressionReader::read_own(Node& node) {
  const std::size_t start = at_;
  if (const auto own = CodeReader::read_own(node)) {
    // The type that a number is written with, where it has one.
    const std::string_view written = source_.substr(start, at_ - start);
    for (const TypeName& known : type_names) {
      if (is_number(node.value) && written.ends_with(known.name)) node.text = known.name;
    }
    return own;
  }
  if (!begins_name(peek())) return std::nullopt;
  const std::string_view word = read_word();
  if (peek() != '!' || peek(1) == '=') {
    at_ = start;
    return std::nullopt;
  }
  ++at_;
  node.kind = Node::Kind::name;
  node.text = std::string(word) + '!';
  return true;
}

bool Expressions::name_without_value(const Node& node, Value& out) {
  if (node.text == "std::f64::consts::PI") {
    out = Value::real(0x1.921fb54442d18p+1);
    return true;
  }
  if (node.kind == Node::Kind::member || node.text.find(':') != std::string::npos)
    return not_yet("the name " + node.text + " is", node);
  return refuse("E0425", "cannot find value " + node.text + " in this scope", node);
}

bool Expressions::holds(const Node& node, const Value& value, bool& out) {
  if (!value.is(Type::truth)) return refuse("E0308", "a bool is needed here", node);
  out = value.as_whole() != 0;
  return true;
}

bool Expressions::deny(const Node& node, const Value& operand, Value& out) {
  if (operand.is(Type::truth)) {
    out = Value::truth(operand.as_whole() == 0);
    return true;
  }
  if (!is_whole(operand.type()))
    return refuse("E0600", "there is no ! for " + describe(operand), node);
  out = computed::wrapped(operand.type(), -computed::whole_of(operand) - 1);
  return true;
}

// The compiler sees some of what does not fit, and the program the rest.
bool Expressions::keep(const Node& node, Type type, const Integer& number, Value& out) {
  if (!computed::fits(type, number))
    return not_yet(
        "a result (" + number.str() + ") that does not fit " + std::string(name_of(type)) + " is",
        node);
  out = computed::wrapped(type, number);
  return true;
}

bool Expressions::apply(const Node& node, const Value& operand, Value& out) {
  if (node.operation == Operation::keep) {
    out = operand;
    return true;
  }
  if (is_real(operand.type())) {
    out = computed::negated_real(operand);
    return true;
  }
  if (!is_whole(operand.type()) || !fact_of(operand.type()).is_signed)
    return refuse("E0600", "cannot apply unary operator - to " + describe(operand), node);
  return keep(node, operand.type(), -computed::whole_of(operand), out);
}

bool Expressions::shift(const Node& node, Operation operation, const Value& left,
                        const Value& right, Value& out) {
  const Integer by = computed::whole_of(right);
  const int width = fact_of(left.type()).width;
  if (by < 0 || by >= width) return not_yet("a shift by " + by.str() + " is", node);
  const int count = by.convert_to<int>();
  out = computed::wrapped(left.type(),
                          computed::shifted(computed::whole_of(left),
                                            operation == Operation::shift_left ? count : -count));
  return true;
}

bool Expressions::combine(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  Value a = left;
  Value b = right;
  const bool shifts = operation == Operation::shift_left || operation == Operation::shift_right;
  if (shifts && is_whole(a.type()) && is_whole(b.type())) return shift(node, operation, a, b, out);
  const auto adapt = [&](Value& value, const Node& part, const Value& other) {
    const bool same_kind = is_whole(value.type()) && is_whole(other.type());
    const bool reals = is_real(value.type()) && is_real(other.type());
    if (value.is(other.type()) || !is_open(part) || (!same_kind && !reals)) return true;
    // The digits of the literal are rounded once.
    if (reals) return not_yet("a literal as an f32 is", node);
    return keep(node, other.type(), computed::whole_of(value), value);
  };
  if (!adapt(a, node.parts[0], right) || !adapt(b, node.parts[1], left)) return false;
  if (computed::is_comparison(operation)) {
    if (a.type() != b.type()) return refuse("E0308", "mismatched types", node);
    if (a.is(Type::text)) {
      const int order = a.as_text().compare(b.as_text());
      out = Value::truth(computed::relates(operation, order <=> 0));
      return true;
    }
    if (!is_number(a) && !a.is(Type::truth) && !a.is(Type::character))
      return not_yet("comparing these is", node);
    out = Value::truth(computed::relates(operation, computed::compare(a, b)));
    return true;
  }
  const bool is_bitwise = operation == Operation::bits_and || operation == Operation::bits_or ||
                          operation == Operation::bits_differ;
  if (is_bitwise && a.is(Type::truth) && b.is(Type::truth)) {
    const auto result = computed::combine_wholes(
        operation, computed::whole_of(a), computed::whole_of(b), computed::Division::toward_zero);
    out = Value::truth(*result != 0);
    return true;
  }
  if (a.is(Type::text) || b.is(Type::text)) return not_yet("operators on texts are", node);
  if (!is_number(a) || a.type() != b.type())
    return refuse("E0277",
                  "no operator " + std::string(computed::text_of(grammar, operation)) + " for " +
                      describe(left) + " and " + describe(right),
                  node);
  if (is_real(a.type())) {
    if (is_bitwise) return refuse("E0277", "no such operator for reals", node);
    out = computed::combine_reals(operation, a.type(), a, b);
    return true;
  }
  const auto result = computed::combine_wholes(
      operation, computed::whole_of(a), computed::whole_of(b), computed::Division::toward_zero);
  if (!result) return not_yet("a division by zero is", node);
  return keep(node, a.type(), *result, out);
}

// format!("{:<6}|", name)
bool Expressions::call(const Node& node, const std::string& path,
                       const computed::Arguments& arguments, Value& out) {
  if (path == "Some" && arguments.size() == 1) {
    out = Value::some(arguments[0]);
    return true;
  }
  if (path != "format!" || arguments.size() == 0 || !arguments[0].is(Type::text))
    return Evaluator::call(node, path, arguments, out);
  std::vector<Value> values(arguments.values.begin() + 1, arguments.values.end());
  for (const computed::Arguments::Named& named : arguments.named) {
    values.push_back(named.value);
    values.back().set_name(named.name);
  }
  return fill(node, *rust_dialect(), arguments[0].as_text(), values, out);
}

// The Rust Reference, 8.2.4, Type cast expressions: reals saturate.
bool Expressions::cast(const Node& node, const Value& of, Value& out) {
  const TypeName* type = find_type(node.text);
  if (type == nullptr) return not_yet("the type " + node.text + " is", node);
  const bool from_number = is_number(of) || of.is(Type::truth) || of.is(Type::character);
  if (!from_number) return not_yet("a cast of this is", node);
  if (type->type == Type::character) {
    if (!of.is(Type::u8)) return not_yet("a cast of this to char is", node);
    out = Value::character(static_cast<char32_t>(of.as_whole()));
    return true;
  }
  if (is_real(type->type)) {
    if (!is_number(of)) return not_yet("a cast of this is", node);
    out = computed::real_of(type->type, of);
    return true;
  }
  // A literal without a type is of this one.
  if (is_open(node.parts[0]) && is_whole(of.type()) &&
      !computed::fits(type->type, computed::whole_of(of)))
    return not_yet("a literal that does not fit " + node.text + " is", node);
  if (!is_real(of.type())) {
    out = computed::wrapped(type->type, computed::whole_of(of));
    return true;
  }
  const TypeFact& fact = fact_of(type->type);
  const Integer most = (Integer(1) << (fact.is_signed ? fact.width - 1 : fact.width)) - 1;
  const Integer least = fact.is_signed ? Integer(-most - 1) : Integer(0);
  const BinaryReal real = of.as_real();
  const auto whole = computed::cut(of);
  const Integer kept = real.kind == RealClass::not_a_number ? Integer(0)
                       : !whole                             ? (real.negative ? least : most)
                                                            : std::clamp(*whole, least, most);
  out = computed::wrapped(type->type, kept);
  return true;
}

bool Expressions::call_on_number(const Node& node, const Value& of, const Arguments& arguments,
                                 Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  // The compiler does not guess the type of a literal that has a method.
  if (is_open(node.parts[0].parts[0]) && name != "to_string")
    return not_yet("a method of a literal is", node);
  if (is_real(of.type())) {
    constexpr std::pair<std::string_view, Rounding> roundings[] = {{"floor", Rounding::down},
                                                                   {"ceil", Rounding::up},
                                                                   {"trunc", Rounding::toward},
                                                                   {"round", Rounding::half_away}};
    for (const auto& [known, rounding] : roundings) {
      if (name != known || count != 0) continue;
      out = computed::rounded_real(of, rounding);
      return true;
    }
    if (name == "abs" && count == 0) {
      out = of.as_real().negative ? computed::negated_real(of) : of;
      return true;
    }
    if (name == "sqrt" && count == 0 && of.is(Type::f64)) {
      out = Value::real(*computed::elementary("sqrt", computed::double_of(of)));
      return true;
    }
  }
  if ((name == "max" || name == "min") && count == 1) {
    Value other = arguments[0];
    if (is_open(node.parts[1]) && is_whole(other.type()) && is_whole(of.type()) &&
        !keep(node, of.type(), computed::whole_of(other), other))
      return false;
    if (other.type() != of.type()) return refuse("E0308", "mismatched types", node);
    if (is_real(of.type())) {
      // A not-a-number gives way to a number.
      const bool is_nan = of.as_real().kind == RealClass::not_a_number;
      if (is_nan || other.as_real().kind == RealClass::not_a_number) {
        out = is_nan ? other : of;
        return true;
      }
      const bool signs_differ = of.as_real().negative != other.as_real().negative;
      if (of.as_real().is_zero() && other.as_real().is_zero() && signs_differ)
        return not_yet(name + " of zeros with two signs is", node);
    }
    out = computed::extreme(name == "max", of, other);
    return true;
  }
  if (is_whole(of.type()) && name == "abs" && count == 0 && fact_of(of.type()).is_signed) {
    const Integer whole = computed::whole_of(of);
    return keep(node, of.type(), whole < 0 ? Integer(-whole) : whole, out);
  }
  if (is_whole(of.type()) && name == "pow" && count == 1 && is_whole(arguments[0].type())) {
    const Integer exponent = computed::whole_of(arguments[0]);
    constexpr int most_exponent = 128;
    if (exponent < 0 || exponent > most_exponent) return not_yet("such a power is", node);
    return keep(node, of.type(),
                computed::power_of(computed::whole_of(of), exponent.convert_to<int>()), out);
  }
  return not_yet("the method " + name + " is", node);
}

bool Expressions::call_on_text(const Node& node, std::string_view text, const Arguments& arguments,
                               Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  const auto is_blank = [](char c) { return c == ' ' || (9 <= c && c <= 13); };
  if (count == 0) {
    if (name == "len") {
      out = Value::whole(Type::u64, static_cast<int128>(text.size()));
    } else if (name == "is_empty") {
      out = Value::truth(text.empty());
    } else if (name == "to_string" || name == "to_owned" || name == "as_str") {
      out = Value::text(std::string(text));
    } else if (name == "to_uppercase" || name == "to_lowercase") {
      out = Value::text(name == "to_uppercase" ? upper_case(text) : lower_case(text));
    } else if (name.starts_with("trim")) {
      if (!is_ascii(text)) return not_yet("trim of this text is", node);
      while (name != "trim_end" && !text.empty() && is_blank(text.front())) text.remove_prefix(1);
      while (name != "trim_start" && !text.empty() && is_blank(text.back())) text.remove_suffix(1);
      out = Value::text(std::string(text));
    } else {
      return not_yet("the method " + name + " is", node);
    }
    return true;
  }
  if (name == "repeat" && count == 1 && is_whole(arguments[0].type())) {
    const Integer times = computed::whole_of(arguments[0]);
    if (times < 0 || times > most_output / (text.size() + 1))
      return over_limit("a text repeated " + times.str() + " times is over the limit", node);
    std::string made;
    for (auto i = times.convert_to<std::size_t>(); i > 0; --i) made += text;
    out = Value::text(std::move(made));
    return true;
  }
  const bool by_text = is_text_or_character(arguments[0]);
  const std::string other = by_text ? text_of(arguments[0]) : std::string();
  if (by_text && count == 1 && name == "contains") {
    out = Value::truth(text.find(other) != std::string_view::npos);
    return true;
  }
  if (by_text && count == 1 && (name == "starts_with" || name == "ends_with")) {
    out = Value::truth(name == "starts_with" ? text.starts_with(other) : text.ends_with(other));
    return true;
  }
  if (by_text && count == 2 && name == "replace" && arguments[1].is(Type::text) && !other.empty()) {
    std::string made;
    for (std::size_t found = text.find(other); found != std::string_view::npos;
         found = text.find(other)) {
      (made += text.substr(0, found)) += arguments[1].as_text();
      text.remove_prefix(found + other.size());
    }
    out = Value::text(made + std::string(text));
    return true;
  }
  return not_yet("the method " + name + " is", node);
}

bool Expressions::call_method(const Node& node, const Value& of, const Arguments& arguments,
                              Value& out) {
  if (of.is(Type::text)) return call_on_text(node, of.as_text(), arguments, out);
  if (node.parts[0].text == "to_string" && arguments.size() == 0)
    return fill(node, *rust_dialect(), "{}", {&of, 1}, out);
  if (is_number(of)) return call_on_number(node, of, arguments, out);
  return Evaluator::call_method(node, of, arguments, out);
}

}  // namespace inky::inline v1::rust
