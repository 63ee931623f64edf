// The percent-style family: templates whose fields read
//
//   %[position$][flags][width][.precision][modifier]letter
//
// Which flags, modifiers and letters there are, each dialect's facts say. This reader finds the
// fields and resolves which value each one takes; what a field means is the dialect's to say.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::percent {

struct Syntax {
  const DialectFacts* facts;
  // The largest value position that can be named by "n$"; 0: positions do not exist.
  int most_position;
  // Reads the escape at `at` (a backslash): appends what it stands for and returns its length.
  std::size_t (*read_escape)(std::string_view source, std::size_t at, std::string& literals,
                             Notes& notes);
  // Gives a field its spec, or its defect. The field's letter is 0 where the template breaks off.
  void (*finish)(Field& field);
};

// "%%" becomes a literal; every other field is finished by the syntax.
Result<Template> parse(const Syntax& syntax, std::string_view source);

// The words for a field, part by part, from the facts.
void explain_field(const Syntax& syntax, const Template& parsed, int field,
                   std::vector<Words>& out);

// Whether a field has the flag, by its character.
bool has_flag(const DialectFacts& facts, const Field& field, char flag);
// The fact of a field's letter; null when the dialect has no such letter.
const ConversionFact* conversion_of(const DialectFacts& facts, char letter);

}  // namespace inky::percent
