// What recordings of `rust` cannot decide: why it fails and where, notes, and what std::fmt
// promises. What it prints is replayed from recordings, and asked again of rustc, by the tests of
// the tool.

#include <array>
#include <catch2/catch.hpp>
#include <cstdio>
#include <cstdlib>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& rust = *find_dialect("rust");
constexpr auto at_compile = Outcome::Kind::fails_compile;

std::string printed(const std::string& source, const std::vector<Value>& values) {
  const support::Answer got = support::answer(rust, source, values, {});
  INFO(source);
  REQUIRE(got.outcome.prints());
  return got.text;
}

}  // namespace

// Written by asking rustc 1.95, one by one: the cases a reader would look for first.
TEST_CASE("the edges of format!, as Rust prints them") {
  support::check_edges(rust,
                       {
                           {"{:05}", {value("-42")}, "-0042"},
                           {"{:<05}|", {value("-42")}, "-0042|"},
                           {"{:^+8}|", {value("42")}, "  +42   |"},
                           {"{:*^9}", {Value::text("ink")}, "***ink***"},
                           {"{:墨>6}", {value("7")}, "墨墨墨墨墨7"},
                           {"{:05}|", {Value::text("ab")}, "ab   |"},
                           {"{:.2}|", {Value::text("墨汁店")}, "墨汁|"},
                           {"{:6.2}|", {Value::text("墨汁店")}, "墨汁    |"},
                           {"{:x}", {value("-1:i8")}, "ff"},
                           {"{:#x}", {value("255")}, "0xff"},
                           {"{:#010b}", {value("5")}, "0b00000101"},
                           {"{:#o}", {value("0")}, "0o0"},
                           {"{:X}", {value("-255:i16")}, "FF01"},
                           {"{:b}",
                            {value("-1:i128")},
                            "1111111111111111111111111111111111111111111111111111111111111111111111"
                            "1111111111111111111111111111111111111111111111111111111111"},
                           {"{:e}", {value("1200")}, "1.2e3"},
                           {"{:.2e}", {value("12345")}, "1.23e4"},
                           {"{:.1e}", {value("-12500")}, "-1.2e4"},
                           {"{:E}", {value("0")}, "0E0"},
                           {"{:e}", {value("0.00015")}, "1.5e-4"},
                           {"{:.3e}", {value("2.5")}, "2.500e0"},
                           {"{:+e}", {value("1e300")}, "+1e300"},
                           {"{}", {value("1e16")}, "10000000000000000"},
                           {"{:?}", {value("1e16")}, "1e16"},
                           {"{:?}", {value("1e-5")}, "1e-5"},
                           {"{:?}", {value("0.0001")}, "0.0001"},
                           {"{}", {value("1e-7")}, "0.0000001"},
                           {"{:?}", {value("1.0")}, "1.0"},
                           {"{}", {value("1.0")}, "1"},
                           {"{:.1?}", {value("0.25")}, "0.2"},
                           {"{}", {value("0.1:f32")}, "0.1"},
                           {"{}", {value("33.2890625:f32")}, "33.289063"},
                           {"{}", {value("-0.0")}, "-0"},
                           {"{:+}", {value("-0.0")}, "-0"},
                           {"{:.0}", {value("2.5")}, "2"},
                           {"{:.2}", {value("2.675")}, "2.67"},
                           {"{:06.1}", {value("-2.25")}, "-002.2"},
                           {"{:5}|", {value("inf:f64")}, "  inf|"},
                           {"{:05}", {value("-inf:f64")}, "-0inf"},
                           {"{:+}", {value("nan:f64")}, "NaN"},
                           {"{:05}", {value("nan:f64")}, "00NaN"},
                           {"{:E}", {value("inf:f64")}, "inf"},
                           {"{:?}", {Value::text("say \"ink\"\n")}, "\"say \\\"ink\\\"\\n\""},
                           {"{:?}", {value("'Ω':char")}, "'Ω'"},
                           {"{:5}|", {value("'Ω':char")}, "Ω    |"},
                           {"{:5?}|", {value("true:truth")}, "true |"},
                           {"{:.2}|", {value("true:truth")}, "tr|"},
                           {"{:?}", {value("nil:nil")}, "None"},
                           {"{:?}", {value("[1, 2]")}, "[1, 2]"},
                           {"{:3?}", {value("[1, 2]")}, "[  1,   2]"},
                           {"{:#?}", {value("[1, 2]")}, "[\n    1,\n    2,\n]"},
                           {"{:#x?}", {value("[10, 255]")}, "[\n    0xa,\n    0xff,\n]"},
                           {"{:02X?}", {value("[10, 255]")}, "[0A, FF]"},
                           {"{:?}", {value("(1, 2.5)")}, "(1, 2.5)"},
                           {"{:?}", {value("(1,)")}, "(1,)"},
                           {"{:?}", {value("()")}, "()"},
                           {"{:5?}|", {value("()")}, "()   |"},
                           {"{:#?}", {value("(1, \"a\")")}, "(\n    1,\n    \"a\",\n)"},
                           {"{:.1?}", {value("[0.25, 0.75]")}, "[0.2, 0.8]"},
                           {"{0:1$}|{0:<1$}|", {value("7"), value("4")}, "   7|7   |"},
                           {"{:.*}|", {value("1"), value("2.55")}, "2.5|"},
                           {"{:>1$.2$}|", {value("2.675"), value("7"), value("1")}, "    2.7|"},
                           {"{{{}}}", {value("1")}, "{1}"},
                           {"{:?}{0}", {value("1")}, "11"},
                           {"\\u{3a9}\\x41{}", {value("1")}, "ΩA1"},
                           {"{0 }", {value("1")}, "1"},
                           {"{:\\x7d>4}", {value("1")}, "}}}1"},
                           {"{}",
                            {value("340282366920938463463374607431768211455:u128")},
                            "340282366920938463463374607431768211455"},
                           {"{:e}",
                            {value("340282366920938463463374607431768211455:u128")},
                            "3.40282366920938463463374607431768211455e38"},
                       });
}

