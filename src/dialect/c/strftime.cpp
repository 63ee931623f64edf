// The dialect `strftime`: the format string of strftime of C.
//
// Defined by ISO C17, 7.27.3.5, and POSIX.1-2017, strftime (a 0, a + and a width). The letters k, l,
// P and s, the flags and what else the standard leaves open are those of the GNU C library.
//
// What sets it apart:
//   - all fields show one value, a struct tm: a moment, or a date at midnight;
//   - the zone is UTC, as localtime() gives it where TZ is UTC; Z as an offset is what gmtime() gives;
//   - a letter that there is not is undefined.

#include <algorithm>
#include <array>
#include <string>

#include "../family/percent.hpp"
#include "../family/rendering.hpp"
#include "../family/strftime.hpp"
#include "../family/time_letters.hpp"
#include "../family/writing.hpp"
#include "../family/writing_dialect.hpp"
#include "c.hpp"
#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialects.hpp"
#include "struct_tm.hpp"

namespace inky::inline v1 {

namespace c_language::time_format {

namespace {

// ---- Facts ----

constexpr std::string_view of_numbers = "_-0";
constexpr std::string_view of_names = "^#_-0";

constexpr ConversionFact of_number(char letter, std::string_view meaning,
                                   std::string_view modifiers = "") {
  return {letter, Kind::moment, meaning, of_numbers, false, modifiers};
}
constexpr ConversionFact of_name(char letter, std::string_view meaning,
                                 std::string_view modifiers = "") {
  return {letter, Kind::moment, meaning, of_names, false, modifiers};
}

constexpr auto conversions = std::to_array<ConversionFact>({
    of_number('Y', "the year", "E"),
    of_number('y', "the last two digits of the year", "E O"),
    of_number('C', "the year without its last two digits", "E O"),
    of_number('m', "the month, 01 to 12", "O"),
    of_name('B', "the name of the month; behind O as it stands without a day", "O"),
    of_name('b', "the short name of the month", "O"),
    of_name('h', "as b", "O"),
    of_number('d', "the day of the month, 01 to 31", "O"),
    of_number('e', "the day of the month, 1 to 31, a space before one digit", "O"),
    of_number('j', "the day of the year, 001 to 366"),
    of_name('A', "the name of the weekday"),
    of_name('a', "the short name of the weekday"),
    of_number('u', "the weekday, 1 for Monday to 7", "O"),
    of_number('w', "the weekday, 0 for Sunday to 6", "O"),
    of_number('V', "the week of ISO 8601, 01 to 53", "O"),
    of_number('G', "the year that this week belongs to"),
    of_number('g', "the last two digits of that year"),
    of_number('U', "the week from the first Sunday on, 00 to 53", "O"),
    of_number('W', "the week from the first Monday on, 00 to 53", "O"),
    of_number('H', "the hour, 00 to 23", "O"),
    of_number('I', "the hour, 01 to 12", "O"),
    of_number('k', "the hour, 0 to 23, a space before one digit", "O"),
    of_number('l', "the hour, 1 to 12, a space before one digit", "O"),
    of_number('M', "the minute, 00 to 59", "O"),
    of_number('S', "the second, 00 to 60", "O"),
    of_name('p', "AM or PM, or what the locale has for them"),
    of_name('P', "the same in small letters"),
    of_number('s', "the seconds since 1970"),
    of_number('z', "the offset from UTC, +0200"),
    of_name('Z', "the name of the time zone"),
    of_name('c', "the locale's date and time", "E"),
    of_name('x', "the locale's date", "E"),
    of_name('X', "the locale's time", "E"),
    of_name('r', "the locale's time of 12 hours"),
    of_name('D', "05/09/31"),
    of_name('F', "2031-05-09"),
    of_name('R', "14:05"),
    of_name('T', "14:05:07"),
    of_name('n', "a new line"),
    of_name('t', "a tab"),
    of_name('%', "a percent sign"),
});

constexpr auto flags = std::to_array<FlagFact>({
    {'_', "spaces", "fills a number with spaces"},
    {'-', "no filling", "does not fill a number"},
    {'0', "zeros", "fills with zeros"},
    {'^', "upper", "upper letters, of those of ASCII"},
    {'#', "other case", "upper letters, and small ones of p and Z"},
});

constexpr auto modifiers = std::to_array<ModifierFact>({
    {"", "nothing"},
    {"E", "as the eras of the locale have it"},
    {"O", "with the digits of the locale; of a month, its name without a day"},
});

constexpr auto escapes = std::to_array<EscapeFact>({
    {"%%", "a percent sign"},
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\\\", "a backslash"},
    {"\\101", "the byte of this octal number, up to three digits"},
    {"\\x41", "the byte of this hexadecimal number, any number of digits"},
    {"\\u03a9", "the character of this code point; \\U takes eight digits"},
});

constexpr auto failures = std::to_array<FailureFact>({
    {"an unknown letter, an unfinished field", "undefined; the GNU C library leaves it as it is"},
    {"a text that does not fit", "strftime returns 0, and what is in the array is undefined"},
    {"a value that is no struct tm", "undefined"},
});

constexpr auto types = std::to_array<TypeForm>({
    {Type::moment, "struct tm ", c_language::written_members},
    {Type::date, "struct tm ",
     "{.tm_year = @Y - 1900, .tm_mon = @M - 1, .tm_mday = @D, .tm_wday = @w, .tm_yday = @y, "
     ".tm_zone = \"UTC\"}"},
});

constexpr ProgramForm own_program = {
    .before = "#include <stdio.h>\n#include <time.h>\n\nint main(void) {\n",
    .declaration = "  @T@N = @V;\n",
    .statement = "  static char text[1 << 16];\n  @S\n  fputs(text, stdout);\n",
    .after = "  return 0;\n}\n",
    .types = types,
    .direction = DirectionEscape::bytes,
    .escaped = "\"\\?",
    .settings = c_language::program_settings};

constexpr RunForm own_run = {
    "gcc cc clang", "CC", "gcc", "main.c", "@ -std=gnu17 -w -o main main.c", "./main"};

constexpr DialectFacts time_facts = {
    .id = "strftime",
    .language = "C",
    .facility = "the format string of strftime",
    .standard = "ISO C17, 7.27.3.5; POSIX.1-2017, strftime",
    .toolchain = "GNU C library 2.36, gcc 12.2.0, x86-64",
    .program = "gcc",
    .width_unit = WidthUnit::bytes,
    .rounding = {},
    .places_form = "",
    .modifiers_are = "Forms",
    .times = true,
    .forms = {.program = &own_program,
              .run = &own_run,
              .composing = &composing,
              .line_split = {"", "\"\n    \"", ""}},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

// ---- Reading ----

// What a field has before its modifier and its letter.
constexpr std::string_view written_before = "%_-0^#123456789.";

void finish(Field& field, std::string_view source) {
  field.spec.kind = Kind::moment;
  const std::uint8_t modifier = percent::parts_of(field).modifier;
  if (field.letter == 0)
    field.defect = "the field breaks off";
  else if (!has_time_code(modifier == 0 ? '\0' : modifiers[modifier].text[0], field.letter))
    field.defect = "strftime has no code %" +
                   std::string(source.substr(
                       std::min(source.find_first_not_of(written_before), source.size() - 1)));
  else if (field.precision.given())
    field.defect = "strftime has no precision";
  if (field.width.from == Count::From::source) field.spec.width = field.width.amount;
}

const percent::Syntax syntax = {.facts = &time_facts,
                                .counts_from_values = false,
                                .ends_at_zero = true,
                                .read_escape = read_escape,
                                .finish = finish};

// Whether it shows something of the time, and so takes the value.
bool shows_time(char letter) {
  return letter != 'n' && letter != 't' && letter != '%';
}
// Whether it shows something that a time of day alone has.
bool shows_clock(char letter) {
  return std::string_view("HIklMSpPRTXr").find(letter) != std::string_view::npos;
}

// ---- Printing ----

class Rendering final : public family::Rendering<Rendering> {
 public:
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(time_facts, parsed, values, options, out, report),
        style_{.locale = glibc::locale_or_c(options.setting("locale")), .zones = true} {}

  bool render(const Field& field) {
    if (!field.defect.empty()) return fail(Outcome::undefined(field.defect, field.span));
    Moment moment;
    if (field.value_index != unset) {
      if (values_.empty())
        return fail(
            Outcome::undefined("strftime needs a time to show, and there is none", field.span));
      const Value& value = values_[0];
      const bool is_time = value.is(Type::moment) || value.is(Type::date) || value.is(Type::time);
      if (!is_time)
        return fail(Outcome::undefined("strftime reads a struct tm, and " + describe(value) +
                                           " is of type " + std::string(name_of(value.type())),
                                       field.span));
      if (value.is(Type::time) && !shows_clock(field.letter))
        return fail(Outcome::error({Code::not_supported_yet, "a time of day has no date to show",
                                    field.span, "Give a moment: 2031-05-09T14:05:moment."}));
      moment = value.as_moment();
    }
    std::string text;
    const std::string_view unknown =
        append_glibc_time(moment, parsed_.source_of(field), style_, text);
    if (!unknown.empty())
      return fail(Outcome::error(
          {Code::not_supported_yet,
           "this field would show " + std::string(unknown) + ", which is not supported yet",
           field.span, "Leave it out, or choose another locale."}));
    out_.append(text);
    return true;
  }

  bool end() {
    if (report_ != nullptr) note_unused("C evaluates and ignores them");
    return true;
  }
  void note_field(const Field&) {}

 private:
  TimeStyle style_;
};

// ---- Writing ----

bool put_text(std::string_view text, std::string& out) {
  const auto written = c_dialect()->writer().write_literal(text);
  if (written) out += *written;
  return written.has_value();
}

// ---- The dialect ----

class TimeDialect final : public family::WritingDialect {
 public:
  TimeDialect() : facts_(time_facts) { facts_.settings = settings_; }

  const DialectFacts& facts() const override { return facts_; }

  Result<TemplateContent> do_parse(std::string_view source) const override {
    Result<TemplateContent> parsed = percent::parse(syntax, source);
    if (!parsed) return parsed;
    parsed->values_taken = 0;
    for (Field& field : parsed->fields) {
      field.value_index = shows_time(field.letter) ? 0 : unset;
      if (shows_time(field.letter)) parsed->values_taken = 1;
    }
    note_quotes(time_facts, *parsed);
    return parsed;
  }
  std::vector<Words> do_explain(const TemplateContent& parsed) const override {
    return percent::explain(syntax, parsed);
  }
  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(parsed, values, options, out, report).run();
  }
  Outcome do_print_plainly(const Value&, Output&) const override {
    return Outcome::undefined("strftime needs a format to show a time", {});
  }
  WrittenField write_field(const FieldWish& wish) const override {
    WrittenField out;
    if (writing::kind_of(wish) != Kind::moment) {
      writing::cannot("strftime shows moments alone", out.notes);
      return out;
    }
    if (family::note_time_wish("strftime", wish, out.notes)) return out;
    if (auto codes = family::write_time("strftime", family::strftime_letters(), wish.spec.moment,
                                        put_text, out.notes))
      out.source = std::move(*codes);
    return out;
  }
  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type,
                                 Notes& notes) const override {
    const Field& shown = parsed.fields[static_cast<std::size_t>(field)];
    const auto pattern = family::read_strftime(parsed.source_of(shown), family::strftime_letters());
    if (pattern) return family::time_wish(*pattern);
    writing::cannot("the field " + std::string(parsed.source_of(shown)) + " is strftime's own",
                    notes);
    return std::nullopt;
  }
  std::optional<std::string> write_literal(std::string_view text) const override {
    return c_dialect()->writer().write_literal(text);
  }
  WrittenTemplate write_template(std::span<const TemplatePart> parts) const override {
    const auto fields = std::count_if(parts.begin(), parts.end(), [](const TemplatePart& part) {
      return part.field.has_value();
    });
    if (fields <= 1) return Writer::write_template(parts);
    WrittenTemplate out;
    writing::cannot("strftime shows one moment, and nothing else", out.notes);
    return out;
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return "strftime(text, sizeof text, \"" + std::string(source) + "\", &" +
           (names.empty() ? std::string("moment") : names[0]) + ");";
  }

 private:
  // Text for the reader, whose own program calls setlocale(). Nothing here does.
  std::array<SettingFact, 1> settings_{
      {{"locale", "what setlocale() names: the names of months and days, and its usual forms", "C",
        glibc::locale_tags(), glibc::telling_locales()}}};
  DialectFacts facts_;
};

}  // namespace

}  // namespace c_language::time_format

const Dialect* strftime_dialect() {
  static const c_language::time_format::TimeDialect dialect;
  return &dialect;
}

}  // namespace inky::inline v1
