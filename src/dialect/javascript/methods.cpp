// Functions and methods: what calls come to.

#include <algorithm>
#include <cmath>
#include <string>

#include "../family/value_notes.hpp"
#include "dialect/lexis.hpp"
#include "elementary.hpp"
#include "evaluation.hpp"
#include "evaluator.hpp"
#include "format/layout.hpp"
#include "inky_margin/text/columns.hpp"
#include "inspect.hpp"
#include "numbers.hpp"
#include "text/lower_case.hpp"
#include "text/upper_case.hpp"

namespace inky::inline v1::javascript {

bool Evaluator::call_function(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  const Node& callee = node.parts[0];
  constexpr std::string_view words[] = {"undefined", "null",     "true", "false",
                                        "NaN",       "Infinity", "Math"};
  if (std::find(std::begin(words), std::end(words), callee.text) != std::end(words))
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
  if (is_global(callee.text)) return not_yet("the function " + callee.text + " is", callee);
  return fail("ReferenceError", callee.text + " is not defined", callee);
}

// A value by itself in console.log: as util.inspect shows it, but for a text, which is itself.
bool Evaluator::append_inspected(const Datum& datum, const Node& node, std::string& out) {
  if (datum.kind > DatumKind::text)
    return append_inspection(datum, out) || not_yet("showing this array or object is", node);
  const bool below_zero =
      datum.kind == DatumKind::number && datum.number == 0 && std::signbit(datum.number);
  if (below_zero) out += '-';
  append_text(datum, out);
  if (datum.kind == DatumKind::big) out += 'n';
  return true;
}

// %s, %d, %i, %f, %j and %O of console.log.
bool Evaluator::append_directive(char letter, const Datum& datum, const Node& node,
                                 std::string& out) {
  if (letter == 'j') {
    Datum text;
    Node json = node;
    json.parts.resize(1);
    json.parts[0].text = "stringify";
    if (!call_json(json, {datum}, text)) return false;
    append_text(text, out);
    return true;
  }
  if (letter == 'O') return append_inspected(datum, node, out);
  if (letter == 's' && datum.kind > DatumKind::text) {
    if (datum.kind == DatumKind::error || datum.kind == DatumKind::function)
      return not_yet("this value with %s is", node);
    return append_inspection(datum, out, 0) || not_yet("this value with %s is", node);
  }
  if (letter == 's' || datum.kind == DatumKind::big) return append_inspected(datum, node, out);
  double number = 0;
  if (letter == 'd') {
    if (!to_number(datum, node, number)) return false;
  } else {
    // These read the text of the value.
    Node call = node;
    call.parts.resize(1);
    call.parts[0].text = letter == 'i' ? "parseInt" : "parseFloat";
    Datum read;
    if (!call_number(call, call.parts[0].text, {datum}, read)) return false;
    number = read.number;
  }
  return append_inspected(Datum::of_number(number), node, out);
}

// util.format of Node.js.
bool Evaluator::call_format(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  std::string text;
  std::size_t taken = 0;
  if (arguments.size() > 1 && arguments[0].kind == DatumKind::text) {
    const std::string& form = arguments[0].text;
    taken = 1;
    for (std::size_t at = 0; at < form.size(); ++at) {
      const char letter = form[at] == '%' && at + 1 < form.size() ? form[at + 1] : '\0';
      const bool takes =
          std::string_view("sdifjoOc").find(letter) != std::string_view::npos && letter != '\0';
      if (letter == '%') {
        text += '%';
        ++at;
      } else if (takes && taken < arguments.size()) {
        ++at;
        if (letter == 'o') return not_yet(std::string("%") + letter + " is", node);
        if (letter != 'c' && !append_directive(letter, arguments[taken], node, text)) return false;
        ++taken;
      } else {
        text += form[at];
      }
    }
    if (taken < arguments.size()) text += ' ';
  }
  for (std::size_t i = taken; i < arguments.size(); ++i) {
    if (i > taken) text += ' ';
    if (!append_inspected(arguments[i], node, text)) return false;
  }
  out = Datum::of_text(std::move(text));
  return true;
}

bool Evaluator::call_math(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  const std::string& name = node.parts[0].text;
  double number = std::nan("");
  if (!is_method("Math." + name)) return not_yet("Math." + name + " is", node.parts[0]);
  if (name == "max" || name == "min") return call_extreme(node, name == "max", arguments, out);
  if (!arguments.empty() && !to_number(arguments[0], node, number)) return false;
  if (name == "pow") {
    double exponent = std::nan("");
    if (arguments.size() > 1 && !to_number(arguments[1], node, exponent)) return false;
    number = combine(computed::Operation::power, number, exponent);
  } else if (name == "sign") {
    number = number > 0 ? 1 : number < 0 ? -1 : number;
  } else if (name == "hypot") {
    return call_hypot(node, arguments, out);
  } else if (name == "sqrt") {
    number = std::sqrt(number);
  } else if (name == "fround") {
    number = static_cast<double>(static_cast<float>(number));
  } else if (const auto known = elementary(name, number)) {
    number = *known;
  } else if (has_word("sin cos tan", name)) {
    return not_yet("so large an angle is", node);
  } else if (name == "abs") {
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

// V8 adds the squares of what is scaled by the largest, and keeps what is lost: Kahan's sum.
bool Evaluator::call_hypot(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  double most = 0;
  bool has_nan = false;
  std::vector<double> numbers;
  for (const Datum& argument : arguments) {
    double number = 0;
    if (!to_number(argument, node, number)) return false;
    numbers.push_back(std::fabs(number));
    has_nan = has_nan || std::isnan(number);
    most = std::max(most, std::isnan(number) ? 0 : std::fabs(number));
  }
  double sum = 0;
  double lost = 0;
  for (const double number : numbers) {
    const double part = number / most;
    const double summand = part * part - lost;
    const double next = sum + summand;
    lost = next - sum - summand;
    sum = next;
  }
  out = Datum::of_number(std::isinf(most) ? most
                         : has_nan        ? std::nan("")
                         : most == 0      ? 0
                                          : std::sqrt(sum) * most);
  return true;
}

std::string Evaluator::digits_of(const SignedNatural& whole, int radix) {
  std::string out;
  append_whole(whole.magnitude, radix, Letters::lower, out);
  return out;
}

bool Evaluator::take_integer(const std::vector<Datum>& arguments, std::size_t which,
                             const Node& node, double usual, double& out) {
  out = usual;
  if (which >= arguments.size() || arguments[which].kind == DatumKind::undefined) return true;
  if (!to_number(arguments[which], node, out)) return false;
  out = std::isnan(out) ? 0 : std::trunc(out);
  return true;
}

bool Evaluator::call_method(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                            Datum& out) {
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
    case DatumKind::boolean:
      if (name == "toString" || name == "valueOf" || name == "toLocaleString") {
        out = Datum::of_text(of.truth ? "true" : "false");
        if (name == "valueOf") out = of;
        return true;
      }
      break;
    case DatumKind::map:
    case DatumKind::set:
      return call_on_collection(node, of, arguments, out);
    case DatumKind::date:
      return call_on_date(node, of, arguments, out);
    case DatumKind::pattern:
      return call_on_pattern(node, of, arguments, out);
    case DatumKind::formatter:
      return call_formatter(node, of, arguments, out);
    case DatumKind::function:
    case DatumKind::iterator:
      return not_yet("the method " + name + " of this is", node.parts[0]);
    case DatumKind::array: {
      bool is_known = false;
      const bool done = call_on_array(node, of, arguments, out, is_known);
      if (is_known) return done;
      out = {};
      [[fallthrough]];
    }
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

bool Evaluator::append_items(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                             std::string& out) {
  for (std::size_t i = 0; i < item_count(of); ++i) {
    Datum& item = of.items[i];
    if (i > 0) out += ',';
    if (item.kind <= DatumKind::null) continue;
    Datum text;
    if (!call_method(node, item, arguments, text)) return false;
    out += text.text;
  }
  return true;
}

bool Evaluator::missing(const Node& node, bool known) {
  const std::string& name = node.parts[0].text;
  if (known || (name != "slice" && name.rfind("to", 0) != 0 && !is_common(name)))
    return fail("TypeError", name + " is not a function here", node.parts[0]);
  return not_yet("the method " + name + " is", node.parts[0]);
}

bool Evaluator::is_common(std::string_view name) {
  constexpr std::string_view names[] = {
      "at",        "charAt",     "concat",         "replace",    "replaceAll",  "split",
      "substring", "substr",     "trimStart",      "trimEnd",    "normalize",   "includes",
      "indexOf",   "startsWith", "endsWith",       "map",        "filter",      "reverse",
      "sort",      "forEach",    "reduce",         "valueOf",    "codePointAt", "charCodeAt",
      "keys",      "match",      "every",          "some",       "flat",        "fill",
      "find",      "entries",    "values",         "push",       "pop",         "shift",
      "unshift",   "splice",     "call",           "apply",      "bind",        "isWellFormed",
      "search",    "matchAll",   "localeCompare",  "format",     "add",         "set",
      "delete",    "clear",      "hasOwnProperty", "copyWithin", "toSpliced",   "with",
      "anchor",    "link"};
  return std::find(std::begin(names), std::end(names), name) != std::end(names);
}

bool Evaluator::call_digits(const Node& node, double number, const std::vector<Datum>& arguments,
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
                name + "() argument must be between " + (precision ? "1" : "0") + " and 100", node);
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

Spec Evaluator::digits_spec(std::string_view name, int count, bool given) {
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

void Evaluator::put_precision(Spec spec, const BinaryReal& real, const NumberStyle& style,
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

void Evaluator::put_shortest(Spec spec, const BinaryReal& real, const NumberStyle& style,
                             Output& out) {
  Digits digits;
  shortest_digits(binary64, real, digits);
  spec.places = std::max(digits.size() - 1, 0);
  lay_out_digits(spec, real.negative, digits, style, out);
}

bool Evaluator::given_in_bits(const Node& call) const {
  const Node& of = call.parts[0].parts[0];
  if (of.kind == Node::Kind::number) return false;
  const Value* value = of.kind == Node::Kind::name ? scope_.find(of.text) : nullptr;
  return value == nullptr || value->given_in_bits() || !is_real(value->type());
}

bool Evaluator::call_radix(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
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

bool Evaluator::call_join(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
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
    if (out.text.size() > most_output)
      return over_limit("values of more than " + std::to_string(most_output) + " bytes", node);
  }
  return true;
}

bool Evaluator::call_on_text(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                             Datum& out) {
  const std::string& name = node.parts[0].text;
  out.kind = DatumKind::text;
  if (name == "padStart" || name == "padEnd") return call_pad(node, of, arguments, out);
  if (name == "repeat") return call_repeat(node, of, arguments, out);
  if (name == "toUpperCase") {
    out.text = upper_case(of.text);
  } else if (name == "toLowerCase") {
    out.text = lower_case(of.text);
  } else if (name.starts_with("trim") && is_method(name)) {
    const std::string_view middle = trimmed(of.text);
    const auto from = static_cast<std::size_t>(middle.data() - of.text.data());
    out.text = middle;
    if (!middle.empty() && name == "trimStart") out.text = of.text.substr(from);
    if (!middle.empty() && name == "trimEnd") out.text = of.text.substr(0, from + middle.size());
  } else if (has_word("slice substring charAt at charCodeAt codePointAt", name)) {
    return call_units(node, of, arguments, out);
  } else if (has_word("includes startsWith endsWith indexOf lastIndexOf", name)) {
    return find_text(node, of, arguments, out);
  } else if (name == "replace" || name == "replaceAll") {
    return replace(node, of, arguments, out);
  } else if (name == "split") {
    return split(node, of, arguments, out);
  } else if (has_word("match matchAll search", name)) {
    return match(node, of, arguments, out);
  } else if (name == "concat") {
    out.text = std::move(of.text);
    for (const Datum& argument : arguments) append_text(argument, out.text);
  } else if (name == "toString" || name == "toLocaleString") {
    out.text = std::move(of.text);
  } else {
    return missing(node, is_method(name));
  }
  return true;
}

bool Evaluator::call_pad(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
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

bool Evaluator::note_padding(const Node& node, const Datum& of, std::size_t width) {
  if (notes_ != nullptr) {
    Spec spec;
    spec.width = static_cast<int>(std::min<std::size_t>(width, most_width));
    note_text(spec, of.text, unit_, node.span, *notes_);
  }
  return true;
}

bool Evaluator::call_repeat(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                            Datum& out) {
  double count = 0;
  if (!take_integer(arguments, 0, node, 0, count)) return false;
  if (count < 0 || std::isinf(count))
    return fail("RangeError", "Invalid count value: " + number_text(count), node);
  const double length = count * static_cast<double>(measure(of.text, WidthUnit::utf16_units));
  if (length > longest_text) return fail("RangeError", "Invalid string length", node);
  if (length > most_width) return over_limit("a text of more than 1,000,000 units", node);
  if (of.text.empty()) return true;
  for (int i = 0; i < static_cast<int>(count); ++i) out.text += of.text;
  return true;
}

}  // namespace inky::inline v1::javascript
