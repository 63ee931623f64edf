// The dialect `octave`: the template of sprintf, printf and fprintf.
//
// Defined by the GNU Octave manual, Formatted Output; the text is that of Octave 7.3.0. The
// template is between double quotes. A list of numbers is a row vector of doubles, nil is [].
//
// What sets it apart from its family:
//   - the values are one stream of elements: the template starts again while there are any left,
//     and ends before the first field that finds none;
//   - a whole conversion given a number that is not whole becomes %g, its flags and precision kept;
//   - text given to a number conversion is its bytes, one at a time; s takes what is left of it;
//   - whole numbers given to s are bytes; any other number it prints as nothing (so does 7.3.0);
//   - NaN and Inf are padded as text.

#include <algorithm>
#include <limits>
#include <string>

#include "../family/escapes.hpp"
#include "../family/percent_dialect.hpp"
#include "../family/percent_rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "dates.hpp"
#include "dialects.hpp"
#include "format/layout.hpp"
#include "sprintf_facts.hpp"
#include "stream_of_values.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace octave_sprintf {

namespace {

// ---- Reading ----

constexpr EscapeRules escape_rules = {.simple = "n\nt\t\"\"''\\\\a\ab\bf\fr\rv\v",
                                      .most_octal_digits = 3,
                                      .least_hexadecimal_digits = 1,
                                      .most_hexadecimal_digits = 2,
                                      .bytes = true};

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  const std::string_view source = out.source;
  const char letter = at + 1 < source.size() ? source[at + 1] : '\0';
  if (letter != 'u' && letter != 'U') {
    const std::size_t size = read_backslash(escape_rules, source, at, out.literals);
    if (size != 0) return size;
  }
  const Span span{at, std::min(at + 2, source.size())};
  if (letter == '\0' || letter == 'x' || (letter >= '0' && letter <= '7')) {
    if (!out.refusal) {
      out.refusal = {Refusal::When::compile, "parse error",
                     letter == '\0'
                         ? "a backslash at the end escapes the quote that closes the text"
                         : "this escape names no byte",
                     span};
    }
    return 1;
  }
  out.notes.push_back({Code::unknown_escape,
                       "Octave defines no such escape, warns, and drops the backslash, which is "
                       "itself written \\\\",
                       span});
  return 1;
}

constexpr bool has_flag(const Field& field, char flag) {
  return percent::has_flag(facts, field, flag);
}

void set_alignment(const Field& field, Spec& spec, bool left) {
  const bool number = spec.kind == Kind::whole || spec.kind == Kind::real;
  percent::align_as_c(spec, left, number && has_flag(field, '0'));
}

void finish(Field& field, std::string_view) {
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  const std::string_view length = modifiers[percent::parts_of(field).modifier].text;
  if (conversion == nullptr || conversion->modifiers.find(length) == std::string_view::npos) {
    field.failure = "error";
    field.defect = "invalid format specified; a percent sign itself is written %%";
    return;
  }
  Spec& spec = field.spec;
  spec.kind = conversion->kind == Kind::any ? Kind::text : conversion->kind;
  percent::set_letter(spec, field.letter);
  if (spec.kind == Kind::real || field.letter == 'd' || field.letter == 'i')
    spec.sign = percent::sign_of(facts, field);
  if (spec.kind == Kind::real)
    spec.keep_point = has_flag(field, '#');
  else
    spec.prefix = has_flag(field, '#');
  if (field.width.from == Count::From::source) spec.width = field.width.amount;
  if (spec.kind != Kind::character) {
    percent::set_precision(
        spec, field.precision.from == Count::From::source ? field.precision.amount : unset);
  }
  set_alignment(field, spec, has_flag(field, '-'));
  field.plain_decimal = (field.letter == 'd' || field.letter == 'i') && percent::is_bare(field);
}

constexpr percent::Syntax syntax = {.facts = &facts,
                                    .unknown_letters_take_values = true,
                                    .valueless = "%",
                                    .read_escape = read_escape,
                                    .finish = finish};

// Code points past Unicode's end take up to six bytes, as UTF-8 once allowed.
// REQUIRES: no half of a surrogate pair.
void append_extended_utf8(std::uint32_t value, std::string& out) {
  if (value <= 0x10FFFF) return append_utf8(static_cast<char32_t>(value), out);
  const int more = value < 0x200000 ? 3 : value < 0x4000000 ? 4 : 5;
  const unsigned lead = 0xFF00U >> (more + 1);
  out += static_cast<char>((lead & 0xFF) | (value >> (6 * more)));
  for (int i = more - 1; i >= 0; --i) out += static_cast<char>(0x80 | (value >> (6 * i) & 0x3F));
}

