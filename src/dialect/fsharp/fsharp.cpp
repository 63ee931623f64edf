// The dialect `fsharp`: the typed format string of sprintf and printf.
//
// Defined by the FSharp.Core documentation, Printf module; the text is that of F# on .NET 10.
//
// What sets it apart from its family:
//   - the compiler reads the template: a field it cannot read is FS0741, a value of the wrong type,
//     or too few or too many of them, FS0001;
//   - %u, %x, %o and %B show the two's complement of the value's own width;
//   - e writes an exponent of three digits, g one of two;
//   - O shows any value as ToString() has it, A as it would be written in F#;
//   - width counts UTF-16 units; infinities and not-a-number take neither sign nor zeros.

#include <algorithm>
#include <array>

#include "../family/dotnet_decimal.hpp"
#include "../family/escapes.hpp"
#include "../family/percent_dialect.hpp"
#include "../family/percent_rendering.hpp"
#include "../family/utf16.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "decimals.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/weighing.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::fsharp {

namespace {

// ---- Reading ----

constexpr bool has_flag(const Field& field, char flag) {
  return percent::has_flag(facts, field, flag);
}

constexpr std::string_view unread_when_run = "ArgumentException";

bool is_whole_letter(char letter) {
  return std::string_view("diuxXoB").find(letter) != std::string_view::npos;
}

// Why the compiler cannot read a field; empty where it can.
std::string find_fault(const Field& field, std::string_view source) {
  if (field.position != unset && field.letter != '%')
    return "positional specifiers are not permitted in format strings";
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  const bool no_conversion = std::string_view("%at").find(field.letter) != std::string_view::npos;
  if (field.letter == 0) return "missing format specifier";
  if (field.letter == '#') return "the # formatting modifier is invalid in F#";
  if (conversion == nullptr && !no_conversion)
    return "bad format specifier; a percent sign itself is written %%";
  if (percent::parts_of(field).repeats_flag) return "a flag is set twice";
  if (has_flag(field, '+') && has_flag(field, ' ')) return "prefix flag (' ' or '+') set twice";
  const std::size_t point = source.find('.');
  if (point != std::string_view::npos && !is_digit(source[point + 1]) && source[point + 1] != '*')
    return "precision missing after the '.'";
  if (no_conversion) return {};
  for (const char flag : {'+', ' ', '0'}) {
    if (has_flag(field, flag) && conversion->flags.find(flag) == std::string_view::npos)
      return std::string("%") + field.letter + " does not support the flag " +
             in_quotes({&flag, 1});
  }
  if (field.precision.given() && !conversion->precision)
    return std::string("%") + field.letter + " does not support a precision";
  return {};
}

void finish(Field& field, std::string_view source) {
  field.defect = find_fault(field, source);
  // The compiler lets it pass, with a warning; Printf does not.
  if (field.defect.empty() && field.position != unset) {
    field.defect = "bad format specifier: a percent sign has no position";
    field.failure = unread_when_run;
    return;
  }
  if (!field.defect.empty()) {
    field.failure = "FS0741";
    return;
  }
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  if (conversion == nullptr) return;
  Spec& spec = field.spec;
  spec.kind = conversion->kind;
  if (field.letter == 'M') {
    // Signs and zeros as a whole number has them; a precision means nothing.
    spec.kind = Kind::whole;
    spec.sign = percent::sign_of(facts, field);
  } else if (is_whole_letter(field.letter) || spec.kind == Kind::real) {
    percent::set_letter(spec, field.letter);
    if (field.letter == 'B') spec.base = 2;
    spec.sign = percent::sign_of(facts, field);
  } else {
    spec.kind = Kind::text;
  }
  if (field.width.from == Count::From::source) spec.width = field.width.amount;
  if (spec.kind == Kind::real) {
    percent::set_precision(
        spec, field.precision.from == Count::From::source ? field.precision.amount : unset);
    if (spec.notation == Notation::compact && field.precision.from == Count::From::source &&
        field.precision.amount == 0)
      spec.significant = unset;
  }
  percent::align_as_c(spec, has_flag(field, '-'), has_flag(field, '0') && spec.kind != Kind::text);
  // On the right, the zeros of a real are zeros too.
  if ((spec.kind == Kind::real || field.letter == 'M') && has_flag(field, '0')) spec.fill = "0";
  field.plain_decimal = (field.letter == 'd' || field.letter == 'i') && percent::is_bare(field);
}

constexpr percent::Syntax syntax = {.facts = &facts,
                                    .most_position = most_width,
                                    .positions_mix = true,
                                    .unknown_letters_take_values = true,
                                    .valueless = "%",
                                    .read_escape = read_escape,
                                    .finish = finish};

// ---- Rendering ----

class Rendering final : public percent::Rendering<Rendering> {
 public:
  using percent::Rendering<Rendering>::Rendering;

