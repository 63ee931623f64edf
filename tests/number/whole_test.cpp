#include "inky_margin/number/whole.hpp"

#include <bit>
#include <catch2/catch.hpp>
#include <charconv>
#include <cmath>
#include <string>

#include "number/bases.hpp"
#include "support/random_values.hpp"
#include "support/rational.hpp"

using namespace inky;

TEST_CASE("wholes in every base agree with the standard library and exact integers") {
  support::RandomValues random(support::seed(36));
  WholeRoom room;
  for (int i = 0; i < support::cases(100'000); ++i) {
    const std::uint64_t value = random.whole();
    const int base = lowest_base + random.below(highest_base - lowest_base + 1);
    char expected[65];
    const auto end = std::to_chars(expected, expected + sizeof expected, value, base);
    REQUIRE(write_whole(value, base, Letters::lower, room) == std::string_view(expected, end.ptr));
    const uint128 wide = join_halves(value, random.bits());
    REQUIRE(write_whole(wide, 10, Letters::lower, room) == support::to_integer(wide).str());
    std::string big;
    append_whole(Natural(wide), base, Letters::upper, big);
    REQUIRE(write_whole(wide, base, Letters::upper, room) == big);
  }
}

TEST_CASE("two's complement at a width") {
  CHECK((wrap_unsigned(-7, 32) == 4294967289U));
  CHECK((wrap_signed(4294967289U, 32) == -7));
  CHECK((wrap_signed(0x80, 8) == -128));
  CHECK((wrap_signed(0x7f, 8) == 127));
  CHECK((magnitude_of(wrap_signed(uint128{1} << 127, 128)) == uint128{1} << 127));
  support::RandomValues random(support::seed(8));
  for (int i = 0; i < support::cases(10'000); ++i) {
    const std::uint64_t bits = random.whole();
    REQUIRE((wrap_signed(bits, 8) == static_cast<std::int8_t>(bits)));
    REQUIRE((wrap_signed(bits, 16) == static_cast<std::int16_t>(bits)));
    REQUIRE((wrap_signed(bits, 32) == static_cast<std::int32_t>(bits)));
    REQUIRE((wrap_signed(bits, 64) == static_cast<std::int64_t>(bits)));
  }
}

TEST_CASE("wholes read in each base, and nothing else is read") {
  const auto read = [](std::string_view text) -> std::string {
    const auto whole = read_whole(text);
    if (!whole) return "not a whole number";
    std::string out = whole->negative ? "-" : "";
    append_whole(whole->magnitude, 10, Letters::lower, out);
    return out;
  };
  CHECK(read("0") == "0");
  CHECK(read("-0") == "0");
  CHECK(read("+42") == "42");
  CHECK(read("-0x1F") == "-31");
  CHECK(read("0b101") == "5");
  CHECK(read("0o17") == "15");
  CHECK(read("017") == "17");
  CHECK(read(std::string(200, '9')) == std::string(200, '9'));
  for (const char* bad : {"", "-", "0x", "12a", "0b2", "1.0", "--1", " 1"}) {
    CHECK(read(bad) == "not a whole number");
  }
}

TEST_CASE("whole numbers in the bases of programs, as the library writes and reads them") {
  support::RandomValues random(support::seed(216));
  for (int i = 0; i < support::cases(20'000); ++i) {
    const std::uint64_t value = random.whole();
    const auto all = in_bases(value);
    REQUIRE(all.size() == 3);
    for (const BaseDigits& one : all) {
      char expected[65];
      const auto end = std::to_chars(expected, expected + sizeof expected, value, one.base);
      REQUIRE(one.digits == std::string_view(expected, end.ptr));
      std::string grouped = in_groups(one);
      std::erase(grouped, ' ');
      REQUIRE(grouped == one.digits);
    }
  }
  CHECK(in_groups(in_bases(213)[0]) == "1101 0101");
  CHECK(in_groups(in_bases(213)[1]) == "325");
  CHECK(in_groups({8, "1234567"}) == "1 234 567");
  CHECK(in_groups({16, "dead0"}) == "d ead0");
  CHECK(in_groups({2, "0"}) == "0");
}

TEST_CASE("the reals that are whole numbers below 2^64") {
  support::RandomValues random(support::seed(64));
  const auto magnitude = [](double value) {
    return whole_magnitude(unpack(binary64, std::bit_cast<std::uint64_t>(value)));
  };
  for (int i = 0; i < support::cases(100'000); ++i) {
    double value = random.any_real();
    if (i % 2 == 0) value = std::trunc(std::ldexp(random.any_real(), random.below(40)));
    const double size = std::fabs(value);
    const bool whole = std::isfinite(value) && std::trunc(size) == size && size < 0x1p64;
    const auto found = magnitude(value);
    REQUIRE(found.has_value() == whole);
    if (found) REQUIRE(*found == static_cast<std::uint64_t>(size));
  }
  CHECK(magnitude(-0.0) == uint128{0});
  CHECK(magnitude(0x1p63) == uint128{1} << 63);
  CHECK_FALSE(magnitude(0x1p64));
  CHECK_FALSE(magnitude(0.5));
}
