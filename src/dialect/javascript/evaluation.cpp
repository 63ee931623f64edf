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
    if (out.size() > most_items) return over_limit("more than 100,000 items", part);
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

bool Evaluator::evaluate_node(const Node& node, Datum& out) {
  // Functions call each other: what is inside of what is counted over all of them.
  constexpr int deepest = 400;
  if (depth_ >= deepest) return over_limit("calls and operators more than 400 deep", node);
  ++depth_;
  const bool done = evaluate_inside(node, out);
  --depth_;
  return done;
}

bool Evaluator::evaluate_inside(const Node& node, Datum& out) {
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
  return fits || over_limit("values of more than " + std::to_string(most_output) + " bytes", node);
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

}  // namespace inky::inline v1::javascript
