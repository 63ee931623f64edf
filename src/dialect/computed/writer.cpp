#include "writer.hpp"

#include <algorithm>
#include <vector>

#include "dialect/lexis.hpp"
#include "dialect/value_source.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::computed {

namespace {

class Writer {
 public:
  Writer(const Writing& writing, WrittenCall& out, TextStyle texts)
      : grammar_(writing.grammar),
        form_(writing.form),
        names_(writing.names),
        out_(out),
        texts_(texts) {}

  bool write(const Node& node) {
    if (!node.enclosed) return write_bare(node);
    out_.add("(");
    if (!write_bare(node)) return false;
    out_.add(")");
    return true;
  }

 private:
  bool write_bare(const Node& node) {
    switch (node.kind) {
      case Node::Kind::nothing:
        return true;
      case Node::Kind::constant:
        return write_constant(node);
      case Node::Kind::name:
        // Nothing that could be more than a name.
        if (node.text.find_first_of(" \t\r\n\"`(){}[],;#\\|") != std::string::npos) return false;
        if (node.is_made) out_.add("new ");
        // A function bears no such sign.
        if (!node.is_made && !is_called_) out_.add(grammar_.prefix_of_names);
        out_.add(node.text);
        return true;
      case Node::Kind::list:
      case Node::Kind::tuple:
        return write_items(node);
      case Node::Kind::record:
        return write_record(node);
      case Node::Kind::unary:
        if (const std::string_view behind = text_of(grammar_.postfix, node.operation);
            !behind.empty()) {
          if (!write(node.parts[0])) return false;
          out_.add(behind);
          return true;
        }
        out_.add(text_of_prefix(node.operation));
        return write(node.parts[0]);
      case Node::Kind::binary:
      case Node::Kind::compared:
        return write_operators(node);
      case Node::Kind::condition:
        return write_condition(node);
      case Node::Kind::member:
        if (!write(node.parts[0])) return false;
        out_.add(node.by_pointer ? grammar_.arrow : ".");
        out_.add(node.text);
        return true;
      case Node::Kind::item:
      case Node::Kind::slice:
        return write_index(node);
      case Node::Kind::call:
        return write_call(node);
      case Node::Kind::cast:
        if (!grammar_.cast_word.empty()) {
          if (!write(node.parts[0])) return false;
          out_.add(" " + std::string(grammar_.cast_word) + " " + node.text);
          return true;
        }
        out_.add("(" + node.text + ")");
        return write(node.parts[0]);
      case Node::Kind::spread:
        out_.add(grammar_.spread);
        return write(node.parts[0]);
      case Node::Kind::for_each:
      case Node::Kind::function:
        return write_for_each(node);
      case Node::Kind::filled:
        return false;
    }
    return false;
  }

  bool write_for_each(const Node& node) {
    // A function without a name.
    if (node.parts.size() < 2) return false;
    const std::size_t outside = own_names_.size();
    own_names_.insert(own_names_.end(), node.keys.begin(), node.keys.end());
    const bool is_written = write_each(node);
    own_names_.resize(outside);
    return is_written;
  }
  bool write_each(const Node& node) {
    if (!write(node.parts[0])) return false;
    out_.add(" for ");
    for (std::size_t i = 0; i < node.keys.size(); ++i) out_.add((i > 0 ? ", " : "") + node.keys[i]);
    out_.add(" in ");
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      if (i > 1) out_.add(" if ");
      if (!write(node.parts[i])) return false;
    }
    return true;
  }

  // How the program writes nothing; empty where it has no such value.
  static std::string_view nil_of(const ProgramForm& form) {
    for (const TypeForm& type : form.types) {
      if (type.type == Type::nil) return type.literal;
    }
    return {};
  }

