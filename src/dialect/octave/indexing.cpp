// Parts of arrays, and values put into them: the GNU Octave manual, Index Expressions, and Deleting
// Rows and Columns.

#include <algorithm>
#include <cmath>

#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

// How many elements there are along the index at this place of `count`.
std::size_t extent(const Array& of, std::size_t place, std::size_t count) {
  if (count == 1) return count_of(of);
  return static_cast<std::size_t>(place == 0 ? of.rows : of.columns);
}

// An array of zeros of the class, or of NULs.
Array blank(const Array& like, int rows, int columns) {
  Array out;
  out.type = like.type;
  out.rows = rows;
  out.columns = columns;
  if (like.type == Type::text)
    out.text.assign(count_of(out), '\0');
  else if (like.is_real())
    out.reals.assign(count_of(out), 0.0);
  else
    out.wholes.assign(count_of(out), 0);
  return out;
}

void put(Array& into, std::size_t to, const Array& from, std::size_t place) {
  if (into.type == Type::text) {
    into.text[to] = from.text[place];
  } else if (into.is_real()) {
    into.reals[to] = from.reals[place];
    if (from.is_complex() && !into.is_complex()) into.imaginaries.resize(into.reals.size());
    if (into.is_complex()) into.imaginaries[to] = from.is_complex() ? from.imaginaries[place] : 0;
  } else {
    into.wholes[to] = from.wholes[place];
  }
}

}  // namespace

bool Expressions::select(const Node& node, const Array& of, std::size_t place, std::size_t count,
                         Selection& out) {
  const std::size_t size = extent(of, place, count);
  if (node.kind == Node::Kind::name && node.text == ":") {
    out.is_all = true;
    out.rows = static_cast<int>(size);
    for (std::size_t i = 0; i < size; ++i) out.numbers.push_back(i);
    return true;
  }
  ends_.push_back({&of, place, count});
  Value value;
  Array index;
  const bool good = evaluate_again(node, value) && take(node, value, index);
  ends_.pop_back();
  if (!good) return false;
  out.rows = index.rows;
  out.columns = index.columns;
  if (index.type == Type::text) return not_yet("a text as an index is", node);
  for (std::size_t number = 0; number < count_of(index); ++number) {
    const double at = real_at(index, place_of(index, number));
    if (index.type == Type::truth) {
      if (at != 0) out.numbers.push_back(number);
      continue;
    }
    const std::string shown = value.is(Type::f64) && at == std::floor(at) && std::fabs(at) < 1e9
                                  ? std::to_string(static_cast<long>(at))
                                  : "n";
    if (at != std::floor(at) || !std::isfinite(at))
      return raise("index (" + shown +
                       "): subscripts must be either integers 1 to (2^63)-1 or "
                       "logicals",
                   node);
    if (at < 1)
      return raise(
          std::string("index (").append(shown).append("): out of bound; value ").append(shown) +
              " out of bound " + std::to_string(size),
          node);
    if (at > most_elements) return not_yet("such an index is", node);
    out.numbers.push_back(static_cast<std::size_t>(at) - 1);
  }
  if (index.type == Type::truth) {
    const bool stands = index.rows != 1;
    out.rows = stands ? static_cast<int>(out.numbers.size()) : 1;
    out.columns = stands ? 1 : static_cast<int>(out.numbers.size());
  }
  return true;
}

bool Expressions::select_all(const Node& node, const Array& of, std::vector<Selection>& out) {
  const std::size_t count = node.parts.size() - 1;
  if (count < 1 || count > 2) return not_yet("such an index is", node);
  for (std::size_t i = 0; i < count; ++i) {
    out.emplace_back();
    if (!select(node.parts[i + 1], of, i, count, out.back())) return false;
  }
  return true;
}

bool Expressions::index(const Node& node, const Value& of, Value& out) {
  Array array;
  if (!take_any(node, of, array)) return false;
  if (node.parts.size() == 1) {
    out = of;
    return true;
  }
  std::vector<Selection> chosen;
  if (!select_all(node, array, chosen)) return false;
  for (std::size_t i = 0; i < chosen.size(); ++i) {
    const std::size_t size = extent(array, i, chosen.size());
    for (const std::size_t number : chosen[i].numbers) {
      if (number >= size)
        return raise(
            "index (" + std::to_string(number + 1) + "): out of bound " + std::to_string(size),
            node);
    }
  }
  std::vector<std::size_t> places;
  const Selection& first = chosen[0];
  if (chosen.size() == 2) {
    for (const std::size_t row : first.numbers) {
      for (const std::size_t column : chosen[1].numbers)
        places.push_back(row * static_cast<std::size_t>(array.columns) + column);
    }
    out = value_of(elements_at(array, places, static_cast<int>(first.numbers.size()),
                               static_cast<int>(chosen[1].numbers.size())));
    return true;
  }
  // Of a vector, a vector that lies as it does; of a matrix, what lies as the index does.
  const auto count = static_cast<int>(first.numbers.size());
  const bool of_vector = array.rows == 1 || array.columns == 1;
  const bool by_vector = first.rows == 1 || first.columns == 1;
  int rows = first.rows;
  int columns = first.columns;
  if (first.is_all) {
    rows = count;
    columns = 1;
  } else if (of_vector && by_vector && !(array.rows == 1 && array.columns == 1)) {
    rows = array.rows == 1 ? 1 : count;
    columns = array.rows == 1 ? count : 1;
  }
  for (int i = 0; i < rows; ++i) {
    for (int k = 0; k < columns; ++k)
      places.push_back(place_of(
          array, first.numbers[static_cast<std::size_t>(k) * static_cast<std::size_t>(rows) +
                               static_cast<std::size_t>(i)]));
  }
  out = value_of(elements_at(array, places, rows, columns));
  return true;
}

