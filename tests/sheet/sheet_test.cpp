#include <algorithm>
#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <sstream>

#include <fstream>
#include <iterator>
#include <string>
#include "inky_margin/sheet/style.hpp"
#include "inky_margin/text/columns.hpp"

#include "inky_margin/sheet/proof.hpp"
#include "inky_margin/text/columns.hpp"
#include "sheet/csv_reader.hpp"
#include "support/libcsv.hpp"
#include "support/random_values.hpp"

using namespace inky;

namespace {

std::string file(const std::string& name) {
  std::ifstream stream(INKY_SOURCE_DIR "/demo/" + name, std::ios::binary);
  return {std::istreambuf_iterator<char>(stream), {}};
}

Proof proof_of(std::string_view sheet_text, std::string_view data) {
  const Result<Sheet> sheet = read_sheet(sheet_text);
  if (!sheet) FAIL(sheet.error().message);
  const Result<Table> table = data.starts_with('{') ? read_json_lines(data) : read_csv(data);
  if (!table) FAIL(table.error().message);
  Result<Proof> proof = make_proof(*sheet, *table);
  if (!proof) FAIL(proof.error().message);
  return std::move(*proof);
}

std::vector<ProofLine> lines_of(const Proof& proof, LineKind kind) {
  std::vector<ProofLine> out;
  for (const ProofLine& line : proof.lines) {
    if (line.kind == kind) out.push_back(line);
  }
  return out;
}
std::vector<ProofLine> rows_of(const Proof& proof) {
  return lines_of(proof, LineKind::row);
}
std::string heading_of(const Proof& proof) {
  return lines_of(proof, LineKind::heading).at(0).text;
}

}  // namespace

TEST_CASE("sheets that cannot be read say why and where") {
  struct Case {
    const char* toml;
    const char* message;
    Span span;
  };
  const Case cases[] = {
      {"", "the sheet has no column", {0, 0}},
      {"rul = \"-\"", "\"rul\" is not a key of a sheet", {0, 3}},
      {"rule = \"--\"", "the rule is repeated, so it must be one character", {7, 11}},
      {"gap = 3", "\"gap\" must be a text", {6, 7}},
      {"gap = \"a\\nb\"", "\"gap\" holds a control character", {6, 12}},
      {"[[column]]\nwidth = 3", "a column has no key from", {0, 10}},
      {"[[column]]\nfrom = \"a\"\nwidht = 3", "\"widht\" is not a key of a column", {22, 27}},
      {"[[column]]\nfrom = \"a\"\nwidth = -3", "width cannot be \"-3\"", {30, 32}},
      {"[[column]]\nfrom = \"a\"\nspec = \"%d items\"",
       "the spec of a column must be one field that takes one value, and nothing else",
       {29, 39}},
      {"[[column]]\nfrom = \"a\"\nspec = \"%d\"\nwidth = 3",
       "column \"a\" has both a spec and wishes",
       {0, 10}},
      {"[[column]]\nfrom = \"a\"\nspec = \"%d\"\ndialect = \"sea\"",
       "\"sea\" is not a dialect",
       {44, 49}},
      {"column = 3", "columns are written [[column]]", {9, 10}},
      {"from = ", "the sheet is not valid TOML", {7, 7}},
      {"\xff", "the sheet is not UTF-8", {0, 1}},
  };
  for (const Case& c : cases) {
    INFO(c.toml);
    const Result<Sheet> sheet = read_sheet(c.toml);
    REQUIRE_FALSE(sheet.ok());
    CHECK_THAT(sheet.error().message, Catch::StartsWith(c.message));
    CHECK(sheet.error().span.from == c.span.from);
    CHECK_FALSE(sheet.error().remedy.empty());
  }
  CHECK_THAT(read_sheet("[[column]]\nfrom = \"a\"\nwidht = 3").error().remedy,
             Catch::Contains("width"));
}

