// What F# has, as data.
#pragma once

#include <array>

#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::fsharp {

inline constexpr auto conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "a whole number in base 10", "-+ 0", false, ""},
    {'i', Kind::whole, "as d", "-+ 0", false, ""},
    {'u', Kind::whole, "a whole number read as unsigned, in base 10", "-+ 0", false, ""},
    {'x', Kind::whole, "the bits of a whole number in base 16", "-+ 0", false, ""},
    {'X', Kind::whole, "as x, upper letters", "-+ 0", false, ""},
    {'o', Kind::whole, "the bits of a whole number in base 8", "-+ 0", false, ""},
    {'B', Kind::whole, "the bits of a whole number in base 2", "-+ 0", false, ""},
    {'f', Kind::real, "a real in fixed notation; 6 places without a precision", "-+ 0", true, ""},
    {'F', Kind::real, "as f", "-+ 0", true, ""},
    {'e', Kind::real,
     "a real in scientific notation, the exponent of three digits; 6 places without a precision",
     "-+ 0", true, ""},
    {'E', Kind::real, "as e, with an upper E", "-+ 0", true, ""},
    {'g', Kind::real,
     "a real, fixed or scientific by size, trailing zeros dropped; 6 significant digits without a "
     "precision, and all of them for 0",
     "-+ 0", true, ""},
    {'G', Kind::real, "as g, with an upper E", "-+ 0", true, ""},
    {'M', Kind::any, "a decimal", "-+ 0", true, ""},
    {'c', Kind::character, "a char", "-", false, ""},
    {'s', Kind::text, "a string", "-", false, ""},
    {'b', Kind::truth, "a bool, as true or false", "-", false, ""},
    {'O', Kind::any, "any value, as ToString() has it", "-", false, ""},
    {'A', Kind::any, "any value, as it would be written in F#", "-+0", true, ""},
});

inline constexpr auto flags = std::to_array<FlagFact>({
    {'-', "left", "pads on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {' ', "space", "a space where a plus sign would be"},
    {'0', "zeros", "pads numbers with zeros between sign and digits"},
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
    {"\\065", "the character of this decimal number of three digits"},
    {"\\x41", "the character of this hexadecimal number of two digits"},
    {"\\u03a9", "the UTF-16 unit of this hexadecimal number; \\U takes eight digits"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"a value of the wrong type; too few or too many", "FS0001, when the program is compiled"},
    {"null where the type has none", "FS0071; FS0043 with c and b"},
    {"a field it cannot read, or a flag the letter does not have", "FS0741, at compile time"},
    {"a negative width from a value", "ArgumentOutOfRangeException, at run time"},
});

inline constexpr auto program_types = std::to_array<TypeForm>({
    {Type::i8, "", "@y"},
    {Type::u8, "", "@uy"},
    {Type::i16, "", "@s"},
    {Type::u16, "", "@us"},
    {Type::i32, ""},
    {Type::u32, "", "@u"},
    {Type::i64, "", "@L"},
    {Type::u64, "", "@UL"},
    {Type::f32, "", "@f"},
    {Type::f64, ""},
    {Type::text, ""},
    {Type::character, "", "'@'"},
    {Type::truth, ""},
    {Type::decimal, "", "@M"},
    {Type::moment, "",
     "System.DateTime.Parse(\"@\", System.Globalization.CultureInfo.InvariantCulture)", "",
     "System.DateTimeOffset.Parse(\"@\", System.Globalization.CultureInfo.InvariantCulture)"},
    {Type::date, "",
     "System.DateOnly.Parse(\"@\", System.Globalization.CultureInfo.InvariantCulture)"},
    {Type::time, "",
     "System.TimeOnly.Parse(\"@\", System.Globalization.CultureInfo.InvariantCulture)"},
    {Type::duration, "", "System.Xml.XmlConvert.ToTimeSpan(\"@\")"},
});

inline constexpr ProgramForm own_program = {.before = "",
                                            .declaration = "let @N = @V\n",
                                            .statement = "@S\n",
                                            .after = "",
                                            .types = program_types,
                                            .infinity = "infinity",
                                            .negative_infinity = "-infinity",
                                            .not_a_number = "nan",
                                            .control = ControlEscape::unicode};

inline constexpr std::string_view pad_left_source =
    "// Text with spaces before it, up to a width. Its columns are given: Length counts UTF-16 "
    "units.\n"
    "let padLeft (text: string) columns width =\n"
    "    String.replicate (max 0 (width - columns)) \" \" + text\n";
inline constexpr std::string_view pad_right_source =
    "// Text with spaces after it, up to a width. Its columns are given: Length counts UTF-16 "
    "units.\n"
    "let padRight (text: string) columns width =\n"
    "    text + String.replicate (max 0 (width - columns)) \" \"\n";
inline constexpr std::string_view pad_center_source =
    "// Text between spaces, up to a width. Its columns are given: Length counts UTF-16 units.\n"
    "let padCenter (text: string) columns width =\n"
    "    let room = max 0 (width - columns)\n"
    "    String.replicate (room / 2) \" \" + text + String.replicate (room - room / 2) \" \"\n";

inline constexpr TableForm own_table = {
    .names = NameCase::camel,
    .before = "",
    .pad_left = {"padLeft", "(padLeft @V @C @W)", {}, pad_left_source},
    .pad_right = {"padRight", "(padRight @V @C @W)", {}, pad_right_source},
    .pad_center = {"padCenter", "(padCenter @V @C @W)", {}, pad_center_source},
    .text_type = "string",
    .i32_type = "int",
    .i64_type = "int64",
    .real_type = "float",
    .count_type = "int",
    .row_type = "type Row =\n    {\n@F    }\n",
    .field = "      @N: @T\n",
    .data = "let rows: Row list = [\n@D]\n",
    .row_open = "{ ",
    .cell = "@N = @L",
    .cell_end = "; ",
    .row_close = " }\n",
    .indent = 4,
    .cell_name = "row.@N",
    .write = "printf \"%s\" @L\n",
    .loop = "for row in rows do\n@S",
    .loop_indent = 4,
    .part_function = "let printRow (row: Row) =\n@S",
    .part_call = "for row in rows[@A .. @Z - 1] do printRow row\n",
    .most_cells = 5'000,
};

inline constexpr RunForm own_run = {
    "dotnet",   "", "dotnet-sdk-10.0 of Microsoft's own archive",
    "main.fsx", "", "@ fsi --quiet --nologo --nowarn:25,3376 main.fsx"};

inline constexpr DialectFacts facts = {
    .id = "fsharp",
    .language = "F#",
    .facility = "sprintf and printf, typed format strings",
    .standard = "FSharp.Core documentation, Printf module",
    .toolchain = ".NET SDK 10.0.401",
    .program = "dotnet",
    .width_unit = WidthUnit::utf16_units,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .options = true,
    .decimals = Decimals::of_96_bits,
    .times = true,
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &composing,
              .line_split = {"", "\\\n    ", "", true}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = {},
    .escapes = escapes,
    .failures = failures,
};

inline constexpr NumberStyle numbers = {
    .infinity = "Infinity", .not_a_number = "NaN", .sign_of_nan = false};
inline constexpr NumberStyle scientific_numbers = {.least_exponent_digits = 3};

}  // namespace inky::inline v1::fsharp
