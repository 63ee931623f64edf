// Texts in expressions of PHP, with the variables in them: the PHP manual, Strings.

#include "expressions.hpp"

namespace inky::inline v1::php {

using computed::Node;
using computed::Operation;

std::optional<bool> ExpressionReader::read_own(Node& node) {
  if (peek() == '"') return read_filled(node);
  if (peek() == '\'') return read_plain(node);
  return CodeReader::read_own(node);
}

bool ExpressionReader::read_behind_item(Node& node) {
  skip_blanks();
  if (!starts_with("=>")) return true;
  at_ += 2;
  computed::wrap(node, Node::Kind::tuple);
  if (!read(node.parts.emplace_back())) return false;
  node.span.to = at_;
  return true;
}

// The PHP manual, Strings, Single quoted: a backslash is before a quote or a backslash only.
bool ExpressionReader::read_plain(Node& node) {
  const std::size_t start = at_++;
  std::string text;
  while (!at_end() && peek() != '\'') {
    const bool escapes = peek() == '\\' && (peek(1) == '\'' || peek(1) == '\\');
    if (escapes) ++at_;
    text += source_[at_++];
  }
  if (at_end()) return syntax_error("the text has no end", start);
  node.kind = Node::Kind::constant;
  node.value = Value::text(std::move(text));
  node.texts.push_back({start + 1, at_});
  node.is_raw = true;
  ++at_;
  return true;
}

// "{$lot->mass}": any expression that begins with a variable.
bool ExpressionReader::read_braced(Node& node) {
  const std::size_t start = at_++;
  if (!read(node)) return false;
  skip_blanks();
  if (peek() != '}') return syntax_error("a closing } is missing", start);
  ++at_;
  return true;
}

// "$mass", "$row[mass]", "$row[0]", "$row[$key]", "$lot->mass"
bool ExpressionReader::read_variable(Node& node) {
  const std::size_t start = at_++;
  node.kind = Node::Kind::name;
  node.text = read_word();
  node.span = {start, at_};
  if (starts_with("->") && begins_name(peek(2))) {
    at_ += 2;
    computed::wrap(node, Node::Kind::member);
    node.text = read_word();
    node.by_pointer = true;
  } else if (peek() == '[') {
    ++at_;
    computed::wrap(node, Node::Kind::item);
    Node key;
    key.span.from = at_;
    if (peek() == '$') {
      ++at_;
      key.kind = Node::Kind::name;
      key.text = read_word();
    } else {
      const std::string_view word = read_word();
      const bool digits = word.find_first_not_of("0123456789") == std::string_view::npos;
      if (word.empty()) return not_yet("this key in a text is", start);
      key.kind = Node::Kind::constant;
      if (digits)
        key.value = *read_typed(Type::i64, word);
      else
        key.value = Value::text(std::string(word));
    }
    key.span.to = at_;
    node.parts.push_back(std::move(key));
    if (!close(']', start)) return false;
  }
  node.span = {start, at_};
  return true;
}

bool ExpressionReader::read_filled(Node& node) {
  const std::size_t start = at_++;
  std::vector<Node> parts;
  std::string text;
  std::size_t begin = at_;
  const std::size_t kept = out_.literals.size();
  const auto add_literal = [&] {
    text = std::string_view(out_.literals).substr(kept);
    out_.literals.resize(kept);
    Node part;
    part.kind = Node::Kind::constant;
    part.span = {begin, at_};
    part.texts.push_back(part.span);
    part.value = Value::text(text);
    parts.push_back(std::move(part));
  };
  while (!at_end() && peek() != '"') {
    const bool names = peek() == '$' && begins_name(peek(1));
    const bool braced = starts_with("{$") && begins_name(peek(2));
    if (names || braced) {
      add_literal();
      parts.emplace_back();
      if (braced ? !read_braced(parts.back()) : !read_variable(parts.back())) return false;
      begin = at_;
    } else if (starts_with("{$") || starts_with("${")) {
      return not_yet("an expression in a text is", at_);
    } else if (peek() == '\\') {
      at_ += facts_.read_escape(at_, out_);
    } else {
      out_.literals += source_[at_++];
    }
  }
  add_literal();
  if (out_.refusal) {
    const Refusal refusal = *out_.refusal;
    return refuse(refusal.when, refusal.as, refusal.why, refusal.span.from);
  }
  if (at_end()) return syntax_error("the text has no end", start);
  ++at_;
  node = std::move(parts[0]);
  for (std::size_t i = 1; i < parts.size(); ++i) {
    computed::wrap(node, Node::Kind::binary);
    node.operation = Operation::join;
    node.parts.push_back(std::move(parts[i]));
  }
  node.enclosed = parts.size() > 1;
  return true;
}

}  // namespace inky::inline v1::php
