// The dialect `javascript`: what Node.js 20 was seen to print at the edges, why it fails and where,
// what is not supported yet, and its notes. The recordings have the rest.

#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"
#include "text/lower_case.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& javascript = *find_dialect("javascript");
constexpr auto at_compile = Outcome::Kind::fails_compile;
constexpr auto at_run = Outcome::Kind::fails_run;

}  // namespace

TEST_CASE("JavaScript: numbers and their methods at the edges") {
  support::check_edges(
      javascript,
      {
          {"`${x.toFixed(2).padStart(9)}|${y}`", {value("2.675"), value("7")}, "     2.67|7"},
          {"${x.toFixed(2)} ${y.toFixed(0)}", {value("0.125"), value("2.5")}, "0.13 3"},
          {"${x.toFixed(2)} ${y}", {value("-0.001"), value("-0.0")}, "-0.00 0"},
          {"${x.toFixed(1)}", {value("1e23")}, "1e+23"},
          {"${x} ${y} ${z}",
           {value("1e21"), value("1e-7"), value("0.000001")},
           "1e+21 1e-7 0.000001"},
          {"${(0.1 + 0.2).toFixed(20)} ${0.1 + 0.2}",
           {},
           "0.30000000000000004441 0.30000000000000004"},
          {"${x.toString(16)} ${y.toString(3)} ${z.toString(2)}",
           {value("255.5"), value("0.1"), value("-255")},
           "ff.8 0.0022002200220022002200220022002201 -11111111"},
          {"${x.toLocaleString(\"en-US\")} ${x.toLocaleString(\"en-US\", {maximumFractionDigits: "
           "2})}",
           {value("1.0005")},
           "1.001 1"},
          {"${x.toLocaleString('es-ES')} ${x.toLocaleString('en-IN')}",
           {value("1234.5")},
           "1234,5 1,234.5"},
          {"${x.toLocaleString('en-US', {style: 'percent'})}", {value("-0.256")}, "-26%"},
          {"${x.toPrecision()} ${x.toExponential()} ${x.toPrecision(1)}",
           {value("1234.5")},
           "1234.5 1.2345e+3 1e+3"},
          {"${x} ${x.toString(16)}", {value("255:big")}, "255 ff"},
      });
}

TEST_CASE("JavaScript: what stands in a slot besides") {
  support::check_edges(
      javascript,
      {
          {"${[1, [2, null], undefined, {a: 1}]}", {}, "1,2,,,[object Object]"},
          {"${x} ${y} ${z}",
           {value("[1.5, \"x\"]"), value("nil:nil"), value("true:truth")},
           "1.5,x null true"},
          {"${+'0x1F'} ${+' 12 '} ${+'1_000'} ${Number('')} ${Number([5])} ${-'3'}",
           {},
           "31 12 NaN 0 5 -3"},
          {"${'3' * '4'} ${'3' + 4} ${[1] + 2} ${null + 1} ${true + 1} ${undefined + 1}",
           {},
           "12 34 12 1 2 NaN"},
          {"${b}${a}", {value("a=1"), value("b=2")}, "21"},
          {"${row.mass} ${row['lot']} ${list[1]} ${list.length} ${list[9]}",
           {value("row={mass: 12.5, lot: 7}"), value("list=[1, 2]")},
           "12.5 7 2 2 undefined"},
          {"${`<${x}>`}${'ink'.toUpperCase().padEnd(5, '*-')}|", {value("1")}, "<1>INK*-|"},
          {"${Math.round(x)} ${Math.round(y)} ${Math.trunc(y)}",
           {value("2.5"), value("-2.5")},
           "3 -2 -2"},
          {"\\`\\${x}\\u{3a9}\\q\\\n|", {}, "`${x}Ωq|"},
          {"${'ΟΔΟΣ'.toLowerCase()}", {}, "οδος"},
          {"$ { } $x {x}", {}, "$ { } $x {x}"},
      });
  support::check_plain(javascript, {{value("1e21"), "1e+21"}, {value("nil:nil"), "null"}});
}

