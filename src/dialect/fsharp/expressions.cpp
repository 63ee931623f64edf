// Operators of F#: both sides have one type, and nothing is converted unasked.

#include "expressions.hpp"

#include <algorithm>
#include <utility>

#include "../computed/elementary.hpp"
#include "../computed/units.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "members.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::fsharp {

namespace {

using computed::Node;
using computed::Operation;
using computed::Trouble;

constexpr auto rules = [] {
  computed::TypedRules out;
  out.grammar = &grammar;
  out.language = "F#";
  out.compile_fault = "FS0001";
  out.most_character = 0;
  out.zero_fault = "DivideByZeroException";
  out.zero_reason = "a whole number divided by zero";
  out.quotient_fault = "OverflowException";
  out.reals_have_remainders = true;
  out.reals_saturate = true;
  return out;
}();

bool is_shift(Operation operation) {
  return operation == Operation::shift_left || operation == Operation::shift_right;
}

bool is_machine_number(const Value& value) {
  return is_integer(value) || value.is(Type::f32) || value.is(Type::f64);
}

}  // namespace

Expressions::Expressions(const computed::Scope& scope) : Typed(scope, rules) {}

std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  if (node.kind == Node::Kind::list) return evaluate_list(node, out);
  if (node.kind == Node::Kind::binary && node.operation == Operation::range)
    return not_yet("a range here is", node);
  const bool has_part = node.kind == Node::Kind::item && node.parts[1].kind == Node::Kind::binary &&
                        node.parts[1].operation == Operation::range;
  if (has_part) return evaluate_part_of_text(node, out);
  // name.[0]
  return std::nullopt;
}

bool Expressions::evaluate_list(const Node& node, Value& out) {
  std::vector<Value> items;
  for (const Node& part : node.parts) {
    const bool is_range = part.kind == Node::Kind::binary && part.operation == Operation::range;
    if (!is_range) {
      items.emplace_back();
      if (!evaluate_again(part, items.back())) return false;
    } else {
      Value from;
      Value to;
      if (node.parts.size() > 1 || part.parts[0].kind == Node::Kind::binary)
        return not_yet("a range with a step is", part);
      if (!evaluate_again(part.parts[0], from) || !evaluate_again(part.parts[1], to)) return false;
      if (!from.is(Type::i32) || !to.is(Type::i32)) return not_yet("a range of these is", part);
      constexpr int most_items = 10'000;
      if (to.as_whole() - from.as_whole() > most_items)
        return over_limit("a list of more than 10000 items is over the limit", part);
      for (int128 i = from.as_whole(); i <= to.as_whole(); ++i)
        items.push_back(Value::whole(Type::i32, i));
    }
    if (items.size() > 1 && items.back().type() != items.front().type())
      return mismatch("all items of a list have one type", part);
  }
  out = Value::list(std::move(items));
  return true;
}

// name[0..1]
bool Expressions::evaluate_part_of_text(const Node& node, Value& out) {
  Value of;
  Value from;
  Value to;
  const Node& range = node.parts[1];
  if (!evaluate_again(node.parts[0], of) || !evaluate_again(range.parts[0], from) ||
      !evaluate_again(range.parts[1], to))
    return false;
  if (!of.is(Type::text) || !from.is(Type::i32) || !to.is(Type::i32))
    return not_yet("a part of this is", node);
  const std::u16string units = utf16_of(of.as_text());
  // Beyond the ends there is nothing.
  const auto size = static_cast<int128>(units.size());
  const int128 first = std::max<int128>(from.as_whole(), 0);
  const int128 last = std::min<int128>(to.as_whole(), size - 1);
  std::optional<std::string> part = std::string();
  if (first <= last)
    part = computed::utf8_of(std::u16string_view(units).substr(
        static_cast<std::size_t>(first), static_cast<std::size_t>(last - first + 1)));
  if (!part) return not_yet("half of a surrogate pair is", node);
  out = Value::text(std::move(*part));
  return true;
}

bool Expressions::apply(const Node& node, const Value& operand, Value& out) {
  if (operand.is(Type::duration)) {
    Members members(locale());
    return members.apply(node, operand, out) || take_over(members.trouble(), node);
  }
  if (operand.is(Type::decimal) && node.operation != Operation::complement) {
    Decimal changed = operand.as_decimal();
    if (node.operation == Operation::negate) changed.negative = !changed.negative;
    out = Value::decimal(std::move(changed));
    return true;
  }
  if (node.operation == Operation::keep) {
    if (!is_machine_number(operand))
      return mismatch("there is no + for " + describe(operand), node);
    out = operand;
    return true;
  }
  const bool is_unsigned = is_integer(operand) && !fact_of(operand.type()).is_signed;
  if (node.operation == Operation::negate && is_unsigned)
    return mismatch("there is no - for a " + std::string(type_name(operand)), node);
  if (!is_machine_number(operand))
    return operand.is(Type::big)
               ? not_yet("arithmetic with bigint is", node)
               : mismatch("there is no such operator for " + describe(operand), node);
  if (!Typed::apply(node, operand, out)) return false;
  if (is_integer(out)) out = computed::wrapped(operand.type(), computed::whole_of(out));
  return true;
}

bool Expressions::shift(const Node& node, Operation operation, const Value& left,
                        const Value& right, Value& out) {
  if (!is_integer(left)) return mismatch("what is shifted is a whole number", node);
  if (!right.is(Type::i32)) return mismatch("a shift is by an int", node);
  const int width = fact_of(left.type()).width;
  // By the low bits of the count, as .NET does it.
  const int by = static_cast<int>(right.as_whole() & (width - 1));
  out = computed::wrapped(
      left.type(),
      computed::shifted(computed::whole_of(left), operation == Operation::shift_left ? by : -by));
  return true;
}

