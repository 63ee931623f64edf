// A number as a row of pieces, and how it is written and padded.
#pragma once

#include <array>
#include <cstddef>
#include <cstring>
#include <string_view>

#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"

namespace inky::inline v1 {

// A number as a row of pieces; any may be empty.
//   sign prefix [leading zeros, whole digits, zeros]grouped point zeros fraction zeros tail
struct Pieces {
  std::string_view sign;
  std::string_view prefix;
  int leading_zeros = 0;  // in front of the whole digits
  std::string_view whole;
  int whole_zeros = 0;  // after them
  bool has_point = false;
  int fraction_leading_zeros = 0;
  std::string_view fraction;
  int fraction_zeros = 0;
  std::string_view tail;     // an exponent, a percent sign
  std::string_view closing;  // the other bracket

  int whole_size() const { return leading_zeros + static_cast<int>(whole.size()) + whole_zeros; }
};

struct Padding {
  std::size_t before = 0;
  std::size_t inside = 0;  // between sign and prefix, and digits
  std::size_t after = 0;
};

// How what a width leaves over is shared.
Padding share_padding(Align align, Align natural, int width, std::size_t used);

// Writes the pieces, grouped and padded.
void write_pieces(const Spec& spec, const Pieces& pieces, Output& out);

void set_sign(const Spec& spec, bool negative, Pieces& pieces);

// Infinities, and what is not a number.
void write_special(const Spec& spec, const BinaryReal& value, const NumberStyle& style,
                   Output& out);

// Spreads digits around the point, with `places` digits after it; unset: as many as there are.
void set_fixed(const Digits& digits, int places, bool keep_point, Pieces& pieces);

// Room for "e-16445" and the like.
using ExponentRoom = std::array<char, 12>;

// "e+05", in the room.
std::string_view write_exponent(char letter, int exponent, int least_digits, bool plus,
                                ExponentRoom& room);

// `lead` digits before the point; `after` digits after it, or unset: as many as there are.
void set_scientific(const Spec& spec, const Digits& digits, int lead, int after,
                    const NumberStyle& style, ExponentRoom& room, Pieces& pieces);

// Writes forward into a place known to be large enough.
class Pen {
 public:
  explicit Pen(char* at) : at_(at) {}
  // Most pieces are a few characters, for which a call to memcpy costs more than the copying.
  void put(std::string_view text) {
    const std::size_t size = text.size();
    if (size > 16) {
      std::memcpy(at_, text.data(), size);
    } else if (size >= 8) {
      copy_ends<8>(text);
    } else if (size >= 4) {
      copy_ends<4>(text);
    } else {
      for (std::size_t i = 0; i < size; ++i) at_[i] = text[i];
    }
    at_ += size;
  }
  void zeros(int count) {
    for (; count > 0; --count) *at_++ = '0';
  }
  void fill(std::string_view mark, std::size_t count) {
    if (mark.size() == 1) {
      std::memset(at_, mark[0], count);
      at_ += count;
    } else {
      for (; count > 0; --count) put(mark);
    }
  }

 private:
  // The first and the last `count` characters, which meet or overlap.
  template <std::size_t count>
  void copy_ends(std::string_view text) {
    char first[count];
    char last[count];
    std::memcpy(first, text.data(), count);
    std::memcpy(last, text.data() + text.size() - count, count);
    std::memcpy(at_, first, count);
    std::memcpy(at_ + text.size() - count, last, count);
  }

  char* at_;
};

}  // namespace inky::inline v1
