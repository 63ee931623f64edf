#include <algorithm>

#include "changes.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "inky_margin/number/decimal.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

using computed::Operation;

// The Python Language Reference, 6.17.
constexpr computed::OperatorFact infix_operators[] = {
    {"or", Operation::either, 1},       {"and", Operation::both, 2},
    {"in", Operation::contained, 4},    {"not in", Operation::not_contained, 4},
    {"is", Operation::same, 4},         {"is not", Operation::not_same, 4},
    {"<", Operation::less, 4},          {"<=", Operation::at_most, 4},
    {">", Operation::more, 4},          {">=", Operation::at_least, 4},
    {"==", Operation::equal, 4},        {"!=", Operation::unequal, 4},
    {"|", Operation::bits_or, 5},       {"^", Operation::bits_differ, 6},
    {"&", Operation::bits_and, 7},      {"<<", Operation::shift_left, 8},
    {">>", Operation::shift_right, 8},  {"+", Operation::add, 9},
    {"-", Operation::subtract, 9},      {"*", Operation::multiply, 10},
    {"/", Operation::divide, 10},       {"//", Operation::divide_down, 10},
    {"%", Operation::remainder, 10},    {"@", Operation::none, 10},
    {"**", Operation::power, 12, true}, {":=", Operation::none, 0},
};
constexpr computed::OperatorFact prefix_operators[] = {
    {"not", Operation::deny, 3},    {"-", Operation::negate, 11},
    {"+", Operation::keep, 11},     {"~", Operation::complement, 11},
    {"await", Operation::none, 11}, {"yield", Operation::none, 11},
    {"*", Operation::none, 11},
};

constexpr std::string_view reserved_words[] = {
    "as",   "assert", "break",   "class", "continue", "def", "del",    "elif",
    "else", "except", "finally", "from",  "global",   "if",  "import", "nonlocal",
    "pass", "raise",  "return",  "try",   "while",    "with"};

constexpr PrintFact prints[] = {{.name = "print", .after = "\n", .may_be_empty = true}};

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = prefix_operators;
  out.comparisons_chain = true;
  out.condition = computed::Grammar::Condition::words;
  out.slices = out.tuples = out.braces = true;
  out.lists = "[";
  out.names_argument = "=";
  out.spread = "*";
  out.functions =
      "abs len map range enumerate zip reversed round sum min max int float str repr ascii sorted "
      "any all list tuple bool bin oct "
      "hex "
      "ord chr format complex divmod pow math.sqrt math.floor math.ceil math.trunc math.fabs "
      "math.exp math.log math.log2 math.log10 math.log1p math.expm1 math.sin math.cos math.tan "
      "math.asin math.acos math.atan math.atan2 math.sinh math.cosh math.tanh math.pow math.fmod "
      "math.hypot math.copysign math.degrees math.radians math.isnan math.isinf math.isfinite "
      "Decimal decimal.Decimal Fraction fractions.Fraction datetime datetime.datetime date "
      "datetime.date time datetime.time "
      "timedelta datetime.timedelta datetime.fromisoformat date.fromisoformat "
      "datetime.datetime.fromisoformat datetime.date.fromisoformat "
      "locale.format_string locale.currency locale.str";
  out.methods =
      "upper lower casefold capitalize title swapcase center ljust rjust zfill strip lstrip rstrip "
      "find rfind index rindex count startswith endswith split splitlines partition rpartition "
      "join "
      "replace removeprefix removesuffix isdigit isdecimal isnumeric isalpha isalnum isspace "
      "isupper "
      "islower isidentifier isprintable istitle isascii get bit_length bit_count as_integer_ratio "
      "items keys values copy is_integer conjugate strftime isoformat weekday isoweekday "
      "quantize normalize to_integral_value to_integral compare max min is_nan is_infinite "
      "is_finite is_zero is_signed copy_abs copy_negate canonical adjusted sqrt total_seconds date "
      "time timestamp toordinal limit_denominator astimezone replace isocalendar ctime";
  return out;
}();

namespace {

constexpr LocaleStatementFact locale_statements[] = {{"locale.setlocale(locale.LC_ALL,", ")"},
                                                     {"locale.setlocale(locale.LC_NUMERIC,", ")"}};

}  // namespace

