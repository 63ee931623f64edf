// Several statements, rendered one after the other.

#include <algorithm>

#include "computed/objects.hpp"
#include "dialect/statement.hpp"
#include "dialect/statement_arrays.hpp"
#include "dialect/statement_lines.hpp"
#include "dialect/statement_names.hpp"
#include "family/named_values.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"

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

  // `type`: what later values of the name are converted to.
  void add(const std::string& name, Value value, int place, const std::string& type = {}) {
    value.set_name(name);
    const auto known = std::find_if(values_.begin(), values_.end(),
                                    [&](const Value& one) { return one.name() == name; });
    if (known == values_.end()) {
      values_.push_back(std::move(value));
      places_.push_back(place);
      types_.push_back(type);
      return;
    }
    const auto at = static_cast<std::size_t>(known - values_.begin());
    places_[at] = place;
    types_[at] = type;
    *known = std::move(value);
  }

  const Value* find(std::string_view name) const {
    for (const Value& value : values_) {
      if (value.name() == name) return &value;
    }
    return nullptr;
  }
  std::string type_of(std::string_view name) const {
    const Value* value = find(name);
    return value == nullptr ? std::string()
                            : types_[static_cast<std::size_t>(value - values_.data())];
  }

  const std::vector<Value>& values() const { return values_; }
  // Which of the caller's values one of these is; unset: it was computed.
  int place_of(int index) const { return places_[static_cast<std::size_t>(index)]; }

 private:
  int place_in_given(const Value* value) const { return static_cast<int>(value - given_.data()); }

  std::span<const Value> given_;
  std::vector<Value> values_;
  std::vector<int> places_;
  std::vector<std::string> types_;
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

class Run {
 public:
  Run(const Statement& statement, std::span<const Value> values, const RenderOptions& options,
      Output& out, Report* report)
      : statement_(statement),
        form_(*statement.form),
        names_(statement, values),
        asked_(options),
        options_(options),
        out_(out),
        report_(report),
        start_(out.needed()),
        shared_{0, options.setting("locale")} {}

  Outcome run() {
    if (auto failure = run(statement_.steps)) {
      out_.cut_back(start_);
      return std::move(*failure);
    }
    return {};
  }

 private:
  using Kind = StatementStep::Kind;
  using Failure = std::optional<Outcome>;

  const Dialect& dialect() const { return statement_.inner.dialect(); }

  Failure run(std::span<const StatementStep> steps) {
    for (const StatementStep& step : steps) {
      if (++taken_ > most_steps)
        return Outcome::error(
            {Code::over_limit,
             "more than " + std::to_string(most_steps) + " steps of statements are over the limit",
             step.span, "Let the loop end sooner."});
      Failure failure = step.kind == Kind::call                               ? call(step)
                        : step.kind == Kind::value                            ? assign(step)
                        : step.kind == Kind::change                           ? change(step)
                        : step.kind == Kind::each                             ? each(step)
                        : step.kind == Kind::choice                           ? choose(step)
                        : step.kind == Kind::locale                           ? set_locale(step)
                        : step.kind == Kind::leave || step.kind == Kind::next ? jump(step)
                                                                              : decide(step);
      if (failure || jump_) return failure;
    }
    return std::nullopt;
  }

  Failure compute(const StatementStep& step, const std::string& expression, Value& out) {
    auto failure = compute_declared(dialect(), expression, names_.values(), out, &shared_);
    return failure ? std::optional(at_place(*failure, step.span)) : std::nullopt;
  }

  Failure not_yet(const StatementStep& step, const char* what) {
    return Outcome::error({Code::not_supported_yet, std::string(what) + " not supported yet",
                           step.span, "Give the name another type."});
  }

