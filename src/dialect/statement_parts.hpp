// What is read of a call, piece by piece, and the template that it becomes.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "dialect/statement.hpp"

namespace inky::inline v1 {

struct StatementParts {
  std::string_view text;       // the statement
  bool has_variables = false;  // a dollar sign in a text begins a variable

  bool takes_from_scope = false;  // the template may use names that no argument has

  const Dialect* dialect = nullptr;
  std::string call;
  std::string after;   // printed behind the template
  std::string locale;  // that the call names
  bool is_filled = false;
  bool is_whole = false;
  std::string inner;  // the template in the call
  std::vector<Statement::Segment> segments;
  std::vector<computed::Node> arguments;
  std::vector<std::string> argument_names;
  std::vector<std::string> names;

  void add_argument(const computed::Node& node, const std::string& name);
  // Text that is not in the statement, written as the template has it.
  void add_text(std::string_view added, std::size_t at);
  // A literal without escapes: what would be one in the template is written as it has it.
  void add_raw(Span part);
  // A literal in which a quote stands twice, and whose escapes the call reads.
  void add_doubled(Span part, char quote);
  void add_segment(Span outer, bool verbatim);

  // The template that is a statement; an error where its own language does not read it.
  Result<Template> make(const ExpressionForm& form);

 private:
  void add_captured(const Template& read);
  TemplateContent content_of(Statement placed) const;
};

}  // namespace inky::inline v1
