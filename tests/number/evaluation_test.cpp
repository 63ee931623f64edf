// Expressions against the machine's own arithmetic, and against exact rationals.

#include "inky_margin/number/evaluation.hpp"

#include <catch2/catch.hpp>
#include <cfenv>
#include <cmath>
#include <string>

#include "inky_margin/number/decimal.hpp"
#include "inky_margin/number/digits.hpp"
#include "inky_margin/number/weighing.hpp"
#include "support/random_values.hpp"
#include "support/rational.hpp"

using namespace inky;

namespace {

Evaluation answer(const std::string& source, const EvaluationOptions& options = {}) {
  const EvaluationAnswer got = evaluate(source, options);
  if (got.fault) FAIL(source << ": " << got.fault->message);
  return *got.evaluation;
}

std::string text_of(double value) {
  return shortest_text(binary64, bits_of(value));
}

template <typename Real>
Real by_machine(char sign, Real a, Real b) {
  switch (sign) {
    case '+':
      return a + b;
    case '-':
      return a - b;
    case '*':
      return a * b;
    case '/':
      return a / b;
    default:
      return std::fmod(a, b);
  }
}

// Reals of every size; often two of nearly the same, so that much cancels.
double operand(support::RandomValues& random, double other) {
  if (random.one_in(4)) return random.neighbour(other);
  if (random.one_in(8)) return random.pick({0.0, -0.0, HUGE_VAL, -HUGE_VAL, std::nan(""), 1.0});
  return random.one_in(2) ? random.real() : random.any_real();
}

bool same(double ours, double machine) {
  return std::isnan(machine) ? std::isnan(ours) : bits_of(ours) == bits_of(machine);
}

}  // namespace

TEST_CASE("every operation of f64 and f32 is the machine's own, and its error within half an ulp") {
  const std::uint64_t seed = support::seed(60559);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    const double a = operand(random, 1);
    const double b = operand(random, a);
    const char sign = random.pick({'+', '-', '*', '/', '%'});
    // Exponents far apart make a remainder of hundreds of digits: right, and slow.
    if (sign == '%' && std::isfinite(a) && std::isfinite(b) && b != 0 &&
        std::fabs(std::log2(std::fabs(a / b))) > 300)
      continue;
    const bool narrow = random.one_in(3);
    std::string source;
    double machine = 0;
    if (narrow) {
      const auto x = static_cast<float>(a);
      const auto y = static_cast<float>(b);
      machine = by_machine(sign, x, y);
      source =
          hexadecimal_text(binary32, bits_of(x)) + sign + hexadecimal_text(binary32, bits_of(y));
    } else {
      machine = by_machine(sign, a, b);
      source =
          hexadecimal_text(binary64, bits_of(a)) + sign + hexadecimal_text(binary64, bits_of(b));
    }
    EvaluationOptions options;
    options.reals = narrow ? &binary32 : &binary64;
    const Evaluation got = answer(source, options);
    const BinaryReal real = unpack(*got.result.type->format, got.result.bits);
    const double ours = std::bit_cast<double>(low_half(convert(real, binary64)));
    if (!same(ours, machine)) FAIL(source << " gives " << got.result.text << ", not " << machine);
    const Step& step = got.steps.back();
    if (step.error_ulps.empty()) continue;
    if (std::fabs(std::strtod(step.error_ulps.c_str(), nullptr)) > 0.5)
      FAIL(source << ": " << step.error_ulps << " ulps");
  }
}

