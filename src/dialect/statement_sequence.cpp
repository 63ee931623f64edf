// Reads several statements as one template.

#include <algorithm>
#include <string>
#include <utility>

#include "dialect/lexis.hpp"
#include "dialect/shared_values.hpp"
#include "dialect/statement.hpp"
#include "dialect/statement_arrays.hpp"
#include "dialect/statement_blocks.hpp"
#include "dialect/statement_chains.hpp"
#include "dialect/statement_content.hpp"
#include "dialect/statement_counts.hpp"
#include "dialect/statement_lines.hpp"
#include "dialect/statement_locales.hpp"
#include "dialect/statement_named_lists.hpp"
#include "dialect/statement_names.hpp"
#include "dialect/statement_open_names.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

// Several statements: the calls print, and the declarations before them name values.
class SequenceReader {
 public:
  SequenceReader(const LanguageFacts& language, std::string_view source)
      : language_(language),
        changed_(source),
        source_(changed_),
        shared_(*language.expressions),
        open_names_(language),
        lists_(language),
        content_(source) {}

  Result<Template> read(std::span<const Span> statements) {
    if (auto error = read_into(steps_, statements, false)) return std::move(*error);
    return finish();
  }

 private:
  using Steps = std::vector<StatementStep>;

  // `is_inside`: of a loop or a condition.
  std::optional<Error> read_into(Steps& into, std::span<const Span> statements, bool is_inside) {
    for (std::size_t i = 0; i < statements.size(); ++i) {
      Span span = statements[i];
      if (++count_ > most_statements)
        return Error{
            Code::over_limit,
            "more than " + std::to_string(most_statements) + " statements are over the limit", span,
            "Paste fewer of them."};
      lists_.put_sizes_into(changed_, span.from, span.to);
      if (const auto control = control_of(language_, source_, span)) {
        // What follows in the same statement would be lost.
        const auto end = behind_control(language_, source_.substr(0, span.to), span.from);
        const std::string_view rest = end ? trimmed(source_.substr(*end, span.to - *end)) : "";
        if (!rest.empty() && rest != ";") return not_understood(span);
        if (auto error = add_control(into, *control, span)) return error;
        continue;
      }
      const auto counts = counts_beside(language_, text_of(span));
      if (counts) {
        changed_.replace(span.from, span.to - span.from, counts->text);
        if (!add_counts(into, *counts, true, span)) return not_understood(span);
      }
      if (const Dialect* chain = chain_dialect(language_, text_of(span))) {
        // What a chain sets stays for the next one: they are one.
        while (!counts && i + 1 < statements.size() &&
               chain_dialect(language_, text_of(statements[i + 1])) &&
               !counts_beside(language_, text_of(statements[i + 1])))
          span.to = statements[++i].to;
        if (auto error = add_chain(into, *chain, span)) return error;
      } else if (auto error = read_one(into, span, !is_inside && i + 1 == statements.size())) {
        return error;
      }
      if (counts && !add_counts(into, *counts, false, span)) return not_understood(span);
    }
    return std::nullopt;
  }

  bool add_counts(Steps& into, const Counts& counts, bool come_first, Span span) {
    for (const Counts::One& one : counts.all) {
      if (one.comes_first != come_first) continue;
      const auto declared = declaration_of(language_, one.statement);
      if (!declared || changes_constant(*declared)) return false;
      declare(into, *declared, span.from);
      into.back().span = span;
    }
    return true;
  }

