#include "literal.hpp"

#include <algorithm>
#include <functional>

namespace inky::inline v1 {

void Draft::add_verbatim(std::string_view text, const Position& position) {
  if (text.empty()) return;
  const bool goes_on =
      !marks.empty() && marks.back().verbatim &&
      marks.back().position.offset + (source.size() - marks.back().template_at) == position.offset;
  if (!goes_on) marks.push_back({source.size(), position, true});
  source += text;
}

void Draft::add_instead(std::string_view text, const Position& position) {
  if (text.empty()) return;
  marks.push_back({source.size(), position, false});
  source += text;
}

namespace {

bool begins_name(char byte) {
  return (byte >= 'a' && byte <= 'z') || (byte >= 'A' && byte <= 'Z') || byte == '_';
}

class Appending {
 public:
  Appending(const Lexis& lexis, const Literal& literal, Draft& draft)
      : lexis_(lexis), literal_(literal), draft_(draft), body_(literal.body), here_(literal.at) {}

  void run() {
    if (literal_.indentation != Literal::Indentation::none) begin_indented();
    while (at_ < body_.size() && draft_.why_not.empty()) {
      const char byte = body_[at_];
      const char next = at_ + 1 < body_.size() ? body_[at_ + 1] : '\0';
      const bool is_pair = byte == '\r' && next == '\n';
      if (indentation_ > 0 && (at_ == 0 || body_[at_ - 1] == '\n') && skip_indentation()) {
        continue;
      }
      if (strips_ends_ && is_blank(byte) && ends_in_blanks()) {
        skip(1);
      } else if (is_pair && lexis_.keeps_line_ends) {
        instead(lexis_.escapes_name_characters ? "\\r\\n" : "\r\n", 2);
      } else if (byte == '\n' || is_pair) {
        instead(lexis_.escapes_name_characters ? "\\n" : "\n", byte == '\n' ? 1 : 2);
      } else if (byte == literal_.quote && doubles() && next == byte) {
        instead(byte == '"' ? "\\\"" : std::string_view(&byte, 1), 2);
      } else if (byte == '"') {
        instead("\\\"", 1);
      } else if (byte == '\\') {
        backslash(next);
      } else if (lexis_.variables_in_texts && byte == '$') {
        dollar(next);
      } else {
        verbatim(1);
      }
    }
  }

 private:
  bool doubles() const {
    return literal_.rule == LiteralRule::doubled || literal_.rule == LiteralRule::doubled_escapes ||
           literal_.rule == LiteralRule::escapes_doubled;
  }

  void backslash(char next) {
    switch (literal_.rule) {
      case LiteralRule::escapes:
      case LiteralRule::escapes_doubled:
      case LiteralRule::doubled_escapes:
        if (next == '\n' || next == '\r') {
          line_end();
        } else if (lexis_.keeps_unknown_escapes && !begins_escape(next)) {
          instead("\\\\", 1);
        } else {
          verbatim(literal_.rule == LiteralRule::doubled_escapes && next == literal_.quote ? 1 : 2);
        }
        return;
      case LiteralRule::quote_escapes:
        if (next == '\\')
          verbatim(2);
        else if (next == literal_.quote)
          instead(std::string_view(&literal_.quote, 1), 2);
        else
          instead("\\\\", 1);
        return;
      default:
        instead("\\\\", 1);
    }
  }

  static bool is_blank(char byte) { return byte == ' ' || byte == '\t' || byte == '\r'; }

  // The first line is that of the quotes; in a counted text the last one is too.
  void begin_indented() {
    const bool counted = lexis_.triple == Lexis::Triple::counted;
    const bool has_first = counted || literal_.indentation == Literal::Indentation::fewest;
    indentation_ = literal_.end_indentation;
    if (counted) body_ = body_.substr(0, body_.rfind('\n'));
    if (counted && body_.ends_with('\r')) body_.remove_suffix(1);
    if (literal_.indentation == Literal::Indentation::fewest) {
      strips_ends_ = true;
      indentation_ = fewest_blanks();
    }
    if (has_first) skip(std::min(body_.find('\n'), body_.size() - 1) + 1);
  }

  // JLS 3.10.6: of the lines that are not blank, and of the last one.
  std::size_t fewest_blanks() const {
    std::size_t out = body_.size();
    for (std::size_t at = body_.find('\n'); at != std::string_view::npos;
         at = body_.find('\n', at)) {
      const std::size_t from = ++at;
      while (at < body_.size() && is_blank(body_[at])) ++at;
      if (at == body_.size() || body_[at] != '\n') out = std::min(out, at - from);
    }
    return out;
  }