  Failure assign(const StatementStep& step) {
    Value value;
    if (step.in_place) {
      auto failure = compute_change(dialect(), step.expression, names_.values(), value, &shared_);
      if (failure) return at_place(*failure, step.span);
      names_.add(step.name, std::move(value), unset, names_.type_of(step.name));
      return std::nullopt;
    }
    const std::string type = step.changes ? names_.type_of(step.name) : step.type;
    shared_.has_type = !type.empty();
    auto failure = compute(step, step.expression, value);
    shared_.has_type = false;
    if (failure) return failure;
    if (step.combines && is_compound(value.type()) && statement_.lists_may_be_shared)
      return not_yet(step, "a change of a value that other names may stand for is");
    if (value.is_function() && step.changes && loops_ > 0)
      return not_yet(step, "a function that a loop gives a name is");
    const Value* before = step.changes ? names_.find(step.name) : nullptr;
    if (!type.empty()) {
      if (auto unlike = convert(step, type, step.expression, value)) return unlike;
    } else if (before != nullptr && form_.declares_types && before->type() != value.type()) {
      return not_yet(step, "a value of another type than that of the name is");
    }
    names_.add(step.name, std::move(value), unset, type);
    return std::nullopt;
  }

  // What the compiler calls a value that the type of its name does not take.
  std::string_view refusal_of(const Value& value, Type to, std::string_view expression) const {
    const std::size_t from = expression.find_first_not_of("( ");
    const bool is_literal =
        from != std::string_view::npos && is_digit(expression[from]) &&
        expression.find_first_not_of("0123456789._) ", from) == std::string_view::npos;
    const bool keeps_places = is_real(to) || to == Type::decimal;
    return is_real(value.type()) && keeps_places && is_literal && !form_.literal_fault.empty()
               ? form_.literal_fault
               : form_.assignment_fault;
  }

  // To the type of the name, or of the items of a list.
  Failure convert(const StatementStep& step, const std::string& type, const std::string& expression,
                  Value& value) {
    const Value plain = value;
    if (auto failure = compute(step, cast_to(form_, type, expression), value)) return failure;
    const bool judges = form_.assigns != nullptr && plain.type() != value.type() && !step.steps &&
                        !(step.combines && form_.combined_converts);
    Value given = plain;
    bool is_constant = step.is_constant;
    if (judges && step.combines && form_.combined_takes) {
      // b += 10 is b = (byte)(b + 10), where b may be 10.
      if (auto failure = compute(step, step.operand, given)) return failure;
      is_constant = value_names_in(form_, step.operand).empty();
    }
    const Assigned fate =
        judges ? form_.assigns(given, value.type(), is_constant) : Assigned::converts;
    if (fate == Assigned::unknown) return not_yet(step, "a value of this type here is");
    if (fate == Assigned::refuses)
      return Outcome::fails_at_compile(std::string(refusal_of(plain, value.type(), expression)),
                                       "a value of type " + std::string(name_of(plain.type())) +
                                           " is given to " + step.name + ", which is of type " +
                                           type,
                                       step.span);
    return std::nullopt;
  }

  // items[1] += 2 and items.add(3)
  Failure change(const StatementStep& step) {
    const ListChange& change = step.change;
    const Value* list = names_.find(step.name);
    std::vector<Value> places;
    std::string item = step.name;
    for (const std::string& place : change.places) {
      places.emplace_back();
      if (auto failure = compute(step, place, places.back())) return failure;
      item += "[" + place + "]";
    }
    const Value* before = list == nullptr ? nullptr : item_at(*list, places);
    if (before == nullptr) return not_yet(step, "an item that is not there is");
    Value value;
    if (!change.value.empty()) {
      std::string expression = change.value;
      if (!change.operation.empty()) {
        expression = item;
        ((expression += " ") += change.operation) += " (" + change.value + ")";
      }
      StatementStep as_value = step;
      as_value.combines = !change.operation.empty();
      as_value.operand = change.value;
      if (auto failure = compute(step, expression, value)) return failure;
      if (!step.type.empty()) {
        if (auto failure = convert(as_value, step.type, expression, value)) return failure;
      }
      const bool is_item = change.kind == ListChange::Kind::item;
      const Value* other = is_item                   ? before
                           : list->as_list().empty() ? nullptr
                                                     : &list->as_list()[0];
      if (other != nullptr && other->type() != value.type())
        return not_yet(step, "an item of another type than the others is");
    }
    Value changed = *list;
    if (!apply_change(change.kind, places, value, changed))
      return not_yet(step, "such a change of this list is");
    shared_.made += changed.as_list().size();
    if (shared_.made > most_output)
      return Outcome::error(
          {Code::over_limit,
           "the values of the statements take more than " + std::to_string(most_output) + " bytes",
           step.span, "Let the loop end sooner."});
    names_.add(step.name, std::move(changed), unset, {});
    return std::nullopt;
  }

