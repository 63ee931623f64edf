// The fields of a format string of Rust, read.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "../family/braces.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::rust {

// A value, or a count: written, or taken from an argument or a variable.
struct Reference {
  enum class Kind { none, number, argument, variable } kind = Kind::none;
  std::int64_t number = 0;  // also the argument, from 0
  std::string name;
};

struct Shown {
  bool numbered = false;  // by a number in the template
  Reference value;
  braces::Lead lead;
  Reference width;
  Reference precision;
  char form = 0;               // the letter; 0: there is none
  char debug_hexadecimal = 0;  // of "x?" and "X?"
};

struct Fields final : Program {
  std::vector<Shown> fields;   // as many as the template has
  std::int64_t arguments = 0;  // that are counted one by one
};

// Reads the format string in out.source; what rustc refuses is refused there. `words` may be null.
void read_fields(TemplateContent& out, Fields& fields, std::vector<Words>* words);

}  // namespace inky::inline v1::rust
