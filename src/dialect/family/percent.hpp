// The percent-style family: templates whose fields read
//
//   %[position$ or (key)][flags][width][.precision][modifier]letter
//
// Which flags, modifiers and letters there are, each dialect's facts state. This reader finds the
// fields and resolves which value each one takes; what a field means is the dialect's to say.
#pragma once

#include <bit>
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "source.hpp"

namespace inky::inline v1::percent {

struct Syntax {
  const DialectFacts* facts;
  // The largest value position that can be named by "n$"; 0: positions do not exist.
  int most_position = 0;
  // Fields with and without a position may stand in one template, and those without are counted on
  // their own.
  bool positions_mix = false;
  // The $ of a position may be written with a backslash before it.
  bool escaped_position = false;
  // "(key)" may name a value.
  bool keys = false;
  // "*" takes a width or precision from a value.
  bool counts_from_values = true;
  // A letter that the dialect lacks takes a value all the same, before it fails.
  bool unknown_letters_take_values = false;
  // So does a field that breaks off at the end of the template.
  bool broken_fields_take_values = false;
  // A zero byte ends the template, as it ends every text of C.
  bool ends_at_zero = false;
  // A backslash in a field begins no escape.
  bool fields_have_no_escapes = false;
  // Letters of fields that show no value.
  std::string_view valueless = {};
  // A flag for the value of the field before; 0: there is none.
  char repeat_flag = 0;
  // A flag whose next byte is the fill, as 0 and space then are themselves, the last one written;
  // 0: there is none.
  char fill_flag = 0;
  // Reads the escape at `at` (a backslash) of the source: appends what it means to the
  // literals and returns its length.
  std::size_t (*read_escape)(std::size_t at, TemplateContent& out);
  // Gives a field its spec, or its defect; `source` is the field's own. The field's letter is 0
  // where the template breaks off.
  void (*finish)(Field& field, std::string_view source);
};

// What a percent-style field has besides what every field has.
struct Parts {
  std::uint8_t modifier = 0;  // which of the facts' modifiers; or a mark of the dialect's own
  bool repeats_flag = false;  // a flag is written twice
  std::uint16_t flags = 0;    // bit i: the i-th flag of the facts
  std::uint32_t accepts = 0;  // the dialect's own: the ways of passing a value that the field reads
};
constexpr Parts parts_of(const Field& field) {
  return std::bit_cast<Parts>(field.own);
}
constexpr void set_parts(Field& field, const Parts& parts) {
  field.own = std::bit_cast<std::uint64_t>(parts);
}

// One part of a field, as the reader comes to it.
struct FieldPart {
  enum class What : std::uint8_t { start, position, key, flag, width, precision, modifier, letter };
  What what = What::start;
  Span span;             // in the source
  int field = 0;         // which
  std::size_t fact = 0;  // of a flag: which of the facts' flags
};

// "%%" becomes a literal; every other field is finished by the syntax. `parts` may be null.
Result<TemplateContent> parse(const Syntax& syntax, std::string_view source,
                              std::vector<FieldPart>* parts = nullptr);

// The words for a template, part by part, from the facts.
std::vector<Words> explain(const Syntax& syntax, const TemplateContent& parsed);

// What most letters mean in every language of the family: base, notation, upper or lower letters.
void set_letter(Spec& spec, char letter);
// The precision of a field as its kind of value takes it; `unset`: left out.
void set_precision(Spec& spec, int precision);

// Sides and zeros as in C: left wins over zeros, and so does a precision of a whole number.
void align_as_c(Spec& spec, bool left, bool zeros);

// A number read as unsigned, in spec.base, as C writes it: 0x in front of all but zero, and a 0 in
// front of octal digits that do not begin with one; no digits for zero to no digits.
void lay_out_bits(const Spec& spec, std::uint64_t bits, Output& out);

// What the flags + and space ask for; + switches the space off.
Sign sign_of(const DialectFacts& facts, const Field& field);
// Whether nothing but a letter was written.
bool is_bare(const Field& field);

// Whether a field has the flag, by its character.
// Where the facts and the flag are known when this is compiled, it is the test of one bit.
constexpr bool has_flag(const DialectFacts& facts, const Field& field, char flag) {
  std::size_t at = 0;
  while (at < facts.flags.size() && facts.flags[at].flag != flag) ++at;
  return at < facts.flags.size() && (parts_of(field).flags >> at & 1) != 0;
}
// The fact of a field's letter; null when the dialect has no such letter.
const ConversionFact* conversion_of(const DialectFacts& facts, char letter);

}  // namespace inky::inline v1::percent
