// How a language's expressions are read and evaluated, for what is pasted whole: a call with its
// arguments. A fact of a language.
#pragma once

#include <cstddef>
#include <memory>
#include <span>
#include <string_view>

#include "computed/evaluator.hpp"
#include "computed/reader.hpp"

namespace inky::inline v1 {

// A function that prints a text it is given, or what its template makes, and `after` behind it.
struct PrintFact {
  std::string_view name;
  std::string_view after;
};

struct ExpressionForm {
  const computed::Grammar* grammar = nullptr;
  // Reads out.source from a place on.
  std::unique_ptr<computed::Reader> (*reader)(TemplateContent& out, std::size_t at) = nullptr;
  std::unique_ptr<computed::Evaluator> (*evaluator)(const computed::Scope& scope) = nullptr;
  std::span<const PrintFact> prints = {};
  // How long the literal is that a text begins with, and whose slots the language fills in; 0 where
  // it begins with none. Null: the language has no such literals.
  std::size_t (*filled_literal)(std::string_view text) = nullptr;
  // For functions that print values without a template: the field that shows a value plainly, and
  // the text between two values. Empty: such functions are not supported yet.
  std::string_view plain_field = {};
  std::string_view plain_dialect = {};
  std::string_view separator = {};
  // The names of arguments that replace that, and what is printed behind all.
  std::string_view separator_argument = {};
  std::string_view ending_argument = {};
};

}  // namespace inky::inline v1
