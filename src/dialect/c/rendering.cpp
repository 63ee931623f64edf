#include <algorithm>

#include "../family/percent_rendering.hpp"
#include "../family/value_notes.hpp"
#include "c.hpp"
#include "format/layout.hpp"
#include "inky_margin/text/columns.hpp"

#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::c_language {

namespace {

constexpr NumberStyle numbers = {.carry_drops_zeros = true};

bool reads_64(const Field& field) {
  return width_read(field) == 64;
}

}  // namespace

std::string expected_name(const Field& field) {
  if (field.spec.kind == Kind::real)
    return percent::parts_of(field).modifier == big_l ? "a long double" : "a double";
  if (field.letter == 'c') return percent::parts_of(field).modifier == l ? "a wint_t" : "an int";
  if (field.letter == 's') return percent::parts_of(field).modifier == l ? "a wchar_t*" : "a char*";
  if (field.letter == 'p') return "a void*";
  const std::string_view kind = is_signed(field.letter) ? "" : "unsigned ";
  const std::string_view article = kind.empty() && !reads_64(field) ? "an "
                                   : kind.empty()                   ? "a "
                                                                    : "an ";
  return std::string(article) + std::string(kind) + (reads_64(field) ? "64-bit integer" : "int");
}

namespace {

Outcome wrong_type(const Field& field, const Value& value, Passed passed) {
  std::string why =
      full_name(field) + " reads " + expected_name(field) + ", and " + describe(value) + " is ";
  if (field.letter == 'p' && passed == Passed::chars) {
    return Outcome::undefined("%p prints an address, which is known only when the program runs",
                              field.span);
  }
  if (field.letter == 's' && passed == Passed::null) {
    return Outcome::undefined("%s reads the text at a pointer, and nil is a null pointer",
                              field.span);
  }
  if (passed == Passed::nothing)
    why +=
        "of type " + std::string(inky::name_of(value.type())) + ", which C cannot pass to printf";
  else
    why += "passed as " + std::string(name_of(passed));
  return Outcome::undefined(std::move(why), field.span);
}

class Rendering final : public percent::Rendering<Rendering> {
 public:
  using percent::Rendering<Rendering>::Rendering;

  bool render(const Field& field) {
    if (!field.defect.empty()) return fail(Outcome::undefined(field.defect, field.span));
    if (field.width.from != Count::From::value && field.precision.from != Count::From::value) {
      return render_value(field, field.spec);
    }
    Spec spec = field.spec;
    return take_counts(field, spec) && render_value(field, spec);
  }

  bool end() {
    if (report_ != nullptr) note_unused("C evaluates and ignores them");
    return true;
  }

  void note_field(const Field& field) { note_flags(field); }

 private:
  // Below, false means that there is no text, and trouble_ gives the reason.

  bool in_utf8() const { return glibc::is_utf8_locale(options_.setting("locale")); }
  bool in_plain_locale() const { return glibc::is_plain_locale(options_.setting("locale")); }
  glibc::Locale locale() const { return glibc::locale_or_c(options_.setting("locale")); }

  bool missing(const Field& field, int index) {
    return fail(Outcome::undefined(
        full_name(field) + " takes value " + std::to_string(index + 1) + ", and there " +
            (values_.size() == 1 ? "is 1" : "are " + std::to_string(values_.size())),
        field.span));
  }

  // A width or precision given as "*".
  bool take_counts(const Field& field, Spec& spec) {
    int amount = 0;
    if (field.precision.from == Count::From::value) {
      if (!take_count(field, field.precision, amount)) return false;
      // A negative precision is taken as if it were left out.
      percent::set_precision(spec, amount < 0 ? unset : amount);
      set_alignment(field, has_flag(field, '-'), spec);
    }
    if (field.width.from == Count::From::value) {
      if (!take_count(field, field.width, amount)) return false;
      // A negative width is the flag - and a width.
      spec.width = amount < 0 ? -amount : amount;
      if (amount < 0) set_alignment(field, true, spec);
    }
    return true;
  }

  bool take_count(const Field& field, const Count& count, int& amount) {
    const auto index = static_cast<std::size_t>(count.value_index);
    if (index >= values_.size()) return missing(field, count.value_index);
    const Value& value = values_[index];
    const Passed passed = passed_as(value.type());
    if (passed != Passed::int32) {
      return fail(Outcome::undefined("the * of " + full_name(field) + " reads an int, and " +
                                         describe(value) + " is passed as " +
                                         std::string(name_of(passed)),
                                     field.span));
    }
    const int128 whole = value.as_whole();
    if (!within_limit(field, value, whole)) return false;
    amount = static_cast<int>(whole);
    return true;
  }

