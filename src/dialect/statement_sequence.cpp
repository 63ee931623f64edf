// Reads several statements as one template.

#include <algorithm>
#include <string>

#include "dialect/lexis.hpp"
#include "dialect/statement.hpp"
#include "dialect/statement_lines.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

using computed::Node;

// Several statements: the calls print, and the declarations before them name values.
class SequenceReader {
 public:
  SequenceReader(const LanguageFacts& language, std::string_view source)
      : language_(language), source_(source) {}

  Result<Template> read(std::span<const Span> statements) {
    content_.source = source_;
    for (std::size_t i = 0; i < statements.size(); ++i) {
      Span span = statements[i];
      const std::string_view statement = text_of(span);
      if (const Dialect* chain = chain_dialect(language_, statement)) {
        // What a chain sets stays for the next one: they are one.
        while (i + 1 < statements.size() && chain_dialect(language_, text_of(statements[i + 1])))
          span.to = statements[++i].to;
        if (auto error = add_chain(*chain, span)) return std::move(*error);
        continue;
      }
      const bool is_last = i + 1 == statements.size();
      const auto declared = is_last ? std::nullopt : declaration_of(language_, statement);
      if (declared) {
        declare(*declared, span.from);
      } else if (auto error = add_call(span)) {
        return std::move(*error);
      }
    }
    return finish();
  }

 private:
  void declare(const Declaration& declared, std::size_t at) {
    // The names in it are values, too.
    for (const std::string& name : names_in(declared.expression)) add_name(name);
    StatementStep step;
    step.name = declared.name;
    step.expression = declared.expression;
    step.span = {declared.span.from + at, declared.span.to + at};
    declared_.push_back(declared.name);
    steps_.push_back(std::move(step));
  }

  std::string_view text_of(Span span) const {
    return source_.substr(span.from, span.to - span.from);
  }

  std::optional<Error> add_call(Span span) {
    Result<Template> read = read_statement(language_, source_.substr(0, span.to), span.from);
    if (!read) return read.error();
    add(*read, *read->statement(), span, 0);
    return std::nullopt;
  }

  // A chain is a template by itself.
  std::optional<Error> add_chain(const Dialect& dialect, Span span) {
    const bool is_second =
        std::any_of(steps_.begin(), steps_.end(), [&](const StatementStep& step) {
          return step.call != nullptr && &step.call->inner.dialect() == &dialect;
        });
    if (is_second)
      return Error{Code::not_supported_yet,
                   "a stream with other statements between its chains is not supported yet", span,
                   "Put the chains together."};
    Result<Template> read = dialect.parse(text_of(span));
    if (!read) {
      Error error = read.error();
      error.span = {error.span.from + span.from, error.span.to + span.from};
      return error;
    }
    Statement placed(*read);
    placed.segments.push_back({{0, span.to - span.from}, span, true});
    placed.form = language_.expressions;
    placed.is_filled = true;
    add(*read, std::move(placed), span, span.from);
    return std::nullopt;
  }

  // `moved`: how far the places of the template are from those in the source.
  void add(const Template& read, Statement placed, Span span, std::size_t moved) {
    const auto in_source = [&](Span place) { return Span{place.from + moved, place.to + moved}; };
    StatementStep step;
    step.span = span;
    step.first_field = static_cast<int>(content_.fields.size());
    for (const Piece& piece : read.pieces()) {
      const Span place = in_source(piece.source);
      if (piece.field == unset || place.from < covered_) continue;
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
    steps_.push_back(std::move(step));
  }

  std::vector<std::string> names_in(const std::string& expression) const {
    std::vector<std::string> out;
    const ExpressionForm& form = *language_.expressions;
    if (form.reader != nullptr) {
      TemplateContent content;
      content.source = expression;
      Node node;
      if (form.reader(content, 0)->read(node)) computed::collect_names(node, out);
      return out;
    }
    // Its words, but for those in quotes, members, what is called, and constants.
    char quote = 0;
    for (std::size_t at = 0; at < expression.size(); ++at) {
      const char c = expression[at];
      if (quote != 0 || c == '"' || c == '\'' || c == '`') {
        quote = quote == 0 ? c : c == quote ? '\0' : quote;
        continue;
      }
      if (!is_word_start(c) ||
          (at > 0 && (is_word_part(expression[at - 1]) || expression[at - 1] == '.')))
        continue;
      std::size_t end = at;
      while (end < expression.size() && is_word_part(expression[end])) ++end;
      const std::string word = expression.substr(at, end - at);
      const bool is_called = end < expression.size() && expression[end] == '(';
      if (!is_called) out.push_back(word);
    }
    return out;
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
    const auto call = std::find_if(steps_.begin(), steps_.end(),
                                   [](const StatementStep& step) { return step.call != nullptr; });
    if (call == steps_.end())
      return Error{Code::not_supported_yet,
                   "statements without a call that prints are not supported yet",
                   {0, source_.size()},
                   "Paste the call, too."};
    cover(source_.size());
    Statement placed(call->call->inner);
    placed.names = names_;
    placed.form = language_.expressions;
    placed.steps = std::move(steps_);
    content_.values_taken = static_cast<int>(names_.size());
    content_.value_names = names_;
    const Dialect& dialect = placed.inner.dialect();
    content_.statement = std::make_shared<const Statement>(std::move(placed));
    return Template(dialect, std::move(content_));
  }

  const LanguageFacts& language_;
  std::string_view source_;
  TemplateContent content_;
  std::vector<StatementStep> steps_;
  std::vector<std::string> names_;
  std::vector<std::string> declared_;
  std::size_t covered_ = 0;
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