  // switch: the first case that is equal, and those behind it as long as they fall through.
  Failure choose(const StatementStep& step) {
    Value subject;
    if (auto failure = compute(step, step.expression, subject)) return failure;
    std::size_t chosen = step.body.size();
    for (std::size_t i = 0; i < step.body.size() && chosen == step.body.size(); ++i) {
      for (const std::string& value : step.body[i].values) {
        bool is_equal = false;
        if (auto failure = equals(step, subject, value, is_equal)) return failure;
        if (is_equal) chosen = i;
        if (is_equal) break;
      }
    }
    for (std::size_t i = 0; i < step.body.size() && chosen == step.body.size(); ++i) {
      if (step.body[i].values.empty()) chosen = i;
    }
    for (std::size_t i = chosen; i < step.body.size(); ++i) {
      if (auto failure = run(step.body[i].body)) return failure;
      if (jump_ || !step.body[i].falls_through) break;
    }
    if (jump_ == Kind::leave) jump_.reset();
    return std::nullopt;
  }
  Failure equals(const StatementStep& step, const Value& subject, const std::string& value,
                 bool& out) {
    if (subject.is(Type::text)) {
      Value other;
      if (auto failure = compute(step, value, other)) return failure;
      if (!other.is(Type::text)) return not_yet(step, "a text compared with this is");
      out = subject.as_text() == other.as_text();
      return std::nullopt;
    }
    std::string test =
        "(" + step.expression + ") " + std::string(form_.case_sign) + " (" + value + ")";
    // A range of numbers, 3..=5.
    if (const std::size_t sign =
            form_.range_sign.empty() ? std::string::npos : value.find(form_.range_sign);
        sign != std::string::npos) {
      const std::size_t behind = sign + form_.range_sign.size();
      if (value.substr(behind, 1) != "=") return not_yet(step, "such a pattern is");
      test = "(" + step.expression + ") >= " + value.substr(0, sign) + " && (" + step.expression +
             ") <= " + value.substr(behind + 1);
    }
    auto failure = compute_truth(dialect(), test, names_.values(), out, &shared_);
    return failure ? std::optional(at_place(*failure, step.span)) : std::nullopt;
  }

  Failure set_locale(const StatementStep& step) {
    Value value;
    if (auto failure = compute(step, step.expression, value)) return failure;
    if (computed::is_object(value)) value = Value(computed::object_part(value, 0));
    if (!value.is(Type::text)) return not_yet(step, "a locale such as this is");
    if (value.as_text().empty())
      return Outcome::error({Code::not_supported_yet,
                             "the locale of the machine where the program runs is not known here",
                             step.span, "Name the locale."});
    const Dialect* facility = step.name.empty() ? &dialect() : find_dialect(step.name);
    const SettingFact* fact = find_setting(facility->facts(), "locale");
    const auto known = fact == nullptr ? std::nullopt : find_value(*fact, value.as_text());
    if (!known)
      return Outcome::error({Code::not_supported_yet,
                             "the locale " + in_quotes(value.as_text()) + " is not supported yet",
                             step.span,
                             "Leave it out, or choose another; see inky dialects " +
                                 std::string(facility->facts().id) + "."});
    shared_.locale = *known;
    settings_.assign(asked_.settings.begin(), asked_.settings.end());
    std::erase_if(settings_, [](const Setting& one) { return one.name == "locale"; });
    settings_.push_back({"locale", *known});
    options_.settings = settings_;
    locale_of_ = step.name.empty() ? nullptr : facility;
    if (const std::size_t at = step.prints.find('@'); at != std::string_view::npos) {
      out_.append(step.prints.substr(0, at));
      out_.append(value.as_text());
      out_.append(step.prints.substr(at + 1));
    }
    return std::nullopt;
  }

  Failure jump(const StatementStep& step) {
    jump_ = step.kind;
    return std::nullopt;
  }

  // One round of a loop; `goes_on`: whether another one may follow.
  Failure round(const StatementStep& step, bool& goes_on) {
    ++loops_;
    auto failed = run(step.body);
    --loops_;
    if (failed) return failed;
    goes_on = jump_ != Kind::leave;
    jump_.reset();
    return goes_on ? run(step.after) : std::nullopt;
  }

