// An insertion chain, read.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "../computed/tree.hpp"
#include "c/c.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "stream_facts.hpp"

namespace inky::inline v1::cpp_stream {

// A value: written in the chain, of a name, or of an expression.
struct Operand {
  Value value;
  std::string name;  // empty: the value itself, or an expression
  std::shared_ptr<const computed::Node> expression;
  Span span;

  bool is_constant() const { return name.empty() && expression == nullptr; }
};

struct Setting {
  What what = What::nothing;
  int to = 0;
  How how = How::replaces;
  Operand argument;  // of setw and its like
  bool takes_argument = false;
  Span span;
};

struct Insertion {
  std::vector<Setting> before;
  Operand shown;
};

struct Chain final : Program {
  std::vector<Insertion> insertions;  // as many as the template has fields
  std::vector<Setting> after;
  std::vector<std::string> names;  // in the order they first appear
  std::string stream;              // its name, or nothing
  // The word before the first <<, where it may be a value as well as a stream: it is one where a
  // value bears its name. Its name is empty where it cannot be.
  Operand first;
  bool first_is_value = false;  // it comes again further on
  std::vector<std::string> names_with_first;
};

// Reads the chain in out.source; what is not read is refused there. `words` may be null.
void read_chain(TemplateContent& out, Chain& chain, std::vector<Words>* words);

}  // namespace inky::inline v1::cpp_stream