  bool render(const Field& field) {
    Spec spec = field.spec;
    bool bad_precision = false;
    if (!take_counts(field, spec, bad_precision)) return false;
    if (field.letter == '%') {
      out_.append('%');
      return true;
    }
    const Value& value = values_[static_cast<std::size_t>(field.value_index)];
    if (report_ != nullptr) note_type(field, value);
    if (value.is(Type::decimal) && !hold(field, value)) return false;
    switch (field.letter) {
      case 'A':
        return put_written(field, value);
      case 'O':
        return put_text(field, spec, value.is(Type::nil) ? "<null>" : to_string(value));
      case 'b':
        return put_text(field, spec, value.as_whole() != 0 ? "true" : "false");
      case 's':
        if (value.is(Type::text)) return put_text(field, spec, value.as_text());
        return put_text(field, spec, to_string(value));
      case 'c':
        return put_text(field, spec, to_string(value));
      default:
        break;
    }
    if (spec.kind == Kind::whole && !value.is(Type::decimal))
      return render_whole(field, spec, value);
    if (bad_precision) {
      return fail(
          Outcome::error({Code::not_supported_yet, "a negative precision is not supported yet",
                          field.span, "Use 0 or more."}));
    }
    return render_real(field, spec, value);
  }

  bool end() { return true; }

  void note_field(const Field& field) {
    if (has_flag(field, '0') && has_flag(field, '-'))
      note(Code::flag_overridden, "the flag - switches the flag 0 off", field.span);
  }

  // What the compiler finds wrong with the values; it comes before any text.
  std::optional<Outcome> check_types() {
    for (const Field& field : parsed_.fields) {
      const auto index = static_cast<std::size_t>(field.value_index);
      // The commonest field of all.
      if (field.plain_decimal && index < values_.size() && values_[index].is(Type::i32)) continue;
      if (field.letter == 'a' || field.letter == 't') {
        return Outcome::error({Code::not_supported_yet,
                               "%a and %t, which take functions, are not supported yet", field.span,
                               "Use %O or %A."});
      }
      for (const Count* count : {&field.width, &field.precision}) {
        if (count->from != Count::From::value) continue;
        if (auto fault = fault_of(
                field, count->value_index, [](const Value& value) { return value.is(Type::i32); },
                "int"))
          return fault;
      }
      if (field.value_index == unset) continue;
      if (auto fault = fault_of(
              field, field.value_index, [&](const Value& value) { return takes(field, value); },
              wanted(field)))
        return fault;
    }
    const auto taken = static_cast<std::size_t>(parsed_.values_taken);
    if (values_.size() <= taken) return std::nullopt;
    return Outcome::fails_at_compile(
        "FS0001", "the template takes " + std::to_string(taken) + ", and more are given",
        {0, parsed_.source.size()});
  }

 private:
  template <typename Takes>
  std::optional<Outcome> fault_of(const Field& field, int index, Takes good,
                                  std::string_view wanted_type) const {
    const auto at = static_cast<std::size_t>(index);
    if (at < values_.size() && good(values_[at])) return std::nullopt;
    return mismatch(field, at, wanted_type);
  }

  // Kept out of the check, which is made of every field.
  [[gnu::noinline]] Outcome mismatch(const Field& field, std::size_t at,
                                     std::string_view wanted_type) const {
    if (at >= values_.size()) {
      return Outcome::fails_at_compile(
          "FS0001", name(field) + " is given no value: what is made is a function, not a string",
          field.span);
    }
    if (values_[at].is(Type::nil) && static_cast<int>(at) == field.value_index) {
      const bool single_type = field.letter == 'c' || field.letter == 'b';
      return Outcome::fails_at_compile(single_type ? "FS0043" : "FS0071",
                                       std::string(wanted_type) + " does not have null as a value",
                                       field.span);
    }
    return Outcome::fails_at_compile("FS0001",
                                     "the type " + in_quotes(type_name(values_[at])) +
                                         " is not compatible with " + std::string(wanted_type),
                                     field.span);
  }

