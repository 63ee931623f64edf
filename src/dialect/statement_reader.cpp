// Reads a whole call: finds the template in it, and its arguments.

#include <algorithm>
#include <string>

#include "dialect/language_facts.hpp"
#include "dialect/statement_blocks.hpp"
#include "dialect/statement_counts.hpp"
#include "dialect/statement_lines.hpp"
#include "dialect/statement_named_lists.hpp"
#include "dialect/statement_names.hpp"
#include "dialect/statement_parts.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

namespace {

using computed::is_text;
using computed::Node;

bool takes_arguments(CallShape shape) {
  return shape == CallShape::arguments || shape == CallShape::juxtaposed ||
         shape == CallShape::list;
}

class StatementReader {
 public:
  // `alone`: no other statement is beside it, and an expression shows its value.
  StatementReader(const LanguageFacts& language, std::string_view source, bool alone)
      : language_(language), form_(*language.expressions), alone_(alone) {
    content_.source = source;
    text_ = content_.source;
    parts_.text = text_;
    parts_.has_variables = language.lexis->variables_in_texts;
    parts_.takes_from_scope = language.lexis->names_from_scope;
  }

  // From a place to the end of the source.
  Result<Template> read(std::size_t begin = 0) {
    std::size_t end = text_.size();
    while (end > 0 && std::string_view(" \t\r\n;").find(text_[end - 1]) != std::string_view::npos)
      --end;
    if (!read_core(begin + behind_assignment(text_.substr(begin)), end)) return fault();
    return parts_.make(form_);
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
    if (form_.read_words != nullptr) return form_.read_words(parts_, {at, end}, error_);
    const std::string_view path = path_at(at);
    const PrintFact* print = find_print(form_, path);
    // A loop, a condition, a function.
    const bool is_form =
        print == nullptr && has_word("for foreach while if switch do try with", path);
    if (is_form && (form_.blocks != Blocks::none || has_word(language_.reserved, path)))
      return not_understood({at, end});
    const std::size_t open = behind_blanks(at + path.size());
    if (print != nullptr && print->may_be_empty && open < end && text_[open] == '(' &&
        behind_blanks(open + 1) == end - 1 && text_[end - 1] == ')') {
      parts_.call = path;
      parts_.dialect = find_dialect(language_.dialect);
      parts_.add_text(print->after, open);
      return true;
    }
    if (print != nullptr && print->is_bare) return read_bare(*print, open, end);
    if (print != nullptr && print->is_evaluated) return read_whole(*print, at, end);
    if (form_.read_call != nullptr) {
      const bool is_call =
          print != nullptr && open < end && text_[open] == '(' && text_[end - 1] == ')';
      const bool is_value = !is_call && alone_ && !form_.value_field.empty() && at < end;
      if (is_value) return form_.read_call(parts_, {at, end}, error_);
      if (!is_call) return not_understood({at, end});
      parts_.call = path;
      parts_.after = print->after;
      return form_.read_call(parts_, {open + 1, end - 1}, error_);
    }
    if (print != nullptr && read_slots(open, end)) {
      parts_.call = path;
      parts_.after = print->after;
      return true;
    }
    if (error_) return false;
    if (print != nullptr && open < end && text_[open] == '(' && text_[end - 1] == ')') {
      if (parts_.call.empty()) parts_.call = path;
      parts_.after = print->after;
      if (read_printed(open + 1, end - 1)) return true;
      // Not one text: a call with a template, or values as they are.
      if (error_) return false;
      content_.refusal.reset();
    }
    if (read_filled_literal(at, end) || read_slots(at, end)) return true;
    return !error_ && read_call(at, end);
  }

  // A call whose text the evaluator makes.
  bool read_whole(const PrintFact& print, std::size_t at, std::size_t end) {
    Node node;
    if (!read_node(at, end, node)) return false;
    take_evaluated(print, node);
    return true;
  }
  void take_evaluated(const PrintFact& print, const Node& node) {
    parts_.call = print.name;
    parts_.dialect = find_dialect(form_.plain_dialect);
    parts_.is_whole = true;
    parts_.add_argument(node, {});
    parts_.inner = form_.plain_field;
    parts_.segments.push_back({{0, parts_.inner.size()}, node.span, false});
  }