  // Whether any was skipped.
  bool skip_indentation() {
    std::size_t count = 0;
    while (count < indentation_ && at_ + count < body_.size() && body_[at_ + count] != '\n' &&
           is_blank(body_[at_ + count]))
      ++count;
    // Once for a line: what is behind it is no line's beginning.
    skip(count);
    return count > 0;
  }
  bool ends_in_blanks() const {
    std::size_t at = at_;
    while (at < body_.size() && is_blank(body_[at]) && body_.substr(at, 2) != "\r\n") ++at;
    return at > at_ && (at == body_.size() || body_[at] == '\n' || body_[at] == '\r');
  }

  // PHP, Strings, "Escaped characters".
  bool begins_escape(char next) const {
    const char after = at_ + 2 < body_.size() ? body_[at_ + 2] : '\0';
    const bool is_digit = after >= '0' && after <= '9';
    const char small = static_cast<char>(after | 0x20);
    if (next == 'u') return after == '{';
    if (next == 'x') return is_digit || (small >= 'a' && small <= 'f');
    return std::string_view("nrtvef\\$\"01234567").find(next) != std::string_view::npos;
  }

  // A backslash at the end of a line.
  void line_end() {
    if (!lexis_.line_end_joins) {
      draft_.why_not = "a line of its template ends in a backslash";
      return;
    }
    const bool skips_blanks = lexis_.line_end_takes_blanks;
    skip(1);
    while (at_ < body_.size() && (body_[at_] == '\r' || body_[at_] == '\n' ||
                                  (skips_blanks && (body_[at_] == ' ' || body_[at_] == '\t')))) {
      const bool ends = body_[at_] == '\n';
      skip(1);
      if (ends && !skips_blanks) return;
    }
  }

  void dollar(char next) {
    const bool plain = literal_.rule != LiteralRule::escapes;
    if (plain) {
      instead("\\$", 1);
    } else if (begins_name(next) || next == '{' || (at_ > 0 && body_[at_ - 1] == '{')) {
      draft_.why_not = "its template has variables in it";
    } else {
      verbatim(1);
    }
  }

  void verbatim(std::size_t count) {
    const std::string_view text = body_.substr(at_, count);
    draft_.add_verbatim(text, here_);
    skip(text.size());
  }
  void instead(std::string_view text, std::size_t count) {
    draft_.add_instead(text, here_);
    skip(count);
  }
  void skip(std::size_t count) {
    for (; count > 0 && at_ < body_.size(); --count) step(here_, expected_, body_[at_++]);
  }

  const Lexis& lexis_;
  const Literal& literal_;
  Draft& draft_;
  std::string_view body_;
  std::size_t at_ = 0;
  std::size_t indentation_ = 0;
  bool strips_ends_ = false;
  Position here_;
  int expected_ = 0;
};

}  // namespace

void append(const Lexis& lexis, const Literal& literal, Draft& draft) {
  if (!literal.whole) {
    draft.why_not = "its template does not end, or is too long";
  } else if (literal.fills &&
             !(literal.slots_are_calls && literal.body.find("${") == std::string::npos)) {
    draft.why_not = "its template is filled in before";
  } else {
    Appending(lexis, literal, draft).run();
  }
}

// ---- Texts with slots ----

namespace {

class Slots {
 public:
  Slots(const Lexis& lexis, const Token& token, const SlotUse& use)
      : lexis_(lexis), token_(token), body_(token.literal.body), use_(use) {}

  void run() {
    const bool calls = token_.literal.slots_are_calls;
    std::size_t at = 0;
    while (at < body_.size()) {
      const char byte = body_[at];
      const char next = at + 1 < body_.size() ? body_[at + 1] : '\0';
      if (byte == '\\' && token_.literal.rule == LiteralRule::escapes) {
        at += 2;
      } else if (calls ? byte == '$' && next == '{' : byte == '{' && next != '{') {
        const std::size_t from = at + (calls ? 2 : 1);
        const std::size_t to = end_of(from);
        if (to == std::string_view::npos) return;
        if (calls)
          call_slot(from, to);
        else
          specified_slot(from, to);
        at = to + 1;
      } else {
        at += byte == '{' && !calls ? 2 : 1;
      }
    }
  }

