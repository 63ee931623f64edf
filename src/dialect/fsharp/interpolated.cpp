// Interpolated strings of F#: the F# language reference, Interpolated strings, and what F# 10
// answers.
//
//   $"%.2f{price} {name,-8}| {n + 1:D4}"
//
// A slot behind a field of sprintf is its value; any other is a text, as string and ToString make it.

#include <algorithm>
#include <string>
#include <utility>

#include "dialect/statement_parts.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::fsharp {

namespace {

using computed::Node;

class Interpolated {
 public:
  Interpolated(StatementParts& parts, TemplateContent& content)
      : parts_(parts), content_(content), text_(content.source) {}

  std::optional<std::size_t> read(std::size_t at) {
    const std::size_t start = at;
    is_triple_ = text_.substr(at).starts_with("$\"\"\"");
    const bool is_plain = text_.substr(at).starts_with("$\"");
    if (!is_plain) return refuse(start, "this kind of text");
    at += is_triple_ ? 4 : 2;
    begin_ = at;
    const std::string_view quote = is_triple_ ? "\"\"\"" : "\"";
    while (!text_.substr(std::min(at, text_.size())).starts_with(quote)) {
      if (at >= text_.size()) return fail(Refusal::When::compile, start, "a closing \" is missing");
      if (!step(at)) return std::nullopt;
    }
    add_plain(at);
    if (parts_.segments.empty()) parts_.add_segment({at, at}, true);
    parts_.dialect = fsharp_dialect();
    return at + quote.size();
  }

 private:
  std::nullopt_t fail(Refusal::When when, std::size_t from, std::string why) {
    if (!content_.refusal) {
      const bool is_fault = when == Refusal::When::compile;
      content_.refusal = {when, is_fault ? "FS0010" : "Give its value a name.", std::move(why),
                          Span{std::min(from, text_.size() - 1), text_.size()}};
    }
    return std::nullopt;
  }
  std::nullopt_t refuse(std::size_t from, const std::string& what) {
    return fail(Refusal::When::not_supported_yet, from, what + " is not supported yet");
  }

  void add_plain(std::size_t to) {
    if (to > begin_) {
      if (is_triple_)
        parts_.add_raw({begin_, to});
      else
        parts_.add_segment({begin_, to}, true);
    }
    begin_ = to;
  }

  bool step(std::size_t& at) {
    const char c = text_[at];
    const std::string_view two = text_.substr(at, 2);
    if (c == '\\' && !is_triple_) {
      at = std::min(at + 2, text_.size());
      return true;
    }
    if (two == "{{" || two == "}}") {
      add_plain(at + 1);
      begin_ = at += 2;
      return true;
    }
    if (c == '}') {
      fail(Refusal::When::compile, at, "a brace closes no slot");
      return false;
    }
    if (two == "%%") {
      at += 2;
      return true;
    }
    if (c == '%') {
      // The field, up to its letter; a slot has to follow.
      std::size_t letter = at + 1;
      while (letter < text_.size() && !is_word_start(text_[letter]) && text_[letter] != '{' &&
             text_[letter] != '"')
        ++letter;
      if (text_.substr(std::min(letter + 1, text_.size())).starts_with('{')) {
        at = letter + 1;
        add_plain(at);
        return read_slot(at, true);
      }
      refuse(at, "a field without a slot");
      return false;
    }
    if (c == '{') {
      add_plain(at);
      return read_slot(at, false);
    }
    ++at;
    return true;
  }

