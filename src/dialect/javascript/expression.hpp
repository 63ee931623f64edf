// An expression inside a slot of a template literal, read.
//
//   x.toFixed(2).padStart(9)        mass * 1000 + " g"        Math.round(x / 5) * 5
//
// A part of the language's grammar: ECMA-262, 13. What JavaScript has beyond it is "not supported
// yet"; what it has not is a SyntaxError.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "../computed/grammar.hpp"
#include "inky_margin/format/template.hpp"
#include "inky_margin/number/whole.hpp"

namespace inky::inline v1::javascript {

struct Node {
  enum class Kind : std::uint8_t {
    number,
    big,
    text,
    name,
    array,          // parts are the items
    object,         // parts are the values, keys their names
    text_template,  // parts are what is in the slots, keys the texts around them
    unary,          // of parts[0]
    binary,         // of parts[0] and parts[1]
    condition,      // parts[1] where parts[0] holds, and else parts[2]
    member,         // of parts[0]: by the name in text
    item,           // of parts[0]: parts[1] in brackets
    call,           // of parts[0] with the other parts
    construct,      // the same after "new"
    spread,         // the items of parts[0], in an array or among arguments
    sequence,       // the last of parts
    word,           // typeof or void, the text, of parts[0]
    function,       // parts[0] of the names in keys
  };
  Kind kind = Kind::number;
  computed::Operation operation = computed::Operation::none;
  double number = 0;
  std::string text;
  SignedNatural big;
  std::vector<Node> parts;
  std::vector<std::string> keys;
  Span span;              // in the source
  bool enclosed = false;  // in parentheses
  bool optional = false;  // of a member, an item or a call: ?. is before it
};

// Its operators: ECMA-262, 13.
extern const computed::Grammar operators;

// The deepest that expressions may nest.
inline constexpr int most_depth = 64;

// Reads an expression of out.source from `at` on, and moves `at` behind it. False, and out.refusal
// set, where it cannot. `commas`: the comma is an operator there.
bool read_expression(TemplateContent& out, std::size_t& at, Node& node, bool commas = false);

// Reads the escape at `at` (a backslash) of a string or template literal: appends what it stands
// for to out.literals and returns its length. What JavaScript refuses sets out.refusal.
std::size_t read_escape(std::size_t at, TemplateContent& out);

bool is_name_start(char c);
// Whether every program has an object of this name, known here or not.
bool is_global(std::string_view name);
// new Intl.NumberFormat(...).format
bool is_number_format(const Node& callee);

// The names that values bear, in the order in which they come, some of them again.
std::vector<std::string> names_in(const Node& node);

// Whether a name is the language's own, unless a value has it.
bool is_known_name(std::string_view name);

}  // namespace inky::inline v1::javascript
