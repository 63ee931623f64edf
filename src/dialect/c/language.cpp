// C, as its source is read: C17 6.4.

#include "../c/source.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1 {

namespace c_source {
namespace {

constexpr TypeNameFact types[] = {
    {"char", Type::i32},
    {"signed char", Type::i8},
    {"unsigned char", Type::u8},
    {"short", Type::i16},
    {"short int", Type::i16},
    {"unsigned short", Type::u16},
    {"unsigned short int", Type::u16},
    {"int", Type::i32},
    {"signed", Type::i32},
    {"signed int", Type::i32},
    {"unsigned", Type::u32},
    {"unsigned int", Type::u32},
    {"long", Type::i64},
    {"long int", Type::i64},
    {"long long", Type::i64},
    {"long long int", Type::i64},
    {"unsigned long", Type::u64},
    {"unsigned long int", Type::u64},
    {"unsigned long long", Type::u64},
    {"unsigned long long int", Type::u64},
    {"size_t", Type::u64},
    {"ssize_t", Type::i64},
    {"ptrdiff_t", Type::i64},
    {"int8_t", Type::i8},
    {"int16_t", Type::i16},
    {"int32_t", Type::i32},
    {"int64_t", Type::i64},
    {"uint8_t", Type::u8},
    {"uint16_t", Type::u16},
    {"uint32_t", Type::u32},
    {"uint64_t", Type::u64},
    {"float", Type::f32},
    {"double", Type::f64},
    {"long double", Type::f80},
    {"char*", Type::text},
    {"const char*", Type::text},
    {"sizeof()", Type::u64},
    {"strlen()", Type::u64},
};

constexpr Lexis lexis = [] {
  Lexis out = shared_lexis();
  out.types = types;
  out.named_types = named_types;
  out.type_of_truth = "int";
  return out;
}();

}  // namespace
}  // namespace c_source

const LanguageFacts& c_language_facts() {
  static const Dialect* const dialects[] = {c_dialect(), strftime_dialect()};
  static const LanguageFacts facts = {
      .id = "c",
      .name = "C",
      .endings = ".c .h .inc",
      .dialect = "c",
      .lexis = &c_source::lexis,
      .calls = c_source::calls,
      .reserved =
          "alignas alignof asm auto bool break case char const constexpr continue default "
          "do double else enum errno extern false float for goto if inline int linux long "
          "nullptr register restrict return short signed sizeof static static_assert stderr "
          "stdin stdout struct switch thread_local true typedef typeof typeof_unqual union "
          "unix unsigned void volatile while",
      .dialects = dialects,
      .prefixes = {"0b", "0", "0x"},
      .expressions = &c_language::c_expressions,
  };
  return facts;
}

}  // namespace inky::inline v1
