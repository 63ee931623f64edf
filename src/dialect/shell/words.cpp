#include "words.hpp"

#include <algorithm>
#include <memory>
#include <utility>

#include "../family/values.hpp"
#include "arithmetic.hpp"
#include "dialect/lexis.hpp"
#include "dialect/statement_parts.hpp"
#include "dialects.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::shell {

namespace {

using computed::Node;
using computed::Operation;

// ---- Words ----

class Words {
 public:
  Words(StatementParts& parts, Span inside, std::optional<Error>& error)
      : parts_(parts), text_(parts.text), at_(inside.from), end_(inside.to), error_(error) {}

  // One word, up to the end.
  bool read_value(Node& word) {
    if (!read_word(word)) return false;
    skip_blanks();
    return at_ >= end_ || refuse("what follows here is", {at_, end_});
  }

  bool read() {
    constexpr std::string_view opening = "$(";
    if (text_.substr(at_, end_ - at_).starts_with(opening) && text_[end_ - 1] == ')' &&
        !text_.substr(at_).starts_with("$((")) {
      at_ += opening.size();
      --end_;
      skip_blanks();
    }
    const std::size_t start = at_;
    while (at_ < end_ && is_word_part(text_[at_])) ++at_;
    const std::string_view name = text_.substr(start, at_ - start);
    parts_.dialect = shell_dialect();
    if (name == "printf") {
      parts_.call = "printf";
      return read_template() && read_arguments();
    }
    if (name == "echo") {
      parts_.call = "echo";
      return read_echo();
    }
    at_ = start;
    return refuse("a command such as this is", {start, end_});
  }

 private:
  bool refuse(std::string what, Span span) {
    if (!error_)
      error_ = Error{Code::not_supported_yet, std::move(what) + " not supported yet", span,
                     "Paste the printf alone, with its arguments."};
    return false;
  }

  void skip_blanks() {
    while (at_ < end_ &&
           (text_[at_] == ' ' || text_[at_] == '\t' || text_.substr(at_, 2) == "\\\n"))
      at_ += text_[at_] == '\\' ? 2 : 1;
  }

  bool read_template() {
    skip_blanks();
    if (text_.substr(at_, end_ - at_).starts_with("-- ")) {
      at_ += 2;
      ends_options_ = true;
      skip_blanks();
    }
    const std::size_t start = at_;
    Node word;
    if (!read_word(word)) return false;
    if (!computed::is_text(word))
      return refuse("a template with a variable in it is", {start, at_});
    const std::string_view text = word.value.as_text();
    if (text.starts_with('-') && text.size() > 1) {
      // Behind -- it is no option.
      if (!ends_options_) return refuse("a template that is read as an option is", {start, at_});
      parts_.inner = "\\055" + std::string(text.substr(1));
      parts_.segments.push_back({{0, parts_.inner.size()}, {start, at_}, false});
      return true;
    }
    parts_.inner = text;
    // Between quotes it stands in the statement as it is, but for escapes.
    const bool verbatim = text_.substr(start + 1, text.size()) == text;
    parts_.segments.push_back(
        {{0, text.size()},
         verbatim ? Span{start + 1, start + 1 + text.size()} : Span{start, at_},
         verbatim});
    return true;
  }

  bool read_arguments() {
    for (skip_blanks(); at_ < end_; skip_blanks()) {
      Node word;
      if (!read_word(word)) return false;
      parts_.add_argument(word, {});
    }
    return true;
  }

  // echo "Total: $total": each word with its escapes read, and blanks between them.
  bool read_echo() {
    std::vector<Node> words;
    for (skip_blanks(); at_ < end_; skip_blanks()) {
      words.emplace_back();
      if (!read_word(words.back())) return false;
    }
    const bool has_option =
        !words.empty() && computed::is_text(words[0]) && words[0].value.as_text() == "-n";
    if (has_option) words.erase(words.begin());
    bool first = true;
    for (const Node& word : words) {
      const std::size_t from = parts_.inner.size();
      parts_.inner += first ? "%b" : " %b";
      first = false;
      parts_.segments.push_back({{from, parts_.inner.size()}, word.span, false});
      parts_.add_argument(word, {});
    }
    if (has_option && !words.empty()) return true;
    const std::size_t from = parts_.inner.size();
    parts_.inner += has_option ? "" : "\\n";
    parts_.segments.push_back({{from, parts_.inner.size()}, {end_, end_}, false});
    return true;
  }

