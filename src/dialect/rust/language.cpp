// Rust, as its source is read: the Rust Reference 2.

#include "dialect/language_facts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace rust_source {
namespace {

using Rule = LiteralRule;

constexpr QuoteFact quotes[] = {{'"', Rule::escapes, true}, {'\'', Rule::escapes, false, false}};
constexpr TypeNameFact types[] = {
    {"i8", Type::i8},          {"i16", Type::i16},           {"i32", Type::i32},
    {"i64", Type::i64},        {"i128", Type::i128},         {"isize", Type::i64},
    {"u8", Type::u8},          {"u16", Type::u16},           {"u32", Type::u32},
    {"u64", Type::u64},        {"u128", Type::u128},         {"usize", Type::u64},
    {"f32", Type::f32},        {"f64", Type::f64},           {"bool", Type::truth},
    {"char", Type::character}, {"String", Type::text},       {"str", Type::text},
    {".len()", Type::u64},     {".to_string()", Type::text}, {"None", Type::nil},
    {"[]", Type::list},        {"(,)", Type::tuple},         {"()", Type::tuple},
    {"vec!", Type::list},      {"Vec", Type::list},          {"Option", Type::some},
    {"Some()", Type::some},    {"VecDeque", Type::list},     {"Duration", Type::duration},
};
constexpr TypeNameFact suffixes[] = {
    {"i128", Type::i128}, {"u128", Type::u128}, {"isize", Type::i64}, {"usize", Type::u64},
    {"i16", Type::i16},   {"i32", Type::i32},   {"i64", Type::i64},   {"u16", Type::u16},
    {"u32", Type::u32},   {"u64", Type::u64},   {"f32", Type::f32},   {"f64", Type::f64},
    {"i8", Type::i8},     {"u8", Type::u8}};
constexpr Lexis make_lexis() {
  Lexis out{.line_comments = "//", .quotes = quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.blocks_nest = true;
  out.plain_prefixes = "bc";
  out.raw_prefixes = "r";
  out.raw = Lexis::Raw::hashes;
  out.labels = true;
  out.bang_calls = true;
  out.line_end_joins = out.line_end_takes_blanks = true;
  out.names_value = "=";
  out.types_behind = "::";
  out.names_from_scope = true;
  out.types = types;
  out.types_come_last = true;
  out.scope_words = "fn";
  out.binding_words = "let for";
  out.suffixes = suffixes;
  return out;
}
constexpr Lexis lexis = make_lexis();

constexpr auto own_calls = std::to_array<CallFact>(
    {call("format!", "rust", 0), call("print!", "rust", 0), call("println!", "rust", 0),
     call("eprint!", "rust", 0), call("eprintln!", "rust", 0), call("panic!", "rust", 0),
     call("format_args!", "rust", 0), call("todo!", "rust", 0), call("unimplemented!", "rust", 0),
     call("unreachable!", "rust", 0), call("write!", "rust", 1), call("writeln!", "rust", 1),
     call("assert!", "rust", 1), call("debug_assert!", "rust", 1), call("bail!", "rust", 0),
     call("anyhow!", "rust", 0), call("ensure!", "rust", 1), call("assert_eq!", "rust", 2),
     call("assert_ne!", "rust", 2)});
// Those that log: fields and a target may stand before the template.
constexpr std::array<std::string_view, 5> logging = {"trace!", "debug!", "info!", "warn!",
                                                     "error!"};
constexpr CallFact logged(std::string_view name, int template_at) {
  CallFact out = call(name, "rust", template_at);
  out.options_first = true;
  return out;
}
constexpr auto calls = joined(own_calls, for_each_name<6>(logging, logged));

}  // namespace
}  // namespace rust_source

const LanguageFacts& rust_language_facts() {
  static const Dialect* const dialects[] = {rust_dialect()};
  static const LanguageFacts facts = {
      .id = "rust",
      .name = "Rust",
      .endings = ".rs",
      .dialect = "rust",
      .lexis = &rust_source::lexis,
      .calls = rust_source::calls,
      .reserved =
          "abstract as async await become box break const continue crate do dyn else enum "
          "extern false final fn for gen if impl in let loop macro match mod move mut "
          "override priv pub ref return self static struct super trait true try type typeof "
          "union unsafe unsized use virtual where while yield",
      .dialects = dialects,
      .prefixes = {"0b", "0o", "0x"},
      .expressions = &rust::expression_form,
  };
  return facts;
}

}  // namespace inky::inline v1
