// Digits against the C library, which is exact for every precision, and against exact rationals.

#include "inky_margin/number/digits.hpp"

#include <catch2/catch.hpp>
#include <charconv>
#include <cstdio>
#include <string>

#include "inky_margin/number/decimal.hpp"
#include "powers_of_ten.hpp"
#include "support/random_values.hpp"
#include "support/rational.hpp"

using namespace inky;

namespace {

// "-?d.ddde[+-]xx" as the C library writes it, from our digits.
std::string scientific(const Digits& digits, int places) {
  std::string text(digits.text());
  text.resize(static_cast<std::size_t>(places) + 1, '0');
  if (places > 0) text.insert(1, ".");
  const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
  char tail[16];
  std::snprintf(tail, sizeof tail, "e%+03d", exponent);
  return text + tail;
}

std::string fixed(const Digits& digits, int places) {
  std::string all(static_cast<std::size_t>(std::max(0, 1 - digits.point())), '0');
  all += digits.text();
  const auto whole = static_cast<std::size_t>(std::max(1, digits.point()));
  all.resize(whole + static_cast<std::size_t>(places), '0');
  if (places > 0) all.insert(whole, ".");
  return all;
}

std::string c_text(const char* form, int places, double value) {
  char room[2000];
  return {room, static_cast<std::size_t>(std::snprintf(room, sizeof room, form, places, value))};
}

// Our digits as a rational number.
support::Rational value_of(const Digits& digits) {
  support::Integer whole(0);
  for (const char c : digits.text()) whole = whole * 10 + (c - '0');
  return support::Rational(whole) * support::power(10, digits.point() - digits.size());
}

template <typename Real>
std::string shortest_by_library(Real value) {
  char room[64];
  const auto end = std::to_chars(room, room + sizeof room, value, std::chars_format::scientific);
  return {room, end.ptr};
}

}  // namespace