// ---- Rendering ----

class Rendering final : public percent::Rendering<Rendering> {
 public:
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : percent::Rendering<Rendering>(facts, parsed, values, options, out, report), data_(values) {}

  // Again and again, while there are values.
  Outcome run_over_data() {
    const std::size_t start = out_.needed();
    if (report_ != nullptr) begin_report();
    if (parsed_.refusal) return refused();
    for (bool more = true; more;) {
      for (const Piece& piece : parsed_.pieces) {
        if (piece.field == unset) {
          out_.append(parsed_.literal(piece));
        } else if (report_ == nullptr && write_usual(field_of(piece))) {
          data_.pass();
        } else if (!place(piece.field, start)) {
          if (ended_) return without_last_field();
          out_.cut_back(start);
          return std::move(trouble_);
        }
        if (out_.view().size() > start + most_output) {
          out_.cut_back(start);
          return too_long(piece.source);
        }
      }
      more = data_.has_more() && parsed_.values_taken > 0;
      if (more && report_ != nullptr && !recycled_) note_recycled();
    }
    return {};
  }

  bool render(const Field& field) {
    Spec spec = field.spec;
    if (!take_counts(field, spec)) return false;
    if (field.letter == '%') {
      out_.append('%');
      return true;
    }
    shown_ = static_cast<int>(data_.index());
    std::string room;
    const Item item = field.letter == 's' ? data_.rest(room) : data_.next();
    switch (item.kind) {
      case Item::Kind::none:
        return stop(field);
      case Item::Kind::empty:
        // Nothing is a text of no bytes, and as a number nothing at all.
        if (spec.kind == Kind::whole || spec.kind == Kind::real) return true;
        return put_text(field, spec, "");
      case Item::Kind::text:
        return put_text(field, spec, item.text);
      case Item::Kind::byte:
        if (spec.kind == Kind::character) return put_text(field, spec, item.text);
        return render_number(
            field, spec, Value::whole(Type::u8, static_cast<unsigned char>(item.text[0])), true);
      default:
        return render_number(field, spec, *item.number, false);
    }
  }

  void note_field(const Field& field) { note_overridden(field); }

 private:
  const Field& field_of(const Piece& piece) const {
    return parsed_.fields[static_cast<std::size_t>(piece.field)];
  }

  // The commonest fields, where their own value is next: %d of an i32, a double as a real.
  bool write_usual(const Field& field) {
    if (data_.index() != static_cast<std::size_t>(field.value_index) || !data_.has_more())
      return false;
    if (field.plain_decimal) return write_plain_decimal(field);
    const Value& value = values_[data_.index()];
    if (field.spec.kind != Kind::real || !value.is(Type::f64) ||
        field.width.from == Count::From::value || field.precision.from == Count::From::value)
      return false;
    const BinaryReal real = value.as_real();
    if (!real.is_finite()) return false;
    lay_out_real(field.spec, binary64, real, numbers, out_);
    return true;
  }

  Outcome without_last_field() {
    if (report_ != nullptr) report_->fields.pop_back();
    return {};
  }

  bool raise(std::string why, const Field& field) {
    return fail(Outcome::fails_at_run("error", std::move(why), field.span));
  }

  // The data has run out: the text ends here, and the field shows nothing.
  bool stop(const Field& field) {
    ended_ = true;
    if (report_ != nullptr) {
      note(Code::values_run_out,
           name(field) + " finds no value left, so Octave ends the text before it", field.span);
    }
    return false;
  }

  void note_recycled() {
    recycled_ = true;
    note(Code::template_recycled,
         "more values are given than the template takes, so Octave starts it again",
         Span{0, parsed_.source.size()});
  }

  bool take_counts(const Field& field, Spec& spec) {
    int amount = 0;
    if (field.width.from == Count::From::value) {
      if (!take_count(field, field.width, amount)) return false;
      spec.width = amount;
    }
    if (field.precision.from == Count::From::value) {
      if (!take_count(field, field.precision, amount)) return false;
      precision_taken_ = amount;
      if (spec.kind != Kind::character) percent::set_precision(spec, amount);
      set_alignment(field, spec, has_flag(field, '-'));
    }
    return true;
  }

