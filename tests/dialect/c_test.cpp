// What the C library does not decide in `c`: what is undefined, notes, words, limits, writing.

#include <catch2/catch.hpp>
#include <string>

#include "inky_margin/dialect/dialect.hpp"
#include "support/answers.hpp"

using namespace inky;

namespace {

const Dialect& c = *find_dialect("c");

using support::Answer;
using support::value;

Answer answer(std::string_view source, const std::vector<Value>& values,
              const RenderOptions& options = {}) {
  return support::answer(c, source, values, options);
}

}  // namespace

TEST_CASE("what C leaves undefined is called so, with the reason and the field") {
  struct Case {
    const char* source;
    std::vector<Value> values;
    const char* why;
    Span span;
  };
  const Case cases[] = {
      {"a %d", {value("2.5")}, "%d reads an int, and 2.5 is passed as a double", {2, 4}},
      {"%f", {value("3")}, "%f reads a double, and 3 is passed as an int", {0, 2}},
      {"%s", {value("3")}, "%s reads a char*, and 3 is passed as an int", {0, 2}},
      {"%ld", {value("3")}, "%ld reads a 64-bit integer, and 3 is passed as an int", {0, 3}},
      {"%u", {value("3:i64")}, "%u reads an unsigned int, and 3 is passed as a long", {0, 2}},
      {"%Lf", {value("2.5")}, "%Lf reads a long double, and 2.5 is passed as a double", {0, 3}},
      {"%f", {value("2.5:f80")}, "%f reads a double, and 2.5 is passed as a long double", {0, 2}},
      {"%d",
       {value("5:i128")},
       "%d reads an int, and 5 is of type i128, which C cannot pass to printf",
       {0, 2}},
      {"%s", {Value()}, "%s reads the text at a pointer, and nil is a null pointer", {0, 2}},
      {"%p",
       {value("ink")},
       "%p prints an address, which is known only when the program runs",
       {0, 2}},
      {"%d %d", {value("1")}, "%d takes value 2, and there is 1", {3, 5}},
      {"%n",
       {value("1")},
       "%n writes to memory through a pointer; Inky Margin never performs it",
       {0, 2}},
      {"%y",
       {value("1")},
       "C has no conversion \"y\"; a percent sign itself is written %%",
       {0, 2}},
      {"100%", {}, "the template ends inside a field; a percent sign itself is written %%", {3, 4}},
      {"%5%", {}, "%% takes no flags, width, precision or length; they are undefined", {0, 3}},
      {"%05s", {value("ink")}, "the flag 0 is undefined with %s", {0, 4}},
      {"%#d", {value("1")}, "the flag # is undefined with %d", {0, 3}},
      {"%'x", {value("1")}, "the flag ' is undefined with %x", {0, 3}},
      {"%.2c", {value("65")}, "a precision is undefined with %c", {0, 4}},
      {"%hf", {value("1.5")}, "the length h is undefined with %f", {0, 3}},
      {"%Ld", {value("1")}, "the length L is undefined with %d", {0, 3}},
      {"%*d",
       {value("2.5"), value("1")},
       "the * of %d reads an int, and 2.5 is passed as a double",
       {0, 3}},
      {"%1$d %d",
       {value("1"), value("2")},
       "fields with and without a position (n$) are mixed in one template",
       {5, 7}},
      {"%2$d",
       {value("1"), value("2")},
       "value 1 is used by no field, so the type of what is passed before value 2 is unknown",
       {0, 4}},
  };
  for (const Case& test : cases) {
    INFO(test.source);
    const Answer got = answer(test.source, test.values);
    REQUIRE(got.outcome.kind() == Outcome::Kind::undefined);
    CHECK(got.outcome.why() == test.why);
    CHECK(got.outcome.span() == test.span);
    CHECK(got.text.empty());
  }
}

TEST_CASE("limits and unprintable characters end clearly") {
  const Result<Template> wide = c.parse("%2000000000d");
  REQUIRE_FALSE(wide.ok());
  CHECK(wide.error().message == "the width is over the limit of 1000000");
  CHECK(wide.error().span == Span{1, 11});
  CHECK_FALSE(c.parse("%.99999999999999999999f").ok());
  CHECK_FALSE(c.parse("%5000$d").ok());
  CHECK_FALSE(c.parse(std::string(most_template + 1, 'x')).ok());
  CHECK_FALSE(c.parse("\xff").ok());
  CHECK(answer("%*d", {value("1000001"), value("1")}).outcome.kind() == Outcome::Kind::error);
  std::string many;
  for (int i = 0; i < 20; ++i) many += "%1$1000000d";
  CHECK(answer(many, {value("1")}).outcome.kind() == Outcome::Kind::error);
  const Answer wide_in_c = answer("%lc", {value("'Ω':char")});
  CHECK(wide_in_c.outcome.kind() == Outcome::Kind::fails_run);
  CHECK(wide_in_c.outcome.failure_name() == "EILSEQ");
}

