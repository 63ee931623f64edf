// Vectors, arrays, tuples and iterators of Rust: the methods of std::vec, std::slice and
// std::iter::Iterator that have no effect but a result.

#include <algorithm>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::rust {

namespace {

using computed::Node;
using computed::Operation;
using computed::Query;

// An iterator is a list with this name, which no value that is shown bears.
constexpr const char* iterator_name = "an iterator";
constexpr std::int64_t most_items = 100'000;

constexpr computed::QueryFact queries[] = {
    {"iter", Query::same},   {"into_iter", Query::same},   {"copied", Query::same},
    {"cloned", Query::same}, {"map", Query::map},          {"filter", Query::keep},
    {"any", Query::any},     {"all", Query::all},          {"take", Query::take},
    {"skip", Query::skip},   {"rev", Query::reversed},     {"fold", Query::fold},
    {"sum", Query::sum},     {"product", Query::product},  {"max", Query::most},
    {"min", Query::least},   {"enumerate", Query::number},
};

std::vector<Value> items_of(const Value& list) {
  return {list.as_list().begin(), list.as_list().end()};
}

Value iterator_of(std::vector<Value> items) {
  Value out = Value::list(std::move(items));
  out.set_name(iterator_name);
  return out;
}

bool is_iterator(const Value& value) {
  return value.is(Type::list) && value.name() == iterator_name;
}

}  // namespace

bool Expressions::finish(const Node& node, Value& out) {
  if (is_beyond_type(node) && !has_type()) return literal_without_type(node);
  return !is_iterator(out) || not_yet("an iterator as a value is", node);
}

// 1..4 and 1..=3
bool Expressions::make_range(const Node& node, Operation operation, const Value& from,
                             const Value& to, Value& out) {
  constexpr int most_bits = 64;
  const bool are_wholes = is_whole(from.type()) && from.type() == to.type();
  if (!are_wholes || from.is(Type::big) || fact_of(from.type()).width > most_bits)
    return not_yet("a range of these is", node);
  const int128 last = to.as_whole() - (operation == Operation::range ? 1 : 0);
  if (last - from.as_whole() > most_items)
    return over_limit("a range of more than " + std::to_string(most_items) + " numbers", node);
  std::vector<Value> items;
  for (int128 at = from.as_whole(); at <= last; ++at)
    items.push_back(Value::whole(from.type(), at));
  out = iterator_of(std::move(items));
  return true;
}

// text.parse::<i32>().unwrap(): what is read, where the text is nothing but a number.
std::optional<bool> Expressions::read_number(const Node& node, Value& out) {
  const bool unwraps = node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::member &&
                       (node.parts[0].text == "unwrap" || node.parts[0].text == "expect");
  const Node* parse = unwraps ? &node.parts[0].parts[0] : nullptr;
  const bool parses = parse != nullptr && parse->kind == Node::Kind::call &&
                      parse->parts[0].kind == Node::Kind::member &&
                      parse->parts[0].text == "parse" && parse->parts.size() == 1;
  if (!parses) return std::nullopt;
  Value text;
  if (!evaluate_again(parse->parts[0].parts[0], text)) return false;
  const auto type =
      parse->parts[0].keys.empty() ? std::nullopt : type_of_name(parse->parts[0].keys[0]);
  if (!text.is(Type::text) || !type || *type == Type::character)
    return not_yet("reading this text is", node);
  const std::string_view digits = text.as_text();
  const std::size_t sign = digits.starts_with('-') ? 1 : 0;
  constexpr std::size_t longest = 40;
  const bool is_plain = sign < digits.size() && digits.size() < longest && digits.back() != '.' &&
                        digits.find_first_not_of(is_real(*type) ? "0123456789." : "0123456789",
                                                 sign) == std::string_view::npos;
  if (!is_plain) return not_yet("reading this text is", node);
  const auto value = read_typed(*type, digits);
  if (!value) return not_yet("reading this text is", node);
  out = *value;
  return true;
}

namespace {

// Whether it may give its parts their type: an operator, a cast, and some calls do.
bool may_give_type(const Node& node) {
  switch (node.kind) {
    case Node::Kind::constant:
    case Node::Kind::binary:
    case Node::Kind::compared:
    case Node::Kind::cast:
      return true;
    case Node::Kind::unary:
      return node.operation == Operation::negate;
    case Node::Kind::call: {
      const Node& callee = node.parts[0];
      return callee.kind == Node::Kind::member
                 ? callee.text == "max" || callee.text == "min"
                 : callee.text.find("Duration::") != std::string::npos;
    }
    default:
      return false;
  }
}

}  // namespace

