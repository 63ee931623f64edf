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

// The usual arithmetic types of an LP64 system, as gcc 12 and glibc 2.36 have them: those that
// name a result come first.
inline constexpr ArithmeticFact arithmetic[] = {
    {"int", 2, true},
    {"unsigned int", 2, false},
    {"long", 3, true},
    {"unsigned long", 3, false},
    {"long long", 4, true},
    {"unsigned long long", 4, false},
    {"float", 10, true},
    {"double", 11, true},
    {"long double", 12, true},
    {"bool", 0, false},
    {"_Bool", 0, false},
    {"char", 0, true},
    {"signed char", 0, true},
    {"unsigned char", 0, false},
    {"short", 1, true},
    {"short int", 1, true},
    {"unsigned short", 1, false},
    {"unsigned short int", 1, false},
    {"signed", 2, true},
    {"signed int", 2, true},
    {"unsigned", 2, false},
    {"long int", 3, true},
    {"unsigned long int", 3, false},
    {"long long int", 4, true},
    {"unsigned long long int", 4, false},
    {"size_t", 3, false},
    {"ssize_t", 3, true},
    {"ptrdiff_t", 3, true},
    {"int8_t", 0, true},
    {"int16_t", 1, true},
    {"int32_t", 2, true},
    {"int64_t", 3, true},
    {"uint8_t", 0, false},
    {"uint16_t", 1, false},
    {"uint32_t", 2, false},
    {"uint64_t", 3, false},
};

// POSIX.1-2017 and C17, on the same system: asked of gcc by tools/compilers/named_types.py.
inline constexpr NamedTypeFact named_types[] = {
    {"time_t", "long"},
    {"off_t", "long"},
    {"pid_t", "int"},
    {"uid_t", "unsigned int"},
    {"gid_t", "unsigned int"},
    {"id_t", "unsigned int"},
    {"mode_t", "unsigned int"},
    {"dev_t", "unsigned long"},
    {"ino_t", "unsigned long"},
    {"nlink_t", "unsigned long"},
    {"blksize_t", "long"},
    {"blkcnt_t", "long"},
    {"clock_t", "long"},
    {"suseconds_t", "long"},
    {"useconds_t", "unsigned int"},
    {"socklen_t", "unsigned int"},
    {"key_t", "int"},
    {"rlim_t", "unsigned long"},
    {"in_addr_t", "unsigned int"},
    {"in_port_t", "unsigned short"},
    {"intmax_t", "long"},
    {"uintmax_t", "unsigned long"},
    {"intptr_t", "long"},
    {"uintptr_t", "unsigned long"},
    {"u_char", "unsigned char"},
    {"u_short", "unsigned short"},
    {"u_int", "unsigned int"},
    {"u_long", "unsigned long"},
    {"uint", "unsigned int"},
    {"ushort", "unsigned short"},
    {"ulong", "unsigned long"},
    {"wchar_t", "wchar_t"},
    {"FILE", "FILE"},
    {"DIR", "DIR"},
    {"abs()", "int"},
    {"labs()", "long"},
    {"llabs()", "long long"},
    {"atoi()", "int"},
    {"atol()", "long"},
    {"atoll()", "long long"},
    {"atof()", "double"},
    {"strtol()", "long"},
    {"strtoul()", "unsigned long"},
    {"strtoll()", "long long"},
    {"strtoull()", "unsigned long long"},
    {"strtod()", "double"},
    {"strtof()", "float"},
    {"strlen()", "size_t"},
    {"strnlen()", "size_t"},
    {"strspn()", "size_t"},
    {"strcspn()", "size_t"},
    {"strcmp()", "int"},
    {"strncmp()", "int"},
    {"strcasecmp()", "int"},
    {"strncasecmp()", "int"},
    {"memcmp()", "int"},
    {"strcpy()", "char*"},
    {"strncpy()", "char*"},
    {"strcat()", "char*"},
    {"strncat()", "char*"},
    {"strchr()", "char*"},
    {"strrchr()", "char*"},
    {"strstr()", "char*"},
    {"strpbrk()", "char*"},
    {"strtok()", "char*"},
    {"strdup()", "char*"},
    {"strndup()", "char*"},
    {"strerror()", "char*"},
    {"strsignal()", "char*"},
    {"getenv()", "char*"},
    {"ctime()", "char*"},
    {"asctime()", "char*"},
    {"gai_strerror()", "char*"},
    {"inet_ntoa()", "char*"},
    {"ttyname()", "char*"},
    {"getlogin()", "char*"},
    {"basename()", "char*"},
    {"dirname()", "char*"},
    {"time()", "long"},
    {"clock()", "long"},
    {"difftime()", "double"},
    {"getpid()", "int"},
    {"getppid()", "int"},
    {"getuid()", "unsigned int"},
    {"geteuid()", "unsigned int"},
    {"getgid()", "unsigned int"},
    {"getegid()", "unsigned int"},
    {"htonl()", "unsigned int"},
    {"ntohl()", "unsigned int"},
    {"htons()", "unsigned short"},
    {"ntohs()", "unsigned short"},
    {"lseek()", "long"},
    {"ftello()", "long"},
    {"ftell()", "long"},
    {"fread()", "size_t"},
    {"fwrite()", "size_t"},
    {"read()", "long"},
    {"write()", "long"},
    {"sysconf()", "long"},
    {"rand()", "int"},
    {"random()", "long"},
    {"isalpha()", "int"},
    {"isdigit()", "int"},
    {"isspace()", "int"},
    {"tolower()", "int"},
    {"toupper()", "int"},
    {"fgetc()", "int"},
    {"getc()", "int"},
    {"getchar()", "int"},
    {"sqrt()", "double"},
    {"pow()", "double"},
    {"exp()", "double"},
    {"log()", "double"},
    {"log10()", "double"},
    {"log2()", "double"},
    {"sin()", "double"},
    {"cos()", "double"},
    {"tan()", "double"},
    {"atan()", "double"},
    {"atan2()", "double"},
    {"floor()", "double"},
    {"ceil()", "double"},
    {"round()", "double"},
    {"trunc()", "double"},
    {"fabs()", "double"},
    {"fmod()", "double"},
    {"hypot()", "double"},
    {"lround()", "long"},
    {"llround()", "long long"},
};
// What C++ overloads by the type of the argument is not one of them there.
inline constexpr auto named_types_of_cpp = [] {
  constexpr std::string_view overloaded =
      "abs() labs() llabs() sqrt() pow() exp() log() log10() log2() sin() cos() tan() atan() "
      "atan2() floor() ceil() round() trunc() fabs() fmod() hypot() lround() llround() isalpha() "
      "isdigit() isspace() tolower() toupper() read() write() basename() dirname() random()";
  struct Out {
    std::array<NamedTypeFact, std::size(named_types)> facts{};
    std::size_t size = 0;
  } out;
  for (const NamedTypeFact& fact : named_types) {
    if (!has_word(overloaded, fact.name)) out.facts[out.size++] = fact;
  }
  return out;
}();

