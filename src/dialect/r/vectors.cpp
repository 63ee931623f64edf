// The functions of R that make vectors, and put their elements in another order.

#include <algorithm>
#include <cmath>
#include <numeric>

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "expressions.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;

constexpr std::int64_t most_items = 100'000;

// Which of the arguments is called so, or stands at this place among those without a name.
const Value* argument_of(const computed::Arguments& arguments, std::string_view name,
                         std::size_t place) {
  if (const Value* named = arguments.find(name)) return named;
  return place < arguments.size() ? &arguments[place] : nullptr;
}

bool has_only(const computed::Arguments& arguments, std::initializer_list<std::string_view> names) {
  return std::all_of(arguments.named.begin(), arguments.named.end(), [&](const auto& one) {
    return std::find(names.begin(), names.end(), one.name) != names.end();
  });
}

}  // namespace

// All become the last of the modes that one of them has.
bool Expressions::join(const Node& node, const Arguments& arguments, Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  std::size_t unnamed = 0;
  std::size_t named = 0;
  std::vector<std::string> names;
  const bool is_complex = !arguments.values.empty() &&
                          std::all_of(arguments.values.begin(), arguments.values.end(),
                                      [](const Value& one) { return one.is(Type::complex); });
  if (is_complex && arguments.named.empty()) {
    out = vector_of(arguments.values);
    return true;
  }
  // Those with a name and those without one come in the order in which they were written.
  for (std::size_t i = 1; i < node.parts.size(); ++i) {
    const std::string key = i - 1 < node.keys.size() ? node.keys[i - 1] : std::string();
    if (key.empty() ? unnamed >= arguments.size() : named >= arguments.named.size())
      return not_yet("c with these arguments is", node);
    const Value& argument = key.empty() ? arguments[unnamed++] : arguments.named[named++].value;
    Items more;
    Mode own = Mode::unknown;
    const Value flat = is_matrix(argument) ? Value::list(matrix_of(argument).items) : argument;
    if (!take_items(node, flat, more, own)) return false;
    const std::vector<std::string> inner = names_of(flat);
    // Several elements of one name are counted, or keep their own names behind it.
    for (std::size_t k = 0; k < more.size(); ++k) {
      const std::string own_name = inner.empty() ? std::string() : inner[k];
      std::string name = key.empty() ? own_name : key;
      if (!key.empty() && !own_name.empty())
        name.append(".").append(own_name);
      else if (!key.empty() && more.size() > 1)
        name += std::to_string(k + 1);
      names.push_back(std::move(name));
    }
    mode = std::max(mode, own);
    items.insert(items.end(), more.begin(), more.end());
  }
  for (std::size_t i = 0; i < items.size(); ++i) {
    Value& item = items[i];
    if (!item.is(Type::nil)) {
      if (mode == Mode::character)
        item = Value::text(as_character(item, mode_of(item)));
      else if (mode == Mode::real)
        item = Value::real(Type::f64, pack(binary64, nearest_f64(item)));
      else if (mode == Mode::integer)
        item = computed::wrapped(Type::i32, computed::whole_of(item));
    }
    if (!names[i].empty()) item.set_name(names[i]);
  }
  out = vector_of(std::move(items));
  return true;
}

