// Reads several statements as one template.

#include <algorithm>
#include <string>
#include <utility>

#include "dialect/lexis.hpp"
#include "dialect/shared_values.hpp"
#include "dialect/statement.hpp"
#include "dialect/statement_blocks.hpp"
#include "dialect/statement_chains.hpp"
#include "dialect/statement_lines.hpp"
#include "dialect/statement_names.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

using computed::Node;

// Several statements: the calls print, and the declarations before them name values.
class SequenceReader {
 public:
  SequenceReader(const LanguageFacts& language, std::string_view source)
      : language_(language), source_(source), shared_(*language.expressions) {}

  Result<Template> read(std::span<const Span> statements) {
    content_.source = source_;
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
      const std::string_view statement = text_of(span);
      if (const auto control = control_of(language_, source_, span)) {
        if (auto error = add_control(into, *control, span)) return error;
        continue;
      }
      if (const Dialect* chain = chain_dialect(language_, statement)) {
        // What a chain sets stays for the next one: they are one.
        while (i + 1 < statements.size() && chain_dialect(language_, text_of(statements[i + 1])))
          span.to = statements[++i].to;
        if (auto error = add_chain(into, *chain, span)) return error;
        continue;
      }
      if (statement == "pass") continue;
      if (statement == "break" || statement == "continue" || statement == "next") {
        if (loops_ == 0) return not_understood(span);
        StatementStep step;
        step.kind = statement == "break" ? StatementStep::Kind::leave : StatementStep::Kind::next;
        step.span = span;
        into.push_back(std::move(step));
        continue;
      }
      if (names_without_value(statement)) continue;
      if (const std::string rest = behind_open_names(statement); !rest.empty()) {
        const auto declared = declaration_of(language_, rest);
        if (!declared) return not_understood(span);
        Declaration moved = *declared;
        moved.span = {0, statement.size()};
        declare_all(into, std::move(moved), span.from);
        continue;
      }
      if (auto array = array_of(language_, statement)) {
        // A text in an array is one.
        if (!array->expression.starts_with('"')) arrays_.push_back(array->name);
        declare(into, *array, span.from);
        continue;
      }
      if (const auto own = own_declarations(statement); !own.empty()) {
        for (const Declaration& declared : own) {
          if (hides(declared) || changes_constant(declared)) return not_understood(span);
          declare(into, declared, span.from);
          if (declared.comes_first) std::rotate(into.begin(), into.end() - 1, into.end());
        }
        continue;
      }
      const bool is_last = !is_inside && i + 1 == statements.size();
      const auto declared = is_last ? std::nullopt : declaration_of(language_, statement);
      if (declared && (hides(*declared) || changes_constant(*declared)))
        return not_understood(span);
      if (declared) {
        declare_all(into, *declared, span.from);
      } else if (auto error = add_call(into, span)) {
        return error;
      }
    }
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
    step.kind = control.kind == Control::Kind::loop   ? Kind::loop
                : control.kind == Control::Kind::each ? Kind::each
                                                      : Kind::branch;
    step.span = control.header;
    step.names = control.names;
    step.with_keys = control.with_keys;
    step.expression = control.kind == Control::Kind::each ? control.items : control.condition;
    if (const std::string_view keys = language_.expressions->keys;
        control.of_keys && !keys.empty()) {
      step.expression = keys;
      step.expression.replace(keys.find("{}"), 2, control.items);
    }
    for (const std::string& name : value_names_in(*language_.expressions, step.expression))
      add_name(name);
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
    const int branches = step.kind == Kind::branch ? 1 : 0;
    branch_depth_ += branches;
    loops_ += 1 - branches;
    if (auto error = read_block(control.body, step.body)) return error;
    if (control.other) {
      if (auto error = read_block(*control.other, step.other)) return error;
    }
    if (!control.after.empty()) {
      const auto changed = declaration_of(language_, control.after);
      if (!changed)
        return Error{Code::not_supported_yet, "a loop that goes on like this is not supported yet",
                     control.header, "Write it as a while loop."};
      declare(step.after, *changed, control.header.from);
      step.after.back().span = control.header;
    }
    if (step.kind == Kind::each) shared_.end_loop();
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

