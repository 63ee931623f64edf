// The functions of FSharp.Core that expressions may call, and those of System by way of C#.

#include <algorithm>
#include <utility>

#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "members.hpp"
#include "text/ascii.hpp"
#include "values.hpp"

namespace inky::inline v1::fsharp {

namespace {

using computed::Node;
using computed::Operation;

struct ConversionName {
  std::string_view name;
  Type type;
};
constexpr ConversionName number_functions[] = {
    {"int", Type::i32},    {"int32", Type::i32},   {"int64", Type::i64},  {"int16", Type::i16},
    {"sbyte", Type::i8},   {"int8", Type::i8},     {"byte", Type::u8},    {"uint8", Type::u8},
    {"uint16", Type::u16}, {"uint32", Type::u32},  {"uint64", Type::u64}, {"float", Type::f64},
    {"double", Type::f64}, {"float32", Type::f32}, {"single", Type::f32}};

constexpr std::string_view of_reals =
    "sqrt floor ceil round truncate exp log log10 sin cos tan asin acos atan sinh cosh tanh";

}  // namespace

// int "42", float n, byte 300.
bool Expressions::convert_by_name(const Node& node, std::string_view name, const Value& of,
                                  Value& out) {
  const auto known = std::find_if(std::begin(number_functions), std::end(number_functions),
                                  [&](const ConversionName& one) { return one.name == name; });
  const Type type = known->type;
  if (of.is(Type::text)) {
    const std::string_view text = of.as_text();
    const std::size_t sign = text.starts_with('-') ? 1 : 0;
    const std::string_view digits = text.substr(sign);
    const bool is_plain = !digits.empty() && is_digit(digits[0]) &&
                          digits.find_first_not_of("0123456789") == std::string_view::npos &&
                          (digits[0] != '0' || digits.size() == 1);
    if (is_real(type)) {
      const bool is_decimal = !digits.empty() && is_digit(digits[0]) && is_digit(digits.back()) &&
                              digits.find_first_not_of("0123456789.") == std::string_view::npos &&
                              std::count(digits.begin(), digits.end(), '.') <= 1;
      auto read = is_decimal ? read_typed(type, text) : Result<Value>(Value());
      if (!read || read->is(Type::nil)) return not_yet("reading this text is", node);
      out = std::move(*read);
      return true;
    }
    const auto number = is_plain ? read_whole(text) : std::optional<SignedNatural>();
    if (!number) return not_yet("reading this text is", node);
    if (!computed::fits(type, integer_of(*number)))
      return raise("OverflowException", describe(of) + " does not fit", node,
                   computed::wrapped(type, 1), out);
    out = computed::wrapped(type, integer_of(*number));
    return true;
  }
  if (of.is(Type::decimal)) return convert_decimal(node, type, of, out);
  const bool is_number = is_integer(of) || of.is(Type::f64) || of.is(Type::f32) || is_char(of);
  if (!is_number)
    return of.is(Type::truth) ? mismatch("a bool is no number", node)
                              : not_yet("a conversion of this is", node);
  // What does not fit a narrow type has been answered differently by versions of .NET.
  const bool is_narrow = fact_of(type).width < 32 && !is_real(type);
  if (is_real(of.type()) && !is_real(type)) {
    const auto whole = computed::cut(of);
    const bool fits = whole && computed::fits(type, *whole);
    if (!fits && is_narrow) return not_yet("a real that does not fit is", node);
  }
  if (is_real(type) && is_char(of)) {
    out = computed::real_of(type, Value::whole(Type::i32, of.as_character()));
    return true;
  }
  return convert(node, type, is_char(of) ? Value::whole(Type::i32, of.as_character()) : of, out);
}

bool Expressions::call_on_real(const Node& node, std::string_view name, const Value& of,
                               Value& out) {
  if (of.is(Type::decimal)) return round_decimal(node, name, of, out);
  if (!is_real(of.type()))
    return mismatch(std::string(name) + " is not for a " + std::string(type_name(of)), node);
  constexpr std::pair<std::string_view, Rounding> roundings[] = {{"floor", Rounding::down},
                                                                 {"ceil", Rounding::up},
                                                                 {"truncate", Rounding::toward},
                                                                 {"round", Rounding::half_even}};
  for (const auto& [known, rounding] : roundings) {
    if (name != known) continue;
    out = computed::rounded_real(of, rounding);
    return true;
  }
  if (!of.is(Type::f64)) return not_yet(std::string(name) + " of a float32 is", node);
  const auto result = computed::elementary(name, computed::double_of(of));
  if (!result) return not_yet("the function " + std::string(name) + " is", node);
  out = Value::real(*result);
  return true;
}

// max a b, min a b, pown x n.
bool Expressions::call_on_two(const Node& node, std::string_view name, const Value& a,
                              const Value& b, Value& out) {
  if (name == "pown") {
    if (!is_integer(a) || !b.is(Type::i32))
      return is_real(a.type()) ? not_yet("pown of a float is", node)
                               : mismatch("pown takes a number and an int", node);
    constexpr int most_exponent = 1000;
    if (b.as_whole() < 0 || b.as_whole() > most_exponent)
      return not_yet("pown with this exponent is", node);
    out = computed::wrapped(
        a.type(), computed::power_of(computed::whole_of(a), static_cast<int>(b.as_whole())));
    return true;
  }
  if (a.type() != b.type())
    return mismatch(
        "the values are a " + std::string(type_name(a)) + " and a " + std::string(type_name(b)),
        node);
  if (a.is(Type::decimal) && name != "pown") {
    const bool first = std::is_gteq(computed::compare(a, b)) == (name == "max");
    out = first ? a : b;
    return true;
  }
  if (!is_integer(a) && !a.is(Type::f64) && !a.is(Type::f32))
    return not_yet(std::string(name) + " of these is", node);
  const bool has_nan = is_real(a.type()) && (a.as_real().kind == RealClass::not_a_number ||
                                             b.as_real().kind == RealClass::not_a_number);
  const bool both_zero = is_real(a.type()) && a.as_real().is_zero() && b.as_real().is_zero();
  if (has_nan || both_zero) return not_yet(std::string(name) + " of these is", node);
  out = computed::extreme(name == "max", a, b);
  return true;
}

// List.sum, List.length, List.max, List.min, List.average, List.rev, List.head.
bool Expressions::call_on_list(const Node& node, std::string_view name, const Value& of,
                               Value& out) {
  if (!of.is(Type::list)) return not_yet("the function " + std::string(name) + " of this is", node);
  const std::span<const Value> items = of.as_list();
  if (name == "length") {
    out = Value::whole(Type::i32, static_cast<int128>(items.size()));
    return true;
  }
  if (name == "rev") {
    out = Value::list({items.rbegin(), items.rend()});
    return true;
  }
  if (items.empty()) return not_yet("the function " + std::string(name) + " of no items is", node);
  if (name == "head" || name == "last") {
    out = name == "head" ? items.front() : items.back();
    return true;
  }
  const bool sums = name == "sum" || name == "average";
  if (!sums && name != "max" && name != "min")
    return not_yet("the function List." + std::string(name) + " is", node);
  if (name == "average" && !is_real(items[0].type()) && !items[0].is(Type::decimal))
    return mismatch("the average is of floats", node);
  Node step = node;
  step.operation = Operation::add;
  out = items[0];
  for (const Value& item : items.subspan(1)) {
    const Value sum = out;
    if (!(sums ? combine(step, Operation::add, sum, item, out)
               : call_on_two(node, name, sum, item, out)))
      return false;
  }
  if (name != "average") return true;
  const Value sum = out;
  const Value count = Value::whole(Type::i32, static_cast<int128>(items.size()));
  return combine(step, Operation::divide, sum,
                 sum.is(Type::decimal) ? *read_typed(Type::decimal, std::to_string(items.size()))
                                       : computed::real_of(sum.type(), count),
                 out);
}

// String.replicate 3 "ab", String.concat ", " names, String.length name, String.Join(", ", names).
bool Expressions::call_on_texts(const Node& node, std::string_view name, const Arguments& arguments,
                                Value& out) {
  const std::size_t count = arguments.size();
  const bool joins = (name == "concat" || name == "Join") && count == 2;
  if (joins && arguments[0].is(Type::text) && arguments[1].is(Type::list)) {
    std::string text;
    bool first = true;
    for (const Value& item : arguments[1].as_list()) {
      if (name == "concat" && !item.is(Type::text))
        return mismatch("String.concat joins strings", node);
      if (!first) text += arguments[0].as_text();
      text += to_string(item);
      first = false;
    }
    out = Value::text(std::move(text));
    return true;
  }
  if (name == "replicate" && count == 2 && arguments[0].is(Type::i32) &&
      arguments[1].is(Type::text) && arguments[0].as_whole() >= 0) {
    const std::string_view part = arguments[1].as_text();
    if (static_cast<uint128>(arguments[0].as_whole()) * part.size() > most_output / 4)
      return over_limit("a text of this length is over the limit", node);
    std::string text;
    for (int128 i = 0; i < arguments[0].as_whole(); ++i) text += part;
    out = Value::text(std::move(text));
    return true;
  }
  if (name == "length" && count == 1 && arguments[0].is(Type::text)) {
    Node length;
    length.text = "Length";
    return member(length, arguments[0], out);
  }
  Members members(locale());
  return members.call(node, "String." + std::string(name), arguments, out) ||
         take_over(members.trouble(), node);
}

// Classes of .NET whose objects and functions C# has, too.
bool Expressions::is_of_dotnet(std::string_view path) {
  const std::string_view type = path.substr(0, path.find('.'));
  return has_word(
             "DateTime DateTimeOffset DateOnly TimeOnly TimeSpan TimeZoneInfo DateTimeKind "
             "CultureInfo Decimal Convert",
             type) ||
         path == "String.Format";
}

bool Expressions::call(const Node& node, const std::string& path, const Arguments& arguments,
                       Value& out) {
  const std::size_t count = arguments.size();
  std::string_view name = path;
  if (name.starts_with("System.")) name.remove_prefix(7);
  if (is_of_dotnet(name)) {
    Arguments given = arguments;
    if (count == 1 && arguments[0].is(Type::tuple) && !computed::is_object(arguments[0]))
      given.values.assign(arguments[0].as_list().begin(), arguments[0].as_list().end());
    Members members(locale());
    return members.call(node, std::string(name), given, out) || take_over(members.trouble(), node);
  }
  if (name.starts_with("String.")) return call_on_texts(node, name.substr(7), arguments, out);
  for (const std::string_view module : {"List.", "Seq."}) {
    if (name.starts_with(module) && count == 1)
      return call_on_list(node, name.substr(module.size()), arguments[0], out);
  }
  if (name.starts_with("Math.")) {
    // Math.Round (x, 1)
    Arguments given = arguments;
    if (count == 1 && arguments[0].is(Type::tuple))
      given.values.assign(arguments[0].as_list().begin(), arguments[0].as_list().end());
    Members members(locale());
    return members.call(node, std::string(name), given, out) || take_over(members.trouble(), node);
  }
  if (name == "sprintf" && count > 0 && arguments[0].is(Type::text))
    return fill(node, *fsharp_dialect(), arguments[0].as_text(),
                std::span(arguments.values).subspan(1), out);
  if (count == 2 && (name == "max" || name == "min" || name == "pown"))
    return call_on_two(node, name, arguments[0], arguments[1], out);
  if (count != 1) return not_yet("the function " + path + " with these is", node);
  const Value& of = arguments[0];
  const bool converts = std::any_of(std::begin(number_functions), std::end(number_functions),
                                    [&](const ConversionName& one) { return one.name == name; });
  if (converts) return convert_by_name(node, name, of, out);
  if (name == "decimal") return to_decimal(node, of, out);
  if (name == "char") {
    const bool is_unit = of.is(Type::i32) && 0 <= of.as_whole() && of.as_whole() < 0xD800;
    if (!is_unit) return not_yet("char of this is", node);
    out = Value::character(static_cast<char32_t>(of.as_whole()));
    return true;
  }
  if (name == "Some") {
    out = Value::some(of);
    return true;
  }
  if (name == "string") {
    if (is_compound(of.type()) && !of.is(Type::list)) return not_yet("string of this is", node);
    out = Value::text(to_string(of));
    return true;
  }
  if (name == "not") {
    if (!of.is(Type::truth)) return mismatch("not takes a bool", node);
    out = Value::truth(of.as_whole() == 0);
    return true;
  }
  if (name == "abs" || name == "sign") {
    if (of.is(Type::decimal)) return size_of_decimal(name, of, out);
    const bool is_signed = is_real(of.type()) || (is_integer(of) && fact_of(of.type()).is_signed);
    if (!is_signed) return mismatch(std::string(name) + " is for numbers with a sign", node);
    if (name == "sign" && is_real(of.type())) return not_yet("sign of a float is", node);
    if (name == "sign") {
      out = Value::whole(Type::i32, of.as_whole() > 0 ? 1 : of.as_whole() < 0 ? -1 : 0);
      return true;
    }
    if (is_real(of.type())) {
      out = of.as_real().negative ? computed::negated_real(of) : of;
      return true;
    }
    const Integer whole = computed::whole_of(of);
    const Integer magnitude = whole < 0 ? Integer(-whole) : whole;
    if (!computed::fits(of.type(), magnitude))
      return raise("OverflowException", "the least number has no opposite", node,
                   computed::wrapped(of.type(), 1), out);
    out = computed::wrapped(of.type(), magnitude);
    return true;
  }
  if (has_word(of_reals, name)) return call_on_real(node, name, of, out);
  return not_yet("the function " + path + " is", node);
}

}  // namespace inky::inline v1::fsharp
