#include "expressions.hpp"
#include "../computed/objects.hpp"
#include "number_formats.hpp"

#include <algorithm>
#include <utility>

#include "../computed/shared_operators.hpp"
#include "../computed/units.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "escapes.hpp"

namespace inky::inline v1::java_language {

namespace {

using computed::Node;
using computed::Operation;

// The Java Language Specification, 15.15 to 15.26.
constexpr auto infix_operators =
    computed::with_own(computed::shared_infix, std::to_array<computed::OperatorFact>({
                                                   {">>>", Operation::shift_right_plain, 11},
                                                   {"instanceof", Operation::none, 10},
                                                   {">>>=", Operation::none, 1},
                                                   {"->", Operation::none, 1},
                                                   {"::", Operation::none, 1},
                                               }));

struct TypeName {
  std::string_view name;
  Type type;
};
constexpr TypeName type_names[] = {{"boolean", Type::truth},      {"byte", Type::i8},
                                   {"short", Type::i16},          {"int", Type::i32},
                                   {"long", Type::i64},           {"float", Type::f32},
                                   {"double", Type::f64},         {"char", Type::character},
                                   {"Boolean", Type::truth},      {"Byte", Type::i8},
                                   {"Short", Type::i16},          {"Integer", Type::i32},
                                   {"Long", Type::i64},           {"Float", Type::f32},
                                   {"Double", Type::f64},         {"String", Type::text},
                                   {"Character", Type::character}};

const TypeName* find_type(std::string_view name) {
  const auto found = std::find_if(std::begin(type_names), std::end(type_names),
                                  [&](const TypeName& known) { return known.name == name; });
  return found == std::end(type_names) ? nullptr : found;
}

std::optional<Value> real_of(std::string text, bool hexadecimal) {
  const char last = static_cast<char>(text.back() | 0x20);
  const bool has_exponent = text.find_first_of("pP") != std::string::npos;
  if (hexadecimal && !has_exponent) return std::nullopt;
  const bool is_float = last == 'f';
  if (is_float || last == 'd') text.pop_back();
  auto value = read_typed(is_float ? Type::f32 : Type::f64, text);
  if (!value || !value->as_real().is_finite()) return std::nullopt;
  return std::move(*value);
}

// The Java Language Specification, 3.10.1 and 3.10.2.
std::optional<Value> number_of(std::string_view source) {
  if (source.ends_with('_') || source.find("_.") != std::string_view::npos ||
      source.find("._") != std::string_view::npos)
    return std::nullopt;
  std::string text(source);
  text.erase(std::remove(text.begin(), text.end(), '_'), text.end());
  const char mark = text.size() > 1 && text[0] == '0' ? static_cast<char>(text[1] | 0x20) : ' ';
  const char last = static_cast<char>(text.back() | 0x20);
  const bool hexadecimal = mark == 'x';
  const bool real = hexadecimal ? text.find_first_of("pP.") != std::string::npos
                                : mark != 'b' && (text.find_first_of(".eE") != std::string::npos ||
                                                  last == 'f' || last == 'd');
  if (real) return real_of(std::move(text), hexadecimal);
  const bool is_long = last == 'l';
  if (is_long) text.pop_back();
  const bool based = hexadecimal || mark == 'b';
  const bool octal = !based && text.size() > 1 && text[0] == '0';
  if (octal) text = "0o" + text.substr(1);
  if (based) text[1] = mark;
  const auto number = read_whole(text);
  if (!number) return std::nullopt;
  const Integer magnitude = integer_of(*number);
  const int bits = is_long ? 64 : 32;
  // The most a decimal number may be is what has a meaning behind a minus sign only.
  const Integer most =
      based || octal ? Integer((Integer(1) << bits) - 1) : Integer(Integer(1) << (bits - 1));
  if (magnitude > most) return std::nullopt;
  return computed::wrapped(is_long ? Type::i64 : Type::i32, magnitude);
}

constexpr std::string_view list_types = "List ArrayList LinkedList Collection Iterable";
constexpr ListChangeFact list_changes[] = {{"{}.add(?)", ListChange::Kind::add},
                                           {"{}.clear()", ListChange::Kind::clear},
                                           {"Collections.sort({})", ListChange::Kind::sort},
                                           {"Arrays.sort({})", ListChange::Kind::sort},
                                           {"Collections.reverse({})", ListChange::Kind::reverse}};

constexpr PrintFact prints[] = {{.name = "System.out.println", .after = "\n", .may_be_empty = true},
                                {"System.out.print", ""},
                                {.name = "System.err.println", .after = "\n", .may_be_empty = true},
                                {"System.err.print", ""}};

constexpr LocaleFact named_locales[] = {
    {"Locale.ROOT", "root"},
    {"Locale.ENGLISH", "en"},
    {"Locale.FRENCH", "fr"},
    {"Locale.GERMAN", "de"},
    {"Locale.ITALIAN", "it"},
    {"Locale.JAPANESE", "ja"},
    {"Locale.KOREAN", "ko"},
    {"Locale.CHINESE", "zh"},
    {"Locale.SIMPLIFIED_CHINESE", "zh-CN"},
    {"Locale.TRADITIONAL_CHINESE", "zh-TW"},
    {"Locale.US", "en-US"},
    {"Locale.UK", "en-GB"},
    {"Locale.GERMANY", "de-DE"},
    {"Locale.FRANCE", "fr-FR"},
    {"Locale.ITALY", "it-IT"},
    {"Locale.JAPAN", "ja-JP"},
    {"Locale.KOREA", "ko-KR"},
    {"Locale.CANADA", "en-CA"},
    {"Locale.CANADA_FRENCH", "fr-CA"},
    {"Locale.CHINA", "zh-CN"},
    {"Locale.PRC", "zh-CN"},
    {"Locale.TAIWAN", "zh-TW"},
};

constexpr LocaleStatementFact locale_statements[] = {{"Locale.setDefault(", ")"}};

constexpr auto rules = [] {
  computed::TypedRules out;
  out.grammar = &grammar;
  out.language = "Java";
  out.most_character = 0xFFFF;
  out.zero_fault = "ArithmeticException";
  out.zero_reason = "a whole number divided by zero";
  out.has_unsigned = false;
  out.reals_have_remainders = true;
  out.reals_saturate = true;
  out.plain_template = "%s";
  out.plain_dialect = java_dialect;
  return out;
}();

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = computed::shared_prefix;
  out.condition = computed::Grammar::Condition::marks;
  out.lists = "{";
  out.functions =
      "Math.abs Math.max Math.min Math.pow Math.sqrt Math.cbrt Math.floor Math.ceil Math.rint "
      "Math.round Math.floorDiv Math.floorMod Math.exp Math.log Math.log10 Math.sin Math.cos "
      "Math.tan Integer.toString Integer.toHexString Integer.toBinaryString Integer.toOctalString "
      "Integer.parseInt Integer.valueOf Long.toString Long.toHexString Long.toBinaryString "
      "Long.toOctalString Long.parseLong Long.valueOf Double.toString Double.valueOf "
      "Double.parseDouble String.valueOf String.format String.join Arrays.toString Arrays.asList "
      "List.of Objects.toString Objects.equals Character.isDigit Character.isLetter "
      "Character.toUpperCase Character.toLowerCase Character.getNumericValue "
      "BigDecimal BigDecimal.valueOf BigInteger BigInteger.valueOf LocalDate.of LocalDate.parse "
      "LocalDateTime.of LocalDateTime.parse LocalTime.of LocalTime.parse OffsetDateTime.parse "
      "ZoneId.of ZonedDateTime.of ZonedDateTime.parse "
      "Duration.ofDays Duration.ofHours Duration.ofMinutes Duration.ofSeconds Duration.ofMillis "
      "Duration.between DateTimeFormatter.ofPattern DateTimeFormatter.ofLocalizedDate "
      "DateTimeFormatter.ofLocalizedTime DateTimeFormatter.ofLocalizedDateTime Locale "
      "Locale.forLanguageTag NumberFormat.getInstance NumberFormat.getNumberInstance "
      "NumberFormat.getIntegerInstance NumberFormat.getPercentInstance "
      "NumberFormat.getCurrencyInstance DecimalFormat DecimalFormatSymbols "
      "DecimalFormatSymbols.getInstance";
  out.methods =
      "length isEmpty isBlank toUpperCase toLowerCase trim strip stripLeading stripTrailing "
      "substring charAt indexOf lastIndexOf contains startsWith endsWith equals concat repeat "
      "replace formatted size get equalsIgnoreCase compareTo split add subtract multiply divide "
      "remainder mod gcd negate abs signum setScale scale precision unscaledValue pow max min "
      "toString toPlainString stripTrailingZeros movePointLeft movePointRight scaleByPowerOfTen "
      "doubleValue floatValue intValue longValue toBigInteger bitLength hashCode format "
      "plusDays plusWeeks plusMonths plusYears plusHours plusMinutes plusSeconds minusDays "
      "minusWeeks minusMonths minusYears minusHours minusMinutes minusSeconds plusNanos minusNanos "
      "plus minus getYear "
      "getMonthValue getDayOfMonth getDayOfYear getHour getMinute getSecond getNano isBefore "
      "isAfter isEqual toLocalDate toLocalTime atStartOfDay isLeapYear lengthOfMonth toDays "
      "toHours "
      "toMinutes toSeconds getSeconds toHoursPart toMinutesPart toSecondsPart isNegative "
      "withLocale getDayOfWeek getMonth getDisplayName getValue";
  return out;
}();

const computed::CodeFacts code_facts = {
    .grammar = &grammar,
    .language = "Java",
    .syntax_fault = "error",
    .digit_marks = "_",
    .hexadecimal_reals = true,
    .read_escape = read_escape,
    .number = number_of,
    .constant = computed::truth_or_nil,
    .character = computed::unit_of,
    .is_type = [](std::string_view name) { return find_type(name) != nullptr; },
    .makes_objects = true,
    .list_classes = list_types,
    .function_arrow = "->",
    .unknown_words = "switch this super"};

namespace {

// The Java Language Specification, 5.2: a constant may become narrower, where it fits.
Assigned assign(const Value& value, Type to, bool is_constant) {
  const bool narrows = is_constant && value.is(Type::i32) &&
                       (to == Type::i8 || to == Type::i16 || to == Type::character);
  const bool good = computed::widens(value.type(), to) || (narrows && computed::fits_in(value, to));
  return good ? Assigned::converts : Assigned::refuses;
}

}  // namespace

const ExpressionForm expression_form = {
    .read_declaration = read_change,
    .compute_change = compute_change,
    .grammar = &grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<computed::CodeReader>(code_facts, out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope);
    },
    .prints = prints,
    .ends = ";",
    .silent_words = "import package",
    .blocks = Blocks::braces,
    .counts = true,
    .constant_words = "final",
    .declares_types = true,
    .assigns = assign,
    .assignment_fault = "error",
    .combined_converts = true,
    .modifiers = "final var static",
    .plain_types =
        "String Object StringBuilder BigDecimal BigInteger LocalDate LocalDateTime LocalTime "
        "OffsetDateTime ZonedDateTime ZoneId Duration DateTimeFormatter Locale NumberFormat "
        "DecimalFormat "
        "DecimalFormatSymbols Instant Period Year YearMonth ZoneOffset Date SimpleDateFormat "
        "MathContext DayOfWeek Month",
    .has_arrays = true,
    .list_types = list_types,
    .list_changes = list_changes,
    .lists_show_items = true,
    .lists_are_shared = true,
    .list_takers = "Arrays.toString Arrays.deepToString Arrays.stream Arrays.asList String.join",
    .plain_field = "%s",
    .plain_dialect = "java",
    .value_field = "%s",
    .own_names =
        "Math Integer Long Double Float Short Byte Boolean Character String Objects Locale "
        "Arrays List Stream IntStream DoubleStream Collections Collectors BigDecimal BigInteger "
        "RoundingMode LocalDate LocalDateTime LocalTime OffsetDateTime ZonedDateTime ZoneId "
        "Duration "
        "Month DayOfWeek ChronoUnit ZoneOffset Instant Period Year YearMonth TemporalAdjusters "
        "MathContext SimpleDateFormat Date "
        "DateTimeFormatter FormatStyle TextStyle NumberFormat DecimalFormat DecimalFormatSymbols",
    .locales = named_locales,
    .locale_makers = "Locale.forLanguageTag Locale",
    .locale_statements = locale_statements};

