#include "expressions.hpp"

#include <algorithm>
#include <cmath>
#include <limits>
#include <utility>

#include "../computed/shared_operators.hpp"
#include "../computed/units.hpp"
#include "../family/dotnet_decimal.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "interpolated.hpp"
#include "times.hpp"

namespace inky::inline v1::csharp {

namespace {

using computed::Node;
using computed::Operation;

// The C# specification, 12.4.2.
constexpr auto infix_operators =
    computed::with_own(computed::shared_infix, std::to_array<computed::OperatorFact>({
                                                   {">>>", Operation::shift_right_plain, 11},
                                                   {"is", Operation::none, 10},
                                                   {"as", Operation::none, 10},
                                                   {"??", Operation::if_nil, 3, true},
                                                   {">>>=", Operation::none, 1},
                                                   {"?\?=", Operation::none, 1},
                                                   {"=>", Operation::none, 1},
                                                   {"switch", Operation::none, 1},
                                                   {"..", Operation::none, 1},
                                                   {"?.", Operation::none, 1},
                                               }));
constexpr auto prefix_operators =
    computed::with_own(computed::shared_prefix, std::to_array<computed::OperatorFact>({
                                                    {"^", Operation::none, 14},
                                                    {"await", Operation::none, 14},
                                                }));

struct TypeName {
  std::string_view name;
  Type type;
};
constexpr TypeName type_names[] = {
    {"bool", Type::truth},  {"sbyte", Type::i8},       {"byte", Type::u8},
    {"short", Type::i16},   {"ushort", Type::u16},     {"int", Type::i32},
    {"uint", Type::u32},    {"long", Type::i64},       {"ulong", Type::u64},
    {"float", Type::f32},   {"double", Type::f64},     {"char", Type::character},
    {"string", Type::text}, {"decimal", Type::decimal}};

const TypeName* find_type(std::string_view name) {
  const auto found = std::find_if(std::begin(type_names), std::end(type_names),
                                  [&](const TypeName& known) { return known.name == name; });
  return found == std::end(type_names) ? nullptr : found;
}

// The first type that holds it: the C# specification, 6.4.5.3.
std::optional<Value> whole_number(const std::string& text, std::string suffix) {
  std::sort(suffix.begin(), suffix.end());
  const bool is_long = suffix.find('l') != std::string::npos;
  const bool is_unsigned = suffix.find('u') != std::string::npos;
  constexpr std::string_view known[] = {"", "l", "u", "lu"};
  if (std::find(std::begin(known), std::end(known), suffix) == std::end(known)) return std::nullopt;
  const auto number = read_whole(text);
  if (!number) return std::nullopt;
  const Integer magnitude = integer_of(*number);
  struct Step {
    Type type;
    bool allowed;
  };
  const Step steps[] = {{Type::i32, !is_unsigned && !is_long},
                        {Type::u32, !is_long},
                        {Type::i64, !is_unsigned},
                        {Type::u64, true}};
  for (const Step& step : steps) {
    if (step.allowed && computed::fits(step.type, magnitude))
      return computed::wrapped(step.type, magnitude);
  }
  return std::nullopt;
}

std::optional<Value> number_of(std::string_view source) {
  if (source.ends_with('_') || source.ends_with('.')) return std::nullopt;
  std::string text(source);
  text.erase(std::remove(text.begin(), text.end(), '_'), text.end());
  const char mark = text.size() > 1 && text[0] == '0' ? static_cast<char>(text[1] | 0x20) : ' ';
  const bool based = mark == 'x' || mark == 'b';
  const char last = static_cast<char>(text.back() | 0x20);
  if (!based && last == 'm') {
    text.pop_back();
    const auto decimal = read_decimal(text);
    const auto held = decimal ? decimal96(*decimal) : std::nullopt;
    return held ? std::optional(Value::decimal(*held)) : std::nullopt;
  }
  const bool has_suffix = !based && (last == 'f' || last == 'd');
  if (!based && (has_suffix || text.find_first_of(".eE") != std::string::npos)) {
    if (has_suffix) text.pop_back();
    auto value = read_typed(has_suffix && last == 'f' ? Type::f32 : Type::f64, text);
    if (!value || !value->as_real().is_finite()) return std::nullopt;
    return std::move(*value);
  }
  std::string suffix;
  while (!text.empty() && std::string_view("uUlL").find(text.back()) != std::string_view::npos) {
    suffix += static_cast<char>(text.back() | 0x20);
    text.pop_back();
  }
  if (based) text[1] = mark;
  // A zero before other digits means nothing here.
  const std::size_t first = std::min(text.find_first_not_of('0'), text.size());
  if (!based && !text.empty()) text.erase(0, std::min(first, text.size() - 1));
  return whole_number(text, std::move(suffix));
}

constexpr std::string_view list_types = "List IList IEnumerable ICollection IReadOnlyList";
constexpr ListChangeFact list_changes[] = {
    {"{}.Add(?)", ListChange::Kind::add},       {"{}.Clear()", ListChange::Kind::clear},
    {"{}.Sort()", ListChange::Kind::sort},      {"{}.Reverse()", ListChange::Kind::reverse},
    {"Array.Sort({})", ListChange::Kind::sort}, {"Array.Reverse({})", ListChange::Kind::reverse}};

constexpr PrintFact prints[] = {
    {.name = "Console.WriteLine", .after = "\n", .may_be_empty = true},
    {"Console.Write", ""},
    {.name = "Console.Out.WriteLine", .after = "\n", .may_be_empty = true},
    {"Console.Error.WriteLine", "\n"},
    {.name = "System.Console.WriteLine", .after = "\n", .may_be_empty = true},
    {"System.Console.Write", ""}};

constexpr LocaleStatementFact locale_statements[] = {{"CultureInfo.CurrentCulture =", ""},
                                                     {"Thread.CurrentThread.CurrentCulture =", ""}};

constexpr LocaleFact named_locales[] = {{"CultureInfo.InvariantCulture", "invariant"},
                                        {"NumberFormatInfo.InvariantInfo", "invariant"}};

constexpr auto rules = [] {
  computed::TypedRules out;
  out.grammar = &grammar;
  out.language = "C#";
  out.compile_fault = "CS0019";
  out.most_character = 0xFFFF;
  out.zero_fault = "DivideByZeroException";
  out.zero_reason = "a whole number divided by zero";
  out.quotient_fault = "OverflowException";
  out.signs_widen = true;
  out.reals_have_remainders = true;
  out.reals_saturate = true;
  out.plain_template = "{0}";
  out.plain_dialect = csharp_dialect;
  return out;
}();

constexpr computed::CodeFacts code_facts = {
    .grammar = &grammar,
    .language = "C#",
    .syntax_fault = "error",
    .digit_marks = "_",
    .word_marks = "@",
    .read_escape = read_escape,
    .number = number_of,
    .constant = computed::truth_or_nil,
    .character = computed::unit_of,
    .is_type = [](std::string_view name) { return find_type(name) != nullptr; },
    .rare_prefixes = "$",
    .verbatim = "@",
    .raw_triples = true,
    .makes_objects = true,
    .list_classes = list_types,
    .function_arrow = "=>",
    .unknown_words = "typeof sizeof default checked unchecked this base nameof stackalloc"};

bool compiler_knows(const Node& node) {
  return computed::is_constant(node, is_known_name);
}

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = prefix_operators;
  out.condition = computed::Grammar::Condition::marks;
  out.lists = "{";
  out.tuples = true;
  out.functions =
      "Math.Abs Math.Max Math.Min Math.Pow Math.Sqrt Math.Cbrt Math.Floor Math.Ceiling "
      "Math.Truncate Math.Round Math.Sign Math.Exp Math.Log Math.Log10 Math.Sin Math.Cos Math.Tan "
      "CultureInfo CultureInfo.GetCultureInfo CultureInfo.CreateSpecificCulture "
      "Convert.ToInt32 Convert.ToInt64 Convert.ToDouble Convert.ToString int.Parse double.Parse "
      "DateTime DateTimeOffset DateOnly TimeOnly TimeSpan TimeSpan.FromDays TimeSpan.FromHours "
      "TimeSpan.FromMinutes TimeSpan.FromSeconds TimeSpan.FromMilliseconds "
      "DateTime.Parse DateTime.ParseExact DateOnly.Parse DateOnly.ParseExact TimeOnly.Parse "
      "TimeOnly.ParseExact DateTimeOffset.Parse DateTime.IsLeapYear DateTime.DaysInMonth "
      "DateOnly.FromDateTime TimeOnly.FromDateTime DateTimeOffset.FromUnixTimeSeconds "
      "DateTimeOffset.FromUnixTimeMilliseconds string.Create String.Create "
      "FormattableString.Invariant "
      "decimal.Parse Convert.ToDecimal decimal.Round decimal.Floor decimal.Ceiling "
      "decimal.Truncate decimal.Add decimal.Subtract decimal.Multiply decimal.Divide "
      "decimal.Remainder decimal.Negate decimal.Abs decimal.Max decimal.Min "
      "string.Format String.Format string.Join String.Join string.Concat string.IsNullOrEmpty";
  out.methods =
      "ToString ToUpper ToLower ToUpperInvariant ToLowerInvariant Trim TrimStart TrimEnd "
      "Substring IndexOf LastIndexOf Contains StartsWith EndsWith Equals Replace PadLeft PadRight "
      "Insert Remove Split AddDays AddHours AddMinutes AddSeconds AddMilliseconds AddMonths "
      "AddYears "
      "Add Subtract Negate Duration ToShortDateString ToLongDateString ToShortTimeString "
      "ToLongTimeString ToUniversalTime ToOffset ToUnixTimeSeconds ToUnixTimeMilliseconds "
      "GetMonthName GetAbbreviatedMonthName GetDayName GetAbbreviatedDayName";
  return out;
}();

namespace {

std::unique_ptr<computed::Reader> make_reader(TemplateContent& out, std::size_t at) {
  return std::make_unique<ExpressionReader>(code_facts, out, at, make_reader);
}

std::optional<std::size_t> read_slots(StatementParts& parts, std::size_t at,
                                      TemplateContent& content) {
  return read_interpolated(parts, at, content, make_reader);
}

}  // namespace

namespace {

// The C# standard, 10.2.3 and 10.2.11: a constant may become any whole number that it fits.
Assigned assign(const Value& value, Type to, bool is_constant) {
  if (to == Type::decimal)
    return is_whole(value.type()) || value.is(Type::character) ? Assigned::converts
                                                               : Assigned::refuses;
  if (value.is(Type::decimal)) return Assigned::refuses;
  const bool narrows = is_constant && value.is(Type::i32) && to != Type::character;
  const bool good = computed::widens(value.type(), to) || (narrows && computed::fits_in(value, to));
  return good ? Assigned::converts : Assigned::refuses;
}

}  // namespace

const ExpressionForm expression_form = {
    .read_declaration = read_change,
    .compute_change = compute_change,
    .grammar = &grammar,
    .reader = make_reader,
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope);
    },
    .prints = prints,
    .ends = ";",
    .silent_words = "using namespace",
    .blocks = Blocks::braces,
    .counts = true,
    .constant_words = "const readonly",
    .declares_types = true,
    .assigns = assign,
    .assignment_fault = "CS0266",
    .literal_fault = "CS0664",
    .combined_takes = true,
    .modifiers = "const var static readonly",
    .plain_types =
        "string String object StringBuilder DateTime DateTimeOffset DateOnly TimeOnly TimeSpan "
        "CultureInfo",
    .has_arrays = true,
    .list_types = list_types,
    .list_changes = list_changes,
    .lists_are_shared = true,
    .list_takers = "string.Join String.Join string.Concat String.Concat",
    .slots_prefixes = "$\" $@\" @$\" $$",
    .read_slots = read_slots,
    .plain_field = "{0}",
    .plain_dialect = "csharp",
    .value_field = "{0}",
    .own_names =
        "Math MathF Convert CultureInfo NumberFormatInfo DateTimeFormatInfo int long short byte "
        "uint ulong double "
        "float decimal bool char string String Enumerable MidpointRounding DateTime DateTimeOffset "
        "DateOnly TimeOnly "
        "TimeSpan TimeZoneInfo DateTimeKind DayOfWeek FormattableString Decimal Double Int32 Int64",
    .locales = named_locales,
    .locale_makers = "CultureInfo CultureInfo.GetCultureInfo",
    .locale_statements = locale_statements};

