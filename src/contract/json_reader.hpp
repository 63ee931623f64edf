// JSON as it was typed: the digits of numbers kept, members in order, the same key twice an error.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

struct JsonMember;

struct Json {
  enum class Kind : std::uint8_t { null, truth, number, text, list, object };
  Kind kind = Kind::null;
  bool truth = false;
  std::string text;  // of a text, or of a number as typed
  std::vector<Json> items;
  std::vector<JsonMember> members;

  const Json* find(std::string_view key) const;
};

struct JsonMember {
  std::string key;
  Json value;
};

// How deep lists and objects may nest.
inline constexpr std::size_t most_json_depth = 64;

// How many values one request may have, those in lists and objects counted: each takes some hundred
// bytes of memory.
inline constexpr std::size_t most_json_values = 200'000;

// The span of an error is in `text`.
Result<Json> read_json(std::string_view text);

// A value in the contract's form: {"f64": "0x1p-1"}, {"named": ["x", VALUE]}, 42, "ink", true,
// null.
Result<Value> value_of(const Json& json);

}  // namespace inky::inline v1
