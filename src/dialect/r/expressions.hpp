// Expressions of R, as far as they compute values: the R Language Definition, 3, with the functions
// of base that have no effect but a result. A vector of several elements is a list; nil is NA.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "../computed/code_reader.hpp"
#include "../computed/evaluator.hpp"
#include "dates.hpp"
#include "dialect/expression_form.hpp"
#include "dialect/statement_lines.hpp"
#include "values.hpp"

namespace inky::inline v1::r_language {

extern const computed::Grammar grammar;
// How whole calls of R are read.
extern const ExpressionForm expression_form;

class ExpressionReader final : public computed::CodeReader {
 public:
  ExpressionReader(TemplateContent& out, std::size_t at);

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
  bool read_index(computed::Node& node, std::size_t start) override;
  void skip_blanks() override;

 private:
  bool read_function(computed::Node& node, std::size_t start);
};

// x[2] <- 5, x$lot <- 5, names(x) <- c("a", "b"): an expression that gives what x is then.
std::optional<Declaration> read_assignment(std::string_view statement);

// A matrix: its elements column by column. As a value, a list of its rows.
struct Matrix {
  int rows = 0;
  int columns = 0;
  std::vector<Value> items;

  const Value& at(int row, int column) const {
    return items[static_cast<std::size_t>(column) * static_cast<std::size_t>(rows) +
                 static_cast<std::size_t>(row)];
  }
};
bool is_matrix(const Value& value);
Matrix matrix_of(const Value& value);
Value value_of(const Matrix& matrix);

// The elements of a vector, with their names; a single value is one element.
std::vector<Value> items_of(const Value& value);
// A number or truth value as a double.
double double_in(const Value& value);

// The names of the elements of a vector; empty: they have none.
std::vector<std::string> names_of(const Value& value);

class Expressions final : public computed::Evaluator {
 public:
  explicit Expressions(const computed::Scope& scope) : Evaluator(scope, false) {}

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
  bool member(const computed::Node& node, const Value& of, Value& out) override;

 private:
  using Node = computed::Node;
  using Operation = computed::Operation;
  using Arguments = computed::Arguments;
  using Items = std::vector<Value>;

  bool raise(std::string why, const Node& node) {
    return fail(computed::Trouble::When::run, "simpleError", std::move(why), node);
  }
  // The elements of a vector, and what they are together.
  bool take_items(const Node& node, const Value& value, Items& out, Mode& mode);
  bool take_numbers(const Node& node, const Value& value, Items& out, Mode& mode);
  bool take_whole(const Node& node, const Value& value, std::int64_t& out);
  bool take_text(const Node& node, const Value& value, std::string& out);
  static Value vector_of(Items items);
  // With the names that `from` has, where it has as many elements.
  static Value with_names(Value vector, const Value& from);

  // ---- Operators: operators.cpp ----

  bool combine_one(const Node& node, Operation operation, Mode mode, const Value& left,
                   const Value& right, Value& out);
  bool combine_wholes(Operation operation, const Value& left, const Value& right, Value& out);
  bool compare(const Node& node, Operation operation, Mode mode, const Value& left,
               const Value& right, Value& out);
  bool range(const Node& node, const Value& from, const Value& to, Value& out);
  bool is_among(const Node& node, const Value& left, const Value& right, Value& out);

  // ---- Functions: functions.cpp ----

