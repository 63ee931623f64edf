// The functions that expressions of Python may call: the Library Reference, "Built-in Functions".

#include <algorithm>
#include <cmath>
#include <limits>

#include "../family/records.hpp"
#include "../family/values.hpp"
#include "attributes.hpp"
#include "decimals.hpp"
#include "expressions.hpp"
#include "format/fraction_value.hpp"
#include "spec.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"
#include "times.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

std::string digits_in_base(const Value& value, int base, std::string_view mark) {
  bool negative = false;
  const std::string digits = whole_digits(value, base, Letters::lower, negative);
  return (negative ? "-" : "") + std::string(mark) + digits;
}

}  // namespace

bool Expressions::takes(const Node& node, std::string_view name, const Arguments& arguments,
                        std::size_t least, std::size_t most) {
  if (least <= arguments.size() && arguments.size() <= most) return true;
  return raise("TypeError",
               std::string(name) + "() was given " + std::to_string(arguments.size()) +
                   " arguments, and takes " +
                   (arguments.size() < least ? "at least " + std::to_string(least)
                                             : "at most " + std::to_string(most)),
               node);
}

bool Expressions::take_whole(const Node& node, const Value& value, std::int64_t& out) {
  if (!is_int(value))
    return raise(
        "TypeError",
        "'" + std::string(type_name(value)) + "' object cannot be interpreted as an integer", node);
  const Integer number = computed::whole_of(value);
  constexpr std::int64_t most = std::int64_t{1} << 60;
  out = number > most ? most : number < -most ? -most : number.convert_to<std::int64_t>();
  return true;
}

bool Expressions::items_of(const Node& node, const Value& value, std::vector<Value>& out) {
  if (computed::is_object(value)) return not_yet("the items of such an object are", node);
  if (is_text_or_character(value)) {
    const std::string text = text_of(value);
    std::string_view rest = text;
    while (const auto point = first_code_point(rest)) {
      const auto size = static_cast<std::size_t>(point->bytes);
      out.push_back(Value::text(std::string(rest.substr(0, size))));
      rest.remove_prefix(size);
    }
    return true;
  }
  if (!is_compound(value.type()))
    return raise("TypeError", "'" + std::string(type_name(value)) + "' object is not iterable",
                 node);
  for (const Value& item : value.as_list()) {
    out.push_back(value.is(Type::record) ? Value::text(std::string(item.name())) : item);
  }
  return true;
}

