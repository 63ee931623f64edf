#include "evaluation.hpp"

#include <algorithm>
#include <array>
#include <bit>
#include <cmath>
#include <limits>

#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/decimal.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/escape.hpp"
#include "text/lower_case.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

using DatumKind = Datum::Kind;

constexpr auto method_facts = std::to_array<MethodFact>({
    {"toFixed", "fixed notation with so many places, of the stored value, ties away from zero"},
    {"toPrecision", "so many significant digits; an exponent below 1e-6, or beyond the digits"},
    {"toExponential", "scientific notation with so many places; without them, the shortest digits"},
    {"toString", "as text; of a number, in the base given"},
    {"toLocaleString",
     "with the marks of a locale; at most 3 places, of the shortest digits, ties away from zero"},
    {"padStart", "at least so many UTF-16 units, filled on the left"},
    {"padEnd", "at least so many UTF-16 units, filled on the right"},
    {"repeat", "the text so many times"},
    {"toUpperCase", "in upper case"},
    {"toLowerCase", "in lower case"},
    {"trim", "without blanks at its ends"},
    {"join", "the items of an array, with a text between them"},
    {"length", "UTF-16 units of a text, items of an array"},
    {"String", "any value as text"},
    {"Number", "a text read as a number, NaN where it is none"},
    {"Math.round", "to the nearest whole number, ties up"},
    {"Math.floor", "to a whole number, down"},
    {"Math.ceil", "to a whole number, up"},
    {"Math.trunc", "to a whole number, toward zero"},
    {"Math.abs", "without its sign"},
});

BinaryReal real_of(double number) {
  return unpack(binary64, bits_of(number));
}

// ---- Locales ----

struct Locale {
  std::string_view tag;
  std::string_view point;
  std::string_view group;
  std::string_view minus;
  std::string_view percent;
  int least_grouped = 4;  // whole digits from which on marks are written
  bool groups_of_two = false;
};

// Asked of Intl.NumberFormat, Node.js 20 with ICU 78.
constexpr auto locales = std::to_array<Locale>({
    {"en-US", ".", ",", "-", "%"},
    {"de-CH", ".", "'", "-", "%"},
    {"de-DE", ",", ".", "-", "\xc2\xa0%"},
    {"en-GB", ".", ",", "-", "%"},
    {"en-IN", ".", ",", "-", "%", 4, true},
    {"es-ES", ",", ".", "-", "\xc2\xa0%", 5},
    {"fr-FR", ",", "\xe2\x80\xaf", "-", "\xc2\xa0%"},
    {"it-IT", ",", ".", "-", "%", 5},
    {"ja-JP", ".", ",", "-", "%"},
    {"nl-NL", ",", ".", "-", "%"},
    {"pl-PL", ",", "\xc2\xa0", "-", "%", 5},
    {"pt-BR", ",", ".", "-", "%"},
    {"sv-SE", ",", "\xc2\xa0", "\xe2\x88\x92", "\xc2\xa0%"},
});

constexpr auto tags = [] {
  std::array<std::string_view, locales.size()> out{};
  std::transform(locales.begin(), locales.end(), out.begin(),
                 [](const Locale& locale) { return locale.tag; });
  return out;
}();

const Locale* locale_tagged(std::string_view tag) {
  const auto found = std::find_if(locales.begin(), locales.end(),
                                  [&](const Locale& locale) { return locale.tag == tag; });
  return found == locales.end() ? nullptr : &*found;
}

// ---- Numbers as text ----

// ECMA-262, 6.1.6.1.20, steps 6 to 12: fixed up to 21 digits before the point, and from 1e-6 on.
void append_digits(const Digits& digits, std::string& out) {
  const int size = digits.size();
  const int point = digits.point();
  const std::string_view text = digits.text();
  if (digits.is_zero()) {
    out += '0';
  } else if (size <= point && point <= 21) {
    out += text;
    out.append(static_cast<std::size_t>(point - size), '0');
  } else if (0 < point && point <= 21) {
    out += text.substr(0, static_cast<std::size_t>(point));
    out += '.';
    out += text.substr(static_cast<std::size_t>(point));
  } else if (-6 < point && point <= 0) {
    out += "0.";
    out.append(static_cast<std::size_t>(-point), '0');
    out += text;
  } else {
    out += text[0];
    if (size > 1) (out += '.') += text.substr(1);
    out += point > 0 ? "e+" : "e-";
    out += std::to_string(std::abs(point - 1));
  }
}