TEST_CASE(
    "what is wrong with data is said, with its place and what is done, and the rest is read") {
  struct Case {
    const char* data;
    std::size_t line;
    std::size_t column;
    const char* message;
    std::size_t rows;
  };
  const Case cases[] = {
      {"a,a\n1,2\n", 1, 0, "names two columns \"a\"; the later one is called \"a (2)\"", 1},
      {"a\n1\n\"open\n2\n", 3, 1, "has a quote that is not closed", 3},
      {"a,b\n1,x\"y\"\n3,4\n", 2, 4, "has a quote that is not closed, or is in the wrong place", 2},
      {"\xff\n1\n", 1, 0, "has a name that is not UTF-8", 1},
      {"a,b\n1\n2,3\n", 2, 0, "has 1 cell for 2 columns; the rest are missing", 2},
      {"a\n1,2,3\n", 2, 0, "has 3 cells for 1 column; the extra ones are left out", 1},
      {"{\"a\": 1}\n[1]\n", 2, 1, "holds a list or an object", 1},
      {"{\"a\": {}}\n", 1, 1, "holds a list or an object", 0},
      {"{\"a\": 1}\n\n{\"a\": \n", 3, 1, "is not a JSON object; it is left out", 1},
  };
  for (const Case& c : cases) {
    INFO(c.data);
    const std::string_view data = c.data;
    const Result<Table> table = data.starts_with('{') ? read_json_lines(data) : read_csv(data);
    REQUIRE(table.ok());
    REQUIRE(table->faults.size() == 1);
    CHECK(table->faults[0].line == c.line);
    CHECK(table->faults[0].column == c.column);
    CHECK_THAT(table->faults[0].message, Catch::StartsWith(c.message));
    CHECK(table->rows.size() == c.rows);
  }
  for (const char* nothing : {"", "\n", " \n\t\n"}) CHECK_FALSE(read_csv(nothing).ok());
  CHECK_FALSE(read_json_lines("\n").ok());
}

// Whatever the pieces are that data comes in, the rows are those that libcsv finds in all of it.
TEST_CASE("CSV in pieces has the rows of libcsv") {
  const std::uint64_t seed = support::seed(4180);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  struct Rows final : RowSink {
    bool row(std::size_t line, std::span<const std::optional<std::string_view>> cells) override {
      text += std::to_string(line) + ":";
      for (const auto& cell : cells) text += cell ? "<" + std::string(*cell) + ">" : "-";
      text += "\n";
      return true;
    }
    void fault(std::size_t, std::size_t, std::string) override { faulty = true; }
    std::string text;
    bool faulty = false;
  };
  const char* const parts[] = {"a",         "b ",         " ",    "\t",          ",",
                               ",",         "\n",         "\r\n", "\"x\"",       "\"\"",
                               "\"a,\nb\"", "\"q\"\"q\"", "ß",    "\xEF\xBB\xBF"};
  int compared = 0;
  for (int round = 0; round < support::cases(20000); ++round) {
    std::string text;
    for (int i = random.below(14); i >= 0; --i) text += random.pick(parts);
    INFO(text);
    Rows whole;
    CsvReader all;
    (void)all.feed(text, whole);
    (void)all.finish(whole);
    Rows pieces;
    CsvReader reader;
    for (std::size_t at = 0; at < text.size();) {
      const std::size_t size = 1 + static_cast<std::size_t>(random.below(5));
      (void)reader.feed(std::string_view(text).substr(at, size), pieces);
      at += size;
    }
    (void)reader.finish(pieces);
    REQUIRE(pieces.text == whole.text);
    REQUIRE(pieces.faulty == whole.faulty);
    if (whole.faulty || text.starts_with("\xEF")) continue;
    const std::optional<std::string> expected = support::rows_by_libcsv(text);
    REQUIRE(expected);
    std::string rows;
    std::istringstream in(whole.text);
    for (std::string line; std::getline(in, line);)
      rows += (line.find(':') == std::string::npos ? line : line.substr(line.find(':') + 1)) + "\n";
    REQUIRE(rows == *expected);
    ++compared;
  }
  CHECK(compared > support::cases(5000));
}