Expressions::Expressions(const computed::Scope& scope) : Typed(scope, rules) {}

bool Expressions::keep(const Node& node, Type type, const Integer& number, Value& out) {
  if (!computed::fits(type, number) && compiler_knows(node))
    return refuse_as("CS0220", "the constant " + number.str() + " does not fit its type", node);
  return Typed::keep(node, type, number, out);
}

bool Expressions::apply(const Node& node, const Value& operand, Value& out) {
  if (operand.is(Type::duration) && node.operation != Operation::complement) {
    out = Value::duration(node.operation == Operation::negate ? -operand.as_duration()
                                                              : operand.as_duration());
    return true;
  }
  if (operand.is(Type::decimal) && node.operation != Operation::complement) {
    if (node.operation == Operation::negate) return negate_decimal(operand, out);
    out = operand;
    return true;
  }
  if (operand.is(Type::text) || operand.is(Type::truth))
    return refuse_as("CS0023", "there is no such operator for " + describe(operand), node);
  if (node.operation == Operation::negate && is_number(operand)) {
    const Value number = promoted(operand);
    const Node& part = node.parts[0];
    const bool is_literal = part.kind == Node::Kind::constant && !part.enclosed;
    if (number.is(Type::u32)) {
      const Integer whole = -computed::whole_of(number);
      const bool lowest = is_literal && computed::fits(Type::i32, whole);
      out = computed::wrapped(lowest ? Type::i32 : Type::i64, whole);
      return true;
    }
    if (number.is(Type::u64)) {
      const Integer whole = -computed::whole_of(number);
      if (!is_literal || !computed::fits(Type::i64, whole))
        return refuse_as("CS0023", "there is no operator - for an ulong", node);
      out = computed::wrapped(Type::i64, whole);
      return true;
    }
  }
  return Typed::apply(node, operand, out);
}

