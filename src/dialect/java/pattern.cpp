// The dialect `java-pattern`: patterns of java.text.DecimalFormat, as in `new
// DecimalFormat("#,##0.00")`, with the rounding mode of the format.
//
// Defined by the documentation of the class and by Unicode LDML, "Number Format Patterns"; what
// they leave open is as OpenJDK 17 does it. The locale is Locale.ROOT unless another is asked for;
// it decides the symbols, and never how the pattern is written.
//
// What sets it apart:
//   - HALF_EVEN, HALF_UP and HALF_DOWN judge ties by what is stored, exactly; the other modes look
//     at Java's own decimal digits only, so that UP does not move 0.1;
//   - less than a tenth of the last place is zero under every mode;
//   - a float is formatted as the double it becomes; a percent multiplies in binary.

#include <algorithm>
#include <array>
#include <bit>
#include <string>

#include "../family/program_dialect.hpp"
#include "../family/rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/writing.hpp"
#include "composing.hpp"
#include "decimal.hpp"
#include "dialects.hpp"
#include "digit_list.hpp"
#include "escapes.hpp"
#include "locales.hpp"
#include "pattern_reading.hpp"
#include "program.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1 {

namespace java_language::pattern {

namespace {

// ---- Facts ----

constexpr auto modifiers = std::to_array<ModifierFact>({
    {"0", "a digit, or a zero"},
    {"#", "a digit, or nothing; before the zeros, or after those of the places"},
    {".", "the decimal mark"},
    {",", "thousands marks, as far apart as the last comma stands from the point"},
    {"E0", "an exponent, with as many digits as zeros, at least; ##0E0 makes it a multiple of 3"},
    {"%", "times 100, with a percent sign, before or after the digits"},
    {"\xe2\x80\xb0", "times 1000, with a per-mille sign"},
    {"\xc2\xa4", "the currency sign; twice, the currency's code"},
    {";", "before the pattern of negative numbers, of which prefix and suffix count"},
    {"-", "the locale's minus sign, before or after the digits"},
    {"'#'", "the characters between quotes as they stand; '' is a quote"},
});

constexpr auto failures = std::to_array<FailureFact>({
    {"a pattern that cannot be read", "IllegalArgumentException"},
    {"a value that is no number", "IllegalArgumentException"},
    {"an escape that Java has not", "an error of the compiler"},
});

constexpr TableForm own_table =
    java_table("import java.text.DecimalFormat;\nimport java.util.Locale;\n", "java",
               "new DecimalFormat(\"@L\").format(@V)");

constexpr DialectFacts pattern_facts = {
    .id = "java-pattern",
    .language = "Java",
    .facility = "patterns of DecimalFormat",
    .standard = "the documentation of java.text.DecimalFormat",
    .toolchain = "OpenJDK 17.0.15",
    .program = "java",
    .width_unit = WidthUnit::utf16_units,
    .rounding = {.rule = Rounding::half_even,
                 .basis = "the stored value, exactly; other modes may be chosen"},
    .style = TemplateStyle::own,
    .letter_form = "",
    .places_form = "0~",
    .modifiers_are = "Characters of a pattern",
    .decimals = Decimals::finite,
    .forms = {.program = &java_program,
              .run = &java_run,
              .table = &own_table,
              .composing = &java_composing,
              .line_split = {"", "\"\n    + \"", ""}},
    .conversions = {},
    .flags = {},
    .modifiers = modifiers,
    .escapes = escape_facts,
    .failures = failures,
};

// ---- Rendering ----

class Rendering final : public family::Rendering<Rendering> {
 public:
  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(pattern_facts, parsed, values, options, out, report),
        pattern_(static_cast<const Pattern&>(*parsed.program)),
        locale_(locale_or_root(options.setting("locale"))),
        zero_(locale_.zero_digit()) {}

  bool render(const Field& field) {
    if (values_.empty()) {
      return fail(Outcome::fails_at_compile(
          "no suitable method found", "format() needs the number to be formatted", field.span));
    }
    const Value& value = values_[0];
    if (is_whole(value.type())) return put_whole(value);
    if (is_real(value.type())) return put_real(field, value);
    if (value.is(Type::decimal)) return put_decimal(value);
    if (value.is(Type::character) && value.as_character() <= 0xFFFF) {
      if (report_ != nullptr)
        note(Code::type_converted,
             describe(value) + " is shown as its code, which format(long) takes", field.span);
      return put_whole(Value::whole(Type::i64, static_cast<int128>(value.as_character())));
    }
    return fail(Outcome::fails_at_run(std::string(illegal_argument),
                                      describe(value) + " is no number", field.span));
  }

