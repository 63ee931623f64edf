// Parts of vectors, lists and matrices of R, and values put into them: the R Language Definition,
// 3.4, Indexing.

#include <algorithm>

#include "../computed/arithmetic.hpp"
#include "expressions.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;

}  // namespace

// Which elements an index names, from 0: by numbers, by numbers that are left out, by truth values
// or by names. One behind the end is a place of its own.
bool Expressions::select(const Node& node, const Value& at, std::size_t size,
                         const std::vector<std::string>& names, std::vector<std::size_t>& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (!take_items(node, at, items, mode)) return false;
  if (mode == Mode::character) {
    for (const Value& item : items) {
      const auto found =
          item.is(Type::nil) ? names.end() : std::find(names.begin(), names.end(), item.as_text());
      if (found == names.end()) return not_yet("a name that is not there is", node);
      out.push_back(static_cast<std::size_t>(found - names.begin()));
    }
    return true;
  }
  const bool is_logical = !items.empty() && items[0].is(Type::truth);
  if (is_logical) {
    for (std::size_t i = 0; i < std::max(size, items.size()); ++i) {
      const Value& item = items[i % items.size()];
      if (!item.is(Type::truth)) return not_yet("an index with NA is", node);
      if (item.as_whole() != 0) out.push_back(i);
    }
    return true;
  }
  std::vector<bool> left(size, true);
  bool leaves_out = false;
  for (const Value& item : items) {
    if (item.is(Type::nil)) return not_yet("an index with NA is", node);
    const auto whole =
        is_real(item.type()) ? computed::cut(item) : std::optional(computed::whole_of(item));
    constexpr int most = 100'000;
    if (!whole || *whole > most || *whole < -most) return not_yet("an index such as this is", node);
    const auto number = whole->convert_to<std::int64_t>();
    if (number == 0) continue;
    if (number < 0) {
      leaves_out = true;
      if (static_cast<std::size_t>(-number) <= size)
        left[static_cast<std::size_t>(-number) - 1] = false;
    } else {
      out.push_back(static_cast<std::size_t>(number) - 1);
    }
  }
  if (!leaves_out) return true;
  if (!out.empty()) return raise("can't mix positive and negative subscripts", node);
  for (std::size_t i = 0; i < size; ++i) {
    if (left[i]) out.push_back(i);
  }
  return true;
}

// m[i, k], where either may be left out.
bool Expressions::index_matrix(const Node& node, const Value& of, Value& out) {
  const Matrix matrix = matrix_of(of);
  std::vector<std::size_t> chosen[2];
  for (std::size_t i = 0; i < 2; ++i) {
    const Node& part = node.parts[i + 1];
    const auto size = static_cast<std::size_t>(i == 0 ? matrix.rows : matrix.columns);
    if (part.kind == Node::Kind::nothing) {
      for (std::size_t k = 0; k < size; ++k) chosen[i].push_back(k);
      continue;
    }
    Value at;
    if (!evaluate_again(part, at) || !select(node, at, size, {}, chosen[i])) return false;
    for (const std::size_t place : chosen[i]) {
      if (place >= size) return raise("subscript out of bounds", node);
    }
  }
  Matrix made;
  made.rows = static_cast<int>(chosen[0].size());
  made.columns = static_cast<int>(chosen[1].size());
  for (const std::size_t column : chosen[1]) {
    for (const std::size_t row : chosen[0])
      made.items.push_back(matrix.at(static_cast<int>(row), static_cast<int>(column)));
  }
  // What has one row or one column is a vector.
  out = made.rows == 1 || made.columns == 1 ? vector_of(std::move(made.items)) : value_of(made);
  return true;
}

