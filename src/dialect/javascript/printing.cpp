#include "printing.hpp"

#include <algorithm>

#include "dialect/program_form.hpp"
#include "evaluation.hpp"
#include "numbers.hpp"

namespace inky::inline v1::javascript {

namespace {

bool is_known_call(const Node& callee) {
  const auto is_method = [](std::string_view name) {
    const auto known = methods();
    return std::any_of(known.begin(), known.end(),
                       [&](const MethodFact& fact) { return fact.name == name; });
  };
  if (callee.kind == Node::Kind::name)
    return callee.text == "String" || callee.text == "Number" || is_method(callee.text);
  if (is_locale_format(callee)) return true;
  const bool is_util = callee.kind == Node::Kind::member && callee.text == "format" &&
                       callee.parts[0].kind == Node::Kind::name && callee.parts[0].text == "util";
  return callee.kind == Node::Kind::member &&
         (is_util || is_method(callee.text) || is_method("Math." + callee.text) ||
          (callee.parts[0].kind == Node::Kind::name &&
           is_method(callee.parts[0].text + "." + callee.text)));
}

std::string_view text_of(std::span<const computed::OperatorFact> facts,
                         computed::Operation operation) {
  const auto found =
      std::find_if(facts.begin(), facts.end(),
                   [&](const computed::OperatorFact& fact) { return fact.operation == operation; });
  return found == facts.end() ? std::string_view() : found->text;
}

class Printer {
 public:
  Printer(const ProgramForm& form, std::string& out) : form_(form), out_(out) {}

  void print(const Node& node) {
    switch (node.kind) {
      case Node::Kind::number:
        append_number(node.number, out_);
        return;
      case Node::Kind::big:
        append_whole(node.big.magnitude, 10, Letters::lower, out_);
        out_ += 'n';
        return;
      case Node::Kind::text:
        print_text(node.text);
        return;
      case Node::Kind::name:
        out_ += node.text;
        return;
      case Node::Kind::array:
        out_ += '[';
        print_parts(node, 0);
        out_ += ']';
        return;
      case Node::Kind::object:
        print_object(node);
        return;
      case Node::Kind::text_template:
        print_template(node);
        return;
      case Node::Kind::unary:
        out_ += text_of(operators.prefix, node.operation);
        print_operand(node.parts[0]);
        return;
      case Node::Kind::condition:
        print_operand(node.parts[0]);
        out_ += " ? ";
        print_operand(node.parts[1]);
        out_ += " : ";
        print_operand(node.parts[2]);
        return;
      case Node::Kind::binary:
        print_operand(node.parts[0]);
        out_ += ' ';
        out_ += text_of(operators.infix, node.operation);
        out_ += ' ';
        print_operand(node.parts[1]);
        return;
      case Node::Kind::member:
        print_operand(node.parts[0]);
        out_ += node.optional ? "?." : ".";
        out_ += node.text;
        return;
      case Node::Kind::item:
        print_operand(node.parts[0]);
        out_ += node.optional ? "?.[" : "[";
        print(node.parts[1]);
        out_ += ']';
        return;
      case Node::Kind::call:
        print_operand(node.parts[0]);
        out_ += '(';
        print_parts(node, 1);
        out_ += ')';
        return;
      case Node::Kind::construct:
        out_ += "new ";
        print(node.parts[0]);
        out_ += '(';
        print_parts(node, 1);
        out_ += ')';
        return;
      case Node::Kind::spread:
        out_ += "...";
        print_operand(node.parts[0]);
        return;
      case Node::Kind::sequence:
        out_ += '(';
        print_parts(node, 0);
        out_ += ')';
        return;
      case Node::Kind::function:
        out_ += '(';
        for (std::size_t i = 0; i < node.keys.size(); ++i) {
          if (i > 0) out_ += ", ";
          out_ += node.keys[i];
        }
        out_ += ") => ";
        print_operand(node.parts[0]);
        return;
      case Node::Kind::hole:
      case Node::Kind::entry:
      case Node::Kind::pattern:
      case Node::Kind::let:
      case Node::Kind::with_default:
      case Node::Kind::assign:
      case Node::Kind::remove:
        return;  // unknown_part refuses them
      case Node::Kind::word:
        out_ += node.text + ' ';
        print_operand(node.parts[0]);
        return;
    }
  }

