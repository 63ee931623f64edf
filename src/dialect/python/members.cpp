// The members, items and parts of values, and the methods of all but texts, that expressions of
// Python may use: the Library Reference, "Numeric Types", "Sequence Types", "Mapping Types",
// datetime.

#include <algorithm>
#include <cmath>

#include "../family/values.hpp"
#include "attributes.hpp"
#include "expressions.hpp"
#include "text/escape.hpp"
#include "times.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

// The slice of `size` items: where it begins, in which steps, and how many it has.
struct Slice {
  std::int64_t from = 0;
  std::int64_t step = 1;
  std::int64_t count = 0;
};

std::int64_t whole_or(const Value& value, std::int64_t other) {
  if (value.is(Type::nil)) return other;
  const Integer number = computed::whole_of(value);
  constexpr std::int64_t most = std::int64_t{1} << 60;
  return number > most ? most : number < -most ? -most : number.convert_to<std::int64_t>();
}

// Objects/sliceobject.c: PySlice_AdjustIndices. REQUIRES: a step that is not zero.
Slice slice_of(const Value& from, const Value& to, const Value& step, std::int64_t size) {
  Slice out;
  out.step = whole_or(step, 1);
  const bool backwards = out.step < 0;
  const auto settled = [&](const Value& value, std::int64_t other) {
    if (value.is(Type::nil)) return other;
    std::int64_t at = whole_or(value, 0);
    if (at < 0) at += size;
    return std::clamp<std::int64_t>(at, backwards ? -1 : 0, backwards ? size - 1 : size);
  };
  out.from = settled(from, backwards ? size - 1 : 0);
  const std::int64_t end = settled(to, backwards ? -1 : size);
  const std::int64_t way = backwards ? out.from - end : end - out.from;
  const std::int64_t stride = backwards ? -out.step : out.step;
  out.count = way <= 0 ? 0 : (way - 1) / stride + 1;
  return out;
}

}  // namespace

bool Expressions::member(const Node& node, const Value& of, Value& out) {
  const std::string& name = node.text;
  if (const auto part = part_of_week(name, of, out)) return *part;
  if (name == "tzinfo" && of.is(Type::moment) && of.as_moment().offset) {
    out = zone_object_of(zone_of(of.as_moment()));
    return true;
  }
  if (name == "key" && computed::is_object(of, zone_object)) {
    out = Value::text(zone_text(of));
    return true;
  }
  if (computed::is_object(of))
    return not_yet("the attribute " + in_quotes(name) + " of this is", node);
  if (auto known = attribute_of(of, name)) {
    out = std::move(*known);
    return true;
  }
  if (has_attribute(of, name)) return not_yet("the attribute " + in_quotes(name) + " is", node);
  return raise("AttributeError",
               "'" + std::string(type_name(of)) + "' object has no attribute '" + name + "'", node);
}

bool Expressions::item(const Node& node, const Value& of, const Value& at, Value& out) {
  if (computed::is_object(of)) {
    const auto part = part_of_week(describe(at), of, out);
    return part ? *part : not_yet("an item of this is", node);
  }
  const std::string type(type_name(of));
  if (of.is(Type::record)) {
    if (is_text_or_character(at)) {
      for (const Value& field : of.as_list()) {
        if (field.name() != text_of(at)) continue;
        out = field;
        out.drop_name();
        return true;
      }
    } else if (is_compound(at.type()) && !at.is(Type::tuple)) {
      return raise("TypeError", "unhashable type: '" + std::string(type_name(at)) + "'", node);
    }
    return raise("KeyError", text_of_any(at, Conversion::repr), node);
  }
  const bool is_text = is_text_or_character(of);
  if (!is_text && !of.is(Type::list) && !of.is(Type::tuple))
    return raise("TypeError", "'" + type + "' object is not subscriptable", node);
  if (!is_int(at)) {
    return raise("TypeError",
                 (is_text ? "string" : type) + " indices must be integers, not '" +
                     std::string(type_name(at)) + "'",
                 node);
  }
  const std::string text = is_text ? text_of(of) : std::string();
  const std::vector<std::string_view> characters = characters_of(text);
  const auto size = static_cast<std::int64_t>(is_text ? characters.size() : of.as_list().size());
  std::int64_t index = whole_or(at, 0);
  if (index < 0) index += size;
  if (index < 0 || index >= size)
    return raise("IndexError", (is_text ? "string" : type) + " index out of range", node);
  const auto place = static_cast<std::size_t>(index);
  out = is_text ? Value::text(std::string(characters[place])) : of.as_list()[place];
  return true;
}

bool Expressions::slice(const Node& node, const Value& of, const Value& from, const Value& to,
                        const Value& step, Value& out) {
  const bool is_text = is_text_or_character(of);
  if (of.is(Type::record)) return raise("TypeError", "unhashable type: 'slice'", node);
  if (!is_text && !of.is(Type::list) && !of.is(Type::tuple))
    return raise("TypeError", "'" + std::string(type_name(of)) + "' object is not subscriptable",
                 node);
  for (const Value* part : {&from, &to, &step}) {
    if (!part->is(Type::nil) && !is_int(*part))
      return raise("TypeError",
                   "slice indices must be integers or None or have an __index__ method", node);
  }
  if (!step.is(Type::nil) && whole_or(step, 1) == 0)
    return raise("ValueError", "slice step cannot be zero", node);
  const std::string text = is_text ? text_of(of) : std::string();
  const std::vector<std::string_view> characters = characters_of(text);
  const std::size_t size = is_text ? characters.size() : of.as_list().size();
  const Slice taken = slice_of(from, to, step, static_cast<std::int64_t>(size));
  std::string made;
  std::vector<Value> items;
  for (std::int64_t i = 0; i < taken.count; ++i) {
    const auto place = static_cast<std::size_t>(taken.from + i * taken.step);
    if (is_text)
      made += characters[place];
    else
      items.push_back(of.as_list()[place]);
  }
  out = is_text             ? Value::text(std::move(made))
        : of.is(Type::list) ? Value::list(std::move(items))
                            : Value::tuple(std::move(items));
  return true;
}

