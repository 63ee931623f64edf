// The dialect `r`: the format string of sprintf.
//
// Defined by the R 4.2 help page of sprintf; the text is that of R 4.2.2 on Linux in a UTF-8
// locale. A list of values is the vector that c() makes of them; nil is NA.
//
// What sets it apart from its family:
//   - vectors: shorter ones are recycled, and the answer is one text for each element;
//   - every failure is a simpleError at run time;
//   - a letter takes values of one mode: a double given to d must be whole (and becomes an integer
//     for the fields after it), a number given to s becomes text of 15 significant digits;
//   - NA, NaN and Inf are padded as text, in any conversion;
//   - width and precision of text count bytes, though the strings are UTF-8.

#include <algorithm>
#include <array>
#include <limits>
#include <string>
#include <vector>

#include "../family/percent_dialect.hpp"
#include "../family/percent_rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "dates.hpp"
#include "dialects.hpp"
#include "format/layout.hpp"
#include "sprintf_facts.hpp"
#include "sprintf_fields.hpp"
#include "text/escape.hpp"
#include "values.hpp"

namespace inky::inline v1 {

namespace r_sprintf {

namespace {

using namespace r_language;

// The mark of the first field where fields choose their values by position. R has no modifiers.
constexpr std::uint8_t may_show_twice = 1;

// ---- Rendering ----

// The mode that an argument has by now: letters change it for the letters after.
struct Argument {
  Mode mode = Mode::unknown;
  Mode before_text = Mode::unknown;  // before s made text of it
};

class Arguments {
 public:
  explicit Arguments(std::size_t count) {
    if (count > few_.size()) many_.resize(count);
  }
  Argument& operator[](std::size_t index) { return many_.empty() ? few_[index] : many_[index]; }

 private:
  std::array<Argument, 16> few_{};
  std::vector<Argument> many_;
};

// One text: element `at` of every argument.
class Rendering final : public percent::Rendering<Rendering> {
 public:
  // They were looked for before the first element.
  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report, std::size_t at,
            Arguments* arguments)
      : percent::Rendering<Rendering>(facts, parsed, values, options, out, report),
        at_(at),
        arguments_(arguments) {}

  bool render(const Field& field) {
    if (!field.defect.empty()) {
      if (field.failure.empty()) return fail(Outcome::undefined(field.defect, field.span));
      return raise(field.defect, field);
    }
    Spec spec = field.spec;
    const bool counts =
        field.width.from == Count::From::value || field.precision.from == Count::From::value;
    if (counts && !take_counts(field, spec)) return false;
    const auto index = static_cast<std::size_t>(field.value_index);
    if (index >= values_.size()) {
      return raise(field.position == unset
                       ? "too few arguments"
                       : "reference to non-existent argument " + std::to_string(field.position),
                   field);
    }
    const Value& value = element(index);
    if (spec.kind == Kind::text && value.is(Type::text) && report_ == nullptr &&
        arguments_ == nullptr && spec.width < surely_short)
      return put_text(field, spec, value.as_text());
    if (report_ == nullptr && arguments_ == nullptr && write_usual(spec, value)) return true;
    Argument& argument = known(index);
    if (at_ == 0) coerce(field, index, argument);
    if (report_ != nullptr) note_type(field, value);
    const std::size_t start = out_.needed();
    if (!render_as(field, spec, value, argument)) return false;
    const std::size_t size = out_.needed() - start;
    if (size > most_bytes && (spec.kind != Kind::text || spec.width != 0)) {
      return raise("required resulting string length " + std::to_string(size) +
                       " is greater than maximal 8192",
                   field);
    }
    return true;
  }

  bool end() {
    if (report_ != nullptr) note_unused("R warns of it");
    return true;
  }

  void note_field(const Field& field) { note_overridden(field); }

 private:
  bool raise(std::string why, const Field& field) {
    return fail(Outcome::fails_at_run("simpleError", std::move(why), field.span));
  }

  const Value& element(std::size_t index) const {
    const Value& value = values_[index];
    return value.is(Type::list) ? value.as_list()[at_ % value.as_list().size()] : value;
  }

  static constexpr int surely_short = 4096;

  // A double as a real, and never too long.
  bool write_usual(const Spec& spec, const Value& value) {
    if (spec.kind != Kind::real || !value.is(Type::f64) || spec.width > surely_short ||
        std::max(spec.places, spec.significant) > surely_short)
      return false;
    const BinaryReal real = nearest_f64(value);
    if (!real.is_finite()) return false;
    lay_out_real(spec, binary64, real, number_style, out_);
    return true;
  }

