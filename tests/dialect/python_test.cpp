// What recordings of `python` cannot decide: why it fails and where, notes, and what its
// own grammar promises. What it prints is replayed from recordings, and asked again of Python
// itself, by the tests of the tool.

#include <array>
#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>
#include <ctime>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& python = *find_dialect("python");
constexpr auto at_run = Outcome::Kind::fails_run;
constexpr auto at_compile = Outcome::Kind::fails_compile;

std::string printed(std::string_view source, const std::vector<Value>& values) {
  const support::Answer got = support::answer(python, source, values, {});
  INFO(source);
  REQUIRE(got.outcome.prints());
  return got.text;
}

}  // namespace

// Written by asking CPython 3.11.7, one by one: the cases a reader would look for first.
TEST_CASE("the edges of str.format, as Python prints them") {
  support::check_edges(
      python,
      {
          {"{:05}", {value("-42")}, "-0042"},
          {"{:<05}|", {value("-42")}, "-4200|"},
          {"{:=+8}", {value("42")}, "+     42"},
          {"{:^+8}|", {value("42")}, "  +42   |"},
          {"{:*^9}", {Value::text("ink")}, "***ink***"},
          {"{:墨>6}", {value("7")}, "墨墨墨墨墨7"},
          {"{:05}|", {Value::text("ab")}, "ab000|"},
          {"{:.2}|", {Value::text("墨汁店")}, "墨汁|"},
          {"{:6.2}|", {Value::text("墨汁店")}, "墨汁    |"},
          {"{:c}", {value("937")}, "Ω"},
          {"{:5c}|", {value("65")}, "    A|"},
          {"{:05c}", {value("65")}, "0000A"},
          {"{:,}", {value("1234567")}, "1,234,567"},
          {"{:_}", {value("-1234567")}, "-1_234_567"},
          {"{:010,}", {value("1234")}, "00,001,234"},
          {"{:011,}", {value("1234")}, "000,001,234"},
          {"{:012,}", {value("1234")}, "0,000,001,234"},
          {"{:_x}", {value("255255255")}, "f36_e2d7"},
          {"{:#_b}", {value("1000")}, "0b11_1110_1000"},
          {"{:#010x}", {value("255")}, "0x000000ff"},
          {"{:#X}", {value("255")}, "0XFF"},
          {"{:#o}", {value("0")}, "0o0"},
          {"{:x}", {value("-255")}, "-ff"},
          {"{:,.2f}", {Value::real(1234567.891)}, "1,234,567.89"},
          {"{:014,.2f}", {Value::real(-1234.5)}, "-00,001,234.50"},
          {"{:.0f}", {Value::real(2.5)}, "2"},
          {"{:.2f}", {Value::real(2.675)}, "2.67"},
          {"{:f}", {Value::real(1e+22)}, "10000000000000000000000.000000"},
          {"{:e}", {Value::real(0.0)}, "0.000000e+00"},
          {"{:g}", {Value::real(100000.0)}, "100000"},
          {"{:g}", {Value::real(1000000.0)}, "1e+06"},
          {"{:#g}", {Value::real(1.0)}, "1.00000"},
          {"{:#.0f}", {Value::real(1.0)}, "1."},
          {"{:.3}", {Value::real(1234.5)}, "1.23e+03"},
          {"{:.4}", {Value::real(1234.5)}, "1.234e+03"},
          {"{:.5}", {Value::real(1234.5)}, "1234.5"},
          {"{:.1}", {Value::real(0.0)}, "0e+00"},
          {"{:#.3}", {Value::real(2.0)}, "2.00"},
          {"{:}", {Value::real(1e+16)}, "1e+16"},
          {"{:#}", {Value::real(1e+22)}, "1.e+22"},
          {"{:10}", {Value::real(1.5)}, "       1.5"},
          {"{:<10}|", {Value::real(1.5)}, "1.5       |"},
          {"{:%}", {Value::real(0.125)}, "12.500000%"},
          {"{:.0%}", {Value::real(0.125)}, "12%"},
          {"{:.1%}", {Value::real(1e+307)}, "inf%"},
          {"{:z.1f}", {Value::real(-0.04)}, "0.0"},
          {"{:.1f}", {Value::real(-0.04)}, "-0.0"},
          {"{:+z.1f}", {Value::real(-0.04)}, "+0.0"},
          {"{:zf}", {Value::real(-1.5)}, "-1.500000"},
          {"{:n}", {value("1234567")}, "1234567"},
          {"{:n}", {Value::real(1234567.5)}, "1.23457e+06"},
          {"{:d}", {value("true:truth")}, "1"},
          {"{}", {value("true:truth")}, "True"},
          {"{:5}|", {value("true:truth")}, "    1|"},
          {"{!s:7}|", {value("true:truth")}, "True   |"},
          {"{}", {value("nil:nil")}, "None"},
          {"{!r:>6}", {value("nil:nil")}, "  None"},
          {"{}", {value("[1, 2.5, \"x\"]")}, "[1, 2.5, 'x']"},
          {"{!r}", {Value::text("it's")}, "\"it's\""},
          {"{!a}", {Value::text("é墨")}, "'\\xe9\\u58a8'"},
          {"{0[1]}{0[0]}", {value("[1, 2.5]")}, "2.51"},
          {"{0[mass]:.1f}", {value("{mass: 12.25}")}, "12.2"},
          {"{}", {value("{mass: 12.25, lot: \"K\"}")}, "{'mass': 12.25, 'lot': 'K'}"},
          {"{}", {value("(1, 2)")}, "(1, 2)"},
          {"{}", {value("(1,)")}, "(1,)"},
          {"{}", {value("()")}, "()"},
          {"{}", {value("3-5i:complex")}, "(3-5j)"},
          {"{}", {value("0-5i:complex")}, "-5j"},
          {"{:.2f}", {value("3-5i:complex")}, "3.00-5.00j"},
          {"{:>12}", {value("1.5+2i:complex")}, "    (1.5+2j)"},
          {"{:+.1e}", {value("1.5+2i:complex")}, "+1.5e+00+2.0e+00j"},
          {"{0.real} {0.imag}", {value("3-5i:complex")}, "3.0 -5.0"},
          {"{:,.1f}", {value("12345.5+6789i:complex")}, "12,345.5+6,789.0j"},
          {"{}", {value("2031-05-09T14:05:00.25:moment")}, "2031-05-09 14:05:00.250000"},
          {"{!r}",
           {value("2031-05-09T14:05:00.25:moment")},
           "datetime.datetime(2031, 5, 9, 14, 5, 0, 250000)"},
          {"{:%Y-%m-%d %H:%M}", {value("2031-05-09T14:05:00.25:moment")}, "2031-05-09 14:05"},
          {"{:%A %j %f}", {value("2031-05-09T14:05:00.25:moment")}, "Friday 129 250000"},
          {"{0.year}/{0.month:02}", {value("2031-05-09T14:05:00.25:moment")}, "2031/05"},
          {"{{{}}}", {value("1")}, "{1}"},
          {"{1}{0}", {value("1"), value("2")}, "21"},
          {"{:{}}|", {value("1"), value("5")}, "    1|"},
          {"{:{}.{}f}", {Value::real(2.675), value("8"), value("1")}, "     2.7"},
          {"{0:{1}{2}}", {value("1"), Value::text(">"), value("4")}, "   1"},
          {"\\x7b0}", {value("7")}, "7"},
          {"a\\tb{}", {value("7")}, "a\011b7"},
          {"{0[2]}", {Value::text("ink")}, "k"},
      });
}

