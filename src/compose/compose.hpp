// A wish that no specifier of a language grants, composed: the nearest specifier makes a text, and
// small helpers in the language change it.
//
//   const Result<Composed> composed = compose(*find_dialect("c"), wish, Type::f64, "x");
//   composed->statements                // char x_text[1024]; snprintf(...); with_marks(...); ...
//   composed->helpers                   // the definitions of what is called in them
//
// What the helpers do is known, so the text is predicted: render(). compose() tries it over the
// awkward finite values of the type (trial_values) before it hands it out, and notes where the text
// is another than the wished one. The tests have every helper run by the real languages.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

struct Change;

struct Composed {
  std::string before;                // what a program begins with for the helpers
  std::vector<std::string> helpers;  // definitions, in an order that compiles
  std::string statements;            // print the text of the value, without a line end behind them
  Notes notes;                       // wish-not-expressible: a value whose text is another
  // before and helpers, as they are shown.
  std::string definitions() const;
  // The text of a value of the type it was composed for. Fails as the language does where that
  // cannot print the value.
  Outcome render(const Value& value, Output& out) const;

  // The first awkward value of which a template of one value prints another text, as a note.
  // Digits in a base are usually wished of numbers above 0: a language may print the bits of
  // others. Asks of those, or of the others.
  std::optional<Note> difference_from(const Template& parsed, bool usual) const;
  // The text that a template of it alone makes.
  static Outcome render_template(const Template& read, const Value& value, Output& out);

  Type type = Type::f64;
  bool is_in_base = false;
  WidthUnit unit = WidthUnit::bytes;                   // that the helpers count in
  std::shared_ptr<const Template> core;                // what makes the text; null: a helper does
  std::vector<std::shared_ptr<const Template>> finer;  // the same with one more place, and with two
  std::shared_ptr<const std::vector<Change>> changes;
};

// Errors: not_supported_yet where the language cannot, or no helper of ours does; it states why.
Result<Composed> compose(const Dialect& dialect, const Spec& wish, Type type,
                         std::string_view name);

}  // namespace inky::inline v1
