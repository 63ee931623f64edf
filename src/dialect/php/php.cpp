// The dialect `php`: the format string of sprintf and printf.
//
// Defined by the PHP manual, sprintf; the text is that of PHP 8.2.36 on Linux, 64 bits, with the
// settings it comes with (precision 14). The template is between double quotes.
//
// What sets it apart from its family:
//   - every value is converted to what the letter shows, as a cast would: text is read as far as it
//     is a number, a real is cut toward zero and wraps beyond 64 bits;
//   - the exponent has no more digits than it needs: 1.5e+0;
//   - any byte can fill, after an apostrophe; zeros fill on the right as well;
//   - a precision of o, x and b cuts every digit away; more than 53 is taken as 53;
//   - an infinity has no sign, and no width but the sign that zero padding puts over its first
//     letter;
//   - g writes 1.0e+20 where others write 1e+20.

#include <algorithm>
#include <array>
#include <limits>

#include "../family/escapes.hpp"
#include "../family/glibc_locales.hpp"
#include "../family/percent_dialect.hpp"
#include "../family/percent_rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/decimal.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::php {

namespace {

// ---- Reading ----

constexpr EscapeRules escape_rules = {.simple = "n\nt\t\"\"$$\\\\e\033f\fr\rv\v",
                                      .most_octal_digits = 3,
                                      .least_hexadecimal_digits = 1,
                                      .most_hexadecimal_digits = 2,
                                      .bytes = true};

// "\u{3a9}"; 0 where it is not one.
std::size_t read_code_point(std::string_view rest, std::string& out) {
  const std::size_t end = rest.find('}');
  if (!rest.starts_with("\\u{") || end == std::string_view::npos || end == 3) return 0;
  const auto number = read_whole("0x" + std::string(rest.substr(3, end - 3)));
  if (!number || number->magnitude.bit_length() > 21) return 0;
  const auto point = static_cast<char32_t>(low_half(number->magnitude.low_bits()));
  if (point > 0x10FFFF || (point >= 0xD800 && point < 0xE000)) return 0;
  append_utf8(point, out);
  return end + 1;
}

}  // namespace

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  const std::string_view rest = std::string_view(out.source).substr(at);
  const Span span{at, std::min(at + 2, out.source.size())};
  if (rest.starts_with("\\u{")) {
    if (const std::size_t size = read_code_point(rest, out.literals); size != 0) return size;
    if (!out.refusal) {
      out.refusal = {Refusal::When::compile, "ParseError",
                     "\\u{...} needs the hexadecimal number of a character", span};
    }
    out.literals += '\\';
    return 1;
  }
  const char letter = rest.size() > 1 ? rest[1] : '\0';
  if (letter != 'u' && letter != 'U') {
    const std::size_t size = read_backslash(escape_rules, out.source, at, out.literals);
    if (size != 0) return size;
    if (letter >= '4' && letter <= '7') {
      // An octal number past 377 is cut to a byte.
      EscapeRules wide = escape_rules;
      wide.bytes = false;
      std::string character;
      const std::size_t octal = read_backslash(wide, out.source, at, character);
      out.literals += static_cast<char>(first_code_point(character)->value & 0xFF);
      return octal;
    }
  }
  out.notes.push_back({Code::unknown_escape,
                       "PHP has no such escape between double quotes, and keeps the backslash",
                       span});
  out.literals += '\\';
  return 1;
}

