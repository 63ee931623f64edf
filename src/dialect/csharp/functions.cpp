// The functions that expressions of C# may call: those of System.Math, System.Convert, and of the
// types of numbers and texts.

#include <algorithm>
#include <utility>

#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "cultures.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1::csharp {

using computed::Node;

// Math.Round(x), and Math.Round(x, places): times a power of ten, rounded, and divided by it, each
// step in a double.
bool Expressions::round(const Node& node, const Arguments& arguments, Value& out) {
  const Value real = computed::real_of(Type::f64, promoted(arguments[0]));
  std::int64_t places = 0;
  // The way of rounding comes last.
  const Value& last = arguments.values.back();
  const bool is_away = last.is(Type::text) && last.as_text() == "AwayFromZero";
  const std::size_t numbers = arguments.size() - (last.is(Type::text) ? 1 : 0);
  if (last.is(Type::text) && !is_away && last.as_text() != "ToEven")
    return not_yet("this way of rounding is", node);
  if (numbers > 1 && !take_int(node, arguments[1], places)) return false;
  const Rounding way = is_away ? Rounding::half_away : Rounding::half_even;
  constexpr int most_places = 15;
  if (places < 0 || places > most_places)
    return raise("ArgumentOutOfRangeException", "Math.Round takes 0 to 15 places", node, real, out);
  // Beyond it there are no places to round.
  constexpr double limit = 1e16;
  const double number = computed::double_of(real);
  const bool is_small = -limit < number && number < limit;
  if (places == 0 || !is_small) {
    out = is_small ? computed::rounded_real(real, way) : real;
    return true;
  }
  double power = 1;
  for (std::int64_t i = 0; i < places; ++i) power *= 10;
  const Value rounded = computed::rounded_real(Value::real(number * power), way);
  out = Value::real(computed::double_of(rounded) / power);
  return true;
}

bool Expressions::call_math(const Node& node, std::string_view name, const Arguments& arguments,
                            Value& out) {
  const std::size_t count = arguments.size();
  const bool has_decimal = std::any_of(arguments.values.begin(), arguments.values.end(),
                                       [](const Value& value) { return value.is(Type::decimal); });
  if (has_decimal) return call_decimal_math(node, name, arguments, out);
  for (std::size_t i = 0; i < count; ++i) {
    const bool is_way = name == "Round" && i > 0 && arguments[i].is(Type::text);
    if (arguments[i].is(Type::text) && !is_way)
      return refuse_as("CS1503", "Math." + std::string(name) + " takes no text", node);
    if (!is_number(arguments[i]) && !is_way)
      return not_yet("Math." + std::string(name) + " of this is", node);
  }
  if (name == "Round" && count > 0 && count < 4) return round(node, arguments, out);
  if (count == 1) {
    const Value given = promoted(arguments[0]);
    const Value real = computed::real_of(Type::f64, given);
    if (name == "Abs") {
      const Value& kept = arguments[0];
      if (is_real(given.type())) {
        out = given.as_real().negative ? computed::negated_real(given) : given;
        return true;
      }
      if (!fact_of(given.type()).is_signed || kept.is(Type::u8) || kept.is(Type::u16))
        return not_yet("Math.Abs of this type is", node);
      const Type type = kept.is(Type::i8) || kept.is(Type::i16) ? kept.type() : given.type();
      const Integer whole = computed::whole_of(given);
      const Integer magnitude = whole < 0 ? Integer(-whole) : whole;
      if (!computed::fits(type, magnitude))
        return raise("OverflowException", "the least number has no opposite", node,
                     computed::wrapped(type, 1), out);
      out = computed::wrapped(type, magnitude);
      return true;
    }
    constexpr std::pair<std::string_view, Rounding> roundings[] = {
        {"Floor", Rounding::down}, {"Ceiling", Rounding::up}, {"Truncate", Rounding::toward}};
    for (const auto& [known, rounding] : roundings) {
      if (name != known) continue;
      if (!is_real(given.type()))
        return refuse_as("CS0121", "Math." + std::string(name) + " of a whole number is ambiguous",
                         node);
      out = computed::rounded_real(real, rounding);
      return true;
    }
    constexpr std::pair<std::string_view, std::string_view> functions[] = {
        {"Sqrt", "sqrt"},   {"Cbrt", "cbrt"}, {"Exp", "exp"}, {"Log", "log"},
        {"Log10", "log10"}, {"Sin", "sin"},   {"Cos", "cos"}, {"Tan", "tan"}};
    for (const auto& [known, function] : functions) {
      if (name != known) continue;
      out = Value::real(*computed::elementary(function, computed::double_of(real)));
      return true;
    }
  }
  if (count == 2 && name == "Pow") {
    out = Value::real(
        computed::power(computed::double_of(computed::real_of(Type::f64, promoted(arguments[0]))),
                        computed::double_of(computed::real_of(Type::f64, promoted(arguments[1])))));
    return true;
  }
  if (count == 2 && (name == "Max" || name == "Min")) {
    const auto is_wide = [](const Value& value) {
      return value.is(Type::i32) || value.is(Type::i64) || is_real(value.type());
    };
    if (!is_wide(arguments[0]) || !is_wide(arguments[1]))
      return not_yet("Math." + std::string(name) + " of these types is", node);
    const Type type = *meet(arguments[0].type(), arguments[1].type());
    Value a;
    Value b;
    if (!convert(node, type, arguments[0], a) || !convert(node, type, arguments[1], b))
      return false;
    out = computed::extreme(name == "Max", a, b);
    return true;
  }
  return not_yet("the function Math." + std::string(name) + " is", node);
}