  // Those of a form of the language's own.
  std::vector<Declaration> own_declarations(std::string_view statement) const {
    const auto read = language_.expressions->read_declarations;
    return read == nullptr ? std::vector<Declaration>() : read(statement);
  }

  // int i, n = 3: what is behind the names without a value, as a declaration by itself.
  std::string behind_open_names(std::string_view statement) {
    if (!language_.expressions->declares_types) return {};
    const std::size_t sign = statement.find('=');
    const std::string_view before = statement.substr(0, std::min(sign, statement.size()));
    const std::size_t comma = before.rfind(',');
    if (sign == std::string_view::npos || comma == std::string_view::npos) return {};
    const std::size_t known = types_.size();
    if (!names_without_value(before.substr(0, comma))) return {};
    return types_[known].second + " " + std::string(statement.substr(comma + 1));
  }

  // int i, n: names that get their values later.
  bool names_without_value(std::string_view statement) {
    if (!language_.expressions->declares_types) return false;
    const std::size_t blank = statement.find_first_of(" \t");
    if (blank == std::string_view::npos ||
        statement.find_first_of("=(<\"'!.:") != std::string_view::npos)
      return false;
    const auto declared = declaration_of(language_, std::string(statement) + " = 0");
    if (!declared || declared->type.empty()) return false;
    // Of several names the last is what this reads; those before it are in its type.
    const std::size_t comma = statement.find(',');
    const std::string_view first = statement.substr(0, comma);
    const auto alone = declaration_of(language_, std::string(first) + " = 0");
    if (!alone || alone->type.empty()) return false;
    std::string_view rest = first.substr(first.rfind(alone->name));
    if (comma != std::string_view::npos) rest = statement.substr(first.rfind(alone->name));
    while (!rest.empty()) {
      const std::size_t end = std::min(rest.find(','), rest.size());
      std::string_view name = rest.substr(0, end);
      while (!name.empty() && is_in(name.front(), statement_blanks)) name.remove_prefix(1);
      while (!name.empty() && is_in(name.back(), statement_blanks)) name.remove_suffix(1);
      if (name.empty() || !std::all_of(name.begin(), name.end(), is_word_part)) return false;
      types_.emplace_back(name, alone->type);
      rest.remove_prefix(std::min(end + 1, rest.size()));
    }
    return true;
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
    // The names in it are values, too.
    const std::vector<std::string> names =
        value_names_in(*language_.expressions, declared.expression);
    for (const std::string& name : names) add_name(name);
    StatementStep step;
    step.name = declared.name;
    step.expression = declared.expression;
    step.type = declared.type;
    step.changes = declared.changes;
    step.combines = declared.combines;
    step.in_place = declared.in_place;
    step.steps = declared.steps;
    step.is_constant = names.empty();
    // int i; before: this is its first value.
    const auto open = std::find_if(types_.begin(), types_.end(),
                                   [&](const auto& one) { return one.first == step.name; });
    if (open != types_.end() && step.changes && !step.combines) {
      step.type = open->second;
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
    if (!read && !word.empty() && has_word(language_.reserved, word)) return not_understood(span);
    if (!read) return read.error();
    for (const Node& argument : read->statement()->arguments) {
      if (shows_array(argument)) return not_understood(span);
    }
    shared_.add_shown(text_of(span), span, loops_ > 0);
    add(into, *read, *read->statement(), span);
    return std::nullopt;
  }

  // Whether an array is used as a whole: what that shows is not what a list shows.
  bool shows_array(const Node& node) const {
    if (node.kind == Node::Kind::name)
      return std::find(arrays_.begin(), arrays_.end(), node.text) != arrays_.end();
    const bool is_part = node.kind == Node::Kind::item || node.kind == Node::Kind::member;
    for (std::size_t i = 0; i < node.parts.size(); ++i) {
      const bool is_base = i == 0 && is_part && node.parts[0].kind == Node::Kind::name;
      if (!is_base && shows_array(node.parts[i])) return true;
    }
    return false;
  }

  // A chain is a template by itself. What the chains before it have set stands before it there.
  std::optional<Error> add_chain(Steps& into, const Dialect& dialect, Span span) {
    const auto refused = [&] {
      return Error{Code::not_supported_yet,
                   "a stream whose settings stay for other statements is not supported yet", span,
                   "Put the chains together."};
    };
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

  // `hidden`: how much of the template of a chain is not in the source.
  void add(Steps& into, const Template& read, Statement placed, Span span, std::size_t hidden = 0) {
    const bool is_chain = placed.is_filled && placed.segments.back().outer == span;
    const auto place_of = [&](std::size_t place) {
      return !is_chain ? place : span.from + (place > hidden ? place - hidden : 0);
    };
    const auto in_source = [&](Span place) {
      return Span{place_of(place.from), place_of(place.to)};
    };
    StatementStep step;
    step.kind = StatementStep::Kind::call;
    step.span = span;
    step.first_field = static_cast<int>(content_.fields.size());
    for (const Piece& piece : read.pieces()) {
      const Span place = in_source(piece.source);
      if (piece.field == unset || place.from < covered_ || (is_chain && piece.source.to <= hidden))
        continue;
      cover(place.from);
      content_.pieces.push_back({place, piece.field + step.first_field, {}});
      covered_ = place.to;
    }
    for (Field field : read.fields()) {
      field.span = in_source(field.span);
      // What is declared before it takes no value.
      if (is_declared(field.key_name())) field.key.clear();
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
    // A template that the language fills in names its values itself.
    if (placed.is_filled) {
      const auto own = placed.inner.value_names();
      placed.names.assign(own.begin(), own.end());
    }
    for (const std::string& name : placed.names) add_name(name);
    step.call = std::make_shared<const Statement>(std::move(placed));
    if (first_call_ == nullptr) first_call_ = step.call;
    into.push_back(std::move(step));
  }

  bool is_declared(std::string_view name) const {
    return std::find(declared_.begin(), declared_.end(), name) != declared_.end();
  }

  void add_name(const std::string& name) {
    const bool is_own = has_word(language_.expressions->own_names, name);
    const bool is_known = std::find(names_.begin(), names_.end(), name) != names_.end();
    if (!is_own && !is_declared(name) && !is_known) names_.push_back(name);
  }

  void cover(std::size_t to) {
    if (to > covered_) content_.pieces.push_back({{covered_, to}, unset, {}});
    covered_ = std::max(covered_, to);
  }

  Result<Template> finish() {
    if (first_call_ == nullptr)
      return Error{Code::not_supported_yet,
                   "statements without a call that prints are not supported yet",
                   {0, source_.size()},
                   "Paste the call, too."};
    if (const auto unsure = shared_.unsure())
      return Error{Code::not_supported_yet,
                   "a change of a value that other names may stand for is not supported yet",
                   *unsure, "Change a copy of it."};
    cover(source_.size());
    Statement placed(first_call_->inner);
    placed.names = names_;
    placed.form = language_.expressions;
    placed.steps = std::move(steps_);
    placed.lists_may_be_shared = shared_.combines_shared();
    content_.values_taken = static_cast<int>(names_.size());
    content_.value_names = names_;
    const Dialect& dialect = placed.inner.dialect();
    content_.statement = std::make_shared<const Statement>(std::move(placed));
    return Template(dialect, std::move(content_));
  }

  const LanguageFacts& language_;
  std::string_view source_;
  SharedValues shared_;
  TemplateContent content_;
  std::vector<StatementStep> steps_;
  std::vector<std::string> names_;
  std::vector<std::string> declared_;
  std::vector<std::string> arrays_;
  std::vector<std::string> constants_;
  std::vector<std::pair<std::string, std::string>> types_;  // of names without a value yet
  std::size_t covered_ = 0;
  std::shared_ptr<const Statement> first_call_;
  std::string settings_;  // of the stream, so far
  bool settings_are_unsure_ = false;
  bool has_chain_in_loop_ = false;  // that this statement is in
  // Names that have a value here, those of inner blocks behind those of outer ones.
  std::vector<std::string> in_scope_;
  std::size_t block_ = 0;  // the first of them that is of this block
  std::size_t count_ = 0;
  int depth_ = 0;
  int branch_depth_ = 0;
  int loops_ = 0;  // around what is read
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
