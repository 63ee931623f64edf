#include "session.hpp"

#include <algorithm>
#include <bit>
#include <string>

#include "../family/braces.hpp"
#include "../family/named_values.hpp"
#include "../family/pasted_source.hpp"
#include "../family/writing.hpp"
#include "arrays.hpp"
#include "display_facts.hpp"
#include "inky_margin/number/decimal.hpp"
#include "text/escape.hpp"
#include "text/lower_case.hpp"

namespace inky::inline v1::octave {

std::string joined(const std::vector<std::string>& arguments) {
  std::string out;
  for (const std::string& argument : arguments) out += argument;
  return lower_case(out);
}

namespace {

constexpr int most_nesting = 32;

class Reader : PastedSource {
 public:
  Reader(TemplateContent& out, Session& session, std::vector<Words>* words)
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
      if (std::find(kept_.begin(), kept_.end(), name) == kept_.end()) kept_.push_back(name);
      return true;
    }
    if (peek() == '(' && (name == "disp" || name == "display")) return read_call(statement, name);
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
    if (!read_expression(statement.expression, 0)) return false;
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
    if (!read_expression(statement.expression, 0)) return false;
    if (label.empty() && statement.expression.kind == Expression::Kind::name)
      label = display::is_constant(statement.expression.name) ? "ans" : statement.expression.name;
    statement.label = label.empty() ? "ans" : std::move(label);
    return true;
  }

  bool read_expression(Expression& out, int depth) {
    skip_blanks();
    const std::size_t start = at_;
    if (depth > most_nesting) return not_yet("expressions nested so deep are", start);
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

  bool read_number(Expression& out) {
    const std::size_t start = at_;
    if (peek() == '0' && (peek(1) == 'x' || peek(1) == 'X' || peek(1) == 'b' || peek(1) == 'B'))
      return not_yet("numbers of another base, which are no doubles, are", start);
    while (is_digit(peek())) ++at_;
    if (peek() == '.') ++at_;
    while (is_digit(peek())) ++at_;
    if (peek() == 'e' || peek() == 'E') {
      const std::size_t digits = peek(1) == '-' || peek(1) == '+' ? 2 : 1;
      if (!is_digit(peek(digits))) return parse_error("the exponent has no digits", start);
      at_ += digits;
      while (is_digit(peek())) ++at_;
    }
    if (is_word_start(peek())) return not_yet("complex numbers and such are", start);
    std::string_view digits = source_.substr(start, at_ - start);
    std::string plain(digits);
    if (const std::size_t point = plain.find('.');
        point != std::string::npos && !is_digit(point + 1 < plain.size() ? plain[point + 1] : '\0'))
      plain.insert(point + 1, "0");
    const auto bits = read_real(binary64, plain);
    if (!bits) return not_yet("such a number is", start);
    out.literal.reals = {std::bit_cast<double>(low_half(*bits))};
    tell(
        "number", [&] { return std::string("the double nearest to it"); }, field_);
    return true;
  }

  bool read_word(Expression& out, int depth) {
    const std::size_t start = at_;
    out.name = read_name();
    const display::ClassFact* to = display::find_fact(display::classes, out.name);
    const std::size_t after = at_;
    skip_blanks();
    if (peek() == '(' && depth_of_matrix_ == 0) {
      if (to == nullptr) return not_yet("calls and parts of arrays are", start);
      ++at_;
      tell(
          "class", [&] { return std::string("the nearest of the class " + out.name); }, field_);
      out.kind = Expression::Kind::conversion;
      out.to = to->type;
      out.rows.resize(1);
      out.rows[0].resize(1);
      if (!read_expression(out.rows[0][0], depth + 1)) return false;
      skip_blanks();
      if (at_end()) return parse_error("the closing bracket is missing", start);
      if (peek() != ')') return not_yet("operators and other expressions are", at_);
      ++at_;
      tell(
          "class", [&] { return std::string("the end of the call"); }, field_);
      return true;
    }
    at_ = after;
    if (peek() == '(' || (peek() == '\'') || peek() == '.' || peek() == '{')
      return not_yet("calls and parts of arrays are", start);
    out.kind = Expression::Kind::name;
    const bool kept = std::find(kept_.begin(), kept_.end(), out.name) != kept_.end();
    if (!kept && !display::is_constant(out.name)) names_.add(out.name);
    tell(
        "value",
        [&] {
          return std::string(display::is_constant(out.name) ? "a constant"
                                                            : "the value named " + out.name);
        },
        field_);
    return true;
  }

  bool read_text(Expression& out) {
    const std::size_t start = at_;
    const char quote = source_[at_++];
    out.literal.type = Type::text;
    for (;;) {
      if (at_end() || peek() == '\n') return parse_error("the text has no closing quote", start);
      const char c = source_[at_++];
      if (c == quote) {
        if (peek() != quote) break;
        ++at_;
        out.literal.text += quote;
      } else if (c == '\\' && quote == '"') {
        constexpr std::string_view letters = "ntr\"'\\";
        constexpr std::string_view meanings = "\n\t\r\"'\\";
        const std::size_t which = letters.find(peek());
        if (at_end() || which == std::string_view::npos) return not_yet("this escape is", at_ - 1);
        out.literal.text += meanings[which];
        ++at_;
      } else {
        out.literal.text += c;
      }
    }
    if (out.negative || depth_of_matrix_ > 0) return not_yet("texts as numbers are", start);
    tell(
        "text", [&] { return std::string(in_quotes(out.literal.text)); }, field_);
    return true;
  }

  // Elements between commas or blanks, rows between semicolons or line ends.
  bool read_matrix(Expression& out, int depth) {
    const std::size_t start = at_;
    if (depth_of_matrix_ > 0) return not_yet("matrices in matrices are", start);
    out.kind = Expression::Kind::matrix;
    ++depth_of_matrix_;
    ++at_;
    tell(
        "matrix", [&] { return std::string("a matrix, row by row"); }, field_);
    out.rows.emplace_back();
    for (;;) {
      skip_blanks();
      const char c = peek();
      if (at_end()) return parse_error("the closing bracket of the matrix is missing", start);
      if (c == ']') break;
      if (c == ';' || c == '\n' || c == '\r') {
        ++at_;
        if (!out.rows.back().empty()) out.rows.emplace_back();
        continue;
      }
      if (c == ',') {
        if (out.rows.back().empty())
          return parse_error("an element is missing before the comma", at_);
        ++at_;
        continue;
      }
      if ((c == '-' || c == '+') && (peek(1) == ' ' || peek(1) == '\t') && !out.rows.back().empty())
        return not_yet("operators are", at_);
      out.rows.back().emplace_back();
      if (!read_expression(out.rows.back().back(), depth + 1)) return false;
      if (std::string_view(" \t,;]\r\n").find(peek()) == std::string_view::npos)
        return not_yet("operators and other expressions are", at_);
    }
    if (out.rows.back().empty()) out.rows.pop_back();
    ++at_;
    --depth_of_matrix_;
    tell(
        "matrix", [&] { return std::string("the end of the matrix"); }, field_);
    return true;
  }

  Session& session_;
  NameCollector names_;
  braces::WordsSink words_;
  int field_ = 0;
  int depth_of_matrix_ = 0;
  std::vector<std::string> kept_;  // names that a statement gave a value
};

}  // namespace

void read_session(TemplateContent& out, Session& session, std::vector<Words>* words) {
  Reader(out, session, words).read();
  out.value_names = session.names;
}

}  // namespace inky::inline v1::octave
