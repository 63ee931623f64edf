// The dialect `octave-display`: statements of a session, as they are typed at its prompt. Those
// that set how every number shows, and those that show values:
//
//   format long; mass            format bank
//   disp(mass)                   costs = [1.5 20; 300 4]
//
// Defined by the GNU Octave manual, Basic Usage (format, disp, display, output_precision,
// fixed_point_format); the text is that of Octave 7.3.0 on a screen of 80 columns. Names are values
// by name; values without names are given to the other names in the order these first appear. A
// list is a row vector, a list of lists a matrix, nil is [].
//
// What sets it apart:
//   - no statement says how one number is shown: a setting stays for all, until `format` resets it;
//   - the elements of a matrix share one width and one number of decimals;
//   - a matrix of doubles counts as whole where each element, as a single plus a half, does.

#include <algorithm>
#include <array>
#include <bit>
#include <cmath>
#include <limits>
#include <memory>
#include <string>

#include "../family/named_values.hpp"
#include "../family/pasted_source.hpp"
#include "../family/program_dialect.hpp"
#include "../family/value_notes.hpp"
#include "../family/writing.hpp"
#include "arrays.hpp"
#include "dialects.hpp"
#include "inky_margin/number/decimal.hpp"
#include "text/escape.hpp"
#include "text/lower_case.hpp"

