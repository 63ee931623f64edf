// What recordings of `r` cannot decide: why it fails and where, notes, limits; and the
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

const Dialect& r = *find_dialect("r");

}  // namespace

// Written by asking R 4.2.2, one by one.
TEST_CASE("the edges of each conversion, as R prints them") {
  support::check_edges(
      r, {
             {"%.2f", {value("0.125")}, "0.12"},
             {"%.2f", {value("2.675")}, "2.67"},
             {"%.0f", {value("2.5")}, "2"},
             {"%.1f", {value("1e23")}, "99999999999999991611392.0"},
             {"%d", {value("3.0")}, "3"},
             {"%d", {value("true:truth")}, "1"},
             {"%d", {value("nil:nil")}, "NA"},
             {"%5.1f|", {value("nil:nil")}, "   NA|"},
             {"% f|", {value("nil:nil")}, " NA|"},
             {"%.1d|", {value("nil:nil")}, "N|"},
             {"%s", {value("nil:nil")}, "NA"},
             {"%f", {value("inf:f64")}, "Inf"},
             {"%+f", {value("inf:f64")}, "+Inf"},
             {"% f", {value("inf:f64")}, " Inf"},
             {"%010f|", {value("-inf:f64")}, "      -Inf|"},
             {"%+f", {value("nan:f64")}, "NaN"},
             {"% 8.2f|", {value("nan:f64")}, "     NaN|"},
             {"%-8f|", {value("nan:f64")}, "NaN     |"},
             {"%s", {value("0.30000000000000004")}, "0.3"},
             {"%s", {value("100000.0")}, "1e+05"},
             {"%s", {value("123456.0")}, "123456"},
             {"%s", {value("0.0001")}, "1e-04"},
             {"%s", {value("1e15")}, "1e+15"},
             {"%s", {value("0.3333333333333333")}, "0.333333333333333"},
             {"%s", {value("1e22")}, "1e+22"},
             {"%s", {value("1234567890123456768.0")}, "1234567890123456768"},
             {"%s", {value("-0.0")}, "0"},
             {"%s", {value("true:truth")}, "TRUE"},
             {"%5.2s|", {value("true:truth")}, "   TR|"},
             {"%.3s|", {value("123456:i32")}, "123|"},
             {"%s", {value("5e-324")}, "4.94065645841247e-324"},
             {"%x", {value("-1")}, "ffffffff"},
             {"%#x", {value("255")}, "0xff"},
             {"%#o", {value("8")}, "010"},
             {"%o", {value("8")}, "10"},
             {"%X", {value("255.0")}, "FF"},
             {"%05d", {value("-42")}, "-0042"},
             {"%05.1d|", {value("5")}, "    5|"},
             {"%+d", {value("5")}, "+5"},
             {"%-5d|", {value("5")}, "5    |"},
             {"%a", {value("1.5")}, "0x1.8p+0"},
             {"%A", {value("0.1")}, "0X1.999999999999AP-4"},
             {"%#g", {value("1.0")}, "1.00000"},
             {"%g", {value("1e6")}, "1e+06"},
             {"%#.6g", {value("999999.9999999999")}, "1.e+06"},
             {"%5s|%-5s|", {value("Ωm"), value("Ωm")}, "  Ωm|Ωm  |"},
             {"%.2s|", {value("Ωm")}, "Ω|"},
             {"%2$s %1$s", {value("a"), value("b")}, "b a"},
             {"%s %1$s", {value("7.5")}, "7.5 7.5"},
             {"%1$d %1$s", {value("100000.0")}, "100000 100000"},
             {"%*d|", {value("5"), value("42")}, "   42|"},
             {"%*d|", {value("-5"), value("42")}, "42   |"},
             {"%*d|", {value("5.5"), value("1")}, "    1|"},
             {"%.*f", {value("2"), value("3.14159")}, "3.14"},
             {"%1$*2$d|", {value("42"), value("6")}, "    42|"},
             {"%d %s", {value("[1, 2, 3]"), value("ink")}, "1 ink\n2 ink\n3 ink"},
             {"%s", {value("[1, 2.5, nil]")}, "1\n2.5\nNA"},
             {"%d", {value("[1.0, nil]")}, "1\nNA"},
             {"%s-%d", {value("[\"a\", \"b\"]"), value("[1, 2, 3, 4]")}, "a-1\nb-2\na-3\nb-4"},
             {"%5.1f", {value("[true, 2]")}, "  1.0\n  2.0"},
             {"%s", {value("[]")}, ""},
             {"%.0f", {value("2147483648:i64")}, "2147483648"},
             {"%%|%5d%%", {value("5")}, "%|    5%"},
             {"\\x41\\101\\`\\'", {}, "AA`'"},
         });
}

