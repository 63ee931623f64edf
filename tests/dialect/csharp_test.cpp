// The dialect `csharp`: what .NET 10.0 was seen to print at the edges, why it fails and where, and
// its notes. The recordings have the rest.

#include <catch2/catch.hpp>
#include <cmath>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& csharp = *find_dialect("csharp");
constexpr auto at_compile = Outcome::Kind::fails_compile;
constexpr auto at_run = Outcome::Kind::fails_run;

}  // namespace

TEST_CASE("C#: letters for numbers, at their edges") {
  support::check_edges(
      csharp, {
                  // The stored value, exactly, ties to even.
                  {"{0:F2} {1:F2} {2:F1}",
                   {value("0.125"), value("2.675"), value("1.45")},
                   "0.12 2.67 1.4"},
                  {"{0:F0} {1:F0}", {value("2.5"), value("3.5")}, "2 4"},
                  {"{0:F1}", {value("1e23")}, "99999999999999991611392.0"},
                  {"{0:F20}", {value("0.1")}, "0.10000000000000000555"},
                  // A zero keeps the sign of what was rounded to it.
                  {"{0:F0} {1:F1} {2:N0} {3:P0}",
                   {value("-0.3"), value("-0.04"), value("-0.5"), value("-0.001")},
                   "-0 -0.0 -0 -0 %"},
                  // When it goes to an exponent.
                  {"{0} {1} {2}",
                   {value("1e15"), value("1e16"), value("1e17")},
                   "1000000000000000 10000000000000000 1E+17"},
                  {"{0} {1}", {value("1e-5"), value("0.0001")}, "1E-05 0.0001"},
                  // Two powers of two that .NET shows one digit too short: they do not read back.
                  {"{0} {1}",
                   {value("0x1p-958:f64"), value("0x1p-25:f64")},
                   "4.104536801298376E-289 2.980232238769531E-08"},
                  {"{0:G5}|{1:G3}|{2:g2}|{3:G}",
                   {value("123456"), value("1234.5"), value("1e-7"), value("200:u8")},
                   "1.2346E+05|1.23E+03|1e-07|200"},
                  {"{0:G17} {0:G20} {0:E2}",
                   {value("0.1")},
                   "0.10000000000000001 0.10000000000000000555 1.00E-001"},
                  {"{0:C} {0:P} {0:N} {0:P1} {0:R}",
                   {value("-1234.5")},
                   "(¤1,234.50) -123,450.00 % -1,234.50 -123,450.0 % -1234.5"},
                  {"{0:X} {0:B} {1:X} {1:B8} {1:x4}",
                   {value("-1"), value("10")},
                   "FFFFFFFF 11111111111111111111111111111111 A 00001010 000a"},
                  {"{0:X} {1:X} {1:B} {2:D30}",
                   {value("-1:big"), value("255:big"), value("-123:big")},
                   "F 0FF 011111111 -000000000000000000000000000123"},
                  {"{0} {1} {2} {3}",
                   {value("nan:f64"), value("inf:f64"), value("-0.0"), value("-inf:f64")},
                   "NaN Infinity -0 -Infinity"},
              });
}

TEST_CASE("C#: patterns of digits, dates, and values that take no format") {
  support::check_edges(
      csharp,
      {
          // Fifteen digits first, and those half away.
          {"{0:0.00} {1:0.00}", {value("0.1"), value("2.675")}, "0.10 2.68"},
          {"{0:0.00} {1:#} {2:0;(0);zero} {3:0}",
           {value("nan:f64"), value("0"), value("0"), value("-0.3")},
           "NaN  zero -0"},
          {"{0:0.0000000000} {1:0.#########}",
           {value("0.1:f32"), value("0.1:f16")},
           "0.1000000000 0.099976"},
          {"{0 , 5 :D3}|{1,-5}|", {value("1"), value("1")}, "  001|1    |"},
          {"{0} {1}", {value("1.5-2i:complex"), value("(1, 2.5, \"x\")")}, "<1.5; -2> (1, 2.5, x)"},
          {"{0}", {value("{batch: \"K-7\", mass: 12.5}")}, "{ batch = K-7, mass = 12.5 }"},
          {"{0}", {value("[1]")}, "System.Collections.Generic.List`1[System.Int32]"},
          {"{0:F}{1:zz}|{2}|", {value("true:truth"), value("c:char"), value("nil:nil")}, "Truec||"},
          {"{0:o} {0:s} {0:u} {0:r}",
           {value("2031-05-09T14:05:00.25:moment")},
           "2031-05-09T14:05:00.2500000 2031-05-09T14:05:00 2031-05-09 14:05:00Z Fri, 09 May 2031 "
           "14:05:00 GMT"},
          {"{0:d}|{0:D}|{0:t}|{0:M}|{0:Y}|{0}",
           {value("2031-05-09T14:05:00:moment")},
           "05/09/2031|Friday, 09 May 2031|14:05|May 09|2031 May|05/09/2031 14:05:00"},
          {"{0:%d} {0:ddd dd MMMM yy y yyyyy h hh H tt t fff FFF K g}",
           {value("2031-05-09T14:05:00.25:moment")},
           "9 Fri 09 May 31 31 02031 2 02 14 PM P 250 25  A.D."},
          {"{{{0}}}", {value("1")}, "{1}"},
      });
  const Setting german{"locale", "de-DE"};
  const Setting hindi{"locale", "hi-IN"};
  support::check_edges(
      csharp, {{"{0:C}|{0:N}|{0:0.0}", {value("-1234.5")}, "-1.234,50 €|-1.234,500|-1234,5"}},
      {{&german, 1}});
  support::check_edges(csharp, {{"{0:N0}", {value("12345678")}, "1,23,45,678"}}, {{&hindi, 1}});
  support::check_plain(csharp, {{value("1e17"), "1E+17"},
                                {value("true:truth"), "True"},
                                {value("nil:nil"), ""},
                                {value("0.1:f32"), "0.1"}});
}

