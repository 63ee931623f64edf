// Functions and constants that every program has: ECMA-262, 19 to 21.

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "evaluator.hpp"
#include "numbers.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

struct Constant {
  std::string_view of;
  std::string_view name;
  double value;
};
constexpr auto constants = std::to_array<Constant>({
    {"Math", "PI", 0x1.921fb54442d18p+1},
    {"Math", "E", 0x1.5bf0a8b145769p+1},
    {"Math", "LN2", 0x1.62e42fefa39efp-1},
    {"Math", "LN10", 0x1.26bb1bbb55516p+1},
    {"Math", "LOG2E", 0x1.71547652b82fep+0},
    {"Math", "LOG10E", 0x1.bcb7b1526e50ep-2},
    {"Math", "SQRT2", 0x1.6a09e667f3bcdp+0},
    {"Math", "SQRT1_2", 0x1.6a09e667f3bcdp-1},
    {"Number", "MAX_SAFE_INTEGER", 9007199254740991},
    {"Number", "MIN_SAFE_INTEGER", -9007199254740991},
    {"Number", "EPSILON", 0x1p-52},
    {"Number", "MAX_VALUE", 0x1.fffffffffffffp+1023},
    {"Number", "MIN_VALUE", 0x1p-1074},
    {"Number", "POSITIVE_INFINITY", HUGE_VAL},
    {"Number", "NEGATIVE_INFINITY", -HUGE_VAL},
    {"Number", "NaN", std::numeric_limits<double>::quiet_NaN()},
});

constexpr std::string_view objects[] = {"Math",   "Number", "JSON", "Object", "Array",
                                        "String", "util",   "Date", "Intl"};

// The number that a text begins with: ECMA-262, 19.2.4.
double leading_number(std::string_view text) {
  text = trimmed(text);
  std::size_t at = text.starts_with('-') || text.starts_with('+') ? 1 : 0;
  constexpr std::string_view infinity = "Infinity";
  if (text.substr(at).starts_with(infinity)) return text[0] == '-' ? -HUGE_VAL : HUGE_VAL;
  const auto digits = [&] {
    const std::size_t from = at;
    while (at < text.size() && is_digit(text[at])) ++at;
    return at - from;
  };
  std::size_t count = digits();
  std::size_t end = at;
  if (at < text.size() && text[at] == '.') {
    ++at;
    const std::size_t behind = digits();
    count += behind;
    if (count > 0) end = at;
  }
  if (count == 0) return std::nan("");
  if (end < text.size() && (text[end] | 0x20) == 'e') {
    at = end + 1;
    if (at < text.size() && (text[at] == '+' || text[at] == '-')) ++at;
    if (digits() > 0) end = at;
  }
  return read_number(text.substr(0, end));
}

int digit_of(char c) {
  if (is_digit(c)) return c - '0';
  const char letter = static_cast<char>(c | 0x20);
  return letter >= 'a' && letter <= 'z' ? letter - 'a' + 10 : 36;
}

// The whole number that a text begins with: ECMA-262, 19.2.5. Nothing where V8 need not be exact.
std::optional<double> leading_whole(std::string_view text, int radix) {
  text = trimmed(text);
  const bool negative = text.starts_with('-');
  if (negative || text.starts_with('+')) text.remove_prefix(1);
  const bool has_mark = text.starts_with("0x") || text.starts_with("0X");
  if (has_mark && (radix == 0 || radix == 16)) {
    text.remove_prefix(2);
    radix = 16;
  }
  if (radix == 0) radix = 10;
  if (radix < 2 || radix > 36) return std::nan("");
  std::size_t size = 0;
  double number = 0;
  for (; size < text.size() && digit_of(text[size]) < radix; ++size)
    number = number * radix + digit_of(text[size]);
  if (size == 0) return std::nan("");
  constexpr double most_exact = 0x1p53;
  if (number >= most_exact) {
    if (radix != 10) return std::nullopt;
    number = read_number(text.substr(0, size));
  }
  return negative ? -number : number;
}

}  // namespace

