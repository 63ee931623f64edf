// What recordings of `shell` cannot decide: what it complains of and where, what it leaves
// to later, and what it writes. The texts are those of dash 0.5.12.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/write/program.hpp"
#include "support/answers.hpp"

using namespace inky;

namespace {

const Dialect& shell = *find_dialect("shell");

support::Answer answer(std::string_view source, const std::vector<Value>& values) {
  return support::answer(shell, source, values, {});
}

}  // namespace

TEST_CASE("shell: what is complained of, where, and with which status") {
  struct Case {
    const char* source;
    std::vector<Value> values;
    const char* text;
    const char* as;
    const char* message;
    Span span;
    int status;
  };
  const Case cases[] = {
      {"at %d",
       {"K-07"},
       "at 0",
       "expected numeric value",
       "\"K-07\" is no whole number",
       {3, 5},
       1},
      {"%d|",
       {"12 g"},
       "12|",
       "not completely converted",
       "\"12 g\" has more after its number",
       {0, 2},
       1},
      {"%d",
       {"2.675"},
       "2",
       "not completely converted",
       "\"2.675\" has more after its number",
       {0, 2},
       1},
      {"%d",
       {"0x"},
       "0",
       "not completely converted",
       "\"0x\" has more after its number",
       {0, 2},
       1},
      {"%u",
       {"-18446744073709551616"},
       "18446744073709551615",
       "Numerical result out of range",
       "64 bits do not hold \"-18446744073709551616\"",
       {0, 2},
       1},
      {"%d",
       {"-9223372036854775809"},
       "-9223372036854775808",
       "Numerical result out of range",
       "64 bits do not hold \"-9223372036854775809\"",
       {0, 2},
       1},
      {"ab%q", {"x"}, "ab", "invalid directive", "printf of a shell has no such letter", {2, 4}, 2},
      {"ab%5", {}, "ab", "missing format character", "the field breaks off", {2, 4}, 2},
  };
  for (const Case& c : cases) {
    INFO(c.source);
    const support::Answer got = answer(c.source, c.values);
    CHECK(got.outcome.kind() == Outcome::Kind::complains);
    CHECK(got.text == c.text);
    CHECK(got.outcome.status() == c.status);
    REQUIRE(got.outcome.complaints().size() == 1);
    CHECK(got.outcome.complaints()[0].as == c.as);
    CHECK(got.outcome.complaints()[0].message == c.message);
    CHECK(got.outcome.complaints()[0].span.from == c.span.from);
    CHECK(got.outcome.complaints()[0].span.to == c.span.to);
  }
}

TEST_CASE("shell: the template is printed again while arguments are left") {
  const std::vector<Value> none;
  CHECK(answer("%d,%d;", {1, 2, 3}).text == "1,2;3,0;");
  CHECK(answer("x", {"y", "z"}).text == "x");
  CHECK(answer("%d|%c|%s|", none).text == std::string("0|\0||", 5));
  const support::Answer got = answer("%s=%d;", {"a", 1, "b", "x"});
  CHECK(got.text == "a=1;b=0;");
  REQUIRE(got.report.fields.size() == 4);
  CHECK(got.report.fields[2].value == 2);
  CHECK(got.report.fields[2].output.from == 4);
}

TEST_CASE("shell: bytes, numbers of characters, escapes") {
  struct Case {
    const char* source;
    std::vector<Value> values;
    std::string text;
  };
  const Case cases[] = {
      {"%d %d %d", {"'", "\"", "'\xC3\xA9"}, "0 0 195"},
      {"%5s|%.1s|%c", {"\xC3\xA9", "\xC3\xA9", "\xC3\xA9"}, "   \xC3\xA9|\xC3|\xC3"},
      {"%.0d|%+.0d|%#.0o|", {0, 0, 0}, "|+|0|"},
      {"%5c|%-3c|", {"a", "b"}, "    a|b  |"},
      {"\\1234\\q\\", {}, "S4\\q\\"},
      {"%d %o %x %u",
       {-5, -1, -1, -1},
       "-5 1777777777777777777777 ffffffffffffffff 18446744073709551615"},
      {"%d %d %d", {" 7", "017", "0X1f"}, "7 15 31"},
  };
  for (const Case& c : cases) {
    INFO(c.source);
    const support::Answer got = answer(c.source, c.values);
    CHECK(got.outcome.prints_cleanly());
    CHECK(got.text == c.text);
  }
  CHECK(answer("\\q", {}).codes == "unknown-escape");
}

