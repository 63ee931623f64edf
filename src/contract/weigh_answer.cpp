#include "weigh_answer.hpp"

#include <algorithm>
#include <array>

#include "answers.hpp"
#include "language_literals.hpp"
#include "number/bases.hpp"
#include "number/decimal_evaluation.hpp"
#include "number/fractions.hpp"
#include "number/literal.hpp"
#include "number/magnitude.hpp"

namespace inky::inline v1 {

namespace {

NumberText in_base_16(uint128 bits, int width) {
  WholeRoom room;
  const std::string_view digits = write_whole(bits, 16, Letters::lower, room);
  const auto wanted = static_cast<std::size_t>((width + 3) / 4);
  NumberText out;
  char* at = out.room();
  *at++ = '0';
  *at++ = 'x';
  if (digits.size() < wanted) at = std::fill_n(at, wanted - digits.size(), '0');
  out.end_at(std::copy(digits.begin(), digits.end(), at));
  return out;
}

std::string_view class_name(RealClass kind) {
  return kind == RealClass::not_a_number ? "nan" : name_of(kind);
}

void write_neighbour(std::string_view name, const BinaryFormat& format, std::optional<uint128> bits,
                     JsonWriter& out) {
  if (bits) return out.member_plain(name, shortest_number(format, *bits).view());
  out.member_or_null(name, {});
}

// What is stored, and its encoding; the same keys for a number and for a result.
void write_stored(const Weighing& w, JsonWriter& out) {
  const BinaryFormat& format = *w.format;
  const NumberText shortest = shortest_number(format, w.bits);
  out.member_plain("format", format.name);
  out.member_plain("exact", w.stored ? to_text(*w.stored) : shortest.string());
  out.member_plain("bits", in_base_16(w.bits, format.width()).view());
  out.member_plain("sign", w.real.negative ? "-" : "+");
  out.member_number("exponent", w.exponent());
  out.member_plain("fraction", in_base_16(w.fraction(), format.precision - 1).view());
  out.member_plain("class", class_name(w.real.kind));
  out.member_plain("hexfloat", hexadecimal_number(format, w.bits).view());
  out.member_plain("shortest", shortest.view());
  write_neighbour("below", format, next_below(format, w.bits), out);
  write_neighbour("above", format, next_above(format, w.bits), out);
  write_neighbour("ulp", format,
                  w.real.is_finite() ? std::optional(convert(w.ulp(), format)) : std::nullopt, out);
}

void write_stored_whole(const TypedNumber& number, JsonWriter& out) {
  out.member("format", number.type->name);
  out.member("exact", number.text);
  out.member_or_null("bits", number.type->width == 0
                                 ? std::string()
                                 : in_base_16(number.bits, number.type->width).string());
  out.member("sign", number.text[0] == '-' ? "-" : "+");
  for (const char* name : {"exponent", "fraction"}) out.member_or_null(name, {});
  const bool is_zero = number.text.find_first_of("123456789") == std::string::npos;
  out.member("class", is_zero ? "zero" : is_decimal(*number.type) ? "decimal" : "whole");
  out.member_or_null("hexfloat", {});
  out.member("shortest", number.text);
  for (const char* name : {"below", "above", "ulp"}) out.member_or_null(name, {});
}

void write_magnitude(const ExactDecimal& value, JsonWriter& out) {
  const Magnitude magnitude = magnitude_of(value);
  out.key("magnitude");
  if (magnitude.words.empty()) return out.null();
  out.open_object();
  out.member_truth("about", magnitude.about);
  out.member("words", magnitude.words);
  out.member_or_null("prefixed", magnitude.prefixed);
  out.close_object();
}

void write_bases(const Weighing& w, JsonWriter& out) {
  out.key("bases");
  const std::optional<uint128> magnitude = whole_magnitude(w.real);
  if (!magnitude) return out.null();
  const std::string_view sign = w.real.negative && !w.real.is_zero() ? "-" : "";
  out.open_object();
  for (const BaseDigits& one : in_bases(*magnitude))
    out.member(std::to_string(one.base), std::string(sign) + one.digits);
  out.close_object();
}

// How each language writes the number: languages that write it alike, together.
void write_literals(const Weighing& w, JsonWriter& out) {
  const std::optional<uint128> magnitude = w.real.negative ? std::nullopt : whole_magnitude(w.real);
  out.open_list("literals");
  for (const WrittenAlike& one :
       magnitude ? literals_of(*magnitude) : std::vector<WrittenAlike>()) {
    out.open_object();
    out.open_list("languages");
    for (const std::string_view id : one.languages) out.text(id);
    out.close_list();
    out.member_or_null("binary", one.binary);
    out.member_or_null("octal", one.octal);
    out.member_or_null("hexadecimal", one.hexadecimal);
    out.close_object();
  }
  out.close_list();
}

void write_fractions(const Weighing& w, JsonWriter& out) {
  out.open_list("fractions");
  for (const Fraction& fraction : best_fractions(w)) {
    out.open_object();
    out.member("fraction", fraction.numerator + "/" + fraction.denominator);
    out.member("error", fraction.error);
    out.member_truth("exact", fraction.exact);
    out.member_truth("as_typed", fraction.as_typed);
    out.member_truth("reads_back", fraction.reads_back);
    out.close_object();
  }
  out.close_list();
}

void write_places(const Weighing& w, int places, JsonWriter& out) {
  out.key("places");
  if (!w.stored) return out.null();
  const PlacesView view = view_at(*w.stored, places);
  out.open_object();
  out.member_number("places", view.places);
  out.member("shows", view.shows);
  out.member("halfway", to_text(view.halfway));
  out.member("side", side_name(view.side));
  out.member("distance", to_text(view.distance));
  out.close_object();
}

void write_number(const WeighRequest& request, const Weighing& w, Detail detail, JsonWriter& out) {
  out.open_object();
  out.member("typed", request.text);
  write_stored(w, out);
  if (w.error) {
    out.member_plain("error", to_text(*w.error));
    out.member_plain("error_ulps", w.error_ulps);
  } else {
    out.member_or_null("error", {});
    out.member_or_null("error_ulps", {});
  }
  if (request.places) write_places(w, *request.places, out);
  if (detail == Detail::all) {
    if (w.error) {
      const SurvivingDigits digits = surviving_digits(w);
      out.member_number("typed_digits", static_cast<std::int64_t>(digits.typed));
      out.member_number("surviving_digits", static_cast<std::int64_t>(digits.kept));
    }
    if (w.stored) write_magnitude(*w.stored, out);
    write_bases(w, out);
    write_literals(w, out);
    write_fractions(w, out);
  }
  out.close_object();
}

void write_typed_number(std::string_view name, const TypedNumber& number, JsonWriter& out) {
  out.open_object(name);
  out.member(number.type->name, number.text);
  out.close_object();
}

void write_step(const Step& step, JsonWriter& out) {
  out.open_object();
  out.key("span");
  write_span({step.from, step.to}, out);
  out.member("operation", step.operation);
  out.open_list("conversions");
  for (const Conversion& conversion : step.conversions) {
    out.open_object();
    write_typed_number("from", conversion.from, out);
    write_typed_number("to", conversion.to, out);
    out.member_or_null("error", conversion.error);
    out.close_object();
  }
  out.close_list();
  out.member_or_null("exact", step.exact);
  out.member("stored", step.stored.text);
  out.member("format", step.stored.type->name);
  out.member_or_null("error", step.error);
  out.member_or_null("error_ulps", step.error_ulps);
  if (!step.remark.empty()) out.member("remark", step.remark);
  out.close_object();
}

void write_comparison(const Comparison& comparison, JsonWriter& out) {
  out.member_truth("holds", comparison.holds);
  out.member_or_null("ulps_apart", comparison.ulps_apart);
  out.member("relation", comparison.relation);
  write_typed_number("left", comparison.left, out);
  write_typed_number("right", comparison.right, out);
  out.key("holds_as_typed");
  comparison.holds_as_typed ? out.truth(*comparison.holds_as_typed) : out.null();
  out.member_or_null("difference", comparison.difference);
  out.member_or_null("absolute_tolerance", comparison.absolute_tolerance);
  out.member_or_null("relative_tolerance", comparison.relative_tolerance);
}

// REQUIRES: a real.
Weighing weighing_of(const TypedNumber& number) {
  return weigh_stored(*number.type->format, number.bits);
}

void write_evaluation(const WeighRequest& request, const Evaluation& evaluation, JsonWriter& out) {
  out.open_object();
  out.member("typed", request.text);
  if (evaluation.result.type->is_real())
    write_stored(weighing_of(evaluation.result), out);
  else
    write_stored_whole(evaluation.result, out);
  out.member_or_null("error", evaluation.error);
  out.member_or_null("error_ulps", evaluation.error_ulps);
  out.member_or_null("unrounded", evaluation.exact);
  if (request.places && evaluation.result.type->is_real())
    write_places(weighing_of(evaluation.result), *request.places, out);
  out.open_list("literals");
  for (const ReadNumber& literal : evaluation.literals) {
    out.open_object();
    out.key("span");
    write_span({literal.from, literal.to}, out);
    out.member("typed", literal.typed);
    out.member("stored", literal.stored.text);
    out.member("format", literal.stored.type->name);
    out.member_or_null("error", literal.error);
    out.member_or_null("error_ulps", literal.error_ulps);
    out.close_object();
  }
  out.close_list();
  out.open_list("steps");
  for (const Step& step : evaluation.steps) write_step(step, out);
  out.close_list();
  if (evaluation.comparison) write_comparison(*evaluation.comparison, out);
  out.close_object();
}

}  // namespace

namespace {

// 2.675:decimal is weighed as a decimal.
std::optional<WeighRequest> with_decimal_type(const WeighRequest& request) {
  const std::size_t colon = request.text.rfind(':');
  if (request.as != nullptr || colon == std::string::npos) return std::nullopt;
  const NumberType* type = decimal_type_named(std::string_view(request.text).substr(colon + 1));
  if (type == nullptr || !read_decimal(std::string_view(request.text).substr(0, colon)))
    return std::nullopt;
  WeighRequest out = request;
  out.text.resize(colon);
  out.as = type;
  return out;
}

}  // namespace

Result<Weighed> weigh_given(const WeighRequest& request) {
  if (const auto as_decimal = with_decimal_type(request)) return weigh_given(*as_decimal);
  const std::optional<NumberLiteral> literal =
      request.base == 10 ? literal_in(request.text) : std::nullopt;
  const std::string& text = literal ? literal->digits : request.text;
  const NumberType* as = request.as;
  if (as == nullptr && literal && !literal->type.empty()) as = number_type_named(literal->type);
  const bool decimal = as != nullptr && is_decimal(*as);
  const bool real = as == nullptr || as->is_real();
  const BinaryFormat& format = as != nullptr && real ? *as->format : binary64;
  Weighed out;
  if (real && request.base == 10) out.number = weigh(text, format);
  if (out.number) return out;
  EvaluationOptions options;
  options.reals = &format;
  options.result = as;
  options.base = request.base;
  options.overflow = request.overflow;
  options.names = request.names;
  EvaluationAnswer answer =
      decimal ? evaluate_decimals(text, options, *as) : evaluate(text, options);
  if (answer.fault) {
    return number_error(answer.fault->over_limit ? Code::over_limit : Code::bad_value,
                        std::move(answer.fault->message), std::move(answer.fault->remedy),
                        {answer.fault->from, answer.fault->to});
  }
  out.evaluation = std::move(answer.evaluation);
  return out;
}

void write_weighed(const WeighRequest& request, const Weighed& weighed, Detail detail,
                   JsonWriter& out) {
  if (weighed.number)
    write_number(request, *weighed.number, detail, out);
  else
    write_evaluation(request, *weighed.evaluation, out);
}

std::string answer_weigh_line(std::string_view line) {
  static constexpr std::array<std::string_view, 3> known = {"number", "as", "places"};
  const Result<NumberRequest> request = read_number_request(line, known);
  if (!request) return error_line(request.error());
  const Result<Weighed> weighed = weigh_given(request->weigh);
  if (!weighed) return error_line(weighed.error());
  JsonWriter out;
  write_weighed(request->weigh, *weighed, Detail::line, out);
  return out.string();
}

}  // namespace inky::inline v1
