// The dialect `cpp-format`: the format strings of std::format.
//
// Defined by ISO C++20, [format.string]; what it leaves open is as libc++ 16 does it. The format
// string is a literal, so that it is checked against the types of the values when the program is
// compiled; names have no values.
//
// What sets it apart from its family:
//   - widths and precisions of text count estimated columns: two for what [format.string.std]
//   lists;
//   - a fill is one byte in libc++ 16;
//   - without a type and a precision, a real takes the shorter of fixed and scientific notation;
//   - an alignment switches zeros off, and zeros never stand before inf and nan.

#include <algorithm>
#include <string>

#include "../family/brace_writing.hpp"
#include "../family/braces.hpp"
#include "../family/checked_dialect.hpp"
#include "../family/rendering.hpp"
#include "../family/time_letters.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "c/c.hpp"
#include "dialects.hpp"
#include "estimated_columns.hpp"
#include "format/layout.hpp"
#include "format_facts.hpp"
#include "format_fields.hpp"
#include "format_times.hpp"
#include "inky_margin/number/digits.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1 {

namespace cpp_format {

namespace {

// ---- Values as C++ has them ----

enum class Shape { whole, real, text, character, truth, pointer, time, none };

Shape shape_of(const Value& value) {
  if (is_whole(value.type())) return Shape::whole;
  if (is_real(value.type())) return Shape::real;
  switch (value.type()) {
    case Type::text:
      return Shape::text;
    case Type::character:
      return Shape::character;
    case Type::truth:
      return Shape::truth;
    case Type::nil:
      return Shape::pointer;
    case Type::date:
    case Type::duration:
      return Shape::time;
    default:
      return Shape::none;
  }
}

// Types that C++ lacks, or that are something else in it.
bool is_known(const Value& value) {
  switch (value.type()) {
    case Type::big:
    case Type::f16:
    case Type::bf16:
    case Type::f128:
    case Type::decimal:
    case Type::moment:
    case Type::time:
      return false;
    case Type::character:
      return value.as_character() < 0x80;
    case Type::f80:
      return !value.as_real().is_finite() || nearest_f64(value).is_finite();
    default:
      return true;
  }
}

// Why the spec is refused for a value of this shape; empty: it is not.
std::string_view find_defect(const Shown& shown, const Value& value) {
  const Shape shape = shape_of(value);
  const auto type_is_of = [&](std::string_view types) {
    return shown.type == 0 || types.find(shown.type) != std::string_view::npos;
  };
  const bool numeric =
      shown.type != 0 && std::string_view("bBodxX").find(shown.type) != std::string_view::npos;
  const bool zeros = shown.lead.zero && shown.lead.align == 0;
  const bool signs = shown.lead.sign != 0 || shown.lead.alternate;
  if (shape == Shape::none) return "there is no formatter for a value of its type";
  if (!shown.has_spec) return {};
  if (shape == Shape::time) {
    const bool is_plain = !signs && !shown.lead.zero && !shown.precision.given() && shown.type == 0;
    if (!is_plain) return "a date and a duration take an alignment, a width, L and codes alone";
    return defect_of_codes(shown.codes, value.type());
  }
  if (!shown.codes.empty()) return "codes of a time are for dates and durations";
  if (shape != Shape::real && shape != Shape::text && shown.precision.given())
    return "a precision is for reals and text";
  switch (shape) {
    case Shape::whole:
      if (!type_is_of("bBodxXc")) return "a whole number takes no such type";
      if (shown.type == 'c' && (signs || zeros)) return "c takes no sign, no # and no zeros";
      return {};
    case Shape::character:
      if (!type_is_of("bBodxXc")) return "a character takes no such type";
      if (!numeric && (signs || zeros)) return "a character takes no sign, no # and no zeros";
      return {};
    case Shape::truth:
      if (!type_is_of("bBodxXs")) return "a truth value takes no such type";
      if (!numeric && (signs || zeros)) return "true and false take no sign, no # and no zeros";
      return {};
    case Shape::real:
      return type_is_of("aAeEfFgG") ? "" : "a real takes no such type";
    default:
      if (signs || shown.lead.zero || shown.locale)
        return "a text or a pointer takes no sign, no #, no zeros and no L";
      return type_is_of(shape == Shape::text ? "s" : "p") ? "" : "its type is for other values";
  }
}

// ---- Rendering ----

class Rendering final : public family::Rendering<Rendering> {
 public:
  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(cpp_format::facts, parsed, values, options, out, report),
        program_(static_cast<const Fields&>(*parsed.program)) {}

