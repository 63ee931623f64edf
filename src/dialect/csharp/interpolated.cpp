#include "interpolated.hpp"

#include <algorithm>
#include <string>
#include <string_view>

#include "dialects.hpp"

namespace inky::inline v1::csharp {

namespace {

using computed::Node;

class Interpolated {
 public:
  Interpolated(StatementParts& parts, TemplateContent& content,
               std::unique_ptr<computed::Reader> (*make_reader)(TemplateContent&, std::size_t))
      : parts_(parts), content_(content), text_(content.source), make_reader_(make_reader) {}

  std::optional<std::size_t> read(std::size_t at) {
    const std::size_t start = at;
    while (at < text_.size() && (text_[at] == '$' || text_[at] == '@')) {
      is_verbatim_ = is_verbatim_ || text_[at] == '@';
      braces_ += text_[at++] == '$' ? 1 : 0;
    }
    const std::size_t quotes =
        std::min(text_.find_first_not_of('"', at), text_.size()) - std::min(at, text_.size());
    constexpr std::size_t least_raw_quotes = 3;
    is_raw_ = quotes >= least_raw_quotes && !is_verbatim_;
    if (quotes == 0 || (braces_ > 1 && !is_raw_)) return refuse(start, "this");
    quote_.assign(is_raw_ ? quotes : 1, '"');
    at += quote_.size();
    begin_ = at;
    if (is_raw_ && text_.substr(at, 1) == "\n") return refuse(start, "a raw text of several lines");
    while (text_.substr(std::min(at, text_.size())).substr(0, quote_.size()) != quote_ ||
           is_doubled_quote(at)) {
      if (at >= text_.size() || (text_[at] == '\n' && !is_verbatim_))
        return fail(Refusal::When::compile, start, "a closing \" is missing");
      if (!step(at)) return std::nullopt;
    }
    add_plain(at);
    if (parts_.segments.empty()) parts_.add_segment({at, at}, true);
    parts_.dialect = csharp_dialect();
    return at + quote_.size();
  }

 private:
  std::nullopt_t fail(Refusal::When when, std::size_t from, std::string why) {
    if (!content_.refusal) {
      const bool is_fault = when == Refusal::When::compile;
      content_.refusal = {when, is_fault ? "error" : "Give its value a name.", std::move(why),
                          Span{std::min(from, text_.size() - 1), text_.size()}};
    }
    return std::nullopt;
  }
  std::nullopt_t refuse(std::size_t from, const std::string& what) {
    return fail(Refusal::When::not_supported_yet, from, what + " is not supported yet");
  }

  bool is_doubled_quote(std::size_t at) const {
    return is_verbatim_ && text_.substr(at, 2) == "\"\"";
  }

  // The text before `to` that is not a part of the template yet.
  void add_plain(std::size_t to) {
    if (to > begin_) {
      if (is_verbatim_ || is_raw_)
        parts_.add_raw({begin_, to});
      else
        parts_.add_segment({begin_, to}, true);
    }
    begin_ = to;
  }

  // A brace of the text, which a template has twice.
  void add_brace(std::size_t at) {
    add_plain(at);
    const std::size_t from = parts_.inner.size();
    parts_.inner.append(2, text_[at]);
    parts_.segments.push_back({{from, parts_.inner.size()}, {at, at + 1}, false});
    begin_ = at + 1;
  }

  bool step(std::size_t& at) {
    const char c = text_[at];
    if (is_doubled_quote(at)) {
      add_plain(at + 1);
      begin_ = at += 2;
      return true;
    }
    if (c == '\\' && !is_verbatim_ && !is_raw_) {
      at = std::min(at + 2, text_.size());
      return true;
    }
    if (c != '{' && c != '}') {
      ++at;
      return true;
    }
    const std::size_t run = std::min(text_.find_first_not_of(c, at), text_.size()) - at;
    if (is_raw_) return step_raw(at, c, run);
    if (run > 1) {
      at += 2;
      return true;
    }
    // A brace that closes nothing is the template's to refuse.
    if (c == '}') {
      ++at;
      return true;
    }
    add_plain(at);
    return read_slot(at, 1);
  }

  // As many braces as there are dollar signs begin a slot; fewer are text.
  bool step_raw(std::size_t& at, char brace, std::size_t run) {
    if (run >= 2 * braces_) {
      fail(Refusal::When::compile, at, "too many braces for this many dollar signs");
      return false;
    }
    const bool opens = brace == '{' && run >= braces_;
    if (brace == '}' && run >= braces_) {
      fail(Refusal::When::compile, at, "a brace closes no slot");
      return false;
    }
    for (std::size_t plain = opens ? run - braces_ : run; plain > 0; --plain) add_brace(at++);
    if (!opens) return true;
    add_plain(at);
    return read_slot(at, braces_);
  }

  // The slot whose braces begin at `at`; moves behind it.
  bool read_slot(std::size_t& at, std::size_t braces) {
    const std::size_t start = at;
    const auto reader = make_reader_(content_, at + braces);
    Node node;
    // A condition needs parentheses: its colon would begin a format.
    if (!reader->read(node, 1)) {
      if (!content_.refusal) content_.refusal = reader->refusal();
      return false;
    }
    at = std::min(text_.find_first_not_of(" \t\r\n", reader->at()), text_.size());
    const bool ends =
        at < text_.size() && std::string_view(",:}").find(text_[at]) != std::string_view::npos;
    const std::size_t close = text_.find('}', at);
    if (!ends || text_.substr(std::min(close, text_.size()), braces) != std::string(braces, '}')) {
      refuse(start, "this in a slot");
      return false;
    }
    // As a number or by its name, as the letter says.
    if (node.kind == Node::Kind::member && node.text == "DayOfWeek" && text_[at] == ':') {
      refuse(start, "a format of a day of the week");
      return false;
    }
    std::size_t from = parts_.inner.size();
    (parts_.inner += '{') += std::to_string(parts_.arguments.size());
    parts_.segments.push_back({{from, from + 1}, {start, start + braces}, false});
    parts_.segments.push_back({{from + 1, parts_.inner.size()}, node.span, false});
    parts_.add_argument(node, {});
    if (close > at) parts_.add_segment({at, close}, true);
    from = parts_.inner.size();
    parts_.inner += '}';
    at = std::min(close + braces, text_.size());
    parts_.segments.push_back({{from, from + 1}, {close, at}, false});
    begin_ = at;
    return true;
  }

  StatementParts& parts_;
  TemplateContent& content_;
  std::string_view text_;
  std::unique_ptr<computed::Reader> (*make_reader_)(TemplateContent&, std::size_t);
  bool is_verbatim_ = false;
  bool is_raw_ = false;
  std::size_t braces_ = 0;
  std::string quote_;
  std::size_t begin_ = 0;  // of the text that is not a part of the template yet
};

}  // namespace

std::optional<std::size_t> read_interpolated(
    StatementParts& parts, std::size_t at, TemplateContent& content,
    std::unique_ptr<computed::Reader> (*make_reader)(TemplateContent&, std::size_t)) {
  return Interpolated(parts, content, make_reader).read(at);
}

}  // namespace inky::inline v1::csharp
