// Arrays, lists and streams of Java: java.util.Arrays, java.util.List and java.util.stream, as far as
// they compute values.

#include <algorithm>
#include <utility>

#include "../computed/units.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "number/rational.hpp"

namespace inky::inline v1::java_language {

namespace {

using computed::Node;
using computed::Query;

constexpr computed::QueryFact queries[] = {
    {"stream", Query::same},       {"boxed", Query::same},    {"toList", Query::same},
    {"toArray", Query::same},      {"map", Query::map},       {"mapToInt", Query::map},
    {"mapToDouble", Query::map},   {"mapToLong", Query::map}, {"mapToObj", Query::map},
    {"filter", Query::keep},       {"anyMatch", Query::any},  {"allMatch", Query::all},
    {"limit", Query::take},        {"skip", Query::skip},     {"sorted", Query::sorted},
    {"distinct", Query::distinct}, {"reduce", Query::fold},   {"sum", Query::sum},
    {"max", Query::most},          {"min", Query::least},     {"average", Query::average},
    {"count", Query::count},
};

std::vector<Value> items_of(const Value& list) {
  return {list.as_list().begin(), list.as_list().end()};
}

// A sum of reals is compensated there; that is the nearest where the plain one is.
std::optional<Value> sum_of_reals(std::span<const Value> items) {
  Rational exact = 0;
  Value plain = Value::real(0);
  for (const Value& one : items) {
    const Value real = computed::real_of(Type::f64, one);
    if (!real.as_real().is_finite()) return std::nullopt;
    exact += rational_of(real.as_real());
    plain = computed::combine_reals(computed::Operation::add, Type::f64, plain, real);
  }
  if (!plain.as_real().is_finite()) return std::nullopt;
  const bool is_nearest =
      stored(binary64, exact, false) == stored(binary64, rational_of(plain.as_real()), false);
  return is_nearest ? std::optional(plain) : std::nullopt;
}

}  // namespace

bool Expressions::is_query(const Node& node) {
  return node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::member &&
         computed::find_query(queries, node.parts[0].text) != nullptr &&
         node.parts.back().kind == Node::Kind::function;
}

std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  if (!is_query(node)) return std::nullopt;
  Value of;
  if (!evaluate_again(node.parts[0].parts[0], of)) return false;
  if (!of.is(Type::list)) return not_yet("the method " + node.parts[0].text + " of this is", node);
  return ask_list(node, of, out);
}

bool Expressions::ask_list(const Node& node, const Value& of, Value& out) {
  const std::string& name = node.parts[0].text;
  const computed::QueryFact& fact = *computed::find_query(queries, name);
  const auto items = of.as_list();
  const bool is_plain = node.parts.size() == 1;
  switch (fact.query) {
    case Query::count:
      if (!is_plain) return not_yet("the method " + name + " with these arguments is", node);
      out = Value::whole(Type::i64, static_cast<int128>(items.size()));
      return true;
    case Query::average:
    case Query::sum: {
      const bool are_numbers =
          std::all_of(items.begin(), items.end(), [&](const Value& one) { return is_number(one); });
      if (!is_plain || !are_numbers || items.empty())
        return not_yet("the method " + name + " of these is", node);
      const bool has_real = is_real(items[0].type());
      if (!has_real && fact.query == Query::sum) return query(node, fact.query, items_of(of), out);
      const auto sum = sum_of_reals(items);
      if (!sum) return not_yet("the method " + name + " of these is", node);
      out = fact.query == Query::sum ? *sum
                                     : Value::some(computed::combine_reals(
                                           computed::Operation::divide, Type::f64, *sum,
                                           Value::real(static_cast<double>(items.size()))));
      return true;
    }
    case Query::most:
    case Query::least:
      if (!is_plain || !query(node, fact.query, items_of(of), out))
        return not_yet("the method " + name + " of these is", node);
      out = Value::some(out);
      return true;
    case Query::fold:
      if (!query(node, fact.query, items_of(of), out)) return false;
      // Without a value to begin with there may be none.
      if (node.parts.size() == 2) out = Value::some(out);
      return true;
    default:
      return query(node, fact.query, items_of(of), out);
  }
}

