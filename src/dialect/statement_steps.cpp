// Several statements, rendered one after the other.

#include <algorithm>
#include <iterator>

#include "dialect/statement.hpp"
#include "family/named_values.hpp"
#include "inky_margin/dialect/statement.hpp"

namespace inky::inline v1 {

namespace {

// The values that have names so far. Those of the caller first.
class NamesSoFar {
 public:
  NamesSoFar(const Statement& statement, std::span<const Value> given) : given_(given) {
    const auto converted = [&](const Value& value) {
      const auto convert = statement.form->given;
      return convert == nullptr ? value : convert(value);
    };
    for (std::size_t i = 0; i < given.size(); ++i) {
      if (given[i].is_named())
        add(std::string(given[i].name()), converted(given[i]), static_cast<int>(i));
    }
    const NamedValues found(statement.names, given);
    for (const std::string& name : statement.names) {
      if (const Value* value = found.find(name))
        add(name, converted(*value), place_in_given(value));
    }
  }

  void add(const std::string& name, Value value, int place) {
    value.set_name(name);
    const auto known = std::find_if(values_.begin(), values_.end(),
                                    [&](const Value& one) { return one.name() == name; });
    if (known == values_.end()) {
      values_.push_back(std::move(value));
      places_.push_back(place);
      return;
    }
    places_[static_cast<std::size_t>(known - values_.begin())] = place;
    *known = std::move(value);
  }

  const std::vector<Value>& values() const { return values_; }
  // Which of the caller's values one of these is; unset: it was computed.
  int place_of(int index) const { return places_[static_cast<std::size_t>(index)]; }

 private:
  int place_in_given(const Value* value) const { return static_cast<int>(value - given_.data()); }

  std::span<const Value> given_;
  std::vector<Value> values_;
  std::vector<int> places_;
};

// The same in the place of the whole expression: a conversion may be around it.
Outcome at_place(const Outcome& outcome, Span span) {
  switch (outcome.kind()) {
    case Outcome::Kind::fails_compile:
      return Outcome::fails_at_compile(outcome.failure_name(), outcome.why(), span);
    case Outcome::Kind::fails_run:
      return Outcome::fails_at_run(outcome.failure_name(), outcome.why(), span);
    case Outcome::Kind::undefined:
      return Outcome::undefined(outcome.why(), span);
    default:
      break;
  }
  Error error = outcome.as_error();
  error.span = span;
  return Outcome::error(std::move(error));
}

}  // namespace

Outcome render_steps(const Statement& statement, std::span<const Value> values,
                     const RenderOptions& options, Output& out, Report* report) {
  NamesSoFar names(statement, values);
  const std::size_t start = out.needed();
  for (const StatementStep& step : statement.steps) {
    if (step.call == nullptr) {
      Value value;
      if (auto failure =
              compute_declared(statement.inner.dialect(), step.expression, names.values(), value)) {
        out.cut_back(start);
        return at_place(*failure, step.span);
      }
      names.add(step.name, std::move(value), unset);
      continue;
    }
    const std::size_t before = out.needed() - start;
    Report own;
    Outcome outcome = render_statement(*step.call, names.values(), options, out,
                                       report == nullptr ? nullptr : &own, false);
    if (!outcome.prints()) {
      out.cut_back(start);
      return outcome;
    }
    if (report == nullptr) continue;
    // What one call does not use may be another's.
    std::copy_if(own.notes.begin(), own.notes.end(), std::back_inserter(report->notes),
                 [](const Note& note) { return note.code != Code::too_many_values; });
    for (PlacedField& placed : own.fields) {
      placed.field += step.first_field;
      placed.output = {placed.output.from + before, placed.output.to + before};
      if (placed.value != unset) {
        const int place = names.place_of(placed.value);
        if (place == unset)
          placed.computed = names.values()[static_cast<std::size_t>(placed.value)];
        placed.value = place;
      }
      report->fields.push_back(std::move(placed));
    }
  }
  return {};
}

}  // namespace inky::inline v1
