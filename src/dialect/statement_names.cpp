#include "dialect/statement_names.hpp"

#include <algorithm>
#include <string>

#include "dialect/language_facts.hpp"
#include "dialect/statement.hpp"
#include "dialect/statement_blocks.hpp"
#include "dialect/statement_lines.hpp"
#include "dialect/statement_locales.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

using computed::is_text;
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

}  // namespace

bool is_called(std::string_view known, std::string_view path, const ExpressionForm* form) {
  const bool has_own_sign =
      form != nullptr && form->grammar != nullptr && !form->grammar->path.empty();
  if (has_own_sign && path.find('.') != std::string_view::npos) return false;
  const std::string a = with_points(known);
  const std::string b = with_points(path);
  return a == b || b.ends_with("." + a) || a.ends_with("." + b);
}

bool is_called(const CallFact& known, std::string_view path, const ExpressionForm* form) {
  // A name that stands alone is one only where it is imported, which a line does not show.
  return known.holes == HoleRule::none && !known.alone && is_called(known.name, path, form);
}

const PrintFact* find_print(const ExpressionForm& form, std::string_view path) {
  const auto found = std::find_if(form.prints.begin(), form.prints.end(),
                                  [&](const PrintFact& one) { return one.name == path; });
  return found == form.prints.end() ? nullptr : &*found;
}

bool begins_with_slots(const ExpressionForm& form, std::string_view source) {
  std::string_view left = form.slots_prefixes;
  while (!left.empty()) {
    const std::size_t size = std::min(left.find(' '), left.size());
    if (source.starts_with(left.substr(0, size))) return true;
    left.remove_prefix(std::min(size + 1, left.size()));
  }
  return false;
}

std::size_t behind_assignment(std::string_view source) {
  constexpr std::string_view between = " \t\r\n";
  const std::size_t start = std::min(source.find_first_not_of(between), source.size());
  constexpr std::string_view returns = "return ";
  if (source.substr(start).starts_with(returns)) return start + returns.size();
  std::size_t at = start;
  const auto is_part = [](char c) {
    return is_word_part(c) || std::string_view(" \t<>[],$*&:?").find(c) != std::string_view::npos;
  };
  while (at < source.size() && is_part(source[at])) ++at;
  // s += and $s .= are assignments, too.
  const std::string_view rest = source.substr(at);
  // x <- paste0(...)
  if (rest.starts_with('-') && at > start && source[at - 1] == '<') return at + 1;
  // Comparisons are none.
  if (at > start && (source[at - 1] == '<' || source[at - 1] == '>')) return 0;
  const std::size_t size =
      rest.starts_with("+=") || rest.starts_with(".=")                               ? 2
      : rest.starts_with('=') && rest.size() > 1 && rest[1] != '=' && rest[1] != '>' ? 1
                                                                                     : 0;
  return size == 0 || at == start ? 0 : at + size;
}

bool begins_statement(const LanguageFacts& language, std::string_view source) {
  const std::size_t at = std::min(source.find_first_not_of(" \t\r\n"), source.size());
  std::size_t end = at;
  while (end < source.size() && (is_word_part(source[end]) || source[end] == '.' ||
                                 source[end] == ':' || source[end] == '!'))
    ++end;
  const std::string_view path = source.substr(at, end - at);
  const std::size_t open = std::min(source.find_first_not_of(' ', end), source.size());
  const std::string_view rest = source.substr(open);
  const ExpressionForm* form = language.expressions;
  if (form != nullptr && form->begins != nullptr && form->begins(source.substr(at))) return true;
  const PrintFact* bare = form == nullptr ? nullptr : find_print(*form, path);
  if (bare != nullptr && bare->is_bare) return true;
  if (!path.empty() && rest.starts_with('(')) {
    if (form != nullptr && find_print(*form, path) != nullptr) return true;
    if (rest.find_first_of("\"'`") == std::string_view::npos) return false;
    return std::any_of(language.calls.begin(), language.calls.end(), [&](const CallFact& call) {
      return call.shape == CallShape::arguments && is_called(call, path, form);
    });
  }
  if (form == nullptr || form->reader == nullptr || !path.empty() || at == source.size())
    return false;
  if (begins_with_slots(*form, source.substr(at))) return true;
  if (source[at] != '"' && source[at] != '\'') return false;
  // "..." % x and "...".format(x)
  TemplateContent content;
  content.source = source;
  const auto reader = form->reader(content, at);
  Node node;
  if (!reader->read(node)) return false;
  const bool percent = node.kind == Node::Kind::binary &&
                       node.operation == computed::Operation::remainder && is_text(node.parts[0]);
  const bool method =
      node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::member &&
      is_text(node.parts[0].parts[0]) &&
      std::any_of(language.calls.begin(), language.calls.end(), [&](const CallFact& call) {
        return call.shape == CallShape::receiver && call.name == node.parts[0].text;
      });
  return percent || method;
}

