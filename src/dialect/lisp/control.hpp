// A control string, read: text and directives, some with sections inside.
//
//   ~mincol,'padcharD     ~{~A~^, ~}     ~[none~;one~:;many~]     ~10<left~;right~>
//
// Defined by the Common Lisp HyperSpec, 22.3.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "../family/braces.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::lisp {

// A parameter before the letter.
struct Parameter {
  enum class Kind : std::uint8_t { left_out, number, character, next_value, remaining };
  Kind kind = Kind::left_out;
  int number = 0;
  std::string character;
};

struct Token;
using Tokens = std::vector<Token>;

struct Directive {
  char letter = 0;  // upper; a new line for the one at the end of a line
  bool colon = false;
  bool at = false;
  std::vector<Parameter> parameters;
  Span span;  // in the source, to the end of what closes it
  // Of ~( ~[ ~{ ~<: what stands inside, cut at each ~;
  std::vector<Tokens> sections;
  bool last_is_default = false;  // the last section follows ~:;
  bool first_is_line = false;    // the first section is closed by ~:;
  bool close_colon = false;
  bool close_at = false;
  std::string defect;  // why SBCL refuses it when it comes to it; empty: it does not
};

// Text, or a directive.
struct Token {
  std::string text;
  std::unique_ptr<Directive> directive;
};

struct Control final : Program {
  std::vector<Directive> directives;  // as many as the template has fields
};

// Reads the control string into pieces and fields; `words` may be null. What SBCL refuses when it
// looks at the string as a whole is refused.
void read_control(const braces::Decoded& decoded, TemplateContent& out, Control& control,
                  std::vector<Words>* words);

// What a directive does, for the words: from the facts.
extern const DialectFacts lisp_facts;

}  // namespace inky::inline v1::lisp