bool Expressions::index(const Node& node, Value& out) {
  Value of;
  // strsplit(...)[[1]]: the only element of a list of vectors.
  const Node& base = node.parts[0];
  if (node.text == "[[" && base.kind == Node::Kind::call &&
      base.parts[0].kind == Node::Kind::name && base.parts[0].text == "strsplit") {
    Arguments arguments;
    for (std::size_t i = 1; i < base.parts.size(); ++i) {
      Value value;
      if (!evaluate_again(base.parts[i], value)) return false;
      const std::string& key = base.keys[i - 1];
      if (key.empty())
        arguments.values.push_back(std::move(value));
      else
        arguments.named.push_back({key, std::move(value)});
    }
    Items items;
    Value at;
    std::int64_t number = 0;
    if (!split(base, arguments, items) || !evaluate_again(node.parts[1], at) ||
        !take_whole(node, at, number))
      return false;
    if (number != 1) return raise("subscript out of bounds", node);
    out = vector_of(std::move(items));
    return true;
  }
  if (!evaluate_again(base, of)) return false;
  const std::size_t count = node.parts.size() - 1;
  if (is_matrix(of)) {
    if (count == 2 && node.text.empty()) return index_matrix(node, of, out);
    if (count != 1) return not_yet("an index such as this is", node);
    of = Value::list(matrix_of(of).items);
  }
  if (count != 1 || node.parts[1].kind == Node::Kind::nothing)
    return not_yet("an index such as this is", node);
  Value at;
  if (!evaluate_again(node.parts[1], at)) return false;
  const bool doubled = node.text == "[[";
  if (of.is(Type::record)) {
    const auto fields = of.as_list();
    std::vector<std::string> names;
    for (const Value& field : fields) names.emplace_back(field.name());
    std::vector<std::size_t> chosen;
    if (!select(node, at, fields.size(), names, chosen)) return false;
    if (!doubled || chosen.size() != 1) return not_yet("a part of a list is", node);
    if (chosen[0] >= fields.size()) return raise("subscript out of bounds", node);
    out = fields[chosen[0]];
    out.drop_name();
    return true;
  }
  Items items;
  Mode mode = Mode::unknown;
  if (are_dates(of))
    items = items_of(of);
  else if (!take_items(node, of, items, mode))
    return false;
  const std::vector<std::string> names = names_of(of);
  std::vector<std::size_t> chosen;
  if (!select(node, at, items.size(), names, chosen)) return false;
  Items made;
  for (const std::size_t place : chosen) {
    if (place >= items.size() && (doubled || !names.empty()))
      return doubled ? raise("subscript out of bounds", node)
                     : not_yet("an index behind the end is", node);
    made.push_back(place < items.size() ? items[place] : Value());
    if (!names.empty() && !doubled) made.back().set_name(names[place]);
  }
  if (are_dates(of) && std::none_of(made.begin(), made.end(), is_date))
    return not_yet("a date that is NA is", node);
  out = vector_of(std::move(made));
  return true;
}

// `<-`(x[2], value): what x is then.
bool Expressions::assign(const Node& node, Value& out) {
  if (node.parts.size() != 3) return not_yet("an assignment such as this is", node);
  const Node& target = node.parts[1];
  Value value;
  Value before;
  if (!evaluate_again(node.parts[2], value)) return false;
  value.drop_name();
  // names(x) <- c("a", "b")
  const bool names_all = target.kind == Node::Kind::call && target.parts.size() == 2 &&
                         computed::path_of(target.parts[0]) == "names" &&
                         target.parts[1].kind == Node::Kind::name;
  if (names_all) {
    Items texts;
    Mode mode = Mode::unknown;
    if (!evaluate_again(target.parts[1], before) || !take_items(node, value, texts, mode))
      return false;
    Items items = items_of(before);
    if (is_matrix(before) || before.is(Type::record) || mode != Mode::character ||
        texts.size() != items.size())
      return not_yet("names such as these are", node);
    for (std::size_t i = 0; i < items.size(); ++i)
      items[i].set_name(std::string(texts[i].as_text()));
    out = vector_of(std::move(items));
    return true;
  }
  const bool is_member = target.kind == Node::Kind::member;
  const bool is_item = target.kind == Node::Kind::item && target.parts.size() == 2;
  if ((!is_member && !is_item) || target.parts[0].kind != Node::Kind::name)
    return not_yet("an assignment such as this is", node);
  if (!evaluate_again(target.parts[0], before)) return false;
  if (before.is(Type::record)) {
    std::string name = target.text;
    Value at;
    if (is_item && (!evaluate_again(target.parts[1], at) || !take_text(node, at, name)))
      return false;
    if (is_item && target.text != "[[") return not_yet("an assignment such as this is", node);
    std::vector<Value> fields(before.as_list().begin(), before.as_list().end());
    const auto known = std::find_if(fields.begin(), fields.end(),
                                    [&](const Value& field) { return field.name() == name; });
    value.set_name(name);
    if (known == fields.end())
      fields.push_back(std::move(value));
    else
      *known = std::move(value);
    out = Value::record(std::move(fields));
    return true;
  }
  if (is_member || is_matrix(before) || target.parts[1].kind == Node::Kind::nothing)
    return not_yet("an assignment such as this is", node);
  Items items;
  Items given;
  Mode mode = Mode::unknown;
  Mode own = Mode::unknown;
  Value at;
  std::vector<std::string> names = names_of(before);
  std::vector<std::size_t> chosen;
  if (!take_items(node, before, items, mode) || !take_items(node, value, given, own) ||
      !evaluate_again(target.parts[1], at) || !select(node, at, items.size(), names, chosen))
    return false;
  if (given.empty() || (!chosen.empty() && chosen.size() % given.size() != 0))
    return not_yet("an assignment of this many elements is", node);
  for (std::size_t i = 0; i < chosen.size(); ++i) {
    if (chosen[i] >= items.size()) {
      if (!names.empty()) return not_yet("an index behind the end is", node);
      items.resize(chosen[i] + 1);
    }
    items[chosen[i]] = given[i % given.size()];
  }
  // All are of one mode, as c() makes them.
  computed::Node call;
  call.span = node.span;
  call.kind = Node::Kind::call;
  call.parts.resize(items.size() + 1);
  call.keys.resize(items.size());
  Value joined;
  if (!join(call, {std::move(items), {}}, joined)) return false;
  out = with_names(std::move(joined), before);
  return true;
}

}  // namespace inky::inline v1::r_language
