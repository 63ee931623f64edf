// Texts in expressions of PHP, with the variables in them: the PHP manual, Strings.

#include <utility>

#include "expressions.hpp"

namespace inky::inline v1::php {

using computed::Node;
using computed::Operation;

std::optional<bool> ExpressionReader::read_own(Node& node) {
  if (peek() == '"') return read_filled(node);
  if (peek() == '\'') return read_plain(node);
  const std::size_t start = at_;
  // Of the namespace of all names.
  if (peek() == '\\' && begins_name(peek(1))) ++at_;
  if (begins_name(peek())) {
    const std::string_view word = read_word();
    if (word == "new") {
      skip_blanks();
      if (peek() == '\\') ++at_;
      return read_new(node, start);
    }
    if (starts_with("::") && begins_name(peek(2))) {
      at_ += 2;
      const std::string path = std::string(word) + "::" + std::string(read_word());
      if (auto known = facts_.constant(path)) {
        node.kind = Node::Kind::constant;
        node.value = std::move(*known);
        return true;
      }
      node.kind = Node::Kind::name;
      node.text = path;
      return true;
    }
    if (word == "fn") return read_function(node, start);
    if (word == "match") return read_match(node, start);
    at_ = start;
  }
  return CodeReader::read_own(node);
}

bool ExpressionReader::read_function(Node& node, std::size_t start) {
  node.kind = Node::Kind::function;
  skip_blanks();
  if (peek() != '(') return syntax_error("a ( is expected here", start);
  ++at_;
  for (skip_blanks(); peek() != ')'; skip_blanks()) {
    if (peek() != '$') return not_yet("parameters with types are", start);
    ++at_;
    node.keys.emplace_back(read_word());
    skip_blanks();
    if (peek() == ',')
      ++at_;
    else if (peek() != ')')
      return not_yet("such a parameter is", start);
  }
  ++at_;
  skip_blanks();
  if (!starts_with("=>")) return not_yet("such a function is", start);
  at_ += 2;
  node.parts.emplace_back();
  if (!read(node.parts[0])) return false;
  node.text = source_.substr(start, at_ - start);
  return true;
}

bool ExpressionReader::read_match(Node& node, std::size_t start) {
  Node subject;
  skip_blanks();
  if (peek() != '(' || !read(subject)) return not_yet("such a match is", start);
  skip_blanks();
  if (peek() != '{') return syntax_error("a { is expected here", start);
  ++at_;
  std::vector<std::pair<Node, Node>> arms;
  bool has_default = false;
  for (skip_blanks(); peek() != '}'; skip_blanks()) {
    if (has_default || arms.size() >= computed::most_depth)
      return not_yet("a match of this form is", start);
    Node test;
    const std::size_t from = at_;
    has_default = begins_name(peek()) && read_word() == "default";
    if (!has_default) at_ = from;
    for (bool is_first = true; !has_default; is_first = false) {
      Node value;
      if (!read(value)) return false;
      Node one;
      one.kind = Node::Kind::binary;
      one.operation = Operation::same;
      one.span = value.span;
      one.parts.push_back(subject);
      one.parts.push_back(std::move(value));
      if (is_first) {
        test = std::move(one);
      } else {
        computed::wrap(test, Node::Kind::binary);
        test.operation = Operation::either;
        test.parts.push_back(std::move(one));
      }
      skip_blanks();
      if (peek() != ',') break;
      ++at_;
    }
    skip_blanks();
    if (!starts_with("=>")) return syntax_error("=> is expected here", start);
    at_ += 2;
    Node result;
    if (!read(result)) return false;
    arms.emplace_back(std::move(test), std::move(result));
    skip_blanks();
    if (peek() == ',')
      ++at_;
    else if (peek() != '}')
      return syntax_error("a closing } is missing", start);
  }
  ++at_;
  if (!has_default) return not_yet("a match without a default is", start);
  node = std::move(arms.back().second);
  for (arms.pop_back(); !arms.empty(); arms.pop_back()) {
    Node choice;
    choice.kind = Node::Kind::condition;
    choice.parts.push_back(std::move(arms.back().first));
    choice.parts.push_back(std::move(arms.back().second));
    choice.parts.push_back(std::move(node));
    node = std::move(choice);
  }
  return true;
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