  // What the compiler reports, which sees all fields before any is printed.
  std::optional<Outcome> check() {
    if (check_values() && check_fields()) return std::nullopt;
    return std::move(trouble_);
  }

  bool render(const Field& field) {
    const auto index = static_cast<std::size_t>(&field - parsed_.fields.data());
    const Shown& shown = program_.fields[index];
    Spec spec = spec_of(shown);
    int precision = unset;
    if (!take_count(shown.width, field, spec.width) ||
        !take_count(shown.precision, field, precision))
      return false;
    const Value& value = values_[static_cast<std::size_t>(shown.value)];
    switch (shape_of(value)) {
      case Shape::whole:
        return put_whole(field, shown, spec, value);
      case Shape::real:
        return put_real(field, shown, spec, precision, value);
      case Shape::text:
        return put_text(field, spec, precision, value.as_text());
      case Shape::character:
        if (shown.type != 0 && shown.type != 'c')
          return put_whole(field, shown, spec, as_number(value));
        return put_text(field, spec, unset, text_of(value));
      case Shape::truth:
        if (shown.type != 0 && shown.type != 's')
          return put_whole(field, shown, spec, as_number(value));
        return put_text(field, spec, unset, value.as_whole() != 0 ? "true" : "false");
      case Shape::time:
        if (spec.align == Align::natural) spec.align = Align::right;
        return put_text(field, spec, unset, time_text_by(value, shown.codes));
      default:
        if (spec.align == Align::natural) spec.align = Align::right;
        return put_text(field, spec, unset, "0x0");
    }
  }

  bool end() {
    if (report_ != nullptr) note_unused("C++ ignores them");
    return true;
  }
  void note_field(const Field&) {}

 private:
  bool refuse(std::string why, Span span) {
    return fail(Outcome::fails_at_compile("error", std::move(why), span));
  }

  static Value as_number(const Value& value) {
    return Value::whole(Type::i32, static_cast<int128>(value.bits()));
  }

  bool check_values() {
    const Span whole{0, parsed_.source.size()};
    for (const Value& value : values_) {
      if (value.is_named()) {
        return fail(Outcome::error({Code::not_supported_yet, "std::format has no values with names",
                                    whole, "Give the values in the order of the fields."}));
      }
      if (!is_known(value)) {
        return fail(Outcome::error(
            {Code::not_supported_yet, describe(value) + " as a value of C++ is not supported yet",
             whole,
             "Give a whole number up to 128 bits, f32, f64, a text, an ASCII character, true or "
             "false."}));
      }
    }
    return true;
  }

  bool check_fields() {
    for (std::size_t i = 0; i < program_.fields.size(); ++i) {
      const Shown& shown = program_.fields[i];
      const Span span = parsed_.fields[i].span;
      const auto index = static_cast<std::size_t>(shown.value);
      if (index >= values_.size())
        return refuse("there is no value " + std::to_string(index) + ", counted from 0", span);
      const std::string_view defect = find_defect(shown, values_[index]);
      if (!defect.empty()) return refuse(std::string(defect), span);
      if (!check_count(shown.width, span) || !check_count(shown.precision, span)) return false;
    }
    return true;
  }

  bool check_count(const Count& count, Span span) {
    if (count.from != Count::From::value) return true;
    const auto index = static_cast<std::size_t>(count.value_index);
    if (index >= values_.size())
      return refuse("there is no value " + std::to_string(index) + ", counted from 0", span);
    if (is_whole(values_[index].type())) return true;
    return refuse("a count is a whole number, and " + describe(values_[index]) + " is none", span);
  }

  bool take_count(const Count& count, const Field& field, int& number) {
    if (!count.given()) return true;
    std::int64_t amount = count.amount;
    if (count.from == Count::From::value) {
      const Value& value = values_[static_cast<std::size_t>(count.value_index)];
      const auto small = small_whole(value);
      if (small && *small < 0) {
        return fail(
            Outcome::fails_at_run("std::format_error", "a count is not negative", field.span));
      }
      if (!small || *small > most_number) {
        return fail(Outcome::fails_at_run(
            "std::format_error", "a count exceeds the maximum supported value", field.span));
      }
      amount = static_cast<std::int64_t>(*small);
    }
    if (amount > most_width) {
      return fail(Outcome::error({Code::over_limit,
                                  "a width or precision of " + std::to_string(amount) +
                                      " is over the limit of " + std::to_string(most_width),
                                  field.span, "Use at most " + std::to_string(most_width) + "."}));
    }
    number = static_cast<int>(amount);
    return true;
  }

