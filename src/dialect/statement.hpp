// What a template keeps where it is a whole call: the template in it, and its arguments.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "dialect/expression_form.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/format/template.hpp"

namespace inky::inline v1 {

struct Statement;

// One of several statements: a call that prints, a name that gets a value, a loop or a condition.
struct StatementStep {
  // leave, next: out of the innermost loop or choice, and on to the next round of a loop; locale:
  // that of what follows.
  enum class Kind : std::uint8_t {
    call,
    value,
    change,
    loop,
    each,
    branch,
    choice,
    leave,
    next,
    locale
  };
  Kind kind = Kind::value;
  std::shared_ptr<const Statement> call;
  std::string name;                // of a value; of a locale, the dialect that is in it
  std::string_view prints;         // of a locale, by itself, with @ for its name
  std::vector<std::string> names;  // of each item of a loop, or of its parts
  std::string expression;     // what it comes to; the condition of a loop or a branch, or the items
  std::string type;           // that the value, or an item, is converted to; empty: it stays
  bool with_keys = false;     // each item of a loop comes with its key
  bool changes = false;       // the name has a value before
  bool combines = false;      // by an operator: n += 2
  bool steps = false;         // by one: n++
  std::string operand;        // of an operator: n += 2
  bool in_place = false;      // the expression is a statement that changes the value
  bool is_constant = false;   // no name is in the expression
  bool runs_first = false;    // the condition of a loop comes behind its body
  bool falls_through = true;  // of a case, which is a step in the body of a choice
  std::vector<std::string> values;    // of a case; none: all others
  ListChange change;                  // of an array or a list in place
  std::vector<StatementStep> before;  // what counts before a condition, and behind it
  std::vector<StatementStep> behind;
  std::vector<StatementStep> body;   // of a loop, and of a branch where its condition holds
  std::vector<StatementStep> other;  // of a branch where it does not
  std::vector<StatementStep> after;  // each round of a loop
  Span span;                         // in the source
  int first_field = 0;               // of the call, among all fields
};

struct Statement {
  // A stretch of the template in the call, and where it comes from in the statement.
  struct Segment {
    Span inner;
    Span outer;
    bool verbatim = true;
  };

  Statement(Template read) : inner(std::move(read)) {}

  Template inner;
  std::vector<Segment> segments;  // in order
  std::string call;               // the name of what is called; empty: none is
  std::vector<computed::Node> arguments;
  std::vector<std::string> argument_names;  // empty: by place
  std::vector<std::string> names;           // of values, in the order in which they first come
  const ExpressionForm* form = nullptr;
  std::string locale;  // that the call names; empty: it names none
  // The language fills the template in by itself, and so it takes the values as they are.
  bool is_filled = false;
  // The evaluator makes the text of the whole call, which is the one argument.
  bool is_whole = false;
  // A list that grows by += may be another name's, too.
  bool lists_may_be_shared = false;
  // Where it is several statements, one after the other; nothing else counts then.
  std::vector<StatementStep> steps;

  // From a place in the template to one in the statement.
  Span moved(Span span) const;
};

// What a declaration of the language of `asked` gives its name. Nothing where it comes to a value,
// which is in `out` then; else what happens, with a span in `source`.
std::optional<Outcome> compute_declared(const Dialect& asked, std::string_view source,
                                        std::span<const Value> values, Value& out,
                                        computed::Shared* shared = nullptr);
// What a name stands for behind a statement that changes its value in place; the rest as above.
std::optional<Outcome> compute_change(const Dialect& asked, std::string_view statement,
                                      std::span<const Value> values, Value& out,
                                      computed::Shared* shared);

// Whether an expression counts as true, and what a loop goes through; the rest as above.
std::optional<Outcome> compute_truth(const Dialect& asked, std::string_view source,
                                     std::span<const Value> values, bool& out,
                                     computed::Shared* shared);
std::optional<Outcome> compute_items(const Dialect& asked, const std::string& source,
                                     std::span<const Value> values, bool with_keys,
                                     std::vector<Value>& out, computed::Shared* shared);

// The most steps that statements take, all rounds of loops together.
inline constexpr int most_steps = 10'000;

// The same for several statements: the text of all of them, each with the names of those before it.
Outcome render_steps(const Statement& statement, std::span<const Value> values,
                     const RenderOptions& options, Output& out, Report* report);

// What the calls of Dialect do for a template that is a statement. `shared`: by the statements around
// it; null: it stands alone, and the values are the caller's.
Outcome render_statement(const Statement& statement, std::span<const Value> values,
                         const RenderOptions& options, Output& out, Report* report,
                         computed::Shared* shared = nullptr);
std::vector<Words> explain_statement(const Statement& statement, std::size_t size);
Result<WrittenCall> write_statement_call(const Statement& statement,
                                         std::span<const std::string> names);

}  // namespace inky::inline v1
