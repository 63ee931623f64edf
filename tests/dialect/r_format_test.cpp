// The dialect `r-format`: what R 4.2.2 was seen to print at the edges, why it fails and where, what
// is not supported yet, and its notes. The recordings have the rest.

#include <catch2/catch.hpp>
#include <cstdlib>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& format = *find_dialect("r-format");
constexpr auto at_compile = Outcome::Kind::fails_compile;
constexpr auto at_run = Outcome::Kind::fails_run;

}  // namespace

// Several texts stand on lines of their own here.
TEST_CASE("R's format: one width and one number of digits") {
  support::check_edges(
      format,
      {
          {"format(c(1, 10.5, 100))", {}, "  1.0\n 10.5\n100.0"},
          {"format(x, nsmall = 2)", {value("[2.675, 100]")}, "  2.675\n100.000"},
          {"format(1e5)", {}, "1e+05"},
          {"format(x)", {value("123456")}, "123456"},
          {"format(0.1, digits = 17)", {}, "0.10000000000000001"},
          {"format(c(0.001, 123.456), digits = 3)", {}, "  0.001\n123.456"},
          {"format(x, digits = 1)", {value("[0.15, 0.25, 0.35]")}, "0.1\n0.2\n0.3"},
          {"format(9996, digits = 3)", {}, "9996"},
          {"format(99999.5, digits = 2)", {}, "1e+05"},
          {"format(1234567.891, big.mark = \",\")", {}, "1,234,568"},
          {"format(c(1, 1234567), big.mark = \",\")", {}, "        1\n1,234,567"},
          {"format(1e10, scientific = FALSE)", {}, "10000000000"},
          {"format(12345.678, sci = TRUE)", {}, "1.234568e+04"},
          {"format(c(1, NA, NaN, -Inf))", {}, "   1\n  NA\n NaN\n-Inf"},
          {"format(x, width = 8)", {value("ink")}, "ink     "},
          {"format(c(\"a\", \"bbb\"), width = 5, justify = \"centre\")", {}, "  a  \n bbb "},
          {"format(c(TRUE, NA))", {}, "TRUE\n  NA"},
          {"format(12.5, width = 10)", {}, "      12.5"},
          {"format(0.1, decimal.mark = \",\")", {}, "0,1"},
          {"format(NULL)", {}, "NULL"},
          {"format(-x)", {value("1.5")}, "-1.5"},
      });
  support::check_plain(format,
                       {{value("0.1"), "0.1"}, {value("1e5"), "1e+05"}, {value("ink"), "ink"}});
}

TEST_CASE("R's formatC and prettyNum: each element by itself") {
  support::check_edges(
      format,
      {
          {"formatC(3.14159, digits = 3, format = \"f\")", {}, "3.142"},
          {"formatC(x, width = 8, flag = \"0\")", {value("42")}, "00000042"},
          {"formatC(c(1, 10, 100))", {}, "1\n10\n100"},
          {"formatC(x)", {value("3.14159")}, "3.142"},
          {"formatC(1e6, digits = 8)", {}, "  1000000"},
          {"formatC(1e6, digits = 8, width = 1)", {}, "1000000"},
          {"formatC(123456789, big.mark = \",\", format = \"d\")", {}, "123,456,789"},
          {"formatC(c(\"a\", \"bb\"), flag = \"-\", width = 4)", {}, "a   \nbb  "},
          {"formatC(c(1.5, NA, Inf), width = 8, digits = 1, format = \"f\")",
           {},
           "     1.5\n      NA\n     Inf"},
          {"formatC(3.7, format = \"d\")", {}, "3"},
          {"formatC(1e10, format = \"d\")", {}, "NA"},
          {"formatC(5.5, width = -8, flag = \"0\", format = \"f\", digits = 1)", {}, "5.500000"},
          {"formatC(9.999, digits = 2, format = \"f\")", {}, "10.00"},
          {"prettyNum(c(1234567, 12), big.mark = \",\")", {}, "1,234,567\n12"},
          {"prettyNum(1234.5678, big.mark = \",\")", {}, "1,234.568"},
      });
  // None at all.
  const support::Answer none = support::answer(format, "formatC(x)", {value("[]")}, {});
  REQUIRE(none.report.texts);
  CHECK(none.report.texts->empty());
}