  // x.ToString("F2")
  static Node shown_by(Node of, const std::string& form, Span span) {
    if (!computed::is_plain(of)) of.enclosed = true;
    of.span = span;
    computed::wrap(of, Node::Kind::member);
    of.text = "ToString";
    computed::wrap(of, Node::Kind::call);
    Node text;
    text.kind = Node::Kind::constant;
    text.value = Value::text(form);
    text.span = span;
    of.parts.push_back(std::move(text));
    of.keys.emplace_back();
    return of;
  }
  // string x
  static Node shown_plainly(Node of, Span span) {
    Node out;
    out.kind = Node::Kind::call;
    out.span = span;
    out.parts.emplace_back();
    out.parts[0].kind = Node::Kind::name;
    out.parts[0].text = "string";
    out.parts.push_back(std::move(of));
    out.keys.emplace_back();
    return out;
  }

  // A format behind a colon: a name, or anything between double backquotes. Moves behind it.
  bool read_format(std::size_t& at, std::string& form) {
    const std::size_t start = at++;
    const auto skip = [&] { at = std::min(text_.find_first_not_of(' ', at), text_.size()); };
    skip();
    constexpr std::string_view quote = "``";
    if (text_.substr(at).starts_with(quote)) {
      const std::size_t from = at + quote.size();
      const std::size_t close = text_.find(quote, from);
      if (close == std::string_view::npos) {
        fail(Refusal::When::compile, start, "closing double backquotes are missing");
        return false;
      }
      form = text_.substr(from, close - from);
      at = close + quote.size();
      skip();
      return true;
    }
    const std::size_t from = at;
    while (at < text_.size() && is_word_part(text_[at])) ++at;
    form = text_.substr(from, at - from);
    skip();
    const bool is_name =
        !form.empty() && is_word_start(form[0]) && at < text_.size() && text_[at] == '}';
    if (!is_name)
      fail(Refusal::When::compile, start,
           "a format in a slot is a name; put any other between double backquotes");
    return is_name;
  }

  // The slot whose brace is at `at`; moves behind it. `has_field`: a field of sprintf is before it.
  bool read_slot(std::size_t& at, bool has_field) {
    const std::size_t start = at;
    const std::size_t close = text_.find('}', at);
    if (!is_triple_ &&
        text_.substr(at, std::min(close, text_.size()) - at).find('"') != std::string_view::npos) {
      fail(Refusal::When::compile, at,
           "a quote in a slot ends the text; a text between three quotes may have it");
      content_.refusal->as = "FS3373";
      return false;
    }
    ExpressionReader reader(content_, at + 1);
    Node node;
    if (!reader.read(node)) {
      if (!content_.refusal) content_.refusal = reader.refusal();
      return false;
    }
    at = std::min(text_.find_first_not_of(" \t\r\n", reader.at()), text_.size());
    std::string width;
    if (at < text_.size() && text_[at] == ',' && !has_field) {
      ++at;
      while (at < text_.size() && (is_digit(text_[at]) || text_[at] == '-' || text_[at] == ' '))
        width += text_[at++];
      std::erase(width, ' ');
    }
    std::string form;
    const bool has_form = at < text_.size() && text_[at] == ':' && !has_field;
    if (has_form && !read_format(at, form)) return false;
    if (at >= text_.size() || text_[at] != '}') {
      refuse(start, "this in a slot");
      return false;
    }
    ++at;
    begin_ = at;
    if (has_field) {
      parts_.add_argument(node, {});
      return true;
    }
    const std::size_t from = parts_.inner.size();
    parts_.inner += "%" + width + "s";
    parts_.segments.push_back({{from, parts_.inner.size()}, {start, at}, false});
    const Span span = node.span;
    parts_.add_argument(
        has_form ? shown_by(std::move(node), form, span) : shown_plainly(std::move(node), span),
        {});
    return true;
  }

  StatementParts& parts_;
  TemplateContent& content_;
  std::string_view text_;
  bool is_triple_ = false;
  std::size_t begin_ = 0;  // of the text that is not a part of the template yet
};

}  // namespace

std::optional<std::size_t> read_interpolated(StatementParts& parts, std::size_t at,
                                             TemplateContent& content) {
  return Interpolated(parts, content).read(at);
}

}  // namespace inky::inline v1::fsharp
