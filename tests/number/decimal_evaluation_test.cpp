// Expressions in decimals, against exact fractions; and the 96-bit results that .NET 10 printed.

#include "number/decimal_evaluation.hpp"

#include <catch2/catch.hpp>
#include <string>

#include "inky_margin/number/exact_decimal.hpp"
#include "number/decimal96.hpp"
#include "support/random_values.hpp"

using namespace inky;

namespace {

Evaluation evaluated(std::string_view source, const char* type,
                     std::span<const NamedNumber> names = {}) {
  EvaluationOptions options;
  options.names = names;
  EvaluationAnswer answer = evaluate_decimals(source, options, *decimal_type_named(type));
  INFO(source);
  REQUIRE(answer.evaluation);
  return std::move(*answer.evaluation);
}

std::string fault(std::string_view source, const char* type) {
  const EvaluationAnswer answer = evaluate_decimals(source, {}, *decimal_type_named(type));
  INFO(source);
  REQUIRE(answer.fault);
  CHECK_FALSE(answer.fault->remedy.empty());
  CHECK(answer.fault->to <= source.size());
  return answer.fault->message;
}

}  // namespace

TEST_CASE("sums of money in decimals are exact, and what is not is told") {
  struct Case {
    const char* source;
    const char* decimal;
    const char* decimal128;
  };
  // .NET 10.0, and the decimal module of CPython 3.11 with a precision of 34.
  const Case cases[] = {
      {"19.99 * 3 + 0.07", "60.04", "60.04"},
      {"0.1 + 0.2", "0.3", "0.3"},
      {"1.10 * 3", "3.30", "3.30"},
      {"1 / 3", "0.3333333333333333333333333333", "0.3333333333333333333333333333333333"},
      {"2 / 3", "0.6666666666666666666666666667", "0.6666666666666666666666666666666667"},
      {"100 / 8", "12.5", "12.5"},
      {"10.5 % 3", "1.5", "1.5"},
      {"-10.5 % 3", "-1.5", "-1.5"},
      {"0.1 - 0.1", "0.0", "0.0"},
      {"floor(-2.5)", "-3", "-3"},
      {"round(2.5)", "3", "3"},
      {"(1 + 2) * (3 - 0.5)", "7.5", "7.5"},
  };
  for (const Case& one : cases) {
    INFO(one.source);
    CHECK(evaluated(one.source, "decimal").result.text == one.decimal);
    CHECK(evaluated(one.source, "decimal128").result.text == one.decimal128);
  }
  const Evaluation third = evaluated("1 / 3", "decimal");
  REQUIRE(third.steps.size() == 1);
  CHECK(third.steps[0].operation == "1 / 3");
  CHECK(third.steps[0].exact.ends_with("..."));
  CHECK(third.error == third.steps[0].error);
  CHECK(evaluated("0.1 + 0.2 == 0.3", "decimal").comparison->holds);
  CHECK(evaluated("1 / 3 * 3 == 1", "decimal").comparison->holds_as_typed == true);
  CHECK_FALSE(evaluated("1 / 3 * 3 == 1", "decimal").comparison->holds);
  const NamedNumber names[] = {{"price", "19.99"}};
  CHECK(evaluated("price * 2", "decimal", names).result.text == "39.98");
}

TEST_CASE("a decimal of 96 bits takes what fits, rounded once") {
  // Texts that decimal.Parse of .NET 10.0 takes, and what it makes of them.
  const std::pair<const char*, const char*> cases[] = {
      {"1.00000000000000000000000000005", "1.0000000000000000000000000000"},
      {"1.00000000000000000000000000015", "1.0000000000000000000000000002"},
      {"79228162514264337593543950335.4", "79228162514264337593543950335"},
      {"7.9228162514264337593543950336", "7.922816251426433759354395034"},
      {"1e3", "1000"},
      {"1.50e1", "15.0"},
      {"0e5", "0"},
      {"0.000e1", "0.00"},
      {"1e-30", "0E-28"},
  };
  for (const auto& [given, held] : cases) {
    INFO(given);
    const auto made = decimal96(*read_decimal(given));
    REQUIRE(made);
    CHECK(to_text(*made) == held);
  }
  for (const char* given : {"79228162514264337593543950335.5", "1e29", "-1e30", "inf", "nan"})
    CHECK_FALSE(decimal96(*read_decimal(given)));
}

TEST_CASE("what decimals cannot be asked is one clear fault") {
  CHECK(fault("1 / 0", "decimal") == "a division by zero");
  CHECK(fault("1 % 0.0", "decimal128") == "a division by zero");
  CHECK(fault("79228162514264337593543950335 + 1", "decimal") == "this does not fit decimal");
  CHECK(fault("1e30", "decimal") == "this does not fit decimal");
  CHECK(fault("sqrt(2)", "decimal") == "sqrt of a decimal is not supported yet");
  CHECK(fault("1.5:f32 + 1", "decimal") ==
        "a number with a type among decimals is not supported yet");
  CHECK(fault("i32(1.5)", "decimal") == "a conversion among decimals is not supported yet");
  CHECK(fault("mass * 2", "decimal") == "the name mass has no value");
  CHECK(fault("inf + 1", "decimal") == "\"inf\" is no decimal");
  CHECK(fault("1e30000 + 1", "decimal128") ==
        "a digit of this number is more than 20000 places from the point");
  CHECK(fault("1 +", "decimal") == "a number is missing here");
  CHECK(decimal_type_named("decimal64") == nullptr);
}

TEST_CASE("expressions of decimals never hang or fall over") {
  support::RandomValues random(support::seed(20315));
  constexpr std::string_view pieces[] = {"1",       "0.1", "(",  ")", "+",    "-",      "*",
                                         "/",       "%",   "==", "<", "abs(", "floor(", "9e999",
                                         "1e-9999", ".",   "x",  " ", "0x10"};
  for (int i = 0; i < support::cases(4'000); ++i) {
    std::string source;
    for (int n = random.below(9); n >= 0; --n) source += random.pick(pieces);
    const EvaluationAnswer answer = evaluate_decimals(source, {}, decimal_types[random.below(2)]);
    INFO(source);
    CHECK(answer.evaluation.has_value() != answer.fault.has_value());
    if (answer.fault) CHECK(answer.fault->to <= source.size());
  }
}
