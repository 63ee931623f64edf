// The dialect `csharp`: composite format strings, as String.Format and Console.WriteLine take them:
//
//   {index[,alignment][:format]}
//
// Defined by "Composite formatting" of the .NET documentation and, for the literal, by the C#
// language specification, 6.4.5.6; what they leave open is as .NET 10.0 does it. A value without a
// name replaces it; names mean nothing to a composite format. A list is a List<T>, a record
// an object of an anonymous type, nil is null, a moment a DateTime of the kind Unspecified.
//
// What sets it apart from its family:
//   - the format after the colon is the value's to read: letters and patterns of digits for
//     numbers, codes for dates, and nothing at all for text;
//   - a bad format is found when its value is reached: FormatException;
//   - the culture decides on marks, signs, currency and even on the number of places.

#include <algorithm>
#include <array>
#include <limits>
#include <string>

#include "../family/braces.hpp"
#include "../family/dotnet_decimal.hpp"
#include "../family/escapes.hpp"
#include "../family/program_dialect.hpp"
#include "../family/rendering.hpp"
#include "../family/utf16.hpp"
#include "../family/value_notes.hpp"
#include "../family/writing.hpp"
#include "cultures.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "moments.hpp"
#include "numbers.hpp"
#include "shown.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "times.hpp"
#include "values.hpp"
#include "writing.hpp"

namespace inky::inline v1::csharp {

namespace {

// ---- A template, read ----

struct Item {
  int value = 0;  // which, from 0
  int width = 0;
  bool left = false;
  std::string format;   // empty: none
  NumberFormat number;  // the format as numbers read it; views of `format`
};

struct Items final : Program {
  std::vector<Item> items;  // as many as the template has fields
};

// ---- Reading ----

constexpr EscapeRules escape_rules = {
    .simple = std::string_view("n\nt\t\"\"''\\\\0\0a\ab\be\033f\fr\rv\v", 24),
    .most_octal_digits = 0,
    .least_hexadecimal_digits = 1,
    .most_hexadecimal_digits = 4,
    .bytes = false};

}  // namespace

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  if (const std::size_t size = read_surrogates(at, out); size != 0) return size;
  if (const std::size_t size = read_backslash(escape_rules, out.source, at, out.literals);
      size != 0)
    return size;
  if (!out.refusal) {
    out.refusal = {Refusal::When::compile, "CS1009",
                   "C# has no such escape; a backslash itself is written \\\\",
                   Span{at, std::min(at + 2, out.source.size())}};
  }
  return 1;
}

namespace {

class Reader {
 public:
  Reader(const braces::Decoded& decoded, TemplateContent& out, Items& program,
         std::vector<Words>* words)
      : decoded_(decoded), reader_(decoded.text()), out_(out), program_(program), words_(words) {}

  void read() {
    while (!reader_.at_end() && !out_.refusal) {
      if (!braces::read_literal(reader_, decoded_, out_, words_))
        return refuse("a single closing brace; write }} to print one", reader_.at() - 1);
      if (!reader_.at_end()) read_item();
    }
  }

 private:
  template <typename Meaning>
  void tell(std::string_view role, Meaning meaning) {
    if (words_.asked())
      words_.add(decoded_.in_source({0, reader_.at()}).to, role, meaning(),
                 static_cast<int>(out_.fields.size()));
  }

  void refuse(std::string why, std::size_t from) {
    if (out_.refusal) return;
    out_.refusal = {Refusal::When::run, std::string(exception), std::move(why),
                    decoded_.in_source({from, std::max(reader_.at(), from)})};
  }

  void skip_spaces() {
    while (reader_.take(' ')) continue;
  }

  // Digits of a number below a million and one digit; nothing before the first is read.
  bool read_number(std::size_t start, std::string_view of, int& number) {
    const char first = reader_.peek();
    if (first < '0' || first > '9') {
      reader_.skip(reader_.at_end() ? 0 : 1);
      refuse(std::string(of) + " is a number; a brace itself is written {{", start);
      return false;
    }
    constexpr int limit = 1'000'000;
    number = 0;
    while (reader_.peek() >= '0' && reader_.peek() <= '9' && number < limit) {
      number = number * 10 + (reader_.peek() - '0');
      reader_.skip(1);
    }
    return true;
  }