  bool take_count(const Field& field, const Count& count, int& amount) {
    if (data_.is_empty()) return raise("there is no value for the width", field);
    const Item item = data_.next();
    const bool second = field.width.from == Count::From::value && &count == &field.precision;
    if (item.kind == Item::Kind::none && second)
      return raise("there is no value for the precision", field);
    if (item.kind == Item::Kind::none) return stop(field);
    if (item.kind == Item::Kind::empty)
      return raise("invalid conversion from real matrix to real scalar", field);
    if (item.kind == Item::Kind::byte) {
      amount = static_cast<unsigned char>(item.text[0]);
      return true;
    }
    const auto whole = whole_of(*item.number, true);
    if (!whole || (whole->negative && whole->magnitude != 0) ||
        whole->magnitude > static_cast<std::uint64_t>(std::numeric_limits<int>::max()))
      return raise("invalid field width, must be integer >= 0 and <= INT_MAX", field);
    if (!within_limit(field, *item.number, static_cast<int128>(whole->magnitude))) return false;
    amount = static_cast<int>(whole->magnitude);
    return true;
  }

  bool render_number(const Field& field, const Spec& spec, const Value& value, bool of_text) {
    if (report_ != nullptr) note_type(field, value, of_text);
    if (is_real(value.type())) {
      const BinaryReal real = nearest_f64(value);
      if (!real.is_finite()) return put_special(field, spec, real);
    }
    switch (spec.kind) {
      case Kind::text:
        // A number that is no byte.
        if (report_ != nullptr) {
          note(Code::type_converted,
               "%s prints " + describe(value) + " as nothing: it is no whole number from 0 to 255",
               field.span);
        }
        return true;
      case Kind::character:
        return render_character(field, spec, value);
      case Kind::whole:
        return render_whole(field, spec, value);
      default:
        return render_real(field, spec, value);
    }
  }

  bool render_whole(const Field& field, const Spec& spec, const Value& value) {
    const bool is_signed = field.letter == 'd' || field.letter == 'i';
    const auto whole = whole_of(value, is_signed);
    if (!whole) return render_general(field, spec, value);
    if (spec.base == 10) {
      lay_out_decimal(spec, whole->negative && whole->magnitude != 0, whole->magnitude, out_);
      return true;
    }
    percent::lay_out_bits(spec, whole->magnitude, out_);
    return true;
  }

  // As %g, but for the letter.
  bool render_general(const Field& field, const Spec& given, const Value& value) {
    Spec spec = given;
    spec.kind = Kind::real;
    spec.notation = Notation::compact;
    spec.letters = Letters::lower;
    spec.sign = percent::sign_of(facts, field);
    spec.keep_point = has_flag(field, '#');
    spec.significant = given.least_digits;
    if (given.kind == Kind::character)
      spec.significant = field.precision.from == Count::From::source  ? field.precision.amount
                         : field.precision.from == Count::From::value ? precision_taken_
                                                                      : unset;
    percent::set_precision(spec, spec.significant);
    spec.least_digits = unset;
    set_alignment(field, spec, given.align == Align::left);
    if (report_ != nullptr) {
      note(Code::conversion_switched,
           name(field) + " has no form for " + describe(value) + ", so Octave prints it as %g",
           field.span);
    }
    return render_real(field, spec, value);
  }

  bool render_real(const Field& field, const Spec& spec, const Value& value) {
    const BinaryReal real = nearest_f64(value);
    lay_out_real(spec, binary64, real, numbers, out_);
    if (report_ != nullptr && is_real(value.type()) && !value.given_in_bits())
      note_rounding(spec, binary64, real, field.span, report_->notes);
    return true;
  }

  bool render_character(const Field& field, const Spec& spec, const Value& value) {
    const auto whole = whole_of(value, true);
    if (!whole) return render_general(field, spec, value);
    if (const auto byte = byte_of(value)) return put_text(field, spec, {&*byte, 1});
    // Beyond a byte, 32 bits are kept; what is negative then, or half of a pair, is no character
    // and prints nothing.
    const auto bits = static_cast<std::uint32_t>(whole->magnitude);
    const std::uint32_t kept = whole->negative ? 0U - bits : bits;
    const bool half = kept >= 0xD800 && kept < 0xE000;
    if (kept >> 31 != 0 || half) return true;
    std::string text;
    if (kept != 0) append_extended_utf8(kept, text);
    Spec wide = spec;
    wide.limit = unset;
    // A zero takes a place, and ends what is written.
    if (kept == 0) wide.width = spec.align == Align::left ? 0 : std::max(spec.width - 1, 0);
    lay_out_text(wide, text, WidthUnit::bytes, out_);
    return true;
  }

