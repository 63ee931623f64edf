// inky proof, as a language prints it: its table, and its program.
#pragma once

#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/emit/table_program.hpp"
#include "inky_margin/sheet/printer.hpp"
#include "inky_margin/sheet/sheet.hpp"
#include "inky_margin/sheet/table.hpp"
#include "screen.hpp"

namespace inky::cli {

// What stands at the left of a line of a table; empty where nothing does. `line`: of the data.
std::string label_of(LineKind kind, std::size_t line);

struct ProgramRequest {
  std::vector<const Dialect*> dialects;
  bool native_padding = false;
  bool bare = false;
  bool json = false;
  bool require = false;
  bool cache = true;
  std::string data_file;    // that the program reads; empty: the rows stand in it
  bool statements = false;  // nothing but the statements of its lines
};

// The dialects of a list such as "c,python", or all that have a program; an error names the place.
Result<std::vector<const Dialect*>> dialects_with_programs(std::string_view list);

// "1 line", "2 lines".
std::string counted(std::size_t count, const char* what);

// The program in one of them.
Result<TableProgram> program_of(const ProgramRequest& request, const Dialect& dialect,
                                const Sheet& sheet, const Table& table);

// Each returns the exit status.
int proof_program(const ProgramRequest& request, const Sheet& sheet, const Table& table);
int proof_as(const ProgramRequest& request, const Sheet& sheet, const Table& table,
             const Look& look);
int proof_beside(const ProgramRequest& request, const Sheet& sheet, const Table& table,
                 const Look& look);

}  // namespace inky::cli