// rep(x, times), rep(x, each = n), rep(x, times = c(2, 1)), rep(x, length.out = n)
bool Expressions::repeat(const Node& node, const Arguments& arguments, Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (arguments.size() == 0 || !has_only(arguments, {"times", "each", "length.out"}) ||
      !take_items(node, arguments[0], items, mode))
    return not_yet("rep with these arguments is", node);
  std::int64_t each = 1;
  std::int64_t times = 1;
  std::int64_t length = -1;
  const Value* given = argument_of(arguments, "times", 1);
  const Value* by_each = arguments.find("each");
  const Value* by_length = arguments.find("length.out");
  if (by_each != nullptr && !take_whole(node, *by_each, each)) return false;
  if (by_length != nullptr && !take_whole(node, *by_length, length)) return false;
  Items made;
  if (given != nullptr && given->is(Type::list)) {
    Items counts;
    if (!take_numbers(node, *given, counts, mode)) return false;
    if (counts.size() != items.size() || each != 1 || length >= 0)
      return not_yet("rep with these arguments is", node);
    for (std::size_t i = 0; i < items.size(); ++i) {
      if (!take_whole(node, counts[i], times)) return false;
      if (times < 0 || times > most_items) return not_yet("such a count is", node);
      made.insert(made.end(), static_cast<std::size_t>(times), items[i]);
    }
    out = vector_of(std::move(made));
    return true;
  }
  if (given != nullptr && !take_whole(node, *given, times)) return false;
  const auto count = static_cast<std::int64_t>(items.size());
  if (each < 0 || times < 0 || each > most_items || times > most_items || length > most_items ||
      each * times * (count + 1) > most_items)
    return not_yet("such a count is", node);
  for (std::int64_t i = 0; i < times; ++i) {
    for (const Value& item : items) made.insert(made.end(), static_cast<std::size_t>(each), item);
  }
  if (length >= 0) {
    if (made.empty()) return not_yet("rep of nothing is", node);
    Items cut;
    for (std::int64_t i = 0; i < length; ++i)
      cut.push_back(made[static_cast<std::size_t>(i) % made.size()]);
    made = std::move(cut);
  }
  out = vector_of(std::move(made));
  return true;
}

// seq(from, to), with by or length.out.
bool Expressions::sequence(const Node& node, const Arguments& arguments, Value& out) {
  if (!has_only(arguments, {"from", "to", "by", "length.out", "length", "len"}))
    return not_yet("seq with these arguments is", node);
  const Value* from = argument_of(arguments, "from", 0);
  const Value* to = argument_of(arguments, "to", 1);
  const Value* by = argument_of(arguments, "by", 2);
  const Value* length = arguments.find("length.out");
  if (length == nullptr) length = arguments.find("length");
  if (length == nullptr) length = arguments.find("len");
  if (from == nullptr) return not_yet("seq with these arguments is", node);
  const auto is_single = [](const Value* value) {
    return value == nullptr ||
           (!value->is(Type::list) && !value->is(Type::text) && !value->is(Type::nil));
  };
  if (!is_single(from) || !is_single(to) || !is_single(by) || !is_single(length))
    return not_yet("seq of these is", node);
  if (to == nullptr && by == nullptr && length == nullptr) {
    std::int64_t count = 0;
    if (!take_whole(node, *from, count)) return false;
    return range(node, Value::real(1), *from, out);
  }
  if (by == nullptr && length == nullptr) return range(node, *from, *to, out);
  const double start = double_in(*from);
  const auto is_whole = [](double x) { return x == std::floor(x) && std::fabs(x) < 1e9; };
  Items items;
  if (length != nullptr) {
    std::int64_t count = 0;
    if (!take_whole(node, *length, count)) return false;
    if (count < 1 || count > most_items || (by != nullptr) == (to != nullptr))
      return not_yet("seq with these arguments is", node);
    const double end = to != nullptr ? double_in(*to) : 0;
    const double step =
        by != nullptr ? double_in(*by) : (end - start) / static_cast<double>(count - 1);
    // seq.default of R 4.2: whole numbers are integers where both ends are.
    bool all_whole = is_whole(start) && is_whole(step) && by == nullptr;
    if (by != nullptr)
      all_whole =
          is_whole(start) && is_whole(step) && !is_real(from->type()) && !is_real(by->type());
    for (std::int64_t i = 0; i < count; ++i) {
      const double at = count == 1                        ? start
                        : i + 1 == count && by == nullptr ? end
                                                          : start + static_cast<double>(i) * step;
      items.push_back(all_whole ? Value::whole(Type::i32, static_cast<int128>(at))
                                : Value::real(at));
    }
    out = vector_of(std::move(items));
    return true;
  }
  if (to == nullptr) return not_yet("seq with these arguments is", node);
  const double end = double_in(*to);
  const double step = double_in(*by);
  const double count = (end - start) / step;
  if (step == 0 || !std::isfinite(count) || count > static_cast<double>(most_items))
    return not_yet("seq with these arguments is", node);
  if (count < 0) return raise("wrong sign in 'by' argument", node);
  const bool stays_integer = !is_real(from->type()) && !is_real(by->type());
  const auto last = static_cast<std::int64_t>(count + (stays_integer ? 0 : 1e-10));
  for (std::int64_t i = 0; i <= last; ++i) {
    double at = start + static_cast<double>(i) * step;
    if (!stays_integer) at = step > 0 ? std::min(at, end) : std::max(at, end);
    items.push_back(stays_integer ? Value::whole(Type::i32, static_cast<int128>(at))
                                  : Value::real(at));
  }
  out = vector_of(std::move(items));
  return true;
}

