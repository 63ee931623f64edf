// Reading decimals against the C library, and against exact rationals where it does not decide.

#include "inky_margin/number/decimal.hpp"

#include <catch2/catch.hpp>
#include <cstdio>
#include <cstdlib>
#include <string>

#include "support/random_values.hpp"
#include "support/rational.hpp"

using namespace inky;

namespace {

std::string random_decimal(support::RandomValues& random) {
  std::string text;
  const int digits = random.one_in(20) ? 1 + random.below(900) : 1 + random.below(25);
  const int point = random.below(digits + 1);
  for (int i = 0; i < digits; ++i) {
    if (i == point) text += '.';
    text += static_cast<char>('0' + random.below(10));
  }
  if (random.one_in(2)) text += "e" + std::to_string(random.below(700) - 350);
  return text;
}

// The text of a number, or of a point half way to the next one, and a digit more or less.
std::string near_halfway(support::RandomValues& random) {
  BinaryReal real = unpack(binary64, bits_of(std::fabs(random.real())));
  real.significand = real.significand * 2 + 1;
  real.exponent -= 1;
  Digits digits;
  exact_digits(real, digits);
  std::string text = "0.";
  text += digits.text();
  if (random.one_in(3)) text += "0000000001";
  if (random.one_in(3)) text.pop_back();
  return text + "e" + std::to_string(digits.point());
}

}  // namespace

TEST_CASE("reading f64 and f32 agrees with the C library") {
  const std::uint64_t seed = support::seed(53);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(400'000); ++i) {
    const std::string text = random.one_in(3) ? near_halfway(random) : random_decimal(random);
    const std::uint64_t expected = bits_of(std::strtod(text.c_str(), nullptr));
    if (read_real(binary64, text) != uint128{expected}) FAIL("f64 " << text);
    const std::uint32_t expected32 = bits_of(std::strtof(text.c_str(), nullptr));
    if (read_real(binary32, text) != uint128{expected32}) FAIL("f32 " << text);
  }
}

TEST_CASE("seventeen digits bring every f64 back, and so does its hexadecimal form") {
  support::RandomValues random(support::seed(17));
  for (int i = 0; i < support::cases(200'000); ++i) {
    const double value = random.real();
    char text[64];
    std::snprintf(text, sizeof text, "%.16e", value);
    if (read_real(binary64, text) != uint128{bits_of(value)}) FAIL(text);
    std::snprintf(text, sizeof text, "%a", value);
    if (read_real(binary64, text) != uint128{bits_of(value)}) FAIL(text);
  }
}

TEST_CASE("directed roundings of every format lie on the right side, one step apart") {
  support::RandomValues random(support::seed(7));
  for (int i = 0; i < support::cases(20'000); ++i) {
    const std::string text = random_decimal(random);
    Digits digits;
    const auto decimal = scan_decimal(text);
    REQUIRE(decimal);
    REQUIRE(typed_digits(*decimal, digits));
    if (digits.point() > 30 || digits.point() < -30) continue;
    support::Integer whole(0);
    for (const char c : digits.text()) whole = whole * 10 + (c - '0');
    const support::Rational typed =
        support::Rational(whole) * support::power(10, digits.point() - digits.size());
    for (const BinaryFormat& format :
         {binary16, bfloat16, binary32, binary64, extended80, binary128}) {
      const BinaryReal below = unpack(format, nearest(format, *decimal, Rounding::down));
      const BinaryReal above = unpack(format, nearest(format, *decimal, Rounding::up));
      const BinaryReal close = unpack(format, nearest(format, *decimal));
      INFO(format.name << " " << text);
      REQUIRE(support::exact(below) <= typed);
      if (above.is_finite()) {
        REQUIRE(support::exact(above) >= typed);
        if (close.is_finite()) {
          const auto error = abs(support::exact(close) - typed);
          REQUIRE(error <= typed - support::exact(below));
          REQUIRE(error <= support::exact(above) - typed);
        }
        const uint128 gap = pack(format, above) - pack(format, below);
        REQUIRE(gap <= (format.explicit_leading_bit ? uint128{1} << 63 | 1 : uint128{1}));
      }
    }
  }
}

TEST_CASE("edges of reading") {
  struct Case {
    const char* text;
    std::uint64_t bits;
    const char* why;
  };
  const Case cases[] = {
      {"0", 0, "zero"},
      {"-0.0", 0x8000000000000000, "negative zero"},
      {"1e-400", 0, "far below the lowest subnormal"},
      {"1e400", 0x7ff0000000000000, "overflow"},
      {"1e1000000000000000000000", 0x7ff0000000000000, "an exponent of any size"},
      {"1e-1000000000000000000000", 0, "an exponent of any size"},
      {"0e1000000000000000000000", 0, "zero whatever the exponent"},
      {"2.4703282292062327e-324", 0, "just below half the lowest subnormal"},
      {"2.4703282292062328e-324", 1, "just above it"},
      {"1.7976931348623158e308", 0x7fefffffffffffff, "rounds down to the largest"},
      {"1.7976931348623159e308", 0x7ff0000000000000, "rounds up to infinity"},
      {"9007199254740993", 0x4340000000000000, "a tie goes to even"},
      {"9007199254740993.00000000000000000000000000001", 0x4340000000000001, "just above the tie"},
      {"0x1p-1074", 1, "hexadecimal, lowest"},
      {"0x.8p-1074", 0, "hexadecimal tie to even"},
      {"0x10", 0x4030000000000000, "hexadecimal without an exponent"},
      {"0x1p99999999999", 0x7ff0000000000000, "hexadecimal overflow"},
      {"-Infinity", 0xfff0000000000000, "any letters"},
      {"nan", 0x7ff8000000000000, "quiet"},
  };
  for (const Case& c : cases) {
    INFO(c.text << ": " << c.why);
    CHECK((read_real(binary64, c.text) == uint128{c.bits}));
  }
  for (const char* bad : {"", "-", ".", "e5", "1e", "1e+", "1..2", "1,5", "0x", "0x.p1", "0x1p",
                          "1 ", " 1", "infinit", "+-1", "1e5.0"}) {
    INFO(bad);
    CHECK_FALSE(read_real(binary64, bad));
  }
  const std::string megabyte = "0." + std::string(1'000'000, '3');
  CHECK((read_real(binary64, megabyte) == read_real(binary64, "0.3333333333333333333333333")));
  CHECK((read_real(binary128, megabyte) == read_real(binary128, "0." + std::string(60, '3'))));
}
