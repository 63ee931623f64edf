#include "dialect/statement.hpp"

#include <algorithm>

#include "computed/objects.hpp"
#include "computed/writer.hpp"
#include "dialect/program_form.hpp"
#include "family/named_values.hpp"
#include "inky_margin/dialect/statement.hpp"

namespace inky::inline v1 {

namespace {

struct Names final : computed::Scope {
  // `form`: what the values are by; null: they are themselves.
  Names(std::span<const std::string> names, std::span<const Value> values,
        const ExpressionForm* form)
      : found(names, values), first(values.data()) {
    if (form == nullptr || form->given == nullptr) return;
    for (const Value& value : values) given.push_back(form->given(value));
  }
  const Value* find(std::string_view name) const override {
    const Value* value = found.find(name);
    return value == nullptr || given.empty() ? value
                                             : &given[static_cast<std::size_t>(value - first)];
  }
  NamedValues found;
  const Value* first;
  std::vector<Value> given;
};

Outcome moved(const Statement& statement, Outcome outcome) {
  const auto place = [&] { return statement.moved(outcome.span()); };
  switch (outcome.kind()) {
    case Outcome::Kind::prints:
      return outcome;
    case Outcome::Kind::complains: {
      std::vector<Complaint> complaints(outcome.complaints().begin(), outcome.complaints().end());
      for (Complaint& complaint : complaints) complaint.span = statement.moved(complaint.span);
      return Outcome::complains(std::move(complaints), outcome.status());
    }
    case Outcome::Kind::fails_compile:
      return Outcome::fails_at_compile(outcome.failure_name(), outcome.why(), place());
    case Outcome::Kind::fails_run:
      return Outcome::fails_at_run(outcome.failure_name(), outcome.why(), place());
    case Outcome::Kind::undefined:
      return Outcome::undefined(outcome.why(), place());
    case Outcome::Kind::error:
      break;
  }
  Error error = outcome.as_error();
  error.span = place();
  return Outcome::error(std::move(error));
}

// Which of the values given an argument is: the one that bears its name. -1: none of them.
int place_of(const Value* value, std::span<const Value> values) {
  const bool is_given = !values.empty() && value != nullptr && values.data() <= value &&
                        value < values.data() + values.size();
  return is_given ? static_cast<int>(value - values.data()) : unset;
}

std::string with_article(const std::string& kind) {
  const bool begins_open = std::string_view("AEIOU").find(kind[0]) != std::string_view::npos;
  return (begins_open ? "an " : "a ") + kind;
}

std::optional<computed::Trouble> evaluate_arguments(const Statement& statement,
                                                    const computed::Scope& scope,
                                                    std::vector<Value>& out) {
  const auto evaluator = statement.form->evaluator(scope);
  out.reserve(statement.arguments.size());
  // What the compiler refuses comes before what happens when the program runs.
  std::optional<computed::Trouble> later;
  for (std::size_t i = 0; i < statement.arguments.size(); ++i) {
    Value value;
    if (!evaluator->evaluate(statement.arguments[i], value)) {
      if (!evaluator->is_static() || evaluator->trouble()->when == computed::Trouble::When::compile)
        return evaluator->trouble();
      if (!later) later = evaluator->trouble();
    }
    value = evaluator->as_argument(std::move(value));
    if (const Value* object = computed::object_in(value)) {
      return computed::Trouble{
          computed::Trouble::When::not_supported_yet,
          {},
          with_article(computed::object_kind(*object)) + " as a value is not supported yet",
          statement.arguments[i].span};
    }
    if (!statement.argument_names[i].empty()) value.set_name(statement.argument_names[i]);
    out.push_back(std::move(value));
  }
  return later;
}

// What a dialect has without a setting.
std::string_view usual_locale(const DialectFacts& facts) {
  const SettingFact* fact = find_setting(facts, "locale");
  return fact == nullptr ? std::string_view() : fact->usual;
}

Outcome render_filled(const Statement& statement, std::span<const Value> values,
                      const RenderOptions& options, Output& out, Report* report) {
  Outcome outcome = moved(
      statement, statement.inner.dialect().render(statement.inner, values, options, out, report));
  if (report == nullptr) return outcome;
  for (Note& note : report->notes) note.span = statement.moved(note.span);
  return outcome;
}

}  // namespace

Span Statement::moved(Span span) const {
  const auto at = [&](std::size_t place, bool is_end) {
    for (const Segment& segment : segments) {
      const bool inside = is_end ? segment.inner.from < place && place <= segment.inner.to
                                 : segment.inner.from <= place && place < segment.inner.to;
      if (!inside) continue;
      if (!segment.verbatim) return is_end ? segment.outer.to : segment.outer.from;
      return segment.outer.from + (place - segment.inner.from);
    }
    if (segments.empty()) return std::size_t{0};
    return place == 0 ? segments.front().outer.from : segments.back().outer.to;
  };
  if (span.from >= span.to) {
    const std::size_t place = at(span.from, span.from > 0);
    return {place, place};
  }
  const std::size_t from = at(span.from, false);
  return {from, std::max(from, at(span.to, true))};
}

Result<EvaluatedCall> evaluate_call(const Template& parsed, std::span<const Value> values) {
  const Statement* statement = parsed.statement();
  if (statement == nullptr) return EvaluatedCall{parsed, {values.begin(), values.end()}};
  if (!statement->steps.empty())
    return Error{Code::not_supported_yet, "several statements are not supported yet here",
                 statement->steps.back().span, "Use one of the calls alone."};
  if (!statement->locale.empty())
    return Error{Code::not_supported_yet, "a call with a locale is not supported yet here",
                 statement->segments.front().outer, "Show the call alone."};
  if (statement->is_filled) return EvaluatedCall{statement->inner, {values.begin(), values.end()}};
  EvaluatedCall out{statement->inner, {}};
  const Result<std::vector<Value>> own = parsed.dialect().own_values(values);
  if (!own) return own.error();
  const Names scope(statement->names, *own, statement->form);
  if (const auto trouble = evaluate_arguments(*statement, scope, out.values)) {
    Outcome outcome = computed::outcome_of(*trouble);
    return Error{Code::not_supported_yet,
                 "an argument without a value (" + outcome.why() + ") is not supported yet here",
                 outcome.span(), "Show the call alone."};
  }
  return out;
}

Outcome render_statement(const Statement& statement, std::span<const Value> values,
                         const RenderOptions& asked, Output& out, Report* report,
                         computed::Shared* shared) {
  if (!statement.steps.empty()) return render_steps(statement, values, asked, out, report);
  RenderOptions options = asked;
  std::vector<Setting> settings;
  if (!statement.locale.empty()) {
    for (const Setting& setting : asked.settings) {
      if (setting.name != "locale") settings.push_back(setting);
    }
    settings.push_back({"locale", statement.locale});
    options.settings = settings;
  }
  if (statement.is_filled) return render_filled(statement, values, options, out, report);
  Names scope(statement.names, values, shared == nullptr ? statement.form : nullptr);
  computed::Shared own{0, asked.setting("locale")};
  scope.shared = shared == nullptr ? &own : shared;
  std::vector<Value> given;
  if (const auto trouble = evaluate_arguments(statement, scope, given)) {
    // A compiler sees a template that its arguments do not fit, before anything runs.
    const bool runs = trouble->when == computed::Trouble::When::run;
    if (runs && given.size() == statement.arguments.size()) {
      TextBuffer unused;
      Outcome compiled = moved(statement, statement.inner.dialect().render(
                                              statement.inner, given, options, unused, nullptr));
      if (compiled.kind() == Outcome::Kind::fails_compile) return compiled;
    }
    return computed::outcome_of(*trouble);
  }
  Outcome outcome = moved(
      statement, statement.inner.dialect().render(statement.inner, given, options, out, report));
  if (report == nullptr) return outcome;
  for (Note& note : report->notes) note.span = statement.moved(note.span);
  for (PlacedField& placed : report->fields) {
    const Field& field = statement.inner.fields()[static_cast<std::size_t>(placed.field)];
    const int shown = placed.value == unset ? field.value_index : placed.value;
    placed.value = unset;
    if (shown == unset || static_cast<std::size_t>(shown) >= given.size()) continue;
    const computed::Node& argument = statement.arguments[static_cast<std::size_t>(shown)];
    if (argument.kind == computed::Node::Kind::name)
      placed.value = place_of(scope.found.find(argument.text), values);
    if (placed.value == unset) placed.computed = given[static_cast<std::size_t>(shown)];
  }
  return outcome;
}

namespace {

// What is said of a source from one place on, in order and without gaps.
class Explanation {
 public:
  void add(std::size_t to, std::string_view role, std::string meaning, int field = unset) {
    if (to > at_) out_.push_back({{at_, to}, role, std::move(meaning), field});
    at_ = std::max(at_, to);
  }