namespace {

constexpr bool has_flag(const Field& field, char flag) {
  return percent::has_flag(facts, field, flag);
}

void set_precision(Spec& spec, int precision) {
  if (spec.kind != Kind::real && spec.kind != Kind::text) return;
  percent::set_precision(spec,
                         spec.kind == Kind::real ? std::min(precision, most_precision) : precision);
}

void finish(Field& field, std::string_view source) {
  field.failure = "ValueError";
  if (field.position == 0) {
    field.defect = "Argument number specifier must be greater than zero and less than 2147483647";
    return;
  }
  if (source.ends_with('\'') && field.letter == 0) {
    field.defect = "Missing padding character";
    field.letter = '\'';
    return;
  }
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  if (conversion == nullptr) {
    field.defect = field.letter == 0
                       ? "Missing format specifier at end of string"
                       : "Unknown format specifier; a percent sign itself is written %%";
    return;
  }
  field.failure.clear();
  Spec& spec = field.spec;
  spec.kind = conversion->kind == Kind::any ? Kind::character : conversion->kind;
  percent::set_letter(spec, field.letter);
  if (small_letter(field.letter) == 'h') spec.notation = Notation::compact;
  if (field.letter == 'b') spec.base = 2;
  if (conversion->flags.find('+') != std::string_view::npos)
    spec.sign = has_flag(field, '+') ? Sign::always : Sign::minus;
  spec.width = field.width.from == Count::From::source ? field.width.amount : 0;
  // A point alone leaves the precision as it is.
  const bool lone_point =
      field.precision.from == Count::From::source &&
      (field.letter != 0 && source.size() >= 2 &&
       source.find_last_of('.') == source.find_last_not_of('l', source.size() - 2));
  if (lone_point) field.precision = {};
  set_precision(spec, field.precision.from == Count::From::source ? field.precision.amount : unset);
  spec.align = has_flag(field, '-') ? Align::left : Align::right;
  if (spec.fill == Mark("0")) {
    if (spec.align == Align::right)
      spec.align = Align::inner;
    else if (field.letter == 'd' || field.letter == 'u')
      spec.fill = " ";
  }
  field.plain_decimal = field.letter == 'd' && percent::is_bare(field);
}

constexpr percent::Syntax syntax = {.facts = &facts,
                                    .most_position = 2147483646,
                                    .positions_mix = true,
                                    .escaped_position = true,
                                    .unknown_letters_take_values = true,
                                    .broken_fields_take_values = true,
                                    .fill_flag = '\'',
                                    .read_escape = read_escape,
                                    .finish = finish};

// ---- Rendering ----

class Rendering final : public percent::Rendering<Rendering> {
 public:
  using percent::Rendering<Rendering>::Rendering;

  bool render(const Field& field) {
    // These are found before any value is looked for.
    if (field.position == 0 || field.letter == '\'') return raise(field.defect, field);
    Spec spec = field.spec;
    bool shortest = false;
    if (!take_counts(field, spec, shortest)) return false;
    const auto index = static_cast<std::size_t>(field.value_index);
    const bool lacks_count = missing(field.width) || missing(field.precision);
    if (lacks_count || index >= values_.size()) {
      if (field.letter == '%') return fail_without_value(field);
      if (lacks_count) return true;
      most_missing_ = std::max(most_missing_, index + 1);
      return true;
    }
    if (!field.defect.empty()) return raise(field.defect, field);
    if (shortest && spec.notation != Notation::compact)
      return raise("Precision -1 is only supported for %g, %G, %h and %H", field);
    const Value& value = values_[index];
    if (report_ != nullptr) note_conversion(field, value);
    switch (spec.kind) {
      case Kind::whole:
        return render_whole(field, spec, value);
      case Kind::real:
        return render_real(field, spec, value);
      case Kind::character:
        out_.append(field.letter == '%' ? '%' : static_cast<char>(int_of(value)));
        return true;
      default:
        if (value.is(Type::text)) return put_text(field, spec, value.as_text());
        return put_text(field, spec, any_text(value));
    }
  }

  bool end() {
    if (most_missing_ != 0) {
      return fail(Outcome::fails_at_run(
          "ArgumentCountError",
          std::to_string(most_missing_ + 1) + " arguments are required, " +
              std::to_string(values_.size() + 1) + " given (the template is one of them)",
          Span{0, parsed_.source.size()}));
    }
    if (report_ != nullptr) note_unused("PHP ignores them");
    return true;
  }

  void note_field(const Field& field) {
    const bool bits =
        field.letter == 'b' || field.letter == 'o' || small_letter(field.letter) == 'x';
    if (bits && field.precision.given()) {
      note(Code::text_cut,
           "PHP takes a precision of " + name(field) + " as 0, and cuts every digit away",
           field.span);
    }
    if (field.spec.kind == Kind::real && field.precision.amount > most_precision) {
      note(Code::digits_past_precision, "PHP takes a precision above 53 as 53, with a notice",
           field.span);
    }
  }

 private:
  bool raise(std::string why, const Field& field) {
    return fail(Outcome::fails_at_run("ValueError", std::move(why), field.span));
  }

  // PHP then reads the percent sign once more, as the start of another field.
  bool fail_without_value(const Field& field) {
    return fail(Outcome::error({Code::not_supported_yet,
                                "a percent sign after a width, and without a value, is not "
                                "supported yet",
                                field.span, "Write %% for a percent sign."}));
  }