  static bool takes(const Field& field, const Value& value) {
    switch (field.letter) {
      case 'A':
      case 'O':
        return true;
      case 'M':
        return value.is(Type::decimal);
      case 's':
        return is_string(value) || value.is(Type::nil);
      case 'c':
        return is_char(value);
      case 'b':
        return value.is(Type::truth);
      default:
        return field.spec.kind == Kind::whole ? is_integer(value)
                                              : is_real(value.type()) || value.is(Type::decimal);
    }
  }

  static std::string_view wanted(const Field& field) {
    switch (field.letter) {
      case 'M':
        return "decimal";
      case 's':
        return "string";
      case 'c':
        return "char";
      case 'b':
        return "bool";
      default:
        return field.spec.kind == Kind::whole
                   ? "byte, int16, int32, int64, sbyte, uint16, uint32, uint64"
                   : "float, float32, decimal";
    }
  }

  bool take_counts(const Field& field, Spec& spec, bool& bad_precision) {
    if (field.width.from == Count::From::value) {
      const Value& value = values_[static_cast<std::size_t>(field.width.value_index)];
      const int128 width = value.as_whole();
      if (width < 0) {
        return fail(Outcome::fails_at_run("ArgumentOutOfRangeException",
                                          "totalWidth must be a non-negative value", field.span));
      }
      if (!within_limit(field, value, width)) return false;
      spec.width = static_cast<int>(width);
    }
    if (field.precision.from == Count::From::value) {
      const Value& value = values_[static_cast<std::size_t>(field.precision.value_index)];
      const int128 precision = value.as_whole();
      if (!within_limit(field, value, precision)) return false;
      bad_precision = precision < 0;
      if (!bad_precision && spec.kind == Kind::real) {
        percent::set_precision(spec, static_cast<int>(precision));
        if (spec.notation == Notation::compact && precision == 0) spec.significant = unset;
      }
    }
    return true;
  }

  bool render_whole(const Field& field, const Spec& spec, const Value& value) {
    const int128 number = value.as_whole();
    if (field.letter == 'd' || field.letter == 'i') {
      lay_out_decimal(spec, number < 0, low_half(magnitude_of(number)), out_);
      return true;
    }
    const int width = fact_of(value.type()).width;
    if (report_ != nullptr && number < 0) {
      note(Code::bits_reinterpreted,
           describe(value) + " is negative: " + name(field) + " shows its " +
               std::to_string(width) + " bits as an unsigned number",
           field.span);
    }
    WholeRoom room;
    lay_out_whole(spec, false,
                  write_whole(wrap_unsigned(number, width), spec.base, spec.letters, room), {},
                  out_);
    return true;
  }

  bool render_real(const Field& field, const Spec& given, const Value& value) {
    if (value.is(Type::decimal)) {
      const bool all_digits = field.precision.given() && given.significant == unset;
      lay_out_decimal(field.letter, all_digits, given, *decimal96(value.as_decimal()), out_);
      return true;
    }
    const BinaryReal real = real_of(value);
    Spec spec = given;
    const bool general = spec.notation == Notation::compact;
    if (general && spec.align == Align::left && is_whole_number(real)) spec.fill = " ";
    if (!real.is_finite()) {
      spec.sign = Sign::minus;
      spec.letters = Letters::lower;
      lay_out_real(spec, binary64, real, numbers, out_);
      return true;
    }
    if (real.is_zero() && real.negative && (spec.sign != Sign::minus || spec.align == Align::inner))
      return render_signed_zero(spec, real);
    if (spec.notation == Notation::compact && spec.significant == unset) {
      lay_out_shortest(spec, is_single(value) ? binary32 : binary64, real, out_);
      return true;
    }
    const bool scientific = spec.notation == Notation::scientific;
    lay_out_real(spec, binary64, real, scientific ? scientific_numbers : numbers, out_);
    if (report_ != nullptr && !value.given_in_bits())
      note_rounding(spec, is_single(value) ? binary32 : binary64, real, field.span, report_->notes);
    return true;
  }

  // Whether .NET can hold the decimal.
  bool hold(const Field& field, const Value& value) {
    Result<Decimal> held =
        held_by_dotnet(value, field.span, report_ == nullptr ? nullptr : &report_->notes);
    return held || fail(Outcome::error(std::move(held.error())));
  }

  // A negative zero is not below zero, so the sign and the zeros that were asked for stand in front
  // of its own.
  bool render_signed_zero(const Spec& given, const BinaryReal& zero) {
    Spec spec = given;
    spec.sign = Sign::minus;
    spec.width = 0;
    const bool scientific = spec.notation == Notation::scientific;
    TextBuffer text;
    lay_out_real(spec, binary64, zero, scientific ? scientific_numbers : numbers, text);
    Spec padded = given;
    padded.sign = Sign::minus;
    const std::string_view sign = given.sign == Sign::always  ? "+"
                                  : given.sign == Sign::space ? " "
                                                              : "";
    lay_out_whole(padded, false, text.view(), sign, out_);
    return true;
  }

