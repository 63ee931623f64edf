// R, as its source is read: ?Quotes of R.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace r_source {
namespace {

using Rule = LiteralRule;

constexpr TypeNameFact types[] = {{"as.integer()", Type::i32}, {"as.numeric()", Type::f64},
                                  {"as.double()", Type::f64},  {"as.character()", Type::text},
                                  {"nchar()", Type::i32},      {"nrow()", Type::i32},
                                  {"ncol()", Type::i32},       {"length()", Type::i32}};
constexpr TypeNameFact suffixes[] = {{"L", Type::i32}, {"i", Type::complex}};
constexpr QuoteFact quotes[] = {{'"', Rule::escapes, true}, {'\'', Rule::escapes, true}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = "#", .quotes = quotes};
  out.raw_prefixes = "rR";
  out.raw = Lexis::Raw::brackets;
  out.names_in_backticks = true;
  out.word_marks = ".";
  out.names_value = "=";
  out.spread = "...";
  out.types = types;
  out.whole_type = out.wide_whole_type = Type::f64;
  out.suffixes = suffixes;
  return out;
}
constexpr Lexis lexis = make_lexis();

// gettextf(..., domain = NA)
constexpr CallFact calls[] = {
    call("sprintf", "r", 0),
    {.name = "gettextf", .dialect = "r", .template_at = 0, .names_options = true}};

}  // namespace
}  // namespace r_source

const LanguageFacts& r_language_facts() {
  static const Dialect* const dialects[] = {r_dialect(), r_format_dialect()};
  static const LanguageFacts facts = {
      .id = "r",
      .name = "R",
      .endings = ".R .r",
      .interpreters = "Rscript r",
      .dialect = "r",
      .lexis = &r_source::lexis,
      .calls = r_source::calls,
      .reserved = "break else for function if in next repeat while",
      .dialects = dialects,
      .prefixes = {"", "", "0x"},
      .expressions = &r_language::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
