// A proof: the table that a sheet makes of data, and everything about it that is not as it should
// be.
//
//   Result<Proof> p = make_proof(*sheet, *table);
//   p->heading, p->rule, p->rows[0].text      // lines, without line ends
//   p->findings                               // what overflowed, was cut, missing or not a number
//
// Widths count display columns. Cells that are wider push what follows: width is a minimum.
#pragma once

#include <string>
#include <vector>

#include "inky_margin/sheet/sheet.hpp"
#include "inky_margin/sheet/table.hpp"

namespace inky {

struct Finding {
  enum class Kind : std::uint8_t { overflow, cut, missing, unreadable, bad_row, heading_overflow };
  Kind kind{};
  std::size_t line = 0;  // of the data; 0 for a heading
  std::string column;    // by its heading; empty for a whole row
  std::string message;
};

struct ProofRow {
  std::size_t line = 0;
  std::string text;
};

struct ProofColumn {
  std::string heading;
  std::size_t start = 0;  // display column of its first character, from 0
  std::size_t width = 0;  // display columns
  // How far off a width that counts bytes would put the next column, at worst, and in how many
  // rows.
  std::size_t byte_shift = 0;
  std::size_t shifted_rows = 0;
};

struct Proof {
  std::string heading;
  std::string rule;  // empty: none
  std::vector<ProofRow> rows;
  std::vector<ProofColumn> columns;
  std::vector<Finding> findings;
  std::string template_line;  // the dialect c: the format string of one row
  Notes template_notes;       // what C cannot do in a specifier
};

// An error when a column of the sheet is not in the data, or no text can be made of it at all.
Result<Proof> make_proof(const Sheet& sheet, const Table& table);

}  // namespace inky
