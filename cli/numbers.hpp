// weigh and round for machines: the answers to one number, and to one line of requests.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "contract.hpp"
#include "inky_margin/number/weighing.hpp"

namespace inky::cli {

// A format by its name, or an error that lists them.
Result<const BinaryFormat*> format_given(std::string_view name);
// A number weighed, or an error; an expression is not supported yet.
Result<Weighing> weigh_given(std::string_view text, const BinaryFormat& format);

JsonOut weighing_json(std::string_view typed, const Weighing& weighing);

// Where to cut: after so many digits behind the point, or in all. One of them is set.
struct Cut {
  std::optional<int> places;
  std::optional<int> significant;

  // In digits behind the point, for this number; significant digits count from its first.
  std::int64_t places_of(const ExactDecimal& value) const {
    return significant ? *significant - (value.is_zero() ? 1 : value.point) : *places;
  }
};
// The most digits that a number is cut to, on either side of the point.
inline constexpr int most_cut = 20'000;

// A count of digits from `least` to most_cut, from text.
std::optional<Error> read_count(std::string_view text, int least, std::optional<int>& out);

// One number cut under one rounding, with the zeros that the cut asks for.
std::string cut_text(const ExactDecimal& value, const Cut& cut, Rounding rounding);
// "below", "above" or "on" the halfway point, by magnitude.
std::string_view side_of_tie(const ExactDecimal& value, const Cut& cut);
// REQUIRES: finite.
JsonOut rounding_json(std::string_view typed, const Weighing& weighing, const Cut& cut);

// The answers to one line of `weigh --jsonl` and `round --jsonl`, without the line end.
std::string answer_weigh_line(std::string_view line);
std::string answer_round_line(std::string_view line);

}  // namespace inky::cli
