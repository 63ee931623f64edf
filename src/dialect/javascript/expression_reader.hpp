// Reads an expression: operators and chains here, functions in expression_functions.cpp, literals
// in expression_literals.cpp.
#pragma once

#include <algorithm>
#include <string>
#include <string_view>
#include <vector>

#include "../family/pasted_source.hpp"
#include "expression.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::javascript {

inline bool is_name_part(char c) {
  return is_name_start(c) || is_digit(c);
}

class Reader : PastedSource {
 public:
  Reader(TemplateContent& out, std::size_t at) : PastedSource(out, at) {}

  bool read_change(Node& node);
  bool read_targets(Node& target, std::vector<std::string>& names) {
    return read_target(target, names);
  }
  bool read(Node& node, bool commas) { return commas ? read_sequence(node) : read_sum(node); }
  std::size_t at() const { return at_; }

 private:
  bool syntax_error(std::string why, std::size_t from) {
    return refuse(Refusal::When::compile, "SyntaxError", std::move(why), from);
  }
  void skip_blanks() { skip_blanks_and_comments(); }

  // Moves what is read so far under a new node.
  static void wrap(Node& node, Node::Kind kind) {
    Node outer;
    outer.kind = kind;
    outer.span = node.span;
    outer.parts.push_back(std::move(node));
    node = std::move(outer);
  }

  bool read_sum(Node& node) {
    if (++depth_ > most_depth) return not_yet("expressions nested as deep as this are", at_);
    const bool is_function = begins_function();
    const bool read =
        is_function ? read_function(node) : read_operators(node, 1) && read_condition(node);
    --depth_;
    return read && check_end();
  }

  // Functions, and what takes their values: expression_functions.cpp.
  bool begins_function();
  bool read_function(Node& node);
  bool read_parameters(Node& node, std::size_t start);
  bool read_target(Node& target, std::vector<std::string>& names);
  bool read_default(Node& target);
  bool read_list_target(Node& target, std::vector<std::string>& names);
  bool read_object_target(Node& target, std::vector<std::string>& names);
  bool read_body(Node& node);
  bool read_declarations(Node& node, std::size_t start);
  bool read_choice(Node& node, std::size_t start);
  bool read_word(std::string_view word);

  // a, b
  bool read_sequence(Node& node) {
    if (!read_sum(node)) return false;
    if (peek() != ',') return true;
    wrap(node, Node::Kind::sequence);
    while (peek() == ',') {
      ++at_;
      node.parts.emplace_back();
      if (!read_sum(node.parts.back())) return false;
    }
    node.span.to = at_;
    return true;
  }

  // The longest operator that begins here; null where none does.
  const computed::OperatorFact* find_operator() const {
    const computed::OperatorFact* found = nullptr;
    for (const computed::OperatorFact& fact : operators.infix) {
      const bool is_longer = found == nullptr || fact.text.size() > found->text.size();
      if (starts_with(fact.text) && is_longer) found = &fact;
    }
    return found;
  }

  bool read_operators(Node& node, int level) {
    if (!read_unary(node)) return false;
    for (;;) {
      skip_blanks();
      const computed::OperatorFact* found = find_operator();
      if (found == nullptr || found->operation == computed::Operation::none || found->level < level)
        return true;
      const std::size_t start = at_;
      at_ += found->text.size();
      const bool is_power = found->operation == computed::Operation::power;
      const bool is_prefixed = node.kind == Node::Kind::unary || node.kind == Node::Kind::word;
      if (is_power && is_prefixed && !node.enclosed)
        return syntax_error("what is before ** needs parentheses", start);
      wrap(node, Node::Kind::binary);
      node.operation = found->operation;
      node.parts.emplace_back();
      if (!read_operators(node.parts[1], found->level + (found->right_first ? 0 : 1))) return false;
      node.span.to = node.parts[1].span.to;
      if (mixes_choices(node)) return syntax_error("?? with && or || needs parentheses", start);
    }
  }

  static bool mixes_choices(const Node& node) {
    using computed::Operation;
    const auto is_choice = [](const Node& part) {
      const bool chooses = part.operation == Operation::both || part.operation == Operation::either;
      return part.kind == Node::Kind::binary && !part.enclosed && chooses;
    };
    const auto is_default = [](const Node& part) {
      return part.kind == Node::Kind::binary && !part.enclosed &&
             part.operation == Operation::if_nil;
    };
    return std::any_of(node.parts.begin(), node.parts.end(), [&](const Node& part) {
      return (node.operation == Operation::if_nil && is_choice(part)) ||
             (is_choice(node) && is_default(part));
    });
  }

