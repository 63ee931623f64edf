// Binary formats against the machine's own types, and against exact rationals.

#include "inky_margin/number/binary_format.hpp"

#include <catch2/catch.hpp>
#include <cmath>
#include <cstring>

#include "inky_margin/number/digits.hpp"
#include "support/random_values.hpp"
#include "support/rational.hpp"

using namespace inky;

namespace {

uint128 long_double_bits(long double value) {
  uint128 bits = 0;
  std::memcpy(&bits, &value, 10);
  return bits;
}

// Neighbouring encodings are neighbouring numbers; the explicit leading bit of f80 is stepped over.
uint128 next_up(const BinaryFormat& format, uint128 bits) {
  ++bits;
  const uint128 leading = uint128{1} << 63;
  if (format.explicit_leading_bit && (bits & (leading - 1)) == 0) bits |= leading;
  return bits;
}

}  // namespace

TEST_CASE("the descriptions of IEEE 754-2019, table 3.5, and of the x87") {
  struct Case {
    BinaryFormat format;
    int width, precision, max_exponent, lowest_exponent;
  };
  const Case cases[] = {
      {binary16, 16, 11, 15, -24},         {bfloat16, 16, 8, 127, -133},
      {binary32, 32, 24, 127, -149},       {binary64, 64, 53, 1023, -1074},
      {extended80, 80, 64, 16383, -16445}, {binary128, 128, 113, 16383, -16494},
  };
  for (const Case& c : cases) {
    INFO(c.format.name);
    CHECK(c.format.width() == c.width);
    CHECK(c.format.precision == c.precision);
    CHECK(c.format.max_exponent() == c.max_exponent);
    CHECK(c.format.min_exponent() == 1 - c.max_exponent);
    CHECK(c.format.lowest_exponent() == c.lowest_exponent);
  }
}

TEST_CASE("every f16 and bf16 pattern is taken apart and put together") {
  for (const BinaryFormat& format : {binary16, bfloat16}) {
    for (unsigned bits = 0; bits < 0x10000; ++bits) {
      const BinaryReal real = unpack(format, bits);
      if (real.kind == RealClass::not_a_number) {
        REQUIRE(unpack(format, pack(format, real)).kind == RealClass::not_a_number);
      } else {
        REQUIRE((pack(format, real) == bits));
      }
    }
  }
}

TEST_CASE("conversions agree with the machine's own") {
  const std::uint64_t seed = support::seed(754);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(300'000); ++i) {
    const double value = random.any_real();
    const BinaryReal real = unpack(binary64, bits_of(value));
    const auto narrow = static_cast<float>(value);
    const uint128 ours = convert(real, binary32);
    if (std::isnan(narrow))
      REQUIRE(unpack(binary32, ours).kind == RealClass::not_a_number);
    else if (ours != uint128{bits_of(narrow)})
      FAIL(value << " as f32");
    if (std::isnan(value)) continue;
    const auto wide = static_cast<long double>(value);
    if (convert(real, extended80) != long_double_bits(wide)) FAIL(value << " as f80");
    const long double third = wide / 3;
    const uint128 back = convert(unpack(extended80, long_double_bits(third)), binary64);
    if (back != uint128{bits_of(static_cast<double>(third))}) FAIL(value << " / 3 from f80");
  }
}

TEST_CASE("rounding into a format keeps to the definition of every direction") {
  const std::uint64_t seed = support::seed(7);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    // A number with more digits than most formats hold, near their ranges' ends as well.
    BinaryReal real{RealClass::normal, random.one_in(2), join_halves(random.whole(), random.bits()),
                    0};
    real.significand >>= random.below(120);
    real.exponent = random.below(400) - 280;
    if (real.significand == 0) continue;
    const support::Rational exact = support::exact(real);
    for (const BinaryFormat* each : all_formats) {
      const BinaryFormat& format = *each;
      for (const Rounding rounding : all_roundings) {
        const BinaryReal made = unpack(format, convert(real, format, rounding));
        if (!made.is_finite()) {
          const uint128 largest = largest_finite_bits(format, real.negative);
          REQUIRE(abs(exact) > abs(support::exact(unpack(format, largest))));
          continue;
        }
        // Rounded to a whole number of units of the last place, by the definition.
        const int unit = made.exponent;
        const auto expected =
            support::Rational(support::round_whole(exact / support::power(2, unit), rounding)) *
            support::power(2, unit);
        const bool saturated = made.significand == (uint128{1} << format.precision) - 1 &&
                               unit == format.max_exponent() - format.precision + 1;
        if (!saturated && support::exact(made) != expected)
          FAIL(format.name << ", " << name_of(rounding));
      }
    }
  }
}