  // The words of a call. `first_field`: how many fields are before its own.
  void add_call(const Statement& call, int first_field) {
    add(call.segments.front().outer.from, "call",
        call.call.empty() ? "before the template" : "calls " + call.call);
    for (const Words& words : call.inner.dialect().explain(call.inner)) {
      const Span span = call.moved(words.span);
      if (span.to <= at_ && span.from != span.to) continue;
      out_.push_back({span, words.role, words.meaning,
                      words.field == unset ? unset : words.field + first_field});
      at_ = std::max(at_, span.to);
    }
    add(call.segments.back().outer.to, "end", "the end of the template");
    int number = 0;
    for (const computed::Node& argument : call.arguments) {
      ++number;
      if (argument.span.from < at_) continue;
      at_ = argument.span.from;
      add(argument.span.to, "value", "value " + std::to_string(number));
    }
  }

  void add_steps(std::span<const StatementStep> steps) {
    using Kind = StatementStep::Kind;
    for (const StatementStep& step : steps) {
      if (step.kind == Kind::call) {
        add_call(*step.call, step.first_field);
        continue;
      }
      add(step.span.to, role_of(step.kind), meaning_of(step));
      if (step.kind == Kind::choice) {
        for (const StatementStep& one : step.body) add_steps(one.body);
        continue;
      }
      add_steps(step.body);
      add_steps(step.other);
    }
  }

