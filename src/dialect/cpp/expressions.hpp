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
  bool call_method(const computed::Node& node, const Value& of,
                   const computed::Arguments& arguments, Value& out) override;

 private:
  bool call_on_list(const computed::Node& node, const Value& of,
                    const computed::Arguments& arguments, Value& out);
  static const computed::Node* ranged(const computed::Node& node);
  std::optional<bool> evaluate_range(const computed::Node& node, Value& out);
  std::optional<bool> read_number(const computed::Node& node, std::string_view name,
                                  const computed::Arguments& arguments, Value& out);
};

// Whether an expression is put_time(...), which pays no heed to the width of the stream.
bool is_put_time(const computed::Node& node);

// How whole calls are read.
extern const ExpressionForm cpp_expressions;

}  // namespace inky::inline v1
