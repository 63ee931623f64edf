// Sheets without a file.
//
//   sheet_of({"code width=5", "mass kind=real notation=fixed places=2"})     // columns in words
//   sheet_of(table)                          // every column, numbers with their points in line
#pragma once

#include <span>
#include <string>

#include "inky_margin/sheet/sheet.hpp"
#include "inky_margin/sheet/table.hpp"

namespace inky::inline v1 {

// Each text is the name of a column of the data, and then keys of a column with their values,
// between blanks; what has blanks in it is in double quotes: mass "heading=Mass (g)".
Result<Sheet> sheet_of(std::span<const std::string> columns);

Sheet sheet_of(const Table& table);

// The columns of the sheet under other keys of a sheet: "gap= | ", "overflow=cut".
Result<Sheet> with_settings(Sheet sheet, std::span<const std::string> settings);

}  // namespace inky::inline v1
