// The dialect `java`: the format string of java.util.Formatter, String.format and printf.
//
// Defined by the Java SE 17 API, java.util.Formatter; the text is that of OpenJDK 17.0.15 on Linux.
// The locale is Locale.ROOT unless another is asked for.
//
// What sets it apart from its family:
//   - the whole template is checked before anything is printed: every fault in it is an exception
//     by name, and so is a value of the wrong class when its field is reached;
//   - a real is rounded half up on the decimal digits that Java makes of it (decimal.hpp), which
//   end
//     after about 17: zeros follow. A float is widened to a double first, but for s;
//   - o and x show a negative whole as two's complement of its class; a BigInteger keeps its sign;
//   - g never writes fewer digits than asked for, and has no alternate form;
//   - width and precision of text count UTF-16 units, so a character may be cut in half, and half a
//     character is written as a question mark;
//   - null prints as a text in every conversion, and its precision cuts it.

#include <algorithm>
#include <string>

#include "../family/percent_dialect.hpp"
#include "../family/percent_rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "big_decimals.hpp"
#include "decimal.hpp"
#include "dialects.hpp"
#include "facts.hpp"
#include "faults.hpp"
#include "fields.hpp"
#include "format/layout.hpp"
#include "hexadecimal.hpp"
#include "locales.hpp"
#include "moment_writing.hpp"
#include "reals.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"
#include "time_objects.hpp"
#include "times.hpp"
#include "values.hpp"

namespace inky::inline v1 {

namespace java_language {

namespace {

// ---- Rendering ----

class Rendering final : public percent::Rendering<Rendering> {
 public:
  using percent::Rendering<Rendering>::Rendering;
  bool render(const Field& field) {
    const auto index = static_cast<std::size_t>(field.value_index);
    const bool is_object = index < values_.size() && values_[index].is_expression();
    if (is_object && (is_time_field(field) || small_letter(field.letter) != 's'))
      return fail(object_refused(letter_name(field), field.span));
    if (is_time_field(field)) return render_time(field);
    if (field.letter == 'n') return put_bytes("\n");
    if (field.letter == '%') {
      lay_out_text(field.spec, "%", unit(), out_);
      return true;
    }
    if (field.value_index == unset || index >= values_.size()) {
      return raise("MissingFormatArgumentException",
                   letter_name(field) + (field.value_index == unset
                                             ? " has no field before it, whose value it could take"
                                             : " finds no value " + std::to_string(index + 1)),
                   field);
    }
    const Value& value = values_[index];
    const bool usual = field.letter == 'f' || field.letter == 'e';
    if (usual && render_usual(field, value)) return true;
    if (report_ != nullptr) note_type(field, value);
    switch (small_letter(field.letter)) {
      case 'b':
        return put_text(field, class_of(value) == Class::boolean_class ? to_string(value)
                               : value.is(Type::nil)                   ? "false"
                                                                       : "true");
      case 'h':
        return render_hash(field, value);
      case 's':
        return render_text(field, value);
      case 'c':
        return render_character(field, value);
      default:
        break;
    }
    if (value.is(Type::nil)) return put_null(field);
    if (field.spec.kind == Kind::real) return render_real(field, value);
    return field.letter == 'd' ? render_decimal(field, value) : render_bits(field, value);
  }

  bool end() {
    if (report_ != nullptr) note_unused("Java ignores them");
    return true;
  }

  void note_field(const Field&) {}

 private:
  bool render_time(const Field& field) {
    const auto index = static_cast<std::size_t>(field.value_index);
    if (field.value_index == unset || index >= values_.size())
      return raise("MissingFormatArgumentException", letter_name(field) + " finds no value", field);
    const Value& value = values_[index];
    if (value.is(Type::nil)) return put_text(field, "null");
    if (!has_times(value)) return raise_conversion(field, value);
    if (auto refused = time_refused(value, field.letter, locale(), field.span))
      return fail(std::move(*refused));
    std::string text;
    const char fault = append_time(value, field.letter, locale(), text);
    if (fault != 0)
      return raise(
          "IllegalFormatConversionException",
          "a " + std::string(class_name(value)) + " has no part for %t" + std::string(1, fault),
          field);
    return put_text(field, text);
  }

  bool raise(std::string_view exception, std::string why, const Field& field) {
    return fail(Outcome::fails_at_run(std::string(exception), std::move(why), field.span));
  }
  bool raise_conversion(const Field& field, const Value& value) {
    const char letter = is_time_field(field) ? field.letter : small_letter(field.letter);
    return raise("IllegalFormatConversionException",
                 std::string(1, letter) + " != " + std::string(class_name(value)), field);
  }