TEST_CASE("RFC 4180: quotes, doubled quotes, line ends inside cells, either line end") {
  const Result<Table> table = read_csv(
      "\xEF\xBB\xBF"
      "code,note\r\nK-07,\"a \"\"fine\"\" grind, "
      "twice\"\r\nK-08,\"two\nlines\"\nK-09,\nK-10,\"\"\n");
  REQUIRE(table.ok());
  CHECK(table->names == std::vector<std::string>{"code", "note"});
  REQUIRE(table->rows.size() == 4);
  CHECK(table->rows[0].cells[1] == "a \"fine\" grind, twice");
  CHECK(table->rows[1].cells[1] == "two\nlines");
  CHECK(table->rows[2].line == 5);
  CHECK_FALSE(table->rows[2].cells[1]);
  CHECK(table->rows[3].cells[1] == "");
}

TEST_CASE("a proof by hand") {
  const Proof proof =
      proof_of(R"(
gap = " | "
[[column]]
from = "pigment"
heading = "Pigment"
width = 9
[[column]]
from = "mass"
heading = "Mass"
kind = "real"
notation = "fixed"
places = 2
width = 8
[[column]]
from = "lot"
spec = "%#06x"
)",
               "lot,pigment,mass\n7,Zinkweiß,2.675\n255,朱色,1234567\n,Ocker,much\n");
  CHECK(heading_of(proof) == "Pigment   |     Mass |    lot");
  CHECK(lines_of(proof, LineKind::rule).at(0).text == "---------   --------   ------");
  REQUIRE(rows_of(proof).size() == 3);
  CHECK(rows_of(proof)[0].text == "Zinkweiß  |     2.67 | 0x0007");
  CHECK(rows_of(proof)[1].text == "朱色      | 1234567.00 | 0x00ff");
  CHECK(rows_of(proof)[2].text == "Ocker     |        ? |      -");
  CHECK(proof.template_line == "%-9s | %8.2f | %#06x\\n");
  REQUIRE(proof.findings.size() == 3);
  CHECK(proof.findings[0].kind == Finding::Kind::overflow);
  CHECK(proof.findings[0].message == "the cell is 2 columns too wide, and pushes what follows");
  CHECK(proof.findings[1].message == "\"much\" is not a number; shown as \"?\"");
  CHECK(proof.findings[2].line == 4);
  CHECK(proof.columns[0].shifted_rows == 2);
}

TEST_CASE("every line of the clean demo has one width, and the same from JSON Lines") {
  const Proof proof = proof_of(file("batches.toml"), file("batches.csv"));
  CHECK(proof.findings.empty());
  CHECK(rows_of(proof).size() == 40);
  const std::size_t wide = measure(heading_of(proof), WidthUnit::columns);
  for (const ProofLine& row : rows_of(proof)) CHECK(measure(row.text, WidthUnit::columns) == wide);
  const Proof lines = proof_of(file("batches.toml"), file("batches.jsonl"));
  // Fitted columns are as wide as their own rows need, so only what they hold is compared.
  REQUIRE(rows_of(lines).size() == 12);
  for (std::size_t i = 0; i < 12; ++i)
    CHECK(rows_of(lines)[i].text.substr(0, 20) == rows_of(proof)[i].text.substr(0, 20));
}

TEST_CASE("the broken demo is all said") {
  const Proof proof = proof_of(file("batches.toml"), file("broken.csv"));
  std::string kinds;
  for (const Finding& finding : proof.findings)
    kinds += std::to_string(finding.line) + ":" + finding.column + " ";
  CHECK(kinds == "3:Mass (g) 4:Pigment 5:Mass (g) 6:Lot 7:Pigment 8: 8:Cost/l 10:Mass (g) 12: ");
  CHECK(rows_of(proof).size() == 12);
}

