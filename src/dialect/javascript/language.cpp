// JavaScript, as its source is read: ECMA-262 12.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "statement.hpp"

namespace inky::inline v1 {

namespace javascript_source {
namespace {

using Rule = LiteralRule;

constexpr QuoteFact quotes[] = {{'"', Rule::escapes}, {'\'', Rule::escapes}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = "//", .quotes = quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.filling_quote = '`';
  out.patterns = true;
  out.join = "+";
  out.spread = "...";
  out.word_marks = "$";
  out.filling_name = "template literal";
  out.filling_dialect = "javascript";
  out.whole_type = Type::f64;
  out.slot_methods = "toFixed toPrecision toExponential";
  return out;
}
constexpr Lexis lexis = make_lexis();

constexpr CallFact calls[] = {with_holes(HoleRule::letters, "console.log", 0),
                              with_holes(HoleRule::letters, "console.info", 0),
                              with_holes(HoleRule::letters, "console.warn", 0),
                              with_holes(HoleRule::letters, "console.error", 0),
                              with_holes(HoleRule::letters, "console.debug", 0),
                              with_holes(HoleRule::letters, "console.trace", 0),
                              with_holes(HoleRule::letters, "console.assert", 1),
                              with_holes(HoleRule::letters, "util.format", 0),
                              with_holes(HoleRule::letters, "util.formatWithOptions", 1)};

}  // namespace
}  // namespace javascript_source

const LanguageFacts& javascript_language_facts() {
  static const Dialect* const dialects[] = {javascript_dialect()};
  static const LanguageFacts facts = {
      .id = "javascript",
      .name = "JavaScript",
      .endings = ".js .mjs .cjs .jsx .ts .mts .cts .tsx",
      .interpreters = "node nodejs",
      .dialect = "javascript",
      .lexis = &javascript_source::lexis,
      .calls = javascript_source::calls,
      .reserved =
          "abstract arguments async await boolean break byte case catch char class const "
          "constructor continue debugger default delete do double else enum eval export "
          "extends false final finally float for function get goto if implements import in "
          "instanceof int interface let long native new null of package private protected "
          "public return set short static super switch synchronized this throw throws "
          "transient true try typeof undefined var void volatile while with yield",
      .dialects = dialects,
      .prefixes = {"0b", "0o", "0x"},
      .expressions = &javascript::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