  bool read_condition(Node& node) {
    skip_blanks();
    if (peek() != '?' || peek(1) == '.') return true;
    const std::size_t start = at_++;
    wrap(node, Node::Kind::condition);
    node.parts.resize(3);
    if (!read_sum(node.parts[1])) return false;
    skip_blanks();
    if (peek() != ':') return syntax_error("a : is missing", start);
    ++at_;
    if (!read_sum(node.parts[2])) return false;
    node.span.to = node.parts[2].span.to;
    return true;
  }

  // Behind an expression is its end, or an operator that is not supported yet.
  bool check_end() {
    const std::size_t end = at_;
    skip_blanks();
    const char c = peek();
    // In a function, a statement ends with a sign or with its line.
    if (bodies_ > 0 &&
        (c == ';' || source_.substr(end, at_ - end).find('\n') != std::string_view::npos))
      return true;
    if (starts_with("=>")) return not_yet("functions are", at_);
    if (at_ >= source_.size() || std::string_view("})],:`").find(c) != std::string_view::npos)
      return true;
    if (std::string_view("?=<>&|^!+-*").find(c) != std::string_view::npos)
      return not_yet(std::string("the operator ") + c + " here is", at_);
    return syntax_error("an expression ends here, and something else follows", at_);
  }

  std::string_view prefix_word() const {
    for (const std::string_view word : {"typeof", "void"}) {
      if (starts_with(word) && !is_name_part(peek(word.size()))) return word;
    }
    return {};
  }

  bool read_unary(Node& node) {
    skip_blanks();
    const std::size_t start = at_;
    const char c = peek();
    if ((c == '+' || c == '-') && peek(1) == c)
      return not_yet(std::string("the operator ") + c + " here is", at_);
    if (const std::string_view word = prefix_word(); !word.empty()) {
      at_ += word.size();
      if (++depth_ > most_depth) return not_yet("expressions nested as deep as this are", at_);
      node.kind = Node::Kind::word;
      node.text = word;
      node.parts.emplace_back();
      if (!read_unary(node.parts[0])) return false;
      --depth_;
      node.span = {start, node.parts[0].span.to};
      return true;
    }
    const auto prefix =
        std::find_if(operators.prefix.begin(), operators.prefix.end(),
                     [&](const computed::OperatorFact& fact) { return fact.text[0] == c; });
    if (prefix == operators.prefix.end()) return read_chain(node);
    ++at_;
    if (++depth_ > most_depth) return not_yet("expressions nested as deep as this are", at_);
    node.kind = Node::Kind::unary;
    node.operation = prefix->operation;
    node.parts.emplace_back();
    if (!read_unary(node.parts[0])) return false;
    --depth_;
    node.span = {start, node.parts[0].span.to};
    return true;
  }

  bool read_chain(Node& node) {
    if (!read_primary(node)) return false;
    for (;;) {
      const std::size_t end = at_;
      skip_blanks();
      const std::size_t start = at_;
      if (peek() == '.' && !is_digit(peek(1))) {
        ++at_;
        skip_blanks();
        if (!is_name_start(peek()))
          return syntax_error("the name of a member follows a point", start);
        wrap(node, Node::Kind::member);
        node.text = read_name();
      } else if (starts_with("?.") && !is_digit(peek(2))) {
        at_ += 2;
        if (!read_optional(node, start)) return false;
      } else if (peek() == '[') {
        ++at_;
        wrap(node, Node::Kind::item);
        node.parts.emplace_back();
        if (!read_sum(node.parts[1]) || !close(']', start)) return false;
      } else if (peek() == '(') {
        ++at_;
        wrap(node, Node::Kind::call);
        if (!read_list(node, ')', start)) return false;
      } else if (peek() == '`') {
        if (!read_raw(node, start)) return false;
      } else {
        at_ = end;
        return true;
      }
      node.span.to = at_;
    }
  }

  // Behind ?.: a name, an index or arguments.
  bool read_optional(Node& node, std::size_t start) {
    skip_blanks();
    if (peek() == '[') {
      ++at_;
      wrap(node, Node::Kind::item);
      node.parts.emplace_back();
      if (!read_sum(node.parts[1]) || !close(']', start)) return false;
    } else if (peek() == '(') {
      return not_yet("a call behind ?. is", start);
    } else if (is_name_start(peek())) {
      wrap(node, Node::Kind::member);
      node.text = read_name();
    } else {
      return syntax_error("the name of a member follows ?.", start);
    }
    node.optional = true;
    return true;
  }