namespace {

// Whether a source is one literal whose slots the language fills in.
bool is_filled(const LanguageFacts& language, std::string_view source) {
  const ExpressionForm* form = language.expressions;
  if (form == nullptr || form->filled_literal == nullptr) return false;
  constexpr std::string_view ends = " \t\r\n;";
  const std::size_t at = std::min(source.find_first_not_of(ends), source.size());
  const std::size_t size = form->filled_literal(source.substr(at));
  return size != 0 && source.find_first_not_of(ends, at + size) == std::string_view::npos;
}

}  // namespace

namespace {

// Whether a source is a call of a known function or method, all of it: price.toFixed(2). Its value is
// what is shown.
bool is_value(const LanguageFacts& language, std::string_view source, bool of_methods = false) {
  const ExpressionForm* form = language.expressions;
  if (form == nullptr || (form->value_field.empty() && form->shows_results.empty())) return false;
  const std::size_t end = source.find_last_not_of(" \t\r\n;");
  if (end == std::string_view::npos || source[end] != ')') return false;
  source = source.substr(0, end + 1);
  if (form->reader == nullptr) {
    // The call that ends the source.
    int depth = 0;
    std::size_t open = source.size();
    while (open > 0 && (depth > 0 || open == source.size())) {
      --open;
      depth += source[open] == ')' ? 1 : source[open] == '(' ? -1 : 0;
    }
    std::size_t from = open;
    while (from > 0 && is_word_part(source[from - 1])) --from;
    return depth == 0 && from > 0 && source[from - 1] == '.' && source.find("${") == source.npos &&
           has_word(form->value_calls, source.substr(from, open - from));
  }
  TemplateContent content;
  content.source = source;
  const auto reader = form->reader(content, 0);
  Node node;
  const bool is_call = reader->read(node) && node.kind == Node::Kind::call &&
                       source.find_first_not_of(" \t\r\n", reader->at()) == source.npos;
  if (!is_call || form->grammar == nullptr) return false;
  const Node& callee = node.parts[0];
  if (callee.kind == Node::Kind::member && has_word(form->grammar->methods, callee.text))
    return true;
  const std::string path = computed::path_of(callee);
  return !of_methods && !path.empty() && node.parts.size() > 1 &&
         has_word(form->grammar->functions, path);
}

// Whether they are several statements of a language that shows what each comes to, as at its prompt:
// x <- c(1, 2); mean(x). Where the language is not chosen, an arrow has to be among them.
bool is_session(const LanguageFacts& language, std::string_view source,
                std::span<const Span> statements, bool is_chosen) {
  const ExpressionForm* form = language.expressions;
  if (form == nullptr || form->shows_results.empty() || statements.size() < 2) return false;
  bool has_value = false;
  bool has_arrow = false;
  bool all_known = true;
  for (const Span& span : statements) {
    const std::string_view statement = source.substr(span.from, span.to - span.from);
    const std::size_t from = behind_assignment(statement);
    const bool is_shown = is_value(language, statement);
    has_value = has_value || is_shown;
    has_arrow = has_arrow || (from >= 2 && statement.substr(from - 2, 2) == "<-");
    all_known = all_known && (is_shown || from > 0 || locale_step_of(*form, statement));
  }
  return is_chosen ? has_arrow || (has_value && all_known) : has_arrow && has_value;
}

}  // namespace