TEST_CASE("JavaScript: failures by name, and where") {
  support::check_failures(
      javascript,
      {
          {"${x.toFixed(101)}", {value("1")}, at_run, "RangeError", "between 0 and 100", {2, 16}},
          {"${x.toPrecision(0)}", {value("1")}, at_run, "RangeError", "between 1 and 100", {2, 18}},
          {"${x.toString(37)}", {value("1")}, at_run, "RangeError", "radix", {2, 16}},
          {"${x.padStart(3)}", {value("1")}, at_run, "TypeError", "not a function", {2, 12}},
          {"${x.y}", {value("nil:nil")}, at_run, "TypeError", "of null (reading 'y')", {2, 5}},
          {"a ${mass}", {}, at_run, "ReferenceError", "mass is not defined", {4, 8}},
          {"${x + 1}", {value("1:big")}, at_run, "TypeError", "mix BigInt", {2, 7}},
          {"${x.toLocaleString('en-US', {minimumFractionDigits: 5, maximumFractionDigits: 2})}",
           {value("1")},
           at_run,
           "RangeError",
           "out of range",
           {2, 81}},
          {"${}", {}, at_compile, "SyntaxError", "expected", {2, 3}},
          {"${x", {value("1")}, at_compile, "SyntaxError", "no closing brace", {0, 2}},
          {"`ink", {}, at_compile, "SyntaxError", "closing backtick", {0, 1}},
          {"a`b", {}, at_compile, "SyntaxError", "ends the literal", {1, 2}},
          {"\\1", {}, at_compile, "SyntaxError", "no such escape", {0, 2}},
          {"${5.toFixed(2)}", {}, at_compile, "SyntaxError", "(5).toFixed(2)", {2, 4}},
          {"${'ink}", {}, at_compile, "SyntaxError", "closing ' is missing", {2, 7}},
      });
  for (const char* source : {"${x++}", "${new Date()}", "${/a/v}", "${x.toFixed}", "${f`a`}",
                             "${x.toLocaleString('gd')}", "${class {}}", "${Math.random()}"}) {
    INFO(source);
    const support::Answer got = support::answer(javascript, source, {value("x=1")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
    CHECK_FALSE(got.outcome.as_error().remedy.empty());
  }
  // A slot may not make more text than an output holds.
  std::string many = "${[";
  for (int i = 0; i < 40; ++i) many += "'a'.padStart(1000000),";
  CHECK(support::answer(javascript, many + "]}", {}, {}).outcome.kind() == Outcome::Kind::error);
  std::string deep = "${";
  for (int i = 0; i < 5000; ++i) deep += "(";
  CHECK(support::answer(javascript, deep, {}, {}).outcome.kind() == Outcome::Kind::error);
}

TEST_CASE("JavaScript: what is noted") {
  support::check_notes(javascript,
                       {
                           {"${x.toFixed(2)}", {value("2.675")}, "stored-off-tie"},
                           {"${x.toFixed(2)}", {value("2.674")}, ""},
                           {"${x.toLocaleString()}", {value("1")}, "implementation-defined"},
                           {"${x.toLocaleString('en-US')}", {value("1.0005")}, "decimal-rounded"},
                           {"${x}", {value("12345678901234567")}, "type-converted"},
                           {"${x}", {value("0.1:f128")}, "type-converted"},
                           {"ink", {value("1")}, "too-many-values"},
                           {"${x.padStart(9)}", {value("墨")}, "width-counts-otherwise"},
                       });
}

// Far from a tie, toFixed and toExponential are the C library's own.
TEST_CASE("JavaScript: places print what the C library prints") {
  const std::uint64_t seed = support::seed(262);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    const double number = (random.below(2'000'001) - 1'000'000) * 3 / 7.0 + 1 / 3.0;
    const int places = random.below(15);
    char expected[400];
    std::snprintf(expected, sizeof expected, "%.*f", places, number);
    const std::string source = "${x.toFixed(" + std::to_string(places) + ")}";
    INFO(source << " of " << number);
    REQUIRE(support::answer(javascript, source, {Value::real(number)}, {}).text == expected);
    // And what it prints by itself reads back.
    const std::string shown = support::answer(javascript, "${x}", {Value::real(number)}, {}).text;
    REQUIRE(std::strtod(shown.c_str(), nullptr) == number);
  }
}

TEST_CASE("lower case, and a sigma at the end of a word") {
  struct Row {
    const char* text;
    const char* lower;
  };
  for (const Row& row :
       {Row{"ÉTUDE Ω", "étude ω"}, Row{"ΟΔΟΣ", "οδος"}, Row{"ΣΑΣ ΣΑ", "σας σα"}, Row{"Σ", "σ"},
        Row{"ΑΣ'Α", "ασ'α"}, Row{"İ", "i̇"}, Row{"墨 K-07", "墨 k-07"}})
    CHECK(lower_case(row.text) == row.lower);
}
