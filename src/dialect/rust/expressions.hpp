// Expressions of Rust, as far as they compute values: the Rust Reference, 8.2, with the methods of
// the primitive types that have no effect but a result.
#pragma once

#include <string>
#include <string_view>

#include "../computed/code_reader.hpp"
#include "../computed/evaluator.hpp"
#include "dialect/expression_form.hpp"
#include "number/rational.hpp"

namespace inky::inline v1::rust {

extern const computed::Grammar grammar;
// How whole calls of Rust are read.
extern const ExpressionForm expression_form;
Assigned assigned(const Value& value, Type to, bool is_constant);

// Reads the escape at `at` (a backslash) of a literal: appends what it means to out.literals, and
// returns its length.
std::size_t read_escape(std::size_t at, TemplateContent& out);

class ExpressionReader final : public computed::CodeReader {
 public:
  ExpressionReader(TemplateContent& out, std::size_t at);

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
};

class Expressions final : public computed::Evaluator {
 public:
  explicit Expressions(const computed::Scope& scope) : Evaluator(scope, true) {}

 protected:
  bool apply(const computed::Node& node, const Value& operand, Value& out) override;
  bool combine(const computed::Node& node, computed::Operation operation, const Value& left,
               const Value& right, Value& out) override;
  bool deny(const computed::Node& node, const Value& operand, Value& out) override;
  bool holds(const computed::Node& node, const Value& value, bool& out) override;
  bool name_without_value(const computed::Node& node, Value& out) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
  bool call_method(const computed::Node& node, const Value& of,
                   const computed::Arguments& arguments, Value& out) override;
  bool cast(const computed::Node& node, const Value& of, Value& out) override;

 private:
  using Node = computed::Node;
  using Operation = computed::Operation;
  using Arguments = computed::Arguments;

  // A number of the compiler's errors, and why.
  bool refuse(std::string_view code, std::string why, const Node& node) {
    return fail(computed::Trouble::When::compile, std::string(code), std::move(why), node);
  }
  bool keep(const Node& node, Type type, const Integer& number, Value& out);
  bool shift(const Node& node, Operation operation, const Value& left, const Value& right,
             Value& out);
  bool call_on_number(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  bool call_on_text(const Node& node, std::string_view text, const Arguments& arguments,
                    Value& out);
};

}  // namespace inky::inline v1::rust
