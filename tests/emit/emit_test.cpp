// Programs that print tables: what is reported of them, and what is in them. tests/cli has the real
// toolchains run them.

#include <algorithm>
#include <catch2/catch.hpp>
#include <set>
#include <string>

#include "dialect/language_facts.hpp"
#include "dialect/table_form.hpp"
#include "inky_margin/emit/table_program.hpp"
#include "inky_margin/sheet/proof.hpp"
#include "inky_margin/text/columns.hpp"
#include "names.hpp"
#include "support/made_sheet.hpp"
#include "support/random_sheets.hpp"

using namespace inky;
using support::Made;
using support::made;

namespace {

TableProgram program_of(const std::string& dialect, const std::string& sheet,
                        const std::string& data, const TableProgramOptions& options = {}) {
  const Made one = made({sheet, data});
  Result<TableProgram> program =
      write_table_program(*find_dialect(dialect), one.sheet, one.table, options);
  if (!program) FAIL(program.error().message);
  return std::move(*program);
}

bool has(const std::string& text, const std::string& part) {
  return text.find(part) != std::string::npos;
}

std::vector<const Dialect*> dialects() {
  std::vector<const Dialect*> out;
  for (const Dialect* dialect : all_dialects()) {
    if (dialect->facts().forms.table != nullptr) out.push_back(dialect);
  }
  return out;
}

}  // namespace

TEST_CASE("fifteen facilities have programs, with all that a form needs") {
  CHECK(dialects().size() == 15);
  for (const Dialect* dialect : dialects()) {
    INFO(dialect->facts().id);
    const TableForm& form = *dialect->facts().forms.table;
    CHECK_FALSE(form.data.empty());
    CHECK_FALSE(form.cell_name.empty());
    CHECK(has(std::string(form.write), "@L"));
    CHECK(has(std::string(form.loop), "@S") != has(std::string(form.loop), "@s"));
    CHECK(has(std::string(form.part_call) + std::string(form.part_function), "@"));
    for (const PadForm* pad : {&form.pad_left, &form.pad_right, &form.pad_center}) {
      CHECK(has(std::string(pad->call), "@V"));
      CHECK(has(std::string(pad->call), "@C"));
      CHECK(has(std::string(pad->call), "@W"));
      CHECK(has(std::string(pad->source), std::string(pad->name)));
    }
  }
}

TEST_CASE("columns become names that their language does not keep for itself, each another") {
  Sheet sheet;
  for (const char* from : {"Mass (g)", "mass g", "class", "", "1st", "größe", "Rows", "pad left",
                           "row mark", "x", "x columns", "while", "print", "rows",
                           "a very long name of a column that goes on and on"}) {
    SheetColumn column;
    column.from = from;
    sheet.columns.push_back(column);
  }
  for (const Dialect* dialect : dialects()) {
    INFO(dialect->facts().id);
    const TableForm& form = *dialect->facts().forms.table;
    std::set<std::string> all;
    for (const std::string& name : names_of(sheet, *dialect)) {
      INFO(name);
      CHECK(all.insert(name).second);
      CHECK(all.insert(joined(name, "columns", form.names)).second);
      CHECK_FALSE(has_word(language_facts_of(*dialect)->reserved, name));
      CHECK(name != form.pad_left.name);
      CHECK(name != joined("row", "mark", form.names));
      CHECK(std::all_of(name.begin(), name.end(), [&](char c) {
        return ('a' <= c && c <= 'z') || ('A' <= c && c <= 'Z') || ('0' <= c && c <= '9') ||
               c == (form.names == NameCase::kebab ? '-' : '_');
      }));
      CHECK_FALSE(('0' <= name[0] && name[0] <= '9'));
    }
  }
  CHECK(names_of(sheet, *find_dialect("python"))[0] == "mass_g");
  CHECK(names_of(sheet, *find_dialect("java"))[0] == "massG");
  CHECK(names_of(sheet, *find_dialect("lisp"))[0] == "mass-g");
}

TEST_CASE("a table program prints the sheet, but for what the language rounds differently") {
  const std::uint64_t seed = support::seed(60);
  INFO("seed " << seed);
  support::RandomSheets sheets(seed);
  int numbers = 0;
  int wider = 0;
  for (int round = 0; round < support::cases(120); ++round) {
    const support::SheetAndData text = sheets.make();
    INFO(text.sheet << text.data);
    const Made one = made(text);
    const Result<Proof> proof = make_proof(one.sheet, one.table);
    REQUIRE(proof.ok());
    for (const Dialect* dialect : all_dialects()) {
      if (dialect->facts().forms.table == nullptr) continue;
      INFO(dialect->facts().id);
      const Result<TableProgram> program = write_table_program(*dialect, one.sheet, one.table, {});
      if (!program) {
        REQUIRE(program.error().code == Code::over_limit);
        continue;
      }
      REQUIRE(program->lines.size() == proof->lines.size());
      for (std::size_t i = 0; i < proof->lines.size(); ++i) {
        const std::string& said = proof->lines[i].text;
        const std::string& printed = program->lines[i].text;
        // A number that carries is wider by a digit.
        const std::size_t wide = measure(printed, WidthUnit::columns);
        REQUIRE(wide >= measure(said, WidthUnit::columns));
        REQUIRE(wide <= measure(said, WidthUnit::columns) + program->columns.size());
        wider += wide > measure(said, WidthUnit::columns) ? 1 : 0;
        if (proof->lines[i].kind != LineKind::row) REQUIRE(printed == said);
      }
      for (const PrintedAs& column : program->columns)
        numbers += column.way == PrintedAs::Way::number ? 1 : 0;
    }
  }
  CHECK(numbers > 1000);
  // Seldom.
  CHECK(wider < numbers / 100);
}

