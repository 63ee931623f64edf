// Python, as its source is read: the Python Language Reference 2.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace python_source {
namespace {

using Rule = LiteralRule;

constexpr QuoteFact quotes[] = {{'"', Rule::escapes}, {'\'', Rule::escapes}};
constexpr TypeNameFact types[] = {
    {"float()", Type::f64},  {"int()", Type::i32},   {"str()", Type::text}, {"len()", Type::i32},
    {"bool()", Type::truth}, {"repr()", Type::text}, {"float", Type::f64},  {"int", Type::i32},
    {"str", Type::text},     {"bool", Type::truth},  {"None", Type::nil},   {"[]", Type::list},
    {"(,)", Type::tuple},    {"()", Type::tuple}};
constexpr TypeNameFact suffixes[] = {{"j", Type::complex}, {"J", Type::complex}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = "#", .quotes = quotes};
  out.plain_prefixes = "bBuU";
  out.raw_prefixes = "rR";
  out.filling_prefixes = "fF";
  out.triple = Lexis::Triple::escapes;
  out.adjacent_texts_join = out.lines_end_statements = true;
  out.line_end_joins = true;
  out.names_value = "=";
  out.capitals_are_constant = true;
  out.own_class = "self cls";
  out.specification_before = "{:";
  out.translators = "_ gettext";
  out.spread = "*";
  out.percent_dialect = "python-percent";
  out.fields_take_parts = true;
  out.filling_name = "f-string";
  out.filling_dialect = "python";
  out.types = types;
  out.types_come_last = true;
  out.scope_words = "def class lambda";
  out.binding_words = "for as import";
  out.wide_whole_type = Type::big;
  out.suffixes = suffixes;
  return out;
}
constexpr Lexis lexis = make_lexis();

// exc_info=True and its like are for the logger, however that is called.
constexpr CallFact logged(std::string_view name, int template_at) {
  CallFact out = with_values(name, "python-percent", template_at);
  out.names_options = out.ends_receiver = true;
  return out;
}
constexpr CallFact calls[] = {
    shaped(CallShape::receiver, "format", "python"),
    alone(shaped(CallShape::specification, "format", "python", 1)),
    logged("logging.debug", 0),
    logged("logging.info", 0),
    logged("logging.warning", 0),
    logged("logging.warn", 0),
    logged("logging.error", 0),
    logged("logging.critical", 0),
    logged("logging.exception", 0),
    logged("logging.log", 1),
    logged("logger.debug", 0),
    logged("logger.info", 0),
    logged("logger.warning", 0),
    logged("logger.warn", 0),
    logged("logger.error", 0),
    logged("logger.critical", 0),
    logged("logger.exception", 0),
    logged("logger.log", 1),
    logged("log.debug", 0),
    logged("log.info", 0),
    logged("log.warning", 0),
    logged("log.warn", 0),
    logged("log.error", 0),
    logged("log.critical", 0),
    logged("log.exception", 0),
    logged("log.log", 1),
    logged("getLogger().debug", 0),
    logged("getLogger().info", 0),
    logged("getLogger().warning", 0),
    logged("getLogger().warn", 0),
    logged("getLogger().error", 0),
    logged("getLogger().critical", 0),
    logged("getLogger().exception", 0),
    logged("getLogger().log", 1),
};

}  // namespace
}  // namespace python_source

const LanguageFacts& python_language_facts() {
  static const Dialect* const dialects[] = {python_dialect(), python_percent_dialect()};
  static const LanguageFacts facts = {
      .id = "python",
      .name = "Python",
      .endings = ".py .pyw .pyi",
      .interpreters = "python python2 python3 pypy pypy3",
      .dialect = "python-percent",
      .lexis = &python_source::lexis,
      .calls = python_source::calls,
      .reserved =
          "and as assert async await break case class continue def del elif else except "
          "finally for from global if import in is lambda match nonlocal not or pass raise "
          "return try type while with yield",
      .dialects = dialects,
      .prefixes = {"0b", "0o", "0x"},
      .expressions = &python::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