namespace inky::inline v1 {

namespace octave {

namespace {

// ---- Facts ----

struct ModeFact {
  std::string_view word;  // in lower letters, without the blank that may stand in it
  std::string_view written;
  std::string_view meaning;
  Mode mode;
  int precision;  // 0: as it was
};

constexpr auto modes = std::to_array<ModeFact>({
    {"short", "format short", "5 significant digits", Mode::plain, 5},
    {"long", "format long", "16 significant digits", Mode::plain, most_precision},
    {"shortg", "format short g",
     "5 significant digits, zeros at the end left out, an exponent by size", Mode::general, 5},
    {"longg", "format long g", "as short g, of 16 digits", Mode::general, most_precision},
    {"shorte", "format short e", "5 significant digits with an exponent", Mode::scientific, 5},
    {"longe", "format long e", "16 significant digits with an exponent", Mode::scientific,
     most_precision},
    {"bank", "format bank", "two decimals", Mode::bank, 0},
    {"rat", "format rat", "a fraction near the number, in at most ten characters", Mode::rational,
     0},
    {"hex", "format hex", "the stored bits in hexadecimal", Mode::hexadecimal, 0},
});

constexpr auto modifiers = std::to_array<ModifierFact>({
    {"format", "the settings a session starts with: short, loose"},
    {modes[0].written, "5 significant digits"},
    {modes[1].written, modes[1].meaning},
    {modes[2].written, modes[2].meaning},
    {modes[3].written, modes[3].meaning},
    {modes[4].written, modes[4].meaning},
    {modes[5].written, modes[5].meaning},
    {modes[6].written, modes[6].meaning},
    {modes[7].written, modes[7].meaning},
    {modes[8].written, modes[8].meaning},
    {"format compact", "no blank lines around the headings of columns"},
    {"format loose", "blank lines around the headings of columns"},
    {"output_precision(n)", "n significant digits, 1 to 16"},
    {"fixed_point_format(true)", "a matrix shows one common factor, a power of ten"},
    {"x", "shows the value with its name"},
    {"x;", "shows nothing"},
    {"disp(x)", "shows the value without its name"},
    {"y = x", "keeps the value as y and shows it"},
    {"single(x)", "the nearest of another class: double, single, int8 to uint64, logical"},
});

constexpr auto escapes = std::to_array<EscapeFact>({
    {"''", "a single quote, between single quotes"},
    {"\\n", "a new line, between double quotes"},
    {"\\t", "a tab, between double quotes"},
    {"\\\"", "a double quote, between double quotes"},
    {"\\\\", "a backslash, between double quotes"},
});

constexpr auto failures = std::to_array<FailureFact>({
    {"a statement that cannot be read", "parse error, before any runs"},
    {"a name that has no value", "error: 'x' undefined"},
    {"a format there is none of, a precision out of range", "error"},
    {"rows of a matrix that are not equally long", "error: vertical dimensions mismatch"},
});

constexpr DialectFacts display_facts = {
    .id = "octave-display",
    .language = "GNU Octave",
    .facility = "what a session displays, under its format",
    .standard = "GNU Octave manual, Basic Usage",
    .toolchain = "GNU Octave 7.3.0",
    .program = "octave-cli",
    .width_unit = WidthUnit::bytes,
    .rounding = Rounding::half_even,
    .rounding_basis = "the stored value, exactly, to decimals that all elements share",
    .rounds_stored_value = false,
    .letter_form = "",
    .places_form = "",
    .modifiers_are = "Statements",
    .quotes = "",
    .default_locale = "",
    .locales = {},
    .conversions = {},
    .flags = {},
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

struct ClassFact {
  std::string_view name;
  Type type;
};
constexpr auto classes = std::to_array<ClassFact>({
    {"double", Type::f64},
    {"single", Type::f32},
    {"int8", Type::i8},
    {"int16", Type::i16},
    {"int32", Type::i32},
    {"int64", Type::i64},
    {"uint8", Type::u8},
    {"uint16", Type::u16},
    {"uint32", Type::u32},
    {"uint64", Type::u64},
    {"logical", Type::truth},
});

struct ConstantFact {
  std::string_view name;
  double value;
};
constexpr auto constants = std::to_array<ConstantFact>({
    {"pi", 0x1.921fb54442d18p+1},
    {"e", 0x1.5bf0a8b145769p+1},
    {"eps", 0x1p-52},
    {"Inf", std::numeric_limits<double>::infinity()},
    {"inf", std::numeric_limits<double>::infinity()},
    {"NaN", std::numeric_limits<double>::quiet_NaN()},
    {"nan", std::numeric_limits<double>::quiet_NaN()},
    {"NA", std::bit_cast<double>(missing_bits)},
});

template <typename Facts>
auto find_fact(const Facts& facts, std::string_view name) {
  const auto* found =
      std::find_if(facts.begin(), facts.end(), [&](const auto& fact) { return fact.name == name; });
  return found == facts.end() ? nullptr : found;
}

bool is_constant(std::string_view name) {
  return find_fact(constants, name) != nullptr || name == "true" || name == "false";
}

// ---- Statements, read ----

struct Expression {
  enum class Kind : std::uint8_t { literal, name, matrix, conversion };
  Kind kind = Kind::literal;
  Array literal;
  std::string name;
  bool negative = false;
  Type to = Type::f64;                        // of a conversion
  std::vector<std::vector<Expression>> rows;  // of a matrix; what is converted
  Span span;
};

struct Statement {
  enum class Kind : std::uint8_t { set, show, disp };
  Kind kind = Kind::set;
  std::string set;  // of a setting: its function
  std::vector<std::string> arguments;
  std::string label;  // what it is shown as
  bool assigns = false;
  bool called = false;  // by display(), which shows whatever ends it
  bool silent = false;  // a semicolon ends it
  Expression expression;
  Span span;
  int field = unset;
};

struct Session final : Program {
  std::vector<Statement> statements;
  std::vector<std::string> names;  // of values, in the order they first appear
};

constexpr int most_nesting = 32;

// The words after format, as one in lower letters.
std::string joined(const std::vector<std::string>& arguments) {
  std::string out;
  for (const std::string& argument : arguments) out += argument;
  return lower_case(out);
}

// ---- Reading ----

class Reader : PastedSource {
 public:
  Reader(TemplateContent& out, Session& session, std::vector<Words>* words)
      : PastedSource(out), session_(session), names_(session.names), words_(words) {}

  void read() {
    while (!out_.refusal) {
      const std::size_t start = at_;
      skip_between();
      if (at_ > start) {
        // What stands between statements belongs to none.
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
    if ((peek() == ' ' || peek() == '\t') && find_fact(classes, name) == nullptr) {
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
    if (arguments.empty()) return std::string(modifiers[0].meaning);
    for (const ModeFact& fact : modes) {
      if (fact.word == joined(arguments))
        return "every number from here on: " + std::string(fact.meaning);
    }
    for (const ModifierFact& fact : modifiers) {
      if (fact.text == "format " + joined(arguments)) return std::string(fact.meaning);
    }
    return "a format there is none of";
  }

  // One argument, as it stands.
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
          is_constant(statement.expression.name))
        return not_yet("display of anything but a name is", start);
      statement.label = statement.expression.name;
    }
    return true;
  }

  bool read_shown(Statement& statement, std::string label) {
    statement.kind = Statement::Kind::show;
    if (!read_expression(statement.expression, 0)) return false;
    if (label.empty() && statement.expression.kind == Expression::Kind::name)
      label = is_constant(statement.expression.name) ? "ans" : statement.expression.name;
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
    const ClassFact* to = find_fact(classes, out.name);
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
    if (!kept && !is_constant(out.name)) names_.add(out.name);
    tell(
        "value",
        [&] {
          return std::string(is_constant(out.name) ? "a constant" : "the value named " + out.name);
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

// ---- Rendering ----

class Rendering {
 public:
  Rendering(const TemplateContent& parsed, std::span<const Value> values, Output& out,
            Report* report)
      : parsed_(parsed),
        session_(static_cast<const Session&>(*parsed.program)),
        values_(values),
        named_(session_.names, values),
        by_name_(values),
        out_(out),
        report_(report) {}

  Outcome run() {
    const std::size_t start = out_.needed();
    if (report_ != nullptr) report_->notes = parsed_.notes;
    for (const Statement& statement : session_.statements) {
      const std::size_t from = out_.needed() - start;
      shown_ = unset;
      if (!(statement.kind == Statement::Kind::set ? set(statement) : show(statement))) {
        out_.cut_back(start);
        return std::move(trouble_);
      }
      if (out_.needed() > start + most_output) {
        out_.cut_back(start);
        return Outcome::error(
            {Code::over_limit,
             "the text grows over the limit of " + std::to_string(most_output) + " bytes",
             statement.span, "Show it in parts."});
      }
      if (report_ != nullptr && statement.field != unset)
        report_->fields.push_back({statement.field, {from, out_.needed() - start}, shown_});
    }
    if (report_ != nullptr) note_end();
    return {};
  }

 private:
  bool fail(std::string why, Span span) {
    trouble_ = Outcome::fails_at_run("error", std::move(why), span);
    return false;
  }
  bool not_yet(std::string what, Span span) {
    trouble_ = Outcome::error({Code::not_supported_yet, std::move(what) + " not supported yet",
                               span, "Give the value of the expression a name."});
    return false;
  }

  // ---- Settings ----

  bool set(const Statement& statement) {
    if (statement.set == "format") return set_format(statement);
    const std::string& argument = statement.arguments[0];
    if (statement.set == "fixed_point_format") {
      if (argument != "true" && argument != "false" && argument != "1" && argument != "0")
        return not_yet("such a setting is", statement.span);
      settings_.scaled = argument == "true" || argument == "1";
      return true;
    }
    int count = 0;
    for (const char c : argument) {
      if (c < '0' || c > '9') return not_yet("such a precision is", statement.span);
      count = std::min(count * 10 + (c - '0'), most_width);
    }
    if (count == 0) return not_yet("a precision of 0 is", statement.span);
    if (count > most_precision)
      return fail("output_precision: the number of digits is 1 to 16, and this is " + argument,
                  statement.span);
    settings_.precision = count;
    return true;
  }

  bool set_format(const Statement& statement) {
    format_ = parsed_.source.substr(statement.span.from, statement.span.to - statement.span.from);
    const std::string word = joined(statement.arguments);
    if (word.empty()) {
      settings_ = {.scaled = settings_.scaled};
      return true;
    }
    if (word == "compact" || word == "loose") {
      settings_.compact = word == "compact";
      return true;
    }
    for (const ModeFact& fact : modes) {
      if (fact.word != word) continue;
      settings_.mode = fact.mode;
      if (fact.precision != 0) settings_.precision = fact.precision;
      return true;
    }
    constexpr std::string_view later[] = {"bit",  "+",    "native-hex", "native-bit",
                                          "none", "free", "shorteng",   "longeng"};
    if (std::find(std::begin(later), std::end(later), word) != std::end(later))
      return not_yet("this format is", statement.span);
    return fail("format: unrecognized format state '" + word + "'", statement.span);
  }

  // ---- Values ----

  bool show(const Statement& statement) {
    Array array;
    if (!evaluate(statement.expression, array)) return false;
    if (statement.assigns) keep(statement.label, array);
    if (!statement.silent)
      out_.append(statement.kind == Statement::Kind::disp
                      ? displayed(array, settings_)
                      : displayed(statement.label, array, settings_));
    if (report_ != nullptr && !statement.silent) note_shown(statement, array);
    return true;
  }

  void keep(const std::string& name, const Array& array) {
    for (auto& [known, kept] : kept_) {
      if (known != name) continue;
      kept = array;
      return;
    }
    kept_.emplace_back(name, array);
  }

  bool evaluate(const Expression& expression, Array& out) {
    switch (expression.kind) {
      case Expression::Kind::literal:
        out = expression.literal;
        break;
      case Expression::Kind::name:
        if (!find(expression, out)) return false;
        break;
      case Expression::Kind::conversion: {
        Array from;
        if (!evaluate(expression.rows[0][0], from)) return false;
        if (from.type == Type::text) return not_yet("a text as numbers is", expression.span);
        if (expression.to == Type::truth &&
            std::any_of(from.reals.begin(), from.reals.end(),
                        [](double value) { return std::isnan(value); }))
          return fail("logical: NaN can't be converted to logical value", expression.span);
        out = converted(from, expression.to);
        break;
      }
      case Expression::Kind::matrix:
        if (!make_matrix(expression, out)) return false;
        break;
    }
    return !expression.negative || negate(expression.span, out);
  }

  bool negate(Span span, Array& out) {
    if (!out.is_real())
      return not_yet("a minus sign before other classes than double and single is", span);
    for (double& value : out.reals) value = -value;
    return true;
  }

  bool find(const Expression& expression, Array& out) {
    for (const auto& [name, array] : kept_) {
      if (name != expression.name) continue;
      out = array;
      return true;
    }
    const Value* value = is_constant(expression.name) ? nullptr : named_.find(expression.name);
    if (value == nullptr) value = by_name_.named(expression.name);
    if (value != nullptr) {
      shown_ = static_cast<int>(value - values_.data());
      auto error = make_array(*value, out);
      if (!error) return true;
      error->span = expression.span;
      trouble_ = Outcome::error(std::move(*error));
      return false;
    }
    if (expression.name == "true" || expression.name == "false") {
      out.type = Type::truth;
      out.wholes = {expression.name == "true"};
      return true;
    }
    const ConstantFact* constant = find_fact(constants, expression.name);
    if (constant == nullptr) return fail("'" + expression.name + "' undefined", expression.span);
    out.reals = {constant->value};
    return true;
  }

  bool make_matrix(const Expression& expression, Array& out) {
    out.rows = static_cast<int>(expression.rows.size());
    out.columns = out.rows == 0 ? 0 : static_cast<int>(expression.rows[0].size());
    bool first = true;
    for (const auto& row : expression.rows) {
      if (static_cast<int>(row.size()) != out.columns)
        return fail("vertical dimensions mismatch (" + std::to_string(1) + "x" +
                        std::to_string(out.columns) + " vs 1x" + std::to_string(row.size()) + ")",
                    expression.span);
      for (const Expression& item : row) {
        Array element;
        if (!evaluate(item, element)) return false;
        if (!element.is_scalar())
          return not_yet("a matrix of anything but single numbers is", item.span);
        if (first) out.type = element.type;
        first = false;
        if (element.type != out.type) return not_yet("a matrix of several classes is", item.span);
        out.reals.insert(out.reals.end(), element.reals.begin(), element.reals.end());
        out.wholes.insert(out.wholes.end(), element.wholes.begin(), element.wholes.end());
      }
    }
    return true;
  }

  // ---- Notes ----

  void note(Code code, std::string message, Span span) {
    report_->notes.push_back({code, std::move(message), span});
  }

  void note_shown(const Statement& statement, const Array& array) {
    if (shown_ != unset) {
      const Value& value = values_[static_cast<std::size_t>(shown_)];
      const bool real = is_real(value.type());
      if (real && !value.is(Type::f64) && !value.is(Type::f32))
        note(Code::type_converted,
             "Octave has no " + std::string(name_of(value.type())) + "; " + describe(value) +
                 " becomes a " + (array.type == Type::f32 ? "single" : "double"),
             statement.span);
      if (real && value.given_in_bits()) return;
    }
    if (needs_exponent(array, settings_))
      note(Code::conversion_switched,
           std::string("an exponent, since ") +
               (array.is_scalar() ? "the number needs" : "the elements together need") +
               " more than " + std::to_string(settings_.precision * 3 / 2) +
               " digits without one; format short g or long g writes each number by itself",
           statement.span);
    if (settings_.mode != Mode::bank || array.type != Type::f64 || array.is_empty() ||
        !array.is_scalar() || !std::isfinite(array.reals[0]))
      return;
    Spec spec;
    spec.kind = Kind::real;
    spec.notation = Notation::fixed;
    spec.places = 2;
    note_rounding(spec, binary64, unpack(binary64, bits_of(array.reals[0])), statement.span,
                  report_->notes);
  }

  void note_end() {
    const Span whole{0, parsed_.source.size()};
    if (const std::size_t spare = named_.spare(); spare > 0)
      note(Code::too_many_values, std::to_string(spare) + " more than the names in the statements",
           whole);
    const Settings usual;
    std::string on;
    std::string back;
    if (settings_.mode != usual.mode || settings_.precision != usual.precision ||
        settings_.compact) {
      on = format_;
      back = "format";
    }
    if (settings_.scaled) {
      on += on.empty() ? "fixed_point_format" : ", fixed_point_format";
      back += back.empty() ? "fixed_point_format(false)" : "; fixed_point_format(false)";
    }
    if (!on.empty())
      note(Code::settings_left_on, "still set for what comes next: " + on + "; put back by " + back,
           whole);
  }

  const TemplateContent& parsed_;
  const Session& session_;
  std::span<const Value> values_;
  NamedValues named_;
  ValueIndex by_name_;
  Output& out_;
  Report* report_;
  Outcome trouble_;
  Settings settings_;
  std::string format_ = "the precision";  // the statement that set it last
  int shown_ = unset;                     // the value that the statement shows
  std::vector<std::pair<std::string, Array>> kept_;
};

class OctaveDisplay final : public family::ProgramDialect<Session> {
 public:
  const DialectFacts& facts() const override { return display_facts; }

  std::optional<Spec> do_wish_of(const TemplateContent&, int, Type, Notes& notes) const override {
    writing::cannot("a session asks one thing of all numbers, which no field of another says",
                    notes);
    return std::nullopt;
  }
  WrittenField write_field(const FieldWish&) const override {
    Notes notes;
    writing::cannot("a session has no fields; the dialect octave has", notes);
    return {{}, std::move(notes)};
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions&, Output& out, Report* report) const override {
    if (parsed.refusal) return outcome_of(*parsed.refusal);
    return Rendering(parsed, values, out, report).run();
  }

  // disp(), in the format a session starts with, without the line end behind it.
  Outcome print_plainly(const Value& value, Output& out) const override {
    Array array;
    if (auto error = make_array(value, array)) return Outcome::error(std::move(*error));
    const std::string text = displayed(array, {});
    out.append(std::string_view(text).substr(0, text.size() - 1));
    return {};
  }

 protected:
  void read(TemplateContent& out, Session& session, std::vector<Words>* words) const override {
    Reader(out, session, words).read();
  }
};

}  // namespace

}  // namespace octave

const Dialect* octave_display_dialect() {
  static const octave::OctaveDisplay dialect;
  return &dialect;
}

}  // namespace inky::inline v1