TEST_CASE("shell: what is not supported yet says so, and an option is no template") {
  for (const auto& [source, value] : {std::pair<const char*, Value>{"%s", 2.5},
                                      {"%b", "\\0000"},
                                      {"%s", true},
                                      {"%s", Value()}}) {
    const support::Answer got = answer(source, {value});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
    CHECK(got.text.empty());
  }
  CHECK(answer("-x", {}).outcome.kind() == Outcome::Kind::fails_run);
  CHECK(answer("-x", {}).outcome.failure_name() == "Illegal option");
  CHECK(answer("-", {}).text == "-");
}

TEST_CASE("shell: reals are read from texts, and complained of where there are none") {
  struct Case {
    const char* source;
    Value value;
    const char* text;
    const char* as;  // empty: nothing is complained of
  };
  const Case cases[] = {
      {"%.2f", "2.675", "2.67", ""},
      {"%.2f", 2.675, "2.67", ""},
      {"%f", "1e400", "inf", "Numerical result out of range"},
      {"%g", "1e-400", "0", "Numerical result out of range"},
      {"%a", "0x1.8p3", "0x1.8p+3", ""},
      {"%F", "infinity", "INF", ""},
      {"%f", "nan(1)", "nan", ""},
      {"%.1f", "2.5x", "2.5", "not completely converted"},
      {"%f", "ink", "0.000000", "expected numeric value"},
      {"%e", "'A", "6.500000e+01", ""},
      {"%b|", "a\\tb\\0101\\102", "a\tbAB|", ""},
      {"%b|", "ab\\cde", "ab", ""},
  };
  for (const Case& c : cases) {
    INFO(c.source << " of " << describe(c.value));
    const support::Answer got = answer(c.source, {c.value});
    CHECK(got.text == c.text);
    if (*c.as == 0) {
      CHECK(got.outcome.prints_cleanly());
      continue;
    }
    REQUIRE(got.outcome.complaints().size() == 1);
    CHECK(got.outcome.complaints()[0].as == c.as);
    CHECK(got.outcome.status() == 1);
  }
}

TEST_CASE("shell: widths and precisions from arguments") {
  CHECK(answer("%*d|", {"6", "42"}).text == "    42|");
  CHECK(answer("%*d|", {"-6", "42"}).text == "42    |");
  CHECK(answer("%.*f|", {"2", "3.14159"}).text == "3.14|");
  CHECK(answer("%.*f|", {"-2", "3.14159"}).text == "3.141590|");
  CHECK(answer("%*s|", {"x", "ink"}).outcome.status() == 1);
  CHECK(answer("%*s|", {"99999999", "ink"}).outcome.as_error().code == Code::over_limit);
}

TEST_CASE("shell: a program has its texts in quotes that nothing ends") {
  const std::vector<Value> values = {"it's \"$HOME\" `id` \\"};
  const Template parsed = shell.parse("%s\\n").value();
  CHECK(write_program(shell, parsed, values).value() ==
        "#!/bin/sh\nv1=\"it's \\\"\\$HOME\\\" \\`id\\` \\\\\"\nprintf '%s\\n' \"$v1\"\n");
  const auto quoted = shell.parse("it's %s");
  REQUIRE_FALSE(quoted);
  CHECK(quoted.error().code == Code::bad_template);
  CHECK(quoted.error().span.from == 2);
  CHECK(shell.writer().write_literal("it's 100%\n") == "it\\047s 100%%\\n");
}