// V8's DoubleToRadixCString: digits behind the point until they tell the number from its neighbour,
// and zeros for whole digits beyond 53 bits.
std::string radix_text(double number, int radix) {
  const bool negative = number < 0;
  const double value = std::abs(number);
  double whole = std::floor(value);
  double fraction = value - whole;
  const double above = std::nextafter(value, std::numeric_limits<double>::infinity());
  double delta = std::max(0.5 * (above - value), std::numeric_limits<double>::denorm_min());
  constexpr std::string_view letters = "0123456789abcdefghijklmnopqrstuvwxyz";
  std::string behind;
  if (fraction >= delta) {
    do {
      fraction *= radix;
      delta *= radix;
      const int digit = static_cast<int>(fraction);
      behind += letters[static_cast<std::size_t>(digit)];
      fraction -= digit;
      if (!(fraction > 0.5 || (fraction == 0.5 && (digit & 1) != 0)) || fraction + delta <= 1)
        continue;
      // A carry, as far back as it goes.
      while (!behind.empty()) {
        const std::size_t last = letters.find(behind.back());
        behind.pop_back();
        if (last + 1 < static_cast<std::size_t>(radix)) {
          behind += letters[last + 1];
          break;
        }
      }
      if (behind.empty()) whole += 1;
      break;
    } while (fraction >= delta);
  }
  std::string before;  // its last digit first
  const auto exponent = [](double x) { return x == 0 ? -1074 : std::ilogb(x) - 52; };
  while (exponent(whole / radix) > 0) {
    whole /= radix;
    before += '0';
  }
  do {
    const double rest = std::fmod(whole, radix);
    before += letters[static_cast<std::size_t>(rest)];
    whole = (whole - rest) / radix;
  } while (whole > 0);
  if (negative) before += '-';
  std::reverse(before.begin(), before.end());
  return behind.empty() ? before : before + "." + behind;
}

std::string number_text(double number) {
  std::string out;
  append_number(number, out);
  return out;
}

// ---- Evaluation ----

bool is_blank(char32_t c) {
  return c == ' ' || (c >= 9 && c <= 13) || c == 0xA0 || c == 0xFEFF || c == 0x1680 ||
         (c >= 0x2000 && c <= 0x200A) || c == 0x2028 || c == 0x2029 || c == 0x202F || c == 0x205F ||
         c == 0x3000;
}

std::string_view trimmed(std::string_view text) {
  while (const auto point = first_code_point(text)) {
    if (!is_blank(point->value)) break;
    text.remove_prefix(static_cast<std::size_t>(point->bytes));
  }
  while (!text.empty()) {
    std::size_t last = text.size() - 1;
    while (last > 0 && is_continuation(text[last])) --last;
    if (!is_blank(first_code_point(text.substr(last))->value)) break;
    text = text.substr(0, last);
  }
  return text;
}

// ECMA-262, 7.1.4.1: NaN where the text is no number.
double read_number(std::string_view text) {
  text = trimmed(text);
  if (text.empty()) return 0;
  const bool negative = text[0] == '-';
  const std::string_view bare = negative || text[0] == '+' ? text.substr(1) : text;
  if (bare == "Infinity") return negative ? -HUGE_VAL : HUGE_VAL;
  const char mark = bare.size() > 1 && bare[0] == '0' ? static_cast<char>(bare[1] | 0x20) : '\0';
  if (mark == 'x' || mark == 'o' || mark == 'b') {
    std::string lower(bare);
    for (char& c : lower) c = static_cast<char>(c | (c >= 'A' && c <= 'Z' ? 0x20 : 0));
    const auto whole = bare.size() == text.size() ? read_whole(lower) : std::nullopt;
    if (!whole) return std::nan("");
    std::string digits;
    append_whole(whole->magnitude, 10, Letters::lower, digits);
    return std::bit_cast<double>(low_half(*read_real(binary64, digits)));
  }
  if (!scan_decimal(text)) return std::nan("");
  return std::bit_cast<double>(low_half(*read_real(binary64, text)));
}

class Evaluator {
 public:
  Evaluator(const Scope& scope, const Settings& settings, Notes* notes, Failure& failure)
      : scope_(scope),
        locale_(settings.locale),
        unit_(settings.unit),
        notes_(notes),
        failure_(failure) {}

  bool evaluate(const Node& node, Datum& out) {
    switch (node.kind) {
      case Node::Kind::number:
        out = Datum::of_number(node.number);
        return true;
      case Node::Kind::big:
        out.kind = DatumKind::big;
        out.big = node.big;
        return true;
      case Node::Kind::text:
        out = Datum::of_text(node.text);
        return true;
      case Node::Kind::name:
        return evaluate_name(node, out);
      case Node::Kind::array:
      case Node::Kind::object:
        out.kind = node.kind == Node::Kind::array ? DatumKind::array : DatumKind::object;
        out.keys = node.keys;
        for (const Node& part : node.parts) {
          out.items.emplace_back();
          if (!evaluate(part, out.items.back())) return false;
        }
        return true;
      case Node::Kind::text_template:
        return evaluate_template(node, out);
      case Node::Kind::unary:
        return evaluate_unary(node, out);
      case Node::Kind::binary:
        return evaluate_binary(node, out);
      case Node::Kind::member:
        return evaluate_member(node, out);
      case Node::Kind::item:
        return evaluate_item(node, out);
      case Node::Kind::call:
        return evaluate_call(node, out);
    }
    return false;
  }

 private:
  bool fail(std::string_view name, std::string why, const Node& node) {
    failure_ = {std::string(name), std::move(why), node.span};
    return false;
  }
  bool not_yet(std::string what, const Node& node) {
    return fail("", std::move(what) + " not supported yet", node);
  }

  // Roughly the room a value takes.
  static std::size_t weight_of(const Datum& datum) {
    std::size_t out = datum.text.size() + 64 * datum.items.size();
    for (const Datum& item : datum.items) out += weight_of(item);
    return out;
  }

