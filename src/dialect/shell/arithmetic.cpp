#include "arithmetic.hpp"

#include <algorithm>

#include "../computed/arithmetic.hpp"
#include "../computed/shared_operators.hpp"
#include "../family/values.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::shell {

namespace {

using computed::Node;
using computed::Operation;

const computed::Grammar arithmetic = [] {
  computed::Grammar out;
  out.infix = computed::shared_infix;
  out.prefix = computed::shared_prefix;
  out.condition = computed::Grammar::Condition::marks;
  out.prefix_of_names = "$";
  return out;
}();

constexpr auto rules = [] {
  computed::TypedRules out;
  out.grammar = &arithmetic;
  out.language = "the shell";
  out.compile_fault = "Syntax error";
  out.truth_is_a_number = true;
  out.zero_fault = "division by zero";
  out.zero_reason = "a division by zero";
  out.quotient_fault = "division by zero";
  return out;
}();

std::optional<Value> number_of(std::string_view text) {
  const bool is_octal = text.size() > 1 && text[0] == '0' && is_digit(text[1]);
  const auto number = read_whole(is_octal ? "0o" + std::string(text.substr(1)) : std::string(text));
  if (!number || !computed::fits(Type::i64, integer_of(*number))) return std::nullopt;
  return computed::wrapped(Type::i64, integer_of(*number));
}

constexpr computed::CodeFacts code_facts = {
    .grammar = &arithmetic,
    .language = "the shell",
    .syntax_fault = "arithmetic expression",
    .number = number_of,
    .constant = [](std::string_view) -> std::optional<Value> { return std::nullopt; }};

std::string text_in(const Value& value) {
  return is_text_or_character(value) ? text_of(value) : whole_text(value);
}

// Whether a shell makes anything else than one word of it: POSIX.1-2017, XCU, 2.6.5 and 2.6.6.
bool is_split(const Value& value) {
  const std::string text = value.is(Type::text) ? std::string(value.as_text()) : "x";
  return text.empty() || text.find_first_of(" \t\n*?[") != std::string::npos;
}

}  // namespace

const computed::Grammar grammar = [] {
  computed::Grammar out = arithmetic;
  out.prefix_of_names = {};
  return out;
}();

Arithmetic::Arithmetic(TemplateContent& out, std::size_t at, std::size_t limit)
    : CodeReader(code_facts, out, at, limit) {}

std::optional<bool> Arithmetic::read_own(Node& node) {
  if (peek() == '"' || peek() == '\'') return not_yet("texts here are", at_);
  return CodeReader::read_own(node);
}

Expressions::Expressions(const computed::Scope& scope) : Typed(scope, rules) {}

std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  if (node.kind == Node::Kind::name) {
    const Value* value = find(node.text);
    if (value != nullptr && node.is_raw && is_split(*value))
      return not_yet("a value that its blanks or its * split, without quotes around it, is", node);
    if (value == nullptr || !is_number_) return std::nullopt;
    return number_in(node, *value, out);
  }
  const bool is_arithmetic = node.enclosed && !is_number_;
  if (!is_arithmetic) return std::nullopt;
  Node inside = node;
  inside.enclosed = false;
  is_number_ = true;
  const bool good = evaluate_again(inside, out);
  is_number_ = false;
  if (!good) return false;
  out = computed::wrapped(Type::i64, computed::whole_of(out));
  return true;
}

Value Expressions::of_truth(bool value) const {
  return Value::whole(Type::i64, value ? 1 : 0);
}

// A name without a value is empty, and 0 in arithmetic.
bool Expressions::name_without_value(const Node& node, Value&) {
  return not_yet("the variable " + node.text + " without a value is", node);
}

bool Expressions::combine(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  if (operation != Operation::join) return Typed::combine(node, operation, left, right, out);
  for (const Value* side : {&left, &right}) {
    if (!is_whole(side->type()) && !is_text_or_character(*side))
      return not_yet("this value in a text is", node);
  }
  out = Value::text(text_in(left) + text_in(right));
  return true;
}

bool Expressions::number_in(const Node& node, const Value& value, Value& out) {
  std::string text = is_whole(value.type()) ? whole_text(value)
                     : value.is(Type::text) ? std::string(value.as_text())
                                            : std::string();
  const bool negative = text.starts_with('-');
  const bool plain = text.size() > (negative ? 1U : 0U) && number_of(text.substr(negative ? 1 : 0));
  if (!plain) return not_yet("this value in arithmetic is", node);
  const Value magnitude = *number_of(text.substr(negative ? 1 : 0));
  const Integer whole = computed::whole_of(magnitude);
  out = computed::wrapped(Type::i64, negative ? Integer(-whole) : whole);
  return true;
}

}  // namespace inky::inline v1::shell