  std::optional<Error> read_one(Steps& into, Span span, bool is_last) {
    const std::string_view statement = text_of(span);
    if (statement == "pass") return std::nullopt;
    const bool leaves = statement == "break";
    if (leaves || statement == "continue" || statement == "next") {
      if (loops_ + (leaves ? choices_ : 0) == 0) return not_understood(span);
      StatementStep& step = into.emplace_back();
      step.kind = leaves ? StatementStep::Kind::leave : StatementStep::Kind::next;
      step.span = span;
      return std::nullopt;
    }
    if (lists_.add_open(statement) || open_names_.add(statement)) return std::nullopt;
    if (const std::string rest = open_names_.behind(statement); !rest.empty()) {
      auto declared = declaration_of(language_, rest);
      if (!declared) return not_understood(span);
      declared->span = {0, statement.size()};
      declare_all(into, std::move(*declared), span.from);
      return std::nullopt;
    }
    if (auto step = locale_step_of(*language_.expressions, statement)) {
      step->span = span;
      add_names_of(step->expression);
      into.push_back(std::move(*step));
      return std::nullopt;
    }
    if (auto array = array_of(language_, statement)) return add_array(into, *array, span);
    if (auto changed = list_change_of(*language_.expressions, statement);
        changed && lists_.find(changed->name) != nullptr)
      return add_change(into, std::move(*changed), span);
    if (const auto own = own_declarations(*language_.expressions, statement); !own.empty()) {
      for (const Declaration& declared : own) {
        if (hides(declared) || changes_constant(declared) || lists_.is_unsure(declared))
          return not_understood(span);
        declare(into, declared, span.from);
        if (declared.comes_first) std::rotate(into.begin(), into.end() - 1, into.end());
      }
      return std::nullopt;
    }
    const auto declared = is_last ? std::nullopt : declaration_of(language_, statement);
    if (!declared) return add_call(into, span);
    if (hides(*declared) || changes_constant(*declared) || lists_.is_unsure(*declared))
      return not_understood(span);
    lists_.copy(declared->expression, declared->name);
    declare_all(into, *declared, span.from);
    return std::nullopt;
  }

  std::optional<Error> add_array(Steps& into, const ArrayDeclaration& array, Span span) {
    if (hides(array.declared)) return not_understood(span);
    lists_.add(array);
    declare(into, array.declared, span.from);
    return std::nullopt;
  }

  std::optional<Error> add_change(Steps& into, NamedChange changed, Span span) {
    const auto loop = std::find(looped_.begin(), looped_.end(), changed.name);
    if (!lists_.may_change(changed, loop != looped_.end())) return not_understood(span);
    StatementStep step;
    step.kind = StatementStep::Kind::change;
    step.name = changed.name;
    step.type = lists_.find(changed.name)->item_type;
    step.is_constant = value_names_in(*language_.expressions, changed.change.value).empty();
    std::vector<std::string> used = changed.change.places;
    used.push_back(changed.change.value);
    for (const std::string& expression : used) {
      if (!expression.empty() && lists_.is_list(expression)) return not_understood(span);
      if (!expression.empty()) add_names_of(expression);
    }
    step.change = std::move(changed.change);
    step.span = span;
    into.push_back(std::move(step));
    return std::nullopt;
  }

