#include "expressions.hpp"

#include <algorithm>
#include <limits>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialect/statement_lines.hpp"
#include "dialects.hpp"
#include "durations.hpp"
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
    {"as", Operation::as_type, 14},      {"*", Operation::multiply, 13},
    {"/", Operation::divide, 13},        {"%", Operation::remainder, 13},
    {"+", Operation::add, 12},           {"-", Operation::subtract, 12},
    {"<<", Operation::shift_left, 11},   {">>", Operation::shift_right, 11},
    {"&", Operation::bits_and, 10},      {"^", Operation::bits_differ, 9},
    {"|", Operation::bits_or, 8},        {"==", Operation::equal, 7},
    {"!=", Operation::unequal, 7},       {"<", Operation::less, 7},
    {"<=", Operation::at_most, 7},       {">", Operation::more, 7},
    {">=", Operation::at_least, 7},      {"&&", Operation::both, 6},
    {"||", Operation::either, 5},        {"..", Operation::range, 4},
    {"=", Operation::none, 1},           {"+=", Operation::none, 1},
    {"-=", Operation::none, 1},          {"*=", Operation::none, 1},
    {"/=", Operation::none, 1},          {"?", Operation::none, 16},
    {"..=", Operation::range_closed, 4}, {"%=", Operation::none, 1},
    {"=>", Operation::range, -1},
};
constexpr computed::OperatorFact prefix_operators[] = {
    {"-", Operation::negate, 15}, {"!", Operation::deny, 15},     {"&", Operation::keep, 15},
    {"*", Operation::keep, 15},   {"&mut ", Operation::none, 15},
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
  if (computed::fits(type, whole)) return computed::wrapped(type, whole);
  // Behind a minus sign it may be one more than the most. Without a type of its own, it takes that of
  // what it meets.
  if (has_type && !computed::fits(type, -whole)) return std::nullopt;
  for (const Type wide : {Type::i64, Type::i128, Type::u128}) {
    if (computed::fits(wide, whole)) return computed::wrapped(wide, whole);
  }
  return std::nullopt;
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
                                            .unknown_words = "Box"};

// i32::MAX, f64::EPSILON, std::f64::consts::PI.
std::optional<Value> known_constant(std::string_view path) {
  if (path.starts_with("std::")) path.remove_prefix(5);
  const std::size_t sign = path.find("::");
  if (sign == std::string_view::npos) return std::nullopt;
  const TypeName* type = find_type(path.substr(0, sign));
  const std::string_view name = path.substr(sign + 2);
  if (type == nullptr) return std::nullopt;
  if (is_whole(type->type)) {
    const TypeFact& fact = fact_of(type->type);
    const Integer one = 1;
    const Integer most = (one << (fact.is_signed ? fact.width - 1 : fact.width)) - 1;
    if (name == "MAX") return computed::wrapped(type->type, most);
    if (name == "MIN")
      return computed::wrapped(type->type, fact.is_signed ? Integer(-most - 1) : Integer(0));
    return std::nullopt;
  }
  if (type->type != Type::f64) return std::nullopt;
  const std::pair<std::string_view, double> reals[] = {
      {"MAX", std::numeric_limits<double>::max()},
      {"MIN", std::numeric_limits<double>::lowest()},
      {"MIN_POSITIVE", std::numeric_limits<double>::min()},
      {"EPSILON", std::numeric_limits<double>::epsilon()},
      {"INFINITY", std::numeric_limits<double>::infinity()},
      {"NEG_INFINITY", -std::numeric_limits<double>::infinity()},
      {"NAN", std::numeric_limits<double>::quiet_NaN()},
      {"consts::PI", 0x1.921fb54442d18p+1},
      {"consts::E", 0x1.5bf0a8b145769p+1}};
  for (const auto& [known, value] : reals) {
    if (known == name) return Value::real(value);
  }
  return std::nullopt;
}

// "from_secs" of Duration::from_secs, std::time::Duration::from_secs.
std::optional<std::string_view> name_in_duration(std::string_view path) {
  for (const std::string_view before : {"std::time::", "core::time::", "time::"}) {
    if (path.starts_with(before)) path.remove_prefix(before.size());
  }
  constexpr std::string_view type = "Duration::";
  return path.starts_with(type) ? std::optional(path.substr(type.size())) : std::nullopt;
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
  out.tuples = true;
  out.digit_members = true;
  out.type_arguments = "::<";
  out.functions = "Some";
  out.methods =
      "abs sqrt powi floor ceil round trunc max min to_string len to_uppercase to_lowercase trim "
      "trim_start trim_end repeat is_empty contains starts_with ends_with replace pow to_owned "
      "as_str";
  return out;
}();

const ExpressionForm expression_form = {
    .read_declarations = read_declarations,
    .compute_change = compute_change,
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
    .items = "_items({})",
    .range_sign = "..",
    .constant_words = "let const",
    .variable_word = "mut",
    .declares_types = true,
    .assigns = assigned,
    .assignment_fault = "E0308",
    .modifiers = "let mut const static",
    .plain_types = "String str char bool Duration"};

ExpressionReader::ExpressionReader(TemplateContent& out, std::size_t at)
    : CodeReader(code_facts, out, at) {}

