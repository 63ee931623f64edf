// inky proof --witness: what the toolchains make of the programs of a table.
#pragma once

#include "proof_program.hpp"

namespace inky::cli {

// Returns the exit status.
int proof_witness(const ProgramRequest& request, const Sheet& sheet, const Table& table,
                  const Look& look);

}  // namespace inky::cli
