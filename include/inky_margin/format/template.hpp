// A template: a whole format string, read once and rendered many times.
//
// It keeps its source, the literal text between fields with escapes already resolved, and its
// fields. A dialect makes it, and that dialect alone can render it. Immutable, so any number of
// threads may render one template at the same time.
#pragma once

#include <cstdint>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"
#include "inky_margin/format/spec.hpp"

namespace inky::inline v1 {

// A width or precision: written in the template, or taken from a value.
struct Count {
  enum class From : std::uint8_t { nowhere, source, value };
  From from = From::nowhere;
  int amount = 0;       // when from the source
  int value_index = 0;  // when from a value: which, from 0

  bool given() const { return from != From::nowhere; }
};

struct Field {
  Span span;                   // in the source
  Spec spec;                   // without what values give it
  char letter = 0;             // the conversion, as the dialect names it
  std::uint64_t own = 0;       // the dialect's own to read, and nobody else's
  bool plain_decimal = false;  // a whole in base 10, and nothing else is asked
  Count width;
  Count precision;
  int position = unset;     // of its value, from 1, where it is written; unset: it is not
  int value_index = unset;  // the value it shows, from 0; unset: none
  std::string key;          // "(name)" of the value it shows, in parentheses; empty: none
  std::string
      defect;  // why the language refuses this field, or gives it no meaning; empty: neither
  bool defect_is_ours = false;  // the language does what it says, and we never do
  bool shows_address = false;   // which is known only when the program runs
  std::string failure;          // the name the language refuses it by; empty: it has no meaning

  std::string_view key_name() const {
    const std::string_view whole = key;
    return whole.size() < 2 ? whole.substr(0, 0) : whole.substr(1, whole.size() - 2);
  }
};

// A stretch of the source: a literal, or a field.
struct Piece {
  Span source;
  int field = unset;  // which, from 0; unset: a literal
  Span text;          // of a literal, in Template::literals
};

// Why a language refuses a whole template before it prints any of it; or why we do not read it yet.
struct Refusal {
  enum class When : std::uint8_t { compile, run, not_supported_yet };
  When when = When::compile;
  std::string as;  // the language's own name for it; for what is not supported yet, what to do
  std::string why;
  Span span;
  bool is_new = false;  // earlier versions of the language take it
};

// What a dialect keeps of a template besides its fields: its own to read, and nobody else's.
struct Program {
  virtual ~Program() = default;
};

// A whole call that a template stands in: the dialects' own to read.
struct Statement;

// What a dialect read of a template, for whoever writes a dialect.
struct TemplateContent {
  std::string source;
  std::string literals;       // the text of all literals, one after the other
  std::vector<Piece> pieces;  // in order; together they are the source
  std::vector<Field> fields;
  Notes notes;  // what reading it already showed
  std::optional<Refusal> refusal;
  std::shared_ptr<const Program> program;  // null where the fields say it all
  int values_taken = 0;                    // the values that the fields use, from the first on
  std::shared_ptr<const Statement> statement = {};  // null where it is a template alone
  // The names that values without one are given, in order. Empty: they have places.
  std::vector<std::string> value_names = {};

  std::string_view literal(const Piece& piece) const {
    return std::string_view(literals).substr(piece.text.from, piece.text.to - piece.text.from);
  }
  std::string_view source_of(const Field& field) const {
    return std::string_view(source).substr(field.span.from, field.span.to - field.span.from);
  }
};

class Dialect;

class Template {
 public:
  // Made by a dialect, which lives as long as the program.
  Template(const Dialect& dialect, TemplateContent content)
      : dialect_(&dialect), content_(std::move(content)) {}

  // The one that read it, and the only one that can render it.
  const Dialect& dialect() const { return *dialect_; }

  const std::string& source() const { return content_.source; }
  std::span<const Piece> pieces() const { return content_.pieces; }
  std::span<const Field> fields() const { return content_.fields; }
  std::string_view literal(const Piece& piece) const { return content_.literal(piece); }
  std::string_view literals() const { return content_.literals; }
  std::string_view source_of(const Field& field) const { return content_.source_of(field); }
  const Notes& notes() const { return content_.notes; }
  const std::optional<Refusal>& refusal() const { return content_.refusal; }
  int values_taken() const { return content_.values_taken; }
  std::span<const std::string> value_names() const { return content_.value_names; }
  // Whether it is a whole call, as parse_statement reads it.
  bool is_statement() const { return content_.statement != nullptr; }
  const Statement* statement() const { return content_.statement.get(); }

  // The same, with no width in any field.
  Template without_widths() const;

 private:
  friend class Dialect;

  const Dialect* dialect_;
  TemplateContent content_;
};

// The longest template source, in bytes.
inline constexpr std::size_t most_template = std::size_t{1} << 20;
// The longest rendering of one template, in bytes.
inline constexpr std::size_t most_output = std::size_t{1} << 24;

}  // namespace inky::inline v1
