#include "reader.hpp"

#include <algorithm>
#include <utility>

#include "text/ascii.hpp"

namespace inky::inline v1::computed {

namespace {

bool is_word(std::string_view text) {
  return is_word_start(text[0]);
}

}  // namespace

void wrap(Node& node, Node::Kind kind) {
  Node outer;
  outer.kind = kind;
  outer.span = node.span;
  outer.parts.push_back(std::move(node));
  node = std::move(outer);
}

std::string_view text_of(const Grammar& grammar, Operation operation) {
  for (const auto& facts : {grammar.infix, grammar.prefix}) {
    for (const OperatorFact& fact : facts) {
      if (fact.operation == operation) return fact.text;
    }
  }
  return {};
}

bool Reader::begins_name(char c) const {
  return is_word_start(c);
}

void Reader::skip_blanks() {
  while (!at_end() && std::string_view(" \t\n\r").find(peek()) != std::string_view::npos) ++at_;
}

bool Reader::refuse(Refusal::When when, std::string as, std::string why, std::size_t from) {
  if (!refusal_) {
    const std::size_t start = std::min(from, source_.size());
    refusal_ = {when, std::move(as), std::move(why),
                Span{start, std::min(std::max(at_, start + 1), source_.size())}};
  }
  return false;
}

bool Reader::syntax_error(std::string why, std::size_t from) {
  return refuse(Refusal::When::compile, std::string(syntax_fault()), std::move(why), from);
}

bool Reader::not_yet(std::string what, std::size_t from) {
  return refuse(Refusal::When::not_supported_yet, "Give the value of the expression a name.",
                std::move(what) + " not supported yet", from);
}

std::string_view Reader::read_word() {
  const std::size_t start = at_;
  while (!at_end() && (begins_name(peek()) || is_digit(peek()))) ++at_;
  return source_.substr(start, at_ - start);
}

// The longest that begins here.
const OperatorFact* Reader::find_operator(std::span<const OperatorFact> among) const {
  const OperatorFact* found = nullptr;
  for (const OperatorFact& fact : among) {
    if (!starts_with(fact.text)) continue;
    const char behind = peek(fact.text.size());
    if (is_word(fact.text) && (begins_name(behind) || is_digit(behind))) continue;
    if (found == nullptr || fact.text.size() > found->text.size()) found = &fact;
  }
  return found;
}

bool Reader::read(Node& node, int level) {
  if (++depth_ > most_depth) return not_yet("expressions nested as deep as this are", at_);
  if (!read_operand(node, level)) return false;
  while (!grammar_.prefix_calls) {
    const std::size_t end = at_;
    skip_blanks();
    const OperatorFact* found = find_operator(grammar_.infix);
    // What is not supported yet is reported, whatever it binds to.
    const bool is_known = found != nullptr && found->operation != Operation::none;
    if (found == nullptr || (is_known && found->level < level)) {
      at_ = end;
      break;
    }
    if (!is_known) return not_yet("the operator " + std::string(found->text) + " here is", at_);
    if (!join(node, *found)) return false;
  }
  --depth_;
  return read_condition(node, level);
}

bool Reader::join(Node& left, const OperatorFact& operation) {
  at_ += operation.text.size();
  if (operation.operation == Operation::as_type) {
    skip_blanks();
    wrap(left, Node::Kind::cast);
    left.text = read_word();
    left.span.to = at_;
    return true;
  }
  const int level = operation.level + (operation.right_first ? 0 : 1);
  if (operation.operation == Operation::pipe || operation.operation == Operation::pipe_back) {
    Node right;
    if (!read(right, level)) return false;
    const Span span = {left.span.from, right.span.to};
    if (operation.operation == Operation::pipe) std::swap(left, right);
    apply_last(left, std::move(right));
    left.span = span;
    return true;
  }
  const bool chains = grammar_.comparisons_chain && is_comparison(operation.operation);
  if (!chains || left.kind != Node::Kind::compared || left.enclosed) {
    wrap(left, chains ? Node::Kind::compared : Node::Kind::binary);
    left.operation = operation.operation;
  }
  if (chains) left.operations.push_back(operation.operation);
  left.parts.emplace_back();
  if (!read(left.parts.back(), level)) return false;
  left.span.to = left.parts.back().span.to;
  return true;
}

void Reader::apply_last(Node& function, Node&& argument) {
  if (function.kind != Node::Kind::call) wrap(function, Node::Kind::call);
  function.keys.resize(function.parts.size());
  function.parts.push_back(std::move(argument));
}

bool Reader::read_condition(Node& node, int level) {
  if (level > 0 || grammar_.condition == Grammar::Condition::none) return true;
  const std::size_t end = at_;
  skip_blanks();
  const std::size_t start = at_;
  const bool marks = grammar_.condition == Grammar::Condition::marks;
  const OperatorFact fact{marks ? "?" : "if"};
  if (find_operator({&fact, 1}) == nullptr) {
    at_ = end;
    return true;
  }
  at_ += fact.text.size();
  wrap(node, Node::Kind::condition);
  node.parts.resize(3);
  if (!marks) std::swap(node.parts[0], node.parts[1]);
  // one if test else other: the test is no condition itself.
  if (!read(marks ? node.parts[1] : node.parts[0], marks ? 0 : 1)) return false;
  skip_blanks();
  const OperatorFact otherwise{marks ? ":" : "else"};
  if (find_operator({&otherwise, 1}) == nullptr)
    return syntax_error(std::string(otherwise.text) + " is missing", start);
  at_ += otherwise.text.size();
  if (!read(node.parts[2])) return false;
  node.span.to = node.parts[2].span.to;
  const bool follows = node.parts[2].kind == Node::Kind::condition && !node.parts[2].enclosed;
  if (follows && grammar_.condition_stands_alone)
    return syntax_error("a condition behind another needs parentheses", start);
  return true;
}

bool Reader::read_operand(Node& node, int level) {
  skip_blanks();
  const std::size_t start = at_;
  const OperatorFact* found = find_operator(grammar_.prefix);
  if (found != nullptr) {
    if (found->operation == Operation::none)
      return not_yet("the operator " + std::string(found->text) + " here is", start);
    if (is_word(found->text) && found->level < level)
      return syntax_error("an expression is expected here", start);
    at_ += found->text.size();
    node.kind = Node::Kind::unary;
    node.operation = found->operation;
    node.parts.emplace_back();
    if (!read(node.parts[0], found->level)) return false;
    node.span = {start, node.parts[0].span.to};
    return true;
  }
  if (auto type = read_cast()) {
    node.kind = Node::Kind::cast;
    node.text = std::move(*type);
    node.parts.emplace_back();
    if (++depth_ > most_depth) return not_yet("expressions nested as deep as this are", at_);
    if (!read_operand(node.parts[0], level)) return false;
    --depth_;
    node.span = {start, node.parts[0].span.to};
    return true;
  }
  return read_postfix(node) && (!grammar_.applies || read_applied(node));
}

// The arguments behind a function: f x (y + 1) -2.
bool Reader::read_applied(Node& node) {
  const bool is_function =
      (node.kind == Node::Kind::name || node.kind == Node::Kind::member) && !node.enclosed;
  if (!is_function) return true;
  for (;;) {
    const std::size_t end = at_;
    skip_blanks();
    if (at_ == end || !begins_argument()) {
      at_ = end;
      return true;
    }
    Node argument;
    const bool has_sign = peek() == '-';
    const std::size_t start = at_;
    if (has_sign) ++at_;
    if (!read_postfix(argument)) return false;
    if (has_sign) {
      wrap(argument, Node::Kind::unary);
      argument.operation = Operation::negate;
      argument.span.from = start;
    }
    const std::size_t stop = argument.span.to;
    apply_last(node, std::move(argument));
    node.span.to = stop;
  }
}

bool Reader::read_postfix(Node& node) {
  if (!read_primary(node)) return false;
  while (!grammar_.prefix_calls) {
    if (const OperatorFact* postfix = find_operator(grammar_.postfix)) {
      at_ += postfix->text.size();
      wrap(node, Node::Kind::unary);
      node.operation = postfix->operation;
      node.span.to = at_;
      continue;
    }
    const std::size_t end = at_;
    skip_blanks();
    const std::size_t start = at_;
    if (grammar_.point_before_index && starts_with(".[")) ++at_;
    const bool arrow = !grammar_.arrow.empty() && starts_with(grammar_.arrow);
    if (arrow || (grammar_.point_before_members && peek() == '.' && peek(1) != '.' &&
                  (grammar_.digit_members || !is_digit(peek(1))))) {
      at_ += arrow ? grammar_.arrow.size() : 1;
      skip_blanks();
      if (!begins_name(peek()) && !(grammar_.digit_members && is_digit(peek())))
        return syntax_error("the name of a member is expected here", start);
      wrap(node, Node::Kind::member);
      node.text = read_word();
      if (!grammar_.type_arguments.empty() && starts_with(grammar_.type_arguments) &&
          !read_type_arguments(node))
        return false;
      node.by_pointer = arrow;
    } else if (grammar_.applies && start > end) {
      at_ = end;
      return true;
    } else if (peek() == '[' && !at_end()) {
      ++at_;
      wrap(node, Node::Kind::item);
      if (!read_index(node, start)) return false;
    } else if (peek() == '(' && !at_end()) {
      ++at_;
      wrap(node, Node::Kind::call);
      if (!read_list(node, ')', start)) return false;
    } else {
      at_ = end;
      return true;
    }
    node.span.to = at_;
  }
  return true;
}

// .sum::<i32>()
bool Reader::read_type_arguments(Node& node) {
  const std::size_t from = at_ += grammar_.type_arguments.size();
  int depth = 1;
  for (; depth > 0; ++at_) {
    if (at_end()) return syntax_error("a closing > is missing", from);
    depth += peek() == '<' ? 1 : peek() == '>' ? -1 : 0;
  }
  node.keys.emplace_back(source_.substr(from, at_ - 1 - from));
  return true;
}

bool Reader::close(char bracket, std::size_t start) {
  skip_blanks();
  if (at_end() || peek() != bracket)
    return syntax_error(std::string("a closing ") + bracket + " is missing", start);
  ++at_;
  return true;
}

// [1], [1:3], [::2].
bool Reader::read_index(Node& node, std::size_t start) {
  node.parts.emplace_back();
  skip_blanks();
  if (!(grammar_.slices && peek() == ':') && !read(node.parts[1])) return false;
  skip_blanks();
  if (peek() == ',') return not_yet("several indices are", start);
  if (!grammar_.slices || peek() != ':') return close(']', start);
  node.kind = Node::Kind::slice;
  while (peek() == ':' && node.parts.size() < 4) {
    ++at_;
    node.parts.emplace_back();
    skip_blanks();
    if (peek() != ':' && peek() != ']' && !read(node.parts.back())) return false;
    skip_blanks();
  }
  node.parts.resize(4);
  return close(']', start);
}

bool Reader::read_list(Node& node, char bracket, std::size_t start) {
  for (;;) {
    skip_blanks();
    if (!at_end() && peek() == bracket) {
      ++at_;
      return true;
    }
    if (at_end() || peek() == ',')
      return syntax_error(at_end() ? std::string("a closing ") + bracket + " is missing"
                                   : "a value is expected here",
                          at_end() ? start : at_);
    if (!read_argument(node)) return false;
    skip_blanks();
    if (peek() == ',')
      ++at_;
    else if (at_end() || peek() != bracket)
      return syntax_error(std::string("a closing ") + bracket + " is missing", start);
  }
}

bool Reader::read_argument(Node& call) {
  const std::size_t start = at_;
  const bool is_call = call.kind == Node::Kind::call;
  std::string name;
  if (is_call && !grammar_.names_argument.empty() && begins_name(peek())) {
    name = read_word();
    skip_blanks();
    const std::string_view mark = grammar_.names_argument;
    const bool doubled = starts_with(std::string(mark) + std::string(mark));
    if (starts_with(mark) && !doubled) {
      at_ += mark.size();
    } else {
      name.clear();
      at_ = start;
    }
  }
  Node argument;
  if (is_call && !grammar_.spread.empty() && starts_with(grammar_.spread)) {
    at_ += grammar_.spread.size();
    argument.kind = Node::Kind::spread;
    argument.parts.emplace_back();
    if (!read(argument.parts[0])) return false;
    argument.span = {start, argument.parts[0].span.to};
  } else if (!read(argument) || !read_behind_item(argument)) {
    return false;
  }
  if (is_call) {
    call.keys.resize(call.parts.size() - 1);
    call.keys.push_back(std::move(name));
  }
  call.parts.push_back(std::move(argument));
  return true;
}

bool Reader::read_enclosed(Node& node) {
  const std::size_t start = at_++;
  skip_blanks();
  if (grammar_.tuples && peek() == ')') {
    ++at_;
    node.kind = Node::Kind::tuple;
    return true;
  }
  if (!read(node)) return false;
  skip_blanks();
  if (grammar_.tuples && peek() == ',') {
    ++at_;
    wrap(node, Node::Kind::tuple);
    return read_list(node, ')', start);
  }
  node.enclosed = true;
  return close(')', start);
}

// {"mass": 2.5, "lot": 7}
bool Reader::read_braces(Node& node) {
  const std::size_t start = at_++;
  node.kind = Node::Kind::record;
  for (;;) {
    skip_blanks();
    if (peek() == '}') {
      ++at_;
      return true;
    }
    Node key;
    if (!read(key)) return false;
    skip_blanks();
    if (peek() != ':') return not_yet("sets are", start);
    ++at_;
    if (key.kind != Node::Kind::constant || !key.value.is(Type::text))
      return not_yet("keys other than texts are", key.span.from);
    node.keys.emplace_back(key.value.as_text());
    node.parts.emplace_back();
    if (!read(node.parts.back())) return false;
    skip_blanks();
    if (peek() == ',')
      ++at_;
    else if (peek() != '}')
      return syntax_error("a closing } is missing", start);
  }
}

bool Reader::read_name(Node& node) {
  node.kind = Node::Kind::name;
  node.text = read_word();
  while (!grammar_.path.empty() && starts_with(grammar_.path)) {
    at_ += grammar_.path.size();
    (node.text += grammar_.path) += read_word();
  }
  return true;
}

bool Reader::read_primary(Node& node) {
  skip_blanks();
  const std::size_t start = at_;
  node.span.from = start;
  bool good = true;
  const char c = peek();
  if (at_end()) return syntax_error("an expression is expected here", start);
  if (const auto own = read_own(node)) {
    good = *own;
  } else if (c == '(') {
    good = read_enclosed(node);
  } else if (c == '[' && grammar_.lists == "[") {
    ++at_;
    node.kind = Node::Kind::list;
    good = read_list(node, ']', start);
  } else if (c == '{' && grammar_.lists == "{") {
    ++at_;
    node.kind = Node::Kind::list;
    good = read_list(node, '}', start);
  } else if (c == '{' && grammar_.braces) {
    good = read_braces(node);
  } else if (!grammar_.prefix_of_names.empty() && starts_with(grammar_.prefix_of_names) &&
             begins_name(peek(1))) {
    ++at_;
    good = read_name(node);
  } else if (begins_name(c)) {
    good = read_name(node);
  } else {
    return syntax_error("an expression is expected here", start);
  }
  node.span = {start, at_};
  return good;
}

}  // namespace inky::inline v1::computed
