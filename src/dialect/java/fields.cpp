#include "fields.hpp"

#include "escapes.hpp"
#include "facts.hpp"
#include "faults.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::java_language {

namespace {

void finish(Field& field, std::string_view source) {
  if (auto fault = find_fault(field, source)) {
    field.failure = fault->exception;
    field.defect = std::move(fault->why);
    return;
  }
  Spec& spec = field.spec;
  if (is_time_field(field)) {
    spec.kind = Kind::text;
    spec.width = field.width.amount;
    spec.align = has_flag(field, '-') ? Align::left : Align::right;
    if (percent::parts_of(field).modifier == 2) spec.letters = Letters::upper;
    return;
  }
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
  spec.rounding = small_letter(field.letter) == 'a' ? Rounding::half_even : Rounding::half_away;
  spec.width = field.width.amount;
  percent::set_precision(spec, field.precision.given() ? field.precision.amount : unset);
  spec.align = has_flag(field, '-') ? Align::left : Align::right;
  if (has_flag(field, '0')) {
    spec.align = Align::inner;
    spec.fill = "0";
  }
  field.plain_decimal = field.letter == 'd' && percent::is_bare(field);
}

}  // namespace

const percent::Syntax syntax = {.facts = &facts,
                                .most_position = most_width,
                                .positions_mix = true,
                                .counts_from_values = false,
                                .unknown_letters_take_values = true,
                                .valueless = "n%",
                                .repeat_flag = '<',
                                .read_escape = read_escape,
                                .finish = finish};

}  // namespace inky::inline v1::java_language
