// F#, as its source is read: the F# specification 3.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace fsharp_source {
namespace {

using Rule = LiteralRule;

constexpr TypeNameFact types[] = {
    {"bool", Type::truth}, {"sbyte", Type::i8},    {"byte", Type::u8},
    {"int16", Type::i16},  {"uint16", Type::u16},  {"int", Type::i32},
    {"int32", Type::i32},  {"uint32", Type::u32},  {"int64", Type::i64},
    {"uint64", Type::u64}, {"float32", Type::f32}, {"single", Type::f32},
    {"float", Type::f64},  {"double", Type::f64},  {"char", Type::character},
    {"string", Type::text}};
constexpr TypeNameFact suffixes[] = {{"uy", Type::u8},  {"us", Type::u16},    {"UL", Type::u64},
                                     {"uL", Type::u64}, {"ul", Type::u32},    {"y", Type::i8},
                                     {"s", Type::i16},  {"L", Type::i64},     {"u", Type::u32},
                                     {"l", Type::i32},  {"f", Type::f32},     {"F", Type::f32},
                                     {"I", Type::big},  {"m", Type::decimal}, {"M", Type::decimal}};
constexpr QuoteFact quotes[] = {{'"', Rule::escapes, true}, {'\'', Rule::escapes, false, false}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = "//", .quotes = quotes};
  out.block_open = "(*";
  out.block_close = "*)";
  out.blocks_nest = true;
  out.directives = "*";
  out.raw_prefixes = "@";
  out.raw = Lexis::Raw::doubled;
  out.filling_prefixes = "$";
  out.triple = Lexis::Triple::raw;
  out.labels = true;
  out.names_in_backticks = true;
  // A mark of a name: x'.
  out.word_marks = "'";
  out.line_end_joins = out.line_end_takes_blanks = true;
  out.few_values_wait = true;
  out.types = types;
  out.types_come_last = true;
  out.scope_words = "let fun member and";
  out.suffixes = suffixes;
  out.keeps_line_ends = true;
  return out;
}
constexpr Lexis lexis = make_lexis();

constexpr CallFact calls[] = {shaped(CallShape::juxtaposed, "printf", "fsharp"),
                              shaped(CallShape::juxtaposed, "printfn", "fsharp"),
                              shaped(CallShape::juxtaposed, "sprintf", "fsharp"),
                              shaped(CallShape::juxtaposed, "eprintf", "fsharp"),
                              shaped(CallShape::juxtaposed, "eprintfn", "fsharp"),
                              shaped(CallShape::juxtaposed, "failwithf", "fsharp")};

}  // namespace
}  // namespace fsharp_source

const LanguageFacts& fsharp_language_facts() {
  static const Dialect* const dialects[] = {fsharp_dialect()};
  static const LanguageFacts facts = {
      .id = "fsharp",
      .name = "F#",
      .endings = ".fs .fsx .fsi .fsscript",
      .dialect = "fsharp",
      .lexis = &fsharp_source::lexis,
      .calls = fsharp_source::calls,
      .reserved =
          "abstract and as asr assert atomic base begin break checked class component const "
          "constraint constructor continue default delegate do done downcast downto elif "
          "else end event exception extern external false finally fixed for fun function "
          "functor global if in include inherit inline interface internal land lazy let lor "
          "lsl lsr lxor match measure member method mixin mod module mutable namespace new "
          "not null object of open or override parallel params private process protected "
          "public pure rec recursive return sealed select sig static struct tailcall then "
          "to trait true try type upcast use val virtual void volatile when while with "
          "yield",
      .dialects = dialects,
      .prefixes = {"0b", "0o", "0x"},
      .expressions = &fsharp::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
