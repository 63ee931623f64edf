#include "sprintf_fields.hpp"

#include "sprintf_facts.hpp"
#include "values.hpp"

namespace inky::inline v1::r_sprintf {

bool has_flag(const Field& field, char flag) {
  return percent::has_flag(facts, field, flag);
}

namespace {

using namespace r_language;

void finish(Field& field, std::string_view) {
  field.failure = "simpleError";
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  if (conversion == nullptr) {
    // What R lets through to the C library, in an order that means nothing there.
    const bool let_through = field.letter != 0 && std::string_view(" .+-#*").find(field.letter) !=
                                                      std::string_view::npos;
    if (let_through) field.failure.clear();
    field.defect = let_through ? "R hands flags after the width to the C library, which gives them "
                                 "no meaning"
                               : "unrecognised format specification; a percent sign itself is "
                                 "written %%";
    return;
  }
  if (field.position != unset && (field.position == 0 || field.position > most_position)) {
    field.defect = "positions go from 1 to 99";
    return;
  }
  if (field.width.from == Count::From::value && field.precision.from == Count::From::value) {
    field.defect = "at most one asterisk '*' is supported in each conversion specification";
    return;
  }
  if (!field.defect.empty()) return;
  field.failure.clear();
  Spec& spec = field.spec;
  spec.kind = conversion->kind;
  percent::set_letter(spec, field.letter);
  if (spec.kind == Kind::real || field.letter == 'd' || field.letter == 'i')
    spec.sign = percent::sign_of(facts, field);
  if (spec.kind == Kind::real)
    spec.keep_point = has_flag(field, '#');
  else
    spec.prefix = has_flag(field, '#');
  if (field.width.from == Count::From::source) spec.width = field.width.amount;
  percent::set_precision(
      spec, field.precision.from == Count::From::source ? field.precision.amount : unset);
  percent::align_as_c(spec, has_flag(field, '-'), has_flag(field, '0') && spec.kind != Kind::text);
  field.plain_decimal = (field.letter == 'd' || field.letter == 'i') && percent::is_bare(field);
}

}  // namespace

const percent::Syntax syntax = {.facts = &facts,
                                .most_position = most_width,
                                .positions_mix = true,
                                .unknown_letters_take_values = false,
                                .read_escape = read_escape,
                                .finish = finish};

}  // namespace inky::inline v1::r_sprintf