  // echo $a, "\n"
  bool read_bare(const PrintFact& print, std::size_t at, std::size_t end) {
    Node list;
    list.kind = Node::Kind::call;
    list.parts.emplace_back();
    for (;;) {
      const auto reader = form_.reader(content_, at);
      list.parts.emplace_back();
      list.keys.emplace_back();
      if (!reader->read(list.parts.back())) {
        content_.refusal = reader->refusal();
        return false;
      }
      at = behind_blanks(reader->at());
      if (at >= end) break;
      if (text_[at] != ',') return not_understood({at, end});
      ++at;
    }
    if (list.parts.size() == 2 && take(list.parts[1])) {
      parts_.call = print.name;
      parts_.after = print.after;
      return true;
    }
    return !error_ && take_values(list, print);
  }

  // What a function that prints is given: one template that is filled in, or made by a call.
  bool read_printed(std::size_t at, std::size_t end) {
    at = behind_blanks(at);
    const std::size_t behind = read_ending(end);
    if (read_filled_literal(at, behind) || read_slots(at, behind)) return true;
    if (error_) return false;
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
    parts_.after = node.value.as_text();
    return comma;
  }

  bool read_filled_literal(std::size_t at, std::size_t end) {
    if (form_.filled_literal == nullptr) return false;
    const std::size_t size = form_.filled_literal(text_.substr(at, end - at));
    if (size == 0 || behind_blanks(at + size) < end) return false;
    parts_.dialect = find_dialect(language_.lexis->filling_dialect);
    parts_.add_segment({at, at + size}, true);
    parts_.is_filled = true;
    return parts_.dialect != nullptr;
  }

  // $"{price * 2,8:F2} g"
  bool read_slots(std::size_t at, std::size_t end) {
    if (!begins_with_slots(form_, text_.substr(at, end - at))) return false;
    const std::optional<std::size_t> stop = form_.read_slots(parts_, at, content_);
    if (!stop) return fail_as_refused();
    if (behind_blanks(*stop) >= end) return parts_.dialect != nullptr;
    parts_.segments.clear();
    parts_.inner.clear();
    parts_.arguments.clear();
    parts_.argument_names.clear();
    parts_.names.clear();
    return false;
  }
  bool fail_as_refused() {
    const Error error = fault();
    error_ = error;
    return false;
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
    return take_plainly(node) || take_result(node) || take_value(node) || not_understood({at, end});
  }

  // An expression alone, whose value is shown as the language prints it.
  bool take_value(const Node& node) {
    // Words with points between them are texts that PHP would join.
    const bool joins =
        node.kind == Node::Kind::binary && node.operation == computed::Operation::join;
    const bool has_value =
        node.kind != Node::Kind::name && node.kind != Node::Kind::function && !joins;
    if (!alone_ || !has_value || form_.value_field.empty()) return false;
    parts_.dialect = find_dialect(form_.plain_dialect);
    parts_.add_argument(node, {});
    parts_.inner = form_.value_field;
    parts_.segments.push_back({{0, parts_.inner.size()}, node.span, false});
    return parts_.dialect != nullptr;
  }

  // An expression whose result the language shows.
  bool take_result(const Node& node) {
    if (form_.shows_results.empty()) return false;
    Node shown;
    shown.kind = Node::Kind::call;
    shown.span = node.span;
    shown.parts.resize(2);
    shown.parts[0].kind = Node::Kind::name;
    shown.parts[0].text = form_.shows_results;
    shown.parts[1] = node;
    shown.keys.resize(1);
    take_evaluated(*find_print(form_, form_.shows_results), shown);
    return true;
  }

