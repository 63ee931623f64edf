// Expressions of Octave, as far as they compute values: the GNU Octave manual, Expressions, with the
// functions that have no effect but a result. A row is a list, a matrix a list of rows.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "../computed/code_reader.hpp"
#include "../computed/evaluator.hpp"
#include "arrays.hpp"
#include "dates.hpp"
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

// The array that a value of an expression is, class by class; and back. A matrix of characters is a
// list of its rows.
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
// The elements of `array` at these places, as an array of its class and this size.
Array elements_at(const Array& array, std::span<const std::size_t> places, int rows, int columns);
// One element of it, as an array of its class.
Array element_of(const Array& array, std::size_t place);
// An array of doubles.
Array doubles(int rows, int columns, std::vector<double> reals);
inline Array row_of(std::vector<double> reals) {
  const int size = static_cast<int>(reals.size());
  return doubles(1, size, std::move(reals));
}
// Truth values of that size.
Array truths(int rows, int columns, const std::vector<bool>& values);
// Complex numbers without imaginary parts are real ones.
void narrow(Array& array);
inline double real_at(const Array& array, std::size_t place) {
  return array.is_real() ? array.reals[place] : static_cast<double>(array.wholes[place]);
}

inline std::string size_text(const Array& array) {
  return std::to_string(array.rows) + "x" + std::to_string(array.columns);
}

// A value that is given: whole numbers of 32 and 64 bits are doubles, as number literals are.
Value given_value(const Value& value);

// Whether an expression is from:to.
inline bool is_range(const computed::Node& node) {
  return node.kind == computed::Node::Kind::binary && node.operation == computed::Operation::range;
}

// The most elements of an array that is made.
inline constexpr int most_elements = 10'000;

class Expressions final : public computed::Evaluator {
 public:
  using Node = computed::Node;
  using Operation = computed::Operation;
  using Arguments = computed::Arguments;

  // In a session, settings stay: how it shows values is not known here.
  Expressions(const computed::Scope& scope, bool in_session)
      : Evaluator(scope, false), in_session_(in_session) {}

  // What an array is after target = value: `target` is a call, and its arguments are indices. Null:
  // there was none before.
  bool assign(const Node& target, const Value* before, const Value& value, Value& out);
  // Arrays beside or below each other, as one: joining.cpp.
  bool join_arrays(const Node& node, std::vector<Array> parts, bool beside, Array& out);
  // Without the elements that `target` names.
  bool remove(const Node& target, const Value& before, Value& out);
  // What a function gives that is asked for `count` values.
  bool evaluate_several(const Node& node, std::size_t count, std::vector<Value>& out);

 protected:
  std::optional<bool> evaluate_own(const Node& node, Value& out) override;
  bool apply(const Node& node, const Value& operand, Value& out) override;
  bool combine(const Node& node, Operation operation, const Value& left, const Value& right,
               Value& out) override;
  bool deny(const Node& node, const Value& operand, Value& out) override;
  bool holds(const Node& node, const Value& value, bool& out) override;
  bool name_without_value(const Node& node, Value& out) override;
  bool call(const Node& node, const std::string& path, const Arguments& arguments,
            Value& out) override;

 private:
  bool raise(std::string why, const Node& node) {
    return fail(computed::Trouble::When::run, "error", std::move(why), node);
  }
  // Any array; one without complex numbers; one of them whose texts and truth values are doubles.
  bool take_any(const Node& node, const Value& value, Array& out);
  bool take(const Node& node, const Value& value, Array& out);
  bool take_double(const Node& node, const Value& value, Array& out);
  bool take_count(const Node& node, const Value& value, int& out);
  bool take_text(const Node& node, const Value& value, std::string& out);

  // operators.cpp
  bool combine_elements(const Node& node, Operation operation, const Array& left,
                        const Array& right, Array& out);
  bool multiply(const Node& node, const Array& left, const Array& right, Array& out);
  bool raise_matrix(const Node& node, const Array& base, const Array& exponent, Array& out);
  bool range(const Node& node, Value& out);
  bool take_end(const Node& node, double& out, bool& is_text);

  // complex.cpp
  bool combine_complex(const Node& node, Operation operation, const Array& left, const Array& right,
                       Array& out);
  bool map_complex(const Node& node, std::string_view name, const Array& array, Array& out);

  // indexing.cpp: which elements an index names, counted from 0.
  struct Selection {
    std::vector<std::size_t> numbers;
    bool is_all = false;
    int rows = 1;  // the shape of the index itself
    int columns = 1;
  };
  bool select(const Node& node, const Array& of, std::size_t place, std::size_t count,
              Selection& out);
  bool select_all(const Node& node, const Array& of, std::vector<Selection>& out);
  bool index(const Node& node, const Value& of, Value& out);

  // joining.cpp
  bool join(const Node& matrix, Value& out);

  // functions.cpp
  bool map(const Node& node, std::string_view name, const Value& value, Value& out);
  bool map_two(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool test(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool convert(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  // reductions.cpp
  bool reduce(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool find_places(const Node& node, const Arguments& arguments, Value& out);
  bool of_vectors(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  // shapes.cpp
  bool make(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool take_sizes(const Node& node, const Arguments& arguments, std::size_t from, int& rows,
                  int& columns);
  bool measure(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool reshape(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  // whole_functions.cpp
  bool of_wholes(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  // Functions that make texts: texts.cpp; and those of texts: text_functions.cpp.
  bool show(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool fill_in(const Node& node, const Arguments& arguments, Value& out);
  bool number_as_text(const Node& node, const Arguments& arguments, Value& out);
  bool matrix_as_text(const Node& node, const Arguments& arguments, Value& out);
  bool of_texts(const Node& node, std::string_view name, const Arguments& arguments, Value& out);

  // date_calls.cpp
  bool of_dates(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool take_date(const Node& node, const Value& value, DateParts& out);
  bool date_text(const Node& node, const Arguments& arguments, Value& out);
  bool date_number(const Node& node, const Arguments& arguments, Value& out);
  bool time_text(const Node& node, std::string_view name, const Arguments& arguments, Value& out);

  // What `end` stands for: the array that is indexed, and at which of how many places.
  struct End {
    const Array* of;
    std::size_t place;
    std::size_t count;
  };
  std::vector<End> ends_;
  bool in_session_;
};

}  // namespace inky::inline v1::octave