bool is_method_call(const Dialect& asked, std::string_view source) {
  const LanguageFacts* language = language_facts_of(asked);
  const bool is_shown = language != nullptr && language->expressions != nullptr &&
                        !language->expressions->value_field.empty();
  return is_shown && is_value(*language, source, true);
}

bool is_statement(const Dialect& asked, std::string_view source, bool is_chosen) {
  const LanguageFacts* language = language_facts_of(asked);
  if (language == nullptr) return false;
  const ExpressionForm* form = language->expressions;
  if (form != nullptr && has_word(form->sessions, asked.facts().id)) return false;
  if (!is_chosen && form != nullptr && form->slots_are_shared &&
      begins_with_slots(
          *form, source.substr(std::min(source.find_first_not_of(" \t\r\n"), source.size()))))
    return false;
  const auto begins = [&](std::string_view statement) {
    const std::size_t from = behind_assignment(statement);
    if (from == 0) return begins_statement(*language, statement);
    const std::string_view rest = statement.substr(from);
    return begins_statement(*language, rest) || is_filled(*language, rest);
  };
  // A facility with templates of its own reads its calls as such.
  const bool is_usual =
      form == nullptr || form->shows_results.empty() || form->plain_dialect == asked.facts().id;
  if (is_chosen && is_usual && is_value(*language, source)) return true;
  std::vector<Span> statements = statements_of(*language, source);
  if (is_usual && is_session(*language, source, statements, is_chosen)) return true;
  std::size_t chains = 0;
  for (std::size_t i = 0; i < statements.size(); ++i) {
    const Span span = statements[i];
    // A loop is one where a statement in it is.
    if (const auto control = control_of(*language, source, span)) {
      const auto inner =
          statements_of(*language, source.substr(0, control->body.to), control->body.from);
      for (const Span& one : inner) {
        const std::string_view statement = source.substr(one.from, one.to - one.from);
        if (begins(statement) || chain_dialect(*language, statement) != nullptr) return true;
      }
      if (statements.size() < most_statements)
        statements.insert(statements.end(), inner.begin(), inner.end());
      continue;
    }
    const std::string_view statement = source.substr(span.from, span.to - span.from);
    if (begins(statement)) return true;
    chains += chain_dialect(*language, statement) != nullptr ? 1 : 0;
  }
  // Chains alone are a template; with declarations between them they are none.
  return chains > 0 && chains < statements.size();
}

std::vector<std::string> value_names_in(const ExpressionForm& form, const std::string& expression) {
  std::vector<std::string> out;
  if (form.reader != nullptr) {
    TemplateContent content;
    content.source = expression;
    computed::Node node;
    if (form.reader(content, 0)->read(node)) computed::collect_names(node, out);
    return out;
  }
  if (form.names != nullptr) return form.names(expression);
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

bool is_constant_name(const ExpressionForm& form, std::string_view before) {
  bool is_constant = false;
  for (std::string_view rest = before; !rest.empty();) {
    const std::size_t from = std::min(rest.find_first_not_of(" \t\r\n"), rest.size());
    const std::size_t end = std::min(rest.find_first_of(" \t\r\n", from), rest.size());
    const std::string_view word = rest.substr(from, end - from);
    if (!word.empty() && word == form.variable_word) return false;
    is_constant = is_constant || (!word.empty() && has_word(form.constant_words, word));
    rest.remove_prefix(end);
  }
  return is_constant;
}

}  // namespace inky::inline v1
