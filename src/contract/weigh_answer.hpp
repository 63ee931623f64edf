// The answers of `weigh`. docs/contract.md.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "contract/json_writer.hpp"
#include "inky_margin/number/weighing.hpp"
#include "number_request.hpp"

namespace inky::inline v1 {

// One of the two: a single real number, or anything else that has steps or a type of its own.
struct Weighed {
  std::optional<Weighing> number;
  std::optional<Evaluation> evaluation;
};

Result<Weighed> weigh_given(const WeighRequest& request);

// `all`: more than docs/contract.md promises for a line, which costs more time.
enum class Detail : std::uint8_t { line, all };
void write_weighed(const WeighRequest& request, const Weighed& weighed, Detail detail,
                   JsonWriter& out);

// The answer to one line of `weigh --jsonl`, without the line end.
std::string answer_weigh_line(std::string_view line);

}  // namespace inky::inline v1
