#include "code_reader.hpp"

#include <algorithm>

#include "dialect/lexis.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::computed {

std::optional<Value> truth_or_nil(std::string_view word) {
  if (word == "true" || word == "false") return Value::truth(word == "true");
  if (word == "null") return Value();
  return std::nullopt;
}

bool CodeReader::begins_name(char c) const {
  return Reader::begins_name(c) || facts_.word_marks.find(c) != std::string_view::npos;
}

void CodeReader::skip_blanks() {
  for (;;) {
    Reader::skip_blanks();
    if (starts_with("/*"))
      at_ = std::min(source_.find("*/", at_ + 2), source_.size() - 2) + 2;
    else if (starts_with("//"))
      at_ = std::min(source_.find('\n', at_), source_.size());
    else
      return;
  }
}

std::optional<std::string> CodeReader::read_cast() {
  if (peek() != '(' || facts_.is_type == nullptr) return std::nullopt;
  const std::size_t start = at_++;
  Reader::skip_blanks();
  std::string type(read_word());
  Reader::skip_blanks();
  if (at_end() || peek() != ')' || !facts_.is_type(type)) {
    at_ = start;
    return std::nullopt;
  }
  ++at_;
  return type;
}

// Whether the point here, behind digits, is before a name: 1.max(x), but not 1.f or 1.e5.
bool CodeReader::begins_member() const {
  const char next = peek(1);
  if (next == '.') return true;
  if (!is_word_start(next)) return false;
  const bool is_exponent =
      (next == 'e' || next == 'E') && (is_digit(peek(2)) || peek(2) == '-' || peek(2) == '+');
  const bool is_suffix =
      std::string_view("fFdDlLmM").find(next) != std::string_view::npos && !is_word_part(peek(2));
  return !is_exponent && !is_suffix;
}

bool CodeReader::read_number(Node& node) {
  const std::size_t start = at_;
  const bool hexadecimal = starts_with("0x") || starts_with("0X");
  while (!at_end()) {
    const char c = peek();
    const char before = at_ > start ? source_[at_ - 1] : ' ';
    const bool exponent_sign =
        (c == '-' || c == '+') &&
        (hexadecimal ? before == 'p' || before == 'P' : before == 'e' || before == 'E');
    const bool is_mark = facts_.digit_marks.find(c) != std::string_view::npos;
    const bool is_point =
        c == '.' &&
        (hexadecimal ? facts_.hexadecimal_reals && (is_hexadecimal_digit(peek(1)) || peek(1) == 'p')
                     : !begins_member());
    if (!is_word_part(c) && !is_point && !exponent_sign && !is_mark) break;
    ++at_;
  }
  const std::string_view text = source_.substr(start, at_ - start);
  const bool based = text[0] == '0' && text.size() > 1 && !is_digit(text[1]) && text[1] != '.';
  if (!based && facts_.rare_suffixes.find(text.back()) != std::string_view::npos)
    return not_yet("a number of this type is", start);
  if (auto value = facts_.number(text)) {
    node.kind = Node::Kind::constant;
    node.value = std::move(*value);
    return true;
  }
  const bool plain = std::all_of(text.begin(), text.end(), [&](char c) {
    return is_digit(c) || facts_.digit_marks.find(c) != std::string_view::npos;
  });
  if (plain && text[0] != '0' && is_digit(text.back()))
    return not_yet("whole numbers that fit no type here are", start);
  return syntax_error(in_quotes(text) + " is not a number of " + std::string(facts_.language),
                      start);
}

bool CodeReader::read_quoted(char quote, std::string& text) {
  const std::size_t start = at_++;
  const std::size_t kept = out_.literals.size();
  while (!at_end() && peek() != quote && peek() != '\n') {
    if (peek() == '\\')
      at_ += facts_.read_escape(at_, out_);
    else
      out_.literals += source_[at_++];
  }
  text += std::string_view(out_.literals).substr(kept);
  out_.literals.resize(kept);
  if (out_.refusal) {
    const Refusal refusal = *out_.refusal;
    return refuse(refusal.when, refusal.as, refusal.why, refusal.span.from);
  }
  if (at_end() || peek() != quote)
    return syntax_error(std::string("a closing ") + quote + " is missing", start);
  ++at_;
  return true;
}

