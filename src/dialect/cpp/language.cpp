// C++, as its source is read: C++20 [lex].

#include "../c/source.hpp"
#include "chain_of_source.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace cpp_source {
namespace {

constexpr TypeNameFact types[] = {
    {"bool", Type::truth},       {"signed char", Type::i8},     {"unsigned char", Type::u8},
    {"short", Type::i16},        {"unsigned short", Type::u16}, {"int", Type::i32},
    {"unsigned", Type::u32},     {"unsigned int", Type::u32},   {"long", Type::i64},
    {"long long", Type::i64},    {"unsigned long", Type::u64},  {"unsigned long long", Type::u64},
    {"size_t", Type::u64},       {"std::size_t", Type::u64},    {"ptrdiff_t", Type::i64},
    {"int8_t", Type::i8},        {"int16_t", Type::i16},        {"int32_t", Type::i32},
    {"int64_t", Type::i64},      {"uint8_t", Type::u8},         {"uint16_t", Type::u16},
    {"uint32_t", Type::u32},     {"uint64_t", Type::u64},       {"float", Type::f32},
    {"double", Type::f64},       {"long double", Type::f80},    {"char*", Type::text},
    {"const char*", Type::text}, {"sizeof()", Type::u64},       {"strlen()", Type::u64},
    {".size()", Type::u64},      {".length()", Type::u64},      {".c_str()", Type::text},
};

constexpr Lexis lexis = [] {
  Lexis out = c_source::shared_lexis();
  out.insertions_of_source = cpp_stream::chain_of_source;
  out.raw_prefixes = "R";
  out.raw = Lexis::Raw::delimiter;
  out.digit_quotes = true;
  out.types = types;
  out.named_types = {c_source::named_types_of_cpp.facts.data(), c_source::named_types_of_cpp.size};
  out.type_of_truth = "bool";
  out.fields_are_names = true;
  out.character_type = Type::character;
  return out;
}();

constexpr auto own_calls = std::to_array<CallFact>(
    {call("std::format", "cpp-format", 0), call("std::format", "cpp-format", 1),
     call("std::print", "cpp-format", 0), call("std::print", "cpp-format", 1),
     call("std::println", "cpp-format", 0), call("std::println", "cpp-format", 1),
     call("std::format_to", "cpp-format", 1), call("std::format_to_n", "cpp-format", 2),
     call("std::formatted_size", "cpp-format", 0),
     shaped(CallShape::template_only, "std::vformat", "cpp-format", 0),
     shaped(CallShape::insertions, "cout", "cpp-stream"),
     shaped(CallShape::insertions, "cerr", "cpp-stream"),
     shaped(CallShape::insertions, "clog", "cpp-stream")});
// And those of C.
constexpr auto calls = joined(c_source::calls, own_calls);

}  // namespace
}  // namespace cpp_source

const LanguageFacts& cpp_language_facts() {
  static const Dialect* const dialects[] = {cpp_format_dialect(), cpp_stream_dialect()};
  static const LanguageFacts facts = {
      .id = "cpp",
      .name = "C++",
      .endings = ".cpp .cc .cxx .c++ .C .hpp .hh .hxx .h++ .H .tpp .txx .ipp .ixx .inl .cppm",
      .dialect = "c",
      .lexis = &cpp_source::lexis,
      .calls = cpp_source::calls,
      .reserved =
          "alignas alignof and and_eq asm auto bitand bitor bool break case catch char "
          "char16_t char32_t char8_t class co_await co_return co_yield compl concept const "
          "const_cast consteval constexpr constinit continue decltype default delete do "
          "double dynamic_cast else enum errno explicit export extern false float for "
          "friend goto if inline int linux long mutable namespace new noexcept not not_eq "
          "nullptr operator or or_eq private protected public register reinterpret_cast "
          "requires return short signed sizeof static static_assert static_cast stderr "
          "stdin stdout struct switch template this thread_local throw true try typedef "
          "typeid typename typeof union unix unsigned using virtual void volatile wchar_t "
          "while xor xor_eq",
      .dialects = dialects,
      .prefixes = {"0b", "0", "0x"},
      .expressions = &cpp_expressions,
  };
  return facts;
}

}  // namespace inky::inline v1
