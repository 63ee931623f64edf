// What Java's format has, as data.
#pragma once

#include <array>

#include "composing.hpp"
#include "dialect/table_form.hpp"
#include "escapes.hpp"
#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "program.hpp"

namespace inky::inline v1::java_language {

inline constexpr auto conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "a whole number in base 10", "-+ 0,(<", false, ""},
    {'o', Kind::whole, "a whole number in base 8; a negative one as two's complement", "-#0+ (<",
     false, ""},
    {'x', Kind::whole, "a whole number in base 16; a negative one as two's complement", "-#0+ (<",
     false, ""},
    {'X', Kind::whole, "as x, upper letters", "-#0+ (<", false, ""},
    {'f', Kind::real, "a real in fixed notation; 6 places without a precision", "-#+ 0,(<", true,
     ""},
    {'e', Kind::real, "a real in scientific notation; 6 places without a precision", "-#+ 0(<",
     true, ""},
    {'E', Kind::real, "as e, with an upper E", "-#+ 0(<", true, ""},
    {'g', Kind::real,
     "a real number, N significant digits, trailing zeros kept: fixed from 1e-4 to below 10 to the "
     "power "
     "of "
     "that number, scientific elsewhere; 6 without a precision",
     "-+ 0,(<", true, ""},
    {'G', Kind::real, "as g, with an upper E", "-+ 0,(<", true, ""},
    {'a', Kind::real, "a real in hexadecimal, exact without a precision", "-#+ 0<", true, ""},
    {'A', Kind::real, "as a, upper letters", "-#+ 0<", true, ""},
    {'c', Kind::character, "one character: a char, or the code point of a whole number to 32 bits",
     "-<", false, ""},
    {'C', Kind::character, "as c, in upper case", "-<", false, ""},
    {'s', Kind::text, "any value, as its toString() has it", "-<", true, ""},
    {'S', Kind::text, "as s, in upper case", "-<", true, ""},
    {'b', Kind::any, "true or false; any other value but null is true", "-<", true, ""},
    {'B', Kind::any, "as b, in upper case", "-<", true, ""},
    {'h', Kind::any, "the value's hashCode() in base 16", "-<", true, ""},
    {'H', Kind::any, "as h, in upper case", "-<", true, ""},
    {'n', Kind::any, "the platform's line end, here a new line; takes no value", "", false, ""},
    {'%', Kind::any, "a percent sign; takes no value", "-", false, ""},
});

inline constexpr auto modifiers = std::to_array<ModifierFact>({
    {"", "the value itself"},
    {"t", "a part of a date or a time, which the letter names"},
    {"T", "as t, in upper case"},
});

inline constexpr auto time_conversions = std::to_array<ConversionFact>({
    {'Y', Kind::moment, "the year, of at least four digits", "-<", false, ""},
    {'y', Kind::moment, "the last two digits of the year", "-<", false, ""},
    {'C', Kind::moment, "the year without its last two digits", "-<", false, ""},
    {'m', Kind::moment, "the month, 01 to 12", "-<", false, ""},
    {'B', Kind::moment, "the name of the month; short in the root locale", "-<", false, ""},
    {'b', Kind::moment, "the short name of the month; h is the same", "-<", false, ""},
    {'h', Kind::moment, "as b", "-<", false, ""},
    {'d', Kind::moment, "the day of the month, 01 to 31", "-<", false, ""},
    {'e', Kind::moment, "the day of the month, 1 to 31", "-<", false, ""},
    {'j', Kind::moment, "the day of the year, 001 to 366", "-<", false, ""},
    {'A', Kind::moment, "the name of the weekday; short in the root locale", "-<", false, ""},
    {'a', Kind::moment, "the short name of the weekday", "-<", false, ""},
    {'H', Kind::moment, "the hour, 00 to 23", "-<", false, ""},
    {'k', Kind::moment, "the hour, 0 to 23", "-<", false, ""},
    {'I', Kind::moment, "the hour, 01 to 12", "-<", false, ""},
    {'l', Kind::moment, "the hour, 1 to 12", "-<", false, ""},
    {'M', Kind::moment, "the minute, 00 to 59", "-<", false, ""},
    {'S', Kind::moment, "the second, 00 to 59", "-<", false, ""},
    {'L', Kind::moment, "thousandths of the second, three digits", "-<", false, ""},
    {'N', Kind::moment, "billionths of the second, nine digits", "-<", false, ""},
    {'p', Kind::moment, "am or pm", "-<", false, ""},
    {'z', Kind::moment, "the offset from UTC, +0200", "-<", false, ""},
    {'Z', Kind::moment, "the time zone", "-<", false, ""},
    {'s', Kind::moment, "the seconds since 1970", "-<", false, ""},
    {'Q', Kind::moment, "the milliseconds since 1970", "-<", false, ""},
    {'F', Kind::moment, "2031-05-09", "-<", false, ""},
    {'T', Kind::moment, "14:05:07", "-<", false, ""},
    {'R', Kind::moment, "14:05", "-<", false, ""},
    {'r', Kind::moment, "02:05:07 PM", "-<", false, ""},
    {'D', Kind::moment, "05/09/31", "-<", false, ""},
    {'c', Kind::moment, "Fri May 09 14:05:07 +02:00 2031", "-<", false, ""},
});

