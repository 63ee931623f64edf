// Where a number is cut to be rounded.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/format/note.hpp"
#include "inky_margin/number/exact_decimal.hpp"
#include "inky_margin/number/rounding.hpp"

namespace inky::inline v1 {

// Where a number is cut: after a count of places, after a count of significant digits, or at a
// multiple of a step. One of them is set.
struct Cut {
  std::optional<int> places;
  std::optional<int> significant;
  std::optional<ExactDecimal> step;

  bool is_one() const {
    return int{places.has_value()} + int{significant.has_value()} + int{step.has_value()} == 1;
  }
  // In digits behind the point, for this number; significant digits count from its first.
  std::int64_t places_of(const ExactDecimal& value) const;
};
// The most digits that a number is cut to, on either side of the point.
inline constexpr int most_cut = 20'000;

// A count of digits from `least` to most_cut, from text.
std::optional<Error> read_count(std::string_view text, int least, std::optional<int>& out);
// A step to round to multiples of, from text.
std::optional<Error> read_step(std::string_view text, std::optional<ExactDecimal>& out);

// One number cut under one rounding, with the zeros that the cut asks for.
std::string cut_text(const ExactDecimal& value, const Cut& cut, Rounding rounding);
// Against the halfway point, in magnitude.
Tail tail_at_cut(const ExactDecimal& value, const Cut& cut);
// "below", "above" or "on" the halfway point, by magnitude.
std::string_view side_name(Tail tail);

}  // namespace inky::inline v1
