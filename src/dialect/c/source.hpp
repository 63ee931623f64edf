// What C and C++ have in common as source: C17 6.4, C++20 [lex].
#pragma once

#include <array>

#include "dialect/language_facts.hpp"

namespace inky::inline v1::c_source {

inline constexpr QuoteFact quotes[] = {{'"', LiteralRule::escapes},
                                       {'\'', LiteralRule::escapes, false, false}};
inline constexpr TypeNameFact suffixes[] = {
    {"ull", Type::u64}, {"ULL", Type::u64}, {"uLL", Type::u64}, {"llu", Type::u64},
    {"LLU", Type::u64}, {"ll", Type::i64},  {"LL", Type::i64},  {"ul", Type::u64},
    {"UL", Type::u64},  {"lu", Type::u64},  {"LU", Type::u64},  {"uL", Type::u64},
    {"l", Type::i64},   {"L", Type::i64},   {"u", Type::u32},   {"U", Type::u32},
    {"f", Type::f32},   {"F", Type::f32},
};

constexpr Lexis shared_lexis() {
  Lexis out{.line_comments = "//", .quotes = quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.directives = "error warning pragma include";
  out.plain_prefixes = "uUL8";
  out.adjacent_texts_join = true;
  out.line_end_joins = true;
  out.spread = "...";
  out.format_macros = true;
  out.types_come_first = true;
  out.suffixes = suffixes;
  out.character_type = Type::i32;
  return out;
}

inline constexpr auto calls = std::to_array<CallFact>(
    {call("printf", "c", 0), call("fprintf", "c", 1), call("dprintf", "c", 1),
     call("sprintf", "c", 1), call("snprintf", "c", 2), call("asprintf", "c", 1),
     shaped(CallShape::template_only, "vprintf", "c", 0),
     shaped(CallShape::template_only, "vfprintf", "c", 1),
     shaped(CallShape::template_only, "vsprintf", "c", 1),
     shaped(CallShape::template_only, "vsnprintf", "c", 2)});

}  // namespace inky::inline v1::c_source
