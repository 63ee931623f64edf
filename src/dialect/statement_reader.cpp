// Reads a whole call: finds the template in it, and its arguments.

#include <algorithm>
#include <string>

#include "dialect/language_facts.hpp"
#include "dialect/statement.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

namespace {

using computed::Node;

// "std::format" and "std.format" are the same; a path may be longer than the name, or shorter.
std::string with_points(std::string_view name) {
  std::string out;
  for (std::size_t i = 0; i < name.size(); ++i) {
    const bool colons = name.substr(i, 2) == "::";
    out += colons ? '.' : name[i];
    if (colons) ++i;
  }
  return out;
}

bool is_called(std::string_view known, std::string_view path) {
  const std::string a = with_points(known);
  const std::string b = with_points(path);
  return a == b || b.ends_with("." + a) || a.ends_with("." + b);
}

const PrintFact* find_print(const ExpressionForm& form, std::string_view path) {
  const auto found = std::find_if(form.prints.begin(), form.prints.end(),
                                  [&](const PrintFact& one) { return one.name == path; });
  return found == form.prints.end() ? nullptr : &*found;
}

bool is_text(const Node& node) {
  return node.kind == Node::Kind::constant && node.value.is(Type::text);
}

class StatementReader {
 public:
  StatementReader(const LanguageFacts& language, std::string_view source)
      : language_(language), form_(*language.expressions) {
    content_.source = source;
    text_ = content_.source;
  }

  Result<Template> read() {
    std::size_t end = text_.size();
    while (end > 0 && std::string_view(" \t\r\n;").find(text_[end - 1]) != std::string_view::npos)
      --end;
    if (!read_core(0, end)) return fault();
    return make();
  }

 private:
  bool fail(std::string message, Span span, std::string remedy) {
    if (!error_)
      error_ = Error{Code::not_supported_yet, std::move(message), span, std::move(remedy)};
    return false;
  }
  bool not_understood(Span span) {
    return fail("a statement such as this is not supported yet", span,
                "Paste the template alone, and give its values.");
  }
  Error fault() {
    if (error_) return *error_;
    const Refusal& refusal = *content_.refusal;
    if (refusal.when == Refusal::When::not_supported_yet)
      return {Code::not_supported_yet, refusal.why, refusal.span, refusal.as};
    return {Code::bad_template, refusal.why, refusal.span, "Correct the statement."};
  }

  std::size_t behind_blanks(std::size_t at) const {
    return std::min(text_.find_first_not_of(" \t\r\n", at), text_.size());
  }

  // The path of names that a text begins with: "System.out.println".
  std::string_view path_at(std::size_t at) const {
    std::size_t end = at;
    while (end < text_.size() && (is_word_part(text_[end]) || text_[end] == '.' ||
                                  text_[end] == ':' || text_[end] == '!'))
      ++end;
    return text_.substr(at, end - at);
  }

  bool read_core(std::size_t at, std::size_t end) {
    at = behind_blanks(at);
    const std::string_view path = path_at(at);
    const PrintFact* print = find_print(form_, path);
    const std::size_t open = behind_blanks(at + path.size());
    if (print != nullptr && open < end && text_[open] == '(' && text_[end - 1] == ')') {
      if (call_.empty()) call_ = path;
      after_ = print->after;
      if (read_printed(open + 1, end - 1)) return true;
      // Not one text: a call with a template, or values as they are.
      if (error_) return false;
      content_.refusal.reset();
    }
    if (read_filled_literal(at, end)) return true;
    return read_call(at, end);
  }

  // What a function that prints is given: one template that is filled in, or made by a call.
  bool read_printed(std::size_t at, std::size_t end) {
    at = behind_blanks(at);
    const std::size_t behind = read_ending(end);
    if (read_filled_literal(at, behind)) return true;
    Node node;
    if (!read_node(at, behind, node)) return false;
    return take(node);
  }

