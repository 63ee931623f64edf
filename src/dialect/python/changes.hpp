// Statements that change a value in place, and those that give several names values: the Python
// Language Reference, 7.2; the Library Reference, "Mutable Sequence Types" and "dict".
//
//   items.append(4)      counts[word] = counts.get(word, 0) + 1      a, b = b, a      def f(x): return x * 2
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "../computed/evaluator.hpp"
#include "dialect/statement_lines.hpp"

namespace inky::inline v1::python {

// A statement that changes a value: the part that is changed, and what it gets, or the call.
struct Change {
  computed::Node target;              // the part; of a call, what it is called on
  std::string method;                 // of a call; empty: it is none
  std::vector<computed::Node> given;  // the arguments, or the new value; none: the part is deleted
  std::vector<std::string> names;     // of the arguments
};

// False where a statement is none.
bool read_change(std::string_view statement, Change& out);
// The name that items and members begin with: "d" of d[k][0]. Empty where it is something else.
std::string_view root_of(const computed::Node& path);

// Whether a statement gives no name a value here: import math.
bool imports_only(std::string_view statement);
// Members of the form of expressions; what each does is said there.
std::vector<Declaration> read_declarations(std::string_view statement);
bool compute_declared(std::string_view source, const computed::Scope& scope, Value& out,
                      computed::Trouble& trouble);
bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble);
bool is_fresh(std::string_view expression);
std::vector<std::string> changed_names(std::string_view expression);

}  // namespace inky::inline v1::python
