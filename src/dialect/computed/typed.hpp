// Expressions of languages whose numbers have fixed types that meet in a wider one: C, C++, Java,
// C#. What they do differently is data.
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
  // The type in which two types meet: ISO C17 6.3.1.8; ECMA-334, 12.4.7.
  enum class Meeting : std::uint8_t {
    unsigned_wins,  // a signed and an unsigned type of one width: the unsigned one
    widens,         // both in a wider signed type; of 64 bits, in none
  };
  Meeting meeting = Meeting::unsigned_wins;
  bool overflow_is_undefined = false;  // of signed numbers; else they wrap
  bool shifts_are_masked = false;      // by the width less one; else a longer shift is undefined
  std::string_view division_by_zero = {};  // the exception; empty: it is undefined
  bool truth_is_a_number = false;          // comparisons may be added, and numbers are conditions
  bool comparison_is_i32 = false;          // 1 and 0
  bool character_is_u16 = false;           // in arithmetic
  bool reals_have_remainders = false;
  // A real that is cast to a whole type that cannot hold it.
  enum class Cast : std::uint8_t { undefined, saturates };
  Cast cast = Cast::undefined;
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
  // Nothing where the types meet in none.
  std::optional<Type> meet(Type left, Type right) const;
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