  // The last of the arguments, where it is what is printed behind the text: its comma.
  std::size_t read_ending(std::size_t end) {
    const std::string mark = ", " + std::string(form_.ending_argument) + "=";
    const std::size_t comma =
        form_.ending_argument.empty() ? std::string_view::npos : text_.rfind(mark, end);
    if (comma == std::string_view::npos) return end;
    Node node;
    if (!read_node(comma + mark.size(), end, node) || !is_text(node)) {
      content_.refusal.reset();
      return end;
    }
    after_ = node.value.as_text();
    return comma;
  }

  bool read_filled_literal(std::size_t at, std::size_t end) {
    if (form_.filled_literal == nullptr) return false;
    const std::size_t size = form_.filled_literal(text_.substr(at, end - at));
    if (size == 0 || behind_blanks(at + size) < end) return false;
    dialect_ = find_dialect(language_.lexis->filling_dialect);
    add_segment({at, at + size}, true);
    is_filled_ = true;
    return dialect_ != nullptr;
  }

  // An expression from one place to another.
  bool read_node(std::size_t at, std::size_t end, Node& node) {
    const auto reader = form_.reader(content_, at);
    if (!reader->read(node)) {
      if (!content_.refusal) content_.refusal = reader->refusal();
      return false;
    }
    const std::size_t stop = behind_blanks(reader->at());
    if (stop >= end) return true;
    content_.refusal = {Refusal::When::not_supported_yet, "Paste one call at a time.",
                        "what follows here is not supported yet", Span{stop, end}};
    return false;
  }

  bool read_call(std::size_t at, std::size_t end) {
    Node node;
    if (!read_node(at, end, node)) return false;
    if (take(node)) return true;
    if (error_) return false;
    return take_plainly(node) || not_understood({at, end});
  }

  // A call with a template, or an operator behind one. False where it is none; an error where the
  // template is no literal.
  bool take(const Node& node) {
    if (node.kind == Node::Kind::binary && node.operation == computed::Operation::remainder &&
        is_text(node.parts[0]) && !language_.lexis->percent_dialect.empty()) {
      dialect_ = find_dialect(language_.lexis->percent_dialect);
      const Node& values = node.parts[1];
      if (values.kind == Node::Kind::tuple)
        for (const Node& part : values.parts) add_argument(part, {});
      else if (values.kind == Node::Kind::record)
        for (std::size_t i = 0; i < values.parts.size(); ++i)
          add_argument(values.parts[i], values.keys[i]);
      else
        add_argument(values, {});
      return take_template(node.parts[0]);
    }
    if (node.kind != Node::Kind::call) return false;
    const Node& callee = node.parts[0];
    const bool is_method = callee.kind == Node::Kind::member && is_text(callee.parts[0]);
    const std::string path = is_method ? callee.text : computed::path_of(callee);
    const CallFact* chosen = nullptr;
    for (const CallFact& call : language_.calls) {
      const bool fits = is_method ? call.shape == CallShape::receiver && call.name == path
                                  : call.shape == CallShape::arguments && !path.empty() &&
                                        is_called(call.name, path);
      const auto template_part = static_cast<std::size_t>(call.template_at) + 1;
      if (!fits || (!is_method && template_part >= node.parts.size())) continue;
      if (chosen == nullptr) chosen = &call;
      if (is_method || is_text(node.parts[template_part])) {
        chosen = &call;
        break;
      }
    }
    if (chosen == nullptr) return false;
    const std::size_t from = is_method ? 1 : static_cast<std::size_t>(chosen->template_at) + 2;
    const Node& source = is_method ? callee.parts[0] : node.parts[from - 1];
    if (!is_text(source))
      return fail("a template that is not a literal is not supported yet", source.span,
                  "Write the literal in its place.");
    if (chosen->names_locale && chosen->template_at == 1)
      return fail("a locale in the call is not supported yet", node.parts[1].span,
                  "Leave it out of the call, and give it as --locale.");
    if (call_.empty()) call_ = path;
    if (const PrintFact* print = find_print(form_, path)) after_ = print->after;
    dialect_ = find_dialect(chosen->dialect);
    for (std::size_t i = from; i < node.parts.size(); ++i)
      add_argument(node.parts[i], node.keys[i - 1]);
    return take_template(source);
  }