TEST_CASE("a column by spec and a column by the wish it means give the same cells") {
  const std::uint64_t seed = support::seed(31);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  const std::pair<const char*, const char*> pairs[] = {
      {"spec = \"%12.3f\"", "kind = \"real\"\nnotation = \"fixed\"\nplaces = 3\nwidth = 12"},
      {"spec = \"%+012.4e\"",
       "kind = \"real\"\nnotation = \"scientific\"\nplaces = 4\nwidth = 12\nsign = "
       "\"always\"\nalign = \"inner\"\nfill = \"0\""},
      {"spec = \"%-14.5g\"",
       "kind = \"real\"\nnotation = \"compact\"\nsignificant = 5\nwidth = 14\nalign = \"left\""},
      {"spec = \"% 9.2a\"",
       "kind = \"real\"\nnotation = \"hexfloat\"\nplaces = 2\nwidth = 9\nsign = \"space\""},
  };
  for (const auto& [spec, wish] : pairs) {
    std::string data = "x\n";
    for (int i = 0; i < support::cases(2000); ++i) {
      char text[40];
      std::snprintf(text, sizeof text, "%.17g\n", random.real());
      data += text;
    }
    const Proof by_spec = proof_of(std::string("[[column]]\nfrom = \"x\"\n") + spec, data);
    const Proof by_wish = proof_of(std::string("[[column]]\nfrom = \"x\"\n") + wish, data);
    const auto spec_rows = rows_of(by_spec);
    const auto wish_rows = rows_of(by_wish);
    REQUIRE(spec_rows.size() == wish_rows.size());
    for (std::size_t i = 0; i < spec_rows.size(); ++i)
      REQUIRE(spec_rows[i].text == wish_rows[i].text);
  }
}

TEST_CASE("every line of a proof is as wide as its heading, unless a finding says otherwise") {
  const std::uint64_t seed = support::seed(80);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  const char* const words[] = {"ink", "Zinkweiß",    "墨汁", "e\u0301tude", "🖨\uFE0F press",
                               "",    "a longer run"};
  const char* const aligns[] = {"left", "right", "center", "natural"};
  for (int round = 0; round < support::cases(400); ++round) {
    std::string sheet = "gap = \"" + std::string(random.pick(words)) + "\"\n";
    const int columns = 1 + random.below(4);
    for (int i = 0; i < columns; ++i) {
      sheet += "[[column]]\nfrom = \"c" + std::to_string(i) + "\"\n";
      sheet += std::string("align = \"") + random.pick(aligns) + "\"\n";
      if (random.one_in(2)) sheet += "width = " + std::to_string(1 + random.below(14)) + "\n";
      if (random.one_in(3)) sheet += "limit = " + std::to_string(random.below(9)) + "\n";
    }
    std::string data = "c0,c1,c2,c3\n";
    for (int row = random.below(6); row >= 0; --row) {
      for (int i = 0; i < 4; ++i)
        data += std::string("\"") + random.pick(words) + "\"" + (i < 3 ? "," : "\n");
    }
    const Proof proof = proof_of(sheet, data);
    const ProofColumn& last = proof.columns.back();
    const std::size_t expected = last.start + last.width;
    const auto overflows = [&](std::size_t line) {
      return std::any_of(proof.findings.begin(), proof.findings.end(), [&](const Finding& finding) {
        const bool wide = finding.kind == Finding::Kind::overflow ||
                          finding.kind == Finding::Kind::heading_overflow;
        return wide && finding.line == line;
      });
    };
    INFO(sheet << data);
    REQUIRE((measure(heading_of(proof), WidthUnit::columns) > expected) == overflows(0));
    for (const ProofLine& row : rows_of(proof)) {
      REQUIRE((measure(row.text, WidthUnit::columns) > expected) == overflows(row.line));
      REQUIRE(measure(row.text, WidthUnit::columns) >= expected);
    }
  }
}

