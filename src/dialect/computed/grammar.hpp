// The operators of a language, as data: which there are, and how tightly they bind.
#pragma once

#include <span>
#include <string_view>

#include "tree.hpp"

namespace inky::inline v1::computed {

struct OperatorFact {
  std::string_view text;
  Operation operation = Operation::none;  // none: it is known, and not supported yet
  int level = 0;                          // the higher, the tighter
  bool right_first = false;               // a ** b ** c is a ** (b ** c)
};

struct Grammar {
  std::span<const OperatorFact> infix;
  std::span<const OperatorFact> prefix;
  std::string_view rows = {};  // between the rows of a list of lists: "[1, 2; 3, 4]"
  std::span<const OperatorFact> postfix = {};
  bool comparisons_chain = false;  // a < b < c is a < b and b < c
  // How one of two values is chosen: test ? one : other, or one if test else other.
  enum class Condition : std::uint8_t { none, marks, words };
  Condition condition = Condition::none;
  bool condition_stands_alone = false;  // one that follows another needs parentheses
  bool slices = false;                  // text[1:3]
  bool tuples = false;                  // (1, 2)
  bool braces = false;                  // {"mass": 2.5}
  std::string_view lists = {};  // the bracket that a list begins with; empty: there are none
  std::string_view names_argument = {};  // between the name of an argument and it: "="
  std::string_view spread = {};          // before an argument whose items are arguments
  // f x y calls f; a bracket behind a blank begins an argument.
  bool applies = false;
  bool prefix_calls = false;        // (f x y)
  bool point_before_index = false;  // text.[0], too
  bool point_before_members = true;
  bool digit_members = false;            // pair.0
  std::string_view type_arguments = {};  // what begins the types in sum::<i32>()
  std::string_view arrow = {};           // another sign before a member
  std::string_view cast_word = {};       // between a value and the type it is cast to
  std::string_view path = {};            // between the parts of a name: "::"
  // The functions and methods that have no effect but a result, separated by spaces. No other call
  // is written into a program.
  std::string_view functions = {};
  std::string_view methods = {};
  std::string_view prefix_of_names = {};  // $
};

// The name of an operation, as `grammar` writes it.
std::string_view text_of(const Grammar& grammar, Operation operation);

}  // namespace inky::inline v1::computed