  bool render_value(const Field& field, const Spec& spec) {
    const auto index = static_cast<std::size_t>(field.value_index);
    if (index >= values_.size()) return missing(field, field.value_index);
    const Value& value = values_[index];
    const Passed passed = passed_as(value.type());
    if ((percent::parts_of(field).accepts & mask_of(passed)) == 0)
      return fail(wrong_type(field, value, passed));
    switch (spec.kind) {
      case Kind::whole:
        render_whole(field, spec, value);
        return true;
      case Kind::real:
        render_real(field, spec, value);
        return true;
      case Kind::character:
        if (percent::parts_of(field).modifier == l)
          return render_wide_character(field, spec, value);
        render_character(field, spec, value);
        return true;
      default:
        break;
    }
    if (percent::parts_of(field).modifier == l) return render_wide_text(field, spec, value);
    if (field.letter == 'p')
      render_null(field, spec);
    else
      render_text(field, spec, value);
    return true;
  }

  void render_whole(const Field& field, const Spec& spec, const Value& value) {
    const int width = width_read(field);
    // What is passed has at most 64 bits.
    const auto bits = static_cast<std::uint64_t>(value.bits());
    const auto as_signed = static_cast<std::int64_t>(bits << (64 - width)) >> (64 - width);
    const bool negative = is_signed(field.letter) && as_signed < 0;
    const std::uint64_t magnitude = negative
                                        ? std::uint64_t{0} - static_cast<std::uint64_t>(as_signed)
                                        : bits << (64 - width) >> (64 - width);
    if (spec.base == 10 && has_flag(field, '\'') && !in_plain_locale())
      render_grouped(spec, negative, magnitude);
    else if (spec.base == 10)
      lay_out_decimal(spec, negative, magnitude, out_);
    else
      render_in_base(spec, magnitude);
    if (report_ != nullptr) {
      note_whole(field, value.as_whole(),
                 negative ? -static_cast<int128>(magnitude) : static_cast<int128>(magnitude));
    }
  }

  // The zeros of a precision count the marks, and have none.
  void render_grouped(const Spec& spec, bool negative, std::uint64_t magnitude) {
    const glibc::Locale locale = this->locale();
    WholeRoom room;
    std::string_view digits = write_whole(magnitude, 10, Letters::lower, room);
    if (magnitude == 0 && spec.least_digits == 0) digits = {};
    lay_out_whole(spec, negative,
                  glibc::grouped_digits(digits, locale[glibc::Locale::group], locale.grouping()),
                  "", out_);
  }

  void render_in_base(const Spec& spec, std::uint64_t magnitude) {
    WholeRoom room;
    std::string_view digits = write_whole(magnitude, spec.base, spec.letters, room);
    std::string_view prefix;
    // With precision 0, the value 0 has no digits, but # with o still wants a leading 0.
    if (magnitude == 0 && spec.least_digits == 0 && !(spec.prefix && spec.base == 8)) digits = {};
    if (spec.prefix && magnitude != 0) {
      if (spec.base == 16)
        prefix = spec.letters == Letters::upper ? "0X" : "0x";
      else if (spec.base == 2)
        prefix = spec.letters == Letters::upper ? "0B" : "0b";
      else if (spec.least_digits <= static_cast<int>(digits.size()))
        prefix = "0";
    }
    lay_out_whole(spec, false, digits, prefix, out_);
  }

  void render_real(const Field& field, const Spec& spec, const Value& value) {
    BinaryReal real = value.as_real();
    if (value.is(Type::f32)) real = unpack(binary64, convert(real, binary64));
    const BinaryFormat& format = value.is(Type::f80) ? extended80 : binary64;
    if (in_plain_locale())
      lay_out_real(spec, format, real, numbers, out_);
    else
      render_real_in_locale(field, spec, format, real);
    if (report_ != nullptr) note_real(field, spec, value, real);
  }