  // What was made and taken so far, all together, stays within the limit of an output.
  bool within_budget(const Datum& made, const Node& node) {
    made_ += weight_of(made);
    return made_ <= most_output || too_long(node);
  }

  bool evaluate_name(const Node& node, Datum& out) {
    if (node.text == "true" || node.text == "false") {
      out.kind = DatumKind::boolean;
      out.truth = node.text == "true";
    } else if (node.text == "null") {
      out.kind = DatumKind::null;
    } else if (node.text == "undefined") {
      out.kind = DatumKind::undefined;
    } else if (node.text == "NaN") {
      out = Datum::of_number(std::nan(""));
    } else if (node.text == "Infinity") {
      out = Datum::of_number(HUGE_VAL);
    } else if (const Value* value = scope_.find(node.text)) {
      auto datum = datum_of(*value);
      if (!datum) return not_yet(describe(*value) + " as a value of JavaScript is", node);
      out = std::move(*datum);
      return within_budget(out, node);
    } else if (node.text == "Math" || node.text == "String" || node.text == "Number") {
      return not_yet(node.text + " by itself is", node);
    } else {
      return fail("ReferenceError", node.text + " is not defined", node);
    }
    return true;
  }

  bool evaluate_template(const Node& node, Datum& out) {
    out.kind = DatumKind::text;
    for (std::size_t i = 0; i < node.keys.size(); ++i) {
      out.text += node.keys[i];
      if (i == node.parts.size()) break;
      Datum part;
      if (!evaluate(node.parts[i], part)) return false;
      append_text(part, out.text);
    }
    return true;
  }

  // ToNumber.
  bool to_number(const Datum& datum, const Node& node, double& out) {
    switch (datum.kind) {
      case DatumKind::undefined:
        out = std::nan("");
        return true;
      case DatumKind::null:
        out = 0;
        return true;
      case DatumKind::boolean:
        out = datum.truth ? 1 : 0;
        return true;
      case DatumKind::number:
        out = datum.number;
        return true;
      case DatumKind::big:
        return fail("TypeError", "Cannot convert a BigInt value to a number", node);
      default: {
        std::string text;
        append_text(datum, text);
        out = read_number(text);
        return true;
      }
    }
  }

  bool evaluate_unary(const Node& node, Datum& out) {
    Datum right;
    if (!evaluate(node.parts[0], right)) return false;
    if (right.kind == DatumKind::big && node.letter == '-') {
      out = std::move(right);
      out.big.negative = !out.big.negative && !out.big.magnitude.is_zero();
      return true;
    }
    double number = 0;
    if (!to_number(right, node, number)) return false;
    out = Datum::of_number(node.letter == '-' ? -number : number);
    return true;
  }

  bool evaluate_binary(const Node& node, Datum& out) {
    Datum left;
    Datum right;
    if (!evaluate(node.parts[0], left) || !evaluate(node.parts[1], right)) return false;
    const auto is_text = [](const Datum& datum) { return datum.kind >= DatumKind::text; };
    if (node.letter == '+' && (is_text(left) || is_text(right))) {
      out.kind = DatumKind::text;
      append_text(left, out.text);
      append_text(right, out.text);
      return within_budget(out, node);
    }
    if (left.kind == DatumKind::big && right.kind == DatumKind::big)
      return not_yet("arithmetic with BigInt is", node);
    if (left.kind == DatumKind::big || right.kind == DatumKind::big) {
      return fail("TypeError", "Cannot mix BigInt and other types, use explicit conversions", node);
    }
    double a = 0;
    double b = 0;
    if (!to_number(left, node, a) || !to_number(right, node, b)) return false;
    switch (node.letter) {
      case '+':
        out = Datum::of_number(a + b);
        return true;
      case '-':
        out = Datum::of_number(a - b);
        return true;
      case '*':
        out = Datum::of_number(a * b);
        return true;
      case '/':
        out = Datum::of_number(a / b);
        return true;
      default:
        out = Datum::of_number(std::fmod(a, b));
        return true;
    }
  }

  // Null and undefined have no members.
  bool check_members(const Datum& of, std::string_view name, const Node& node) {
    if (of.kind != DatumKind::undefined && of.kind != DatumKind::null) return true;
    return fail("TypeError",
                std::string("Cannot read properties of ") +
                    (of.kind == DatumKind::null ? "null" : "undefined") + " (reading '" +
                    std::string(name) + "')",
                node);
  }

  static void find_property(const Datum& of, std::string_view name, Datum& out) {
    if (of.kind == DatumKind::object) {
      for (std::size_t i = of.keys.size(); i-- > 0;) {
        if (of.keys[i] != name) continue;
        out = of.items[i];
        return;
      }
    } else if (name == "length" && of.kind == DatumKind::text) {
      out = Datum::of_number(static_cast<double>(measure(of.text, WidthUnit::utf16_units)));
    } else if (name == "length" && of.kind == DatumKind::array) {
      out = Datum::of_number(static_cast<double>(of.items.size()));
    }
  }

  static bool is_method(std::string_view name) {
    return std::any_of(method_facts.begin(), method_facts.end(),
                       [&](const MethodFact& fact) { return fact.name == name; });
  }

