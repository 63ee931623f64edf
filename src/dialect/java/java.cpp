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
#include <array>
#include <cmath>

#include "../family/percent_dialect.hpp"
#include "../family/percent_rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "decimal.hpp"
#include "dialects.hpp"
#include "escapes.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "locales.hpp"
#include "number/hexadecimal_real.hpp"
#include "program.hpp"
#include "text/escape.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::java_language {

namespace {

// ---- Reading ----

constexpr bool has_flag(const Field& field, char flag) {
  return percent::has_flag(facts, field, flag);
}
bool has_any_flag(const Field& field, std::string_view wanted) {
  return std::any_of(wanted.begin(), wanted.end(),
                     [&](char flag) { return has_flag(field, flag); });
}

char lower(char letter) {
  return letter >= 'A' && letter <= 'Z' ? static_cast<char>(letter - 'A' + 'a') : letter;
}

struct Fault {
  std::string_view exception;
  std::string why;
};

std::string letter_name(const Field& field) {
  return std::string("%") + field.letter;
}

Fault mismatch(const Field& field, char flag) {
  return {
      "FormatFlagsConversionMismatchException",
      std::string("the flag ") + in_quotes({&flag, 1}) + " does not go with " + letter_name(field)};
}

constexpr std::string_view missing_width = "MissingFormatWidthException";
constexpr std::string_view bad_precision = "IllegalFormatPrecisionException";
constexpr std::string_view bad_flags = "IllegalFormatFlagsException";

// n and %.
std::optional<Fault> fault_of_sign(const Field& field) {
  const bool other_flags = has_any_flag(field, "#+ 0,(<");
  if (field.precision.given()) return Fault{bad_precision, "it takes no precision"};
  if (field.letter == 'n') {
    if (field.width.given()) return Fault{"IllegalFormatWidthException", "%n takes no width"};
    if (field.flags != 0) return Fault{bad_flags, "%n takes no flags"};
    return std::nullopt;
  }
  if (other_flags) return Fault{bad_flags, "a percent sign takes no flag but -"};
  if (has_flag(field, '-') && !field.width.given())
    return Fault{missing_width, "the flag - wants a width"};
  return std::nullopt;
}

std::optional<Fault> fault_of_number(const Field& field, const ConversionFact& conversion) {
  if (!field.width.given() && has_any_flag(field, "-0"))
    return Fault{missing_width, "the flags - and 0 want a width"};
  if ((has_flag(field, '+') && has_flag(field, ' ')) ||
      (has_flag(field, '-') && has_flag(field, '0')))
    return Fault{bad_flags, "the flags + and space, and - and 0, exclude each other"};
  if (conversion.kind == Kind::whole && field.precision.given())
    return Fault{bad_precision, letter_name(field) + " takes no precision"};
  for (const char flag : {'(', '#', ','}) {
    if (has_flag(field, flag) && conversion.flags.find(flag) == std::string_view::npos)
      return mismatch(field, flag);
  }
  return std::nullopt;
}

std::optional<Fault> fault_of_text(const Field& field) {
  const char letter = lower(field.letter);
  if (letter == 'c' && field.precision.given())
    return Fault{bad_precision, letter_name(field) + " takes no precision"};
  if (letter != 's' && letter != 'c' && has_flag(field, '#')) return mismatch(field, '#');
  if (letter != 'c' && has_flag(field, '-') && !field.width.given())
    return Fault{missing_width, "the flag - wants a width"};
  for (const char flag : {'#', '+', ' ', '0', ',', '('}) {
    if (has_flag(field, flag) && !(flag == '#' && letter == 's')) return mismatch(field, flag);
  }
  if (has_flag(field, '-') && !field.width.given())
    return Fault{missing_width, "the flag - wants a width"};
  return std::nullopt;
}

// What Formatter finds wrong with a field before it prints anything, in its own order.
std::optional<Fault> find_fault(const Field& field, std::string_view source) {
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  const std::size_t point = source.find('.');
  const bool lone_point =
      point != std::string_view::npos &&
      (point + 1 >= source.size() || source[point + 1] < '0' || source[point + 1] > '9');
  const bool is_letter = lower(field.letter) >= 'a' && lower(field.letter) <= 'z';
  if (lone_point || (conversion == nullptr && !is_letter)) {
    return Fault{"UnknownFormatConversionException",
                 "this is not a field: a percent sign itself is written %%"};
  }
  if (field.position == 0)
    return Fault{"IllegalFormatArgumentIndexException", "positions count from 1"};
  if (field.repeats_flag) return Fault{"DuplicateFormatFlagsException", "a flag is written twice"};
  if (conversion == nullptr) {
    return Fault{"UnknownFormatConversionException",
                 "there is no such letter; a percent sign itself is written %%"};
  }
  if (field.letter == 'n' || field.letter == '%') return fault_of_sign(field);
  if (conversion->kind == Kind::whole || conversion->kind == Kind::real)
    return fault_of_number(field, *conversion);
  return fault_of_text(field);
}

void finish(Field& field, std::string_view source) {
  if (auto fault = find_fault(field, source)) {
    field.failure = fault->exception;
    field.defect = std::move(fault->why);
    return;
  }
  Spec& spec = field.spec;
  const Kind kind = percent::conversion_of(facts, field.letter)->kind;
  spec.kind = kind == Kind::any ? Kind::text : kind;
  percent::set_letter(spec, field.letter);
  if (kind == Kind::whole || kind == Kind::real) {
    spec.sign = has_flag(field, '+')   ? Sign::always
                : has_flag(field, ' ') ? Sign::space
                                       : Sign::minus;
  }
  if (kind == Kind::real)
    spec.keep_point = has_flag(field, '#');
  else
    spec.prefix = has_flag(field, '#');
  if (has_flag(field, ',')) spec.group = ",";
  spec.rounding = lower(field.letter) == 'a' ? Rounding::half_even : Rounding::half_away;
  spec.width = field.width.amount;
  percent::set_precision(spec, field.precision.given() ? field.precision.amount : unset);
  spec.align = has_flag(field, '-') ? Align::left : Align::right;
  if (has_flag(field, '0')) {
    spec.align = Align::inner;
    spec.fill = "0";
  }
  field.plain_decimal = field.letter == 'd' && percent::is_bare(field);
}

constexpr percent::Syntax syntax = {.facts = &facts,
                                    .most_position = most_width,
                                    .positions_mix = true,
                                    .counts_from_values = false,
                                    .unknown_letters_take_values = true,
                                    .valueless = "n%",
                                    .repeat_flag = '<',
                                    .read_escape = read_escape,
                                    .finish = finish};

// ---- Rendering ----

class Rendering final : public percent::Rendering<Rendering> {
 public:
  using percent::Rendering<Rendering>::Rendering;

