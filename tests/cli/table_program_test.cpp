// Programs that print tables, built and run by the real toolchains.

#include <catch2/catch.hpp>
#include <cstdlib>
#include <nlohmann/json.hpp>
#include <string>
#include <thread>

#include "inky_margin/emit/table_program.hpp"
#include "inky_margin/sheet/proof.hpp"
#include "support/made_sheet.hpp"
#include "support/process.hpp"
#include "support/random_sheets.hpp"
#include "toolchain/witness.hpp"

using namespace inky;
using support::Made;
using support::made;

namespace {

// Of each program, what went wrong; empty: nothing.
std::string fault_of(const Dialect& dialect, const Made& made, bool native_padding) {
  const Result<TableProgram> program =
      write_table_program(dialect, made.sheet, made.table, {native_padding});
  if (!program)
    return program.error().code == Code::not_supported_yet ||
                   program.error().code == Code::over_limit
               ? std::string()
               : program.error().message;
  const toolchain::Witness witness =
      toolchain::run_program(*toolchain::toolchain_of(dialect.facts().id), program->source, {});
  if (witness.stage == toolchain::Witness::Stage::printed && witness.output == program->text())
    return {};
  return "said:\n" + program->text() + "printed:\n" + witness.output + witness.messages +
         "program:\n" + program->source;
}

}  // namespace

// INKY_TEST_SHEETS says how many; where every dialect is asked about each of them.
TEST_CASE("table programs print what was said of them, asked anew") {
  const std::uint64_t seed = support::seed(61);
  const char* given = std::getenv("INKY_TEST_SHEETS");
  const int count = given != nullptr ? std::atoi(given) : 4;
  INFO("seed " << seed);
  support::RandomSheets sheets(seed);
  for (int round = 0; round < count; ++round) {
    const support::SheetAndData text = sheets.make();
    const Made one = made(text);
    std::vector<const Dialect*> asked;
    for (const Dialect* dialect : all_dialects()) {
      const toolchain::Toolchain* known = toolchain::toolchain_of(dialect->facts().id);
      if (dialect->facts().table_form != nullptr && known != nullptr &&
          toolchain::find_toolchain(*known))
        asked.push_back(dialect);
    }
    // Half of them where the language's own padding is left to itself.
    const bool native = round % 2 == 1;
    std::vector<std::string> faults(asked.size());
    const auto work = [&](std::size_t first) {
      for (std::size_t i = first; i < asked.size(); i += 2)
        faults[i] = fault_of(*asked[i], one, native);
    };
    std::thread other(work, 1);
    work(0);
    other.join();
    for (std::size_t i = 0; i < asked.size(); ++i) {
      INFO(asked[i]->facts().id << " round " << round);
      INFO(text.sheet << text.data);
      INFO(faults[i]);
      CHECK(faults[i].empty());
    }
  }
}
