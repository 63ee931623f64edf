// Reads expressions of Rust: the Rust Reference, 8.2, with closures, ranges, vec!, if and match.

#include <algorithm>
#include <utility>

#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::rust {

using computed::Node;
using computed::Operation;

namespace {

Node named(std::string text, Span span) {
  Node out;
  out.kind = Node::Kind::name;
  out.text = std::move(text);
  out.span = span;
  return out;
}

Node test_of(Operation operation, const Node& left, Node right) {
  Node out;
  out.kind = Node::Kind::binary;
  out.operation = operation;
  out.span = right.span;
  out.parts.push_back(left);
  out.parts.push_back(std::move(right));
  return out;
}

}  // namespace

// println!(...): the sign is a part of the name.
std::optional<bool> ExpressionReader::read_own(Node& node) {
  const std::size_t start = at_;
  if (const auto own = CodeReader::read_own(node)) {
    keep_type(node, source_.substr(start, at_ - start));
    return own;
  }
  if (peek() == '|') return read_closure(node);
  if (!begins_name(peek())) return std::nullopt;
  const std::string_view word = read_word();
  if (word == "if") return read_if(node, start);
  if (word == "match") return read_match(node, start);
  if (word == "move" || word == "mut" || word == "unsafe")
    return not_yet("the word " + std::string(word) + " here is", start);
  if (peek() != '!' || peek(1) == '=') {
    at_ = start;
    return std::nullopt;
  }
  ++at_;
  if (word == "vec") return read_vector(node, start);
  node.kind = Node::Kind::name;
  node.text = std::string(word) + '!';
  return true;
}

// vec![1, 2, 3] and vec![0; 5]
bool ExpressionReader::read_vector(Node& node, std::size_t start) {
  if (peek() != '[') return not_yet("vec! with other brackets is", start);
  ++at_;
  const std::size_t first = at_;
  Node item;
  skip_blanks();
  if (peek() != ']') {
    if (!read(item)) return false;
    skip_blanks();
  }
  if (peek() == ';') {
    ++at_;
    node.kind = Node::Kind::call;
    node.parts.push_back(named("vec!", {start, at_}));
    node.parts.push_back(std::move(item));
    node.parts.emplace_back();
    node.keys.resize(2);
    return read(node.parts.back()) && close(']', start);
  }
  at_ = first;
  node.kind = Node::Kind::list;
  node.text = "vec!";
  return read_list(node, ']', start);
}

// |x| x * 2, |&x| x > 1, |(i, x)| i + x, |a, b| a + b
bool ExpressionReader::read_closure(Node& node) {
  const std::size_t start = at_++;
  node.kind = Node::Kind::function;
  for (bool is_open = false; peek() != '|' || is_open;) {
    skip_blanks();
    while (peek() == '&' || (peek() == '(' && !is_open && node.keys.empty())) {
      is_open = is_open || peek() == '(';
      ++at_;
      skip_blanks();
    }
    if (!begins_name(peek())) return not_yet("such a closure is", start);
    const std::string_view name = read_word();
    if (name == "mut" || name == "ref") return not_yet("such a closure is", start);
    node.keys.emplace_back(name);
    skip_blanks();
    if (is_open && peek() == ')') {
      is_open = false;
      ++at_;
      skip_blanks();
      if (peek() != '|') return not_yet("such a closure is", start);
    }
    if (peek() == ',')
      ++at_;
    else if (peek() != '|')
      return not_yet("such a closure is", start);
  }
  ++at_;
  skip_blanks();
  if (peek() == '{') return not_yet("closures with statements are", start);
  node.parts.emplace_back();
  if (!read(node.parts[0])) return false;
  node.text = source_.substr(start, at_ - start);
  return true;
}

bool ExpressionReader::read_block(Node& node, std::size_t start) {
  skip_blanks();
  if (peek() != '{') return syntax_error("a { is expected here", start);
  ++at_;
  if (!read(node)) return false;
  skip_blanks();
  if (peek() == ';') return not_yet("a block with statements is", start);
  node.enclosed = false;
  return close('}', start);
}

