// Expressions of Common Lisp, as far as they compute values: the HyperSpec, 3.1.2.1, and the
// functions of 12, 13, 14, 16 and 17 that have no effect but a result, as SBCL has them.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "../computed/arithmetic.hpp"
#include "../computed/evaluator.hpp"
#include "../computed/reader.hpp"
#include "dialect/expression_form.hpp"
#include "number/rational.hpp"

namespace inky::inline v1::lisp {

extern const computed::Grammar grammar;
// How whole calls of Lisp are read.
extern const ExpressionForm expression_form;

// Reads the escape at `at` (a backslash) of a literal: appends what it means to out.literals, and
// returns its length.
std::size_t read_escape(std::size_t at, TemplateContent& out);

// The HyperSpec, 12.1.3.2: in lowest terms, and a whole number where the denominator is 1.
Value whole_or_ratio(const Rational& number);

class ExpressionReader final : public computed::Reader {
 public:
  ExpressionReader(TemplateContent& out, std::size_t at);

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
  void skip_blanks() override;
  std::string_view syntax_fault() const override { return "READER-ERROR"; }

 private:
  std::string_view read_token();
  bool read_text(computed::Node& node);
  bool read_character(computed::Node& node);
  bool read_form(computed::Node& node, bool is_quoted);
  bool read_conditions(computed::Node& node, std::size_t start);
  bool read_token_value(computed::Node& node);
  bool close_form(std::size_t start);

  TemplateContent& out_;
  int quoted_ = 0;  // how many lists around this are data
};

class Expressions final : public computed::Evaluator {
 public:
  explicit Expressions(const computed::Scope& scope) : Evaluator(scope, false) {}

 protected:
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool apply(const computed::Node& node, const Value& operand, Value& out) override;
  bool combine(const computed::Node& node, computed::Operation operation, const Value& left,
               const Value& right, Value& out) override;
  bool holds(const computed::Node& node, const Value& value, bool& out) override;
  bool gives_sides() const override { return true; }
  bool name_without_value(const computed::Node& node, Value& out) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;

 private:
  using Node = computed::Node;
  using Operation = computed::Operation;
  using Values = std::span<const Value>;

  // A condition that SBCL signals.
  bool signal(std::string_view condition, std::string why, const Node& node) {
    return fail(computed::Trouble::When::run, std::string(condition), std::move(why), node);
  }
  bool wrong_type(const Node& node, const Value& value);
  // One of + - * / of two numbers.
  bool calculate(const Node& node, Operation operation, const Value& left, const Value& right,
                 Value& out);
  bool call_arithmetic(const Node& node, std::string_view name, Values values, Value& out);
  bool call_comparison(const Node& node, std::string_view name, Values values, Value& out);
  bool call_division(const Node& node, std::string_view name, Values values, Value& out);
  bool call_on_number(const Node& node, std::string_view name, Values values, Value& out);
  bool call_on_texts(const Node& node, std::string_view name, Values values, Value& out);
  bool call_on_list(const Node& node, std::string_view name, Values values, Value& out);
  bool call_on_rational(const Node& node, std::string_view name, const Value& value, Value& out);
  bool convert(const Node& node, std::string_view type, const Value& value, Value& out);
  // reduce #'+ items, apply #'max items.
  bool call_by_name(const Node& node, Value& out);
};

}  // namespace inky::inline v1::lisp
