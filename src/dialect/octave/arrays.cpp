#include "arrays.hpp"

#include <algorithm>
#include <bit>
#include <cmath>
#include <optional>
#include <utility>

#include "../family/values.hpp"

namespace inky::inline v1::octave {

namespace {

int128 saturated(double value, Type to) {
  if (std::isnan(value)) return 0;
  constexpr double beyond = 0x1p100;  // any whole type there is
  return within(static_cast<int128>(nearest_whole(std::clamp(value, -beyond, beyond))), to);
}

Error not_yet(std::string what) {
  return {Code::not_supported_yet,
          std::move(what) + " not supported yet",
          {},
          "Give a number, a text, or rows of numbers of one type."};
}

// The class that a value of this type is of; nothing where there is none.
std::optional<Type> class_of(Type type) {
  switch (type) {
    case Type::i8:
    case Type::i16:
    case Type::u8:
    case Type::u16:
    case Type::u32:
    case Type::u64:
    case Type::truth:
    case Type::text:
      return type;
    case Type::i32:
    case Type::i64:
    case Type::f64:
    case Type::f80:
    case Type::f128:
      return Type::f64;
    case Type::f16:
    case Type::bf16:
    case Type::f32:
      return Type::f32;
    case Type::character:
      return Type::text;
    default:
      return std::nullopt;
  }
}

std::optional<Error> add_element(const Value& value, bool first, Array& out) {
  if (value.is(Type::complex)) {
    if (!first && out.type != Type::f64) return not_yet("a matrix of several classes is");
    out.imaginaries.resize(out.reals.size());
    const auto parts = value.as_list();
    if (auto error = add_element(parts[0], first, out)) return error;
    out.imaginaries.resize(out.reals.size());
    Array other;
    if (auto error = add_element(parts[1], true, other)) return error;
    out.imaginaries.back() = other.reals[0];
    return std::nullopt;
  }
  const auto type = class_of(value.type());
  if (!type || type == Type::text)
    return not_yet("an element of type " + std::string(name_of(value.type())) + " is");
  if (first) out.type = *type;
  if (*type != out.type) return not_yet("a matrix of several classes is");
  if (!out.is_real())
    out.wholes.push_back(value.as_whole());
  else if (is_whole(value.type()))
    out.reals.push_back(static_cast<double>(value.as_whole()));
  else
    out.reals.push_back(std::bit_cast<double>(
        low_half(convert(unpack(*fact_of(value.type()).format, value.bits()), binary64))));
  if (out.is_complex()) out.imaginaries.resize(out.reals.size());
  return std::nullopt;
}

bool is_row(const Value& value) {
  return value.is(Type::list);
}

std::optional<Error> add_row(std::span<const Value> row, Array& out) {
  for (const Value& item : row) {
    if (auto error = add_element(item, out.reals.empty() && out.wholes.empty(), out)) return error;
  }
  return std::nullopt;
}

}  // namespace

double nearest_whole(double value) {
  return std::copysign(std::floor(std::fabs(value) + 0.5), value);
}

int128 within(int128 value, Type to) {
  const TypeFact& fact = fact_of(to);
  const int128 most = (int128{1} << (fact.is_signed ? fact.width - 1 : fact.width)) - 1;
  const int128 least = fact.is_signed ? -most - 1 : int128{0};
  return std::clamp(value, least, most);
}

std::optional<Error> make_array(const Value& value, Array& out) {
  out = {};
  if (value.is(Type::nil)) {
    out.rows = out.columns = 0;
    return std::nullopt;
  }
  if (!is_row(value)) {
    if (value.is(Type::complex)) return add_element(value, true, out);
    const auto type = class_of(value.type());
    if (!type) return not_yet("a value of type " + std::string(name_of(value.type())) + " is");
    if (type != Type::text) return add_element(value, true, out);
    out.type = Type::text;
    out.text = value.is(Type::text) ? std::string(value.as_text()) : text_of(value);
    return std::nullopt;
  }
  const auto items = value.as_list();
  const bool nested = !items.empty() && is_row(items[0]);
  out.rows = items.empty() ? 0 : nested ? static_cast<int>(items.size()) : 1;
  out.columns = static_cast<int>(nested ? items[0].as_list().size() : items.size());
  if (!nested) return add_row(items, out);
  for (const Value& row : items) {
    if (!is_row(row) || row.as_list().size() != static_cast<std::size_t>(out.columns))
      return not_yet("a list of rows that are not equally long is");
    if (auto error = add_row(row.as_list(), out)) return error;
  }
  return std::nullopt;
}

Array converted(const Array& array, Type to) {
  Array out = array;
  out.type = to;
  out.reals.clear();
  out.wholes.clear();
  for (const double value : array.reals) {
    if (to == Type::f64)
      out.reals.push_back(value);
    else if (to == Type::f32)
      out.reals.push_back(static_cast<double>(static_cast<float>(value)));
    else
      out.wholes.push_back(to == Type::truth ? int128{value != 0} : saturated(value, to));
  }
  for (const int128 value : array.wholes) {
    if (to == Type::f64)
      out.reals.push_back(static_cast<double>(value));
    else if (to == Type::f32)
      out.reals.push_back(static_cast<double>(static_cast<float>(value)));
    else
      out.wholes.push_back(to == Type::truth ? int128{value != 0} : within(value, to));
  }
  return out;
}

}  // namespace inky::inline v1::octave
