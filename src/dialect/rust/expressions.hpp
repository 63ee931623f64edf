// Expressions of Rust, as far as they compute values: the Rust Reference, 8.2, with the methods of
// the primitive types that have no effect but a result.
#pragma once

#include <optional>
#include <span>
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

// The type of numbers and characters with this name; nothing where there is none.
std::optional<Type> type_of_name(std::string_view name);

// let (a, b) = pair, let items: Vec<f64> = ..., items.push(4).
std::vector<Declaration> read_declarations(std::string_view statement);
bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble);

bool is_number(const Value& value);
// A literal without a type of its own, which takes the one it meets.
bool is_open(const computed::Node& node);
// The type that a literal is written with, or has where nothing gives it another.
Type literal_type(const computed::Node& literal);
// A literal, with or without a minus sign, that does not fit that type.
bool is_beyond_type(const computed::Node& node);

class ExpressionReader final : public computed::CodeReader {
 public:
  ExpressionReader(TemplateContent& out, std::size_t at);

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
  bool read_index(computed::Node& node, std::size_t start) override;

 private:
  static void keep_type(computed::Node& node, std::string_view written);
  bool read_vector(computed::Node& node, std::size_t start);
  bool read_closure(computed::Node& node);
  bool read_block(computed::Node& node, std::size_t start);
  bool read_if(computed::Node& node, std::size_t start);
  bool read_match(computed::Node& node, std::size_t start);
  bool read_pattern(const computed::Node& subject, computed::Node& test, bool& takes_all);
};

class Expressions final : public computed::Evaluator {
 public:
  explicit Expressions(const computed::Scope& scope) : Evaluator(scope, true) {}
  // Methods that change what they are called on give the changed value.
  void let_change() { may_change_ = true; }

 protected:
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool finish(const computed::Node& node, Value& out) override;
  bool item(const computed::Node& node, const Value& of, const Value& at, Value& out) override;
  bool slice(const computed::Node& node, const Value& of, const Value& from, const Value& to,
             const Value& step, Value& out) override;
  bool member(const computed::Node& node, const Value& of, Value& out) override;
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
  bool literal_without_type(const Node& node);
  bool keep(const Node& node, Type type, const Integer& number, Value& out);
  bool shift(const Node& node, Operation operation, const Value& left, const Value& right,
             Value& out);
  bool make_range(const Node& node, Operation operation, const Value& from, const Value& to,
                  Value& out);
  std::optional<bool> read_number(const Node& node, Value& out);
  std::optional<bool> change(const Node& node, const Value& of, const Arguments& arguments,
                             Value& out);
  bool ask_list(const Node& node, const Value& of, Value& out);
  bool join_items(const Node& node, std::span<const Value> items, std::string_view between,
                  Value& out);
  bool call_on_list(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  bool call_on_option(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  std::optional<bool> parts_of_text(const Node& node, std::string_view text,
                                    const Arguments& arguments, Value& out);
  std::optional<bool> call_function_by_path(const Node& node, const std::string& path,
                                            const Arguments& arguments, Value& out);
  bool convert_items(const Node& node, const Value& list, const std::string& name, Value& out);
  // std::time::Duration: a result beyond it is a panic.
  bool keep_duration(const Node& node, std::optional<int128> nanoseconds, std::string why,
                     Value& out);
  bool take_count_of(const Node& part, const Value& value, Type type, int128& out);
  std::optional<bool> make_duration(const Node& node, std::string_view name,
                                    const Arguments& arguments, Value& out);
  bool call_on_duration(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  bool refuse_operator(const Node& node, Operation operation, const Value& left);
  bool combine_durations(const Node& node, Operation operation, const Value& left,
                         const Value& right, Value& out);
  bool call_on_number(const Node& node, const Value& of, const Arguments& arguments, Value& out);
  bool call_on_text(const Node& node, std::string_view text, const Arguments& arguments,
                    Value& out);

  bool may_change_ = false;
};

}  // namespace inky::inline v1::rust