bool CodeReader::read_text(Node& node) {
  const std::size_t from = at_ + 1;
  std::string text;
  if (starts_with("\"\"\"") && facts_.raw_triples) return read_raw(node);
  if (starts_with("\"\"\"")) return not_yet("texts between three quotes are", at_);
  if (!read_quoted('"', text)) return false;
  node.kind = Node::Kind::constant;
  node.value = Value::text(std::move(text));
  node.texts.push_back({from, at_ - 1});
  return true;
}

bool CodeReader::read_verbatim(Node& node) {
  const std::size_t start = at_;
  at_ += facts_.verbatim.size() + 1;
  std::string text;
  std::size_t from = at_;
  for (;; ++at_) {
    if (at_end()) return syntax_error("a closing \" is missing", start);
    if (peek() != '"') {
      text += peek();
      continue;
    }
    if (peek(1) != '"') break;
    // Of two quotes one stays.
    text += '"';
    ++at_;
    node.texts.push_back({from, at_});
    from = at_ + 1;
  }
  if (at_ > from || node.texts.empty()) node.texts.push_back({from, at_});
  ++at_;
  node.kind = Node::Kind::constant;
  node.value = Value::text(std::move(text));
  node.is_raw = true;
  return true;
}

// Between as many quotes as it begins with, on one line.
bool CodeReader::read_raw(Node& node) {
  const std::size_t start = at_;
  while (peek() == '"') ++at_;
  const std::string quotes(at_ - start, '"');
  const std::size_t from = at_;
  const std::size_t close = source_.find(quotes, from);
  if (close == std::string_view::npos) return syntax_error("a closing \" is missing", start);
  const std::string_view text = source_.substr(from, close - from);
  if (text.find('\n') != std::string_view::npos)
    return not_yet("a raw text of several lines is", start);
  at_ = close + quotes.size();
  node.kind = Node::Kind::constant;
  node.value = Value::text(std::string(text));
  node.texts.push_back({from, close});
  node.is_raw = true;
  return true;
}

bool CodeReader::read_character(Node& node) {
  const std::size_t start = at_;
  std::string text;
  if (!read_quoted('\'', text)) return false;
  auto value = facts_.character(text);
  if (!value) return not_yet("this between single quotes is", start);
  node.kind = Node::Kind::constant;
  node.value = std::move(*value);
  return true;
}

std::optional<bool> CodeReader::read_literal(Node& node) {
  const char c = peek();
  if (is_digit(c) || (c == '.' && is_digit(peek(1)))) return read_number(node);
  if (c == '"') return read_text(node);
  const std::size_t prefix = facts_.verbatim.size();
  if (prefix > 0 && starts_with(facts_.verbatim) && peek(prefix) == '"') return read_verbatim(node);
  if (c == '\'' && facts_.character != nullptr) return read_character(node);
  return std::nullopt;
}

bool CodeReader::skip_between(char open, char close, std::string_view& inside) {
  const std::size_t from = at_ + 1;
  int depth = 0;
  do {
    depth += peek() == open ? 1 : peek() == close ? -1 : 0;
    ++at_;
  } while (depth > 0 && !at_end());
  if (depth > 0) return syntax_error(std::string("a closing ") + close + " is missing", from - 1);
  inside = source_.substr(from, at_ - 1 - from);
  return true;
}

