// The template that several statements are: the fields of all their calls, in the source they share.
#pragma once

#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/statement.hpp"

namespace inky::inline v1 {

class SequenceContent {
 public:
  explicit SequenceContent(std::string_view source) { content_.source = source; }

  // The step of a call that was read. `hidden`: of a chain, how much of its template is not in the
  // source; `declared`: names that take no value of the caller.
  StatementStep add(const Template& read, Statement placed, Span span,
                    std::optional<std::size_t> hidden, std::span<const std::string> declared);
  bool has_call() const { return first_call_ != nullptr; }
  // REQUIRES: has_call().
  Template finish(const ExpressionForm& form, std::vector<std::string> names,
                  std::vector<StatementStep> steps, bool lists_may_be_shared);

 private:
  void cover(std::size_t to);

  TemplateContent content_;
  std::size_t covered_ = 0;
  std::shared_ptr<const Statement> first_call_;
};

}  // namespace inky::inline v1
