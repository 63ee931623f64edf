// Functions in expressions, and what their parameters are: ECMA-262, 14.3.3 and 15.
//
//   x => x * 2      ([key, value]) => key + value      (a, b = 1) => { const c = a + b; return c }
//   function (x) { if (x < 0) return -x; return x }

#include "dialect/lexis.hpp"
#include "expression_reader.hpp"

namespace inky::inline v1::javascript {

bool Reader::read_word(std::string_view word) {
  skip_blanks();
  if (!starts_with(word) || is_name_part(peek(word.size()))) return false;
  at_ += word.size();
  return true;
}

// An arrow behind a name or behind what is in parentheses, or the word function.
bool Reader::begins_function() {
  const std::size_t start = at_;
  if (read_word("function")) {
    at_ = start;
    return true;
  }
  skip_blanks();
  if (is_name_start(peek())) {
    read_name();
  } else if (peek() == '(') {
    int depth = 0;
    char quote = 0;
    for (; at_ < source_.size(); ++at_) {
      const char c = peek();
      if (quote != 0) {
        if (c == '\\') ++at_;
        if (c == quote) quote = 0;
      } else if (c == '"' || c == '\'' || c == '`') {
        quote = c;
      } else if (c == '(' || c == '[' || c == '{') {
        ++depth;
      } else if ((c == ')' || c == ']' || c == '}') && --depth == 0) {
        break;
      }
    }
    ++at_;
  }
  skip_blanks();
  const bool begins = starts_with("=>");
  at_ = start;
  return begins;
}

bool Reader::read_function(Node& node) {
  node.kind = Node::Kind::function;
  skip_blanks();
  const std::size_t start = at_;
  node.span.from = start;
  node.parts.emplace_back();
  const bool is_arrow = !read_word("function");
  skip_blanks();
  if (!is_arrow && is_name_start(peek())) read_name();
  if (!read_parameters(node, start)) return false;
  skip_blanks();
  if (is_arrow) at_ += 2;
  skip_blanks();
  if (peek() == '{') {
    ++at_;
    ++bodies_;
    if (!read_body(node.parts[0])) return false;
    --bodies_;
  } else if (!is_arrow) {
    return syntax_error("a function has its body in braces", start);
  } else if (!read_sum(node.parts[0])) {
    return false;
  }
  node.span.to = at_;
  node.text = source_.substr(start, at_ - start);
  return true;
}

bool Reader::read_parameters(Node& node, std::size_t start) {
  skip_blanks();
  if (is_name_start(peek())) return read_target(node.parts.emplace_back(), node.keys);
  if (peek() != '(') return syntax_error("the names of a function are in parentheses", start);
  ++at_;
  for (;;) {
    skip_blanks();
    if (peek() == ')') break;
    const bool is_rest = starts_with("...");
    if (is_rest) at_ += 3;
    Node target;
    if (!read_target(target, node.keys)) return false;
    skip_blanks();
    if (is_rest) wrap(target, Node::Kind::spread);
    if (!is_rest && !read_default(target)) return false;
    node.parts.push_back(std::move(target));
    if (peek() == ',')
      ++at_;
    else if (peek() != ')')
      return syntax_error("a closing ) is missing", start);
  }
  ++at_;
  return true;
}

// What a name stands for where it gets nothing: b = 2
bool Reader::read_default(Node& target) {
  skip_blanks();
  if (peek() != '=' || peek(1) == '>' || peek(1) == '=') return true;
  ++at_;
  wrap(target, Node::Kind::with_default);
  if (!read_sum(target.parts.emplace_back())) return false;
  skip_blanks();
  return true;
}

// A name, or names in brackets or braces, which get the parts of a value.
bool Reader::read_target(Node& target, std::vector<std::string>& names) {
  skip_blanks();
  target.span.from = at_;
  if (++depth_ > most_depth) return not_yet("names nested as deep as this are", at_);
  bool read = true;
  if (is_name_start(peek())) {
    target.kind = Node::Kind::name;
    target.text = read_name();
    names.push_back(target.text);
  } else if (peek() == '[') {
    read = read_list_target(target, names);
  } else if (peek() == '{') {
    read = read_object_target(target, names);
  } else {
    read = syntax_error("a name is expected here", at_);
  }
  --depth_;
  target.span.to = at_;
  return read;
}

bool Reader::read_list_target(Node& target, std::vector<std::string>& names) {
  const std::size_t start = at_++;
  target.kind = Node::Kind::array;
  for (skip_blanks(); peek() != ']'; skip_blanks()) {
    Node part;
    if (peek() == ',') {
      part.kind = Node::Kind::hole;
    } else {
      const bool is_rest = starts_with("...");
      if (is_rest) at_ += 3;
      if (!read_target(part, names)) return false;
      if (is_rest) wrap(part, Node::Kind::spread);
      if (!is_rest && !read_default(part)) return false;
    }
    skip_blanks();
    target.parts.push_back(std::move(part));
    if (peek() == ',')
      ++at_;
    else if (peek() != ']')
      return not_yet("names such as these are", start);
  }
  ++at_;
  return true;
}

bool Reader::read_object_target(Node& target, std::vector<std::string>& names) {
  const std::size_t start = at_++;
  target.kind = Node::Kind::object;
  for (skip_blanks(); peek() != '}'; skip_blanks()) {
    if (starts_with("...")) {
      at_ += 3;
      target.keys.emplace_back();
      Node& rest = target.parts.emplace_back();
      if (!read_target(rest, names)) return false;
      wrap(rest, Node::Kind::spread);
      skip_blanks();
      if (peek() != '}') return not_yet("names such as these are", start);
      continue;
    }
    if (!is_name_start(peek())) return not_yet("names such as these are", start);
    const std::size_t from = at_;
    target.keys.push_back(read_name());
    skip_blanks();
    Node part;
    if (peek() == ':') {
      ++at_;
      if (!read_target(part, names)) return false;
    } else {
      part.kind = Node::Kind::name;
      part.text = target.keys.back();
      part.span = {from, at_};
      names.push_back(part.text);
    }
    if (!read_default(part)) return false;
    target.parts.push_back(std::move(part));
    if (peek() == ',')
      ++at_;
    else if (peek() != '}')
      return not_yet("names such as these are", start);
  }
  ++at_;
  return true;
}

// What a function returns, from behind its opening brace or from behind a statement in it: moves
// behind its closing brace.
bool Reader::read_body(Node& node) {
  if (++depth_ > most_depth) return not_yet("functions as long as this are", at_);
  skip_blanks();
  while (peek() == ';') {
    ++at_;
    skip_blanks();
  }
  const std::size_t start = at_;
  node.span.from = start;
  bool read = true;
  if (peek() == '}') {
    ++at_;
    node.kind = Node::Kind::name;
    node.text = "undefined";
  } else if (read_word("return")) {
    skip_blanks();
    node.kind = Node::Kind::name;
    node.text = "undefined";
    if (peek() != ';' && peek() != '}') read = read_sequence(node);
    skip_blanks();
    if (read && peek() == ';') ++at_;
    skip_blanks();
    if (read && peek() != '}') read = not_yet("what follows a return is", at_);
    ++at_;
  } else if (read_word("const") || read_word("let") || read_word("var")) {
    read = read_declarations(node, start);
  } else if (read_word("if")) {
    read = read_choice(node, start);
  } else {
    read = not_yet("such a statement in a function is", start);
  }
  --depth_;
  node.span.to = at_;
  return read;
}

bool Reader::read_declarations(Node& node, std::size_t start) {
  node.kind = Node::Kind::let;
  node.parts.resize(3);
  if (!read_target(node.parts[0], node.keys)) return false;
  skip_blanks();
  if (peek() != '=') return not_yet("a name without a value is", start);
  ++at_;
  if (!read_sum(node.parts[1])) return false;
  skip_blanks();
  if (peek() != ',') return read_body(node.parts[2]);
  ++at_;
  return read_declarations(node.parts[2], start);
}

// if (...) return ...; with what follows in the place of an else.
bool Reader::read_choice(Node& node, std::size_t start) {
  node.kind = Node::Kind::condition;
  node.parts.resize(3);
  skip_blanks();
  if (peek() != '(') return syntax_error("the condition is in parentheses", start);
  ++at_;
  if (!read_sequence(node.parts[0]) || !close(')', start)) return false;
  skip_blanks();
  const bool has_block = peek() == '{';
  if (has_block) ++at_;
  skip_blanks();
  if (!read_word("return")) return not_yet("such a branch in a function is", at_);
  skip_blanks();
  node.parts[1].kind = Node::Kind::name;
  node.parts[1].text = "undefined";
  if (peek() != ';' && peek() != '}' && !read_sequence(node.parts[1])) return false;
  skip_blanks();
  while (peek() == ';') {
    ++at_;
    skip_blanks();
  }
  if (has_block && !close('}', start)) return false;
  if (!read_word("else")) return read_body(node.parts[2]);
  skip_blanks();
  if (read_word("if")) return read_choice(node.parts[2], start);
  if (peek() != '{') return read_body(node.parts[2]);
  // An else in braces ends what the function does.
  ++at_;
  return read_body(node.parts[2]) && close('}', start);
}

bool Reader::read_change(Node& node) {
  const bool removes = read_word("delete");
  skip_blanks();
  const bool steps_first = starts_with("++") || starts_with("--");
  const char step = peek();
  if (steps_first) at_ += 2;
  if (!read_chain(node)) return false;
  skip_blanks();
  const auto ends = [&] {
    skip_blanks();
    return at_ >= source_.size();
  };
  const bool is_part = node.kind == Node::Kind::member || node.kind == Node::Kind::item;
  if (removes) {
    wrap(node, Node::Kind::remove);
    return is_part && !steps_first && ends();
  }
  if (!is_part)
    return node.kind == Node::Kind::call && !steps_first && ends() &&
           node.parts[0].kind == Node::Kind::member && is_changing(node.parts[0].text);
  Node target = node;
  wrap(node, Node::Kind::assign);
  Node& value = node.parts.emplace_back();
  value.span = node.span;
  const bool steps_behind = starts_with("++") || starts_with("--");
  if (steps_first || steps_behind) {
    const char sign = steps_first ? step : peek();
    if (steps_behind) at_ += 2;
    value.kind = Node::Kind::binary;
    value.operation = sign == '+' ? computed::Operation::add : computed::Operation::subtract;
    Node one;
    one.number = 1;
    value.parts = {std::move(target), std::move(one)};
    return steps_first != steps_behind && ends();
  }
  const computed::OperatorFact* fact = find_operator();
  if (fact != nullptr && source_.substr(at_ + fact->text.size()).starts_with('=') &&
      !computed::is_comparison(fact->operation)) {
    at_ += fact->text.size() + 1;
    value.kind = Node::Kind::binary;
    value.operation = fact->operation;
    value.parts.push_back(std::move(target));
    return read_sum(value.parts.emplace_back()) && ends();
  }
  if (peek() != '=' || peek(1) == '=' || peek(1) == '>') return false;
  ++at_;
  return read_sum(value) && ends();
}

bool read_change(TemplateContent& out, Node& node) {
  return Reader(out, 0).read_change(node) && !root_of(node).empty();
}

bool read_targets(TemplateContent& out, std::size_t& at, Node& target,
                  std::vector<std::string>& names) {
  Reader reader(out, at);
  const bool read = reader.read_targets(target, names);
  at = reader.at();
  return read;
}

std::string_view root_of(const Node& path) {
  switch (path.kind) {
    case Node::Kind::name:
      return path.text;
    case Node::Kind::member:
    case Node::Kind::item:
    case Node::Kind::call:
    case Node::Kind::assign:
    case Node::Kind::remove:
      return root_of(path.parts[0]);
    default:
      return {};
  }
}

bool is_changing(std::string_view method) {
  return has_word("push pop shift unshift splice sort reverse fill copyWithin set add delete clear",
                  method) ||
         (method.starts_with("set") && method.size() > 3 && method[3] >= 'A' && method[3] <= 'Z');
}

namespace {

// The name whose value, or a part of it, an expression comes to; empty where it makes a new one.
std::string_view changed_root(const Node& node) {
  const bool makes = node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::member &&
                     has_word(
                         "map filter slice concat split flat flatMap toSorted toReversed with "
                         "from of keys values entries fromEntries",
                         node.parts[0].text);
  if (makes) return {};
  const bool is_part = node.kind == Node::Kind::member || node.kind == Node::Kind::item ||
                       node.kind == Node::Kind::call;
  if (is_part) return changed_root(node.parts[0]);
  return node.kind == Node::Kind::name ? std::string_view(node.text) : std::string_view();
}

void collect_changed(const Node& node, std::vector<std::string_view>& own,
                     std::vector<std::string>& out) {
  if (node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::member) {
    const Node& callee = node.parts[0];
    const bool assigns = callee.text == "assign" && callee.parts[0].kind == Node::Kind::name &&
                         callee.parts[0].text == "Object" && node.parts.size() > 1;
    const std::string_view root = assigns                    ? changed_root(node.parts[1])
                                  : is_changing(callee.text) ? changed_root(callee.parts[0])
                                                             : std::string_view();
    // What a function calls its own may be any value around it.
    if (std::find(own.begin(), own.end(), root) != own.end())
      out.emplace_back();
    else if (!root.empty())
      out.emplace_back(root);
  }
  const std::size_t outside = own.size();
  if (node.kind == Node::Kind::function || node.kind == Node::Kind::let)
    own.insert(own.end(), node.keys.begin(), node.keys.end());
  for (const Node& part : node.parts) collect_changed(part, own, out);
  own.resize(outside);
}

}  // namespace

std::vector<std::string> changed_names(const Node& node) {
  std::vector<std::string_view> own;
  std::vector<std::string> out;
  collect_changed(node, own, out);
  if (std::find(out.begin(), out.end(), std::string()) == out.end()) return out;
  std::vector<std::string> names = names_in(node);
  // A function that has a name may be called with any value.
  if (node.kind == Node::Kind::function) names.emplace_back();
  return names;
}

}  // namespace inky::inline v1::javascript