const ExpressionForm expression_form = {
    .compute_declared = compute_declared,
    .read_declarations = read_declarations,
    .compute_change = compute_change,
    .is_fresh = is_fresh,
    .changed_names = changed_names,
    .copiers = "list sorted len sum min max tuple set str print any all",
    .block_words = "def",
    .grammar = &grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<ExpressionReader>(out, at, out.source.size());
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope);
    },
    .prints = prints,
    .ends = "\n;",
    .is_silent = imports_only,
    .blocks = Blocks::indented,
    .items = "[_ for _ in ({})]",
    .filled_literal = f_string_size,
    .plain_field = "{}",
    .plain_dialect = "python",
    .value_field = "{}",
    .separator = " ",
    .separator_argument = "sep",
    .ending_argument = "end",
    .own_names =
        "math locale datetime date time timedelta timezone UTC ZoneInfo calendar fractions "
        "Fraction "
        "decimal Decimal getcontext ROUND_HALF_EVEN ROUND_HALF_UP "
        "ROUND_HALF_DOWN ROUND_UP "
        "ROUND_DOWN ROUND_CEILING ROUND_FLOOR",
    .locale_statements = locale_statements};

bool is_name_start(char c) {
  return is_word_start(c) || static_cast<unsigned char>(c) >= 0x80;
}

std::optional<bool> ExpressionReader::read_own(computed::Node& node) {
  const char c = peek();
  const std::size_t start = at_;
  if (is_digit(c) || (c == '.' && is_digit(peek(1)))) return read_number(node);
  if (c == '\\') return syntax_error("a backslash is no part of an expression", start);
  const std::size_t letters =
      std::min(source_.find_first_not_of("rRbBuUfF", at_), source_.size()) - at_;
  if (letters <= 2 && (peek(letters) == '"' || peek(letters) == '\'')) {
    if (const auto filled = read_filled(node)) return *filled;
    return read_texts(node);
  }
  if (c == '{') return read_dict(node);
  if (!begins_name(c)) return std::nullopt;
  const std::string_view word = read_word();
  if (word == "lambda") return read_lambda(node, start);
  if (word == "True" || word == "False" || word == "None") {
    node.kind = computed::Node::Kind::constant;
    if (word != "None") node.value = Value::truth(word == "True");
    return true;
  }
  if (std::find(std::begin(reserved_words), std::end(reserved_words), word) !=
      std::end(reserved_words))
    return syntax_error("a keyword is no expression", start);
  at_ = start;
  return std::nullopt;
}

// An f-string: its source, and the words in it that may be names.
std::optional<bool> ExpressionReader::read_filled(computed::Node& node) {
  const std::size_t size = f_string_size(source_.substr(at_));
  if (size == 0) return std::nullopt;
  node.kind = computed::Node::Kind::filled;
  node.text = source_.substr(at_, size);
  const auto parsed = python_dialect()->parse(node.text);
  if (!parsed) return not_yet("this literal is", at_);
  for (std::size_t i = 0; i < node.text.size(); ++i) {
    if (!is_name_start(node.text[i]) || (i > 0 && is_word_part(node.text[i - 1]))) continue;
    std::size_t end = i;
    while (end < node.text.size() &&
           (is_word_part(node.text[end]) || is_name_start(node.text[end])))
      ++end;
    const std::string word = node.text.substr(i, end - i);
    if (std::find(node.keys.begin(), node.keys.end(), word) == node.keys.end())
      node.keys.push_back(word);
    i = end;
  }
  // Those that need a value are names of this expression, too.
  for (const std::string& name : parsed->value_names()) {
    computed::Node& part = node.parts.emplace_back();
    part.kind = computed::Node::Kind::name;
    part.text = name;
    part.span = {at_, at_ + size};
  }
  at_ += size;
  return true;
}

