// The answers of `round`. docs/contract.md.
#pragma once

#include <string>
#include <string_view>

#include "contract/json_writer.hpp"
#include "cut.hpp"
#include "inky_margin/number/weighing.hpp"

namespace inky::inline v1 {

// A finite number, as typed and as a format or a decimal holds it.
struct NumberToRound {
  const BinaryFormat* format = nullptr;  // null: a decimal, which holds what is typed
  uint128 bits = 0;
  ExactDecimal typed;
  ExactDecimal stored;
  Decimal decimal;  // with its zeros, where the format is null

  std::string_view type() const { return format == nullptr ? "decimal" : format->name; }
};

// A single number to be rounded, or an error. `as` is a type of number, such as "f64" or "decimal";
// empty: the one behind a colon, 2.675:decimal, or else f64.
Result<NumberToRound> number_to_round(std::string_view text, std::string_view as, const Cut& cut);
void write_rounding(std::string_view given, const NumberToRound& number, const Cut& cut,
                    JsonWriter& out);

// The answer to one line of `round --jsonl`, without the line end.
std::string answer_round_line(std::string_view line);

}  // namespace inky::inline v1