Expressions::Expressions(const computed::Scope& scope) : Typed(scope, rules) {}

bool Expressions::name_without_value(const Node& node, Value& out) {
  struct Known {
    std::string_view name;
    Value value;
  };
  const std::string path = computed::path_of(node);
  const Known known[] = {{"Math.PI", Value::real(0x1.921fb54442d18p+1)},
                         {"Math.E", Value::real(0x1.5bf0a8b145769p+1)},
                         {"Integer.MAX_VALUE", Value::whole(Type::i32, 0x7FFFFFFF)},
                         {"Integer.MIN_VALUE", Value::whole(Type::i32, -int128{0x80000000})},
                         {"Long.MAX_VALUE", computed::wrapped(Type::i64, (Integer(1) << 63) - 1)},
                         {"Long.MIN_VALUE", computed::wrapped(Type::i64, Integer(1) << 63)},
                         {"Double.MAX_VALUE", Value::real(0x1.fffffffffffffp+1023)},
                         {"Double.MIN_VALUE", Value::real(0x1p-1074)}};
  for (const Known& one : known) {
    if (one.name != path) continue;
    out = one.value;
    return true;
  }
  for (const LocaleFact& fact : named_locales) {
    if (fact.path != path) continue;
    out = computed::object_of(locale_object, {Value::text(std::string(fact.locale))});
    return true;
  }
  if (auto constant = time_constant(path)) {
    out = std::move(*constant);
    return true;
  }
  if (auto constant = object_constant(path)) {
    out = std::move(*constant);
    return true;
  }
  if (auto constant = big_constant(path)) {
    out = std::move(*constant);
    return true;
  }
  if (node.kind == Node::Kind::member) return not_yet("the member " + node.text + " is", node);
  return refuse("cannot find symbol " + node.text, node);
}

