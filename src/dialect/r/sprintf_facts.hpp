// What R's sprintf has, as data.
#pragma once

#include <array>

#include "composing.hpp"
#include "dialect/table_form.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "program.hpp"

namespace inky::inline v1::r_sprintf {

inline constexpr auto conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "an integer or logical, or a whole double, in base 10", "-+ 0", true, ""},
    {'i', Kind::whole, "as d", "-+ 0", true, ""},
    {'o', Kind::whole, "the 32 bits of an integer in base 8", "-#0", true, ""},
    {'x', Kind::whole, "the 32 bits of an integer in base 16", "-#0", true, ""},
    {'X', Kind::whole, "as x, upper letters", "-#0", true, ""},
    {'f', Kind::real, "a number in fixed notation; 6 places without a precision", "-+ #0", true,
     ""},
    {'e', Kind::real, "a number in scientific notation; 6 places without a precision", "-+ #0",
     true, ""},
    {'E', Kind::real, "as e, with an upper E", "-+ #0", true, ""},
    {'g', Kind::real,
     "a number, fixed or scientific by size, trailing zeros dropped; 6 significant digits without "
     "a precision",
     "-+ #0", true, ""},
    {'G', Kind::real, "as g, with an upper E", "-+ #0", true, ""},
    {'a', Kind::real, "a number in hexadecimal, exact without a precision", "-+ #0", true, ""},
    {'A', Kind::real, "as a, upper letters", "-+ #0", true, ""},
    {'s', Kind::text, "a text; any other value as as.character() has it", "-", true, ""},
});

inline constexpr auto flags = std::to_array<FlagFact>({
    {'-', "left", "pads on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {' ', "space", "a space where a plus sign would be"},
    {'#', "alternate form",
     "0 before octal, 0x before hexadecimal; keeps the point, and the zeros of g"},
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
    {"\\101", "the byte of this octal number, up to three digits"},
    {"\\x41", "the byte of this hexadecimal number, up to two digits"},
    {"\\u03a9", "the character of this code point, up to four digits; \\U takes eight"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"too few values", "simpleError, at run time: too few arguments"},
    {"a value the letter cannot take", "simpleError: invalid format ...; use format ..."},
    {"an unknown letter, an unfinished field", "simpleError: unrecognised format specification"},
    {"vectors whose lengths do not divide", "simpleError: arguments cannot be recycled"},
    {"more than 8192 bytes from one field", "simpleError"},
    {"an unknown escape", "parse error, before the program runs"},
});

inline constexpr std::string_view pad_left_source =
    "# Text with spaces before it, up to a width. Its columns are given: a width counts "
    "differently.\n"
    "pad_left <- function(text, columns, width) {\n"
    "  paste0(strrep(\" \", max(0, width - columns)), text)\n"
    "}\n";
inline constexpr std::string_view pad_right_source =
    "# Text with spaces after it, up to a width. Its columns are given: a width counts "
    "differently.\n"
    "pad_right <- function(text, columns, width) {\n"
    "  paste0(text, strrep(\" \", max(0, width - columns)))\n"
    "}\n";
inline constexpr std::string_view pad_center_source =
    "# Text between spaces, up to a width. Its columns are given: a width counts differently.\n"
    "pad_center <- function(text, columns, width) {\n"
    "  room <- max(0, width - columns)\n"
    "  paste0(strrep(\" \", room %/% 2), text, strrep(\" \", room - room %/% 2))\n"
    "}\n";

inline constexpr TableForm own_table = {
    .comment = "# ",
    .before = "",
    .pad_left = {"pad_left", "pad_left(@V, @C, @W)", {}, pad_left_source},
    .pad_right = {"pad_right", "pad_right(@V, @C, @W)", {}, pad_right_source},
    .pad_center = {"pad_center", "pad_center(@V, @C, @W)", {}, pad_center_source},
    .data = "@D",
    .column_open = "@N <- c(",
    .column_close = ")\n",
    .cell_name = "@N[i]",
    .write = "cat(@L)\n",
    .loop = "for (i in seq_len(@K)) {\n@S}\n",
    .part_function = "print_rows <- function(from, to) {\n  for (i in from:to) {\n@S  }\n}\n",
    .part_call = "print_rows(@B, @Z)\n",
    .file_data =
        "rows <- read.csv(@P, colClasses = \"character\", check.names = FALSE,\n"
        "  na.strings = character(0), fileEncoding = \"UTF-8\")\n@R",
    .file_loop = "for (i in seq_len(nrow(rows))) {\n@S}\n",
    .read_text = "@N <- rows[[@L]]\n",
    .read_whole = "@N <- as.integer(rows[[@L]])\n",
    .read_real = "@N <- as.numeric(rows[[@L]])\n",
};

inline constexpr DialectFacts facts = {
    .id = "r",
    .language = "R",
    .facility = "sprintf",
    .standard = "R 4.2 reference, sprintf",
    .toolchain = "R 4.2.2",
    .program = "Rscript",
    .width_unit = WidthUnit::bytes,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .quotes = "\"'",
    .times = true,
    .forms = {.program = &r_program,
              .run = &r_run,
              .table = &own_table,
              .composing = &r_composing,
              .line_split = {"paste0(", "\",\n    \"", ")"}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = {},
    .escapes = escapes,
    .failures = failures,
};

inline constexpr std::size_t most_bytes = 8192;  // of one field
inline constexpr int most_position = 99;

}  // namespace inky::inline v1::r_sprintf
