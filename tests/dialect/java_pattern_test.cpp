// The dialect `java-pattern`: what OpenJDK 17 was seen to print at the edges and under each
// rounding, why a pattern fails and where, and its notes. The recordings have the rest.

#include <array>
#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& pattern = *find_dialect("java-pattern");
constexpr auto at_run = Outcome::Kind::fails_run;

}  // namespace

TEST_CASE("Java patterns: every rounding of ties and of what is no tie") {
  struct Row {
    const char* source;
    double number;
    std::array<const char*, 7> texts;  // in the order of all_roundings
  };
  // half-even, half-away, half-toward, up, down, away, toward
  const Row rows[] = {
      {"0.00", 0.125, {"0.12", "0.13", "0.12", "0.13", "0.12", "0.13", "0.12"}},
      {"0.00", 2.675, {"2.67", "2.67", "2.67", "2.68", "2.67", "2.68", "2.67"}},
      {"0.0", 1.45, {"1.4", "1.4", "1.4", "1.5", "1.4", "1.5", "1.4"}},
      {"0", 2.5, {"2", "3", "2", "3", "2", "3", "2"}},
      {"0.00", 0.375, {"0.38", "0.38", "0.37", "0.38", "0.37", "0.38", "0.37"}},
      {"0.00", -0.001, {"-0.00", "-0.00", "-0.00", "-0.00", "-0.01", "-0.01", "-0.00"}},
  };
  for (const Row& row : rows) {
    for (std::size_t i = 0; i < rounding_names.size(); ++i) {
      const Setting rounding{"rounding", rounding_names[i]};
      const RenderOptions options{{&rounding, 1}};
      INFO(row.source << " of " << row.number << ", " << rounding_names[i]);
      CHECK(support::answer(pattern, row.source, {Value::real(row.number)}, options).text ==
            row.texts[i]);
    }
  }
}

TEST_CASE("Java patterns: digits, affixes and exponents at their edges") {
  support::check_edges(pattern,
                       {
                           {"#,##0.00;(#)", {value("-1234.565")}, "(1,234.57)"},
                           {"##0.##E0", {value("12345.0")}, "12.345E3"},
                           {"00.##E0", {value("0.00123")}, "12.3E-4"},
                           {"%0.0", {value("0.125")}, "%12.5"},
                           {"0.##‰", {value("0.0125")}, "12.5‰"},
                           {"¤#,##0.00", {value("1e6")}, "¤1,000,000.00"},
                           {"#", {value("0.4")}, "0"},
                           {"#.##", {value("0.5")}, "0.5"},
                           {".##", {value("0.0")}, ".0"},
                           {"0.#'#'", {value("1.25")}, "1.2#"},
                           {"'o''clock' 0", {value("7.0")}, "o'clock 7"},
                           {"0.0x", {value("nan:f64")}, "NaN"},
                           {"0.0x", {value("-inf:f64")}, "-∞x"},
                           {"0.00", {value("1e23")}, "99999999999999990000000.00"},
                           {"0.0000000000", {value("0.1:f32")}, "0.1000000015"},
                           {"0", {value("K:char")}, "75"},
                           {"0", {value("123456789012345678901:big")}, "123456789012345678901"},
                           // A second pattern that is empty gives way to the first.
                           {"0.0 g;", {value("-1.5")}, "-1.5 g"},
                           // The first is read again, E and all, where there is no second.
                           {"00000.00#E00E", {value("-67.625")}, "67625.00E-03"},
                           {"", {value("1234567.0")}, "1,234,567"},
                       });
  support::check_plain(pattern, {{value("1234567.8915"), "1,234,567.891"}, {value("1e-5"), "0"}});
}

TEST_CASE("Java patterns: failures by name, and where") {
  support::check_failures(
      pattern,
      {
          {"0.00.0", {value("1")}, at_run, "IllegalArgumentException", "second point", {4, 5}},
          {"#0#0", {value("1")}, at_run, "IllegalArgumentException", "a 0 after a #", {3, 4}},
          {"%0%", {value("1")}, at_run, "IllegalArgumentException", "second percent", {2, 3}},
          {"ink;0", {value("1")}, at_run, "IllegalArgumentException", "before the digits", {3, 4}},
          {"0;0;0", {value("1")}, at_run, "IllegalArgumentException", "second semicolon", {3, 4}},
          {"0'ink", {value("1")}, at_run, "IllegalArgumentException", "closing quote", {1, 5}},
          {"0E", {value("1")}, at_run, "IllegalArgumentException", "an exponent needs", {1, 2}},
          {"0,.0", {value("1")}, at_run, "IllegalArgumentException", "no sense", {0, 4}},
          {"0.0", {value("ink")}, at_run, "IllegalArgumentException", "no number", {0, 3}},
          {"0.0", {value("nil:nil")}, at_run, "IllegalArgumentException", "no number", {0, 3}},
          {"0.0", {}, Outcome::Kind::fails_compile, "no suitable method found", "needs", {0, 3}},
          {"\\q0",
           {value("1")},
           Outcome::Kind::fails_compile,
           "illegal escape character",
           "",
           {0, 2}},
      });
}

TEST_CASE("Java patterns: what is noted") {
  support::check_notes(pattern, {
                                    {"0.00", {value("2.675")}, "stored-off-tie"},
                                    {"0.00", {value("0.125")}, "exact-tie"},
                                    {"0.0", {value("0.1:f32")}, "type-converted"},
                                    {"0", {value("K:char")}, "type-converted"},
                                    {"0", {value("1"), value("2")}, "too-many-values"},
                                });
  // UP looks at Java's digits: 0.1 stays, though more than that is stored.
  const Setting away{"rounding", "away"};
  const RenderOptions up{{&away, 1}};
  CHECK(support::answer(pattern, "0.0", {value("0.1")}, up).codes == "decimal-rounded");
  CHECK(support::answer(pattern, "0.0", {value("0.11")}, up).codes.empty());
  // Less than a tenth of the last place is lost.
  CHECK(support::answer(pattern, "0.00", {value("0.0001")}, up).text == "0.00");
  CHECK(support::answer(pattern, "0.00", {value("0.0001")}, up).codes == "decimal-rounded");
}

// Zeros after the point round as C does, since both judge what is stored.
TEST_CASE("Java patterns: places print what C prints") {
  const Dialect& c = *find_dialect("c");
  const std::uint64_t seed = support::seed(1997);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    const int places = 1 + random.below(8);
    const Value number = Value::real(static_cast<double>(random.below(2'000'001) - 1'000'000) / 64);
    const std::string source = "0." + std::string(static_cast<std::size_t>(places), '0');
    INFO(source << " of " << describe(number));
    TextBuffer expected;
    TextBuffer got;
    REQUIRE(
        c.render(*c.parse("%." + std::to_string(places) + "f"), {&number, 1}, expected).prints());
    REQUIRE(pattern.render(*pattern.parse(source), {&number, 1}, got).prints());
    REQUIRE(got.view() == expected.view());
  }
}