  // The width counts characters here, but bytes of a hexadecimal one and of whole numbers.
  void render_real_in_locale(const Field& field, const Spec& spec, const BinaryFormat& format,
                             const BinaryReal& real) {
    const glibc::Locale locale = this->locale();
    Spec plain = spec;
    plain.width = 0;
    TextBuffer made;
    lay_out_real(plain, format, real, numbers, made);
    const std::string_view text = made.view();
    const std::size_t from = std::min(text.find_first_not_of("+- "), text.size());
    std::string shown(text.substr(0, from));
    std::string_view rest = text.substr(from);
    const bool hexadecimal = spec.notation == Notation::hexfloat && real.is_finite();
    std::size_t lead = from;  // before which zeros are filled in
    if (hexadecimal) {
      shown += rest.substr(0, 2);
      rest.remove_prefix(2);
      lead += 2;
    }
    const std::size_t whole =
        hexadecimal ? 1 : std::min(rest.find_first_not_of("0123456789"), rest.size());
    shown += has_flag(field, '\'') && !hexadecimal
                 ? glibc::grouped_digits(rest.substr(0, whole), locale[glibc::Locale::group],
                                         locale.grouping())
                 : std::string(rest.substr(0, whole));
    rest.remove_prefix(whole);
    if (rest.starts_with('.')) {
      shown += locale[glibc::Locale::point];
      rest.remove_prefix(1);
    }
    shown += rest;
    const std::size_t size =
        measure(shown, hexadecimal ? WidthUnit::bytes : WidthUnit::code_points);
    const auto width = static_cast<std::size_t>(spec.width);
    const std::size_t missing = width > size ? width - size : 0;
    if (spec.align == Align::left) {
      out_.append(shown);
      out_.fill(" ", missing);
    } else if (spec.align == Align::inner && real.is_finite()) {
      out_.append(std::string_view(shown).substr(0, lead));
      out_.fill("0", missing);
      out_.append(std::string_view(shown).substr(lead));
    } else {
      out_.fill(" ", missing);
      out_.append(shown);
    }
  }

  void render_character(const Field& field, const Spec& spec, const Value& value) {
    const auto whole = value.as_whole();
    const char byte = static_cast<char>(static_cast<unsigned char>(whole & 0xFF));
    lay_out_text(spec, {&byte, 1}, unit(), out_);
    const bool beyond = whole < 0 || whole > 0xFF || (value.is(Type::character) && whole > 0x7F);
    if (report_ != nullptr && beyond) {
      note(Code::low_byte_only,
           "%c prints one byte, the low byte of " + describe(value) +
               "; for a character beyond ASCII use %lc or %s",
           field.span);
    }
  }

  // A character that the locale can print, as bytes; false when it cannot.
  bool to_bytes(char32_t value, std::string& out) const {
    const bool scalar = value <= 0x10FFFF && !(value >= 0xD800 && value <= 0xDFFF);
    if (value > 0x7F && !(in_utf8() && scalar)) return false;
    append_utf8(value, out);
    return true;
  }

  bool not_in_locale(const Field& field, char32_t value) {
    const bool scalar = value <= 0x10FFFF && !(value >= 0xD800 && value <= 0xDFFF);
    std::string character;
    if (scalar) append_utf8(value, character);
    std::string why = "the locale ";
    why += in_utf8() ? options_.setting("locale") : "C";
    why +=
        " cannot print " + (scalar ? "'" + visible(character) + "'" : "this value as a character");
    // A call that the reader's own program has to make: nothing here touches a locale.
    if (!in_utf8()) why += "; call setlocale with a UTF-8 locale first";
    return fail(Outcome::fails_at_run("EILSEQ", std::move(why), field.span));
  }

  bool render_wide_character(const Field& field, const Spec& spec, const Value& value) {
    const auto wide = static_cast<char32_t>(wrap_unsigned(value.as_whole(), 32));
    std::string bytes;
    if (!to_bytes(wide, bytes)) return not_in_locale(field, wide);
    lay_out_text(spec, bytes, unit(), out_);
    if (report_ != nullptr) note_text(spec, bytes, unit(), field.span, report_->notes);
    return true;
  }

  // A C string ends at its first zero byte.
  static std::string_view c_string(std::string_view text) {
    return text.substr(0, text.find('\0'));
  }

  void render_text(const Field& field, const Spec& spec, const Value& value) {
    const std::string_view text = c_string(value.as_text());
    lay_out_text(spec, text, unit(), out_);
    if (report_ == nullptr) return;
    note_text(spec, text, unit(), field.span, report_->notes);
    note_zero_byte(field, value, text);
  }

