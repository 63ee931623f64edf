// What C# has, as data.
#pragma once

#include <array>

#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::csharp {

inline constexpr auto conversions = std::to_array<ConversionFact>({
    {'D', Kind::whole, "a whole number; the precision is its least number of digits", "", true, ""},
    {'N', Kind::real, "a number with thousands marks; 2 places without a precision", "", true, ""},
    {'F', Kind::real, "a number in fixed notation; 2 places without a precision", "", true, ""},
    {'E', Kind::real,
     "a number in scientific notation, E+004; 6 places without a precision; e writes "
     "a lower e",
     "", true, ""},
    {'G', Kind::real,
     "a number, fixed or scientific by size; the shortest digits without a precision", "", true,
     ""},
    {'R', Kind::real, "a real in its shortest digits, as without a format", "", false, ""},
    {'P', Kind::real, "a number times 100 with a percent sign; 2 places without a precision", "",
     true, ""},
    {'C', Kind::real,
     "an amount with the culture's currency sign; negative in brackets, or as the "
     "culture has it",
     "", true, ""},
    {'X', Kind::whole, "a whole number in base 16, two's complement; x writes lower letters", "",
     true, ""},
    {'B', Kind::whole, "a whole number in base 2, two's complement", "", true, ""},
});

inline constexpr auto modifiers = std::to_array<ModifierFact>({
    {"{0,9}", "at least 9 UTF-16 units, padded on the left"},
    {"{0,-9}", "at least 9 UTF-16 units, padded on the right"},
    {"0", "in a pattern: a digit, or a zero"},
    {"#", "in a pattern: a digit, or nothing"},
    {".", "in a pattern: the decimal mark, where digits follow"},
    {"#,#", "in a pattern: thousands marks"},
    {"0,.", "in a pattern: divides by 1000; each comma before the point once more"},
    {"0%", "in a pattern: times 100, and the sign; \xe2\x80\xb0 times 1000"},
    {"E+0", "in a pattern: an exponent; as many digits as zeros, at least"},
    {"a;b;c", "in a pattern: a for numbers above zero, b below, c for zero"},
    {"'text'", "in a pattern: as it stands; also \"text\" and \\t"},
    {"yyyy", "of a moment: the year; yy its last two digits"},
    {"MM", "of a moment: the month; MMM and MMMM its name"},
    {"dd", "of a moment: the day; ddd and dddd the weekday"},
    {"HH", "of a moment: the hour to 23; hh to 12, with tt for AM and PM"},
    {"mm", "of a moment: the minute"},
    {"ss", "of a moment: the second"},
    {"fff", "of a moment: places of the second, up to seven; F drops zeros"},
    {"o", "of a moment: 2031-05-09T14:05:00.2500000; s without the fraction"},
    {"d", "of a moment: the culture's short date; D the long one"},
    {"t", "of a moment: the culture's short time; T the long one"},
});