bool Expressions::power(const Node& node, const Value& left, const Value& right, Value& out) {
  if (!is_real(left.type()) || left.type() != right.type())
    return mismatch("** is for two floats; pown takes whole numbers", node);
  if (!left.is(Type::f64)) return not_yet("** of float32 is", node);
  out = Value::real(computed::power(computed::double_of(left), computed::double_of(right)));
  return true;
}

bool Expressions::combine(const Node& node, Operation operation, const Value& left,
                          const Value& right, Value& out) {
  const auto is_of_times = [](const Value& value) {
    return value.is(Type::moment) || value.is(Type::date) || value.is(Type::time) ||
           value.is(Type::duration) || computed::is_object(value, csharp::weekday_object) ||
           computed::is_object(value, csharp::kind_object);
  };
  if (is_of_times(left) || is_of_times(right)) {
    Members members(locale());
    return members.combine(node, operation, left, right, out) || take_over(members.trouble(), node);
  }
  for (const Value* side : {&left, &right}) {
    const bool is_known = is_machine_number(*side) || side->is(Type::text) ||
                          side->is(Type::truth) || side->is(Type::character) ||
                          side->is(Type::decimal);
    if (!is_known) return not_yet("an operator of " + std::string(type_name(*side)) + " is", node);
  }
  if (is_shift(operation)) return shift(node, operation, left, right, out);
  if (operation == Operation::power) return power(node, left, right, out);
  if (left.type() != right.type())
    return mismatch("the sides are a " + std::string(type_name(left)) + " and a " +
                        std::string(type_name(right)),
                    node);
  if (left.is(Type::text)) {
    if (operation == Operation::add) {
      out = Value::text(std::string(left.as_text()) + std::string(right.as_text()));
      return true;
    }
    if (!computed::is_comparison(operation))
      return mismatch("there is no such operator for strings", node);
    // By units of UTF-16.
    const int order = utf16_of(left.as_text()).compare(utf16_of(right.as_text()));
    out = Value::truth(computed::relates(operation, order <=> 0));
    return true;
  }
  if (computed::is_comparison(operation)) {
    out = Value::truth(computed::relates(operation, computed::compare(left, right)));
    return true;
  }
  if (left.is(Type::decimal)) return combine_decimals(node, operation, left, right, out);
  if (!is_machine_number(left)) {
    if (left.is(Type::character)) return not_yet("arithmetic with characters is", node);
    return mismatch("there is no such operator for bools", node);
  }
  if (!Typed::combine(node, operation, left, right, out)) return false;
  if (is_integer(out)) out = computed::wrapped(left.type(), computed::whole_of(out));
  return true;
}

bool Expressions::settle_sides(const Node& node, Side taken, Side other) {
  if (taken.value.type() == other.value.type() || other.value.is(Type::nil)) return true;
  return mismatch("the two sides of an if have one type", node);
}

bool Expressions::name_without_value(const Node& node, Value& out) {
  if (node.text == "infinity" || node.text == "nan") {
    const double infinity = std::numeric_limits<double>::infinity();
    out = Value::real(node.text == "nan" ? -std::numeric_limits<double>::quiet_NaN() : infinity);
    return true;
  }
  const std::string path = computed::path_of(node);
  if (path == "Math.PI" || path == "System.Math.PI") {
    out = Value::real(0x1.921fb54442d18p+1);
    return true;
  }
  std::string_view name = path;
  if (name.starts_with("System.")) name.remove_prefix(7);
  if (node.kind == Node::Kind::member && (is_of_dotnet(name) || name.starts_with("DayOfWeek.") ||
                                          name.starts_with("MidpointRounding."))) {
    Members members(locale());
    return members.name_without_value(node, out) || take_over(members.trouble(), node);
  }
  if (node.kind == Node::Kind::member) return not_yet("the member " + node.text + " is", node);
  if (has_word(grammar.functions, node.text)) return not_yet("a function as a value is", node);
  return fail(Trouble::When::compile, "FS0039",
              "the value or constructor '" + node.text + "' is not defined", node);
}

bool Expressions::call_value(const Node& node, const Value&, const Arguments&, Value&) {
  return not_yet("calling this is", node);
}

// What C# refuses, F# refuses by other names: nothing is said about those yet.
bool Expressions::call_method(const Node& node, const Value& of, const Arguments& arguments,
                              Value& out) {
  Members members(locale());
  return members.call_method(node, of, arguments, out) || take_over(members.trouble(), node);
}

bool Expressions::member(const Node& node, const Value& of, Value& out) {
  if (of.is(Type::list) && node.text == "Length") {
    out = Value::whole(Type::i32, static_cast<int128>(of.as_list().size()));
    return true;
  }
  Members members(locale());
  return members.member(node, of, out) || take_over(members.trouble(), node);
}

bool Expressions::item(const Node& node, const Value& of, const Value& at, Value& out) {
  Members members(locale());
  return members.item(node, of, at, out) || take_over(members.trouble(), node);
}

bool Expressions::take_over(const std::optional<Trouble>& trouble, const Node& node) {
  if (trouble && trouble->when != Trouble::When::compile)
    return fail(trouble->when, trouble->as, trouble->why, node);
  return not_yet("this with these values is", node);
}

}  // namespace inky::inline v1::fsharp