  std::string text_of_prefix(Operation operation) const {
    for (const OperatorFact& fact : grammar_.prefix) {
      if (fact.operation != operation) continue;
      const bool is_word = fact.text == "not";
      return std::string(fact.text) + (is_word ? " " : "");
    }
    return {};
  }
  static std::string_view text_of(std::span<const OperatorFact> facts, Operation operation) {
    const auto found = std::find_if(facts.begin(), facts.end(), [&](const OperatorFact& fact) {
      return fact.operation == operation;
    });
    return found == facts.end() ? std::string_view() : found->text;
  }
  std::string_view text_of_infix(Operation operation) const {
    return text_of(grammar_.infix, operation);
  }

  bool write_text(std::string_view text) {
    if (texts_ == TextStyle::literals) {
      out_.add_literal("\"" + literal_text(form_, text) + "\"");
      return true;
    }
    if (text.find_first_of("'\"\\{}#\n\r\t") != std::string_view::npos ||
        literal_text(form_, text) != text)
      return false;
    out_.add("'" + std::string(text) + "'");
    return true;
  }

  bool write_constant(const Node& node) {
    if (node.value.is(Type::text)) return write_text(node.value.as_text());
    if (node.value.is(Type::nil)) {
      out_.add(nil_of(form_));
      return !nil_of(form_).empty();
    }
    const Result<std::string> source = value_source(form_, {}, node.value);
    if (!source) return false;
    if (source->find_first_of("\"'") == std::string::npos)
      out_.add(*source);
    else
      out_.add_literal(*source);
    return true;
  }

  // [1, 2; 3, 4]
  bool write_rows(const Node& node) {
    out_.add("[");
    for (std::size_t i = 0; i < node.parts.size(); ++i) {
      if (i > 0) out_.add(std::string(grammar_.rows) + " ");
      const Node& row = node.parts[i];
      for (std::size_t k = 0; k < row.parts.size(); ++k) {
        if (k > 0) out_.add(", ");
        if (!write(row.parts[k])) return false;
      }
    }
    out_.add("]");
    return true;
  }

  bool write_items(const Node& node) {
    if (!grammar_.rows.empty()) return write_rows(node);
    const bool is_tuple = node.kind == Node::Kind::tuple;
    // What makes it, new int[], is words and brackets and nothing else.
    const bool is_plain = std::all_of(node.text.begin(), node.text.end(), [](char c) {
      return is_word_part(c) || std::string_view(" <>[]!").find(c) != std::string_view::npos;
    });
    if (!is_plain) return false;
    const bool has_braces = !is_tuple && node.text.starts_with("new ");
    out_.add(node.text);
    out_.add(is_tuple ? "(" : has_braces ? "{" : "[");
    for (std::size_t i = 0; i < node.parts.size(); ++i) {
      if (i > 0) out_.add(", ");
      if (!write(node.parts[i])) return false;
    }
    if (is_tuple && node.parts.size() == 1) out_.add(",");
    out_.add(is_tuple ? ")" : has_braces ? "}" : "]");
    return true;
  }

  bool write_record(const Node& node) {
    out_.add("{");
    for (std::size_t i = 0; i < node.parts.size(); ++i) {
      if (i > 0) out_.add(", ");
      if (!write_text(node.keys[i])) return false;
      out_.add(": ");
      if (!write(node.parts[i])) return false;
    }
    out_.add("}");
    return true;
  }

