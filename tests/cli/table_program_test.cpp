// Programs that print tables, built and run by the real toolchains.

#include <algorithm>
#include <catch2/catch.hpp>
#include <cstdlib>
#include <nlohmann/json.hpp>
#include <random>
#include <set>
#include <string>
#include <thread>

#include "dialect/language_facts.hpp"
#include "inky_margin/emit/table_program.hpp"
#include "inky_margin/sheet/proof.hpp"
#include "sheet/quick_sheet.hpp"
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

// Those whose programs can be run here.
std::vector<const Dialect*> dialects_here() {
  std::vector<const Dialect*> out;
  for (const Dialect* dialect : all_dialects()) {
    const toolchain::Toolchain* known = toolchain::toolchain_of(dialect->facts().id);
    if (dialect->facts().forms.table != nullptr && known != nullptr &&
        toolchain::find_toolchain(*known))
      out.push_back(dialect);
  }
  return out;
}

std::vector<std::string> faults_of(const std::vector<const Dialect*>& dialects, const Made& made,
                                   bool native_padding) {
  std::vector<std::string> out(dialects.size());
  const auto work = [&](std::size_t first) {
    for (std::size_t i = first; i < dialects.size(); i += 2)
      out[i] = fault_of(*dialects[i], made, native_padding);
  };
  std::thread other(work, 1);
  work(0);
  other.join();
  return out;
}

// What some language keeps for itself, and what programs like to use.
std::vector<std::string> all_words() {
  std::set<std::string> out = {
      "abs",    "all",       "any",       "begin",      "cat",      "cells",      "columns",
      "data",   "disp",      "echo",      "entry",      "exit",     "file",       "first",
      "format", "get",       "hex",       "i",          "index",    "init",       "key",
      "last",   "len",       "length",    "list",       "main",     "map",        "max",
      "mean",   "min",       "name",      "names",      "next",     "none",       "number",
      "open",   "out",       "pass",      "paste",      "print",    "printf",     "put",
      "puts",   "range",     "result",    "row",        "rows",     "self",       "seq",
      "size",   "some",      "str",       "stringify",  "sum",      "system",     "text",
      "time",   "to string", "value",     "values",     "vector",   "width",      "write",
      "x",      "hash code", "get class", "notify all", "row mark", "print rows", "e",
      "f"};
  for (const LanguageFacts* language : all_language_facts()) {
    any_of_words(language->reserved, [&](std::string_view word) {
      out.emplace(word);
      return false;
    });
  }
  return {out.begin(), out.end()};
}

}  // namespace

// INKY_TEST_WORDS states how many; all of them take minutes.
TEST_CASE("headings that are words of a language print as they should, asked anew") {
  const std::uint64_t seed = support::seed(62);
  INFO("seed " << seed);
  const char* given = std::getenv("INKY_TEST_WORDS");
  const std::size_t count = given != nullptr ? std::strtoul(given, nullptr, 10) : 60;
  std::vector<std::string> words = all_words();
  std::mt19937_64 random(seed);
  std::shuffle(words.begin(), words.end(), random);
  words.resize(std::min(words.size(), count));
  constexpr std::size_t at_once = 100;  // a class of Java has at most 255 parts
  for (std::size_t from = 0; from < words.size(); from += at_once) {
    std::string headings;
    std::string cells;
    for (std::size_t i = from; i < std::min(from + at_once, words.size()); ++i) {
      headings += (i == from ? "" : ",") + words[i];
      cells += (i == from ? "" : ",") + std::to_string(i);
    }
    INFO(headings);
    Table table = read_csv(headings + "\n" + cells + "\n").value();
    const Made one{sheet_of(table), std::move(table)};
    const std::vector<const Dialect*> asked = dialects_here();
    const std::vector<std::string> faults = faults_of(asked, one, false);
    for (std::size_t i = 0; i < asked.size(); ++i) {
      INFO(asked[i]->facts().id);
      INFO(faults[i]);
      CHECK(faults[i].empty());
    }
  }
}

// INKY_TEST_SHEETS states how many; where every dialect is asked about each of them.
TEST_CASE("table programs print what was said of them, asked anew") {
  const std::uint64_t seed = support::seed(61);
  const char* given = std::getenv("INKY_TEST_SHEETS");
  const int count = given != nullptr ? std::atoi(given) : 4;
  INFO("seed " << seed);
  support::RandomSheets sheets(seed);
  for (int round = 0; round < count; ++round) {
    const support::SheetAndData text = sheets.make();
    const Made one = made(text);
    const std::vector<const Dialect*> asked = dialects_here();
    // Half of them where the language's own padding is left to itself.
    const bool native = round % 2 == 1;
    const std::vector<std::string> faults = faults_of(asked, one, native);
    for (std::size_t i = 0; i < asked.size(); ++i) {
      INFO(asked[i]->facts().id << " round " << round);
      INFO(text.sheet << text.data);
      INFO(faults[i]);
      CHECK(faults[i].empty());
    }
  }
}

TEST_CASE("statements alone print a row of one's own variables, asked anew") {
  const std::string sheet =
      "rule = \"-\"\n[[column]]\nfrom = \"code\"\nheading = \"Batch\"\nwidth = 6\n"
      "[[column]]\nfrom = \"mass\"\nheading = \"Mass\"\nkind = \"real\"\nplaces = 2\nwidth = 8\n";
  const support::Ran pieces =
      support::run_tool("proof --emit c --statements " INKY_SOURCE_DIR "/demo/batches.toml");
  CHECK(pieces.out.find("printf(\"%-5s") != std::string::npos);
  CHECK(pieces.out.find("main") == std::string::npos);
  const std::string folder = INKY_BUILD_DIR "/statements";
  std::filesystem::create_directories(folder);
  support::write_file(folder + "/own.toml", sheet);
  support::write_file(folder + "/own.csv", "code,mass\nK-07,12.25\nM-1,0.5\n");
  const std::string wanted = "Batch       Mass\n------  --------\nK-07       12.25\n";
  struct Case {
    const char* dialect;
    const char* variables;
  };
  for (const Case& one :
       {Case{"python", "code = \"K-07\"\nmass = 12.25\n"},
        Case{"php", "<?php $code = \"K-07\"; $mass = 12.25;\n"},
        Case{"javascript", "const code = \"K-07\", mass = 12.25;\n"},
        Case{"octave", "1;\ncode = \"K-07\"; mass = 12.25;\n"},
        Case{"r", "code <- \"K-07\"; mass <- 12.25\n"},
        Case{"lisp", "(defparameter code \"K-07\") (defparameter mass 12.25d0)\n"}}) {
    INFO(one.dialect);
    const support::Ran ran =
        support::run_tool("proof --emit " + std::string(one.dialect) + " --statements " + folder +
                          "/own.toml " + folder + "/own.csv");
    CHECK(ran.err.empty());
    CHECK(ran.out.find("12.25") == std::string::npos);
    const toolchain::Toolchain* known = toolchain::toolchain_of(one.dialect);
    if (!toolchain::find_toolchain(*known)) continue;
    const toolchain::Witness witness = toolchain::run_program(*known, one.variables + ran.out, {});
    INFO(witness.messages);
    CHECK(witness.output == wanted);
  }
  const support::Ran alone =
      support::run_tool("proof --statements " INKY_SOURCE_DIR "/demo/batches.toml");
  CHECK(alone.status == 2);
  CHECK(alone.err.find("--emit") != std::string::npos);
}