bool Expressions::deny(const Node& node, const Value& operand, Value& out) {
  if (!operand.is(Type::truth))
    return refuse_as("CS0023", "there is no operator ! for " + describe(operand), node);
  return Typed::deny(node, operand, out);
}

// A constant of the type int may be one of a type without a sign: the C# specification, 10.2.11.
bool Expressions::combine(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  if (is_enumeration(left) || is_enumeration(right))
    return combine_enumerations(node, operation, left, right, out);
  const bool has_text = left.is(Type::text) || right.is(Type::text);
  if ((is_time_value(left) || is_time_value(right)) && !has_text)
    return combine_times(node, operation, left, right, out);
  if ((left.is(Type::decimal) || right.is(Type::decimal)) && !has_text)
    return combine_decimals(node, operation, left, right, out);
  const bool divides = operation == Operation::divide || operation == Operation::remainder;
  const bool wholes =
      is_number(left) && is_number(right) && !is_real(left.type()) && !is_real(right.type());
  if (divides && wholes && compiler_knows(node) && computed::whole_of(right) == 0)
    return refuse_as("CS0020", "a division by a constant zero", node);
  const bool shifts = operation == Operation::shift_left || operation == Operation::shift_right ||
                      operation == Operation::shift_right_plain;
  if (shifts && wholes && !promoted(right).is(Type::i32))
    return refuse("a shift is by an int", node);
  if (!wholes || shifts) return Typed::combine(node, operation, left, right, out);
  const auto adapted = [](const Value& value, const Node& part, const Value& other) {
    const bool is_wide = other.is(Type::u32) || other.is(Type::u64);
    const bool is_plain = value.is(Type::u8) || value.is(Type::u16) || value.is(Type::character) ||
                          (value.is(Type::u32) && other.is(Type::u64));
    const bool is_positive =
        (value.is(Type::i32) || (value.is(Type::i64) && other.is(Type::u64))) &&
        compiler_knows(part) && computed::whole_of(value) >= 0;
    return is_wide && (is_plain || is_positive)
               ? computed::wrapped(other.type(), computed::whole_of(value))
               : value;
  };
  const bool is_bitwise = operation == Operation::bits_and || operation == Operation::bits_or ||
                          operation == Operation::bits_differ;
  const Value a = adapted(left, node.parts[0], right);
  const Value b = adapted(right, node.parts[1], left);
  if (!meet(promoted(a).type(), promoted(b).type()))
    return refuse_as(is_bitwise ? "CS0019" : "CS0034",
                     describe(a) + " and " + describe(b) + " have no type in common", node);
  return Typed::combine(node, operation, a, b, out);
}

