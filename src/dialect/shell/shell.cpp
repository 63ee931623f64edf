// printf of a POSIX shell, as dash has it.
//
// The template is between single quotes, so that the shell itself leaves it alone. An argument
// is a text; a number is read from it. What cannot be read is complained of, and printed all the
// same, with an exit status of 1; a directive that there is not ends the text, with 2. While
// arguments are left, the template is printed again.
//
// Source: POSIX.1-2017, XCU, printf; observed with dash 0.5.12 on the GNU C library 2.36.

#include <limits>
#include <optional>

#include "../family/escapes.hpp"
#include "../family/percent_dialect.hpp"
#include "../family/percent_rendering.hpp"
#include "../family/values.hpp"
#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialects.hpp"
#include "format/layout.hpp"
#include "numbers.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "words.hpp"

namespace inky::inline v1::shell {

namespace {

// ---- Facts ----

constexpr auto conversions = std::to_array<ConversionFact>({
    {'d', Kind::whole, "a whole number of 64 bits in base 10", "-+ 0", true, ""},
    {'i', Kind::whole, "as d", "-+ 0", true, ""},
    {'u', Kind::whole, "a whole number read as unsigned, in base 10", "-0", true, ""},
    {'o', Kind::whole, "the 64 bits of a whole number in base 8", "-#0", true, ""},
    {'x', Kind::whole, "the 64 bits of a whole number in base 16", "-#0", true, ""},
    {'X', Kind::whole, "as x, upper letters", "-#0", true, ""},
    {'f', Kind::real, "a real in fixed notation; 6 places without a precision", "-+ #0", true, ""},
    {'F', Kind::real, "as f, upper letters", "-+ #0", true, ""},
    {'e', Kind::real, "a real in scientific notation; 6 places without a precision", "-+ #0", true,
     ""},
    {'E', Kind::real, "as e, upper letters", "-+ #0", true, ""},
    {'g', Kind::real,
     "a real, fixed or scientific by size, trailing zeros dropped; 6 significant digits without a "
     "precision",
     "-+ #0", true, ""},
    {'G', Kind::real, "as g, upper letters", "-+ #0", true, ""},
    {'a', Kind::real, "a real in base 16", "-+ #0", true, ""},
    {'A', Kind::real, "as a, upper letters", "-+ #0", true, ""},
    {'b', Kind::text, "a text whose escapes are read", "-", true, ""},
    {'c', Kind::character, "the first byte of a text", "-", false, ""},
    {'s', Kind::text, "a text", "-", true, ""},
});

constexpr auto flags = std::to_array<FlagFact>({
    {'-', "left", "pads on the right"},
    {'+', "plus", "a plus sign on numbers that are not negative"},
    {' ', "space", "a space where a minus sign would stand"},
    {'#', "prefix", "0x or 0 in front"},
    {'0', "zeros", "pads with zeros, after the sign"},
});

constexpr auto modifiers = std::to_array<ModifierFact>({{"", "nothing"}});

constexpr auto escapes = std::to_array<EscapeFact>({
    {"%%", "a percent sign"},
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\\", "a backslash"},
    {"\\a", "the bell"},
    {"\\b", "a backspace"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\v", "a vertical tab"},
    {"\\101", "the byte of this octal number, up to three digits"},
});

constexpr auto failures = std::to_array<FailureFact>({
    {"a text that is no number", "prints 0, and complains: expected numeric value; status 1"},
    {"a text that begins with a number", "prints that, and complains: not completely converted"},
    {"a number that 64 bits do not hold", "prints the nearest, and complains; status 1"},
    {"an unknown letter", "the text ends there: invalid directive; status 2"},
    {"a field broken off", "the text ends there: missing format character; status 2"},
    {"a template that begins with a minus sign", "Illegal option; status 2"},
});

constexpr auto program_types = std::to_array<TypeForm>({
    {Type::i32, ""},
    {Type::i64, ""},
    {Type::u64, ""},
    {Type::decimal, ""},
    {Type::text, ""},
});

constexpr ProgramForm own_program = {.before = "#!/bin/sh\n",
                                     .declaration = "@N=@V\n",
                                     .statement = "@S\n",
                                     .after = "",
                                     .types = program_types,
                                     .control = ControlEscape::itself,
                                     .direction = DirectionEscape::itself,
                                     .escaped = "\"\\$`"};

constexpr RunForm own_run = {"dash", "", "dash", "main.sh", "", "@ main.sh"};

constexpr DialectFacts facts = {
    .id = "shell",
    .language = "POSIX shell",
    .facility = "printf",
    .standard = "POSIX.1-2017, XCU, printf",
    .toolchain = "dash 0.5.12 on the GNU C library 2.36",
    .program = "dash",
    .width_unit = WidthUnit::bytes,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .quotes = "'",
    .decimals = Decimals::with_specials,
    .forms = {.program = &own_program, .run = &own_run, .composing = &composing},
    .conversions = conversions,
    .flags = flags,
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

// ---- Reading ----

constexpr bool is_octal_digit(char c) {
  return c >= '0' && c <= '7';
}

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  constexpr std::string_view letters = "\\abfnrtv";
  constexpr std::string_view meanings = "\\\a\b\f\n\r\t\v";
  const std::string_view rest = std::string_view(out.source).substr(at + 1);
  if (rest.empty() ||
      (letters.find(rest[0]) == std::string_view::npos && !is_octal_digit(rest[0]))) {
    out.notes.push_back({Code::unknown_escape,
                         "printf has no such escape, and keeps the backslash",
                         {at, std::min(at + 2, out.source.size())}});
    out.literals += '\\';
    return 1;
  }
  if (const std::size_t which = letters.find(rest[0]); which != std::string_view::npos) {
    out.literals += meanings[which];
    return 2;
  }
  constexpr std::size_t most_digits = 3;
  unsigned byte = 0;
  std::size_t size = 0;
  for (; size < most_digits && size < rest.size() && is_octal_digit(rest[size]); ++size)
    byte = byte * 8 + static_cast<unsigned>(rest[size] - '0');
  out.literals += static_cast<char>(byte & 0xFFU);
  return 1 + size;
}

constexpr bool has_flag(const Field& field, char flag) {
  return percent::has_flag(facts, field, flag);
}
bool is_signed(char letter) {
  return letter == 'd' || letter == 'i';
}

void finish(Field& field, std::string_view) {
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  if (conversion == nullptr) {
    field.failure = field.letter == 0 ? "missing format character" : "invalid directive";
    field.defect =
        field.letter == 0 ? "the field breaks off" : "printf of a shell has no such letter";
    return;
  }
  Spec& spec = field.spec;
  spec.kind = conversion->kind;
  percent::set_letter(spec, field.letter);
  const bool is_real_letter = spec.kind == Kind::real;
  if (is_signed(field.letter) || is_real_letter) spec.sign = percent::sign_of(facts, field);
  if (is_real_letter)
    spec.keep_point = has_flag(field, '#');
  else
    spec.prefix = has_flag(field, '#');
  if (field.width.from == Count::From::source) spec.width = field.width.amount;
  if (spec.kind != Kind::character)
    percent::set_precision(
        spec, field.precision.from == Count::From::source ? field.precision.amount : unset);
  percent::align_as_c(spec, has_flag(field, '-'),
                      has_flag(field, '0') && (spec.kind == Kind::whole || is_real_letter));
}

constexpr percent::Syntax syntax = {
    .facts = &facts, .fields_have_no_escapes = true, .read_escape = read_escape, .finish = finish};

// ---- Printing ----

constexpr NumberStyle numbers = {.carry_drops_zeros = true};

class Rendering final : public percent::Rendering<Rendering> {
 public:
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : percent::Rendering<Rendering>(shell::facts, parsed, values, options, out, report) {}

  // The template again while there are arguments, as long as it takes some.
  Outcome run_over_arguments() {
    if (auto error = refuse_values()) return Outcome::error(std::move(*error));
    const std::size_t start = out_.needed();
    if (report_ != nullptr) begin_report();
    if (parsed_.refusal) return refused();
    std::size_t before = 0;
    do {
      before = taken_;
      for (const Piece& piece : parsed_.pieces) {
        if (piece.field == unset)
          out_.append(parsed_.literal(piece));
        else if (!place(piece.field, start))
          return stopped(start);
        if (out_.needed() > start + most_output) {
          out_.cut_back(start);
          return too_long(piece.source);
        }
      }
    } while (taken_ < values_.size() && taken_ > before);
    if (complaints_.empty()) return {};
    return Outcome::complains(std::move(complaints_), 1);
  }

  bool render(const Field& field) {
    Spec spec = field.spec;
    for (const bool is_width : {true, false}) {
      const Count& count = is_width ? field.width : field.precision;
      if (count.from == Count::From::value && !take_count(field, is_width, spec)) return false;
    }
    if (!field.failure.empty()) {
      complaints_.push_back({field.failure, field.defect, field.span});
      return false;
    }
    shown_ = taken_ < values_.size() ? static_cast<int>(taken_) : unset;
    const Value* value = taken_ < values_.size() ? &values_[taken_] : nullptr;
    ++taken_;
    if (value != nullptr && is_real(value->type())) {
      if (spec.kind == Kind::real) return put_real(spec, value->as_real());
      return fail(Outcome::error(
          {Code::not_supported_yet, describe(*value) + " as a text in a shell is not supported yet",
           field.span, "All arguments there are texts: give it as one, as in 9.55:text."}));
    }
    const std::optional<std::string> argument =
        value != nullptr ? std::optional(argument_of(*value)) : std::nullopt;
    switch (spec.kind) {
      case Kind::text:
        if (field.letter == 'b') return put_escaped(field, spec, argument.value_or(""));
        lay_out_text(spec, argument.value_or(""), unit(), out_);
        return true;
      case Kind::character:
        // Nothing has a byte that ends it, and that is printed.
        lay_out_text(spec,
                     argument && !argument->empty() ? argument->substr(0, 1) : std::string(1, '\0'),
                     WidthUnit::bytes, out_);
        return true;
      case Kind::real:
        return put_real_text(field, spec, argument.value_or(""));
      default:
        put_number(field, spec, argument.value_or(""));
        return true;
    }
  }

  void note_field(const Field& field) { note_overridden(field); }
  bool end() { return true; }

 private:
  // An argument as the shell passes it.
  static std::string argument_of(const Value& value) {
    if (value.is(Type::decimal)) return to_text(value.as_decimal());
    return is_text_or_character(value) ? text_of(value) : whole_text(value);
  }

  std::optional<Error> refuse_values() const {
    for (const Value& value : values_) {
      const bool is_plain_real = value.is(Type::f32) || value.is(Type::f64);
      if (!is_whole(value.type()) && !is_text_or_character(value) && !is_plain_real &&
          !value.is(Type::decimal))
        return Error{Code::not_supported_yet,
                     describe(value) + " as an argument in a shell is not supported yet",
                     {},
                     "All arguments there are texts: give the text itself."};
      if (is_text_or_character(value) && text_of(value).find('\0') != std::string::npos)
        return Error{Code::bad_value, "an argument in a shell has no byte 0", {}, "Leave it out."};
    }
    return std::nullopt;
  }

  // The number of the byte behind a quote that an argument begins with.
  static std::optional<std::uint64_t> quoted_byte(std::string_view argument) {
    if (argument.empty() || (argument[0] != '\'' && argument[0] != '"')) return std::nullopt;
    return static_cast<unsigned char>(argument.size() > 1 ? argument[1] : '\0');
  }

  // A width or a precision given as "*".
  bool take_count(const Field& field, bool is_width, Spec& spec) {
    const std::string argument = taken_ < values_.size() && !is_real(values_[taken_].type())
                                     ? argument_of(values_[taken_])
                                     : std::string();
    ++taken_;
    ReadNumber number = read_number(argument);
    if (const auto byte = quoted_byte(argument)) {
      number.magnitude = *byte;
      number.size = argument.size();
    }
    if (number.magnitude > static_cast<std::uint64_t>(most_width))
      return fail(Outcome::error({Code::over_limit, "a width or precision over the limit",
                                  field.span, "Use a smaller one."}));
    complain(field, argument, number.size, false);
    const int amount = static_cast<int>(number.magnitude);
    const bool left = spec.align == Align::left;
    if (is_width) {
      spec.width = amount;
      if (number.negative) percent::align_as_c(spec, true, false);
    } else {
      // A negative precision is taken as if it were left out.
      percent::set_precision(spec, number.negative ? unset : amount);
      if (!number.negative && spec.kind == Kind::whole) percent::align_as_c(spec, left, false);
    }
    return true;
  }

  bool put_real(const Spec& spec, const BinaryReal& real) {
    lay_out_real(spec, binary64, real, numbers, out_);
    return true;
  }

  bool put_real_text(const Field& field, const Spec& spec, std::string_view argument) {
    if (const auto byte = quoted_byte(argument))
      return put_real(spec, Value(static_cast<double>(*byte)).as_real());
    const ReadReal number = read_real_number(argument);
    complain(field, argument, number.size, number.out_of_range);
    return put_real(spec, number.size == 0 ? Value(0.0).as_real() : number.real);
  }

  bool put_escaped(const Field& field, const Spec& spec, std::string_view argument) {
    const EscapedText text = read_escaped(argument);
    if (text.bytes.find('\0') != std::string::npos)
      return fail(Outcome::error({Code::not_supported_yet, "a byte 0 in %b is not supported yet",
                                  field.span, "Leave it out."}));
    lay_out_text(spec, text.bytes, unit(), out_);
    if (!text.ends) return true;
    ends_ = true;
    return false;
  }

  void put_number(const Field& field, const Spec& spec, std::string_view argument) {
    if (const auto byte = quoted_byte(argument)) return put_bits(field, spec, false, *byte);
    const ReadNumber number = read_number(argument);
    const bool to_signed = is_signed(field.letter);
    constexpr std::uint64_t top = std::uint64_t{1} << 63;
    const bool over =
        number.too_large || (to_signed && number.magnitude > top - (number.negative ? 0 : 1));
    complain(field, argument, number.size, over);
    if (to_signed)
      return put_bits(field, spec, number.negative,
                      over ? top - (number.negative ? 0 : 1) : number.magnitude);
    put_bits(field, spec, false,
             over              ? std::numeric_limits<std::uint64_t>::max()
             : number.negative ? 0 - number.magnitude
                               : number.magnitude);
  }

  // `read`: the bytes of the argument that are a number.
  void complain(const Field& field, std::string_view argument, std::size_t read, bool over) {
    if (read < argument.size()) {
      const bool nothing = read == 0;
      const std::string_view kind = field.spec.kind == Kind::real ? "number" : "whole number";
      complaints_.push_back({nothing ? "expected numeric value" : "not completely converted",
                             in_quotes(argument) + (nothing ? " is no " + std::string(kind)
                                                            : " has more after its number"),
                             field.span});
    } else if (over) {
      complaints_.push_back({"Numerical result out of range",
                             (field.spec.kind == Kind::real ? "a real of 64 bits does not hold "
                                                            : "64 bits do not hold ") +
                                 in_quotes(argument),
                             field.span});
    }
  }

  void put_bits(const Field& field, const Spec& spec, bool negative, std::uint64_t magnitude) {
    if (!is_signed(field.letter) && field.letter != 'u')
      return percent::lay_out_bits(spec, magnitude, out_);
    if (spec.least_digits == 0 && magnitude == 0) return lay_out_whole(spec, false, {}, {}, out_);
    lay_out_decimal(spec, negative && magnitude != 0, magnitude, out_);
  }

  // A directive that there is not: what was printed until then stays.
  Outcome stopped(std::size_t start) {
    if (!trouble_.prints()) {
      out_.cut_back(start);
      return std::move(trouble_);
    }
    if (ends_ && complaints_.empty()) return {};
    return Outcome::complains(std::move(complaints_), ends_ ? 1 : 2);
  }

  std::size_t taken_ = 0;
  bool ends_ = false;  // \c in %b ends the text
  std::vector<Complaint> complaints_;
};

// ---- Writing ----

constexpr percent::WritingRules writing_rules = {
    .facts = &facts, .plain = 's', .unsigned_letter = 'u'};
constexpr writing::LiteralRules literal_rules = {
    .doubled = "%", .escaped = "\\", .numbered = "'", .control = writing::ControlForm::octal};

class Shell final : public family::PercentDialect {
 public:
  Shell() : PercentDialect(syntax, writing_rules, literal_rules) {}

  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return call("'" + std::string(source) + "'", names).source;
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(parsed, values, options, out, report).run_over_arguments();
  }

  // Nothing but the quote ends the literal, and nothing in it means anything to the shell.
  Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                    std::span<const std::string> names) const override {
    if (const std::size_t quote = parsed.source.find_first_of(std::string_view("'\0", 2));
        quote != std::string::npos)
      return Error{Code::bad_template,
                   parsed.source[quote] == '\'' ? "a single quote ends the template here"
                                                : "a template in a shell has no byte 0",
                   {quote, quote + 1},
                   "Write \\047 for a single quote that is printed."};
    return call("'" + parsed.source + "'", names);
  }

 private:
  static WrittenCall call(const std::string& literal, std::span<const std::string> names) {
    WrittenCall out;
    out.add("printf ");
    out.add_literal(literal);
    for (const std::string& name : names) out.add(" " + written_argument(name));
    return out;
  }

  void settle(TemplateContent& parsed) const override {
    if (parsed.source.starts_with('-') && parsed.source.size() > 1 && !parsed.refusal)
      parsed.refusal = {Refusal::When::run, "Illegal option",
                        "a template that begins with a minus sign is read as an option",
                        Span{0, 1}};
  }
};

}  // namespace

}  // namespace inky::inline v1::shell

namespace inky::inline v1 {

const Dialect* shell_dialect() {
  static const shell::Shell dialect;
  return &dialect;
}

}  // namespace inky::inline v1
