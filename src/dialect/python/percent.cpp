// The dialect `python-percent`: the % operator of Python on a str.
//
// Defined by the Python 3.11 library reference, "printf-style String Formatting"; what it leaves
// open is as CPython 3.11 prints it. The values are the operator's right side as a tuple; named
// values are a dict.
//
// What sets it apart from its family:
//   - every failure is an exception at run time, raised at the first field that fails;
//   - wholes have any size and are signed in every base; u is another d, d cuts a real toward zero;
//   - s, r and a print any value, as str, repr and ascii do;
//   - zeros may fill in front of inf and nan, and go with a precision of a whole number;
//   - "(key)" takes a value from the dict; a field without one then finds nothing left.

#include <algorithm>

#include "../family/named_values.hpp"
#include "../family/percent_dialect.hpp"
#include "../family/percent_rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "format/fraction_value.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"
#include "number/decimal_arithmetic.hpp"
#include "percent_facts.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::python_percent {

namespace {

using python::Conversion;
using python::is_int;
constexpr const NumberStyle& numbers = python::number_style;

// ---- Reading ----

bool has_flag(const Field& field, char flag) {
  return percent::has_flag(facts, field, flag);
}

// A precision of a whole number never prints the 0 as nothing.
void set_precision(Spec& spec, int precision) {
  percent::set_precision(spec, precision);
  if (spec.kind == Kind::whole && spec.least_digits == 0) spec.least_digits = 1;
}

void set_alignment(const Field& field, bool left, Spec& spec) {
  const bool zeros =
      has_flag(field, '0') && !left && (spec.kind == Kind::whole || spec.kind == Kind::real);
  spec.align = left ? Align::left : zeros ? Align::inner : Align::right;
  spec.fill = zeros ? "0" : " ";
}

void finish(Field& field, std::string_view) {
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  if (conversion == nullptr) {
    field.failure = "ValueError";
    field.defect =
        field.letter == 0
            ? "incomplete format: the template ends inside a field; a percent sign itself "
              "is written %%"
            : "unsupported format character; a percent sign itself is written %%";
    return;
  }
  Spec& spec = field.spec;
  spec.kind = conversion->kind;
  if (spec.kind == Kind::whole || spec.kind == Kind::real) {
    percent::set_letter(spec, field.letter);
    spec.sign = percent::sign_of(facts, field);
  }
  if (spec.kind == Kind::real)
    spec.keep_point = has_flag(field, '#');
  else
    spec.prefix = has_flag(field, '#');
  if (field.width.from == Count::From::source) spec.width = field.width.amount;
  if (field.letter != 'c')
    set_precision(spec,
                  field.precision.from == Count::From::source ? field.precision.amount : unset);
  set_alignment(field, has_flag(field, '-'), spec);
  field.plain_decimal = spec.kind == Kind::whole && spec.base == 10 && percent::is_bare(field);
}

constexpr percent::Syntax syntax = {.facts = &facts,
                                    .most_position = 0,
                                    .keys = true,
                                    .unknown_letters_take_values = true,
                                    .read_escape = python::read_escape,
                                    .finish = finish};

// Null is the dict itself.
std::string_view type_name(const Value* value) {
  return value == nullptr ? "dict" : python::type_name(*value);
}

// ---- Rendering ----

class Rendering final : public percent::Rendering<Rendering> {
 public:
  static constexpr bool takes_rare_values = true;
  using percent::Rendering<Rendering>::Rendering;

  bool render(const Field& field) {
    if (!field.key.empty() && !look_up(field)) return false;
    Spec spec = field.spec;
    if (!take_counts(field, spec)) return false;
    if (field.letter == 0) return raise("ValueError", field.defect, field);
    const Value* value = nullptr;
    if (!take(field.value_index, field, value)) return false;
    if (!field.defect.empty()) return raise(field.failure, field.defect, field);
    switch (spec.kind) {
      case Kind::whole:
        return render_whole(field, spec, value);
      case Kind::real:
        return render_real(field, spec, value);
      case Kind::character:
        return render_character(field, spec, value);
      default:
        return render_any(field, spec, value);
    }
  }

  bool end() {
    const auto taken = static_cast<std::size_t>(parsed_.values_taken);
    if (is_mapping() || values_.size() <= taken) return true;
    return raise("TypeError", "not all arguments converted during string formatting",
                 Span{0, parsed_.source.size()});
  }