bool Expressions::call_method(const Node& node, const Value& of, const Arguments& arguments,
                              Value& out) {
  const std::string& name = node.parts[0].text;
  if (computed::is_object(of)) {
    const auto done = call_on_zone(node, name, of, arguments, out);
    return done ? *done : not_yet("the method " + name + " of this is", node);
  }
  if (is_time_value(of)) {
    if (const auto done = call_on_time_by_name(node, of, arguments, out)) return *done;
  }
  if (!has_attribute(of, name) || attribute_of(of, name)) {
    Value attribute;
    if (!member(node.parts[0], of, attribute)) return false;
    return raise("TypeError", "'" + std::string(type_name(attribute)) + "' object is not callable",
                 node);
  }
  if (is_text_or_character(of)) {
    if (name == "format") return format_braces(node, of, arguments, out);
    if (!arguments.named.empty()) return not_yet("arguments by name of " + name + " are", node);
    const std::string text = text_of(of);
    return call_on_text(node, text, arguments, out);
  }
  if (of.is(Type::fraction)) return call_on_fraction(node, of, arguments, out);
  if (of.is(Type::decimal)) return call_on_decimal(node, of, arguments, out);
  if (!arguments.named.empty()) return not_yet("arguments by name of " + name + " are", node);
  if (is_compound(of.type())) return call_on_items_of(node, of, arguments, out);
  return call_on_number(node, of, arguments, out);
}

bool Expressions::call_on_number(const Node& node, const Value& of, const Arguments& arguments,
                                 Value& out) {
  const std::string& name = node.parts[0].text;
  if (is_time_value(of)) return call_on_time(node, of, arguments, out);
  if (!takes(node, name, arguments, 0, 0)) return false;
  if (name == "conjugate" && !of.is(Type::complex)) {
    if (!is_int(of)) {
      out = of;
      return true;
    }
    return keep(node, computed::whole_of(of), out);
  }
  if (is_int(of)) {
    const Integer number = computed::whole_of(of);
    const Integer magnitude = number < 0 ? Integer(-number) : number;
    if (name == "bit_length") return keep(node, bit_length(magnitude), out);
    if (name == "bit_count") {
      int count = 0;
      for (int i = 0; i < bit_length(magnitude); ++i)
        count += boost::multiprecision::bit_test(magnitude, static_cast<unsigned>(i)) ? 1 : 0;
      return keep(node, count, out);
    }
    if (name == "as_integer_ratio") {
      out = Value::tuple({whole_value(number), Value::whole(Type::i32, 1)});
      return true;
    }
  }
  if (is_real(of.type())) {
    const BinaryReal real = nearest_f64(of);
    if (name == "is_integer") {
      out = Value::truth(is_whole_number(real));
      return true;
    }
    if (name == "as_integer_ratio" && real.is_finite()) {
      const Rational exact = rational_of(real);
      Value above;
      Value below;
      if (!keep(node, numerator(exact), above) || !keep(node, denominator(exact), below))
        return false;
      out = Value::tuple({above, below});
      return true;
    }
  }
  return not_yet("the method " + name + " is", node);
}

bool Expressions::call_on_items_of(const Node& node, const Value& of, const Arguments& arguments,
                                   Value& out) {
  const std::string& name = node.parts[0].text;
  const auto items = of.as_list();
  if (of.is(Type::record)) {
    if (name == "copy" && arguments.size() == 0) {
      out = of;
      out.drop_name();
      return true;
    }
    if (name != "get") return not_yet("the method " + name + " is", node);
    if (!takes(node, name, arguments, 1, 2)) return false;
    out = arguments.size() == 2 ? arguments[1] : Value();
    for (const Value& field : items) {
      if (!is_text_or_character(arguments[0]) || field.name() != text_of(arguments[0])) continue;
      out = field;
      out.drop_name();
    }
    return true;
  }
  if (name == "copy" && of.is(Type::list) && arguments.size() == 0) {
    out = of;
    out.drop_name();
    return true;
  }
  if (name != "index" && name != "count") return not_yet("the method " + name + " is", node);
  if (!takes(node, name, arguments, 1, 1)) return false;
  const auto same = [&](const Value& item) { return equal(item, arguments[0]); };
  if (name == "count")
    return keep(node, Integer(std::count_if(items.begin(), items.end(), same)), out);
  const auto found = std::find_if(items.begin(), items.end(), same);
  if (found == items.end())
    return raise("ValueError", text_of_any(arguments[0], Conversion::repr) + " is not in list",
                 node);
  return keep(node, Integer(found - items.begin()), out);
}

}  // namespace inky::inline v1::python