TEST_CASE("R's format: failures by name, and where") {
  support::check_failures(
      format,
      {
          {"format(1, digits = 0)", {}, at_run, "simpleError", "invalid value 0", {19, 20}},
          {"format(3, nsmall = 21)", {}, at_run, "simpleError", "invalid 'nsmall'", {19, 21}},
          {"format(1, justify = \"x\")", {}, at_run, "simpleError", "'arg' should be", {20, 23}},
          {"format(mass)", {}, at_run, "simpleError", "object 'mass' not found", {7, 11}},
          {"format()", {}, at_run, "simpleError", "missing", {0, 8}},
          {"formatC(TRUE)", {}, at_run, "simpleError", "unsupported type", {0, 13}},
          {"formatC(1, flag = \"x\")", {}, at_run, "simpleError", "only characters", {18, 21}},
          {"formatC(1, format = \"z\")", {}, at_run, "simpleError", "must be one of", {20, 23}},
          {"formatC(1, foo = 2)", {}, at_run, "simpleError", "unused argument", {11, 18}},
          {"format(1", {}, at_compile, "parse error", "closing bracket", {0, 8}},
          {"format(\"ink)", {}, at_compile, "parse error", "closing quote", {7, 12}},
          {"format(12x)", {}, at_compile, "parse error", "no number of R", {7, 10}},
      });
  for (const char* source : {"sprintf(\"%d\", 1)", "format(list(1))", "format(sd(x))",
                             "format(x$a)", "format(function(x) x)", "format(1, zero.print = 0)",
                             "prettyNum(\"12\", big.mark = \",\")", "format(1); format(2)"}) {
    INFO(source);
    const support::Answer got = support::answer(format, source, {value("x=1")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
  const Value many = Value::list(std::vector<Value>(100, value("1")));
  for (const char* source : {"format(x, width = 1000000)", "formatC(x, width = -1000000)"})
    CHECK(support::answer(format, source, {many}, {}).outcome.as_error().code == Code::over_limit);
  CHECK(support::answer(format, "format(1, width = 2000000)", {}, {}).outcome.as_error().code ==
        Code::over_limit);
}

TEST_CASE("R's format: what is noted") {
  support::check_notes(
      format,
      {
          {"format(x, digits = 2)", {value("12.3456")}, "digits-are-significant"},
          {"format(x, nsmall = 2)", {value("2.5")}, ""},
          {"formatC(x, digits = 2, format = \"f\", width = 1)", {value("2.675")}, "stored-off-tie"},
          {"formatC(x, digits = 8)", {value("1e6")}, "width-from-digits"},
          {"format(x)", {value("1"), value("2")}, "too-many-values"},
      });
}

// With 15 digits at least, what format shows of a vector reads back as each element to 15 digits.
TEST_CASE("R's format: the elements keep their digits, whatever the others need") {
  const std::uint64_t seed = support::seed(1976);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(5'000); ++i) {
    std::vector<Value> items;
    std::vector<double> numbers;
    for (int k = 1 + random.below(4); k > 0; --k) {
      numbers.push_back((random.below(2'000'001) - 1'000'000) / 64.0);
      items.push_back(Value::real(numbers.back()));
    }
    const support::Answer got =
        support::answer(format, "format(x, digits = 15)", {Value::list(items)}, {});
    REQUIRE(got.outcome.prints());
    std::size_t at = 0;
    std::size_t width = std::string::npos;
    for (const double number : numbers) {
      const std::string line = got.text.substr(at, got.text.find('\n', at) - at);
      at += line.size() + 1;
      INFO(line << " of " << number);
      REQUIRE(std::strtod(line.c_str(), nullptr) == number);
      if (width == std::string::npos) width = line.size();
      REQUIRE(line.size() == width);
    }
  }
}
