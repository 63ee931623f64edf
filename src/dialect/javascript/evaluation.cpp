#include "evaluation.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <numeric>
#include <string>
#include <unordered_map>

#include "evaluator.hpp"
#include "inky_margin/text/columns.hpp"
#include "numbers.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

constexpr auto method_facts = std::to_array<MethodFact>({
    {"toFixed", "fixed notation with N places, of the stored value, ties away from zero"},
    {"toPrecision", "N significant digits; an exponent below 1e-6, or beyond the digits"},
    {"toExponential", "scientific notation with N places; without N, the shortest digits"},
    {"toString", "as text; of a number, in the base given"},
    {"toLocaleString",
     "with the marks of a locale; at most 3 places, of the shortest digits, ties away from zero"},
    {"padStart", "at least N UTF-16 units, filled on the left"},
    {"padEnd", "at least N UTF-16 units, filled on the right"},
    {"repeat", "the text N times"},
    {"toUpperCase", "in upper case"},
    {"toLowerCase", "in lower case"},
    {"trim", "without blanks at its ends"},
    {"slice", "from one place to another, counted from the end where below zero"},
    {"substring", "from one UTF-16 unit to another"},
    {"charAt", "one UTF-16 unit"},
    {"at", "one UTF-16 unit or item, counted from the end where below zero"},
    {"charCodeAt", "the number of a UTF-16 unit"},
    {"codePointAt", "the number of a code point"},
    {"concat", "with other values behind it"},
    {"includes", "whether a text or an array has a part"},
    {"startsWith", "whether a text begins with another"},
    {"endsWith", "whether a text ends with another"},
    {"indexOf", "where a part is first, or -1"},
    {"lastIndexOf", "where a part is last, or -1"},
    {"replace", "with the first part of this text replaced"},
    {"replaceAll", "with every part of this text replaced"},
    {"split", "the parts between a text, as an array"},
    {"trimStart", "without blanks in front"},
    {"trimEnd", "without blanks at the end"},
    {"map", "what a function makes of each item"},
    {"filter", "the items that a function holds for"},
    {"reduce", "one value of all items, by a function of two"},
    {"some", "whether a function holds for an item"},
    {"every", "whether a function holds for all items"},
    {"find", "the first item that a function holds for"},
    {"reverse", "the items in the opposite order"},
    {"sort", "the items in the order of their texts"},
    {"join", "the items of an array, with a text between them"},
    {"length", "UTF-16 units of a text, items of an array"},
    {"String", "any value as text"},
    {"Number", "a text read as a number; NaN if it is not one"},
    {"Math.round", "to the nearest whole number, ties up"},
    {"Math.floor", "to a whole number, down"},
    {"Math.ceil", "to a whole number, up"},
    {"Math.trunc", "to a whole number, toward zero"},
    {"Math.abs", "without its sign"},
    {"Math.max", "the largest of its arguments"},
    {"Math.min", "the smallest of its arguments"},
    {"Math.pow", "a number to a power"},
    {"Math.sqrt", "the square root"},
    {"Math.sign", "1, -1, or the zero itself"},
    {"Math.hypot", "the square root of the sum of squares"},
    {"Math.cbrt", "the cube root"},
    {"Math.fround", "the nearest number of 32 bits"},
    {"Math.exp", "e to a power"},
    {"Math.log", "the natural logarithm"},
    {"Math.log2", "the logarithm to the base 2"},
    {"Math.log10", "the logarithm to the base 10"},
    {"Math.sin", "the sine of an angle in radians"},
    {"Math.cos", "the cosine of an angle in radians"},
    {"Math.tan", "the tangent of an angle in radians"},
    {"Math.atan", "the angle of a tangent"},
    {"Number.isInteger", "whether it is a whole number"},
    {"Number.isSafeInteger", "whether it is a whole number below 2^53"},
    {"Number.isFinite", "whether it is a finite number"},
    {"Number.isNaN", "whether it is NaN"},
    {"parseFloat", "the number that a text begins with; also Number.parseFloat"},
    {"parseInt", "the whole number that a text begins with; also Number.parseInt"},
    {"isNaN", "whether it becomes NaN as a number"},
    {"isFinite", "whether it becomes a finite number"},
    {"JSON.stringify", "the text of a value in JSON"},
    {"Object.keys", "the names of an object"},
    {"Object.values", "the values of an object"},
    {"Object.entries", "the names and values of an object"},
    {"Array.isArray", "whether it is an array"},
    {"String.fromCharCode", "the text of UTF-16 units"},
    {"String.fromCodePoint", "the text of code points"},
    {"Intl.NumberFormat", "its format is toLocaleString of a number"},
    {"Intl.DateTimeFormat", "its format is toLocaleString of a date"},
    {"findIndex", "where the first item is that a function holds for, or -1"},
    {"findLast", "the last item that a function holds for"},
    {"findLastIndex", "where the last item is that a function holds for, or -1"},
    {"flatMap", "what a function makes of each item, arrays taken apart"},
    {"flat", "the items, arrays taken apart"},
    {"fill", "with one value in every place"},
    {"reduceRight", "the same, from the end"},
    {"toSorted", "the items in order"},
    {"toReversed", "the items in the opposite order"},
    {"keys", "the keys or places"},
    {"values", "the values"},
    {"entries", "the keys and values"},
    {"get", "the value of a key"},
    {"has", "whether a key is there"},
    {"test", "whether a regular expression matches a text"},
    {"exec", "the first match of a regular expression"},
    {"match", "the first match, or all with the flag g"},
    {"matchAll", "all matches, with their groups"},
    {"search", "where the first match is, or -1"},
    {"toISOString", "a date as 2031-05-09T14:05:07.000Z"},
    {"toJSON", "the same"},
    {"toUTCString", "a date as Fri, 09 May 2031 14:05:07 GMT"},
    {"toDateString", "the day of a date"},
    {"toTimeString", "the time of day of a date, in UTC"},
    {"toLocaleDateString", "the day of a date, as a locale writes it"},
    {"toLocaleTimeString", "the time of day of a date, as a locale writes it"},
    {"getTime", "milliseconds since 1970"},
    {"getFullYear", "the year"},
    {"getMonth", "the month, from 0"},
    {"getDate", "the day of the month"},
    {"getDay", "the day of the week, from 0 for Sunday"},
    {"getHours", "the hour"},
    {"getMinutes", "the minute"},
    {"getSeconds", "the second"},
    {"getMilliseconds", "the millisecond"},
    {"Date.UTC", "the time of a date in UTC, in milliseconds"},
    {"Object.assign", "an object with the properties of others"},
    {"Object.fromEntries", "an object of keys and values"},
    {"Object.is", "whether two values are the same"},
    {"Array.from", "an array of what can be gone through"},
    {"Array.of", "an array of its arguments"},
    {"JSON.parse", "the value of a text in JSON"},
    {"encodeURIComponent", "with what has a meaning in a URI as its bytes"},
    {"encodeURI", "with what may not be in a URI as its bytes"},
});

}  // namespace