TEST_CASE("functions are the machine's own") {
  const std::uint64_t seed = support::seed(754);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  struct Function {
    const char* name;
    double (*machine)(double);
  };
  const Function functions[] = {{"floor", std::floor},
                                {"ceil", std::ceil},
                                {"trunc", std::trunc},
                                {"round", std::round},
                                {"sqrt", std::sqrt},
                                {"abs", std::fabs},
                                {"-", [](double x) { return -x; }}};
  for (int i = 0; i < support::cases(20'000); ++i) {
    double value = random.one_in(2) ? random.real() : random.below(2000) / 4.0 - 250;
    if (random.one_in(50)) value = random.pick({0.0, -0.0, HUGE_VAL, -HUGE_VAL, std::nan("")});
    const Function& function = random.pick(functions);
    const std::string source =
        std::string(function.name) + "(" + hexadecimal_text(binary64, bits_of(value)) + ")";
    const Evaluation got = answer(source);
    const double ours = std::bit_cast<double>(low_half(got.result.bits));
    if (!same(ours, function.machine(value))) FAIL(source << " gives " << got.result.text);
  }
}

TEST_CASE("whole numbers wrap, saturate or fail as the machine's do") {
  const std::uint64_t seed = support::seed(32);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    const auto a = static_cast<std::int32_t>(random.whole());
    const auto b = static_cast<std::int32_t>(random.whole());
    const char sign = random.pick({'+', '-', '*', '/', '%'});
    if (b == 0 && (sign == '/' || sign == '%')) continue;
    const std::string source =
        std::to_string(a) + ":i32 " + sign + " " + std::to_string(b) + ":i32";
    const std::int64_t x = a;
    const std::int64_t y = b;
    const std::int64_t exact = sign == '+'   ? x + y
                               : sign == '-' ? x - y
                               : sign == '*' ? x * y
                               : sign == '/' ? x / y
                                             : x % y;
    if (answer(source).result.text != std::to_string(static_cast<std::int32_t>(exact)))
      FAIL(source << " wraps to " << answer(source).result.text);
    EvaluationOptions options;
    options.overflow = WholeOverflow::saturate;
    const std::int64_t held = std::clamp<std::int64_t>(exact, INT32_MIN, INT32_MAX);
    if (answer(source, options).result.text != std::to_string(held))
      FAIL(source << " saturates at " << answer(source, options).result.text);
    options.overflow = WholeOverflow::fail;
    REQUIRE(evaluate(source, options).fault.has_value() == (held != exact));
    // A cast of any whole number to any narrower type.
    const std::string cast = std::to_string(exact);
    REQUIRE(answer("u8(" + cast + ")").result.text ==
            std::to_string(static_cast<std::uint8_t>(exact)));
    REQUIRE(answer("i16(" + cast + ")").result.text ==
            std::to_string(static_cast<std::int16_t>(exact)));
  }
}

