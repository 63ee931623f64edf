// What recordings of `fsharp` cannot decide: why it fails and where, notes, limits; and the
// cases a reader would look for first. What it prints is replayed from recordings, and asked again
// of the runtime itself, by the tests of the tool.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& fsharp = *find_dialect("fsharp");

}  // namespace

// Written by asking .NET SDK 10.0.401, one by one.
TEST_CASE("the edges of each conversion, as F# prints them") {
  support::check_edges(
      fsharp, {
                  {"%.2f", {value("0.125")}, "0.12"},
                  {"% .0G", {value("-0.0")}, " -0"},
                  {"%-+8.0G|", {value("-0.0")}, "+-0     |"},
                  {"%.0A", {value("nil:nil")}, "..."},
                  {"%.0A", {value("[1, 2]")}, "..."},
                  {"%.*A", {value("-1"), value("5")}, "..."},
                  {"%.2f", {value("2.675")}, "2.67"},
                  {"%.1f", {value("1.45")}, "1.4"},
                  {"%.0f", {value("2.5")}, "2"},
                  {"%.1f", {value("1e23")}, "99999999999999991611392.0"},
                  {"%e", {value("12345.678")}, "1.234568e+004"},
                  {"%E", {value("1e-300")}, "1.000000E-300"},
                  {"%.0e", {value("2.5")}, "2e+000"},
                  {"%g", {value("0.0001")}, "0.0001"},
                  {"%g", {value("0.00001")}, "1e-05"},
                  {"%g", {value("1e6")}, "1e+06"},
                  {"%.0g", {value("2.5")}, "2.5"},
                  {"%.0g", {value("1e23")}, "1e+23"},
                  {"%.20g", {value("0.1")}, "0.10000000000000000555"},
                  {"%g", {value("-0.0")}, "-0"},
                  {"%f", {value("-0.0")}, "-0.000000"},
                  {"%+f", {value("-0.0")}, "+-0.000000"},
                  {"% g", {value("-0.0")}, " -0"},
                  {"%.2f", {value("-0.001")}, "-0.00"},
                  {"%f", {value("nan:f64")}, "NaN"},
                  {"%+012f|", {value("inf:f64")}, "    Infinity|"},
                  {"%-12e|", {value("-inf:f64")}, "-Infinity   |"},
                  {"%08.2f", {value("-1.5")}, "-0001.50"},
                  {"%-08.2f|", {value("1.5")}, "1.500000|"},
                  {"%-08g|", {value("1.5")}, "1.500000|"},
                  {"%-08g|", {value("2.0")}, "2       |"},
                  {"%-05d|", {value("42")}, "42   |"},
                  {"%012e", {value("1.5")}, "1.500000e+000"},
                  {"%f", {value("0.1:f32")}, "0.100000"},
                  {"%.10f", {value("0.1:f32")}, "0.1000000015"},
                  {"%O", {value("0.1:f32")}, "0.1"},
                  {"%A", {value("0.1:f32")}, "0.1000000015f"},
                  {"%d", {value("-5")}, "-5"},
                  {"%u", {value("-5")}, "4294967291"},
                  {"%u", {value("-1:i8")}, "255"},
                  {"%x", {value("-5")}, "fffffffb"},
                  {"%x", {value("-5:i8")}, "fb"},
                  {"%X", {value("255")}, "FF"},
                  {"%o", {value("8")}, "10"},
                  {"%B", {value("5")}, "101"},
                  {"%B", {value("-2:i8")}, "11111110"},
                  {"%05d", {value("-42")}, "-0042"},
                  {"%+d", {value("42")}, "+42"},
                  {"% 05d", {value("42")}, " 0042"},
                  {"%+x", {value("255")}, "+ff"},
                  {"%08x", {value("255")}, "000000ff"},
                  {"%s", {value("ink")}, "ink"},
                  {"%5s|", {value("🖨")}, "   🖨|"},
                  {"%-5s|", {value("墨")}, "墨    |"},
                  {"%s|", {value("nil:nil")}, "|"},
                  {"%5c|", {value("'K':char")}, "    K|"},
                  {"%b", {value("true:truth")}, "true"},
                  {"%8b|", {value("false:truth")}, "   false|"},
                  {"%O", {value("1.5")}, "1.5"},
                  {"%O", {value("1e16")}, "10000000000000000"},
                  {"%O", {value("1e17")}, "1E+17"},
                  {"%O", {value("0.00001")}, "1E-05"},
                  {"%O", {value("100.0")}, "100"},
                  {"%O", {value("nan:f64")}, "NaN"},
                  {"%O", {value("true:truth")}, "True"},
                  {"%O", {value("nil:nil")}, "<null>"},
                  {"%-6O|", {value("5")}, "5     |"},
                  {"%O", {value("[1, 2, 3, 4]")}, "[1; 2; 3; ... ]"},
                  {"%O", {value("123:big")}, "123"},
                  {"%A", {value("1.5")}, "1.5"},
                  {"%A", {value("1.0")}, "1.0"},
                  {"%A", {value("1e10")}, "1e+10"},
                  {"%A", {value("0.30000000000000004")}, "0.3"},
                  {"%A", {value("inf:f64")}, "infinity"},
                  {"%A", {value("5:i64")}, "5L"},
                  {"%A", {value("5:u8")}, "5uy"},
                  {"%A", {value("ink")}, "\"ink\""},
                  {"%A", {value("'K':char")}, "'K'"},
                  {"%A", {value("true:truth")}, "true"},
                  {"%A", {value("nil:nil")}, "<null>"},
                  {"%A", {value("[1, 2, 3, 4]")}, "[1; 2; 3; 4]"},
                  {"%0A", {value("[\"a\", \"b\"]")}, "[\"a\"; \"b\"]"},
                  {"%A", {value("[]")}, "[]"},
                  {"%*d|%-*d|", {value("5"), value("42"), value("5"), value("42")}, "   42|42   |"},
                  {"%*.*f|", {value("8"), value("2"), value("3.14159")}, "    3.14|"},
                  {"%%|%d%%", {value("5")}, "%|5%"},
                  {"\\065\\x41\\u03a9\\q\\uD83D\\uDDA8", {}, "AAΩ\\q🖨"},
              });
}

