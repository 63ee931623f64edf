// Values of the type fraction: how they are written, and which languages have them.

#include <catch2/catch.hpp>
#include <string>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/format/value.hpp"

using namespace inky;

TEST_CASE("a fraction is two whole numbers in lowest terms") {
  struct Row {
    const char* text;
    const char* described;
  };
  const Row rows[] = {
      {"1/3:fraction", "1/3"},
      {"-6/4:fraction", "-3/2"},
      {"4/2:fraction", "2/1"},
      {"7:fraction", "7/1"},
      {"0/5:fraction", "0/1"},
      {"123456789012345678901234567890/3:fraction", "41152263004115226300411522630/1"}};
  for (const Row& row : rows) {
    INFO(row.text);
    const auto value = read_value(row.text);
    REQUIRE(value);
    CHECK(value->is(Type::fraction));
    CHECK(describe(*value) == row.described);
  }
}

TEST_CASE("what is no fraction is an error of the value") {
  for (const char* text : {"1/0:fraction", "1/-3:fraction", "1/2/3:fraction", "x:fraction",
                           "1.5:fraction", "/3:fraction", "1/:fraction"}) {
    INFO(text);
    const auto value = read_value(text);
    REQUIRE_FALSE(value);
    CHECK(value.error().code == Code::bad_value);
  }
  CHECK(read_value(std::string(19'998, '1') + "/3:fraction"));
  const auto long_one = read_value(std::string(19'999, '1') + "/3:fraction");
  REQUIRE_FALSE(long_one);
  CHECK(long_one.error().code == Code::over_limit);
}

TEST_CASE("Python and Lisp have fractions, and other languages say that they have none") {
  const Value third = *read_value("1/3:fraction");
  const auto shown = [&](const char* dialect, const char* source) {
    TextBuffer out;
    const Dialect& found = *find_dialect(dialect);
    const Outcome outcome = found.render(*found.parse(source), {&third, 1}, out);
    return outcome.prints() ? out.string() : outcome.why();
  };
  CHECK(shown("python", "{}") == "1/3");
  CHECK(shown("python", "{!r}") == "Fraction(1, 3)");
  CHECK(shown("python-percent", "%.3f") == "0.333");
  CHECK(shown("lisp", "~A") == "1/3");
  CHECK(shown("lisp", "~,2F") == "0.33");
  for (const char* dialect : {"c", "java", "csharp", "php", "rust", "r", "octave"}) {
    INFO(dialect);
    const Dialect& found = *find_dialect(dialect);
    TextBuffer out;
    const char* source = found.facts().style == TemplateStyle::braces ? "{}" : "%s";
    const Outcome outcome = found.render(*found.parse(source), {&third, 1}, out);
    CHECK(outcome.kind() == Outcome::Kind::error);
  }
}
