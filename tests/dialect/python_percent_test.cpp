// What recordings of `python-percent` cannot decide: why it fails and where, notes, words,
// and what its own conversions promise. What it prints is replayed from recordings, and asked again
// of Python itself, by the tests of the tool.

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <string>
#include <thread>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/answers.hpp"
#include "support/random_values.hpp"

using namespace inky;

namespace {

const Dialect& python = *find_dialect("python-percent");

using support::Answer;
using support::value;

Answer answer(std::string_view source, const std::vector<Value>& values,
              const RenderOptions& options = {}) {
  return support::answer(python, source, values, options);
}

}  // namespace

TEST_CASE("Python raises by name, at run time, at the first field that fails") {
  struct Case {
    const char* source;
    std::vector<Value> values;
    const char* exception;
    const char* why;
    Span span;
  };
  const Case cases[] = {
      {"a %d",
       {value("ink")},
       "TypeError",
       "%d format: a real number is required, not str",
       {2, 4}},
      {"%x", {value("1.5")}, "TypeError", "%x format: an integer is required, not float", {0, 2}},
      {"%f", {value("nil:nil")}, "TypeError", "must be real number, not NoneType", {0, 2}},
      {"%c", {value("ink")}, "TypeError", "%c requires int or char", {0, 2}},
      {"%c", {value("-1")}, "OverflowError", "%c arg not in range(0x110000)", {0, 2}},
      {"%d",
       {value("inf:f64")},
       "OverflowError",
       "cannot convert float infinity to integer",
       {0, 2}},
      {"%d", {value("nan:f64")}, "ValueError", "cannot convert float NaN to integer", {0, 2}},
      {"%s|%5s",
       {value("1")},
       "TypeError",
       "not enough arguments for format string: %s finds none left",
       {3, 6}},
      {"%s",
       {value("1"), value("2")},
       "TypeError",
       "not all arguments converted during string formatting",
       {0, 2}},
      {"%*d", {value("2.5"), value("1")}, "TypeError", "* wants int, not float", {0, 3}},
      {"%(mass)s", {value("1")}, "TypeError", "format requires a mapping", {0, 8}},
      {"%(mass)s", {value("lot=1")}, "KeyError", "'mass'", {0, 8}},
      {"%(mass",
       {value("lot=1")},
       "ValueError",
       "incomplete format key: its parenthesis is not closed",
       {0, 6}},
      {"%",
       {},
       "ValueError",
       "incomplete format: the template ends inside a field; a percent sign itself is written %%",
       {0, 1}},
      {"%y",
       {value("1")},
       "ValueError",
       "unsupported format character; a percent sign itself is written %%",
       {0, 2}},
      // The second field would fail too, by another name.
      {"%d %y",
       {value("ink"), value("1")},
       "TypeError",
       "%d format: a real number is required, not str",
       {0, 2}},
  };
  for (const Case& c : cases) {
    INFO(c.source);
    const Answer got = answer(c.source, c.values);
    REQUIRE(got.outcome.kind() == Outcome::Kind::fails_run);
    CHECK(got.outcome.failure_name() == c.exception);
    CHECK(got.outcome.why() == c.why);
    CHECK(got.outcome.span() == c.span);
    CHECK(got.text.empty());
  }
}

