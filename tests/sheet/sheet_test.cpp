#include <algorithm>
#include <catch2/catch.hpp>
#include <fstream>
#include <iterator>
#include <string>

#include "inky_margin/sheet/proof.hpp"
#include "inky_margin/text/columns.hpp"
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

TEST_CASE("data that cannot be read says why and where") {
  const auto csv_error = [](std::string_view text) {
    const Result<Table> table = read_csv(text);
    return table ? "read" : table.error().message;
  };
  CHECK(csv_error("") == "the data is empty");
  CHECK(csv_error("a,a\n1,2\n") == "two columns of the data are named \"a\"");
  CHECK(csv_error("a\n1\n\"open\n2\n") == "the quote opened in the row of line 3 is not closed");
  CHECK(csv_error("a\nx\"y\"\n") == "line 2 has a quote where none can be");
  CHECK(csv_error("\xff\n1\n") == "the heading line is not UTF-8");
  const auto json_error = [](std::string_view text) {
    const Result<Table> table = read_json_lines(text);
    return table ? "read" : table.error().message;
  };
  CHECK(json_error("{\"a\": 1}\n[1]\n") ==
        "line 2 holds a list or an object where a cell is expected");
  CHECK(json_error("{\"a\": {}}\n") == "line 1 holds a list or an object where a cell is expected");
  CHECK(json_error("{\"a\": 1}\n\n{\"a\": \n") == "line 3 is not a JSON object");
  CHECK(json_error("\n") == "the data is empty");
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
  CHECK(proof.heading == "Pigment   |     Mass |    lot");
  CHECK(proof.rule == "---------   --------   ------");
  REQUIRE(proof.rows.size() == 3);
  CHECK(proof.rows[0].text == "Zinkweiß  |     2.67 | 0x0007");
  CHECK(proof.rows[1].text == "朱色      | 1234567.00 | 0x00ff");
  CHECK(proof.rows[2].text == "Ocker     |        ? |      -");
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
  CHECK(proof.rows.size() == 40);
  const std::size_t wide = measure(proof.heading, WidthUnit::columns);
  for (const ProofRow& row : proof.rows) CHECK(measure(row.text, WidthUnit::columns) == wide);
  const Proof lines = proof_of(file("batches.toml"), file("batches.jsonl"));
  // Fitted columns are as wide as their own rows need, so only what they hold is compared.
  REQUIRE(lines.rows.size() == 12);
  for (std::size_t i = 0; i < 12; ++i)
    CHECK(lines.rows[i].text.substr(0, 20) == proof.rows[i].text.substr(0, 20));
}

TEST_CASE("the broken demo is all said") {
  const Proof proof = proof_of(file("batches.toml"), file("broken.csv"));
  std::string kinds;
  for (const Finding& finding : proof.findings)
    kinds += std::to_string(finding.line) + ":" + finding.column + " ";
  CHECK(kinds == "3:Mass (g) 4:Pigment 5:Mass (g) 6:Lot 7:Pigment 8: 8:Cost/l 10:Mass (g) 12: ");
  CHECK(proof.rows.size() == 12);
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
    for (std::size_t i = 0; i < by_spec.rows.size(); ++i)
      REQUIRE(by_spec.rows[i].text == by_wish.rows[i].text);
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
    REQUIRE((measure(proof.heading, WidthUnit::columns) > expected) == overflows(0));
    for (const ProofRow& row : proof.rows) {
      REQUIRE((measure(row.text, WidthUnit::columns) > expected) == overflows(row.line));
      REQUIRE(measure(row.text, WidthUnit::columns) >= expected);
    }
  }
}