  bool put_special(const Field& field, const Spec& spec, const BinaryReal& real) {
    const bool nan = real.kind == RealClass::not_a_number;
    std::string text = nan ? "NaN" : "Inf";
    if (!nan && real.negative)
      text.insert(0, "-");
    else if (has_flag(field, '+'))
      text.insert(0, "+");
    Spec plain;
    plain.kind = Kind::text;
    plain.width = spec.width;
    plain.align = spec.align == Align::left ? Align::left : Align::right;
    lay_out_text(plain, text, WidthUnit::bytes, out_);
    return true;
  }

  bool put_text(const Field& field, Spec spec, std::string_view text) {
    if (spec.kind == Kind::character && field.precision.from == Count::From::source)
      spec.limit = field.precision.amount;
    // The only count from a value is the width, even where it stands after the point.
    if (field.precision.from == Count::From::value) {
      if (field.width.from != Count::From::value) {
        spec.width = precision_taken_;
        spec.limit = unset;
      } else {
        spec.limit = precision_taken_;
      }
    }
    lay_out_text(spec, text, unit(), out_);
    if (report_ != nullptr && is_utf8(text))
      note_text(spec, text, unit(), field.span, report_->notes);
    return true;
  }

  void note_type(const Field& field, const Value& value, bool of_text) {
    const bool lacks = value.is(Type::i128) || value.is(Type::u128) || value.is(Type::big) ||
                       (is_real(value.type()) && !value.is(Type::f64) && !value.is(Type::f32));
    if (of_text) {
      note(Code::type_converted,
           name(field) + " shows a text byte by byte, as numbers: this one is " + describe(value),
           field.span);
    } else if (lacks) {
      note(Code::type_converted,
           "Octave has no " + std::string(inky::name_of(value.type())) + "; " + describe(value) +
               " becomes a double",
           field.span);
    }
  }

  Data data_;
  int precision_taken_ = 0;  // by the current field, from a value
  bool ended_ = false;
  bool recycled_ = false;
};

// ---- Writing ----

constexpr percent::WritingRules writing_rules = {.facts = &facts, .converts = true};
constexpr writing::LiteralRules literal_rules = {.doubled = "%",
                                                 .control = writing::ControlForm::octal};

class Octave final : public family::PercentDialect {
 public:
  Octave() : PercentDialect(syntax, writing_rules, literal_rules) {}

  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return std::string("printf(\"") + std::string(source) + "\"" + (names.empty() ? "" : ", ") +
           writing::listed(names, ", ", "") + ")";
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    if (!octave::has_dates(values)) return render_numbers(parsed, values, options, out, report);
    Outcome outcome = render_numbers(parsed, octave::serial_numbers(values), options, out, report);
    if (report != nullptr) octave::note_serial_numbers(values, parsed, report->notes);
    return outcome;
  }

  // disp(), in the format a session starts with.
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    return octave_display_dialect()->print_plainly(value, out);
  }

 private:
  Outcome render_numbers(const TemplateContent& parsed, std::span<const Value> values,
                         const RenderOptions& options, Output& out, Report* report) const {
    if (const Value* rare = find_rare(values)) return rare_value(*rare, facts().language);
    for (const Value& value : values) {
      if (!value.is(Type::list)) continue;
      bool is_known = true;
      for (std::size_t i = 0; i < count_of(value); ++i)
        is_known = is_known && is_numeric(element_at(value, i));
      if (is_known) continue;
      return Outcome::error({Code::not_supported_yet,
                             "a list of anything but numbers is not supported yet",
                             {0, parsed.source.size()},
                             "Give texts one by one."});
    }
    return Rendering(parsed, values, options, out, report).run_over_data();
  }

  void settle(TemplateContent& parsed) const override {
    for (const Field& field : parsed.fields) {
      if (field.failure.empty() || parsed.refusal) continue;
      parsed.refusal = {Refusal::When::run, field.failure, field.defect, field.span};
    }
  }
};

}  // namespace

}  // namespace octave_sprintf

const Dialect* octave_dialect() {
  static const octave_sprintf::Octave dialect;
  return &dialect;
}

}  // namespace inky::inline v1