  bool write_operators(const Node& node) {
    if (grammar_.prefix_calls) return write_list(text_of_infix(node.operation), node, 0);
    // from:step:to is read from the left.
    const Node& first = node.parts[0];
    const bool has_step = node.operation == Operation::range && first.kind == Node::Kind::binary &&
                          first.operation == Operation::range && !first.enclosed;
    if (!(has_step ? write_bare(first) : write(first))) return false;
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      const Operation operation =
          node.kind == Node::Kind::compared ? node.operations[i - 1] : node.operation;
      const std::string_view sign = text_of_infix(operation);
      if (sign.empty()) return false;
      out_.add(" " + std::string(sign) + " ");
      if (!write(node.parts[i])) return false;
    }
    return true;
  }

  bool write_condition(const Node& node) {
    if (grammar_.prefix_calls) return write_list("if", node, 0);
    const bool marks = grammar_.condition == Grammar::Condition::marks;
    if (!write(node.parts[marks ? 0 : 1])) return false;
    out_.add(marks ? " ? " : " if ");
    if (!write(node.parts[marks ? 1 : 0])) return false;
    out_.add(marks ? " : " : " else ");
    return write(node.parts[2]);
  }

  bool write_index(const Node& node) {
    // Two brackets, and several indices, are R's.
    const bool is_plain =
        node.kind != Node::Kind::item ||
        (node.parts.size() == 2 && node.text.empty() && node.parts[1].kind != Node::Kind::nothing);
    if (!is_plain) return false;
    if (!write(node.parts[0])) return false;
    out_.add("[");
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      if (i > 1 && (i < 3 || node.parts[i].kind != Node::Kind::nothing)) out_.add(":");
      if (!write(node.parts[i])) return false;
    }
    out_.add("]");
    return true;
  }

  // Whether it is made from values: a class or a module bears a name that no value has.
  bool is_value(const Node& node) const {
    if (node.kind == Node::Kind::member) return is_value(node.parts[0]);
    return node.kind != Node::Kind::name ||
           std::find(names_.begin(), names_.end(), node.text) != names_.end() ||
           std::find(own_names_.begin(), own_names_.end(), node.text) != own_names_.end();
  }

  // Whether a call has no effect but a result: nothing else is put into a program, evaluated or not.
  bool is_harmless(const Node& callee) const {
    std::string path = path_of(callee);
    if (path.starts_with("std::")) path.erase(0, 5);
    path.erase(std::min(path.find('<'), path.size()));
    if (!path.empty() && has_word(grammar_.functions, path)) return true;
    return callee.kind == Node::Kind::member && has_word(grammar_.methods, callee.text) &&
           is_value(callee.parts[0]);
  }

  // f x (y + 1)
  bool write_applied(const Node& node) {
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      const Node& part = node.parts[i];
      const bool stands_alone = part.kind == Node::Kind::name || part.enclosed;
      out_.add(stands_alone ? " " : " (");
      if (!write(part)) return false;
      if (!stands_alone) out_.add(")");
    }
    return true;
  }

  // (f x y)
  bool write_list(std::string_view name, const Node& node, std::size_t first) {
    out_.add("(" + std::string(name));
    for (std::size_t i = first; i < node.parts.size(); ++i) {
      out_.add(" ");
      if (!write(node.parts[i])) return false;
    }
    out_.add(")");
    return true;
  }

  bool write_call(const Node& node) {
    if (!is_harmless(node.parts[0])) return false;
    if (grammar_.prefix_calls) return write_list(node.parts[0].text, node, 1);
    is_called_ = node.parts[0].kind == Node::Kind::name;
    const bool is_written = write(node.parts[0]);
    is_called_ = false;
    if (!is_written) return false;
    if (grammar_.applies && node.parts[0].kind == Node::Kind::name) return write_applied(node);
    out_.add("(");
    for (std::size_t i = 1; i < node.parts.size(); ++i) {
      if (i > 1) out_.add(", ");
      if (!node.keys[i - 1].empty())
        out_.add(node.keys[i - 1] + std::string(grammar_.names_argument));
      if (!write(node.parts[i])) return false;
    }
    out_.add(")");
    return true;
  }

  const Grammar& grammar_;
  const ProgramForm& form_;
  std::span<const std::string> names_;
  std::vector<std::string_view> own_names_;  // what an expression calls its items
  WrittenCall& out_;
  TextStyle texts_;
  bool is_called_ = false;  // the name that is written
};

}  // namespace

bool write(const Node& node, const Writing& writing, WrittenCall& out, TextStyle texts) {
  return Writer(writing, out, texts).write(node);
}

}  // namespace inky::inline v1::computed
