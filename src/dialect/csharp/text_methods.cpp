// The methods of System.String that expressions of C# may call, and ToString of all values.

#include <algorithm>

#include "../computed/units.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "text/simple_case.hpp"
#include "text/utf8.hpp"
#include "times.hpp"

namespace inky::inline v1::csharp {

namespace {

using computed::Node;
using computed::TextQuestion;

constexpr computed::TextQuestionName questions[] = {{"Contains", TextQuestion::contains},
                                                    {"StartsWith", TextQuestion::starts},
                                                    {"EndsWith", TextQuestion::ends},
                                                    {"IndexOf", TextQuestion::first},
                                                    {"LastIndexOf", TextQuestion::last}};

// What Char.IsWhiteSpace is true of.
bool is_blank_unit(char16_t unit) {
  return (9 <= unit && unit <= 13) || unit == 0x20 || unit == 0x85 || unit == 0xA0 ||
         unit == 0x1680 || (0x2000 <= unit && unit <= 0x200A) || unit == 0x2028 || unit == 0x2029 ||
         unit == 0x202F || unit == 0x205F || unit == 0x3000;
}

}  // namespace

bool Expressions::take_int(const Node& node, const Value& value, std::int64_t& out) {
  if (!is_number(value) || !promoted(value).is(Type::i32))
    return refuse_as("CS1503", describe(value) + " is no int", node);
  out = static_cast<std::int64_t>(promoted(value).as_whole());
  return true;
}

// x.ToString(), x.ToString("F2"), x.ToString("F2", CultureInfo.InvariantCulture).
bool Expressions::show(const Node& node, const Value& of, const Arguments& arguments, Value& out) {
  std::string form = "{0";
  std::optional<std::string_view> culture;
  for (std::size_t i = 0; i < arguments.size(); ++i) {
    const Value& argument = arguments[i];
    if (argument.is(Type::nil)) continue;
    if (computed::is_object(argument, culture_object) && i + 1 == arguments.size()) {
      culture = computed::object_part(argument, 0).as_text();
      continue;
    }
    if (i > 0 || !argument.is(Type::text) ||
        argument.as_text().find_first_of("{}") != std::string_view::npos)
      return not_yet("ToString with this is", node);
    (form += ":") += argument.as_text();
  }
  if (form != "{0" && (of.is(Type::text) || of.is(Type::truth) || of.is(Type::character)))
    return refuse_as("CS1503", "ToString of this takes no format", node);
  return fill(node, *csharp_dialect(), form + "}", {&of, 1}, out, culture);
}

bool Expressions::ask_text(const Node& node, std::string_view name, std::string_view text,
                           Value& out) {
  const bool upper = name.starts_with("ToUpper");
  if (upper || name.starts_with("ToLower")) {
    out = Value::text(simple_case(text, upper ? Capitals::all : Capitals::none));
    return true;
  }
  if (name == "Trim" || name == "TrimStart" || name == "TrimEnd") {
    const std::u16string units = utf16_of(text);
    out = Value::text(*computed::utf8_of(
        computed::trimmed(units, is_blank_unit, name != "TrimEnd", name != "TrimStart")));
    return true;
  }
  return not_yet("the method " + std::string(name) + " is", node);
}

// The culture compares some of these texts; beyond ASCII it may take two letters for one.
bool Expressions::search_text(const Node& node, std::string_view name, std::string_view text,
                              const Value& other, Value& out) {
  if (name == "Equals") {
    out = Value::truth(other.is(Type::text) && other.as_text() == text);
    return true;
  }
  const bool is_plain = is_ascii(text) && is_text_or_character(other) && is_ascii(text_of(other)) &&
                        text.find('\0') == std::string_view::npos &&
                        text_of(other).find('\0') == std::string_view::npos;
  if (!is_plain || (text_of(other).empty() && name == "LastIndexOf"))
    return not_yet("the method " + std::string(name) + " with these is", node);
  for (const computed::TextQuestionName& known : questions) {
    if (known.name != name) continue;
    out = computed::answer(known.question, utf16_of(text), utf16_of(text_of(other)));
    return true;
  }
  return not_yet("the method " + std::string(name) + " is", node);
}

bool Expressions::part_of_text(const Node& node, std::string_view text, const Arguments& arguments,
                               Value& out) {
  const std::string& name = node.parts[0].text;
  const std::u16string units = utf16_of(text);
  const auto size = static_cast<std::int64_t>(units.size());
  std::int64_t from = 0;
  if (!take_int(node, arguments[0], from)) return false;
  std::int64_t count = size - from;
  if (arguments.size() > 1 && !take_int(node, arguments[1], count)) return false;
  const bool is_inside = 0 <= from && 0 <= count && from + count <= size;
  if (!is_inside)
    return raise("ArgumentOutOfRangeException", "the text has " + std::to_string(size) + " units",
                 node, Value::text(""), out);
  const auto first = static_cast<std::size_t>(from);
  const auto length = static_cast<std::size_t>(count);
  const std::u16string kept = name == "Substring"
                                  ? units.substr(first, length)
                                  : units.substr(0, first) + units.substr(first + length);
  const auto part = computed::utf8_of(kept);
  if (!part) return not_yet("half of a surrogate pair is", node);
  out = Value::text(*part);
  return true;
}

bool Expressions::pad_text(const Node& node, std::string_view name, std::string_view text,
                           const Arguments& arguments, Value& out) {
  std::int64_t width = 0;
  if (!take_int(node, arguments[0], width)) return false;
  std::string filler = " ";
  if (arguments.size() > 1) {
    if (!arguments[1].is(Type::character)) return refuse_as("CS1503", "this is no char", node);
    filler = text_of(arguments[1]);
  }
  if (width < 0)
    return raise("ArgumentOutOfRangeException", "a width below 0", node, Value::text(""), out);
  if (static_cast<std::uint64_t>(width) > most_output / 4)
    return over_limit("a text of " + std::to_string(width) + " units is over the limit", node);
  const auto size = static_cast<std::int64_t>(utf16_of(text).size());
  std::string room;
  for (std::int64_t i = size; i < width; ++i) room += filler;
  out = Value::text(name == "PadLeft" ? room + std::string(text) : std::string(text) + room);
  return true;
}

bool Expressions::call_method(const Node& node, const Value& of, const Arguments& arguments,
                              Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  if (is_enumeration(of) && name == "ToString" && count == 0) {
    out = computed::object_part(of, 0);
    return true;
  }
  if (const auto done = call_on_zone(node, of, arguments, out)) return *done;
  if (const auto done = call_on_culture(node, of, arguments, out)) return *done;
  if (name == "ToString" && !of.is(Type::nil) && count <= 2) return show(node, of, arguments, out);
  // Some of these are methods of spans as well.
  constexpr std::string_view of_spans =
      "Contains StartsWith EndsWith IndexOf LastIndexOf Trim TrimStart TrimEnd Replace";
  constexpr std::string_view of_texts = "Substring PadLeft PadRight Insert Remove";
  const bool is_plain = (is_number(of) && !of.is(Type::character)) || of.is(Type::truth);
  if (name == "Equals" && is_plain) return not_yet("the method Equals of this is", node);
  if (is_plain ||
      (of.is(Type::character) && (has_word(of_spans, name) || has_word(of_texts, name))))
    return refuse_as(has_word(of_spans, name) ? "CS1929" : "CS1061",
                     describe(of) + " has no " + name, node);
  if (of.is(Type::list)) return ask_list(node, of, out);
  if (is_time_value(of)) {
    if (const auto done = call_on_time(node, of, arguments, out)) return *done;
  }
  if (!of.is(Type::text)) return Evaluator::call_method(node, of, arguments, out);
  const std::string_view text = of.as_text();
  if (const auto changed = change_text(node, text, arguments, out)) return *changed;
  if (name == "Split" && count == 1) return split_text(node, text, arguments[0], out);
  if (count == 0) return ask_text(node, name, text, out);
  if ((name == "PadLeft" || name == "PadRight") && count <= 2)
    return pad_text(node, name, text, arguments, out);
  if ((name == "Substring" || name == "Remove") && count <= 2)
    return part_of_text(node, text, arguments, out);
  if (name == "Replace" && count == 2 && is_text_or_character(arguments[0]) &&
      arguments[0].type() == arguments[1].type()) {
    if (text_of(arguments[0]).empty())
      return raise("ArgumentException", "nothing to replace", node, Value::text(""), out);
    out = Value::text(*computed::utf8_of(computed::replaced(
        utf16_of(text), utf16_of(text_of(arguments[0])), utf16_of(text_of(arguments[1])))));
    return true;
  }
  if (count == 1) return search_text(node, name, text, arguments[0], out);
  return Evaluator::call_method(node, of, arguments, out);
}

bool Expressions::member(const Node& node, const Value& of, Value& out) {
  if (node.text == "Length" && of.is(Type::text)) {
    out = Value::whole(Type::i32, static_cast<int128>(utf16_of(of.as_text()).size()));
    return true;
  }
  if (const auto part = member_of_zone(node, of, out)) return *part;
  if (is_time_value(of)) {
    if (const auto part = member_of_time(node, of, out)) return *part;
  }
  if (const auto part = member_of_culture(node, of, out)) return *part;
  if (const auto part = member_of_parts(node, of, out)) return *part;
  if ((node.text == "Count" || node.text == "Length") && of.is(Type::list)) {
    out = Value::whole(Type::i32, static_cast<int128>(of.as_list().size()));
    return true;
  }
  return Evaluator::member(node, of, out);
}

bool Expressions::item(const Node& node, const Value& of, const Value& at, Value& out) {
  std::int64_t index = 0;
  if (!of.is(Type::text) && !of.is(Type::list)) return Evaluator::item(node, of, at, out);
  if (!take_int(node, at, index)) return false;
  if (of.is(Type::list)) {
    const auto items = of.as_list();
    if (index < 0 || static_cast<std::size_t>(index) >= items.size())
      return raise("ArgumentOutOfRangeException",
                   "the list has " + std::to_string(items.size()) + " items", node, Value(), out);
    out = items[static_cast<std::size_t>(index)];
    return true;
  }
  const std::u16string units = utf16_of(of.as_text());
  if (index < 0 || static_cast<std::size_t>(index) >= units.size())
    return raise("IndexOutOfRangeException",
                 "the text has " + std::to_string(units.size()) + " units", node,
                 Value::character(U' '), out);
  const char16_t unit = units[static_cast<std::size_t>(index)];
  if (0xD800 <= unit && unit <= 0xDFFF) return not_yet("half of a surrogate pair is", node);
  out = Value::character(unit);
  return true;
}

}  // namespace inky::inline v1::csharp