bool Evaluator::evaluate(const Node& node, Datum& out) {
  const bool was_ended = is_ended_;
  is_ended_ = false;
  const bool done = evaluate_node(node, out);
  is_ended_ = was_ended;
  return done;
}

bool Evaluator::evaluate_link(const Node& node, Datum& out) {
  return node.enclosed ? evaluate(node, out) : evaluate_node(node, out);
}

bool Evaluator::evaluate_all(const Node& node, std::size_t from, std::vector<Datum>& out) {
  for (std::size_t i = from; i < node.parts.size(); ++i) {
    const Node& part = node.parts[i];
    Datum made;
    if (part.kind == Node::Kind::hole)
      made.kind = DatumKind::hole;
    else if (!evaluate(part.kind == Node::Kind::spread ? part.parts[0] : part, made))
      return false;
    if (part.kind != Node::Kind::spread)
      out.push_back(std::move(made));
    else if (!append_spread(made, part, out))
      return false;
    constexpr std::size_t most_items = 100'000;
    if (out.size() > most_items) return too_long(part);
  }
  return true;
}

// typeof and void.
bool Evaluator::evaluate_word(const Node& node, Datum& out) {
  const Node& part = node.parts[0];
  const bool is_missing = node.text == "typeof" && part.kind == Node::Kind::name &&
                          scope_.find(part.text) == nullptr && !is_known_name(part.text);
  Datum of;
  if (!is_missing && !evaluate(part, of)) return false;
  if (node.text == "void") return true;
  constexpr std::string_view names[] = {"undefined", "undefined", "object", "boolean",
                                        "number",    "bigint",    "string"};
  out = Datum::of_text(std::string(of.kind == DatumKind::function ? "function"
                                   : of.kind > DatumKind::text
                                       ? "object"
                                       : names[static_cast<std::size_t>(of.kind)]));
  return true;
}