TEST_CASE("C#: failures by name, and where") {
  support::check_failures(
      csharp,
      {
          {"{0:X}", {value("1.5")}, at_run, "FormatException", "no format of a Double", {0, 5}},
          {"ok {0:q}", {value("5")}, at_run, "FormatException", "\"q\"", {3, 8}},
          {"{0:F1000000000}", {value("5")}, at_run, "FormatException", "no format", {0, 15}},
          {"{1}", {value("1")}, at_run, "FormatException", "no value 1", {0, 3}},
          {"a}", {value("1")}, at_run, "FormatException", "a single closing brace", {1, 2}},
          {"{mass}", {value("1")}, at_run, "FormatException", "is a number", {0, 2}},
          {"{0:{}}", {value("1")}, at_run, "FormatException", "closing brace here", {0, 4}},
          {"{0,x}", {value("1")}, at_run, "FormatException", "an alignment is a number", {0, 4}},
          {"{0", {value("1")}, at_run, "FormatException", "no closing brace", {0, 2}},
          {"\\q{0}", {value("1")}, at_compile, "CS1009", "no such escape", {0, 2}},
          {"{0:x}", {value("2031-05-09:moment")}, at_run, "FormatException", "no date", {0, 5}},
          {"{0:'a}", {value("2031-05-09:moment")}, at_run, "FormatException", "quote", {0, 6}},
      });
  for (const char* source : {"$\"{mass}\"", "@\"{0}\"", "\\uD83D"}) {
    const support::Answer got = support::answer(csharp, source, {value("1")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
  for (const char* source : {"{0,1000001}", "{0:F1000001}"})
    CHECK(support::answer(csharp, source, {value("1.5")}, {}).outcome.as_error().code ==
          Code::over_limit);
}

TEST_CASE("C#: what is noted") {
  support::check_notes(csharp,
                       {
                           {"{0:F2}", {value("2.675")}, "stored-off-tie"},
                           {"{0:0.00}", {value("2.675")}, "decimal-rounded"},
                           {"{0:0.00}", {value("2.674")}, ""},
                           {"{0:F2}", {value("ink")}, "flag-without-effect"},
                           {"{0,9}", {value("墨")}, "width-counts-otherwise"},
                           {"{0}", {value("1"), value("2")}, "too-many-values"},
                           {"{0:zz}", {value("2031-05-09:moment")}, "implementation-defined"},
                           {"{0:HH}", {value("2031-05-09:moment")}, ""},
                       });
}

// A pattern of zeros and the letter F mean the same but for which digits they round, which far from
// a tie cannot matter.
TEST_CASE("C#: a pattern and a letter that ask for the same print the same") {
  const std::uint64_t seed = support::seed(334);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    const int places = random.below(6);
    const Value number =
        Value::real((1 + random.below(10'000'000) * 3) / 3.0 * (random.one_in(2) ? 1 : -1));
    const bool groups = random.one_in(2);
    const std::string zeros =
        places == 0 ? "" : "." + std::string(static_cast<std::size_t>(places), '0');
    const std::string pattern = (groups ? "{0:#,##0" : "{0:0") + zeros + "}";
    const std::string letter = (groups ? "{0:N" : "{0:F") + std::to_string(places) + "}";
    INFO(pattern << " and " << letter << " of " << describe(number));
    TextBuffer first;
    TextBuffer second;
    REQUIRE(csharp.render(*csharp.parse(pattern), {&number, 1}, first).prints());
    REQUIRE(csharp.render(*csharp.parse(letter), {&number, 1}, second).prints());
    REQUIRE(first.view() == second.view());
  }
}
