// C#, as its source is read: the C# specification 6.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace csharp_source {
namespace {

using Rule = LiteralRule;

constexpr QuoteFact quotes[] = {{'"', Rule::escapes}, {'\'', Rule::escapes, false, false}};
constexpr TypeNameFact types[] = {
    {"bool", Type::truth},  {"sbyte", Type::i8},    {"byte", Type::u8},
    {"short", Type::i16},   {"ushort", Type::u16},  {"int", Type::i32},
    {"uint", Type::u32},    {"long", Type::i64},    {"ulong", Type::u64},
    {"float", Type::f32},   {"double", Type::f64},  {"char", Type::character},
    {"string", Type::text}, {"String", Type::text}, {".ToString()", Type::text},
};
constexpr TypeNameFact suffixes[] = {{"UL", Type::u64}, {"ul", Type::u64},    {"LU", Type::u64},
                                     {"L", Type::i64},  {"U", Type::u32},     {"u", Type::u32},
                                     {"f", Type::f32},  {"F", Type::f32},     {"d", Type::f64},
                                     {"D", Type::f64},  {"m", Type::decimal}, {"M", Type::decimal}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = "//", .quotes = quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.directives = "*";
  out.raw_prefixes = "@";
  out.raw = Lexis::Raw::doubled;
  out.filling_prefixes = "$";
  out.quotes_nest_in_slots = true;
  out.triple = Lexis::Triple::counted;
  out.join = "+";
  out.names_value = ":";
  out.many = Lexis::Many::alone;
  out.filling_name = "interpolated string";
  out.filling_dialect = "csharp";
  out.types = types;
  out.types_come_first = true;
  out.suffixes = suffixes;
  out.slots_align = true;
  out.constant_words = "const readonly";
  out.own_class = "this";
  out.loop_word = "in";
  out.specification_before = "{0:";
  out.keeps_line_ends = true;
  return out;
}
constexpr Lexis lexis = make_lexis();

// An exception and an event may stand before the template.
constexpr CallFact logged(std::string_view name, int template_at) {
  CallFact out = ends_receiver(with_holes(HoleRule::names, name, template_at));
  out.needs_values = false;
  return out;
}
constexpr std::array<std::string_view, 12> logging_methods = {
    "log.LogTrace",          "log.LogDebug",      "log.LogInformation", "log.LogWarning",
    "log.LogError",          "log.LogCritical",   "logger.LogTrace",    "logger.LogDebug",
    "logger.LogInformation", "logger.LogWarning", "logger.LogError",    "logger.LogCritical"};
constexpr auto own_calls = std::to_array<CallFact>(
    {call("string.Format", "csharp", 0), in_locale("string.Format", "csharp"),
     call("String.Format", "csharp", 0), in_locale("String.Format", "csharp"),
     call("AppendFormat", "csharp", 0), in_locale("AppendFormat", "csharp"),
     with_values("Console.WriteLine", "csharp", 0), with_values("Console.Write", "csharp", 0),
     with_values("Out.WriteLine", "csharp", 0),
     ends_receiver(with_values("writer.WriteLine", "csharp", 0)),
     ends_receiver(with_values("writer.Write", "csharp", 0)), with_values("Out.Write", "csharp", 0),
     with_values("Error.Write", "csharp", 0), with_values("Trace.TraceInformation", "csharp", 0),
     with_values("Trace.TraceWarning", "csharp", 0), with_values("Trace.TraceError", "csharp", 0),
     shaped(CallShape::specification, "ToString", "csharp", 0),
     with_values("Error.WriteLine", "csharp", 0)});
constexpr auto calls = joined(own_calls, for_each_name<3>(logging_methods, logged));

}  // namespace
}  // namespace csharp_source

const LanguageFacts& csharp_language_facts() {
  static const Dialect* const dialects[] = {csharp_dialect()};
  static const LanguageFacts facts = {
      .id = "csharp",
      .name = "C#",
      .endings = ".cs .csx",
      .interpreters = "dotnet-script",
      .dialect = "csharp",
      .lexis = &csharp_source::lexis,
      .calls = csharp_source::calls,
      .reserved =
          "abstract args as async await base bool break byte case catch char checked class "
          "const continue decimal default delegate do double dynamic else enum event "
          "explicit extern false finally fixed float for foreach from get goto if implicit "
          "in int interface internal is lock long nameof namespace new null object operator "
          "out override params partial private protected public readonly record ref "
          "required return sbyte scoped sealed set short sizeof stackalloc static string "
          "struct switch this throw true try typeof uint ulong unchecked unsafe ushort "
          "using var virtual void volatile when where while with yield",
      .dialects = dialects,
      .prefixes = {"0b", "", "0x"},
      .expressions = &csharp::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
