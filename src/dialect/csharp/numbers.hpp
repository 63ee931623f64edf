// What .NET makes of a number under a format string: standard letters, and patterns of digits.
//
// Defined by "Standard numeric format strings" and "Custom numeric format strings" of the .NET
// documentation; observed on .NET 10.0.
//
//   - F, N, C, P and E round the stored value of a real exactly, ties to even; whole numbers are
//     rounded half away;
//   - a pattern first takes 15 significant digits of a double (7 of a float, 5 of a Half) and
//     rounds those half away: a double rounding, seen at 2.675.
#pragma once

#include <string_view>

#include "cultures.hpp"
#include "inky_margin/format/spec.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::csharp {

struct NumberFormat {
  char letter = 'G';         // of a standard format, as written; 0: a pattern
  int precision = unset;     // of a standard format
  std::string_view pattern;  // where it is one
  bool unreadable = false;   // a precision of more than nine digits
};

// How numbers read the text after the colon; the view stays one of it.
NumberFormat read_number_format(std::string_view text);

// Appends a whole number, a real or a decimal that .NET can hold. False, and nothing appended, where .NET has no such format for
// its type: a FormatException.
bool append_number(const NumberFormat& format, const Value& value, const Culture& culture,
                   Output& out);

// Whether a pattern prints a real differently from all that is stored, because it takes few digits
// of it first. REQUIRES: a pattern, and a finite real.
bool rounds_twice(const NumberFormat& format, const Value& value);

}  // namespace inky::inline v1::csharp
