// What SBCL makes of a float: its digits, free or to a position, and the fields of ~F, ~E, ~G and
// ~$.
//
// Defined by the Common Lisp HyperSpec, 22.1.3.1.3 and 22.3.3; what they leave open is as
// SBCL 2.2.9 does it. Its digits to a position are the fewest that lie within half a unit of that
// position, both ends included (after Burger and Dybvig, "Printing Floating-Point Numbers Quickly
// and Accurately", 1996): a tie goes away from zero, and digits that are not needed are not made.
#pragma once

#include <optional>
#include <string>

#include "inky_margin/format/spec.hpp"
#include "inky_margin/number/binary_format.hpp"

namespace inky::inline v1::lisp {

struct Float {
  const BinaryFormat* format = nullptr;  // binary32 or binary64
  BinaryReal real;

  bool is_single() const { return format == &binary32; }
};

// As princ and prin1 show it: "2.5d0", "1.0e7".
std::string float_text(const Float& number);

// The parameters of ~F, ~E, ~G and ~$; nothing or empty: left out. Widths and places may become
// negative on the way.
struct FloatField {
  std::optional<int> width;
  std::optional<int> places;
  std::optional<int> exponent_digits;
  std::optional<int> scale;
  std::string overflow;
  std::string pad = " ";
  std::string marker;
  bool at = false;
  bool colon = false;
  int least_whole = 1;  // of ~$
};

// Appends the field. REQUIRES: for all but ~$, a finite number.
void append_fixed(const Float& number, const FloatField& field, std::string& out);        // ~F
void append_exponential(const Float& number, const FloatField& field, std::string& out);  // ~E
void append_general(const Float& number, const FloatField& field, std::string& out);      // ~G
// REQUIRES: a width and places.
void append_dollars(const Float& number, const FloatField& field, std::string& out);  // ~$

// Appends a character as often as that; not at all where the count is negative.
void append_times(const std::string& character, int count, std::string& out);

}  // namespace inky::inline v1::lisp
