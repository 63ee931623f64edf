// The values of sprintf as Octave has them: one stream of elements.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::octave_sprintf {

// What a field takes from the data.
struct Item {
  enum class Kind : std::uint8_t { none, empty, text, byte, number };
  Kind kind = Kind::none;
  std::string_view text;          // the rest of a text; a byte of one
  const Value* number = nullptr;  // from the values, or from a list in them
};

bool is_numeric(const Value& value);
// Whether a list is a matrix: rows of the same length.
bool is_matrix(const Value& list);
// The elements of a row, or of a matrix column by column.
std::size_t count_of(const Value& list);
const Value& element_at(const Value& list, std::size_t number);

// The whole number 0 to 255 that s can write; nothing for others.
std::optional<char> byte_of(const Value& value);

// The values as one stream of elements.
class Data {
 public:
  explicit Data(std::span<const Value> values) : values_(values) {}

  bool is_empty() const { return values_.empty(); }
  bool has_more() const { return at_ < values_.size(); }
  // Leaves out a whole value that is one element.
  void pass() { leave(); }
  // Where the element that comes next stands.
  std::size_t index() const { return at_; }

  // For s: the rest of a text; bytes of a run of numbers, in `room`.
  Item rest(std::string& room);

  // For every other letter: one element.
  Item next();

 private:
  std::string_view bytes_of(const Value& character);
  // The number that comes next; null where an empty matrix stands.
  const Value* current() const;
  void step();
  void leave();

  std::span<const Value> values_;
  std::size_t at_ = 0;
  std::size_t element_ = 0;
  std::array<char, 4> character_{};
};

// A whole number as a conversion takes it: saturated where it is beyond 64 bits.
struct Whole {
  bool negative = false;
  std::uint64_t magnitude = 0;
};

// d takes any whole number below 2^63 (doubles up to it) and lower than any, the others those from
// 0 to 2^64. Nothing: %g will show it.
std::optional<Whole> whole_of(const Value& value, bool is_signed);

}  // namespace inky::inline v1::octave_sprintf
