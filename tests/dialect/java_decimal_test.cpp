// The decimal digits of OpenJDK 17: what must hold of them whatever the method. Which digits they
// are is in the recordings, and Java itself, asked again by the tests of the tool.

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <cstdlib>
#include <string>

#include "inky_margin/number/decimal.hpp"
#include "java/decimal.hpp"
#include "support/random_values.hpp"

using namespace inky;
using java_language::java_digits;
using java_language::Purpose;

namespace {

std::string text_of(const Digits& digits) {
  return "0." + std::string(digits.text()) + "e" + std::to_string(digits.point());
}

}  // namespace

TEST_CASE("Java's digits read back as the same number, and are never more than eighteen") {
  const std::uint64_t seed = support::seed(4511638);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  int shortest_too = 0;
  const int count = support::cases(100'000);
  for (int i = 0; i < count; ++i) {
    double number = std::abs(random.any_real());
    if (!std::isfinite(number) || number == 0) number = 1.5;
    const BinaryReal real = unpack(binary64, bits_of(number));
    Digits shortest;
    shortest_digits(binary64, real, shortest);
    for (const Purpose purpose : {Purpose::format, Purpose::plain}) {
      Digits digits;
      java_digits(binary64, real, purpose, digits);
      REQUIRE(digits.size() >= 1);
      REQUIRE(digits.size() <= 19);
      const std::string text = text_of(digits);
      const double read = std::strtod(text.c_str(), nullptr);
      if (read != number) FAIL(text << " of " << number);
      digits.strip_trailing_zeros();
      if (purpose == Purpose::plain && digits.text() == shortest.text()) ++shortest_too;
    }
  }
  // They differ for a few in a hundred.
  CHECK(shortest_too > count * 9 / 10);
}

TEST_CASE("Java's digits of a float read back as the same float") {
  support::RandomValues random(support::seed(32));
  for (int i = 0; i < support::cases(100'000); ++i) {
    const auto bits = static_cast<std::uint32_t>(random.whole()) & 0x7FFFFFFFU;
    const BinaryReal real = unpack(binary32, bits);
    if (!real.is_finite() || real.is_zero()) continue;
    Digits digits;
    java_digits(binary32, real, Purpose::plain, digits);
    REQUIRE(digits.size() <= 19);
    const std::string text = text_of(digits);
    if (bits_of(std::strtof(text.c_str(), nullptr)) != bits) FAIL(text << " of bits " << bits);
  }
}

// Written by asking OpenJDK 17.0.15, one by one: Double.toString, and String.format with %.24e.
TEST_CASE("numbers of which Java's digits are known to surprise") {
  struct Case {
    double number;
    const char* plain;
    const char* format;
  };
  const Case cases[] = {
      {1e23, "9999999999999999", "9999999999999999"},
      {2e-3, "2", "20"},
      {0.1, "1", "10"},
      {1.0, "1", "1"},
      {123.0, "123", "123"},
      {9007199254740993.0, "9007199254740992", "9007199254740992"},
  };
  for (const Case& c : cases) {
    INFO(c.number);
    const BinaryReal real = unpack(binary64, bits_of(c.number));
    for (const Purpose purpose : {Purpose::plain, Purpose::format}) {
      Digits digits;
      java_digits(binary64, real, purpose, digits);
      digits.strip_trailing_zeros();
      std::string expected = purpose == Purpose::plain ? c.plain : c.format;
      expected.erase(expected.find_last_not_of('0') + 1);
      CHECK(digits.text() == expected);
    }
  }
  Digits none;
  java_digits(binary64, unpack(binary64, bits_of(-0.0)), Purpose::plain, none);
  CHECK(none.is_zero());
}
