// The answers of `check`. docs/contract.md.
#pragma once

#include <string>
#include <string_view>

#include "contract/json_writer.hpp"
#include "inky_margin/check/check.hpp"

namespace inky::inline v1 {

void write_checked(const Checked& checked, JsonWriter& out);

// The answer to one line of `check --jsonl`, without the line end.
std::string answer_check_line(std::string_view line);

}  // namespace inky::inline v1
