// A number line to draw: what is stored among its neighbours, and what can be printed around it.
//
//   const Weighing w = *weigh("2.675", binary64);
//   line_of_neighbours(w, 2)    // the stored number, the ones below and above it, the middles
//                               // between them, what was typed, and the halfway point of 2 places
//   line_of_places(w, 2)        // 2.67, the halfway point, 2.68, and the stored number
//
// Positions are to scale: 0 is the left end, 1 the right.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "inky_margin/number/weighing.hpp"

namespace inky::inline v1 {

struct LinePoint {
  enum class Kind : std::uint8_t {
    neighbour,  // a number of the format
    stored,     // the one that is stored
    middle,     // between two numbers of the format: what lies here is a tie when read
    typed,
    printable,  // a number with the places asked for
    halfway,    // between two of those: what lies here is a tie when printed
  };
  Kind kind;
  double at;
  std::string label;
};

struct NumberLine {
  std::string unit;               // what one gap is: "1 ulp = 4.440892098500626e-16"
  std::vector<LinePoint> points;  // from left to right
  // Where the halfway point lies when it is beyond the ends: -1 left, 1 right, 0 not.
  int halfway_beyond = 0;
};

// REQUIRES: stored is set, and both neighbours are finite.
NumberLine line_of_neighbours(const Weighing& weighing, std::optional<int> places);
bool has_finite_neighbours(const Weighing& weighing);

// Nothing where one unit at these places is not larger than the gap between the neighbours: the
// other line shows it then. REQUIRES: stored is set.
std::optional<NumberLine> line_of_places(const Weighing& weighing, int places);

}  // namespace inky::inline v1