  // One word: pieces with and without quotes, one behind the other.
  bool read_word(Node& word) {
    const std::size_t start = at_;
    bool first = true;
    while (at_ < end_ && text_[at_] != ' ' && text_[at_] != '\t' && text_[at_] != '\n') {
      const char c = text_[at_];
      if (std::string_view(";|&<>()`#*?[~{!=").find(c) != std::string_view::npos &&
          !(c == '#' && at_ > start) && c != '=' && c != '!')
        return refuse(std::string("the sign ") + c + " outside of quotes is", {at_, at_ + 1});
      if (c == '\'') {
        const std::size_t close = text_.find('\'', at_ + 1);
        if (close == std::string_view::npos || close >= end_)
          return refuse("a text without its closing quote is", {at_, end_});
        add_text(word, first, text_.substr(at_ + 1, close - at_ - 1));
        at_ = close + 1;
      } else if (c == '"') {
        if (!read_double_quoted(word, first)) return false;
      } else if (c == '$') {
        if (!read_variable(word, first, false)) return false;
      } else if (c == '\\') {
        add_text(word, first, text_.substr(std::min(at_ + 1, end_), 1));
        at_ = std::min(at_ + 2, end_);
      } else {
        add_text(word, first, text_.substr(at_++, 1));
      }
      first = false;
    }
    word.span = {start, at_};
    // A new line is no word.
    return at_ > start || refuse("what follows here is", {start, end_});
  }

  bool read_double_quoted(Node& word, bool& first) {
    const std::size_t start = at_++;
    add_text(word, first, {});
    first = false;
    while (at_ < end_ && text_[at_] != '"') {
      const char c = text_[at_];
      if (c == '`') return refuse("a command in a text is", {at_, at_ + 1});
      if (c == '$' && at_ + 1 < end_ &&
          (is_word_start(text_[at_ + 1]) || text_[at_ + 1] == '{' || text_[at_ + 1] == '(' ||
           std::string_view("*@#?!-0123456789").find(text_[at_ + 1]) != std::string_view::npos)) {
        if (!read_variable(word, first, true)) return false;
        continue;
      }
      const bool keeps =
          c == '\\' && at_ + 1 < end_ &&
          std::string_view("$`\"\\\n").find(text_[at_ + 1]) != std::string_view::npos;
      if (keeps) ++at_;
      if (!keeps || text_[at_] != '\n') add_text(word, first, text_.substr(at_, 1));
      ++at_;
    }
    if (at_ >= end_) return refuse("a text without its closing quote is", {start, end_});
    ++at_;
    return true;
  }

  // $name, ${name}, $((expression))
  bool read_variable(Node& word, bool& first, bool is_quoted) {
    const std::size_t start = at_++;
    Node part;
    if (text_.substr(at_, end_ - at_).starts_with("((")) {
      TemplateContent content;
      content.source = text_;
      Arithmetic reader(content, at_ + 2, end_);
      const bool good = reader.read(part);
      const std::size_t close =
          std::min(text_.find_first_not_of(" \t", std::min(reader.at(), end_)), end_);
      if (!good || !text_.substr(close, end_ - close).starts_with("))"))
        return refuse("this arithmetic is", {start, end_});
      part.enclosed = true;
      at_ = close + 2;
    } else {
      const bool braced = at_ < end_ && text_[at_] == '{';
      at_ += braced ? 1 : 0;
      const std::size_t from = at_;
      while (at_ < end_ && is_word_part(text_[at_])) ++at_;
      const std::string_view name = text_.substr(from, at_ - from);
      const bool closed = !braced || (at_ < end_ && text_[at_] == '}');
      if (name.empty() || !is_word_start(name[0]) || !closed)
        return refuse("this variable is", {start, std::max(at_, start + 1)});
      at_ += braced ? 1 : 0;
      // Without quotes it may be split.
      part.is_raw = !is_quoted;
      part.kind = Node::Kind::name;
      part.text = name;
    }
    part.span = {start, at_};
    add(word, first, std::move(part));
    first = false;
    return true;
  }

  static void add_text(Node& word, bool first, std::string_view text) {
    if (!first && computed::is_text(word)) {
      word.value = Value::text(std::string(word.value.as_text()) + std::string(text));
      return;
    }
    if (!first && text.empty()) return;
    // The text at the end of a chain grows.
    if (!first && word.kind == Node::Kind::binary && computed::is_text(word.parts[1])) {
      Value& last = word.parts[1].value;
      last = Value::text(std::string(last.as_text()) + std::string(text));
      return;
    }
    Node part;
    part.kind = Node::Kind::constant;
    part.value = Value::text(std::string(text));
    add(word, first, std::move(part));
  }

  static void add(Node& word, bool first, Node part) {
    const bool is_empty_text = computed::is_text(word) && word.value.as_text().empty();
    if (first || is_empty_text) {
      word = std::move(part);
      return;
    }
    computed::wrap(word, Node::Kind::binary);
    word.operation = Operation::join;
    word.parts.push_back(std::move(part));
  }

