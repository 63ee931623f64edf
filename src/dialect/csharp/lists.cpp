// Arrays, lists and queries of C#: System.Linq.Enumerable, as far as it computes values; tuples,
// objects without a name, and the moments of System.DateTime.

#include <algorithm>
#include <utility>

#include "../computed/units.hpp"
#include "../family/instants.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1::csharp {

namespace {

using computed::Node;
using computed::Operation;
using computed::Query;

constexpr computed::QueryFact queries[] = {
    {"ToList", Query::same},       {"ToArray", Query::same},
    {"AsEnumerable", Query::same}, {"Select", Query::map},
    {"Where", Query::keep},        {"Any", Query::any},
    {"All", Query::all},           {"Take", Query::take},
    {"Skip", Query::skip},         {"OrderBy", Query::sorted},
    {"Order", Query::sorted},      {"OrderByDescending", Query::sorted_down},
    {"Distinct", Query::distinct}, {"Reverse", Query::reversed},
    {"Aggregate", Query::fold},    {"Sum", Query::sum},
    {"Max", Query::most},          {"Min", Query::least},
    {"Average", Query::average},   {"Count", Query::count},
    {"First", Query::first},       {"Last", Query::last},
};

std::vector<Value> items_of(const Value& list) {
  return {list.as_list().begin(), list.as_list().end()};
}

}  // namespace

std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  if (node.kind == Node::Kind::filled) return evaluate_filled(node, std::nullopt, out);
  if (const auto filled = evaluate_filled_by(node, out)) return filled;
  const bool is_method = node.kind == Node::Kind::call &&
                         node.parts[0].kind == Node::Kind::member &&
                         node.parts.back().kind == Node::Kind::function;
  if (!is_method || computed::find_query(queries, node.parts[0].text) == nullptr)
    return std::nullopt;
  Value of;
  if (!evaluate_again(node.parts[0].parts[0], of)) return false;
  if (!of.is(Type::list)) return not_yet("the method " + node.parts[0].text + " of this is", node);
  return ask_list(node, of, out);
}

bool Expressions::ask_list(const Node& node, const Value& of, Value& out) {
  const std::string& name = node.parts[0].text;
  const computed::QueryFact* fact = computed::find_query(queries, name);
  if (name == "Contains" && node.parts.size() == 2) return contains(node, of, out);
  if (fact == nullptr) return not_yet("the method " + name + " is", node);
  std::vector<Value> items = items_of(of);
  const bool has_function = node.parts.back().kind == Node::Kind::function;
  if (fact->query == Query::count || fact->query == Query::average) {
    if (has_function) {
      const Query inner = fact->query == Query::count ? Query::keep : Query::map;
      Value chosen;
      if (!query(node, inner, std::move(items), chosen)) return false;
      items = items_of(chosen);
    } else if (node.parts.size() > 1) {
      return not_yet("the method " + name + " with these arguments is", node);
    }
    if (fact->query == Query::count) {
      out = Value::whole(Type::i32, static_cast<int128>(items.size()));
      return true;
    }
    return average(node, items, out);
  }
  const bool has_floats =
      std::any_of(items.begin(), items.end(), [](const Value& one) { return one.is(Type::f32); });
  if (fact->query == Query::sum && has_floats)
    return not_yet("a sum of numbers of the type float is", node);
  return query(node, fact->query, std::move(items), out);
}

bool Expressions::contains(const Node& node, const Value& of, Value& out) {
  Value asked;
  if (!evaluate_again(node.parts[1], asked)) return false;
  bool is_there = false;
  for (const Value& one : of.as_list()) {
    const bool texts = one.is(Type::text) && asked.is(Type::text);
    if (!texts && (!is_number(one) || !one.is(asked.type())))
      return not_yet("the method Contains with this is", node);
    is_there = is_there || (texts ? one.as_text() == asked.as_text()
                                  : std::is_eq(computed::compare(one, asked)));
  }
  out = Value::truth(is_there);
  return true;
}

bool Expressions::average(const Node& node, std::span<const Value> items, Value& out) {
  const auto is_one_of = [&](auto&& test) { return std::all_of(items.begin(), items.end(), test); };
  const bool are_ints = is_one_of([](const Value& one) { return one.is(Type::i32); });
  const bool are_doubles = is_one_of([](const Value& one) { return one.is(Type::f64); });
  if (!items.empty() && is_one_of([](const Value& one) { return one.is(Type::decimal); })) {
    Value total = items[0];
    for (const Value& one : items.subspan(1)) {
      if (!combine_decimals(node, Operation::add, total, one, total)) return false;
    }
    return combine_decimals(node, Operation::divide, total,
                            Value::whole(Type::i32, static_cast<int128>(items.size())), out);
  }
  if (items.empty() || (!are_ints && !are_doubles)) return not_yet("an average of these is", node);
  double sum = 0;
  if (are_ints) {
    std::int64_t whole = 0;
    for (const Value& one : items) whole += static_cast<std::int64_t>(one.as_whole());
    sum = static_cast<double>(whole);
  }
  for (const Value& one : items) sum += are_doubles ? computed::double_of(one) : 0;
  out = Value::real(sum / static_cast<double>(items.size()));
  return true;
}