namespace {

// The number of a key that is the index of an array; nothing of any other.
std::optional<std::uint64_t> index_of(std::string_view key) {
  constexpr std::size_t most_digits = 9;
  const bool is_index = !key.empty() && key.size() <= most_digits &&
                        key.find_first_not_of("0123456789") == std::string_view::npos &&
                        (key[0] != '0' || key.size() == 1);
  if (!is_index) return std::nullopt;
  std::uint64_t out = 0;
  for (const char c : key) out = out * 10 + static_cast<std::uint64_t>(c - '0');
  return out;
}

// Of several values of one key the last stays, where the first was; keys that are indices come
// first: ECMA-262, 10.1.11.
void settle_keys(Datum& object) {
  std::unordered_map<std::string, std::size_t> places;
  std::vector<std::string> keys;
  std::vector<Datum> items;
  for (std::size_t i = 0; i < object.keys.size(); ++i) {
    const auto [found, is_new] = places.emplace(object.keys[i], keys.size());
    if (is_new) {
      keys.push_back(object.keys[i]);
      items.push_back(std::move(object.items[i]));
    } else {
      items[found->second] = std::move(object.items[i]);
    }
  }
  std::vector<std::size_t> order(keys.size());
  std::iota(order.begin(), order.end(), std::size_t{0});
  std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
    const auto first = index_of(keys[a]);
    const auto second = index_of(keys[b]);
    return first && (!second || *first < *second);
  });
  object.keys.clear();
  object.items.clear();
  for (const std::size_t place : order) {
    object.keys.push_back(std::move(keys[place]));
    object.items.push_back(std::move(items[place]));
  }
}

}  // namespace

bool Evaluator::evaluate_object(const Node& node, Datum& out) {
  out.kind = DatumKind::object;
  const auto put = [&](std::string key, Datum value) {
    out.keys.push_back(std::move(key));
    out.items.push_back(std::move(value));
  };
  for (std::size_t i = 0; i < node.parts.size(); ++i) {
    const Node& part = node.parts[i];
    Datum value;
    if (part.kind == Node::Kind::spread) {
      if (!evaluate(part.parts[0], value)) return false;
      if (value.kind == DatumKind::object) {
        for (std::size_t k = 0; k < value.items.size(); ++k) put(value.keys[k], value.items[k]);
      } else if (value.kind == DatumKind::array && value.keys.empty()) {
        for (std::size_t k = 0; k < value.items.size(); ++k) put(std::to_string(k), value.items[k]);
      } else if (value.kind > DatumKind::big && value.kind < DatumKind::map) {
        return not_yet("spreading this is", part);
      }
    } else if (part.kind == Node::Kind::entry) {
      Datum key;
      if (!evaluate(part.parts[0], key) || !evaluate(part.parts[1], value)) return false;
      std::string name;
      append_text(key, name);
      put(std::move(name), std::move(value));
    } else {
      if (!evaluate(part, value)) return false;
      put(node.keys[i], std::move(value));
    }
  }
  settle_keys(out);
  return within_budget(out, node);
}

