#include <array>

#include "c.hpp"

#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "struct_tm.hpp"

namespace inky::inline v1::c_language {

namespace {

constexpr std::string_view wholes_take = "hh h l ll j z t";
constexpr std::string_view reals_take = "l L";

constexpr auto c_conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "a signed whole number in base 10", "-+ 0'", true, wholes_take},
    {'i', Kind::whole, "a signed whole number in base 10", "-+ 0'", true, wholes_take},
    {'o', Kind::whole, "an unsigned whole number in base 8", "-#0", true, wholes_take},
    {'u', Kind::whole, "an unsigned whole number in base 10", "-0'", true, wholes_take},
    {'x', Kind::whole, "an unsigned whole number in base 16, lower letters", "-#0", true,
     wholes_take},
    {'X', Kind::whole, "an unsigned whole number in base 16, upper letters", "-#0", true,
     wholes_take},
    {'b', Kind::whole, "an unsigned whole number in base 2; of C23 and the GNU C library", "-#0",
     true, wholes_take},
    {'B', Kind::whole, "as b; # puts 0B in front", "-#0", true, wholes_take},
    {'f', Kind::real, "a real in fixed notation; 6 places without a precision", "-+ #0'", true,
     reals_take},
    {'F', Kind::real,
     "a real in fixed notation, INF and NAN in upper letters; 6 places without a precision",
     "-+ #0'", true, reals_take},
    {'e', Kind::real, "a real in scientific notation; 6 places without a precision", "-+ #0", true,
     reals_take},
    {'E', Kind::real, "a real in scientific notation with an upper E; 6 places without a precision",
     "-+ #0", true, reals_take},
    {'g', Kind::real,
     "a real, fixed or scientific by size (an exponent below -4, or from the number of significant "
     "digits on, is written); 6 significant digits without a precision, trailing "
     "zeros dropped",
     "-+ #0'", true, reals_take},
    {'G', Kind::real, "as g, with an upper E", "-+ #0'", true, reals_take},
    {'a', Kind::real, "a real in hexadecimal, exact without a precision", "-+ #0", true,
     reals_take},
    {'A', Kind::real, "a real in hexadecimal, upper letters", "-+ #0", true, reals_take},
    {'c', Kind::character, "one character: the low byte of an int", "-", false, "l"},
    {'s', Kind::text, "a text, up to its terminating zero byte", "-", true, "l"},
    {'p', Kind::any, "a pointer, as the implementation likes", "-", false, ""},
    {'n', Kind::whole, "prints nothing, and writes the number of bytes so far through a pointer",
     "", false, wholes_take},
});

