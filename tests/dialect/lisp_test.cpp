// The dialect `lisp`: what SBCL 2.2.9 was seen to print at the edges, why it fails and where, what
// is not supported yet, and its notes. The recordings have the rest.

#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"
#include "text/simple_case.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& lisp = *find_dialect("lisp");
constexpr auto at_run = Outcome::Kind::fails_run;

}  // namespace

TEST_CASE("Lisp: numbers at their edges") {
  support::check_edges(
      lisp, {
                {"~,2F ~,2F ~,1F ~,0F ~,1F",
                 {value("0.125"), value("2.675"), value("1.45"), value("2.5"), value("1e23")},
                 "0.13 2.67 1.4 3. 100000000000000000000000.0"},
                {"~E ~,2E ~10,2,2E|",
                 {value("12345.678"), value("0.00123"), value("5.5")},
                 "1.2345678d+4 1.23d-3   5.50d+00|"},
                {"~G|~,2G", {value("1.5"), value("1e10")}, "1.5    |1.00d+10"},
                {"~$ ~8$| ~2,3$ ~@$ ~2,1,10,'*:@$",
                 {value("2.675"), value("1.5"), value("1.5:f32"), value("3"), value("-3.5:f32")},
                 "2.67 1.50000000| 001.50 +3.00 -*****3.50"},
                {"~A ~A ~A ~A",
                 {value("1e7"), value("0.001"), value("1e7:f32"), value("0.1:f32")},
                 "1.0d7 0.001d0 1.0e7 0.1"},
                {"~F ~F",
                 {value("inf:f64"), value("16777217")},
                 "#.DOUBLE-FLOAT-POSITIVE-INFINITY 16777216.0"},
                {"~5D|~:D|~@D|~8,'0D|~,,'.,2:D",
                 {value("42"), value("1234567"), value("5"), value("-42"), value("12345")},
                 "   42|1,234,567|+5|00000-42|1.23.45"},
                {"~R ~:R ~@R ~:@R",
                 {value("1234"), value("1234"), value("1999"), value("4")},
                 "one thousand two hundred thirty-four one thousand two hundred thirty-fourth "
                 "MCMXCIX IIII"},
                {"~D ~X ~X", {value("2.5"), value("[10, 20]"), value("ab")}, "2.5d0 (A 14) ab"},
                {"~,2F|~8,2F|", {value("ink"), value("ink")}, "ink|ink     |"},
            });
  support::check_plain(
      lisp, {{value("2.5"), "2.5d0"}, {value("ink"), "\"ink\""}, {value("nil:nil"), "NIL"}});
}

TEST_CASE("Lisp: directives that hold others, and those that print by themselves") {
  support::check_edges(
      lisp,
      {
          {"~{~A~^, ~}", {value("[1, 2, 3]")}, "1, 2, 3"},
          {"~:{~A-~A;~}", {value("[[1, 2], [3, 4]]")}, "1-2;3-4;"},
          {"~@{~A ~}", {value("1"), value("2"), value("3")}, "1 2 3 "},
          {"~2{~A ~}|~{foo~:}", {value("[1, 2, 3]"), value("[]")}, "1 2 |foo"},
          {"~10<foo~;bar~>|~10:<foo~>|~10@<foo~>|~10:@<foo~;b~>|",
           {},
           "foo    bar|       foo|foo       |  foo  b  |"},
          {"a~10Tb~5,3Tc~3@Td", {}, "a         b   c   d"},
          {"x~&y~2%z~~~3~", {}, "x\ny\n\nz~~~~"},
          {"~A ~S ~A ~S",
           {value("a\"b:text"), value("a\"b:text"), value("a:char"), value("a:char")},
           "a\"b \"a\\\"b\" a #\\a"},
          {"~(~A~) ~:(~A~) ~@(~A~) ~:@(~A~)",
           {value("Ink ROOM"), value("ink room"), value("ink ROOM"), value("ink")},
           "ink room Ink Room Ink room INK"},
          {"~[a~;b~:;c~]~:[n~;y~]~@[<~A>~]", {value("1"), value("nil:nil"), value("5")}, "bn<5>"},
          {"~D item~:P ~D fl~:@P", {value("1"), value("2")}, "1 item 2 flies"},
          {"~A ~:A ~S", {value("nil:nil"), value("nil:nil"), value("[]")}, "NIL () NIL"},
          {"~C ~:C ~@C", {value("a:char"), value("' ':char"), value("a:char")}, "a Space #\\a"},
          {"~vD|~#D|", {value("5"), value("42"), value("1")}, "   42|1|"},
          {"~8A|~8@A|~8,3,2,'*A|",
           {value("ink"), value("ink"), value("ink")},
           "ink     |     ink|ink*****|"},
          {"~0@*~A~A~:*~A", {value("1"), value("2")}, "122"},
          {"~a~\n   b\\\"\\\\", {value("1")}, "1b\"\\"},
      });
}