  void read_item() {
    const std::size_t start = reader_.at();
    reader_.skip(1);
    Item item;
    if (!read_number(start, "what follows an opening brace", item.value)) return;
    skip_spaces();
    tell("value", [&] { return "value " + std::to_string(item.value + 1); });
    if (reader_.take(',')) {
      skip_spaces();
      item.left = reader_.take('-');
      if (!read_number(start, "an alignment", item.width)) return;
      skip_spaces();
      tell("align", [&] {
        return "UTF-16 units, at least: " + std::to_string(item.width) +
               (item.left ? ", padded on the right" : ", padded on the left");
      });
    }
    if (reader_.take(':')) {
      while (!reader_.at_end() && reader_.peek() != '}' && reader_.peek() != '{') {
        item.format += reader_.peek();
        reader_.skip(1);
      }
      tell("format", [&] { return in_words(item.format); });
    }
    if (!reader_.take('}')) {
      const bool ends = reader_.at_end();
      reader_.skip(ends ? 0 : 1);
      return refuse(ends ? "the field has no closing brace"
                         : "the field should end with a closing brace here",
                    start);
    }
    tell("end", [] { return "the end of the field"; });
    add(item, start);
  }

  void add(Item& item, std::size_t start) {
    Field field;
    field.span = decoded_.in_source({start, reader_.at()});
    field.value_index = item.value;
    field.position = item.value + 1;
    field.spec.width = std::min(item.width, most_width);
    if (item.width > 0) field.spec.align = item.left ? Align::left : Align::right;
    const NumberFormat number = read_number_format(item.format);
    field.letter = item.format.empty() ? '\0' : number.letter;
    field.plain_decimal = item.format.empty() && item.width == 0;
    out_.values_taken = std::max(out_.values_taken, std::min(item.value, most_width) + 1);
    out_.pieces.push_back({field.span, static_cast<int>(out_.fields.size()), {}});
    out_.fields.push_back(std::move(field));
    program_.items.push_back(std::move(item));
  }

  // What numbers make of the format, which most values are.
  static std::string in_words(const std::string& format) {
    if (format.empty()) return "no format: as the value shows itself";
    const NumberFormat number = read_number_format(format);
    if (number.letter == 0)
      return "a pattern, of digits for numbers and of codes for moments: " + in_quotes(format);
    for (const ConversionFact& fact : conversions) {
      if (fact.letter != (number.letter & ~0x20)) continue;
      return std::string(fact.meaning) +
             (number.precision == unset ? ""
                                        : "; the precision is " + std::to_string(number.precision));
    }
    return "a letter for moments only: " + in_quotes(format);
  }

  const braces::Decoded& decoded_;
  braces::SpecReader reader_;
  TemplateContent& out_;
  Items& program_;
  braces::WordsSink words_;
};

// ---- Rendering ----

class Rendering final : public family::Rendering<Rendering> {
 public:
  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(csharp_facts, parsed, values, options, out, report),
        program_(static_cast<const Items&>(*parsed.program)) {}

  bool render(const Field& field) {
    const Item& item = program_.items[static_cast<std::size_t>(&field - parsed_.fields.data())];
    const auto index = static_cast<std::size_t>(item.value);
    if (index >= values_.size()) {
      return fail(Outcome::fails_at_run(
          std::string(exception), "there is no value " + std::to_string(index) + ", counted from 0",
          field.span));
    }
    const Value& value = values_[index];
    if (value.is(Type::decimal)) {
      Result<Decimal> held = held_by_dotnet(value, field.span, notes());
      if (!held) return fail(Outcome::error(std::move(held.error())));
    }
    if (!is_known(value)) {
      return fail(Outcome::error(
          {Code::not_supported_yet, describe(value) + " as a value of .NET is not supported yet",
           field.span,
           "Give a whole number, f16, f32, f64, a decimal, a text, a character of 16 "
           "bits, true, false, nil or a moment."}));
    }
    if (item.width > most_width || item.number.precision > most_width) {
      return fail(Outcome::error(
          {Code::over_limit,
           "a width or precision of this field is over the limit of " + std::to_string(most_width),
           field.span, "Use at most " + std::to_string(most_width) + "."}));
    }
    if (item.width == 0) return put(field, item, value, out_);
    // Padded once it is known how long it is.
    std::array<char, 128> room;
    FixedOutput small(room);
    if (!put(field, item, value, small)) return false;
    if (small.fits()) {
      lay_out_text(field.spec, small.view(), unit(), out_);
      return true;
    }
    TextBuffer large(small.needed());
    Report* const report = std::exchange(report_, nullptr);  // reported already
    const bool prints = put(field, item, value, large);
    report_ = report;
    if (prints) lay_out_text(field.spec, large.view(), unit(), out_);
    return prints;
  }