  static Spec spec_of(const Shown& shown) {
    Spec spec;
    if (!shown.lead.fill.empty()) spec.fill = shown.lead.fill;
    spec.align = shown.lead.align == '<'   ? Align::left
                 : shown.lead.align == '>' ? Align::right
                 : shown.lead.align == '^' ? Align::center
                                           : Align::natural;
    if (shown.lead.zero && shown.lead.align == 0) {
      spec.align = Align::inner;
      spec.fill = "0";
    }
    spec.sign = shown.lead.sign == '+'   ? Sign::always
                : shown.lead.sign == ' ' ? Sign::space
                                         : Sign::minus;
    return spec;
  }

  bool put_text(const Field& field, const Spec& spec, int precision, std::string_view text) {
    int columns = 0;
    const std::string_view kept = estimated_cut(text, precision, columns);
    const int missing = std::max(spec.width - columns, 0);
    const int before = spec.align == Align::right    ? missing
                       : spec.align == Align::center ? missing / 2
                                                     : 0;
    out_.fill(spec.fill.text(), static_cast<std::size_t>(before));
    out_.append(kept);
    out_.fill(spec.fill.text(), static_cast<std::size_t>(missing - before));
    if (report_ != nullptr) {
      Spec cut = spec;
      cut.limit = precision;
      note_text(cut, text, WidthUnit::columns, field.span, report_->notes);
    }
    return true;
  }

  bool put_whole(const Field& field, const Shown& shown, Spec spec, const Value& value) {
    if (shown.type == 'c') {
      const auto number = small_whole(value);
      if (!number || *number < -128 || *number > 127) {
        return fail(Outcome::fails_at_run("std::format_error",
                                          "a whole number outside the range of char", field.span));
      }
      const char byte = static_cast<char>(*number);
      return put_text(field, spec, unset, {&byte, 1});
    }
    spec.kind = Kind::whole;
    bool negative = false;
    if (shown.type == 0 || shown.type == 'd') {
      if (const auto small = small_whole(value); small && high_half(magnitude_of(*small)) == 0) {
        lay_out_decimal(spec, *small < 0, low_half(magnitude_of(*small)), out_);
        return true;
      }
    }
    const int base = shown.type == 'o'                        ? 8
                     : shown.type == 'b' || shown.type == 'B' ? 2
                     : shown.type == 'x' || shown.type == 'X' ? 16
                                                              : 10;
    const std::string digits =
        whole_digits(value, base, shown.type == 'X' ? Letters::upper : Letters::lower, negative);
    std::string_view prefix;
    if (shown.lead.alternate) {
      prefix = shown.type == 'o'   ? (digits == "0" ? "" : "0")
               : shown.type == 'b' ? "0b"
               : shown.type == 'B' ? "0B"
               : shown.type == 'x' ? "0x"
               : shown.type == 'X' ? "0X"
                                   : "";
    }
    lay_out_whole(spec, negative, digits, prefix, out_);
    return true;
  }

  bool put_real(const Field& field, const Shown& shown, Spec spec, int precision,
                const Value& value) {
    const bool widest = value.is(Type::f80);
    const BinaryFormat& format = widest ? binary64 : *fact_of(value.type()).format;
    const BinaryReal real = widest ? nearest_f64(value) : value.as_real();
    set_notation(shown, precision, spec);
    if (!real.is_finite() && spec.align == Align::inner) {
      spec.align = Align::right;
      spec.fill = shown.lead.fill.empty() ? Mark(" ") : shown.lead.fill;
    }
    const bool keeps_zeros = spec.keep_point && (shown.type == 'g' || shown.type == 'G');
    if ((shown.type == 0 || keeps_zeros) && real.is_finite())
      put_by_size(spec, keeps_zeros, format, real);
    else
      lay_out_real(spec, format, real, numbers, out_);
    if (report_ == nullptr) return true;
    if (widest) {
      note(Code::type_converted,
           "libc++ 16 shows a long double as the nearest double: " + describe(value), field.span);
    }
    if (!value.given_in_bits() && shown.type != 'a' && shown.type != 'A')
      note_rounding(spec, format, real, field.span, report_->notes);
    return true;
  }

  static void set_notation(const Shown& shown, int precision, Spec& spec) {
    spec.kind = Kind::real;
    spec.keep_point = shown.lead.alternate;
    if (shown.type >= 'A' && shown.type <= 'G') spec.letters = Letters::upper;
    switch (shown.type) {
      case 'a':
      case 'A':
        spec.notation = Notation::hexfloat;
        spec.places = precision;
        break;
      case 'e':
      case 'E':
        spec.notation = Notation::scientific;
        spec.places = precision == unset ? 6 : precision;
        break;
      case 'f':
      case 'F':
        spec.notation = Notation::fixed;
        spec.places = precision == unset ? 6 : precision;
        break;
      default:
        if (shown.type == 0 && precision == unset) break;
        spec.notation = Notation::compact;
        spec.significant = std::max(precision == unset ? 6 : precision, 1);
    }
  }