TEST_CASE("the edges of f-strings, as Python prints them") {
  const std::vector<Value> values = {value("mass=2.675"),  value("w=9"),
                                     value("p=1"),         value("name=ink"),
                                     value("lots=[7, 8]"), value("batch={code: \"K-7\"}")};
  const std::pair<const char*, const char*> edges[] = {
      {"f\"{mass}\"", "2.675"},
      {"f'{mass=}'", "mass=2.675"},
      {"f\"{mass = }\"", "mass = 2.675"},
      {"f\"{mass=:.1f}\"", "mass=2.7"},
      {"f\"{mass:{w}.{p}f}|\"", "      2.7|"},
      {"f\"{name!r:>8}\"", "   'ink'"},
      {"f\"{name=!s}\"", "name=ink"},
      {"f\"{{{name}}}\"", "{ink}"},
      {"f\"{lots[0]}{lots[-1]}\"", "78"},
      {"f\"{batch['code']}\"", "K-7"},
      {"f\"\\x41{ name }\"", "Aink"},
      {"f\"{mass.real:+}\"", "+2.675"},
      {"f\"a\\tb{w}\"", "a\011b9"},
      {"f\"{name:*^{w}}\"", "***ink***"},
  };
  for (const auto& [source, text] : edges) {
    INFO(source);
    CHECK(printed(source, values) == text);
  }
}

