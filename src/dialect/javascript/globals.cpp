// Functions and constants that every program has: ECMA-262, 19 and 21.1, JSON and Intl.NumberFormat.

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

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

constexpr std::string_view objects[] = {"Math",  "Number", "JSON", "Object",
                                        "Array", "String", "util"};

Datum truth(bool value) {
  Datum out;
  out.kind = DatumKind::boolean;
  out.truth = value;
  return out;
}

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

std::string quoted(std::string_view text) {
  std::string out = "\"";
  for (const char c : text) {
    constexpr std::string_view special = "\"\\\b\t\n\f\r";
    constexpr std::string_view letters = "\"\\btnfr";
    const std::size_t which = special.find(c);
    const auto byte = static_cast<unsigned char>(c);
    if (which != std::string_view::npos) {
      out += '\\';
      out += letters[which];
    } else if (byte < 0x20) {
      constexpr std::string_view digits = "0123456789abcdef";
      out += "\\u00";
      out += digits[byte >> 4U];
      out += digits[byte & 15U];
    } else {
      out += c;
    }
  }
  return out + '"';
}

bool is_index(std::string_view key) {
  return !key.empty() && std::all_of(key.begin(), key.end(), is_digit);
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

bool is_number_format(const Node& callee) {
  if (callee.kind != Node::Kind::member || callee.text != "format") return false;
  const Node& made = callee.parts[0];
  if (made.kind != Node::Kind::construct && made.kind != Node::Kind::call) return false;
  const Node& path = made.parts[0];
  return path.kind == Node::Kind::member && path.text == "NumberFormat" &&
         path.parts[0].kind == Node::Kind::name && path.parts[0].text == "Intl";
}

std::string_view Evaluator::global_in(const Node& callee) const {
  if (callee.kind != Node::Kind::member || callee.parts[0].kind != Node::Kind::name) return {};
  const std::string& name = callee.parts[0].text;
  if (scope_.find(name) != nullptr) return {};
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
  return not_yet(std::string(of) + "." + node.text + " by itself is", node);
}

bool Evaluator::call_number(const Node& node, std::string_view name,
                            const std::vector<Datum>& arguments, Datum& out) {
  const Datum given = arguments.empty() ? Datum() : arguments[0];
  const bool is_number = given.kind == DatumKind::number;
  if (name == "isInteger" || name == "isSafeInteger") {
    const bool whole =
        is_number && std::isfinite(given.number) && given.number == std::trunc(given.number);
    out = truth(whole && (name == "isInteger" || std::fabs(given.number) < 0x1p53));
  } else if (name == "isFinite") {
    out = truth(is_number && std::isfinite(given.number));
  } else if (name == "isNaN") {
    out = truth(is_number && std::isnan(given.number));
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

// JSON.stringify: ECMA-262, 25.5.2.
bool Evaluator::append_json(const Node& node, const Datum& datum, const std::string& indent,
                            const std::string& before, std::string& out) {
  if (out.size() > most_output) return too_long(node);
  const std::string inside = before + indent;
  const std::string line = indent.empty() ? std::string() : "\n" + inside;
  switch (datum.kind) {
    case DatumKind::big:
      return fail("TypeError", "Do not know how to serialize a BigInt", node);
    case DatumKind::undefined:
    case DatumKind::null:
      out += "null";
      return true;
    case DatumKind::number:
      out += std::isfinite(datum.number) ? number_text(datum.number) : "null";
      return true;
    case DatumKind::text:
      out += quoted(datum.text);
      return true;
    case DatumKind::boolean:
      out += datum.truth ? "true" : "false";
      return true;
    default:
      break;
  }
  const bool is_array = datum.kind == DatumKind::array;
  out += is_array ? '[' : '{';
  bool is_empty = true;
  for (std::size_t i = 0; i < datum.items.size(); ++i) {
    if (!is_array && datum.items[i].kind == DatumKind::undefined) continue;
    if (!is_array && is_index(datum.keys[i])) return not_yet("such a key is", node);
    if (!is_empty) out += ',';
    is_empty = false;
    out += line;
    if (!is_array) out += quoted(datum.keys[i]) + (indent.empty() ? ":" : ": ");
    if (!append_json(node, datum.items[i], indent, inside, out)) return false;
  }
  if (!is_empty && !indent.empty()) out += "\n" + before;
  out += is_array ? ']' : '}';
  return true;
}

std::optional<bool> Evaluator::call_of(const Node& node, const std::vector<Datum>& arguments,
                                       Datum& out) {
  const Node& callee = node.parts[0];
  const Datum given = arguments.empty() ? Datum() : arguments[0];
  out = {};
  if (is_number_format(callee) && scope_.find("Intl") == nullptr) {
    std::vector<Datum> settings;
    if (!evaluate_all(callee.parts[0], 1, settings)) return false;
    if (given.kind != DatumKind::number && given.kind != DatumKind::big)
      return not_yet("such a value here is", node);
    return call_locale(node, given, settings, out);
  }
  if (callee.kind == Node::Kind::name && scope_.find(callee.text) == nullptr) {
    if (callee.text == "parseFloat" || callee.text == "parseInt")
      return call_number(node, callee.text, arguments, out);
    if (callee.text == "isNaN" || callee.text == "isFinite") {
      double number = 0;
      if (!to_number(given, node, number)) return false;
      out = truth(callee.text == "isNaN" ? std::isnan(number) : std::isfinite(number));
      return true;
    }
    if (callee.text == "Boolean") {
      out = truth(holds(given));
      return true;
    }
    if (callee.text == "Array" && arguments.size() == 1 && given.kind == DatumKind::number) {
      constexpr double most_items = 10'000;
      if (!(given.number >= 0 && given.number <= most_items) ||
          given.number != std::trunc(given.number))
        return not_yet("an array of this size is", node);
      out.kind = DatumKind::array;
      out.items.resize(static_cast<std::size_t>(given.number));
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
  if (of == "Array" && name == "isArray") {
    out = truth(given.kind == DatumKind::array);
    return true;
  }
  if (of == "Object" && (name == "keys" || name == "values" || name == "entries") &&
      given.kind == DatumKind::object) {
    out.kind = DatumKind::array;
    for (std::size_t i = 0; i < given.items.size(); ++i) {
      if (is_index(given.keys[i])) return not_yet("such a key is", node);
      const Datum key = Datum::of_text(given.keys[i]);
      Datum entry;
      entry.kind = DatumKind::array;
      entry.items = {key, given.items[i]};
      out.items.push_back(name == "keys" ? key : name == "values" ? given.items[i] : entry);
    }
    return true;
  }
  if (of == "String" && (name == "fromCharCode" || name == "fromCodePoint")) {
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
  if (of == "JSON" && name == "stringify") {
    if (arguments.size() > 1 && arguments[1].kind > DatumKind::null)
      return not_yet("a second argument of JSON.stringify is", node);
    std::string indent;
    if (arguments.size() > 2 && arguments[2].kind == DatumKind::number) {
      double count = 0;
      if (!take_integer(arguments, 2, node, 0, count)) return false;
      indent.assign(static_cast<std::size_t>(std::clamp(count, 0.0, 10.0)), ' ');
    } else if (arguments.size() > 2 && arguments[2].kind > DatumKind::null) {
      return not_yet("such an indent is", node);
    }
    if (given.kind == DatumKind::undefined) return true;
    std::string text;
    if (!append_json(node, given, indent, {}, text)) return false;
    out = Datum::of_text(std::move(text));
    return true;
  }
  return not_yet(std::string(of) + "." + name + " is", callee);
}

}  // namespace inky::inline v1::javascript
