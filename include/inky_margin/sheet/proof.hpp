// A proof: the table that a sheet makes of data, and everything about it that is not as it should
// be.
//
//   Result<Proof> p = make_proof(*sheet, *table);
//   p->lines[0].text                          // a heading, a rule, a row: without line ends
//   p->findings                               // what overflowed, was cut, missing or not a number
//
// It is all in memory; sheet/printer.hpp prints a table of any length.
#pragma once

#include <string>
#include <vector>

#include "inky_margin/sheet/printer.hpp"
#include "inky_margin/sheet/table.hpp"

namespace inky::inline v1 {

// A cell as written in a line.
struct ProofCell {
  std::string text;      // with its padding
  std::string body;      // without it
  bool is_data = false;  // it is what the data states there, and no more
};

struct ProofLine {
  LineKind kind{};
  std::size_t line = 0;          // of the data
  std::size_t row = 0;           // of the table, of a row and what continues it
  std::string text;              // the cells, with gaps and edges
  std::vector<ProofCell> cells;  // of the columns; none in a rule or a heading over several
};

struct ProofColumn : PrintedColumn {
  // How far off a width that counts bytes would put the next column, at worst, and in how many
  // rows.
  std::size_t byte_shift = 0;
  std::size_t shifted_rows = 0;
};

struct Proof {
  std::vector<ProofLine> lines;
  std::vector<ProofColumn> columns;
  std::size_t line_width = 0;  // of every line that nothing pushes
  std::vector<Finding> findings;
  std::string template_line;  // the dialect c: the format string of one row
  Notes template_notes;       // what C cannot do in a specifier
};

// An error where a cell is too wide and its column asks to fail.
Result<Proof> make_proof(const Sheet& sheet, const Table& table);

}  // namespace inky::inline v1