TEST_CASE("a language does what it can, and a helper or a text the rest") {
  using Way = PrintedAs::Way;
  const std::string sheet =
      "[[column]]\nfrom = \"name\"\nalign = \"center\"\nwidth = 8\n"
      "[[column]]\nfrom = \"x\"\nkind = \"real\"\nnotation = \"percent\"\nplaces = 1\n"
      "[[column]]\nfrom = \"n\"\nkind = \"whole\"\ngroup = \",\"\n";
  const std::string data = "name,x,n\nZinkweiß,0.5,1234567\nOcker,0.25,-8\n";
  struct Case {
    const char* dialect;
    Way name, share, count;
  };
  const Case cases[] = {{"c", Way::helped, Way::text, Way::text},
                        {"python", Way::text, Way::number, Way::number},
                        {"rust", Way::text, Way::text, Way::text},
                        {"java", Way::helped, Way::text, Way::number},
                        {"java-pattern", Way::helped, Way::number, Way::number},
                        {"csharp", Way::helped, Way::number, Way::number}};
  for (const Case& c : cases) {
    INFO(c.dialect);
    const TableProgram program = program_of(c.dialect, sheet, data);
    CHECK(program.columns[0].way == c.name);
    CHECK(program.columns[1].way == c.share);
    CHECK(program.columns[2].way == c.count);
    CHECK(program.text() ==
          "  name        x          n\n--------  -----  ---------\n"
          "Zinkweiß  50.0%  1,234,567\n Ocker    25.0%         -8\n");
  }
  // What is empty takes its room, too.
  const TableProgram octave = program_of(
      "octave", "[[column]]\nfrom = \"a\"\nwidth = 3\n[[column]]\nfrom = \"b\"\n", "a,b\n\"\",x\n");
  CHECK(octave.text() == "a    b\n---  -\n     x\n");
  // Its own padding, where that is wanted.
  const TableProgram native =
      program_of("c", "[[column]]\nfrom = \"a\"\nwidth = 4\n[[column]]\nfrom = \"b\"\n",
                 "a,b\nß,x\n", {.native_padding = true});
  CHECK(native.lines[2].text == "ß    x");
  CHECK(native.lines[2].starts == std::vector<std::size_t>{0, 5});
}

// What a form fills in, it does not read again.
TEST_CASE("marks in the data and in the sheet are text") {
  const std::string marks = "@S@R@E@D@N@L@P@K@A@V@C@W@s@d";
  const std::string sheet = "gap = \"" + marks + "\"\n[[column]]\nfrom = \"" + marks +
                            "\"\n[[column]]\nfrom = \"b\"\nkind = \"whole\"\n";
  const std::string data = marks + ",b\n" + marks + ",1\n";
  const auto count = [&](const std::string& text) {
    std::size_t out = 0;
    for (std::size_t at = 0; (at = text.find(marks, at)) != std::string::npos; at += marks.size())
      ++out;
    return out;
  };
  for (const Dialect* dialect : dialects()) {
    INFO(dialect->facts().id);
    const std::string id(dialect->facts().id);
    // The heading and the gap in it, the cell and the gap before the next; long lines are parted.
    CHECK(count(program_of(id, sheet, data, {.line_limit = 1000}).source) == 4);
  }
  for (const char* id : {"python", "php", "r"}) {
    INFO(id);
    const std::string source =
        program_of(id, sheet, data, {.line_limit = 1000, .data_file = marks}).source;
    // The heading with its gap, the gap of the row, the name of the column and the path.
    CHECK(count(source) == 5);
  }
}

TEST_CASE("a language rounds as it does, and only that may differ") {
  const std::string sheet =
      "[[column]]\nfrom = \"x\"\nkind = \"real\"\nnotation = \"fixed\"\nplaces = 2\n";
  const std::string data = "x\n0.125\n2.675\n9.995\n";
  CHECK(program_of("c", sheet, data).text() == "   x\n----\n0.12\n2.67\n9.99\n");
  const TableProgram java = program_of("java", sheet, data);
  CHECK(java.columns[0].way == PrintedAs::Way::number);
  CHECK(java.lines[2].text == "0.13");
  CHECK(java.lines[3].text == "2.68");
  // Wider than the column that the sheet made for 9.99, it pushes.
  CHECK(java.lines[4].text == "10.00");
}

TEST_CASE("what a program cannot be is said") {
  const Made one = made({"[[column]]\nfrom = \"a\"\ntotal = \"count\"\n", "a\nx\n"});
  const auto error_of = [&](const char* dialect, const TableProgramOptions& options) {
    const Result<TableProgram> program =
        write_table_program(*find_dialect(dialect), one.sheet, one.table, options);
    return program ? std::string() : program.error().message;
  };
  CHECK(error_of("octave-display", {}) ==
        "a program of octave-display that prints a table is not supported yet");
  CHECK(error_of("r-format", {}) ==
        "a program of r-format that prints a table is not supported yet");
  CHECK(has(error_of("python", {.data_file = "x.csv"}), "column a has a total"));
  CHECK(has(error_of("c", {.data_file = "x.csv"}), "the language does not read CSV itself"));
}
