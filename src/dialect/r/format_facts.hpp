// What R's formatting calls have, as data.
#pragma once

#include <array>

#include "composing.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "program.hpp"

namespace inky::inline v1::r_language::format {

inline constexpr auto modifiers = std::to_array<ModifierFact>({
    {"digits",
     "format: significant digits, at least for the element that needs most; 1 to 22, 7 "
     "when left out. formatC: as the precision of C"},
    {"nsmall", "format: decimals at least, in fixed notation; 0 to 20"},
    {"width",
     "characters at least, the same for all elements; formatC: a negative one pads on the "
     "right"},
    {"justify", "format, of text: \"left\", \"right\", \"centre\" or \"none\""},
    {"scientific", "format: TRUE, FALSE, or how many characters fixed notation may be longer"},
    {"trim", "format: TRUE leaves out the padding of numbers"},
    {"big.mark", "between groups of digits before the point"},
    {"big.interval", "how many digits are a group; 3 when left out"},
    {"decimal.mark", "the decimal mark; one character"},
    {"format",
     "formatC: \"d\" for wholes, \"f\", \"e\", \"E\", \"g\" or \"G\" as in C, \"s\" for "
     "text"},
    {"flag", "formatC: flags of C, such as \"0\", \"-\" and \"+\""},
    {"mode", "formatC: \"double\", \"integer\" or \"character\""},
});

inline constexpr auto escapes = std::to_array<EscapeFact>({
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\\\", "a backslash"},
    {"\\u03a9", "the character of this code point, up to four digits"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"a call that cannot be read", "parse error, before the program runs"},
    {"an unknown name", "simpleError: object not found"},
    {"digits or nsmall out of range, another justify or flag", "simpleError, at run time"},
    {"a truth value given to formatC", "simpleError: unsupported type"},
});

inline constexpr DialectFacts facts = {
    .id = "r-format",
    .language = "R",
    .facility = "the calls format, formatC and prettyNum",
    .standard = "R 4.2 reference, format and formatC",
    .toolchain = "R 4.2.2",
    .program = "Rscript",
    .width_unit = WidthUnit::columns,
    .rounding = {.rule = Rounding::half_even,
                 .basis =
                     "the stored value, exactly, to significant digits that all elements share",
                 .stored_value = false},
    .style = TemplateStyle::own,
    .letter_form = "",
    .places_form = "formatC(x, digits = N, format = \"f\")",
    .modifiers_are = "Arguments",
    .quotes = "",
    .times = true,
    .forms = {.program = &r_program, .run = &r_run, .composing = &r_composing},
    .conversions = {},
    .flags = {},
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

}  // namespace inky::inline v1::r_language::format
