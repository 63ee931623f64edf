#include "numbers.hpp"

#include <algorithm>
#include <array>

#include "inky_margin/number/fractions.hpp"
#include "inky_margin/number/magnitude.hpp"
#include "inky_margin/number/multiples.hpp"
#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/nearest_name.hpp"
#include "request.hpp"

namespace inky::cli {

namespace {

Error error_of(Code code, std::string message, std::string remedy, Span span = {}) {
  return {code, std::move(message), span, std::move(remedy)};
}

NumberText hexadecimal(uint128 bits, int width) {
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

// ---- Requests ----

struct NumberRequest {
  WeighRequest weigh;
  Cut cut;
};

// A number may be given as a string, or as a JSON number, digit for digit.
std::optional<Error> take_number(const Json& value, std::string& out) {
  if (value.kind != Json::Kind::text && value.kind != Json::Kind::number) {
    return error_of(Code::wrong_kind, "the key \"number\" must be a string or a number",
                    "Write {\"number\": \"2.675\"}.");
  }
  out = value.text;
  return std::nullopt;
}

std::optional<Error> take_count(const JsonMember& member, int least, std::optional<int>& out) {
  if (member.value.kind != Json::Kind::number) {
    return error_of(Code::wrong_kind, "the key " + in_quotes(member.key) + " must be a number",
                    "Write {\"" + member.key + "\": 2}.");
  }
  return read_count(member.value.text, least, out);
}

std::optional<Error> take_step(const Json& value, std::optional<ExactDecimal>& out) {
  if (value.kind != Json::Kind::text && value.kind != Json::Kind::number) {
    return error_of(Code::wrong_kind, "the key \"step\" must be a string or a number",
                    "Write {\"step\": \"0.05\"}.");
  }
  return read_step(value.text, out);
}

std::optional<Error> take_member(const JsonMember& member, NumberRequest& out) {
  if (member.key == "number") return take_number(member.value, out.weigh.text);
  if (member.key == "places") {
    auto error = take_count(member, -most_cut, out.cut.places);
    out.weigh.places = out.cut.places;
    return error;
  }
  if (member.key == "significant") return take_count(member, 1, out.cut.significant);
  if (member.key == "step") return take_step(member.value, out.cut.step);
  if (member.value.kind != Json::Kind::text)
    return error_of(Code::wrong_kind, "the key \"as\" must be a string",
                    "Write {\"as\": \"f64\"}.");
  const Result<const NumberType*> type = type_given(member.value.text);
  if (!type) return type.error();
  out.weigh.as = *type;
  return std::nullopt;
}

Result<NumberRequest> read_number_request(std::string_view line,
                                          std::span<const std::string_view> known) {
  NumberRequest out;
  RequestReader in(line, known, R"({"number": "2.675"}.)");
  in.needs({"number"});
  for (const JsonMember& member : in.members()) {
    if (auto error = take_member(member, out)) in.fail(std::move(*error));
  }
  if (in.fault()) return *in.fault();
  return out;
}

// ---- Answers ----

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
  out.member_plain("bits", hexadecimal(w.bits, format.width()).view());
  out.member_plain("sign", w.real.negative ? "-" : "+");
  out.member_number("exponent", w.exponent());
  out.member_plain("fraction", hexadecimal(w.fraction(), format.precision - 1).view());
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
                                 : hexadecimal(number.bits, number.type->width).string());
  out.member("sign", number.text[0] == '-' ? "-" : "+");
  for (const char* name : {"exponent", "fraction"}) out.member_or_null(name, {});
  out.member("class", number.text == "0" ? "zero" : "whole");
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

void write_fractions(const Weighing& w, JsonWriter& out) {
  out.key("fractions");
  out.open_list();
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
    write_fractions(w, out);
  }
  out.close_object();
}

void write_span(std::size_t from, std::size_t to, JsonWriter& out) {
  out.key("span");
  out.open_list();
  out.number(static_cast<std::int64_t>(from));
  out.number(static_cast<std::int64_t>(to));
  out.close_list();
}

void write_typed_number(std::string_view name, const TypedNumber& number, JsonWriter& out) {
  out.key(name);
  out.open_object();
  out.member(number.type->name, number.text);
  out.close_object();
}

void write_step(const Step& step, JsonWriter& out) {
  out.open_object();
  write_span(step.from, step.to, out);
  out.member("operation", step.operation);
  out.key("conversions");
  out.open_list();
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
  out.key("literals");
  out.open_list();
  for (const ReadNumber& literal : evaluation.literals) {
    out.open_object();
    write_span(literal.from, literal.to, out);
    out.member("typed", literal.typed);
    out.member("stored", literal.stored.text);
    out.member("format", literal.stored.type->name);
    out.member_or_null("error", literal.error);
    out.member_or_null("error_ulps", literal.error_ulps);
    out.close_object();
  }
  out.close_list();
  out.key("steps");
  out.open_list();
  for (const Step& step : evaluation.steps) write_step(step, out);
  out.close_list();
  if (evaluation.comparison) write_comparison(*evaluation.comparison, out);
  out.close_object();
}

}  // namespace