void settle_all(Datum& datum) {
  for (Datum& item : datum.items) settle_all(item);
  if (datum.kind == DatumKind::object) settle_keys(datum);
}

bool Evaluator::evaluate_node(const Node& node, Datum& out) {
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
      out.kind = DatumKind::array;
      return evaluate_all(node, 0, out.items) && within_budget(out, node);
    case Node::Kind::object:
      return evaluate_object(node, out);
    case Node::Kind::pattern:
      out.kind = DatumKind::pattern;
      out.text = node.text;
      out.keys = node.keys;
      return check_pattern(node, out);
    case Node::Kind::text_template:
      return evaluate_template(node, out);
    case Node::Kind::unary:
      return evaluate_unary(node, out);
    case Node::Kind::binary:
      return evaluate_binary(node, out);
    case Node::Kind::condition: {
      Datum test;
      return evaluate(node.parts[0], test) && evaluate(node.parts[holds(test) ? 1 : 2], out);
    }
    case Node::Kind::member:
      return evaluate_member(node, out);
    case Node::Kind::item:
      return evaluate_item(node, out);
    case Node::Kind::call:
      return evaluate_call(node, out);
    case Node::Kind::construct:
      return construct(node, out) && within_budget(out, node);
    case Node::Kind::let: {
      Datum value;
      return evaluate(node.parts[1], value) && bind(node.parts[0], std::move(value)) &&
             evaluate(node.parts[2], out);
    }
    case Node::Kind::spread:
    case Node::Kind::hole:
    case Node::Kind::entry:
    case Node::Kind::with_default:
    case Node::Kind::assign:
    case Node::Kind::remove:
      return not_yet("this here is", node);
    case Node::Kind::sequence:
      for (const Node& part : node.parts) {
        out = {};
        if (!evaluate(part, out)) return false;
      }
      return true;
    case Node::Kind::word:
      return evaluate_word(node, out);
    case Node::Kind::function:
      make_function(node, out);
      return true;
  }
  return false;
}

bool Evaluator::fail(std::string_view name, std::string why, const Node& node) {
  failure_ = {std::string(name), std::move(why), node.span};
  return false;
}

bool Evaluator::not_yet(std::string what, const Node& node) {
  return fail("", std::move(what) + " not supported yet", node);
}

std::size_t Evaluator::weight_of(const Datum& datum) {
  std::size_t out = datum.text.size() + 64 * datum.items.size();
  for (const Datum& item : datum.items) out += weight_of(item);
  return out;
}

bool Evaluator::within_budget(const Datum& made, const Node& node) {
  const std::size_t weight = weight_of(made);
  made_ += weight;
  if (scope_.spent != nullptr) *scope_.spent += weight;
  const bool fits =
      made_ <= most_output && (scope_.spent == nullptr || *scope_.spent <= most_output);
  return fits || too_long(node);
}

bool Evaluator::evaluate_name(const Node& node, Datum& out) {
  for (auto own = own_.rbegin(); own != own_.rend(); ++own) {
    if (own->first != node.text) continue;
    out = own->second;
    return within_budget(out, node);
  }
  if (is_function_name(node.text) && scope_.find(node.text) == nullptr) {
    out = function_named(node.text);
    return true;
  }
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
    if (value->is_expression()) return evaluate_kept(*value, node, out);
    auto datum = datum_of(*value);
    if (!datum) return not_yet(describe(*value) + " as a value of JavaScript is", node);
    out = std::move(*datum);
    return within_budget(out, node);
  } else if (is_global(node.text)) {
    return not_yet(node.text + " by itself is", node);
  } else {
    return fail("ReferenceError", node.text + " is not defined", node);
  }
  return true;
}

bool Evaluator::evaluate_template(const Node& node, Datum& out) {
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

bool Evaluator::to_number(const Datum& datum, const Node& node, double& out) {
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
    case DatumKind::date:
      out = datum.number;
      return true;
    default: {
      std::string text;
      append_text(datum, text);
      out = read_number(text);
      return true;
    }
  }
}

