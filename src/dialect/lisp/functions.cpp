// The functions of Lisp that expressions may call: on numbers, texts and lists.

#include <algorithm>
#include <compare>
#include <utility>

#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "printer.hpp"
#include "text/ascii.hpp"
#include "text/simple_case.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::lisp {

namespace {

bool is_real_number(const Value& value) {
  return is_real(value.type());
}

// A number as a double, and what an elementary function gives as a float of the wider type.
double as_double(const Value& value) {
  return computed::double_of(float_value_of(Type::f64, value));
}
Value as_float(Type type, double number) {
  return computed::real_of(type, Value::real(number));
}

Integer gcd(Integer a, Integer b) {
  while (b != 0) {
    Integer rest = a % b;
    a = std::move(b);
    b = std::move(rest);
  }
  return a < 0 ? Integer(-a) : a;
}

// The places of characters in a text, and its end.
std::vector<std::size_t> places_of(std::string_view text) {
  std::vector<std::size_t> out;
  for (std::size_t at = 0; at < text.size();) {
    out.push_back(at);
    const auto point = first_code_point(text.substr(at));
    at += point ? static_cast<std::size_t>(point->bytes) : 1;
  }
  out.push_back(text.size());
  return out;
}

// A count in an argument; -1 where it is none.
std::int64_t count_of(const Value& value) {
  const bool is_count = value.is(Type::i32) || value.is(Type::i64);
  return is_count ? static_cast<std::int64_t>(value.as_whole()) : -1;
}

}  // namespace

bool Expressions::call_on_number(const Node& node, std::string_view name, Values values,
                                 Value& out) {
  for (const Value& value : values) {
    const bool is_number = is_whole(value.type()) || value.is(Type::f32) || value.is(Type::f64) ||
                           value.is(Type::fraction);
    if (!is_number) return wrong_type(node, value);
    if (is_real_number(value) && !value.as_real().is_finite())
      return not_yet("arithmetic with infinities is", node);
  }
  const std::size_t count = values.size();
  const Value& first = values[0];
  const Value one = Value::whole(Type::i32, 1);
  if ((name == "1+" || name == "1-") && count == 1)
    return calculate(node, name == "1+" ? Operation::add : Operation::subtract, first, one, out);
  if (name == "min" || name == "max") {
    // The argument itself, of whatever type.
    out = first;
    for (const Value& value : values.subspan(1)) {
      const auto order = computed::compare(value, out);
      if (order == std::partial_ordering::equivalent && value.type() != out.type() &&
          (is_real_number(value) || is_real_number(out)))
        return not_yet("equal numbers of two types here are", node);
      if (name == "max" ? std::is_gt(order) : std::is_lt(order)) out = value;
    }
    return true;
  }
  const bool wholes = std::all_of(values.begin(), values.end(),
                                  [](const Value& value) { return is_whole(value.type()); });
  if (count == 2 && (name == "mod" || name == "rem")) {
    const bool is_exact = !is_real_number(first) && !is_real_number(values[1]);
    if (!wholes && is_exact) {
      // first - second * (floor or truncate of their quotient)
      Value quotient;
      Value product;
      return call_division(node, name == "mod" ? "floor" : "truncate", values, quotient) &&
             calculate(node, Operation::multiply, quotient, values[1], product) &&
             calculate(node, Operation::subtract, first, product, out);
    }
    if (!wholes) return not_yet("the function " + std::string(name) + " of floats is", node);
    const auto result = computed::combine_wholes(
        Operation::remainder, computed::whole_of(first), computed::whole_of(values[1]),
        name == "mod" ? computed::Division::down : computed::Division::toward_zero);
    if (!result) return signal("DIVISION-BY-ZERO", "a division by zero", node);
    out = computed::smallest(*result);
    return true;
  }
  if (name == "gcd" && wholes) {
    Integer result = 0;
    for (const Value& value : values) result = gcd(computed::whole_of(value), result);
    out = computed::smallest(result);
    return true;
  }
  if (name == "ash" && count == 2 && wholes) {
    const Integer by = computed::whole_of(values[1]);
    constexpr int most = 1000;
    if (by > most || by < -most) return not_yet("a shift by this is", node);
    out = computed::smallest(computed::shifted(computed::whole_of(first), by.convert_to<int>()));
    return true;
  }
  if (name == "float" && count == 1) return convert(node, "float", first, out);
  if (name == "float" && count == 2)
    return convert(node, values[1].is(Type::f64) ? "double-float" : "single-float", first, out);
  if (name == "expt" && count == 2) {
    if (wholes && computed::whole_of(values[1]) >= 0) {
      constexpr int most = 1000;
      const Integer exponent = computed::whole_of(values[1]);
      const Integer base = computed::whole_of(first);
      const Integer size = base < 0 ? Integer(-base) : base;
      if (exponent > most || msb(size + 1) * exponent > computed::most_shift)
        return not_yet("a power as large as this is", node);
      out = computed::smallest(computed::power_of(base, exponent.convert_to<int>()));
      return true;
    }
    const bool is_ratio_power = first.is(Type::fraction) && is_whole(values[1].type());
    if (wholes || is_ratio_power || as_double(first) < 0) return not_yet("this power is", node);
    const Type type = first.is(Type::f64) || values[1].is(Type::f64) ? Type::f64 : Type::f32;
    // A whole exponent of zero gives a whole or a float one, as the base is.
    if (!is_real_number(values[1]) && computed::whole_of(values[1]) == 0)
      return not_yet("a power of zero is", node);
    out = as_float(type, computed::power(as_double(first), as_double(values[1])));
    return out.as_real().is_finite() || not_yet("a result as large as this is", node);
  }
  if (count != 1) return not_yet("the function " + std::string(name) + " with these is", node);
  const auto order = computed::compare(first, Value::whole(Type::i32, 0));
  if (name == "zerop" || name == "plusp" || name == "minusp") {
    out = Value::truth(name == "zerop"   ? std::is_eq(order)
                       : name == "plusp" ? std::is_gt(order)
                                         : std::is_lt(order));
    return true;
  }
  if (name == "evenp" || name == "oddp") {
    if (!wholes) return wrong_type(node, first);
    const bool is_odd = computed::whole_of(first) % 2 != 0;
    out = Value::truth(is_odd == (name == "oddp"));
    return true;
  }
  if (name == "abs") {
    if (is_real_number(first))
      out = first.as_real().negative ? computed::negated_real(first) : first;
    else
      return std::is_lt(order)
                 ? calculate(node, Operation::subtract, Value::whole(Type::i32, 0), first, out)
                 : calculate(node, Operation::multiply, one, first, out);
    return true;
  }
  const bool is_complex = std::is_lt(order) && (name == "sqrt" || name == "log");
  if (is_complex) return not_yet("complex numbers are", node);
  if (name == "log" && std::is_eq(order))
    return signal("DIVISION-BY-ZERO", "the logarithm of zero", node);
  const auto result = computed::elementary(name, as_double(first));
  if (!result) return not_yet("the function " + std::string(name) + " is", node);
  out = as_float(first.is(Type::f64) ? Type::f64 : Type::f32, *result);
  return out.as_real().is_finite() || not_yet("a result as large as this is", node);
}