  // A call with a template, or an operator behind one. False where it is none; an error where the
  // template is no literal.
  bool take(const Node& node) {
    if (node.kind == Node::Kind::binary && node.operation == computed::Operation::remainder &&
        is_text(node.parts[0]) && !language_.lexis->percent_dialect.empty()) {
      parts_.dialect = find_dialect(language_.lexis->percent_dialect);
      const Node& values = node.parts[1];
      if (values.kind == Node::Kind::tuple)
        for (const Node& part : values.parts) parts_.add_argument(part, {});
      else if (values.kind == Node::Kind::record)
        for (std::size_t i = 0; i < values.parts.size(); ++i)
          parts_.add_argument(values.parts[i], values.keys[i]);
      else
        parts_.add_argument(values, {});
      return take_template(node.parts[0]);
    }
    if (node.kind != Node::Kind::call) return false;
    const Node& callee = node.parts[0];
    const bool is_method = callee.kind == Node::Kind::member && is_text(callee.parts[0]);
    const std::string path = is_method ? callee.text : computed::path_of(callee);
    const CallFact* chosen = nullptr;
    for (const CallFact& call : language_.calls) {
      const bool fits =
          is_method ? call.shape == CallShape::receiver && call.name == path
                    : takes_arguments(call.shape) && !path.empty() && is_called(call, path, &form_);
      const auto template_part = static_cast<std::size_t>(call.template_at) + 1;
      if (!fits || (!is_method && template_part >= node.parts.size())) continue;
      // Without values it is a text that is printed.
      if (call.needs_values && template_part + 1 >= node.parts.size()) continue;
      if (chosen == nullptr) chosen = &call;
      if (is_method || is_joined_text(node.parts[template_part])) {
        chosen = &call;
        break;
      }
    }
    if (chosen == nullptr) return false;
    const std::size_t from = is_method ? 1 : static_cast<std::size_t>(chosen->template_at) + 2;
    const Node& source = is_method ? callee.parts[0] : node.parts[from - 1];
    if (!is_joined_text(source))
      return fail("a template that is not a literal is not supported yet", source.span,
                  "Write the literal in its place.");
    parts_.dialect = find_dialect(chosen->dialect);
    const bool takes_locale = chosen->names_locale && chosen->template_at == 1;
    if (takes_locale && node.parts[1].kind == Node::Kind::binary)
      return fail("a template that is put together is not supported yet", node.parts[1].span,
                  "Write it as one literal.");
    if (takes_locale && !take_locale(node.parts[1])) return false;
    if (parts_.call.empty()) parts_.call = path;
    if (const PrintFact* print = find_print(form_, path)) parts_.after = print->after;
    for (std::size_t i = from; i < node.parts.size(); ++i)
      parts_.add_argument(node.parts[i], node.keys[i - 1]);
    return take_template(source);
  }

  // Locale.ROOT, Locale.forLanguageTag("de-DE")
  bool take_locale(const Node& node) {
    // new Locale("de", "DE")
    const bool makes = node.kind == Node::Kind::call &&
                       (node.parts.size() == 2 || node.parts.size() == 3) &&
                       std::all_of(node.parts.begin() + 1, node.parts.end(), is_text) &&
                       has_word(form_.locale_makers, computed::path_of(node.parts[0]));
    const std::string path = makes ? std::string() : computed::path_of(node);
    for (const LocaleFact& fact : form_.locales) {
      if (!path.empty() && fact.path == path) parts_.locale = fact.locale;
    }
    if (makes) parts_.locale = node.parts[1].value.as_text();
    if (makes && node.parts.size() == 3)
      parts_.locale += "-" + std::string(node.parts[2].value.as_text());
    const bool is_known = !parts_.locale.empty() &&
                          !find_fault(parts_.dialect->facts(), Setting{"locale", parts_.locale});
    return is_known || fail("this locale in a call is not supported yet", node.span,
                            "Leave it out of the call, and give it as --locale.");
  }

  // print(x, y): each value as the language shows it.
  bool take_plainly(const Node& node) {
    if (form_.plain_field.empty() || node.kind != Node::Kind::call) return false;
    const std::string path = computed::path_of(node.parts[0]);
    const PrintFact* print = path.empty() ? nullptr : find_print(form_, path);
    return print != nullptr && node.parts.size() > 1 && take_values(node, *print);
  }

