// Reads a session: its statements here, and the expressions in them in session_expressions.cpp.
#pragma once

#include <algorithm>
#include <string>
#include <vector>

#include "../family/braces.hpp"
#include "../family/named_values.hpp"
#include "../family/pasted_source.hpp"
#include "dialect/lexis.hpp"
#include "display_facts.hpp"
#include "expressions.hpp"
#include "session.hpp"

namespace inky::inline v1::octave {

inline constexpr int most_nesting = 32;

class SessionReader : PastedSource {
 public:
  SessionReader(TemplateContent& out, Session& session, std::vector<Words>* words)
      : PastedSource(out), session_(session), names_(session.names), words_(words) {}

  void read() {
    while (!out_.refusal) {
      const std::size_t start = at_;
      skip_between();
      if (at_ > start) {
        // The text between statements belongs to none.
        tell(
            "end", [&] { return std::string("the end of the statement"); }, unset);
        out_.pieces.push_back({{start, at_}, unset, {}});
      }
      if (at_ >= source_.size()) return;
      read_statement();
    }
  }

 private:
  bool parse_error(std::string why, std::size_t from) {
    return refuse(Refusal::When::compile, "parse error", std::move(why), from);
  }

  template <typename Meaning>
  void tell(std::string_view role, Meaning meaning, int field) {
    if (words_.asked()) words_.add(at_, role, meaning(), field);
  }

  void skip_blanks() { skip(" \t"); }
  bool ends_statement() const {
    const char c = peek();
    return at_end() || c == ';' || c == ',' || c == '\n' || c == '\r' || c == '%' || c == '#';
  }
  void skip_comment() {
    while (!at_end() && peek() != '\n') ++at_;
  }
  // Blanks, ends of statements and comments.
  void skip_between() {
    for (;;) {
      const char c = peek();
      if (c == '%' || c == '#')
        skip_comment();
      else if (!at_end() &&
               (c == ' ' || c == '\t' || c == ';' || c == ',' || c == '\n' || c == '\r'))
        ++at_;
      else
        return;
    }
  }
  std::string read_name() {
    const std::size_t start = at_;
    while (is_word_part(peek())) ++at_;
    return std::string(source_.substr(start, at_ - start));
  }

  void read_statement() {
    Statement statement;
    statement.span.from = at_;
    field_ = static_cast<int>(out_.fields.size());
    if (!(is_word_start(peek()) ? read_named(statement) : read_shown(statement, "ans"))) return;
    const std::size_t end = at_;
    skip_blanks();
    if (!ends_statement()) {
      if (is_word_part(peek()) || peek() == '"' || peek() == ']' || peek() == ')') {
        parse_error(
            "a statement ends before the next begins: put a semicolon, a comma or a new line here",
            at_);
        return;
      }
      not_yet("operators and other expressions are", at_);
      return;
    }
    if (statement.kind != Statement::Kind::set && peek() == ';') {
      statement.silent = statement.kind == Statement::Kind::show && !statement.called;
      ++at_;
      tell(
          "end",
          [&] {
            return std::string(statement.silent ? "shows nothing" : "the end of the statement");
          },
          field_);
    } else {
      at_ = end;
    }
    statement.span.to = at_;
    finish(statement);
  }

  void finish(Statement& statement) {
    if (statement.kind == Statement::Kind::set) {
      out_.pieces.push_back({statement.span, unset, {}});
    } else {
      statement.field = field_;
      Field field;
      field.span = statement.span;
      if (const std::string* name = first_name(statement.expression)) field.key = "(" + *name + ")";
      out_.pieces.push_back({field.span, field_, {}});
      out_.fields.push_back(std::move(field));
    }
    session_.statements.push_back(std::move(statement));
  }
  const std::string* first_name(const Expression& expression) const {
    if (expression.kind == Expression::Kind::computed) return nullptr;
    if (expression.kind == Expression::Kind::name)
      return names_.has(expression.name) ? &expression.name : nullptr;
    for (const auto& row : expression.rows) {
      for (const Expression& item : row) {
        if (const std::string* name = first_name(item)) return name;
      }
    }
    return nullptr;
  }

