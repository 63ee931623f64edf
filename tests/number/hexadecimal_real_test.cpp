#include "number/hexadecimal_real.hpp"

#include <catch2/catch.hpp>
#include <cstdio>
#include <cstring>
#include <string>

#include "inky_margin/number/digits.hpp"
#include "support/random_values.hpp"

using namespace inky;

namespace {

std::string text_of(const BinaryFormat& format, const BinaryReal& real, int places) {
  const HexadecimalDigits h =
      hexadecimal_digits(format, real, places, Rounding::half_even, Letters::lower);
  std::string fraction(h.fraction());
  if (places != any_places) fraction.resize(static_cast<std::size_t>(places), '0');
  char room[80];
  std::snprintf(room, sizeof room, "%s0x%x%s%sp%+d", real.negative ? "-" : "",
                static_cast<unsigned>(h.lead), fraction.empty() ? "" : ".", fraction.c_str(),
                h.exponent);
  return room;
}

}  // namespace

TEST_CASE("hexadecimal form agrees with the C library") {
  support::RandomValues random(support::seed(16));
  char expected[80];
  for (int i = 0; i < support::cases(100'000); ++i) {
    const double value = random.real();
    const int places = random.below(18) - 1;
    if (places < 0)
      std::snprintf(expected, sizeof expected, "%a", value);
    else
      std::snprintf(expected, sizeof expected, "%.*a", places, value);
    const std::string ours = text_of(binary64, unpack(binary64, bits_of(value)), places);
    if (ours != expected) FAIL(expected << " but " << ours);
    const long double wide = static_cast<long double>(value) / 3;
    uint128 bits = 0;
    std::memcpy(&bits, &wide, 10);
    if (places < 0)
      std::snprintf(expected, sizeof expected, "%La", wide);
    else
      std::snprintf(expected, sizeof expected, "%.*La", places, wide);
    const std::string ours_wide = text_of(extended80, unpack(extended80, bits), places);
    if (ours_wide != expected) FAIL(expected << " but " << ours_wide);
  }
}