bool Expressions::call_known(const Node& node, const std::string& path, const Arguments& arguments,
                             Value& out) {
  const auto is_among = [&](std::initializer_list<std::string_view> names) {
    return std::find(names.begin(), names.end(), path) != names.end();
  };
  if (path.starts_with("math."))
    return call_math(node, std::string_view(path).substr(5), arguments, out);
  if (const Value* known = find(path); known != nullptr && known->is_expression()) {
    Node name;
    name.kind = Node::Kind::name;
    name.text = path;
    Callable function;
    if (!arguments.named.empty()) return not_yet("arguments by name of this are", node);
    return find_callable(name, function) && apply_callable(function, arguments.values, node, out);
  }
  if (find(path) != nullptr)
    return raise("TypeError",
                 "'" + std::string(type_name(*find(path))) + "' object is not callable", node);
  if (const auto done = call_time_function(node, path, arguments, out)) return *done;
  if (const auto done = call_time(node, path, arguments, out)) return *done;
  if ((path == "str" || path == "repr") && arguments.size() == 1 &&
      computed::is_object(arguments[0], zone_object)) {
    out = Value::text(path == "str" ? zone_text(arguments[0]) : zone_repr(zone_in(arguments[0])));
    return true;
  }
  if (computed::has_object(arguments.values))
    return not_yet("an object as an argument of " + path + " is", node);
  if (const auto done = call_locale(node, path, arguments, out)) return *done;
  const bool takes_names = is_among({"sorted", "round", "sum", "max", "min", "int", "dict"});
  if (!arguments.named.empty() && !takes_names)
    return not_yet("arguments by name of " + path + " are", node);
  if (path == "round") return round(node, arguments, out);
  if (path == "Decimal" || path == "decimal.Decimal") return make_decimal(node, arguments, out);
  if (path == "Fraction" || path == "fractions.Fraction")
    return make_fraction(node, arguments, out);
  if (path == "dict") return call_dict(node, arguments, out);
  if (is_among({"len", "sum", "min", "max", "sorted", "any", "all", "list", "tuple"}))
    return call_on_items(node, path, arguments, out);
  if (is_among({"int", "float", "str", "repr", "ascii", "bool", "bin", "oct", "hex", "ord", "chr",
                "format", "complex"}))
    return call_converting(node, path, arguments, out);
  if (path == "abs") {
    if (!takes(node, path, arguments, 1, 1)) return false;
    const Value& value = arguments[0];
    if (is_int(value)) {
      const Integer number = computed::whole_of(value);
      return keep(node, number < 0 ? Integer(-number) : number, out);
    }
    if (value.is(Type::fraction)) {
      const Rational exact = rational_of(value);
      return give_fraction(node, exact < 0 ? Rational(-exact) : exact, out);
    }
    if (value.is(Type::duration)) {
      const int128 size = value.as_duration();
      out = Value::duration(size < 0 ? -size : size);
      return true;
    }
    if (is_real(value.type())) {
      out = float_value(std::fabs(computed::double_of(computed::real_of(Type::f64, value))));
      return true;
    }
    if (value.is(Type::decimal)) {
      const Value positive = Value::whole(Type::i32, 0);
      return combine_decimals(node,
                              value.as_decimal().negative ? Operation::subtract : Operation::add,
                              positive, value, out);
    }
    if (value.is(Type::complex)) {
      const auto parts = value.as_list();
      out = float_value(std::hypot(computed::double_of(parts[0]), computed::double_of(parts[1])));
      return true;
    }
    return raise("TypeError", "bad operand type for abs(): '" + std::string(type_name(value)) + "'",
                 node);
  }
  if (path == "divmod") {
    if (!takes(node, path, arguments, 2, 2)) return false;
    Value quotient;
    Value rest;
    if (!combine(node, Operation::divide_down, arguments[0], arguments[1], quotient) ||
        !combine(node, Operation::remainder, arguments[0], arguments[1], rest))
      return false;
    out = Value::tuple({quotient, rest});
    return true;
  }
  if (path == "pow") {
    if (!takes(node, path, arguments, 2, 2)) return false;
    return power(node, arguments[0], arguments[1], out);
  }
  constexpr std::string_view known[] = {"range",    "enumerate", "zip",   "map",  "filter",
                                        "reversed", "dict",      "set",   "type", "isinstance",
                                        "getattr",  "print",     "input", "iter", "next",
                                        "id",       "hash",      "slice", "bytes"};
  if (std::find(std::begin(known), std::end(known), path) != std::end(known) ||
      path.find('.') != std::string::npos)
    return Evaluator::call(node, path, arguments, out);
  return raise("NameError", "name '" + path + "' is not defined", node);
}

// dict(a=1), dict([("a", 1)])
bool Expressions::call_dict(const Node& node, const Arguments& arguments, Value& out) {
  std::vector<Value> fields;
  if (!takes(node, "dict", arguments, 0, 1)) return false;
  if (arguments.size() == 1 && arguments[0].is(Type::record)) {
    for (const Value& field : arguments[0].as_list()) fields.push_back(field);
  } else if (arguments.size() == 1) {
    std::vector<Value> pairs;
    if (!items_of(node, arguments[0], pairs)) return false;
    for (const Value& pair : pairs) {
      std::vector<Value> parts;
      if (!items_of(node, pair, parts)) return false;
      if (parts.size() != 2)
        return raise("ValueError", "a part of what dict() is given is no pair", node);
      if (!is_text_or_character(parts[0])) return not_yet("keys other than texts are", node);
      put_field(fields, text_of(parts[0]), parts[1]);
    }
  }
  for (const auto& one : arguments.named) put_field(fields, one.name, one.value);
  out = Value::record(std::move(fields));
  return true;
}

