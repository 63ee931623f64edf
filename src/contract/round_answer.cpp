#include "round_answer.hpp"

#include <array>

#include "answers.hpp"
#include "number/multiples.hpp"
#include "number_request.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

Result<Weighing> number_to_round(std::string_view text, const BinaryFormat& format,
                                 const Cut& cut) {
  const Span whole{0, text.size()};
  std::optional<Weighing> weighing = weigh(text, format);
  if (!weighing) {
    return number_error(
        Code::bad_value,
        (text.size() > 60 ? in_quotes(text.substr(0, 60)) + "..." : in_quotes(text)) +
            " is not a number",
        "Write a decimal, or a hexadecimal real of at most 113 bits such as 0x1.8p+1. For the "
        "result of an expression, weigh it first.",
        whole);
  }
  if (!weighing->stored) {
    return number_error(Code::bad_value,
                        in_quotes(shortest_text(format, weighing->bits)) + " cannot be rounded",
                        "Give a finite number that the format can hold.", whole);
  }
  const bool in_reach = !cut.step || (can_be_multiple(*weighing->stored) &&
                                      (!weighing->typed || can_be_multiple(*weighing->typed)));
  if (!in_reach) {
    return number_error(Code::over_limit,
                        "numbers of up to " + std::to_string(most_multiple_digits) +
                            " digits are rounded to a step",
                        "Round it to places instead.", whole);
  }
  return std::move(*weighing);
}

void write_rounding(std::string_view typed, const Weighing& weighing, const Cut& cut,
                    JsonWriter& out) {
  const auto write_every = [&](std::string_view name, const ExactDecimal& value) {
    out.open_object(name);
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
  if (as != nullptr && !as->is_real()) return error_line(format_given(as->name).error());
  const Result<Weighing> weighing =
      number_to_round(request->weigh.text, as == nullptr ? binary64 : *as->format, request->cut);
  if (!weighing) return error_line(weighing.error());
  JsonWriter out;
  write_rounding(request->weigh.text, *weighing, request->cut, out);
  return out.string();
}

}  // namespace inky::inline v1
