#include "evaluation.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <string>

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
});

}  // namespace

bool Evaluator::evaluate(const Node& node, Datum& out) {
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
  made_ += weight_of(made);
  return made_ <= most_output || too_long(node);
}

bool Evaluator::evaluate_name(const Node& node, Datum& out) {
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

void Evaluator::find_property(const Datum& of, std::string_view name, Datum& out) {
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

bool Evaluator::is_method(std::string_view name) {
  return std::any_of(method_facts.begin(), method_facts.end(),
                     [&](const MethodFact& fact) { return fact.name == name; });
}

bool Evaluator::evaluate_member(const Node& node, Datum& out) {
  Datum of;
  if (!evaluate(node.parts[0], of) || !check_members(of, node.text, node)) return false;
  find_property(of, node.text, out);
  const bool is_function =
      is_method(node.text) || is_common(node.text) || node.text == "constructor";
  if (out.kind != DatumKind::undefined || !is_function || node.text == "length") return true;
  return not_yet("the member " + node.text + " without a call is", node);
}

bool Evaluator::evaluate_item(const Node& node, Datum& out) {
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
  const bool is_math = callee.kind == Node::Kind::member &&
                       callee.parts[0].kind == Node::Kind::name && callee.parts[0].text == "Math" &&
                       scope_.find("Math") == nullptr;
  const bool is_util = callee.kind == Node::Kind::member &&
                       callee.parts[0].kind == Node::Kind::name && callee.parts[0].text == "util" &&
                       callee.text == "format" && scope_.find("util") == nullptr;
  const bool is_member = callee.kind == Node::Kind::member && !is_math && !is_util;
  if (is_member && (!evaluate(callee.parts[0], of) || !check_members(of, callee.text, callee)))
    return false;
  if (callee.kind != Node::Kind::member && callee.kind != Node::Kind::name)
    return not_yet("such a call is", node);
  std::vector<Datum> arguments(node.parts.size() - 1);
  for (std::size_t i = 0; i < arguments.size(); ++i) {
    if (!evaluate(node.parts[i + 1], arguments[i])) return false;
  }
  const bool done = is_math     ? call_math(node, arguments, out)
                    : is_util   ? call_format(node, arguments, out)
                    : is_member ? call_method(node, of, arguments, out)
                                : call_function(node, arguments, out);
  return done && within_budget(out, node);
}

std::optional<Datum> evaluate(const Node& node, const Scope& scope, const Settings& settings,
                              Notes* notes, Failure& failure) {
  Datum out;
  if (!Evaluator(scope, settings, notes, failure).evaluate(node, out)) return std::nullopt;
  return out;
}

std::span<const MethodFact> methods() {
  return method_facts;
}

}  // namespace inky::inline v1::javascript
