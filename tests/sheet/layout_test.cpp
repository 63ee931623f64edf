// What holds of every table, whatever its sheet and its data.

#include <algorithm>
#include <catch2/catch.hpp>
#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <nlohmann/json.hpp>
#include <set>
#include <string>

#include "cell_writer.hpp"
#include "inky_margin/sheet/proof.hpp"
#include "inky_margin/sheet/style.hpp"
#include "inky_margin/text/columns.hpp"
#include "sheet/csv_reader.hpp"
#include "sheet/quick_sheet.hpp"
#include "sheet/sheet_stream.hpp"
#include "support/random_sheets.hpp"
#include "support/random_values.hpp"
#include "text/utf8.hpp"

using namespace inky;

namespace {

Sheet sheet_from(const std::string& toml) {
  INFO(toml);
  Result<Sheet> sheet = read_sheet(toml);
  if (!sheet) FAIL(sheet.error().message);
  return std::move(*sheet);
}

Proof proof_from(const Sheet& sheet, const std::string& data) {
  const Result<Table> table = read_csv(data);
  if (!table) FAIL(table.error().message);
  Result<Proof> proof = make_proof(sheet, *table);
  if (!proof) FAIL(proof.error().message);
  return std::move(*proof);
}

std::size_t columns_of(std::string_view text) {
  return measure(text, WidthUnit::columns);
}

std::string lines_of(const Proof& proof) {
  std::string out;
  for (const ProofLine& line : proof.lines) out += line.text + "\n";
  return out;
}

struct Collected final : ProofSink {
  void take(const PlacedLine& line) override { text += std::string(line.text) + "\n"; }
  void take(Finding finding) override { findings.push_back(std::move(finding)); }
  std::string text;
  std::vector<Finding> findings;
};

}  // namespace

TEST_CASE("every line has one width, unless a finding says what pushes") {
  const std::uint64_t seed = support::seed(62);
  INFO("seed " << seed);
  support::RandomSheets sheets(seed);
  int pushed = 0;
  for (int round = 0; round < support::cases(1500); ++round) {
    const support::SheetAndData text = sheets.make();
    INFO(text.sheet << text.data);
    const Proof proof = proof_from(sheet_from(text.sheet), text.data);
    std::set<std::size_t> wide_lines;
    bool wide_heading = false;
    bool wide_total = false;
    for (const Finding& finding : proof.findings) {
      if (finding.kind == Finding::Kind::overflow) wide_lines.insert(finding.line);
      if (finding.kind == Finding::Kind::heading_overflow) wide_heading = true;
      if (finding.kind == Finding::Kind::total_overflow) wide_total = true;
    }
    for (const ProofLine& line : proof.lines) {
      INFO(line.text);
      REQUIRE(is_utf8(line.text));
      const bool may_push = line.kind == LineKind::row || line.kind == LineKind::continued
                                ? wide_lines.contains(line.line)
                            : line.kind == LineKind::heading || line.kind == LineKind::group_heading
                                ? wide_heading
                                : line.kind != LineKind::rule && wide_total;
      // A character may be wider than the column that it is wrapped in.
      const bool wraps =
          line.kind == LineKind::continued || text.sheet.find("wrap") != std::string::npos;
      if (!may_push && !wraps) REQUIRE(columns_of(line.text) == proof.line_width);
      REQUIRE(columns_of(line.text) >= proof.line_width);
      pushed += columns_of(line.text) > proof.line_width ? 1 : 0;
    }
  }
  CHECK(pushed > 0);
}

TEST_CASE("a table printed while it is read is the table made of all its data") {
  const std::uint64_t seed = support::seed(63);
  INFO("seed " << seed);
  support::RandomSheets sheets(seed);
  support::RandomValues random(seed);
  for (int round = 0; round < support::cases(600); ++round) {
    const support::SheetAndData text = sheets.make();
    INFO(text.sheet << text.data);
    const Sheet sheet = sheet_from(text.sheet);
    const Proof proof = proof_from(sheet, text.data);
    Collected out;
    SheetStream stream(sheet, out);
    const auto pass = [&] {
      RowShaper shaper(stream);
      CsvReader reader;
      for (std::size_t at = 0; at < text.data.size();) {
        const std::size_t size = 1 + static_cast<std::size_t>(random.below(40));
        (void)reader.feed(std::string_view(text.data).substr(at, size), shaper);
        at += size;
      }
      (void)reader.finish(shaper);
    };
    if (stream.needs_fitting()) {
      pass();
      stream.end_fitting();
    }
    pass();
    REQUIRE_FALSE(stream.finish());
    REQUIRE(out.text == lines_of(proof));
    REQUIRE(out.text == styled(proof, Style::plain));
    REQUIRE(out.findings.size() == proof.findings.size());
  }
}