// if x > 3 { "big" } else { "small" }
bool ExpressionReader::read_if(Node& node, std::size_t start) {
  node.kind = Node::Kind::condition;
  node.parts.resize(3);
  skip_blanks();
  if (starts_with("let ")) return not_yet("if let is", start);
  if (!read(node.parts[0]) || !read_block(node.parts[1], start)) return false;
  skip_blanks();
  if (read_word() != "else") return not_yet("an if without an else is", start);
  skip_blanks();
  const std::size_t next = at_;
  if (read_word() == "if") {
    if (!read_if(node.parts[2], next)) return false;
    node.parts[2].span = {next, at_};
    return true;
  }
  at_ = next;
  return read_block(node.parts[2], start);
}

// What a pattern asks of a value: 1 | 2, 3..=5, "ink". Nothing for _.
bool ExpressionReader::read_pattern(const Node& subject, Node& test, bool& takes_all) {
  const std::size_t start = at_;
  takes_all = false;
  for (bool is_first = true;; is_first = false) {
    skip_blanks();
    if (starts_with("_") && !is_word_part(peek(1))) {
      ++at_;
      takes_all = true;
      return is_first || not_yet("such a pattern is", start);
    }
    Node value;
    // Tighter than a range.
    constexpr int level = 9;
    if (!read(value, level)) return false;
    if (value.kind != Node::Kind::constant && value.kind != Node::Kind::unary)
      return not_yet("such a pattern is", start);
    Node one;
    if (starts_with("..=")) {
      at_ += 3;
      Node last;
      if (!read(last, level)) return false;
      one = test_of(Operation::both, test_of(Operation::at_least, subject, std::move(value)),
                    test_of(Operation::at_most, subject, std::move(last)));
    } else {
      one = test_of(Operation::equal, subject, std::move(value));
    }
    test = is_first ? std::move(one) : test_of(Operation::either, test, std::move(one));
    skip_blanks();
    if (peek() != '|') return true;
    ++at_;
  }
}

// match n { 1 => "one", 2 | 3 => "few", _ => "many" }
bool ExpressionReader::read_match(Node& node, std::size_t start) {
  Node subject;
  if (!read(subject)) return false;
  subject.enclosed = true;
  skip_blanks();
  if (peek() != '{') return syntax_error("a { is expected here", start);
  ++at_;
  std::vector<std::pair<Node, Node>> arms;
  for (bool is_last = false; !is_last;) {
    if (arms.size() >= computed::most_depth)
      return not_yet("a match with more than 64 arms is", start);
    Node test;
    Node result;
    if (!read_pattern(subject, test, is_last)) return false;
    skip_blanks();
    if (!starts_with("=>")) return not_yet("such an arm is", start);
    at_ += 2;
    if (!read(result)) return false;
    arms.emplace_back(std::move(test), std::move(result));
    skip_blanks();
    if (peek() == ',') ++at_;
    skip_blanks();
    if (peek() == '}' && !is_last) return not_yet("a match without _ is", start);
  }
  if (!close('}', start)) return false;
  node = std::move(arms.back().second);
  arms.pop_back();
  while (!arms.empty()) {
    Node choice;
    choice.kind = Node::Kind::condition;
    choice.parts.push_back(std::move(arms.back().first));
    choice.parts.push_back(std::move(arms.back().second));
    choice.parts.push_back(std::move(node));
    node = std::move(choice);
    arms.pop_back();
  }
  return true;
}

// [1], [1..3], [..2], [1..]
bool ExpressionReader::read_index(Node& node, std::size_t start) {
  node.parts.emplace_back();
  skip_blanks();
  constexpr int above_range = 5;
  if (!starts_with("..") && !read(node.parts[1], above_range)) return false;
  skip_blanks();
  if (!starts_with("..")) return close(']', start);
  at_ += 2;
  node.kind = Node::Kind::slice;
  node.operation = peek() == '=' ? Operation::range_closed : Operation::range;
  if (peek() == '=') ++at_;
  node.parts.resize(4);
  skip_blanks();
  if (peek() != ']' && !read(node.parts[2], above_range)) return false;
  return close(']', start);
}

}  // namespace inky::inline v1::rust