  std::optional<Error> add_control(Steps& into, const Control& control, Span span) {
    using Kind = StatementStep::Kind;
    if (++depth_ > most_blocks)
      return Error{Code::over_limit,
                   "loops and conditions nested deeper than " + std::to_string(most_blocks) +
                       " are over the limit",
                   span, "Take the inner one out."};
    if (depth_ == 1) has_chain_in_loop_ = false;
    const std::string settings_before = settings_;
    const std::size_t known = in_scope_.size();
    const std::size_t outer_block = std::exchange(block_, known);
    if (!control.before.empty()) {
      const auto declared = declaration_of(language_, control.before);
      if (!declared)
        return Error{Code::not_supported_yet, "a loop that begins like this is not supported yet",
                     control.header, "Write it as a while loop."};
      if (hides(*declared)) return not_understood(control.header);
      declare_all(into, *declared, control.header.from);
      into.back().span = control.header;
    }
    StatementStep step;
    step.kind = control.kind == Control::Kind::loop     ? Kind::loop
                : control.kind == Control::Kind::each   ? Kind::each
                : control.kind == Control::Kind::choice ? Kind::choice
                                                        : Kind::branch;
    step.span = control.header;
    step.names = control.names;
    step.with_keys = control.with_keys;
    step.runs_first = control.runs_first;
    step.expression = control.kind == Control::Kind::each ? control.items : control.condition;
    if (const std::string_view keys = language_.expressions->keys;
        control.of_keys && !keys.empty()) {
      step.expression = keys;
      step.expression.replace(keys.find("{}"), 2, control.items);
    }
    if (const auto counts = step.kind == Kind::each || step.kind == Kind::choice
                                ? std::nullopt
                                : counts_in(language_, step.expression)) {
      step.expression = counts->text;
      if (!add_counts(step.before, *counts, true, step.span) ||
          !add_counts(step.behind, *counts, false, step.span))
        return not_understood(control.header);
    }
    add_names_of(step.expression);
    shared_.add_shown(step.expression, step.span, loops_ > 0 || step.kind == Kind::loop);
    if (step.kind == Kind::each) shared_.begin_loop(step.names, step.expression);
    for (const std::string& name : step.names) {
      if (has_block_scope() && is_in_scope(name, block_)) return not_understood(control.header);
      declared_.push_back(name);
      in_scope_.push_back(name);
    }
    const auto read_block = [&](Span block, Steps& out) -> std::optional<Error> {
      // elif
      const auto next =
          text_of(block).starts_with("elif") ? control_of(language_, source_, block) : std::nullopt;
      if (next) return add_control(out, *next, block);
      const std::string_view until = std::string_view(source_).substr(0, block.to);
      return read_into(out, statements_of(language_, until, block.from), true);
    };
    block_ = in_scope_.size();
    const bool is_choice = step.kind == Kind::choice;
    const int branches = step.kind == Kind::branch || is_choice ? 1 : 0;
    branch_depth_ += branches;
    loops_ += 1 - branches;
    choices_ += is_choice ? 1 : 0;
    looped_.push_back(step.kind == Kind::each ? control.items : std::string());
    for (const Control::Case& one : control.cases) {
      StatementStep chosen;
      chosen.values = one.values;
      chosen.falls_through = one.falls_through;
      chosen.span = control.header;
      for (const std::string& value : one.values) add_names_of(value);
      if (auto error = read_block(one.body, chosen.body)) return error;
      step.body.push_back(std::move(chosen));
    }
    if (!is_choice) {
      if (auto error = read_block(control.body, step.body)) return error;
    }
    if (control.other) {
      if (auto error = read_block(*control.other, step.other)) return error;
    }
    if (!control.after.empty()) {
      // i++, n -= 2
      std::string_view rest = control.after;
      while (!rest.empty()) {
        const std::size_t comma = std::min(comma_in(rest), rest.size());
        const auto changed = declaration_of(language_, trimmed(rest.substr(0, comma)));
        if (!changed)
          return Error{Code::not_supported_yet,
                       "a loop that goes on like this is not supported yet", control.header,
                       "Write it as a while loop."};
        declare(step.after, *changed, control.header.from);
        step.after.back().span = control.header;
        rest.remove_prefix(std::min(comma + 1, rest.size()));
      }
    }
    if (control.by_reference && changes_any(step.body, step.names))
      return not_understood(control.header);
    if (step.kind == Kind::each) shared_.end_loop();
    looped_.pop_back();
    choices_ -= is_choice ? 1 : 0;
    into.push_back(std::move(step));
    // A loop may have no round: what it sets may not be set behind it.
    settings_are_unsure_ = settings_are_unsure_ || settings_ != settings_before;
    if (has_block_scope()) in_scope_.resize(known);
    block_ = outer_block;
    branch_depth_ -= branches;
    loops_ -= 1 - branches;
    --depth_;
    return std::nullopt;
  }

  std::optional<Error> not_understood(Span span) const {
    return Error{Code::not_supported_yet, "a statement such as this is not supported yet", span,
                 "Paste the template alone, and give its values."};
  }

  // int a = 1, b = 2: each has what is before the first.
  void declare_all(Steps& into, Declaration declared, std::size_t at) {
    while (!declared.before.empty()) {
      const std::size_t comma = comma_in(declared.expression);
      if (comma == std::string::npos) break;
      auto next =
          declaration_of(language_, declared.before + " " + declared.expression.substr(comma + 1));
      if (!next) break;
      declared.expression.resize(comma);
      next->span = declared.span;
      declare(into, declared, at);
      declared = std::move(*next);
    }
    declare(into, declared, at);
  }