// ---- Conversions ----

// int("ff", 16): the Library Reference, "int".
bool Expressions::read_in_base(const Node& node, const Arguments& arguments, Value& out) {
  const Value* base = arguments.size() == 2 ? &arguments[1] : arguments.find("base");
  std::int64_t radix = 0;
  if (base == nullptr || arguments.size() == 0)
    return not_yet("int() with these arguments is", node);
  if (!is_text_or_character(arguments[0]))
    return raise("TypeError", "int() can't convert non-string with explicit base", node);
  if (!take_whole(node, *base, radix)) return false;
  if (radix != 0 && (radix < 2 || radix > 36))
    return raise("ValueError", "int() base must be >= 2 and <= 36, or 0", node);
  const std::string all = text_of(arguments[0]);
  if (radix == 0 || !is_ascii(all)) return not_yet("int() of this is", node);
  std::string_view text = all;
  constexpr std::string_view around = " \t\n\r\f\v";
  text.remove_prefix(std::min(text.find_first_not_of(around), text.size()));
  text = text.substr(0, text.find_last_not_of(around) + 1);
  const bool is_negative = text.starts_with('-');
  if (is_negative || text.starts_with('+')) text.remove_prefix(1);
  const std::string_view mark = text.substr(0, 2);
  const bool has_mark = (radix == 16 && (mark == "0x" || mark == "0X")) ||
                        (radix == 2 && (mark == "0b" || mark == "0B")) ||
                        (radix == 8 && (mark == "0o" || mark == "0O"));
  if (has_mark) text.remove_prefix(2);
  if (has_mark && text.starts_with('_')) text.remove_prefix(1);
  Integer number = 0;
  bool good = !text.empty() && text.front() != '_' && text.back() != '_' &&
              text.find("__") == std::string_view::npos;
  constexpr std::size_t most_digits = 4300;
  if (text.size() > most_digits) return not_yet("a number as long as this is", node);
  for (const char c : text) {
    if (c == '_') continue;
    const char letter = static_cast<char>(c | 0x20);
    const int digit = is_digit(c)                      ? c - '0'
                      : letter >= 'a' && letter <= 'z' ? letter - 'a' + 10
                                                       : 36;
    good = good && digit < radix;
    number = number * radix + digit;
  }
  if (!good)
    return raise("ValueError", "invalid literal for int() with base " + std::to_string(radix),
                 node);
  return keep(node, is_negative ? Integer(-number) : number, out);
}

bool Expressions::format(const Node& node, const Value& value, std::string_view spec, Value& out) {
  if (spec.empty()) {
    out = Value::text(text_of_any(value, Conversion::str));
    return true;
  }
  if (takes_codes(value)) return format_time(node, value, spec, out);
  if (value.is(Type::decimal)) {
    TextBuffer text;
    const Trouble trouble =
        format_decimal(spec, value, WidthUnit::code_points,
                       decimal_context(nullptr, find(context_rounding)).rounding, text);
    if (trouble.kind == Trouble::Kind::exception)
      return raise(trouble.exception, trouble.why, node);
    if (trouble.kind == Trouble::Kind::over_limit) return over_limit(trouble.why, node);
    out = Value::text(text.string());
    return true;
  }
  const bool takes_spec =
      is_simple_number(value) || is_text_or_character(value) || value.is(Type::complex);
  if (!takes_spec)
    return raise(
        "TypeError",
        "unsupported format string passed to " + std::string(type_name(value)) + ".__format__",
        node);
  FormatSpec read = read_spec(spec);
  read.locale = locale();
  if (!read.defect.empty()) return raise("ValueError", read.defect, node);
  if (read.width > most_width || read.precision > most_width)
    return over_limit("a width or precision is over the limit of " + std::to_string(most_width),
                      node);
  TextBuffer text;
  const Trouble trouble = format_value(read, value, WidthUnit::code_points, text);
  if (trouble.kind == Trouble::Kind::exception) return raise(trouble.exception, trouble.why, node);
  if (trouble.kind == Trouble::Kind::not_supported_yet) return not_yet("such a format is", node);
  out = Value::text(text.string());
  return true;
}