  // A statement that begins with a name.
  bool read_named(Statement& statement) {
    const std::size_t start = at_;
    std::string name = read_name();
    const std::size_t after = at_;
    skip_blanks();
    if (name == "format") return read_format(statement);
    if (peek() == '=' && peek(1) != '=') {
      ++at_;
      tell(
          "name", [&] { return std::string("keeps what follows as " + name); }, field_);
      statement.assigns = true;
      statement.label = name;
      skip_blanks();
      if (ends_statement()) return parse_error("the statement breaks off here", at_);
      if (!read_shown(statement, name)) return false;
      keep(name);
      return true;
    }
    if (const auto changed = read_changed(statement, name, start)) return *changed;
    if (has_word("if for while do switch function unwind_protect try global persistent", name))
      return not_yet("the word " + name + " is", start);
    if (peek() == '(' && (name == "disp" || name == "display")) return read_call(statement, name);
    if (peek() == '(' && (name == "printf" || name == "fprintf" || name == "puts"))
      return read_print(statement, start);
    if (peek() == '(' && (name == "output_precision" || name == "fixed_point_format"))
      return read_setting(statement, name);
    at_ = after;
    // A name, a blank and a word is a command with an argument.
    if ((peek() == ' ' || peek() == '\t') &&
        display::find_fact(display::classes, name) == nullptr) {
      skip_blanks();
      if (is_word_part(peek()) || peek() == '\'' || peek() == '"')
        return not_yet("commands other than format are", start);
    }
    at_ = start;
    return read_shown(statement, is_word_start(peek()) ? "" : "ans");
  }

  // Refuses what follows an expression and does not belong to it.
  bool not_read(std::size_t start) {
    return !out_.refusal ? not_yet("operators and other expressions are", start) : false;
  }

  void keep(const std::string& name) {
    if (std::find(kept_.begin(), kept_.end(), name) == kept_.end()) kept_.push_back(name);
  }

  // session_changes.cpp: x += 1, x++ and x(2) = 5; [a, b] = ... Nothing where it is none of them.
  std::optional<bool> read_changed(Statement& statement, const std::string& name,
                                   std::size_t start);
  std::optional<bool> read_target(Statement& statement, const std::string& name, std::size_t start);
  std::optional<bool> read_several(Statement& statement);

  // format, its words up to the end of the statement; or format("word").
  bool read_format(Statement& statement) {
    statement.set = "format";
    const bool called = peek() == '(';
    const std::size_t start = at_;
    if (called) ++at_;
    std::string word;
    while (!at_end()) {
      const char c = peek();
      if (called ? c == ')' : ends_statement()) break;
      if (c == '\n') break;
      const bool separates =
          c == ' ' || c == '\t' || (called && (c == '"' || c == '\'' || c == ','));
      if (!separates) {
        word += c;
      } else if (!word.empty()) {
        statement.arguments.push_back(std::move(word));
        word.clear();
      }
      ++at_;
    }
    if (!word.empty()) statement.arguments.push_back(std::move(word));
    if (called && peek() != ')') return parse_error("the closing bracket is missing", start);
    if (called) ++at_;
    tell(
        "setting", [&] { return std::string(meaning_of_format(statement.arguments)); }, unset);
    return true;
  }

  static std::string meaning_of_format(const std::vector<std::string>& arguments) {
    if (arguments.empty()) return std::string(display::modifiers[0].meaning);
    for (const display::ModeFact& fact : display::modes) {
      if (fact.word == joined(arguments))
        return "every number from here on: " + std::string(fact.meaning);
    }
    for (const ModifierFact& fact : display::modifiers) {
      if (fact.text == "format " + joined(arguments)) return std::string(fact.meaning);
    }
    return "an unknown format";
  }

  // One argument, as it is.
  bool read_setting(Statement& statement, const std::string& name) {
    statement.set = name;
    const std::size_t start = at_;
    ++at_;
    skip_blanks();
    const std::size_t from = at_;
    while (is_word_part(peek())) ++at_;
    statement.arguments.emplace_back(source_.substr(from, at_ - from));
    skip_blanks();
    if (at_end()) return parse_error("the closing bracket is missing", start);
    if (peek() != ')' || statement.arguments[0].empty())
      return not_yet("settings other than by a number, true or false are", start);
    ++at_;
    tell(
        "setting",
        [&] {
          return std::string(name == "output_precision"
                                 ? "significant digits from here on"
                                 : "whether a matrix shows one common factor");
        },
        unset);
    return true;
  }

  // disp(...), display(...)
  bool read_call(Statement& statement, const std::string& name) {
    const std::size_t start = at_;
    ++at_;
    skip_blanks();
    tell(
        "call",
        [&] {
          return std::string(name == "disp" ? "shows a value without its name"
                                            : "shows a value with its name");
        },
        field_);
    if (peek() == ')') {
      ++at_;
      return refuse(Refusal::When::run, "error", "Invalid call to " + name, start);
    }
    if (!read_whole(statement.expression, [&] { return peek() == ')'; })) return false;
    skip_blanks();
    if (at_end()) return parse_error("the closing bracket is missing", start);
    if (peek() != ')') return not_yet("operators and other expressions are", at_);
    ++at_;
    tell(
        "call", [&] { return std::string("the end of the call"); }, field_);
    statement.kind = name == "disp" ? Statement::Kind::disp : Statement::Kind::show;
    if (name == "display") {
      statement.called = true;
      if (statement.expression.kind != Expression::Kind::name ||
          display::is_constant(statement.expression.name))
        return not_yet("display of anything but a name is", start);
      statement.label = statement.expression.name;
    }
    return true;
  }

