// What Octave's printf has, as data.
#pragma once

#include <array>

#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::octave_sprintf {

inline constexpr std::string_view whole_lengths = "h l";

inline constexpr auto conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "a whole number in base 10; any other number as with g", "-+ #0", true,
     whole_lengths},
    {'i', Kind::whole, "as d", "-+ #0", true, whole_lengths},
    {'u', Kind::whole, "a whole number that is not negative; any other number as with g", "-+ #0",
     true, whole_lengths},
    {'o', Kind::whole, "as u, in base 8", "-+ #0", true, whole_lengths},
    {'x', Kind::whole, "as u, in base 16", "-+ #0", true, whole_lengths},
    {'X', Kind::whole, "as x, upper letters", "-+ #0", true, whole_lengths},
    {'f', Kind::real, "a number in fixed notation; 6 places without a precision", "-+ #0", true,
     "L"},
    {'e', Kind::real, "a number in scientific notation; 6 places without a precision", "-+ #0",
     true, "L"},
    {'E', Kind::real, "as e, with an upper E", "-+ #0", true, "L"},
    {'g', Kind::real,
     "a number, fixed or scientific by size, trailing zeros dropped; 6 significant digits without "
     "a precision",
     "-+ #0", true, "L"},
    {'G', Kind::real, "as g, with an upper E", "-+ #0", true, "L"},
    {'c', Kind::character,
     "one byte of a text, or the character of a whole number; any other "
     "number as with g",
     "-", false, whole_lengths},
    {'s', Kind::text, "the rest of a text; whole numbers up to 255 as bytes", "-", true, ""},
    {'%', Kind::any, "a percent sign; takes no value", "", false, ""},
});

inline constexpr auto flags = std::to_array<FlagFact>({
    {'-', "left", "pads on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {' ', "space", "a space where a plus sign would be"},
    {'#', "alternate form",
     "0 before octal, 0x before hexadecimal; keeps the point, and the zeros of g"},
    {'0', "zeros", "pads numbers with zeros between sign and digits"},
});

inline constexpr auto modifiers = std::to_array<ModifierFact>({
    {"", "nothing"},
    {"h", "read, and without meaning"},
    {"l", "read, and without meaning"},
    {"L", "read, and without meaning"},
});

inline constexpr auto escapes = std::to_array<EscapeFact>({
    {"%%", "a percent sign"},
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
    {"\\x41", "the byte of this hexadecimal number, up to two digits"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"a field it cannot read", "error, at run time: invalid format specified"},
    {"a width or precision from a value that is no whole number, or negative", "error"},
    {"values run out", "no failure: the text ends before the first field without one"},
});

inline constexpr auto program_types = std::to_array<TypeForm>({
    {Type::f64, ""},
    {Type::i32, "", "int32(@)"},
    {Type::text, ""},
    {Type::truth, ""},
    {Type::moment, "", "datenum(@Y, @M, @D, @h, @m, @S)"},
});

inline constexpr ProgramForm own_program = {.before = "",
                                            .declaration = "@N = @V;\n",
                                            .statement = "@S;\n",
                                            .after = "",
                                            .types = program_types,
                                            .infinity = "Inf",
                                            .negative_infinity = "-Inf",
                                            .not_a_number = "NaN",
                                            .direction = DirectionEscape::bytes};

inline constexpr std::string_view pad_left_source =
    "% Text with spaces before it, up to a width. Its columns are given: a width counts bytes.\n"
    "function out = pad_left(text, columns, width)\n"
    "  out = [blanks(max(0, width - columns)), text];\n"
    "endfunction\n";
inline constexpr std::string_view pad_right_source =
    "% Text with spaces after it, up to a width. Its columns are given: a width counts bytes.\n"
    "function out = pad_right(text, columns, width)\n"
    "  out = [text, blanks(max(0, width - columns))];\n"
    "endfunction\n";
inline constexpr std::string_view pad_center_source =
    "% Text between spaces, up to a width. Its columns are given: a width counts bytes.\n"
    "function out = pad_center(text, columns, width)\n"
    "  room = max(0, width - columns);\n"
    "  left = floor(room / 2);\n"
    "  out = [blanks(left), text, blanks(room - left)];\n"
    "endfunction\n";

inline constexpr TableForm own_table = {
    .comment = "% ",
    // A file that begins with a function would be a file of functions.
    .before = "1;\n",
    .pad_left = {"pad_left", "pad_left(@V, @C, @W)", {}, pad_left_source},
    .pad_right = {"pad_right", "pad_right(@V, @C, @W)", {}, pad_right_source},
    .pad_center = {"pad_center", "pad_center(@V, @C, @W)", {}, pad_center_source},
    .data = "@D",
    .column_open = "@N = [",
    .column_close = "];\n",
    .text_column_open = "@N = {",
    .text_column_close = "};\n",
    .line_break = " ...\n",
    .cell_name = "@N(i)",
    .text_name = "@N{i}",
    .write = "fputs(stdout, @L);\n",
    .statement_end = ";",
    .loop = "for i = 1:@K\n@Sendfor\n",
    .part_indent = 2,
    .part_call = "for i = @B:@Z\n@Sendfor\n",
};

inline constexpr RunForm own_run = {"octave-cli", "", "octave",
                                    "main.m",     "", "@ --norc --quiet --no-history main.m"};

inline constexpr DialectFacts facts = {
    .id = "octave",
    .language = "GNU Octave",
    .facility = "sprintf and printf",
    .standard = "GNU Octave manual, Formatted Output",
    .toolchain = "GNU Octave 7.3.0",
    .program = "octave-cli",
    .width_unit = WidthUnit::bytes,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .quotes = "\"'",
    .times = true,
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &octave::composing,
              .line_split = {"[", "\" ...\n    \"", "]", false, false, " ...\n    "}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

// Octave prints through the C library, whose slip it shares.
inline constexpr NumberStyle numbers = {.carry_drops_zeros = true};

}  // namespace inky::inline v1::octave_sprintf
