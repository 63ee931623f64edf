// PHP, as its source is read: the PHP manual's Strings.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace php_source {
namespace {

using Rule = LiteralRule;

constexpr QuoteFact quotes[] = {{'"', Rule::escapes, true}, {'\'', Rule::quote_escapes, true}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = "// #", .quotes = quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.code_open = "<?";
  out.code_close = "?>";
  out.heredocs = true;
  out.word_marks = "$";
  out.join = ".";
  out.variables_in_texts = true;
  out.spread = "...";
  out.constant_words = "const";
  out.keeps_unknown_escapes = true;
  out.constant_function = "define";
  out.translators = "_ __ gettext";
  out.own_class = "self static";
  out.whole_type = Type::i64;
  out.keeps_line_ends = true;
  return out;
}
constexpr Lexis lexis = make_lexis();

constexpr CallFact calls[] = {call("printf", "php", 0),
                              call("sprintf", "php", 0),
                              call("fprintf", "php", 1),
                              shaped(CallShape::template_only, "vprintf", "php", 0),
                              shaped(CallShape::template_only, "vsprintf", "php", 0),
                              shaped(CallShape::template_only, "vfprintf", "php", 1)};

}  // namespace
}  // namespace php_source

const LanguageFacts& php_language_facts() {
  static const Dialect* const dialects[] = {php_dialect()};
  static const LanguageFacts facts = {
      .id = "php",
      .name = "PHP",
      .endings = ".php .phtml .inc",
      .interpreters = "php",
      .dialect = "php",
      .lexis = &php_source::lexis,
      .calls = php_source::calls,
      .reserved = "this",
      .dialects = dialects,
      .prefixes = {"0b", "0o", "0x"},
      .expressions = &php::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