  void note_field(const Field& field) {
    const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
    if (conversion == nullptr) return;
    for (const char c : {'+', ' ', '#', '0'}) {
      if (has_flag(field, c) && conversion->flags.find(c) == std::string_view::npos) {
        note(Code::flag_without_effect,
             std::string("the flag ") + in_quotes({&c, 1}) + " changes nothing with " + name(field),
             field.span);
      }
    }
    note_overridden(field);
  }

 private:
  bool raise(std::string_view exception, std::string why, Span span) {
    return fail(Outcome::fails_at_run(std::string(exception), std::move(why), span));
  }
  bool raise(std::string_view exception, std::string why, const Field& field) {
    return raise(exception, std::move(why), field.span);
  }

  bool is_mapping() const { return !values_.empty() && values_[0].is_named(); }

  // A key makes its value the one value there is, until it is taken.
  bool look_up(const Field& field) {
    if (!is_mapping()) return raise("TypeError", "format requires a mapping", field);
    if (std::count(field.key.begin(), field.key.end(), '(') !=
        std::count(field.key.begin(), field.key.end(), ')'))
      return raise("ValueError", "incomplete format key: its parenthesis is not closed", field);
    const std::string_view wanted = field.key_name();
    const Value* found = index_.last_named(wanted);
    if (found == nullptr) return raise("KeyError", python::quoted(wanted, false), field);
    single_ = found;
    single_taken_ = false;
    return true;
  }

  // The next value; null means the mapping as a whole.
  bool take(int index, const Field& field, const Value*& value) {
    const bool in_tuple = !is_mapping();
    if (in_tuple && static_cast<std::size_t>(index) < values_.size()) {
      value = &values_[static_cast<std::size_t>(index)];
      return true;
    }
    if (in_tuple || std::exchange(single_taken_, true)) {
      return raise("TypeError",
                   "not enough arguments for format string: " + name(field) + " finds none left",
                   field);
    }
    value = single_;
    return true;
  }

  bool take_counts(const Field& field, Spec& spec) {
    int amount = 0;
    if (field.width.from == Count::From::value) {
      if (!take_count(field, field.width, amount)) return false;
      spec.width = amount < 0 ? -amount : amount;
      if (amount < 0) set_alignment(field, true, spec);
    }
    if (field.precision.from == Count::From::value) {
      if (!take_count(field, field.precision, amount)) return false;
      if (spec.kind != Kind::character) set_precision(spec, std::max(amount, 0));
    }
    return true;
  }

  bool take_count(const Field& field, const Count& count, int& amount) {
    const Value* value = nullptr;
    if (!take(count.value_index, field, value)) return false;
    if (value == nullptr || !is_int(*value))
      return raise("TypeError", "* wants int, not " + std::string(type_name(value)), field);
    const std::optional<int128> number = small_whole(*value);
    if (!number || *number != static_cast<std::int64_t>(*number))
      return raise("OverflowError", "Python int too large to convert to C ssize_t", field);
    if (!within_limit(field, *value, *number)) return false;
    amount = static_cast<int>(*number);
    return true;
  }

  bool render_whole(const Field& field, const Spec& spec, const Value* value) {
    const bool cuts = spec.base == 10;
    if (value != nullptr && cuts && is_real(value->type())) return render_cut(field, spec, *value);
    if (value != nullptr && cuts && value->is(Type::decimal))
      return render_cut_decimal(field, spec, value->as_decimal());
    if (value != nullptr && cuts && value->is(Type::fraction)) {
      const Integer whole = round_whole(rational_of(*value), Rounding::toward);
      const Integer size = whole < 0 ? Integer(-whole) : whole;
      lay_out_whole(spec, whole < 0, size.str(), {}, out_);
      if (report_ != nullptr && denominator(rational_of(*value)) != 1)
        note_cut(field, describe(*value));
      return true;
    }
    if (value == nullptr || !is_int(*value)) {
      return raise("TypeError",
                   name(field) + " format: " + (cuts ? "a real number" : "an integer") +
                       " is required, not " + std::string(type_name(value)),
                   field);
    }
    if (cuts && !value->is(Type::big) && !value->is(Type::u128)) {
      const int128 number = value->as_whole();
      const uint128 magnitude = magnitude_of(number);
      if (high_half(magnitude) == 0) {
        lay_out_decimal(spec, number < 0, low_half(magnitude), out_);
        return true;
      }
    }
    bool negative = false;
    const std::string digits = whole_digits(*value, spec.base, spec.letters, negative);
    const bool upper = spec.letters == Letters::upper;
    const std::string_view prefix = !spec.prefix || cuts ? ""
                                    : spec.base == 8     ? "0o"
                                    : upper              ? "0X"
                                                         : "0x";
    lay_out_whole(spec, negative, digits, prefix, out_);
    return true;
  }

