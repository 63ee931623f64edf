// Arithmetic of expressions, against the arithmetic of the machine and of wider numbers: the whole
// small world of 8 bits, then random numbers of every type.

#include <catch2/catch.hpp>
#include <cmath>
#include <cstring>
#include <limits>
#include <optional>
#include <string>

#include "computed/arithmetic.hpp"
#include "computed/elementary.hpp"
#include "support/random_values.hpp"

using namespace inky;
using computed::Division;
using computed::Operation;

namespace {

constexpr Operation whole_operations[] = {
    Operation::add,       Operation::subtract, Operation::multiply, Operation::divide,
    Operation::remainder, Operation::bits_and, Operation::bits_or,  Operation::bits_differ};

// The same by the machine; nothing for a division by zero. REQUIRES: no overflow of int64.
std::optional<std::int64_t> by_machine(Operation operation, std::int64_t a, std::int64_t b) {
  switch (operation) {
    case Operation::add:
      return a + b;
    case Operation::subtract:
      return a - b;
    case Operation::multiply:
      return a * b;
    case Operation::divide:
      return b == 0 ? std::nullopt : std::optional<std::int64_t>(a / b);
    case Operation::remainder:
      return b == 0 ? std::nullopt : std::optional<std::int64_t>(a % b);
    case Operation::bits_and:
      return a & b;
    case Operation::bits_or:
      return a | b;
    default:
      return a ^ b;
  }
}

double random_double(support::RandomValues& random) {
  switch (random.below(4)) {
    case 0:
      return static_cast<double>(random.below(2000) - 1000) / 8;
    case 1:
      return static_cast<double>(random.below(100'000)) / 100;
    case 2: {
      const std::uint64_t bits = random.bits();
      double out = 0;
      std::memcpy(&out, &bits, sizeof out);
      return out;
    }
    default:
      return std::ldexp(1.0 + random.below(100), random.below(200) - 100);
  }
}

bool same(double a, double b) {
  return std::memcmp(&a, &b, sizeof a) == 0 || (std::isnan(a) && std::isnan(b));
}

}  // namespace

TEST_CASE("whole numbers of 8 bits: every operation on every pair") {
  int wrong = 0;
  for (int a = -128; a < 128; ++a) {
    for (int b = -128; b < 128; ++b) {
      for (const Operation operation : whole_operations) {
        const auto want = by_machine(operation, a, b);
        const auto got = computed::combine_wholes(operation, a, b, Division::toward_zero);
        if (got.has_value() != want.has_value()) ++wrong;
        if (!want || !got) continue;
        // Wrapped into 8 bits, as a cast does.
        const auto narrow = static_cast<std::int8_t>(*want);
        const bool good =
            *got == *want && computed::wrapped(Type::i8, *got).as_whole() == narrow &&
            computed::wrapped(Type::u8, *got).as_whole() == static_cast<std::uint8_t>(*want) &&
            computed::fits(Type::i8, *got) == (narrow == *want);
        wrong += good ? 0 : 1;
      }
    }
  }
  CHECK(wrong == 0);
}

// q = floor(a / b), and the remainder has the sign of b: the Python Language Reference, 6.7.
TEST_CASE("division downward: the quotient and the rest make the number again") {
  for (int a = -60; a <= 60; ++a) {
    for (int b = -9; b <= 9; ++b) {
      const auto quotient = computed::combine_wholes(Operation::divide_down, a, b, Division::down);
      const auto rest = computed::combine_wholes(Operation::remainder, a, b, Division::down);
      REQUIRE(quotient.has_value() == (b != 0));
      if (b == 0) continue;
      CHECK(*quotient * b + *rest == a);
      CHECK(*quotient == static_cast<int>(std::floor(static_cast<double>(a) / b)));
      CHECK((*rest == 0 || (*rest < 0) == (b < 0)));
    }
  }
}

TEST_CASE("whole numbers of 64 bits wrap as the machine's do") {
  support::RandomValues random(support::seed(20261129));
  for (int i = 0; i < 5000; ++i) {
    const std::uint64_t a = random.bits() >> random.below(64);
    const std::uint64_t b = random.bits() >> random.below(64);
    const auto wide = [](std::uint64_t bits) { return integer_of(uint128{bits}); };
    const auto sum = computed::combine_wholes(Operation::add, wide(a), wide(b), Division::down);
    CHECK(low_half(computed::wrapped(Type::u64, *sum).bits()) == a + b);
    const auto product =
        computed::combine_wholes(Operation::multiply, wide(a), wide(b), Division::down);
    CHECK(low_half(computed::wrapped(Type::u64, *product).bits()) == a * b);
    CHECK(low_half(computed::wrapped(Type::i64, *product).bits()) == a * b);
    const auto difference =
        computed::combine_wholes(Operation::subtract, wide(a), wide(b), Division::down);
    CHECK(low_half(computed::wrapped(Type::i64, *difference).bits()) == a - b);
    const int by = random.below(64);
    CHECK(low_half(computed::wrapped(Type::u64, computed::shifted(wide(a), by)).bits()) == a << by);
    CHECK(low_half(computed::wrapped(Type::u64, computed::shifted(wide(a), -by)).bits()) ==
          a >> by);
    const auto negative = static_cast<std::int64_t>(a);
    CHECK(computed::shifted(Integer(negative), -by) == (negative >> by));
  }
}

TEST_CASE("the bits of negative numbers are those of two's complement, however long") {
  support::RandomValues random(support::seed(20261129));
  for (int i = 0; i < 5000; ++i) {
    const auto a = static_cast<std::int64_t>(random.bits()) >> random.below(60);
    const auto b = static_cast<std::int64_t>(random.bits()) >> random.below(60);
    for (const Operation operation :
         {Operation::bits_and, Operation::bits_or, Operation::bits_differ})
      CHECK(*computed::combine_wholes(operation, a, b, Division::down) ==
            *by_machine(operation, a, b));
  }
}

TEST_CASE("the smallest type that holds a number, and numbers beyond every type") {
  CHECK(computed::smallest(0).type() == Type::i32);
  CHECK(computed::smallest(2147483647).type() == Type::i32);
  CHECK(computed::smallest(2147483648).type() == Type::i64);
  CHECK(computed::smallest(-2147483649).type() == Type::i64);
  CHECK(computed::smallest(Integer(1) << 63).type() == Type::big);
  CHECK(describe(computed::smallest(Integer(1) << 200)) ==
        "1606938044258990275541962092341162602522202993782792835301376");
  CHECK(describe(computed::smallest(-(Integer(1) << 64))) == "-18446744073709551616");
  for (int bits = 0; bits < 300; ++bits) {
    const Integer number = (Integer(1) << bits) - 1;
    CHECK(computed::whole_of(computed::smallest(number)) == number);
    CHECK(computed::whole_of(computed::smallest(-number)) == -number);
  }
}

TEST_CASE("reals are computed as the machine computes them") {
  support::RandomValues random(support::seed(20261129));
  constexpr Operation operations[] = {Operation::add, Operation::subtract, Operation::multiply,
                                      Operation::divide, Operation::remainder};
  for (int i = 0; i < 5000; ++i) {
    const double a = random_double(random);
    const double b = random_double(random);
    const double want[] = {a + b, a - b, a * b, a / b, std::fmod(a, b)};
    for (std::size_t k = 0; k < 5; ++k) {
      const Value got =
          computed::combine_reals(operations[k], Type::f64, Value::real(a), Value::real(b));
      CHECK(same(computed::double_of(got), want[k]));
    }
    const double order = a - b;
    const auto got = computed::compare(Value::real(a), Value::real(b));
    if (!std::isnan(order)) {
      CHECK(std::is_lt(got) == (a < b));
      CHECK(std::is_eq(got) == (a == b));
    }
  }
}

// The exact path, which f80 takes, gives what the machine gives for f80.
TEST_CASE("long doubles are computed exactly and rounded once") {
  support::RandomValues random(support::seed(20261129));
  const auto value_of = [](long double number) {
    uint128 bits = 0;
    std::memcpy(&bits, &number, 10);
    return Value::real(Type::f80, bits);
  };
  constexpr Operation operations[] = {Operation::add, Operation::subtract, Operation::multiply,
                                      Operation::divide, Operation::remainder};
  for (int i = 0; i < 1000; ++i) {
    const auto a = static_cast<long double>(random_double(random)) / 3;
    const auto b = static_cast<long double>(random_double(random)) / 7;
    if (!std::isfinite(a) || !std::isfinite(b) || std::fabs(a) > 1e300L || b == 0) continue;
    // A remainder of numbers this far apart takes the machine long.
    if (std::fabs(a / b) > 1e15L) continue;
    const long double want[] = {a + b, a - b, a * b, a / b, std::fmod(a, b)};
    for (std::size_t k = 0; k < 5; ++k) {
      const Value got = computed::combine_reals(operations[k], Type::f80, value_of(a), value_of(b));
      CHECK(got.bits() == value_of(want[k]).bits());
    }
  }
}

TEST_CASE("infinities, zeros and not-a-number in the exact path") {
  const auto of = [](const char* text) { return *read_value(std::string(text) + ":f80"); };
  struct Case {
    Operation operation;
    const char* left;
    const char* right;
    const char* result;
  };
  const Case cases[] = {
      {Operation::add, "inf", "1", "inf"},         {Operation::add, "inf", "-inf", "-nan"},
      {Operation::subtract, "inf", "inf", "-nan"}, {Operation::subtract, "1", "inf", "-inf"},
      {Operation::multiply, "inf", "-2", "-inf"},  {Operation::multiply, "inf", "0", "-nan"},
      {Operation::divide, "1", "0", "inf"},        {Operation::divide, "-1", "0", "-inf"},
      {Operation::divide, "0", "0", "-nan"},       {Operation::divide, "inf", "inf", "-nan"},
      {Operation::divide, "1", "-inf", "-0.0"},    {Operation::remainder, "5", "inf", "5"},
      {Operation::remainder, "inf", "5", "-nan"},  {Operation::remainder, "5", "0", "-nan"},
      {Operation::add, "nan", "1", "nan"},         {Operation::multiply, "2", "-nan", "-nan"},
      {Operation::add, "-0.0", "-0.0", "-0.0"},    {Operation::add, "0.0", "-0.0", "0.0"},
      {Operation::multiply, "-0.0", "5", "-0.0"},  {Operation::remainder, "-4", "2", "-0.0"},
  };
  for (const Case& one : cases) {
    INFO(one.left << " and " << one.right);
    const Value got =
        computed::combine_reals(one.operation, Type::f80, of(one.left), of(one.right));
    CHECK(describe(got) == describe(of(one.result)));
    CHECK(got.as_real().negative == of(one.result).as_real().negative);
  }
}

TEST_CASE("rounding to a whole number, and cutting") {
  support::RandomValues random(support::seed(20261129));
  for (int i = 0; i < 3000; ++i) {
    const double x = random_double(random);
    const Value value = Value::real(x);
    const auto rounded = [&](Rounding rounding) {
      return computed::double_of(computed::rounded_real(value, rounding));
    };
    CHECK(same(rounded(Rounding::down), std::floor(x)));
    CHECK(same(rounded(Rounding::up), std::ceil(x)));
    CHECK(same(rounded(Rounding::toward), std::trunc(x)));
    CHECK(same(rounded(Rounding::half_away), std::round(x)));
    CHECK(same(rounded(Rounding::half_even), std::nearbyint(x)));
    const auto cut = computed::cut(value);
    CHECK(cut.has_value() == std::isfinite(x));
    if (cut && std::fabs(x) < 1e15) CHECK(*cut == static_cast<std::int64_t>(x));
  }
}

TEST_CASE("numbers of different types are compared exactly") {
  const auto order = [](const char* left, const char* right) {
    return computed::compare(*read_value(left), *read_value(right));
  };
  CHECK(std::is_lt(order("9007199254740992.0", "9007199254740993")));
  CHECK(std::is_eq(order("9007199254740992.0", "9007199254740992")));
  CHECK(std::is_gt(order("0.1", "0.1:f80")));
  CHECK(std::is_lt(order("0.1", "0.1:f32")));
  CHECK(std::is_lt(order("-1", "4294967295:u32")));
  CHECK(std::is_lt(order("123456789012345678901234567890:big", "inf:f64")));
  CHECK(std::is_gt(order("1", "-inf:f64")));
  CHECK(order("nan:f64", "1") == std::partial_ordering::unordered);
  CHECK(computed::relates(Operation::unequal, order("nan:f64", "nan:f64")));
  CHECK_FALSE(computed::relates(Operation::equal, order("nan:f64", "nan:f64")));
  CHECK_FALSE(computed::relates(Operation::at_least, order("nan:f64", "1")));
}

TEST_CASE("functions of mathematics are known by name, or not at all") {
  CHECK(computed::elementary("sqrt", 2.0) == std::sqrt(2.0));
  CHECK(computed::elementary("exp", 1.0) == std::exp(1.0));
  CHECK_FALSE(computed::elementary("gamma", 1.0).has_value());
  CHECK(computed::power(2, 10) == 1024);
}
