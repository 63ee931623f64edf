// A sheet: the layout of a table, as a TOML file says it.
//
//   data = "batches.csv"            # beside the sheet; may be left out
//   rule = "-"                      # between heading and rows; "" for none
//   gap = "  "                      # between columns
//   missing = "-"                   # stands for a missing cell
//
//   [[column]]
//   from = "mass"                   # the column of the data
//   heading = "Mass (g)"            # the name, when left out
//   kind = "real"                   # any wish: kind, align, width, places, group, ...
//   places = 2
//
//   [[column]]
//   from = "lot"
//   spec = "%#06x"                  # or the spec of a dialect, here and there
//   dialect = "c"                   # "c" when left out
//
// A column without a width is as wide as its widest cell. docs/sheets.md describes every key.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/format/spec.hpp"

namespace inky {

struct SheetColumn {
  std::string from;
  std::string heading;
  Align heading_align = Align::natural;  // natural: as the cells
  Spec wish;                             // by wishes, or what the dialect's spec means
  const Dialect* dialect = nullptr;      // null: by wishes
  std::string spec;                      // of the dialect
};

struct Sheet {
  std::string data;
  std::string rule = "-";
  std::string gap = "  ";
  std::string missing = "-";
  std::vector<SheetColumn> columns;
};

// The most columns a sheet may have.
inline constexpr std::size_t most_columns = 1000;

// The span of an error is in `toml`.
Result<Sheet> read_sheet(std::string_view toml);

}  // namespace inky
