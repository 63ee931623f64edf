// Expressions evaluated as a program would: every literal and every step stored in its type, with
// what was lost on the way.
//
//   auto answer = evaluate("0.1 + 0.2 == 0.3", {});
//   answer.evaluation->comparison->holds          // false
//   answer.evaluation->comparison->ulps_apart     // "1"
//   answer.evaluation->steps[0].exact             // "0.30000000000000001665334536937..."
//   answer.evaluation->steps[0].stored.text       // "0.30000000000000004"
//   evaluate("1 +", {}).fault->message            // "a number is missing here"
//
// The language: literals (2.675, 1e-3, 0x1.8p+1, 0xff, 0b101, 0o17, 1_000, inf, nan, each with a
// type after a colon: 1.1:f32), names with values, + - * / %, unary minus, parentheses, one
// comparison (== != < <= > >=), a call of a type to convert (i32(7.9)), and floor ceil trunc round
// sqrt abs ulp.
//
// The rules: a whole literal is i32, i64 where it needs it, or big; a real one is of the format in
// the options. Two types meet in the wider one; whole meets real in the real type; signed meets
// unsigned of one width in the unsigned type; f16 meets bf16 in f32. Whole by whole cuts toward
// zero; % has the sign of its left side; round() takes a tie away from zero. Every step is computed
// exactly and then rounded to nearest, ties to even (IEEE 754-2019, 4.3.1 and 5.4).
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/number/whole.hpp"

namespace inky::inline v1 {

// What a number is stored in: wholes of a stated width, wholes of any size, binary reals.
struct NumberType {
  std::string_view name;
  int width;                   // bits of a whole type; 0: of any size, or a real
  bool is_signed;              // of a whole type
  const BinaryFormat* format;  // of a real type; null for the others

  bool is_real() const { return format != nullptr; }
  bool is_unbounded() const { return format == nullptr && width == 0; }
};

inline constexpr auto number_types = std::to_array<NumberType>({
    {"i8", 8, true, nullptr},
    {"i16", 16, true, nullptr},
    {"i32", 32, true, nullptr},
    {"i64", 64, true, nullptr},
    {"i128", 128, true, nullptr},
    {"u8", 8, false, nullptr},
    {"u16", 16, false, nullptr},
    {"u32", 32, false, nullptr},
    {"u64", 64, false, nullptr},
    {"u128", 128, false, nullptr},
    {"big", 0, true, nullptr},
    {"f16", 0, true, &binary16},
    {"bf16", 0, true, &bfloat16},
    {"f32", 0, true, &binary32},
    {"f64", 0, true, &binary64},
    {"f80", 0, true, &extended80},
    {"f128", 0, true, &binary128},
});
// Null when there is none of this name.
const NumberType* number_type_named(std::string_view name);

struct TypedNumber {
  const NumberType* type = nullptr;
  uint128 bits = 0;  // the encoding of a real; two's complement of a whole type of a width
  std::string text;  // the shortest text of a real; the decimal of a whole number
};

// What a type does with a whole number beyond its range.
enum class WholeOverflow : std::uint8_t { wrap, saturate, fail };
inline constexpr std::array<std::string_view, 3> overflow_names = {"wrap", "saturate", "fail"};
std::optional<WholeOverflow> overflow_named(std::string_view name);

struct NamedNumber {
  std::string name;
  std::string text;  // a literal, with a sign if need be
};

struct EvaluationOptions {
  const BinaryFormat* reals = &binary64;  // the type of real literals
  const NumberType* result = nullptr;     // the result is converted to this type at last
  int base = 10;                          // of whole literals without a prefix, 2 to 36
  WholeOverflow overflow = WholeOverflow::wrap;
  std::span<const NamedNumber> names = {};
};

// Texts of exact numbers are complete unless they end in "...".

// A number read from text: a literal, or the value of a name.
struct ReadNumber {
  std::size_t from = 0;  // where it is in the source, in bytes
  std::size_t to = 0;
  std::string typed;
  TypedNumber stored;
  std::string error;       // stored - typed; empty where there is none, as for infinities
  std::string error_ulps;  // in units of the last place of what is stored
};

// An operand that changed its type before the step.
struct Conversion {
  TypedNumber from;
  TypedNumber to;
  std::string error;  // empty where there is none
  std::string error_ulps;
};

struct Step {
  std::size_t from = 0;
  std::size_t to = 0;
  std::string operation;  // "0.1 + 0.2", with the operands as stored
  std::vector<Conversion> conversions;
  std::string exact;  // of the stored operands; empty where there is none
  TypedNumber stored;
  std::string error;
  std::string error_ulps;
  std::string remark;  // what befell the result: wrapped, cut, infinite
  // Whether a whole result was beyond its type's range, so that it is another number now.
  bool out_of_range = false;
};

struct Comparison {
  std::string relation;  // "=="
  TypedNumber left;      // in the type they meet in
  TypedNumber right;
  bool holds = false;
  // Whether it holds between what the texts say, computed without any rounding; nothing where that
  // is not known.
  std::optional<bool> holds_as_typed;
  std::string difference;  // left - right, as stored
  std::string ulps_apart;  // how many steps from number to number; for wholes, the difference
  // Two results of these steps that would be equal without rounding are never farther apart than
  // this. Empty where no bound is known.
  std::string absolute_tolerance;
  std::string relative_tolerance;  // to the larger magnitude
};

struct Evaluation {
  std::vector<ReadNumber> literals;
  std::vector<Step> steps;
  TypedNumber result;  // of the last step; for a comparison, of its left side
  // The value of the whole expression, had nothing been rounded; empty where it is not known.
  std::string exact;
  std::string error;  // result - exact
  std::string error_ulps;
  std::optional<Comparison> comparison;
};

// Why there is no answer, and where in the source.
struct EvaluationFault {
  std::size_t from = 0;
  std::size_t to = 0;
  std::string message;
  std::string remedy;
  bool over_limit = false;
};

struct EvaluationAnswer {
  std::optional<Evaluation> evaluation;  // or:
  std::optional<EvaluationFault> fault;
};

// Limits: parentheses nest at most 200 deep; 10,000 numbers and operations; wholes of 20,000 bits.
inline constexpr int most_nesting = 200;
inline constexpr std::size_t most_operations = 10'000;
inline constexpr int most_whole_bits = 20'000;

EvaluationAnswer evaluate(std::string_view source, const EvaluationOptions& options);

}  // namespace inky::inline v1