  // A count whose value is not there; it is remembered, and nothing printed for the field.
  bool missing(const Count& count) {
    const auto index = static_cast<std::size_t>(count.value_index);
    if (count.from != Count::From::value || index < values_.size()) return false;
    most_missing_ = std::max(most_missing_, index + 1);
    return true;
  }

  bool take_counts(const Field& field, Spec& spec, bool& shortest) {
    int amount = 0;
    if (field.width.from == Count::From::value && !missing(field.width)) {
      if (!take_count(field, field.width, "Width", 0, amount)) return false;
      spec.width = amount;
    }
    if (field.precision.from == Count::From::value && !missing(field.precision)) {
      if (!take_count(field, field.precision, "Precision", -1, amount)) return false;
      shortest = amount == -1;
      set_precision(spec, amount);
      if (shortest) spec.significant = unset;
    }
    return true;
  }

  bool take_count(const Field& field, const Count& count, const char* what, int least,
                  int& amount) {
    const Value& value = values_[static_cast<std::size_t>(count.value_index)];
    if (!is_int(value)) return raise(std::string(what) + " must be an integer", field);
    const int128 number = *small_whole(value);
    if (number < least || number > std::numeric_limits<int>::max()) {
      return raise(
          std::string(what) +
              (least == 0 ? " must be greater than zero" : " must be greater than or equal to -1") +
              " and less than 2147483647",
          field);
    }
    // A precision has a limit of its own.
    if (least == 0 && !within_limit(field, value, number)) return false;
    amount = static_cast<int>(std::min<int128>(number, most_width));
    return true;
  }

  bool render_whole(const Field& field, const Spec& spec, const Value& value) {
    const std::int64_t number = int_of(value);
    if (field.letter == 'd') {
      const bool negative = number < 0;
      // Zeros go in front of a text without a sign just as well.
      lay_out_decimal(spec, negative, low_half(magnitude_of(number)), out_);
      return true;
    }
    if (report_ != nullptr && number < 0) {
      note(Code::bits_reinterpreted,
           std::to_string(number) + " is negative: " + name(field) +
               " shows its 64 bits as an unsigned number",
           field.span);
    }
    WholeRoom room;
    const std::string_view digits =
        write_whole(static_cast<std::uint64_t>(number), spec.base, spec.letters, room);
    const bool cut_away = field.letter != 'u' && field.precision.given();
    lay_out_text(text_spec(spec), cut_away ? digits.substr(0, 0) : digits, WidthUnit::bytes, out_);
    return true;
  }

  // For what is padded as text: zeros have no sign to stand behind.
  static Spec text_spec(const Spec& spec) {
    Spec out = spec;
    if (out.align == Align::inner) out.align = Align::right;
    return out;
  }

  bool render_real(const Field& field, const Spec& given, const Value& value) {
    BinaryReal real = float_of(value);
    Spec spec = given;
    if (!real.is_finite()) {
      const bool nan = real.kind == RealClass::not_a_number;
      std::string text = nan ? "NaN" : "INF";
      const bool negative = real.negative && !nan;
      if (spec.align == Align::inner && (negative || spec.sign == Sign::always))
        text[0] = negative ? '-' : '+';
      out_.append(text);
      return true;
    }
    // f, g and G look at the locale, and take one byte of its mark.
    if (std::string_view("fgG").find(field.letter) != std::string_view::npos) {
      const std::string_view locale = options_.setting("locale");
      if (!glibc::is_plain_locale(locale))
        spec.point = Mark(glibc::locale_or_c(locale)[glibc::Locale::point].substr(0, 1));
    }
    if (spec.notation == Notation::compact) {
      lay_out_compact(spec, real, out_);
    } else {
      if (real.is_zero()) real.negative = false;
      lay_out_real(spec, binary64, real, numbers, out_);
    }
    if (report_ != nullptr && !value.given_in_bits())
      note_rounding(spec, binary64, real, field.span, report_->notes);
    return true;
  }

  bool put_text(const Field& field, const Spec& spec, std::string_view text) {
    lay_out_text(text_spec(spec), text, unit(), out_);
    if (report_ != nullptr) note_text(spec, text, unit(), field.span, report_->notes);
    return true;
  }