  bool put_bytes(std::string_view bytes) {
    out_.append(bytes);
    return true;
  }

  JavaLocale locale() const { return locale_or_root(options_.setting("locale")); }

  std::string upper(std::string_view text) const {
    const std::string_view tag = options_.setting("locale");
    // Turkic languages have two letters i.
    if (!tag.starts_with("tr") && !tag.starts_with("az")) return upper_case(text);
    std::string dotted;
    for (const char c : text) dotted += c == 'i' ? std::string("İ") : std::string(1, c);
    return upper_case(dotted);
  }

  // Cut, in upper case where the letter is, padded.
  bool put_text(const Field& field, std::string_view text) {
    if (field.spec.limit == unset && field.spec.letters == Letters::lower) {
      lay_out_text(field.spec, text, unit(), out_);
      if (report_ != nullptr) note_text(field.spec, text, unit(), field.span, report_->notes);
      return true;
    }
    std::string kept(text);
    if (field.spec.limit != unset) cut_text(field, kept);
    if (field.spec.letters == Letters::upper) kept = upper(kept);
    Spec spec = field.spec;
    spec.limit = unset;
    lay_out_text(spec, kept, unit(), out_);
    if (report_ != nullptr) note_text(spec, kept, unit(), field.span, report_->notes);
    return true;
  }

  // Up to N units; the half of a character that stays is written as a question mark.
  void cut_text(const Field& field, std::string& text) {
    const auto limit = static_cast<std::size_t>(field.spec.limit);
    const std::string_view whole = text;
    const std::string_view kept = cut(whole, limit, unit());
    if (kept.size() == whole.size()) return;
    const bool half = unit() == WidthUnit::utf16_units && measure(kept, unit()) < limit;
    if (report_ != nullptr) {
      note(half ? Code::character_cut : Code::text_cut,
           half ? "the precision counts UTF-16 units, and cuts " + in_quotes(whole) +
                      " inside a character; half a character is written as ?"
                : in_quotes(whole) + " is cut to " + in_quotes(kept),
           field.span);
    }
    text.resize(kept.size());
    if (half) text += '?';
  }

  bool put_null(const Field& field) {
    Field as_text = field;
    as_text.spec.kind = Kind::text;
    as_text.spec.limit = field.precision.given() ? field.precision.amount : unset;
    if (as_text.spec.align == Align::inner) as_text.spec.align = Align::right;
    as_text.spec.fill = " ";
    return put_text(as_text, "null");
  }

  bool render_text(const Field& field, const Value& value) {
    if (has_flag(field, '#')) {
      return raise("FormatFlagsConversionMismatchException",
                   "the flag # goes with s only where the value is a Formattable", field);
    }
    if (value.is(Type::text)) return put_text(field, value.as_text());
    return put_text(field, to_string(value));
  }

  bool render_hash(const Field& field, const Value& value) {
    if (value.is(Type::nil)) return put_text(field, "null");
    WholeRoom room;
    return put_text(field, write_whole(hash_code(value), 16, Letters::lower, room));
  }

  bool render_character(const Field& field, const Value& value) {
    const Class type = class_of(value);
    if (type == Class::null_class || type == Class::character_class)
      return put_text(field, to_string(value));
    if (type > Class::integer_class) return raise_conversion(field, value);
    const int128 number = value.as_whole();
    constexpr int highest = 0x10FFFF;
    if (number < 0 || number > highest) {
      return raise("IllegalFormatCodePointException", describe(value) + " is no code point", field);
    }
    if (number >= 0xD800 && number < 0xE000) {
      if (report_ != nullptr)
        note(Code::character_cut, "half of a surrogate pair is written as ?", field.span);
      return put_text(field, "?");
    }
    std::string text;
    append_utf8(static_cast<char32_t>(number), text);
    return put_text(field, text);
  }

  // Marks and digits of the locale, where it is not the root; `lay_out` writes those of the root.
  template <typename LayOut>
  bool put_number(const Spec& given, LayOut lay_out) {
    if (options_.setting("locale").empty()) {
      lay_out(given, out_);
      return true;
    }
    Spec spec = given;
    const JavaLocale locale = this->locale();
    const char32_t zero = locale.zero_digit();
    spec.point = locale[JavaLocale::point];
    const bool has_groups = locale.digit(JavaLocale::group_size) > 0;
    if (!spec.group.empty()) spec.group = has_groups ? Mark(locale[JavaLocale::group]) : Mark();
    if (zero == U'0') {
      lay_out(spec, out_);
      return true;
    }
    TextBuffer ascii;
    lay_out(spec, ascii);
    std::string text;
    for (const char c : ascii.view()) {
      if (c >= '0' && c <= '9')
        append_utf8(zero + static_cast<char32_t>(c - '0'), text);
      else
        text += c;
    }
    return put_bytes(text);
  }