 private:
  // Where the brace is that ends a slot.
  std::size_t end_of(std::size_t at) const {
    int depth = 0;
    char quote = '\0';
    for (; at < body_.size(); ++at) {
      const char byte = body_[at];
      if (quote != '\0') {
        if (byte == '\\') ++at;
        if (byte == quote) quote = '\0';
      } else if (byte == '"' || byte == '\'' || byte == '`') {
        quote = byte;
      } else if (byte == '{') {
        ++depth;
      } else if (byte == '}' && depth-- == 0) {
        return at;
      }
    }
    return std::string_view::npos;
  }

  Position position_at(std::size_t at) const {
    Position out = token_.literal.at;
    int expected = 0;
    for (const char byte : body_.substr(0, at)) step(out, expected, byte);
    return out;
  }

  // {expression!conversion:specification}, {expression,alignment:specification}
  void specified_slot(std::size_t from, std::size_t to) {
    const bool is_composite = lexis_.slots_align;
    int depth = 0;
    char quote = '\0';
    std::size_t at = from;
    for (; at < to; ++at) {
      const char byte = body_[at];
      const char next = body_[at + 1];
      if (quote != '\0') {
        if (byte == quote) quote = '\0';
      } else if (byte == '"' || byte == '\'') {
        quote = byte;
      } else if (byte == '(' || byte == '[' || byte == '{') {
        ++depth;
      } else if (byte == ')' || byte == ']' || byte == '}') {
        --depth;
      } else if (depth == 0 && is_composite && byte == ':' && next == ':') {
        ++at;
      } else if (depth == 0 && (byte == ':' || (is_composite && byte == ',') ||
                                (!is_composite && byte == '!' && next != '='))) {
        break;
      }
    }
    if (at >= to) return;
    std::string_view rest = body_.substr(at, to - at);
    // What has slots of its own, or escapes of the text, is not what it states.
    if (rest.find_first_of("{\\") != std::string_view::npos) return;
    emit(is_composite ? "{0" : "{x", rest, at, "}", body_.substr(from, at - from), std::nullopt);
  }

  // ${receiver.method(literals)...}
  void call_slot(std::size_t from, std::size_t to) {
    const std::string_view slot = body_.substr(from, to - from);
    any_of_words(lexis_.slot_methods, [&](std::string_view method) {
      const std::size_t at = slot.find("." + std::string(method) + "(");
      if (at == std::string_view::npos) return false;
      const std::string_view rest = slot.substr(at);
      if (!says_it_all(rest)) return true;
      // What has such a method is a number.
      Given number;
      number.type = Type::f64;
      number.name = "x";
      emit("`${x", rest, from + at, "}`", {}, {{number}});
      return true;
    });
  }

  // Only what literals say: methods, numbers and texts.
  static bool says_it_all(std::string_view calls) {
    std::size_t opened = 0;
    for (std::size_t i = 0; i < calls.size(); ++i) {
      const char byte = calls[i];
      if (byte == '(') {
        ++opened;
      } else if (byte == ')') {
        if (opened-- == 0) return false;
      } else if (byte == '\'' || byte == '"') {
        const std::size_t end = calls.find(byte, i + 1);
        if (end == std::string_view::npos) return false;
        i = end;
      } else if (opened > 0 ? !((byte >= '0' && byte <= '9') || byte == ' ' || byte == ',')
                            : !(begins_name(byte) || byte == '.')) {
        return false;
      }
    }
    return true;
  }

  void emit(std::string_view before, std::string_view rest, std::size_t at, std::string_view after,
            std::string_view shown, std::optional<std::vector<Given>> values) {
    FoundCall call;
    call.name = lexis_.filling_name;
    call.dialect = lexis_.filling_dialect;
    call.at = token_.at;
    Draft draft;
    const Position position = position_at(at);
    draft.add_instead(before, position);
    draft.add_verbatim(rest, position);
    draft.add_instead(after, position_at(at + rest.size()));
    call.source = std::move(draft.source);
    call.marks = std::move(draft.marks);
    call.given.values = std::move(values);
    call.given.names_from_scope = true;
    use_(std::move(call), std::string(shown));
  }

  const Lexis& lexis_;
  const Token& token_;
  std::string_view body_;
  const SlotUse& use_;
};

}  // namespace

void for_each_slot(const Lexis& lexis, const Token& token, const SlotUse& use) {
  // A language may fill texts in, and have no dialect for that yet.
  if (token.literal.whole && !lexis.filling_dialect.empty()) Slots(lexis, token, use).run();
}

}  // namespace inky::inline v1
