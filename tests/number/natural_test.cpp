// Natural against exact integers of the Boost library, step by step.

#include "inky_margin/number/natural.hpp"

#include <catch2/catch.hpp>

#include "support/random_values.hpp"
#include "support/rational.hpp"

using namespace inky;
using support::Integer;

namespace {

Integer model_of(const Natural& n) {
  Integer out(0);
  const auto limbs = n.limbs();
  for (std::size_t i = limbs.size(); i-- > 0;) out = (out << 64) + limbs[i];
  return out;
}

}  // namespace

TEST_CASE("random operations on a natural number and its model stay equal") {
  const std::uint64_t seed = support::seed(64);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int round = 0; round < support::cases(3000); ++round) {
    Natural n(join_halves(random.whole(), random.bits()));
    Integer model = model_of(n);
    for (int step = 0; step < 30; ++step) {
      const std::uint64_t word = random.one_in(8) ? ~std::uint64_t{0} : random.whole() | 1;
      const int count = random.below(200);
      switch (random.below(9)) {
        case 0:
          n.multiply(word);
          model *= word;
          break;
        case 1:
          n.add(word);
          model += word;
          break;
        case 2:
          n.multiply_power_of_five(count);
          model *= pow(Integer(5), static_cast<unsigned>(count));
          break;
        case 3:
          n.shift_left(count);
          model <<= count;
          break;
        case 4: {
          const bool lost = (model & ((Integer(1) << count) - 1)) != 0;
          REQUIRE(n.shift_right(count) == lost);
          model >>= count;
          break;
        }
        case 5: {
          const std::uint64_t rest = n.divide(word);
          REQUIRE(Integer(rest) == model % word);
          model /= word;
          break;
        }
        case 6: {
          Natural part = n;
          const bool lost = part.shift_right(count);
          REQUIRE(((part <=> n) == 0) == (count == 0 || n.is_zero()));
          n.subtract(part);
          model -= Integer(model >> count);
          (void)lost;
          break;
        }
        case 7: {
          const Natural copy(n);
          REQUIRE(copy == n);
          break;
        }
        default:
          n.multiply_power_of_ten(count / 8);
          model *= pow(Integer(10), static_cast<unsigned>(count / 8));
      }
      if (model_of(n) != model) FAIL("step " << step << " of round " << round);
      REQUIRE(n.is_zero() == (model == 0));
      REQUIRE(n.bit_length() == (model == 0 ? 0 : static_cast<int>(msb(model)) + 1));
    }
  }
}

TEST_CASE("comparison orders by value") {
  const Natural small(7);
  const Natural wide(uint128{1} << 64);
  CHECK(small < wide);
  CHECK(wide > small);
  CHECK(Natural() < small);
  CHECK(Natural(0) == Natural());
  CHECK(wide.bit(64));
  CHECK_FALSE(wide.bit(63));
  CHECK_FALSE(wide.bit(100000));
  CHECK((wide.low_bits() == uint128{1} << 64));
}