  bool evaluate_member(const Node& node, Datum& out) {
    Datum of;
    if (!evaluate(node.parts[0], of) || !check_members(of, node.text, node)) return false;
    find_property(of, node.text, out);
    const bool is_function =
        is_method(node.text) || is_common(node.text) || node.text == "constructor";
    if (out.kind != DatumKind::undefined || !is_function || node.text == "length") return true;
    return not_yet("the member " + node.text + " without a call is", node);
  }

  bool evaluate_item(const Node& node, Datum& out) {
    Datum of;
    Datum key;
    if (!evaluate(node.parts[0], of) || !evaluate(node.parts[1], key)) return false;
    std::string name;
    append_text(key, name);
    if (!check_members(of, name, node)) return false;
    const bool digits = !name.empty() && name.size() < 9 &&
                        name.find_first_not_of("0123456789") == std::string::npos &&
                        (name == "0" || name[0] != '0');
    if (digits && of.kind == DatumKind::array) {
      const auto index = static_cast<std::size_t>(std::stoul(name));
      if (index < of.items.size()) out = of.items[index];
      return true;
    }
    if (of.kind == DatumKind::text && digits) return evaluate_unit(node, of, std::stoul(name), out);
    find_property(of, name, out);
    if (out.kind == DatumKind::undefined && (is_method(name) || is_common(name)) &&
        name != "length")
      return not_yet("such a member is", node);
    return true;
  }

  // A UTF-16 unit of a text.
  bool evaluate_unit(const Node& node, const Datum& of, std::size_t index, Datum& out) {
    const std::string_view before = cut(of.text, index, WidthUnit::utf16_units);
    const std::string_view rest = std::string_view(of.text).substr(before.size());
    if (index >= measure(of.text, WidthUnit::utf16_units)) return true;
    const auto point = first_code_point(rest);
    if (measure(before, WidthUnit::utf16_units) != index || point->value > 0xFFFF)
      return not_yet("half of a surrogate pair is", node);
    out = Datum::of_text(std::string(rest.substr(0, static_cast<std::size_t>(point->bytes))));
    return true;
  }

  bool evaluate_call(const Node& node, Datum& out) {
    const Node& callee = node.parts[0];
    Datum of;
    const bool is_math = callee.kind == Node::Kind::member &&
                         callee.parts[0].kind == Node::Kind::name &&
                         callee.parts[0].text == "Math" && scope_.find("Math") == nullptr;
    const bool is_member = callee.kind == Node::Kind::member && !is_math;
    if (is_member && (!evaluate(callee.parts[0], of) || !check_members(of, callee.text, callee)))
      return false;
    if (callee.kind != Node::Kind::member && callee.kind != Node::Kind::name)
      return not_yet("such a call is", node);
    std::vector<Datum> arguments(node.parts.size() - 1);
    for (std::size_t i = 0; i < arguments.size(); ++i) {
      if (!evaluate(node.parts[i + 1], arguments[i])) return false;
    }
    const bool done = is_math     ? call_math(node, arguments, out)
                      : is_member ? call_method(node, of, arguments, out)
                                  : call_function(node, arguments, out);
    return done && within_budget(out, node);
  }

  bool call_function(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
    const Node& callee = node.parts[0];
    constexpr std::string_view words[] = {"undefined", "null",     "true", "false",
                                          "NaN",       "Infinity", "Math"};
    if (scope_.find(callee.text) != nullptr ||
        std::find(std::begin(words), std::end(words), callee.text) != std::end(words))
      return fail("TypeError", callee.text + " is not a function", callee);
    if (callee.text == "String") {
      out.kind = DatumKind::text;
      if (!arguments.empty()) append_text(arguments[0], out.text);
      return true;
    }
    if (callee.text == "Number") {
      double number = 0;
      if (!arguments.empty() && arguments[0].kind == DatumKind::big) {
        number = read_number(digits_of(arguments[0].big, 10));
        number = arguments[0].big.negative ? -number : number;
      } else if (!arguments.empty() && !to_number(arguments[0], node, number)) {
        return false;
      }
      out = Datum::of_number(number);
      return true;
    }
    constexpr std::string_view known[] = {"parseFloat", "parseInt", "Boolean", "BigInt", "Array",
                                          "Object",     "Symbol",   "isNaN",   "Date"};
    if (std::find(std::begin(known), std::end(known), callee.text) != std::end(known))
      return not_yet("the function " + callee.text + " is", callee);
    return fail("ReferenceError", callee.text + " is not defined", callee);
  }

  bool call_math(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
    const std::string& name = node.parts[0].text;
    double number = std::nan("");
    if (!is_method("Math." + name)) return not_yet("Math." + name + " is", node.parts[0]);
    if (!arguments.empty() && !to_number(arguments[0], node, number)) return false;
    if (name == "abs") {
      number = std::abs(number);
    } else if (name == "floor") {
      number = std::floor(number);
    } else if (name == "ceil") {
      number = std::ceil(number);
    } else if (name == "trunc") {
      number = std::trunc(number);
    } else if (std::isfinite(number)) {
      // Ties go up; what rounds to zero from below keeps its sign.
      const double below = std::floor(number);
      number = std::copysign(number - below >= 0.5 ? below + 1 : below, number);
    }
    out = Datum::of_number(number);
    return true;
  }