  bool end() {
    if (report_ != nullptr && values_.size() > 1)
      note(Code::too_many_values,
           std::to_string(values_.size() - 1) + " more than the one value that a pattern formats",
           {0, parsed_.source.size()});
    return true;
  }
  void note_field(const Field&) {}

 private:
  Rounding rounding() const {
    return rounding_named(options_.setting("rounding")).value_or(Rounding::half_even);
  }

  bool put_whole(const Value& value) {
    DigitList digits;
    bool negative = false;
    const int most = pattern_.scientific ? pattern_.most_whole + pattern_.most_places : 0;
    digits.set_whole(value, pattern_.multiplier, most, negative, rounding());
    put(digits, negative, true);
    return true;
  }

  bool put_decimal(const Value& value) {
    const Decimal decimal = big_decimal(value);
    DigitList digits;
    const int most = pattern_.most_places + (pattern_.scientific ? pattern_.most_whole : 0);
    digits.set_decimal(decimal, pattern_.multiplier, most, !pattern_.scientific, rounding());
    put(digits, decimal.negative, false);
    return true;
  }

  bool put_real(const Field& field, const Value& value) {
    const BinaryReal real = nearest_f64(value);
    if (real.kind == RealClass::not_a_number) {
      out_.append(locale_[JavaLocale::not_a_number]);
      return true;
    }
    const double stored = std::bit_cast<double>(low_half(pack(binary64, real)));
    const double number = std::abs(stored) * pattern_.multiplier;
    if (!unpack(binary64, bits_of(number)).is_finite()) {
      put_affix(pattern_.prefix[real.negative ? 1 : 0]);
      out_.append(locale_[JavaLocale::infinity]);
      put_affix(pattern_.suffix[real.negative ? 1 : 0]);
      return true;
    }
    DigitList digits;
    const int most = pattern_.most_places + (pattern_.scientific ? pattern_.most_whole : 0);
    digits.set(number, real.negative, most, !pattern_.scientific, rounding());
    put(digits, real.negative, false);
    if (report_ != nullptr) note_real(field, value, number);
    return true;
  }

  void note_real(const Field& field, const Value& value, double number) {
    if (!value.is(Type::f64) && is_real(value.type())) {
      note(Code::type_converted, describe(value) + " is formatted as the double it becomes",
           field.span);
    }
    if (value.given_in_bits() || pattern_.scientific || number == 0) return;
    const Rounding mode = rounding();
    const bool nearest =
        mode == Rounding::half_even || mode == Rounding::half_away || mode == Rounding::half_toward;
    BinaryReal real = unpack(binary64, bits_of(number));
    real.negative = value.as_real().negative;
    if (nearest && pattern_.multiplier == 1) {
      Spec spec;
      spec.kind = Kind::real;
      spec.notation = Notation::fixed;
      spec.places = pattern_.most_places;
      spec.rounding = mode;
      return note_rounding(spec, binary64, real, field.span, report_->notes);
    }
    if (nearest) return;
    // The other modes: what an exact rounding would have made of it.
    Digits exact;
    Digits java;
    digits_to_places(real, pattern_.most_places, mode, exact);
    exact.strip_trailing_zeros();
    java_digits(binary64, real, Purpose::plain, java);
    java.strip_trailing_zeros();
    const int keep = java.point() + pattern_.most_places;
    if (keep < 0) java.set(0, 0);
    round_digits(java, keep, real.negative, mode);
    if (exact.text() != java.text() || exact.point() != java.point())
      note(Code::decimal_rounded,
           "this mode looks at Java's decimal digits only; the stored value, exactly, would be " +
               plain_text(exact),
           field.span);
  }

  void put_affix(const Affix& affix) {
    for (const Affix::Piece& piece : affix.pieces) {
      switch (piece.part) {
        case Affix::Part::text:
          out_.append(piece.text);
          break;
        case Affix::Part::percent:
          out_.append(locale_[JavaLocale::percent]);
          break;
        case Affix::Part::per_mille:
          out_.append(locale_[JavaLocale::per_mille]);
          break;
        case Affix::Part::currency:
          out_.append(locale_[JavaLocale::currency]);
          break;
        case Affix::Part::currency_code:
          out_.append(locale_[JavaLocale::currency_code]);
          break;
        case Affix::Part::minus:
          out_.append(locale_[JavaLocale::minus]);
      }
    }
  }

