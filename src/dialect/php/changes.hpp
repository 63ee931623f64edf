// Arrays of PHP that statements change: $xs[] = 1, $prices["ink"] = 9.55, $row["n"] += 2. An array is
// a value: no other name stands for the same one.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "../computed/evaluator.hpp"
#include "../family/records.hpp"
#include "dialect/statement_lines.hpp"

namespace inky::inline v1::php {

inline bool is_array(const Value& value) {
  return value.is(Type::list) || value.is(Type::record);
}

// Whether a value is a key that is no number.
bool is_key(const Value& value);

// Members of the form of expressions; what each does is said there.
std::vector<Declaration> read_declarations(std::string_view statement);
bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble);

}  // namespace inky::inline v1::php
