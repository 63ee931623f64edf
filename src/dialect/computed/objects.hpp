// Objects of a language that are no values of ours: a locale, a formatter. While an expression is
// evaluated, each is a tuple whose first part names its kind. That part is marked as an expression,
// which no value that a caller gives can be.
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::computed {

inline Value object_of(std::string_view kind, std::vector<Value> parts) {
  Value name = Value::text(std::string(kind));
  name.set_expression();
  parts.insert(parts.begin(), std::move(name));
  return Value::tuple(std::move(parts));
}

// Whether it is one at all.
inline bool is_object(const Value& value) {
  return value.is(Type::tuple) && !value.as_list().empty() && value.as_list()[0].is_expression();
}

inline bool is_object(const Value& value, std::string_view kind) {
  return is_object(value) && value.as_list()[0].as_text() == kind;
}

inline bool has_object(const std::vector<Value>& values) {
  for (const Value& value : values) {
    if (is_object(value)) return true;
  }
  return false;
}

// The first object in a value, however deep; null where there is none.
inline const Value* object_in(const Value& value) {
  if (is_object(value)) return &value;
  if (!is_compound(value.type()) && !value.is(Type::some)) return nullptr;
  for (const Value& part : value.as_list()) {
    if (const Value* found = object_in(part)) return found;
  }
  return nullptr;
}

// A part of one, from 0. REQUIRES: is_object(), and that it has this part.
inline const Value& object_part(const Value& object, std::size_t part) {
  return object.as_list()[part + 1];
}

// REQUIRES: is_object().
inline std::string object_kind(const Value& object) {
  return std::string(object.as_list()[0].as_text());
}

}  // namespace inky::inline v1::computed