  Argument& known(std::size_t index) {
    if (arguments_ == nullptr) return once_ = {mode_of(values_[index]), Mode::unknown};
    Argument& argument = (*arguments_)[index];
    if (argument.mode == Mode::unknown) argument.mode = mode_of(values_[index]);
    return argument;
  }

  bool take_counts(const Field& field, Spec& spec) {
    const bool of_width = field.width.from == Count::From::value;
    const Count& count = of_width ? field.width : field.precision;
    if (count.from != Count::From::value) return true;
    const auto index = static_cast<std::size_t>(count.value_index);
    if (index >= values_.size()) return raise("too few arguments", field);
    Mode& mode = known(index).mode;
    const Value& value = element(index);
    const bool number = mode == Mode::integer || mode == Mode::real;
    // Only the first element makes an integer of a double.
    if (!number || (mode == Mode::real && at_ != 0) || value.is(Type::nil) ||
        !is_within_32_bits(value))
      return raise("argument for '*' conversion specification must be a number", field);
    if (at_ == 0) mode = Mode::integer;
    const std::int64_t amount = integer_of(value);
    if (amount > static_cast<std::int64_t>(most_bytes) ||
        -amount > static_cast<std::int64_t>(most_bytes))
      return raise("required resulting string length is greater than maximal 8192", field);
    if (of_width) {
      spec.width = static_cast<int>(amount < 0 ? -amount : amount);
      if (amount < 0) percent::align_as_c(spec, true, false);
    } else if (amount < 0) {
      return fail(Outcome::undefined(
          "R writes a negative precision into the template, and the C library cannot read it",
          field.span));
    } else {
      percent::set_precision(spec, static_cast<int>(amount));
      percent::align_as_c(spec, has_flag(field, '-'),
                          has_flag(field, '0') && spec.kind != Kind::text);
    }
    return true;
  }

  static bool is_within_32_bits(const Value& value) {
    if (!is_real(value.type())) return is_integer(value) || value.is(Type::truth);
    const BinaryReal real = nearest_f64(value);
    return real.is_zero() || (real.is_finite() && real.leading_exponent() < 31);
  }

  // What R makes of the whole argument before its first element is shown.
  void coerce(const Field& field, std::size_t index, Argument& argument) const {
    Mode& mode = argument.mode;
    switch (field.spec.kind) {
      case Kind::whole:
        if (mode == Mode::real && is_whole_double(values_[index])) mode = Mode::integer;
        break;
      case Kind::real:
        if (mode != Mode::character) mode = Mode::real;
        break;
      default:
        if (mode == Mode::character) break;
        argument.before_text = mode;
        mode = Mode::character;
    }
  }

  bool render_as(const Field& field, const Spec& spec, const Value& value,
                 const Argument& argument) {
    const Mode mode = argument.mode;
    const bool decimal = field.letter == 'd' || field.letter == 'i';
    if (mode == Mode::character) {
      if (spec.kind != Kind::text) return refuse(field, "%s for character objects");
      if (value.is(Type::text)) return put_text(field, spec, value.as_text());
      return put_text(field, spec, as_character(value, argument.before_text));
    }
    if (mode == Mode::real) {
      if (spec.kind != Kind::real) return refuse(field, "%f, %e, %g or %a for numeric objects");
      return render_real(field, spec, value);
    }
    if (mode == Mode::logical && !decimal) return refuse(field, "%d or %i for logical objects");
    if (spec.kind != Kind::whole) return refuse(field, "%d, %i, %o, %x or %X for integer objects");
    return render_whole(field, spec, value);
  }

  bool refuse(const Field& field, const char* instead) {
    return raise(
        "invalid format " + in_quotes(parsed_.source_of(field)) + "; use format " + instead, field);
  }

  bool render_whole(const Field& field, const Spec& spec, const Value& value) {
    constexpr std::int64_t lowest = std::numeric_limits<std::int32_t>::min();
    if (value.is(Type::nil)) return put_special(spec, "NA", spec.least_digits);
    const std::int64_t number = integer_of(value);
    if (number == lowest) return put_special(spec, "NA", spec.least_digits);
    if (spec.base == 10) {
      lay_out_decimal(spec, number < 0, low_half(magnitude_of(number)), out_);
      return true;
    }
    if (report_ != nullptr && number < 0) {
      note(Code::bits_reinterpreted,
           std::to_string(number) + " is negative: " + name(field) +
               " shows its 32 bits as an unsigned number",
           field.span);
    }
    percent::lay_out_bits(spec, static_cast<std::uint32_t>(number), out_);
    return true;
  }