  bool end() {
    if (report_ != nullptr) note_unused(".NET ignores them");
    return true;
  }
  void note_field(const Field&) {}

 private:
  Notes* notes() { return report_ == nullptr ? nullptr : &report_->notes; }

  Culture culture() const { return culture_or_invariant(options_.setting("locale")); }

  bool refuse(std::string why, const Field& field) {
    return fail(Outcome::fails_at_run(std::string(exception), std::move(why), field.span));
  }

  // The value alone, without its padding.
  bool put(const Field& field, const Item& item, const Value& value, Output& out) {
    if (is_whole(value.type()) || is_real(value.type()) || value.is(Type::decimal))
      return put_number(field, item, value, out);
    if (is_time_value(value)) return put_time(field, item, value, out);
    // The text of an object of an enumeration, which has formats of its own.
    if (value.is_expression() && !item.format.empty())
      return fail(Outcome::error({Code::not_supported_yet,
                                  "a format of a day of the week is not supported yet", field.span,
                                  "Leave the format out: its name is shown then."}));
    if (value.is(Type::complex)) {
      out.append('<');
      if (!put_number(field, item, value.as_list()[0], out)) return false;
      out.append("; ");
      if (!put_number(field, item, value.as_list()[1], out)) return false;
      out.append('>');
      return true;
    }
    if (report_ != nullptr && !item.format.empty()) {
      note(Code::flag_without_effect,
           "a " + std::string(name_of(value.type())) + " takes no format; .NET ignores " +
               in_quotes(item.format),
           field.span);
    }
    if (value.is(Type::text)) {
      out.append(value.as_text());
      if (report_ != nullptr)
        note_text(field.spec, value.as_text(), unit(), field.span, report_->notes);
      return true;
    }
    std::string text;
    append_shown(value, text);
    out.append(text);
    return true;
  }

  bool put_number(const Field& field, const Item& item, const Value& value, Output& out) {
    const NumberFormat& format = item.number;
    if (!append_number(format, value, culture(), out)) {
      return refuse(in_quotes(item.format) + " is no format of a " +
                        type_name(value).substr(std::string_view("System.").size()),
                    field);
    }
    if (report_ != nullptr) note_number(field, format, value);
    return true;
  }

  void note_number(const Field& field, const NumberFormat& format, const Value& value) {
    if (!is_real(value.type()) || value.given_in_bits() || !value.as_real().is_finite()) return;
    const char letter = static_cast<char>(format.letter & ~0x20);
    Spec spec;
    spec.kind = Kind::real;
    if (format.letter == 0) {
      if (rounds_twice(format, value))
        note(Code::decimal_rounded,
             "a pattern takes few significant digits of a real first (15 of a double) and rounds "
             "those half away; F, N and E round what is stored",
             field.span);
      return;
    }
    if (letter == 'F' || letter == 'N' || letter == 'C') {
      spec.notation = Notation::fixed;
      spec.places = format.precision != unset ? format.precision
                    : letter == 'C'           ? culture().digit(Culture::currency_places)
                                              : culture().digit(Culture::places);
    } else if (letter == 'E') {
      spec.notation = Notation::scientific;
      spec.places = format.precision == unset ? 6 : format.precision;
    } else {
      return;
    }
    note_rounding(spec, *fact_of(value.type()).format, value.as_real(), field.span, report_->notes);
  }

