// How PHP compares values: the PHP manual, Comparison Operators.

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"
#include "values.hpp"

namespace inky::inline v1::php {

using computed::Node;
using computed::Operation;

namespace {

// Whether a text cannot be read as a number, so that it is compared as a text.
bool is_no_number(std::string_view text) {
  const std::size_t at = text.find_first_not_of(" \t\n\r\v\f");
  return at == std::string_view::npos ||
         (!is_digit(text[at]) && text[at] != '.' && text[at] != '-' && text[at] != '+');
}

}  // namespace

bool Expressions::compare(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  const bool texts = left.is(Type::text) && right.is(Type::text);
  if (operation == Operation::same || operation == Operation::not_same) {
    const auto kind = [](const Value& value) {
      return is_whole(value.type()) ? Type::i64 : is_real(value.type()) ? Type::f64 : value.type();
    };
    bool equal = kind(left) == kind(right);
    if (equal && texts) {
      equal = left.as_text() == right.as_text();
    } else if (equal && !left.is(Type::nil)) {
      Value a;
      Value b;
      if (!take_number(node, left, a) || !take_number(node, right, b)) return false;
      equal = std::is_eq(computed::compare(a, b));
    }
    out = Value::truth(equal == (operation == Operation::same));
    return true;
  }
  if (texts) {
    if (!is_no_number(left.as_text()) && !is_no_number(right.as_text()))
      return not_yet("comparing texts that may be numbers is", node);
    const int order = left.as_text().compare(right.as_text());
    out = Value::truth(computed::relates(operation, order <=> 0));
    return true;
  }
  if (left.is(Type::truth) || right.is(Type::truth) || left.is(Type::nil) || right.is(Type::nil)) {
    bool a = false;
    bool b = false;
    if (left.is(Type::text) || right.is(Type::text))
      return not_yet("comparing a text with this is", node);
    if (!holds(node, left, a) || !holds(node, right, b)) return false;
    out = Value::truth(computed::relates(operation, int{a} <=> int{b}));
    return true;
  }
  Value a;
  Value b;
  if (!take_number(node, left, a) || !take_number(node, right, b)) return false;
  // Of an int and a float, both are floats.
  if (a.type() != b.type()) {
    a = computed::real_of(Type::f64, a);
    b = computed::real_of(Type::f64, b);
  }
  out = Value::truth(computed::relates(operation, computed::compare(a, b)));
  return true;
}

}  // namespace inky::inline v1::php
