// The dialect `rust`: format strings of format! and its like.
//
// Defined by the documentation of std::fmt; what it leaves open is as rustc 1.95 does it. Values
// without names are the arguments after the format string, those with names are variables in scope.
// A value of type i32 stands as a literal without a suffix, so that it may also be a count; a
// record is a struct named Record that derives Debug, nil is None, a list is a Vec.
//
// What sets it apart from its family:
//   - all but a count too large for 16 bits is checked when the program is compiled;
//   - zeros in front win over fill and alignment, and are ignored by text;
//   - x, o and b show negative numbers in two's complement;
//   - ? shows any value as source would write it, #? spread over lines.

#include <algorithm>
#include <string>

#include "../family/brace_writing.hpp"
#include "../family/braces.hpp"
#include "../family/checked_dialect.hpp"
#include "../family/named_values.hpp"
#include "../family/rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "durations.hpp"
#include "facts.hpp"
#include "fields.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"
#include "values.hpp"

namespace inky::inline v1 {

namespace rust {

namespace {

// ---- Rendering ----

class Rendering final : public family::Rendering<Rendering> {
 public:
  static constexpr bool takes_rare_values = true;
  Rendering(const TemplateContent& parsed, std::span<const Value> values,
            const RenderOptions& options, Output& out, Report* report)
      : family::Rendering<Rendering>(rust::facts, parsed, values, options, out, report),
        program_(static_cast<const Fields&>(*parsed.program)),
        index_(values) {}

  // What the compiler reports, which sees all fields before any is printed.
  std::optional<Outcome> check() {
    const bool fine = check_values() && check_arguments() && check_variables() && check_counts() &&
                      check_formats();
    if (fine) return std::nullopt;
    return std::move(trouble_);
  }

  bool render(const Field& field) {
    const auto index = static_cast<std::size_t>(&field - parsed_.fields.data());
    const Shown& shown = program_.fields[index];
    Spec spec = spec_of(shown.lead);
    int precision = unset;
    if (!take_count(shown.width, field, spec.width) ||
        !take_count(shown.precision, field, precision))
      return false;
    const Value& value = *find(shown.value);
    put(shown, spec, precision, value, 0);
    if (report_ != nullptr) note_value(field, shown, spec, precision, value);
    return true;
  }

  bool end() { return true; }
  void note_field(const Field&) {}

 private:
  bool refuse(std::string_view as, std::string why, Span span) {
    return fail(Outcome::fails_at_compile(std::string(as), std::move(why), span));
  }
  Span whole() const { return {0, parsed_.source.size()}; }

  // The value a reference is to; null where there is none.
  const Value* find(const Reference& reference) const {
    if (reference.kind == Reference::Kind::variable) return index_.named(reference.name);
    return reference.number < 0 ? nullptr
                                : index_.unnamed(static_cast<std::size_t>(reference.number));
  }

  template <typename Check>
  bool all_references(Check check) {
    for (std::size_t i = 0; i < program_.fields.size(); ++i) {
      const Shown& shown = program_.fields[i];
      for (const Reference* used : {&shown.precision, &shown.width, &shown.value}) {
        if (!check(*used, parsed_.fields[i].span, used == &shown.value)) return false;
      }
    }
    return true;
  }

  bool check_values() {
    for (const Value& value : values_) {
      if (is_known(value)) continue;
      return fail(Outcome::error(
          {Code::not_supported_yet, describe(value) + " as a value of Rust is not supported yet",
           whole(),
           "Give a whole number up to 128 bits, f32, f64, a text, a character, true or false, a "
           "duration, an option, or a list of values of one type."}));
    }
    return true;
  }

  // Every argument is used, and there are as many as are used.
  bool check_arguments() {
    const auto count = static_cast<std::int64_t>(index_.unnamed_count());
    std::vector<bool> shown(index_.unnamed_count());
    const bool enough = all_references([&](const Reference& reference, Span span, bool) {
      if (reference.kind != Reference::Kind::argument) return true;
      if (reference.number < count) {
        if (reference.number >= 0) shown[static_cast<std::size_t>(reference.number)] = true;
        return true;
      }
      return refuse(
          "error",
          "invalid reference to positional argument " + std::to_string(reference.number) +
              ": there " +
              (count == 1 ? "is 1 argument" : "are " + std::to_string(count) + " arguments") +
              ", counted from 0",
          span);
    });
    if (!enough) return false;
    for (std::int64_t argument = 0; argument < count; ++argument) {
      if (shown[static_cast<std::size_t>(argument)]) continue;
      return refuse(
          "error",
          "argument never used: value " + std::to_string(argument + 1) + " is shown by no field",
          whole());
    }
    return true;
  }