  // print(*items, sep=", "): the texts of the items, joined.
  static std::optional<Node> joined(const Node& call, const std::string& separator) {
    std::size_t at = 0;
    for (std::size_t i = 1; i < call.parts.size(); ++i) {
      if (!call.keys[i - 1].empty()) continue;
      if (at != 0 || call.parts[i].kind != Node::Kind::spread) return std::nullopt;
      at = i;
    }
    if (at == 0) return std::nullopt;
    const auto named = [&](Node::Kind kind, const char* text) {
      Node out;
      out.kind = kind;
      out.text = text;
      out.span = call.parts[at].span;
      return out;
    };
    Node texts = named(Node::Kind::call, "");
    texts.parts = {named(Node::Kind::name, "map"), named(Node::Kind::name, "str"),
                   call.parts[at].parts[0]};
    texts.keys.resize(2);
    Node method = named(Node::Kind::member, "join");
    method.parts.push_back(named(Node::Kind::constant, ""));
    method.parts[0].value = Value::text(separator);
    Node out = named(Node::Kind::call, "");
    out.parts = {std::move(method), std::move(texts)};
    out.keys.resize(1);
    return out;
  }

  bool take_values(const Node& node, const PrintFact& print) {
    parts_.after = print.after;
    parts_.call = print.name;
    std::string separator(form_.separator);
    parts_.dialect = find_dialect(form_.plain_dialect);
    bool first = true;
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      const Node& part = node.parts[i];
      const std::string& key = node.keys[i - 1];
      if (!key.empty()) {
        const bool separates = key == form_.separator_argument;
        if ((!separates && key != form_.ending_argument) || !is_text(part)) return false;
        (separates ? separator : parts_.after) = part.value.as_text();
      }
    }
    if (auto all = form_.separator_argument.empty() ? std::nullopt : joined(node, separator)) {
      parts_.add_argument(*all, {});
      parts_.inner += form_.plain_field;
      parts_.segments.push_back({{0, parts_.inner.size()}, all->span, false});
      return true;
    }
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      if (!node.keys[i - 1].empty()) continue;
      if (!first) parts_.add_text(separator, node.parts[i].span.from);
      first = false;
      parts_.add_argument(node.parts[i], {});
      const std::size_t from = parts_.inner.size();
      parts_.inner += print.field.empty() ? form_.plain_field : print.field;
      parts_.segments.push_back({{from, parts_.inner.size()}, node.parts[i].span, false});
    }
    return true;
  }

  bool has_escapes_of_call(char quote) const {
    const auto quotes = language_.lexis->quotes;
    return std::any_of(quotes.begin(), quotes.end(), [&](const QuoteFact& fact) {
      return fact.quote == quote && fact.rule == LiteralRule::doubled_escapes;
    });
  }

  // "a" or "a" . "b": literals, and the operator that joins them.
  bool is_joined_text(const Node& node) const {
    const std::string_view sign = language_.lexis->join;
    if (is_text(node)) return true;
    return node.kind == Node::Kind::binary && !sign.empty() &&
           computed::text_of(*form_.grammar, node.operation) == sign &&
           is_joined_text(node.parts[0]) && is_joined_text(node.parts[1]);
  }

  void take_pieces(const Node& node) {
    if (node.kind == Node::Kind::binary) {
      take_pieces(node.parts[0]);
      take_pieces(node.parts[1]);
      return;
    }
    // A constant such as PHP_EOL.
    if (node.texts.empty()) parts_.add_text(node.value.as_text(), node.span.from);
    for (const Span& part : node.texts) {
      const char quote = text_[part.from - 1];
      if (!node.is_raw)
        parts_.add_segment(part, true);
      else if (has_escapes_of_call(quote))
        parts_.add_doubled(part, quote);
      else
        parts_.add_raw(part);
    }
  }

  bool take_template(const Node& node) {
    take_pieces(node);
    return parts_.dialect != nullptr;
  }

  const LanguageFacts& language_;
  const ExpressionForm& form_;
  bool alone_;
  TemplateContent content_;
  std::string_view text_;
  std::optional<Error> error_;
  StatementParts parts_;
};

}  // namespace

Result<Template> read_statement(const LanguageFacts& language, std::string_view source,
                                std::size_t begin, bool alone) {
  Result<Template> read = StatementReader(language, source, alone).read(begin);
  if (!read || read->statement() == nullptr || !language.expressions->lists_are_shared) return read;
  // What an array shows as a whole is not what a list shows.
  const NamedLists lists(language);
  for (const Node& argument : read->statement()->arguments) {
    if (lists.shows_array(argument))
      return Error{Code::not_supported_yet, "an array as a whole is not supported yet",
                   argument.span, "Show its items."};
  }
  return read;
}

}  // namespace inky::inline v1