// Written by asking CPython 3.11.7, one by one: the cases a reader would look for first.
TEST_CASE("the edges of each conversion, as Python prints them") {
  struct Case {
    const char* source;
    Value value;
    const char* text;
  };
  const Case cases[] = {
      {"%05f", Value::real(INFINITY), "00inf"},
      {"%+05f", Value::real(NAN), "+0nan"},
      {"%F", Value::real(NAN), "NAN"},
      {"%f", Value::real(-NAN), "nan"},
      {"%d", Value::real(1.9), "1"},
      {"%d", Value::real(-1.9), "-1"},
      {"%d", Value::real(-0.5), "0"},
      {"%x", value("-255"), "-ff"},
      {"%#x", value("-255"), "-0xff"},
      {"%#.5x", value("42"), "0x0002a"},
      {"%#o", value("8"), "0o10"},
      {"%#o", value("0"), "0o0"},
      {"%#x", value("0"), "0x0"},
      {"%.0d", value("0"), "0"},
      {"%.5d", value("-42"), "-00042"},
      {"%08.5d", value("-42"), "-0000042"},
      {"%-08d|", value("42"), "42      |"},
      {"% d", value("42"), " 42"},
      {"%+ d", value("42"), "+42"},
      {"%+x", value("42"), "+2a"},
      {"% x", value("-42"), "-2a"},
      {"%#X", value("255"), "0XFF"},
      {"%s", Value::real(1.0), "1.0"},
      {"%s", Value::real(1e+16), "1e+16"},
      {"%s", Value::real(1000000000000000.0), "1000000000000000.0"},
      {"%s", Value::real(1.2345678901234568e+17), "1.2345678901234568e+17"},
      {"%s", Value::real(1e-05), "1e-05"},
      {"%s", Value::real(0.0001), "0.0001"},
      {"%s", Value::real(1e+22), "1e+22"},
      {"%s", Value::real(5e-324), "5e-324"},
      {"%s", Value::real(-0.0), "-0.0"},
      {"%s", Value::truth(true), "True"},
      {"%d", Value::truth(true), "1"},
      {"%s", Value(), "None"},
      {"%c", value("65"), "A"},
      {"%c", Value::text("Ω"), "Ω"},
      {"%05c|", Value::text("a"), "    a|"},
      {"%.0c|", Value::text("a"), "a|"},
      {"%5.1s|", Value::text("Ωab"), "    Ω|"},
      {"%r", Value::text("it's"), "\"it's\""},
      {"%r", Value::text("say \"ink\""), "'say \"ink\"'"},
      {"%r", Value::text("both ' and \""), "'both \\' and \"'"},
      {"%r",
       Value::text("tab\tline\n\x7f"
                   "\u00a0é墨\u200b"),
       "'tab\\tline\\n\\x7f\\xa0é墨\\u200b'"},
      {"%a", Value::text("é墨🖨"), "'\\xe9\\u58a8\\U0001f5a8'"},
      {"%a", Value::text("ink"), "'ink'"},
      {"%ld", value("5"), "5"},
      {"%Lf", value("5"), "5.000000"},
      {"%.f", Value::real(2.5), "2"},
      {"%.g", Value::real(2.5), "2"},
      {"%g", Value::real(100000.0), "100000"},
      {"%g", Value::real(1000000.0), "1e+06"},
      {"%#g", Value::real(1.0), "1.00000"},
      {"%#.0f", Value::real(1.0), "1."},
      {"%#.0e", Value::real(1.0), "1.e+00"},
      {"%G", Value::real(1e-10), "1E-10"},
      {"%#.3g", Value::real(999999.9999999999), "1.00e+06"},
      {"%#.6g", Value::real(999999.9999999999), "1.00000e+06"},
      {"%f", value("10000000000000000000000"), "10000000000000000000000.000000"},
      {"%s", value("1000000000000000000000000000000"), "1000000000000000000000000000000"},
      {"%x", value("1000000000000000000000000000000"), "c9f2c9cd04674edea40000000"},
      {"%o", value("-10000000000000000000000000"), "-4105452130240024411200000000"},
      {"%.3s|", value("12345"), "123|"},
      {"%.3r|", Value::real(1.23456), "1.2|"},
      {"%#s", Value::text("a"), "a"},
      {"%+s", Value::text("a"), "a"},
      {"%05s|", Value::text("ab"), "   ab|"},
      {"%u", value("-7"), "-7"},
      {"%i", Value::real(3.99), "3"},
      {"%o", value("-8"), "-10"},
      {"%d", Value::real(1e+23), "99999999999999991611392"},
      {"%.2x", value("1"), "01"},
      {"%0-5d|", value("3"), "3    |"},
      {"%+05d", value("3"), "+0003"},
      {"%#5x|", value("255"), " 0xff|"},
      {"%#08x", value("255"), "0x0000ff"},
      {"%#-8x|", value("255"), "0xff    |"},
      {"%08.3x", value("255"), "000000ff"},
      {"%#08.3x|", value("255"), "0x0000ff|"},
      {"%+08.3f", Value::real(2.5), "+002.500"},
      {"%-08.3f|", Value::real(2.5), "2.500   |"},
      {"% 08.3f", Value::real(2.5), " 002.500"},
      {"%08s|", Value::real(1.5), "     1.5|"},
      {"%.50f", Value::real(0.1), "0.10000000000000000555111512312578270211815834045410"},
      {"%.0f", Value::real(0.5), "0"},
      {"%.0f", Value::real(1.5), "2"},
      {"%.0f", Value::real(2.5), "2"},
      {"%.2f", Value::real(2.675), "2.67"},
      {"%.2f", Value::real(0.125), "0.12"},
      {"%.1f", Value::real(1.45), "1.4"},
      {"%.1f", Value::real(1e+23), "99999999999999991611392.0"},
      {"%c", Value::truth(true),
       "\x01"
       ""},
      {"%x", Value::truth(true), "1"},
      {"%5.3d|", value("7"), "  007|"},
      {"%05.3d|", value("7"), "00007|"},
      {"%e", Value::real(0.0), "0.000000e+00"},
      {"%g", Value::real(0.0001), "0.0001"},
      {"%g", Value::real(1e-05), "1e-05"},
      {"%E", Value::real(12345.678), "1.234568E+04"},
      {"%10.4e|", Value::real(-1e-300), "-1.0000e-300|"},
      {"%d", value("1180591620717411303424"), "1180591620717411303424"},
      {"%30d|", value("-1180591620717411303424"), "       -1180591620717411303424|"},
      {"%030x", value("1180591620717411303424"), "000000000000400000000000000000"},
  };
  for (const Case& c : cases) {
    INFO(c.source << " of " << describe(c.value));
    const Answer got = answer(c.source, {c.value});
    CHECK(got.outcome.prints());
    CHECK(got.text == c.text);
  }
}