  bool check_variables() {
    return all_references([&](const Reference& reference, Span span, bool) {
      if (reference.kind != Reference::Kind::variable || find(reference) != nullptr) return true;
      return refuse("E0425", "cannot find value `" + reference.name + "` in this scope", span);
    });
  }

  // A count is a usize, which only a literal without a suffix becomes.
  bool check_counts() {
    const Value* negative = nullptr;
    Span at;
    const bool fine = all_references([&](const Reference& reference, Span span, bool shows) {
      if (shows || (reference.kind != Reference::Kind::argument &&
                    reference.kind != Reference::Kind::variable))
        return true;
      const Value& value = *find(reference);
      if (!value.is(Type::i32)) {
        return refuse(
            "E0308", "mismatched types: a count is a usize, and " + describe(value) + " is not one",
            span);
      }
      if (value.as_whole() < 0) {
        negative = &value;
        at = span;
      }
      return true;
    });
    if (!fine || negative == nullptr) return fine;
    return refuse("E0277", "the trait bound `usize: Neg` is not satisfied: a count is not negative",
                  at);
  }

  bool check_formats() {
    for (std::size_t i = 0; i < program_.fields.size(); ++i) {
      const Shown& shown = program_.fields[i];
      const Value& value = *find(shown.value);
      const Span span = parsed_.fields[i].span;
      if (!has_format(value, shown.form))
        return refuse("E0277", "the type of " + describe(value) + " has no such format", span);
      if (shown.form == 'p') {
        return fail(Outcome::undefined(
            "an address is printed, which differs from one run to the next", span));
      }
    }
    return true;
  }

  bool take_count(const Reference& reference, const Field& field, int& count) {
    if (reference.kind == Reference::Kind::none) return true;
    if (reference.kind == Reference::Kind::number) {
      count = static_cast<int>(reference.number);
      return true;
    }
    const int128 number = find(reference)->as_whole();
    if (number > most_count)
      return fail(Outcome::fails_at_run("panic", "Formatting argument out of range: at most 65535",
                                        field.span));
    count = static_cast<int>(number);
    return true;
  }

  static Spec spec_of(const braces::Lead& lead) {
    Spec spec;
    if (!lead.fill.empty()) spec.fill = lead.fill;
    spec.align = lead.align == '<'   ? Align::left
                 : lead.align == '>' ? Align::right
                 : lead.align == '^' ? Align::center
                                     : Align::natural;
    spec.sign = lead.sign == '+' ? Sign::always : Sign::minus;
    spec.prefix = lead.alternate;
    return spec;
  }

  // Zeros win over what else is asked of a number.
  static Spec number_spec(const Shown& shown, Spec spec, Kind kind) {
    spec.kind = kind;
    if (shown.lead.zero) {
      spec.fill = "0";
      spec.align = Align::inner;
    }
    return spec;
  }

  void put(const Shown& shown, const Spec& spec, int precision, const Value& value, int depth) {
    if (is_whole(value.type())) return put_whole(shown, spec, precision, value);
    if (is_real(value.type())) return put_real(shown, spec, precision, value);
    const bool debug = shown.form == '?';
    if (value.is(Type::truth))
      return put_padded(spec, precision, value.as_whole() != 0 ? "true" : "false");
    if (is_text_or_character(value)) {
      if (debug)
        out_.append(debug_quoted(text_of(value), value.is(Type::text) ? '"' : '\''));
      else if (value.is(Type::text))
        put_padded(spec, precision, value.as_text());
      else
        put_padded(spec, precision, text_of(value));
      return;
    }
    if (value.is(Type::nil)) return out_.append("None");
    if (value.is(Type::duration))
      return lay_out_duration(spec, precision, value.as_duration(), unit(), out_);
    put_compound(shown, spec, precision, value, depth);
  }

  void put_padded(Spec spec, int precision, std::string_view text) {
    spec.kind = Kind::text;
    spec.limit = precision;
    lay_out_text(spec, text, unit(), out_);
  }

  // A list, a tuple or a record; one part a line where # asks for it.
  void put_compound(const Shown& shown, const Spec& spec, int precision, const Value& value,
                    int depth) {
    const auto items = value.as_list();
    const bool lines = shown.lead.alternate;
    const bool is_list = value.is(Type::list);
    const bool is_record = value.is(Type::record);
    const bool is_option = value.is(Type::some);
    if (items.empty())
      return is_list     ? out_.append("[]")
             : is_record ? out_.append("Record")
                         : put_padded(spec, precision, "()");
    const auto new_line = [&](int indent) {
      out_.append('\n');
      out_.fill("    ", static_cast<std::size_t>(indent));
    };
    out_.append(is_list ? "[" : is_record ? "Record {" : is_option ? "Some(" : "(");
    for (std::size_t i = 0; i < items.size(); ++i) {
      if (lines)
        new_line(depth + 1);
      else if (i > 0 || is_record)
        out_.append(" ");
      if (is_record) {
        out_.append(items[i].name());
        out_.append(": ");
      }
      put(shown, spec, precision, items[i], depth + 1);
      const bool last = i + 1 == items.size();
      if (lines || !last || (value.is(Type::tuple) && items.size() == 1)) out_.append(",");
    }
    if (lines)
      new_line(depth);
    else if (is_record)
      out_.append(" ");
    out_.append(is_list ? "]" : is_record ? "}" : ")");
  }