  static std::string digits_of(const SignedNatural& whole, int radix) {
    std::string out;
    append_whole(whole.magnitude, radix, Letters::lower, out);
    return out;
  }

  // An argument as a whole number; infinities stay.
  bool take_integer(const std::vector<Datum>& arguments, std::size_t which, const Node& node,
                    double usual, double& out) {
    out = usual;
    if (which >= arguments.size() || arguments[which].kind == DatumKind::undefined) return true;
    if (!to_number(arguments[which], node, out)) return false;
    out = std::isnan(out) ? 0 : std::trunc(out);
    return true;
  }

  bool call_method(const Node& node, Datum& of, const std::vector<Datum>& arguments, Datum& out) {
    const std::string& name = node.parts[0].text;
    const bool known = is_method(name);
    switch (of.kind) {
      case DatumKind::number:
        if (name == "toFixed" || name == "toPrecision" || name == "toExponential")
          return call_digits(node, of.number, arguments, out);
        if (name == "toString") return call_radix(node, of, arguments, out);
        if (name == "toLocaleString") return call_locale(node, of, arguments, out);
        break;
      case DatumKind::big:
        if (name == "toString") return call_radix(node, of, arguments, out);
        if (name == "toLocaleString") return call_locale(node, of, arguments, out);
        break;
      case DatumKind::text:
        return call_on_text(node, of, arguments, out);
      case DatumKind::array:
        if (name == "join") return call_join(node, of, arguments, out);
        [[fallthrough]];
      default:
        if (name == "toLocaleString" && of.kind == DatumKind::array) {
          out.kind = DatumKind::text;
          return append_items(node, of, arguments, out.text);
        }
        if (name == "toString" || name == "toLocaleString") {
          out.kind = DatumKind::text;
          append_text(of, out.text);
          return true;
        }
    }
    return missing(node, known);
  }

  // Of each item its own toLocaleString.
  bool append_items(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                    std::string& out) {
    for (std::size_t i = 0; i < of.items.size(); ++i) {
      Datum& item = of.items[i];
      if (i > 0) out += ',';
      if (item.kind <= DatumKind::null) continue;
      Datum text;
      if (!call_method(node, item, arguments, text)) return false;
      out += text.text;
    }
    return true;
  }

  // A method that the value has not, or that we do not know.
  bool missing(const Node& node, bool known) {
    const std::string& name = node.parts[0].text;
    if (known || (name != "slice" && name.rfind("to", 0) != 0 && !is_common(name)))
      return fail("TypeError", name + " is not a function here", node.parts[0]);
    return not_yet("the method " + name + " is", node.parts[0]);
  }
  static bool is_common(std::string_view name) {
    constexpr std::string_view names[] = {
        "at",       "charAt",      "concat",     "replace",   "replaceAll", "split",   "substring",
        "substr",   "trimStart",   "trimEnd",    "normalize", "includes",   "indexOf", "startsWith",
        "endsWith", "map",         "filter",     "reverse",   "sort",       "forEach", "reduce",
        "valueOf",  "codePointAt", "charCodeAt", "keys",      "match",      "every",   "some",
        "flat",     "fill",        "find",       "entries",   "values",     "push",    "pop"};
    return std::find(std::begin(names), std::end(names), name) != std::end(names);
  }

  // toFixed, toPrecision and toExponential.
  bool call_digits(const Node& node, double number, const std::vector<Datum>& arguments,
                   Datum& out) {
    const std::string& name = node.parts[0].text;
    const bool given = !arguments.empty() && arguments[0].kind != DatumKind::undefined;
    double count = 0;
    if (!take_integer(arguments, 0, node, 0, count)) return false;
    out.kind = DatumKind::text;
    const bool fixed = name == "toFixed";
    const bool precision = name == "toPrecision";
    if ((precision && !given) || (!fixed && !std::isfinite(number))) {
      append_number(number, out.text);
      return true;
    }
    if (!(count >= (precision ? 1 : 0) && count <= 100)) {
      return fail("RangeError",
                  name + "() argument must be between " + (precision ? "1" : "0") + " and 100",
                  node);
    }
    if (!std::isfinite(number) || (fixed && std::abs(number) >= 1e21)) {
      append_number(number, out.text);
      return true;
    }
    Spec spec = digits_spec(name, static_cast<int>(count), given);
    const BinaryReal real = real_of(number == 0 ? 0.0 : number);
    static constexpr NumberStyle style = {.least_exponent_digits = 1};
    TextBuffer text;
    if (precision)
      put_precision(spec, real, style, text);
    else if (!fixed && !given)
      put_shortest(spec, real, style, text);
    else
      lay_out_real(spec, binary64, real, style, text);
    out.text = text.string();
    if (notes_ != nullptr && !given_in_bits(node) && (given || fixed))
      note_rounding(spec, binary64, real, node.span, *notes_);
    return true;
  }