constexpr auto c_flags = std::to_array<FlagFact>({
    {'-', "left", "pads on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {' ', "space", "a space where a plus sign would be"},
    {'#', "alternate form",
     "0 before octal, 0x before hexadecimal; keeps the point, and the zeros of g"},
    {'0', "zeros", "pads with zeros between sign and digits"},
    {'\'', "thousands", "the locale's thousands mark (none in the C locale)"},
});

constexpr auto c_modifiers = std::to_array<ModifierFact>({
    {"", "int, double or char"},
    {"hh", "the value is cut to a char (8 bits)"},
    {"h", "the value is cut to a short (16 bits)"},
    {"l", "a long (64 bits); with c and s, wide characters; nothing with reals"},
    {"ll", "a long long (64 bits)"},
    {"j", "an intmax_t (64 bits)"},
    {"z", "a size_t (64 bits)"},
    {"t", "a ptrdiff_t (64 bits)"},
    {"L", "a long double (80 bits)"},
});

constexpr auto c_escapes = std::to_array<EscapeFact>({
    {"%%", "a percent sign"},
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\'", "a single quote"},
    {"\\\\", "a backslash"},
    {"\\?", "a question mark"},
    {"\\a", "the bell"},
    {"\\b", "a backspace"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\v", "a vertical tab"},
    {"\\101", "the byte of this octal number, up to three digits"},
    {"\\x41", "the byte of this hexadecimal number, any number of digits"},
    {"\\u03a9", "the character of this code point; \\U takes eight digits"},
});

constexpr auto c_failures = std::to_array<FailureFact>({
    {"too few values", "undefined: anything may be printed"},
    {"too many values", "they are ignored"},
    {"a value of the wrong type", "undefined"},
    {"an unknown letter, an unfinished field", "undefined"},
    {"a character the locale cannot print (lc, ls)", "EILSEQ, at run time"},
});

}  // namespace

constexpr auto program_types = std::to_array<TypeForm>({
    {Type::i8, "signed char "},
    {Type::u8, "unsigned char "},
    {Type::i16, "short "},
    {Type::u16, "unsigned short "},
    {Type::i32, "int "},
    {Type::u32, "unsigned int ", "@U"},
    {Type::i64, "long ", "@L"},
    {Type::u64, "unsigned long ", "@UL"},
    {Type::f32, "float ", "@F"},
    {Type::f64, "double "},
    {Type::f80, "long double ", "@L"},
    {Type::text, "const char *"},
    {Type::character, "int ", "'@'"},
    {Type::truth, "_Bool "},
    {Type::moment, "struct tm ", c_language::written_members, "#include <time.h>\n"},
});

constexpr NeededLine needed[] = {
    {"sqrt cbrt floor ceil round trunc rint nearbyint lround llround fabs fmod fmax fmin pow exp "
     "log "
     "log2 log10 sin cos tan atan",
     "#include <math.h>\n"},
    {"abs labs llabs", "#include <stdlib.h>\n"},
    {"strlen", "#include <string.h>\n"},
    {"toupper tolower", "#include <ctype.h>\n"},
};

constexpr ProgramForm own_program = {.before = "#include <stdio.h>\n\nint main(void) {\n",
                                     .declaration = "  @T@N = @V;\n",
                                     .statement = "  @S\n",
                                     .after = "  return 0;\n}\n",
                                     .types = program_types,
                                     .infinity = "__builtin_inf()",
                                     .negative_infinity = "-__builtin_inf()",
                                     .not_a_number = "__builtin_nan(\"\")",
                                     .truth = "1",
                                     .falsehood = "0",
                                     .least_i64 = "(-9223372036854775807L - 1)",
                                     .direction = DirectionEscape::bytes,
                                     .escaped = "\"\\?",
                                     .needed = needed,
                                     .settings = c_language::program_settings};

constexpr std::string_view pad_source =
    "// The spaces that bring a text of `columns` columns to a width. printf counts bytes.\n"
    "static int room(int columns, int width) {\n"
    "  return width > columns ? width - columns : 0;\n"
    "}\n";

constexpr TableForm own_table = {
    .before = "#include <stdio.h>\n",
    .pad_left = {"room", "room(@C, @W), \"\", @V", "%*s%s", pad_source},
    .pad_right = {"room", "@V, room(@C, @W), \"\"", "%s%*s", pad_source},
    .pad_center = {"room", "room(@C, @W) / 2, \"\", @V, (room(@C, @W) + 1) / 2, \"\"", "%*s%s%*s",
                   pad_source},
    .row_type = "struct row {\n@F};\n",
    .field = "  @T@N;\n",
    .data = "static const struct row rows[] = {\n@D};\n",
    .cell_name = "row->@N",
    .main_open = "int main(void) {\n",
    .main_close = "  return 0;\n}\n",
    .main_indent = 2,
    .write = "fputs(@L, stdout);\n",
    .loop =
        "  for (size_t i = 0; i < sizeof rows / sizeof rows[0]; ++i) {\n"
        "    const struct row *row = &rows[i];\n@S  }\n",
    .loop_indent = 4,
    .part_function = "static void print_row(const struct row *row) {\n@S}\n",
    .part_indent = 2,
    .part_call = "  for (size_t i = @A; i < @Z; ++i) print_row(&rows[i]);\n",
};

constexpr RunForm own_run = {
    "gcc cc clang", "CC", "gcc", "main.c", "@ -std=gnu17 -w -o main main.c -lm", "./main"};

const DialectFacts facts = {
    .id = "c",
    .language = "C",
    .facility = "the format string of printf",
    .standard = "ISO C17, 7.21.6.1; POSIX.1-2017, fprintf",
    .toolchain = "GNU C library 2.36, gcc 12.2.0, x86-64",
    .program = "gcc",
    .width_unit = WidthUnit::bytes,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &composing,
              .line_split = {"", "\"\n    \"", ""}},
    .conversions = c_conversions,
    .flags = c_flags,
    .modifiers = c_modifiers,
    .escapes = c_escapes,
    .failures = c_failures,
};

}  // namespace inky::inline v1::c_language
