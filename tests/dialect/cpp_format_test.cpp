// What recordings of `cpp-format` cannot decide: why it fails and where, notes, and what
// the standard promises of digits. What it prints is replayed from recordings, and asked again of
// the compiler, by the tests of the tool.

#include <array>
#include <catch2/catch.hpp>
#include <charconv>
#include <cmath>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/edges.hpp"
#include "support/random_values.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& cpp = *find_dialect("cpp-format");
constexpr auto at_compile = Outcome::Kind::fails_compile;
constexpr auto at_run = Outcome::Kind::fails_run;

std::string printed(const std::string& source, const std::vector<Value>& values) {
  const support::Answer got = support::answer(cpp, source, values, {});
  INFO(source);
  REQUIRE(got.outcome.prints());
  return got.text;
}

template <typename Real, typename... Asked>
std::string to_chars_of(Real number, Asked... asked) {
  std::array<char, 1500> room{};
  const auto done = std::to_chars(room.data(), room.data() + room.size(), number, asked...);
  return {room.data(), done.ptr};
}

}  // namespace

// ISO C++20, [format.string.std]/13: without a type, as to_chars; with one, as to_chars of its form
// and precision. Here the other standard library is asked.
TEST_CASE("reals without padding are those of to_chars") {
  const std::uint64_t seed = support::seed(2020);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(60'000); ++i) {
    const double number = random.real();
    INFO(number);
    REQUIRE(printed("{}", {Value::real(number)}) == to_chars_of(number));
    const auto narrow = static_cast<float>(number);
    if (std::isfinite(narrow)) {
      const Value single = Value::real(Type::f32, bits_of(narrow));
      REQUIRE(printed("{}", {single}) == to_chars_of(narrow));
    }
    const int precision = random.below(25);
    const std::string with = "." + std::to_string(precision);
    INFO(precision << " digits");
    const Value real = Value::real(number);
    REQUIRE(printed("{:" + with + "e}", {real}) ==
            to_chars_of(number, std::chars_format::scientific, precision));
    REQUIRE(printed("{:" + with + "f}", {real}) ==
            to_chars_of(number, std::chars_format::fixed, precision));
    REQUIRE(printed("{:" + with + "g}", {real}) ==
            to_chars_of(number, std::chars_format::general, precision));
    REQUIRE(printed("{:" + with + "}", {real}) ==
            to_chars_of(number, std::chars_format::general, precision));
  }
}

TEST_CASE("the edges of std::format, as libc++ 16 prints them") {
  support::check_edges(
      cpp,
      {
          {"{} {} {} {} {}",
           {Value::real(1e16), Value::real(123456789012345680.0), Value::real(1e23),
            Value::real(0.0001), Value::real(1e5)},
           "1e+16 123456789012345680 1e+23 1e-04 1e+05"},
          {"{:a} {:A} {:.2a}",
           {Value::real(1.0), Value::real(2.5), Value::real(1.999)},
           "1p+0 1.4P+1 2.00p+0"},
          {"{:.3} {:#} {:#g}",
           {Value::real(3.14159), Value::real(1.0), Value::real(1.0)},
           "3.14 1. 1.00000"},
          {"{:05}|{:<05}|{:05}", {value("inf:f64"), value("1"), value("-1")}, "  inf|1    |-0001"},
          {"{:#o} {:#o} {:#B} {:c} {:d} {} {:#x}|",
           {value("0"), value("8"), value("5"), value("65"), value("'A':char"), value("true:truth"),
            value("true:truth")},
           "0 010 0B101 A 65 true 0x1|"},
          {"{:5}|{:5}|{:5}|",
           {value("'x':char"), value("true:truth"), value("ab")},
           "x    |true |ab   |"},
          {"{:*^10}|{:10}|{:.3}|{:10}|{:3}",
           {value("ab"), value("墨墨"), value("墨墨"), value("e\u0301"), value("🖨")},
           "****ab****|墨墨      |墨|e\u0301         |🖨 "},
          {"{} {}", {value("nil:nil"), value("5:i128")}, "0x0 5"},
          {"{:L} {:.3Lf}", {value("1234567"), value("1.5")}, "1234567 1.500"},
          {"{} {}", {value("0.1:f32"), value("16777216:f32")}, "0.1 16777216"},
          {"{:.0} {:.0f} {:.0e}", {value("2.5"), value("2.5"), value("2.5")}, "2 2 2e+00"},
          {"{{{}}}", {value("1")}, "{1}"},
          {"{1}{0}", {value("1"), value("2")}, "21"},
      });
}