  // d of a float.
  bool render_cut(const Field& field, const Spec& spec, const Value& value) {
    const BinaryReal real = nearest_f64(value);
    if (real.kind == RealClass::infinite)
      return raise("OverflowError", "cannot convert float infinity to integer", field);
    if (real.kind == RealClass::not_a_number)
      return raise("ValueError", "cannot convert float NaN to integer", field);
    Digits digits;
    digits_to_places(real, 0, Rounding::toward, digits);
    std::string text(digits.is_zero() ? "0" : digits.text());
    text.resize(static_cast<std::size_t>(std::max(digits.point(), 1)), '0');
    lay_out_whole(spec, real.negative && !digits.is_zero(), text, {}, out_);
    if (report_ == nullptr) return true;
    note_conversion(field, value);
    Digits exact;
    exact_digits(real, exact);
    if (exact.size() > exact.point()) note_cut(field, describe(value));
    return true;
  }

  void note_cut(const Field& field, const std::string& number) {
    note(Code::cut_to_whole, name(field) + " cuts " + number + " toward zero, and never rounds",
         field.span);
  }

  // d of a Decimal.
  bool render_cut_decimal(const Field& field, const Spec& spec, const Decimal& value) {
    if (value.kind == Decimal::Kind::infinite)
      return raise("OverflowError", "cannot convert Infinity to integer", field);
    if (value.kind == Decimal::Kind::not_a_number)
      return raise("ValueError", "cannot convert NaN to integer", field);
    const Decimal whole = rescaled(value, 0, Rounding::toward);
    lay_out_whole(spec, value.negative && !whole.is_zero(), whole.coefficient, {}, out_);
    if (report_ != nullptr && std::is_neq(compare(whole, value))) note_cut(field, to_text(value));
    return true;
  }

  bool render_real(const Field& field, const Spec& spec, const Value* value) {
    if (value != nullptr && value->is(Type::decimal)) {
      // The percent sign asks a Decimal for a float.
      const BinaryReal real = nearest_f64(*value);
      lay_out_real(spec, binary64, real, numbers, out_);
      if (report_ != nullptr)
        note(Code::type_converted,
             name(field) + " makes a float of the Decimal: " + describe(*value) + " becomes " +
                 stored_text(Value::real(Type::f64, pack(binary64, real))),
             field.span);
      return true;
    }
    if (value != nullptr && value->is(Type::fraction)) {
      const BinaryReal real = unpack(binary64, stored(binary64, rational_of(*value), false));
      if (!real.is_finite())
        return raise("OverflowError", "integer division result too large for a float", field);
      lay_out_real(spec, binary64, real, numbers, out_);
      if (report_ != nullptr)
        note(Code::type_converted,
             name(field) + " makes a float of the Fraction: " + describe(*value) + " becomes " +
                 stored_text(Value::real(Type::f64, pack(binary64, real))),
             field.span);
      return true;
    }
    if (value == nullptr || !(is_real(value->type()) || is_int(*value))) {
      return raise("TypeError", "must be real number, not " + std::string(type_name(value)), field);
    }
    if (is_real(value->type())) {
      const BinaryReal real = nearest_f64(*value);
      lay_out_real(spec, binary64, real, numbers, out_);
      if (report_ == nullptr) return true;
      note_conversion(field, *value);
      if (!value->given_in_bits()) note_rounding(spec, binary64, real, field.span, report_->notes);
      return true;
    }
    const BinaryReal real = nearest_f64(*value);
    if (!real.is_finite())
      return raise("OverflowError", "int too large to convert to float", field);
    lay_out_real(spec, binary64, real, numbers, out_);
    return true;
  }

