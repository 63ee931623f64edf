// What recordings of `octave` cannot decide: why it fails and where, notes, limits; and the
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

const Dialect& octave = *find_dialect("octave");

}  // namespace

// Written by asking GNU Octave 7.3.0, one by one.
TEST_CASE("the edges of each conversion, as Octave prints them") {
  support::check_edges(
      octave,
      {
          {"%.2f", {value("0.125")}, "0.12"},
          {"%.2f", {value("2.675")}, "2.67"},
          {"%.0f", {value("2.5")}, "2"},
          {"%d", {value("1.5")}, "1.5"},
          {"%d", {value("123456789.5")}, "1.23457e+08"},
          {"%x", {value("-1.0")}, "-1"},
          {"%x", {value("255.5")}, "255.5"},
          {"%05d|", {value("1.5")}, "001.5|"},
          {"%8.3d|", {value("1.23456")}, "    1.23|"},
          {"%#d", {value("1.5")}, "1.50000"},
          {"%+d", {value("1.5")}, "+1.5"},
          {"%d", {value("9223372036854775808.0")}, "9223372036854775807"},
          {"%d", {value("18446744073709551616.0")}, "1.84467e+19"},
          {"%u", {value("18446744073709551616.0")}, "18446744073709551615"},
          {"%d", {value("-1e20")}, "-9223372036854775808"},
          {"%u", {value("-5.0")}, "-5"},
          {"%i", {value("1e10")}, "10000000000"},
          {"%c", {value("65.5")}, "65.5"},
          {"%5.1c|", {value("3.25")}, "    3|"},
          {"%d", {value("nan:f64")}, "NaN"},
          {"%05d|", {value("-inf:f64")}, " -Inf|"},
          {"%+f", {value("inf:f64")}, "+Inf"},
          {"% f", {value("inf:f64")}, "Inf"},
          {"%+.2e", {value("nan:f64")}, "+NaN"},
          {"%-8g|", {value("nan:f64")}, "NaN     |"},
          {"%5s|", {value("inf:f64")}, "  Inf|"},
          {"%x", {value("nan:f64")}, "NaN"},
          {"%s", {value("65.0")}, "A"},
          {"%s|", {value("3.5")}, "|"},
          {"%5s|", {value("3.5")}, "|"},
          {"%s", {value("[72.0, 105.0]")}, "Hi"},
          {"%s|", {value("[65.0, 3.5, 66.0]")}, "A||B|"},
          {"%s", {value("300:i32")}, ""},
          {"%c", {value("955.0")}, "λ"},
          {"%5c|", {value("955.0")}, "   λ|"},
          {"%c|", {value("-65.0")}, "|"},
          {"%d", {value("abc")}, "979899"},
          {"%d %s|", {value("1.0"), value("abc")}, "1 abc|"},
          {"%f ", {value("ab")}, "97.000000 98.000000 "},
          {"%s %d|", {value("abc"), value("1.0"), value("de"), value("2.0")}, "abc 1|de 2|"},
          {"%d%s|", {value("abc"), value("cd")}, "97bc|99d|"},
          {"%c%c%c|", {value("abc")}, "abc|"},
          {"%5.2s|%-5s|", {value("abc"), value("de")}, "   ab|de   |"},
          {"%3s|", {value("Ω")}, " Ω|"},
          {"%d,", {value("[1, 2, 3]")}, "1,2,3,"},
          {"%d %d|", {value("1"), value("2"), value("3")}, "1 2|3 "},
          {"%d and %d\\n", {value("1")}, "1 and "},
          {"%d|", {}, ""},
          {"ink", {}, "ink"},
          {"ink", {value("1")}, "ink"},
          {"%d|", {value("nil:nil")}, "|"},
          {"%5d|", {value("nil:nil")}, "|"},
          {"%5s|", {value("nil:nil")}, "     |"},
          {"%d|%s|", {value("nil:nil"), value("a")}, "|a|"},
          {"a%sb%sc", {value("nil:nil")}, "ab"},
          {"%*d|%-*d|", {value("5"), value("42"), value("5"), value("42")}, "   42|42   |"},
          {"%*.*f|", {value("8"), value("2"), value("3.14159")}, "    3.14|"},
          {"%-9.*s|", {value("3"), value("ink")}, "ink|"},
          {"%5%|", {}, "%|"},
          {"%ld|%hd|%Lf", {value("5"), value("5"), value("2.5")}, "5|5|2.500000"},
          {"%d", {value("-5:i8")}, "-5"},
          {"%x", {value("-5:i8")}, "-5"},
          {"%g", {value("0.1:f32")}, "0.1"},
          {"%d", {value("true:truth")}, "1"},
          {"%s", {value("true:truth")}, "\001"},
          {"\\x41\\101\\q", {}, "AAq"},
          {"%d", {value("18446744073709551615:u64")}, "1.84467e+19"},
          {"%u", {value("18446744073709551615:u64")}, "18446744073709551615"},
      });
}