  // print(x, y): each value as the language shows it.
  bool take_plainly(const Node& node) {
    if (form_.plain_field.empty() || node.kind != Node::Kind::call) return false;
    const std::string path = computed::path_of(node.parts[0]);
    const PrintFact* print = path.empty() ? nullptr : find_print(form_, path);
    if (print == nullptr || node.parts.size() < 2) return false;
    after_ = print->after;
    call_ = path;
    std::string separator(form_.separator);
    dialect_ = find_dialect(form_.plain_dialect);
    bool first = true;
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      const Node& part = node.parts[i];
      const std::string& key = node.keys[i - 1];
      if (!key.empty()) {
        const bool separates = key == form_.separator_argument;
        if ((!separates && key != form_.ending_argument) || !is_text(part)) return false;
        (separates ? separator : after_) = part.value.as_text();
      }
    }
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      if (!node.keys[i - 1].empty()) continue;
      if (!first) add_text(separator, node.parts[i].span.from);
      first = false;
      add_argument(node.parts[i], {});
      const std::size_t from = inner_.size();
      inner_ += form_.plain_field;
      segments_.push_back({{from, inner_.size()}, node.parts[i].span, false});
    }
    return true;
  }

  void add_argument(const Node& node, const std::string& name) {
    arguments_.push_back(node);
    argument_names_.push_back(name);
    computed::collect_names(node, names_);
  }

  // Text that is not in the statement, written as the template has it.
  void add_text(std::string_view text, std::size_t at) {
    if (text.empty()) return;
    const std::size_t from = inner_.size();
    for (const char c : text) {
      const std::size_t special = std::string_view("\n\t\r\"\\").find(c);
      if (special != std::string_view::npos) inner_ += '\\';
      inner_ += special == std::string_view::npos ? c : "ntr\"\\"[special];
    }
    segments_.push_back({{from, inner_.size()}, {at, at}, false});
  }

  void add_segment(Span outer, bool verbatim) {
    const std::size_t from = inner_.size();
    inner_ += text_.substr(outer.from, outer.to - outer.from);
    segments_.push_back({{from, inner_.size()}, outer, verbatim});
  }

  bool take_template(const Node& node) {
    for (const Span& part : node.texts) {
      const std::string_view text = text_.substr(part.from, part.to - part.from);
      if (node.is_raw && text.find_first_of("\\\"") != std::string_view::npos)
        return fail("a raw literal with a backslash or a quote in it is not supported yet", part,
                    "Write it as a literal of the usual kind.");
      add_segment(part, true);
    }
    return dialect_ != nullptr;
  }

  Result<Template> make() {
    const std::size_t end = segments_.back().outer.to;
    if (!after_.empty() && is_filled_) {
      inner_ += " \"";
      add_text(after_, end);
      inner_ += '"';
      segments_.back().inner.to = inner_.size();
    } else {
      add_text(after_, end);
    }
    Result<Template> inner = dialect_->parse(inner_);
    Statement placed(inner ? *inner : Template(*dialect_, {}));
    placed.segments = segments_;
    if (!inner) {
      Error error = inner.error();
      error.span = placed.moved(error.span);
      return error;
    }
    placed.call = call_;
    placed.arguments = std::move(arguments_);
    placed.argument_names = std::move(argument_names_);
    placed.names = std::move(names_);
    placed.form = &form_;
    placed.is_filled = is_filled_;
    return Template(*dialect_, content_of(std::move(placed)));
  }

  TemplateContent content_of(Statement placed) const {
    TemplateContent out;
    out.source = text_;
    const Template& inner = placed.inner;
    std::size_t covered = 0;
    const auto cover = [&](std::size_t to) {
      if (to > covered) out.pieces.push_back({{covered, to}, unset, {}});
      covered = std::max(covered, to);
    };
    for (const Piece& piece : inner.pieces()) {
      const Span span = placed.moved(piece.source);
      if (span.from < covered || (span.from == span.to && piece.field == unset)) continue;
      cover(span.from);
      if (piece.field == unset) {
        cover(span.to);
        continue;
      }
      out.pieces.push_back({span, piece.field, {}});
      covered = span.to;
    }
    cover(out.source.size());
    for (const Field& field : inner.fields()) {
      out.fields.push_back(field);
      Field& shown = out.fields.back();
      shown.span = placed.moved(field.span);
      if (is_filled_) continue;
      shown.key.clear();
      const int index = field.value_index;
      shown.value_index = unset;
      if (index == unset || static_cast<std::size_t>(index) >= placed.arguments.size()) continue;
      const Node& argument = placed.arguments[static_cast<std::size_t>(index)];
      if (argument.kind == Node::Kind::name) shown.key = "(" + argument.text + ")";
    }
    for (Note note : inner.notes()) {
      note.span = placed.moved(note.span);
      out.notes.push_back(std::move(note));
    }
    if (inner.refusal()) {
      out.refusal = inner.refusal();
      out.refusal->span = placed.moved(out.refusal->span);
    }
    out.values_taken = static_cast<int>(placed.names.size());
    out.value_names = placed.names;
    out.statement = std::make_shared<const Statement>(std::move(placed));
    return out;
  }

  const LanguageFacts& language_;
  const ExpressionForm& form_;
  TemplateContent content_;
  std::string_view text_;
  std::optional<Error> error_;

  const Dialect* dialect_ = nullptr;
  std::string call_;
  std::string after_;
  bool is_filled_ = false;
  std::string inner_;
  std::vector<Statement::Segment> segments_;
  std::vector<Node> arguments_;
  std::vector<std::string> argument_names_;
  std::vector<std::string> names_;
};

