#include "expressions.hpp"

#include <algorithm>
#include <cmath>
#include <limits>

#include "../computed/arithmetic.hpp"
#include "../computed/objects.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "numbers.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;
using computed::Operation;

// ?Syntax of R.
constexpr computed::OperatorFact infix_operators[] = {
    {"^", Operation::power, 14, true},
    {"**", Operation::power, 14, true},
    {":", Operation::range, 12},
    {"%%", Operation::remainder, 11},
    {"%/%", Operation::divide_down, 11},
    {"%in%", Operation::contained, 11},
    {"%*%", Operation::multiply_each, 11},
    {"%o%", Operation::none, 11},
    {"|>", Operation::none, 11},
    {"*", Operation::multiply, 10},
    {"/", Operation::divide, 10},
    {"+", Operation::add, 9},
    {"-", Operation::subtract, 9},
    {"<", Operation::less, 8},
    {"<=", Operation::at_most, 8},
    {">", Operation::more, 8},
    {">=", Operation::at_least, 8},
    {"==", Operation::equal, 8},
    {"!=", Operation::unequal, 8},
    {"&", Operation::bits_and, 6},
    {"&&", Operation::both, 6},
    {"|", Operation::bits_or, 5},
    {"||", Operation::either, 5},
    {"~", Operation::none, 4},
    {"->", Operation::none, 3},
    {"<-", Operation::none, 2},
    {"=", Operation::none, 1},
    {"?", Operation::none, 1},
};
constexpr computed::OperatorFact prefix_operators[] = {
    {"-", Operation::negate, 13}, {"+", Operation::keep, 13}, {"!", Operation::deny, 7},
    {"~", Operation::none, 4},    {"?", Operation::none, 1},  {"\\", Operation::none, 1}};

// ?NumericConstants of R.
std::optional<Value> number_of(std::string_view text) {
  const bool is_long = text.ends_with('L');
  if (is_long) text.remove_suffix(1);
  const bool is_imaginary = !is_long && text.ends_with('i');
  if (is_imaginary) text.remove_suffix(1);
  std::optional<double> number = number_in(text);
  if (const auto typed = number ? std::nullopt : std::optional(read_typed(Type::f64, text));
      typed && *typed && text.find('_') == std::string_view::npos)
    number = computed::double_of(**typed);
  if (!number) return std::nullopt;
  if (is_imaginary) return Value::complex(0, *number);
  const Value value = Value::real(*number);
  if (!is_long) return value;
  const auto whole = computed::cut(value);
  const bool is_whole = whole && is_whole_number(value.as_real());
  if (!is_whole || !computed::fits(Type::i32, *whole)) return std::nullopt;
  return computed::wrapped(Type::i32, *whole);
}

std::optional<Value> constant_of(std::string_view word) {
  if (word == "TRUE" || word == "T") return Value::truth(true);
  if (word == "FALSE" || word == "F") return Value::truth(false);
  if (word == "NA" || word == "NA_integer_" || word == "NA_real_" || word == "NA_character_")
    return Value();
  if (word == "NULL") return Value::list({});
  if (word == "NaN") return Value::real(std::nan(""));
  if (word == "Inf") return Value::real(HUGE_VAL);
  if (word == "pi") return Value::real(0x1.921fb54442d18p+1);
  return std::nullopt;
}

constexpr computed::CodeFacts code_facts = {
    .grammar = &grammar,
    .language = "R",
    .syntax_fault = "parse error",
    .hexadecimal_reals = true,
    .word_marks = ".",
    .read_escape = read_escape,
    .number = number_of,
    .constant = constant_of,
    .character = [](const std::string& text) -> std::optional<Value> { return Value::text(text); },
    .unknown_words = "if for while repeat"};

constexpr PrintFact prints[] = {{.name = "cat", .is_evaluated = true},
                                {.name = "print", .is_evaluated = true},
                                {.name = "writeLines", .is_evaluated = true},
                                {.name = "message", .is_evaluated = true}};

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out;
  out.infix = infix_operators;
  out.prefix = prefix_operators;
  out.names_argument = "=";
  out.point_before_members = false;
  out.arrow = "$";
  out.functions =
      "c round signif floor ceiling trunc sqrt abs exp log log10 log2 log1p expm1 sin cos tan asin "
      "acos atan sinh cosh tanh sum mean min max prod length nchar toupper tolower trimws paste "
      "paste0 format formatC prettyNum sprintf as.integer as.numeric as.double as.character "
      "as.logical rev seq seq_len seq_along rep strrep substr substring is.na ifelse cat print "
      "writeLines cumsum cumprod cummax cummin median sd var range sort order unique which "
      "which.max "
      "which.min any all head tail diff factorial choose bitwAnd bitwOr bitwXor strtoi identical "
      "is.numeric is.character is.logical is.null class typeof mode toString sub gsub strsplit "
      "grepl startsWith endsWith names unname unlist list matrix t dim nrow ncol outer rowSums "
      "colSums rowMeans colMeans vector numeric character logical integer nlevels duplicated "
      "rep_len "
      "rev tabulate crossprod diag invisible isTRUE xor message complex as.complex Re Im Mod Conj "
      "Arg as.Date as.POSIXct as.POSIXlt strptime strftime ISOdate ISOdatetime difftime weekdays "
      "months "
      "quarters Sys.Date Sys.time Sys.setlocale date units unclass";
  return out;
}();

