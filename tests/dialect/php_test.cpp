// What recordings of `php` cannot decide: why it fails and where, notes, limits; and the
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

const Dialect& php = *find_dialect("php");

}  // namespace

// Written by asking PHP 8.2.36, one by one.
TEST_CASE("the edges of each conversion, as PHP prints them") {
  support::check_edges(
      php, {
               {"%.2f", {value("0.125")}, "0.12"},
               {"%.2f", {value("2.675")}, "2.67"},
               {"%.1f", {value("1.45")}, "1.4"},
               {"%.0f", {value("2.5")}, "2"},
               {"%.1f", {value("1e23")}, "99999999999999991611392.0"},
               {"%e", {value("0.125")}, "1.250000e-1"},
               {"%.3e", {value("0.125")}, "1.250e-1"},
               {"%e", {value("0.0")}, "0.000000e+0"},
               {"%E", {value("1e100")}, "1.000000E+100"},
               {"%.60f", {value("0.1")}, "0.10000000000000000555111512312578270211815834045410156"},
               {"%.2f", {value("-0.0")}, "0.00"},
               {"%.2f", {value("-0.001")}, "-0.00"},
               {"%g", {value("1e20")}, "1.0e+20"},
               {"%g", {value("0.0001")}, "0.0001"},
               {"%g", {value("0.00001")}, "1.0e-5"},
               {"%g", {value("123456.0")}, "123456"},
               {"%g", {value("1234567.0")}, "1.23457e+6"},
               {"%G", {value("1e-10")}, "1.0E-10"},
               {"%g", {value("-0.0")}, "-0"},
               {"%.0g", {value("2.5")}, "2"},
               {"%.*g", {value("-1"), value("0.1")}, "0.1"},
               {"%.*g", {value("-1"), value("1e17")}, "1.0e+17"},
               {"%u", {value("-7")}, "18446744073709551609"},
               {"%x", {value("-1")}, "ffffffffffffffff"},
               {"%b", {value("5")}, "101"},
               {"%o", {value("8")}, "10"},
               {"%X", {value("255")}, "FF"},
               {"%5.1d|", {value("42")}, "   42|"},
               {"%.2x|", {value("255")}, "|"},
               {"%5.2x|", {value("255")}, "     |"},
               {"%05d", {value("-42")}, "-0042"},
               {"%-05d|", {value("42")}, "42   |"},
               {"%-05s|", {value("ab")}, "ab000|"},
               {"%+d", {value("0")}, "+0"},
               {"%+x", {value("5")}, "5"},
               {"%'*10s", {value("ink")}, "*******ink"},
               {"%'*-10s|", {value("ink")}, "ink*******|"},
               {"%+'x6d", {value("42")}, "xxx+42"},
               {"%'010d", {value("42")}, "0000000042"},
               {"% 5d", {value("42")}, "   42"},
               {"%'x05d", {value("42")}, "00042"},
               {"%f", {value("inf:f64")}, "INF"},
               {"%09f", {value("-inf:f64")}, "-NF"},
               {"%+09f", {value("inf:f64")}, "+NF"},
               {"%f", {value("nan:f64")}, "NaN"},
               {"%+09f", {value("nan:f64")}, "+aN"},
               {"%s", {value("-inf:f64")}, "-INF"},
               {"%d", {value("3.99")}, "3"},
               {"%d", {value("1e20")}, "7766279631452241920"},
               {"%d", {value("-1e20")}, "-7766279631452241920"},
               {"%d", {value("nan:f64")}, "0"},
               {"%d", {value("12abc")}, "12"},
               {"%d", {value("\" 7 \":text")}, "7"},
               {"%d", {value("1e3:text")}, "1000"},
               {"%d", {value("99999999999999999999:text")}, "9223372036854775807"},
               {"%d", {value("0x1A:text")}, "0"},
               {"%d", {value("ink")}, "0"},
               {"%f", {value(".5:text")}, "0.500000"},
               {"%f", {value("1.5e3x")}, "1500.000000"},
               {"%d", {value("true:truth")}, "1"},
               {"%d", {value("nil:nil")}, "0"},
               {"%s", {value("0.1")}, "0.1"},
               {"%s", {value("1e15")}, "1.0E+15"},
               {"%s", {value("100000.0")}, "100000"},
               {"%s", {value("0.30000000000000004")}, "0.3"},
               {"%s", {value("1e-5")}, "1.0E-5"},
               {"%s", {value("-0.0")}, "-0"},
               {"%s", {value("true:truth")}, "1"},
               {"%s|", {value("false:truth")}, "|"},
               {"%s|", {value("nil:nil")}, "|"},
               {"%s", {value("18446744073709551615:u64")}, "1.844674407371E+19"},
               {"%d", {value("18446744073709551615:u64")}, "0"},
               {"%c", {value("75")}, "K"},
               {"%c", {value("331")}, "K"},
               {"%5c|", {value("75")}, "K|"},
               {"%.2s|", {value("Ωm")}, "Ω|"},
               {"%5s|", {value("Ωm")}, "  Ωm|"},
               {"%2$s %1$s %s", {value("ink"), value("oil")}, "oil ink ink"},
               {"%1\\$s", {value("ink")}, "ink"},
               {"%5%|", {value("7")}, "%|"},
               {"%ld", {value("7")}, "7"},
               {"%*d|%-*d|", {value("5"), value("42"), value("5"), value("42")}, "   42|42   |"},
               {"\\x41\\101\\u{3a9}\\e\\q\\$", {}, "AAΩ\033\\q$"},
               {"%s", {value("[1, 2]")}, "Array"},
               {"%d", {value("[1, 2]")}, "1"},
               {"%.f", {value("2.5")}, "2.500000"},
           });
}

