// Expressions of languages whose numbers have fixed types that meet in a wider one, as ISO C17,
// 6.3.1.8, has it. What such languages do differently is data.
#pragma once

#include "arithmetic.hpp"
#include "evaluator.hpp"
#include "grammar.hpp"

namespace inky::inline v1::computed {

struct TypedRules {
  const Grammar* grammar = nullptr;
  std::string_view language = {};
  // What the compiler calls what it refuses.
  std::string_view compile_fault = "error";
  bool truth_is_a_number = false;  // comparisons may be added, and numbers are conditions
  bool comparison_is_i32 = false;  // 1 and 0
  char32_t most_character = 0x7F;  // that counts as a number
  // Where a result of signed numbers does not fit, a divisor is zero, or a shift is by more than
  // there are bits, there is no meaning; else it wraps, raises, or counts by its low bits.
  bool leaves_undefined = false;
  std::string_view zero_fault = {};      // what a division of whole numbers by zero raises
  std::string_view zero_reason = {};     // its message
  std::string_view quotient_fault = {};  // what a quotient that does not fit raises
  bool has_unsigned = true;              // else what is given without a sign is of a wider type
  bool signs_widen = false;              // a type with a sign and one without meet in a wider one
  bool reals_have_remainders = false;    // of reals, too
  bool reals_saturate = false;           // as whole numbers they are the nearest of the type
  std::string_view plain_template = {};  // shows any value, where texts are joined by an operator
  const Dialect* (*plain_dialect)() = nullptr;
};

// Whether every value of a type of numbers is one of another, or near one of a type of reals: what a
// compiler converts by itself.
bool widens(Type from, Type to);
// Whether a whole number fits a type of whole numbers.
bool fits_in(const Value& value, Type type);

class Typed : public Evaluator {
 protected:
  Typed(const Scope& scope, const TypedRules& rules) : Evaluator(scope, true), rules_(rules) {}

  bool apply(const Node& node, const Value& operand, Value& out) override;
  bool combine(const Node& node, Operation operation, const Value& left, const Value& right,
               Value& out) override;
  bool holds(const Node& node, const Value& value, bool& out) override;
  Value of_truth(bool value) const override;
  bool settle_sides(const Node& node, Side taken, Side other) override;
  bool may_hide_names() const override { return false; }
  bool name_without_value(const Node& node, Value& out) override;

  // Two operands of which one at least is no number. Never a comparison of truth values.
  virtual bool combine_others(const Node& node, Operation operation, const Value& left,
                              const Value& right, Value& out);

  bool refuse(std::string why, const Node& node) {
    return fail(Trouble::When::compile, std::string(rules_.compile_fault), std::move(why), node);
  }
  bool is_number(const Value& value) const;
  // A number as the type that arithmetic has it in: what is narrow becomes i32. REQUIRES: a number.
  Value promoted(const Value& value) const;
  // Nothing: these two do not meet.
  std::optional<Type> meet(Type left, Type right) const;
  // The text of a value, where it is joined with another text.
  bool shown_plainly(const Node& node, const Value& value, std::string& out);
  // REQUIRES: a number that an arithmetic type holds. A cast, or a conversion that an operator does.
  bool convert(const Node& node, Type type, const Value& value, Value& out);
  // A whole number that a step gave, by the rules for those that do not fit.
  virtual bool keep(const Node& node, Type type, const Integer& number, Value& out);

  const TypedRules& rules_;

 private:
  bool convert_unfit(const Node& node, Type type, const Value& value, Value& out);
  bool combine_reals(const Node& node, Operation operation, Type type, const Value& left,
                     const Value& right, Value& out);
  bool combine_wholes(const Node& node, Operation operation, Type type, const Value& left,
                      const Value& right, Value& out);
  bool shift(const Node& node, Operation operation, const Value& left, const Value& right,
             Value& out);
  bool wrong_operands(const Node& node, Operation operation, const Value& left, const Value& right);
};

}  // namespace inky::inline v1::computed