TEST_CASE("sums of decimals in any order stay within the tolerance that is told") {
  const std::uint64_t seed = support::seed(12);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  int unequal = 0;
  for (int i = 0; i < support::cases(3'000); ++i) {
    std::vector<std::string> terms;
    for (int k = 2 + random.below(6); k > 0; --k) {
      terms.push_back(std::to_string(random.below(1000)) + "." +
                      std::to_string(random.below(1000)) +
                      (random.one_in(3) ? "*1." + std::to_string(random.below(100)) : ""));
    }
    std::string forward;
    std::string backward;
    for (const std::string& term : terms) {
      forward += (forward.empty() ? "" : "+") + term;
      backward = term + (backward.empty() ? "" : "+") + backward;
    }
    const std::string source = forward + " == " + backward;
    const Comparison comparison = *answer(source).comparison;
    REQUIRE(comparison.holds_as_typed == true);
    unequal += comparison.holds ? 0 : 1;
    const double apart = std::fabs(std::strtod(comparison.difference.c_str(), nullptr));
    const double larger = std::max(std::strtod(comparison.left.text.c_str(), nullptr),
                                   std::strtod(comparison.right.text.c_str(), nullptr));
    INFO(source);
    REQUIRE(apart <= std::strtod(comparison.absolute_tolerance.c_str(), nullptr));
    REQUIRE(apart / larger <= std::strtod(comparison.relative_tolerance.c_str(), nullptr));
    REQUIRE((comparison.ulps_apart == "0") == comparison.holds);
  }
  REQUIRE(unequal > 0);
}

TEST_CASE("distances in ulps count the steps from number to number") {
  support::RandomValues random(support::seed(9));
  for (int i = 0; i < support::cases(3'000); ++i) {
    const double a = random.real();
    double b = a;
    const int steps = random.below(40);
    for (int k = 0; k < steps; ++k) b = std::nextafter(b, INFINITY);
    if (std::isinf(b) || a == 0) continue;
    const Evaluation got = answer("f64(" + text_of(a) + ") <= f64(" + text_of(b) + ")");
    REQUIRE(got.comparison->ulps_apart == std::to_string(steps));
    REQUIRE(got.comparison->holds);
  }
  CHECK(answer("-5e-324 < 5e-324").comparison->ulps_apart == "2");
  CHECK(answer("nan == nan").comparison->holds == false);
  CHECK(answer("nan != nan").comparison->holds == true);
}

TEST_CASE("types, conversions and the whole story") {
  struct Case {
    const char* source;
    const char* type;
    const char* result;
  };
  const Case cases[] = {
      {"7/2", "i32", "3"},
      {"-7/2", "i32", "-3"},
      {"-7 % 3", "i32", "-1"},
      {"7/2.0", "f64", "3.5"},
      {"1.1:f32 * 3", "f32", "3.3000002"},
      {"1:f16 + 1:bf16", "f32", "2"},
      {"1:i32 + 1:u32", "u32", "2"},
      {"1:u32 + 1:i64", "i64", "2"},
      {"2147483648", "i64", "2147483648"},
      {"-2147483648", "i32", "-2147483648"},
      {"170141183460469231731687303715884105728", "big", "170141183460469231731687303715884105728"},
      {"0xff + 0b101 + 0o17 + 1_000", "i32", "1275"},
      {"0x1.8p+1", "f64", "3"},
      {"i32(7.9)", "i32", "7"},
      {"i32(-7.9)", "i32", "-7"},
      {"u32(-7)", "u32", "4294967289"},
      {"f32(16777217)", "f32", "16777216"},
      {"ulp(1.0)", "f64", "2.220446049250313e-16"},
      {"2 - -3 * (1 + 1)", "i32", "8"},
      {"1.0/0", "f64", "inf"},
      {"0.0/0", "f64", "nan"},
      {"inf - inf", "f64", "nan"},
      {"sqrt(-1.0)", "f64", "nan"},
      {"1e308 * 10", "f64", "inf"},
  };
  for (const Case& c : cases) {
    INFO(c.source);
    const Evaluation got = answer(c.source);
    CHECK(got.result.type->name == c.type);
    CHECK(got.result.text == c.result);
  }
  CHECK(answer("1.1:f32 + 1.1").result.text == text_of(1.1F + 1.1));
  const Evaluation sum = answer("0.1 + 0.2");
  CHECK(sum.exact == "0.3");
  CHECK(sum.error == "0.0000000000000000444089209850062616169452667236328125");
  CHECK(sum.error_ulps == "0.8");
  CHECK(sum.steps[0].exact == "0.3000000000000000166533453693773481063544750213623046875");
  CHECK(sum.literals[0].error_ulps == "0.4");
  const Evaluation mixed = answer("1.1:f32 * 3");
  REQUIRE(mixed.steps[0].conversions.size() == 1);
  CHECK(mixed.steps[0].conversions[0].from.type->name == "i32");
  const NamedNumber names[] = {{"mass", "12.5"}, {"x", "-1.1:f32"}};
  EvaluationOptions options;
  options.names = names;
  CHECK(answer("mass * 2", options).result.text == "25");
  CHECK(answer("x", options).result.text == "-1.1");
  options.base = 36;
  CHECK(answer("zz + 1", options).result.text == "1296");
  options.base = 10;
  options.result = number_type_named("u8");
  CHECK(answer("300", options).result.text == "44");
  CHECK(answer("300", options).steps[0].remark.find("255") != std::string::npos);
}

TEST_CASE("what cannot be evaluated is said where it stands") {
  struct Case {
    std::string source;
    const char* message;
    std::size_t from;
    std::size_t to;
  };
  const Case cases[] = {
      {"1 +", "a number is missing here", 3, 3},
      {"", "a number is missing here", 0, 0},
      {"2,675", "a comma is not a decimal point", 1, 2},
      {"(1 + 2", "this parenthesis is not closed", 0, 1},
      {"1 = 2", "a single = does not compare", 2, 3},
      {"1 < 2 < 3", "one comparison at a time, outside all parentheses", 6, 7},
      {"1 $ 2", "\"$\" is not understood here", 2, 3},
      {"1 × 2", "\"×\" is not understood here", 2, 4},
      {"mass * 2", "the name \"mass\" has no value", 0, 4},
      {"sine(1)", "\"sine\" is neither a function nor a type", 0, 4},
      {"1.5:f99", "\"f99\" is not a type of number", 4, 7},
      {"1.5:", "a type is missing after the colon", 3, 4},
      {"1.5: + 2", "a type is missing after the colon", 3, 4},
      {"300:u8", "300 does not fit u8", 0, 6},
      {"1.5:u8", "\"1.5\" is not a whole number", 0, 6},
      {"1 + 1/0", "division by zero", 4, 7},
      {"1 % 0", "division by zero", 0, 5},
      {"i32(nan)", "nan has no place in i32", 0, 8},
      {"1.2.3", "\".\" is not understood here", 3, 4},
      {"0x", "\"0x\" is not a number", 0, 2},
      {"0b12", "\"0b12\" is not a number", 0, 4},
      {"1e", "\"1e\" is not a number", 0, 2},
      {std::string(5000, '('), "parentheses nest deeper than 200", 200, 201},
  };
  for (const Case& c : cases) {
    INFO(c.source.substr(0, 60));
    const EvaluationAnswer got = evaluate(c.source, {});
    REQUIRE(got.fault.has_value());
    CHECK(got.fault->message == c.message);
    CHECK(got.fault->from == c.from);
    CHECK(got.fault->to == c.to);
    CHECK_FALSE(got.fault->remedy.empty());
  }
}

TEST_CASE("large expressions end in an answer or a limit") {
  const std::string megabyte(1'000'000, '7');
  const EvaluationAnswer whole = evaluate(megabyte + " + 1", {});
  REQUIRE(whole.fault.has_value());
  CHECK(whole.fault->over_limit);
  CHECK(answer("0." + megabyte + " + 0.5").result.text == "1.2777777777777777");
  CHECK(answer("1e1000000000 * 2").result.text == "inf");
  CHECK(answer("1e-1000000000 * 2").result.text == "0");
  std::string chain = "0.1";
  for (int i = 0; i < 4000; ++i) chain += "+0.1";
  double machine = 0.1;
  for (int i = 0; i < 4000; ++i) machine += 0.1;
  CHECK(answer(chain).result.text == text_of(machine));
  for (int i = 0; i < 4000; ++i) chain += "+0.1";
  const EvaluationAnswer many = evaluate(chain, {});
  REQUIRE(many.fault.has_value());
  CHECK(many.fault->over_limit);
  std::string power = "7:big";
  for (int i = 0; i < 100; ++i) power += "*7";
  CHECK(answer(power).result.text == support::Integer(pow(support::Integer(7), 101)).str());
  for (int i = 0; i < 12; ++i) power += "*" + std::string(4000, '9');
  CHECK(evaluate(power, {}).fault->over_limit);
  const EvaluationAnswer tower = evaluate("1e4000:f128 * 1e4000:f128", {});
  CHECK(tower.evaluation->result.text == "inf");
}

namespace {

// A random expression, and what the machine makes of it: reals and wholes mixed, operations nested.
struct Grown {
  std::string source;
  bool real = false;
  double number = 0;       // of a real
  std::int64_t whole = 0;  // of an i64
};

Grown grow(support::RandomValues& random, int depth) {
  Grown out;
  if (depth == 0 || random.one_in(5)) {
    out.real = random.one_in(2);
    if (out.real) {
      out.number = random.below(20000) / 64.0 + random.below(1000) / 1e3;
      out.source = hexadecimal_text(binary64, bits_of(out.number));
    } else {
      out.whole = random.below(2000);
      out.source = std::to_string(out.whole) + ":i64";
    }
    return out;
  }
  if (random.one_in(6)) {
    Grown inner = grow(random, depth - 1);
    inner.source = "-(" + inner.source + ")";
    inner.number = -inner.number;
    inner.whole = -inner.whole;
    return inner;
  }
  const char sign = random.pick({'+', '-', '*', '/'});
  const Grown left = grow(random, depth - 1);
  const Grown right = grow(random, depth - 1);
  const std::string space(static_cast<std::size_t>(random.below(3)), ' ');
  out.source = "(" + left.source + space + ")" + space + sign + "(" + space + right.source + ")";
  out.real = left.real || right.real;
  if (out.real) {
    const double a = left.real ? left.number : static_cast<double>(left.whole);
    const double b = right.real ? right.number : static_cast<double>(right.whole);
    out.number = by_machine(sign, a, b);
    return out;
  }
  // Unsigned, since wrapping is what is asked.
  const auto a = static_cast<std::uint64_t>(left.whole);
  const auto b = static_cast<std::uint64_t>(right.whole);
  if (sign == '/' && right.whole == 0) return grow(random, depth);
  const bool lowest = left.whole == INT64_MIN && right.whole == -1;
  out.whole = sign == '+'   ? static_cast<std::int64_t>(a + b)
              : sign == '-' ? static_cast<std::int64_t>(a - b)
              : sign == '*' ? static_cast<std::int64_t>(a * b)
              : lowest      ? left.whole
                            : left.whole / right.whole;
  return out;
}

}  // namespace

TEST_CASE("whole expressions are what the machine makes of them, step by step") {
  const std::uint64_t seed = support::seed(2019);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(4'000); ++i) {
    const Grown grown = grow(random, 1 + random.below(5));
    const EvaluationAnswer answered = evaluate(grown.source, {});
    if (answered.fault) FAIL(grown.source << ": " << answered.fault->message);
    const Evaluation& got = *answered.evaluation;
    if (grown.real) {
      const double ours = std::bit_cast<double>(low_half(got.result.bits));
      if (!same(ours, grown.number)) FAIL(grown.source << " gives " << got.result.text);
    } else if (got.result.text != std::to_string(grown.whole)) {
      FAIL(grown.source << " gives " << got.result.text << ", not " << grown.whole);
    }
    for (const Step& step : got.steps) {
      REQUIRE(step.from < step.to);
      REQUIRE(step.to <= grown.source.size());
      if (step.stored.type->is_real() && !step.error_ulps.empty())
        REQUIRE(std::fabs(std::strtod(step.error_ulps.c_str(), nullptr)) <= 0.5);
    }
  }
}
