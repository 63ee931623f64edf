// Expressions of R, as far as they compute values: the R Language Definition, 3, with the functions
// of base that have no effect but a result. A vector of several elements is a list; nil is NA.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "../computed/code_reader.hpp"
#include "../computed/evaluator.hpp"
#include "dialect/expression_form.hpp"
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
  void skip_blanks() override;
};

class Expressions final : public computed::Evaluator {
 public:
  explicit Expressions(const computed::Scope& scope) : Evaluator(scope, false) {}

 protected:
  bool apply(const computed::Node& node, const Value& operand, Value& out) override;
  bool combine(const computed::Node& node, computed::Operation operation, const Value& left,
               const Value& right, Value& out) override;
  bool deny(const computed::Node& node, const Value& operand, Value& out) override;
  bool holds(const computed::Node& node, const Value& value, bool& out) override;
  bool name_without_value(const computed::Node& node, Value& out) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
  bool item(const computed::Node& node, const Value& of, const Value& at, Value& out) override;
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

  // ---- Operators: operators.cpp ----

  bool combine_one(const Node& node, Operation operation, Mode mode, const Value& left,
                   const Value& right, Value& out);
  bool combine_wholes(Operation operation, const Value& left, const Value& right, Value& out);
  bool compare(const Node& node, Operation operation, Mode mode, const Value& left,
               const Value& right, Value& out);
  bool range(const Node& node, const Value& from, const Value& to, Value& out);

  // ---- Functions: functions.cpp ----

  bool call_on_numbers(const Node& node, std::string_view name, const Arguments& arguments,
                       Value& out);
  bool round(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool sum_up(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool make_vector(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool convert(const Node& node, std::string_view name, const Arguments& arguments, Value& out);

  // ---- Texts: texts.cpp ----

  bool paste(const Node& node, std::string_view name, const Arguments& arguments, Value& out);
  bool call_on_texts(const Node& node, std::string_view name, const Arguments& arguments,
                     Value& out);
  bool call_facility(const Node& node, std::string_view name, const Arguments& arguments,
                     Value& out);
  bool fill_each(const Node& node, const Arguments& arguments, Value& out);
  bool cat(const Node& node, const Arguments& arguments, Value& out);
  bool print(const Node& node, const Value& value, Value& out);
};

}  // namespace inky::inline v1::r_language
