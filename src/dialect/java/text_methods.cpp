// The methods of String that expressions of Java may call, and those of a list.

#include <algorithm>

#include "../computed/objects.hpp"
#include "../computed/units.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "number_formats.hpp"
#include "text/lower_case.hpp"
#include "text/simple_case.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::java_language {

namespace {

using computed::Node;
using computed::TextQuestion;

constexpr computed::TextQuestionName questions[] = {{"contains", TextQuestion::contains},
                                                    {"startsWith", TextQuestion::starts},
                                                    {"endsWith", TextQuestion::ends},
                                                    {"indexOf", TextQuestion::first},
                                                    {"lastIndexOf", TextQuestion::last}};

// What trim() takes away.
bool is_control_or_blank(char16_t unit) {
  return unit <= u' ';
}
// What Character.isWhitespace is true of.
bool is_blank_unit(char16_t unit) {
  return (9 <= unit && unit <= 13) || (0x1C <= unit && unit <= 0x20) || unit == 0x1680 ||
         (0x2000 <= unit && unit <= 0x200A && unit != 0x2007) || unit == 0x2028 || unit == 0x2029 ||
         unit == 0x205F || unit == 0x3000;
}

}  // namespace

bool Expressions::take_int(const Node& node, const Value& value, std::int64_t& out) {
  if (!is_number(value) || is_real(value.type()) || !promoted(value).is(Type::i32))
    return refuse("incompatible types: " + describe(value) + " is no int", node);
  out = static_cast<std::int64_t>(promoted(value).as_whole());
  return true;
}

// Methods without arguments.
bool Expressions::ask_text(const Node& node, std::string_view name, const Value& of, Value& out) {
  const std::u16string units = utf16_of(of.as_text());
  const auto keep_part = [&](std::u16string_view part) {
    out = Value::text(*computed::utf8_of(part));
    return true;
  };
  if (name == "length") {
    out = Value::whole(Type::i32, static_cast<int128>(units.size()));
    return true;
  }
  if (name == "isEmpty") {
    out = Value::truth(units.empty());
    return true;
  }
  if (name == "isBlank") {
    out = Value::truth(std::all_of(units.begin(), units.end(), is_blank_unit));
    return true;
  }
  if (name == "toUpperCase" || name == "toLowerCase") {
    out = Value::text(name == "toUpperCase" ? upper_case(of.as_text()) : lower_case(of.as_text()));
    return true;
  }
  if (name == "toString") {
    out = of;
    return true;
  }
  if (name == "trim") return keep_part(computed::trimmed(units, is_control_or_blank, true, true));
  if (name.starts_with("strip")) {
    const bool is_known = name == "strip" || name == "stripLeading" || name == "stripTrailing";
    if (is_known)
      return keep_part(
          computed::trimmed(units, is_blank_unit, name != "stripTrailing", name != "stripLeading"));
  }
  return not_yet("the method " + std::string(name) + " is", node);
}

// Methods that take another text.
bool Expressions::search_text(const Node& node, std::string_view name, const Value& of,
                              const Value& other, Value& out) {
  if (name == "equals") {
    out = Value::truth(other.is(Type::text) && other.as_text() == of.as_text());
    return true;
  }
  if (name == "equalsIgnoreCase" && other.is(Type::text)) {
    // Unit by unit: as capitals, and these as small letters.
    const auto folded = [](std::string_view text) {
      return simple_case(simple_case(text, Capitals::all), Capitals::none);
    };
    const bool is_long = utf16_of(of.as_text()).size() != of.as_text().size() &&
                         of.as_text().find('\xF0') != std::string_view::npos;
    if (is_long) return not_yet("the method equalsIgnoreCase of this is", node);
    out = Value::truth(folded(of.as_text()) == folded(other.as_text()));
    return true;
  }
  if (name == "compareTo" && other.is(Type::text)) {
    // The difference of the first units that differ, or of the lengths.
    const std::u16string a = utf16_of(of.as_text());
    const std::u16string b = utf16_of(other.as_text());
    std::size_t at = 0;
    while (at < a.size() && at < b.size() && a[at] == b[at]) ++at;
    const bool differs = at < a.size() && at < b.size();
    out = Value::whole(Type::i32,
                       differs ? int128{a[at]} - int128{b[at]}
                               : static_cast<int128>(a.size()) - static_cast<int128>(b.size()));
    return true;
  }
  const bool by_character = other.is(Type::character) && name.ends_with("ndexOf");
  if (!other.is(Type::text) && !by_character)
    return not_yet("the method " + std::string(name) + " with this value is", node);
  if (name == "concat") {
    out = Value::text(std::string(of.as_text()) + std::string(other.as_text()));
    return true;
  }
  for (const computed::TextQuestionName& known : questions) {
    if (known.name != name) continue;
    out = computed::answer(known.question, utf16_of(of.as_text()), utf16_of(text_of(other)));
    return true;
  }
  return not_yet("the method " + std::string(name) + " is", node);
}

