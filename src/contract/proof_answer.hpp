// The answers of `proof`. docs/contract.md.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "contract/json_writer.hpp"
#include "inky_margin/sheet/proof.hpp"
#include "inky_margin/sheet/style.hpp"
#include "inky_margin/sheet/table.hpp"

namespace inky::inline v1 {

// Data that begins with an opening brace is JSON Lines, and all other data CSV.
Result<Table> read_data(std::string_view text);

// The sheet of all columns of the data; an error where there are too many.
Result<Sheet> sheet_of_all(const Table& table);

// An error that lists the styles, or names the one that is near.
Result<Style> style_given(const std::string& name);

// With a style, the member "text" has the table in it.
void write_proof(const Proof& proof, JsonWriter& out, std::optional<Style> style = std::nullopt);

// The answer to one line of `proof --jsonl`, without the line end.
std::string answer_proof_line(std::string_view line);

}  // namespace inky::inline v1