// The same of names of values: asked of gcc too.
inline constexpr NamedTypeFact named_values[] = {
    {"errno", "int"},
    {"optind", "int"},
    {"opterr", "int"},
    {"optarg", "char*"},
    {"EOF", "int"},
    {"NULL", "void*"},
    {"CHAR_BIT", "int"},
    {"INT_MAX", "int"},
    {"INT_MIN", "int"},
    {"UINT_MAX", "unsigned int"},
    {"LONG_MAX", "long"},
    {"LONG_MIN", "long"},
    {"ULONG_MAX", "unsigned long"},
    {"LLONG_MAX", "long long"},
    {"ULLONG_MAX", "unsigned long long"},
    {"SIZE_MAX", "unsigned long"},
    {"RAND_MAX", "int"},
    {"BUFSIZ", "int"},
    {"PATH_MAX", "int"},
    {"EXIT_SUCCESS", "int"},
    {"EXIT_FAILURE", "int"},
    {"M_PI", "double"},
    {"DBL_MAX", "double"},
    {"DBL_MIN", "double"},
    {"DBL_EPSILON", "double"},
    {"FLT_MAX", "float"},
    {"FLT_EPSILON", "float"},
    {"stdin", "FILE*"},
    {"stdout", "FILE*"},
    {"stderr", "FILE*"},
    {"__LINE__", "int"},
    {"__FILE__", "char*"},
    {"__func__", "char*"},
    {"__FUNCTION__", "char*"},
    {"__DATE__", "char*"},
    {"__TIME__", "char*"},
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
  out.arithmetic = arithmetic;
  out.named_values = named_values;
  out.constant_words = "const constexpr";
  out.plural_translators = "ngettext P_";
  out.translators = "_ N_ Q_ gettext gettext_noop";
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
     shaped(CallShape::template_only, "vsnprintf", "c", 2),
     shaped(CallShape::template_only, "vdprintf", "c", 1),
     shaped(CallShape::template_only, "vasprintf", "c", 1), call("wprintf", "c", 0),
     call("fwprintf", "c", 1), call("swprintf", "c", 2),
     shaped(CallShape::template_only, "vwprintf", "c", 0),
     shaped(CallShape::template_only, "vfwprintf", "c", 1),
     shaped(CallShape::template_only, "vswprintf", "c", 2),
     // glibc 2.36 and POSIX.1-2017. Many programs have functions of their own by these names.
     of_header("syslog.h", call("syslog", "c", 1)),
     of_header("syslog.h", shaped(CallShape::template_only, "vsyslog", "c", 1)),
     of_header("err.h", call("err", "c", 1)), of_header("err.h", call("errx", "c", 1)),
     of_header("err.h", call("warn", "c", 0)), of_header("err.h", call("warnx", "c", 0)),
     of_header("error.h", call("error", "c", 2)),
     of_header("error.h", call("error_at_line", "c", 4)),
     of_header("time.h", call("strftime", "strftime", 2)),
     of_header("ctime", call("strftime", "strftime", 2))});

}  // namespace inky::inline v1::c_source