// string.Format, string.Join, string.Concat, string.IsNullOrEmpty.
bool Expressions::call_text_function(const Node& node, std::string_view name,
                                     const Arguments& arguments, Value& out) {
  const std::span<const Value> values(arguments.values);
  if (name == "Format" && !values.empty()) {
    const bool has_culture = computed::is_object(values[0], culture_object);
    const std::size_t at = has_culture || values[0].is(Type::nil) ? 1 : 0;
    std::optional<std::string_view> culture;
    if (has_culture) culture = computed::object_part(values[0], 0).as_text();
    if (at < values.size() && values[at].is(Type::text))
      return fill(node, *csharp_dialect(), values[at].as_text(), values.subspan(at + 1), out,
                  culture);
  }
  if (name == "Concat" || (name == "Join" && values.size() > 1)) {
    const bool joins = name == "Join";
    if (joins && !values[0].is(Type::text)) return not_yet("this separator is", node);
    std::span<const Value> items = joins ? values.subspan(1) : values;
    if (items.size() == 1 && items[0].is(Type::list)) items = items[0].as_list();
    std::string text;
    for (std::size_t i = 0; i < items.size(); ++i) {
      std::string item;
      if (!shown_plainly(node, items[i], item)) return false;
      if (i > 0 && joins) text += values[0].as_text();
      text += item;
    }
    out = Value::text(std::move(text));
    return true;
  }
  if (name == "IsNullOrEmpty" && values.size() == 1) {
    out = Value::truth(values[0].is(Type::nil) ||
                       (values[0].is(Type::text) && values[0].as_text().empty()));
    return true;
  }
  return not_yet("the function string." + std::string(name) + " is", node);
}

// Convert.ToInt32(x), Convert.ToString(x, 2), int.Parse("42").
bool Expressions::convert_by_name(const Node& node, std::string_view name,
                                  const Arguments& arguments, Value& out) {
  const bool is_known = name == "Convert.ToInt32" || name == "Convert.ToInt64" ||
                        name == "Convert.ToDouble" || name == "Convert.ToString" ||
                        name == "int.Parse" || name == "long.Parse" || name == "double.Parse";
  if (!is_known || arguments.size() == 0 || arguments.size() > 2)
    return not_yet("the function " + std::string(name) + " is", node);
  const Value& given = arguments[0];
  if (name == "Convert.ToString") {
    if (arguments.size() == 1) return show(node, given, {}, out);
    if (computed::is_object(arguments[1], culture_object))
      return show(node, given, {{arguments[1]}, {}}, out);
    const bool is_whole_number = given.is(Type::i32) || given.is(Type::i64);
    const bool is_base = arguments[1].is(Type::i32) && is_whole_number;
    const int base = is_base ? static_cast<int>(arguments[1].as_whole()) : 0;
    if (base != 2 && base != 8 && base != 10 && base != 16)
      return not_yet("Convert.ToString of these is", node);
    bool negative = false;
    const Type plain = given.is(Type::i32) ? Type::u32 : Type::u64;
    out = base == 10 ? Value::text(whole_text(given))
                     : Value::text(whole_digits(computed::wrapped(plain, computed::whole_of(given)),
                                                base, Letters::lower, negative));
    return true;
  }
  const Type type = name == "Convert.ToDouble" || name == "double.Parse" ? Type::f64
                    : name == "Convert.ToInt64" || name == "long.Parse"  ? Type::i64
                                                                         : Type::i32;
  if (arguments.size() > 1 && !is_invariant(arguments[1])) return not_yet("this argument is", node);
  if (given.is(Type::text)) {
    const std::string_view text = given.as_text();
    const std::size_t sign = text.starts_with('-') ? 1 : 0;
    const bool plain =
        sign < text.size() && text.find_first_not_of("0123456789", sign) == std::string_view::npos;
    const bool is_real_text = sign < text.size() && text.size() < 40 &&
                              text.find_first_not_of("0123456789.", sign) == std::string_view::npos;
    if (type == Type::f64 && is_real_text) {
      const auto real = read_typed(Type::f64, text);
      if (!real) return not_yet("reading this text is", node);
      out = *real;
      return true;
    }
    const auto number = plain ? read_whole(text) : std::optional<SignedNatural>();
    if (!number || type == Type::f64) return not_yet("reading this text is", node);
    if (!computed::fits(type, integer_of(*number)))
      return raise("OverflowException", describe(given) + " does not fit", node,
                   computed::wrapped(type, 1), out);
    out = computed::wrapped(type, integer_of(*number));
    return true;
  }
  if (!is_number(given) || !name.starts_with("Convert"))
    return not_yet(std::string(name) + " of this is", node);
  const Value number = promoted(given);
  if (type == Type::f64) return convert(node, type, number, out);
  const auto whole = is_real(number.type())
                         ? computed::cut(computed::rounded_real(number, Rounding::half_even))
                         : std::optional(computed::whole_of(number));
  if (!whole || !computed::fits(type, *whole))
    return raise("OverflowException", describe(given) + " does not fit", node,
                 computed::wrapped(type, 1), out);
  out = computed::wrapped(type, *whole);
  return true;
}