TEST_CASE("places and significant digits agree with the C library") {
  const std::uint64_t seed = support::seed(20310509);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  Digits digits;
  for (int i = 0; i < support::cases(300'000); ++i) {
    const double value = std::fabs(random.real());
    const int places = random.one_in(50) ? random.below(1100) : random.below(25);
    const BinaryReal real = unpack(binary64, bits_of(value));
    digits_to_places(real, places, Rounding::half_even, digits);
    const std::string expected = c_text("%.*f", places, value);
    if (fixed(digits, places) != expected) FAIL(expected << " but " << fixed(digits, places));
    digits_to_significant(real, places + 1, Rounding::half_even, digits);
    const std::string expected_scientific = c_text("%.*e", places, value);
    if (scientific(digits, places) != expected_scientific) {
      FAIL(expected_scientific << " but " << scientific(digits, places));
    }
  }
}

TEST_CASE("the smallest subnormal is written out in full") {
  Digits digits;
  digits_to_places(unpack(binary64, 1), 1074, Rounding::half_even, digits);
  CHECK(fixed(digits, 1074) == c_text("%.*f", 1074, 0x1p-1074));
  exact_digits(unpack(binary64, 0x7fefffffffffffff), digits);
  CHECK(digits.size() == 309);
}

TEST_CASE("every rounding of every format agrees with exact rationals") {
  const std::uint64_t seed = support::seed(417);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  Digits digits;
  for (int i = 0; i < support::cases(20'000); ++i) {
    const double value = random.real();
    const int places = random.below(24) - 3;
    const BinaryReal real = unpack(binary64, bits_of(value));
    for (const Rounding rounding : all_roundings) {
      digits_to_places(real, places, rounding, digits);
      const auto expected = support::round_to_places(support::exact(real), places, rounding);
      const auto got = real.negative ? -value_of(digits) : value_of(digits);
      if (got != expected) FAIL(value << " to " << places << " places, " << name_of(rounding));
    }
    if (value == 0) continue;
    const int count = 1 + random.below(20);
    for (const Rounding rounding : all_roundings) {
      digits_to_significant(real, count, rounding, digits);
      const auto expected = support::round_to_significant(support::exact(real), count, rounding);
      const auto got = real.negative ? -value_of(digits) : value_of(digits);
      if (got != expected) FAIL(value << " to " << count << " digits, " << name_of(rounding));
    }
  }
}

TEST_CASE("shortest digits of f64 agree with the standard library") {
  const std::uint64_t seed = support::seed(2024);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  Digits digits;
  for (int i = 0; i < support::cases(1'000'000); ++i) {
    const double value = std::fabs(random.real());
    shortest_digits(binary64, unpack(binary64, bits_of(value)), digits);
    const std::string expected = shortest_by_library(value);
    const std::string ours = scientific(digits, std::max(0, digits.size() - 1));
    if (ours != expected) FAIL(expected << " but " << ours);
  }
}

TEST_CASE("shortest digits over a stride of all f32") {
  Digits digits;
  // A prime stride visits every exponent and all kinds of significands.
  for (std::uint64_t bits = 0; bits < 0x7f800000; bits += 1009) {
    const auto value = std::bit_cast<float>(static_cast<std::uint32_t>(bits));
    shortest_digits(binary32, unpack(binary32, bits), digits);
    const std::string expected = shortest_by_library(value);
    const std::string ours = scientific(digits, std::max(0, digits.size() - 1));
    if (ours != expected) FAIL(expected << " but " << ours);
  }
}

TEST_CASE("every f16 and bf16 pattern: widened to f64, and its own shortest digits") {
  Digits digits;
  for (const BinaryFormat& format : {binary16, bfloat16}) {
    for (unsigned bits = 0; bits < 0x10000; ++bits) {
      const BinaryReal real = unpack(format, bits);
      if (!real.is_finite() || !support::in_sample(bits)) continue;
      const uint128 wide = convert(real, binary64);
      const double value = std::bit_cast<double>(low_half(wide));
      REQUIRE(support::exact(unpack(binary64, wide)) == support::exact(real));
      shortest_digits(binary64, unpack(binary64, wide), digits);
      const std::string ours = scientific(digits, std::max(0, digits.size() - 1));
      if (ours != shortest_by_library(std::fabs(value))) FAIL("widened " << bits << ": " << ours);
      shortest_digits(format, real, digits);
      if (!support::is_shortest(format, real, value_of(digits), digits.size())) {
        FAIL(format.name << " " << bits << ": " << digits.text());
      }
    }
  }
}

TEST_CASE("shortest digits of the long formats read back, and none shorter do") {
  support::RandomValues random(support::seed(80));
  Digits digits;
  for (const BinaryFormat& format : {extended80, binary128}) {
    for (int i = 0; i < 300; ++i) {
      // Exponents near zero keep the check quick; the ends of the range follow.
      BinaryReal real{RealClass::normal, false, 0, random.below(60) - 90};
      real.significand =
          uint128{1} << (format.precision - 1) | join_halves(random.bits(), random.bits()) >>
                                                     (129 - format.precision) >> random.below(100);
      shortest_digits(format, real, digits);
      REQUIRE(support::is_shortest(format, real, value_of(digits), digits.size()));
    }
    for (const uint128 bits : {uint128{1}, largest_finite_bits(format, false)}) {
      shortest_digits(format, unpack(format, bits), digits);
      std::string text = "0.";
      text += digits.text();
      text += "e" + std::to_string(digits.point());
      CHECK((read_real(format, text) == bits));
    }
  }
}

TEST_CASE("the table of powers of ten is what exact arithmetic says") {
  for (int k = powers::lowest; k <= powers::highest; ++k) {
    const support::Rational power = support::power(10, k);
    const support::Rational unit = support::power(2, powers::exponent(k));
    const support::Rational scaled = power / unit;
    const support::Integer floor = support::floor(scaled);
    INFO("10^" << k);
    CHECK(support::to_integer(powers::significand(k)) == floor);
    CHECK(high_half(powers::significand(k)) >> 63 == 1);
    CHECK(powers::is_exact(k) == (scaled == support::Rational(floor)));
  }
}
