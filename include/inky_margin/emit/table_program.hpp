// A whole program that prints a sheet over data, in the language of a dialect, and what it prints.
//
//   Result<TableProgram> p = write_table_program(*find_dialect("rust"), sheet, table, {});
//   p->source                  // fn main() { ...
//   p->lines[3].text           // what it prints, line by line, without line ends
//
// Numbers stand in the program as numbers, and the language's own fields show them, where one can;
// what none can show stands there as text. Text is padded by the language where that counts as the
// sheet does, and by a small helper where it does not.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/sheet/proof.hpp"

namespace inky::inline v1 {

struct TableProgramOptions {
  // Text is padded by the language itself, whatever its widths count.
  bool native_padding = false;
  std::size_t line_limit = 100;  // of the source, in columns
  // The program reads the rows from this file of CSV, which the table was read from; empty: they
  // stand in it. For languages that read CSV themselves, and tables whose cells are what is typed.
  std::string data_file = {};
  // What one pastes into a program of one's own, and nothing around it: the heading, the rules, and
  // the statement that prints a row, in which each column is a variable of its name.
  bool statements_alone = false;
};

// How a column of the sheet is printed.
struct PrintedAs {
  enum class Way : std::uint8_t {
    number,  // a field of the language shows it
    text,    // as text, which the language pads
    helped,  // as text, which a helper pads
  };
  Way way{};
  std::string source;  // of its field; of a helped one: of the text
  // Why a number is text, or a text has a helper. Empty where neither is so, and where a helper is
  // there only because widths of the language count differently from the sheet's.
  std::string why;
};

struct PrintedLine {
  LineKind kind{};
  std::size_t line = 0;  // of the data
  std::string text;
  // Of a row: where each column begins, in display columns, and where its text ends.
  std::vector<std::size_t> starts;
};

struct TableProgram {
  std::string source;
  std::vector<PrintedLine> lines;
  std::vector<PrintedAs> columns;
  std::size_t line_width = 0;  // of a line that nothing shifts

  // All lines, each with its end.
  std::string text() const;
};

// An error where the sheet does not fit the data, the language has no such program yet, or it would
// be over the limit of what one can hold.
Result<TableProgram> write_table_program(const Dialect& dialect, const Sheet& sheet,
                                         const Table& table, const TableProgramOptions& options);

}  // namespace inky::inline v1
