#include "dialect/statement_content.hpp"

#include <algorithm>
#include <utility>

namespace inky::inline v1 {

StatementStep SequenceContent::add(const Template& read, Statement placed, Span span,
                                   std::optional<std::size_t> hidden,
                                   std::span<const std::string> declared) {
  const bool is_chain = hidden.has_value();
  const auto place_of = [&](std::size_t place) {
    return !is_chain ? place : span.from + (place > *hidden ? place - *hidden : 0);
  };
  const auto in_source = [&](Span place) { return Span{place_of(place.from), place_of(place.to)}; };
  StatementStep step;
  step.kind = StatementStep::Kind::call;
  step.span = span;
  step.first_field = static_cast<int>(content_.fields.size());
  for (const Piece& piece : read.pieces()) {
    const Span place = in_source(piece.source);
    if (piece.field == unset || place.from < covered_ || (is_chain && piece.source.to <= *hidden))
      continue;
    cover(place.from);
    content_.pieces.push_back({place, piece.field + step.first_field, {}});
    covered_ = place.to;
  }
  for (Field field : read.fields()) {
    field.span = in_source(field.span);
    // What is declared before it takes no value.
    if (std::find(declared.begin(), declared.end(), field.key_name()) != declared.end())
      field.key.clear();
    content_.fields.push_back(std::move(field));
  }
  for (Note note : read.notes()) {
    note.span = in_source(note.span);
    content_.notes.push_back(std::move(note));
  }
  if (read.refusal() && !content_.refusal) {
    content_.refusal = read.refusal();
    content_.refusal->span = in_source(content_.refusal->span);
  }
  step.call = std::make_shared<const Statement>(std::move(placed));
  if (first_call_ == nullptr) first_call_ = step.call;
  return step;
}

void SequenceContent::cover(std::size_t to) {
  if (to > covered_) content_.pieces.push_back({{covered_, to}, unset, {}});
  covered_ = std::max(covered_, to);
}

Template SequenceContent::finish(const ExpressionForm& form, std::vector<std::string> names,
                                 std::vector<StatementStep> steps, bool lists_may_be_shared) {
  cover(content_.source.size());
  Statement placed(first_call_->inner);
  placed.names = names;
  placed.form = &form;
  placed.steps = std::move(steps);
  placed.lists_may_be_shared = lists_may_be_shared;
  content_.values_taken = static_cast<int>(names.size());
  content_.value_names = std::move(names);
  const Dialect& dialect = placed.inner.dialect();
  content_.statement = std::make_shared<const Statement>(std::move(placed));
  return Template(dialect, std::move(content_));
}

}  // namespace inky::inline v1
