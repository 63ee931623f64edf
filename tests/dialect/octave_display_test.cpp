// The dialect `octave-display`: what Octave 7.3.0 was seen to show at the edges, why it fails and
// where, what is not supported yet, and its notes. The recordings have the rest.

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

const Dialect& display = *find_dialect("octave-display");
constexpr auto at_compile = Outcome::Kind::fails_compile;
constexpr auto at_run = Outcome::Kind::fails_run;

}  // namespace

TEST_CASE("Octave's display: scalars, and when they go to an exponent") {
  support::check_edges(display,
                       {
                           {"x", {value("0.01")}, "x = 0.010000\n"},
                           {"x", {value("0.001")}, "x = 1.0000e-03\n"},
                           {"x", {value("12345.678")}, "x = 1.2346e+04\n"},
                           {"x", {value("99999")}, "x = 99999\n"},
                           {"x", {value("9999999")}, "x = 9999999\n"},
                           {"x", {value("99999999")}, "x = 1.0000e+08\n"},
                           {"x", {value("9.99999")}, "x = 10.0000\n"},
                           {"x", {value("-0.0")}, "x = 0\n"},
                           // The logarithm of this one is 15 exactly: room for 16 digits.
                           {"format long; x", {value("999999999999999")}, "x =  999999999999999\n"},
                           {"format long; x", {value("0.1")}, "x = 0.100000000000000\n"},
                           {"format short g; disp(x)", {value("0.5")}, "  0.5\n"},
                           {"format long g; x", {value("0.1")}, "x =              0.1\n"},
                           {"format short e; disp(0)", {}, "         0\n"},
                           {"format bank; x", {value("2.675")}, "x = 2.67\n"},
                           {"format rat; pi", {}, "ans = 355/113\n"},
                           {"format rat; x", {value("1e-10")}, "x = *\n"},
                           {"format hex; x", {value("1.5")}, "x = 3ff8000000000000\n"},
                           {"x", {Value::truth(true)}, "x = 1\n"},
                           {"x", {value("ink")}, "x = ink\n"},
                           {"x", {Value()}, "x = [](0x0)\n"},
                           {"x", {value("3.14159:f32")}, "x = 3.1416\n"},
                           {"format long\nx", {value("3.14159274:f32")}, "x = 3.1415927\n"},
                           {"int8(x)", {value("200.5")}, "ans = 127\n"},
                           {"x = 2.5; x = -x", {}, "x = -2.5000\n"},
                           {"x;", {value("1")}, ""},
                           {"% the ink room\nx % mass", {value("1.5")}, "x = 1.5000\n"},
                           {"output_precision(3), x", {value("1.5")}, "x = 1.50\n"},
                       });
  support::check_plain(
      display,
      {{value("0.1"), "0.1000"}, {value("[1, 2.5]"), "   1.0000   2.5000"}, {value("ink"), "ink"}});
}

TEST_CASE("Octave's display: a matrix has one width and one number of decimals") {
  support::check_edges(
      display,
      {
          {"x", {value("[1, 2, 3]")}, "x =\n\n   1   2   3\n\n"},
          {"x", {value("[1.5, 20, 3]")}, "x =\n\n    1.5000   20.0000    3.0000\n\n"},
          {"x", {value("[1.5, 2000, 3]")}, "x =\n\n   1.5000e+00   2.0000e+03   3.0000e+00\n\n"},
          {"disp(x)",
           {value("[[0, 0.5], [100, -2]]")},
           "          0     0.5000\n   100.0000    -2.0000\n"},
          {"disp(x)", {value("[1, nan:f64]")}, "     1   NaN\n"},
          {"fixed_point_format(true); disp(x)",
           {value("[1.5, 2000, 3]")},
           "  1.0e+03 *\n\n   0.0015   2.0000   0.0030\n"},
          {"format compact; x", {value("[1, 2]")}, "x =\n   1   2\n\n"},
          // As a single plus a half, the first is no whole number; the second is one.
          {"format long; disp(x)",
           {value("[8388609, 8388609]")},
           "   8388609.000000000   8388609.000000000\n"},
          {"disp(x)", {value("[123456.5, 1]")}, "   1.2346e+05   1.0000e+00\n"},
          {"format long; disp(x)", {value("[12345678.5, 1]")}, "  12345678.5          1\n"},
          {"disp([1 -2; 3 4])", {}, "   1  -2\n   3   4\n"},
          {"disp(x)", {value("[5:i8, -100:i8, 3:i8]")}, "     5  -100     3\n"},
          // The lowest number takes no room.
          {"disp(x)", {value("[-128:i8, 5:i8]")}, "  -128  5\n"},
          {"[true false]", {}, "ans =\n\n  1  0\n\n"},
          {"A = magic(3); A(A > 5)", {}, "ans =\n\n   8\n   9\n   6\n   7\n\n"},
          {"format short e; disp([1.5 1.5e-101])", {}, "    1.5000e+00   1.5000e-101\n"},
      });
  const std::string wide =
      support::answer(display, "disp(x)", {Value::list(std::vector<Value>(18, value("12.5")))}, {})
          .text;
  CHECK(wide.starts_with(" Columns 1 through 8:\n\n   12.500   12.500"));
  CHECK(wide.find("\n\n Columns 17 and 18:\n\n   12.500   12.500\n") != std::string::npos);
}