  void declare(Steps& into, const Declaration& declared, std::size_t at) {
    StatementStep step;
    step.is_constant = add_names_of(declared.expression) == 0;
    step.name = declared.name;
    step.expression = declared.expression;
    step.type = declared.type;
    step.changes = declared.changes;
    step.combines = declared.combines;
    step.operand = declared.operand;
    step.in_place = declared.in_place;
    step.steps = declared.steps;
    // int i; before: this is its first value.
    const std::string* open = open_names_.type_of(step.name);
    if (open != nullptr && step.changes && !step.combines) {
      step.type = *open;
      step.changes = false;
    }
    step.span = {declared.span.from + at, declared.span.to + at};
    shared_.add(declared, step.span, loops_ > 0);
    declared_.push_back(declared.name);
    in_scope_.push_back(declared.name);
    if (!declared.changes) note_constant(declared);
    into.push_back(std::move(step));
  }

  // const x = 1: another declaration of the name may be no constant.
  void note_constant(const Declaration& declared) {
    std::erase(constants_, declared.name);
    if (is_constant_name(*language_.expressions, declared.before))
      constants_.push_back(declared.name);
  }

  // Whether a name that a block declares ends with it.
  bool has_block_scope() const {
    const ExpressionForm& form = *language_.expressions;
    return form.declares_types || !form.keys.empty();
  }
  bool is_in_scope(std::string_view name, std::size_t before) const {
    return std::find(in_scope_.begin(), in_scope_.begin() + static_cast<std::ptrdiff_t>(before),
                     name) != in_scope_.begin() + static_cast<std::ptrdiff_t>(before);
  }
  // Whether a declaration in a block hides a name from outside, which has its value again behind it.
  bool hides(const Declaration& declared) const {
    return depth_ > 0 && !declared.changes && has_block_scope() &&
           is_in_scope(declared.name, block_);
  }

  // What the language refuses, or throws at.
  bool changes_constant(const Declaration& declared) const {
    return declared.changes && !declared.in_place &&
           std::find(constants_.begin(), constants_.end(), declared.name) != constants_.end();
  }

  std::string_view text_of(Span span) const {
    return source_.substr(span.from, span.to - span.from);
  }

  std::optional<Error> add_call(Steps& into, Span span) {
    Result<Template> read = read_statement(language_, source_.substr(0, span.to), span.from);
    const std::string_view statement = text_of(span);
    const auto end = std::find_if_not(statement.begin(), statement.end(), is_word_part);
    const std::string_view word =
        statement.substr(0, static_cast<std::size_t>(end - statement.begin()));
    // A statement of another kind is no fault.
    const bool is_other =
        !begins_statement(language_, statement) &&
        !begins_statement(language_, statement.substr(behind_assignment(statement)));
    if (!read && ((!word.empty() && has_word(language_.reserved, word)) || is_other))
      return not_understood(span);
    if (!read) return read.error();
    for (const computed::Node& argument : read->statement()->arguments) {
      if (lists_.shows_array(argument)) return not_understood(span);
    }
    shared_.add_shown(text_of(span), span, loops_ > 0);
    add(into, *read, *read->statement(), span);
    return std::nullopt;
  }

