#include "round_answer.hpp"

#include <algorithm>
#include <array>

#include "answers.hpp"
#include "number/multiples.hpp"
#include "number_request.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view decimal_name = "decimal";

Error no_number(std::string_view text) {
  return number_error(
      Code::bad_value,
      (text.size() > 60 ? in_quotes(text.substr(0, 60)) + "..." : in_quotes(text)) +
          " is not a number",
      "Write a decimal, or a hexadecimal real of at most 113 bits such as 0x1.8p+1. For the "
      "result of an expression, weigh it first.",
      {0, text.size()});
}

Error cannot_be_rounded(std::string_view shown, std::string_view text) {
  return number_error(Code::bad_value, in_quotes(shown) + " cannot be rounded",
                      "Give a finite number that the format can hold.", {0, text.size()});
}

Result<NumberToRound> held(std::string_view text, std::string_view as) {
  NumberToRound out;
  if (as == decimal_name) {
    std::optional<Decimal> decimal = read_decimal(text);
    if (!decimal) return no_number(text);
    if (!decimal->is_finite()) return cannot_be_rounded(text, text);
    if (std::max({decimal->exponent, -decimal->exponent, decimal->adjusted_exponent(),
                  -decimal->adjusted_exponent()}) > most_zeros)
      return number_error(Code::over_limit,
                          "a digit of this number is more than " + std::to_string(most_zeros) +
                              " places from the point",
                          "Give one whose digits are nearer to the point.", {0, text.size()});
    out.typed = exact_decimal(*decimal);
    out.stored = out.typed;
    out.decimal = std::move(*decimal);
    return out;
  }
  const Result<const BinaryFormat*> format = format_given(as.empty() ? binary64.name : as);
  if (!format) return format.error();
  const std::optional<Weighing> weighing = weigh(text, **format);
  if (!weighing) return no_number(text);
  if (!weighing->stored) return cannot_be_rounded(shortest_text(**format, weighing->bits), text);
  out.format = *format;
  out.bits = weighing->bits;
  out.stored = *weighing->stored;
  out.typed = weighing->typed ? *weighing->typed : out.stored;
  return out;
}

}  // namespace

Result<NumberToRound> number_to_round(std::string_view text, std::string_view as, const Cut& cut) {
  const std::size_t colon = text.rfind(':');
  if (as.empty() && colon != std::string_view::npos) {
    const std::string_view type = text.substr(colon + 1);
    if (type == decimal_name || format_named(type) != nullptr) {
      as = type;
      text = text.substr(0, colon);
    }
  }
  Result<NumberToRound> out = held(text, as);
  if (!out) return out;
  if (cut.step && !(can_be_multiple(out->stored) && can_be_multiple(out->typed))) {
    return number_error(Code::over_limit,
                        "numbers of up to " + std::to_string(most_multiple_digits) +
                            " digits are rounded to a step",
                        "Round it to places instead.", {0, text.size()});
  }
  return out;
}

void write_rounding(std::string_view given, const NumberToRound& number, const Cut& cut,
                    JsonWriter& out) {
  const auto write_every = [&](std::string_view name, const ExactDecimal& value) {
    out.open_object(name);
    for (const Rounding rounding : all_roundings)
      out.member(name_of(rounding), cut_text(value, cut, rounding));
    out.member("tie", side_name(tail_at_cut(value, cut)));
    out.close_object();
  };
  out.open_object();
  out.member("typed", given);
  out.member("format", number.type());
  out.member("exact", to_text(number.stored));
  if (cut.places) out.member_number("places", *cut.places);
  if (cut.significant) out.member_number("significant", *cut.significant);
  if (cut.step) out.member("step", to_text(*cut.step));
  write_every("stored", number.stored);
  write_every("decimal", number.typed);
  out.close_object();
}

std::string answer_round_line(std::string_view line) {
  static constexpr std::array<std::string_view, 5> known = {"number", "places", "significant",
                                                            "step", "as"};
  const Result<NumberRequest> request = read_number_request(line, known);
  if (!request) return error_line(request.error());
  if (!request->cut.is_one()) {
    return error_line(number_error(Code::contradiction,
                                   "give one of \"places\", \"significant\" and \"step\"",
                                   "Write {\"number\": \"2.675\", \"places\": 2}."));
  }
  const NumberType* as = request->weigh.as;
  const Result<NumberToRound> number =
      number_to_round(request->weigh.text, as == nullptr ? "" : as->name, request->cut);
  if (!number) return error_line(number.error());
  JsonWriter out;
  write_rounding(request->weigh.text, *number, request->cut, out);
  return out.string();
}

}  // namespace inky::inline v1
