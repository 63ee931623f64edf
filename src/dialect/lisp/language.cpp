// Lisp, as its source is read: Common Lisp 2.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace lisp_source {
namespace {

using Rule = LiteralRule;

constexpr QuoteFact quotes[] = {{'"', Rule::escapes, true}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = ";", .quotes = quotes};
  out.block_open = "#|";
  out.block_close = "|#";
  out.blocks_nest = true;
  out.hash_characters = true;
  out.escapes_name_characters = false;
  out.word_marks = "*+-/<>=?!&%:.~^$";
  out.wide_whole_type = Type::big;
  out.real_type = Type::f32;
  out.keeps_line_ends = true;
  return out;
}
constexpr Lexis lexis = make_lexis();

constexpr CallFact calls[] = {shaped(CallShape::list, "format", "lisp", 1),
                              shaped(CallShape::list, "FORMAT", "lisp", 1),
                              shaped(CallShape::list, "error", "lisp", 0),
                              shaped(CallShape::list, "warn", "lisp", 0),
                              shaped(CallShape::list, "cerror", "lisp", 1),
                              shaped(CallShape::list, "break", "lisp", 0),
                              shaped(CallShape::list, "y-or-n-p", "lisp", 0),
                              shaped(CallShape::list, "yes-or-no-p", "lisp", 0),
                              shaped(CallShape::list, "assert", "lisp", 2),
                              shaped(CallShape::template_only, "formatter", "lisp", 0)};

}  // namespace
}  // namespace lisp_source

const LanguageFacts& lisp_language_facts() {
  static const Dialect* const dialects[] = {lisp_dialect()};
  static const LanguageFacts facts = {
      .id = "lisp",
      .name = "Lisp",
      .endings = ".lisp .lsp .cl .asd",
      .interpreters = "sbcl",
      .dialect = "lisp",
      .lexis = &lisp_source::lexis,
      .calls = lisp_source::calls,
      .reserved =
          "array-dimension-limit array-rank-limit array-total-size-limit boole-1 boole-2 "
          "boole-and boole-andc1 boole-andc2 boole-c1 boole-c2 boole-clr boole-eqv boole- "
          "ior boole-nand boole-nor boole-orc1 boole-orc2 boole-set boole-xor call- "
          "arguments-limit char-code-limit double-float-epsilon double-float-negative- "
          "epsilon lambda-list-keywords lambda-parameters-limit least-negative-double-float "
          "least-negative-long-float least-negative-short-float least-negative-single-float "
          "least-positive-double-float least-positive-long-float least-positive-short-float "
          "least-positive-single-float long-float-epsilon long-float-negative-epsilon most- "
          "negative-double-float most-negative-fixnum most-negative-long-float most- "
          "negative-short-float most-negative-single-float most-positive-double-float most- "
          "positive-fixnum most-positive-long-float most-positive-short-float most- "
          "positive-single-float multiple-values-limit nil pi short-float-epsilon short- "
          "float-negative-epsilon single-float-epsilon single-float-negative-epsilon t",
      .dialects = dialects,
      .prefixes = {"#b", "#o", "#x"},
      .expressions = &lisp::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
