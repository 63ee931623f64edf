// Numbers that begin a text, as the C library reads them for a shell.
#pragma once

#include <cstddef>
#include <cstdint>
#include <string_view>

#include "inky_margin/number/binary_format.hpp"

namespace inky::inline v1::shell {

// What strtoimax and strtoumax read, in any base: C17, 7.8.2.3.
struct ReadNumber {
  bool negative = false;
  std::uint64_t magnitude = 0;
  bool too_large = false;  // for 64 bits without a sign
  std::size_t size = 0;    // bytes read; 0: no number
};
ReadNumber read_number(std::string_view text);

// What strtod reads: C17, 7.22.1.3.
struct ReadReal {
  BinaryReal real;
  bool out_of_range = false;  // too large, or too small to be exact
  std::size_t size = 0;       // bytes read; 0: no number
};
ReadReal read_real_number(std::string_view text);

}  // namespace inky::inline v1::shell