TEST_CASE("values take the place of arguments and of variables") {
  const std::vector<Value> values = {value("mass=2.675"), value("w=9"), value("p=1")};
  CHECK(printed("{mass:>w$.p$}|{mass:?}", values) == "      2.7|2.675");
  CHECK(printed("{name:?}", {value("name={mass: 12.5, lot: \"K\"}")}) ==
        "Record { mass: 12.5, lot: \"K\" }");
  CHECK(printed("{b:#?}", {value("b={mass: [1, 2], lot: ()}")}) ==
        "Record {\n    mass: [\n        1,\n        2,\n    ],\n    lot: (),\n}");
}

TEST_CASE("Rust refuses when it compiles, by the code of its error") {
  support::check_failures(
      rust,
      {
          {"{", {}, at_compile, "error", "expected `}` but string was terminated", {0, 1}},
          {"a } b", {}, at_compile, "error", "unmatched `}` found", {2, 3}},
          {"{ 0}", {value("1")}, at_compile, "error", "expected `}`", {0, 2}},
          {"{:y}", {value("1")}, at_compile, "error", "unknown format trait `y`", {0, 3}},
          {"{a.b}", {value("a=1")}, at_compile, "error", "field access isn't supported", {0, 2}},
          {"{_}", {value("1")}, at_compile, "error", "invalid argument name `_`", {0, 2}},
          {"{r#in}",
           {value("1")},
           at_compile,
           "error",
           "raw identifiers are not supported",
           {0, 2}},
          {"{:70000}",
           {value("1")},
           at_compile,
           "error",
           "does not fit into the type `u16`",
           {0, 7}},
          {"{:+-}", {value("1")}, at_compile, "error", "expected `}`", {0, 3}},
          {"{} {}",
           {value("1")},
           at_compile,
           "error",
           "invalid reference to positional argument 1",
           {3, 5}},
          {"{7}", {value("1")}, at_compile, "error", "there is 1 argument", {0, 3}},
          {"{}",
           {value("1"), value("2")},
           at_compile,
           "error",
           "argument never used: value 2",
           {0, 2}},
          {"{:.*}", {value("1")}, at_compile, "error", "invalid reference", {0, 5}},
          {"\\q{}", {value("1")}, at_compile, "error", "no such escape", {0, 2}},
          {"\\x80{}", {value("1")}, at_compile, "error", "no such escape", {0, 2}},
          {"{nope}", {value("mass=1")}, at_compile, "E0425", "cannot find value `nope`", {0, 6}},
          {"{:nope$}", {value("1")}, at_compile, "E0425", "cannot find value `nope`", {0, 8}},
          {"{:1$}", {value("1"), value("2.5")}, at_compile, "E0308", "a count is a usize", {0, 5}},
          {"{:1$}", {value("1"), value("2:u8")}, at_compile, "E0308", "a count is a usize", {0, 5}},
          {"{:1$}", {value("1"), value("-2")}, at_compile, "E0277", "usize: Neg", {0, 5}},
          {"{:x}", {value("1.5")}, at_compile, "E0277", "no such format", {0, 4}},
          {"{}", {value("[1]")}, at_compile, "E0277", "no such format", {0, 2}},
          {"{}", {value("nil:nil")}, at_compile, "E0277", "no such format", {0, 2}},
          {"{:e}", {value("ink")}, at_compile, "E0277", "no such format", {0, 4}},
          {"{:1$}",
           {value("1"), value("70000")},
           Outcome::Kind::fails_run,
           "panic",
           "out of range",
           {0, 5}},
          {"{:p}", {value("ink")}, Outcome::Kind::undefined, "", "an address", {0, 4}},
      });
}

