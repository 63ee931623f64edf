// Objects of a language that are no values of ours: a locale, a formatter. While an expression is
// evaluated, each is a tuple whose first part says what it is.
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::computed {

// No text of a program begins with this.
inline constexpr std::string_view object_mark = "\x01object ";

inline Value object_of(std::string_view kind, std::vector<Value> parts) {
  parts.insert(parts.begin(), Value::text(std::string(object_mark) + std::string(kind)));
  return Value::tuple(std::move(parts));
}

// Whether it is one at all.
inline bool is_object(const Value& value) {
  return value.is(Type::tuple) && !value.as_list().empty() && value.as_list()[0].is(Type::text) &&
         value.as_list()[0].as_text().starts_with(object_mark);
}

inline bool is_object(const Value& value, std::string_view kind) {
  return is_object(value) && value.as_list()[0].as_text().substr(object_mark.size()) == kind;
}

// A part of one, from 0. REQUIRES: is_object(), and that it has this part.
inline const Value& object_part(const Value& object, std::size_t part) {
  return object.as_list()[part + 1];
}

// What it says where it is shown by itself, which is not supported yet.
inline std::string object_kind(const Value& object) {
  return std::string(object.as_list()[0].as_text().substr(object_mark.size()));
}

}  // namespace inky::inline v1::computed
