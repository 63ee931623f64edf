// The methods of numbers and of texts that expressions of Rust may call.

#include <algorithm>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "expressions.hpp"
#include "text/lower_case.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::rust {

using computed::Node;
using computed::Operation;

bool is_number(const Value& value) {
  return is_whole(value.type()) || is_real(value.type());
}

// A literal without a type of its own takes the one it meets.
bool is_open(const Node& node) {
  if (!computed::is_constant(node) || !node.text.empty()) return false;
  return std::all_of(node.parts.begin(), node.parts.end(), is_open);
}

Type literal_type(const Node& literal) {
  return type_of_name(literal.text).value_or(Type::i32);
}

bool is_beyond_type(const Node& node) {
  if (node.kind == Node::Kind::function && !node.parts.empty())
    return is_beyond_type(node.parts[0]);
  const bool is_negative = node.kind == Node::Kind::unary && node.operation == Operation::negate;
  const Node& literal = is_negative ? node.parts[0] : node;
  const Type held = literal.value.type();
  if (literal.kind != Node::Kind::constant ||
      !(held == Type::i64 || held == Type::i128 || held == Type::u128) ||
      held == literal_type(literal))
    return false;
  return !is_negative || !computed::fits(literal_type(literal), -computed::whole_of(literal.value));
}

bool Expressions::call_on_number(const Node& node, const Value& of, const Arguments& arguments,
                                 Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  // The compiler does not guess the type of a literal that has a method.
  const bool compares = name == "max" || name == "min";
  if (is_beyond_type(node.parts[0].parts[0])) return literal_without_type(node);
  if (is_open(node.parts[0].parts[0]) && name != "to_string" && !compares)
    return not_yet("a method of a literal is", node);
  if (is_real(of.type())) {
    constexpr std::pair<std::string_view, Rounding> roundings[] = {{"floor", Rounding::down},
                                                                   {"ceil", Rounding::up},
                                                                   {"trunc", Rounding::toward},
                                                                   {"round", Rounding::half_away}};
    for (const auto& [known, rounding] : roundings) {
      if (name != known || count != 0) continue;
      out = computed::rounded_real(of, rounding);
      return true;
    }
    if (name == "abs" && count == 0) {
      out = of.as_real().negative ? computed::negated_real(of) : of;
      return true;
    }
    const std::pair<std::string_view, std::string_view> functions[] = {
        {"sqrt", "sqrt"}, {"cbrt", "cbrt"}, {"exp", "exp"}, {"ln", "log"}, {"log10", "log10"},
        {"log2", "log2"}, {"sin", "sin"},   {"cos", "cos"}, {"tan", "tan"}};
    for (const auto& [known, function] : functions) {
      if (name != known || count != 0 || !of.is(Type::f64)) continue;
      const auto result = computed::elementary(function, computed::double_of(of));
      if (!result) return not_yet("the method " + name + " is", node);
      out = Value::real(*result);
      return true;
    }
    if (name == "powi" && count == 1 && of.is(Type::f64) && arguments[0].is(Type::i32)) {
      // As the compiler's library has it: squares, from the lowest bit on.
      double base = computed::double_of(of);
      double result = 1;
      const auto exponent = static_cast<int>(arguments[0].as_whole());
      for (int left = exponent;; base *= base) {
        if (left % 2 != 0) result *= base;
        left /= 2;
        if (left == 0) break;
      }
      out = Value::real(exponent < 0 ? 1 / result : result);
      return true;
    }
    if (name == "powf" && count == 1 && of.is(Type::f64) && arguments[0].is(Type::f64)) {
      out =
          Value::real(computed::power(computed::double_of(of), computed::double_of(arguments[0])));
      return true;
    }
  }
  if ((name == "max" || name == "min") && count == 1) {
    Value other = arguments[0];
    if (is_open(node.parts[1]) && is_whole(other.type()) && is_whole(of.type()) &&
        !keep(node, of.type(), computed::whole_of(other), other))
      return false;
    if (other.type() != of.type()) return refuse("E0308", "mismatched types", node);
    if (is_real(of.type())) {
      // A not-a-number gives way to a number.
      const bool is_nan = of.as_real().kind == RealClass::not_a_number;
      if (is_nan || other.as_real().kind == RealClass::not_a_number) {
        out = is_nan ? other : of;
        return true;
      }
      const bool signs_differ = of.as_real().negative != other.as_real().negative;
      if (of.as_real().is_zero() && other.as_real().is_zero() && signs_differ)
        return not_yet(name + " of zeros with two signs is", node);
    }
    out = computed::extreme(name == "max", of, other);
    return true;
  }
  if (is_whole(of.type()) && name == "abs" && count == 0 && fact_of(of.type()).is_signed) {
    const Integer whole = computed::whole_of(of);
    return keep(node, of.type(), whole < 0 ? Integer(-whole) : whole, out);
  }
  if (is_whole(of.type()) && name == "rem_euclid" && count == 1 && arguments[0].is(of.type())) {
    const auto result =
        computed::combine_wholes(Operation::remainder, computed::whole_of(of),
                                 computed::whole_of(arguments[0]), computed::Division::down);
    if (!result || computed::whole_of(arguments[0]) < 0)
      return not_yet("the method rem_euclid of these is", node);
    out = computed::wrapped(of.type(), *result);
    return true;
  }
  if (is_whole(of.type()) && name == "pow" && count == 1 && is_whole(arguments[0].type())) {
    const Integer exponent = computed::whole_of(arguments[0]);
    constexpr int most_exponent = 128;
    if (exponent < 0 || exponent > most_exponent) return not_yet("such a power is", node);
    return keep(node, of.type(),
                computed::power_of(computed::whole_of(of), exponent.convert_to<int>()), out);
  }
  return not_yet("the method " + name + " is", node);
}

