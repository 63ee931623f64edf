// The walk that evaluates an expression. A language derives from it, and says what its operators,
// functions and members do.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "queries.hpp"
#include "tree.hpp"

namespace inky::inline v1::computed {

// Why an expression has no value.
struct Trouble {
  enum class When : std::uint8_t { compile, run, undefined, not_supported_yet, over_limit };
  When when = When::compile;
  std::string as;  // the language's own name for it; of what is no failure, what to do
  std::string why;
  Span span;
};
Outcome outcome_of(const Trouble& trouble);

// What expressions that are evaluated together share.
struct Shared {
  std::size_t made = 0;          // by all of them so far, in bytes
  std::string_view locale = {};  // of the program, by its tag; empty: the usual one
  bool has_type = false;         // what is evaluated is given to a name of a declared type
};

struct Scope {
  virtual ~Scope() = default;
  // The value of a name; null where it has none.
  virtual const Value* find(std::string_view name) const = 0;
  Shared* shared = nullptr;  // null: each expression counts by itself, in the usual locale

  std::string_view locale() const { return shared == nullptr ? "" : shared->locale; }
};

// The arguments of a call: those without a name, and those with one.
struct Arguments {
  std::vector<Value> values;
  struct Named {
    std::string name;
    Value value;
  };
  std::vector<Named> named;

  std::size_t size() const { return values.size(); }
  const Value& operator[](std::size_t index) const { return values[index]; }
  // Null: no argument has this name.
  const Value* find(std::string_view name) const {
    for (const Named& one : named) {
      if (one.name == name) return &one.value;
    }
    return nullptr;
  }
};

class Evaluator {
 public:
  virtual ~Evaluator() = default;
  Evaluator(const Evaluator&) = delete;
  Evaluator& operator=(const Evaluator&) = delete;

  // False where it has no value; then trouble() has the reason. Of a static language, what its
  // compiler refuses comes before what only happens when the program runs.
  bool evaluate(const Node& node, Value& out);
  // Whether its value counts as true.
  bool decide(const Node& node, bool& out) {
    Value value;
    return evaluate(node, value) && holds(node, value, out);
  }
  // What a call that prints gets for a value. An object becomes its text, where it has one. That text
  // is marked as an expression, so that no format is tried on it.
  virtual Value as_argument(Value value) const { return value; }
  const std::optional<Trouble>& trouble() const { return trouble_; }
  bool is_static() const { return is_static_; }

 protected:
  // `is_static`: the language checks what it does not evaluate, too.
  explicit Evaluator(const Scope& scope, bool is_static) : scope_(&scope), is_static_(is_static) {}

  // ---- The language's own ----

  // A node that the language evaluates in a way of its own; nothing: as any other.
  virtual std::optional<bool> evaluate_own(const Node&, Value&) { return std::nullopt; }
  virtual bool apply(const Node& node, const Value& operand, Value& out) = 0;
  virtual bool combine(const Node& node, Operation operation, const Value& left, const Value& right,
                       Value& out) = 0;
  // Whether a value counts as true.
  virtual bool holds(const Node& node, const Value& value, bool& out) = 0;
  // What becomes of the value of a whole expression.
  virtual bool finish(const Node&, Value&) { return true; }
  // The operator "not".
  virtual bool deny(const Node& node, const Value& operand, Value& out);
  // What a comparison, or an operator between truth values, gives.
  virtual Value of_truth(bool value) const { return Value::truth(value); }
  // Whether `either` and `both` give one of their sides, and no truth value.
  virtual bool gives_sides() const { return false; }
  // One side of a condition, and its value: converted to the type that both sides have.
  struct Side {
    const Node& node;
    Value& value;
  };
  virtual bool settle_sides(const Node&, Side, Side) { return true; }
  // Whether a name has a value here.
  virtual bool has_value(std::string_view name) const { return scope_->find(name) != nullptr; }
  virtual bool name_without_value(const Node& node, Value& out) = 0;
  virtual bool call(const Node& node, const std::string& path, const Arguments& arguments,
                    Value& out);
  virtual bool call_method(const Node& node, const Value& of, const Arguments& arguments,
                           Value& out);
  // Of a value that is called as a function is.
  virtual bool call_value(const Node& node, const Value& of, const Arguments& arguments,
                          Value& out);
  virtual bool member(const Node& node, const Value& of, Value& out);
  virtual bool item(const Node& node, const Value& of, const Value& at, Value& out);
  // Parts that are left out are nil.
  virtual bool slice(const Node& node, const Value& of, const Value& from, const Value& to,
                     const Value& step, Value& out);
  virtual bool cast(const Node& node, const Value& of, Value& out);
  virtual Value list_of(std::vector<Value> items) const { return Value::list(std::move(items)); }