  bool render_decimal(const Field& field, const Value& value) {
    const Class type = class_of(value);
    if (!is_whole_class(type)) return raise_conversion(field, value);
    bool negative = type != Class::big_class && value.as_whole() < 0;
    if (type != Class::big_class && field.spec.group.empty() && !has_flag(field, '(')) {
      const std::uint64_t magnitude = low_half(magnitude_of(value.as_whole()));
      return put_number(field.spec, [&](const Spec& spec, Output& out) {
        lay_out_decimal(spec, negative, magnitude, out);
      });
    }
    const std::string digits = whole_digits(value, 10, Letters::lower, negative);
    return put_number(with_brackets(field, negative), [&](const Spec& spec, Output& out) {
      lay_out_whole(spec, negative, digits, {}, out);
    });
  }

  // o and x: two's complement of the class, but for a BigInteger, which keeps its sign.
  bool render_bits(const Field& field, const Value& value) {
    const Class type = class_of(value);
    if (!is_whole_class(type)) return raise_conversion(field, value);
    const bool octal = field.letter == 'o';
    const std::string_view prefix = !field.spec.prefix    ? ""
                                    : octal               ? "0"
                                    : field.letter == 'X' ? "0X"
                                                          : "0x";
    bool negative = false;
    std::string digits;
    if (type == Class::big_class) {
      digits = whole_digits(value, field.spec.base, field.spec.letters, negative);
    } else {
      for (const char flag : {'(', ' ', '+'}) {
        if (!has_flag(field, flag)) continue;
        return raise("FormatFlagsConversionMismatchException",
                     std::string("the flag ") + in_quotes({&flag, 1}) + " goes with " +
                         letter_name(field) + " only where the value is a BigInteger",
                     field);
      }
      WholeRoom room;
      const uint128 bits = wrap_unsigned(value.as_whole(), width_of(type));
      digits = write_whole(bits, field.spec.base, field.spec.letters, room);
      if (report_ != nullptr && value.as_whole() < 0) {
        note(Code::bits_reinterpreted,
             describe(value) + " is negative: " + letter_name(field) + " shows the " +
                 std::to_string(width_of(type)) + " bits of its two's complement",
             field.span);
      }
    }
    lay_out_whole(with_brackets(field, negative), negative, digits, prefix, out_);
    return true;
  }

  static Spec with_brackets(const Field& field, bool negative) {
    Spec spec = field.spec;
    if (negative && has_flag(field, '(')) spec.sign = Sign::brackets;
    return spec;
  }

  // The usual f and e: a double, to which the rule of rounding does not matter.
  bool render_usual(const Field& field, const Value& value) {
    if (report_ != nullptr || !options_.setting("locale").empty() || !value.is(Type::f64) ||
        has_flag(field, '('))
      return false;
    const BinaryReal real = value.as_real();
    if (field.spec.notation == Notation::scientific) {
      Digits digits;
      if (!round_far_from_tie(real, field.spec.places + 1, digits)) return false;
      lay_out_digits(field.spec, real.negative, digits, numbers, out_);
      return true;
    }
    if (!is_far_from_tie(real, field.spec.places)) return false;
    lay_out_real(field.spec, binary64, real, numbers, out_);
    return true;
  }

  bool render_real(const Field& field, const Value& value) {
    if (value.is(Type::decimal) && field.spec.notation != Notation::hexfloat) {
      const Decimal decimal = big_decimal(value);
      const ShownDecimal shown = round_big_decimal(with_brackets(field, decimal.negative), decimal);
      return put_number(shown.spec, [&](const Spec& localized, Output& out) {
        lay_out_big_decimal(localized, shown.rounded, out);
      });
    }
    if (!is_real_class(class_of(value))) return raise_conversion(field, value);
    const BinaryReal real = value.is(Type::f64) ? value.as_real() : nearest_f64(value);
    Spec spec = with_brackets(field, real.negative);
    if (!real.is_finite()) {
      if (real.kind == RealClass::not_a_number) spec.sign = Sign::minus;
      BinaryReal unsigned_nan = real;
      if (real.kind == RealClass::not_a_number) unsigned_nan.negative = false;
      lay_out_real(spec, binary64, unsigned_nan, numbers, out_);
      return true;
    }
    if (spec.notation == Notation::hexfloat) {
      lay_out_hexadecimal(spec, real, out_);
      return true;
    }
    Digits digits;
    round_java(spec, real, digits);
    put_number(spec, [&](const Spec& localized, Output& out) {
      lay_out_digits(localized, real.negative, digits, numbers, out);
    });
    if (report_ != nullptr) note_digits(field, spec, real);
    return true;
  }

