// How a statement begins: with the name of a call, or with what it gives its text to.
#pragma once

#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/expression_form.hpp"
#include "dialect/language_facts.hpp"

namespace inky::inline v1 {

// Whether a call that is known by one name is meant by a path: "std.format" by "std::format", and
// "printf" by "System.out.printf". Where the language has a sign of its own between the parts of a
// name, a point is no such sign.
bool is_called(std::string_view known, std::string_view path, const ExpressionForm* form);
// The same of a call whose template is one of a dialect, and of no logger's.
bool is_called(const CallFact& known, std::string_view path, const ExpressionForm* form);

// The function of form.prints with this name; null where there is none.
const PrintFact* find_print(const ExpressionForm& form, std::string_view path);

// Whether a source begins with a call of a known name, or is a literal with a method or an operator
// behind it.
bool begins_statement(const LanguageFacts& language, std::string_view source);

// Whether a literal begins here whose slots are expressions.
bool begins_with_slots(const ExpressionForm& form, std::string_view source);

// Behind "String line =", "$out .=" and "return", which give the text a place; 0 where a source does
// not begin so.
std::size_t behind_assignment(std::string_view source);

// The names in an expression that values may bear.
std::vector<std::string> value_names_in(const ExpressionForm& form, const std::string& expression);

// Whether the words before a name in its declaration say that it does not change: "const double".
bool is_constant_name(const ExpressionForm& form, std::string_view before);

}  // namespace inky::inline v1