TEST_CASE("Lisp: conditions by name, and where") {
  support::check_failures(
      lisp, {
                {"~D ~D", {value("1")}, at_run, "FORMAT-ERROR", "no values are left", {3, 5}},
                {"~Q", {value("1")}, at_run, "FORMAT-ERROR", "no directive ~Q", {0, 2}},
                {"ok ~5", {value("1")}, at_run, "FORMAT-ERROR", "ends before", {3, 5}},
                {"~{~A", {value("[1]")}, at_run, "FORMAT-ERROR", "never closed", {0, 4}},
                {"a~)", {}, at_run, "FORMAT-ERROR", "closes nothing", {1, 3}},
                {"~{~A~}", {value("5")}, at_run, "TYPE-ERROR", "not of type LIST", {2, 4}},
                {"~R", {value("2.5")}, at_run, "FORMAT-ERROR", "not of type INTEGER", {0, 2}},
                {"~@R", {value("0")}, at_run, "SIMPLE-ERROR", "Roman", {0, 3}},
                {"~37R", {value("5")}, at_run, "TYPE-ERROR", "2 to 36", {0, 4}},
                {"~F",
                 {value("100000000000000000000000000000000000000000:big")},
                 at_run,
                 "FLOATING-POINT-OVERFLOW",
                 "single-float",
                 {0, 2}},
                {"~C", {value("5")}, at_run, "FORMAT-ERROR", "CHARACTER", {0, 2}},
                {"~-5D", {value("4")}, at_run, "FORMAT-ERROR", "not negative", {0, 4}},
                {"~1,2,3,4,5D", {value("1")}, at_run, "FORMAT-ERROR", "at most 4", {0, 11}},
                {"~:F", {value("1.0")}, at_run, "FORMAT-ERROR", "no modifier :", {0, 3}},
                {"~:5D", {value("5")}, at_run, "FORMAT-ERROR", "before : and @", {3, 4}},
                {"~'aD", {value("5")}, at_run, "TYPE-ERROR", "should be a number", {0, 4}},
                {"ink\\", {}, Outcome::Kind::fails_compile, "END-OF-FILE", "keeps nothing", {3, 4}},
            });
  for (const char* source : {"~?", "~/ink/", "~I", "~_", "~:T", "~<a~:>", "~{~}", "~+D"}) {
    INFO(source);
    const support::Answer got = support::answer(lisp, source, {value("1")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
  CHECK(support::answer(lisp, "~{ink~}", {value("[1]")}, {}).outcome.as_error().code ==
        Code::over_limit);
  CHECK(support::answer(lisp, "~@{" + std::string(100'000, 'x') + "~}", {value("1")}, {})
            .outcome.as_error()
            .code == Code::over_limit);
  CHECK(support::answer(lisp, "~2000000D", {value("1")}, {}).outcome.as_error().code ==
        Code::over_limit);
  std::string deep;
  for (int i = 0; i < 5000; ++i) deep += "~(";
  CHECK(support::answer(lisp, deep, {}, {}).outcome.as_error().code == Code::not_supported_yet);
}

TEST_CASE("Lisp: what is noted") {
  support::check_notes(lisp, {
                                 {"~,2F", {value("2.675")}, "stored-off-tie"},
                                 {"~,2F", {value("0.125")}, "exact-tie"},
                                 {"~F", {value("16777217")}, "type-converted"},
                                 {"~F", {value("16777216")}, ""},
                                 {"~D", {value("1"), value("2")}, "too-many-values"},
                                 {"~9A", {value("墨")}, "width-counts-otherwise"},
                             });
}

// Where the digits to a place are not fewer than rounding would make them, they are the C
// library's; where they are, a note reports it.
TEST_CASE("Lisp: places print what the C library prints, or a note tells otherwise") {
  const std::uint64_t seed = support::seed(1996);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(10'000); ++i) {
    const double number = random.below(1'000'000) * 3 / 7.0 + 1 / 3.0;
    const int places = 1 + random.below(9);
    char expected[400];
    std::snprintf(expected, sizeof expected, "%.*f", places, number);
    const std::string source = "~," + std::to_string(places) + "F";
    INFO(source << " of " << number);
    const support::Answer got = support::answer(lisp, source, {Value::real(number)}, {});
    REQUIRE(got.outcome.prints());
    REQUIRE((got.text == expected) ==
            (got.codes.find("departs-from-standard") == std::string::npos));
  }
}

TEST_CASE("letters changed one by one") {
  CHECK(simple_case("Ink ROOM 7", Capitals::none) == "ink room 7");
  CHECK(simple_case("ink-ROOM 7th", Capitals::each_word) == "Ink-Room 7th");
  CHECK(simple_case(" (ink ROOM", Capitals::first_word) == " (Ink room");
  CHECK(simple_case("Zinkweiß é", Capitals::all) == "ZINKWEIß É");
}