  void put_whole(const Shown& shown, const Spec& given, int precision, const Value& value) {
    Spec spec = number_spec(shown, given, Kind::whole);
    const char form = shown.debug_hexadecimal != 0 ? shown.debug_hexadecimal : shown.form;
    if (form == 'e' || form == 'E') return put_whole_scientific(form, spec, precision, value);
    const bool bits = form != 0 && form != '?';
    if (!bits) {
      bool negative = false;
      if (const auto small = small_whole(value); small && high_half(magnitude_of(*small)) == 0)
        return lay_out_decimal(spec, *small < 0, low_half(magnitude_of(*small)), out_);
      const std::string digits = whole_digits(value, 10, Letters::lower, negative);
      return lay_out_whole(spec, negative, digits, {}, out_);
    }
    spec.base = form == 'o' ? 8 : form == 'b' ? 2 : 16;
    const int width = fact_of(value.type()).width;
    const uint128 mask = width == 128 ? ~uint128{0} : (uint128{1} << width) - 1;
    WholeRoom room;
    const std::string_view digits = write_whole(
        value.bits() & mask, spec.base, form == 'X' ? Letters::upper : Letters::lower, room);
    const std::string_view prefix = form == 'o' ? "0o" : form == 'b' ? "0b" : "0x";
    lay_out_whole(spec, false, digits, spec.prefix ? prefix : "", out_);
  }

  void put_whole_scientific(char form, Spec spec, int precision, const Value& value) {
    bool negative = false;
    const std::string text = whole_digits(value, 10, Letters::lower, negative);
    Digits digits;
    const int size = text == "0" ? 0 : static_cast<int>(text.size());
    std::copy(text.begin(), text.end(), digits.room(static_cast<int>(text.size())));
    digits.set(size, size);
    if (precision != unset && precision + 1 < size)
      round_digits(digits, precision + 1, negative, Rounding::half_even);
    digits.strip_trailing_zeros();
    spec.notation = Notation::scientific;
    spec.letters = form == 'E' ? Letters::upper : Letters::lower;
    spec.places = precision == unset ? std::max(digits.size() - 1, 0) : precision;
    lay_out_digits(spec, negative, digits, numbers, out_);
  }

  static Spec real_spec(const Shown& shown, const Spec& given, int precision,
                        const BinaryReal& real) {
    Spec spec = number_spec(shown, given, Kind::real);
    spec.prefix = false;
    spec.places = precision;
    const bool scientific = shown.form == 'e' || shown.form == 'E';
    spec.notation = scientific ? Notation::scientific : Notation::fixed;
    // Upper letters are the exponent's alone.
    if (shown.form == 'E' && real.is_finite()) spec.letters = Letters::upper;
    if (real.kind == RealClass::not_a_number) spec.sign = Sign::minus;
    return spec;
  }

  void put_real(const Shown& shown, const Spec& given, int precision, const Value& value) {
    const BinaryFormat& format = *fact_of(value.type()).format;
    const BinaryReal real = value.as_real();
    Spec spec = real_spec(shown, given, precision, real);
    if (precision != unset || !real.is_finite())
      return lay_out_real(spec, format, real, numbers, out_);
    Digits digits;
    shortest(format, real, digits);
    const int point = digits.is_zero() ? 1 : digits.point();
    constexpr int lowest_fixed = -3;  // 1e-4
    constexpr int highest_fixed = 16;
    const bool debug = shown.form == '?';
    if (debug && (point < lowest_fixed || point > highest_fixed))
      spec.notation = Notation::scientific;
    spec.places = spec.notation == Notation::scientific
                      ? std::max(digits.size() - 1, 0)
                      : std::max(digits.size() - point, debug ? 1 : 0);
    lay_out_digits(spec, real.negative, digits, numbers, out_);
  }

  // Of two texts equally close, the one farther from zero.
  static void shortest(const BinaryFormat& format, const BinaryReal& real, Digits& digits) {
    shortest_digits(format, real, digits);
    // A number far from one has more digits than any such text.
    constexpr int far = 160;
    if (real.is_zero() || real.exponent < -far || real.exponent > far) return;
    Digits exact;
    exact_digits(real, exact);
    const int size = digits.size();
    if (exact.size() == size + 1 && tail_after(exact, size) == Tail::half)
      digits_to_significant(real, size, Rounding::half_away, digits);
  }