  bool put_time(const Field& field, const Item& item, const Value& value, Output& out) {
    const Culture culture = this->culture();
    if (needs_other_calendar(value, item.format, culture)) {
      return fail(Outcome::error(
          {Code::not_supported_yet,
           "dates of the calendar " + std::string(culture[Culture::calendar]) +
               ", which the culture " + std::string(culture.tag()) + " has, are not supported yet",
           field.span, "Leave the culture out: dates are those of the invariant culture then."}));
    }
    std::string text;
    std::string why;
    if (!append_time_value(value, item.format, culture, text, why)) return refuse(why, field);
    out.append(text);
    const bool has_zone = value.is(Type::moment) && !value.as_moment().offset;
    if (report_ != nullptr && has_zone && depends_on_time_zone(item.format))
      note(Code::implementation_defined,
           "the time zone is the machine's; this is what a machine in UTC prints", field.span);
    return true;
  }

  const Items& program_;
};

// ---- Writing ----

constexpr writing::LiteralRules literal_rules = {.doubled = "{}",
                                                 .control = writing::ControlForm::unicode};

class CSharp final : public family::ProgramDialect<Items> {
 public:
  CSharp() : facts_(csharp_facts) { facts_.settings = settings_; }

  const DialectFacts& facts() const override { return facts_; }

  Placing placing() const override { return Placing::positions; }
  WrittenField write_field(const FieldWish& wish) const override { return write_item(wish); }
  // Every item has its number.
  WrittenTemplate write_template(std::span<const TemplatePart> parts) const override {
    std::vector<TemplatePart> numbered(parts.begin(), parts.end());
    int next = 1;
    for (TemplatePart& part : numbered) {
      if (part.field && part.field->position == unset) part.field->position = next++;
    }
    return Writer::write_template(numbered);
  }
  std::optional<std::string> write_literal(std::string_view text) const override {
    return writing::literal(literal_rules, text);
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    // Without values Write takes its text as it is, and doubled braces stay two.
    if (names.empty()) return "Console.Write(string.Format(\"" + std::string(source) + "\"));";
    return "Console.Write(\"" + std::string(source) + "\", " + writing::listed(names, ", ") + ");";
  }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    const Item& item =
        static_cast<const Items&>(*parsed.program).items[static_cast<std::size_t>(field)];
    Spec out;
    out.kind = writing::kind_of({{}, type, unset, {}});
    out.width = item.width;
    out.align = item.left ? Align::left : Align::right;
    const bool numeric = is_whole(type) || is_real(type);
    const bool is_time = type == Type::moment || type >= Type::date;
    if (const auto pattern = numeric ? std::nullopt : read_time_format(item.format)) {
      out.kind = Kind::moment;
      out.moment = *pattern;
      return out;
    }
    if (!numeric && (item.format.empty() || !is_time)) return out;
    if (numeric && read_format(item.number, item.format, type, out)) return out;
    writing::cannot("the format " + in_quotes(item.format) + " is C#'s own", notes);
    return std::nullopt;
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(parsed, values, options, out, report).run();
  }

  // value.ToString().
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("{0}");
    return render(shown, {&value, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Items& program, std::vector<Words>* words) const override {
    static constexpr std::string_view prefixes[] = {"$\"", "@\"", "$@\"", "@$\"", "\"\"\""};
    if (refuse_prefixed(prefixes, "interpolated, verbatim and raw strings",
                        "Number the values, as in {0,9:F2}, and leave the quotes out.", out))
      return;
    const braces::Decoded decoded(out, read_escape);
    if (!out.refusal) Reader(decoded, out, program, words).read();
    // The formats stand where they will stay.
    for (Item& item : program.items) item.number = read_number_format(item.format);
    note_quotes(facts(), out);
  }

 private:
  std::array<SettingFact, 1> settings_{{{"locale", "the culture, whose marks and words are printed",
                                         "invariant", culture_tags(), telling_cultures()}}};
  DialectFacts facts_;
};

}  // namespace

}  // namespace inky::inline v1::csharp

namespace inky::inline v1 {

const Dialect* csharp_dialect() {
  static const csharp::CSharp dialect;
  return &dialect;
}

}  // namespace inky::inline v1