inline constexpr auto escape_facts = std::to_array<EscapeFact>({
    {"{{", "an opening brace"},
    {"}}", "a closing brace"},
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\'", "a single quote"},
    {"\\\\", "a backslash"},
    {"\\0", "the character of code 0"},
    {"\\a", "the bell"},
    {"\\b", "a backspace"},
    {"\\e", "the escape character (C# 13)"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\v", "a vertical tab"},
    {"\\x41", "the UTF-16 unit of this hexadecimal number, one to four digits"},
    {"\\u03a9", "the UTF-16 unit of this number"},
    {"\\U0001F5A8", "the character of this code point"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"an escape that C# has not", "error CS1009, when it is compiled"},
    {"a single brace; a field that cannot be read", "FormatException"},
    {"too few values", "FormatException"},
    {"a letter that the value's type has not", "FormatException"},
});

inline constexpr auto program_types = std::to_array<TypeForm>({
    {Type::i8, "sbyte "},
    {Type::u8, "byte "},
    {Type::i16, "short "},
    {Type::u16, "ushort "},
    {Type::i32, "int "},
    {Type::u32, "uint ", "@U"},
    {Type::i64, "long ", "@L"},
    {Type::u64, "ulong ", "@UL"},
    {Type::f32, "float ", "@F"},
    {Type::f64, "double "},
    {Type::text, "string "},
    {Type::character, "char ", "'@'"},
    {Type::truth, "bool "},
    {Type::decimal, "decimal ", "@m"},
    {Type::moment, "var ", "DateTime.Parse(\"@\", CultureInfo.InvariantCulture)", "",
     "DateTimeOffset.Parse(\"@\", CultureInfo.InvariantCulture)"},
    {Type::date, "var ", "DateOnly.Parse(\"@\", CultureInfo.InvariantCulture)"},
    {Type::time, "var ", "TimeOnly.Parse(\"@\", CultureInfo.InvariantCulture)"},
    {Type::duration, "var ", "System.Xml.XmlConvert.ToTimeSpan(\"@\")"},
});

inline constexpr SettingForm own_settings[] = {
    {.name = "locale",
     .line = "    CultureInfo.CurrentCulture = new CultureInfo(@L);\n",
     .replaces = "    CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;\n",
     .source = SettingForm::Source::icu}};

inline constexpr ProgramForm own_program = {
    .before =
        "using System;\nusing System.Globalization;\n\nclass Program {\n  static void Main() {\n"
        "    CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;\n",
    .declaration = "    @T@N = @V;\n",
    .statement = "    @S\n",
    .after = "  }\n}\n",
    .types = program_types,
    .infinity = "double.PositiveInfinity",
    .negative_infinity = "double.NegativeInfinity",
    .not_a_number = "double.NaN",
    .control = ControlEscape::unicode,
    .settings = own_settings};

inline constexpr std::string_view pad_left_source =
    "  // Text with spaces before it, up to a width. Its columns are given: Length counts UTF-16 "
    "units.\n"
    "  static string PadLeft(object text, object columns, int width) {\n"
    "    return new string(' ', Math.Max(0, width - (int)columns)) + text;\n"
    "  }\n";
inline constexpr std::string_view pad_right_source =
    "  // Text with spaces after it, up to a width. Its columns are given: Length counts UTF-16 "
    "units.\n"
    "  static string PadRight(object text, object columns, int width) {\n"
    "    return text + new string(' ', Math.Max(0, width - (int)columns));\n"
    "  }\n";
inline constexpr std::string_view pad_center_source =
    "  // Text between spaces, up to a width. Its columns are given: Length counts UTF-16 units.\n"
    "  static string PadCenter(object text, object columns, int width) {\n"
    "    int room = Math.Max(0, width - (int)columns);\n"
    "    return new string(' ', room / 2) + text + new string(' ', room - room / 2);\n"
    "  }\n";

inline constexpr TableForm own_table = {
    .names = NameCase::camel,
    .before = "using System;\nusing System.Globalization;\n",
    .before_helpers = "class Program {\n",
    .pad_left = {"PadLeft", "PadLeft(@V, @C, @W)", {}, pad_left_source},
    .pad_right = {"PadRight", "PadRight(@V, @C, @W)", {}, pad_right_source},
    .pad_center = {"PadCenter", "PadCenter(@V, @C, @W)", {}, pad_center_source},
    .data = "  static readonly object[][] rows = {\n@D  };\n",
    .row_open = "new object[] {",
    .indent = 4,
    .cell_name = "row[@I]",
    .main_open =
        "  static void Main() {\n"
        "    CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;\n",
    .main_close = "  }\n}\n",
    .main_indent = 4,
    .write = "Console.Write(@L);\n",
    .loop = "    foreach (object[] row in rows) {\n@S    }\n",
    .loop_indent = 6,
    .part_function = "  static void PrintRow(object[] row) {\n@S  }\n",
    .part_call = "    for (int i = @A; i < @Z; ++i) PrintRow(rows[i]);\n",
};

inline constexpr RunForm own_run = {
    "dotnet", "", "dotnet-sdk-10.0 of Microsoft's own archive", "main.cs", "",
    // Compiled ahead of time it would ask the network for a compiler.
    "@ run -p:PublishAot=false -p:NuGetAudit=false -p:NoWarn=CS0219 main.cs"};

inline constexpr DialectFacts csharp_facts = {
    .id = "csharp",
    .language = "C#",
    .facility = "composite format strings",
    .standard = "the .NET documentation, Composite formatting",
    .toolchain = ".NET SDK 10.0.401, with ICU 72",
    .program = "dotnet",
    .width_unit = WidthUnit::utf16_units,
    .rounding = {.rule = Rounding::half_even,
                 .basis =
                     "the stored value, exactly; a pattern rounds its first 15 digits half away",
                 .stored_value = false},
    .style = TemplateStyle::braces,
    .letter_form = "{0:@}",
    .places_form = "{0:FN}",
    .modifiers_are = "Alignment, patterns, dates",
    .decimals = Decimals::of_96_bits,
    .times = true,
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &composing,
              .line_split = {"", "\"\n    + \"", ""}},
    .conversions = conversions,
    .flags = {},
    .modifiers = modifiers,
    .escapes = escape_facts,
    .failures = failures,
};

inline constexpr std::string_view exception = "FormatException";

}  // namespace inky::inline v1::csharp