// Cells that want out of theirs, in every style: what a machine reads back are the cells, and what
// a person sees has straight edges.
TEST_CASE("a proof in every style has the same cells") {
  const Result<Sheet> sheet = read_sheet(R"(
[[column]]
from = "name"
heading = "Pigment | <b>"
[[column]]
from = "name"
heading = "Centre"
align = "center"
limit = 6
[[column]]
from = "mass"
heading = "Mass, \"g\""
kind = "real"
places = 2
[[column]]
from = "mass"
heading = "Centre"
)");
  REQUIRE(sheet.ok());
  Table table;
  table.names = {"name", "mass"};
  const char* const names[] = {"Zinkweiß", "墨 | 汁",   "a,b",       "say \"ink\"", "<td>&amp;",
                               "🖨",     "e\xCC\x81", "tab\there", "two\nlines",  "\\|",
                               "",         "---",       ":--:"};
  for (const char* name : names) table.rows.push_back({table.rows.size() + 2, {name, "12.5"}});
  table.rows.push_back({99, {std::nullopt, std::nullopt}});
  const Result<Proof> proof = make_proof(*sheet, table);
  REQUIRE(proof.ok());
  REQUIRE(rows_of(*proof).size() == std::size(names) + 1);

  const auto trimmed = [](std::string text) {
    text.erase(0, text.find_first_not_of(' ') == std::string::npos ? text.size()
                                                                   : text.find_first_not_of(' '));
    while (!text.empty() && text.back() == ' ') text.pop_back();
    return text;
  };
  const auto text_lines = [](const std::string& text) {
    std::vector<std::string> out;
    std::istringstream in(text);
    for (std::string line; std::getline(in, line);) out.push_back(line);
    return out;
  };

  for (const Style style : {Style::plain, Style::markdown, Style::boxed, Style::boxed_ascii}) {
    const std::vector<std::string> lines = text_lines(styled(*proof, style));
    CHECK(lines.size() ==
          rows_of(*proof).size() + (style == Style::boxed || style == Style::boxed_ascii ? 4 : 2));
    for (const std::string& line : lines) {
      INFO(line);
      CHECK(measure(line, WidthUnit::columns) == measure(lines[0], WidthUnit::columns));
    }
  }

  // Data may not have a heading twice: these are others.
  const std::string separated_by_commas = styled(*proof, Style::csv);
  const Result<Table> read =
      read_csv("a,b,c,d" + separated_by_commas.substr(separated_by_commas.find('\n')));
  REQUIRE(read.ok());
  const std::vector<std::string> separated = text_lines(styled(*proof, Style::tab_separated));
  const nlohmann::json objects = nlohmann::json::parse(styled(*proof, Style::json));
  REQUIRE(read->rows.size() == rows_of(*proof).size());
  REQUIRE(objects.size() == rows_of(*proof).size());
  for (std::size_t i = 0; i < rows_of(*proof).size(); ++i) {
    std::string joined;
    for (std::size_t k = 0; k < 4; ++k) {
      const std::string cell = trimmed(rows_of(*proof)[i].cells[k].text);
      CHECK(read->rows[i].cells[k].value_or("") == cell);
      joined += (k == 0 ? "" : "\t") + cell;
    }
    CHECK(separated[i + 1] == joined);
    CHECK(objects[i]["Pigment | <b>"] == trimmed(rows_of(*proof)[i].cells[0].text));
    CHECK(objects[i]["Centre (2)"] == trimmed(rows_of(*proof)[i].cells[3].text));
  }

  const std::string html = styled(*proof, Style::html);
  CHECK(html.find("&lt;td&gt;&amp;amp;") != std::string::npos);
  CHECK(html.find("<td>&amp;") == std::string::npos);
  const std::string markdown = styled(*proof, Style::markdown);
  CHECK(text_lines(markdown)[1].find(":-") != std::string::npos);
  // Only the bars between cells are bare: five a line.
  for (const std::string& line : text_lines(markdown)) {
    int bars = 0;
    for (std::size_t i = 0; i < line.size(); ++i)
      bars += line[i] == '|' && (i == 0 || line[i - 1] != '\\') ? 1 : 0;
    INFO(line);
    CHECK(bars == 5);
  }
}