TEST_CASE("a text that Python cannot compile is refused as a whole") {
  for (const char* source : {"a\\x4", "\\u12", "\\U0011ffff", "ink\\"}) {
    INFO(source);
    const Answer got = answer(source, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::fails_compile);
    CHECK(got.outcome.failure_name() == "SyntaxError");
  }
}

TEST_CASE("notes of Python teach where people go wrong") {
  struct Case {
    const char* source;
    std::vector<Value> values;
    const char* codes;
  };
  const Case cases[] = {
      {"%d", {value("2.9")}, "cut-to-whole"},
      {"%d", {value("2.0")}, ""},
      {"%.2f", {value("2.675")}, "stored-off-tie"},
      {"%.2f", {value("0.125")}, "exact-tie"},
      {"%f", {value("1.5:f80")}, "type-converted"},
      {"%s", {value("1.5:f128")}, "type-converted"},
      {"%.2s", {value("ink")}, "text-cut"},
      {"%6s", {value("墨")}, "width-counts-otherwise"},
      {"%+s", {value("ink")}, "flag-without-effect"},
      {"%-05d", {value("7")}, "flag-overridden"},
      {"%+ d", {value("7")}, "flag-overridden"},
      {"'%d'", {value("7")}, "quotes-in-template"},
      {"\"%d\"", {value("7")}, "quotes-in-template"},
      {"\\q%d", {value("7")}, "unknown-escape"},
      {"%u", {value("-7")}, ""},
  };
  for (const Case& c : cases) {
    INFO(c.source);
    const Answer got = answer(c.source, c.values);
    CHECK(got.outcome.prints());
    CHECK(got.codes == c.codes);
  }
}

TEST_CASE("wherever c and Python mean the same, they print the same") {
  const Dialect& c = *find_dialect("c");
  const std::uint64_t seed = support::seed(1991);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(60'000); ++i) {
    std::string source = "%";
    for (const char flag : {'-', '+', ' ', '#', '0'}) {
      if (random.one_in(4)) source += flag;
    }
    if (random.one_in(2)) source += std::to_string(1 + random.below(30));
    const bool real = random.one_in(2);
    // With a precision, zeros in front of a whole number are C's alone to drop.
    const bool zeros = source.find('0') < source.find_first_of("123456789");
    if (random.one_in(2) && (real || !zeros)) source += "." + std::to_string(random.below(20));
    Value number;
    if (real) {
      const double any = random.any_real();
      number = Value::real(std::isfinite(any) ? any : 1.5);
      source += random.pick({'e', 'E', 'f', 'F', 'g', 'G'});
    } else {
      const int whole = static_cast<int>(random.whole() & 0x7FFFFFFF);
      number = Value::whole(Type::i32, whole == 0 ? 1 : random.one_in(2) ? whole : -whole);
      // In C a # of d is undefined.
      source.erase(std::remove(source.begin(), source.end(), '#'), source.end());
      source += random.pick({'d', 'i'});
    }
    const Result<Template> theirs = c.parse(source);
    const Result<Template> ours = python.parse(source);
    TextBuffer a;
    TextBuffer b;
    REQUIRE(c.render(*theirs, {&number, 1}, a).prints());
    REQUIRE(python.render(*ours, {&number, 1}, b).prints());
    Report report;
    TextBuffer again;
    (void)c.render(*theirs, {&number, 1}, {}, again, &report);
    const bool slip = std::any_of(report.notes.begin(), report.notes.end(), [](const Note& note) {
      return note.code == Code::departs_from_standard;
    });
    if (!slip && a.view() != b.view())
      FAIL(source << " of " << describe(number) << ": c " << a.view() << ", Python " << b.view());
  }
}

TEST_CASE("Python into a caller's buffer, by other widths, and by many threads") {
  char room[6];
  FixedOutput fixed(room);
  const Template parsed = *python.parse("%s and %s");
  const Value values[] = {Value::text("ink"), Value::text("paper")};
  CHECK(python.render(parsed, values, fixed).prints());
  CHECK(fixed.view() == "ink an");
  CHECK(fixed.needed() == 13);
  RenderOptions columns;
  columns.width_of = WidthUnit::columns;
  CHECK(answer("%4s|", {value("墨")}, columns).text == "  墨|");
  CHECK(answer("%4s|", {value("墨")}).text == "   墨|");
  const Template row = *python.parse("%(pigment)-12s|%(mass)10.2f|%(lot)#06x");
  std::vector<Value> named = {value("pigment=ink"), value("mass=2.675"), value("lot=-255")};
  std::vector<std::thread> threads;
  std::vector<std::string> texts(4);
  for (std::size_t t = 0; t < texts.size(); ++t) {
    threads.emplace_back([&, t] {
      for (int i = 0; i < 2000; ++i) {
        TextBuffer out;
        if (python.render(row, named, out).prints()) texts[t] = out.string();
      }
    });
  }
  for (std::thread& thread : threads) thread.join();
  for (const std::string& text : texts) CHECK(text == "ink         |      2.67|-0x0ff");
  const Result<Template> wide = python.parse("%2000000d");
  REQUIRE_FALSE(wide.ok());
  CHECK(wide.error().code == Code::over_limit);
}