  bool call_on_numbers(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out);
  bool round(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool sum_up(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool convert(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool call_plain(const Node& node, const std::string& path, const Arguments& arguments,
                  Value& out);

  // ---- Vectors: vectors.cpp ----

  bool make_vector(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool join(const Node& node, const Arguments& arguments, Value& out);
  bool repeat(const Node& node, const Arguments& arguments, Value& out);
  bool sequence(const Node& node, const Arguments& arguments, Value& out);
  bool cut(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool order(const Node& node, std::string_view name, const Arguments& arguments, Value& out);

  // ---- Parts of vectors, and values put into them: indexing.cpp ----

  bool select(const Node& node, const Value& at, std::size_t size,
              const std::vector<std::string>& names, std::vector<std::size_t>& out);
  bool index(const Node& node, Value& out);
  bool index_matrix(const Node& node, const Value& of, Value& out);
  bool assign(const Node& node, Value& out);

  // ---- Statistics, and what is asked of values: statistics.cpp ----

  bool statistic(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool of_wholes(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool ask(const Node& node, std::string_view name, const Arguments& arguments, Value& out);

  // ---- Matrices: matrices.cpp ----

  bool make_matrix(const Node& node, const Arguments& arguments, Value& out);
  bool of_matrix(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool combine_matrices(const Node& node, Operation operation, const Value& left,
                        const Value& right, Value& out);

  // ---- Complex numbers: complex.cpp ----

  // Nothing where neither side is complex.
  std::optional<bool> combine_complex(const Node& node, Operation operation, const Value& left,
                                      const Value& right, Value& out);
  bool of_complex(const Node& node, std::string_view name, const Arguments& arguments, Value& out);

  // ---- Dates: date_calls.cpp ----

  bool make_date(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool make_iso_date(const Node& node, std::string_view name, const Arguments& arguments,
                     Value& out);
  bool usual_format(const Node& node, bool is_day, const Value& given, std::string& format);
  bool read_date(const Node& node, bool is_day, const std::string& codes, Value& item);
  bool take_seconds(const Node& node, const Value& value, std::int64_t& out);
  bool show_dates(const Node& node, const Value& value, const DateFormat& format, Items& out);
  bool format_dates(const Node& node, const Arguments& arguments, Value& out);
  bool name_dates(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  // as.POSIXlt(x)$year; nothing where it is no part of one.
  std::optional<bool> part_of_date(const Node& node, const Value& of, Value& out);
  bool print_dates(const Node& node, const Value& value, std::string& out);
  bool format_difference(const Node& node, const Value& value, std::string& out);
  bool subtract_dates(const Node& node, const Value& left, const Value& right,
                      std::string_view unit, Value& out);
  // Nothing where neither side is a date, or what lies between two.
  std::optional<bool> combine_dates(const Node& node, Operation operation, const Value& left,
                                    const Value& right, Value& out);
  bool combine_differences(const Node& node, Operation operation, const Value& left,
                           const Value& right, Value& out);
  bool sequence_of_dates(const Node& node, const Arguments& arguments, Value& out);
  bool choose_dates(const Node& node, std::string_view name, const Arguments& arguments,
                    Value& out);
  std::optional<bool> call_dates(const Node& node, std::string_view name,
                                 const Arguments& arguments, Value& out);
  bool call_with_texts(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out);

  // ---- Functions that are given functions: applying.cpp ----

  // A function without a name, or the name of one, called with these values.
  bool call_function(const Node& function, std::vector<Value> values, Value& out);
  bool apply_each(const Node& node, std::string_view name, Value& out);
  bool reduce(const Node& node, Value& out);

  // ---- Texts: texts.cpp, patterns.cpp ----

  bool paste(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool call_on_texts(const Node& node, std::string_view name, const Arguments& arguments,
                     Value& out);
  bool replace(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool split(const Node& node, const Arguments& arguments, Items& out);
  bool call_facility(const Node& node, std::string_view name, const Arguments& arguments,
                     Value& out);
  bool fill_each(const Node& node, const Arguments& arguments, Value& out);
  bool cat(const Node& node, const Arguments& arguments, Value& out);

  // ---- What print() shows: printing.cpp ----

  struct Shown {
    int digits = 7;
    bool quotes = true;
  };
  bool print(const Node& node, const Arguments& arguments, Value& out);
  bool print_value(const Node& node, const Value& value, const Shown& shown, std::string& out);
  bool print_vector(const Node& node, const Value& value, const Shown& shown, std::string& out);
  bool print_matrix(const Node& node, const Value& value, const Shown& shown, std::string& out);
  // The elements as print() shows them together.
  bool texts_of(const Node& node, const Items& items, Mode mode, const Shown& shown,
                std::vector<std::string>& out);

  // What the names of functions that are being called stand for.
  std::vector<std::pair<std::string, Value>> own_;
};

}  // namespace inky::inline v1::r_language