TEST_CASE("str.format raises by name, at the first field that fails") {
  support::check_failures(
      python,
      {
          {"a {", {}, at_run, "ValueError", "Single '{' encountered", {2, 3}},
          {"a } b", {}, at_run, "ValueError", "Single '}' encountered", {2, 5}},
          {"{0", {value("1")}, at_run, "ValueError", "expected '}' before end of string", {0, 2}},
          {"{0!}", {value("1")}, at_run, "ValueError", "expected '}' before end of string", {0, 4}},
          {"{0!x}", {value("1")}, at_run, "ValueError", "Unknown conversion", {0, 5}},
          {"{0!rr}", {value("1")}, at_run, "ValueError", "expected ':' after conversion", {0, 6}},
          {"{a{b}}", {value("a=1")}, at_run, "ValueError", "unexpected '{' in field name", {0, 6}},
          {"{} {0}", {value("1")}, at_run, "ValueError", "from automatic field numbering", {3, 6}},
          {"{0} {}", {value("1")}, at_run, "ValueError", "from manual field specification", {4, 6}},
          {"{:{:{}}}",
           {value("1"), value("2"), value("3")},
           at_run,
           "ValueError",
           "Max string recursion exceeded",
           {4, 6}},
          {"{}|{}", {value("1")}, at_run, "IndexError", "Replacement index 1 out of range", {3, 5}},
          {"{mass}", {value("1")}, at_run, "KeyError", "'mass'", {0, 6}},
          {"{0[mass]}", {value("{lot: 1}")}, at_run, "KeyError", "'mass'", {0, 9}},
          {"{0[5]}", {value("[1]")}, at_run, "IndexError", "list index out of range", {0, 6}},
          {"{0[x]}", {value("[1]")}, at_run, "TypeError", "list indices must be integers", {0, 6}},
          {"{0[0]}",
           {value("7")},
           at_run,
           "TypeError",
           "'int' object is not subscriptable",
           {0, 6}},
          {"{0.mass}",
           {value("7")},
           at_run,
           "AttributeError",
           "'int' object has no attribute 'mass'",
           {0, 8}},
          {"{0.}", {value("7")}, at_run, "ValueError", "Empty attribute in format string", {0, 4}},
          {"{0[0]x}",
           {value("[1]")},
           at_run,
           "ValueError",
           "Only '.' or '[' may follow ']'",
           {0, 7}},
          {"{:d}",
           {value("1.5")},
           at_run,
           "ValueError",
           "Unknown format code 'd' for object of type 'float'",
           {0, 4}},
          {"{:s}",
           {value("1")},
           at_run,
           "ValueError",
           "Unknown format code 's' for object of type 'int'",
           {0, 4}},
          {"{:f}",
           {value("ink")},
           at_run,
           "ValueError",
           "Unknown format code 'f' for object of type 'str'",
           {0, 4}},
          {"{:.2d}", {value("1")}, at_run, "ValueError", "Precision not allowed", {0, 6}},
          {"{:=5}", {value("ink")}, at_run, "ValueError", "'=' alignment not allowed", {0, 5}},
          {"{:+}", {value("ink")}, at_run, "ValueError", "Sign not allowed", {0, 4}},
          {"{:,x}", {value("1")}, at_run, "ValueError", "Cannot specify ',' with 'x'.", {0, 5}},
          {"{:,_}", {value("1")}, at_run, "ValueError", "Cannot specify both ',' and '_'.", {0, 5}},
          {"{:.}",
           {value("1.5")},
           at_run,
           "ValueError",
           "Format specifier missing precision",
           {0, 4}},
          {"{:5 x}", {value("1")}, at_run, "ValueError", "Invalid format specifier", {0, 6}},
          {"{:5}",
           {value("[1]")},
           at_run,
           "TypeError",
           "unsupported format string passed to list.__format__",
           {0, 4}},
          {"{:5}", {value("nil:nil")}, at_run, "TypeError", "NoneType.__format__", {0, 4}},
          {"{:c}", {value("-1")}, at_run, "OverflowError", "%c arg not in range(0x110000)", {0, 4}},
          {"{:05}",
           {value("1+2i:complex")},
           at_run,
           "ValueError",
           "Zero padding is not allowed",
           {0, 5}},
          // The second field would fail too, by another name.
          {"{:d} {9}", {value("ink")}, at_run, "ValueError", "Unknown format code 'd'", {0, 4}},
          {"a\\x4{}", {value("1")}, at_compile, "SyntaxError", "too few digits", {1, 3}},
      });
}

