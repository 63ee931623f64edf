// weigh and round for machines: the answers to one number, and to one line of requests.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "contract.hpp"
#include "inky_margin/number/evaluation.hpp"
#include "inky_margin/number/weighing.hpp"
#include "json_writer.hpp"

namespace inky::cli {

// What to weigh: a number or an expression, and how.
struct WeighRequest {
  std::string text;
  const NumberType* as = nullptr;  // not given: f64 for a number and for literals
  int base = 10;
  WholeOverflow overflow = WholeOverflow::wrap;
  std::vector<NamedNumber> names;
  std::optional<int> places;
};

// One of the two: a single real number, or anything else that has steps or a type of its own.
struct Weighed {
  std::optional<Weighing> number;
  std::optional<Evaluation> evaluation;
};

// A type by its name, or an error that lists them; and a binary format.
Result<const NumberType*> type_given(std::string_view name);
Result<const BinaryFormat*> format_given(std::string_view name);
Result<Weighed> weigh_given(const WeighRequest& request);

// `all`: more than docs/contract.md promises for a line, which costs more time.
enum class Detail : std::uint8_t { line, all };
void write_weighed(const WeighRequest& request, const Weighed& weighed, Detail detail,
                   JsonWriter& out);

// An exact number, as the number floor tells it, to six digits for people: "1.77636e-16". The
// second leaves out its sign.
std::string brief(std::string_view exact);
std::string brief_size(std::string_view exact);

// Where to cut: after so many digits behind the point, or in all, or at multiples of a step. One of
// them is set.
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

// A single real number to be rounded, or an error.
Result<Weighing> number_to_round(std::string_view text, const BinaryFormat& format, const Cut& cut);
// One number cut under one rounding, with the zeros that the cut asks for.
std::string cut_text(const ExactDecimal& value, const Cut& cut, Rounding rounding);
// Against the halfway point, in magnitude.
Tail tail_at_cut(const ExactDecimal& value, const Cut& cut);
// "below", "above" or "on" the halfway point, by magnitude.
std::string_view side_name(Tail tail);
// REQUIRES: finite.
void write_rounding(std::string_view typed, const Weighing& weighing, const Cut& cut,
                    JsonWriter& out);

// The answers to one line of `weigh --jsonl` and `round --jsonl`, without the line end.
std::string answer_weigh_line(std::string_view line);
std::string answer_round_line(std::string_view line);

}  // namespace inky::cli