  // Without a type: as g with the precision, though # keeps no zeros; or the shortest digits, in
  // the shorter notation. With g and #, libc++ 16 counts the 0 before the point as significant.
  void put_by_size(Spec spec, bool keeps_zeros, const BinaryFormat& format,
                   const BinaryReal& real) {
    Digits digits;
    bool fixed = true;
    const int count = spec.significant;
    if (count == unset) {
      shortest_digits(format, real, digits);
      fixed = is_shorter_fixed(digits);
      // A whole number is shown in full, whatever digits identify it.
      if (fixed && digits.point() > digits.size()) exact_digits(real, digits);
    } else {
      digits_to_significant(real, count, Rounding::half_even, digits);
      digits.strip_trailing_zeros();
      const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
      fixed = exponent >= -4 && exponent < count;
    }
    spec.significant = unset;
    spec.notation = fixed ? Notation::fixed : Notation::scientific;
    const int point = fixed ? digits.point() : 1;
    spec.places = std::max(digits.size() - point, 0);
    if (keeps_zeros) spec.places = std::max(spec.places, count - std::max(point, 1));
    lay_out_digits(spec, real.negative, digits, numbers, out_);
  }

  // ISO C++20, [charconv.to.chars]/8: as few characters as can be, fixed notation if equal.
  static bool is_shorter_fixed(const Digits& digits) {
    if (digits.is_zero()) return true;
    const int size = digits.size();
    const int point = digits.point();
    const int exponent = point - 1;
    const int scientific = size + (size > 1 ? 1 : 0) + (exponent > -100 && exponent < 100 ? 4 : 5);
    const int fixed = point <= 0 ? 2 - point + size : point >= size ? point : size + 1;
    return fixed <= scientific;
  }

  const Fields& program_;
};

// ---- Writing ----

// Codes of dates, between which no brace can stand.
std::optional<std::string> write_codes(const FieldWish& wish, Notes& notes) {
  auto codes = family::write_standard_strftime(wish, notes);
  if (codes && codes->find_first_of("{}") != std::string::npos) {
    writing::cannot("std::format cannot have this text between the parts of a date", notes);
    return std::nullopt;
  }
  return codes;
}
constexpr braces::WritingRules writing_rules = {
    .facts = &cpp_format::facts, .hexfloat = true, .moment = write_codes};
constexpr writing::LiteralRules literal_rules = {.doubled = "{}",
                                                 .control = writing::ControlForm::octal};

class CppFormat final : public family::CheckedDialect<Fields, Rendering> {
 public:
  const DialectFacts& facts() const override { return cpp_format::facts; }

  Placing placing() const override { return Placing::positions; }
  WrittenField write_field(const FieldWish& wish) const override {
    return braces::write_field(writing_rules, wish);
  }
  std::optional<std::string> write_literal(std::string_view text) const override {
    return writing::literal(literal_rules, text);
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return "std::cout << std::format(\"" + std::string(source) + "\"" +
           (names.empty() ? "" : ", ") + writing::listed(names, ", ") + ");";
  }

  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    const Shown& shown =
        static_cast<const Fields&>(*parsed.program).fields[static_cast<std::size_t>(field)];
    if (shown.width.from == Count::From::value || shown.precision.from == Count::From::value) {
      writing::cannot("the width or precision comes from a value", notes);
      return std::nullopt;
    }
    if (!shown.codes.empty()) {
      if (const auto pattern =
              family::read_strftime(shown.codes, family::standard_strftime_letters()))
        return family::time_wish(*pattern);
      writing::cannot("the codes are of a time", notes);
      return std::nullopt;
    }
    const auto count_of = [](const Count& count) { return count.given() ? count.amount : unset; };
    constexpr int usual_places = 6;
    return braces::wish_of(shown.lead, count_of(shown.width), count_of(shown.precision),
                           shown.type == 's' ? '\0' : shown.type, type, usual_places);
  }

  // std::format("{}").
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("{}");
    return render(shown, {&value, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Fields& program, std::vector<Words>* words) const override {
    const braces::Decoded decoded(out, c_language::read_escape);
    read_fields(decoded, out, program, words);
    note_quotes(facts(), out);
  }
};

}  // namespace

}  // namespace cpp_format

const Dialect* cpp_format_dialect() {
  static const cpp_format::CppFormat dialect;
  return &dialect;
}

}  // namespace inky::inline v1