  bool render(const Field& field) {
    if (field.letter == 'n') return put_bytes("\n");
    if (field.letter == '%') {
      lay_out_text(field.spec, "%", unit(), out_);
      return true;
    }
    const auto index = static_cast<std::size_t>(field.value_index);
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
    switch (lower(field.letter)) {
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
    const auto taken = static_cast<std::size_t>(parsed_.values_taken);
    if (report_ != nullptr && values_.size() > taken) {
      note(Code::too_many_values,
           std::to_string(values_.size() - taken) +
               " more given than the template takes; Java ignores them",
           Span{0, parsed_.source.size()});
    }
    return true;
  }

  void note_field(const Field&) {}

 private:
  bool raise(std::string_view exception, std::string why, const Field& field) {
    return fail(Outcome::fails_at_run(std::string(exception), std::move(why), field.span));
  }
  bool raise_conversion(const Field& field, const Value& value) {
    return raise("IllegalFormatConversionException",
                 std::string(1, lower(field.letter)) + " != " + std::string(class_name(value)),
                 field);
  }

  bool put_bytes(std::string_view bytes) {
    out_.append(bytes);
    return true;
  }

  const JavaLocale& locale() const { return *locale_tagged(options_.locale); }

  std::string upper(std::string_view text) const {
    if (options_.locale != "tr-TR") return upper_case(text);
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

  // To so many units; the half of a character that stays is written as a question mark.
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
    if (options_.locale.empty()) {
      lay_out(given, out_);
      return true;
    }
    Spec spec = given;
    spec.point = locale().point;
    if (!spec.group.empty()) spec.group = locale().group;
    if (locale().zero == U'0') {
      lay_out(spec, out_);
      return true;
    }
    TextBuffer ascii;
    lay_out(spec, ascii);
    std::string text;
    for (const char c : ascii.view()) {
      if (c >= '0' && c <= '9')
        append_utf8(locale().zero + static_cast<char32_t>(c - '0'), text);
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
    if (report_ != nullptr || !options_.locale.empty() || !value.is(Type::f64) ||
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
    if (spec.notation == Notation::hexfloat) return render_hexadecimal(spec, real);
    Digits digits;
    round_java(spec, real, digits);
    put_number(spec, [&](const Spec& localized, Output& out) {
      lay_out_digits(localized, real.negative, digits, numbers, out);
    });
    if (report_ != nullptr) note_digits(field, spec, real);
    return true;
  }

  // The digits to show; the compact notation is settled as fixed or scientific.
  static void round_java(Spec& spec, const BinaryReal& real, Digits& digits) {
    const int count = spec.notation == Notation::scientific ? spec.places + 1 : spec.significant;
    if (spec.notation == Notation::fixed) {
      java_digits(binary64, real, Purpose::format, digits);
      round_digits(digits, digits.point() + spec.places, false, Rounding::half_away);
      return;
    }
    if (!round_far_from_tie(real, count, digits)) {
      java_digits(binary64, real, Purpose::format, digits);
      round_digits(digits, count, false, Rounding::half_away);
    }
    if (spec.notation != Notation::compact) return;
    const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
    const bool fixed = exponent >= -4 && exponent < count;
    spec.notation = fixed ? Notation::fixed : Notation::scientific;
    spec.places = fixed ? count - 1 - exponent : count - 1;
    spec.significant = unset;
  }

  // Double.toHexString's form: one digit at least after the point, a subnormal with a leading 0
  // unless it was rounded.
  bool render_hexadecimal(Spec spec, const BinaryReal& real) {
    const bool upper_letters = spec.letters == Letters::upper;
    constexpr int all_digits = 13;
    const int places = spec.places == unset ? unset : std::max(spec.places, 1);
    const bool rounded = places != unset && places < all_digits && !real.is_zero();
    std::string text;
    int exponent = 0;
    if (rounded) {
      const HexadecimalDigits digits =
          hexadecimal_digits(binary64, normalized(real), places, Rounding::half_even, spec.letters);
      // A carry makes the leading digit 2.
      const bool carried = digits.lead == 2;
      text = digits.fraction();
      text.erase(text.find_last_not_of('0') + 1);
      exponent = digits.exponent + (carried ? 1 : 0);
      text.insert(0, "1.");
    } else {
      const HexadecimalDigits digits =
          hexadecimal_digits(binary64, real, any_places, Rounding::half_even, spec.letters);
      text = (digits.lead == 0 ? "0." : "1.") + std::string(digits.fraction());
      exponent = digits.exponent;
    }
    if (text.size() == 2) text += '0';
    // Zeros of the width are counted before those of the precision, so there may be too many.
    if (spec.align == Align::inner) {
      const bool signed_number = real.negative || spec.sign != Sign::minus;
      const int used = static_cast<int>(text.size() + 1 + std::to_string(exponent).size()) + 2 +
                       (signed_number ? 1 : 0);
      text.insert(0, static_cast<std::size_t>(std::max(spec.width - used, 0)), '0');
      spec.width = 0;
    }
    const std::size_t point = text.find('.');
    if (places != unset && text.size() < point + 1 + static_cast<std::size_t>(places))
      text.resize(point + 1 + static_cast<std::size_t>(places), '0');
    text += upper_letters ? 'P' : 'p';
    text += std::to_string(exponent);
    lay_out_whole(spec, real.negative, text, upper_letters ? "0X" : "0x", out_);
    return true;
  }

  // A subnormal as if its exponent had no limit.
  static BinaryReal normalized(BinaryReal real) {
    const int shift = binary64.precision - bit_length(real.significand);
    real.significand <<= shift;
    real.exponent -= shift;
    real.kind = RealClass::normal;
    return real;
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

  // What is rounded is Java's own decimal, and after it come zeros: say so where it shows.
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
               ", and zeros follow; the stored value goes on",
           field.span);
    }
  }
};

// ---- Writing ----

constexpr percent::WritingRules writing_rules = {
    .facts = &java_language::facts, .plain = 's', .truth = 'b'};
constexpr writing::LiteralRules literal_rules = {.doubled = "%",
                                                 .control = writing::ControlForm::octal};

class Java final : public family::PercentDialect {
 public:
  Java() : PercentDialect(syntax, writing_rules, literal_rules), facts_(java_language::facts) {
    facts_.locales = locale_tags();
  }