// {"a": 1}, {name: 1}, {k: v for k, v in pairs}. Where all keys are texts written out it is a record
// with names; else its parts come to pairs.
bool ExpressionReader::read_dict(computed::Node& node) {
  using computed::Node;
  const std::size_t start = at_++;
  node.kind = Node::Kind::record;
  std::vector<Node> pairs;
  bool has_names = true;
  for (;;) {
    skip_blanks();
    if (peek() == '}') break;
    if (starts_with("**")) return not_yet("a dict in a dict is", at_);
    Node pair;
    pair.kind = Node::Kind::tuple;
    pair.parts.resize(2);
    pair.span.from = at_;
    if (!read(pair.parts[0])) return false;
    skip_blanks();
    if (peek() != ':') return not_yet("sets are", start);
    ++at_;
    if (!read(pair.parts[1])) return false;
    pair.span.to = at_;
    const Node& key = pair.parts[0];
    has_names = has_names && key.kind == Node::Kind::constant && key.value.is(Type::text);
    const bool was_pair = pair.kind == Node::Kind::tuple;
    if (!read_behind_item(pair)) return false;
    has_names = has_names && was_pair && pair.kind == Node::Kind::tuple;
    pairs.push_back(std::move(pair));
    skip_blanks();
    if (peek() == ',')
      ++at_;
    else if (peek() != '}')
      return syntax_error("a closing } is missing", start);
  }
  ++at_;
  if (!has_names) {
    node.parts = std::move(pairs);
    return true;
  }
  for (Node& pair : pairs) {
    node.keys.emplace_back(pair.parts[0].value.as_text());
    node.parts.push_back(std::move(pair.parts[1]));
  }
  return true;
}

// The Python Language Reference, 6.14: lambda x, y: x + y.
bool ExpressionReader::read_lambda(computed::Node& node, std::size_t start) {
  node.kind = computed::Node::Kind::function;
  std::vector<computed::Node> usual;
  for (skip_blanks(); peek() != ':'; skip_blanks()) {
    if (!begins_name(peek())) return not_yet("such names of a function are", at_);
    node.keys.emplace_back(read_word());
    skip_blanks();
    // What a name stands for where it is given nothing: behind the body, in the order of the names.
    if (peek() == '=') {
      ++at_;
      if (!read(usual.emplace_back())) return false;
      // Python computes it once, where the function is made.
      if (usual.back().kind != computed::Node::Kind::constant)
        return not_yet("such a default of a function is", at_);
      skip_blanks();
    } else if (!usual.empty()) {
      return syntax_error("a name without a default follows one that has one", at_);
    }
    if (peek() == ',')
      ++at_;
    else if (peek() != ':')
      return syntax_error("a colon is behind the names of a function", start);
  }
  ++at_;
  node.parts.emplace_back();
  if (!read(node.parts[0])) return false;
  for (computed::Node& one : usual) node.parts.push_back(std::move(one));
  node.text = source_.substr(start, at_ - start);
  node.span = {start, at_};
  return true;
}

// The Python Language Reference, 6.2.4: x * 2 for x in items if x > 1.
bool ExpressionReader::read_behind_item(computed::Node& node) {
  skip_blanks();
  const std::size_t start = at_;
  if (read_word() != "for") {
    at_ = start;
    return true;
  }
  computed::wrap(node, computed::Node::Kind::for_each);
  for (;;) {
    skip_blanks();
    if (!begins_name(peek())) return not_yet("what for names here is", at_);
    node.keys.emplace_back(read_word());
    skip_blanks();
    if (peek() != ',') break;
    ++at_;
  }
  if (read_word() != "in") return syntax_error("a for has an in behind its names", start);
  // No condition of its own: "if" begins what the items are chosen by.
  constexpr int above_conditions = 1;
  node.parts.emplace_back();
  if (!read(node.parts.back(), above_conditions)) return false;
  for (;;) {
    skip_blanks();
    const std::size_t next = at_;
    const std::string_view word = read_word();
    if (word == "for") {
      // What is made is made by the inner one.
      at_ = next;
      computed::Node inner = std::move(node.parts[0]);
      if (!read_behind_item(inner)) return false;
      node.parts[0] = std::move(inner);
      node.span.to = at_;
      return true;
    }
    if (word == "async") return not_yet("async is", next);
    if (word != "if") {
      at_ = next;
      node.span.to = at_;
      return true;
    }
    node.parts.emplace_back();
    if (!read(node.parts.back(), above_conditions)) return false;
  }
}

