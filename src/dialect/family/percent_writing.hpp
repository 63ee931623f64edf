// Writing a wish as a field of the percent-style family, by the facts of its letters.
#pragma once

#include "percent.hpp"
#include "writing.hpp"

namespace inky::inline v1::percent {

struct WritingRules {
  const DialectFacts* facts;
  char plain = 0;            // the letter for any value as the language shows it; 0: there is none
  char truth = 0;            // the letter of truth values; 0: `plain`
  char binary = 0;           // the letter of base 2
  char unsigned_letter = 0;  // of wholes without a sign in base 10; 0: as signed ones
  std::string_view (*length)(Type) = nullptr;  // the text before the letter
  // Truth values, wholes and reals may be given to each other's letters.
  bool converts = false;
  WrittenField (*moment)(const FieldWish&) = nullptr;  // of a moment; null: it has no field for one
};

// `position` as "1$".
WrittenField write_field(const WritingRules& rules, const FieldWish& wish);

}  // namespace inky::inline v1::percent