bool Evaluator::check_members(const Datum& of, std::string_view name, const Node& node) {
  if (of.kind != DatumKind::undefined && of.kind != DatumKind::null) return true;
  return fail("TypeError",
              std::string("Cannot read properties of ") +
                  (of.kind == DatumKind::null ? "null" : "undefined") + " (reading '" +
                  std::string(name) + "')",
              node);
}

// What a name of a statement stands for that is kept as its source.
bool Evaluator::evaluate_kept(const Value& value, const Node& node, Datum& out) {
  TemplateContent content;
  content.source = value.as_text();
  std::size_t at = 0;
  auto read = std::make_shared<Node>();
  if (!read_expression(content, at, *read)) return not_yet("this name is", node);
  const auto outside = std::exchange(kept_, std::shared_ptr<const void>(read));
  auto own = std::exchange(own_, {});
  const bool done = evaluate(*read, out);
  own_ = std::move(own);
  kept_ = outside;
  failure_.span = done ? failure_.span : node.span;
  return done;
}

bool Evaluator::find_property(const Datum& of, std::string_view name, const Node& node,
                              Datum& out) {
  out = {};
  const auto place = std::find(of.keys.rbegin(), of.keys.rend(), name);
  const auto count_back = place - of.keys.rbegin();
  switch (of.kind) {
    case DatumKind::object:
    case DatumKind::array:
      if (place != of.keys.rend())
        out = of.items[of.items.size() - 1 - static_cast<std::size_t>(count_back)];
      else if (name == "length" && of.kind == DatumKind::array)
        out = Datum::of_number(static_cast<double>(item_count(of)));
      return true;
    case DatumKind::text:
      if (name == "length")
        out = Datum::of_number(static_cast<double>(measure(of.text, WidthUnit::utf16_units)));
      return true;
    case DatumKind::map:
    case DatumKind::set:
      if (name == "size") out = Datum::of_number(static_cast<double>(of.items.size()));
      return true;
    case DatumKind::pattern:
      if (name == "source") out = Datum::of_text(of.text);
      if (name == "flags" && of.keys[0].size() > 1) return not_yet("this member is", node);
      if (name == "flags") out = Datum::of_text(of.keys[0]);
      if (name == "global") out = Datum::of_truth(of.keys[0].find('g') != std::string::npos);
      return name != "lastIndex" || not_yet("this member is", node);
    case DatumKind::error:
      if (name == "message") out = Datum::of_text(of.text);
      if (name == "name") out = Datum::of_text(of.keys[0]);
      return name != "stack" || not_yet("this member is", node);
    case DatumKind::function:
      if (name == "name" || name == "prototype") return not_yet("this member is", node);
      if (name == "length" && of.function->written)
        out = Datum::of_number(static_cast<double>(of.function->written->parts.size() - 1));
      return name != "length" || of.function->written || not_yet("this member is", node);
    default:
      return true;
  }
}

bool Evaluator::is_method(std::string_view name) {
  return std::any_of(method_facts.begin(), method_facts.end(),
                     [&](const MethodFact& fact) { return fact.name == name; });
}

bool Evaluator::evaluate_member(const Node& node, Datum& out) {
  if (const auto constant = find_constant(node, out)) return *constant;
  Datum of;
  if (!evaluate_link(node.parts[0], of)) return false;
  is_ended_ = is_ended_ || (node.optional && of.kind <= DatumKind::null);
  if (is_ended_) return true;
  if (!check_members(of, node.text, node)) return false;
  if (!find_property(of, node.text, node, out)) return false;
  const bool is_function =
      is_method(node.text) || is_common(node.text) || node.text == "constructor";
  if (out.kind != DatumKind::undefined || !is_function || node.text == "length") return true;
  return not_yet("the member " + node.text + " without a call is", node);
}

