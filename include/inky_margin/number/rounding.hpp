// The seven ways to cut a number short, and what is cut.
//
//   rounds_away(Rounding::half_even, Tail::half, /*negative=*/false, /*odd=*/true)   -> true
//   rounds_away(Rounding::half_even, Tail::half, /*negative=*/false, /*odd=*/false)  -> false
//
// The first five are the attributes of IEEE 754-2019, 4.3; half_toward and away complete the set.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string_view>

namespace inky::inline v1 {

enum class Rounding : std::uint8_t {
  half_even,    // to the nearest; a tie goes to the even digit
  half_away,    // to the nearest; a tie goes away from zero
  half_toward,  // to the nearest; a tie goes toward zero
  up,           // toward plus infinity
  down,         // toward minus infinity
  away,         // away from zero
  toward,       // toward zero: cutting
};

inline constexpr std::array<Rounding, 7> all_roundings = {
    Rounding::half_even, Rounding::half_away, Rounding::half_toward, Rounding::up,
    Rounding::down,      Rounding::away,      Rounding::toward};

// The names used on the command line, in sheets and in JSON, in the order of the enumerators.
inline constexpr std::array<std::string_view, 7> rounding_names = {
    "half-even", "half-away", "half-toward", "up", "down", "away", "toward"};
std::string_view name_of(Rounding rounding);
std::optional<Rounding> rounding_named(std::string_view name);

// What lies beyond the last kept digit, measured against half of one unit of that digit.
enum class Tail : std::uint8_t { exact, below_half, half, above_half };

// Whether the kept digits must grow by one unit in magnitude. `odd`: the last kept digit is odd.
constexpr bool rounds_away(Rounding rounding, Tail tail, bool negative, bool odd) {
  if (tail == Tail::exact) return false;
  switch (rounding) {
    case Rounding::half_even:
      return tail == Tail::above_half || (tail == Tail::half && odd);
    case Rounding::half_away:
      return tail != Tail::below_half;
    case Rounding::half_toward:
      return tail == Tail::above_half;
    case Rounding::up:
      return !negative;
    case Rounding::down:
      return negative;
    case Rounding::away:
      return true;
    case Rounding::toward:
      return false;
  }
  return false;
}

}  // namespace inky::inline v1
