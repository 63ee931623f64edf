// Several statements in one source: where each is, and which of them give a value a name.
#pragma once

#include <algorithm>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/language_facts.hpp"

namespace inky::inline v1 {

inline constexpr std::string_view statement_blanks = " \t\r\n";
constexpr bool is_in(char c, std::string_view set) {
  return set.find(c) != std::string_view::npos;
}

inline std::string_view trimmed(std::string_view text) {
  text.remove_prefix(std::min(text.find_first_not_of(statement_blanks), text.size()));
  return text.substr(0, text.find_last_not_of(statement_blanks) + 1);
}

// The statements of a source, without the blanks around them and without those that print nothing
// and name nothing, from a place on. At most one, where the language has no form for several.
std::vector<Span> statements_of(const LanguageFacts& language, std::string_view source,
                                std::size_t from = 0);

// The dialect of a chain that a statement is: cout << n << endl. Null where it is none.
const Dialect* chain_dialect(const LanguageFacts& language, std::string_view statement);

// "double price = 9.55", "n <- 7", "let total: f64 = price * 2.0".
// n += 2 and n++ are declarations, too.
struct Declaration {
  std::string name;
  std::string expression;
  std::string type;           // that the declaration names, and converts to; empty: none
  std::string before;         // what is before the name
  bool changes = false;       // the name has a value already
  bool combines = false;      // by an operator: n += 2
  std::string operand;        // then what is behind it
  bool steps = false;         // by one: n++
  bool is_reference = false;  // int& m = n: what changes the one changes the other
  // The expression is a statement that changes the value in place; `is_deep`: a part of a part.
  bool in_place = false;
  bool is_deep = false;
  bool comes_first = false;     // it holds for the statements before it, too
  bool change_follows = false;  // what the expression changes, the next declaration changes
  Span span;                    // of the expression in the statement
};
// Nothing where a statement declares no value.
std::optional<Declaration> declaration_of(const LanguageFacts& language,
                                          std::string_view statement);

// Those of a form of the language's own.
std::vector<Declaration> own_declarations(const ExpressionForm& form, std::string_view statement);
// line.append("ink"): a change in place by one of some methods. Nothing where a statement is none.
std::optional<Declaration> change_by_method(std::string_view statement, std::string_view methods);
// The first comma outside of brackets and quotes; npos: there is none.
std::size_t comma_in(std::string_view expression);

// The expression with a conversion to a type around it.
std::string cast_to(const ExpressionForm& form, const std::string& type,
                    const std::string& expression);

// The one statement from a place to the end of the source. `alone`: no other one is before it, and an
// expression is one that shows its value.
Result<Template> read_statement(const LanguageFacts& language, std::string_view source,
                                std::size_t begin, bool alone = false);
// Several of them: the calls print, and the declarations before them name values.
Result<Template> read_statements(const LanguageFacts& language, std::string_view source,
                                 std::span<const Span> statements);

}  // namespace inky::inline v1
