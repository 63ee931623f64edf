// The source languages: what begins and ends their comments and literals, and which of their calls
// take a template. From their standards and manuals: C17 6.4, C++20 [lex], the Java Language
// Specification 3, the Python Language Reference 2, the Rust Reference 2, the PHP manual's Strings,
// ECMA-262 12, the C# specification 6, ?Quotes of R, Octave's manual 5, Common Lisp 2, the F#
// specification 3.

#include <algorithm>

#include "inky_margin/scan/language.hpp"
#include "lexis.hpp"

namespace inky::inline v1 {

namespace {

using Rule = LiteralRule;

CallForm call(std::string_view name, std::string_view dialect, int template_at) {
  return {std::string(name),
          std::string(dialect),
          template_at,
          CallShape::arguments,
          false,
          false,
          false};
}
CallForm shaped(CallShape shape, std::string_view name, std::string_view dialect,
                int template_at = 0) {
  return {std::string(name), std::string(dialect), template_at, shape, false, false, false};
}
// Without values its argument is no template.
CallForm with_values(std::string_view name, std::string_view dialect, int template_at) {
  return {std::string(name),
          std::string(dialect),
          template_at,
          CallShape::arguments,
          true,
          false,
          false};
}
// An argument before the template names a locale.
CallForm in_locale(std::string_view name, std::string_view dialect) {
  return {std::string(name), std::string(dialect), 1, CallShape::arguments, false, true, false};
}

// ---- C and C++ ----

constexpr QuoteFact c_quotes[] = {{'"', Rule::escapes}, {'\'', Rule::escapes, false, false}};
constexpr TypeNameFact c_types[] = {
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
constexpr TypeNameFact cpp_types[] = {
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
constexpr TypeNameFact c_suffixes[] = {
    {"ull", Type::u64}, {"ULL", Type::u64}, {"uLL", Type::u64}, {"llu", Type::u64},
    {"LLU", Type::u64}, {"ll", Type::i64},  {"LL", Type::i64},  {"ul", Type::u64},
    {"UL", Type::u64},  {"lu", Type::u64},  {"LU", Type::u64},  {"uL", Type::u64},
    {"l", Type::i64},   {"L", Type::i64},   {"u", Type::u32},   {"U", Type::u32},
    {"f", Type::f32},   {"F", Type::f32},
};

constexpr Lexis c_lexis() {
  Lexis out{.line_comments = "//", .quotes = c_quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.directives = "error warning pragma include";
  out.plain_prefixes = "uUL8";
  out.adjacent_texts_join = true;
  out.line_end_joins = true;
  out.spread = "...";
  out.format_macros = true;
  out.types = c_types;
  out.types_come_first = true;
  out.suffixes = c_suffixes;
  out.character_type = Type::i32;
  return out;
}
constexpr Lexis c = c_lexis();

constexpr Lexis cpp_lexis() {
  Lexis out = c_lexis();
  out.raw_prefixes = "R";
  out.raw = Lexis::Raw::delimiter;
  out.digit_quotes = true;
  out.types = cpp_types;
  out.character_type = Type::character;
  return out;
}
constexpr Lexis cpp = cpp_lexis();

std::vector<CallForm> c_calls() {
  return {call("printf", "c", 0),
          call("fprintf", "c", 1),
          call("dprintf", "c", 1),
          call("sprintf", "c", 1),
          call("snprintf", "c", 2),
          call("asprintf", "c", 1),
          shaped(CallShape::template_only, "vprintf", "c", 0),
          shaped(CallShape::template_only, "vfprintf", "c", 1),
          shaped(CallShape::template_only, "vsprintf", "c", 1),
          shaped(CallShape::template_only, "vsnprintf", "c", 2)};
}
std::vector<CallForm> cpp_calls() {
  std::vector<CallForm> out = c_calls();
  const CallForm more[] = {call("std::format", "cpp-format", 0),
                           call("std::format", "cpp-format", 1),
                           call("std::print", "cpp-format", 0),
                           call("std::print", "cpp-format", 1),
                           call("std::println", "cpp-format", 0),
                           call("std::println", "cpp-format", 1),
                           call("std::format_to", "cpp-format", 1),
                           call("std::format_to_n", "cpp-format", 2),
                           call("std::formatted_size", "cpp-format", 0),
                           shaped(CallShape::template_only, "std::vformat", "cpp-format", 0),
                           shaped(CallShape::insertions, "cout", "cpp-stream"),
                           shaped(CallShape::insertions, "cerr", "cpp-stream"),
                           shaped(CallShape::insertions, "clog", "cpp-stream")};
  out.insert(out.end(), std::begin(more), std::end(more));
  return out;
}

// ---- Java ----

constexpr TypeNameFact java_types[] = {
    {"boolean", Type::truth},
    {"byte", Type::i8},
    {"short", Type::i16},
    {"int", Type::i32},
    {"long", Type::i64},
    {"float", Type::f32},
    {"double", Type::f64},
    {"char", Type::character},
    {"String", Type::text},
    {"Integer", Type::i32},
    {"Long", Type::i64},
    {"Double", Type::f64},
    {"Float", Type::f32},
    {"Boolean", Type::truth},
    {"Short", Type::i16},
    {"Byte", Type::i8},
    {"Character", Type::character},
    {".length()", Type::i32},
    {".size()", Type::i32},
    {".intValue()", Type::i32},
    {".doubleValue()", Type::f64},
    {".toString()", Type::text},
};
constexpr TypeNameFact java_suffixes[] = {{"L", Type::i64}, {"l", Type::i64}, {"f", Type::f32},
                                          {"F", Type::f32}, {"d", Type::f64}, {"D", Type::f64}};
constexpr Lexis java_lexis() {
  Lexis out{.line_comments = "//", .quotes = c_quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.triple = Lexis::Triple::indented;
  out.join = "+";
  out.many = Lexis::Many::alone;
  out.types = java_types;
  out.types_come_first = true;
  out.suffixes = java_suffixes;
  return out;
}
constexpr Lexis java = java_lexis();

std::vector<CallForm> java_calls() {
  return {call("String.format", "java", 0),
          in_locale("String.format", "java"),
          call("printf", "java", 0),
          in_locale("printf", "java"),
          call("out.format", "java", 0),
          in_locale("out.format", "java"),
          call("err.format", "java", 0),
          in_locale("err.format", "java"),
          shaped(CallShape::receiver, "formatted", "java"),
          shaped(CallShape::template_only, "DecimalFormat", "java-pattern", 0)};
}

// ---- Python ----

constexpr QuoteFact python_quotes[] = {{'"', Rule::escapes}, {'\'', Rule::escapes}};
constexpr TypeNameFact python_types[] = {
    {"float()", Type::f64},  {"int()", Type::i32},   {"str()", Type::text}, {"len()", Type::i32},
    {"bool()", Type::truth}, {"repr()", Type::text}, {"float", Type::f64},  {"int", Type::i32},
    {"str", Type::text},     {"bool", Type::truth}};
constexpr TypeNameFact python_suffixes[] = {{"j", Type::complex}, {"J", Type::complex}};
constexpr Lexis python_lexis() {
  Lexis out{.line_comments = "#", .quotes = python_quotes};
  out.plain_prefixes = "bBuU";
  out.raw_prefixes = "rR";
  out.filling_prefixes = "fF";
  out.triple = Lexis::Triple::escapes;
  out.adjacent_texts_join = out.lines_end_statements = true;
  out.line_end_joins = true;
  out.names_value = "=";
  out.spread = "*";
  out.percent_operator = true;
  out.fields_take_parts = true;
  out.filling_name = "f-string";
  out.filling_dialect = "python";
  out.types = python_types;
  out.types_come_last = true;
  out.scope_words = "def class lambda";
  out.binding_words = "for as import";
  out.wide_whole_type = Type::big;
  out.suffixes = python_suffixes;
  return out;
}
constexpr Lexis python = python_lexis();

std::vector<CallForm> python_calls() {
  std::vector<CallForm> out = {shaped(CallShape::receiver, "format", "python")};
  for (const std::string_view logger : {"logging", "logger", "log"}) {
    for (const std::string_view level :
         {"debug", "info", "warning", "error", "critical", "exception"})
      // exc_info=True and its like are for the logger.
      out.push_back({std::string(logger) + "." + std::string(level), "python-percent", 0,
                     CallShape::arguments, true, false, true});
  }
  return out;
}

// ---- Rust ----

constexpr QuoteFact rust_quotes[] = {{'"', Rule::escapes, true},
                                     {'\'', Rule::escapes, false, false}};
constexpr TypeNameFact rust_types[] = {
    {"i8", Type::i8},          {"i16", Type::i16},           {"i32", Type::i32},
    {"i64", Type::i64},        {"i128", Type::i128},         {"isize", Type::i64},
    {"u8", Type::u8},          {"u16", Type::u16},           {"u32", Type::u32},
    {"u64", Type::u64},        {"u128", Type::u128},         {"usize", Type::u64},
    {"f32", Type::f32},        {"f64", Type::f64},           {"bool", Type::truth},
    {"char", Type::character}, {"String", Type::text},       {"str", Type::text},
    {".len()", Type::u64},     {".to_string()", Type::text},
};
constexpr TypeNameFact rust_suffixes[] = {
    {"i128", Type::i128}, {"u128", Type::u128}, {"isize", Type::i64}, {"usize", Type::u64},
    {"i16", Type::i16},   {"i32", Type::i32},   {"i64", Type::i64},   {"u16", Type::u16},
    {"u32", Type::u32},   {"u64", Type::u64},   {"f32", Type::f32},   {"f64", Type::f64},
    {"i8", Type::i8},     {"u8", Type::u8}};
constexpr Lexis rust_lexis() {
  Lexis out{.line_comments = "//", .quotes = rust_quotes};
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
  out.names_from_scope = true;
  out.types = rust_types;
  out.types_come_last = true;
  out.scope_words = "fn";
  out.binding_words = "let for";
  out.suffixes = rust_suffixes;
  return out;
}
constexpr Lexis rust = rust_lexis();

std::vector<CallForm> rust_calls() {
  std::vector<CallForm> out;
  for (const std::string_view name :
       {"format!", "print!", "println!", "eprint!", "eprintln!", "panic!", "format_args!", "todo!",
        "unimplemented!", "unreachable!"})
    out.push_back(call(name, "rust", 0));
  for (const std::string_view name : {"write!", "writeln!", "assert!", "debug_assert!"})
    out.push_back(call(name, "rust", 1));
  for (const std::string_view name : {"assert_eq!", "assert_ne!"})
    out.push_back(call(name, "rust", 2));
  return out;
}

// ---- PHP ----

constexpr QuoteFact php_quotes[] = {{'"', Rule::escapes, true}, {'\'', Rule::quote_escapes, true}};
constexpr Lexis php_lexis() {
  Lexis out{.line_comments = "// #", .quotes = php_quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.code_open = "<?";
  out.code_close = "?>";
  out.heredocs = true;
  out.word_marks = "$";
  out.join = ".";
  out.variables_in_texts = true;
  out.spread = "...";
  out.whole_type = Type::i64;
  return out;
}
constexpr Lexis php = php_lexis();

std::vector<CallForm> php_calls() {
  return {call("printf", "php", 0),
          call("sprintf", "php", 0),
          call("fprintf", "php", 1),
          shaped(CallShape::template_only, "vprintf", "php", 0),
          shaped(CallShape::template_only, "vsprintf", "php", 0),
          shaped(CallShape::template_only, "vfprintf", "php", 1)};
}

// ---- JavaScript ----

constexpr Lexis javascript_lexis() {
  Lexis out{.line_comments = "//", .quotes = python_quotes};
  out.block_open = "/*";
  out.block_close = "*/";
  out.filling_quote = '`';
  out.patterns = true;
  out.word_marks = "$";
  out.filling_name = "template literal";
  out.filling_dialect = "javascript";
  out.whole_type = Type::f64;
  return out;
}
constexpr Lexis javascript = javascript_lexis();

// ---- C# ----

constexpr TypeNameFact csharp_types[] = {
    {"bool", Type::truth},  {"sbyte", Type::i8},    {"byte", Type::u8},
    {"short", Type::i16},   {"ushort", Type::u16},  {"int", Type::i32},
    {"uint", Type::u32},    {"long", Type::i64},    {"ulong", Type::u64},
    {"float", Type::f32},   {"double", Type::f64},  {"char", Type::character},
    {"string", Type::text}, {"String", Type::text}, {".ToString()", Type::text},
};
constexpr TypeNameFact csharp_suffixes[] = {
    {"UL", Type::u64}, {"ul", Type::u64}, {"LU", Type::u64},    {"L", Type::i64},
    {"U", Type::u32},  {"u", Type::u32},  {"f", Type::f32},     {"F", Type::f32},
    {"d", Type::f64},  {"D", Type::f64},  {"m", Type::decimal}, {"M", Type::decimal}};
constexpr Lexis csharp_lexis() {
  Lexis out{.line_comments = "//", .quotes = c_quotes};
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
  out.types = csharp_types;
  out.types_come_first = true;
  out.suffixes = csharp_suffixes;
  return out;
}
constexpr Lexis csharp = csharp_lexis();

std::vector<CallForm> csharp_calls() {
  return {call("string.Format", "csharp", 0),
          in_locale("string.Format", "csharp"),
          call("String.Format", "csharp", 0),
          in_locale("String.Format", "csharp"),
          call("AppendFormat", "csharp", 0),
          in_locale("AppendFormat", "csharp"),
          with_values("Console.WriteLine", "csharp", 0),
          with_values("Console.Write", "csharp", 0),
          with_values("Out.WriteLine", "csharp", 0),
          with_values("Error.WriteLine", "csharp", 0)};
}

// ---- R ----

constexpr TypeNameFact r_types[] = {{"as.integer()", Type::i32}, {"as.numeric()", Type::f64},
                                    {"as.double()", Type::f64},  {"as.character()", Type::text},
                                    {"nchar()", Type::i32},      {"nrow()", Type::i32},
                                    {"ncol()", Type::i32},       {"length()", Type::i32}};
constexpr TypeNameFact r_suffixes[] = {{"L", Type::i32}, {"i", Type::complex}};
constexpr QuoteFact r_quotes[] = {{'"', Rule::escapes, true}, {'\'', Rule::escapes, true}};
constexpr Lexis r_lexis() {
  Lexis out{.line_comments = "#", .quotes = r_quotes};
  out.raw_prefixes = "rR";
  out.raw = Lexis::Raw::brackets;
  out.names_in_backticks = true;
  out.word_marks = ".";
  out.names_value = "=";
  out.spread = "...";
  out.types = r_types;
  out.whole_type = out.wide_whole_type = Type::f64;
  out.suffixes = r_suffixes;
  return out;
}
constexpr Lexis r = r_lexis();

std::vector<CallForm> r_calls() {
  return {call("sprintf", "r", 0), call("gettextf", "r", 0)};
}

// ---- Octave ----

constexpr QuoteFact octave_quotes[] = {{'"', Rule::escapes_doubled}, {'\'', Rule::doubled_escapes}};
constexpr Lexis octave_lexis() {
  Lexis out{.line_comments = "% #", .quotes = octave_quotes};
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
constexpr Lexis octave = octave_lexis();

std::vector<CallForm> octave_calls() {
  return {call("printf", "octave", 0), call("fprintf", "octave", 0), call("fprintf", "octave", 1),
          call("sprintf", "octave", 0)};
}

// ---- Lisp ----

constexpr QuoteFact lisp_quotes[] = {{'"', Rule::escapes, true}};
constexpr Lexis lisp_lexis() {
  Lexis out{.line_comments = ";", .quotes = lisp_quotes};
  out.block_open = "#|";
  out.block_close = "|#";
  out.blocks_nest = true;
  out.hash_characters = true;
  out.escapes_name_characters = false;
  out.word_marks = "*+-/<>=?!&%:.~^$";
  out.wide_whole_type = Type::big;
  out.real_type = Type::f32;
  return out;
}
constexpr Lexis lisp = lisp_lexis();

std::vector<CallForm> lisp_calls() {
  return {shaped(CallShape::list, "format", "lisp", 1),
          shaped(CallShape::list, "FORMAT", "lisp", 1), shaped(CallShape::list, "error", "lisp", 0),
          shaped(CallShape::list, "warn", "lisp", 0)};
}

// ---- F# ----

constexpr TypeNameFact fsharp_types[] = {
    {"bool", Type::truth}, {"sbyte", Type::i8},    {"byte", Type::u8},
    {"int16", Type::i16},  {"uint16", Type::u16},  {"int", Type::i32},
    {"int32", Type::i32},  {"uint32", Type::u32},  {"int64", Type::i64},
    {"uint64", Type::u64}, {"float32", Type::f32}, {"single", Type::f32},
    {"float", Type::f64},  {"double", Type::f64},  {"char", Type::character},
    {"string", Type::text}};
constexpr TypeNameFact fsharp_suffixes[] = {
    {"uy", Type::u8},  {"us", Type::u16},    {"UL", Type::u64},   {"uL", Type::u64},
    {"ul", Type::u32}, {"y", Type::i8},      {"s", Type::i16},    {"L", Type::i64},
    {"u", Type::u32},  {"l", Type::i32},     {"f", Type::f32},    {"F", Type::f32},
    {"I", Type::big},  {"m", Type::decimal}, {"M", Type::decimal}};
constexpr QuoteFact fsharp_quotes[] = {{'"', Rule::escapes, true},
                                       {'\'', Rule::escapes, false, false}};
constexpr Lexis fsharp_lexis() {
  Lexis out{.line_comments = "//", .quotes = fsharp_quotes};
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
  out.types = fsharp_types;
  out.types_come_last = true;
  out.scope_words = "let fun member and";
  out.suffixes = fsharp_suffixes;
  return out;
}
constexpr Lexis fsharp = fsharp_lexis();

std::vector<CallForm> fsharp_calls() {
  std::vector<CallForm> out;
  for (const std::string_view name :
       {"printf", "printfn", "sprintf", "eprintf", "eprintfn", "failwithf"})
    out.push_back(shaped(CallShape::juxtaposed, name, "fsharp"));
  return out;
}

}  // namespace

std::span<const SourceLanguage> all_languages() {
  static const std::vector<CallForm> calls[] = {
      c_calls(),    cpp_calls(),    csharp_calls(), fsharp_calls(), java_calls(), {},
      lisp_calls(), octave_calls(), php_calls(),    python_calls(), r_calls(),    rust_calls()};
  static const SourceLanguage languages[] = {
      {"c", "C", ".c .h", "c", calls[0], &c},
      {"cpp", "C++", ".cpp .cc .cxx .hpp .hh .hxx", "c", calls[1], &cpp},
      {"csharp", "C#", ".cs", "csharp", calls[2], &csharp},
      {"fsharp", "F#", ".fs .fsx", "fsharp", calls[3], &fsharp},
      {"java", "Java", ".java", "java", calls[4], &java},
      {"javascript", "JavaScript", ".js .mjs .cjs", "javascript", calls[5], &javascript},
      {"lisp", "Lisp", ".lisp .lsp .cl", "lisp", calls[6], &lisp},
      {"octave", "Octave", ".m", "octave", calls[7], &octave},
      {"php", "PHP", ".php", "php", calls[8], &php},
      {"python", "Python", ".py", "python-percent", calls[9], &python},
      {"r", "R", ".R .r", "r", calls[10], &r},
      {"rust", "Rust", ".rs", "rust", calls[11], &rust},
  };
  return languages;
}

const SourceLanguage* find_language(std::string_view id) {
  const auto all = all_languages();
  const auto found =
      std::find_if(all.begin(), all.end(), [&](const SourceLanguage& one) { return one.id == id; });
  return found == all.end() ? nullptr : &*found;
}

const SourceLanguage* language_of_file(std::string_view file_name) {
  const std::size_t dot = file_name.rfind('.');
  if (dot == std::string_view::npos || file_name.find('/', dot) != std::string_view::npos)
    return nullptr;
  const std::string_view ending = file_name.substr(dot);
  for (const SourceLanguage& language : all_languages()) {
    if (has_word(language.endings, ending)) return &language;
  }
  return nullptr;
}

}  // namespace inky::inline v1
