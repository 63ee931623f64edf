// Expressions of C++ that insertion chains and calls hold, with std::format among their functions.
#pragma once

#include "c/expressions.hpp"

namespace inky::inline v1 {

class CppExpressions final : public c_language::Expressions {
 public:
  explicit CppExpressions(const computed::Scope& scope)
      : Expressions(c_language::Edition::cpp, scope) {}

 protected:
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  bool call(const computed::Node& node, const std::string& path,
            const computed::Arguments& arguments, Value& out) override;
};

// Whether an expression is put_time(...), which pays no heed to the width of the stream.
bool is_put_time(const computed::Node& node);

// How whole calls are read.
extern const ExpressionForm cpp_expressions;

}  // namespace inky::inline v1