TEST_CASE("C++ refuses when it compiles, and throws for counts alone") {
  support::check_failures(
      cpp,
      {
          {"{", {}, at_compile, "error", "ends in a field", {0, 1}},
          {"a } b", {}, at_compile, "error", "a single closing brace", {2, 3}},
          {"{0", {value("1")}, at_compile, "error", "should end with a closing brace", {0, 2}},
          {"{mass}", {value("1")}, at_compile, "error", "names have no values", {0, 1}},
          {"{ }", {value("1")}, at_compile, "error", "the number of a value is digits", {0, 1}},
          {"{00}", {value("1")}, at_compile, "error", "should end with a closing brace", {0, 3}},
          {"{} {0}", {value("1")}, at_compile, "error", "for all fields, or for none", {3, 5}},
          {"{:0005}", {value("1")}, at_compile, "error", "does not begin with a zero", {0, 3}},
          {"{:.}", {value("1.5")}, at_compile, "error", "a precision is digits", {0, 3}},
          {"{:{<5}", {value("1")}, at_compile, "error", "a brace does not fill", {0, 2}},
          {"{:99999999999}", {value("1")}, at_compile, "error", "too large", {0, 13}},
          {"{:y}", {value("1")}, at_compile, "error", "should end with a closing brace", {0, 3}},
          {"{} {}", {value("1")}, at_compile, "error", "there is no value 1", {3, 5}},
          {"{:d}", {value("1.5")}, at_compile, "error", "a real takes no such type", {0, 4}},
          {"{:f}", {value("1")}, at_compile, "error", "a whole number takes no such type", {0, 4}},
          {"{:.2d}", {value("1")}, at_compile, "error", "a precision is for reals", {0, 6}},
          {"{:+}", {value("ink")}, at_compile, "error", "takes no sign", {0, 4}},
          {"{:05}", {value("ink")}, at_compile, "error", "no zeros", {0, 5}},
          {"{:#}", {value("true:truth")}, at_compile, "error", "no #", {0, 4}},
          {"{:+c}", {value("65")}, at_compile, "error", "c takes no sign", {0, 5}},
          {"{:{}}", {value("1"), value("1.5")}, at_compile, "error", "a count is a whole", {0, 5}},
          {"{}", {value("[1]")}, at_compile, "error", "there is no formatter", {0, 2}},
          {"{:{}}", {value("1"), value("-5")}, at_run, "std::format_error", "not negative", {0, 5}},
          {"{:c}",
           {value("128")},
           at_run,
           "std::format_error",
           "outside the range of char",
           {0, 4}},
      });
  for (const char* given : {"1:big", "1.5:f16", "1.5:f128", "'Ω':char", "x=1"}) {
    INFO(given);
    const support::Answer got = support::answer(cpp, "{}", {value(given)}, {});
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
  CHECK(support::answer(cpp, "{:2000000}", {value("1")}, {}).outcome.as_error().code ==
        Code::over_limit);
}

TEST_CASE("what surprises is noted, in C++ too") {
  support::check_notes(cpp, {
                                {"{:.2f}", {value("2.675")}, "stored-off-tie"},
                                {"{:.0f}", {value("2.5")}, "exact-tie"},
                                {"{}", {value("2.675")}, ""},
                                {"{:.2}", {value("ink")}, "text-cut"},
                                {"{:6}", {value("墨")}, ""},
                                {"{}", {value("1.5:f80")}, "type-converted"},
                                {"{}", {value("1"), value("2")}, "too-many-values"},
                                {"\\q{}", {value("1")}, "unknown-escape"},
                            });
}

TEST_CASE("a width counts estimated columns, and pads by them") {
  support::RandomValues random(support::seed(1100));
  for (int i = 0; i < support::cases(10'000); ++i) {
    std::string text;
    int columns = 0;
    for (int k = random.below(6); k > 0; --k) {
      const bool wide = random.one_in(2);
      text +=
          wide ? random.pick({"墨", "汁", "🖨", "ア"}) : random.pick({"a", "é", "Ω", "e\u0301"});
      columns += wide ? 2 : 1;
    }
    const int width = random.below(16) + 1;
    const std::string padding(static_cast<std::size_t>(std::max(width - columns, 0)), '.');
    INFO(text << " in " << width);
    const Value ink = Value::text(text);
    CHECK(printed("{:.<" + std::to_string(width) + "}", {ink}) == text + padding);
    CHECK(printed("{:.>{}}", {ink, Value::whole(Type::i32, width)}) == padding + text);
  }
}
