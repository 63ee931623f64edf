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
    {".intValue()", Type::i32},
    {".doubleValue()", Type::f64},
    {".toString()", Type::text},
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
  out.many = Lexis::Many::alone;
  out.types = types;
  out.types_come_first = true;
  out.suffixes = suffixes;
  return out;
}
constexpr Lexis lexis = make_lexis();

// Imported as a name of its own.
constexpr std::string_view static_format = "java.lang.String.format java.lang.String.*";
constexpr CallFact calls[] = {call("String.format", "java", 0),
                              in_locale("String.format", "java"),
                              call("printf", "java", 0),
                              in_locale("printf", "java"),
                              call("out.format", "java", 0),
                              in_locale("out.format", "java"),
                              call("err.format", "java", 0),
                              in_locale("err.format", "java"),
                              call("Formatter().format", "java", 0),
                              in_locale("Formatter().format", "java"),
                              ends_receiver(call("formatter.format", "java", 0)),
                              of_header(static_format, alone(call("format", "java", 0))),
                              of_header(static_format, alone(in_locale("format", "java"))),
                              shaped(CallShape::receiver, "formatted", "java"),
                              shaped(CallShape::template_only, "DecimalFormat", "java-pattern", 0)};

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