bool Expressions::combine_others(const Node& node, Operation operation, const Value& left,
                                 const Value& right, Value& out) {
  const bool equality = operation == Operation::equal || operation == Operation::unequal;
  const bool has_nil = left.is(Type::nil) || right.is(Type::nil);
  const auto may_be_nil = [](const Value& value) {
    return value.is(Type::nil) || value.is(Type::text);
  };
  if (equality && has_nil && may_be_nil(left) && may_be_nil(right)) {
    out = Value::truth((left.is(Type::nil) && right.is(Type::nil)) ==
                       (operation == Operation::equal));
    return true;
  }
  const bool texts = left.is(Type::text) && right.is(Type::text);
  if (equality && texts) {
    out = Value::truth((left.as_text() == right.as_text()) == (operation == Operation::equal));
    return true;
  }
  if (operation != Operation::add && (left.is(Type::text) || right.is(Type::text)))
    return refuse("there is no operator " + std::string(computed::text_of(grammar, operation)) +
                      " for " + describe(left) + " and " + describe(right),
                  node);
  return Typed::combine_others(node, operation, left, right, out);
}

bool Expressions::settle_sides(const Node& node, Side taken, Side other) {
  if (taken.value.type() == other.value.type() || other.value.is(Type::nil)) return true;
  if (taken.value.is(Type::decimal) && is_whole(other.value.type())) return true;
  if (other.value.is(Type::decimal) && is_whole(taken.value.type()))
    return cast_to_decimal(node, taken.value, taken.value);
  if (!is_number(taken.value) || !is_number(other.value))
    return not_yet("a condition with sides of two types is", node);
  const auto is_plain_type = [](const Value& value) {
    return value.is(Type::i32) || value.is(Type::i64) || value.is(Type::f32) || value.is(Type::f64);
  };
  if (!is_plain_type(taken.value) || !is_plain_type(other.value))
    return not_yet("a condition with sides of two such types is", node);
  return Typed::settle_sides(node, taken, other);
}