// R writes numbers as in C whatever the locale.
constexpr LocaleStatementFact locale_statements[] = {
    {"invisible(Sys.setlocale(\"LC_TIME\",", "))"},
    {"Sys.setlocale(\"LC_TIME\",", ")", {}, "[1] \"@\"\n"}};

const ExpressionForm expression_form = {
    .read_declaration = read_assignment,
    .shows_results = "print",
    .grammar = &grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<ExpressionReader>(out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope);
    },
    .given = in_utc,
    .prints = prints,
    .ends = "\n;",
    .silent_words = "library require",
    .blocks = Blocks::braces,
    .items = "c(unclass({}))",  // dates are numbers there
    .plain_field = "%s",
    .plain_dialect = "r",
    .own_names = "LETTERS letters month.name month.abb .Machine",
    .locale_statements = locale_statements};

ExpressionReader::ExpressionReader(TemplateContent& out, std::size_t at)
    : CodeReader(code_facts, out, at) {}

// Comments begin with #.
void ExpressionReader::skip_blanks() {
  for (;;) {
    while (!at_end() && std::string_view(" \t\r\n").find(peek()) != std::string_view::npos) ++at_;
    if (peek() != '#') return;
    at_ = std::min(source_.find('\n', at_), source_.size());
  }
}

// A text in single quotes is one like any other. Names may stand between back quotes, and functions
// without a name begin with function or a backslash.
std::optional<bool> ExpressionReader::read_own(Node& node) {
  const std::size_t start = at_;
  if (peek() == '`') {
    const std::size_t close = source_.find('`', at_ + 1);
    if (close == std::string_view::npos) return syntax_error("a closing ` is missing", start);
    const std::string_view name = source_.substr(at_ + 1, close - at_ - 1);
    // A name may be any text there. Only those that are names without the quotes are read, and
    // operators.
    const bool is_word =
        !name.empty() && is_word_start(name[0]) &&
        std::all_of(name.begin(), name.end(), [](char c) { return is_word_part(c) || c == '.'; });
    const bool is_operator =
        std::any_of(std::begin(infix_operators), std::end(infix_operators),
                    [&](const computed::OperatorFact& fact) { return fact.text == name; });
    at_ = close + 1;
    if (!is_word && !is_operator) return not_yet("such a name is", start);
    node.kind = Node::Kind::name;
    node.text = name;
    return true;
  }
  if (peek() == '\\' && peek(1) == '(') {
    ++at_;
    return read_function(node, start);
  }
  if (starts_with("function") && !is_word_part(peek(8)) && peek(8) != '.') {
    at_ += 8;
    return read_function(node, start);
  }
  const bool single = peek() == '\'';
  const auto own = CodeReader::read_own(node);
  if (single && own && *own) node.texts.push_back({start + 1, at_ - 1});
  return own;
}

// (i, k) i + k: the names of its arguments, and what it gives.
bool ExpressionReader::read_function(Node& node, std::size_t start) {
  skip_blanks();
  if (peek() != '(') return not_yet("a function such as this is", start);
  ++at_;
  node.kind = Node::Kind::for_each;
  for (;;) {
    skip_blanks();
    if (peek() == ')') break;
    if (!begins_name(peek())) return not_yet("a function such as this is", start);
    node.keys.emplace_back(read_word());
    skip_blanks();
    if (peek() == ',')
      ++at_;
    else if (peek() != ')')
      return not_yet("arguments with a value of their own are", at_);
  }
  ++at_;
  skip_blanks();
  const bool has_braces = peek() == '{';
  if (has_braces) ++at_;
  skip_blanks();
  constexpr std::string_view returns = "return";
  if (has_braces && starts_with(returns) && peek(returns.size()) == '(') at_ += returns.size();
  node.parts.emplace_back();
  if (!read(node.parts[0])) return false;
  if (!has_braces) return true;
  skip_blanks();
  if (peek() != '}') return not_yet("functions of several statements are", start);
  ++at_;
  return true;
}

