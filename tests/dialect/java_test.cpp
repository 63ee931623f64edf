// What recordings of `java` cannot decide: why it fails and where, notes, limits; and the
// cases a reader would look for first. What it prints is replayed from recordings, and asked again
// of the runtime itself, by the tests of the tool.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& java = *find_dialect("java");

}  // namespace

// Written by asking OpenJDK 17.0.15, one by one.
TEST_CASE("the edges of each conversion, as Java prints them") {
  support::check_edges(
      java, {
                {"%.2f", {value("0.125")}, "0.13"},
                {"%.2f", {value("2.675")}, "2.68"},
                {"%.1f", {value("1.45")}, "1.5"},
                {"%.0f", {value("2.5")}, "3"},
                {"%.0f", {value("0.5")}, "1"},
                {"%.1f", {value("1e23")}, "99999999999999990000000.0"},
                {"%.20f", {value("0.1")}, "0.10000000000000000000"},
                {"%.25f", {value("0.1")}, "0.1000000000000000000000000"},
                {"%f", {value("1.1:f32")}, "1.100000"},
                {"%s", {value("1.1:f32")}, "1.1"},
                {"%.10f", {value("1.1:f32")}, "1.1000000238"},
                {"%e", {value("12345.678")}, "1.234568e+04"},
                {"%E", {value("1e-300")}, "1.000000E-300"},
                {"%.0e", {value("2.5")}, "3e+00"},
                {"%#.0e", {value("2.5")}, "3.e+00"},
                {"%e", {value("0.0")}, "0.000000e+00"},
                {"%g", {value("0.0001")}, "0.000100000"},
                {"%g", {value("0.00001")}, "1.00000e-05"},
                {"%g", {value("123456.0")}, "123456"},
                {"%g", {value("1234567.0")}, "1.23457e+06"},
                {"%g", {value("0.0")}, "0.00000"},
                {"%.0g", {value("2.5")}, "3"},
                {"%.3g", {value("999.95")}, "1.00e+03"},
                {"%g", {value("99999.95")}, "100000"},
                {"%a", {value("1.0")}, "0x1.0p0"},
                {"%a", {value("0x0.0000000000001p-1022:f64")}, "0x0.0000000000001p-1022"},
                {"%.1a", {value("0x0.0000000000001p-1022:f64")}, "0x1.0p-1074"},
                {"%.0a", {value("1.96875")}, "0x1.0p1"},
                {"%.3a", {value("1.9999999")}, "0x1.000p1"},
                {"%A", {value("-0.1")}, "-0X1.999999999999AP-4"},
                {"%020a", {value("0.5")}, "0x0000000000001.0p-1"},
                {"%f", {value("-0.0")}, "-0.000000"},
                {"%.2f", {value("-0.001")}, "-0.00"},
                {"%(.2f", {value("-1.5")}, "(1.50)"},
                {"%(,.2f", {value("-1234567.891")}, "(1,234,567.89)"},
                {"%,d", {value("-1234567")}, "-1,234,567"},
                {"%(d", {value("-7")}, "(7)"},
                {"%08d", {value("-42")}, "-0000042"},
                {"%(08d", {value("-42")}, "(000042)"},
                {"%+,012d", {value("1234567")}, "+001,234,567"},
                {"%+d", {value("0")}, "+0"},
                {"% d", {value("42")}, " 42"},
                {"%f", {value("nan:f64")}, "NaN"},
                {"%+f", {value("nan:f64")}, "NaN"},
                {"%09f", {value("inf:f64")}, " Infinity"},
                {"%(12f", {value("-inf:f64")}, "  (Infinity)"},
                {"%E", {value("-inf:f64")}, "-INFINITY"},
                {"%x", {value("-1")}, "ffffffff"},
                {"%x", {value("-1:i8")}, "ff"},
                {"%x", {value("-1:i16")}, "ffff"},
                {"%x", {value("-1:i64")}, "ffffffffffffffff"},
                {"%x", {value("-255:big")}, "-ff"},
                {"%#X", {value("255")}, "0XFF"},
                {"%#o", {value("8")}, "010"},
                {"%#012x", {value("255")}, "0x00000000ff"},
                {"%o", {value("-8")}, "37777777770"},
                {"%+x", {value("255:big")}, "+ff"},
                {"%c", {value("65")}, "A"},
                {"%c", {value("0x1F5A8:i32")}, "🖨"},
                {"%C", {value("'k':char")}, "K"},
                {"%c", {value("0xD83D:i32")}, "?"},
                {"%5c|", {value("'Ω':char")}, "    Ω|"},
                {"%s", {value("100.0")}, "100.0"},
                {"%s", {value("1e7")}, "1.0E7"},
                {"%s", {value("9999999.0")}, "9999999.0"},
                {"%s", {value("0.001")}, "0.001"},
                {"%s", {value("0.0001")}, "1.0E-4"},
                {"%s", {value("1e23")}, "9.999999999999999E22"},
                {"%s", {value("2.0:f16")}, "2.0"},
                {"%s", {value("true:truth")}, "true"},
                {"%s", {value("nil:nil")}, "null"},
                {"%.2f", {value("nil:nil")}, "nu"},
                {"%d|", {value("nil:nil")}, "null|"},
                {"%08d|", {value("nil:nil")}, "    null|"},
                {"%b", {value("nil:nil")}, "false"},
                {"%b", {value("0")}, "true"},
                {"%B", {value("false:truth")}, "FALSE"},
                {"%.1b", {value("true:truth")}, "t"},
                {"%h", {value("ink")}, "197e6"},
                {"%h", {value("2.675")}, "26630000"},
                {"%H", {value("-1:i64")}, "0"},
                {"%h", {value("12345678901234567890:big")}, "aa5f92c6"},
                {"%h", {value("true:truth")}, "4cf"},
                {"%h", {value("1.5:f32")}, "3fc00000"},
                {"%h", {value("-255:big")}, "ffffff01"},
                {"%S", {value("Zinkweiß")}, "ZINKWEISS"},
                {"%.1s|", {value("🖨")}, "?|"},
                {"%4s|", {value("🖨")}, "  🖨|"},
                {"%-6s|", {value("墨")}, "墨     |"},
                {"%.2s|", {value("étude")}, "ét|"},
                {"%2$s %1$s %<s %s", {value("ink"), value("oil")}, "oil ink ink ink"},
                {"%5%|%-5%|%n", {}, "    %|%    |\n"},
                {"%s", {value("[1, 2.5, nil]")}, "[1, 2.5, null]"},
            });
}