bool Expressions::assign(const Node& target, const Value* before, const Value& value, Value& out) {
  Array array;
  Array given;
  if (!take_any(target, value, given)) return false;
  array.rows = array.columns = 0;
  if (before != nullptr && !take_any(target, *before, array)) return false;
  if (before == nullptr || array.is_empty()) {
    array = blank(given, 0, 0);
  } else if (array.type != given.type) {
    if (array.type == Type::text || given.type == Type::text || given.is_complex() ||
        array.is_complex())
      return not_yet("a value of another class in this array is", target);
    const bool takes_given = array.type == Type::truth ||
                             (array.is_real() && !given.is_real() && given.type != Type::truth) ||
                             (array.type == Type::f64 && given.type == Type::f32);
    if (takes_given)
      array = converted(array, given.type);
    else
      given = converted(given, array.type);
  }
  std::vector<Selection> chosen;
  if (!select_all(target, array, chosen)) return false;
  // All of an array that has no elements yet is as much as is given.
  for (std::size_t i = 0; i < chosen.size(); ++i) {
    if (!chosen[i].is_all || !array.is_empty()) continue;
    const std::size_t size = extent(given, i, chosen.size());
    chosen[i].numbers.clear();
    for (std::size_t number = 0; number < size; ++number) chosen[i].numbers.push_back(number);
  }
  std::size_t count = 1;
  for (const Selection& one : chosen) count *= one.numbers.size();
  if (!given.is_scalar() && !(given.type == Type::text && given.text.size() == 1) &&
      count_of(given) != count)
    return raise("=: nonconformant arguments (op1 is " + std::to_string(chosen[0].numbers.size()) +
                     ", op2 is " + std::to_string(given.rows) + "x" +
                     std::to_string(given.columns) + ")",
                 target);
  // It grows where an index is behind its end.
  const auto most_of = [](const Selection& one) {
    return one.numbers.empty() ? 0 : *std::max_element(one.numbers.begin(), one.numbers.end()) + 1;
  };
  int rows = array.rows;
  int columns = array.columns;
  const auto most = static_cast<int>(most_of(chosen[0]));
  if (chosen.size() == 2) {
    rows = std::max(rows, most);
    columns = std::max(columns, static_cast<int>(most_of(chosen[1])));
  } else if (most > static_cast<int>(count_of(array))) {
    if (array.is_empty() || array.rows == 1) {
      rows = 1;
      columns = most;
    } else if (array.columns == 1) {
      rows = most;
    } else {
      return raise("Octave:index out of bound; value " + std::to_string(most) + " out of bound " +
                       std::to_string(count_of(array)),
                   target);
    }
  }
  if (rows > most_elements || columns > most_elements || rows * columns > most_elements)
    return over_limit("a matrix of more than 10,000 elements", target);
  Array made = blank(array, rows, columns);
  for (std::size_t i = 0; i < count_of(array); ++i) {
    const std::size_t row = i / static_cast<std::size_t>(array.columns);
    const std::size_t column = i % static_cast<std::size_t>(array.columns);
    put(made, row * static_cast<std::size_t>(columns) + column, array, i);
  }
  std::size_t next = 0;
  const bool is_one = count_of(given) == 1;
  // What is given is taken column by column.
  if (chosen.size() == 1) {
    for (const std::size_t number : chosen[0].numbers)
      put(made, place_of(made, number), given, is_one ? 0 : place_of(given, next++));
  } else {
    for (const std::size_t column : chosen[1].numbers) {
      for (const std::size_t row : chosen[0].numbers)
        put(made, row * static_cast<std::size_t>(columns) + column, given,
            is_one ? 0 : place_of(given, next++));
    }
  }
  narrow(made);
  out = value_of(made);
  return true;
}

bool Expressions::remove(const Node& target, const Value& before, Value& out) {
  Array array;
  std::vector<Selection> chosen;
  if (!take_any(target, before, array) || !select_all(target, array, chosen)) return false;
  const auto has = [](const Selection& one, std::size_t number) {
    return std::find(one.numbers.begin(), one.numbers.end(), number) != one.numbers.end();
  };
  // One index of a vector, or all of one and some of the other.
  std::size_t which = 0;
  if (chosen.size() == 2) {
    if (!chosen[0].is_all && !chosen[1].is_all)
      return raise("a null assignment can only have one non-colon index", target);
    which = chosen[0].is_all ? 1 : 0;
  } else if (array.rows != 1 && array.columns != 1) {
    return raise("a null assignment can only have one non-colon index", target);
  }
  const bool by_row = chosen.size() == 2 ? which == 0 : array.rows != 1;
  const auto size = static_cast<std::size_t>(by_row ? array.rows : array.columns);
  for (const std::size_t number : chosen[which].numbers) {
    if (number >= size)
      return raise("out of bound; value " + std::to_string(number + 1) + " out of bound " +
                       std::to_string(size),
                   target);
  }
  std::vector<std::size_t> places;
  int left = 0;
  for (std::size_t number = 0; number < size; ++number) left += has(chosen[which], number) ? 0 : 1;
  for (std::size_t i = 0; i < count_of(array); ++i) {
    const auto columns = static_cast<std::size_t>(array.columns);
    if (!has(chosen[which], by_row ? i / columns : i % columns)) places.push_back(i);
  }
  if (left == 0 && by_row && array.columns > 0) return not_yet("an array without rows is", target);
  out = value_of(
      elements_at(array, places, by_row ? left : array.rows, by_row ? array.columns : left));
  return true;
}

}  // namespace inky::inline v1::octave