// The C# specification, 10.3.2.
bool Expressions::cast(const Node& node, const Value& of, Value& out) {
  const Type type = find_type(node.text)->type;
  if (of.is(type)) {
    out = of;
    return true;
  }
  if (is_enumeration(of)) return convert(node, type, enumeration_number(of), out);
  if (type == Type::decimal) return cast_to_decimal(node, of, out);
  if (of.is(Type::decimal)) return cast_decimal(node, type, of, out);
  if (!is_number(of) || type == Type::truth || type == Type::text) {
    if (!is_number(of) && !of.is(Type::text) && !of.is(Type::truth))
      return not_yet("this cast is", node);
    return refuse_as("CS0030", describe(of) + " cannot be a " + node.text, node);
  }
  const Value number = promoted(of);
  const Type whole_type = type == Type::character ? Type::u16 : type;
  if (is_real(type)) return convert(node, type, number, out);
  const auto whole =
      is_real(number.type()) ? computed::cut(number) : std::optional(computed::whole_of(number));
  const bool fits = whole && computed::fits(whole_type, *whole);
  if (!fits && compiler_knows(node.parts[0]))
    return refuse_as("CS0221", "the constant does not fit " + node.text, node);
  Value wide = number;
  const bool is_narrow = fact_of(whole_type).width < 32;
  if (is_narrow && is_real(number.type()) && !convert(node, Type::i32, number, wide)) return false;
  if (!convert(node, whole_type, wide, out)) return false;
  if (type != Type::character) return true;
  const auto code = static_cast<char32_t>(out.as_whole());
  if (0xD800 <= code && code <= 0xDFFF) return not_yet("half of a surrogate pair is", node);
  out = Value::character(code);
  return true;
}

}  // namespace inky::inline v1::csharp
