// How the numbers of a vector share one format, and marks between digits: R's formatReal() and
// prettyNum().
#pragma once

#include <cstddef>
#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::r_language {

// The format of all numbers of a vector.
struct Shared {
  int width = 0;
  int places = 0;
  bool scientific = false;
};

// R's formatReal(): fixed notation where it is no longer than scientific, but for `penalty`. NA is
// no number.
Shared share(std::span<const std::optional<BinaryReal>> numbers, int digits, int nsmall,
             int penalty);

// NA, NaN, Inf or -Inf.
std::string special_text(const std::optional<BinaryReal>& number);
std::string number_text(const std::optional<BinaryReal>& number, const Shared& shared);

struct Marks {
  std::string mark;  // empty: none
  int interval = 3;
  char point = '.';
  bool drops_zeros = false;  // at the end of the digits behind the point

  bool change() const { return !mark.empty() || drops_zeros; }
};

// Takes zeros at the end of the digits behind the point away, and an exponent of nothing but zeros.
void drop_zeros(char point, std::string& text);

// Puts marks into the digits before the point; how many characters longer the text became.
std::size_t put_marks(const Marks& marks, std::string& text);

// A width as R reckons it: what would be escaped in quotes counts as its escape.
int width_of(std::string_view text, WidthUnit unit);

// With `missing` blanks, where `justify` wants them: "left", "right", "centre" or "none".
std::string padded_by(std::string_view text, int missing, std::string_view justify);

}  // namespace inky::inline v1::r_language