// rev, seq_len, seq_along, length, ifelse, is.na, and vectors of nothing yet.
bool Expressions::make_vector(const Node& node, std::string_view name, const Arguments& arguments,
                              Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  std::int64_t count = 0;
  const std::string called(name);
  if (!arguments.named.empty()) return not_yet("named arguments here are", node);
  const bool is_blank =
      name == "numeric" || name == "character" || name == "logical" || name == "integer";
  if ((name == "seq_len" || is_blank) && arguments.size() == 1) {
    if (!take_whole(node, arguments[0], count)) return false;
    if (count < 0 || count > most_items) return not_yet("such a length is", node);
    for (std::int64_t i = 1; i <= count; ++i)
      items.push_back(name == "seq_len"     ? Value::whole(Type::i32, i)
                      : name == "numeric"   ? Value::real(0)
                      : name == "character" ? Value::text("")
                      : name == "logical"   ? Value::truth(false)
                                            : Value::whole(Type::i32, 0));
    out = vector_of(std::move(items));
    return true;
  }
  if (name == "vector") return not_yet("vector with these arguments is", node);
  if (name == "ifelse" && arguments.size() == 3) {
    Items parts[3];
    for (std::size_t i = 0; i < 3; ++i) {
      if (!take_items(node, arguments[i], parts[i], mode)) return false;
    }
    if (parts[1].empty() || parts[2].empty()) return not_yet("ifelse of nothing is", node);
    for (std::size_t i = 0; i < parts[0].size(); ++i) {
      bool test = false;
      if (!holds(node, parts[0][i], test)) return false;
      const Items& chosen = parts[test ? 1 : 2];
      items.push_back(chosen[i % chosen.size()]);
    }
    out = vector_of(std::move(items));
    return true;
  }
  if (arguments.size() == 0) return not_yet(called + " without a value is", node);
  const Value flat =
      is_matrix(arguments[0]) ? Value::list(matrix_of(arguments[0]).items) : arguments[0];
  if (name == "length" && arguments.size() == 1 && flat.is(Type::record)) {
    out = Value::whole(Type::i32, static_cast<int128>(flat.as_list().size()));
    return true;
  }
  if (!take_items(node, flat, items, mode)) return false;
  if ((name == "length" || name == "seq_along") && arguments.size() == 1) {
    out = Value::whole(Type::i32, static_cast<int128>(items.size()));
    if (name == "length") return true;
    const auto size = static_cast<std::int64_t>(items.size());
    items.clear();
    for (std::int64_t i = 1; i <= size; ++i) items.push_back(Value::whole(Type::i32, i));
  } else if (name == "rev" && arguments.size() == 1) {
    const std::vector<std::string> names = names_of(flat);
    for (std::size_t i = 0; i < names.size(); ++i) items[i].set_name(names[i]);
    std::reverse(items.begin(), items.end());
  } else if (name == "is.na" && arguments.size() == 1) {
    for (Value& item : items) {
      const bool is_nan = is_real(item.type()) && item.as_real().kind == RealClass::not_a_number;
      item = Value::truth(item.is(Type::nil) || is_nan);
    }
  } else if (name == "rep_len" && arguments.size() == 2 && !items.empty()) {
    if (!take_whole(node, arguments[1], count)) return false;
    if (count < 0 || count > most_items) return not_yet("such a count is", node);
    Items made;
    for (std::int64_t i = 0; i < count; ++i)
      made.push_back(items[static_cast<std::size_t>(i) % items.size()]);
    items = std::move(made);
  } else {
    return not_yet(called + " with these arguments is", node);
  }
  out = vector_of(std::move(items));
  return true;
}