bool is_global(std::string_view name) {
  constexpr std::string_view names[] = {"Math",
                                        "String",
                                        "Number",
                                        "util",
                                        "JSON",
                                        "Object",
                                        "Array",
                                        "Intl",
                                        "Boolean",
                                        "BigInt",
                                        "Symbol",
                                        "Date",
                                        "Map",
                                        "Set",
                                        "WeakMap",
                                        "WeakSet",
                                        "RegExp",
                                        "Error",
                                        "TypeError",
                                        "RangeError",
                                        "Promise",
                                        "Proxy",
                                        "Reflect",
                                        "Function",
                                        "globalThis",
                                        "console",
                                        "process",
                                        "Buffer",
                                        "URL",
                                        "isNaN",
                                        "isFinite",
                                        "parseInt",
                                        "encodeURI",
                                        "decodeURI",
                                        "encodeURIComponent",
                                        "decodeURIComponent",
                                        "parseFloat",
                                        "escape",
                                        "unescape",
                                        "structuredClone",
                                        "performance",
                                        "require",
                                        "module",
                                        "exports",
                                        "setTimeout",
                                        "Int8Array",
                                        "Uint8Array",
                                        "Float64Array",
                                        "Float32Array",
                                        "TextEncoder",
                                        "TextDecoder",
                                        "window",
                                        "document",
                                        "crypto"};
  return std::find(std::begin(names), std::end(names), name) != std::end(names);
}

bool is_formatter(const Node& path) {
  return path.kind == Node::Kind::member && path.parts[0].kind == Node::Kind::name &&
         path.parts[0].text == "Intl" &&
         (path.text == "NumberFormat" || path.text == "DateTimeFormat");
}

bool is_locale_format(const Node& callee) {
  if (callee.kind != Node::Kind::member || callee.text != "format") return false;
  const Node& made = callee.parts[0];
  return (made.kind == Node::Kind::construct || made.kind == Node::Kind::call) &&
         is_formatter(made.parts[0]);
}

bool is_function_name(std::string_view name) {
  return has_word(
      "String Number Boolean parseInt parseFloat isNaN isFinite encodeURIComponent encodeURI "
      "decodeURIComponent",
      name);
}

std::string_view Evaluator::global_in(const Node& callee) const {
  if (callee.kind != Node::Kind::member || callee.parts[0].kind != Node::Kind::name) return {};
  const std::string& name = callee.parts[0].text;
  if (has_value(name)) return {};
  const auto found = std::find(std::begin(objects), std::end(objects), name);
  return found == std::end(objects) ? std::string_view() : *found;
}

std::optional<bool> Evaluator::find_constant(const Node& node, Datum& out) {
  const std::string_view of = global_in(node);
  if (of.empty()) return std::nullopt;
  for (const Constant& one : constants) {
    if (one.of != of || one.name != node.text) continue;
    out = Datum::of_number(one.value);
    return true;
  }
  const std::string path = std::string(of) + "." + node.text;
  if (is_method(path) || path == "Number.parseFloat" || path == "Number.parseInt") {
    out = function_named(path);
    return true;
  }
  return not_yet(std::string(of) + "." + node.text + " by itself is", node);
}

bool Evaluator::call_number(const Node& node, std::string_view name,
                            const std::vector<Datum>& arguments, Datum& out) {
  const Datum given = arguments.empty() ? Datum() : arguments[0];
  const bool is_number = given.kind == DatumKind::number;
  if (name == "isInteger" || name == "isSafeInteger") {
    const bool whole =
        is_number && std::isfinite(given.number) && given.number == std::trunc(given.number);
    out = Datum::of_truth(whole && (name == "isInteger" || std::fabs(given.number) < 0x1p53));
  } else if (name == "isFinite") {
    out = Datum::of_truth(is_number && std::isfinite(given.number));
  } else if (name == "isNaN") {
    out = Datum::of_truth(is_number && std::isnan(given.number));
  } else if (name == "parseFloat" || name == "parseInt") {
    std::string text;
    append_text(given, text);
    if (name == "parseFloat") {
      out = Datum::of_number(leading_number(text));
      return true;
    }
    double radix = 0;
    if (!take_integer(arguments, 1, node, 0, radix)) return false;
    constexpr double most_radix = 1'000;
    const auto whole =
        leading_whole(text, std::fabs(radix) < most_radix ? static_cast<int>(radix) : 1);
    if (!whole) return not_yet("a number as large as this is", node);
    out = Datum::of_number(*whole);
  } else {
    return not_yet("Number." + std::string(name) + " is", node.parts[0]);
  }
  return true;
}

