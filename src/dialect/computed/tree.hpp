// An expression, read: a tree of operations on values.
//
//   price * 0.76        (int)(mass + 0.5)        name.upper()[:3]        n > 1 ? "lots" : "lot"
#pragma once

#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::computed {

enum class Operation : std::uint8_t {
  none,
  add,
  subtract,
  multiply,
  divide,
  divide_down,  // toward the lower whole number
  remainder,
  power,
  shift_left,
  shift_right,
  shift_right_plain,  // zeros come in, whatever the sign
  bits_and,
  bits_or,
  bits_differ,  // exclusive or
  join,         // of two texts, where that is no addition
  equal,
  unequal,
  less,
  at_most,
  more,
  at_least,
  same,  // one object, not only equal ones
  not_same,
  contained,  // in
  not_contained,
  both,  // the right side is evaluated only where it matters, and so is that of the next two
  either,
  order,          // less than 0, 0, or more, as the left side is less, equal, or more
  if_nil,         // the right side, where the left one is nil
  as_type,        // the name of a type follows
  range,          // from one to another
  range_closed,   // the same, with the last one
  multiply_each,  // element by element, where without that it is of matrices
  divide_each,
  power_each,
  transpose,  // with the conjugates of complex numbers
  transpose_plain,
  pipe,       // x |> f is f with x as its last argument
  pipe_back,  // f <| x
  negate,
  keep,  // a plus sign before a number
  complement,
  address,
  follow,  // what a pointer points to
  deny,
};

constexpr bool is_comparison(Operation operation) {
  return Operation::equal <= operation && operation <= Operation::not_contained;
}

struct Node {
  enum class Kind : std::uint8_t {
    nothing,    // a part that is left out
    constant,   // value
    name,       // text
    list,       // parts are the items
    tuple,      // parts are the items
    record,     // parts are the values, keys their names
    unary,      // of parts[0]
    binary,     // of parts[0] and parts[1]
    compared,   // parts[0] with parts[1], parts[1] with parts[2], ...; by operations
    condition,  // parts[1] where parts[0] holds, and else parts[2]
    member,     // of parts[0]: the one named text
    item,       // of parts[0]: at parts[1]
    slice,      // of parts[0]: from parts[1] to parts[2] in steps of parts[3]
    call,       // of parts[0] with the other parts; keys name these, or are empty
    cast,       // parts[0] as the type named text
    spread,     // the items of parts[0], among the arguments of a call
    for_each,   // parts[0] for each item of parts[1] that the other parts hold for; keys name it
    function,   // parts[0] of the names in keys; text is its source
    filled,     // a literal that the language fills in; text is its source, parts are names in it
  };
  Kind kind = Kind::nothing;
  Operation operation = Operation::none;
  Value value;
  std::string text;
  std::vector<Node> parts;
  std::vector<std::string> keys;
  std::vector<Operation> operations;
  Span span;                // in the source
  bool enclosed = false;    // in parentheses
  bool is_made = false;     // of a name: behind "new"
  bool by_pointer = false;  // of a member: it was written with an arrow
  std::vector<Span>
      texts;            // of a text constant: what is between the quotes of each of its literals
  bool is_raw = false;  // one of them has no escapes
};

// The names in it that values may bear, each once, in the order in which they first come, added to
// `names`. What is called is none of them.
void collect_names(const Node& node, std::vector<std::string>& names);

// Whether it is nothing but a constant or a name.
inline bool is_plain(const Node& node) {
  return node.kind == Node::Kind::constant || node.kind == Node::Kind::name;
}

// Whether nothing in it is named, but by what `known` is true of: the compiler knows its value.
bool is_constant(const Node& node, bool (*known)(const Node& name) = nullptr);

inline bool is_text(const Node& node) {
  return node.kind == Node::Kind::constant && node.value.is(Type::text);
}

// The name that a call calls, with the path before it: "max", "Math.max"; of a method of any other
// value "", and of anything else too.
std::string path_of(const Node& callee);

// The deepest that expressions may nest.
inline constexpr int most_depth = 64;

}  // namespace inky::inline v1::computed