  // Converted up to the precision only, and never part of a character (ISO C17, 7.21.6.1, s).
  bool render_wide_text(const Field& field, const Spec& spec, const Value& value) {
    const std::string_view text = c_string(value.as_text());
    const std::size_t limit =
        spec.limit == unset ? text.size() : static_cast<std::size_t>(spec.limit);
    std::size_t end = 0;
    while (end < text.size() && end < limit) {
      const CodePoint point = first_code_point(text.substr(end)).value_or(CodePoint{0xFFFFFFFF, 1});
      std::string bytes;
      if (!to_bytes(point.value, bytes)) return not_in_locale(field, point.value);
      if (end + bytes.size() > limit) break;
      end += bytes.size();
    }
    Spec uncut = spec;
    uncut.limit = unset;
    lay_out_text(uncut, text.substr(0, end), unit(), out_);
    if (report_ == nullptr) return true;
    note(Code::wide_literal,
         "%ls reads wide characters: write the text as L" + in_quotes(value.as_text()), field.span);
    if (end < text.size())
      note(Code::text_cut, in_quotes(text) + " is cut to " + in_quotes(text.substr(0, end)),
           field.span);
    note_text(uncut, text.substr(0, end), unit(), field.span, report_->notes);
    note_zero_byte(field, value, text);
    return true;
  }

  void render_null(const Field& field, const Spec& spec) {
    lay_out_text(spec, "(nil)", unit(), out_);
    if (report_ != nullptr)
      note(Code::implementation_defined,
           "the text of a pointer is up to the implementation; the GNU C library prints a null "
           "pointer so",
           field.span);
  }

  // ---- Notes ----

  void note_real(const Field& field, const Spec& spec, const Value& value, const BinaryReal& real) {
    if (!value.given_in_bits()) {
      note_rounding(spec, *fact_of(value.type()).format, value.as_real(), field.span,
                    report_->notes);
    }
    if (carry_drops_zeros(spec, real)) {
      note(Code::departs_from_standard,
           "the standard keeps the zeros that # asks for; the GNU C library drops them when "
           "rounding "
           "carries to a power of ten",
           field.span);
    }
  }

  void note_whole(const Field& field, int128 given, int128 printed) {
    if (given == printed) return;
    const int width = width_read(field);
    const bool narrowed = width < 32 && wrap_signed(static_cast<uint128>(given), width) != given &&
                          wrap_unsigned(given, width) != static_cast<uint128>(given);
    const std::string from = describe(Value::whole(Type::i128, given));
    const std::string to = describe(Value::whole(Type::i128, printed));
    if (narrowed) {
      note(Code::value_wrapped,
           from + " is cut to its low " + std::to_string(width) + " bits, which are " + to,
           field.span);
    } else {
      note(Code::bits_reinterpreted,
           "the " + std::to_string(width) + " bits of " + from + ", read as " +
               (is_signed(field.letter) ? "a signed" : "an unsigned") + " number, are " + to,
           field.span);
    }
  }

  void note_zero_byte(const Field& field, const Value& value, std::string_view text) {
    if (text.size() < value.as_text().size())
      note(Code::text_cut, "a C string ends at its first zero byte; the rest is not printed",
           field.span);
  }

  void note_flags(const Field& field) {
    const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
    if (conversion == nullptr || !field.defect.empty()) return;
    for (const char c : {'+', ' '}) {
      if (has_flag(field, c) && conversion->flags.find(c) == std::string_view::npos) {
        note(Code::flag_without_effect,
             std::string("the flag ") + in_quotes({&c, 1}) +
                 " is for signed numbers, and changes nothing with " + letter_name(field),
             field.span);
      }
    }
    if (percent::parts_of(field).repeats_flag)
      note(Code::flag_without_effect, "a flag that is written twice does no more than once",
           field.span);
    note_overridden(field);
    if (has_flag(field, '0') && !has_flag(field, '-') && field.spec.kind == Kind::whole &&
        field.precision.given()) {
      note(Code::flag_overridden, "a precision switches the flag 0 off for whole numbers",
           field.span);
    }
    if (is_binary(field.letter))
      note(Code::departs_from_standard,
           letter_name(field) +
               " is of C23; C17 has no such letter, the GNU C library has it since "
               "2.35",
           field.span);
    if (has_flag(field, '\'') && (in_plain_locale() || locale()[glibc::Locale::group_sizes] == "0"))
      note(Code::no_grouping_in_locale,
           "the locale has no thousands mark, so the flag ' prints nothing", field.span);
  }
};

}  // namespace

Outcome CDialect::do_render(const TemplateContent& parsed, std::span<const Value> values,
                            const RenderOptions& options, Output& out, Report* report) const {
  return Rendering(c_language::facts, parsed, values, options, out, report).run();
}

}  // namespace inky::inline v1::c_language