bool Expressions::call_converting(const Node& node, std::string_view name,
                                  const Arguments& arguments, Value& out) {
  const bool may_be_empty =
      name == "int" || name == "float" || name == "str" || name == "bool" || name == "complex";
  const std::size_t most = name == "format" || name == "complex" ? 2 : 1;
  if (name == "int" && arguments.size() + arguments.named.size() > 1)
    return read_in_base(node, arguments, out);
  if (!takes(node, name, arguments, may_be_empty ? 0 : 1, most)) return false;
  if (arguments.size() == 0) {
    out = name == "str"     ? Value::text("")
          : name == "bool"  ? Value::truth(false)
          : name == "float" ? float_value(0)
          : name == "int"   ? Value::whole(Type::i32, 0)
                            : Value::complex(0, 0);
    return true;
  }
  const Value& value = arguments[0];
  if (name == "str" || name == "repr" || name == "ascii") {
    out = Value::text(text_of_any(value, name == "str"    ? Conversion::str
                                         : name == "repr" ? Conversion::repr
                                                          : Conversion::ascii));
    return true;
  }
  if (name == "int") return to_int(node, value, out);
  if (name == "bool") {
    bool truth = false;
    if (!holds(node, value, truth)) return false;
    out = Value::truth(truth);
    return true;
  }
  if (name == "format") {
    if (arguments.size() == 1) return format(node, value, {}, out);
    if (!is_text_or_character(arguments[1]))
      return raise("TypeError", "format() argument 2 must be str", node);
    return format(node, value, text_of(arguments[1]), out);
  }
  if (name == "ord") {
    const std::string text = is_text_or_character(value) ? text_of(value) : std::string();
    const auto point = first_code_point(text);
    if (!point || static_cast<std::size_t>(point->bytes) != text.size())
      return raise("TypeError", "ord() expected a character", node);
    return keep(node, Integer(static_cast<std::uint32_t>(point->value)), out);
  }
  if (name == "float" || name == "complex") {
    if (name == "float" && is_text_or_character(value)) return read_float(node, value, out);
    double parts[2] = {0, 0};
    for (std::size_t i = 0; i < arguments.size(); ++i) {
      if (name == "float" && value.is(Type::fraction)) return make_float(node, value, out);
      if (name == "float" && value.is(Type::decimal)) {
        out = Value::real(Type::f64, pack(binary64, nearest_f64(value)));
        return true;
      }
      if (!is_simple_number(arguments[i])) {
        if (name == "complex") return not_yet("complex() of this is", node);
        return raise("TypeError",
                     "float() argument must be a string or a real number, not '" +
                         std::string(type_name(value)) + "'",
                     node);
      }
      if (!to_float(node, arguments[i], parts[i])) return false;
    }
    out = name == "float" ? float_value(parts[0]) : Value::complex(parts[0], parts[1]);
    return true;
  }
  if (!is_int(value))
    return raise(
        "TypeError",
        "'" + std::string(type_name(value)) + "' object cannot be interpreted as an integer", node);
  if (name == "chr") {
    std::int64_t code = 0;
    take_whole(node, value, code);
    if (code > std::numeric_limits<std::int32_t>::max() ||
        code < std::numeric_limits<std::int32_t>::min())
      return raise("OverflowError", "Python int too large to convert to C int", node);
    if (code < 0 || code > 0x10FFFF)
      return raise("ValueError", "chr() arg not in range(0x110000)", node);
    if (code >= 0xD800 && code < 0xE000) return not_yet("half of a surrogate pair is", node);
    std::string text;
    append_utf8(static_cast<char32_t>(code), text);
    out = Value::text(std::move(text));
    return true;
  }
  out = Value::text(name == "bin"   ? digits_in_base(value, 2, "0b")
                    : name == "oct" ? digits_in_base(value, 8, "0o")
                                    : digits_in_base(value, 16, "0x"));
  return true;
}