 private:
  // Brackets wherever they might be needed: of numbers, because of the point of a member.
  void print_operand(const Node& node) {
    const bool in_brackets = node.kind == Node::Kind::unary || node.kind == Node::Kind::binary ||
                             node.kind == Node::Kind::condition || node.kind == Node::Kind::word ||
                             node.kind == Node::Kind::function || node.kind == Node::Kind::number ||
                             node.kind == Node::Kind::object;
    if (in_brackets) out_ += '(';
    print(node);
    if (in_brackets) out_ += ')';
  }

  void print_text(std::string_view text) {
    out_ += '"';
    out_ += literal_text(form_, text);
    out_ += '"';
  }

  void print_parts(const Node& node, std::size_t from) {
    for (std::size_t i = from; i < node.parts.size(); ++i) {
      if (i > from) out_ += ", ";
      print(node.parts[i]);
    }
  }

  void print_object(const Node& node) {
    out_ += '{';
    for (std::size_t i = 0; i < node.parts.size(); ++i) {
      if (i > 0) out_ += ", ";
      print_text(node.keys[i]);
      out_ += ": ";
      print(node.parts[i]);
    }
    out_ += '}';
  }

  void print_template(const Node& node) {
    out_ += '`';
    for (std::size_t i = 0; i < node.keys.size(); ++i) {
      out_ += template_text(form_, node.keys[i]);
      if (i == node.parts.size()) break;
      out_ += "${";
      print(node.parts[i]);
      out_ += '}';
    }
    out_ += '`';
  }

  const ProgramForm& form_;
  std::string& out_;
};

}  // namespace

void append_source(const ProgramForm& form, const Node& node, std::string& out) {
  Printer(form, out).print(node);
}

const Node* unknown_part(const Node& node, std::span<const std::string> names) {
  if (node.kind == Node::Kind::name && !is_known_name(node.text) &&
      std::find(names.begin(), names.end(), node.text) == names.end())
    return &node;
  if (node.kind == Node::Kind::call && !is_known_call(node.parts[0])) return &node;
  constexpr Node::Kind never[] = {Node::Kind::hole, Node::Kind::entry, Node::Kind::pattern,
                                  Node::Kind::let, Node::Kind::with_default};
  const bool has_parts =
      node.kind == Node::Kind::function && node.keys.size() + 1 != node.parts.size();
  if (has_parts || std::find(std::begin(never), std::end(never), node.kind) != std::end(never))
    return &node;
  if (node.kind == Node::Kind::object || node.kind == Node::Kind::function) {
    for (const Node& part : node.parts) {
      const bool is_whole = node.kind == Node::Kind::function && &part == &node.parts[0];
      const bool is_plain = node.kind == Node::Kind::object
                                ? part.kind != Node::Kind::spread
                                : is_whole || part.kind == Node::Kind::name;
      if (!is_plain) return &part;
    }
  }
  const bool makes_unknown =
      node.kind == Node::Kind::construct &&
      !(node.parts[0].kind == Node::Kind::member && node.parts[0].text == "NumberFormat");
  if (makes_unknown) return &node;
  // What a function calls its own is known in it.
  std::vector<std::string> known(names.begin(), names.end());
  if (node.kind == Node::Kind::function)
    known.insert(known.end(), node.keys.begin(), node.keys.end());
  for (const Node& part : node.parts) {
    if (const Node* unknown = unknown_part(part, known)) return unknown;
  }
  return nullptr;
}

std::string template_text(const ProgramForm& form, std::string_view text) {
  ProgramForm between_backticks = form;
  between_backticks.escaped = "`\\$";
  return literal_text(between_backticks, text);
}

}  // namespace inky::inline v1::javascript