// By a text that is no pattern. Empty parts at the end fall away.
bool Expressions::split_text(const Node& node, const Value& of, const Value& by, Value& out) {
  if (!by.is(Type::text)) return not_yet("the method split with this value is", node);
  std::string separator;
  const std::string_view pattern = by.as_text();
  for (std::size_t i = 0; i < pattern.size(); ++i) {
    const bool is_escaped =
        pattern[i] == '\\' && i + 1 < pattern.size() &&
        std::string_view("\\|.*+?()[]{}^$").find(pattern[i + 1]) != std::string_view::npos;
    if (is_escaped)
      ++i;
    else if (std::string_view("\\|.*+?()[]{}^$").find(pattern[i]) != std::string_view::npos)
      return not_yet("splitting by a pattern is", node);
    separator += pattern[i];
  }
  std::string_view text = of.as_text();
  if (separator.empty() || text.empty()) return not_yet("splitting this is", node);
  std::vector<Value> parts;
  for (std::size_t at = text.find(separator); at != std::string_view::npos;
       at = text.find(separator)) {
    parts.push_back(Value::text(std::string(text.substr(0, at))));
    text.remove_prefix(at + separator.size());
  }
  parts.push_back(Value::text(std::string(text)));
  while (!parts.empty() && parts.back().as_text().empty()) parts.pop_back();
  out = Value::list(std::move(parts));
  return true;
}

bool Expressions::part_of_text(const Node& node, std::string_view name, const Value& of,
                               const Arguments& arguments, Value& out) {
  const std::u16string units = utf16_of(of.as_text());
  const auto size = static_cast<std::int64_t>(units.size());
  std::int64_t from = 0;
  std::int64_t to = size;
  if (!take_int(node, arguments[0], from)) return false;
  if (arguments.size() > 1 && !take_int(node, arguments[1], to)) return false;
  if (name == "charAt") to = from + 1;
  const bool is_inside = 0 <= from && from <= to && to <= size;
  if (!is_inside)
    return raise("StringIndexOutOfBoundsException",
                 "the text has " + std::to_string(size) + " units", node,
                 name == "charAt" ? Value::character(U' ') : Value::text(""), out);
  const std::u16string_view part = std::u16string_view(units).substr(
      static_cast<std::size_t>(from), static_cast<std::size_t>(to - from));
  const auto text = computed::utf8_of(part);
  if (!text) return not_yet("half of a surrogate pair is", node);
  out = name == "charAt" ? Value::character(part[0]) : Value::text(*text);
  return true;
}

bool Expressions::call_method(const Node& node, const Value& of, const Arguments& arguments,
                              Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  if (of.is(Type::list)) return call_on_list(node, of, arguments, out);
  if (const auto done = call_with_zone(node, of, arguments, out)) return *done;
  if (const auto done = call_on_object(node, of, arguments, out)) return *done;
  if (of.is(Type::moment) || of.type() >= Type::date) {
    if (const auto done = call_with_object(node, of, arguments, out)) return *done;
  }
  if (of.is(Type::moment) || of.type() >= Type::date) {
    if (const auto done = call_on_time(node, of, arguments, out)) return *done;
  }
  if (computed::is_object(of, number_format_object)) {
    if (const auto done = call_on_number_format(node, of, arguments, out)) return *done;
  }
  if (const auto done = call_on_formatter(node, of, arguments, out)) return *done;
  if (of.is(Type::decimal)) return call_on_decimal(node, of, arguments, out);
  if (of.is(Type::big)) return call_on_big(node, of, arguments, out);
  if (of.is(Type::some)) {
    if (const auto done = call_on_some(node, of, arguments, out)) return *done;
  }
  // What is no literal may be an object.
  const bool is_literal = node.parts[0].parts[0].kind == Node::Kind::constant;
  if ((is_number(of) || of.is(Type::truth)) && is_literal)
    return refuse(describe(of) + " cannot be dereferenced", node);
  if (!of.is(Type::text)) return Evaluator::call_method(node, of, arguments, out);
  if (const auto done = call_on_name(node, of, arguments, out)) return *done;
  if (const auto changed = change_text(node, of, arguments, out)) return *changed;
  if (name == "split" && count == 1) return split_text(node, of, arguments[0], out);
  if (name == "formatted") return fill(node, *java_dialect(), of.as_text(), arguments.values, out);
  if (count == 0) return ask_text(node, name, of, out);
  if (name == "substring" || (name == "charAt" && count == 1))
    return count <= 2 ? part_of_text(node, name, of, arguments, out)
                      : refuse("substring takes one or two numbers", node);
  if (name == "repeat" && count == 1) {
    std::int64_t times = 0;
    if (!take_int(node, arguments[0], times)) return false;
    if (times < 0)
      return raise("IllegalArgumentException", "a text repeated fewer times than none", node,
                   Value::text(""), out);
    if (static_cast<std::uint64_t>(times) > most_output / (of.as_text().size() + 1))
      return over_limit("a text repeated " + std::to_string(times) + " times is over the limit",
                        node);
    std::string text;
    for (std::int64_t i = 0; i < times; ++i) text += of.as_text();
    out = Value::text(std::move(text));
    return true;
  }
  if (name == "replace" && count == 2 && is_text_or_character(arguments[0]) &&
      arguments[0].type() == arguments[1].type() && !text_of(arguments[0]).empty()) {
    const auto text = computed::utf8_of(computed::replaced(
        utf16_of(of.as_text()), utf16_of(text_of(arguments[0])), utf16_of(text_of(arguments[1]))));
    out = Value::text(*text);
    return true;
  }
  if (count == 1) return search_text(node, name, of, arguments[0], out);
  return Evaluator::call_method(node, of, arguments, out);
}

bool Expressions::member(const Node& node, const Value& of, Value& out) {
  if (of.is(Type::list) && node.text == "length") {
    out = Value::whole(Type::i32, static_cast<int128>(of.as_list().size()));
    return true;
  }
  if (of.is(Type::text) || is_real(of.type()) || is_whole(of.type()))
    return refuse("cannot find symbol " + node.text, node);
  return Evaluator::member(node, of, out);
}

}  // namespace inky::inline v1::java_language
