// The best fractions for a number: each closer than any other of no larger denominator.
//
//   best_fractions(*weigh("2.675", binary64))
//   // 3/1, 8/3, 107/40: the last is what was typed, and reads back as the same bits
//   best_fractions(*weigh("3.141592653589793", binary64))     // 3/1, 22/7, 333/106, 355/113, ...
//
// They are the convergents of the continued fraction of the stored number.
#pragma once

#include <string>
#include <vector>

#include "inky_margin/number/weighing.hpp"

namespace inky::inline v1 {

struct Fraction {
  std::string numerator;
  std::string denominator;
  std::string error;        // fraction - stored number, to six digits
  bool exact = false;       // equal to the stored number
  bool as_typed = false;    // equal to the typed decimal
  bool reads_back = false;  // nearest to the same stored number
};

// Numerators and denominators are below 10^15; the run ends at the first that reads back.
// Empty for what is not finite.
std::vector<Fraction> best_fractions(const Weighing& weighing);

}  // namespace inky::inline v1
