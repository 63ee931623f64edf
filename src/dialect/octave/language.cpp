// Octave, as its source is read: Octave's manual 5.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace octave_source {
namespace {

using Rule = LiteralRule;

constexpr QuoteFact quotes[] = {{'"', Rule::escapes_doubled}, {'\'', Rule::doubled_escapes}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = "% #", .quotes = quotes};
  out.block_open = "%{";
  out.block_close = "%}";
  out.blocks_nest = true;
  out.block_marks_stand_alone = true;
  out.quote_transposes = true;
  out.line_end_joins = true;
  out.many = Lexis::Many::each;
  out.whole_type = out.wide_whole_type = Type::f64;
  return out;
}
constexpr Lexis lexis = make_lexis();

// error("room:count", "%d of %d", n, m). A text alone is no template: Octave 7.3.
constexpr CallFact behind_id(std::string_view name) {
  CallFact out = call(name, "octave", 1);
  out.names_id = true;
  return out;
}
constexpr CallFact calls[] = {behind_id("error"),           with_values("error", "octave", 0),
                              behind_id("warning"),         with_values("warning", "octave", 0),
                              call("printf", "octave", 0),  call("fprintf", "octave", 0),
                              call("fprintf", "octave", 1), call("sprintf", "octave", 0)};

}  // namespace
}  // namespace octave_source

const LanguageFacts& octave_language_facts() {
  static const Dialect* const dialects[] = {octave_dialect(), octave_display_dialect()};
  static const LanguageFacts facts = {
      .id = "octave",
      .name = "Octave",
      .endings = ".m",
      .interpreters = "octave octave-cli",
      .dialect = "octave",
      .lexis = &octave_source::lexis,
      .calls = octave_source::calls,
      .reserved =
          "break case catch classdef continue do else elseif end end_try_catch "
          "end_unwind_protect endarguments endclassdef endenumeration endevents endfor "
          "endfunction endif endmethods endparfor endproperties endspmd endswitch endwhile "
          "for function global if otherwise parfor persistent return spmd switch try until "
          "unwind_protect unwind_protect_cleanup while",
      .dialects = dialects,
      .prefixes = {"0b", "", "0x"},
      .expressions = &octave::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