std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  const bool is_asked = node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::member &&
                        is_beyond_type(node.parts[0].parts[0]);
  if (is_asked ||
      (!may_give_type(node) && std::any_of(node.parts.begin(), node.parts.end(), is_beyond_type)))
    return literal_without_type(node);
  if (const auto number = read_number(node, out)) return number;
  const bool is_query = node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::member &&
                        node.parts.back().kind == Node::Kind::function;
  if (!is_query || computed::find_query(queries, node.parts[0].text) == nullptr)
    return std::nullopt;
  Value of;
  if (!evaluate_again(node.parts[0].parts[0], of)) return false;
  if (!of.is(Type::list)) return not_yet("the method " + node.parts[0].text + " of this is", node);
  return ask_list(node, of, out);
}

bool Expressions::ask_list(const Node& node, const Value& of, Value& out) {
  const std::string& name = node.parts[0].text;
  const Query asked = computed::find_query(queries, name)->query;
  std::vector<Value> items = items_of(of);
  if (asked == Query::number) {
    std::int64_t place = 0;
    for (Value& item : items) {
      Value pair = Value::tuple({Value::whole(Type::u64, place++), item});
      item = std::move(pair);
    }
    out = iterator_of(std::move(items));
    return true;
  }
  if (asked == Query::most || asked == Query::least) {
    const bool has_real = std::any_of(items.begin(), items.end(),
                                      [](const Value& one) { return is_real(one.type()); });
    if (has_real) return refuse("E0277", "reals have no order of all", node);
    if (items.empty()) {
      out = Value();
      return true;
    }
    if (!query(node, asked, std::move(items), out)) return false;
    out = Value::some(out);
    return true;
  }
  if ((asked == Query::sum || asked == Query::product) && items.empty()) {
    const auto& types = node.parts[0].keys;
    const auto type = types.empty() ? std::nullopt : type_of_name(types[0]);
    if (!type || !is_whole(*type)) return not_yet("a sum of nothing is", node);
    out = Value::whole(*type, asked == Query::sum ? 0 : 1);
    return true;
  }
  if (!query(node, asked, std::move(items), out)) return false;
  if (out.is(Type::list) && asked != Query::fold) out.set_name(iterator_name);
  return true;
}

// A list of texts or characters as one text, with another between them.
bool Expressions::join_items(const Node& node, std::span<const Value> items,
                             std::string_view between, Value& out) {
  std::string joined;
  for (std::size_t i = 0; i < items.size(); ++i) {
    if (!is_text_or_character(items[i])) return not_yet("joining what is no text is", node);
    if (i > 0) joined += between;
    joined += text_of(items[i]);
  }
  out = Value::text(std::move(joined));
  return true;
}

bool Expressions::call_on_list(const Node& node, const Value& of, const Arguments& arguments,
                               Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  const auto items = of.as_list();
  const auto some = [&](std::size_t at) {
    out = at < items.size() ? Value::some(items[at]) : Value();
    return true;
  };
  if ((name == "len" || name == "count") && count == 0) {
    out = Value::whole(Type::u64, static_cast<int128>(items.size()));
    return true;
  }
  if (name == "is_empty" && count == 0) {
    out = Value::truth(items.empty());
    return true;
  }
  if ((name == "to_vec" || name == "clone") && count == 0) {
    out = of;
    return true;
  }
  if (name == "first" && count == 0) return some(0);
  if (name == "last" && count == 0) return some(items.size() - 1);
  if ((name == "get" || name == "nth") && count == 1 && is_whole(arguments[0].type())) {
    const Integer at = computed::whole_of(arguments[0]);
    return some(at < 0 || at >= items.size() ? items.size() : at.convert_to<std::size_t>());
  }
  if ((name == "join" && count == 1 && arguments[0].is(Type::text)) ||
      (name == "concat" && count == 0))
    return join_items(node, items, count == 0 ? std::string_view() : arguments[0].as_text(), out);
  if (name == "collect" && count == 0) {
    const auto& types = node.parts[0].keys;
    if (!types.empty() && types[0] == "String") return join_items(node, items, "", out);
    if (!types.empty() && !types[0].starts_with("Vec")) return not_yet("collecting this is", node);
    // Without a type it is the one of the name that it is given to.
    out = Value::list(items_of(of));
    return true;
  }
  if (name == "step_by" && count == 1 && is_whole(arguments[0].type())) {
    const Integer step = computed::whole_of(arguments[0]);
    if (step < 1) return not_yet("such a step is", node);
    std::vector<Value> kept;
    for (Integer at = 0; at < items.size(); at += step)
      kept.push_back(items[at.convert_to<std::size_t>()]);
    out = iterator_of(std::move(kept));
    return true;
  }
  if (name == "zip" && count == 1 && arguments[0].is(Type::list)) {
    const auto others = arguments[0].as_list();
    std::vector<Value> pairs;
    for (std::size_t i = 0; i < std::min(items.size(), others.size()); ++i)
      pairs.push_back(Value::tuple({items[i], others[i]}));
    out = iterator_of(std::move(pairs));
    return true;
  }
  if (name == "contains" && count == 1) {
    const Value& asked = arguments[0];
    const bool is_there = std::any_of(items.begin(), items.end(), [&](const Value& one) {
      if (!one.is(asked.type())) return false;
      return asked.is(Type::text) ? one.as_text() == asked.as_text()
                                  : std::is_eq(computed::compare(one, asked));
    });
    if (is_compound(asked.type())) return not_yet("the method contains of these is", node);
    out = Value::truth(is_there);
    return true;
  }
  if (computed::find_query(queries, name) != nullptr) return ask_list(node, of, out);
  return not_yet("the method " + name + " is", node);
}

