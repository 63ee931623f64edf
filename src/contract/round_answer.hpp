// The answers of `round`. docs/contract.md.
#pragma once

#include <string>
#include <string_view>

#include "contract/json_writer.hpp"
#include "cut.hpp"
#include "inky_margin/number/weighing.hpp"

namespace inky::inline v1 {

// A single real number to be rounded, or an error.
Result<Weighing> number_to_round(std::string_view text, const BinaryFormat& format, const Cut& cut);
// REQUIRES: finite.
void write_rounding(std::string_view typed, const Weighing& weighing, const Cut& cut,
                    JsonWriter& out);

// The answer to one line of `round --jsonl`, without the line end.
std::string answer_round_line(std::string_view line);

}  // namespace inky::inline v1