TEST_CASE("decimal marks of a column stand in one display column") {
  const std::uint64_t seed = support::seed(64);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  const char* const forms[] = {"%.0f", "%.1f", "%.3f", "%.5f", "%g", "%.2e", "%.1f %%"};
  for (int round = 0; round < support::cases(500); ++round) {
    std::string data = "x\n";
    for (int i = random.below(12); i >= 0; --i) {
      char cell[64];
      std::snprintf(cell, sizeof cell, random.pick(forms),
                    static_cast<double>(random.below(2000000) - 1000000) / 1000.0);
      data += std::string(cell) + "\n";
    }
    // As text, so that every cell keeps the places it has.
    const Proof proof =
        proof_from(sheet_from("[[column]]\nfrom = \"x\"\nalign = \"point\"\n"), data);
    std::set<std::size_t> places;
    for (const ProofLine& line : proof.lines) {
      if (line.kind != LineKind::row) continue;
      const std::string body(before_point(line.text, "."));
      places.insert(columns_of(body));
      INFO(data << lines_of(proof));
      REQUIRE(places.size() == 1);
    }
  }
}

TEST_CASE("what is cut or wrapped is whole characters, and nothing is lost by wrapping") {
  const std::string words =
      "Zinkweiß 墨汁 e\u0301tude \U0001F469\u200D\U0001F52C 🖨\uFE0F press "
      "\U0001F1E9\U0001F1EA";
  for (int width = 1; width < 30; ++width) {
    for (const char* policy : {"cut", "wrap", "hashes"}) {
      const Sheet sheet = sheet_from(
          "rule = \"\"\noverflow = \"" + std::string(policy) +
          "\"\n[[column]]\nfrom = \"x\"\nheading = \"\"\nwidth = " + std::to_string(width));
      const Proof proof = proof_from(sheet, "x\n" + words + "\n");
      std::string joined;
      for (const ProofLine& line : proof.lines) {
        if (line.kind == LineKind::heading) continue;
        INFO(policy << " " << width << ": " << line.text);
        REQUIRE(is_utf8(line.text));
        // A character of two columns is wider than one.
        REQUIRE(columns_of(line.text) <= static_cast<std::size_t>(std::max(width, 2)));
        for (const char c : line.cells[0].body)
          joined += c == ' ' ? std::string() : std::string(1, c);
      }
      std::string all = words;
      all.erase(std::remove(all.begin(), all.end(), ' '), all.end());
      if (policy == std::string_view("wrap")) REQUIRE(joined == all);
    }
  }
}

// The quick way must be the exact way: the C library reads the number and rounds what is stored.
TEST_CASE("digits as typed are the digits of the stored number") {
  const std::uint64_t seed = support::seed(65);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  int quick = 0;
  for (int round = 0; round < support::cases(300000); ++round) {
    std::string cell = random.one_in(4) ? "-" : "";
    const int whole = 1 + random.below(9);
    for (int i = 0; i < whole; ++i)
      cell += static_cast<char>('0' + (random.one_in(3) ? 9 : random.below(10)));
    const int fraction = random.below(9);
    if (fraction > 0) cell += '.';
    for (int i = 0; i < fraction; ++i)
      cell += static_cast<char>('0' + random.pick({5, 9, 0, random.below(10)}));
    const auto places = static_cast<std::size_t>(random.below(7));
    QuickRoom room;
    const std::string_view digits = typed_fixed(cell, places, room);
    if (digits.data() == nullptr) continue;
    char expected[64];
    std::snprintf(expected, sizeof expected, "%.*f", static_cast<int>(places),
                  std::strtod(cell.c_str(), nullptr));
    INFO(cell << " to " << places);
    REQUIRE(digits == expected);
    ++quick;
  }
  CHECK(quick > support::cases(150000));
}