  bool render_real(const Field& field, const Spec& spec, const Value& value) {
    if (value.is(Type::nil)) {
      Spec plain = spec;
      plain.sign = spec.sign == Sign::space || has_flag(field, ' ') ? Sign::space : Sign::minus;
      return put_special(plain, plain.sign == Sign::space ? " NA" : "NA", unset);
    }
    const BinaryReal real = nearest_f64(value);
    if (!real.is_finite()) {
      const bool nan = real.kind == RealClass::not_a_number;
      const bool space = has_flag(field, ' ');
      const std::string_view sign = !nan && real.negative          ? "-"
                                    : !nan && has_flag(field, '+') ? "+"
                                    : space                        ? " "
                                                                   : "";
      return put_special(spec, std::string(sign) + (nan ? "NaN" : "Inf"), unset);
    }
    lay_out_real(spec, binary64, real, number_style, out_);
    if (report_ != nullptr && !value.given_in_bits())
      note_rounding(spec, binary64, real, field.span, report_->notes);
    return true;
  }

  // As text: no zeros fill.
  bool put_special(const Spec& spec, std::string_view text, int limit) {
    Spec plain;
    plain.kind = Kind::text;
    plain.width = spec.width;
    plain.limit = limit;
    plain.align = spec.align == Align::left ? Align::left : Align::right;
    lay_out_text(plain, text, WidthUnit::bytes, out_);
    return true;
  }

  bool put_text(const Field& field, const Spec& spec, std::string_view text) {
    lay_out_text(spec, text, unit(), out_);
    if (report_ != nullptr) note_text(spec, text, unit(), field.span, report_->notes);
    return true;
  }

  void note_type(const Field& field, const Value& value) {
    const bool large = is_whole(value.type()) && mode_of(value) == Mode::real;
    if (!large && !(is_real(value.type()) && !value.is(Type::f64))) return;
    note(Code::type_converted,
         "R has no " + std::string(inky::name_of(value.type())) + "; " + describe(value) +
             " becomes a double",
         field.span);
  }

  std::size_t at_;
  Arguments* arguments_;  // null where no value is shown twice
  Argument once_;
};

// ---- Writing ----

constexpr percent::WritingRules writing_rules = {
    .facts = &r_sprintf::facts, .plain = 's', .converts = true};
constexpr writing::LiteralRules literal_rules = {
    .doubled = "%", .control = writing::ControlForm::octal, .nul = false};

class R final : public family::PercentDialect {
 public:
  R() : PercentDialect(syntax, writing_rules, literal_rules), facts_(r_sprintf::facts) {
    facts_.settings = settings_;
  }

  const DialectFacts& facts() const override { return facts_; }

  Placing placing() const override { return Placing::positions; }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return std::string("cat(sprintf(\"") + std::string(source) + "\"" +
           (names.empty() ? "" : ", ") + writing::listed(names, ", ", "") + "))";
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    if (std::any_of(values.begin(), values.end(), r_language::are_dates))
      return render_dates(parsed, values, options, out, report);
    if (const Value* rare = find_rare(values)) return rare_value(*rare, facts().language);
    const bool vectors = std::any_of(values.begin(), values.end(),
                                     [](const Value& value) { return value.is(Type::list); });
    if (!parsed.refusal && (vectors || shows_twice(parsed)))
      return render_elements(parsed, values, options, out, report);
    return render_element(parsed, values, options, out, report, 0, nullptr);
  }

  // print(), as at the prompt.
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    if (r_language::is_date(value)) {
      const Value shown = r_language::in_utc(value);
      std::string unknown;
      const auto texts =
          r_language::date_texts({&shown, 1}, {.codes = {}, .has_zone = true}, unknown);
      out.append("[1] \"" + texts->front() + "\"");
      return {};
    }
    if (const Value* rare = find_rare({&value, 1})) return rare_value(*rare, facts().language);
    constexpr int significant_digits = 7;
    if (value.is(Type::list)) {
      return Outcome::error({Code::not_supported_yet,
                             "a vector printed plainly is not supported yet",
                             {},
                             "Give one value."});
    }
    out.append("[1] ");
    if (is_text_or_character(value))
      out.append(printed_quoted(text_of(value)));
    else if (mode_of(value) == Mode::real)
      out.append(real_text(nearest_f64(value), significant_digits));
    else
      out.append(as_character(value, mode_of(value)));
    return {};
  }

