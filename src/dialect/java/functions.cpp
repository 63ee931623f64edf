// The functions that expressions of Java may call: those of java.lang.Math, of the classes of
// numbers, and of String that need no object.

#include <algorithm>
#include <utility>

#include "../computed/elementary.hpp"
#include "../computed/objects.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "number_formats.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::java_language {

using computed::Node;
using computed::Operation;

bool Expressions::shown(const Node& node, const Value& value, Value& out) {
  std::string text;
  if (!shown_plainly(node, as_shown(value), text)) return false;
  out = Value::text(std::move(text));
  return true;
}

bool Expressions::call_math(const Node& node, std::string_view name, const Arguments& arguments,
                            Value& out) {
  const auto count = arguments.size();
  for (const Value& value : arguments.values) {
    if (!is_number(value)) return refuse("Math." + std::string(name) + " takes numbers", node);
  }
  if (count == 1) {
    const Value given = promoted(arguments[0]);
    const Value real = computed::real_of(Type::f64, given);
    if (name == "abs") {
      if (is_real(given.type())) {
        out = given.as_real().negative ? computed::negated_real(given) : given;
        return true;
      }
      const Integer whole = computed::whole_of(given);
      return keep(node, given.type(), whole < 0 ? Integer(-whole) : whole, out);
    }
    if (name == "round") {
      // Half a unit is added, exactly, and the sum is rounded down; a float gives an int.
      const bool narrow = given.is(Type::f32);
      const Value& exact = is_real(given.type()) ? given : real;
      const BinaryReal number = exact.as_real();
      const Type type = narrow ? Type::i32 : Type::i64;
      if (!number.is_finite()) return convert(node, type, exact, out);
      const Integer whole = floor(rational_of(number) + Rational(1, 2));
      if (!computed::fits(type, whole)) return convert(node, type, exact, out);
      out = computed::wrapped(type, whole);
      return true;
    }
    constexpr std::pair<std::string_view, Rounding> roundings[] = {
        {"floor", Rounding::down}, {"ceil", Rounding::up}, {"rint", Rounding::half_even}};
    for (const auto& [known, rounding] : roundings) {
      if (name != known) continue;
      out = computed::rounded_real(real, rounding);
      return true;
    }
    const bool is_known = name == "sqrt" || name == "cbrt" || name == "exp" || name == "log" ||
                          name == "log10" || name == "sin" || name == "cos" || name == "tan";
    const auto result =
        is_known ? computed::elementary(name, computed::double_of(real)) : std::optional<double>();
    if (result) {
      out = Value::real(*result);
      return true;
    }
  }
  if (count == 2 && name == "pow") {
    out = Value::real(
        computed::power(computed::double_of(computed::real_of(Type::f64, promoted(arguments[0]))),
                        computed::double_of(computed::real_of(Type::f64, promoted(arguments[1])))));
    return true;
  }
  if (count == 2 && (name == "max" || name == "min" || name == "floorDiv" || name == "floorMod")) {
    const Type type = *meet(promoted(arguments[0]).type(), promoted(arguments[1]).type());
    Value a;
    Value b;
    if (!convert(node, type, promoted(arguments[0]), a) ||
        !convert(node, type, promoted(arguments[1]), b))
      return false;
    if (name == "max" || name == "min") {
      out = computed::extreme(name == "max", a, b);
      return true;
    }
    if (is_real(type)) return refuse("Math." + std::string(name) + " takes whole numbers", node);
    const auto result = computed::combine_wholes(
        name == "floorDiv" ? Operation::divide_down : Operation::remainder, computed::whole_of(a),
        computed::whole_of(b), computed::Division::down);
    if (!result)
      return raise("ArithmeticException", "a whole number divided by zero", node,
                   computed::wrapped(type, 1), out);
    // floorMod(long, int) is an int.
    const bool is_int = name == "floorMod" && promoted(arguments[1]).is(Type::i32);
    return keep(node, is_int ? Type::i32 : type, *result, out);
  }
  return not_yet("the function Math." + std::string(name) + " is", node);
}