  void note_conversion(const Field& field, const Value& value) {
    const bool wants_whole = field.spec.kind == Kind::whole;
    if (is_whole(value.type()) && !is_int(value)) {
      note(Code::type_converted,
           describe(value) + " is beyond 64 bits, so PHP has a float for it, " + any_text(value),
           field.span);
    }
    if (is_text_or_character(value) && (wants_whole || field.spec.kind == Kind::real)) {
      note(Code::type_converted,
           name(field) + " reads the text " + describe(value) + " as " +
               (wants_whole ? std::to_string(int_of(value)) : float_text(float_of(value))),
           field.span);
    } else if (is_real(value.type()) && wants_whole) {
      const BinaryReal real = nearest_f64(value);
      Digits exact;
      if (real.is_finite()) exact_digits(real, exact);
      const bool fits = real.is_finite() && cut_of(real).magnitude.bit_length() < 64;
      if (!fits) {
        note(
            Code::value_wrapped,
            describe(value) + " does not fit 64 bits, and becomes " + std::to_string(int_of(value)),
            field.span);
      } else if (exact.size() > exact.point()) {
        note(Code::cut_to_whole,
             name(field) + " cuts " + describe(value) + " toward zero, and never rounds",
             field.span);
      }
    }
  }

  std::size_t most_missing_ = 0;  // the values that would have been needed
};

// ---- Writing ----

constexpr percent::WritingRules writing_rules = {
    .facts = &php::facts, .plain = 's', .binary = 'b', .unsigned_letter = 'u', .converts = true};
constexpr writing::LiteralRules literal_rules = {
    .doubled = "%", .escaped = "\"\\$", .control = writing::ControlForm::octal};

class Php final : public family::PercentDialect {
 private:
  // In double quotes a name behind a $ is a variable, and so are {$ and ${: the language fills them
  // in before printf reads the template. PHP manual, Strings.
  void settle(TemplateContent& parsed) const override {
    for (const Piece& piece : parsed.pieces) {
      if (piece.field != unset || parsed.refusal) continue;
      const std::string_view text = std::string_view(parsed.source).substr(0, piece.source.to);
      for (std::size_t at = piece.source.from; at < text.size(); ++at) {
        if (text[at] == '\\') {
          ++at;
        } else if (const std::size_t size = variable_size(text.substr(at)); size != 0) {
          parsed.refusal = {Refusal::When::not_supported_yet,
                            "Write \\$ for a dollar sign, or give the value to a field.",
                            "variables in the text of a literal are not supported yet",
                            Span{at, at + size}};
          break;
        }
      }
    }
  }

  // "$mass", "${", "{$": the bytes that show it; 0 for what is text.
  static std::size_t variable_size(std::string_view rest) {
    if (rest.size() < 2) return 0;
    if (rest.starts_with("{$") || rest.starts_with("${")) return 2;
    if (rest[0] != '$') return 0;
    const auto is_name = [](char c) {
      return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_' ||
             static_cast<unsigned char>(c) >= 0x80;
    };
    if (!is_name(rest[1])) return 0;
    std::size_t size = 2;
    while (size < rest.size() && (is_name(rest[size]) || (rest[size] >= '0' && rest[size] <= '9')))
      ++size;
    return size;
  }

 public:
  Php() : PercentDialect(syntax, writing_rules, literal_rules), facts_(php::facts) {
    facts_.settings = settings_;
  }

  const DialectFacts& facts() const override { return facts_; }
  Placing placing() const override { return Placing::positions; }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    std::string out = "printf(\"" + std::string(source) + "\"";
    // An expression is no name.
    for (const std::string& name : names)
      out += (name.find_first_of("$(") == std::string::npos ? ", $" : ", ") + name;
    return out + ");";
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(php::facts, parsed, values, options, out, report).run();
  }

  // echo shows a value as text.
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    if (const Value* rare = find_rare({&value, 1})) return rare_value(*rare, facts().language);
    out.append(any_text(value));
    return {};
  }

 private:
  // Text for the reader, whose own program calls setlocale(). Nothing here does.
  std::array<SettingFact, 1> settings_{
      {{"locale", "what setlocale() names: the decimal mark of f, g and G", "C",
        glibc::locale_tags(), glibc::telling_locales()}}};
  DialectFacts facts_;
};

}  // namespace

}  // namespace inky::inline v1::php

namespace inky::inline v1 {

const Dialect* php_dialect() {
  static const php::Php dialect;
  return &dialect;
}

}  // namespace inky::inline v1
