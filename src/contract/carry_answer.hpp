// The answers of `carry`. docs/contract.md.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "contract/json_writer.hpp"
#include "inky_margin/carry/carry.hpp"

namespace inky::inline v1 {

struct CarryRequest {
  const Dialect* from = nullptr;
  std::string source;
  std::vector<Type> types;
  std::vector<const Dialect*> to;
  std::size_t line_limit = 0;  // of a statement, in columns; 0: none
};

// An error where a statement cannot be broken to so few columns.
std::optional<Error> refuse_line_limit(std::size_t limit);

Carried carry_to(const Cargo& cargo, const Dialect& other, std::size_t line_limit);

// What came of it, in the order of the dialects; or the error of the template.
Result<std::vector<Carried>> carry_all(const CarryRequest& request);
void write_carried(std::span<const Carried> all, JsonWriter& out);

// The answer to one line of `carry --jsonl`, without the line end.
std::string answer_carry_line(std::string_view line);

}  // namespace inky::inline v1
