// A spec in neutral terms: what is asked of one field, whatever the language.
//
// A *wish* is such a spec before any dialect; a dialect turns its own source into one when it reads
// a template, and a wish into its own source when it writes. The keys are the same on the command
// line, in a sheet and in JSON.
#pragma once

#include <algorithm>
#include <array>
#include <cassert>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/format/note.hpp"
#include "inky_margin/format/time_pattern.hpp"
#include "inky_margin/number/rounding.hpp"
#include "inky_margin/number/whole.hpp"

namespace inky::inline v1 {

enum class Kind : std::uint8_t { any, text, whole, real, character, truth, moment };
enum class Align : std::uint8_t {
  natural,  // text left, numbers right
  left,
  right,
  center,  // an odd space goes to the right
  inner,   // numbers: between the sign and the digits
};
enum class Sign : std::uint8_t {
  minus,     // on negative numbers only
  always,    // plus or minus
  space,     // a space where a plus would be
  brackets,  // negative numbers in brackets
};
enum class Notation : std::uint8_t {
  shortest,  // the fewest digits that identify the value; an exponent below 1e-5 and from 1e16
  fixed,
  scientific,
  compact,      // fixed or scientific by size, trailing zeros dropped
  engineering,  // exponents in steps of three
  hexfloat,
  percent,  // times 100, exactly, with a percent sign
};

// Up to seven bytes of text: a fill character, a thousands mark, a decimal mark.
class Mark {
 public:
  constexpr Mark() = default;
  // REQUIRES: at most seven bytes. Checked by assert; without it the rest is left out.
  constexpr Mark(std::string_view text)
      : size_(static_cast<std::uint8_t>(std::min(text.size(), most))) {
    assert(text.size() <= most);
    for (std::size_t i = 0; i < size_; ++i) bytes_[i] = text[i];
  }
  constexpr Mark(const char* text) : Mark(std::string_view(text)) {}
  constexpr std::string_view text() const { return {bytes_.data(), size_}; }
  constexpr bool empty() const { return size_ == 0; }
  friend constexpr bool operator==(const Mark&, const Mark&) = default;

 private:
  static constexpr std::size_t most = 7;
  std::array<char, most> bytes_{};
  std::uint8_t size_ = 0;
};

inline constexpr int unset = -1;

struct Spec {
  Kind kind = Kind::any;
  Align align = Align::natural;
  Mark fill = " ";  // one character
  int width = 0;    // least, in the unit of the dialect or sheet
  Sign sign = Sign::minus;
  Notation notation = Notation::shortest;
  int places = unset;        // digits after the point
  int significant = unset;   // digits in all; excludes places
  int least_digits = unset;  // whole numbers: zeros in front, up to this many digits
  bool keep_point = false;   // the point and trailing zeros stay, even with nothing after it
  int base = 10;
  bool prefix = false;  // 0b, 0o, 0x in front
  Letters letters = Letters::lower;
  Mark group = {};  // thousands mark; none when empty
  Mark point = ".";
  int limit = unset;                        // most characters of a text, in the unit of the width
  Rounding rounding = Rounding::half_even;  // of the stored value
  TimePattern moment = {};                  // the parts of a moment that are shown
  Mark currency = {};                       // of an amount of money: its code of ISO 4217
  SharedText locale = {};                   // as which it is written

  friend bool operator==(const Spec&, const Spec&) = default;
};

// The largest width, places, significant digits, least digits and limit accepted anywhere.
inline constexpr int most_width = 1'000'000;

// One wish as key and value, in the spelling of the command line, sheets and JSON.
struct WishEntry {
  std::string_view key;
  std::string value;
};
// The wishes of a spec that are not at their defaults, in the order of the struct.
std::vector<WishEntry> wish_entries(const Spec& spec);
// Sets the wish `key` from text; the span of an error is in `value`.
std::optional<Error> set_wish(Spec& spec, std::string_view key, std::string_view value);
// What a person leaves out: digits after the point are wished of a real in fixed notation, and
// digits in all of one in compact notation.
void settle_notation(Spec& spec);
// Wishes that exclude each other, such as places with significant.
std::optional<Error> find_contradiction(const Spec& spec);
// Every key of a wish, in the order of the struct.
std::span<const std::string_view> wish_keys();
// What a key of a wish means, and what it can be: "digits after the point: 0 to 1000000".
std::string wish_meaning(std::string_view key);

}  // namespace inky::inline v1