  // new Intl.NumberFormat("de-DE")
  bool read_construction(Node& node, std::size_t start) {
    skip_blanks();
    if (!is_name_start(peek())) return not_yet("the word new is", start);
    Node callee;
    callee.kind = Node::Kind::name;
    callee.span.from = at_;
    callee.text = read_name();
    while (peek() == '.') {
      callee.span.to = at_;
      ++at_;
      if (!is_name_start(peek())) return syntax_error("the name of a member follows a point", at_);
      wrap(callee, Node::Kind::member);
      callee.text = read_name();
    }
    callee.span.to = at_;
    node.kind = Node::Kind::construct;
    node.parts.push_back(std::move(callee));
    skip_blanks();
    if (peek() != '(') return true;
    ++at_;
    return read_list(node, ')', start);
  }

  bool close(char bracket, std::size_t start) {
    skip_blanks();
    if (peek() != bracket || at_ >= source_.size())
      return syntax_error(std::string("a closing ") + bracket + " is missing", start);
    ++at_;
    return true;
  }

  // Expressions up to a bracket, separated by commas.
  bool read_list(Node& node, char bracket, std::size_t start) {
    for (;;) {
      skip_blanks();
      if (peek() == bracket && at_ < source_.size()) {
        ++at_;
        return true;
      }
      const std::size_t from = at_;
      const bool spreads = starts_with("...");
      if (spreads) at_ += 3;
      if (peek() == ',') {
        if (bracket != ']') return syntax_error("a value is expected here", at_);
        ++at_;
        node.parts.emplace_back().kind = Node::Kind::hole;
        continue;
      }
      node.parts.emplace_back();
      if (!read_sum(node.parts.back())) return false;
      if (spreads) {
        wrap(node.parts.back(), Node::Kind::spread);
        node.parts.back().span.from = from;
      }
      skip_blanks();
      if (peek() == ',')
        ++at_;
      else if (peek() != bracket)
        return syntax_error(std::string("a closing ") + bracket + " is missing", start);
    }
  }

  std::string read_name() {
    const std::size_t start = at_;
    while (is_name_part(peek())) ++at_;
    return std::string(source_.substr(start, at_ - start));
  }

  bool read_primary(Node& node) {
    skip_blanks();
    const std::size_t start = at_;
    const char c = peek();
    node.span.from = start;
    bool read = true;
    if (is_digit(c) || (c == '.' && is_digit(peek(1)))) {
      read = read_number(node);
    } else if (c == '"' || c == '\'') {
      read = read_text(node);
    } else if (c == '`') {
      read = read_template(node);
    } else if (is_name_start(c)) {
      node.kind = Node::Kind::name;
      node.text = read_name();
      if (node.text == "new") {
        node.text.clear();
        read = read_construction(node, start);
        node.span = {start, at_};
        return read;
      }
      constexpr std::string_view words[] = {"delete", "await", "class", "async",
                                            "yield",  "this",  "super"};
      if (std::find(std::begin(words), std::end(words), node.text) != std::end(words))
        return not_yet("the word " + node.text + " is", start);
    } else if (c == '(') {
      ++at_;
      read = read_sequence(node) && close(')', start);
      node.enclosed = true;
    } else if (c == '[') {
      ++at_;
      node.kind = Node::Kind::array;
      read = read_list(node, ']', start);
    } else if (c == '{') {
      ++at_;
      read = read_object(node, start);
    } else if (c == '/') {
      read = read_pattern(node);
    } else if (static_cast<unsigned char>(c) >= 0x80) {
      return not_yet("names beyond ASCII are", start);
    } else {
      return syntax_error("an expression is expected here", start);
    }
    node.span = {start, at_};
    return read;
  }

  bool read_object(Node& node, std::size_t start);
  bool read_part(Node& node, std::size_t start);

  // ECMA-262, 12.9.3.
  bool read_number(Node& node);

  bool read_text(Node& node);

  // A template inside a slot.
  bool read_template(Node& node);
  // String.raw`...`
  bool read_raw(Node& node, std::size_t start);
  // ECMA-262, 12.9.5.
  bool read_pattern(Node& node);

  int depth_ = 0;
  int bodies_ = 0;  // of functions, around this
};

}  // namespace inky::inline v1::javascript
