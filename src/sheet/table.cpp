#include "inky_margin/sheet/table.hpp"

#include <algorithm>

#include "table_building.hpp"

namespace inky::inline v1 {

std::optional<std::size_t> Table::column(std::string_view name) const {
  const auto found = std::find(names.begin(), names.end(), name);
  if (found == names.end()) return std::nullopt;
  return static_cast<std::size_t>(found - names.begin());
}

bool TableBuilder::row(std::size_t line, std::span<const std::optional<std::string_view>> cells) {
  TableRow& row = table_.rows.emplace_back();
  row.line = line;
  row.cells.reserve(cells.size());
  for (const auto& cell : cells)
    row.cells.push_back(cell ? std::optional<std::string>(*cell) : std::nullopt);
  return true;
}

Result<Table> TableBuilder::finish() {
  if (table_.names.empty()) {
    return Error{Code::bad_data,
                 "the data is empty",
                 {},
                 "Give it a heading line with the names of the columns."};
  }
  return std::move(table_);
}

}  // namespace inky::inline v1
