// Rows gathered into a table, whatever they were read from.
#pragma once

#include "inky_margin/sheet/table.hpp"
#include "sheet/row_shaper.hpp"

namespace inky::inline v1 {

class TableBuilder final : public ShapedRows {
 public:
  void names(std::vector<std::string> names) override { table_.names = std::move(names); }
  bool row(std::size_t line, std::span<const std::optional<std::string_view>> cells) override;
  void fault(RowFault fault) override { table_.faults.push_back(std::move(fault)); }

  // The table, or why there is none: no names.
  Result<Table> finish();

 private:
  Table table_;
};

}  // namespace inky::inline v1
