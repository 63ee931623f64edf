// The percent-style family: templates whose fields read
//
//   %[position$ or (key)][flags][width][.precision][modifier]letter
//
// Which flags, modifiers and letters there are, each dialect's facts say. This reader finds the
// fields and resolves which value each one takes; what a field means is the dialect's to say.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::percent {

struct Syntax {
  const DialectFacts* facts;
  // The largest value position that can be named by "n$"; 0: positions do not exist.
  int most_position;
  // Whether "(key)" may name a value.
  bool keys;
  // Whether a letter that the dialect lacks takes a value all the same, before it fails.
  bool unknown_letters_take_values;
  // Reads the escape at `at` (a backslash) of the source: appends what it stands for to the
  // literals and returns its length.
  std::size_t (*read_escape)(std::size_t at, Template& out);
  // Gives a field its spec, or its defect. The field's letter is 0 where the template breaks off.
  void (*finish)(Field& field);
};

// "%%" becomes a literal; every other field is finished by the syntax.
Result<Template> parse(const Syntax& syntax, std::string_view source);

// A note where both ends of the source are the same one of `quotes`.
void note_quotes(std::string_view quotes, Template& parsed);

// The words for a template, part by part, from the facts.
std::vector<Words> explain(const Syntax& syntax, const Template& parsed);

// What most letters mean in every language of the family: base, notation, upper or lower letters.
void set_letter(Spec& spec, char letter);
// The precision of a field as its kind of value takes it; `unset`: left out.
void set_precision(Spec& spec, int precision);

// What the flags + and space ask for; + switches the space off.
Sign sign_of(const DialectFacts& facts, const Field& field);
// Whether nothing but a letter was written.
bool is_bare(const Field& field);

// Whether a field has the flag, by its character.
bool has_flag(const DialectFacts& facts, const Field& field, char flag);
// The fact of a field's letter; null when the dialect has no such letter.
const ConversionFact* conversion_of(const DialectFacts& facts, char letter);

}  // namespace inky::percent