TEST_CASE("an f-string is refused when it is compiled") {
  support::check_failures(
      python,
      {
          {"f'{}'", {}, at_compile, "SyntaxError", "empty expression not allowed", {2, 4}},
          {"f'}'", {}, at_compile, "SyntaxError", "single '}' is not allowed", {2, 3}},
          {"f'{x!z}'",
           {value("x=1")},
           at_compile,
           "SyntaxError",
           "invalid conversion character",
           {4, 6}},
          {"f'{x'", {value("x=1")}, at_compile, "SyntaxError", "expecting '}'", {2, 4}},
          {"f'{x:{x:{x:{x}}}}'",
           {value("x=1")},
           at_compile,
           "SyntaxError",
           "nested too deeply",
           {8, 9}},
          {"f'{if}'", {}, at_compile, "SyntaxError", "a keyword", {3, 5}},
          {"f'a\\'", {}, at_compile, "SyntaxError", "the last quote is escaped", {4, 5}},
          {"f'a'b'", {}, at_compile, "SyntaxError", "more follows", {3, 4}},
          {"f'{x['a']}'", {value("x={a: 1}")}, at_compile, "SyntaxError", "ends it here", {5, 6}},
          {"f'{y}'", {value("x=1")}, at_run, "NameError", "name 'y' is not defined", {2, 5}},
      });
  for (const char* source :
       {"f'{map(str, x)}'", "f'{lambda: x}'", "f'{1, 2}'", "f'{x @ x}'", "f'{range(x)}'"}) {
    INFO(source);
    const support::Answer got = support::answer(python, source, {value("x=1")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
}

TEST_CASE("what Python has and we do not yet says so, and limits are kept") {
  const std::pair<const char*, const char*> cases[] = {
      {"{0.bit_length}", "5"}, {"{0.__class__}", "5"},  {"{:c}", "55296"},
      {"{:2000000}", "5"},     {"{:.2000000f}", "1.5"},
  };
  for (const auto& [source, given] : cases) {
    INFO(source);
    const support::Answer got = support::answer(python, source, {value(given)}, {});
    CHECK(got.outcome.kind() == Outcome::Kind::error);
    CHECK_FALSE(got.outcome.as_error().remedy.empty());
  }
}

TEST_CASE("what surprises is noted") {
  support::check_notes(python, {
                                   {"{:.2f}", {value("2.675")}, "stored-off-tie"},
                                   {"{:.0f}", {value("2.5")}, "exact-tie"},
                                   {"{:.2f}", {value("2.5")}, ""},
                                   {"{}", {value("2.675")}, ""},
                                   {"{:.1f}", {value("0.25:f128")}, "type-converted exact-tie"},
                                   {"{:.2}", {value("ink")}, "text-cut"},
                                   {"{:4}", {value("墨")}, "width-counts-otherwise"},
                                   {"{}", {value("1"), value("2")}, "too-many-values"},
                                   {"\\q{}", {value("1")}, "unknown-escape"},
                                   {"'{}'", {value("1")}, "quotes-in-template"},
                               });
}

// Of reals, f, e and g are the C library's.
TEST_CASE("Python's numbers are the C library's, but for their marks") {
  const std::uint64_t seed = support::seed(2031);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(60'000); ++i) {
    const double number = random.real();
    const int precision = random.below(20);
    const int width = random.below(40);
    const char letter = random.pick({'f', 'e', 'g', 'E', 'G'});
    const bool zeros = random.one_in(3);
    const bool plus = random.one_in(3);
    const std::string flags = std::string(plus ? "+" : "") + (zeros ? "0" : "");
    const std::string rest =
        (width > 0 ? std::to_string(width) : "") + "." + std::to_string(precision) + letter;
    std::array<char, 512> expected{};
    std::snprintf(expected.data(), expected.size(), ("%" + flags + rest).c_str(), number);
    INFO(flags << rest << " of " << number);
    REQUIRE(printed("{:" + flags + rest + "}", {Value::real(number)}) == expected.data());
    // Grouped, only marks are added to the whole part.
    if (letter != 'f' || width > 0) continue;
    std::string grouped = printed("{:,." + std::to_string(precision) + "f}", {Value::real(number)});
    std::erase(grouped, ',');
    std::snprintf(expected.data(), expected.size(), "%.*f", precision, number);
    REQUIRE(grouped == expected.data());
  }
}

TEST_CASE("moments are the C library's") {
  const std::uint64_t seed = support::seed(905);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    std::tm tm{};
    tm.tm_year = random.below(400) + 1800 - 1900;
    tm.tm_mon = random.below(12);
    tm.tm_mday = 1 + random.below(28);
    tm.tm_hour = random.below(24);
    tm.tm_min = random.below(60);
    tm.tm_sec = random.below(60);
    timegm(&tm);
    const Moment moment{tm.tm_year + 1900, tm.tm_mon + 1, tm.tm_mday, tm.tm_hour,
                        tm.tm_min,         tm.tm_sec,     0};
    for (const char* codes : {"%a %A %b %B %c %C", "%d %D %e %F %g %G", "%h %H %I %j %k %l %m %M",
                              "%p %P %r %R %S %T %u", "%U %V %w %W %x %X %y %Y %%"}) {
      std::array<char, 256> expected{};
      std::strftime(expected.data(), expected.size(), codes, &tm);
      INFO(codes << " of " << moment_text(moment));
      REQUIRE(printed("{:" + std::string(codes) + "}", {Value::moment(moment)}) == expected.data());
    }
    CHECK(weekday(moment) == tm.tm_wday);
    CHECK(day_of_year(moment) == tm.tm_yday + 1);
  }
}

TEST_CASE("a spec made of values is the spec itself") {
  const std::uint64_t seed = support::seed(77);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(10'000); ++i) {
    const std::string width = std::to_string(1 + random.below(30));
    const std::string precision = std::to_string(random.below(12));
    const std::string align(1, random.pick({'<', '>', '^', '='}));
    const Value number = Value::real(random.real());
    const std::string straight = printed("{:*" + align + width + "." + precision + "e}", {number});
    CHECK(printed("{:*{}{}.{}e}", {number, Value::text(align), value(width.c_str()),
                                   value(precision.c_str())}) == straight);
    Value x = number;
    x.set_name("x");
    Value w = value(("w=" + width).c_str());
    CHECK(printed("f\"{x:*" + align + "{w}." + precision + "e}\"", {x, w}) == straight);
    // str.format counts what is in a spec after the field around it.
    CHECK(printed("{1:{0}}", {value(width.c_str()), Value::text("ink")}) ==
          printed("{:" + width + "}", {Value::text("ink")}));
  }
}