  // ---- Troubles: always false. The first stays. ----

  bool fail(Trouble::When when, std::string as, std::string why, const Node& node);
  // A trouble of the running program, behind which the compiler still looks at the rest: with a
  // value of the right type in place of the one that is missing. Always true.
  bool put_off(Trouble::When when, std::string as, std::string why, const Node& node,
               Value stand_in, Value& out);
  // "the function sin is"
  bool not_yet(std::string what, const Node& node);
  bool over_limit(std::string what, const Node& node);

  // The text of a template of the language, as the function that fills it in would have read it.
  // `locale`: nothing is that of the program.
  bool fill(const Node& node, const Dialect& dialect, std::string_view content,
            std::span<const Value> values, Value& out,
            std::optional<std::string_view> locale = std::nullopt);
  // The same of a template as it is written in the source.
  bool fill_template(const Node& node, const Dialect& dialect, std::string_view source,
                     std::span<const Value> values, Value& out,
                     std::optional<std::string_view> locale = std::nullopt);

  // Whether the names of a function may be those of another one around it.
  virtual bool may_hide_names() const { return true; }
  // A function that is written out, with a value for each of its names.
  bool call_function(const Node& function, std::span<const Value> arguments, Value& out);
  // What a method of a list comes to. `node` is its call, whose last argument may be a function. How
  // many items there are, pairs and averages are the language's own.
  bool query(const Node& node, Query query, std::vector<Value> items, Value& out);

  // A part of a node, for operators that look into their operands.
  bool evaluate_again(const Node& node, Value& out) { return evaluate_part(node, out); }

  // What was made so far, all together, stays within the limit of an output.
  bool within_limits(const Value& made, const Node& node);

  const Value* find(std::string_view name) const { return scope_->find(name); }
  // Of the program, by its tag; empty: the usual one.
  std::string_view locale() const { return scope_->locale(); }
  // Whether the value goes to a name of a declared type.
  bool has_type() const { return scope_->shared != nullptr && scope_->shared->has_type; }

 private:
  bool evaluate_part(const Node& node, Value& out);
  bool evaluate_node(const Node& node, Value& out);
  bool evaluate_items(const Node& node, Value& out);
  bool evaluate_binary(const Node& node, Value& out);
  bool evaluate_compared(const Node& node, Value& out);
  bool evaluate_condition(const Node& node, Value& out);
  bool evaluate_call(const Node& node, Value& out);
  bool evaluate_arguments(const Node& node, Arguments& out);
  bool sort_by(const Node& node, const std::vector<Value>& keys, bool down,
               std::vector<Value>& items);
  bool add_up(const Node& node, bool multiplies, std::span<const Value> items, Value& out);
  // Evaluates what does not count: only what a compiler would refuse stays of its troubles.
  bool check(const Node& node, Value& out);

  const Scope* scope_;  // of the function that is called, where one is
  bool is_static_;
  std::vector<std::string> parameters_;  // of the functions that are called, in each other
  std::size_t made_ = 0;
  std::optional<Trouble> trouble_;
  std::optional<Trouble> put_off_;
};

}  // namespace inky::inline v1::computed
