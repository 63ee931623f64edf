#include "expressions.hpp"

#include <algorithm>
#include <cmath>
#include <limits>

#include "../computed/arithmetic.hpp"
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
    {"^", Operation::power, 14, true},   {"**", Operation::power, 14, true},
    {":", Operation::range, 12},         {"%%", Operation::remainder, 11},
    {"%/%", Operation::divide_down, 11}, {"%in%", Operation::none, 11},
    {"%*%", Operation::none, 11},        {"%o%", Operation::none, 11},
    {"|>", Operation::none, 11},         {"*", Operation::multiply, 10},
    {"/", Operation::divide, 10},        {"+", Operation::add, 9},
    {"-", Operation::subtract, 9},       {"<", Operation::less, 8},
    {"<=", Operation::at_most, 8},       {">", Operation::more, 8},
    {">=", Operation::at_least, 8},      {"==", Operation::equal, 8},
    {"!=", Operation::unequal, 8},       {"&", Operation::bits_and, 6},
    {"&&", Operation::both, 6},          {"|", Operation::bits_or, 5},
    {"||", Operation::either, 5},        {"~", Operation::none, 4},
    {"->", Operation::none, 3},          {"<-", Operation::none, 2},
    {"=", Operation::none, 1},           {"?", Operation::none, 1},
};
constexpr computed::OperatorFact prefix_operators[] = {
    {"-", Operation::negate, 13}, {"+", Operation::keep, 13}, {"!", Operation::deny, 7},
    {"~", Operation::none, 4},    {"?", Operation::none, 1},  {"\\", Operation::none, 1}};

// ?NumericConstants of R.
std::optional<Value> number_of(std::string_view text) {
  const bool is_long = text.ends_with('L');
  if (is_long) text.remove_suffix(1);
  if (text.ends_with('i')) return std::nullopt;
  std::optional<double> number = number_in(text);
  if (const auto typed = number ? std::nullopt : std::optional(read_typed(Type::f64, text));
      typed && *typed && text.find('_') == std::string_view::npos)
    number = computed::double_of(**typed);
  if (!number) return std::nullopt;
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
    .unknown_words = "function if for while repeat"};

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
      "c round signif floor ceiling trunc sqrt abs exp log log10 log2 sum mean min max prod length "
      "nchar toupper tolower trimws paste paste0 format formatC prettyNum sprintf as.integer "
      "as.numeric as.character rev seq_len rep strrep substr is.na ifelse cat print writeLines";
  return out;
}();

const ExpressionForm expression_form = {
    .grammar = &grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<ExpressionReader>(out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<Expressions>(scope);
    },
    .prints = prints,
    .ends = "\n;",
    .silent_words = "library require",
    .plain_field = "%s",
    .plain_dialect = "r",
    .own_names = "LETTERS letters month.name month.abb"};

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

// A text in single quotes is one like any other.
std::optional<bool> ExpressionReader::read_own(Node& node) {
  const std::size_t start = at_;
  const bool single = peek() == '\'';
  const auto own = CodeReader::read_own(node);
  if (single && own && *own) node.texts.push_back({start + 1, at_ - 1});
  return own;
}

Value Expressions::vector_of(Items items) {
  if (items.size() == 1) return std::move(items[0]);
  return Value::list(std::move(items));
}

bool Expressions::take_items(const Node& node, const Value& value, Items& out, Mode& mode) {
  const auto add = [&](const Value& item) {
    const bool is_known = item.is(Type::text) || item.is(Type::truth) || item.is(Type::nil) ||
                          is_whole(item.type()) || item.is(Type::f64) || item.is(Type::f32);
    if (!is_known)
      return not_yet("a value of type " + std::string(name_of(item.type())) + " is", node);
    out.push_back(item);
    mode = std::max(mode, mode_of(item));
    return true;
  };
  mode = Mode::unknown;
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

bool Expressions::name_without_value(const Node& node, Value&) {
  if (has_word("LETTERS letters month.name month.abb version", node.text))
    return not_yet("the name " + node.text + " is", node);
  return raise("object '" + node.text + "' not found", node);
}

bool Expressions::holds(const Node& node, const Value& value, bool& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (!take_numbers(node, value, items, mode)) return false;
  if (items.size() != 1 || items[0].is(Type::nil)) return not_yet("such a condition is", node);
  out = is_real(items[0].type()) ? !items[0].as_real().is_zero() : items[0].as_whole() != 0;
  return true;
}

bool Expressions::item(const Node& node, const Value& of, const Value& at, Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  std::int64_t index = 0;
  if (!take_items(node, of, items, mode) || !take_whole(node, at, index)) return false;
  if (index < 1) return not_yet("an index such as this is", node);
  const bool inside = static_cast<std::size_t>(index) <= items.size();
  out = inside ? items[static_cast<std::size_t>(index) - 1] : Value();
  return true;
}

bool Expressions::member(const Node& node, const Value& of, Value& out) {
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