namespace {

// The bytes of what is not in `plain`, each as % and two digits.
std::string as_uri(std::string_view text, std::string_view plain) {
  std::string out;
  for (const char c : text) {
    if (is_letter(c) || is_digit(c) || plain.find(c) != std::string_view::npos) {
      out += c;
      continue;
    }
    constexpr std::string_view digits = "0123456789ABCDEF";
    const auto byte = static_cast<unsigned char>(c);
    ((out += '%') += digits[byte >> 4U]) += digits[byte & 15U];
  }
  return out;
}

// Nothing where a % stands before no two digits, or the bytes are no UTF-8.
std::optional<std::string> from_uri(std::string_view text) {
  std::string out;
  for (std::size_t i = 0; i < text.size(); ++i) {
    if (text[i] != '%') {
      out += text[i];
      continue;
    }
    if (i + 2 >= text.size() || digit_of(text[i + 1]) > 15 || digit_of(text[i + 2]) > 15)
      return std::nullopt;
    out += static_cast<char>(digit_of(text[i + 1]) * 16 + digit_of(text[i + 2]));
    i += 2;
  }
  return is_utf8(out) ? std::optional(std::move(out)) : std::nullopt;
}

}  // namespace

bool Evaluator::call_object(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  const std::string& name = node.parts[0].text;
  const Datum given = arguments.empty() ? Datum() : arguments[0];
  if (name == "is" && arguments.size() > 1) {
    bool same = false;
    const bool are_numbers =
        given.kind == DatumKind::number && arguments[1].kind == DatumKind::number;
    if (are_numbers)
      same = (std::isnan(given.number) && std::isnan(arguments[1].number)) ||
             (given.number == arguments[1].number &&
              std::signbit(given.number) == std::signbit(arguments[1].number));
    else if (!equal(node, given, arguments[1], false, same))
      return false;
    out = Datum::of_truth(same);
    return true;
  }
  if (name == "freeze" && arguments.size() == 1) {
    out = given;
    return true;
  }
  if (name == "assign" && given.kind == DatumKind::object) {
    out = given;
    for (std::size_t i = 1; i < arguments.size(); ++i) {
      if (arguments[i].kind != DatumKind::object && arguments[i].kind > DatumKind::null)
        return not_yet("such an argument of Object.assign is", node);
      for (std::size_t k = 0; k < arguments[i].items.size(); ++k) {
        out.keys.push_back(arguments[i].keys[k]);
        out.items.push_back(arguments[i].items[k]);
      }
    }
    settle_all(out);
    return true;
  }
  if (name == "fromEntries") {
    std::vector<Datum> items;
    if (!append_spread(given, node, items)) return false;
    out = Datum::of_kind(DatumKind::object);
    for (Datum& item : items) {
      if (item.kind != DatumKind::array) return not_yet("such an entry is", node);
      item.items.resize(std::max<std::size_t>(item.items.size(), 2));
      append_text(item.items[0], out.keys.emplace_back());
      out.items.push_back(std::move(item.items[1]));
    }
    settle_all(out);
    return true;
  }
  const bool lists = name == "keys" || name == "values" || name == "entries";
  const bool has_places = given.kind == DatumKind::array && given.keys.empty();
  if (!lists || (given.kind != DatumKind::object && !has_places))
    return not_yet("Object." + name + " of this is", node.parts[0]);
  out.kind = DatumKind::array;
  for (std::size_t i = 0; i < given.items.size(); ++i) {
    if (given.items[i].kind == DatumKind::hole) continue;
    const Datum key = Datum::of_text(has_places ? std::to_string(i) : given.keys[i]);
    Datum entry = Datum::of_kind(DatumKind::array);
    entry.items = {key, given.items[i]};
    out.items.push_back(name == "keys" ? key : name == "values" ? given.items[i] : entry);
  }
  return true;
}

bool Evaluator::call_array(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  const std::string& name = node.parts[0].text;
  const Datum given = arguments.empty() ? Datum() : arguments[0];
  if (name == "isArray") {
    out = Datum::of_truth(given.kind == DatumKind::array);
    return true;
  }
  out.kind = DatumKind::array;
  if (name == "of") {
    out.items = arguments;
    return true;
  }
  if (name != "from") return not_yet("Array." + name + " is", node.parts[0]);
  std::vector<Datum> items;
  Datum length;
  if (given.kind == DatumKind::object) {
    double count = 0;
    if (!find_property(given, "length", node, length) || !take_integer({length}, 0, node, 0, count))
      return false;
    constexpr double most_items = 10'000;
    if (given.keys.size() > 1 || count > most_items) return not_yet("an array of this is", node);
    items.resize(static_cast<std::size_t>(std::max(count, 0.0)));
  } else if (!append_spread(given, node, items)) {
    return false;
  }
  if (arguments.size() < 2) {
    out.items = std::move(items);
    return true;
  }
  for (std::size_t i = 0; i < items.size(); ++i) {
    const Datum index = Datum::of_number(static_cast<double>(i));
    if (!call_value(arguments[1], {std::move(items[i]), index}, node, out.items.emplace_back()))
      return false;
  }
  return true;
}

