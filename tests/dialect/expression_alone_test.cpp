// An expression alone is a statement: what is shown is its value, as the language prints it.

#include <catch2/catch.hpp>
#include <vector>

#include "inky_margin/dialect/statement.hpp"
#include "support/statements.hpp"

using namespace inky;
using support::Line;

namespace {

struct Alone {
  const char* dialect;
  const char* source;
  const char* text;
};

// The texts are those that the runtimes printed of the expression within a call that prints it.
const std::vector<Alone> expressions = {
    {"javascript", "(1234.5).toLocaleString('pl-PL', {style: 'currency', currency: 'PLN'})",
     "1234,50\u00a0zł"},
    {"javascript", "new Date('2031-05-09').toLocaleDateString('de-DE')", "9.5.2031"},
    {"javascript", "(2.675).toFixed(2);", "2.67"},
    {"python", "round(2.675, 2)", "2.67"},
    {"python", "Decimal(\"2.675\").quantize(Decimal(\"0.01\"), rounding=ROUND_HALF_UP)", "2.68"},
    {"csharp", "(1234.5).ToString(\"C\", CultureInfo.GetCultureInfo(\"de-DE\"))", "1.234,50 €"},
    {"csharp", "19.99m * 3", "59.97"},
    {"fsharp", "DateTime(2031, 5, 9).ToString(\"yyyy-MM-dd\")", "2031-05-09"},
    {"java", "new BigDecimal(\"1234.565\").setScale(2, RoundingMode.HALF_EVEN)", "1234.56"},
    {"java", "DateTimeFormatter.ISO_LOCAL_DATE.format(LocalDate.of(2031, 5, 9))", "2031-05-09"},
    {"php", "number_format(1234.5, 2, ',', '.')", "1.234,50"},
    {"php", "(new \\DateTime('2031-05-09 14:05'))->format('D, d M Y H:i')",
     "Fri, 09 May 2031 14:05"},
};

}  // namespace

TEST_CASE("an expression alone shows its value, and is seen as a statement") {
  for (const Alone& alone : expressions) {
    INFO(alone.source);
    const Dialect& dialect = *find_dialect(alone.dialect);
    const auto parsed = parse_statement(dialect, alone.source);
    REQUIRE(parsed);
    TextBuffer out;
    CHECK(parsed->dialect().render(*parsed, {}, {}, out, nullptr).prints());
    CHECK(out.view() == alone.text);
    support::check_beginnings(alone.dialect, alone.source, {});
    // A product may be meant as text.
    if (std::string_view(alone.source).find(" * ") == std::string_view::npos)
      CHECK(is_statement(dialect, alone.source));
  }
}

TEST_CASE("text that only looks like a call stays a template") {
  const Alone templates[] = {{"python", "total(x)", ""},
                             {"python", "see file.txt (copy)", ""},
                             {"javascript", "Total: ${x.toFixed(2)}", ""},
                             {"javascript", "call toFixed(2)", ""},
                             {"php", "Sum (net)", ""},
                             {"c", "round(2)", ""},
                             {"java", "%s(%d)", ""},
                             {"csharp", "{0} items (new)", ""}};
  for (const Alone& one : templates) {
    INFO(one.source);
    CHECK_FALSE(is_statement(*find_dialect(one.dialect), one.source));
  }
}

TEST_CASE("nothing at all is no expression") {
  for (const char* dialect : {"javascript", "python", "csharp", "fsharp", "java", "php"}) {
    INFO(dialect);
    CHECK_FALSE(parse_statement(*find_dialect(dialect), ""));
    CHECK_FALSE(parse_statement(*find_dialect(dialect), " \n"));
    CHECK_FALSE(is_statement(*find_dialect(dialect), ""));
  }
}

TEST_CASE("beside others a statement that prints nothing is not shown as its value") {
  CHECK_FALSE(parse_statement(*find_dialect("java"), "int n = 2; Math.max(n, 3);"));
  CHECK_FALSE(parse_statement(*find_dialect("csharp"), "var n = 2.5; Math.Round(n, 1);"));
}