TEST_CASE("values that Rust cannot hold say so") {
  for (const char* given : {"1:big", "1.5:f16", "1.5:f80", "1+2i:complex", "2031-05-09:moment",
                            "[1, \"x\"]", "[1, nil]"}) {
    INFO(given);
    const support::Answer got = support::answer(rust, "{:?}", {value(given)}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
}

TEST_CASE("what surprises is noted, in Rust too") {
  support::check_notes(rust, {
                                 {"{:.2}", {value("2.675")}, "stored-off-tie"},
                                 {"{:.0}", {value("2.5")}, "exact-tie"},
                                 {"{}", {value("2.675")}, ""},
                                 {"{:05}", {value("ink")}, "flag-without-effect"},
                                 {"{:.2}", {value("5")}, "flag-without-effect"},
                                 {"{:.2}", {value("ink")}, "text-cut"},
                                 {"\"{}\"", {value("1")}, "quotes-in-template"},
                             });
}

TEST_CASE("Rust's fixed places are the C library's, its exponents bare") {
  const std::uint64_t seed = support::seed(1995);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(60'000); ++i) {
    const double number = random.real();
    const int places = random.below(20);
    std::array<char, 512> expected{};
    std::snprintf(expected.data(), expected.size(), "%.*f", places, number);
    const std::string precision = std::to_string(places);
    INFO(precision << " places of " << number);
    REQUIRE(printed("{:." + precision + "}", {Value::real(number)}) == expected.data());
    REQUIRE(printed("{:." + precision + "?}", {Value::real(number)}) == expected.data());
    std::snprintf(expected.data(), expected.size(), "%.*e", places, number);
    std::string scientific = expected.data();
    const std::size_t exponent = scientific.find('e') + 1;
    const int value = std::stoi(scientific.substr(exponent));
    scientific.replace(exponent, std::string::npos, std::to_string(value));
    REQUIRE(printed("{:." + precision + "e}", {Value::real(number)}) == scientific);
    // The shortest digits read back as the same number.
    REQUIRE(std::strtod(printed("{:?}", {Value::real(number)}).c_str(), nullptr) == number);
  }
}

TEST_CASE("the bits of a whole number, in Rust, are those of its type") {
  support::RandomValues random(support::seed(88));
  for (int i = 0; i < support::cases(20'000); ++i) {
    const auto number = static_cast<std::int64_t>(random.whole());
    const Value whole = Value::whole(Type::i64, number);
    std::array<char, 64> expected{};
    std::snprintf(expected.data(), expected.size(), "%lx", static_cast<unsigned long>(number));
    REQUIRE(printed("{:x}", {whole}) == expected.data());
    REQUIRE(printed("{:x?}", {whole}) == expected.data());
    std::snprintf(expected.data(), expected.size(), "%lo", static_cast<unsigned long>(number));
    REQUIRE(printed("{:o}", {whole}) == expected.data());
    std::snprintf(expected.data(), expected.size(), "%+030ld", static_cast<long>(number));
    REQUIRE(printed("{:+030}", {whole}) == expected.data());
    // Every digit, as a real in scientific notation.
    const std::string digits = printed("{:e}", {whole});
    if (number != 0 && number > -(1LL << 52) && number < (1LL << 52))
      REQUIRE(std::stod(digits) == static_cast<double>(number));
  }
}