TEST_CASE("the ends of every format") {
  for (const BinaryFormat* each : all_formats) {
    const BinaryFormat& format = *each;
    INFO(format.name);
    const BinaryReal largest = unpack(format, largest_finite_bits(format, false));
    CHECK(largest.kind == RealClass::normal);
    CHECK(largest.leading_exponent() == format.max_exponent());
    CHECK((next_up(format, largest_finite_bits(format, false)) == infinity_bits(format, false)));
    CHECK(unpack(format, infinity_bits(format, true)).negative);
    CHECK(unpack(format, infinity_bits(format, false)).kind == RealClass::infinite);
    CHECK(unpack(format, quiet_nan_bits(format, false)).kind == RealClass::not_a_number);
    CHECK(unpack(format, 1).kind == RealClass::subnormal);
    CHECK(unpack(format, 1).exponent == format.lowest_exponent());
    CHECK(unpack(format, zero_bits(format, true)).is_zero());
    // One step beyond the largest overflows by direction (IEEE 754-2019, 7.4).
    BinaryReal beyond = largest;
    ++beyond.exponent;
    CHECK((convert(beyond, format, Rounding::half_even) == infinity_bits(format, false)));
    CHECK((convert(beyond, format, Rounding::toward) == largest_finite_bits(format, false)));
    CHECK((convert(beyond, format, Rounding::down) == largest_finite_bits(format, false)));
    // Half of the lowest is a tie that goes to zero, or up where asked.
    BinaryReal half = unpack(format, 1);
    --half.exponent;
    CHECK((convert(half, format, Rounding::half_even) == 0));
    CHECK((convert(half, format, Rounding::up) == 1));
    CHECK((convert(half, format, Rounding::half_away) == 1));
  }
}

TEST_CASE("neighbours agree with the machine's own, and at the ends with the standard") {
  support::RandomValues random(support::seed(5));
  for (int i = 0; i < support::cases(200'000); ++i) {
    const double value = random.real();
    const uint128 above = bits_of(std::nextafter(value, INFINITY));
    const uint128 below = bits_of(std::nextafter(value, -INFINITY));
    if (next_above(binary64, bits_of(value)) != above) FAIL("above " << value);
    if (next_below(binary64, bits_of(value)) != below) FAIL("below " << value);
    const long double wide = static_cast<long double>(value) / 3;
    const uint128 wide_above =
        long_double_bits(std::nextafter(wide, static_cast<long double>(INFINITY)));
    if (next_above(extended80, long_double_bits(wide)) != wide_above)
      FAIL("above " << value << " / 3");
  }
  for (const BinaryFormat* each : all_formats) {
    const BinaryFormat& format = *each;
    INFO(format.name);
    CHECK((next_above(format, zero_bits(format, true)) == uint128{1}));
    CHECK((next_below(format, 1) == zero_bits(format, false)));
    CHECK((next_above(format, largest_finite_bits(format, false)) == infinity_bits(format, false)));
    CHECK((next_above(format, infinity_bits(format, true)) == largest_finite_bits(format, true)));
    CHECK_FALSE(next_above(format, infinity_bits(format, false)));
    CHECK_FALSE(next_below(format, infinity_bits(format, true)));
    CHECK_FALSE(next_above(format, quiet_nan_bits(format, false)));
    CHECK(format_named(format.name) == each);
  }
  CHECK(format_named("f63") == nullptr);
}