  bool render_character(const Field& field, const Spec& spec, const Value* value) {
    if (value != nullptr && is_text_or_character(*value)) {
      const std::string text = text_of(*value);
      const auto point = first_code_point(text);
      if (point && static_cast<std::size_t>(point->bytes) == text.size())
        return put_text(field, spec, text);
    } else if (value != nullptr && is_int(*value)) {
      const int128 number = small_whole(*value).value_or(-1);
      constexpr int highest = 0x10FFFF;
      if (number < 0 || number > highest)
        return raise("OverflowError", "%c arg not in range(0x110000)", field);
      if (number >= 0xD800 && number <= 0xDFFF) {
        return fail(Outcome::error({Code::not_supported_yet,
                                    "a text with half of a surrogate pair is not supported yet",
                                    field.span, "Use a code point outside 0xD800 to 0xDFFF."}));
      }
      std::string text;
      append_utf8(static_cast<char32_t>(number), text);
      return put_text(field, spec, text);
    }
    return raise("TypeError", "%c requires int or char", field);
  }

  bool render_any(const Field& field, const Spec& spec, const Value* value) {
    if (value == nullptr) return put_text(field, spec, mapping_text(field.letter == 'a'));
    if (value->is_function() && field.letter != 's')
      return fail(Outcome::error({Code::not_supported_yet,
                                  "another text of such an object is not supported yet", field.span,
                                  "Use %s."}));
    // The usual case needs no copy.
    if (value->is(Type::text) && field.letter == 's')
      return put_text(field, spec, value->as_text());
    if (report_ != nullptr) note_conversion(field, *value);
    return put_text(field, spec,
                    python::text_of_any(*value, static_cast<Conversion>(field.letter)));
  }

  // The dict itself: a key stands where it first came, with its last value.
  std::string mapping_text(bool ascii) const {
    std::string out = "{";
    for (auto at = values_.begin(); at != values_.end(); ++at) {
      if (index_.named(at->name()) != &*at) continue;
      const Value& last = *index_.last_named(at->name());
      if (out.size() > 1) out += ", ";
      out += python::quoted(at->name(), ascii) + ": " +
             python::text_of_any(last, ascii ? Conversion::ascii : Conversion::repr);
    }
    return out += "}";
  }

  bool put_text(const Field& field, const Spec& spec, std::string_view text) {
    lay_out_text(spec, text, unit(), out_);
    if (report_ != nullptr) note_text(spec, text, unit(), field.span, report_->notes);
    return true;
  }

  void note_conversion(const Field& field, const Value& value) {
    if (value.is(Type::f80) || value.is(Type::f128))
      note(Code::type_converted,
           "Python has no " + std::string(inky::name_of(value.type())) + "; " + describe(value) +
               " becomes a float, the nearest f64",
           field.span);
  }

  ValueIndex index_{values_};
  const Value* single_ = nullptr;  // null: the mapping
  bool single_taken_ = false;
};

// ---- Writing ----

constexpr percent::WritingRules writing_rules = {
    .facts = &python_percent::facts, .plain = 's', .converts = true};
constexpr writing::LiteralRules literal_rules = {.doubled = "%"};

class PythonPercent final : public family::PercentDialect {
 public:
  PythonPercent() : PercentDialect(syntax, writing_rules, literal_rules) {}

  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    return "print(\"" + std::string(source) + "\" % (" + writing::listed(names, ", ") +
           (names.size() == 1 ? ",), end=\"\")" : "), end=\"\")");
  }

  // Keys want a dict.
  Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                    std::span<const std::string> names) const override {
    Result<WrittenCall> out = PercentDialect::do_write_call(parsed, names);
    const bool has_keys = std::any_of(parsed.fields.begin(), parsed.fields.end(),
                                      [](const Field& field) { return !field.key.empty(); });
    if (!out || !has_keys) return out;
    std::string items;
    for (const std::string& name : names) {
      items += items.empty() ? "\"" : ", \"";
      items += name;
      items += "\": ";
      items += name;
    }
    out->source.resize(out->literals[0].to);
    out->add(" % {" + items + "}, end=\"\")");
    return out;
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    return Rendering(python_percent::facts, parsed, values, options, out, report).run();
  }

  // print() shows str().
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    out.append(python::text_of_any(value, Conversion::str));
    return {};
  }
};

}  // namespace

}  // namespace inky::inline v1::python_percent

namespace inky::inline v1 {

const Dialect* python_percent_dialect() {
  static const python_percent::PythonPercent dialect;
  return &dialect;
}

}  // namespace inky::inline v1
