// The POSIX shell, as its source is read: POSIX.1-2017, XCU, 2.2 and 2.3. Only our own programs are
// read so far.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "words.hpp"

namespace inky::inline v1 {

namespace shell_source {
namespace {

constexpr QuoteFact quotes[] = {{'"', LiteralRule::escapes, true}, {'\'', LiteralRule::raw, true}};
constexpr Lexis lexis = [] {
  Lexis out{.line_comments = "#", .quotes = quotes};
  out.word_marks = "$";
  out.variables_in_texts = true;
  out.line_end_joins = true;
  return out;
}();

}  // namespace
}  // namespace shell_source

const LanguageFacts& shell_language_facts() {
  static const Dialect* const dialects[] = {shell_dialect()};
  static const LanguageFacts facts = {
      .id = "shell",
      .name = "POSIX shell",
      .endings = "",
      .dialect = "shell",
      .lexis = &shell_source::lexis,
      .calls = {},
      .reserved = "case do done elif else esac fi for function if in select then until while",
      .dialects = dialects,
      .prefixes = {"", "0", "0x"},
      .expressions = &shell::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