  static Spec digits_spec(std::string_view name, int count, bool given) {
    Spec spec;
    spec.kind = Kind::real;
    spec.rounding = Rounding::half_away;
    spec.notation = name == "toFixed" ? Notation::fixed : Notation::scientific;
    if (name == "toPrecision") {
      spec.notation = Notation::compact;
      spec.significant = count;
    } else if (given || name == "toFixed") {
      spec.places = count;
    }
    return spec;
  }

  // All digits asked for are shown, also zeros.
  static void put_precision(Spec spec, const BinaryReal& real, const NumberStyle& style,
                            Output& out) {
    Digits digits;
    digits_to_significant(real, spec.significant, Rounding::half_away, digits);
    const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
    const bool fixed = exponent >= -6 && exponent < spec.significant;
    spec.notation = fixed ? Notation::fixed : Notation::scientific;
    spec.places = fixed ? spec.significant - 1 - exponent : spec.significant - 1;
    spec.significant = unset;
    lay_out_digits(spec, real.negative, digits, style, out);
  }

  static void put_shortest(Spec spec, const BinaryReal& real, const NumberStyle& style,
                           Output& out) {
    Digits digits;
    shortest_digits(binary64, real, digits);
    spec.places = std::max(digits.size() - 1, 0);
    lay_out_digits(spec, real.negative, digits, style, out);
  }

  // Whether the number stood in the expression or was given by its bits: nothing was typed then
  // that what is stored could differ from.
  bool given_in_bits(const Node& call) const {
    const Node& of = call.parts[0].parts[0];
    if (of.kind == Node::Kind::number) return false;
    const Value* value = of.kind == Node::Kind::name ? scope_.find(of.text) : nullptr;
    return value == nullptr || value->given_in_bits() || !is_real(value->type());
  }

  bool call_radix(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                  Datum& out) {
    double radix = 10;
    if (!take_integer(arguments, 0, node, 10, radix)) return false;
    if (!(radix >= lowest_base && radix <= highest_base))
      return fail("RangeError", "toString() radix argument must be between 2 and 36", node);
    out.kind = DatumKind::text;
    const int base = static_cast<int>(radix);
    if (of.kind == DatumKind::big)
      out.text = (of.big.negative ? "-" : "") + digits_of(of.big, base);
    else if (base == 10 || !std::isfinite(of.number))
      append_number(of.number, out.text);
    else
      out.text = radix_text(of.number, base);
    return true;
  }

  bool call_join(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                 Datum& out) {
    std::string between = ",";
    if (!arguments.empty() && arguments[0].kind != DatumKind::undefined) {
      between.clear();
      append_text(arguments[0], between);
    }
    out.kind = DatumKind::text;
    for (std::size_t i = 0; i < of.items.size(); ++i) {
      if (i > 0) out.text += between;
      if (of.items[i].kind > DatumKind::null) append_text(of.items[i], out.text);
      if (out.text.size() > most_output) return too_long(node);
    }
    return true;
  }

  bool too_long(const Node& node) { return fail("", "a text as long as this is", node); }

  bool call_on_text(const Node& node, Datum& of, const std::vector<Datum>& arguments, Datum& out) {
    const std::string& name = node.parts[0].text;
    out.kind = DatumKind::text;
    if (name == "padStart" || name == "padEnd") return call_pad(node, of, arguments, out);
    if (name == "repeat") return call_repeat(node, of, arguments, out);
    if (name == "toUpperCase") {
      out.text = upper_case(of.text);
    } else if (name == "toLowerCase") {
      out.text = lower_case(of.text);
    } else if (name == "trim") {
      out.text = trimmed(of.text);
    } else if (name == "toString" || name == "toLocaleString") {
      out.text = std::move(of.text);
    } else {
      return missing(node, is_method(name));
    }
    return true;
  }

  // The longest string of V8 on 64 bits.
  static constexpr double longest_text = 536'870'888;

  bool call_pad(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                Datum& out) {
    double length = 0;
    if (!take_integer(arguments, 0, node, 0, length)) return false;
    std::string fill = " ";
    if (arguments.size() > 1 && arguments[1].kind != DatumKind::undefined) {
      fill.clear();
      append_text(arguments[1], fill);
    }
    const std::size_t size = measure(of.text, unit_);
    out.text = of.text;
    if (!(length > static_cast<double>(size)) || fill.empty()) return note_padding(node, of, size);
    if (length > longest_text) return fail("RangeError", "Invalid string length", node);
    if (length > most_width)
      return not_yet("a width over " + std::to_string(most_width) + " is", node);
    const std::size_t missing = static_cast<std::size_t>(length) - size;
    const std::size_t unit = measure(fill, unit_);
    if (unit == 0) return not_yet("a fill that takes no room is", node);
    std::string padding;
    for (std::size_t i = 0; i < missing / unit; ++i) padding += fill;
    const std::string_view rest = cut(fill, missing % unit, unit_);
    if (measure(rest, unit_) != missing % unit) return not_yet("half of a surrogate pair is", node);
    padding += rest;
    out.text = node.parts[0].text == "padStart" ? padding + of.text : of.text + padding;
    return note_padding(node, of, static_cast<std::size_t>(length));
  }

  bool note_padding(const Node& node, const Datum& of, std::size_t width) {
    if (notes_ != nullptr) {
      Spec spec;
      spec.width = static_cast<int>(std::min<std::size_t>(width, most_width));
      note_text(spec, of.text, unit_, node.span, *notes_);
    }
    return true;
  }