  void note_type(const Field& field, const Value& value) {
    const Class type = class_of(value);
    std::string_view becomes;
    switch (value.type()) {
      case Type::u8:
      case Type::u16:
      case Type::u32:
      case Type::u64:
      case Type::i128:
      case Type::u128:
      case Type::f16:
      case Type::bf16:
      case Type::f80:
      case Type::f128:
        becomes = class_name(value);
        break;
      case Type::character:
        if (type == Class::string_class) becomes = class_name(value);
        break;
      default:
        break;
    }
    if (becomes.empty()) return;
    note(Code::type_converted,
         "Java has no " + std::string(inky::name_of(value.type())) + " for " + describe(value) +
             "; it becomes a " + std::string(becomes),
         field.span);
  }

  // Digits cut to `keep`, as the spec shows them without padding.
  static std::string bare_text(Spec spec, const Digits& from, int keep, Rounding rounding) {
    Digits digits;
    std::copy(from.text().begin(), from.text().end(), digits.room(from.size()));
    digits.set(from.size(), from.point());
    round_digits(digits, keep, false, rounding);
    spec.width = 0;
    TextBuffer out;
    lay_out_digits(spec, false, digits, numbers, out);
    return out.string();
  }

  // Java rounds its own decimal, and zeros follow it: a note reports it where it shows.
  void note_digits(const Field& field, const Spec& spec, const BinaryReal& real) {
    if (real.is_zero()) return;
    Digits own;
    java_digits(binary64, real, Purpose::format, own);
    own.strip_trailing_zeros();
    const int keep = spec.notation == Notation::fixed ? own.point() + spec.places : spec.places + 1;
    Digits exact;
    exact_digits(real, exact);
    const std::string shown = bare_text(spec, own, keep, Rounding::half_away);
    const std::string other =
        bare_text(spec, exact, keep - own.point() + exact.point(), Rounding::half_even);
    if (shown != other && keep <= own.size()) {
      note(Code::decimal_rounded,
           "Java makes the decimal " + plain_text(own, real.negative) +
               " of the value and rounds that half up; rounding what is stored, ties to even, "
               "gives " +
               other,
           field.span);
    }
    if (keep > own.size() && exact.size() > own.size()) {
      note(Code::digits_past_precision,
           "Java's digits end with " + plain_text(own, real.negative) +
               ", and zeros follow; the stored value has more digits",
           field.span);
    }
  }
};

// ---- Writing ----

constexpr percent::WritingRules writing_rules = {
    .facts = &java_language::facts, .plain = 's', .truth = 'b', .moment = write_moment};
constexpr writing::LiteralRules literal_rules = {.doubled = "%",
                                                 .control = writing::ControlForm::octal};

class Java final : public family::PercentDialect {
 public:
  Java() : PercentDialect(syntax, writing_rules, literal_rules), facts_(java_language::facts) {
    facts_.settings = settings_;
  }

  const DialectFacts& facts() const override { return facts_; }

  Placing placing() const override { return Placing::positions; }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return std::string("System.out.printf(\"") + std::string(source) + "\"" +
           (names.empty() ? "" : ", ") + writing::listed(names, ", ", "") + ");";
  }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    const Field& shown = parsed.fields[static_cast<std::size_t>(field)];
    return is_time_field(shown) ? moment_wish(shown, parsed.source_of(shown), notes)
                                : PercentDialect::do_wish_of(parsed, field, type, notes);
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(java_language::facts, parsed, values, options, out, report).run();
  }

  // System.out.println shows String.valueOf.
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    if (const Value* rare = find_rare({&value, 1}, false, true, true))
      return rare_value(*rare, facts().language);
    out.append(to_string(value));
    return {};
  }

 private:
  // The whole template is checked first, field by field; what the compiler refuses comes before.
  void settle(TemplateContent& parsed) const override {
    if (parsed.refusal) return;
    for (const Field& field : parsed.fields) {
      if (field.failure.empty()) continue;
      parsed.refusal = {Refusal::When::run, field.failure, field.defect, field.span};
      return;
    }
  }

  std::array<SettingFact, 1> settings_{
      {{"locale", "whose marks and words are printed", "root", locale_tags(), telling_locales()}}};
  DialectFacts facts_;
};

}  // namespace

}  // namespace java_language

const Dialect* java_dialect() {
  static const java_language::Java dialect;
  return &dialect;
}

}  // namespace inky::inline v1