bool Evaluator::call_text(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  const std::string& name = node.parts[0].text;
  if (name != "fromCharCode" && name != "fromCodePoint")
    return not_yet("String." + name + " is", node.parts[0]);
  std::string text;
  for (const Datum& argument : arguments) {
    double number = 0;
    if (!to_number(argument, node, number)) return false;
    const bool is_point = number >= 0 && number <= 0x10FFFF && number == std::trunc(number) &&
                          !(number >= 0xD800 && number < 0xE000);
    if (!is_point || (name == "fromCharCode" && number > 0xFFFF))
      return not_yet("such a number of a character is", node);
    append_utf8(static_cast<char32_t>(number), text);
  }
  out = Datum::of_text(std::move(text));
  return true;
}

bool Evaluator::call_formatter(const Node& node, const Datum& of,
                               const std::vector<Datum>& arguments, Datum& out) {
  if (node.parts[0].text != "format" && !node.parts[0].text.empty())
    return not_yet(node.parts[0].text + " of this is", node.parts[0]);
  const Datum given = arguments.empty() ? Datum() : arguments[0];
  double number = 0;
  if (of.text == "DateTimeFormat") {
    if (arguments.empty()) return not_yet("the time of now is", node);
    if (given.kind == DatumKind::text) return not_yet("such a value here is", node);
    if (!to_number(given, node, number)) return false;
    if (std::isnan(number)) return fail("RangeError", "Invalid time value", node);
    return format_date(node, number, of.items, DateParts::formatted, out);
  }
  if (given.kind == DatumKind::text) return not_yet("such a value here is", node);
  if (given.kind == DatumKind::big) return call_locale(node, given, of.items, out);
  return to_number(given, node, number) &&
         call_locale(node, given.kind == DatumKind::number ? given : Datum::of_number(number),
                     of.items, out);
}

std::optional<bool> Evaluator::call_of(const Node& node, const std::vector<Datum>& arguments,
                                       Datum& out) {
  const Node& callee = node.parts[0];
  const Datum given = arguments.empty() ? Datum() : arguments[0];
  out = {};
  if (callee.kind == Node::Kind::name && !has_value(callee.text)) {
    if (callee.text == "parseFloat" || callee.text == "parseInt")
      return call_number(node, callee.text, arguments, out);
    if (callee.text == "isNaN" || callee.text == "isFinite") {
      double number = 0;
      if (!to_number(given, node, number)) return false;
      out = Datum::of_truth(callee.text == "isNaN" ? std::isnan(number) : std::isfinite(number));
      return true;
    }
    if (callee.text == "Boolean") {
      out = Datum::of_truth(holds(given));
      return true;
    }
    if (callee.text == "Array") return make_array(node, arguments, out);
    if (callee.text == "encodeURIComponent" || callee.text == "encodeURI") {
      std::string text;
      append_text(given, text);
      constexpr std::string_view plain = "-_.!~*'();/?:@&=+$,#";
      constexpr std::size_t of_components = 9;
      out = Datum::of_text(
          as_uri(text, callee.text == "encodeURI" ? plain : plain.substr(0, of_components)));
      return true;
    }
    if (callee.text == "decodeURIComponent") {
      std::string text;
      append_text(given, text);
      auto decoded = from_uri(text);
      if (!decoded) return fail("URIError", "URI malformed", node);
      out = Datum::of_text(std::move(*decoded));
      return true;
    }
    return std::nullopt;
  }
  const std::string_view of = global_in(callee);
  const std::string& name = callee.text;
  if (of.empty()) return std::nullopt;
  if (of == "Math") return call_math(node, arguments, out);
  if (of == "util" && name == "format") return call_format(node, arguments, out);
  if (of == "Number") return call_number(node, name, arguments, out);
  if (of == "Array") return call_array(node, arguments, out);
  if (of == "Object") return call_object(node, arguments, out);
  if (of == "String") return call_text(node, arguments, out);
  if (of == "JSON") return call_json(node, arguments, out);
  if (of == "Intl" && is_formatter(callee)) return construct(node, out);
  if (of == "Date" && name == "UTC" && !arguments.empty()) {
    out.kind = DatumKind::number;
    return take_parts(node, arguments, out.number);
  }
  if (of == "Date" && name == "parse" && given.kind == DatumKind::text) {
    const auto time = read_date(given.text);
    if (!time) return not_yet("a date in this form is", node);
    out = Datum::of_number(*time);
    return true;
  }
  return not_yet(std::string(of) + "." + name + " is", callee);
}

}  // namespace inky::inline v1::javascript