// head(x, n) and tail(x, n). A negative n says how many are left out.
bool Expressions::cut(const Node& node, std::string_view name, const Arguments& arguments,
                      Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (arguments.size() == 0 || arguments.size() > 2 || !has_only(arguments, {"n"}) ||
      is_matrix(arguments[0]))
    return not_yet(std::string(name) + " with these arguments is", node);
  if (!take_items(node, arguments[0], items, mode)) return false;
  const std::vector<std::string> names = names_of(arguments[0]);
  for (std::size_t i = 0; i < names.size(); ++i) items[i].set_name(names[i]);
  std::int64_t count = 6;
  const Value* given = argument_of(arguments, "n", 1);
  if (given != nullptr && !take_whole(node, *given, count)) return false;
  const auto size = static_cast<std::int64_t>(items.size());
  if (count < 0) count = std::max<std::int64_t>(size + count, 0);
  count = std::min(count, size);
  if (name == "head")
    items.resize(static_cast<std::size_t>(count));
  else
    items.erase(items.begin(), items.begin() + (size - count));
  out = vector_of(std::move(items));
  return true;
}

// sort, order, unique and duplicated.
bool Expressions::order(const Node& node, std::string_view name, const Arguments& arguments,
                        Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  const std::string called(name);
  const bool sorts = name == "sort" || name == "order";
  if (arguments.size() != 1 || !has_only(arguments, {"decreasing"}) ||
      (!sorts && !arguments.named.empty()))
    return not_yet(called + " with these arguments is", node);
  if (!take_items(node, arguments[0], items, mode)) return false;
  const bool has_none = std::any_of(items.begin(), items.end(), [](const Value& item) {
    return item.is(Type::nil) ||
           (is_real(item.type()) && item.as_real().kind == RealClass::not_a_number);
  });
  if (has_none) return not_yet(called + " with NA is", node);
  const auto same = [&](const Value& a, const Value& b) {
    return mode == Mode::character ? a.as_text() == b.as_text() : double_in(a) == double_in(b);
  };
  if (!sorts) {
    // Each is compared with those before it.
    constexpr std::size_t most_compared = 2'000;
    if (items.size() > most_compared)
      return over_limit(called + " takes at most 2,000 elements", node);
    Items kept;
    Items repeated;
    for (const Value& item : items) {
      const bool known = std::any_of(kept.begin(), kept.end(),
                                     [&](const Value& other) { return same(item, other); });
      if (!known) kept.push_back(item);
      repeated.push_back(Value::truth(known));
    }
    out = vector_of(name == "unique" ? std::move(kept) : std::move(repeated));
    return true;
  }
  // The order of texts follows the locale. Of letters of one case alone it is theirs.
  if (mode == Mode::character) {
    const auto is_plain = [&](char first, char last) {
      return std::all_of(items.begin(), items.end(), [&](const Value& item) {
        const std::string_view text = item.as_text();
        return !text.empty() && std::all_of(text.begin(), text.end(),
                                            [&](char c) { return first <= c && c <= last; });
      });
    };
    if (!is_plain('a', 'z') && !is_plain('A', 'Z'))
      return not_yet("the order of these texts is", node);
  }
  const Value* way = arguments.find("decreasing");
  const bool descends = way != nullptr && way->is(Type::truth) && way->as_whole() != 0;
  std::vector<std::size_t> places(items.size());
  std::iota(places.begin(), places.end(), std::size_t{0});
  std::stable_sort(places.begin(), places.end(), [&](std::size_t a, std::size_t b) {
    if (descends) std::swap(a, b);
    return mode == Mode::character ? items[a].as_text() < items[b].as_text()
                                   : double_in(items[a]) < double_in(items[b]);
  });
  const std::vector<std::string> names = names_of(arguments[0]);
  Items made;
  for (const std::size_t place : places) {
    made.push_back(name == "order" ? Value::whole(Type::i32, int128{place} + 1) : items[place]);
    if (name == "sort" && !names.empty()) made.back().set_name(names[place]);
  }
  out = vector_of(std::move(made));
  return true;
}

}  // namespace inky::inline v1::r_language
