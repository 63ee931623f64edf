// Expressions of Octave, as far as they compute values: the GNU Octave manual, Expressions, with the
// functions that have no effect but a result. A row is a list, a matrix a list of rows.
#pragma once

#include <string>
#include <string_view>

#include "../computed/code_reader.hpp"
#include "../computed/evaluator.hpp"
#include "arrays.hpp"
#include "dialect/expression_form.hpp"

namespace inky::inline v1::octave {

extern const computed::Grammar grammar;
// How whole calls of Octave are read.
extern const ExpressionForm expression_form;

class ExpressionReader final : public computed::CodeReader {
 public:
  ExpressionReader(TemplateContent& out, std::size_t at);

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
  void skip_blanks() override;

 private:
  bool read_matrix(computed::Node& node);
  bool read_single_quoted(computed::Node& node);
  // Whether a blank here, in a matrix, ends an element.
  bool ends_element(std::size_t blanks) const;

  int in_matrix_ = 0;
};

// The array that a value of an expression is, class by class; and back.
bool array_of(const Value& value, Array& out);
Value value_of(const Array& array);
// How many elements an array has, and the place, row by row, of the one with this number column by
// column.
inline std::size_t count_of(const Array& array) {
  return static_cast<std::size_t>(array.rows) * static_cast<std::size_t>(array.columns);
}
inline std::size_t place_of(const Array& array, std::size_t number) {
  const auto rows = static_cast<std::size_t>(array.rows);
  const auto columns = static_cast<std::size_t>(array.columns);
  return (number % rows) * columns + number / rows;
}
// One element of it, as an array of its class.
Array element_of(const Array& array, std::size_t place);

// A value that is given: whole numbers of 32 and 64 bits are doubles, as number literals are.
Value given_value(const Value& value);

// Whether an expression is from:to.
inline bool is_range(const computed::Node& node) {
  return node.kind == computed::Node::Kind::binary && node.operation == computed::Operation::range;
}

class Expressions final : public computed::Evaluator {
 public:
  // In a session, settings stay: how it shows values is not known here.
  Expressions(const computed::Scope& scope, bool in_session)
      : Evaluator(scope, false), in_session_(in_session) {}

 protected:
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool apply(const computed::Node& node, const Value& operand, Value& out) override;
  bool combine(const computed::Node& node, computed::Operation operation, const Value& left,
               const Value& right, Value& out) override;
  bool deny(const computed::Node& node, const Value& operand, Value& out) override;
  bool holds(const computed::Node& node, const Value& value, bool& out) override;
  bool name_without_value(const computed::Node& node, Value& out) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
  bool call_value(const computed::Node& node, const Value& of, const computed::Arguments& arguments,
                  Value& out) override {
    return index(node, of, arguments, out);
  }
  Value list_of(std::vector<Value> items) const override;

 private:
  using Node = computed::Node;
  using Operation = computed::Operation;
  using Arguments = computed::Arguments;

  bool raise(std::string why, const Node& node) {
    return fail(computed::Trouble::When::run, "error", std::move(why), node);
  }
  bool take(const Node& node, const Value& value, Array& out);
  bool take_double(const Node& node, const Value& value, Array& out);
  bool take_count(const Node& node, const Value& value, int& out);

  bool combine_elements(const Node& node, Operation operation, const Array& left,
                        const Array& right, Array& out);
  bool multiply(const Node& node, const Array& left, const Array& right, Array& out);
  bool range(const Node& node, Value& out);
  bool take_end(const Node& node, double& out);
  bool index(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  bool join(const Node& node, const Value& value, Array& out);

  bool map(const Node& node, std::string_view name, const Value& value, Value& out);
  bool reduce(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool make(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  // Functions that make texts: texts.cpp.
  bool show(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool fill_in(const Node& node, const Arguments& arguments, Value& out);
  bool number_as_text(const Node& node, const Arguments& arguments, Value& out);
  bool matrix_as_text(const Node& node, const Arguments& arguments, Value& out);

  bool in_session_;
};

}  // namespace inky::inline v1::octave
