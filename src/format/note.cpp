#include "inky_margin/format/note.hpp"

#include <algorithm>
#include <array>

namespace inky::inline v1 {

namespace {

constexpr auto code_facts = std::to_array<CodeFact>({
    {Code::bad_value, "bad-value", "The text is not a value of its type."},
    {Code::unknown_type, "unknown-type", "No value type has this name."},
    {Code::value_out_of_range, "value-out-of-range", "The number does not fit its type."},
    {Code::unknown_dialect, "unknown-dialect", "No dialect has this id."},
    {Code::unknown_key, "unknown-key", "The key means nothing here."},
    {Code::duplicate_key, "duplicate-key", "The same key is given twice."},
    {Code::missing_key, "missing-key", "A required key is missing."},
    {Code::wrong_kind, "wrong-kind", "The key's value is of the wrong kind."},
    {Code::bad_json, "bad-json", "The line is not a JSON object."},
    {Code::bad_option, "bad-option", "The command line cannot be understood."},
    {Code::not_utf8, "not-utf8", "The text is not UTF-8."},
    {Code::over_limit, "over-limit", "A stated limit is exceeded."},
    {Code::not_supported_yet, "not-supported-yet",
     "A later version will do this; this one does not."},
    {Code::contradiction, "contradiction", "Two wishes exclude each other."},
    {Code::template_fails, "template-fails",
     "The template prints nothing in its own language, so there is nothing to carry."},
    {Code::bad_template, "bad-template",
     "The template cannot be the content of a literal of its language."},
    {Code::other_dialect, "other-dialect",
     "A template is used by a dialect that did not parse it."},
    {Code::unreadable_file, "unreadable-file", "The file cannot be read."},
    {Code::bad_sheet, "bad-sheet", "The sheet is not valid TOML."},
    {Code::bad_data, "bad-data", "The data cannot be read."},
    {Code::output_failed, "output-failed", "The output could not be written."},
    {Code::bad_call_table, "bad-call-table", "The table of calls is not valid TOML."},
    {Code::bad_source, "bad-source", "The source file cannot be scanned."},
    {Code::machine_failed, "machine-failed", "The machine could not do its part."},
    {Code::too_many_values, "too-many-values", "Some values are used by no field."},
    {Code::bits_reinterpreted, "bits-reinterpreted",
     "The bits of a signed number were read as an unsigned one, or the other way round."},
    {Code::value_wrapped, "value-wrapped", "The value was cut down to a narrower type."},
    {Code::low_byte_only, "low-byte-only", "Only the low byte of the value was printed."},
    {Code::wide_literal, "wide-literal", "The text must be a wide string in the source."},
    {Code::cut_to_whole, "cut-to-whole", "The digits after the point were cut off."},
    {Code::type_converted, "type-converted",
     "The language lacks this type, so the value is converted to one it has."},
    {Code::values_run_out, "values-run-out",
     "A field finds no value left, and the text ends before it."},
    {Code::template_recycled, "template-recycled",
     "There are more values than the template takes, and it starts again."},
    {Code::conversion_switched, "conversion-switched",
     "The value does not fit the conversion, so the language uses another one."},
    {Code::stored_off_tie, "stored-off-tie",
     "The value looks like a tie, but what is stored lies off it, and decides."},
    {Code::exact_tie, "exact-tie", "The value lies exactly half-way; the tie rule decides."},
    {Code::digits_past_precision, "digits-past-precision",
     "More digits are shown than the type can distinguish; the last ones belong to the stored "
     "value."},
    {Code::decimal_rounded, "decimal-rounded",
     "The language rounds a decimal text of the value, not what is stored."},
    {Code::digits_are_significant, "digits-are-significant",
     "Significant digits were asked for, not decimals."},
    {Code::text_cut, "text-cut", "A limit on the text cut characters off."},
    {Code::character_cut, "character-cut", "The text was cut inside a character."},
    {Code::width_counts_otherwise, "width-counts-otherwise",
     "The language's width does not count terminal columns, so this field is padded differently "
     "from how it looks."},
    {Code::width_used_up, "width-used-up", "A width applies to one value only."},
    {Code::settings_left_on, "settings-left-on",
     "Settings of the stream, or of the session, stay for what is printed next."},
    {Code::width_from_digits, "width-from-digits",
     "A width was left out, and the number of digits decides it."},
    {Code::flag_without_effect, "flag-without-effect",
     "The flag changes nothing on this conversion."},
    {Code::flag_overridden, "flag-overridden",
     "Another flag or the precision switches this flag off."},
    {Code::no_grouping_in_locale, "no-grouping-in-locale",
     "The locale has no thousands mark, so the grouping flag prints nothing."},
    {Code::quotes_in_template, "quotes-in-template",
     "The template begins and ends with a quote; the quotes are printed too."},
    {Code::unknown_escape, "unknown-escape", "The language does not define this escape."},
    {Code::implementation_defined, "implementation-defined",
     "The standard leaves the text to the implementation; shown is what the recorded one prints."},
    {Code::departs_from_standard, "departs-from-standard",
     "The recorded implementation prints something else than the standard asks for."},
    {Code::wish_not_expressible, "wish-not-expressible",
     "The language cannot express this wish in a specifier."},
    {Code::language_fails, "language-fails",
     "The language refuses this, when it is compiled or when it runs."},
    {Code::language_undefined, "language-undefined", "The language gives this no meaning."},
    {Code::locale_left_open, "locale-left-open",
     "What is printed depends on the machine's locale, and nothing names one."},
    {Code::line_not_ended, "line-not-ended", "What is printed does not end its line."},
    {Code::line_too_long, "line-too-long", "The template is longer than a line may be."},
    {Code::not_checked, "not-checked", "The call could not be checked."},
    {Code::language_complains, "language-complains", "The language prints this, and complains."},
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