TEST_CASE("notes teach where people go wrong") {
  struct Case {
    const char* source;
    std::vector<Value> values;
    const char* text;
    const char* codes;
  };
  const Case cases[] = {
      {"%.2f", {value("2.675")}, "2.67", "stored-off-tie"},
      {"%.2f", {value("1.005")}, "1.00", "stored-off-tie"},
      {"%.2f", {value("0x1.5666666666666p+1:f64")}, "2.67", ""},
      {"%.2f", {value("0.125")}, "0.12", "exact-tie"},
      {"%.0f", {value("2.5")}, "2", "exact-tie"},
      {"%.3f", {value("2.5")}, "2.500", ""},
      {"%.20f", {value("0.1")}, "0.10000000000000000555", "digits-past-precision"},
      {"%.20f", {value("0.5")}, "0.50000000000000000000", ""},
      {"%u", {value("-7")}, "4294967289", "bits-reinterpreted"},
      {"%d", {value("4294967295:u32")}, "-1", "bits-reinterpreted"},
      {"%hhd", {value("300")}, "44", "value-wrapped"},
      {"%hhu", {value("-1")}, "255", "bits-reinterpreted"},
      {"%c", {value("'Ω':char")}, "\xa9", "low-byte-only"},
      {"%.3s", {value("inkwell")}, "ink", "text-cut"},
      {"%.1s", {value("é")}, "\xc3", "character-cut"},
      {"%-9s|", {value("Zinkweiß")}, "Zinkweiß|", "width-counts-otherwise"},
      {"%-8s|", {value("Zinkweiß")}, "Zinkweiß|", ""},
      {"%+u", {value("5")}, "5", "flag-without-effect"},
      {"%-05d|", {value("5")}, "5    |", "flag-overridden"},
      {"%05.2d", {value("5")}, "   05", "flag-overridden"},
      {"%+ d", {value("5")}, "+5", "flag-overridden"},
      {"%'d", {value("1234567")}, "1234567", "no-grouping-in-locale"},
      {"%p", {Value()}, "(nil)", "implementation-defined"},
      {"%ls", {value("ink")}, "ink", "wide-literal"},
      {"%d", {value("1"), value("2")}, "1", "too-many-values"},
      {"\"%d\"", {value("1")}, "\"1\"", "quotes-in-template"},
      {"50\\q %d", {value("1")}, "50q 1", "unknown-escape"},
      {"%#.6g", {value("999999.9999999999")}, "1.e+06", "departs-from-standard"},
  };
  for (const Case& test : cases) {
    INFO(test.source);
    const Answer got = answer(test.source, test.values);
    if (!got.outcome.prints()) FAIL(got.outcome.why());
    CHECK(got.text == test.text);
    CHECK(got.codes == test.codes);
    for (const Note& note : got.report.notes)
      CHECK(note.span.to <= std::string_view(test.source).size());
  }
}

TEST_CASE("escapes are those of a C string literal") {
  CHECK(answer("\\n\\t\\\"\\'\\\\\\?\\a\\b\\f\\r\\v", {}).text == "\n\t\"'\\?\a\b\f\r\v");
  // A zero byte ends the template.
  CHECK(answer("\\101\\x41\\0", {}).text == "AA");
  CHECK(answer("\\u03a9\\U0001F5A8", {}).text == "Ω🖨");
  CHECK(answer("100%%", {}).text == "100%");
}

TEST_CASE("a report places every field in the text") {
  const Answer got = answer("%d|%5s|%.1f", {value("1"), value("ink"), value("2.5")});
  REQUIRE(got.report.fields.size() == 3);
  CHECK(got.text == "1|  ink|2.5");
  CHECK(got.report.fields[1].output == Span{2, 7});
  CHECK(got.report.fields[2].output == Span{8, 11});
}

TEST_CASE("the words of a field cover it, part by part") {
  for (const char* source :
       {"%+08.2f", "%-6s", "%3$*1$.*2$Lg", "%%", "%hhd", "%5%", "%y", "%", "a%'d b"}) {
    INFO(source);
    const Result<Template> parsed = c.parse(source);
    REQUIRE(parsed.ok());
    std::size_t at = 0;
    for (const Words& words : c.explain(*parsed)) {
      if (words.role == "undefined") continue;
      CHECK(words.span.from == at);
      CHECK_FALSE(words.meaning.empty());
      at = words.span.to;
    }
    CHECK(at == std::string_view(source).size());
  }
}

TEST_CASE("a wish that C can express is written as the field that means it") {
  for (const char* source :
       {"%lld", "%8lld", "%+08lld", "%-8.3lld", "% lld", "%llx", "%#llX", "%10.2f", "%-+10.2f",
        "%012.4e", "%.3g", "%#.3g", "%a", "%-12.5s", "%12s"}) {
    INFO(source);
    const Result<Template> parsed = c.parse(source);
    REQUIRE(parsed.ok());
    CHECK(c.writer().write(parsed->fields()[0].spec).source == source);
  }
}

TEST_CASE("rendering into a caller's buffer says what would have fitted") {
  const Result<Template> parsed = c.parse("%08.2f|%d|%s");
  const Value values[] = {value("2.675"), value("-42"), value("ink")};
  for (std::size_t size = 0; size < 20; ++size) {
    char room[20];
    FixedOutput out(std::span<char>(room, size));
    REQUIRE(c.render(*parsed, values, out).prints());
    CHECK(out.needed() == 16);
    CHECK(out.view() == std::string_view("00002.67|-42|ink").substr(0, size));
  }
}
