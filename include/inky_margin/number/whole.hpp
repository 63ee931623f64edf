// Whole numbers in any base from 2 to 36, and as two's complement of a stated width.
//
//   WholeRoom room;
//   write_whole(255, 16, Letters::lower, room)     // "ff"
//   wrap_signed(0xFFFFFFF9, 32)                    // -7: what 32 bits hold, read as signed
//   wrap_unsigned(-7, 32)                          // 4294967289: the same bits, read as unsigned
//   read_whole("-0x1f")                            // sign and magnitude 31
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/number/natural.hpp"
#include "inky_margin/number/wide.hpp"

namespace inky::inline v1 {

enum class Letters : std::uint8_t { lower, upper };

inline constexpr int lowest_base = 2;
inline constexpr int highest_base = 36;

// The most characters write_whole makes: 128 binary digits.
inline constexpr std::size_t whole_room = 128;
using WholeRoom = std::array<char, whole_room>;

// The digits of `magnitude`, "0" for zero, at the end of `room`; the view points into it.
// REQUIRES: lowest_base <= base <= highest_base.
std::string_view write_whole(uint128 magnitude, int base, Letters letters, WholeRoom& room);

// The same for a number of any size, appended to `out`.
void append_whole(const Natural& magnitude, int base, Letters letters, std::string& out);

// `bits` kept to `width` bits (1 to 128), as the unsigned or signed number they stand for.
constexpr uint128 wrap_unsigned(int128 value, int width) {
  const auto bits = static_cast<uint128>(value);
  return width >= 128 ? bits : bits & ((uint128{1} << width) - 1);
}
constexpr int128 wrap_signed(uint128 bits, int width) {
  if (width >= 128) return static_cast<int128>(bits);
  const uint128 sign = uint128{1} << (width - 1);
  const uint128 kept = bits & ((sign << 1) - 1);
  return static_cast<int128>((kept ^ sign) - sign);
}

// |value| as an unsigned number, right for the most negative one too.
constexpr uint128 magnitude_of(int128 value) {
  return value < 0 ? uint128{0} - static_cast<uint128>(value) : static_cast<uint128>(value);
}

struct SignedNatural {
  bool negative = false;
  Natural magnitude;
};

// The most digits read_whole takes: more would only ever be a mistake, and reading is quadratic.
inline constexpr std::size_t most_whole_digits = 20'000;

// [+-] digits, in base 10, or 16, 8 or 2 after 0x, 0o or 0b. Nothing when the text is not one.
std::optional<SignedNatural> read_whole(std::string_view text);

}  // namespace inky::inline v1