  bool read_shown(Statement& statement, std::string label) {
    statement.kind = Statement::Kind::show;
    if (peek() == '[' && !statement.assigns) {
      if (const auto several = read_several(statement)) return *several;
    }
    if (!read_whole(statement.expression, [&] { return ends_statement(); })) return false;
    if (label.empty() && statement.expression.kind == Expression::Kind::name)
      label = display::is_constant(statement.expression.name) ? "ans" : statement.expression.name;
    if (label.empty() && statement.expression.kind == Expression::Kind::computed &&
        statement.expression.node.kind == computed::Node::Kind::name &&
        std::find(kept_.begin(), kept_.end(), statement.expression.node.text) != kept_.end())
      label = statement.expression.node.text;
    statement.label = label.empty() ? "ans" : std::move(label);
    if (statement.label == "ans") keep("ans");
    return true;
  }

  // An expression up to where `ends` is true: of the usual kinds, or any other that is computed.
  template <typename Ends>
  bool read_whole(Expression& out, Ends ends) {
    const std::size_t start = at_;
    const bool read = read_expression(out, 0);
    const std::size_t end = at_;
    skip_blanks();
    if (read && ends()) {
      at_ = end;
      return true;
    }
    if (out_.refusal && out_.refusal->when != Refusal::When::not_supported_yet) return false;
    if (read_computed(out, start, ends)) return true;
    at_ = end;
    return read;
  }

  template <typename Ends>
  bool read_computed(Expression& out, std::size_t start, Ends ends) {
    std::optional<Refusal> before = std::move(out_.refusal);
    out_.refusal.reset();
    depth_of_matrix_ = 0;
    ExpressionReader reader(out_, start);
    Expression made;
    made.kind = Expression::Kind::computed;
    const bool read = reader.read(made.node);
    at_ = reader.at();
    skip_blanks();
    if (!read || !ends()) {
      if (before)
        out_.refusal = std::move(before);
      else
        out_.refusal = reader.refusal();
      return false;
    }
    at_ = reader.at();
    made.span = {start, at_};
    add_names(made.node);
    tell(
        "value", [] { return std::string("the value of this expression"); }, field_);
    out = std::move(made);
    return true;
  }

  // The names of values in it: what is called may be one, too, and is then a part of it.
  void add_names(const computed::Node& node) {
    using Kind = computed::Node::Kind;
    const bool calls = node.kind == Kind::call && node.parts[0].kind == Kind::name &&
                       has_word(grammar.functions, node.parts[0].text);
    if (node.kind == Kind::name && node.text != ":" && node.text != "end" &&
        !display::is_constant(node.text) &&
        std::find(kept_.begin(), kept_.end(), node.text) == kept_.end())
      names_.add(node.text);
    for (std::size_t i = calls ? 1 : 0; i < node.parts.size(); ++i) add_names(node.parts[i]);
  }

  // printf(...): what it prints, without a name.
  bool read_print(Statement& statement, std::size_t start) {
    statement.kind = Statement::Kind::print;
    at_ = start;
    return read_computed(statement.expression, start, [&] { return ends_statement(); }) ||
           not_yet("a call such as this is", start);
  }

  bool read_expression(Expression& out, int depth) {
    skip_blanks();
    const std::size_t start = at_;
    if (depth > most_nesting) return not_yet("expressions nested as deep as this are", start);
    while (peek() == '-' || peek() == '+') {
      out.negative ^= peek() == '-';
      ++at_;
      skip_blanks();
    }
    bool read = false;
    const char c = peek();
    if (is_digit(c) || (c == '.' && is_digit(peek(1))))
      read = read_number(out);
    else if (is_word_start(c))
      read = read_word(out, depth);
    else if (c == '"' || c == '\'')
      read = read_text(out);
    else if (c == '[')
      read = read_matrix(out, depth);
    else if (at_end())
      return parse_error("the statement breaks off here", start);
    else
      return not_yet("expressions other than names, numbers, texts and matrices are", start);
    out.span = {start, at_};
    return read;
  }

  // session_expressions.cpp
  bool read_number(Expression& out);
  bool read_word(Expression& out, int depth);
  bool read_text(Expression& out);
  bool read_matrix(Expression& out, int depth);

  Session& session_;
  NameCollector names_;
  braces::WordsSink words_;
  int field_ = 0;
  int depth_of_matrix_ = 0;
  std::vector<std::string> kept_;  // names that a statement gave a value
};

}  // namespace inky::inline v1::octave