// What there is, or is not: Some(5).unwrap(), None.unwrap_or(7).
bool Expressions::call_on_option(const Node& node, const Value& of, const Arguments& arguments,
                                 Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  const bool is_there = of.is(Type::some);
  if (name == "is_some" || name == "is_none") {
    out = Value::truth(is_there == (name == "is_some"));
    return true;
  }
  const bool unwraps = (name == "unwrap" && count == 0) || (name == "expect" && count == 1) ||
                       (name == "unwrap_or" && count == 1);
  if (unwraps && (is_there || name == "unwrap_or")) {
    out = is_there ? of.as_list()[0] : arguments[0];
    return true;
  }
  if (unwraps) return fail(computed::Trouble::When::run, "panic", "called on a None value", node);
  if ((name == "copied" || name == "cloned") && count == 0) {
    out = of;
    return true;
  }
  return not_yet("the method " + name + " is", node);
}

bool Expressions::item(const Node& node, const Value& of, const Value& at, Value& out) {
  if (!of.is(Type::list) || !is_whole(at.type())) return Evaluator::item(node, of, at, out);
  const Integer index = computed::whole_of(at);
  if (index < 0 || index >= of.as_list().size())
    return fail(computed::Trouble::When::run, "panic", "the index is beyond the end", node);
  out = of.as_list()[index.convert_to<std::size_t>()];
  return true;
}

// text[1..3], by bytes, and items[1..].
bool Expressions::slice(const Node& node, const Value& of, const Value& from, const Value& to,
                        const Value& /*step*/, Value& out) {
  const bool is_text = of.is(Type::text);
  if (!is_text && !of.is(Type::list)) return not_yet("a part of this is", node);
  const std::size_t size = is_text ? of.as_text().size() : of.as_list().size();
  const auto whole = [](const Value& value, std::size_t otherwise) {
    return value.is(Type::nil) ? Integer(otherwise) : computed::whole_of(value);
  };
  const bool is_known =
      (from.is(Type::nil) || is_whole(from.type())) && (to.is(Type::nil) || is_whole(to.type()));
  if (!is_known) return not_yet("a part of this is", node);
  const Integer first = whole(from, 0);
  const Integer last =
      whole(to, size) + (node.operation == Operation::range_closed && !to.is(Type::nil) ? 1 : 0);
  if (first < 0 || first > last || last > size)
    return fail(computed::Trouble::When::run, "panic", "the part is beyond the end", node);
  const auto begin = first.convert_to<std::size_t>();
  const auto end = last.convert_to<std::size_t>();
  if (!is_text) {
    out = Value::list({of.as_list().begin() + static_cast<std::ptrdiff_t>(begin),
                       of.as_list().begin() + static_cast<std::ptrdiff_t>(end)});
    return true;
  }
  const std::string_view text = of.as_text();
  const auto splits = [&](std::size_t place) {
    return place < size && (static_cast<unsigned char>(text[place]) & 0xC0) == 0x80;
  };
  if (splits(begin) || splits(end))
    return fail(computed::Trouble::When::run, "panic", "the part splits a character", node);
  out = Value::text(std::string(text.substr(begin, end - begin)));
  return true;
}

