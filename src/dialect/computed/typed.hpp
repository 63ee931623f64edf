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
  bool overflow_is_undefined = false;  // of signed numbers; else they wrap
  bool truth_is_a_number = false;      // comparisons may be added, and numbers are conditions
  bool comparison_is_i32 = false;      // 1 and 0
};

class Typed : public Evaluator {
 protected:
  Typed(const Scope& scope, const TypedRules& rules) : Evaluator(scope, true), rules_(rules) {}

  bool apply(const Node& node, const Value& operand, Value& out) override;
  bool combine(const Node& node, Operation operation, const Value& left, const Value& right,
               Value& out) override;
  bool holds(const Node& node, const Value& value, bool& out) override;
  Value of_truth(bool value) const override;
  bool settle_sides(const Node& node, Value& taken, const Value& other) override;
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
  static Type meet(Type left, Type right);
  // REQUIRES: a number that an arithmetic type holds. A cast, or a conversion that an operator does.
  bool convert(const Node& node, Type type, const Value& value, Value& out);
  // A whole number that a step gave, by the rules for those that do not fit.
  bool keep(const Node& node, Type type, const Integer& number, Value& out);

  const TypedRules& rules_;

 private:
  bool combine_reals(const Node& node, Operation operation, Type type, const Value& left,
                     const Value& right, Value& out);
  bool combine_wholes(const Node& node, Operation operation, Type type, const Value& left,
                      const Value& right, Value& out);
  bool shift(const Node& node, Operation operation, const Value& left, const Value& right,
             Value& out);
  bool wrong_operands(const Node& node, Operation operation, const Value& left, const Value& right);
};

}  // namespace inky::inline v1::computed
