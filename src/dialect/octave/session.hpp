// A session, read: its statements.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "../computed/tree.hpp"
#include "../family/writing.hpp"
#include "arrays.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::octave {

struct Expression {
  enum class Kind : std::uint8_t { literal, name, matrix, conversion, computed };
  Kind kind = Kind::literal;
  Array literal;
  std::string name;
  bool negative = false;
  Type to = Type::f64;                        // of a conversion
  std::vector<std::vector<Expression>> rows;  // of a matrix; what is converted
  computed::Node node;                        // of any other expression
  Span span;
};

struct Statement {
  enum class Kind : std::uint8_t { set, show, disp, print };
  Kind kind = Kind::set;
  std::string set;  // of a setting: its function
  std::vector<std::string> arguments;
  std::string label;  // what it is shown as
  bool assigns = false;
  bool called = false;  // by display(), which shows whatever ends it
  bool silent = false;  // a semicolon ends it
  Expression expression;
  // Of x(2) = ...: x(2), and whether elements are taken away: x(2) = [].
  std::optional<computed::Node> target;
  bool removes = false;
  std::vector<std::string> labels;  // of [a, b] = ...
  bool counts = false;              // x++, which shows what x was before
  Span span;
  int field = unset;
};

struct Session final : Program {
  std::vector<Statement> statements;
  std::vector<std::string> names;  // of values, in the order they first appear
};

// The words after format, as one in lower letters.
std::string joined(const std::vector<std::string>& arguments);

// Reads the session in out.source; what is not read is refused there. `words` may be null.
void read_session(TemplateContent& out, Session& session, std::vector<Words>* words);

}  // namespace inky::inline v1::octave
