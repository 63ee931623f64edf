// Arithmetic of a shell, in whole numbers of 64 bits, and the words that hold it: POSIX.1-2017, XCU,
// 2.6.4.
#pragma once

#include <optional>
#include <string>

#include "../computed/code_reader.hpp"
#include "../computed/typed.hpp"

namespace inky::inline v1::shell {

// Only plain names, texts and arithmetic are written into programs.
extern const computed::Grammar grammar;

// Reads what is between $(( and )).
class Arithmetic final : public computed::CodeReader {
 public:
  Arithmetic(TemplateContent& out, std::size_t at, std::size_t limit);

 protected:
  std::optional<bool> read_own(computed::Node& node) override;
};

// Names in arithmetic, a node in parentheses, are numbers; in any other word they are texts.
class Expressions final : public computed::Typed {
 public:
  explicit Expressions(const computed::Scope& scope);

 protected:
  std::optional<bool> evaluate_own(const computed::Node& node, Value& out) override;
  Value of_truth(bool value) const override;
  bool name_without_value(const computed::Node& node, Value& out) override;
  bool combine(const computed::Node& node, computed::Operation operation, const Value& left,
               const Value& right, Value& out) override;

 private:
  bool number_in(const computed::Node& node, const Value& value, Value& out);

  bool is_number_ = false;
};

}  // namespace inky::inline v1::shell