TEST_CASE("totals are exact, and groups end where their cell changes") {
  const std::uint64_t seed = support::seed(66);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  const Sheet sheet = sheet_from(R"(
group_by = "k"
subtotal_label = "="
[[column]]
from = "k"
[[column]]
from = "x"
kind = "real"
notation = "fixed"
places = 2
total = "sum"
subtotal = "sum"
[[column]]
from = "x"
heading = "n"
total = "count"
[[column]]
from = "x"
heading = "least"
total = "least"
)");
  for (int round = 0; round < support::cases(200); ++round) {
    std::string data = "k,x\n";
    std::int64_t total = 0;
    std::int64_t least = 0;
    int count = 0;
    std::vector<std::int64_t> groups;
    std::string before;
    const auto cents = [](std::int64_t amount) {
      char text[40];
      std::snprintf(text, sizeof text, "%s%lld.%02lld", amount < 0 ? "-" : "",
                    static_cast<long long>(std::llabs(amount) / 100),
                    static_cast<long long>(std::llabs(amount) % 100));
      return std::string(text);
    };
    for (int i = random.below(15); i >= 0; --i) {
      const std::string group = random.pick({"a", "b"});
      if (group != before) groups.push_back(0);
      before = group;
      if (random.one_in(6)) {
        data += group + ",much\n";
        continue;
      }
      const std::int64_t amount = static_cast<std::int64_t>(random.below(2000000)) - 1000000;
      data += group + "," + cents(amount) + "\n";
      groups.back() += amount;
      least = count == 0 ? amount : std::min(least, amount);
      total += amount;
      ++count;
    }
    const Proof proof = proof_from(sheet, data);
    INFO(data << lines_of(proof));
    std::size_t group = 0;
    for (const ProofLine& line : proof.lines) {
      if (line.kind == LineKind::subtotal) {
        // A group of nothing but words has no sum.
        if (!line.cells[1].body.empty()) REQUIRE(line.cells[1].body == cents(groups[group]));
        REQUIRE(line.cells[0].body == "=");
        ++group;
      }
      if (line.kind != LineKind::total) continue;
      REQUIRE(line.cells[2].body == std::to_string(count));
      if (count == 0) continue;
      REQUIRE(line.cells[1].body == cents(total));
      REQUIRE(std::strtod(line.cells[3].body.c_str(), nullptr) ==
              Approx(static_cast<double>(least) / 100));
    }
    REQUIRE(group == groups.size());
  }
}

TEST_CASE("the schema of sheets has every key, and every example of it is read") {
  std::ifstream file(INKY_SOURCE_DIR "/docs/sheet.schema.json");
  const nlohmann::json schema = nlohmann::json::parse(file);
  const auto in_toml = [](const nlohmann::json& value) { return value.dump(); };
  std::set<std::string> keys;
  const nlohmann::json& sheet_keys = schema["properties"];
  for (const auto& [key, fact] : sheet_keys.items()) {
    keys.insert(key);
    if (key == "column") continue;
    REQUIRE_FALSE(fact["examples"].empty());
    for (const nlohmann::json& example : fact["examples"]) {
      INFO(key << " = " << example);
      CHECK(read_sheet(key + " = " + in_toml(example) + "\n[[column]]\nfrom = \"x\"\n").ok());
    }
    CHECK_FALSE(read_sheet(key + " = 1979-05-27\n[[column]]\nfrom = \"x\"\n").ok());
  }
  for (const auto& [key, fact] : sheet_keys["column"]["items"]["properties"].items()) {
    for (const nlohmann::json& example : fact["examples"]) {
      INFO(key << " = " << example);
      std::string sheet = "[[column]]\n";
      if (key != "from") sheet += "from = \"x\"\n";
      if (key == "dialect")
        sheet += "spec = \"" + std::string(example == "c" ? "%s" : "{}") + "\"\n";
      if (key.starts_with("mark_")) sheet += "mark = \"*\"\n";
      if (key == "base" || key == "prefix" || key == "least_digits") sheet += "kind = \"whole\"\n";
      // Money is both of these.
      const bool is_of_money = key.starts_with("currency") || key == "locale";
      if (is_of_money && key != "currency") sheet += "currency = \"EUR\"\n";
      if (is_of_money && key != "locale") sheet += "locale = \"de-DE\"\n";
      if (key == "fill" && example == "0") sheet += "kind = \"real\"\n";
      const Result<Sheet> read = read_sheet(sheet + key + " = " + in_toml(example) + "\n");
      if (!read) FAIL_CHECK(read.error().message);
    }
  }
  // And what is not a key of it is none.
  for (const char* key : {"columns", "header", "from", "spec"})
    CHECK_FALSE(read_sheet(std::string(key) + " = \"x\"\n[[column]]\nfrom = \"x\"\n").ok());
  CHECK(keys.size() == 19);
}