 private:
  // A date is a text for %s, as as.character() makes it, and its number for all others.
  Outcome render_dates(const TemplateContent& parsed, std::span<const Value> values,
                       const RenderOptions& options, Output& out, Report* report) const {
    std::vector<Value> plain(values.begin(), values.end());
    for (std::size_t i = 0; i < plain.size(); ++i) {
      if (!r_language::are_dates(plain[i])) continue;
      std::optional<bool> as_text;
      for (const Field& field : parsed.fields) {
        if (field.value_index != static_cast<int>(i)) continue;
        const bool is_text = field.spec.kind == Kind::text;
        if (as_text && *as_text != is_text)
          return Outcome::error({Code::not_supported_yet,
                                 "a date as a text and as a number is not supported yet",
                                 field.span, "Give it twice."});
        as_text = is_text;
      }
      auto made = r_language::plain_dates(plain[i], as_text.value_or(true));
      if (!made) return rare_value(plain[i], facts().language);
      const bool is_named = plain[i].is_named();
      const std::string name(plain[i].name());
      plain[i] = std::move(*made);
      if (is_named) plain[i].set_name(name);
    }
    return do_render(parsed, plain, options, out, report);
  }

  void settle(TemplateContent& parsed) const override {
    refuse_mixed_escapes(parsed);
    // A value shown twice may change its mode in between.
    const bool by_position =
        std::any_of(parsed.fields.begin(), parsed.fields.end(),
                    [](const Field& field) { return field.position != unset; });
    if (!by_position) return;
    percent::Parts parts = percent::parts_of(parsed.fields.front());
    parts.modifier = may_show_twice;
    percent::set_parts(parsed.fields.front(), parts);
    for (Field& field : parsed.fields) field.plain_decimal = false;
  }

  static bool shows_twice(const TemplateContent& parsed) {
    return !parsed.fields.empty() &&
           percent::parts_of(parsed.fields.front()).modifier == may_show_twice;
  }

  // One literal may name characters or bytes, not both.
  static void refuse_mixed_escapes(TemplateContent& parsed) {
    const std::string_view source = parsed.source;
    bool characters = false;
    bool bytes = false;
    for (std::size_t at = 0; at + 1 < source.size(); ++at) {
      if (source[at] != '\\') continue;
      const char letter = source[++at];
      characters |= letter == 'u' || letter == 'U';
      bytes |= letter == 'x' || (letter >= '0' && letter <= '7');
    }
    if (!characters || !bytes || parsed.refusal) return;
    parsed.refusal = {Refusal::When::compile, "parse error",
                      "mixing Unicode and octal/hex escapes in a string is not allowed",
                      Span{0, source.size()}};
  }

  // The one place where a walk is made, so that it is made of one piece.
  static Outcome render_element(const TemplateContent& parsed, std::span<const Value> values,
                                const RenderOptions& options, Output& out, Report* report,
                                std::size_t at, Arguments* arguments) {
    return Rendering(parsed, values, options, out, report, at, arguments).run();
  }

  // One text for each element of the longest vector.
  [[gnu::noinline]] static Outcome render_elements(const TemplateContent& parsed,
                                                   std::span<const Value> values,
                                                   const RenderOptions& options, Output& out,
                                                   Report* report) {
    Arguments arguments(values.size());
    std::size_t longest = 1;
    bool empty = false;
    for (const Value& value : values) {
      if (!value.is(Type::list)) continue;
      longest = std::max(longest, value.as_list().size());
      empty |= value.as_list().empty();
      const auto items = value.as_list();
      if (std::any_of(items.begin(), items.end(),
                      [](const Value& item) { return item.is(Type::list); })) {
        return Outcome::error({Code::not_supported_yet,
                               "a list in a list is not supported yet",
                               {0, parsed.source.size()},
                               "Give its items in one list."});
      }
    }
    std::vector<Span> texts;
    if (empty) longest = 0;
    for (const Value& value : values) {
      if (value.is(Type::list) && !empty && longest % value.as_list().size() != 0) {
        return Outcome::fails_at_run("simpleError",
                                     "arguments cannot be recycled to the same length",
                                     {0, parsed.source.size()});
      }
    }
    const std::size_t start = out.needed();
    for (std::size_t at = 0; at < longest; ++at) {
      if (at != 0) out.append('\n');
      const std::size_t from = out.needed() - start;
      // What there is to note is noted of the first.
      Report later;
      Report* const told = report == nullptr ? nullptr : at == 0 ? report : &later;
      Outcome outcome = render_element(parsed, values, options, out, told, at, &arguments);
      for (const PlacedField& placed : later.fields) {
        report->fields.push_back(
            {placed.field, {from + placed.output.from, from + placed.output.to}, placed.value});
      }
      if (!outcome.prints()) {
        out.cut_back(start);
        return outcome;
      }
      texts.push_back({from, out.needed() - start});
    }
    if (report != nullptr && texts.size() != 1) report->texts = std::move(texts);
    return {};
  }

  const std::array<SettingFact, 1> settings_{r_language::locale_setting()};
  DialectFacts facts_;
};

}  // namespace

}  // namespace r_sprintf

const Dialect* r_dialect() {
  static const r_sprintf::R dialect;
  return &dialect;
}

}  // namespace inky::inline v1
