#include "compose/moments.hpp"

#include "compose/statement_form.hpp"
#include "dialect/composing_form.hpp"

namespace inky::inline v1 {

bool shows_moments(const Dialect& dialect) {
  const ComposingForm* composing = dialect.facts().forms.composing;
  return composing != nullptr && !composing->moment.empty();
}

Result<WrittenStatements> write_moment(const Dialect& dialect, const Spec& wish, const Value& value,
                                       std::string_view name) {
  if (!shows_moments(dialect))
    return language_cannot(dialect, "has no facility of its own for dates and times",
                           "Make the text first, and print that.");
  const ComposingForm* composing = dialect.facts().forms.composing;
  Notes notes;
  FieldWish field;
  field.spec = wish;
  const auto letters = composing->moment_letters(field, notes);
  if (!letters)
    return Error{Code::not_supported_yet, notes.front().message, {}, "Wish for less of it."};
  return with_text(dialect, with_filled(with_filled(composing->moment, 'V', name), 'M', *letters),
                   value, name);
}

}  // namespace inky::inline v1