  bool call_repeat(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                   Datum& out) {
    double count = 0;
    if (!take_integer(arguments, 0, node, 0, count)) return false;
    if (count < 0 || std::isinf(count))
      return fail("RangeError", "Invalid count value: " + number_text(count), node);
    const double length = count * static_cast<double>(measure(of.text, WidthUnit::utf16_units));
    if (length > longest_text) return fail("RangeError", "Invalid string length", node);
    if (length > most_width) return too_long(node);
    if (of.text.empty()) return true;
    for (int i = 0; i < static_cast<int>(count); ++i) out.text += of.text;
    return true;
  }

  // ---- toLocaleString ----

  struct LocaleOptions {
    int least_whole = 1;
    int least_places = 0;
    int most_places = 3;
    bool percent = false;
    bool groups = true;
  };

  bool take_locale(const Node& node, const std::vector<Datum>& arguments, const Locale*& out) {
    const bool given = !arguments.empty() && arguments[0].kind != DatumKind::undefined;
    out = locale_tagged(locale_.empty() ? "en-US" : locale_);
    if (!given) {
      if (notes_ != nullptr && locale_.empty()) {
        notes_->push_back({Code::implementation_defined,
                           "the locale is the machine's own; this is en-US: name one, as in "
                           "toLocaleString(\"en-US\")",
                           node.span});
      }
      return true;
    }
    if (arguments[0].kind != DatumKind::text) return not_yet("such a locale is", node);
    const std::string& tag = arguments[0].text;
    out = locale_tagged(tag);
    if (out != nullptr) return true;
    if (tag.empty() || tag.find_first_of("_ ") != std::string::npos)
      return fail("RangeError", "Incorrect locale information provided", node);
    return not_yet("the locale " + in_quotes(tag) + " is", node);
  }

  bool take_places(const Datum& datum, const Node& node, std::string_view key, double least,
                   double most, int& out) {
    double number = 0;
    if (!to_number(datum, node, number)) return false;
    if (!(number >= least && number <= most))
      return fail("RangeError", std::string(key) + " value is out of range.", node);
    out = static_cast<int>(std::floor(number));
    return true;
  }

  bool take_options(const Node& node, const Datum& given, LocaleOptions& out) {
    int least = unset;
    int most = unset;
    for (std::size_t i = 0; i < given.keys.size(); ++i) {
      const std::string& key = given.keys[i];
      const Datum& value = given.items[i];
      if (value.kind == DatumKind::undefined) continue;
      if (key == "minimumFractionDigits") {
        if (!take_places(value, node, key, 0, 100, least)) return false;
      } else if (key == "maximumFractionDigits") {
        if (!take_places(value, node, key, 0, 100, most)) return false;
      } else if (key == "minimumIntegerDigits") {
        if (!take_places(value, node, key, 1, 21, out.least_whole)) return false;
      } else if (key == "useGrouping" && value.kind == DatumKind::boolean) {
        out.groups = value.truth;
      } else if (key == "style" && value.kind == DatumKind::text &&
                 (value.text == "percent" || value.text == "decimal")) {
        out.percent = value.text == "percent";
      } else {
        return not_yet("the option " + key + " of toLocaleString, with this value, is", node);
      }
    }
    const int usual = out.percent ? 0 : 3;
    if (least != unset && most != unset && least > most)
      return fail("RangeError", "maximumFractionDigits value is out of range.", node);
    out.least_places = least != unset ? least : most == unset ? 0 : std::min(0, most);
    out.most_places = most != unset ? most : std::max(usual, out.least_places);
    return true;
  }

  bool call_locale(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                   Datum& out) {
    const Locale* locale = nullptr;
    LocaleOptions options;
    if (!take_locale(node, arguments, locale)) return false;
    if (arguments.size() > 1 && arguments[1].kind != DatumKind::undefined) {
      if (arguments[1].kind != DatumKind::object) return not_yet("such options are", node);
      if (!take_options(node, arguments[1], options)) return false;
    }
    Digits digits;
    bool negative = false;
    out.kind = DatumKind::text;
    if (of.kind == DatumKind::big) {
      const std::string text = digits_of(of.big, 10);
      negative = of.big.negative;
      if (text != "0") {
        std::copy(text.begin(), text.end(), digits.room(static_cast<int>(text.size())));
        digits.set(static_cast<int>(text.size()), static_cast<int>(text.size()));
      }
    } else {
      negative = std::signbit(of.number) && !std::isnan(of.number);
      if (!std::isfinite(of.number)) {
        out.text = std::string(negative ? locale->minus : "") +
                   (std::isnan(of.number) ? "NaN" : "\xe2\x88\x9e") +
                   std::string(options.percent ? locale->percent : "");
        return true;
      }
      shortest_digits(binary64, real_of(of.number), digits);
    }
    if (options.percent && !digits.is_zero()) digits.set(digits.size(), digits.point() + 2);
    if (notes_ != nullptr && of.kind == DatumKind::number) note_decimal(node, of, digits, options);
    round_digits(digits, digits.point() + options.most_places, negative, Rounding::half_away);
    digits.strip_trailing_zeros();
    if (negative) out.text += locale->minus;
    append_grouped(digits, options, *locale, out.text);
    if (options.percent) out.text += locale->percent;
    return true;
  }