  Failure each(const StatementStep& step) {
    bool goes_on = true;
    std::vector<Value> items;
    if (auto failure = compute_items(dialect(), step.expression, names_.values(), step.with_keys,
                                     items, &shared_))
      return at_place(*failure, step.span);
    for (Value& item : items) {
      if (step.names.size() == 1) {
        names_.add(step.names[0], std::move(item), unset, {});
      } else {
        const bool fits = (item.is(Type::list) || item.is(Type::tuple)) &&
                          item.as_list().size() == step.names.size();
        if (!fits) return not_yet(step, "a loop whose items have other parts than these is");
        for (std::size_t i = 0; i < step.names.size(); ++i)
          names_.add(step.names[i], item.as_list()[i], unset, {});
      }
      if (auto failure = round(step, goes_on)) return failure;
      if (!goes_on) break;
    }
    return std::nullopt;
  }

  Failure decide(const StatementStep& step) {
    for (bool is_first = step.runs_first;; is_first = false) {
      bool holds = true;
      if (!step.expression.empty() && !is_first) {
        if (auto failure = run(step.before)) return failure;
        auto failure = compute_truth(dialect(), step.expression, names_.values(), holds, &shared_);
        if (failure) return at_place(*failure, step.span);
        if (auto counted = run(step.behind)) return counted;
      }
      if (!holds) return step.kind == Kind::branch ? run(step.other) : std::nullopt;
      if (step.kind == Kind::branch) return run(step.body);
      bool goes_on = true;
      if (auto failure = round(step, goes_on)) return failure;
      if (!goes_on) return std::nullopt;
      // An empty body takes steps, too.
      if (++taken_ > most_steps) return run({&step, 1});
    }
  }

  Failure call(const StatementStep& step) {
    const std::size_t before = out_.needed() - start_;
    Report own;
    const bool has_usual_locale =
        locale_of_ != nullptr && locale_of_ != &step.call->inner.dialect();
    const std::string_view kept = shared_.locale;
    if (has_usual_locale) shared_.locale = asked_.setting("locale");
    Outcome outcome =
        render_statement(*step.call, names_.values(), has_usual_locale ? asked_ : options_, out_,
                         report_ == nullptr ? nullptr : &own, &shared_);
    shared_.locale = kept;
    if (!outcome.prints()) return outcome;
    if (out_.needed() - start_ > most_output)
      return Outcome::error(
          {Code::over_limit,
           "the text grows over the limit of " + std::to_string(most_output) + " bytes", step.span,
           "Let the loop end sooner."});
    if (report_ == nullptr) return std::nullopt;
    // What one call does not use may be another's. What a loop repeats is noted once.
    for (Note& note : own.notes) {
      const bool is_known =
          std::any_of(report_->notes.begin(), report_->notes.end(), [&](const Note& one) {
            return one.code == note.code && one.span == note.span && one.message == note.message;
          });
      if (note.code != Code::too_many_values && !is_known)
        report_->notes.push_back(std::move(note));
    }
    for (PlacedField& placed : own.fields) {
      placed.field += step.first_field;
      placed.output = {placed.output.from + before, placed.output.to + before};
      if (placed.value != unset) {
        const int place = names_.place_of(placed.value);
        if (place == unset)
          placed.computed = names_.values()[static_cast<std::size_t>(placed.value)];
        placed.value = place;
      }
      report_->fields.push_back(std::move(placed));
    }
    return std::nullopt;
  }

  const Statement& statement_;
  const ExpressionForm& form_;
  NamesSoFar names_;
  const RenderOptions& asked_;
  const Dialect* locale_of_ = nullptr;  // whose texts are in the locale; null: all
  RenderOptions options_;
  std::vector<Setting> settings_;  // of these, where a statement has changed any
  Output& out_;
  Report* report_;
  std::size_t start_;
  int taken_ = 0;
  std::optional<Kind> jump_;  // out of what is being run
  int loops_ = 0;             // around what is being run
  computed::Shared shared_;
};

}  // namespace

Outcome render_steps(const Statement& statement, std::span<const Value> values,
                     const RenderOptions& options, Output& out, Report* report) {
  return Run(statement, values, options, out, report).run();
}

}  // namespace inky::inline v1