// The Python Language Reference, 2.4.5 to 2.4.7.
bool ExpressionReader::read_number(computed::Node& node) {
  const std::size_t start = at_;
  const char mark = static_cast<char>(peek(1) | 0x20);
  const bool based = peek() == '0' && (mark == 'x' || mark == 'o' || mark == 'b');
  bool has_point = false;
  while (!at_end()) {
    const char c = peek();
    const char before = at_ > start ? source_[at_ - 1] : ' ';
    // A second point is a member's.
    if (c == '.' && (has_point || based)) break;
    has_point = has_point || c == '.' || (!based && (c == 'e' || c == 'E'));
    const bool exponent_sign = !based && (c == '-' || c == '+') && (before == 'e' || before == 'E');
    if (!is_word_part(c) && c != '.' && !exponent_sign) break;
    ++at_;
  }
  std::string text(source_.substr(start, at_ - start));
  bool good = !text.ends_with('_') && text.find("__") == std::string::npos &&
              text.find("_.") == std::string::npos && text.find("._") == std::string::npos;
  text.erase(std::remove(text.begin(), text.end(), '_'), text.end());
  node.kind = computed::Node::Kind::constant;
  if (based || text.find_first_not_of("0123456789") == std::string::npos) {
    if (based) text[1] = mark;
    const bool zeros_first = !based && text.size() > 1 && text[0] == '0' &&
                             text.find_first_not_of('0') != std::string::npos;
    const auto whole = read_whole(text);
    good = good && whole && !zeros_first;
    if (good) node.value = whole_value(integer_of(*whole));
  } else {
    const bool imaginary = text.ends_with('j') || text.ends_with('J');
    if (imaginary) text.pop_back();
    good = good && scan_decimal(text).has_value();
    if (good) {
      const Value real = Value::real(Type::f64, *read_real(binary64, text));
      node.value = imaginary ? Value::complex(0.0, computed::double_of(real)) : real;
    }
  }
  return good ||
         syntax_error(in_quotes(source_.substr(start, at_ - start)) + " is not a number of Python",
                      start);
}

bool ExpressionReader::read_text(std::size_t prefix, std::string& text, computed::Node& node) {
  const std::size_t start = at_;
  const std::string_view letters = source_.substr(at_, prefix);
  if (letters.find_first_of("bBfF") != std::string_view::npos)
    return not_yet(letters.find_first_of("bB") != std::string_view::npos
                       ? "bytes in an expression are"
                       : "f-strings in an expression are",
                   start);
  const bool raw = letters.find_first_of("rR") != std::string_view::npos;
  node.is_raw = node.is_raw || raw;
  at_ += prefix;
  const char quote = peek();
  const std::string end(peek(1) == quote && peek(2) == quote ? 3 : 1, quote);
  at_ += end.size();
  const std::size_t inside = at_;
  const std::size_t kept = out_.literals.size();
  while (!at_end() && !starts_with(end)) {
    if (peek() == '\n' && end.size() == 1) break;
    if (peek() == '\\' && raw) {
      out_.literals += source_[at_++];
      if (!at_end()) out_.literals += source_[at_++];
    } else if (peek() == '\\') {
      at_ += read_escape(at_, out_);
    } else {
      out_.literals += source_[at_++];
    }
  }
  text += std::string_view(out_.literals).substr(kept);
  out_.literals.resize(kept);
  if (out_.refusal) {
    const Refusal refusal = *out_.refusal;
    return refuse(refusal.when, refusal.as, refusal.why, refusal.span.from);
  }
  if (!starts_with(end)) return syntax_error("the text has no end", start);
  node.texts.push_back({inside, at_});
  at_ += end.size();
  return true;
}

// Literals side by side are one.
bool ExpressionReader::read_texts(computed::Node& node) {
  node.kind = computed::Node::Kind::constant;
  std::string text;
  for (;;) {
    const std::size_t letters =
        std::min(source_.find_first_not_of("rRbBuUfF", at_), source_.size()) - at_;
    if (!read_text(letters, text, node)) return false;
    const std::size_t end = at_;
    skip_blanks();
    const std::size_t more =
        std::min(source_.find_first_not_of("rRbBuUfF", at_), source_.size()) - at_;
    if (more > 2 || (peek(more) != '"' && peek(more) != '\'')) {
      at_ = end;
      break;
    }
  }
  node.value = Value::text(std::move(text));
  return true;
}

}  // namespace inky::inline v1::python
