// Rows gathered into a table, whatever they were read from.
#pragma once

#include "inky_margin/sheet/table.hpp"

namespace inky {

class TableBuilder {
 public:
  using Cells = std::vector<std::optional<std::string>>;

  // The first row holds the names.
  void add(std::size_t line, Cells cells);
  // The table, or why there is none: no names, or the same name twice.
  Result<Table> finish();

 private:
  Table table_;
  bool has_names_ = false;
};

}  // namespace inky