TEST_CASE("Octave refuses a template before it prints, and a bad width when it comes") {
  constexpr auto run = Outcome::Kind::fails_run;
  support::check_failures(
      octave,
      {
          {"ink %y", {value("1")}, run, "error", "invalid format specified", {4, 6}},
          {"ink %", {}, run, "error", "invalid format specified", {4, 5}},
          {"%1$d", {value("1")}, run, "error", "invalid format specified", {0, 3}},
          {"%lf", {value("1")}, run, "error", "invalid format specified", {0, 3}},
          {"%a", {value("1")}, run, "error", "invalid format specified", {0, 2}},
          {"%*d", {value("-5"), value("1")}, run, "error", "invalid field width", {0, 3}},
          {"%*d", {value("2.5"), value("1")}, run, "error", "invalid field width", {0, 3}},
          {"%*d",
           {value("nil:nil"), value("1")},
           run,
           "error",
           "real matrix to real scalar",
           {0, 3}},
          {"%*d", {}, run, "error", "no value for the width", {0, 3}},
          {"a\\", {}, Outcome::Kind::fails_compile, "parse error", "escapes the quote", {1, 2}},
      });
  const support::Answer mixed = support::answer(octave, "%d", {value("[1, \"a\"]")}, {});
  REQUIRE(mixed.outcome.kind() == Outcome::Kind::error);
  CHECK(mixed.outcome.as_error().code == Code::not_supported_yet);
  const support::Answer wide = support::answer(octave, "%*d", {value("2000000"), value("1")}, {});
  REQUIRE(wide.outcome.kind() == Outcome::Kind::error);
  CHECK(wide.outcome.as_error().code == Code::over_limit);
}

TEST_CASE("what is no character prints nothing with Octave's %c, not even its padding") {
  support::check_edges(octave, {
                                   {"%8c|", {value("55296.0")}, "|"},
                                   {"%8c|", {value("57343.0")}, "|"},
                                   {"%8c|", {value("-65.0")}, "|"},
                                   {"%8c|", {value("57344.0")}, "     \xee\x80\x80|"},
                               });
}

TEST_CASE("notes of Octave teach where people go wrong") {
  support::check_notes(octave, {
                                   {"%d", {value("1.5")}, "conversion-switched"},
                                   {"%x", {value("-1")}, "conversion-switched"},
                                   {"%d,", {value("[1, 2]")}, "template-recycled"},
                                   {"%d %d", {value("1")}, "values-run-out"},
                                   {"%d", {value("a")}, "type-converted"},
                                   {"%s", {value("3.5")}, "type-converted"},
                                   {"%d", {value("7:i128")}, "type-converted"},
                                   {"%.2f", {value("2.675")}, "stored-off-tie"},
                                   {"%6s", {value("墨")}, "width-counts-otherwise"},
                                   {"%-05d", {value("7")}, "flag-overridden"},
                                   {"\\q", {}, "unknown-escape"},
                               });
}

TEST_CASE("each round of Octave's template tells which value it shows") {
  const support::Answer got =
      support::answer(octave, "%d|%s ", {value("1"), value("a"), value("2")}, {});
  CHECK(got.text == "1|a 2|");
  REQUIRE(got.report.fields.size() == 3);
  CHECK(got.report.fields[1].value == 1);
  CHECK(got.report.fields[2].field == 0);
  CHECK(got.report.fields[2].value == 2);
  CHECK(got.report.fields[2].output == Span{4, 5});
}

TEST_CASE("Octave's disp of a value") {
  support::check_plain(octave, {
                                   {value("0.1"), "0.1000"},
                                   {value("100.0"), "100"},
                                   {value("1e10"), "1.0000e+10"},
                                   {value("3.14159"), "3.1416"},
                                   {value("0.01"), "0.010000"},
                                   {value("0.001"), "1.0000e-03"},
                                   {value("100.125"), "100.12"},
                                   {value("9999.9999"), "10000.0"},
                                   {value("12345.678"), "1.2346e+04"},
                                   {value("9999999.0"), "9999999"},
                                   {value("99999999.0"), "1.0000e+08"},
                                   {value("-0.0"), "0"},
                                   {value("nan:f64"), "NaN"},
                                   {value("true:truth"), "1"},
                                   {value("nil:nil"), "[](0x0)"},
                                   {value("-7:i8"), "-7"},
                                   {value("ink"), "ink"},
                               });
}
