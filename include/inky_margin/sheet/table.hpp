// Data for a sheet: named columns of text cells, from CSV or JSON Lines.
//
//   Result<Table> t = read_csv("code,mass\nK-07,125.5\n");
//   t->names                 // {"code", "mass"}
//   t->rows[0].cells[1]      // "125.5"
//   read_csv("code\n\"K-07")->faults[0]         // line 2: a quote that is not closed
//
// CSV as in RFC 4180: a heading line, commas, quotes doubled inside quotes; lines may end in LF
// as well. JSON Lines: one object a line, whose members are the cells.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"

namespace inky::inline v1 {

// What is wrong with a line of data, and what was done about it.
struct RowFault {
  std::size_t line = 0;
  std::size_t column = 0;  // in bytes, from 1; 0: the whole line
  std::string message;
};

struct TableRow {
  std::size_t line = 0;                           // where it begins, from 1
  std::vector<std::optional<std::string>> cells;  // nothing: missing
};

struct Table {
  std::vector<std::string> names;
  std::vector<TableRow> rows;
  std::vector<RowFault> faults;

  // The column of this name; nothing when there is none.
  std::optional<std::size_t> column(std::string_view name) const;
};

// An error where there is no data at all. What is wrong with a line is a fault, and the others are
// read: short rows are filled with missing cells and long ones cut, a quote that is not closed is
// taken as it is, a line of JSON that is none is left out.
Result<Table> read_csv(std::string_view text);
Result<Table> read_json_lines(std::string_view text);

}  // namespace inky::inline v1