std::optional<Value> Expressions::culture_named(std::string_view path) const {
  const bool current = path == "CultureInfo.CurrentCulture";
  if (!current && path != "CultureInfo.InvariantCulture" &&
      path != "NumberFormatInfo.InvariantInfo" && path != "DateTimeFormatInfo.InvariantInfo")
    return std::nullopt;
  const bool chosen = current && !locale().empty();
  return computed::object_of(culture_object,
                             {Value::text(chosen ? std::string(locale()) : "invariant")});
}

std::optional<bool> Expressions::make_culture(const Node& node, std::string_view path,
                                              const Arguments& arguments, Value& out) {
  const bool specific = path == "CultureInfo.CreateSpecificCulture";
  const bool makes = specific || path == "CultureInfo" || path == "CultureInfo.GetCultureInfo";
  if (!makes || arguments.size() == 0 || !arguments[0].is(Type::text)) return std::nullopt;
  std::string_view name = arguments[0].as_text();
  if (name.empty()) name = "invariant";
  // A language alone becomes that of a country there.
  const bool known =
      culture_tagged(name).has_value() && !(specific && name.find('-') == std::string_view::npos);
  if (!known || arguments.size() > 2)
    return not_yet("the culture " + in_quotes(name) + " is", node);
  out = computed::object_of(culture_object, {Value::text(std::string(name))});
  return true;
}

bool Expressions::call(const Node& node, const std::string& path, const Arguments& arguments,
                       Value& out) {
  // int.MaxValue.ToString()
  const Node& callee = node.parts[0];
  Value constant;
  if (callee.kind == Node::Kind::member && computed::is_constant(callee.parts[0], is_known_name))
    return name_without_value(callee.parts[0], constant) &&
           call_method(node, constant, arguments, out);
  std::string_view name = path;
  if (name.starts_with("System.")) name.remove_prefix(7);
  // In a text it is its name; a DateTime has a kind.
  if (!name.starts_with("DateTime") &&
      std::any_of(arguments.values.begin(), arguments.values.end(), is_enumeration)) {
    Arguments named = arguments;
    for (Value& value : named.values) value = as_argument(std::move(value));
    return call(node, path, named, out);
  }
  std::string keyword;
  constexpr std::pair<std::string_view, std::string_view> keywords[] = {
      {"Decimal.", "decimal."}, {"Double.", "double."}, {"Int32.", "int."}, {"Int64.", "long."}};
  for (const auto& [type, word] : keywords) {
    if (!name.starts_with(type)) continue;
    keyword = std::string(word) + std::string(name.substr(type.size()));
    name = keyword;
  }
  if (const auto done = make_culture(node, name, arguments, out)) return *done;
  if (const auto done = call_object_function(node, name, arguments, out)) return *done;
  if (name == "decimal.Parse" || name == "Convert.ToDecimal")
    return read_decimal_text(node, name, arguments, out);
  if (name.starts_with("decimal.")) return call_decimal_math(node, name.substr(8), arguments, out);
  if (name.starts_with("Math.")) return call_math(node, name.substr(5), arguments, out);
  if (name.starts_with("string.") || name.starts_with("String."))
    return call_text_function(node, name.substr(7), arguments, out);
  return convert_by_name(node, name, arguments, out);
}

}  // namespace inky::inline v1::csharp
