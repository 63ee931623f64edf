// How a language's expressions are read and evaluated, for what is pasted whole: a call with its
// arguments. A fact of a language.
#pragma once

#include <cstddef>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "computed/evaluator.hpp"
#include "computed/reader.hpp"

namespace inky::inline v1 {

// A function that prints a text it is given, or what its template makes, and `after` behind it.
struct PrintFact {
  std::string_view name;
  std::string_view after = {};
  bool is_bare = false;         // its values stand without parentheses: echo $a, $b
  bool is_evaluated = false;    // the evaluator makes the text of the whole call
  bool may_be_empty = false;    // without a value it prints `after` alone
  std::string_view field = {};  // shows each of its values; empty: as all others do
};

// An expression that names a locale, and the locale.
struct LocaleFact {
  std::string_view path;
  std::string_view locale;
};

// What is before and behind the expression in a statement that sets the locale: a text, or an object
// whose first part is one. Blanks do not count.
struct LocaleStatementFact {
  std::string_view before;
  std::string_view behind;
  std::string_view dialect = {};  // whose texts alone are in it; empty: all of the program's
  std::string_view prints = {};   // by itself, with @ for the locale
};

struct StatementParts;
struct Declaration;

// A change of an array or a list in place: items[at] = value, items.add(value).
struct ListChange {
  enum class Kind : std::uint8_t { item, add, drop_last, clear, sort, reverse };
  Kind kind = Kind::item;
  std::vector<std::string> places = {};  // items[1][2]
  std::string value = {};                // an expression
  std::string operation = {};            // items[1] += 2
};
// A statement that is one, with {} for the name and ? for the value.
struct ListChangeFact {
  std::string_view form;
  ListChange::Kind kind;
};

// How the statements of a loop stand together; none: loops are not supported yet.
enum class Blocks : std::uint8_t { none, braces, indented };

// What a compiler does with a value that is given to a name of another type.
enum class Assigned : std::uint8_t { converts, refuses, unknown };

struct ExpressionForm {
  // Reads a call by itself, where the template evaluates the expressions in it: what is between the
  // parentheses of a function of `prints`, the only other member that counts then. Null: the
  // members below say how. False, and an error set, where it cannot.
  bool (*read_call)(StatementParts& parts, Span inside, std::optional<Error>& error) = nullptr;
  // Reads a statement by itself, where its arguments are words and no expressions between commas:
  // what is in `inside`. Null: the members below say how. False, and an error set, where it cannot.
  bool (*read_words)(StatementParts& parts, Span inside, std::optional<Error>& error) = nullptr;
  // Computes an expression by itself, where the language has no `reader`; null elsewhere.
  bool (*compute)(std::string_view source, const computed::Scope& scope, Value& out,
                  computed::Trouble& trouble) = nullptr;
  // Computes what a declaration gives a name, where that is no expression. Null: it is one.
  bool (*compute_declared)(std::string_view source, const computed::Scope& scope, Value& out,
                           computed::Trouble& trouble) = nullptr;
  // Reads a declaration of a form of its own: x[2] <- 5. Null, or nothing: there is no such form.
  std::optional<Declaration> (*read_declaration)(std::string_view statement) = nullptr;
  // Reads the declarations of a statement that gives several names values, or changes a value in
  // place: const [a, b] = pair, items.push(4). Null, or none: it is no such statement.
  std::vector<Declaration> (*read_declarations)(std::string_view statement) = nullptr;
  // What a name stands for behind a statement that changes its value in place. Null: none does.
  bool (*compute_change)(std::string_view source, const computed::Scope& scope, Value& out,
                         computed::Trouble& trouble) = nullptr;
  // Where values may be changed in place, so that names may share one: whether what an expression
  // comes to is no other name's, and the names whose values it changes by itself; an empty one: any.
  bool (*is_fresh)(std::string_view expression) = nullptr;
  std::vector<std::string> (*changed_names)(std::string_view expression) = nullptr;
  // The names in an expression that values may bear, where the language has no `reader`. Null: its
  // words, but for those that are called.
  std::vector<std::string> (*names)(std::string_view expression) = nullptr;
  // Functions that keep no part of what they are given: list(items).
  std::string_view copiers = {};
  // What definitions begin with that end with their block: "function".
  std::string_view block_words = {};
  // The function that shows what a statement comes to that is nothing but an expression; empty:
  // none does.
  std::string_view shows_results = {};
  const computed::Grammar* grammar = nullptr;
  // Reads out.source from a place on.
  std::unique_ptr<computed::Reader> (*reader)(TemplateContent& out, std::size_t at) = nullptr;
  std::unique_ptr<computed::Evaluator> (*evaluator)(const computed::Scope& scope) = nullptr;
  // What a value that is given by the caller is in expressions. Null: itself.
  Value (*given)(const Value& value) = nullptr;
  std::span<const PrintFact> prints = {};
  // The characters that end a statement, outside of brackets and quotes. Empty: several statements
  // are not supported yet.
  std::string_view ends = {};
  // What statements begin with that print nothing and name nothing: "import".
  std::string_view silent_words = {};
  // The same of a whole statement. Null: those words say it all.
  bool (*is_silent)(std::string_view statement) = nullptr;
  Blocks blocks = Blocks::none;
  // An expression that makes a list of what a loop goes through, which stands for {} in it. Empty:
  // that is a list already.
  std::string_view items = {};
  // The same for a loop through the names of an object: for (const k in o).
  std::string_view keys = {};
  // A method that calls a function for each item of a list: ".forEach(". Empty: there is none.
  std::string_view each_method = {};
  // An expression that makes what the names of a pattern, ({pattern}), get of each item.
  std::string_view item_parts = {};
  // An expression that makes a list of what such a method calls its function with: the item, and
  // pairs of the item and its place. Each {} in it stands for what the method is called on.
  std::string_view each_items = {};
  std::string_view item_pairs = {};
  // Between the ends of a range that a loop goes through; with an equals sign behind it, the last
  // one is in it, too. Empty: there are none.
  std::string_view range_sign = {};
  // What stays set in a stream: words of a chain behind which other chains print otherwise.
  std::string_view lasting_words = {};
  bool counts = false;  // n++ and --n are statements
  // Words of a declaration whose name does not change, and the word that lets it: "let", "mut".
  std::string_view constant_words = {};
  std::string_view variable_word = {};
  // Whether names have types, and a declaration converts the value to the one that it names; the
  // words of one that are no type, and the types whose values stay as they are.
  bool declares_types = false;
  // What becomes of a value whose type is not that of the name. Null: it is converted.
  Assigned (*assigns)(const Value& value, Type to, bool is_constant) = nullptr;
  std::string_view assignment_fault = {};  // the compiler's name for what it refuses
  std::string_view literal_fault = {};     // the same of a literal real; empty: no other one
  bool combined_converts = false;          // n += 0.5 converts, where n = n + 0.5 does not
  bool combined_takes = false;             // so it does where n = 0.5 does
  std::string_view modifiers = {};
  std::string_view plain_types = {};
  bool has_arrays = false;           // int a[] = {1, 2} declares one, and a[1] = 5 changes it
  std::string_view list_types = {};  // other types of lists: vector<int>
  std::span<const ListChangeFact> list_changes = {};
  bool lists_show_items = false;  // where one is shown as a whole
  bool lists_are_shared = false;  // by all names that are given one
  // Functions that take a whole array: "String.join".
  std::string_view list_takers = {};
  // The bytes that an item of a type takes; null where no expression asks for that.
  std::size_t (*size_of)(std::string_view type) = nullptr;
  std::string_view case_sign = "==";  // between what is chosen by and each case
  // Dialects whose templates are statements themselves, and hold such calls.
  std::string_view sessions = {};
  // How long the literal is that a text begins with, and whose slots the language fills in; 0 where
  // it begins with none. Null: the language has no such literals.
  std::size_t (*filled_literal)(std::string_view text) = nullptr;
  // What a literal begins with whose slots are expressions, each with its format: $"{price * 2:F2}".
  // Separated by spaces; empty: the language has no such literals.
  std::string_view slots_prefixes = {};
  // Another language has the same, and is meant where none is named.
  bool slots_are_shared = false;
  // Reads such a literal at a place of content.source: a template, and the slots as its arguments.
  // Where the literal ends; nothing, and content.refusal, where it cannot be read.
  std::optional<std::size_t> (*read_slots)(StatementParts& parts, std::size_t at,
                                           TemplateContent& content) = nullptr;
  // Whether a statement begins here that the other members do not show. Null: none does.
  bool (*begins)(std::string_view source) = nullptr;
  // For functions that print values without a template: the field that shows a value plainly, and
  // the text between two values. Empty: such functions are not supported yet.
  std::string_view plain_field = {};
  std::string_view plain_dialect = {};
  // The field that shows what an expression alone comes to; empty: it is no statement. Where calls are
  // read by read_call, anything but nothing.
  std::string_view value_field = {};
  // Where expressions have no reader: methods whose call is an expression that shows its value.
  std::string_view value_calls = {};
  std::string_view separator = {};
  // The names of arguments that replace that, and what is printed behind all.
  std::string_view separator_argument = {};
  std::string_view ending_argument = {};
  // Names of the language that no value bears where none is given by that name: "Math", "pi".
  std::string_view own_names = {};
  // How calls name a locale: by these, or by a call of one of these functions with its tag.
  std::span<const LocaleFact> locales = {};
  std::string_view locale_makers = {};
  // Statements that set the locale of those behind them.
  std::span<const LocaleStatementFact> locale_statements = {};
};

}  // namespace inky::inline v1
