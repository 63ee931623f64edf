// The directives that print numbers.

#include <algorithm>
#include <string>

#include "../family/rendering.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "control.hpp"
#include "dialect/program_form.hpp"
#include "floats.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/decimal.hpp"
#include "numerals.hpp"
#include "printer.hpp"
#include "rendering.hpp"

namespace inky::inline v1::lisp {

Flow Rendering::run_whole_number(const Directive& directive, int base, Arguments& arguments,
                                 std::string& out) {
  if (!take_parameters(directive, 4, arguments)) return Flow::fails;
  const Value* value = next(directive, arguments);
  return value == nullptr ? Flow::fails : put_whole(directive, *value, base, 0, out);
}

Flow Rendering::put_whole(const Directive& directive, const Value& value, int base,
                          std::size_t first, std::string& out) {
  if (!is_whole(value.type()))
    return print(value, base, false, directive, &out, out) ? Flow::goes_on : Flow::fails;
  Padding padding{.on_left = true};
  std::string mark = ",";
  int interval = 3;
  if (!number(directive, first, padding.least) ||
      !character(directive, first + 1, padding.character) ||
      !character(directive, first + 2, mark) || !number(directive, first + 3, interval))
    return Flow::fails;
  if (interval <= 0) return not_yet("marks at an interval of nothing are", directive);
  bool negative = false;
  const std::string digits = whole_digits(value, base, Letters::upper, negative);
  std::string text = negative ? "-" : directive.at ? "+" : "";
  for (std::size_t i = 0; i < digits.size(); ++i) {
    const std::size_t left = digits.size() - i;
    if (directive.colon && i > 0 && left % static_cast<std::size_t>(interval) == 0) text += mark;
    text += digits[i];
  }
  return put_padded(text, padding, directive, out);
}

Flow Rendering::run_radix(const Directive& directive, Arguments& arguments, std::string& out) {
  if (!take_parameters(directive, 5, arguments)) return Flow::fails;
  const Value* value = next(directive, arguments);
  if (value == nullptr) return Flow::fails;
  const bool has_base = given_[0].kind != Given::Kind::nothing;
  if (!has_base && !is_whole(value->type()))
    return fail("FORMAT-ERROR", describe(*value) + " is not of type INTEGER", directive);
  if (has_base) {
    int base = 10;
    if (!number(directive, 0, base)) return Flow::fails;
    if (base < lowest_base || base > highest_base)
      return fail("TYPE-ERROR", "a base is 2 to 36", directive);
    return put_whole(directive, *value, base, 1, out);
  }
  if (directive.at) return put_roman(directive, *value, out);
  bool negative = false;
  const std::string digits = whole_digits(*value, 10, Letters::lower, negative);
  const auto words = directive.colon ? ordinal(digits, negative) : cardinal(digits, negative);
  if (!words) return fail("SIMPLE-ERROR", "the number has no name in English", directive);
  out += *words;
  return Flow::goes_on;
}

Flow Rendering::put_roman(const Directive& directive, const Value& value, std::string& out) {
  const auto small = small_whole(value);
  const int limit = directive.colon ? 5000 : 4000;
  if (!small || *small <= 0 || *small >= limit)
    return fail("SIMPLE-ERROR",
                "Roman numerals end below " + std::to_string(limit) + ", and begin at 1",
                directive);
  out += roman(static_cast<int>(*small), directive.colon);
  return Flow::goes_on;
}

bool Rendering::take_float_field(const Directive& directive, FloatField& out) {
  const bool fixed = directive.letter == 'F';
  const std::size_t scale = fixed ? 2 : 3;
  out.at = directive.at;
  return number(directive, 0, out.width) && number(directive, 1, out.places) &&
         (fixed || number(directive, 2, out.exponent_digits)) &&
         number(directive, scale, out.scale) && take_overflow(scale + 1, out.overflow) &&
         character(directive, scale + 2, out.pad) &&
         (fixed || character(directive, scale + 3, out.marker));
}

// SBCL looks at the character for a field that overflows when one does, and not before: a number in
// its place is no error until then.
bool Rendering::take_overflow(std::size_t at, std::string& out) {
  if (given_[at].kind == Given::Kind::character) out = given_[at].character;
  if (given_[at].kind == Given::Kind::number) out = no_character;
  return true;
}

bool Rendering::is_sensible(const FloatField& field) {
  constexpr int most = 5000;
  for (const auto& parameter : {field.width, field.places, field.exponent_digits}) {
    if (parameter && (*parameter < 0 || *parameter > most)) return false;
  }
  return std::abs(field.scale.value_or(0)) <= 400;
}

Flow Rendering::run_float(const Directive& directive, Arguments& arguments, std::string& out) {
  FloatField field;
  const std::size_t parameters = directive.letter == 'F' ? 5 : 7;
  if (!check_modifiers(directive, false, true) ||
      !take_parameters(directive, parameters, arguments))
    return Flow::fails;
  const Value* value = next(directive, arguments);
  if (value == nullptr) return Flow::fails;
  if (!is_whole(value->type()) && !is_real(value->type()) && !value->is(Type::fraction)) {
    // Of the parameters, two count.
    const std::size_t pad = directive.letter == 'F' ? 4 : 5;
    if (!number(directive, 0, field.width) || !character(directive, pad, field.pad))
      return Flow::fails;
    return put_other(directive, *value, field.width, field.pad, out);
  }
  if (!take_float_field(directive, field)) return Flow::fails;
  if (!is_sensible(field)) return not_yet("such numbers before the letter are", directive);
  Float number{};
  if (!take_float(directive, *value, number)) return Flow::fails;
  if (!number.real.is_finite()) {
    out += float_text(number);
    return Flow::goes_on;
  }
  const std::size_t from = out.size();
  if (directive.letter == 'F')
    append_fixed(number, field, out);
  else if (directive.letter == 'E')
    append_exponential(number, field, out);
  else
    append_general(number, field, out);
  if (field.overflow == no_character && out.find(no_character, from) != std::string::npos)
    return fail("TYPE-ERROR", "a parameter is a number and should be a character", directive);
  if (report_ != nullptr) note_float(directive, *value, number, field);
  return Flow::goes_on;
}

bool Rendering::take_float(const Directive& directive, const Value& value, Float& out) {
  if (is_real(value.type())) {
    out = float_of(value);
    return true;
  }
  out = single_of(value);
  if (out.real.is_finite()) return true;
  (void)fail("FLOATING-POINT-OVERFLOW", "the number is too large for a single-float", directive);
  return false;
}

void Rendering::note_float(const Directive& directive, const Value& value, const Float& number,
                           const FloatField& field) {
  if (value.is(Type::fraction))
    return note(Code::type_converted,
                "the ratio " + describe(value) + " becomes a single-float, which holds 24 bits",
                directive.span);
  if (is_whole(value.type())) {
    if (number.real.is_zero() || whole_text(value) != plain_whole(number.real))
      note(Code::type_converted, describe(value) + " becomes a single-float, which holds 24 bits",
           directive.span);
    return;
  }
  if (value.given_in_bits() || !field.places || directive.letter != 'F' || field.scale) return;
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = Notation::fixed;
  spec.places = *field.places;
  spec.rounding = Rounding::half_away;
  FloatField alone;
  alone.places = field.places;
  std::string shown;
  append_fixed(number, alone, shown);
  TextBuffer nearest;
  spec.keep_point = true;
  lay_out_real(spec, *number.format, number.real, {}, nearest);
  if (shown == nearest.view())
    return note_rounding(spec, *number.format, number.real, directive.span, report_->notes);
  note(Code::departs_from_standard,
       "SBCL takes the fewest digits within half a unit of the place; to the nearest it would "
       "be " +
           nearest.string(),
       directive.span);
}

std::string Rendering::plain_whole(const BinaryReal& real) {
  Digits digits;
  exact_digits(real, digits);
  std::string out = real.negative ? "-" : "";
  out += digits.text();
  out.append(static_cast<std::size_t>(std::max(digits.point() - digits.size(), 0)), '0');
  return out;
}

Flow Rendering::run_dollars(const Directive& directive, Arguments& arguments, std::string& out) {
  FloatField field;
  field.width = 0;
  field.places = 2;
  if (!take_parameters(directive, 4, arguments) || !number(directive, 0, field.places) ||
      !number(directive, 1, field.least_whole) || !number(directive, 2, field.width) ||
      !character(directive, 3, field.pad))
    return Flow::fails;
  const Value* value = next(directive, arguments);
  if (value == nullptr) return Flow::fails;
  if (!is_whole(value->type()) && !is_real(value->type()) && !value->is(Type::fraction))
    return put_other(directive, *value, field.width, " ", out);
  Float number{};
  if (!is_sensible(field)) return not_yet("such numbers before the letter are", directive);
  if (!take_float(directive, *value, number)) return Flow::fails;
  if (!number.real.is_finite()) return not_yet("an infinity or NaN with ~$ is", directive);
  field.at = directive.at;
  field.colon = directive.colon;
  append_dollars(number, field, out);
  return Flow::goes_on;
}

}  // namespace inky::inline v1::lisp