  // Where the shortest digits round otherwise than what is stored.
  void note_decimal(const Node& node, const Datum& of, const Digits& digits,
                    const LocaleOptions& options) {
    const int keep = digits.point() + options.most_places;
    if (tail_after(digits, keep) != Tail::half || options.percent) return;
    Digits exact;
    exact_digits(real_of(of.number), exact);
    if (tail_after(exact, exact.point() + options.most_places) != Tail::below_half) return;
    notes_->push_back({Code::decimal_rounded,
                       "toLocaleString rounds the shortest digits, " + plain_text(digits) +
                           ", half away from zero; toFixed rounds what is stored",
                       node.span});
  }

  static void append_grouped(const Digits& digits, const LocaleOptions& options,
                             const Locale& locale, std::string& out) {
    const auto digit = [&](int at) {
      return at >= 0 && at < digits.size() ? digits.text()[static_cast<std::size_t>(at)] : '0';
    };
    const int point = digits.is_zero() ? 0 : digits.point();
    const int whole = std::max(point, options.least_whole);
    const bool grouped = options.groups && whole >= locale.least_grouped;
    for (int left = whole; left > 0; --left) {
      const bool ends = left == 3 || (left > 3 && (left - 3) % (locale.groups_of_two ? 2 : 3) == 0);
      if (grouped && left < whole && ends) out += locale.group;
      out += digit(point - left);
    }
    const int places = std::clamp(digits.size() - point, options.least_places, options.most_places);
    if (places > 0) out += locale.point;
    for (int i = 0; i < places; ++i) out += digit(point + i);
  }

  const Scope& scope_;
  std::string_view locale_;
  WidthUnit unit_;  // what padding counts
  std::size_t made_ = 0;
  Notes* notes_;
  Failure& failure_;
};

}  // namespace

Datum Datum::of_number(double number) {
  Datum out;
  out.kind = DatumKind::number;
  out.number = number;
  return out;
}

Datum Datum::of_text(std::string text) {
  Datum out;
  out.kind = DatumKind::text;
  out.text = std::move(text);
  return out;
}

std::optional<Datum> datum_of(const Value& value) {
  Datum out;
  switch (value.type()) {
    case Type::i128:
    case Type::u128:
    case Type::big:
      out.kind = DatumKind::big;
      out.big = natural_of(value);
      return out;
    case Type::text:
    case Type::character:
      return Datum::of_text(text_of(value));
    case Type::truth:
      out.kind = DatumKind::boolean;
      out.truth = value.as_whole() != 0;
      return out;
    case Type::nil:
      out.kind = DatumKind::null;
      return out;
    case Type::complex:
    case Type::decimal:
    case Type::moment:
      return std::nullopt;
    case Type::list:
    case Type::tuple:
    case Type::record:
      out.kind = value.is(Type::record) ? DatumKind::object : DatumKind::array;
      for (const Value& item : value.as_list()) {
        auto part = datum_of(item);
        if (!part) return std::nullopt;
        if (value.is(Type::record)) out.keys.emplace_back(item.name());
        out.items.push_back(std::move(*part));
      }
      return out;
    default:
      return Datum::of_number(std::bit_cast<double>(low_half(pack(binary64, nearest_f64(value)))));
  }
}

void append_number(double number, std::string& out) {
  const BinaryReal real = real_of(number);
  if (real.kind == RealClass::not_a_number) {
    out += "NaN";
    return;
  }
  if (real.negative && !real.is_zero()) out += '-';
  if (real.kind == RealClass::infinite) {
    out += "Infinity";
    return;
  }
  Digits digits;
  shortest_digits(binary64, real, digits);
  append_digits(digits, out);
}

void append_text(const Datum& datum, std::string& out) {
  switch (datum.kind) {
    case DatumKind::undefined:
      out += "undefined";
      return;
    case DatumKind::null:
      out += "null";
      return;
    case DatumKind::boolean:
      out += datum.truth ? "true" : "false";
      return;
    case DatumKind::number:
      return append_number(datum.number, out);
    case DatumKind::big:
      if (datum.big.negative) out += '-';
      return append_whole(datum.big.magnitude, 10, Letters::lower, out);
    case DatumKind::text:
      out += datum.text;
      return;
    case DatumKind::array:
      for (std::size_t i = 0; i < datum.items.size(); ++i) {
        if (i > 0) out += ',';
        if (datum.items[i].kind > DatumKind::null) append_text(datum.items[i], out);
      }
      return;
    case DatumKind::object:
      out += "[object Object]";
  }
}

std::optional<Datum> evaluate(const Node& node, const Scope& scope, const Settings& settings,
                              Notes* notes, Failure& failure) {
  Datum out;
  if (!Evaluator(scope, settings, notes, failure).evaluate(node, out)) return std::nullopt;
  return out;
}

std::span<const std::string_view> locale_tags() {
  return tags;
}

std::span<const MethodFact> methods() {
  return method_facts;
}

}  // namespace inky::inline v1::javascript