  void put_digit(char digit) {
    if (zero_ == U'0') return out_.append(digit);
    std::string text;
    append_utf8(zero_ + static_cast<char32_t>(digit - '0'), text);
    out_.append(text);
  }
  void put_point() {
    out_.append(locale_[pattern_.is_currency ? JavaLocale::currency_point : JavaLocale::point]);
  }

  void put(const DigitList& digits, bool negative, bool is_whole) {
    put_affix(pattern_.prefix[negative ? 1 : 0]);
    if (pattern_.scientific)
      put_scientific(digits);
    else
      put_fixed(digits, is_whole);
    put_affix(pattern_.suffix[negative ? 1 : 0]);
  }

  void put_fixed(const DigitList& digits, bool is_whole) {
    const int point = digits.is_zero() ? 0 : digits.point();
    const std::string_view mark =
        locale_[pattern_.is_currency ? JavaLocale::currency_group : JavaLocale::group];
    int at = 0;  // the next digit
    const int count = std::max(pattern_.least_whole, point);
    for (int i = count - 1; i >= 0; --i) {
      put_digit(i < point && at < digits.size() ? digits.digit(at++) : '0');
      if (pattern_.group > 0 && i > 0 && i % pattern_.group == 0) out_.append(mark);
    }
    const bool has_fraction = pattern_.least_places > 0 || (!is_whole && at < digits.size());
    if (!has_fraction && count == 0) put_digit('0');
    if (pattern_.always_point || has_fraction) put_point();
    for (int i = 0; i < pattern_.most_places; ++i) {
      if (i >= pattern_.least_places && (is_whole || at >= digits.size())) break;
      const bool leading = -1 - i > point - 1;
      put_digit(!leading && !is_whole && at < digits.size() ? digits.digit(at++) : '0');
    }
  }

  // Whole digits in plenty make the exponent a multiple of their number.
  void put_scientific(const DigitList& digits) {
    const int point = digits.is_zero() ? 0 : digits.point();
    const int repeat = pattern_.most_whole;
    int exponent = point;
    int least_whole = pattern_.least_whole;
    if (repeat > 1 && repeat > least_whole) {
      exponent = (exponent >= 1 ? exponent - 1 : exponent - repeat) / repeat * repeat;
      least_whole = 1;
    } else {
      exponent -= least_whole;
    }
    if (digits.is_zero()) exponent = 0;
    const int whole = digits.is_zero() ? least_whole : point - exponent;
    const int total =
        std::max({pattern_.least_whole + pattern_.least_places, whole, digits.size()});
    for (int i = 0; i < total; ++i) {
      if (i == whole) put_point();
      put_digit(i < digits.size() ? digits.digit(i) : '0');
    }
    if (pattern_.always_point && total == whole) put_point();
    out_.append(locale_[JavaLocale::exponent]);
    if (exponent < 0) out_.append(locale_[JavaLocale::minus]);
    const std::string text = exponent == 0 ? std::string() : std::to_string(std::abs(exponent));
    for (int i = static_cast<int>(text.size()); i < pattern_.least_exponent; ++i) put_digit('0');
    for (const char c : text) put_digit(c);
  }

  const Pattern& pattern_;
  const JavaLocale locale_;
  const char32_t zero_;
};

// ---- Writing ----

WrittenField written_pattern(const FieldWish& wish) {
  const Spec& spec = wish.spec;
  Notes notes;
  const auto give_up = [&](std::string_view what) {
    writing::cannot("a pattern has no " + std::string(what), notes);
    return WrittenField{{}, std::move(notes)};
  };
  const Kind kind = writing::kind_of(wish);
  if (kind != Kind::whole && kind != Kind::real) return give_up("place for anything but a number");
  if (spec.width > 0) return give_up("width");
  if (spec.sign == Sign::space || spec.sign == Sign::always)
    return give_up("sign on positive numbers");
  if (spec.base != 10) return give_up("other base than 10");
  std::string digits(static_cast<std::size_t>(std::max(spec.least_digits, 1)), '0');
  if (!spec.group.empty()) {
    if (spec.group != Mark(",")) return give_up("such mark between thousands; it is the locale's");
    digits = "#,##" + digits;
  }
  if (kind == Kind::real) {
    if (spec.places == unset) return give_up("shortest digits");
    if (spec.notation != Notation::fixed && spec.notation != Notation::percent)
      return give_up("such notation");
    if (spec.places > 0) digits += "." + std::string(static_cast<std::size_t>(spec.places), '0');
    if (spec.notation == Notation::percent) digits += '%';
  }
  if (spec.sign == Sign::brackets) digits += ";(" + digits + ")";
  return {std::move(digits), std::move(notes)};
}

class JavaPattern final : public family::ProgramDialect<Pattern> {
 public:
  JavaPattern() : facts_(pattern_facts) { facts_.settings = settings_; }

