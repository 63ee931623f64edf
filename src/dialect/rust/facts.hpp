// What Rust has, as data.
#pragma once

#include <array>

#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::rust {

inline constexpr auto conversions = std::to_array<ConversionFact>({
    {'x', Kind::whole, "a whole number in base 16, two's complement, lower letters", "<>^+#0",
     false, ""},
    {'X', Kind::whole, "a whole number in base 16, two's complement, upper letters", "<>^+#0",
     false, ""},
    {'o', Kind::whole, "a whole number in base 8, two's complement", "<>^+#0", false, ""},
    {'b', Kind::whole, "a whole number in base 2, two's complement", "<>^+#0", false, ""},
    {'e', Kind::real, "a number in scientific notation; the shortest digits without a precision",
     "<>^+0", true, ""},
    {'E', Kind::real, "as e, with an upper E", "<>^+0", true, ""},
    {'?', Kind::any, "any value as source would write it; #? spreads it over lines", "<>^+#0", true,
     ""},
});

inline constexpr auto flags = std::to_array<FlagFact>({
    {'<', "left", "pads on the right, with the character before it or spaces"},
    {'>', "right", "pads on the left"},
    {'^', "center", "pads on both sides, an odd space on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {'-', "minus", "nothing: it is kept for later"},
    {'#', "alternate form", "0x, 0o, 0b in front; with ?, one part of the value a line"},
    {'0', "zeros", "pads numbers with zeros between sign and digits, whatever fill and alignment"},
});

inline constexpr auto modifiers = std::to_array<ModifierFact>({
    {"x?", "as ?, with whole numbers in base 16, lower letters"},
    {"X?", "as ?, with whole numbers in base 16, upper letters"},
    {"1$", "the width or precision is argument 1, counted from 0; of a variable: mass$"},
    {".*", "the precision is the next argument, and the value the one after it"},
});

inline constexpr auto escapes = std::to_array<EscapeFact>({
    {"{{", "an opening brace"},
    {"}}", "a closing brace"},
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\'", "a single quote"},
    {"\\\\", "a backslash"},
    {"\\r", "a carriage return"},
    {"\\0", "the character of code 0"},
    {"\\x41", "the character of this hexadecimal number of two digits, up to 7f"},
    {"\\u{3a9}", "the character of this code point"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"a format string that cannot be read; too few arguments, or too many",
     "error, when it is compiled"},
    {"a value that has no such format", "error E0277, when it is compiled"},
    {"a count that is no usize", "error E0308, when it is compiled"},
    {"an unknown variable", "error E0425, when it is compiled"},
    {"a count beyond 65535", "a panic, at run time; written as a number, error"},
});

inline constexpr auto program_types = std::to_array<TypeForm>({
    {Type::i8, "i8"},
    {Type::i16, "i16"},
    {Type::i32, "i32"},
    {Type::i64, "i64"},
    {Type::i128, "i128"},
    {Type::u8, "u8"},
    {Type::u16, "u16"},
    {Type::u32, "u32"},
    {Type::u64, "u64"},
    {Type::u128, "u128"},
    {Type::f32, "f32"},
    {Type::f64, "f64"},
    {Type::text, "&str"},
    {Type::character, "char", "'@'"},
    {Type::truth, "bool"},
    {Type::duration, "std::time::Duration", "std::time::Duration::new(@s, @n)"},
});

inline constexpr ProgramForm own_program = {.before = "fn main() {\n",
                                            .declaration = "    let @N: @T = @V;\n",
                                            .statement = "    @S\n",
                                            .after = "}\n",
                                            .types = program_types,
                                            .infinity = "f64::INFINITY",
                                            .negative_infinity = "f64::NEG_INFINITY",
                                            .not_a_number = "f64::NAN",
                                            .control = ControlEscape::braces,
                                            .direction = DirectionEscape::braces,
                                            .named_values = NamesPassed::by_name_only};

inline constexpr std::string_view pad_left_source =
    "// Text with spaces before it, up to a width. Its columns are given: a width counts chars.\n"
    "fn pad_left(text: &str, columns: usize, width: usize) -> String {\n"
    "    \" \".repeat(width.saturating_sub(columns)) + text\n"
    "}\n";
inline constexpr std::string_view pad_right_source =
    "// Text with spaces after it, up to a width. Its columns are given: a width counts chars.\n"
    "fn pad_right(text: &str, columns: usize, width: usize) -> String {\n"
    "    text.to_string() + &\" \".repeat(width.saturating_sub(columns))\n"
    "}\n";
inline constexpr std::string_view pad_center_source =
    "// Text between spaces, up to a width. Its columns are given: a width counts chars.\n"
    "fn pad_center(text: &str, columns: usize, width: usize) -> String {\n"
    "    let room = width.saturating_sub(columns);\n"
    "    \" \".repeat(room / 2) + text + &\" \".repeat(room - room / 2)\n"
    "}\n";

inline constexpr TableForm own_table = {
    .before = "",
    .pad_left = {"pad_left", "pad_left(@V, @C, @W)", {}, pad_left_source},
    .pad_right = {"pad_right", "pad_right(@V, @C, @W)", {}, pad_right_source},
    .pad_center = {"pad_center", "pad_center(@V, @C, @W)", {}, pad_center_source},
    .text_type = "&'static str",
    .count_type = "usize",
    .row_type = "struct Row {\n@F}\n",
    .field = "    @N: @T,\n",
    .data = "static ROWS: [Row; @K] = [\n@D];\n",
    .row_open = "Row { ",
    .cell = "@N: @L",
    .row_close = " },\n",
    .indent = 4,
    .cell_name = "row.@N",
    .main_open = "fn main() {\n",
    .main_close = "}\n",
    .main_indent = 4,
    .write = "print!(\"{}\", @L);\n",
    .loop = "    for row in &ROWS {\n@S    }\n",
    .loop_indent = 8,
    .part_function = "fn print_rows(rows: &[Row]) {\n    for row in rows {\n@S    }\n}\n",
    .part_indent = 8,
    .part_call = "    print_rows(&ROWS[@A..@Z]);\n",
};

inline constexpr RunForm own_run = {
    "rustc", "RUSTC", "rustc", "main.rs", "@ --edition 2021 -A warnings -o main main.rs", "./main"};

inline constexpr DialectFacts facts = {
    .id = "rust",
    .language = "Rust",
    .facility = "format!",
    .standard = "the documentation of std::fmt",
    .toolchain = "rustc 1.95.0",
    .program = "rustc",
    .width_unit = WidthUnit::code_points,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .style = TemplateStyle::braces,
    .letter_form = "{:@}",
    .places_form = "{:.N}",
    .modifiers_are = "Longer forms",
    .options = true,
    .times = true,
    .count_type = "usize",
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &composing,
              .line_split = {"", "\\\n    ", "", true}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

inline constexpr NumberStyle numbers = {.not_a_number = "NaN",
                                        .sign_of_nan = false,
                                        .least_exponent_digits = 1,
                                        .exponent_plus = false,
                                        .zero_fill_specials = true};

inline constexpr std::int64_t most_count = 65535;

}  // namespace inky::inline v1::rust
