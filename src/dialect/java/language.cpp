// Java, as its source is read: the Java Language Specification 3.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace java_source {
namespace {

using Rule = LiteralRule;

constexpr QuoteFact quotes[] = {{'"', Rule::escapes}, {'\'', Rule::escapes, false, false}};
constexpr TypeNameFact types[] = {
    {"boolean", Type::truth},
    {"byte", Type::i8},
    {"short", Type::i16},
    {"int", Type::i32},
    {"long", Type::i64},
    {"float", Type::f32},
    {"double", Type::f64},
    {"char", Type::character},
    {"String", Type::text},
    {"Integer", Type::i32},
    {"Long", Type::i64},
    {"Double", Type::f64},
    {"Float", Type::f32},
    {"Boolean", Type::truth},
    {"Short", Type::i16},
    {"Byte", Type::i8},
    {"Character", Type::character},
    {".length()", Type::i32},
    {".size()", Type::i32},
};
// JLS 5.6, binary numeric promotion.
constexpr ArithmeticFact arithmetic[] = {
    {"int", 2, true},   {"long", 3, true},       {"float", 10, true},  {"double", 11, true},
    {"byte", 0, true},  {"char", 0, false},      {"short", 1, true},   {"Integer", 2, true},
    {"Long", 3, true},  {"Float", 10, true},     {"Double", 11, true}, {"Byte", 0, true},
    {"Short", 1, true}, {"Character", 0, false},
};
// What methods of OpenJDK 17 return: asked of javac by tools/compilers/named_types.py.
constexpr NamedTypeFact named_types[] = {
    {"Math.sqrt()", "double"},
    {"Math.cbrt()", "double"},
    {"Math.pow()", "double"},
    {"Math.floor()", "double"},
    {"Math.ceil()", "double"},
    {"Math.rint()", "double"},
    {"Math.random()", "double"},
    {"Math.log()", "double"},
    {"Math.log10()", "double"},
    {"Math.exp()", "double"},
    {"Math.sin()", "double"},
    {"Math.cos()", "double"},
    {"Math.tan()", "double"},
    {"Math.atan2()", "double"},
    {"Math.hypot()", "double"},
    {"Math.toRadians()", "double"},
    {"Math.toDegrees()", "double"},
    {"System.currentTimeMillis()", "long"},
    {"System.nanoTime()", "long"},
    {"System.identityHashCode()", "int"},
    {"System.lineSeparator()", "String"},
    {"System.getProperty()", "String"},
    {"String.valueOf()", "String"},
    {"String.format()", "String"},
    {"String.join()", "String"},
    {"Integer.toString()", "String"},
    {"Integer.toHexString()", "String"},
    {"Integer.toBinaryString()", "String"},
    {"Integer.toOctalString()", "String"},
    {"Integer.parseInt()", "int"},
    {"Integer.bitCount()", "int"},
    {"Integer.compare()", "int"},
    {"Long.toString()", "String"},
    {"Long.toHexString()", "String"},
    {"Long.toBinaryString()", "String"},
    {"Long.parseLong()", "long"},
    {"Long.bitCount()", "int"},
    {"Double.toString()", "String"},
    {"Double.parseDouble()", "double"},
    {"Float.parseFloat()", "float"},
    {"Boolean.parseBoolean()", "boolean"},
    {"Boolean.toString()", "String"},
    {"Character.toString()", "String"},
    {"Arrays.toString()", "String"},
    {"Objects.toString()", "String"},
    {"Objects.hash()", "int"},
    {"Objects.equals()", "boolean"},
    {".hashCode()", "int"},
    {".equals()", "boolean"},
    {".toString()", "String"},
    {".compareTo()", "int"},
    {".intValue()", "int"},
    {".longValue()", "long"},
    {".doubleValue()", "double"},
    {".floatValue()", "float"},
    {".charAt()", "char"},
    {".trim()", "String"},
    {".strip()", "String"},
    {".substring()", "String"},
    {".toUpperCase()", "String"},
    {".toLowerCase()", "String"},
    {".size()", "int"},
    {".getMessage()", "String"},
    {".getSimpleName()", "String"},
};
constexpr TypeNameFact suffixes[] = {{"L", Type::i64}, {"l", Type::i64}, {"f", Type::f32},
                                     {"F", Type::f32}, {"d", Type::f64}, {"D", Type::f64}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = "//", .quotes = quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.triple = Lexis::Triple::indented;
  out.join = "+";
  out.constant_words = "final";
  out.own_class = "this";
  out.imports_of_names = true;
  out.types_behind = ".";
  out.arithmetic = arithmetic;
  out.named_types = named_types;
  out.type_of_truth = "boolean";
  out.truth_is_certain = out.fields_are_names = true;
  out.type_of_text = "String";
  out.many = Lexis::Many::alone;
  out.types = types;
  out.types_come_first = true;
  out.suffixes = suffixes;
  return out;
}
constexpr Lexis lexis = make_lexis();

// Imported as a name of its own.
constexpr std::string_view static_format = "java.lang.String.format java.lang.String.*";
// Loggers, however they are called.
constexpr std::string_view logging =
    "org.slf4j.Logger org.slf4j.LoggerFactory org.slf4j.* lombok.extern.slf4j.Slf4j "
    "org.apache.logging.log4j.Logger org.apache.logging.log4j.LogManager "
    "org.apache.logging.log4j.*";
constexpr std::string_view java_logging = "java.util.logging.Logger java.util.logging.*";
constexpr CallFact holes_of(std::string_view name, HoleRule rule) {
  CallFact out = with_holes(rule, name, 0);
  out.needs_values = false;
  return out;
}
constexpr std::array<std::string_view, 10> logging_methods = {
    "log.trace",    "log.debug",    "log.info",    "log.warn",    "log.error",
    "logger.trace", "logger.debug", "logger.info", "logger.warn", "logger.error"};
// Where a logger is imported; and where none is, if there is a hole.
constexpr CallFact logged(std::string_view name, int way) {
  return ends_receiver(way == 0 ? of_header(logging, with_holes(HoleRule::braces, name, 0))
                                : with_holes(HoleRule::braces_if_any, name, 0));
}
constexpr auto own_calls = std::to_array<CallFact>(
    {call("String.format", "java", 0), in_locale("String.format", "java"),
     call("printf", "java", 0), in_locale("printf", "java"), call("out.format", "java", 0),
     in_locale("out.format", "java"), call("err.format", "java", 0),
     in_locale("err.format", "java"), call("Formatter().format", "java", 0),
     in_locale("Formatter().format", "java"), ends_receiver(call("formatter.format", "java", 0)),
     of_header(static_format, alone(call("format", "java", 0))),
     of_header(static_format, alone(in_locale("format", "java"))),
     of_header(java_logging, ends_receiver(with_holes(HoleRule::numbers, "logger.log", 1))),
     of_header(java_logging, ends_receiver(with_holes(HoleRule::numbers, "log.log", 1))),
     holes_of("MessageFormat.format", HoleRule::numbers),
     shaped(CallShape::receiver, "formatted", "java"),
     shaped(CallShape::template_only, "DecimalFormat", "java-pattern", 0)});
constexpr auto calls = joined(own_calls, for_each_name<2>(logging_methods, logged));

}  // namespace
}  // namespace java_source

const LanguageFacts& java_language_facts() {
  static const Dialect* const dialects[] = {java_dialect(), java_pattern_dialect()};
  static const LanguageFacts facts = {
      .id = "java",
      .name = "Java",
      .endings = ".java",
      .interpreters = "java",
      .dialect = "java",
      .lexis = &java_source::lexis,
      .calls = java_source::calls,
      .reserved =
          "abstract assert boolean break byte case catch char class clone const continue "
          "default do double else enum exports extends false final finalize finally float "
          "for getClass goto hashCode if implements import instanceof int interface long "
          "module native new notify notifyAll null opens package permits private protected "
          "provides public record requires return sealed short static strictfp super switch "
          "synchronized this throw throws toString transient transitive true try uses var "
          "void volatile wait when while with yield",
      .dialects = dialects,
      .prefixes = {"0b", "0", "0x"},
      .expressions = &java_language::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
