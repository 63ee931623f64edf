// Parts of tables, each alone: sums, names of columns, rows brought to the shape of their table.

#include <catch2/catch.hpp>

#include "distinct_names.hpp"
#include "inky_margin/sheet/sheet.hpp"
#include "row_shaper.hpp"
#include "summing.hpp"
#include "support/random_values.hpp"

using namespace inky;

namespace {

std::string summed(Summary summary, std::initializer_list<std::string_view> cells) {
  Summing out(summary);
  for (const std::string_view cell : cells) out.add(cell);
  return out.text();
}

// Thousandths as a decimal without zeros at the end.
std::string decimal_of(long long thousandths) {
  const bool negative = thousandths < 0;
  const auto size = static_cast<unsigned long long>(negative ? -thousandths : thousandths);
  std::string out = std::to_string(size / 1000);
  std::string places = std::to_string(size % 1000);
  places.insert(0, 3 - places.size(), '0');
  while (!places.empty() && places.back() == '0') places.pop_back();
  if (!places.empty()) out += "." + places;
  return (negative ? "-" : "") + out;
}

struct Shaped final : ShapedRows {
  std::vector<std::string> heading;
  std::vector<std::string> lines;
  std::vector<std::string> faults;
  std::size_t wanted = 100;

  void names(std::vector<std::string> names) override { heading = std::move(names); }
  bool row(std::size_t line, std::span<const std::optional<std::string_view>> cells) override {
    std::string text = std::to_string(line) + ":";
    for (const auto& cell : cells) text += cell ? " " + std::string(*cell) : " -";
    lines.push_back(text);
    return lines.size() < wanted;
  }
  void fault(RowFault fault) override {
    faults.push_back(std::to_string(fault.line) + " " + fault.message);
  }
};

using Cells = std::vector<std::optional<std::string_view>>;

}  // namespace

TEST_CASE("sums are of the numbers as they were typed, exactly") {
  const struct {
    Summary summary;
    std::initializer_list<std::string_view> cells;
    const char* text;
  } cases[] = {
      {Summary::sum, {"0.1", "0.2"}, "0.3"},
      {Summary::sum, {"0.1", "0.1", "0.1", "-0.3"}, "0"},
      {Summary::sum, {"1e20", "1", "-1e20"}, "1"},
      {Summary::sum, {"2.675", "ink", "", "1.005"}, "3.68"},
      {Summary::sum,
       {"1e-30", "1e30"},
       "1000000000000000000000000000000.000000000000000000000000000001"},
      {Summary::sum, {}, ""},
      {Summary::sum, {"ink"}, ""},
      {Summary::count, {"1", "2", "ink"}, "2"},
      {Summary::least, {"2", "-1.5", "10"}, "-1.5"},
      {Summary::most, {"2", "-1.5", "10"}, "10"},
      {Summary::most, {"-2", "-1.5"}, "-1.5"},
      {Summary::mean, {"1", "2"}, "1.5"},
      {Summary::mean, {"0.1", "0.2", "0.3"}, "0.2"},
      {Summary::none, {"1"}, ""},
  };
  for (const auto& one : cases) {
    CAPTURE(one.text);
    CHECK(summed(one.summary, one.cells) == one.text);
  }
}

TEST_CASE("sums: random thousandths add up as whole numbers do") {
  support::RandomValues random(20311);
  for (int round = 0; round < 300; ++round) {
    Summing sum(Summary::sum);
    Summing least(Summary::least);
    long long expected = 0;
    long long smallest = 0;
    const int count = 1 + static_cast<int>(random.below(40));
    for (int i = 0; i < count; ++i) {
      const long long value = static_cast<long long>(random.bits() % 4000000000ULL) - 2'000'000'000;
      const std::string cell = decimal_of(value);
      sum.add(cell);
      least.add(cell);
      expected += value;
      smallest = i == 0 ? value : std::min(smallest, value);
    }
    CHECK(sum.text() == decimal_of(expected));
    CHECK(least.text() == decimal_of(smallest));
    sum.clear();
    CHECK(sum.text().empty());
  }
}

TEST_CASE("names of columns: a later one gets its number") {
  DistinctNames names;
  for (const auto& [given, taken] :
       std::initializer_list<std::pair<const char*, const char*>>{{"mass", "mass"},
                                                                  {"lot", "lot"},
                                                                  {"mass", "mass (2)"},
                                                                  {"mass", "mass (3)"},
                                                                  {"mass (2)", "mass (2) (2)"},
                                                                  {"", ""},
                                                                  {"", " (2)"},
                                                                  {"lot (2)", "lot (2)"},
                                                                  {"lot", "lot (3)"}})
    CHECK(names.take(given) == taken);
}

TEST_CASE("rows are brought to the shape of their table, and what does not fit is a fault") {
  Shaped shaped;
  RowShaper shaper(shaped);
  CHECK(shaper.row(1, Cells{"code", "mass", "code"}));
  CHECK(shaped.heading.size() == 3);
  CHECK(shaped.heading[0] == "code");
  CHECK(shaped.heading[2] != "code");
  CHECK(shaped.faults.size() == 1);
  CHECK(shaper.row(2, Cells{"K-07", "2.5", "x"}));
  CHECK(shaper.row(3, Cells{"K-08"}));
  CHECK(shaper.row(4, Cells{"K-09", std::nullopt, "y", "more", "still more"}));
  CHECK(shaped.lines == std::vector<std::string>{"2: K-07 2.5 x", "3: K-08 - -", "4: K-09 - y"});
  REQUIRE(shaped.faults.size() == 3);
  CHECK(shaped.faults[1].starts_with("3 "));
  CHECK(shaped.faults[2].starts_with("4 "));
  // No more are wanted.
  shaped.wanted = 4;
  CHECK_FALSE(shaper.row(5, Cells{"K-10", "1", "z"}));
}