Result<const NumberType*> type_given(std::string_view name) {
  if (const NumberType* type = number_type_named(name)) return type;
  std::vector<std::string_view> names;
  std::string listed;
  for (const NumberType& type : number_types) {
    names.push_back(type.name);
    listed += (listed.empty() ? "" : ", ") + std::string(type.name);
  }
  const std::string_view near = nearest_name(name, names);
  return error_of(Code::bad_value, in_quotes(name) + " is not a type of number",
                  (near.empty() ? "" : "Did you mean " + std::string(near) + "? ") +
                      "Choose one of: " + listed + ".",
                  {0, name.size()});
}

Result<const BinaryFormat*> format_given(std::string_view name) {
  if (const BinaryFormat* format = format_named(name)) return format;
  std::string names;
  for (const BinaryFormat* format : all_formats)
    names += (names.empty() ? "" : ", ") + std::string(format->name);
  return error_of(Code::bad_value, in_quotes(name) + " is not a binary format",
                  "Choose one of: " + names + ".", {0, name.size()});
}

Result<Weighed> weigh_given(const WeighRequest& request) {
  const bool real = request.as == nullptr || request.as->is_real();
  const BinaryFormat& format = request.as != nullptr && real ? *request.as->format : binary64;
  Weighed out;
  if (real && request.base == 10) out.number = weigh(request.text, format);
  if (out.number) return out;
  EvaluationOptions options;
  options.reals = &format;
  options.result = request.as;
  options.base = request.base;
  options.overflow = request.overflow;
  options.names = request.names;
  EvaluationAnswer answer = evaluate(request.text, options);
  if (answer.fault) {
    return error_of(answer.fault->over_limit ? Code::over_limit : Code::bad_value,
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

std::string brief(std::string_view exact) {
  constexpr int shown = 6;
  constexpr std::size_t most_brief = 40;
  const std::string_view cut = exact.substr(0, exact.find("..."));
  const std::optional<DecimalText> decimal = scan_decimal(cut);
  Digits digits;
  if (!decimal || !typed_digits(*decimal, digits)) return std::string(exact.substr(0, most_brief));
  round_digits(digits, shown, decimal->negative, Rounding::half_even);
  digits.strip_trailing_zeros();
  return plain_text(digits, decimal->negative);
}

std::string brief_size(std::string_view exact) {
  return brief(exact.substr(exact[0] == '-' ? 1 : 0));
}

std::int64_t Cut::places_of(const ExactDecimal& value) const {
  if (step) return static_cast<std::int64_t>(step->digits.size()) - step->point;
  return significant ? *significant - (value.is_zero() ? 1 : value.point) : *places;
}

std::optional<Error> read_count(std::string_view text, int least, std::optional<int>& out) {
  const std::optional<SignedNatural> count = read_whole(text);
  const bool small = count && count->magnitude.bit_length() < 31;
  const int magnitude = small ? static_cast<int>(count->magnitude.low_bits()) : most_cut + 1;
  const int amount = small && count->negative ? -magnitude : magnitude;
  if (amount < least || amount > most_cut) {
    return error_of(Code::bad_value, in_quotes(text) + " is not a count of digits",
                    "It is a whole number from " + std::to_string(least) + " to " +
                        std::to_string(most_cut) + ".",
                    {0, text.size()});
  }
  out = amount;
  return std::nullopt;
}

std::optional<Error> read_step(std::string_view text, std::optional<ExactDecimal>& out) {
  const Span whole{0, text.size()};
  const std::optional<DecimalText> decimal = scan_decimal(text);
  if (!decimal || decimal->is_zero() || decimal->negative) {
    return error_of(Code::bad_value, in_quotes(text) + " is not a step",
                    "It is a decimal above zero, such as 0.05.", whole);
  }
  out = exact_decimal(*decimal);
  if (can_be_multiple(*out)) return std::nullopt;
  return error_of(Code::over_limit,
                  "a step has at most " + std::to_string(most_multiple_digits) + " digits",
                  "Write a shorter one.", whole);
}

Result<Weighing> number_to_round(std::string_view text, const BinaryFormat& format,
                                 const Cut& cut) {
  const Span whole{0, text.size()};
  std::optional<Weighing> weighing = weigh(text, format);
  if (!weighing) {
    return error_of(
        Code::bad_value,
        (text.size() > 60 ? in_quotes(text.substr(0, 60)) + "..." : in_quotes(text)) +
            " is not a number",
        "Write a decimal, or a hexadecimal real of at most 113 bits such as 0x1.8p+1. For the "
        "result of an expression, weigh it first.",
        whole);
  }
  if (!weighing->stored) {
    return error_of(Code::bad_value,
                    in_quotes(shortest_text(format, weighing->bits)) + " cannot be rounded",
                    "Give a finite number that the format can hold.", whole);
  }
  const bool in_reach = !cut.step || (can_be_multiple(*weighing->stored) &&
                                      (!weighing->typed || can_be_multiple(*weighing->typed)));
  if (!in_reach) {
    return error_of(Code::over_limit,
                    "numbers of up to " + std::to_string(most_multiple_digits) +
                        " digits are rounded to a step",
                    "Round it to places instead.", whole);
  }
  return std::move(*weighing);
}

std::string cut_text(const ExactDecimal& value, const Cut& cut, Rounding rounding) {
  const ExactDecimal kept = cut.step ? rounded_to_multiple(value, *cut.step, rounding)
                                     : rounded(value, cut.places_of(value), rounding);
  // A carry makes one digit more, so significant zeros are counted from what came of it.
  return to_text(kept, cut.places_of(kept));
}

Tail tail_at_cut(const ExactDecimal& value, const Cut& cut) {
  return cut.step ? tail_at_multiple(value, *cut.step) : tail_at(value, cut.places_of(value));
}

std::string_view side_name(Tail tail) {
  return tail == Tail::half ? "on" : tail == Tail::above_half ? "above" : "below";
}

void write_rounding(std::string_view typed, const Weighing& weighing, const Cut& cut,
                    JsonWriter& out) {
  const auto write_every = [&](std::string_view name, const ExactDecimal& value) {
    out.key(name);
    out.open_object();
    for (const Rounding rounding : all_roundings)
      out.member(name_of(rounding), cut_text(value, cut, rounding));
    out.member("tie", side_name(tail_at_cut(value, cut)));
    out.close_object();
  };
  out.open_object();
  out.member("typed", typed);
  out.member("format", weighing.format->name);
  out.member("exact", to_text(*weighing.stored));
  if (cut.places) out.member_number("places", *cut.places);
  if (cut.significant) out.member_number("significant", *cut.significant);
  if (cut.step) out.member("step", to_text(*cut.step));
  write_every("stored", *weighing.stored);
  write_every("decimal", weighing.typed ? *weighing.typed : *weighing.stored);
  out.close_object();
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

std::string answer_round_line(std::string_view line) {
  static constexpr std::array<std::string_view, 5> known = {"number", "places", "significant",
                                                            "step", "as"};
  const Result<NumberRequest> request = read_number_request(line, known);
  if (!request) return error_line(request.error());
  if (!request->cut.is_one()) {
    return error_line(error_of(Code::contradiction,
                               "give one of \"places\", \"significant\" and \"step\"",
                               "Write {\"number\": \"2.675\", \"places\": 2}."));
  }
  const NumberType* as = request->weigh.as;
  if (as != nullptr && !as->is_real()) return error_line(format_given(as->name).error());
  const Result<Weighing> weighing =
      number_to_round(request->weigh.text, as == nullptr ? binary64 : *as->format, request->cut);
  if (!weighing) return error_line(weighing.error());
  JsonWriter out;
  write_rounding(request->weigh.text, *weighing, request->cut, out);
  return out.string();
}

}  // namespace inky::cli