// Enumerable.Range(1, 3), Tuple.Create(1, "a"), new DateTime(2031, 5, 9), and what loops go through.
std::optional<bool> Expressions::call_object_function(const Node& node, std::string_view path,
                                                      const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (path == "Enumerable.Range" && count == 2) {
    std::int64_t from = 0;
    std::int64_t size = 0;
    if (!take_int(node, arguments[0], from) || !take_int(node, arguments[1], size)) return false;
    constexpr std::int64_t most_items = 100'000;
    if (size < 0) return not_yet("such a range is", node);
    if (size > most_items)
      return over_limit("a range of more than " + std::to_string(most_items) + " numbers", node);
    std::vector<Value> items;
    for (std::int64_t i = 0; i < size; ++i) items.push_back(Value::whole(Type::i32, from + i));
    out = Value::list(std::move(items));
    return true;
  }
  if (path == "Enumerable.Repeat" && count == 2) {
    std::int64_t size = 0;
    if (!take_int(node, arguments[1], size)) return false;
    constexpr std::int64_t most_items = 100'000;
    if (size < 0 || size > most_items) return not_yet("such a count is", node);
    out = Value::list(std::vector<Value>(static_cast<std::size_t>(size), arguments[0]));
    return true;
  }
  if ((path == "Tuple.Create" || path == "ValueTuple.Create") && count > 1) {
    out = Value::tuple(arguments.values);
    return true;
  }
  if (path == "StringBuilder") {
    if (count == 1 && !arguments[0].is(Type::text)) return not_yet("a builder of this is", node);
    out = count == 0 ? Value::text("") : arguments[0];
    return true;
  }
  if (path == "string" && count == 2 && arguments[0].is(Type::character)) {
    std::int64_t size = 0;
    if (!take_int(node, arguments[1], size)) return false;
    if (size < 0)
      return raise("ArgumentOutOfRangeException", "a text of fewer characters than none", node,
                   Value::text(""), out);
    const std::string one = text_of(arguments[0]);
    if (static_cast<std::uint64_t>(size) > most_output / one.size())
      return over_limit("a text of " + std::to_string(size) + " characters is over the limit",
                        node);
    std::string text;
    for (std::int64_t i = 0; i < size; ++i) text += one;
    out = Value::text(std::move(text));
    return true;
  }
  if (const auto made = call_zone_function(node, path, arguments, out)) return made;
  if (const auto made = make_time(node, path, arguments, out)) return made;
  if (const auto done = call_time_function(node, path, arguments, out)) return done;
  const bool is_moment = path == "DateTime" || path == "DateTime.Parse";
  return is_moment ? std::optional(make_moment(node, path, arguments, out)) : std::nullopt;
}

bool Expressions::make_moment(const Node& node, std::string_view path, const Arguments& arguments,
                              Value& out) {
  std::string text;
  if (path == "DateTime.Parse") {
    if (arguments.size() != 1 || !arguments[0].is(Type::text))
      return not_yet("DateTime.Parse with these arguments is", node);
    text = arguments[0].as_text();
  } else {
    const std::size_t count = arguments.size();
    if (count != 3 && count != 6) return not_yet("DateTime with these arguments is", node);
    constexpr std::string_view between[] = {"", "-", "-", "T", ":", ":"};
    constexpr std::size_t widths[] = {4, 2, 2, 2, 2, 2};
    for (std::size_t i = 0; i < count; ++i) {
      std::int64_t part = 0;
      if (!take_int(node, arguments[i], part)) return false;
      const std::string digits = std::to_string(part);
      if (part < 0 || digits.size() > widths[i])
        return raise("ArgumentOutOfRangeException", "there is no such date", node, Value(), out);
      text += between[i];
      text.append(widths[i] - digits.size(), '0');
      text += digits;
    }
  }
  const auto moment = read_plain_moment(text);
  if (!moment && path == "DateTime")
    return fail(computed::Trouble::When::run, "ArgumentOutOfRangeException",
                "there is no such date", node);
  if (!moment) return not_yet("reading this text is", node);
  out = Value::moment(*moment);
  return true;
}

// Fields of tuples, of objects without a name, and of moments.
std::optional<bool> Expressions::member_of_parts(const Node& node, const Value& of, Value& out) {
  if (of.is(Type::tuple) && node.text.starts_with("Item") && node.text.size() == 5) {
    const auto at = static_cast<std::size_t>(node.text[4] - '1');
    if (at >= of.as_list().size()) return refuse_as("CS1061", "there is no " + node.text, node);
    out = of.as_list()[at];
    return true;
  }
  if (of.is(Type::record)) {
    for (const Value& field : of.as_list()) {
      if (field.name() != node.text) continue;
      out = field;
      out.drop_name();
      return true;
    }
    return refuse_as("CS1061", "there is no " + node.text, node);
  }
  if (!of.is(Type::moment)) return std::nullopt;
  const Moment moment = of.as_moment();
  const std::pair<std::string_view, int> parts[] = {
      {"Year", moment.year}, {"Month", moment.month},   {"Day", moment.day},
      {"Hour", moment.hour}, {"Minute", moment.minute}, {"Second", moment.second}};
  for (const auto& [name, part] : parts) {
    if (name != node.text) continue;
    out = Value::whole(Type::i32, part);
    return true;
  }
  return std::nullopt;
}

// By a character or a text; the parts that are empty stay.
bool Expressions::split_text(const Node& node, std::string_view text, const Value& by, Value& out) {
  if (!is_text_or_character(by)) return not_yet("splitting by this is", node);
  const std::string separator = text_of(by);
  if (separator.empty()) return not_yet("splitting by this is", node);
  std::vector<Value> parts;
  for (std::size_t at = text.find(separator); at != std::string_view::npos;
       at = text.find(separator)) {
    parts.push_back(Value::text(std::string(text.substr(0, at))));
    text.remove_prefix(at + separator.size());
  }
  parts.push_back(Value::text(std::string(text)));
  out = Value::list(std::move(parts));
  return true;
}

}  // namespace inky::inline v1::csharp