// Integer.toHexString(n), Long.parseLong("42"), Integer.valueOf(7).
bool Expressions::call_integer(const Node& node, std::string_view class_of, std::string_view name,
                               const Arguments& arguments, Value& out) {
  const bool is_long = class_of == "Long";
  const Type type = is_long ? Type::i64 : Type::i32;
  if (name == "toString" && arguments.size() == 2 && is_number(arguments[0]) &&
      !is_real(arguments[0].type()) && arguments[1].is(Type::i32)) {
    const int128 base = arguments[1].as_whole();
    if (base < 2 || base > 36) return not_yet("such a base is", node);
    Value number;
    if (!convert(node, type, promoted(arguments[0]), number)) return false;
    bool negative = false;
    const std::string digits =
        whole_digits(number, static_cast<int>(base), Letters::lower, negative);
    out = Value::text((negative ? "-" : "") + digits);
    return true;
  }
  if (arguments.size() != 1) return not_yet("this number of arguments is", node);
  const Value& given = arguments[0];
  if (name == "parseInt" || name == "parseLong" || (name == "valueOf" && given.is(Type::text))) {
    if (!given.is(Type::text) || (name == "parseInt") == is_long + (name == "valueOf"))
      return refuse("no suitable method " + std::string(name), node);
    const std::string_view text = given.as_text();
    const std::size_t sign = text.starts_with('-') || text.starts_with('+') ? 1 : 0;
    const bool digits =
        sign < text.size() && text.find_first_not_of("0123456789", sign) == std::string_view::npos;
    const auto number =
        digits ? read_whole(text.substr(text[0] == '+' ? 1 : 0)) : std::optional<SignedNatural>();
    if (!number || !computed::fits(type, integer_of(*number)))
      return raise("NumberFormatException", describe(given) + " is no " + std::string(class_of),
                   node, computed::wrapped(type, 1), out);
    out = computed::wrapped(type, integer_of(*number));
    return true;
  }
  if (!is_number(given) || is_real(given.type()) || promoted(given).is(Type::i64) > is_long)
    return refuse("incompatible types: " + describe(given) + " is no " + std::string(class_of),
                  node);
  Value number;
  if (!convert(node, type, promoted(given), number)) return false;
  if (name == "valueOf") {
    out = std::move(number);
    return true;
  }
  if (name == "toString") return shown(node, number, out);
  const int base = name == "toHexString"      ? 16
                   : name == "toBinaryString" ? 2
                   : name == "toOctalString"  ? 8
                                              : 0;
  if (base == 0)
    return not_yet("the function " + std::string(class_of) + "." + std::string(name) + " is", node);
  bool negative = false;
  const Type plain = is_long ? Type::u64 : Type::u32;
  out = Value::text(whole_digits(computed::wrapped(plain, computed::whole_of(number)), base,
                                 Letters::lower, negative));
  return true;
}

// Functions of java.util.Objects and java.lang.Character, and what makes a StringBuilder.
std::optional<bool> Expressions::call_object_function(const Node& node, std::string_view path,
                                                      const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (path == "StringBuilder") {
    if (count == 1 && !arguments[0].is(Type::text)) return not_yet("a builder of this is", node);
    out = count == 0 ? Value::text("") : arguments[0];
    return true;
  }
  if (path == "Objects.toString" && count == 1) return shown(node, arguments[0], out);
  if (path == "Objects.equals" && count == 2 && arguments[0].is(Type::text) &&
      arguments[1].is(Type::text)) {
    out = Value::truth(arguments[0].as_text() == arguments[1].as_text());
    return true;
  }
  if (!path.starts_with("Character.") || count != 1 || !arguments[0].is(Type::character))
    return std::nullopt;
  const std::string_view name = path.substr(10);
  const char32_t code = arguments[0].as_character();
  if (code > 0x7F) return not_yet("the function " + std::string(path) + " of this is", node);
  const char c = static_cast<char>(code);
  const bool is_small = 'a' <= c && c <= 'z';
  const bool is_capital = 'A' <= c && c <= 'Z';
  constexpr char32_t step = U'a' - U'A';
  if (name == "isDigit")
    out = Value::truth(is_digit(c));
  else if (name == "isLetter")
    out = Value::truth(is_small || is_capital);
  else if (name == "isUpperCase")
    out = Value::truth(is_capital);
  else if (name == "isLowerCase")
    out = Value::truth(is_small);
  else if (name == "toUpperCase")
    out = Value::character(is_small ? code - step : code);
  else if (name == "toLowerCase")
    out = Value::character(is_capital ? code + step : code);
  else if (name == "getNumericValue" && is_digit(c))
    out = Value::whole(Type::i32, c - '0');
  else
    return not_yet("the function " + std::string(path) + " is", node);
  return true;
}

