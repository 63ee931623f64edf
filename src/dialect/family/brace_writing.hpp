// Writing a wish as a field of the brace-style family:
//
//   {value:[[fill]align][sign][#][0][width][group][.precision][type]}
#pragma once

#include "braces.hpp"
#include "writing.hpp"

namespace inky::inline v1::braces {

struct WritingRules {
  const DialectFacts* facts;
  bool space_sign = true;             // a space where a plus sign would be
  bool any_inner = false;             // = pads with any fill between sign and digits
  bool group = false;                 // , between thousands
  bool percent = false;               // the type %
  bool hexfloat = false;              // the types a and A
  bool general = true;                // the types g and G
  bool fixed_by_precision = false;    // a precision alone is fixed notation; there is no type f
  bool shortest_scientific = false;   // e without a precision has the shortest digits
  bool wholes_have_decimals = false;  // f takes a whole number too
  bool truth_is_number = false;       // with a spec, unless it is made a text first by !s
  bool names = false;                 // a value may be named
  // The codes of a moment; nothing, and a note, where there are none. Null: it has no codes.
  std::optional<std::string> (*moment)(const FieldWish& wish, Notes& notes) = nullptr;
};

WrittenField write_field(const WritingRules& rules, const FieldWish& wish);

// What a field asks of a value of this type, read back; `letter` 0 where none is written.
// `places` of e and f without a precision, unset where these show the shortest digits.
Spec wish_of(const Lead& lead, int width, int precision, char letter, Type type, int places);

inline constexpr writing::LiteralRules literal_rules = {.doubled = "{}"};

}  // namespace inky::inline v1::braces