  StatementParts& parts_;
  std::string_view text_;
  std::size_t at_;
  std::size_t end_;
  std::optional<Error>& error_;
  bool ends_options_ = false;  // -- is before the template
};

bool read_words(StatementParts& parts, Span inside, std::optional<Error>& error) {
  return Words(parts, inside, error).read();
}

// What is between $(( and )), alone.
bool compute_arithmetic(std::string_view source, const computed::Scope& scope, Value& out,
                        computed::Trouble& trouble) {
  using When = computed::Trouble::When;
  TemplateContent content;
  content.source = source;
  Arithmetic reader(content, 0, source.size());
  Node node;
  if (!reader.read(node)) {
    const Refusal& refusal = *reader.refusal();
    const bool later = refusal.when == Refusal::When::not_supported_yet;
    trouble = {later ? When::not_supported_yet : When::compile, refusal.as, refusal.why,
               refusal.span};
    return false;
  }
  const std::size_t end = std::min(source.find_first_not_of(" \t\n", reader.at()), source.size());
  if (end < source.size()) {
    trouble = {When::not_supported_yet,
               {},
               "what follows here is not supported yet",
               Span{end, source.size()}};
    return false;
  }
  node.enclosed = true;
  Expressions expressions(scope);
  if (expressions.evaluate(node, out)) return true;
  trouble = *expressions.trouble();
  return false;
}

// name="ink", n=$((n + 1)): a word, as a text.
bool compute_word(std::string_view source, const computed::Scope& scope, Value& out,
                  computed::Trouble& trouble) {
  using When = computed::Trouble::When;
  StatementParts parts;
  parts.text = source;
  std::optional<Error> error;
  Node word;
  if (!Words(parts, {0, source.size()}, error).read_value(word)) {
    trouble = {When::not_supported_yet, {}, error->message, error->span};
    return false;
  }
  Expressions expressions(scope);
  if (!expressions.evaluate(word, out)) {
    trouble = *expressions.trouble();
    return false;
  }
  if (is_whole(out.type())) out = Value::text(whole_text(out));
  return true;
}

// printf and a template, or echo and a text. What ends in a semicolon is of another language.
bool begins_command(std::string_view source) {
  std::string_view rest = source;
  if (rest.starts_with("$(")) rest.remove_prefix(2);
  const std::size_t size = rest.starts_with("printf ") ? 7 : rest.starts_with("echo ") ? 5 : 0;
  if (size == 0) return false;
  rest.remove_prefix(std::min(rest.find_first_not_of(" \t", size), rest.size()));
  const std::size_t last = rest.find_last_not_of(" \t\r\n");
  if (last == std::string_view::npos || rest[last] == ';') return false;
  const bool is_text = rest[0] == '\'' || rest[0] == '"';
  return size == 7 ? is_text || rest[0] == '%' || rest.starts_with("-- ")
                   : is_text || rest[0] == '$';
}

}  // namespace

const ExpressionForm expression_form = {
    .read_words = read_words,
    .compute = compute_arithmetic,
    .compute_declared = compute_word,
    .grammar = &grammar,
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope);
    },
    .ends = "\n",
    .begins = begins_command};

EscapedText read_escaped(std::string_view text) {
  constexpr std::string_view letters = "\\abfnrtv";
  constexpr std::string_view meanings = "\\\a\b\f\n\r\t\v";
  EscapedText out;
  for (std::size_t at = 0; at < text.size(); ++at) {
    const char next = at + 1 < text.size() ? text[at + 1] : '\0';
    if (text[at] != '\\') {
      out.bytes += text[at];
    } else if (next == 'c') {
      out.ends = true;
      return out;
    } else if (const std::size_t which = letters.find(next);
               which != std::string_view::npos && at + 1 < text.size()) {
      out.bytes += meanings[which];
      ++at;
    } else if (next >= '0' && next <= '7') {
      // Up to three digits, behind a zero that may be left out.
      std::size_t digits = at + (next == '0' ? 2 : 1);
      unsigned byte = 0;
      std::size_t count = 0;
      for (; count < 3 && digits < text.size() && text[digits] >= '0' && text[digits] <= '7';
           ++count, ++digits)
        byte = byte * 8 + static_cast<unsigned>(text[digits] - '0');
      out.bytes += static_cast<char>(byte & 0xFFU);
      at = digits - 1;
    } else {
      out.bytes += '\\';
    }
  }
  return out;
}

std::string written_argument(const std::string& source) {
  const bool is_name = !source.empty() && is_word_start(source[0]) &&
                       std::all_of(source.begin(), source.end(), is_word_part);
  if (is_name) return "\"$" + source + "\"";
  if (source.starts_with('(')) return "\"$(" + source + ")\"";
  return source;
}

}  // namespace inky::inline v1::shell
