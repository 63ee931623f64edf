#include "cut.hpp"

#include "number/multiples.hpp"
#include "number_request.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

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
    return number_error(Code::bad_value, in_quotes(text) + " is not a count of digits",
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
    return number_error(Code::bad_value, in_quotes(text) + " is not a step",
                        "It is a decimal above zero, such as 0.05.", whole);
  }
  out = exact_decimal(*decimal);
  if (can_be_multiple(*out)) return std::nullopt;
  return number_error(Code::over_limit,
                      "a step has at most " + std::to_string(most_multiple_digits) + " digits",
                      "Write a shorter one.", whole);
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

}  // namespace inky::inline v1
