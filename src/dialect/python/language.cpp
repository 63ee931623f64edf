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
    {"str", Type::text},     {"bool", Type::truth}};
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

// exc_info=True and its like are for the logger.
constexpr CallFact logged(std::string_view name) {
  CallFact out = with_values(name, "python-percent", 0);
  out.names_options = true;
  return out;
}
constexpr CallFact calls[] = {shaped(CallShape::receiver, "format", "python"),
                              logged("logging.debug"),
                              logged("logging.info"),
                              logged("logging.warning"),
                              logged("logging.error"),
                              logged("logging.critical"),
                              logged("logging.exception"),
                              logged("logger.debug"),
                              logged("logger.info"),
                              logged("logger.warning"),
                              logged("logger.error"),
                              logged("logger.critical"),
                              logged("logger.exception"),
                              logged("log.debug"),
                              logged("log.info"),
                              logged("log.warning"),
                              logged("log.error"),
                              logged("log.critical"),
                              logged("log.exception")};

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