TEST_CASE("the compiler of F# refuses templates and values by number") {
  constexpr auto compile = Outcome::Kind::fails_compile;
  support::check_failures(
      fsharp,
      {
          {"a %d",
           {value("2.5")},
           compile,
           "FS0001",
           "\"float\" is not compatible with byte, int16",
           {2, 4}},
          {"%f", {value("5")}, compile, "FS0001", "\"int\" is not compatible with float", {0, 2}},
          {"%s", {value("5")}, compile, "FS0001", "\"int\" is not compatible with string", {0, 2}},
          {"%c",
           {value("ink")},
           compile,
           "FS0001",
           "\"string\" is not compatible with char",
           {0, 2}},
          {"%c",
           {value("'🖨':char")},
           compile,
           "FS0001",
           "\"string\" is not compatible with char",
           {0, 2}},
          {"%b", {value("5")}, compile, "FS0001", "not compatible with bool", {0, 2}},
          {"%x", {value("5:big")}, compile, "FS0001", "\"bigint\" is not compatible", {0, 2}},
          {"%d", {value("nil:nil")}, compile, "FS0071", "does not have null", {0, 2}},
          {"%b", {value("nil:nil")}, compile, "FS0043", "does not have null", {0, 2}},
          {"%1$%", {}, Outcome::Kind::fails_run, "ArgumentException", "no position", {0, 4}},
          {"%1$%%d", {value("2.5")}, compile, "FS0001", "float", {4, 6}},
          {"%1$%%y", {}, compile, "FS0741", "bad format specifier", {4, 6}},
          {"%M", {value("2.5")}, compile, "FS0001", "decimal", {0, 2}},
          {"%*d", {value("2.5"), value("5")}, compile, "FS0001", "not compatible with int", {0, 3}},
          {"%d %d", {value("1")}, compile, "FS0001", "is given no value", {3, 5}},
          {"%d", {value("1"), value("2")}, compile, "FS0001", "and more are given", {0, 2}},
          // A template that cannot be read is refused whatever the values are.
          {"%d %y", {value("2.5")}, compile, "FS0741", "bad format specifier", {3, 5}},
          {"a%", {}, compile, "FS0741", "missing format specifier", {1, 2}},
          {"%#x", {value("5")}, compile, "FS0741", "# formatting modifier", {0, 2}},
          {"%.2d", {value("5")}, compile, "FS0741", "does not support a precision", {0, 4}},
          {"%.f", {value("5.5")}, compile, "FS0741", "precision missing", {0, 3}},
          {"%05s", {value("ink")}, compile, "FS0741", "does not support the flag", {0, 4}},
          {"%+ d", {value("5")}, compile, "FS0741", "set twice", {0, 4}},
          {"%--5d", {value("5")}, compile, "FS0741", "set twice", {0, 5}},
          {"%1$d", {value("5")}, compile, "FS0741", "positional specifiers", {0, 4}},
          {"%*d",
           {value("-5"), value("5")},
           Outcome::Kind::fails_run,
           "ArgumentOutOfRangeException",
           "non-negative",
           {0, 3}},
      });
  for (const char* source : {"%a", "\\uD83D", "%\\065"}) {
    INFO(source);
    const support::Answer got = support::answer(fsharp, source, {value("1")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
  std::vector<Value> many(40, value("1234"));
  const support::Answer broken = support::answer(fsharp, "%A", {Value::list(std::move(many))}, {});
  REQUIRE(broken.outcome.kind() == Outcome::Kind::error);
  CHECK(broken.outcome.as_error().code == Code::not_supported_yet);
}

TEST_CASE("notes of F# teach where people go wrong") {
  support::check_notes(fsharp, {
                                   {"%.2f", {value("2.675")}, "stored-off-tie"},
                                   {"%.2f", {value("0.125")}, "exact-tie"},
                                   {"%u", {value("-7")}, "bits-reinterpreted"},
                                   {"%f", {value("1.5:f80")}, "type-converted"},
                                   {"%O", {value("7:i128")}, "type-converted"},
                                   {"%-05d", {value("7")}, "flag-overridden"},
                                   {"%6s", {value("墨")}, "width-counts-otherwise"},
                                   {"\\q", {}, "unknown-escape"},
                                   {"\\400", {}, "implementation-defined"},
                                   {"\"%d\"", {value("7")}, "quotes-in-template"},
                               });
}

TEST_CASE("the string of a value, as F# has it") {
  support::check_plain(fsharp, {
                                   {value("1e16"), "10000000000000000"},
                                   {value("1e-5"), "1E-05"},
                                   {value("1.5"), "1.5"},
                                   {value("0.1:f32"), "0.1"},
                                   {value("true:truth"), "True"},
                                   {value("nil:nil"), ""},
                                   {value("ink"), "ink"},
                                   {value("123456789012345.6"), "123456789012345.6"},
                               });
}
