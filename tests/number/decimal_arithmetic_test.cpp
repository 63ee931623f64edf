// Decimals rounded, added, multiplied, divided and compared, against exact fractions.

#include "number/decimal_arithmetic.hpp"

#include <catch2/catch.hpp>
#include <random>
#include <string>

#include "inky_margin/number/decimal.hpp"
#include "support/random_values.hpp"

using namespace inky;

namespace {

Decimal decimal(std::string_view text) {
  return *read_decimal(text);
}

// Of up to 30 digits, and an exponent near 0.
Decimal random_decimal(std::mt19937_64& random) {
  std::string digits(1 + random() % 30, '0');
  for (char& c : digits) c = static_cast<char>('0' + random() % 10);
  const std::string exponent = std::to_string(static_cast<int>(random() % 41) - 30);
  return decimal((random() % 3 == 0 ? "-" : "") + digits + "e" + exponent);
}

bool is_zero_or_signed(const Decimal& value) {
  return value.coefficient == "0" || value.coefficient[0] != '0';
}

}  // namespace

TEST_CASE("a decimal keeps its digits, and its text reads back as the same one") {
  std::mt19937_64 random(support::seed(20311));
  for (int i = 0; i < 3000; ++i) {
    const Decimal value = random_decimal(random);
    INFO(to_text(value));
    CHECK(decimal(to_text(value)) == value);
    CHECK(is_zero_or_signed(value));
    Digits digits;
    decimal_digits(value, digits);
    CHECK(rational_of(exact_decimal(value)) == rational_of(value));
    if (!value.is_zero()) {
      CHECK(digits.text()[0] != '0');
      CHECK(digits.text().back() != '0');
    }
  }
  CHECK_FALSE(read_decimal("1.5 "));
  CHECK_FALSE(read_decimal("0x10"));
  CHECK_FALSE(read_decimal(""));
  CHECK_FALSE(read_decimal("1,5"));
}

TEST_CASE("sums, products and comparisons of decimals are exact") {
  std::mt19937_64 random(support::seed(20312));
  for (int i = 0; i < 3000; ++i) {
    const Decimal a = random_decimal(random);
    const Decimal b =
        i % 5 == 0 ? rescaled(a, a.exponent - 3, Rounding::half_even) : random_decimal(random);
    INFO(to_text(a) << " and " << to_text(b));
    CHECK(rational_of(sum(a, b)) == rational_of(a) + rational_of(b));
    CHECK(sum(a, b).exponent == std::min(a.exponent, b.exponent));
    CHECK(rational_of(product(a, b)) == rational_of(a) * rational_of(b));
    CHECK(product(a, b).exponent == a.exponent + b.exponent);
    const Rational difference = rational_of(a) - rational_of(b);
    CHECK((compare(a, b) < 0) == (difference < 0));
    CHECK((compare(a, b) == 0) == (difference == 0));
  }
}

TEST_CASE("decimals are rounded as fractions are, in every mode") {
  std::mt19937_64 random(support::seed(20313));
  for (int i = 0; i < 3000; ++i) {
    const Decimal a = random_decimal(random);
    const Rounding rounding = all_roundings[random() % all_roundings.size()];
    const std::int64_t exponent = a.exponent + static_cast<std::int64_t>(random() % 40) - 5;
    INFO(to_text(a) << " to " << exponent << " " << name_of(rounding));
    const Decimal cut = rescaled(a, exponent, rounding);
    const Rational unit = power(10, static_cast<int>(exponent));
    CHECK(rational_of(cut) == Rational(round_whole(rational_of(a) / unit, rounding)) * unit);
    CHECK(cut.exponent == exponent);
    const std::int64_t most = 1 + static_cast<std::int64_t>(random() % 12);
    const Decimal few = cut_to(a, most, rounding);
    CHECK(static_cast<std::int64_t>(few.coefficient.size()) <= std::max<std::int64_t>(most, 1));
    const Rational step = power(10, static_cast<int>(few.exponent));
    CHECK(abs(rational_of(few) - rational_of(a)) < step);
  }
}

TEST_CASE("a quotient of decimals is exact where it ends, and else rounded once") {
  std::mt19937_64 random(support::seed(20314));
  constexpr std::int64_t most = 28;
  for (int i = 0; i < 3000; ++i) {
    const Decimal a = random_decimal(random);
    Decimal b = random_decimal(random);
    if (b.is_zero()) b = decimal("3");
    INFO(to_text(a) << " / " << to_text(b));
    const Decimal result = quotient(a, b, most, Rounding::half_even);
    CHECK(static_cast<std::int64_t>(result.coefficient.size()) <= most);
    const Rational exact = rational_of(a) / rational_of(b);
    if (rational_of(result) == exact) {
      CHECK(result.exponent <= a.exponent - b.exponent);
      continue;
    }
    // Nearer to the exact quotient than half a unit of the last of all its digits.
    CHECK(static_cast<std::int64_t>(result.coefficient.size()) == most);
    const Rational unit = power(10, static_cast<int>(result.exponent));
    CHECK(abs(rational_of(result) - exact) * 2 <= unit);
  }
  CHECK(to_text(quotient(decimal("1.00"), decimal("4"), most, Rounding::half_even)) == "0.25");
  CHECK(to_text(quotient(decimal("6.00"), decimal("2"), most, Rounding::half_even)) == "3.00");
}
