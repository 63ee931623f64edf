// Whole numbers in words and in Roman numerals, as ~R writes them.
//
//   cardinal(1234)       // "one thousand two hundred thirty-four"
//   ordinal(1234)        // "one thousand two hundred thirty-fourth"
//   roman(1999, false)   // "MCMXCIX"; old: "MDCCCCLXXXXVIIII"
//
// Defined by the Common Lisp HyperSpec, 22.3.2.1; the names of large numbers are SBCL's.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace inky::inline v1::lisp {

// Each is given the decimal digits of the magnitude. Nothing for 10^66 and more.
std::optional<std::string> cardinal(std::string_view digits, bool negative);
std::optional<std::string> ordinal(std::string_view digits, bool negative);

// REQUIRES: 0 < number, and below 4000; old numerals, which subtract nothing, below 5000.
std::string roman(int number, bool old);

}  // namespace inky::inline v1::lisp