TEST_CASE("sheets in words, and of data alone") {
  const std::string words[] = {"code width=5",
                               "\"Mass (g)\" kind=real notation=fixed places=1 heading=7"};
  const Result<Sheet> sheet = sheet_of(words);
  REQUIRE(sheet.ok());
  CHECK(sheet->columns[0].wish.width == 5);
  CHECK(sheet->columns[1].from == "Mass (g)");
  CHECK(sheet->columns[1].heading == "7");
  CHECK(sheet->columns[1].wish.places == 1);
  const std::pair<const char*, const char*> faults[] = {
      {"", "\"\" does not name a column"},
      {"code width", "\"width\" is not a key with its value"},
      {"code widht=3", "\"widht\" is not a key of a column"},
      {"code width=x", "width cannot be \"x\""},
      {"code x\ny=\"z\"", "\"x\\ny=z\" is not a key with its value"},
  };
  for (const auto& [text, message] : faults) {
    const std::string one[] = {text};
    const Result<Sheet> read = sheet_of(one);
    REQUIRE_FALSE(read.ok());
    CHECK(read.error().message == message);
  }
  const std::string settings[] = {"gap= | ", "overflow=cut", "rule==", "missing=0", "tab=4"};
  const Result<Sheet> set = with_settings(*sheet, settings);
  REQUIRE(set.ok());
  CHECK(set->gap == " | ");
  CHECK(set->rule == "=");
  CHECK(set->missing == "0");
  CHECK(set->overflow == Overflow::cut);
  CHECK(set->tab == 4);
  CHECK(set->columns.size() == 2);
  for (const char* bad : {"gap", "=3", "column=3", "gpa=1", "overflow=burst"}) {
    const std::string one[] = {bad};
    CHECK_FALSE(with_settings(*sheet, one).ok());
  }
  const Result<Table> table = read_csv("a,b,c\nx,1.5,\ny,10,\n");
  REQUIRE(table.ok());
  const Result<Proof> proof = make_proof(sheet_of(*table), *table);
  REQUIRE(proof.ok());
  CHECK(lines_of(*proof) == "a     b  c\n-  ----  -\nx   1.5  -\ny  10    -\n");
}

TEST_CASE("frames are straight, whatever stands in them") {
  const std::uint64_t seed = support::seed(67);
  INFO("seed " << seed);
  support::RandomSheets sheets(seed);
  for (int round = 0; round < support::cases(300); ++round) {
    const support::SheetAndData text = sheets.make();
    const Proof proof = proof_from(sheet_from(text.sheet), text.data);
    for (const Style style : {Style::boxed, Style::boxed_ascii, Style::markdown}) {
      const std::string drawn = styled(proof, style);
      INFO(text.sheet << text.data << drawn);
      std::set<std::size_t> widths;
      for (std::size_t from = 0; from < drawn.size();) {
        const std::size_t end = drawn.find('\n', from);
        widths.insert(columns_of(std::string_view(drawn).substr(from, end - from)));
        from = end + 1;
      }
      REQUIRE(widths.size() == 1);
    }
  }
}

TEST_CASE("tabs and colour codes, where the sheet keeps them") {
  const std::string data = "x,y\na\tb,\x1b[31mred\x1b[0m\nabc\td,plain\n";
  const Proof kept =
      proof_from(sheet_from("tab = 4\nkeep_colors = true\nrule = \"\"\n[[column]]\nfrom = \"x\"\n"
                            "[[column]]\nfrom = \"y\"\nalign = \"right\"\n"),
                 data);
  CHECK(lines_of(kept) == "x          y\na   b    \x1b[31mred\x1b[0m\nabc d  plain\n");
  const Proof shown = proof_from(
      sheet_from("rule = \"\"\n[[column]]\nfrom = \"x\"\n[[column]]\nfrom = \"y\"\n"), data);
  CHECK(lines_of(shown).find("a\\tb") != std::string::npos);
  CHECK(lines_of(shown).find('\x1b') == std::string::npos);
  // Any other sequence is shown.
  CHECK(shown_text(sheet_from("keep_colors = true\n[[column]]\nfrom = \"x\"\n"),
                   "\x1b[2J\x1b[1m") == "\\x1b[2J\x1b[1m");
}
