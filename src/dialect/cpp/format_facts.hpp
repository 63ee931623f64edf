// What std::format has, as data.
#pragma once

#include <array>
#include <limits>

#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "program.hpp"

namespace inky::inline v1::cpp_format {

inline constexpr auto conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "a whole number in base 10, as without a type", "<>^+- #0L", false, ""},
    {'x', Kind::whole, "a whole number in base 16, with its sign, lower letters", "<>^+- #0L",
     false, ""},
    {'X', Kind::whole, "a whole number in base 16, with its sign, upper letters", "<>^+- #0L",
     false, ""},
    {'o', Kind::whole, "a whole number in base 8, with its sign", "<>^+- #0L", false, ""},
    {'b', Kind::whole, "a whole number in base 2, with its sign", "<>^+- #0L", false, ""},
    {'B', Kind::whole, "as b, with 0B for its prefix", "<>^+- #0L", false, ""},
    {'f', Kind::real, "a real in fixed notation; 6 places without a precision", "<>^+- #0L", true,
     ""},
    {'F', Kind::real, "as f, INF and NAN in upper letters", "<>^+- #0L", true, ""},
    {'e', Kind::real, "a real in scientific notation; 6 places without a precision", "<>^+- #0L",
     true, ""},
    {'E', Kind::real, "as e, with an upper E", "<>^+- #0L", true, ""},
    {'g', Kind::real,
     "a real, fixed or scientific by size (an exponent below -4, or from the number of significant "
     "digits on, is written); 6 significant digits without a precision, trailing "
     "zeros dropped",
     "<>^+- #0L", true, ""},
    {'G', Kind::real, "as g, with an upper E", "<>^+- #0L", true, ""},
    {'a', Kind::real, "a real in hexadecimal, without 0x", "<>^+- #0L", true, ""},
    {'A', Kind::real, "as a, in upper letters", "<>^+- #0L", true, ""},
    {'c', Kind::character, "a character, as without a type; of a whole number: its character",
     "<>^L", false, ""},
    {'s', Kind::text, "a text, as without a type; true or false", "<>^L", true, ""},
    {'p', Kind::any, "a pointer, in base 16", "<>^", false, ""},
});

inline constexpr auto flags = std::to_array<FlagFact>({
    {'<', "left", "pads on the right, with the byte before it or spaces"},
    {'>', "right", "pads on the left"},
    {'^', "center", "pads on both sides, an odd space on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {'-', "minus", "a sign on negative numbers only, as without it"},
    {' ', "space", "a space where a plus sign would be"},
    {'#', "alternate form", "0b, 0, 0x in front; keeps the point, and the zeros of g"},
    {'0', "zeros", "pads numbers with zeros between sign and digits, unless an alignment is given"},
    {'L', "locale", "marks and names of the program's locale: none in C"},
});

inline constexpr auto modifiers = std::to_array<ModifierFact>({
    {"{}", "inside a spec: the width or precision is the next value"},
    {"{1}", "inside a spec: the width or precision is value 1, counted from 0"},
    {"%Y-%m-%d", "at the end of a spec: parts of a date, each a % and a letter, and text between"},
    {"%a %A %b %B %h", "the day of the week and the month, by names"},
    {"%C %d %D %e %F %g %G %j %m %u %U %V %w %W %x %y %Y", "other parts of a date"},
    {"%H %I %j %M %p %r %R %S %T %X", "parts of a duration, of which %H goes up to 23"},
    {"%Q %q", "the count of a duration, and its unit: s, ms, µs, ns"},
    {"%Ex %Od", "with E or O: as without it"},
});

inline constexpr auto escapes = std::to_array<EscapeFact>({
    {"{{", "an opening brace"},
    {"}}", "a closing brace"},
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\'", "a single quote"},
    {"\\\\", "a backslash"},
    {"\\a", "the bell"},
    {"\\b", "a backspace"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\v", "a vertical tab"},
    {"\\101", "the byte of this octal number, up to three digits"},
    {"\\x41", "the byte of this hexadecimal number"},
    {"\\u03a9", "the character of this code point; \\U takes eight digits"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"a format string that cannot be read; too few values", "error, when it is compiled"},
    {"a type the value cannot take; a width that is no whole number", "error, when it is compiled"},
    {"a value that has no formatter", "error, when it is compiled"},
    {"a negative width; c of what is no char", "std::format_error, at run time"},
});

inline constexpr TableForm own_table =
    cpp_table("#include <format>\n#include <iostream>\n#include <string>\n#include <string_view>\n",
              "std::cout << @L;\n");

inline constexpr ProgramForm own_program =
    cpp_program("#include <format>\n#include <iostream>\n#include <string>\n\nint main() {\n");

inline constexpr ComposingForm own_composing =
    cpp_composing("cpp-format", "", "std::format(\"@S\", @V)",
                  "#include <algorithm>\n#include <cctype>\n#include <cmath>\n#include <cstdio>\n"
                  "#include <cstdlib>\n#include <cstring>\n#include <string>\n"
                  "#include <string_view>\n");

inline constexpr RunForm own_run = {
    "clang++-16",
    "",
    "clang-16 libc++-16-dev libc++abi-16-dev",
    "main.cpp",
    "@ -std=c++20 -stdlib=libc++ -fexperimental-library -w -o main main.cpp",
    "./main"};

inline constexpr DialectFacts facts = {
    .id = "cpp-format",
    .language = "C++",
    .facility = "std::format",
    .standard = "ISO C++20, [format.string]",
    .toolchain = "clang 16.0.6 with libc++ 16",
    .program = "clang++-16",
    .width_unit = WidthUnit::columns,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .style = TemplateStyle::braces,
    .letter_form = "{:@}",
    .places_form = "{:.Nf}",
    .modifiers_are = "Counts from values, dates and durations",
    .times = true,
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &own_composing,
              .line_split = {"", "\"\n    \"", ""}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

// Zeros in front of inf and nan are only there where they are the fill.
inline constexpr NumberStyle numbers = {.zero_fill_specials = true, .hexadecimal_prefix = false};

inline constexpr std::int64_t most_number = std::numeric_limits<std::int32_t>::max();

}  // namespace inky::inline v1::cpp_format
