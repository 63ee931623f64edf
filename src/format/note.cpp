#include "inky_margin/format/note.hpp"

#include <algorithm>
#include <array>

namespace inky::inline v1 {

namespace {

// In the order in which docs/codes.md has them, which is made from this table.
constexpr auto code_facts = std::to_array<CodeFact>({
    {Code::bad_value, "bad-value", "The text is not a value of its type.",
     "Write the value in the form of its type: `42`, `2.675`, `0x1p-1:f64`, `'K':char`."},
    {Code::unknown_type, "unknown-type", "No value type has this name.",
     "The error lists the types."},
    {Code::value_out_of_range, "value-out-of-range", "The number does not fit its type.",
     "Choose a wider type, or the value that the narrow one would hold."},
    {Code::unknown_dialect, "unknown-dialect", "No dialect has this id.",
     "The error names the nearest id."},
    {Code::unknown_key, "unknown-key", "The key means nothing here.",
     "The error names the nearest known key; nothing is ignored."},
    {Code::duplicate_key, "duplicate-key", "The same key is given twice.", "Keep one of the two."},
    {Code::missing_key, "missing-key", "A required key is missing.", "Add the key."},
    {Code::wrong_kind, "wrong-kind", "The key's value is of the wrong kind.",
     "Give a text, a number, a list or an object, as the description of the key says."},
    {Code::bad_json, "bad-json", "The line is not a JSON object.",
     "One object a line; the span is the byte where reading stopped."},
    {Code::bad_option, "bad-option", "The command line cannot be understood.",
     "`inky COMMAND --help` lists the options with examples."},
    {Code::not_utf8, "not-utf8", "The text is not UTF-8.",
     "Templates, values, sheets and data are UTF-8; the span is the first bad byte."},
    {Code::over_limit, "over-limit", "A stated limit is exceeded.",
     "docs/limits.md lists every limit with its reason."},
    {Code::not_supported_yet, "not-supported-yet",
     "A later version will do this; this one does not.",
     "Types complex, decimal, moment, list and record, and locales beyond those a dialect lists."},
    {Code::contradiction, "contradiction", "Two wishes exclude each other.",
     "Keep one of the wishes."},
    {Code::template_fails, "template-fails",
     "The template prints nothing in its own language, so there is nothing to carry.",
     "`inky show` shows what is wrong with it, and where."},
    {Code::bad_template, "bad-template",
     "The template cannot be the content of a literal of its language.",
     "A template is the text between the quotes of a literal. In `inky show 'say \"%s\"' ink` the "
     "first quote ends the literal: write `\\\"`. A backslash at the end escapes the closing "
     "quote: write `\\\\`."},
    {Code::other_dialect, "other-dialect", "A template is used by a dialect that did not parse it.",
     "Only a program that calls the library can meet it: `rust.render(*c.parse(\"%d\"), …)`. A "
     "template knows its dialect: `parsed.dialect()`."},
    {Code::unreadable_file, "unreadable-file", "The file cannot be read.",
     "Check the path and its permissions."},
    {Code::bad_sheet, "bad-sheet", "The sheet is not valid TOML.",
     "The span is the place where TOML was broken."},
    {Code::bad_data, "bad-data", "The data cannot be read.", "The message names the line."},
    {Code::output_failed, "output-failed", "The output could not be written.",
     "A full disk or a closed pipe; what was printed so far is not complete."},
    {Code::bad_call_table, "bad-call-table", "The table of calls is not valid TOML.",
     "`inky check --calls calls.toml src/room.c`: the span is the place where TOML was broken. "
     "docs/check.md has the keys."},
    {Code::bad_source, "bad-source", "The source file cannot be scanned.",
     "Its language cannot be known from its name, or a folder has none: check the path, or name "
     "the language with `--language`."},
    {Code::machine_failed, "machine-failed", "The machine could not do its part.",
     "Memory, disk space or a temporary folder is missing. The message says which; nothing was "
     "decided about the request."},
    {Code::bad_baseline, "bad-baseline", "The file of known faults cannot be read.",
     "Write it anew: `inky check src --write-baseline known-faults.txt`."},
    {Code::bad_settings, "bad-settings", "The settings of a check are not valid TOML.",
     "The error points at the place. `docs/check.schema.json` is their schema."},
    {Code::too_many_values, "too-many-values", "Some values are used by no field.",
     "`%d` with 1 and 2 prints 1."},
    {Code::bits_reinterpreted, "bits-reinterpreted",
     "The bits of a signed number were read as an unsigned one, or the other way round.",
     "`%u` of -7 prints 4294967289: the sign is not dropped, its bits are read as an unsigned "
     "number."},
    {Code::value_wrapped, "value-wrapped", "The value was cut down to a narrower type.",
     "`%hhd` of 300 prints 44: its low 8 bits."},
    {Code::low_byte_only, "low-byte-only", "Only the low byte of the value was printed.",
     "`%c` of Ω prints the byte a9. Use `%lc`, or `%s` with a text."},
    {Code::wide_literal, "wide-literal", "The text must be a wide string in the source.",
     "`%ls` of \"ink\" is right when the source says `L\"ink\"`."},
    {Code::cut_to_whole, "cut-to-whole", "The digits after the point were cut off.",
     "Python's `%d` of 2.9 prints 2: it cuts toward zero and never rounds. Use `%.0f` to round."},
    {Code::type_converted, "type-converted",
     "The language lacks this type, so the value is converted to one it has.",
     "An `f80` or `f128` given to Python becomes its `float`, the nearest f64."},
    {Code::values_run_out, "values-run-out",
     "A field finds no value left, and the text ends before it.",
     "In Octave, `%d and %d` of one value 7 prints `7 and `."},
    {Code::template_recycled, "template-recycled",
     "There are more values than the template takes, and it starts again.",
     "In Octave, `%d,` of 1, 2 and 3 prints `1,2,3,`."},
    {Code::conversion_switched, "conversion-switched",
     "The value does not fit the conversion, so the language uses another one.",
     "In Octave, `%d` of 1.5 prints 1.5, as %g does; under `format short`, `x` of 0.001 shows "
     "1.0000e-03."},
    {Code::stored_off_tie, "stored-off-tie",
     "The value looks like a tie, but what is stored lies off it, and decides.",
     "`%.2f` of 2.675 prints 2.67, since what is stored is 2.67499999999999982..."},
    {Code::exact_tie, "exact-tie", "The value lies exactly half-way; the tie rule decides.",
     "`%.2f` of 0.125 prints 0.12: 0.125 is stored exactly, and ties go to the even digit in C."},
    {Code::digits_past_precision, "digits-past-precision",
     "More digits are shown than the type can distinguish; the last ones belong to the stored "
     "value.",
     "`%.20f` of 0.1 prints 0.10000000000000000555: the end is the stored value's own."},
    {Code::decimal_rounded, "decimal-rounded",
     "The language rounds a decimal text of the value, not what is stored.",
     "`%.2f` of 2.675 prints 2.68 in Java: it rounds the decimal 2.675 half up, though 2.67499... "
     "is stored."},
    {Code::digits_are_significant, "digits-are-significant",
     "Significant digits were asked for, not decimals.",
     "`format(12.3456, digits = 2)` in R prints 12: two digits in all. nsmall counts decimals, at "
     "least."},
    {Code::text_cut, "text-cut", "A limit on the text cut characters off.",
     "`%.3s` of \"inkwell\" prints ink; a precision on text is a maximum."},
    {Code::character_cut, "character-cut", "The text was cut inside a character.",
     "`%.1s` of \"é\" prints half of it, a byte that is not UTF-8."},
    {Code::width_counts_otherwise, "width-counts-otherwise",
     "The language's width does not count terminal columns, so this field is padded differently "
     "from how it looks.",
     "`%-9s` of \"Zinkweiß\" pads one column too little in C, where ß counts as two."},
    {Code::width_used_up, "width-used-up", "A width applies to one value only.",
     "`cout << setw(9) << left << x << y` pads x and not y, though `left` stays."},
    {Code::settings_left_on, "settings-left-on",
     "Settings of the stream, or of the session, stay for what is printed next.",
     "After `cout << fixed << setprecision(2) << x` every real has two places, until "
     "`defaultfloat` and `setprecision(6)`."},
    {Code::width_from_digits, "width-from-digits",
     "A width was left out, and the number of digits decides it.",
     "`formatC(1e6, digits = 8)` in R pads to 9 characters; `width = 1` leaves that out."},
    {Code::flag_without_effect, "flag-without-effect",
     "The flag changes nothing on this conversion.", "`%+u`: the plus is for signed numbers."},
    {Code::flag_overridden, "flag-overridden",
     "Another flag or the precision switches this flag off.",
     "`%-05d`: the minus wins; `%05.2d`: the precision wins; `%+ d`: the plus wins."},
    {Code::no_grouping_in_locale, "no-grouping-in-locale",
     "The locale has no thousands mark, so the grouping flag prints nothing.",
     "`%'d` groups by the locale's mark, and the locale C has none."},
    {Code::quotes_in_template, "quotes-in-template",
     "The template begins and ends with a quote; the quotes are printed too.",
     "Paste the text between the quotes."},
    {Code::unknown_escape, "unknown-escape", "The language does not define this escape.",
     "`\\q`: gcc warns and drops the backslash."},
    {Code::implementation_defined, "implementation-defined",
     "The standard leaves the text to the implementation; shown is what the recorded one prints.",
     "`%p` of a null pointer prints (nil) with the GNU C library."},
    {Code::departs_from_standard, "departs-from-standard",
     "The recorded implementation prints something else than the standard asks for.",
     "`%#.6g` of 999999.9999999999 prints 1.e+06 with the GNU C library 2.36; the standard asks "
     "for 1.00000e+06."},
    {Code::wish_not_expressible, "wish-not-expressible",
     "The language cannot express this wish in a specifier.",
     "C has no percent notation, no centring, no brackets; the note says what is written instead."},
    {Code::language_fails, "language-fails",
     "The language refuses this, when it is compiled or when it runs.",
     "`inky check '%d' text --in fsharp`: the fault says by which name, and what to write instead "
     "where that is known."},
    {Code::language_undefined, "language-undefined", "The language gives this no meaning.",
     "`inky check '%d' f64`: C reads an int where a double is; anything may be printed."},
    {Code::locale_left_open, "locale-left-open",
     "What is printed depends on the machine's locale, and nothing names one.",
     "`inky check '%.2f' f64 --in java --for-machine`: where the machine is German, a comma stands "
     "for the point. Name the locale in the call."},
    {Code::line_not_ended, "line-not-ended", "What is printed does not end its line.",
     "`inky check '%d g' i32 --whole-line`: what is printed next stands on the same line. End the "
     "template with `\\n`."},
    {Code::line_too_long, "line-too-long", "The template is longer than a line may be.",
     "`inky check TEMPLATE --line-limit 80`; `inky carry TEMPLATE --to c --line-limit 80` writes "
     "it over several."},
    {Code::not_checked, "not-checked", "The call could not be checked.",
     "`inky check src --unchecked` lists such calls: a template that is not a literal, or has "
     "something that is not supported yet."},
    {Code::language_complains, "language-complains", "The language prints this, and complains.",
     "A shell prints 0 for `printf '%d' ink`, complains on standard error, and ends with status "
     "1."},
    {Code::bad_remark, "bad-remark", "A comment that accepts a fault is not complete.",
     "Write the code, and why: `// inky: accept language-undefined: the peer reads both`."},
    {Code::unused_remark, "unused-remark", "A comment accepts a fault that is not there.",
     "Take the comment away, or put it on the line of the fault or alone on the line above."},
    {Code::hole_not_filled, "hole-not-filled", "A hole of the template does not show its value.",
     "`log.info(\"{} of {}\", n)` prints the second `{}` as it is: give it a value. The same code "
     "names `%.2f` in `console.log`, which has no places, and `{0}` behind a lone apostrophe."},
});

const CodeFact& fact_of(Code code) {
  return *std::find_if(code_facts.begin(), code_facts.end(),
                       [code](const CodeFact& fact) { return fact.code == code; });
}

}  // namespace

std::span<const CodeFact> all_codes() {
  return code_facts;
}
std::string_view name_of(Code code) {
  return fact_of(code).name;
}
std::string_view sentence_of(Code code) {
  return fact_of(code).sentence;
}

}  // namespace inky::inline v1