// pair.0
bool Expressions::member(const Node& node, const Value& of, Value& out) {
  const bool is_place = node.text.size() == 1 && '0' <= node.text[0] && node.text[0] <= '9';
  if (!of.is(Type::tuple) || !is_place) return Evaluator::member(node, of, out);
  const auto at = static_cast<std::size_t>(node.text[0] - '0');
  if (at >= of.as_list().size()) return refuse("E0609", "there is no field " + node.text, node);
  out = of.as_list()[at];
  return true;
}

// The parts of a text, as an iterator.
std::optional<bool> Expressions::parts_of_text(const Node& node, std::string_view text,
                                               const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  std::vector<Value> parts;
  if (name == "chars" && arguments.size() == 0) {
    while (!text.empty()) {
      const auto point = first_code_point(text);
      if (!point) return not_yet("the method chars of this is", node);
      parts.push_back(Value::character(point->value));
      text.remove_prefix(static_cast<std::size_t>(point->bytes));
    }
  } else if (name == "split_whitespace" && arguments.size() == 0 && is_ascii(text)) {
    constexpr std::string_view blanks = " \t\r\n\f\v";
    while (!text.empty()) {
      text.remove_prefix(std::min(text.find_first_not_of(blanks), text.size()));
      const std::size_t end = std::min(text.find_first_of(blanks), text.size());
      if (end > 0) parts.push_back(Value::text(std::string(text.substr(0, end))));
      text.remove_prefix(end);
    }
  } else if (name == "split" && arguments.size() == 1 && is_text_or_character(arguments[0])) {
    const std::string by = text_of(arguments[0]);
    if (by.empty()) return not_yet("splitting by this is", node);
    for (std::size_t at = text.find(by); at != std::string_view::npos; at = text.find(by)) {
      parts.push_back(Value::text(std::string(text.substr(0, at))));
      text.remove_prefix(at + by.size());
    }
    parts.push_back(Value::text(std::string(text)));
  } else {
    return std::nullopt;
  }
  out = iterator_of(std::move(parts));
  return true;
}

// vec![0; 5], Vec::new(), String::from("ink"), std::cmp::max(3, 7), and what loops go through.
std::optional<bool> Expressions::call_function_by_path(const Node& node, const std::string& path,
                                                       const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (path == "vec!" && count == 2 && is_whole(arguments[1].type())) {
    const Integer size = computed::whole_of(arguments[1]);
    if (size < 0 || size > most_items)
      return over_limit("a vector of " + size.str() + " items is over the limit", node);
    out = Value::list(std::vector<Value>(size.convert_to<std::size_t>(), arguments[0]));
    return true;
  }
  if (path == "Vec::new" && count == 0) {
    out = Value::list({});
    return true;
  }
  if (path == "String::new" && count == 0) {
    out = Value::text("");
    return true;
  }
  if (path == "String::from" && count == 1 && arguments[0].is(Type::text)) {
    out = arguments[0];
    return true;
  }
  if (path == "_items" && count == 1 && arguments[0].is(Type::list)) {
    out = Value::list(items_of(arguments[0]));
    return true;
  }
  // A list whose literals have the type that its name has.
  if (path == "_list_of" && count == 2 && arguments[1].is(Type::text))
    return convert_items(node, arguments[0], std::string(arguments[1].as_text()), out);
  return std::nullopt;
}

bool Expressions::convert_items(const Node& node, const Value& list, const std::string& name,
                                Value& out) {
  const auto type = type_of_name(name);
  if (!list.is(Type::list)) return not_yet("this as a list is", node);
  std::vector<Value> items = items_of(list);
  for (Value& item : items) {
    const bool wholes = type && is_whole(item.type()) && is_whole(*type);
    const bool same = type && item.is(*type);
    const bool plain = !type && is_text_or_character(item);
    if (same || plain || (!type && (item.is(Type::truth) || item.is(Type::tuple)))) continue;
    if (!wholes || !computed::fits(*type, computed::whole_of(item)))
      return not_yet("items of another type than the list are", node);
    item = computed::wrapped(*type, computed::whole_of(item));
  }
  out = Value::list(std::move(items));
  return true;
}

}  // namespace inky::inline v1::rust