// ---- Items ----

bool Expressions::sum(const Node& node, const Arguments& arguments, Value& out) {
  std::vector<Value> items;
  if (!items_of(node, arguments[0], items)) return false;
  const Value* start = arguments.size() == 2 ? &arguments[1] : arguments.find("start");
  out = start != nullptr ? *start : Value::whole(Type::i32, 0);
  if (is_text_or_character(out)) return raise("TypeError", "sum() can't sum strings", node);
  for (const Value& item : items) {
    Value next;
    if (!combine(node, Operation::add, out, item, next)) return false;
    out = std::move(next);
  }
  return true;
}

bool Expressions::extreme(const Node& node, bool largest, const Arguments& arguments, Value& out) {
  if (arguments.find("key") != nullptr) return not_yet("a key is", node);
  std::vector<Value> items = arguments.values;
  if (items.size() == 1) {
    items.clear();
    if (!items_of(node, arguments[0], items)) return false;
  }
  if (items.empty()) {
    if (const Value* other = arguments.find("default")) {
      out = *other;
      return true;
    }
    return raise("ValueError", "min() or max() of nothing", node);
  }
  out = items[0];
  for (std::size_t i = 1; i < items.size(); ++i) {
    bool better = false;
    if (!less(node, largest ? Operation::more : Operation::less, items[i], out, better))
      return false;
    if (better) out = items[i];
  }
  return true;
}

// Insertion by halves keeps equal items in their order, and stops at the first pair without one.
bool Expressions::sort(const Node& node, std::vector<Value>& items) {
  bool good = true;
  std::stable_sort(items.begin(), items.end(), [&](const Value& a, const Value& b) {
    bool is_less = false;
    good = good && less(node, Operation::less, a, b, is_less);
    return good && is_less;
  });
  return good;
}

bool Expressions::call_on_items(const Node& node, std::string_view name, const Arguments& arguments,
                                Value& out) {
  if (name == "min" || name == "max") {
    if (!takes(node, name, arguments, 1, 1000)) return false;
    return extreme(node, name == "max", arguments, out);
  }
  const bool may_be_empty = name == "list" || name == "tuple";
  if (!takes(node, name, arguments, may_be_empty ? 0 : 1, name == "sum" ? 2 : 1)) return false;
  if (name == "sum") return sum(node, arguments, out);
  std::vector<Value> items;
  if (arguments.size() == 1) {
    if (name == "len" && !is_text_or_character(arguments[0]) && !is_compound(arguments[0].type()))
      return raise("TypeError",
                   "object of type '" + std::string(type_name(arguments[0])) + "' has no len()",
                   node);
    if (!items_of(node, arguments[0], items)) return false;
  }
  if (name == "len") return keep(node, Integer(items.size()), out);
  if (name == "any" || name == "all") {
    bool truth = name == "all";
    for (const Value& item : items) {
      if (!holds(node, item, truth)) return false;
      if (truth == (name == "any")) break;
    }
    out = Value::truth(truth);
    return true;
  }
  if (name == "sorted") {
    if (arguments.find("key") != nullptr) return not_yet("a key is", node);
    bool backwards = false;
    if (const Value* given = arguments.find("reverse"); given != nullptr)
      holds(node, *given, backwards);
    // Equal items keep their order, that way round too.
    if (backwards) std::reverse(items.begin(), items.end());
    if (!sort(node, items)) return false;
    if (backwards) std::reverse(items.begin(), items.end());
  }
  out = name == "tuple" ? Value::tuple(std::move(items)) : Value::list(std::move(items));
  return true;
}

}  // namespace inky::inline v1::python