  const DialectFacts& facts() const override { return facts_; }

  Placing placing() const override { return Placing::positions; }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return std::string("System.out.printf(\"") + std::string(source) + "\"" +
           (names.empty() ? "" : ", ") + writing::listed(names, ", ", "") + ");";
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(java_language::facts, parsed, values, options, out, report).run();
  }

  // System.out.println shows String.valueOf.
  Outcome print_plainly(const Value& value, Output& out) const override {
    if (const Value* rare = find_rare({&value, 1})) return rare_value(*rare, facts().language);
    out.append(to_string(value));
    return {};
  }

 private:
  // The whole template is checked first, field by field; what the compiler refuses comes before.
  void settle(TemplateContent& parsed) const override {
    if (parsed.refusal) return;
    for (const Field& field : parsed.fields) {
      const std::size_t after = field.span.to;
      const char next = after < parsed.source.size() ? lower(parsed.source[after]) : '\0';
      if (lower(field.letter) == 't' && ((next >= 'a' && next <= 'z') || next == '%')) {
        parsed.refusal = {Refusal::When::not_supported_yet, "Leave the date out for now.",
                          "dates and times (%t) are not supported yet",
                          Span{field.span.from, after + 1}};
        return;
      }
      if (field.failure.empty()) continue;
      parsed.refusal = {Refusal::When::run, field.failure, field.defect, field.span};
      return;
    }
  }

  DialectFacts facts_;
};

}  // namespace

}  // namespace inky::inline v1::java_language

namespace inky::inline v1 {

const Dialect* java_dialect() {
  static const java_language::Java dialect;
  return &dialect;
}

}  // namespace inky::inline v1
