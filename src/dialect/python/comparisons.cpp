// Comparisons of Python: the Language Reference, 6.10.

#include <algorithm>

#include "../family/values.hpp"
#include "expressions.hpp"
#include "times.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

bool is_plain_number(const Value& value) {
  return is_int(value) || is_real(value.type()) || value.is(Type::fraction);
}

// Reals as the doubles that Python has.
Value as_python(const Value& value) {
  return is_real(value.type()) ? computed::real_of(Type::f64, value) : value;
}

std::partial_ordering compare_numbers(const Value& left, const Value& right) {
  return computed::compare(as_python(left), as_python(right));
}

}  // namespace

bool Expressions::equal(const Value& left, const Value& right) {
  if (is_plain_number(left) && is_plain_number(right))
    return std::is_eq(compare_numbers(left, right));
  if (left.is(Type::decimal) || right.is(Type::decimal))
    return std::is_eq(compare_decimals(left, right));
  if (is_text_or_character(left) && is_text_or_character(right))
    return text_of(left) == text_of(right);
  if (left.is(Type::complex) || right.is(Type::complex)) {
    const auto part = [](const Value& value, std::size_t which) {
      return value.is(Type::complex) ? value.as_list()[which]
             : which == 0            ? value
                                     : Value::real(0.0);
    };
    const auto numeric = [](const Value& value) {
      return value.is(Type::complex) || is_plain_number(value);
    };
    return numeric(left) && numeric(right) &&
           std::is_eq(compare_numbers(part(left, 0), part(right, 0))) &&
           std::is_eq(compare_numbers(part(left, 1), part(right, 1)));
  }
  if (!left.is(right.type())) return false;
  if (is_time_value(left)) return std::is_eq(compare_times(left, right));
  if (!is_compound(left.type())) return left.is(Type::nil);
  const auto a = left.as_list();
  const auto b = right.as_list();
  if (a.size() != b.size()) return false;
  if (!left.is(Type::record)) return std::equal(a.begin(), a.end(), b.begin(), equal);
  return std::all_of(a.begin(), a.end(), [&](const Value& field) {
    const auto other = std::find_if(b.begin(), b.end(),
                                    [&](const Value& one) { return one.name() == field.name(); });
    return other != b.end() && equal(field, *other);
  });
}

bool Expressions::less(const Node& node, Operation operation, const Value& left, const Value& right,
                       bool& out) {
  if (is_plain_number(left) && is_plain_number(right)) {
    out = computed::relates(operation, compare_numbers(left, right));
    return true;
  }
  const auto is_number = [](const Value& value) {
    return value.is(Type::decimal) || is_plain_number(value);
  };
  if (is_number(left) && is_number(right)) {
    const std::partial_ordering order = compare_decimals(left, right);
    if (order == std::partial_ordering::unordered)
      return raise("InvalidOperation", "a comparison that has a NaN", node);
    out = computed::relates(operation, order);
    return true;
  }
  if (is_text_or_character(left) && is_text_or_character(right)) {
    // Bytes of UTF-8 have the order of code points.
    out = computed::relates(operation, text_of(left).compare(text_of(right)) <=> 0);
    return true;
  }
  if (is_time_value(left) && left.is(right.type())) {
    const std::partial_ordering order = compare_times(left, right);
    if (order == std::partial_ordering::unordered)
      return raise("TypeError", "can't compare offset-naive and offset-aware datetimes", node);
    out = computed::relates(operation, order);
    return true;
  }
  const bool sequences = (left.is(Type::list) || left.is(Type::tuple)) && left.is(right.type());
  if (!sequences) {
    return raise("TypeError",
                 "'" + std::string(text_of(grammar, operation)) +
                     "' not supported between instances of '" + std::string(type_name(left)) +
                     "' and '" + std::string(type_name(right)) + "'",
                 node);
  }
  const auto a = left.as_list();
  const auto b = right.as_list();
  for (std::size_t i = 0; i < std::min(a.size(), b.size()); ++i) {
    if (!equal(a[i], b[i])) return less(node, operation, a[i], b[i], out);
  }
  out = computed::relates(operation, a.size() <=> b.size());
  return true;
}

bool Expressions::contains(const Node& node, const Value& whole, const Value& part, bool& out) {
  if (is_text_or_character(whole)) {
    if (!is_text_or_character(part))
      return raise(
          "TypeError",
          "'in <string>' requires string as left operand, not " + std::string(type_name(part)),
          node);
    out = text_of(whole).find(text_of(part)) != std::string::npos;
    return true;
  }
  if (!is_compound(whole.type()))
    return raise("TypeError",
                 "argument of type '" + std::string(type_name(whole)) + "' is not iterable", node);
  const auto items = whole.as_list();
  if (whole.is(Type::record) && (is_compound(part.type()) && !part.is(Type::tuple)))
    return raise("TypeError", "unhashable type: '" + std::string(type_name(part)) + "'", node);
  out = std::any_of(items.begin(), items.end(), [&](const Value& item) {
    if (whole.is(Type::record)) return is_text_or_character(part) && item.name() == text_of(part);
    return equal(item, part);
  });
  return true;
}

}  // namespace inky::inline v1::python