Error no_statements(const Dialect& asked, std::size_t size) {
  return {Code::not_supported_yet,
          "whole calls of " + std::string(asked.facts().language) + " are not supported yet",
          {0, size},
          "Paste the template alone, and give its values."};
}

}  // namespace

Result<Template> parse_statement(const Dialect& asked, std::string_view source) {
  const LanguageFacts* language = language_facts_of(asked);
  if (source.size() > most_template)
    return Error{Code::over_limit,
                 "a statement of " + std::to_string(source.size()) +
                     " bytes is over the limit of " + std::to_string(most_template),
                 {most_template, source.size()},
                 "Make it shorter."};
  if (language == nullptr || language->expressions == nullptr)
    return no_statements(asked, source.size());
  return StatementReader(*language, source).read();
}

bool is_statement(const Dialect& asked, std::string_view source) {
  const LanguageFacts* language = language_facts_of(asked);
  if (language == nullptr) return false;
  const std::size_t at = std::min(source.find_first_not_of(" \t\r\n"), source.size());
  std::size_t end = at;
  while (end < source.size() && (is_word_part(source[end]) || source[end] == '.' ||
                                 source[end] == ':' || source[end] == '!'))
    ++end;
  const std::string_view path = source.substr(at, end - at);
  const std::size_t open = std::min(source.find_first_not_of(' ', end), source.size());
  const std::string_view rest = source.substr(open);
  const ExpressionForm* form = language->expressions;
  if (!path.empty() && rest.starts_with('(') &&
      rest.find_first_of("\"'`") != std::string_view::npos) {
    const bool prints = form != nullptr && find_print(*form, path) != nullptr;
    return prints ||
           std::any_of(language->calls.begin(), language->calls.end(), [&](const CallFact& call) {
             return call.shape == CallShape::arguments && is_called(call.name, path);
           });
  }
  if (form == nullptr || !path.empty() || source.empty()) return false;
  if (source[at] != '"' && source[at] != '\'') return false;
  // "..." % x and "...".format(x)
  TemplateContent content;
  content.source = source;
  const auto reader = form->reader(content, at);
  Node node;
  if (!reader->read(node)) return false;
  const bool percent = node.kind == Node::Kind::binary &&
                       node.operation == computed::Operation::remainder && is_text(node.parts[0]);
  const bool method = node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::member &&
                      is_text(node.parts[0].parts[0]);
  return percent || method;
}

}  // namespace inky::inline v1
