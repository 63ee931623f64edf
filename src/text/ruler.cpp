#include "text/ruler.hpp"

namespace inky::inline v1 {

std::string ruler(std::size_t columns, const RulerMarks& marks) {
  std::string out;
  for (std::size_t column = 1; column <= columns; ++column) {
    if (column % 10 == 0)
      out += static_cast<char>('0' + column / 10 % 10);
    else
      out += column % 5 == 0 ? marks.five : marks.one;
  }
  return out;
}

}  // namespace inky::inline v1
