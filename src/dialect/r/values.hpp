// What the facilities of R share: its string literals, and its values as text.
#pragma once

#include <string>
#include <string_view>

#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::r_language {

// Of a vector; c() makes all elements the last of these that one of them has.
enum class Mode : std::uint8_t { unknown, logical, integer, real, character };

// An integer has 32 bits, and its lowest value is NA.
bool is_integer(const Value& value);
Mode mode_of(const Value& value);

// Whether d can take it: not-a-number and infinities are no wholes, but NA is.
bool is_whole_double(const Value& value);
// As an integer, toward zero. REQUIRES: a number or truth value, within 32 bits.
std::int64_t integer_of(const Value& value);

// The fewest digits, `most` at most, that show the value to `most` digits; fixed where that is no
// longer than scientific.
std::string real_text(const BinaryReal& real, int most);

// as.character() of an element of a vector of this mode.
std::string as_character(const Value& value, Mode mode);

// What print() makes of a text.
std::string printed_quoted(std::string_view text);

// R prints through the C library, whose slip it shares.
inline constexpr NumberStyle number_style = {.carry_drops_zeros = true};

// Reads the escape at `at` (a backslash) of a string literal: appends what it means to the
// literals and returns its length. What R does not define is refused.
std::size_t read_escape(std::size_t at, TemplateContent& out);

}  // namespace inky::inline v1::r_language