// x[2], x[-1], x[i, ], x[["lot"]]
bool ExpressionReader::read_index(Node& node, std::size_t start) {
  const bool doubled = peek() == '[';
  if (doubled) {
    ++at_;
    node.text = "[[";
  }
  for (;;) {
    node.parts.emplace_back();
    skip_blanks();
    if (peek() != ',' && peek() != ']' && !read(node.parts.back())) return false;
    skip_blanks();
    if (peek() == '=') return not_yet("an argument with a name in an index is", at_);
    if (peek() != ',') break;
    ++at_;
  }
  return close(']', start) && (!doubled || close(']', start));
}

// The target is what is before the arrow, outside of brackets and quotes; a name alone is none.
std::optional<Declaration> read_assignment(std::string_view statement) {
  int depth = 0;
  char quote = 0;
  for (std::size_t at = 0; at + 1 < statement.size(); ++at) {
    const char c = statement[at];
    if (quote != 0) {
      if (c == '\\') ++at;
      if (c == quote) quote = 0;
      continue;
    }
    if (c == '"' || c == '\'') quote = c;
    if (c == '(' || c == '[' || c == '{') ++depth;
    if (c == ')' || c == ']' || c == '}') --depth;
    const bool is_arrow = depth == 0 && statement.substr(at).starts_with("<-");
    const bool is_sign = depth == 0 && c == '=' && statement[at + 1] != '=' && at > 0 &&
                         std::string_view("<>=!").find(statement[at - 1]) == std::string_view::npos;
    if (!is_arrow && !is_sign) continue;
    std::string_view target = statement.substr(0, at);
    target.remove_prefix(std::min(target.find_first_not_of(" \t\r\n"), target.size()));
    target = target.substr(0, target.find_last_not_of(" \t\r\n") + 1);
    const bool is_plain = std::all_of(target.begin(), target.end(),
                                      [](char one) { return is_word_part(one) || one == '.'; });
    if (target.empty() || is_plain) return std::nullopt;
    constexpr std::string_view named = "names(";
    std::string_view name = target.starts_with(named) ? target.substr(named.size()) : target;
    std::size_t end = 0;
    while (end < name.size() && (is_word_part(name[end]) || name[end] == '.')) ++end;
    name = name.substr(0, end);
    const std::size_t begin =
        std::min(statement.find_first_not_of(" \t\r\n", at + (is_arrow ? 2 : 1)), statement.size());
    if (name.empty() || !is_word_start(name[0]) || begin == statement.size()) return std::nullopt;
    Declaration out;
    out.name = name;
    out.expression =
        "`<-`(" + std::string(target) + ", " + std::string(statement.substr(begin)) + ")";
    out.span = {0, statement.size()};
    return out;
  }
  return std::nullopt;
}

std::vector<Value> items_of(const Value& value) {
  if (!value.is(Type::list)) return {value};
  return {value.as_list().begin(), value.as_list().end()};
}

double double_in(const Value& value) {
  return computed::double_of(computed::real_of(Type::f64, value));
}

std::vector<std::string> names_of(const Value& value) {
  std::vector<std::string> out;
  if (!value.is(Type::list)) return out;
  bool has_any = false;
  for (const Value& item : value.as_list()) {
    out.emplace_back(item.name());
    has_any = has_any || item.is_named();
  }
  if (!has_any) out.clear();
  return out;
}

Value Expressions::with_names(Value vector, const Value& from) {
  const std::vector<std::string> names = names_of(from);
  if (names.empty()) return vector;
  Items items;
  if (vector.is(Type::list))
    items.assign(vector.as_list().begin(), vector.as_list().end());
  else
    items.push_back(std::move(vector));
  if (items.size() != names.size()) return vector_of(std::move(items));
  for (std::size_t i = 0; i < items.size(); ++i) items[i].set_name(names[i]);
  return vector_of(std::move(items));
}

Value Expressions::vector_of(Items items) {
  if (items.size() == 1 && !items[0].is_named()) return std::move(items[0]);
  return Value::list(std::move(items));
}

bool Expressions::take_items(const Node& node, const Value& value, Items& out, Mode& mode) {
  const auto add = [&](const Value& item) {
    const bool is_known = item.is(Type::text) || item.is(Type::truth) || item.is(Type::nil) ||
                          is_whole(item.type()) || item.is(Type::f64) || item.is(Type::f32);
    if (!is_known)
      return not_yet("a value of type " + std::string(name_of(item.type())) + " is", node);
    out.push_back(item);
    out.back().drop_name();
    mode = std::max(mode, mode_of(item));
    return true;
  };
  mode = Mode::unknown;
  if (computed::object_in(value) != nullptr) return not_yet("such an object here is", node);
  if (value.is(Type::list) || value.is(Type::tuple)) {
    for (const Value& item : value.as_list()) {
      if (!add(item)) return false;
    }
    return true;
  }
  return add(value);
}

