// The arrays that values of expressions are, and their parts.

#include <algorithm>
#include <bit>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

// The double that a real value is.
double double_of(const Value& value) {
  return std::bit_cast<double>(
      low_half(convert(unpack(*fact_of(value.type()).format, value.bits()), binary64)));
}

bool add_value(const Value& item, bool first, Array& out) {
  Type type = item.type();
  const bool is_complex = type == Type::complex;
  if (is_complex) type = Type::f64;
  const bool is_known =
      type == Type::f64 || type == Type::f32 || type == Type::truth ||
      (is_whole(type) && type != Type::i128 && type != Type::u128 && type != Type::big);
  if (!is_known || (!first && type != out.type)) return false;
  out.type = type;
  if (!is_real(type)) {
    out.wholes.push_back(item.as_whole());
    return true;
  }
  if (is_complex && !out.is_complex()) out.imaginaries.resize(out.reals.size());
  const bool has_parts = is_complex || out.is_complex();
  out.reals.push_back(double_of(is_complex ? item.as_list()[0] : item));
  if (has_parts) out.imaginaries.push_back(is_complex ? double_of(item.as_list()[1]) : 0);
  return true;
}

// A list of texts that are equally long: the rows of a matrix of characters.
bool add_texts(std::span<const Value> rows, Array& out) {
  out.type = Type::text;
  out.rows = static_cast<int>(rows.size());
  out.columns = static_cast<int>(rows[0].as_text().size());
  for (const Value& row : rows) {
    if (!row.is(Type::text) || static_cast<int>(row.as_text().size()) != out.columns) return false;
    out.text += row.as_text();
  }
  return true;
}

}  // namespace

bool array_of(const Value& value, Array& out) {
  out = {};
  if (value.is(Type::text)) {
    out.type = Type::text;
    out.text = value.as_text();
    out.columns = static_cast<int>(out.text.size());
    return true;
  }
  if (!value.is(Type::list)) return add_value(value, true, out);
  const auto rows = value.as_list();
  if (!rows.empty() && rows[0].is(Type::text)) return add_texts(rows, out);
  const bool nested = !rows.empty() && rows[0].is(Type::list);
  out.rows = rows.empty() ? 0 : nested ? static_cast<int>(rows.size()) : 1;
  out.columns = static_cast<int>(nested ? rows[0].as_list().size() : rows.size());
  bool first = true;
  for (const Value& row : rows) {
    if (row.is(Type::list) != nested) return false;
    const std::span<const Value> items = nested ? row.as_list() : std::span<const Value>(&row, 1);
    if (nested && static_cast<int>(items.size()) != out.columns) return false;
    for (const Value& item : items) {
      if (!add_value(item, first, out)) return false;
      first = false;
    }
  }
  return true;
}

Array elements_at(const Array& array, std::span<const std::size_t> places, int rows, int columns) {
  Array out;
  out.type = array.type;
  out.rows = rows;
  out.columns = columns;
  for (const std::size_t place : places) {
    if (array.type == Type::text)
      out.text += array.text[place];
    else if (array.is_real())
      out.reals.push_back(array.reals[place]);
    else
      out.wholes.push_back(array.wholes[place]);
    if (array.is_complex()) out.imaginaries.push_back(array.imaginaries[place]);
  }
  narrow(out);
  return out;
}

Array element_of(const Array& array, std::size_t place) {
  return elements_at(array, {&place, 1}, 1, 1);
}

Array doubles(int rows, int columns, std::vector<double> reals) {
  Array out;
  out.rows = rows;
  out.columns = columns;
  out.reals = std::move(reals);
  return out;
}

Array truths(int rows, int columns, const std::vector<bool>& values) {
  Array out;
  out.type = Type::truth;
  out.rows = rows;
  out.columns = columns;
  for (const bool value : values) out.wholes.push_back(value ? 1 : 0);
  return out;
}

void narrow(Array& array) {
  if (std::all_of(array.imaginaries.begin(), array.imaginaries.end(),
                  [](double x) { return x == 0; }))
    array.imaginaries.clear();
}

Value value_of(const Array& array) {
  const auto columns = static_cast<std::size_t>(array.columns);
  if (array.type == Type::text && array.rows == 1) return Value::text(array.text);
  const auto element = [&](std::size_t at) {
    if (array.type == Type::truth) return Value::truth(array.wholes[at] != 0);
    if (array.is_complex()) return Value::complex(array.reals[at], array.imaginaries[at]);
    if (array.type == Type::f64) return Value::real(array.reals[at]);
    if (array.type == Type::f32) return computed::real_of(Type::f32, Value::real(array.reals[at]));
    return Value::whole(array.type, array.wholes[at]);
  };
  if (array.is_scalar()) return element(0);
  std::vector<Value> rows;
  for (std::size_t i = 0; i < static_cast<std::size_t>(array.rows); ++i) {
    if (array.type == Type::text) {
      rows.push_back(Value::text(array.text.substr(i * columns, columns)));
      continue;
    }
    std::vector<Value> row;
    for (std::size_t k = 0; k < columns; ++k) row.push_back(element(i * columns + k));
    // A row of none is a list in a list: there are arrays without rows, too.
    if (array.rows == 1 && columns > 0) return Value::list(std::move(row));
    rows.push_back(Value::list(std::move(row)));
  }
  return Value::list(std::move(rows));
}

}  // namespace inky::inline v1::octave