TEST_CASE("PHP throws by name, and counts what is missing first") {
  constexpr auto run = Outcome::Kind::fails_run;
  support::check_failures(
      php,
      {
          {"%d %d",
           {value("1")},
           run,
           "ArgumentCountError",
           "3 arguments are required, 2 given",
           {0, 5}},
          {"%3$s",
           {value("1")},
           run,
           "ArgumentCountError",
           "4 arguments are required, 2 given",
           {0, 4}},
          {"%y", {}, run, "ArgumentCountError", "2 arguments are required, 1 given", {0, 2}},
          {"%y", {value("1")}, run, "ValueError", "Unknown format specifier", {0, 2}},
          {"a%", {value("1")}, run, "ValueError", "Missing format specifier", {1, 2}},
          {"%'", {}, run, "ValueError", "Missing padding character", {0, 2}},
          {"%0$s", {value("1")}, run, "ValueError", "Argument number specifier", {0, 4}},
          {"%*d",
           {value("2.5"), value("1")},
           run,
           "ValueError",
           "Width must be an integer",
           {0, 3}},
          {"%*d",
           {value("-1"), value("1")},
           run,
           "ValueError",
           "Width must be greater than zero",
           {0, 3}},
          {"%.*f",
           {value("-2"), value("1")},
           run,
           "ValueError",
           "greater than or equal to -1",
           {0, 4}},
          {"%.*f", {value("-1"), value("1")}, run, "ValueError", "only supported for %g", {0, 4}},
          {"%'éd", {value("1")}, run, "ValueError", "Unknown format specifier", {0, 4}},
          {"\\u{110000}",
           {},
           Outcome::Kind::fails_compile,
           "ParseError",
           "hexadecimal number",
           {0, 2}},
      });
  const support::Answer got = support::answer(php, "%5%", {}, {});
  REQUIRE(got.outcome.kind() == Outcome::Kind::error);
  CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  const support::Answer wide = support::answer(php, "%*d", {value("2000000"), value("1")}, {});
  REQUIRE(wide.outcome.kind() == Outcome::Kind::error);
  CHECK(wide.outcome.as_error().code == Code::over_limit);
}

TEST_CASE("notes of PHP teach where people go wrong") {
  support::check_notes(php, {
                                {"%.2f", {value("2.675")}, "stored-off-tie"},
                                {"%.2f", {value("0.125")}, "exact-tie"},
                                {"%.60f", {value("0.5")}, "digits-past-precision"},
                                {"%u", {value("-7")}, "bits-reinterpreted"},
                                {"%x", {value("7")}, ""},
                                {"%.2x", {value("255")}, "text-cut"},
                                {"%d", {value("12abc")}, "type-converted"},
                                {"%f", {value("ink")}, "type-converted"},
                                {"%d", {value("2.9")}, "cut-to-whole"},
                                {"%d", {value("2.0")}, ""},
                                {"%d", {value("1e20")}, "value-wrapped"},
                                {"%s", {value("18446744073709551615:u64")}, "type-converted"},
                                {"%.1s", {value("墨")}, "character-cut"},
                                {"%6s", {value("墨")}, "width-counts-otherwise"},
                                {"\\q", {}, "unknown-escape"},
                                {"%d", {value("7"), value("8")}, "too-many-values"},
                                {"'%d'", {value("7")}, "quotes-in-template"},
                            });
}

// Written by asking PHP 8.2.36, one by one.
TEST_CASE("PHP's g keeps zeros where a whole number is rounded down from a tie") {
  support::check_edges(php, {
                                {"%g", {value("4194305.0")}, "4.19430e+6"},
                                {"%.3g", {value("1005.0")}, "1.00e+3"},
                                {"%.3g", {value("1015.0")}, "1.02e+3"},
                                {"%.3g", {value("1995.0")}, "2.0e+3"},
                                {"%.3g", {value("100.5")}, "100"},
                            });
}

TEST_CASE("PHP's echo of a value") {
  support::check_plain(php, {
                                {value("0.30000000000000004"), "0.3"},
                                {value("1e14"), "1.0E+14"},
                                {value("123456789012345678.0"), "1.2345678901235E+17"},
                                {value("1.5e-7"), "1.5E-7"},
                                {value("100.0"), "100"},
                                {value("-0.0"), "-0"},
                                {value("nan:f64"), "NAN"},
                                {value("true:truth"), "1"},
                                {value("false:truth"), ""},
                                {value("nil:nil"), ""},
                                {value("[1]"), "Array"},
                                {value("ink"), "ink"},
                            });
}