TEST_CASE("Octave's display: failures by name, and where") {
  support::check_failures(
      display, {
                   {"disp(y)", {}, at_run, "error", "'y' undefined", {5, 6}},
                   {"sprintf('%d', 3+4i)", {}, at_run, "error", "complex scalar", {0, 19}},
                   {"disp()", {}, at_run, "error", "Invalid call to disp", {4, 6}},
                   {"format nosuch", {}, at_run, "error", "unrecognized format", {0, 13}},
                   {"output_precision(17)", {}, at_run, "error", "1 to 16", {0, 20}},
                   {"[1 2; 3]", {}, at_run, "error", "vertical dimensions mismatch", {0, 8}},
                   {"logical(NaN)", {}, at_run, "error", "can't be converted", {0, 12}},
                   {"disp(1", {}, at_compile, "parse error", "closing bracket", {4, 6}},
                   {"x = ", {}, at_compile, "parse error", "breaks off", {4, 4}},
                   {"'ink", {}, at_compile, "parse error", "closing quote", {0, 4}},
                   {"disp(1) disp(2)", {}, at_compile, "parse error", "a statement ends", {8, 9}},
               });
  for (const char* source : {"format bit",
                             "0x1F",
                             "x.y",
                             "{1}",
                             "hold on",
                             "\"\\q\"",
                             "eye(3)",
                             "rand",
                             "tic; 5",
                             "ans",
                             "f = @(x) x",
                             "inv(2)",
                             "output_precision(0)",
                             "format rat; 3i",
                             "[q, w] = i1 n9([m 2])",
                             "x += 1 2",
                             "cross([1 2 3])",
                             "norm()",
                             "polyval([1 2])",
                             "reshape()",
                             "max()",
                             "strcat()",
                             "gcd(1)",
                             "repmat()",
                             "size()",
                             "linspace(1)"}) {
    INFO(source);
    const support::Answer got = support::answer(display, source, {value("x=1")}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
  for (const char* one : {"{mass: 12.5}", "[1, \"ink\"]", "5:i128", "[[1], [1, 2]]"}) {
    INFO(one);
    const support::Answer got = support::answer(display, "x", {value(one)}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
}

TEST_CASE("Octave's display: what is noted") {
  support::check_notes(display, {
                                    {"format bank; x; format", {value("2.675")}, ""},
                                    {"format bank, x, format", {value("2.675")}, "stored-off-tie"},
                                    {"x", {value("0.001")}, "conversion-switched"},
                                    {"format long; disp(x)", {value("0.5")}, "settings-left-on"},
                                    {"x", {value("1"), value("2")}, "too-many-values"},
                                    {"x", {value("1.5:f16")}, "type-converted"},
                                    {"x", {value("2.5")}, ""},
                                });
}

// All that long g shows of a double is its 16 digits, and of a whole matrix too.
TEST_CASE("Octave's display: what long g shows reads back to 16 digits, in every element") {
  const std::uint64_t seed = support::seed(1992);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(5'000); ++i) {
    std::vector<Value> items;
    std::vector<double> numbers;
    for (int k = 2 + random.below(2); k > 0; --k) {
      numbers.push_back((random.below(2'000'001) - 1'000'000) / 64.0);
      items.push_back(Value::real(numbers.back()));
    }
    const support::Answer got =
        support::answer(display, "format long g; disp(x)", {Value::list(items)}, {});
    REQUIRE(got.outcome.prints());
    REQUIRE(got.text.size() == 24 * numbers.size() + 1);
    for (std::size_t k = 0; k < numbers.size(); ++k)
      REQUIRE(std::strtod(got.text.substr(24 * k, 24).c_str(), nullptr) == numbers[k]);
  }
}
