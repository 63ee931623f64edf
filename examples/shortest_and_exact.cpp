// What was typed, what is stored, and the fewest digits that bring it back.

#include <cstdio>

#include "inky_margin/number/decimal.hpp"
#include "inky_margin/number/digits.hpp"

int main() {
  using namespace inky;

  for (const char* typed : {"0.1", "2.675", "0.125", "1e23"}) {
    for (const BinaryFormat& format : {binary64, binary32}) {
      const BinaryReal stored = unpack(format, *read_real(format, typed));
      Digits exact;
      Digits shortest;
      Digits rounded;
      exact_digits(stored, exact);
      shortest_digits(format, stored, shortest);
      digits_to_places(stored, 2, Rounding::half_even, rounded);
      std::printf("%-6s %s  stored %s\n            shortest %s, at two places %s\n", typed,
                  std::string(format.name).c_str(), plain_text(exact).c_str(),
                  plain_text(shortest).c_str(), plain_text(rounded).c_str());
    }
  }
}