bool Expressions::call(const Node& node, const std::string& path, const Arguments& arguments,
                       Value& out) {
  // A text takes an object as its own text.
  const bool fills = path == "String.format" || path == "String.join" || path == "String.valueOf";
  if (fills &&
      std::any_of(arguments.values.begin(), arguments.values.end(),
                  [](const Value& value) { return as_shown(value).type() != value.type(); })) {
    Arguments texts = arguments;
    for (Value& value : texts.values) value = as_shown(value);
    return call(node, path, texts, out);
  }
  if (const auto done = call_list_function(node, path, arguments, out)) return *done;
  if (const auto done = call_object_function(node, path, arguments, out)) return *done;
  // BigInteger.TEN.pow(3), DateTimeFormatter.ISO_DATE.format(date)
  if (node.parts[0].kind == Node::Kind::member) {
    const std::string of = computed::path_of(node.parts[0].parts[0]);
    auto constant = big_constant(of);
    if (!constant && of.starts_with("DateTimeFormatter.")) constant = time_constant(of);
    if (!constant && of.find('.') != std::string::npos && !of.starts_with("ChronoUnit."))
      constant = object_constant(of);
    if (constant) return call_method(node, *constant, arguments, out);
  }
  std::string_view plain = path;
  for (const std::string_view package :
       {"java.util.", "java.text.", "java.time.", "java.math.", "java.time."}) {
    if (plain.starts_with(package)) plain.remove_prefix(package.size());
  }
  if (const auto done = make_locale(node, plain, arguments, out)) return *done;
  if (const auto done = make_number_format(node, plain, arguments, out)) return *done;
  if (const auto done = make_zoned(node, plain, arguments, out)) return *done;
  if (const auto done = make_time_object(node, plain, arguments, out)) return *done;
  if (const auto done = make_time(node, plain, arguments, out)) return *done;
  if (const auto done = call_big_function(node, path, arguments, out)) return *done;
  const std::size_t point = path.find('.');
  if (point == std::string::npos) return Evaluator::call(node, path, arguments, out);
  const std::string_view name = std::string_view(path).substr(point + 1);
  const std::string_view class_of = std::string_view(path).substr(0, point);
  if (class_of == "Math") return call_math(node, name, arguments, out);
  if (class_of == "Integer" || class_of == "Long")
    return call_integer(node, class_of, name, arguments, out);
  if (class_of == "Double" && arguments.size() == 1) {
    const Value& given = arguments[0];
    if (name == "parseDouble" || (name == "valueOf" && given.is(Type::text))) {
      if (!given.is(Type::text) ||
          given.as_text().find_first_not_of("0123456789.-+") != std::string_view::npos)
        return not_yet("reading this text is", node);
      const auto value = read_typed(Type::f64, given.as_text());
      if (!value) return not_yet("reading this text is", node);
      out = *value;
      return true;
    }
    if ((name == "toString" || name == "valueOf") && is_number(given)) {
      const Value real = computed::real_of(Type::f64, promoted(given));
      if (name == "toString") return shown(node, real, out);
      if (!is_real(given.type())) return refuse("no suitable method valueOf", node);
      out = real;
      return true;
    }
  }
  if (class_of == "String" && name == "valueOf" && arguments.size() == 1)
    return shown(node, arguments[0], out);
  if (class_of == "String" && name == "format" && arguments.size() > 0) {
    std::span<const Value> given(arguments.values);
    std::optional<std::string_view> tag;
    if (computed::is_object(given[0], locale_object)) {
      tag = computed::object_part(given[0], 0).as_text();
      given = given.subspan(1);
    }
    if (!given.empty() && given[0].is(Type::text))
      return fill(node, *java_dialect(), given[0].as_text(), given.subspan(1), out, tag);
  }
  if (class_of == "String" && name == "join" && arguments.size() == 2 &&
      arguments[0].is(Type::text) && arguments[1].is(Type::list))
    return join_texts(node, arguments[0], arguments[1].as_list(), out);
  if (class_of == "String" && name == "join" && arguments.size() > 0 &&
      std::all_of(arguments.values.begin(), arguments.values.end(),
                  [](const Value& value) { return value.is(Type::text); })) {
    std::string joined;
    for (std::size_t i = 1; i < arguments.size(); ++i) {
      if (i > 1) joined += arguments[0].as_text();
      joined += arguments[i].as_text();
    }
    out = Value::text(std::move(joined));
    return true;
  }
  return Evaluator::call(node, path, arguments, out);
}

}  // namespace inky::inline v1::java_language
