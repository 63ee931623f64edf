// Data for a sheet: named columns of text cells, from CSV or JSON Lines.
//
//   Result<Table> t = read_csv("code,mass\nK-07,125.5\n");
//   t->names                 // {"code", "mass"}
//   t->rows[0].cells[1]      // "125.5"
//   read_csv("code\n\"K-07") // an error: the quote opened in line 2 is not closed
//
// CSV as RFC 4180 has it: a heading line, commas, quotes doubled inside quotes; lines may end in LF
// as well. JSON Lines: one object a line, whose members are the cells.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"

namespace inky {

struct TableRow {
  std::size_t line = 0;                           // where it begins, from 1
  std::vector<std::optional<std::string>> cells;  // nothing: missing
};

// A row that does not fit the table, and what was done about it.
struct RowFault {
  std::size_t line = 0;
  std::string message;
};

struct Table {
  std::vector<std::string> names;
  std::vector<TableRow> rows;
  std::vector<RowFault> faults;

  // The column of this name; nothing when there is none.
  std::optional<std::size_t> column(std::string_view name) const;
};

// An error ends reading; its span is in `text`, its message names the line. Short rows are filled
// with missing cells and long ones cut; each leaves a fault.
Result<Table> read_csv(std::string_view text);
Result<Table> read_json_lines(std::string_view text);

}  // namespace inky