bool Expressions::call_on_text(const Node& node, std::string_view text, const Arguments& arguments,
                               Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  const auto is_blank = [](char c) { return c == ' ' || (9 <= c && c <= 13); };
  if (count == 0) {
    if (name == "len") {
      out = Value::whole(Type::u64, static_cast<int128>(text.size()));
    } else if (name == "is_empty") {
      out = Value::truth(text.empty());
    } else if (name == "to_string" || name == "to_owned" || name == "as_str") {
      out = Value::text(std::string(text));
    } else if (name == "to_uppercase" || name == "to_lowercase") {
      out = Value::text(name == "to_uppercase" ? upper_case(text) : lower_case(text));
    } else if (name.starts_with("trim")) {
      if (!is_ascii(text)) return not_yet("trim of this text is", node);
      while (name != "trim_end" && !text.empty() && is_blank(text.front())) text.remove_prefix(1);
      while (name != "trim_start" && !text.empty() && is_blank(text.back())) text.remove_suffix(1);
      out = Value::text(std::string(text));
    } else {
      return not_yet("the method " + name + " is", node);
    }
    return true;
  }
  if (name == "repeat" && count == 1 && is_whole(arguments[0].type())) {
    const Integer times = computed::whole_of(arguments[0]);
    if (times < 0 || times > most_output / (text.size() + 1))
      return over_limit("a text repeated " + times.str() + " times is over the limit", node);
    std::string made;
    for (auto i = times.convert_to<std::size_t>(); i > 0; --i) made += text;
    out = Value::text(std::move(made));
    return true;
  }
  const bool by_text = is_text_or_character(arguments[0]);
  const std::string other = by_text ? text_of(arguments[0]) : std::string();
  if (by_text && count == 1 && name == "contains") {
    out = Value::truth(text.find(other) != std::string_view::npos);
    return true;
  }
  if (by_text && count == 1 && (name == "starts_with" || name == "ends_with")) {
    out = Value::truth(name == "starts_with" ? text.starts_with(other) : text.ends_with(other));
    return true;
  }
  if (by_text && count == 2 && name == "replace" && arguments[1].is(Type::text) && !other.empty()) {
    std::string made;
    for (std::size_t found = text.find(other); found != std::string_view::npos;
         found = text.find(other)) {
      (made += text.substr(0, found)) += arguments[1].as_text();
      text.remove_prefix(found + other.size());
    }
    out = Value::text(made + std::string(text));
    return true;
  }
  return not_yet("the method " + name + " is", node);
}

}  // namespace inky::inline v1::rust
