// inky proof --bare: a table of any length, printed while its data is read.
#pragma once

#include <cstddef>
#include <optional>
#include <string>

#include "inky_margin/sheet/sheet.hpp"

namespace inky::cli {

struct StreamRequest {
  std::string path;                     // of CSV; - for standard input
  std::optional<std::size_t> fit_rows;  // how many rows fitted columns look at; all where nothing
  bool strict = false;                  // the first finding ends it
};

// Whether the data is CSV, and not JSON Lines, which is read whole.
bool can_stream(const std::string& path);

// The exit status.
int proof_stream(const StreamRequest& request, const Sheet& sheet);

}  // namespace inky::cli