TEST_CASE("R stops with a simpleError, and says which format would do") {
  constexpr auto run = Outcome::Kind::fails_run;
  constexpr auto compile = Outcome::Kind::fails_compile;
  support::check_failures(
      r,
      {
          {"%d",
           {value("3.5")},
           run,
           "simpleError",
           "use format %f, %e, %g or %a for numeric objects",
           {0, 2}},
          {"%d", {value("nan:f64")}, run, "simpleError", "for numeric objects", {0, 2}},
          {"%d", {value("ink")}, run, "simpleError", "use format %s for character objects", {0, 2}},
          {"%x",
           {value("true:truth")},
           run,
           "simpleError",
           "use format %d or %i for logical objects",
           {0, 2}},
          {"%1$s %1$d", {value("5")}, run, "simpleError", "for character objects", {5, 9}},
          {"%s %s", {value("5")}, run, "simpleError", "too few arguments", {3, 5}},
          {"%2$s",
           {value("5")},
           run,
           "simpleError",
           "reference to non-existent argument 2",
           {0, 4}},
          {"%y", {value("5")}, run, "simpleError", "unrecognised format specification", {0, 2}},
          {"a%", {}, run, "simpleError", "unrecognised format specification", {1, 2}},
          {"%0$s", {value("5")}, run, "simpleError", "positions go from 1 to 99", {0, 4}},
          {"%*.*f",
           {value("5"), value("1"), value("2.5")},
           run,
           "simpleError",
           "at most one asterisk",
           {0, 5}},
          {"%*d", {value("ink"), value("1")}, run, "simpleError", "must be a number", {0, 3}},
          {"%9000d", {value("1")}, run, "simpleError", "9000 is greater than maximal 8192", {0, 6}},
          {"%s %d",
           {value("[1, 2]"), value("[1, 2, 3]")},
           run,
           "simpleError",
           "cannot be recycled",
           {0, 5}},
          {"%1$d %1$f", {value("[1, 2]")}, run, "simpleError", "for numeric objects", {0, 4}},
          {"\\q", {}, compile, "parse error", "unrecognized escape", {0, 2}},
          {"\\0", {}, compile, "parse error", "nul character", {0, 2}},
          {"\\x41\\u03a9", {}, compile, "parse error", "mixing Unicode", {0, 10}},
          {"%5-d", {value("5")}, Outcome::Kind::undefined, "", "after the width", {0, 3}},
          {"%.*f",
           {value("-1"), value("5")},
           Outcome::Kind::undefined,
           "",
           "negative precision",
           {0, 4}},
      });
  for (const Value& given : {value("[[1]]"), value("[1, [2]]")}) {
    const support::Answer got = support::answer(r, "%d", {given}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
  TextBuffer out;
  CHECK(r.print_plainly(value("[1]"), out).kind() == Outcome::Kind::error);
}

TEST_CASE("a vector given to R makes several texts, each with its place") {
  const support::Answer two =
      support::answer(r, "%s|%d", {value("[\"a\", \"b\"]"), value("7")}, {});
  REQUIRE(two.report.texts);
  CHECK(*two.report.texts == std::vector<Span>{{0, 3}, {4, 7}});
  CHECK(two.text == "a|7\nb|7");
  REQUIRE(two.report.fields.size() == 4);
  CHECK(two.report.fields[2].output == Span{4, 5});
  CHECK(two.report.fields[3].output == Span{6, 7});
  const support::Answer none = support::answer(r, "%d", {value("[]")}, {});
  REQUIRE(none.report.texts);
  CHECK(none.report.texts->empty());
  CHECK(none.text.empty());
  CHECK_FALSE(support::answer(r, "%d", {value("[7]")}, {}).report.texts);
}

TEST_CASE("notes of R teach where people go wrong") {
  support::check_notes(r, {
                              {"%.2f", {value("2.675")}, "stored-off-tie"},
                              {"%x", {value("-7")}, "bits-reinterpreted"},
                              {"%.0f", {value("7:i64")}, "type-converted"},
                              {"%f", {value("1.5:f32")}, "type-converted"},
                              {"%6s", {value("墨")}, "width-counts-otherwise"},
                              {"%.1s", {value("墨")}, "character-cut"},
                              {"%-05d", {value("7")}, "flag-overridden"},
                              {"%d", {value("7"), value("8")}, "too-many-values"},
                              {"'%d'", {value("7")}, "quotes-in-template"},
                          });
}

TEST_CASE("R's print of a value") {
  support::check_plain(
      r, {
             {value("0.30000000000000004"), "[1] 0.3"},
             {value("100000.0"), "[1] 1e+05"},
             {value("100000"), "[1] 100000"},
             {value("123456.789"), "[1] 123456.8"},
             {value("0.0001"), "[1] 1e-04"},
             {value("1234567.8"), "[1] 1234568"},
             {value("123456789012.0"), "[1] 123456789012"},
             {value("true:truth"), "[1] TRUE"},
             {value("nil:nil"), "[1] NA"},
             {value("-inf:f64"), "[1] -Inf"},
             {value("ink"), "[1] \"ink\""},
             {Value::text("say \"ink\"\n\t\x01"), "[1] \"say \\\"ink\\\"\\n\\t\\001\""},
         });
}