TEST_CASE("Java checks the whole template before it prints, and raises by name") {
  constexpr auto run = Outcome::Kind::fails_run;
  constexpr auto compile = Outcome::Kind::fails_compile;
  support::check_failures(
      java,
      {
          {"a %d",
           {value("ink")},
           run,
           "IllegalFormatConversionException",
           "d != java.lang.String",
           {2, 4}},
          {"%f",
           {value("7")},
           run,
           "IllegalFormatConversionException",
           "f != java.lang.Integer",
           {0, 2}},
          {"%d",
           {value("2.5")},
           run,
           "IllegalFormatConversionException",
           "d != java.lang.Double",
           {0, 2}},
          {"%c",
           {value("65:i64")},
           run,
           "IllegalFormatConversionException",
           "c != java.lang.Long",
           {0, 2}},
          {"%c",
           {value("-1")},
           run,
           "IllegalFormatCodePointException",
           "-1 is no code point",
           {0, 2}},
          {"%s|%5s",
           {value("1")},
           run,
           "MissingFormatArgumentException",
           "finds no value 2",
           {3, 6}},
          {"%<s",
           {value("1")},
           run,
           "MissingFormatArgumentException",
           "no field before it",
           {0, 3}},
          {"%3$s", {value("1")}, run, "MissingFormatArgumentException", "finds no value 3", {0, 4}},
          // Whatever the values are, and wherever the fault stands.
          {"%d %y",
           {value("ink")},
           run,
           "UnknownFormatConversionException",
           "no such letter",
           {3, 5}},
          {"%", {}, run, "UnknownFormatConversionException", "not a field", {0, 1}},
          {"%.f", {value("1.5")}, run, "UnknownFormatConversionException", "not a field", {0, 3}},
          {"%*d",
           {value("5"), value("1")},
           run,
           "UnknownFormatConversionException",
           "not a field",
           {0, 2}},
          {"%0$s",
           {value("1")},
           run,
           "IllegalFormatArgumentIndexException",
           "count from 1",
           {0, 4}},
          {"%--5d", {value("1")}, run, "DuplicateFormatFlagsException", "written twice", {0, 5}},
          {"%-d", {value("1")}, run, "MissingFormatWidthException", "want a width", {0, 3}},
          {"%0d", {value("1")}, run, "MissingFormatWidthException", "want a width", {0, 3}},
          {"%+ d", {value("1")}, run, "IllegalFormatFlagsException", "exclude each other", {0, 4}},
          {"%-05d", {value("1")}, run, "IllegalFormatFlagsException", "exclude each other", {0, 5}},
          {"%.2d",
           {value("1")},
           run,
           "IllegalFormatPrecisionException",
           "takes no precision",
           {0, 4}},
          {"%.2c",
           {value("1")},
           run,
           "IllegalFormatPrecisionException",
           "takes no precision",
           {0, 4}},
          {"%5n", {}, run, "IllegalFormatWidthException", "takes no width", {0, 3}},
          {"%-n", {}, run, "IllegalFormatFlagsException", "takes no flags", {0, 3}},
          {"%#d",
           {value("1")},
           run,
           "FormatFlagsConversionMismatchException",
           "does not go with %d",
           {0, 3}},
          {"%,x",
           {value("1")},
           run,
           "FormatFlagsConversionMismatchException",
           "does not go with %x",
           {0, 3}},
          {"%#g",
           {value("1.5")},
           run,
           "FormatFlagsConversionMismatchException",
           "does not go with %g",
           {0, 3}},
          {"%+s",
           {value("1")},
           run,
           "FormatFlagsConversionMismatchException",
           "does not go with %s",
           {0, 3}},
          {"%#s",
           {value("1")},
           run,
           "FormatFlagsConversionMismatchException",
           "Formattable",
           {0, 3}},
          {"%+x",
           {value("255")},
           run,
           "FormatFlagsConversionMismatchException",
           "BigInteger",
           {0, 3}},
          {"a\\q", {}, compile, "illegal escape character", "no such escape", {1, 3}},
          {"a\\", {}, compile, "illegal escape character", "no such escape", {1, 2}},
          {"\\u12", {}, compile, "illegal unicode escape", "four hexadecimal digits", {0, 4}},
      });
  for (const char* source : {"\\uD83D", "\\u0022", "%\\144"}) {
    INFO(source);
    const support::Answer got = support::answer(java, source, {value("1")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
}

TEST_CASE("notes of Java teach where people go wrong") {
  support::check_notes(java, {
                                 {"%.2f", {value("2.675")}, "decimal-rounded"},
                                 {"%.2f", {value("0.125")}, "decimal-rounded"},
                                 {"%.2f", {value("2.665")}, ""},
                                 {"%.2e", {value("1.125")}, "decimal-rounded"},
                                 {"%.3g", {value("0.0001235")}, "decimal-rounded"},
                                 {"%.20f", {value("0.1")}, "digits-past-precision"},
                                 {"%.20f", {value("0.5")}, ""},
                                 {"%x", {value("-7")}, "bits-reinterpreted"},
                                 {"%x", {value("-7:big")}, ""},
                                 {"%d", {value("7:u64")}, "type-converted"},
                                 {"%f", {value("1.5:f80")}, "type-converted"},
                                 {"%s", {value("'🖨':char")}, "type-converted"},
                                 {"%.1s", {value("ink")}, "text-cut"},
                                 {"%.1s", {value("🖨")}, "character-cut"},
                                 {"%c", {value("0xD83D:i32")}, "character-cut"},
                                 {"%6s", {value("墨")}, "width-counts-otherwise"},
                                 {"\"%d\"", {value("7")}, "quotes-in-template"},
                                 {"%d", {value("7"), value("8")}, "too-many-values"},
                             });
}

// Written by asking OpenJDK 17.0.15, one by one.
TEST_CASE("a locale of Java changes marks and digits") {
  const std::vector<Value> number = {value("-1234567.891")};
  const std::pair<const char*, const char*> expected[] = {
      {"de-DE", "-1.234.567,89"},           {"de-CH", "-1’234’567.89"},
      {"fr-FR", "-1\u202f234\u202f567,89"}, {"pl-PL", "-1\u00a0234\u00a0567,89"},
      {"en-IN", "-1,234,567.89"},           {"ar-EG", "-١٬٢٣٤٬٥٦٧٫٨٩"},
  };
  for (const auto& [locale, text] : expected) {
    INFO(locale);
    const Setting setting{"locale", locale};
    const RenderOptions options{{&setting, 1}};
    CHECK(support::answer(java, "%,.2f", number, options).text == text);
  }
  const Setting turkey{"locale", "tr-TR"};
  const RenderOptions turkish{{&turkey, 1}};
  CHECK(support::answer(java, "%S", {value("pigment ı")}, turkish).text == "PİGMENT I");
  CHECK(support::answer(java, "%x", {value("255")}, turkish).text == "ff");
}

TEST_CASE("the fast way of Java's %f and the slow one agree") {
  const std::uint64_t seed = support::seed(1707);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(60'000); ++i) {
    const Value number = Value::real(random.any_real());
    const std::string source = "%." + std::to_string(random.below(12)) + "f";
    const Template parsed = *java.parse(source);
    TextBuffer fast;
    REQUIRE(java.render(parsed, {&number, 1}, fast).prints());
    // A report, and a locale that changes nothing, take the other way.
    const Setting america{"locale", "en-US"};
    const RenderOptions english{{&america, 1}};
    TextBuffer slow;
    REQUIRE(java.render(parsed, {&number, 1}, english, slow, nullptr).prints());
    if (fast.view() != slow.view())
      FAIL(source << " of " << describe(number) << ": " << fast.view() << ", " << slow.view());
  }
}
