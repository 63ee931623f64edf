// A call of format, formatC or prettyNum as R reads it, and as source again.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "../computed/tree.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::r_language {

struct Expression {
  enum class Kind : std::uint8_t { value, name, vector, null, computed };
  Kind kind = Kind::null;
  Value value;                    // a literal
  std::string name;               // of a value
  bool negative = false;          // a minus sign before it
  std::vector<Expression> items;  // of c(...)
  computed::Node node;            // of any other expression
  Span span;
};

struct Argument {
  std::string name;  // empty: by its place
  Expression expression;
  Span span;
};

struct Call final : Program {
  std::string function;
  std::vector<Argument> arguments;
  std::vector<std::string> names;  // of values, in the order they first appear
};

// Reads the call in out.source; what is not read is refused there. `words` may be null.
void read_call(TemplateContent& out, Call& call, std::vector<Words>* words);

// Appends the call, made from what was read of it. False where an expression in it may do more than
// compute.
bool add_source(const Call& call, std::span<const std::string> names, WrittenCall& out);

}  // namespace inky::inline v1::r_language