bool Evaluator::evaluate_item(const Node& node, Datum& out) {
  Datum of;
  Datum key;
  if (!evaluate_link(node.parts[0], of)) return false;
  is_ended_ = is_ended_ || (node.optional && of.kind <= DatumKind::null);
  if (is_ended_) return true;
  if (!evaluate(node.parts[1], key)) return false;
  std::string name;
  append_text(key, name);
  if (!check_members(of, name, node)) return false;
  const bool digits = !name.empty() && name.size() < 9 &&
                      name.find_first_not_of("0123456789") == std::string::npos &&
                      (name == "0" || name[0] != '0');
  if (digits && of.kind == DatumKind::array) {
    const auto index = static_cast<std::size_t>(std::stoul(name));
    if (index < item_count(of) && of.items[index].kind != DatumKind::hole) out = of.items[index];
    return true;
  }
  if (of.kind == DatumKind::text && digits) return evaluate_unit(node, of, std::stoul(name), out);
  if (!find_property(of, name, node, out)) return false;
  if (out.kind == DatumKind::undefined && (is_method(name) || is_common(name)) && name != "length")
    return not_yet("such a member is", node);
  return true;
}

bool Evaluator::evaluate_unit(const Node& node, const Datum& of, std::size_t index, Datum& out) {
  const std::string_view before = cut(of.text, index, WidthUnit::utf16_units);
  const std::string_view rest = std::string_view(of.text).substr(before.size());
  if (index >= measure(of.text, WidthUnit::utf16_units)) return true;
  const auto point = first_code_point(rest);
  if (measure(before, WidthUnit::utf16_units) != index || point->value > 0xFFFF)
    return not_yet("half of a surrogate pair is", node);
  out = Datum::of_text(std::string(rest.substr(0, static_cast<std::size_t>(point->bytes))));
  return true;
}

bool Evaluator::evaluate_call(const Node& node, Datum& out) {
  const Node& callee = node.parts[0];
  Datum of;
  const bool is_member = callee.kind == Node::Kind::member && global_in(callee).empty();
  if (is_member) {
    if (!evaluate_link(callee.parts[0], of)) return false;
    is_ended_ = is_ended_ || (callee.optional && of.kind <= DatumKind::null);
    if (is_ended_) return true;
    if (!check_members(of, callee.text, callee)) return false;
  }
  std::vector<Datum> arguments;
  const bool is_path = callee.kind == Node::Kind::name && !has_value(callee.text);
  // Any other expression may come to a function.
  Datum called;
  const bool is_value = callee.kind != Node::Kind::member && !is_path;
  if (is_value && !evaluate_link(callee, called)) return false;
  if (!evaluate_all(node, 1, arguments)) return false;
  if (is_value) return call_value(called, std::move(arguments), node, out);
  if (is_member) {
    if (of.kind == DatumKind::object &&
        std::find(of.keys.begin(), of.keys.end(), callee.text) != of.keys.end())
      return find_property(of, callee.text, node, called) &&
             call_value(called, std::move(arguments), node, out);
    if (const auto known = call_for_each(node, of, arguments, out))
      return *known && within_budget(out, node);
  }
  bool done = false;
  if (const auto known = call_of(node, arguments, out))
    done = *known;
  else
    done = is_member ? call_method(node, of, arguments, out) : call_function(node, arguments, out);
  return done && within_budget(out, node);
}

bool Evaluator::has_value(std::string_view name) const {
  return std::any_of(own_.begin(), own_.end(),
                     [&](const auto& own) { return own.first == name; }) ||
         scope_.find(name) != nullptr;
}

std::optional<Datum> evaluate(const Node& node, const Scope& scope, const Settings& settings,
                              Notes* notes, Failure& failure) {
  Datum out;
  if (!Evaluator(scope, settings, notes, failure).evaluate(node, out)) return std::nullopt;
  return out;
}

std::optional<Datum> evaluate_change(const Node& node, const Scope& scope, const Settings& settings,
                                     Failure& failure) {
  Datum out;
  if (!Evaluator(scope, settings, nullptr, failure).change(node, out)) return std::nullopt;
  return out;
}

std::span<const MethodFact> methods() {
  return method_facts;
}

}  // namespace inky::inline v1::javascript