// Integers and truth values become what arithmetic has: i32, or f64 where one element is a real.
bool Expressions::take_numbers(const Node& node, const Value& value, Items& out, Mode& mode) {
  Items items;
  if (!take_items(node, value, items, mode)) return false;
  if (mode == Mode::character) return raise("non-numeric argument", node);
  for (const Value& item : items) {
    if (item.is(Type::nil))
      out.push_back(item);
    else if (mode == Mode::real)
      out.push_back(Value::real(Type::f64, pack(binary64, nearest_f64(item))));
    else
      out.push_back(computed::wrapped(Type::i32, computed::whole_of(item)));
  }
  return true;
}

bool Expressions::take_whole(const Node& node, const Value& value, std::int64_t& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (!take_numbers(node, value, items, mode)) return false;
  if (items.size() != 1 || items[0].is(Type::nil) ||
      (is_real(items[0].type()) && !is_whole_number(items[0].as_real())))
    return not_yet("a number such as this is", node);
  const Integer whole =
      is_real(items[0].type()) ? *computed::cut(items[0]) : computed::whole_of(items[0]);
  constexpr int most = 1'000'000'000;
  if (whole < -most || whole > most) return not_yet("a number such as this is", node);
  out = whole.convert_to<std::int64_t>();
  return true;
}

bool Expressions::take_text(const Node& node, const Value& value, std::string& out) {
  if (!value.is(Type::text)) return not_yet("a value that is no text here is", node);
  out = value.as_text();
  return true;
}

bool Expressions::name_without_value(const Node& node, Value& out) {
  const std::string path = computed::path_of(node);
  if (path == ".Machine.integer.max" || path == ".Machine.integer") {
    out = Value::whole(Type::i32, std::numeric_limits<std::int32_t>::max());
    return true;
  }
  constexpr std::string_view months[] = {"January",   "February", "March",    "April",
                                         "May",       "June",     "July",     "August",
                                         "September", "October",  "November", "December"};
  Items items;
  if (node.text == "letters" || node.text == "LETTERS") {
    for (char c = 'a'; c <= 'z'; ++c)
      items.push_back(
          Value::text(std::string(1, static_cast<char>(node.text[0] == 'L' ? c - 32 : c))));
  } else if (node.text == "month.name" || node.text == "month.abb") {
    for (const std::string_view month : months)
      items.push_back(
          Value::text(std::string(node.text == "month.abb" ? month.substr(0, 3) : month)));
  } else {
    constexpr std::string_view of_packages =
        "version R.version R.version.string iris mtcars cars women airquality faithful ToothGrowth "
        "state.name state.abb euro precip rivers islands";
    if (has_word(of_packages, node.text) || path.starts_with(".Machine"))
      return not_yet("the name " + node.text + " is", node);
    if (has_word(grammar.functions, node.text)) return not_yet("a function as a value is", node);
    return raise("object '" + node.text + "' not found", node);
  }
  out = vector_of(std::move(items));
  return true;
}

// What the language looks into itself: names of functions that are called, indices, and the
// functions that are given functions.
std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  if (node.kind == Node::Kind::name) {
    for (auto known = own_.rbegin(); known != own_.rend(); ++known) {
      if (known->first != node.text) continue;
      out = known->second;
      return true;
    }
    return std::nullopt;
  }
  if (node.kind == Node::Kind::for_each) return not_yet("a function as a value is", node);
  if (node.kind == Node::Kind::item) return index(node, out);
  if (node.kind == Node::Kind::member) {
    const std::string path = computed::path_of(node);
    if (path == ".Machine.integer.max") return name_without_value(node, out);
    if (path == ".Machine.double.eps") {
      out = Value::real(0x1p-52);
      return true;
    }
    return std::nullopt;
  }
  if (node.kind != Node::Kind::call || node.parts[0].kind != Node::Kind::name) return std::nullopt;
  const std::string& name = node.parts[0].text;
  if (name == "<-") return assign(node, out);
  if (has_word("sapply vapply mapply Map Filter lapply", name)) return apply_each(node, name, out);
  if (name == "Reduce") return reduce(node, out);
  // What its arguments are depends on what it is.
  if (!has_word(grammar.functions, name)) return not_yet("the function " + name + " is", node);
  return std::nullopt;
}

bool Expressions::holds(const Node& node, const Value& value, bool& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (!take_numbers(node, value, items, mode)) return false;
  if (items.size() != 1 || items[0].is(Type::nil)) return not_yet("such a condition is", node);
  out = is_real(items[0].type()) ? !items[0].as_real().is_zero() : items[0].as_whole() != 0;
  return true;
}

bool Expressions::member(const Node& node, const Value& of, Value& out) {
  if (const auto part = part_of_date(node, of, out)) return *part;
  if (of.is(Type::record)) {
    for (const Value& field : of.as_list()) {
      if (field.name() != node.text) continue;
      out = field;
      out.drop_name();
      return true;
    }
  }
  return not_yet("an element that is not there is", node);
}

}  // namespace inky::inline v1::r_language
