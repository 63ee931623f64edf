// Values as most languages see them, whatever they call them.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

inline bool is_text_or_character(const Value& value) {
  return value.is(Type::text) || value.is(Type::character);
}
// The types that most dialects cannot take yet.
constexpr bool is_rare(Type type) {
  return type > Type::nil && type != Type::list;
}
// The first value of such a type, also inside lists; null where there is none. `options`: those are
// not rare; `decimals`, and `times`, which are moments, dates, times and durations: the same.
const Value* find_rare(std::span<const Value> values, bool options = false, bool decimals = false,
                       bool times = false);
// "not supported yet", of such a value.
Outcome rare_value(const Value& value, std::string_view language);

// REQUIRES: text, or a character.
std::string text_of(const Value& value);

// The digits of a whole number, or of a truth value as 0 or 1.
std::string whole_digits(const Value& value, int base, Letters letters, bool& negative);
// The same with its sign, in base 10.
std::string whole_text(const Value& value);
// A whole number or truth value of any type.
SignedNatural natural_of(const Value& value);

// A whole number or truth value where 128 bits hold it as signed; nothing where they do not.
std::optional<int128> small_whole(const Value& value);

// A real of any format, a whole number or a decimal, as the nearest f64.
BinaryReal nearest_f64(const Value& value);
// The value with the nearest f64 in the place of each decimal, also within it.
Value without_decimals(const Value& value);
// The value with its decimals in 96 bits, those that fit, also within it.
Value with_decimals96(const Value& value);
// Whether all that is in 96 bits already. No allocation.
bool is_decimal96(const Decimal& decimal);
// All that is stored in a real: "2.67499999999999982236431605997495353221893310546875".
std::string stored_text(const Value& value);

// Whether a real is finite and has no digits after the point.
bool is_whole_number(const BinaryReal& real);

// The code units of UTF-16.
std::u16string utf16_of(std::string_view text);

}  // namespace inky::inline v1