// The type that a number is written with, where it has one.
void ExpressionReader::keep_type(Node& node, std::string_view written) {
  for (const TypeName& known : type_names) {
    if (is_number(node.value) && written.ends_with(known.name)) node.text = known.name;
  }
}

std::optional<Type> type_of_name(std::string_view name) {
  const TypeName* known = find_type(trimmed(name));
  return known == nullptr ? std::nullopt : std::optional<Type>(known->type);
}

bool Expressions::name_without_value(const Node& node, Value& out) {
  if (node.text == "std::f64::consts::PI") {
    out = Value::real(0x1.921fb54442d18p+1);
    return true;
  }
  if (const auto known = known_constant(node.text)) {
    out = *known;
    return true;
  }
  if (const auto name = name_in_duration(node.text); name == "ZERO" || name == "MAX") {
    out = Value::duration(name == "ZERO" ? int128{0} : longest_duration);
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
  // A literal may be one more than the most of its type.
  const Integer negative = -computed::whole_of(operand);
  const Type own = is_beyond_type(node.parts[0]) ? literal_type(node.parts[0]) : operand.type();
  return keep(node, computed::fits(own, negative) ? own : operand.type(), negative, out);
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

bool Expressions::literal_without_type(const Node& node) {
  return not_yet("a literal that does not fit its type, or i32 where it has none, is", node);
}

bool Expressions::combine(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  Value a = left;
  Value b = right;
  // One side gives the other its type, but for those that are shifted.
  const bool shifts = operation == Operation::shift_left || operation == Operation::shift_right;
  // A sum of a list has no sides.
  const bool has_sides = node.parts.size() > 1;
  const bool first = has_sides && is_beyond_type(node.parts[0]);
  const bool second = has_sides && is_beyond_type(node.parts[1]);
  const auto has_no_type = [&](bool is_beyond, const Node& part, const Node& other) {
    return is_beyond && (shifts || !is_open(part) || is_open(other));
  };
  if (has_sides && (has_no_type(first, node.parts[0], node.parts[1]) ||
                    has_no_type(second, node.parts[1], node.parts[0])))
    return literal_without_type(node);
  if (operation == Operation::range || operation == Operation::range_closed)
    return make_range(node, operation, left, right, out);
  if (shifts && is_whole(a.type()) && is_whole(b.type())) return shift(node, operation, a, b, out);
  if (a.is(Type::duration) || b.is(Type::duration))
    return combine_durations(node, operation, a, b, out);
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
  // Of a String, which a call makes, and no literal is.
  const bool makes_text = node.parts[0].kind == Node::Kind::call && a.is(Type::text);
  if (makes_text && b.is(Type::text) && operation == Operation::add) {
    out = Value::text(std::string(a.as_text()) + std::string(b.as_text()));
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
  if (const auto done = call_function_by_path(node, path, arguments, out)) return *done;
  if (const auto name = name_in_duration(path)) {
    if (const auto made = make_duration(node, *name, arguments, out)) return *made;
  }
  if (const std::size_t sign = path.rfind("::");
      sign != std::string::npos && arguments.size() > 0) {
    std::string_view type = std::string_view(path).substr(0, sign);
    const std::string name = path.substr(sign + 2);
    const bool compares = type.ends_with("cmp") && (name == "max" || name == "min");
    if (type.starts_with("std::")) type.remove_prefix(5);
    // f64::sqrt(x) is x.sqrt().
    const auto known = type_of_name(type);
    if (compares || (known && arguments[0].is(*known) && is_number(arguments[0]))) {
      Node method = node;
      method.parts[0].kind = Node::Kind::member;
      method.parts[0].text = name;
      method.parts[0].parts.push_back(node.parts[1]);
      // A literal has the type that is named.
      if (known) method.parts[0].parts[0].text = type;
      method.parts.erase(method.parts.begin() + 1);
      Arguments others;
      others.values.assign(arguments.values.begin() + 1, arguments.values.end());
      return call_on_number(method, arguments[0], others, out);
    }
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
  const bool is_given = is_open(node.parts[0]) && is_whole(type->type);
  if (is_beyond_type(node.parts[0]) && !is_given) return literal_without_type(node);
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

bool Expressions::call_method(const Node& node, const Value& of, const Arguments& arguments,
                              Value& out) {
  if (const auto changed = change(node, of, arguments, out)) return *changed;
  if (of.is(Type::text)) {
    if (const auto parts = parts_of_text(node, of.as_text(), arguments, out)) return *parts;
    return call_on_text(node, of.as_text(), arguments, out);
  }
  if (of.is(Type::list)) return call_on_list(node, of, arguments, out);
  if (of.is(Type::some) || of.is(Type::nil)) return call_on_option(node, of, arguments, out);
  if (node.parts[0].text == "to_string" && arguments.size() == 0)
    return fill(node, *rust_dialect(), "{}", {&of, 1}, out);
  if (is_number(of)) return call_on_number(node, of, arguments, out);
  if (of.is(Type::duration)) return call_on_duration(node, of, arguments, out);
  return Evaluator::call_method(node, of, arguments, out);
}

}  // namespace inky::inline v1::rust
