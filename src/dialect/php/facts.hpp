// What PHP has, as data.
#pragma once

#include <array>

#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::php {

inline constexpr auto conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "a whole number of 64 bits in base 10", "-+ 0'", false, "l"},
    {'u', Kind::whole, "a whole number read as unsigned, in base 10", "- 0'", false, "l"},
    {'b', Kind::whole, "the 64 bits of a whole number in base 2", "- 0'", false, "l"},
    {'o', Kind::whole, "the 64 bits of a whole number in base 8", "- 0'", false, "l"},
    {'x', Kind::whole, "the 64 bits of a whole number in base 16", "- 0'", false, "l"},
    {'X', Kind::whole, "as x, upper letters", "- 0'", false, "l"},
    {'f', Kind::real, "a real in fixed notation, the point by locale; 6 places without a precision",
     "-+ 0'", true, "l"},
    {'F', Kind::real, "as f, whatever the locale", "-+ 0'", true, "l"},
    {'e', Kind::real, "a real in scientific notation; 6 places without a precision", "-+ 0'", true,
     "l"},
    {'E', Kind::real, "as e, with an upper E", "-+ 0'", true, "l"},
    {'g', Kind::real,
     "a real, fixed or scientific by size, trailing zeros dropped; 6 significant digits without a "
     "precision",
     "-+ 0'", true, "l"},
    {'G', Kind::real, "as g, with an upper E", "-+ 0'", true, "l"},
    {'h', Kind::real, "as g, whatever the locale", "-+ 0'", true, "l"},
    {'H', Kind::real, "as G, whatever the locale", "-+ 0'", true, "l"},
    {'c', Kind::character, "the byte of a whole number; width and precision mean nothing", "",
     false, "l"},
    {'s', Kind::text, "any value, as text", "- 0'", true, "l"},
    {'%', Kind::any, "a percent sign; takes a value unless it is %% exactly", "", false, "l"},
});

inline constexpr auto flags = std::to_array<FlagFact>({
    {'-', "left", "pads on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {' ', "space", "pads with spaces, as is usual"},
    {'0', "zeros", "pads with zeros; on the left they come after the sign"},
    {'\'', "fill", "pads with the byte that follows"},
});

inline constexpr auto modifiers = std::to_array<ModifierFact>({
    {"", "nothing"},
    {"l", "read, and without meaning"},
});

inline constexpr auto escapes = std::to_array<EscapeFact>({
    {"%%", "a percent sign"},
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\$", "a dollar sign; without the backslash it begins a variable where a name follows"},
    {"\\\\", "a backslash"},
    {"\\e", "the escape character"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\v", "a vertical tab"},
    {"\\101", "the byte of this octal number, up to three digits"},
    {"\\x41", "the byte of this hexadecimal number, up to two digits"},
    {"\\u{3a9}", "the character of this code point"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"too few values", "ArgumentCountError, at run time"},
    {"an unknown letter, an unfinished field", "ValueError"},
    {"position 0", "ValueError"},
    {"a width or precision from a value that is no whole number, or negative", "ValueError"},
});

inline constexpr auto program_types = std::to_array<TypeForm>({
    {Type::i32, ""},
    {Type::i64, ""},
    {Type::f64, ""},
    {Type::text, ""},
    {Type::truth, ""},
    {Type::nil, "", "null"},
    {Type::moment, "", "new DateTimeImmutable(\"@\")"},
});

inline constexpr SettingForm own_settings[] = {{.name = "locale",
                                                .line = "setlocale(LC_ALL, @L);\n",
                                                .source = SettingForm::Source::c_library}};

inline constexpr ProgramForm own_program = {.before = "<?php\n",
                                            .declaration = "$@N = @V;\n",
                                            .statement = "@S\n",
                                            .after = "",
                                            .types = program_types,
                                            .infinity = "INF",
                                            .negative_infinity = "-INF",
                                            .not_a_number = "NAN",
                                            .least_i64 = "PHP_INT_MIN",
                                            .control = ControlEscape::hexadecimal,
                                            .direction = DirectionEscape::braces,
                                            .escaped = "\"\\$",
                                            .settings = own_settings};

inline constexpr std::string_view pad_left_source =
    "// Text with spaces before it, up to a width. Its columns are given: strlen counts bytes.\n"
    "function pad_left($text, $columns, $width) {\n"
    "    return str_repeat(\" \", max(0, $width - $columns)) . $text;\n"
    "}\n";
inline constexpr std::string_view pad_right_source =
    "// Text with spaces after it, up to a width. Its columns are given: strlen counts bytes.\n"
    "function pad_right($text, $columns, $width) {\n"
    "    return $text . str_repeat(\" \", max(0, $width - $columns));\n"
    "}\n";
inline constexpr std::string_view pad_center_source =
    "// Text between spaces, up to a width. Its columns are given: strlen counts bytes.\n"
    "function pad_center($text, $columns, $width) {\n"
    "    $room = max(0, $width - $columns);\n"
    "    $left = intdiv($room, 2);\n"
    "    return str_repeat(\" \", $left) . $text . str_repeat(\" \", $room - $left);\n"
    "}\n";

inline constexpr TableForm own_table = {
    .before = "<?php\n",
    .pad_left = {"pad_left", "pad_left(@V, @C, @W)", {}, pad_left_source},
    .pad_right = {"pad_right", "pad_right(@V, @C, @W)", {}, pad_right_source},
    .pad_center = {"pad_center", "pad_center(@V, @C, @W)", {}, pad_center_source},
    .data = "$rows = [\n@D];\n",
    .row_open = "[",
    .row_close = "],\n",
    .indent = 4,
    .cell_name = "$@N",
    .write = "echo @L;\n",
    .loop = "foreach ($rows as [@E]) {\n@S}\n",
    .loop_indent = 4,
    .part_function = "function print_rows($rows) {\n    foreach ($rows as [@E]) {\n@S    }\n}\n",
    .part_indent = 8,
    .part_call = "print_rows(array_slice($rows, @A, @Z - @A));\n",
    // Text of the program that is written for the reader. Nothing here calls fopen().
    .file_before = "<?php\n",
    .file_loop =
        "$file = fopen(@P, \"r\");\n"
        "$names = fgetcsv($file, null, \",\", \"\\\"\", \"\");\n"
        "while (($cells = fgetcsv($file, null, \",\", \"\\\"\", \"\")) !== false) {\n"
        "    $row = array_combine($names, $cells);\n@R@S}\n",
    .read_text = "    $@N = $row[@L];\n",
    .read_whole = "    $@N = (int) $row[@L];\n",
    .read_real = "    $@N = (float) $row[@L];\n",
};

inline constexpr RunForm own_run = {"php",      "", "php-cli",
                                    "main.php", "", "@ -n -d display_errors=stderr main.php"};

inline constexpr DialectFacts facts = {
    .id = "php",
    .language = "PHP",
    .facility = "sprintf and printf",
    .standard = "PHP manual, sprintf",
    .toolchain = "PHP 8.2.36",
    .program = "php",
    .width_unit = WidthUnit::bytes,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .quotes = "\"'",
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &composing,
              .line_split = {"", "\"\n    . \"", ""}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

inline constexpr NumberStyle numbers = {.least_exponent_digits = 1};
inline constexpr int most_precision = 53;

}  // namespace inky::inline v1::php
