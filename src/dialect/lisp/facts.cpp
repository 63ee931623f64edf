// What FORMAT has, as data.

#include <array>

#include "composing.hpp"
#include "control.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1::lisp {

namespace {

constexpr auto conversions = std::to_array<ConversionFact>({
    {'D', Kind::whole, "a whole number in base 10; ~mincol,padchar,mark,interval D", ":@", false,
     ""},
    {'X', Kind::whole, "a whole number in base 16, with its sign, upper letters", ":@", false, ""},
    {'O', Kind::whole, "a whole number in base 8, with its sign", ":@", false, ""},
    {'B', Kind::whole, "a whole number in base 2, with its sign", ":@", false, ""},
    {'R', Kind::whole,
     "a whole number in words; with : as an ordinal, with @ in Roman numerals, with a parameter in "
     "that base",
     ":@", false, ""},
    {'F', Kind::real, "a real in fixed notation; ~width,places,scale,overflow,padchar F", "@", true,
     ""},
    {'E', Kind::real,
     "a real in scientific notation; ~width,places,exponent digits,scale,overflow,padchar E", "@",
     true, ""},
    {'G', Kind::real, "a real, fixed or scientific by size; four blanks in place of the exponent",
     "@", true, ""},
    {'$', Kind::real, "a real with 2 places; ~places,least whole digits,width,padchar $", ":@",
     true, ""},
    {'C', Kind::character, "a character; with : its name, with @ as source would write it", ":@",
     false, ""},
    {'A', Kind::text, "any value, for people; ~mincol,colinc,minpad,padchar A", ":@", false, ""},
    {'S', Kind::text, "any value, as source would write it", ":@", false, ""},
    {'W', Kind::any, "any value, as S", ":@", false, ""},
    {'P', Kind::any, "an s where the value is not 1; with @ y or ies, with : of the value before",
     ":@", false, ""},
    {'%', Kind::any, "a new line; a parameter says how many", "", false, ""},
    {'&', Kind::any, "a new line, unless at the beginning of one", "", false, ""},
    {'|', Kind::any, "a form feed", "", false, ""},
    {'~', Kind::any, "a tilde", "", false, ""},
    {'T', Kind::any, "blanks up to a column; with @ N blanks", "@", false, ""},
    {'*', Kind::any, "skips a value; with : goes back, with @ to a place", ":@", false, ""},
    {'^', Kind::any, "leaves the iteration, or the string, where no values are left", ":", false,
     ""},
    {'{', Kind::any, "once for each item of a list, up to ~}; with @ for the values themselves",
     ":@", false, ""},
    {'[', Kind::any, "one of the sections between ~; by number, up to ~]", ":@", false, ""},
    {'(', Kind::any,
     "in lower case, up to ~); with : each word capitalized, with @ the first, with both upper",
     ":@", false, ""},
    {'<', Kind::any, "sections between ~; justified to a width, up to ~>", ":@", false, ""},
});

constexpr auto flags = std::to_array<FlagFact>({
    {':', "colon", "thousands marks with numbers; () for NIL with A and S"},
    {'@', "at", "a plus sign with numbers; pads on the left with A and S"},
});

constexpr auto modifiers = std::to_array<ModifierFact>({
    {"8", "a number"},
    {"'0", "a character"},
    {"v", "the next value; NIL leaves it out"},
    {"#", "how many values are left"},
    {",", "between parameters; one may be left out"},
});

constexpr auto escape_facts = std::to_array<EscapeFact>({
    {"~~", "a tilde"},
    {"~%", "a new line"},
    {"~|", "a form feed"},
    {"\\\"", "a double quote"},
    {"\\\\", "a backslash"},
});

constexpr auto failures = std::to_array<FailureFact>({
    {"too few values; an unknown directive, or one that is never closed", "FORMAT-ERROR"},
    {"a value of another type than R or C needs", "FORMAT-ERROR"},
    {"no list for an iteration; a parameter of the wrong type", "TYPE-ERROR"},
    {"a number too large for words or Roman numerals", "SIMPLE-ERROR"},
    {"a whole number too large for a single-float, given to F", "FLOATING-POINT-OVERFLOW"},
});

constexpr auto program_types = std::to_array<TypeForm>({
    {Type::i32, ""},
    {Type::i64, ""},
    {Type::big, ""},
    {Type::f64, ""},
    {Type::fraction, ""},
    {Type::text, ""},
});

constexpr ProgramForm own_program = {.before = "(let* (",
                                     .declaration = "(@N @V)\n       ",
                                     .statement = ")\n  @S)\n",
                                     .after = "",
                                     .types = program_types,
                                     .exponent = 'd',
                                     .real_end = "d0",
                                     .control = ControlEscape::itself,
                                     .direction = DirectionEscape::itself};

constexpr std::string_view pad_left_source =
    ";; Text with spaces before it, up to a width. Its columns are given: a width counts code "
    "points.\n"
    "(defun pad-left (text columns width)\n"
    "  (format nil \"~VA~A\" (max 0 (- width columns)) \"\" text))\n";
constexpr std::string_view pad_right_source =
    ";; Text with spaces after it, up to a width. Its columns are given: a width counts code "
    "points.\n"
    "(defun pad-right (text columns width)\n"
    "  (format nil \"~A~VA\" text (max 0 (- width columns)) \"\"))\n";
constexpr std::string_view pad_center_source =
    ";; Text between spaces, up to a width. Its columns are given: a width counts code points.\n"
    "(defun pad-center (text columns width)\n"
    "  (let ((room (max 0 (- width columns))))\n"
    "    (format nil \"~VA~A~VA\" (floor room 2) \"\" text (ceiling room 2) \"\")))\n";

constexpr TableForm own_table = {
    .names = NameCase::kebab,
    .comment = ";; ",
    .before = "",
    .pad_left = {"pad-left", "(pad-left @V @C @W)", {}, pad_left_source},
    .pad_right = {"pad-right", "(pad-right @V @C @W)", {}, pad_right_source},
    .pad_center = {"pad-center", "(pad-center @V @C @W)", {}, pad_center_source},
    .data = "(defparameter *rows*\n  '(\n@d))\n",
    .row_open = "(",
    .cell_end = " ",
    .row_close = ")\n",
    .indent = 4,
    .cell_name = "@N",
    .name_between = " ",
    .write = "(write-string @L)\n",
    .loop = "(loop for (@E) in *rows* do\n@s)\n",
    .part_function = "(defun print-rows (rows)\n  (loop for (@E) in rows do\n@s))\n",
    .part_call = "(print-rows (subseq *rows* @A @Z))\n",
};

constexpr RunForm own_run = {"sbcl", "", "sbcl", "main.lisp", "", "@ --script main.lisp"};

}  // namespace

constexpr DialectFacts lisp_facts = {
    .id = "lisp",
    .language = "Common Lisp",
    .facility = "control strings of FORMAT",
    .standard = "the Common Lisp HyperSpec, 22.3",
    .toolchain = "SBCL 2.2.9",
    .program = "sbcl",
    .width_unit = WidthUnit::code_points,
    .rounding = {.rule = Rounding::half_away,
                 .basis = "the stored value, to the fewest digits within half a unit of the place",
                 .stored_value = false},
    .style = TemplateStyle::own,
    .letter_form = "~@",
    .places_form = "~,NF",
    .modifiers_are = "Parameters",
    .fractions = true,
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &composing,
              .line_split = {"", "~\n    ", "", true}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escape_facts,
    .failures = failures,
};

}  // namespace inky::inline v1::lisp