  bool shows_no_part(const Count& count) const {
    if (count.from == Count::From::source) return count.amount == 0;
    return count.from == Count::From::value &&
           values_[static_cast<std::size_t>(count.value_index)].as_whole() <= 0;
  }

  // A width of A is that of the line, past which a structure is broken.
  bool put_written(const Field& field, const Value& value) {
    constexpr int usual_line = 80;
    // A precision is how many parts are shown; every value is one.
    if (shows_no_part(field.precision)) {
      out_.append("...");
      return true;
    }
    const std::string text = written(value);
    const int line = has_flag(field, '0')    ? most_width
                     : field.spec.width != 0 ? field.spec.width
                                             : usual_line;
    const bool broken = value.is(Type::list) &&
                        (measure(text, WidthUnit::utf16_units) >= static_cast<std::size_t>(line) ||
                         value.as_list().size() > 100 || field.precision.given());
    const bool control = text.find_first_of("\n\r\t\b") != std::string::npos;
    if (broken || (control && !value.is(Type::text))) {
      return fail(Outcome::error({Code::not_supported_yet,
                                  broken ? "a structure past one line of %A is not supported yet"
                                         : "control characters in %A are not supported yet",
                                  field.span, "Use %0A, or fewer items."}));
    }
    out_.append(text);
    return true;
  }

  bool put_text(const Field& field, const Spec& spec, std::string_view text) {
    lay_out_text(spec, text, unit(), out_);
    if (report_ != nullptr) note_text(spec, text, unit(), field.span, report_->notes);
    return true;
  }

  void note_type(const Field& field, const Value& value) {
    const bool lacks = value.is(Type::f16) || value.is(Type::bf16) || value.is(Type::f80) ||
                       value.is(Type::f128) || value.is(Type::i128) || value.is(Type::u128) ||
                       (value.is(Type::character) && !is_char(value));
    if (!lacks) return;
    note(Code::type_converted,
         "F# has no " + std::string(inky::name_of(value.type())) + " for " + describe(value) +
             "; it becomes a " + std::string(type_name(value)),
         field.span);
  }
};

// ---- Writing ----

constexpr percent::WritingRules writing_rules = {
    .facts = &fsharp::facts, .plain = 'O', .truth = 'b', .binary = 'B', .unsigned_letter = 'u'};
constexpr writing::LiteralRules literal_rules = {.doubled = "%",
                                                 .control = writing::ControlForm::unicode};

class FSharp final : public family::PercentDialect {
 public:
  FSharp() : PercentDialect(syntax, writing_rules, literal_rules) {}

  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return "printf \"" + std::string(source) + "\"" + writing::listed(names, "", " ");
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    if (const Value* rare = find_rare(values, true, true, true))
      return rare_value(*rare, facts().language);
    Rendering rendering(fsharp::facts, parsed, values, options, out, report);
    if (!parsed.refusal || parsed.refusal->when == Refusal::When::run) {
      if (auto fault = rendering.check_types()) return std::move(*fault);
    }
    return rendering.run();
  }

  // The function string, and Console.WriteLine.
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    if (const Value* rare = find_rare({&value, 1}, true, true, true))
      return rare_value(*rare, facts().language);
    out.append(to_string(value));
    return {};
  }

 private:
  void settle(TemplateContent& parsed) const override {
    static constexpr std::string_view prefixes[] = {"$\"",  "@\"",    "$@\"",
                                                    "@$\"", "\"\"\"", "$\"\"\""};
    if (refuse_prefixed(prefixes, "interpolated, verbatim and triple-quoted strings",
                        "Write %.2f and give the value, and leave the quotes out.", parsed))
      return;
    for (const Field& field : parsed.fields) {
      const bool settled = parsed.refusal && parsed.refusal->when != Refusal::When::run;
      if (field.failure.empty() || settled) continue;
      const bool late = field.failure == unread_when_run;
      if (late && parsed.refusal) continue;
      parsed.refusal = {late ? Refusal::When::run : Refusal::When::compile, field.failure,
                        field.defect, field.span};
    }
  }
};

}  // namespace

}  // namespace inky::inline v1::fsharp

namespace inky::inline v1 {

const Dialect* fsharp_dialect() {
  static const fsharp::FSharp dialect;
  return &dialect;
}

}  // namespace inky::inline v1
