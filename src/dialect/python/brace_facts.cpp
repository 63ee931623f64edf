// What str.format and f-strings have, as data.

#include "composing.hpp"
#include "fields.hpp"
#include "program.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

constexpr auto conversions = std::to_array<ConversionFact>({
    {'b', Kind::whole, "a whole number in base 2, with its sign", "+- #0_", false, ""},
    {'c', Kind::whole, "the character of this code point", "0", false, ""},
    {'d', Kind::whole, "a whole number in base 10, as without a type", "+- #0,_", false, ""},
    {'o', Kind::whole, "a whole number in base 8, with its sign", "+- #0_", false, ""},
    {'x', Kind::whole, "a whole number in base 16, with its sign, lower letters", "+- #0_", false,
     ""},
    {'X', Kind::whole, "a whole number in base 16, with its sign, upper letters", "+- #0_", false,
     ""},
    {'f', Kind::real, "a number in fixed notation; 6 places without a precision", "+- z#0,_", true,
     ""},
    {'F', Kind::real, "as f, INF and NAN in upper letters", "+- z#0,_", true, ""},
    {'e', Kind::real, "a number in scientific notation; 6 places without a precision", "+- z#0,_",
     true, ""},
    {'E', Kind::real, "as e, with an upper E", "+- z#0,_", true, ""},
    {'g', Kind::real,
     "a number, fixed or scientific by size (an exponent below -4, or from the number of "
     "significant digits on, is written); 6 significant digits without a precision, "
     "trailing zeros dropped",
     "+- z#0,_", true, ""},
    {'G', Kind::real, "as g, with an upper E", "+- z#0,_", true, ""},
    {'n', Kind::real, "as g, or as d of a whole number, by the program's locale: here C", "+- z#0",
     true, ""},
    {'%', Kind::real, "times 100, in fixed notation, with a percent sign", "+- z#0,_", true, ""},
    {'s', Kind::text, "a text, as without a type", "", true, ""},
});

constexpr auto flags = std::to_array<FlagFact>({
    {'<', "left", "pads on the right, with the character before it or spaces"},
    {'>', "right", "pads on the left"},
    {'^', "center", "pads on both sides, an odd space on the right"},
    {'=', "inner", "pads between sign and digits of a number"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {'-', "minus", "a sign on negative numbers only, as without it"},
    {' ', "space", "a space where a plus sign would be"},
    {'z', "no negative zero", "a real that rounds to zero loses its minus sign"},
    {'#', "alternate form", "0b, 0o, 0x in front; keeps the point, and the zeros of g"},
    {'0', "zeros", "pads numbers with zeros between sign and digits"},
    {',', "comma", "commas between groups of three digits"},
    {'_', "underscore", "underscores between groups of three digits, of four in base 2, 8 and 16"},
});

constexpr auto modifiers = std::to_array<ModifierFact>({
    {"!s", "str() of the value takes its place"},
    {"!r", "repr() of the value takes its place"},
    {"!a", "ascii() of the value takes its place"},
    {"{:%Y-%m-%d}", "codes of strftime, for a moment"},
});

constexpr auto escapes =
    python::with_escapes<2>({{{"{{", "an opening brace"}, {"}}", "a closing brace"}}});

constexpr auto failures = std::to_array<FailureFact>({
    {"too few values", "IndexError, at run time"},
    {"an unknown name or key", "KeyError; in an f-string NameError"},
    {"an unknown attribute", "AttributeError"},
    {"a part of what has no parts, a spec for a list", "TypeError"},
    {"a brace too many or too few, a type the value cannot take", "ValueError"},
    {"a brace too many or too few in an f-string", "SyntaxError, when it is compiled"},
    {"a whole too large for a float or a character", "OverflowError"},
});

}  // namespace

const DialectFacts braces_facts = {
    .id = "python",
    .language = "Python",
    .facility = "str.format and f-strings",
    .standard = "Python 3.11 library reference, Format String Syntax",
    .toolchain = "CPython 3.11.7",
    .program = "python3",
    .width_unit = WidthUnit::code_points,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .style = TemplateStyle::braces,
    .letter_form = "{:@}",
    .places_form = "{:.Nf}",
    .modifiers_are = "Conversions and codes",
    .quotes = "\"'",
    .decimals = Decimals::with_specials,
    .times = true,
    .fractions = true,
    .forms = {.program = &python_program,
              .run = &python_run,
              .table = &python_table,
              .composing = &composing,
              .line_split = {"", "\"\n    \"", ""}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

}  // namespace inky::inline v1::python