bool Expressions::call_on_list(const Node& node, std::string_view name, Values values, Value& out) {
  const bool counts = name == "nth";
  if (values.size() != (counts ? 2U : 1U))
    return not_yet("the function " + std::string(name) + " with these is", node);
  const Value& of = values.back();
  if (of.is(Type::text) && (name == "length" || name == "reverse")) {
    const std::vector<std::size_t> places = places_of(of.as_text());
    if (name == "length") {
      out = Value::whole(Type::i32, static_cast<int128>(places.size() - 1));
      return true;
    }
    std::string text;
    for (std::size_t i = places.size() - 1; i > 0; --i)
      text += of.as_text().substr(places[i - 1], places[i] - places[i - 1]);
    out = Value::text(std::move(text));
    return true;
  }
  if (!is_list(of)) return wrong_type(node, of);
  const Values items = items_of(of);
  if (name == "length") {
    out = Value::whole(Type::i32, static_cast<int128>(items.size()));
    return true;
  }
  if (name == "reverse") {
    out = Value::list({items.rbegin(), items.rend()});
    return true;
  }
  if (name == "last") return not_yet("the function last is", node);
  const std::int64_t at = counts             ? count_of(values[0])
                          : name == "first"  ? 0
                          : name == "second" ? 1
                                             : 2;
  if (at < 0) return wrong_type(node, values[0]);
  out = static_cast<std::size_t>(at) < items.size() ? items[static_cast<std::size_t>(at)] : Value();
  return true;
}

bool Expressions::call_on_texts(const Node& node, std::string_view name, Values values,
                                Value& out) {
  const std::size_t count = values.size();
  const Value& of = values[0];
  if ((name == "princ-to-string" || name == "write-to-string" || name == "prin1-to-string") &&
      count == 1)
    return fill(node, *lisp_dialect(), name[1] == 'r' && name[4] == 'c' ? "~A" : "~S", values, out);
  if (name == "code-char" && count == 1) {
    const std::int64_t code = count_of(of);
    if (code < ' ' || code >= 0xD800) return not_yet("this character is", node);
    out = Value::character(static_cast<char32_t>(code));
    return true;
  }
  if (name == "char-code" && count == 1 && of.is(Type::character)) {
    out = Value::whole(Type::i32, of.as_character());
    return true;
  }
  if (!of.is(Type::text))
    return not_yet("the function " + std::string(name) + " with these is", node);
  const std::string_view text = of.as_text();
  constexpr std::pair<std::string_view, Capitals> cases[] = {
      {"string-upcase", Capitals::all},
      {"string-downcase", Capitals::none},
      {"string-capitalize", Capitals::each_word}};
  for (const auto& [known, capitals] : cases) {
    if (name != known || count != 1) continue;
    if (!is_ascii(text)) return not_yet("the case of letters beyond ASCII is", node);
    out = Value::text(simple_case(text, capitals));
    return true;
  }
  if (name == "string=" && count == 2 && values[1].is(Type::text)) {
    out = Value::truth(text == values[1].as_text());
    return true;
  }
  const std::vector<std::size_t> places = places_of(text);
  const auto size = static_cast<std::int64_t>(places.size() - 1);
  if (name == "char" && count == 2) {
    const std::int64_t at = count_of(values[1]);
    if (at < 0 || at >= size) return not_yet("a place outside of the text is", node);
    const auto point = first_code_point(text.substr(places[static_cast<std::size_t>(at)]));
    if (!point) return not_yet("bytes that are no text are", node);
    out = Value::character(point->value);
    return true;
  }
  if (name == "subseq" && (count == 2 || count == 3)) {
    const std::int64_t from = count_of(values[1]);
    const std::int64_t to = count == 3 ? count_of(values[2]) : size;
    if (from < 0 || to < from || to > size) return not_yet("a part outside of the text is", node);
    const std::size_t begin = places[static_cast<std::size_t>(from)];
    out =
        Value::text(std::string(text.substr(begin, places[static_cast<std::size_t>(to)] - begin)));
    return true;
  }
  return not_yet("the function " + std::string(name) + " with these is", node);
}

}  // namespace inky::inline v1::lisp