inline constexpr auto flags = std::to_array<FlagFact>({
    {'-', "left", "pads on the right; needs a width"},
    {'#', "alternate form", "0 before octal, 0x before hexadecimal; keeps the point of a real"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {' ', "space", "a space where a plus sign would be"},
    {'0', "zeros", "pads numbers with zeros between sign and digits; needs a width"},
    {',', "group", "the locale's thousands marks"},
    {'(', "brackets", "negative numbers in brackets, without a sign"},
    {'<', "previous", "takes the value of the field before"},
});

inline constexpr auto escapes = with_escapes(std::to_array<EscapeFact>({
    {"%%", "a percent sign"},
    {"%n", "the platform's line end"},
}));

inline constexpr auto failures = std::to_array<FailureFact>({
    {"too few values", "MissingFormatArgumentException, at run time"},
    {"a value the letter cannot take", "IllegalFormatConversionException"},
    {"an unknown letter, an unfinished field", "UnknownFormatConversionException"},
    {"a flag that the letter does not have", "FormatFlagsConversionMismatchException"},
    {"flags that exclude each other", "IllegalFormatFlagsException"},
    {"a flag written twice", "DuplicateFormatFlagsException"},
    {"- or 0 without a width", "MissingFormatWidthException"},
    {"a precision with d, o, x, c, n or %", "IllegalFormatPrecisionException"},
    {"a width with n", "IllegalFormatWidthException"},
    {"position 0", "IllegalFormatArgumentIndexException"},
    {"a whole number that is no code point, given to c", "IllegalFormatCodePointException"},
    {"an unknown escape", "illegal escape character, when the program is compiled"},
});

inline constexpr TableForm own_table = java_table("import java.util.Locale;\n");

inline constexpr DialectFacts facts = {
    .id = "java",
    .language = "Java",
    .facility = "java.util.Formatter: String.format and printf",
    .standard = "Java SE 17 API, java.util.Formatter",
    .toolchain = "OpenJDK 17.0.15",
    .program = "java",
    .width_unit = WidthUnit::utf16_units,
    .rounding = {.rule = Rounding::half_away,
                 .basis = "the decimal digits that Java makes of the value, up to about 17",
                 .stored_value = false},
    .modifiers_are = "Dates and times",
    .decimals = Decimals::finite,
    .times = true,
    .forms = {.program = &java_program,
              .run = &java_run,
              .table = &own_table,
              .composing = &java_composing,
              .line_split = {"", "\"\n    + \"", ""}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .modified_letters = time_conversions,
    .escapes = escapes,
    .failures = failures,
};

inline constexpr NumberStyle numbers = {.infinity = "Infinity", .not_a_number = "NaN"};

}  // namespace inky::inline v1::java_language