  std::vector<Words> out() { return std::move(out_); }

 private:
  static const char* role_of(StatementStep::Kind kind) {
    using Kind = StatementStep::Kind;
    if (kind == Kind::value || kind == Kind::change) return "value";
    if (kind == Kind::locale) return "setting";
    return kind == Kind::leave || kind == Kind::next ? "end" : "call";
  }

  static std::string meaning_of(const StatementStep& step) {
    using Kind = StatementStep::Kind;
    switch (step.kind) {
      case Kind::call:
        return "a call";
      case Kind::value:
        return "the value of " + step.name;
      case Kind::change:
        return "a change of " + step.name;
      case Kind::loop:
        return "a loop";
      case Kind::each: {
        std::string out = "a loop: each item is ";
        for (std::size_t i = 0; i < step.names.size(); ++i)
          out += (i > 0 ? ", " : "") + step.names[i];
        return out;
      }
      case Kind::branch:
        return "a condition";
      case Kind::choice:
        return "a choice of cases";
      case Kind::leave:
        return "out of the innermost loop or choice";
      case Kind::next:
        return "on to the next round";
      case Kind::locale:
        return "the locale of what follows";
    }
    return "a statement";
  }

  std::vector<Words> out_;
  std::size_t at_ = 0;
};

}  // namespace

std::vector<Words> explain_statement(const Statement& statement, std::size_t size) {
  Explanation out;
  if (statement.steps.empty()) out.add_call(statement, 0);
  out.add_steps(statement.steps);
  out.add(size, "end", "the end");
  return out.out();
}

Result<WrittenCall> write_statement_call(const Statement& statement,
                                         std::span<const std::string> declared) {
  if (!statement.steps.empty())
    return Error{Code::not_supported_yet, "several statements in a program are not supported yet",
                 statement.steps.front().span, "Use one of the calls alone."};
  const Dialect& dialect = statement.inner.dialect();
  const ProgramForm& form = program_form_of(dialect.facts());
  if (statement.is_filled) return dialect.write_call(statement.inner, declared);
  if (!statement.locale.empty() && statement.locale != usual_locale(dialect.facts()))
    return Error{Code::not_supported_yet,
                 "a call with this locale in a program is not supported yet",
                 statement.segments.front().outer, "Leave the locale out."};
  if (statement.is_whole) {
    WrittenCall whole;
    if (computed::write(statement.arguments[0], {*statement.form->grammar, form, declared}, whole))
      return whole;
    return Error{Code::not_supported_yet, "this call in a program is not supported yet",
                 statement.arguments[0].span, "Give the values in it names."};
  }
  std::vector<WrittenCall> written;
  std::vector<std::string> names;
  for (std::size_t i = 0; i < statement.arguments.size(); ++i) {
    WrittenCall argument;
    const computed::Node& node = statement.arguments[i];
    const std::string& name = statement.argument_names[i];
    // A name in the template itself is the value that bears it.
    const bool by_name =
        !name.empty() && (node.kind != computed::Node::Kind::name || node.text != name);
    if (by_name || !computed::write(node, {*statement.form->grammar, form, declared}, argument))
      return Error{Code::not_supported_yet, "this argument in a program is not supported yet",
                   statement.arguments[i].span, "Give its value a name."};
    // A word that is no name does not look like one then.
    const bool is_word = statement.arguments[i].kind == computed::Node::Kind::constant &&
                         !statement.form->grammar->prefix_of_names.empty();
    const bool is_open = statement.form->grammar->applies &&
                         statement.arguments[i].kind != computed::Node::Kind::name;
    names.push_back(is_word || is_open ? "(" + argument.source + ")" : argument.source);
    written.push_back(std::move(argument));
  }
  Result<WrittenCall> out = dialect.write_call(statement.inner, names);
  if (!out) {
    out.error().span = statement.moved(out.error().span);
    return out;
  }
  // The literals of the arguments are literals of the call, too.
  std::size_t at = out->literals.empty() ? 0 : out->literals.back().to;
  for (const WrittenCall& argument : written) {
    if (argument.literals.empty()) continue;
    const std::size_t found = out->source.find(argument.source, at);
    if (found == std::string::npos)
      return Error{Code::not_supported_yet,
                   "an argument with a text in a program is not supported yet",
                   {},
                   "Give its value a name."};
    for (const Span& literal : argument.literals)
      out->literals.push_back({found + literal.from, found + literal.to});
    at = found + argument.source.size();
  }
  return out;
}

}  // namespace inky::inline v1