// The Java Language Specification, 5.5 and 5.1.3.
bool Expressions::cast(const Node& node, const Value& of, Value& out) {
  const Type type = find_type(node.text)->type;
  if (of.is(type)) {
    out = of;
    return true;
  }
  // What a list holds is an object, too.
  const Node& part = node.parts[0];
  const bool is_boxed = ('A' <= node.text[0] && node.text[0] <= 'Z') ||
                        (part.kind == Node::Kind::call &&
                         (part.parts[0].text == "get" || part.parts[0].text == "reduce"));
  if (!is_number(of) || is_boxed) {
    if (of.is(Type::text) || of.is(Type::truth))
      return refuse("incompatible types: " + describe(of) + " cannot be a " + node.text, node);
    return not_yet("this cast is", node);
  }
  if (type == Type::truth || type == Type::text)
    return refuse("incompatible types: " + describe(of) + " cannot be a " + node.text, node);
  const Value number = promoted(of);
  const bool is_narrow = type == Type::i8 || type == Type::i16 || type == Type::character;
  if (!is_narrow) return convert(node, type, number, out);
  Value whole;
  if (!convert(node, is_real(number.type()) ? Type::i32 : number.type(), number, whole))
    return false;
  if (type != Type::character) return convert(node, type, whole, out);
  const Value unit = computed::wrapped(Type::u16, computed::whole_of(whole));
  const auto code = static_cast<char32_t>(unit.as_whole());
  if (0xD800 <= code && code <= 0xDFFF) return not_yet("half of a surrogate pair is", node);
  out = Value::character(code);
  return true;
}