// List.of(1, 2), Arrays.toString(items), IntStream.range(0, 3).
std::optional<bool> Expressions::call_list_function(const Node& node, std::string_view path,
                                                    const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  const bool has_list = count == 1 && arguments[0].is(Type::list);
  if (path == "List.of" || path == "Arrays.asList" || path == "Stream.of" ||
      path == "IntStream.of" || path == "DoubleStream.of") {
    const bool spreads = has_list && path != "List.of";
    out = spreads ? arguments[0] : Value::list(arguments.values);
    return true;
  }
  if (path == "Arrays.stream" && has_list) {
    out = arguments[0];
    return true;
  }
  if ((path == "Arrays.toString" || path == "Arrays.deepToString") && has_list)
    return fill(node, *java_dialect(), "%s", arguments.values, out);
  if ((path == "Collections.max" || path == "Collections.min") && has_list)
    return query(node, path == "Collections.max" ? Query::most : Query::least,
                 items_of(arguments[0]), out);
  if ((path == "IntStream.range" || path == "IntStream.rangeClosed") && count == 2) {
    std::int64_t ends[2];
    for (std::size_t i = 0; i < 2; ++i) {
      if (!take_int(node, arguments[i], ends[i])) return false;
    }
    constexpr std::int64_t most_items = 100'000;
    const std::int64_t last = ends[1] - (path == "IntStream.range" ? 1 : 0);
    if (last - ends[0] > most_items)
      return over_limit("a range of more than " + std::to_string(most_items) + " numbers", node);
    std::vector<Value> items;
    for (std::int64_t at = ends[0]; at <= last; ++at) items.push_back(Value::whole(Type::i32, at));
    out = Value::list(std::move(items));
    return true;
  }
  if (path == "Collectors.toList") {
    out = Value();
    return true;
  }
  if (path == "Collectors.joining" && count < 2) {
    out = count == 0 ? Value::text("") : arguments[0];
    return true;
  }
  return std::nullopt;
}

// Methods of lists and streams.
bool Expressions::call_on_list(const Node& node, const Value& of, const Arguments& arguments,
                               Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  const auto items = of.as_list();
  if (name == "size" && count == 0) {
    out = Value::whole(Type::i32, static_cast<int128>(items.size()));
    return true;
  }
  if (name == "isEmpty" && count == 0) {
    out = Value::truth(items.empty());
    return true;
  }
  if (name == "get" && count == 1) return item(node, of, arguments[0], out);
  if (name == "collect" && count == 1) {
    if (arguments[0].is(Type::nil)) {
      out = of;
      return true;
    }
    if (!arguments[0].is(Type::text)) return not_yet("such a collector is", node);
    return join_texts(node, arguments[0], items, out);
  }
  if ((name == "contains" || name == "indexOf") && count == 1) {
    std::size_t at = 0;
    for (; at < items.size(); ++at) {
      if (!items[at].is(arguments[0].type())) continue;
      const bool is_same =
          arguments[0].is(Type::text)
              ? items[at].as_text() == arguments[0].as_text()
              : is_number(items[at]) && std::is_eq(computed::compare(items[at], arguments[0]));
      if (is_same) break;
    }
    const bool is_there = at < items.size();
    out = name == "contains" ? Value::truth(is_there)
                             : Value::whole(Type::i32, is_there ? static_cast<int128>(at) : -1);
    return true;
  }
  if (computed::find_query(queries, name) != nullptr) return ask_list(node, of, out);
  return not_yet("the method " + name + " is", node);
}

bool Expressions::join_texts(const Node& node, const Value& between, std::span<const Value> items,
                             Value& out) {
  std::string joined;
  for (std::size_t i = 0; i < items.size(); ++i) {
    if (!items[i].is(Type::text)) return not_yet("joining what is no text is", node);
    if (i > 0) joined += between.as_text();
    joined += items[i].as_text();
  }
  out = Value::text(std::move(joined));
  return true;
}

bool Expressions::item(const Node& node, const Value& of, const Value& at, Value& out) {
  if (!of.is(Type::list)) return Evaluator::item(node, of, at, out);
  std::int64_t index = 0;
  if (!take_int(node, at, index)) return false;
  const auto items = of.as_list();
  if (index < 0 || static_cast<std::size_t>(index) >= items.size()) {
    const bool is_array = node.kind == Node::Kind::item;
    return fail(computed::Trouble::When::run,
                is_array ? "ArrayIndexOutOfBoundsException" : "IndexOutOfBoundsException",
                "there are " + std::to_string(items.size()) + " items", node);
  }
  out = items[static_cast<std::size_t>(index)];
  return true;
}

// What is there, or not: of an average, and of the most of some items.
std::optional<bool> Expressions::call_on_some(const Node& node, const Value& of,
                                              const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  constexpr std::string_view plain = "get getAsInt getAsDouble getAsLong orElseThrow";
  const bool is_known = (arguments.size() == 0 && has_word(plain, name)) ||
                        (arguments.size() == 1 && name == "orElse");
  if (!is_known) return not_yet("the method " + name + " is", node);
  out = of.as_list()[0];
  return true;
}

}  // namespace inky::inline v1::java_language
