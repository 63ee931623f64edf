// Expressions read into a row of nodes, operands in front of what uses them.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/number/evaluation.hpp"

namespace inky::inline v1::expression {

enum class Function : std::uint8_t { none, floor, ceil, trunc, round, sqrt, abs, ulp };

struct Node {
  enum class Kind : std::uint8_t { literal, name, minus, binary, comparison, call, conversion };
  Kind kind = Kind::literal;
  std::size_t from = 0;
  std::size_t to = 0;
  int left = -1;  // nodes, by index
  int right = -1;
  std::string word;                  // a literal without underscores, a name, an operator
  const NumberType* type = nullptr;  // of a literal with a type, or a conversion
  Function function = Function::none;
};

struct Parsed {
  std::vector<Node> nodes;  // the last is the whole expression
  std::optional<EvaluationFault> fault;
};

Parsed parse(std::string_view source, const EvaluationOptions& options);

std::string_view name_of(Function function);

}  // namespace inky::inline v1::expression