  const DialectFacts& facts() const override { return facts_; }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int, Type type,
                                 Notes& notes) const override {
    const Pattern& pattern = static_cast<const Pattern&>(*parsed.program);
    const bool percent = pattern.multiplier == 100 && pattern.suffix[0].pieces.size() == 1 &&
                         pattern.suffix[0].pieces[0].part == Affix::Part::percent;
    const bool plain_sides = pattern.prefix[0].pieces.empty() &&
                             pattern.prefix[1].pieces.size() == 1 &&
                             pattern.prefix[1].pieces[0].part == Affix::Part::minus &&
                             (percent || pattern.suffix[0].pieces.empty());
    if (pattern.scientific || pattern.least_whole != 1 || !plain_sides || pattern.always_point ||
        pattern.least_places != pattern.most_places || (pattern.group != 0 && pattern.group != 3) ||
        (pattern.multiplier != 1 && !percent)) {
      writing::cannot("the pattern asks what is its own: text, optional digits, an exponent",
                      notes);
      return std::nullopt;
    }
    Spec out;
    out.kind = is_whole(type) && pattern.most_places == 0 && !percent ? Kind::whole : Kind::real;
    if (out.kind == Kind::real) {
      out.notation = percent ? Notation::percent : Notation::fixed;
      out.places = pattern.most_places;
    }
    if (pattern.group == 3) out.group = ",";
    return out;
  }
  WrittenField write_field(const FieldWish& wish) const override { return written_pattern(wish); }
  // One number with text on both sides.
  WrittenTemplate write_template(std::span<const TemplatePart> parts) const override {
    const auto fields = std::count_if(parts.begin(), parts.end(), [](const TemplatePart& part) {
      return part.field.has_value();
    });
    if (fields == 1) return Writer::write_template(parts);
    WrittenTemplate out;
    writing::cannot("a pattern shows one number", out.notes);
    return out;
  }
  std::optional<std::string> write_literal(std::string_view text) const override {
    auto out = writing::literal({.doubled = "'", .control = writing::ControlForm::octal}, text);
    // A quote is written twice, also where nothing is quoted.
    const bool plain = text.find_first_not_of(" :|=/'") == std::string_view::npos;
    if (out && !plain) *out = "'" + *out + "'";
    return out;
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return "System.out.print(new DecimalFormat(\"" + std::string(source) + "\").format(" +
           writing::listed(names, ", ") + "));";
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(parsed, values, options, out, report).run();
  }

  // new DecimalFormat().format(value)
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("#,##0.###");
    return render(shown, {&value, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Pattern& pattern, std::vector<Words>* words) const override {
    read_pattern(out, pattern, words);
    note_quotes(facts(), out);
    if (out.refusal) return;
    // The whole is one field.
    Field field;
    field.span = {0, out.source.size()};
    field.value_index = 0;
    field.spec.kind = Kind::real;
    field.spec.notation = pattern.scientific ? Notation::scientific : Notation::fixed;
    field.spec.places = pattern.most_places;
    out.pieces.push_back({field.span, 0, {}});
    out.fields.push_back(std::move(field));
    out.values_taken = 1;
  }

 private:
  std::array<SettingFact, 2> settings_{
      {{"locale", "whose marks and words are printed", "root", locale_tags(), telling_locales()},
       {"rounding", "the RoundingMode of the format", "half-even", rounding_names}}};
  DialectFacts facts_;
};

}  // namespace

}  // namespace java_language::pattern

const Dialect* java_pattern_dialect() {
  static const java_language::pattern::JavaPattern dialect;
  return &dialect;
}

}  // namespace inky::inline v1