  // A chain is a template by itself. What the chains before it have set stands before it there.
  std::optional<Error> add_chain(Steps& into, const Dialect& dialect, Span span) {
    const auto refused = [&] {
      return Error{Code::not_supported_yet,
                   "a stream whose settings stay for other statements is not supported yet", span,
                   "Put the chains together."};
    };
    if (lists_.names_array(text_of(span))) return not_understood(span);
    const std::string before = settings_;
    const auto added = lasting_in(*language_.expressions, text_of(span));
    if (!added) return refused();
    if (settings_are_unsure_) return refused();
    // In a loop they are set again, which changes nothing where they come before all that is printed.
    if (depth_ > 0 && !added->settings.empty() && (!added->come_first || has_chain_in_loop_))
      return refused();
    has_chain_in_loop_ = depth_ > 0;
    settings_are_unsure_ = added->have_names;
    if (branch_depth_ > 0 && !added->settings.empty()) return refused();
    for (const std::string& one : added->settings)
      (settings_ += settings_.empty() ? "" : " << ") += one;
    const std::string prefix =
        before.empty() ? before : stream_of(text_of(span)) + " << " + before + "; ";
    Result<Template> read = dialect.parse(prefix + std::string(text_of(span)));
    const auto in_source = [&](std::size_t place) {
      return span.from + (place > prefix.size() ? place - prefix.size() : 0);
    };
    if (!read) {
      Error error = read.error();
      error.span = {in_source(error.span.from), in_source(error.span.to)};
      return error;
    }
    Statement placed(*read);
    if (!prefix.empty())
      placed.segments.push_back({{0, prefix.size()}, {span.from, span.from}, false});
    placed.segments.push_back({{prefix.size(), prefix.size() + span.to - span.from}, span, true});
    placed.form = language_.expressions;
    placed.is_filled = true;
    add(into, *read, std::move(placed), span, prefix.size());
    return std::nullopt;
  }

  void add(Steps& into, const Template& read, Statement placed, Span span,
           std::optional<std::size_t> hidden = std::nullopt) {
    // A template that the language fills in names its values itself.
    if (placed.is_filled) {
      const auto own = placed.inner.value_names();
      placed.names.assign(own.begin(), own.end());
    }
    for (const std::string& name : placed.names) add_name(name);
    into.push_back(content_.add(read, std::move(placed), span, hidden, declared_));
  }

  bool is_declared(std::string_view name) const {
    return std::find(declared_.begin(), declared_.end(), name) != declared_.end();
  }

  // The names in it are values, too; how many there are.
  std::size_t add_names_of(const std::string& expression) {
    const std::vector<std::string> names = value_names_in(*language_.expressions, expression);
    for (const std::string& name : names) add_name(name);
    return names.size();
  }
  void add_name(const std::string& name) {
    const bool is_own = has_word(language_.expressions->own_names, name);
    const bool is_known = std::find(names_.begin(), names_.end(), name) != names_.end();
    if (!is_own && !is_declared(name) && !is_known) names_.push_back(name);
  }

  Result<Template> finish() {
    if (!content_.has_call())
      return Error{Code::not_supported_yet,
                   "statements without a call that prints are not supported yet",
                   {0, source_.size()},
                   "Paste the call, too."};
    if (const auto unsure = shared_.unsure())
      return Error{Code::not_supported_yet,
                   "a change of a value that other names may stand for is not supported yet",
                   *unsure, "Change a copy of it."};
    return content_.finish(*language_.expressions, std::move(names_), std::move(steps_),
                           shared_.combines_shared());
  }

  const LanguageFacts& language_;
  std::string changed_;      // the source, with blanks for what counts beside an expression
  std::string_view source_;  // of that
  SharedValues shared_;
  std::vector<StatementStep> steps_;
  std::vector<std::string> names_;
  std::vector<std::string> declared_;
  std::vector<std::string> looped_;  // what the loops around this go through
  std::vector<std::string> constants_;
  OpenNames open_names_;
  NamedLists lists_;
  SequenceContent content_;
  std::string settings_;  // of the stream, so far
  bool settings_are_unsure_ = false;
  bool has_chain_in_loop_ = false;  // that this statement is in
  // Names that have a value here, those of inner blocks behind those of outer ones.
  std::vector<std::string> in_scope_;
  std::size_t block_ = 0;  // the first of them that is of this block
  std::size_t count_ = 0;
  int depth_ = 0;
  int branch_depth_ = 0;
  int loops_ = 0;    // around what is read
  int choices_ = 0;  // the same
};

}  // namespace

Result<Template> read_statements(const LanguageFacts& language, std::string_view source,
                                 std::span<const Span> statements) {
  if (statements.size() > most_statements)
    return Error{Code::over_limit,
                 std::to_string(statements.size()) + " statements are over the limit of " +
                     std::to_string(most_statements),
                 statements[most_statements], "Paste fewer of them."};
  return SequenceReader(language, source).read(statements);
}

}  // namespace inky::inline v1
