// Several statements in one source: where each is, and which of them give a value a name.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/language_facts.hpp"

namespace inky::inline v1 {

// The statements of a source, without the blanks around them and without those that print nothing
// and name nothing. At most one, where the language has no form for several.
std::vector<Span> statements_of(const LanguageFacts& language, std::string_view source);

// The dialect of a chain that a statement is: cout << n << endl. Null where it is none.
const Dialect* chain_dialect(const LanguageFacts& language, std::string_view statement);

// "double price = 9.55", "n <- 7", "let total: f64 = price * 2.0".
struct Declaration {
  std::string name;
  std::string expression;  // with the conversion to the type of the declaration
  Span span;               // of the expression in the statement
};
// Nothing where a statement declares no value.
std::optional<Declaration> declaration_of(const LanguageFacts& language,
                                          std::string_view statement);

// The one statement from a place to the end of the source.
Result<Template> read_statement(const LanguageFacts& language, std::string_view source,
                                std::size_t begin);
// Several of them: the calls print, and the declarations before them name values.
Result<Template> read_statements(const LanguageFacts& language, std::string_view source,
                                 std::span<const Span> statements);

}  // namespace inky::inline v1
