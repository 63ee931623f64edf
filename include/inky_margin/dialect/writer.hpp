// A writer: wishes as source of a dialect, the other way round than reading.
//
//   const Writer& java = find_dialect("java")->writer();
//   java.write(wish).source                          // "%8.2f" of width=8 notation=fixed places=2
//   java.write_template(parts).source                // a whole template
//   java.write_statement("%8.2f", names)             // System.out.printf("%8.2f", v1);
//
// Writers are immutable and live as long as the program: share them freely.
#pragma once

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "inky_margin/format/note.hpp"
#include "inky_margin/format/spec.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// How a field states which value it shows, where these are not shown once each and in order.
enum class Placing : std::uint8_t {
  in_order,   // it cannot: the values are given in the order of the fields
  positions,  // by a number
  names,      // by a name, always
};

// A field to be written: what is wished of a value, and what is known of it.
struct FieldWish {
  Spec spec;
  Type type = Type::f64;
  int position = unset;  // of the value, from 1, where the field has to state it
  std::string name;      // what the value is called in source
};

// A field written as source.
struct WrittenField {
  std::string source;  // empty: it cannot be written at all
  Notes notes;         // what the language cannot do in a specifier
};

// Literal text, or a field.
struct TemplatePart {
  std::string literal;
  std::optional<FieldWish> field;
};

// A template written as source. Empty where it cannot be written; the notes give the reason.
struct WrittenTemplate {
  std::optional<std::string> source;
  Notes notes;
};

class Writer {
 public:
  virtual ~Writer() = default;

  // How fields name their values.
  virtual Placing placing() const { return Placing::in_order; }
  // A wish as one field of source, with the nearest thing where the language has no specifier for
  // it.
  virtual WrittenField write_field(const FieldWish& wish) const = 0;
  // The same for a value of the usual type of its kind.
  WrittenField write(const Spec& wish) const;
  // Text that is between fields, escaped; nothing where the language cannot have it there.
  virtual std::optional<std::string> write_literal(std::string_view text) const;
  // A whole template.
  virtual WrittenTemplate write_template(std::span<const TemplatePart> parts) const;
  // A statement that prints a template with the values of these names, ready to paste.
  virtual std::string write_statement(std::string_view source,
                                      std::span<const std::string> names) const;

 protected:
  // "Common Lisp", for what it states.
  virtual std::string_view language() const = 0;
};

// The type that a wish of this kind is usually about.
Type usual_type(Kind kind);

}  // namespace inky::inline v1
