// What the % operator has, as data.

#include "percent_facts.hpp"

#include "composing.hpp"
#include "program.hpp"
#include "values.hpp"

namespace inky::inline v1::python_percent {

namespace {

constexpr std::string_view lengths = "h l L";

constexpr auto conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "a whole number in base 10; a real is cut toward zero", "-+ 0", true,
     lengths},
    {'i', Kind::whole, "as d", "-+ 0", true, lengths},
    {'u', Kind::whole, "as d: a negative number keeps its sign", "-+ 0", true, lengths},
    {'o', Kind::whole, "a whole number in base 8, with its sign", "-+ #0", true, lengths},
    {'x', Kind::whole, "a whole number in base 16, with its sign, lower letters", "-+ #0", true,
     lengths},
    {'X', Kind::whole, "a whole number in base 16, with its sign, upper letters", "-+ #0", true,
     lengths},
    {'f', Kind::real, "a real in fixed notation; 6 places without a precision", "-+ #0", true,
     lengths},
    {'F', Kind::real, "as f, INF and NAN in upper letters", "-+ #0", true, lengths},
    {'e', Kind::real, "a real in scientific notation; 6 places without a precision", "-+ #0", true,
     lengths},
    {'E', Kind::real, "as e, with an upper E", "-+ #0", true, lengths},
    {'g', Kind::real,
     "a real, fixed or scientific by size (an exponent below -4, or from the number of significant "
     "digits on, is written); 6 significant digits without a precision, trailing "
     "zeros dropped",
     "-+ #0", true, lengths},
    {'G', Kind::real, "as g, with an upper E", "-+ #0", true, lengths},
    {'c', Kind::character, "one character: a text of one, or the code point of a whole number", "-",
     false, lengths},
    {'s', Kind::text, "any value, as str() has it", "-", true, lengths},
    {'r', Kind::text, "any value, as repr() has it", "-", true, lengths},
    {'a', Kind::text, "any value, as ascii() has it: what is not ASCII is escaped", "-", true,
     lengths},
});

constexpr auto flags = std::to_array<FlagFact>({
    {'-', "left", "pads on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {' ', "space", "a space where a plus sign would be"},
    {'#', "alternate form",
     "0o before octal, 0x before hexadecimal; keeps the point, and the zeros of g"},
    {'0', "zeros", "pads numbers with zeros between sign and digits"},
});

constexpr auto modifiers = std::to_array<ModifierFact>({
    {"", "nothing"},
    {"h", "read, and without meaning"},
    {"l", "read, and without meaning"},
    {"L", "read, and without meaning"},
});

constexpr ProgramForm percent_program = [] {
  ProgramForm out = python_program;
  out.named_values = NamesPassed::in_a_mapping;
  return out;
}();

constexpr auto escapes = python::with_escapes<1>({{{"%%", "a percent sign"}}});

constexpr auto failures = std::to_array<FailureFact>({
    {"too few values, or too many", "TypeError, at run time"},
    {"a value the letter cannot take", "TypeError, at run time"},
    {"an unknown letter, an unfinished field", "ValueError, at run time"},
    {"a key without a dict; a key the dict lacks", "TypeError; KeyError"},
    {"inf given to d; a whole too large for a float", "OverflowError"},
    {"nan given to d", "ValueError"},
});

}  // namespace

const DialectFacts facts = {
    .id = "python-percent",
    .language = "Python",
    .facility = "the % operator of str",
    .standard = "Python 3.11 library reference, printf-style String Formatting",
    .toolchain = "CPython 3.11.7",
    .program = "python3",
    .width_unit = WidthUnit::code_points,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .quotes = "\"'",
    .decimals = Decimals::with_specials,
    .times = true,
    .fractions = true,
    .forms = {.program = &percent_program,
              .run = &python_run,
              .table = &python_table,
              .composing = &python::composing,
              .line_split = {"", "\"\n    \"", ""}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

}  // namespace inky::inline v1::python_percent