// new Name(...) is a call of that name; new int[] {1, 2} and new List<int> {1, 2} are their items.
bool CodeReader::read_new(Node& node, std::size_t start) {
  skip_blanks();
  const std::string word(read_word());
  skip_blanks();
  std::string type = word;
  std::string_view inside;
  const bool is_list = !word.empty() && has_word(facts_.list_classes, word);
  if (is_list && peek() == '<') {
    if (!skip_between('<', '>', inside)) return false;
    type = inside;
    skip_blanks();
    if (peek() == '(') {
      if (!skip_between('(', ')', inside)) return false;
      if (inside.find_first_not_of(' ') != std::string_view::npos)
        return not_yet("a list made from another is", start);
      skip_blanks();
    }
    if (peek() != '{') return not_yet("an empty list here is", start);
  } else if (word.empty() && peek() == '{') {
    return read_object(node, start);
  } else if (peek() == '[') {
    if (!skip_between('[', ']', inside)) return false;
    skip_blanks();
    if (peek() != '{') return not_yet("an array without its items here is", start);
  } else {
    // new Lot alone makes one, too, in some languages.
    std::size_t end = at_;
    while (end < source_.size() && (is_word_part(source_[end]) || source_[end] == '.')) ++end;
    end = std::min(source_.find_first_not_of(' ', end), source_.size());
    if (end == source_.size() || (source_[end] != '(' && source_[end] != '<'))
      return not_yet("the word new here is", start);
    node.kind = Node::Kind::name;
    node.text = word;
    node.is_made = true;
    return true;
  }
  const std::size_t open = at_++;
  node.kind = Node::Kind::list;
  if (!read_list(node, '}', open)) return false;
  node.text = is_list ? "new " + word + "<" + type + "> " : "new " + type + "[] ";
  if (facts_.is_type == nullptr || !facts_.is_type(type)) return true;
  for (Node& part : node.parts) {
    wrap(part, Node::Kind::cast);
    part.text = type;
    part.parts[0].enclosed = true;
  }
  return true;
}

// new { Name = "ink", Price = 9.55 }
bool CodeReader::read_object(Node& node, std::size_t start) {
  ++at_;
  node.kind = Node::Kind::record;
  for (;;) {
    skip_blanks();
    const std::string name(read_word());
    skip_blanks();
    if (name.empty() || peek() != '=' || peek(1) == '=')
      return not_yet("an object such as this is", start);
    ++at_;
    node.keys.push_back(name);
    node.parts.emplace_back();
    if (!read(node.parts.back())) return false;
    skip_blanks();
    if (peek() == ',') ++at_;
    skip_blanks();
    if (peek() != '}') continue;
    ++at_;
    return true;
  }
}

std::optional<bool> CodeReader::read_function(Node& node) {
  const std::size_t start = at_;
  const auto none = [&] {
    at_ = start;
    node = Node();
    return std::nullopt;
  };
  const bool enclosed = peek() == '(';
  if (enclosed) ++at_;
  for (;;) {
    skip_blanks();
    if (!begins_name(peek())) return none();
    node.keys.emplace_back(read_word());
    skip_blanks();
    if (!enclosed || peek() != ',') break;
    ++at_;
  }
  if (enclosed && peek() != ')') return none();
  if (enclosed) ++at_;
  skip_blanks();
  if (!starts_with(facts_.function_arrow)) return none();
  at_ += facts_.function_arrow.size();
  skip_blanks();
  if (peek() == '{') return not_yet("functions with statements are", start);
  node.kind = Node::Kind::function;
  node.parts.emplace_back();
  if (!read(node.parts[0])) return false;
  node.text = source_.substr(start, at_ - start);
  return true;
}

std::optional<bool> CodeReader::read_own(Node& node) {
  if (const auto literal = read_literal(node)) return literal;
  if (!facts_.function_arrow.empty() && (begins_name(peek()) || peek() == '(')) {
    if (const auto function = read_function(node)) return function;
  }
  const std::size_t start = at_;
  if (facts_.rare_prefixes.find(peek()) != std::string_view::npos &&
      source_.find('"', at_) <= at_ + 2)
    return not_yet("this kind of text here is", start);
  if (!begins_name(peek())) return std::nullopt;
  const std::string_view word = read_word();
  if (peek() == '"') return not_yet("texts with a prefix are", start);
  if (has_word(facts_.unknown_words, word))
    return not_yet("the word " + std::string(word) + " is", start);
  if (auto known = facts_.constant(word)) {
    node.kind = Node::Kind::constant;
    node.value = std::move(*known);
    return true;
  }
  if (facts_.makes_objects && word == "new") return read_new(node, start);
  at_ = start;
  return std::nullopt;
}

}  // namespace inky::inline v1::computed
