// The walk over the nodes of an expression: each step computed exactly, and rounded once.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "expression.hpp"
#include "inky_margin/number/evaluation.hpp"
#include "number/number_type.hpp"
#include "rational.hpp"

namespace inky::inline v1 {

using expression::Function;
using expression::Node;
using Maybe = std::optional<Rational>;

// Texts of exact numbers: complete up to the first count of digits, beyond it cut to the second.
inline constexpr std::size_t most_exact_digits = 1200;
inline constexpr int cut_digits = 40;
// Numbers that are not rounded may grow without end; beyond this they are forgotten.
inline constexpr int most_ideal_bits = 20'000;
// Enough for the square root of any format, and for telling its error.
inline constexpr int root_bits = 400;
inline constexpr std::size_t most_operand_text = 40;

// An operand: what is stored, and what it would be without any rounding.
struct Operand {
  const NumberType* type = nullptr;
  uint128 bits = 0;  // of a real
  Integer whole;     // of a whole type
  Maybe ideal;       // the exact value of its text
  Maybe drift;       // never farther from the ideal than this, whatever the numbers rounded to

  bool is_real() const { return type->is_real(); }
  BinaryReal real() const { return unpack(*type->format, bits); }
  bool is_finite() const { return !is_real() || real().is_finite(); }
  bool is_nan() const { return is_real() && real().kind == RealClass::not_a_number; }
  bool is_infinite() const { return is_real() && real().kind == RealClass::infinite; }
  bool is_negative() const { return is_real() ? real().negative : whole < 0; }
  bool is_zero() const { return is_real() ? real().is_zero() : whole == 0; }
  // REQUIRES: finite.
  Rational value() const { return is_real() ? rational_of(real()) : Rational(whole); }
};

SignedNatural natural_of(const Integer& value);
TypedNumber typed_number(const Operand& operand);
std::string exact_text(const Rational& x);
// |x| grown a little, to 64 bits: a bound need not be long.
Rational upward(const Rational& x);
bool is_short(const Rational& x);
Rational half_ulp(const BinaryFormat& format, const BinaryReal& real);
const NumberType& type_of(const BinaryFormat& format);
// Where two types meet.
const NumberType& meet(const NumberType& a, const NumberType& b);

class Evaluator {
 public:
  Evaluator(std::string_view source, const EvaluationOptions& options)
      : source_(source), options_(options) {}

  EvaluationAnswer run();

 private:
  Operand fail(const Node& node, std::string message, std::string remedy, bool over_limit = false);

  Operand value_of(const Node& node, std::vector<Operand>& operands);

  // ---- Numbers from text ----

  Operand read(const Node& node, const std::string& word, const NumberType* type);

  Operand not_a_number(const Node& node, const std::string& word);

  Operand read_real_number(const Node& node, const std::string& word, const NumberType* type);

  static std::string shown(const std::string& word);

  std::optional<SignedNatural> whole_in_base(const std::string& word) const;

  Operand read_whole_number(const Node& node, const std::string& word, const NumberType* type);

  static bool fits(const Integer& value, const NumberType& type);

  Operand named(const Node& node);

  // ---- Storing ----

  // stored - exact, in three texts.
  static void set_error(const Operand& stored, const Rational& exact, std::string& text,
                        std::string& error, std::string& ulps);

  // A result that is an exact number, rounded to its type.
  Operand keep(const Node& node, const NumberType& type, const Rational& exact, bool negative_zero,
               Step& step);

  Operand overflowed(const Node& node, Operand out, const Rational& exact, Step& step);

  // A result by the rules for infinities and not-a-number, which no exact number stands behind.
  static Operand special(const NumberType& type, RealClass kind, bool negative);
  static Operand no_number(const NumberType& type, Step& step, std::string_view why);

  Operand finish(const Node& node, Step step, Operand out);

  // The drift of a result: what its operands bring, and its own rounding.
  static Maybe with_rounding(const Maybe& brought, const Operand& out);

  // ---- Conversions ----

  static std::string text_of(const Operand& operand);

  // To a type that `meet` gave, or that a call names.
  Operand converted(const Node& node, const Operand& operand, const NumberType& type, Step& step);

  // An operand brought to the type of the step, which is reported.
  Operand brought(const Node& node, const Operand& operand, const NumberType& type, Step& step);

  Operand converted_by_call(const Node& node, const Operand& operand);

  // ---- Operations ----

  Operand negated(const Node& node, const Operand& operand);

  Operand combined(const Node& node, const Operand& given_left, const Operand& given_right);

  // Exactly; nothing for a division by zero. Whole numbers divide without a fraction.
  static Maybe compute(char sign, const Rational& a, const Rational& b, bool whole);

  static void set_ideal(char sign, const Operand& a, const Operand& b, const Step& step,
                        Operand& out);

  // IEEE 754-2019, 6.1, 6.2 and 7.2, 7.3.
  static Operand combine_specials(char sign, const Operand& a, const Operand& b, Step& step);

  Operand called(const Node& node, const Operand& operand);

  static Operand call_special(Function function, const Operand& operand, Step& step);

  Operand rounded(const Node& node, const Operand& operand, Step& step);

  // A whole number is taken as a real first.
  Operand root(const Node& node, const Operand& given, Step& step);

  Operand last_place(const Node& node, const Operand& operand, Step& step);

  // ---- Comparison ----

  // How many numbers of its type lie between this one and zero, plus one, with its sign.
  static Integer place_of(const Operand& operand);

  static bool relates(std::string_view relation, int order);

  Operand compared(const Node& node, const Operand& given_left, const Operand& given_right);

  // A comparison stores nothing, so its conversions stand as steps of their own.
  void conversions_of_comparison(const Step& step);

  static void set_tolerance(const Operand& left, const Operand& right, Comparison& out);

  // Two digits, rounded up.
  static std::string tolerance_text(const Rational& bound);

  std::string_view source_;
  const EvaluationOptions& options_;
  Evaluation out_;
  std::optional<EvaluationFault> fault_;
};

}  // namespace inky::inline v1