  void note_value(const Field& field, const Shown& shown, const Spec& given, int precision,
                  const Value& value) {
    if (is_real(value.type()) && !value.given_in_bits() && precision != unset) {
      const BinaryFormat& format = *fact_of(value.type()).format;
      note_rounding(real_spec(shown, given, precision, value.as_real()), format, value.as_real(),
                    field.span, report_->notes);
    }
    if (is_text_or_character(value) && shown.form == 0) {
      Spec spec = given;
      spec.limit = precision;
      note_text(spec, text_of(value), unit(), field.span, report_->notes);
      if (shown.lead.zero)
        note(Code::flag_without_effect, "the flag 0 changes nothing for a text", field.span);
    }
    if (is_whole(value.type()) && precision != unset && (shown.form == 0 || shown.form == '?'))
      note(Code::flag_without_effect, "a precision changes nothing for a whole number", field.span);
  }

  const Fields& program_;
  ValueIndex index_;
};

// ---- Writing ----

constexpr braces::WritingRules writing_rules = {.facts = &rust::facts,
                                                .space_sign = false,
                                                .general = false,
                                                .fixed_by_precision = true,
                                                .shortest_scientific = true,
                                                .names = true};
constexpr writing::LiteralRules literal_rules = {.doubled = "{}",
                                                 .control = writing::ControlForm::braces};

class Rust final : public family::CheckedDialect<Fields, Rendering> {
 public:
  const DialectFacts& facts() const override { return rust::facts; }

  Placing placing() const override { return Placing::positions; }
  WrittenField write_field(const FieldWish& wish) const override {
    return braces::write_field(writing_rules, wish);
  }
  std::optional<std::string> write_literal(std::string_view text) const override {
    return writing::literal(literal_rules, text);
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override {
    // A name in braces is the variable itself.
    std::vector<std::string> given;
    for (const std::string& name : names) {
      if (!writing::names_field(source, name, "}:") && !writing::names_count(source, name))
        given.push_back(name);
    }
    return "print!(\"" + std::string(source) + "\"" + (given.empty() ? "" : ", ") +
           writing::listed(given, ", ") + ");";
  }

  // A String is no pointer, and a &str is one.
  std::optional<Objection> do_objection(const TemplateContent& parsed, int field,
                                        std::string_view type_in_source) const override {
    const Field& one = parsed.fields[static_cast<std::size_t>(field)];
    if (one.letter != 'p' || type_in_source != "String") return std::nullopt;
    return Objection{Code::language_fails, "a String has no address to show with {:p}", {}};
  }
  std::vector<CountSource> do_counts_of(const TemplateContent& parsed, int field) const override {
    const Shown& shown =
        static_cast<const Fields&>(*parsed.program).fields[static_cast<std::size_t>(field)];
    std::vector<CountSource> out;
    for (const Reference& count : {shown.width, shown.precision}) {
      if (count.kind == Reference::Kind::argument)
        out.push_back({{}, static_cast<int>(count.number)});
      else if (count.kind == Reference::Kind::variable)
        out.push_back({count.name, unset});
    }
    return out;
  }
  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                 Notes& notes) const override {
    const Shown& shown =
        static_cast<const Fields&>(*parsed.program).fields[static_cast<std::size_t>(field)];
    const auto count_of = [](const Reference& count) {
      return count.kind == Reference::Kind::number ? static_cast<int>(count.number) : unset;
    };
    const bool counts_from_values =
        (shown.width.kind != Reference::Kind::none && count_of(shown.width) == unset) ||
        (shown.precision.kind != Reference::Kind::none && count_of(shown.precision) == unset);
    if (counts_from_values || shown.form == '?') {
      writing::cannot(shown.form == '?' ? "a value for debugging is Rust's own"
                                        : "the width or precision comes from a value",
                      notes);
      return std::nullopt;
    }
    // A precision without a letter is places; without one, reals have no exponent.
    const bool bare_real = shown.form == 0 && is_real(type);
    Spec out = braces::wish_of(shown.lead, count_of(shown.width), count_of(shown.precision),
                               bare_real ? 'f' : shown.form, type, unset);
    if (shown.lead.zero && (out.kind == Kind::whole || out.kind == Kind::real)) {
      out.align = Align::inner;
      out.fill = "0";
    }
    return out;
  }

  // println!("{}").
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("{}");
    Value unnamed = value;
    return render(shown, {&unnamed, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Fields& program, std::vector<Words>* words) const override {
    read_fields(out, program, words);
    note_quotes(facts(), out);
  }
};

}  // namespace

}  // namespace rust

const Dialect* rust_dialect() {
  static const rust::Rust dialect;
  return &dialect;
}

}  // namespace inky::inline v1
