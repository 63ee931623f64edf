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
    hole,           // an item of an array that is missing
    object,         // parts are the values, keys their names; a spread has none
    entry,          // of an object: its name is what parts[0] comes to, its value parts[1]
    pattern,        // a regular expression: its source in text, its flags in keys[0]
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
    function,       // parts[0] of the names in keys, which the other parts get; text is its source
    with_default,   // a parameter: parts[0], or parts[1] where that is undefined
    let,            // parts[2], where parts[0] gets what parts[1] comes to
    assign,         // parts[0], which is a part of a value, gets what parts[1] comes to
    remove,         // delete parts[0]
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

// Reads a statement that changes a value in place: items.push(4), o.a = 1, o.n += 2, delete o.a.
// False where it is none.
bool read_change(TemplateContent& out, Node& node);
// The name that a path begins with: "o" of o.a[1]. Empty where it begins with none.
std::string_view root_of(const Node& path);
// Reads a statement that gives several names the parts of a value, const [a, b] = pair, up to the
// equals sign. False where it is none.
bool read_targets(TemplateContent& out, std::size_t& at, Node& target,
                  std::vector<std::string>& names);
// Whether a method changes what it is called on.
bool is_changing(std::string_view method);
// The names of values that an expression changes in place by itself: console.log(items.sort()). An
// empty one: any value.
std::vector<std::string> changed_names(const Node& node);

// Reads the escape at `at` (a backslash) of a string or template literal: appends what it stands
// for to out.literals and returns its length. What JavaScript refuses sets out.refusal.
std::size_t read_escape(std::size_t at, TemplateContent& out);

bool is_name_start(char c);
// Whether every program has an object of this name, known here or not.
bool is_global(std::string_view name);
// new Intl.NumberFormat(...) and new Intl.DateTimeFormat(...): what is behind "new".
bool is_formatter(const Node& path);
// The same with .format behind it.
bool is_locale_format(const Node& callee);
// A function that every program has, by a name alone: String, parseInt.
bool is_function_name(std::string_view name);

// The names that values bear, in the order in which they come, some of them again.
std::vector<std::string> names_in(const Node& node);

// Whether a name is the language's own, unless a value has it.
bool is_known_name(std::string_view name);

}  // namespace inky::inline v1::javascript
