// Decimals of any length against exact rationals.

#include "inky_margin/number/exact_decimal.hpp"

#include <catch2/catch.hpp>
#include <string>

#include "support/random_values.hpp"
#include "support/rational.hpp"

using namespace inky;

namespace {

support::Rational value_of(const ExactDecimal& x) {
  support::Integer whole(0);
  for (const char c : x.digits) whole = whole * 10 + (c - '0');
  const support::Rational magnitude =
      support::Rational(whole) *
      support::power(10, static_cast<int>(x.point) - static_cast<int>(x.digits.size()));
  return x.negative ? support::Rational(-magnitude) : magnitude;
}

ExactDecimal random_decimal(support::RandomValues& random) {
  std::string text(random.one_in(2) ? "-" : "");
  const int size = 1 + random.below(30);
  const int point = random.below(size + 1);
  // Runs of one digit make carries and ties.
  char digit = '0';
  for (int i = 0; i < size; ++i) {
    if (i == point) text += '.';
    if (random.one_in(2)) digit = "0123456789059"[random.below(13)];
    text += digit;
  }
  if (text.back() == '.') text += '0';
  if (random.one_in(3)) text += "e" + std::to_string(random.below(40) - 20);
  return exact_decimal(*scan_decimal(text));
}

}  // namespace

TEST_CASE("differences, roundings and ties of decimals agree with exact rationals, 100,000 times") {
  const std::uint64_t seed = support::seed(3141);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(100'000); ++i) {
    const ExactDecimal a = random_decimal(random);
    const ExactDecimal b = random_decimal(random);
    const support::Rational value = value_of(a);
    if (value_of(difference(a, b)) != value - value_of(b)) FAIL(to_text(a) << " - " << to_text(b));
    const int places = random.below(30) - 6;
    const Rounding rounding = random.pick(all_roundings);
    const support::Rational expected = support::round_to_places(value, places, rounding);
    const ExactDecimal ours = rounded(a, places, rounding);
    if (value_of(ours) != expected)
      FAIL(to_text(a) << " to " << places << ", " << name_of(rounding));
    const support::Rational scaled = abs(value) * support::power(10, places);
    const support::Rational rest = scaled - support::Rational(support::floor(scaled));
    const Tail tail = rest == 0       ? Tail::exact
                      : rest * 2 == 1 ? Tail::half
                      : rest * 2 < 1  ? Tail::below_half
                                      : Tail::above_half;
    if (tail_at(a, places) != tail) FAIL(to_text(a) << " at " << places);
    // Its text reads back as the same decimal.
    const ExactDecimal again = exact_decimal(*scan_decimal(to_text(a, random.below(4))));
    if (value_of(again) != value) FAIL(to_text(a));
  }
}

TEST_CASE("the stored value, its distance from what was typed, and long texts") {
  const auto typed = *scan_decimal("2.675");
  const ExactDecimal stored = exact_decimal(unpack(binary64, nearest(binary64, typed)));
  CHECK(to_text(stored) == "2.67499999999999982236431605997495353221893310546875");
  CHECK(to_text(difference(stored, exact_decimal(typed))) ==
        "-0.00000000000000017763568394002504646778106689453125");
  CHECK(to_text(rounded(exact_decimal(typed), 2, Rounding::half_even), 2) == "2.68");
  CHECK(to_text(rounded(stored, 2, Rounding::half_even), 2) == "2.67");
  CHECK(to_text(exact_decimal(*scan_decimal("-0")), 2) == "-0.00");
  CHECK(to_text(exact_decimal(*scan_decimal("1e21"))) == "1" + std::string(21, '0'));
  CHECK(to_text(exact_decimal(*scan_decimal("-12.5e-1000000000"))) == "-1.25e-999999999");
  const std::string megabyte = "0." + std::string(1'000'000, '3');
  CHECK(to_text(exact_decimal(*scan_decimal(megabyte))) == megabyte);
}