bool Expressions::combine_others(const Node& node, Operation operation, const Value& left,
                                 const Value& right, Value& out) {
  const bool compares = operation == Operation::equal || operation == Operation::unequal;
  if (!compares && (computed::is_object(left) || computed::is_object(right))) {
    const Value a = as_shown(left);
    const Value b = as_shown(right);
    if (!computed::is_object(a) && !computed::is_object(b))
      return combine_others(node, operation, a, b, out);
  }
  if (compares && (left.is(Type::text) || right.is(Type::text)))
    return not_yet("whether two texts are the same object is", node);
  if (operation != Operation::add && (left.is(Type::text) || right.is(Type::text)))
    return refuse("bad operand types for " + std::string(computed::text_of(grammar, operation)),
                  node);
  const auto is_object = [](const Value& value) {
    return value.is(Type::decimal) || value.is(Type::big);
  };
  const bool has_text = left.is(Type::text) || right.is(Type::text);
  if (!has_text && (is_object(left) || is_object(right))) {
    if (compares && is_object(left) && is_object(right))
      return not_yet("whether two numbers are the same object is", node);
    return refuse("bad operand types for " + std::string(computed::text_of(grammar, operation)),
                  node);
  }
  return Typed::combine_others(node, operation, left, right, out);
}

// The Java Language Specification, 15.25. Two sides without a type in common are objects.
bool Expressions::settle_sides(const Node& node, Side taken, Side other) {
  if (!is_number(taken.value) || !is_number(other.value)) return true;
  const auto is_small = [](const Value& value) {
    return value.is(Type::i8) || value.is(Type::i16) || value.is(Type::character);
  };
  const Side sides[] = {taken, other};
  for (std::size_t i = 0; i < 2; ++i) {
    const Value& small = sides[i].value;
    const Side& number = sides[1 - i];
    if (!is_small(small) || !number.value.is(Type::i32) || !computed::is_constant(number.node))
      continue;
    const Integer whole = computed::whole_of(number.value);
    const bool fits = small.is(Type::character) ? 0 <= whole && whole <= 0xFFFF
                                                : computed::fits(small.type(), whole);
    if (!fits) continue;
    if (i == 0) return true;
    taken.value = small.is(Type::character)
                      ? Value::character(static_cast<char32_t>(whole.convert_to<unsigned>()))
                      : computed::wrapped(small.type(), whole);
    return true;
  }
  const bool shorts = is_small(taken.value) && is_small(other.value) &&
                      !taken.value.is(Type::character) && !other.value.is(Type::character);
  if (shorts) {
    if (!taken.value.is(other.value.type()))
      taken.value = computed::wrapped(Type::i16, computed::whole_of(taken.value));
    return true;
  }
  return Typed::settle_sides(node, taken, other);
}

}  // namespace inky::inline v1::java_language
