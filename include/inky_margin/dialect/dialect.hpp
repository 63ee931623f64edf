// A dialect: one formatting facility of one language.
//
//   const Dialect* c = find_dialect("c");
//   Result<Template> t = c->parse("%+08.2f|%s");
//   TextBuffer out;
//   const Value values[] = {Value::real(2.675), Value::text("ink")};
//   c->render(*t, values, {}, out)            // prints: "+0002.67|ink"
//
//   c->render(*t, {}, {}, out)                // undefined: "%f" has no value to print
//
// A dialect states its facts as data; its parser, its renderer, its guide page and its notes all
// read them. Dialects are immutable and live as long as the program: share them freely.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/template.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/columns.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1 {

struct ProgramForm;
struct RunForm;
struct TableForm;

// A letter that says how a value is shown.
struct ConversionFact {
  char letter;
  Kind kind;
  std::string_view meaning;    // "a real in fixed notation"
  std::string_view flags;      // the flags defined with it
  bool precision;              // whether a precision is defined with it
  std::string_view modifiers;  // the modifiers defined with it, separated by spaces
};

struct FlagFact {
  char flag;
  std::string_view name;  // one or two words
  std::string_view meaning;
};

struct ModifierFact {
  std::string_view text;
  std::string_view meaning;
};

struct EscapeFact {
  std::string_view written;
  std::string_view meaning;
};

// How a language lets a mistake be known.
struct FailureFact {
  std::string_view what;
  std::string_view how;
};

// How a template that is too long for a line of source goes on in the next one: what stands before
// its literal, between two parts of it, and behind it. Nothing between: it cannot.
struct LineSplit {
  std::string_view before;
  std::string_view between;
  std::string_view after;
  bool loses_blanks = false;   // those that the next line begins with
  bool at_insertions = false;  // not a literal, but a chain: it goes on before a <<
  std::string_view between_values = "\n    ";
};

struct DialectFacts {
  std::string_view id;
  std::string_view language;
  std::string_view facility;
  std::string_view standard;        // what defines it
  std::string_view toolchain;       // the runtime and version these facts were taken from
  std::string_view program;         // its compiler or interpreter, which tells its --version
  WidthUnit width_unit;             // what a width and a precision of text count
  Rounding rounding;                // of a real, and
  std::string_view rounding_basis;  // what is rounded: "the stored value"; empty: it shows no reals
  // Whether that is always the stored value, exactly, and no digits that were made of it first.
  bool rounds_stored_value = true;
  bool rounding_is_chosen = false;  // by RenderOptions::rounding
  // How a field is written: of a letter, which stands for @, and of a real to N places; ~ stands
  // for a point and N zeros, or for nothing. Empty: there is no such field.
  std::string_view letter_form = "%@";
  std::string_view places_form = "%.Nf";
  std::string_view modifiers_are = "Lengths";  // the title over the modifiers
  LineSplit line_split = {};
  // What a whole program is made of; null: there is none. Of the library alone.
  const ProgramForm* program_form = nullptr;
  // How such a program is built and run; null: it is not. Of the library alone.
  const RunForm* run_form = nullptr;
  // The quotes that a template may stand in. Empty: it is pasted with what is around it.
  std::string_view quotes = "\"";
  // What a program that prints a table is made of; null: there is none. Of the library alone.
  const TableForm* table_form = nullptr;
  std::string_view default_locale;
  std::span<const std::string_view> locales;  // those supported
  std::span<const ConversionFact> conversions;
  std::span<const FlagFact> flags;
  std::span<const ModifierFact> modifiers;
  std::span<const EscapeFact> escapes;
  std::span<const FailureFact> failures;
};

struct RenderOptions {
  std::string_view locale = {};            // empty: the dialect's default
  std::optional<WidthUnit> width_of = {};  // what widths count, instead of the dialect's own unit
  // How a number is cut, where the facility leaves that to its caller (rounding_is_chosen).
  std::optional<Rounding> rounding = {};
};

// One stretch of a template in words.
struct Words {
  Span span;
  std::string_view role;  // "literal", "flag", "width", ...
  std::string meaning;
  int field = unset;  // which it belongs to; unset: a literal
};

// How a field says which value it shows, where these are not shown once each and in order.
enum class Placing : std::uint8_t {
  in_order,   // it cannot: the values are given in the order of the fields
  positions,  // by a number
  names,      // by a name, always
};

// Why the language objects to a value whose bits are right, and what to write instead.
struct Objection {
  Code code{};  // language_undefined, or what else it amounts to
  std::string why;
  std::string repair;  // empty: nothing
};

// A field to be written: what is wished of a value, and what is known of it.
struct FieldWish {
  Spec spec;
  Type type = Type::f64;
  int position = unset;  // of the value, from 1, where the field has to say so
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

// A statement of a program, and the spans of the literals in it that hold text of the user: the
// template, or the texts in it. A span includes the quotes and a prefix such as f.
struct WrittenCall {
  std::string source;
  std::vector<Span> literals;

  void add(std::string_view text) { source += text; }
  void add_literal(std::string_view literal) {
    literals.push_back({source.size(), source.size() + literal.size()});
    source += literal;
  }
};

// A template written as source. Empty where it cannot be written; the notes say why.
struct WrittenTemplate {
  std::optional<std::string> source;
  Notes notes;
};

class Dialect {
 public:
  virtual ~Dialect() = default;

  virtual const DialectFacts& facts() const = 0;

  // Reads a template as it stands in source. An error only for what no rendering can answer, such
  // as a width beyond the limit: what the language leaves undefined is read, and says so later.
  Result<Template> parse(std::string_view source) const;

  // Appends the text of a template that this dialect parsed; an error (other_dialect) where another
  // did. Unless it prints, `out` is left as it was. `report` may be null.
  Outcome render(const Template& parsed, std::span<const Value> values,
                 const RenderOptions& options, Output& out, Report* report) const {
    if (parsed.dialect_ != this) return not_its_own(parsed);
    return do_render(parsed.content_, values, options, out, report);
  }
  Outcome render(const Template& parsed, std::span<const Value> values, Output& out) const {
    static constexpr RenderOptions usual;
    return render(parsed, values, usual, out, nullptr);
  }

  // Appends what the language prints for a value when no format is given; undefined where it has no
  // such thing.
  virtual Outcome print_plainly(const Value& value, Output& out) const;

  // ---- What a template of this dialect means. Each REQUIRES: this dialect parsed it. ----

  // What each stretch of the template means, in order.
  std::vector<Words> explain(const Template& parsed) const;
  // What is wished of the value that a field shows, when it is of this type. Nothing where a wish
  // cannot say it; the reason is a note.
  std::optional<Spec> wish_of(const Template& parsed, int field, Type type, Notes& notes) const;
  // Whether a field takes a value that source declares by this name of a type, where the name says
  // more than the value does: a long and a long long of C have the same values.
  std::optional<Objection> objection(const Template& parsed, int field,
                                     std::string_view type_in_source) const;
  // A statement that prints the template with the values of these names. It is written anew from
  // what was read, so that nothing in it can leave its literal. An error where it cannot stand in
  // source (bad_template), or was not read whole.
  Result<WrittenCall> write_call(const Template& parsed, std::span<const std::string> names) const;

  // ---- Writing ----

  // How fields name their values.
  virtual Placing placing() const;
  // A wish as one field of source, with the nearest thing where the language has no specifier for
  // it.
  virtual WrittenField write_field(const FieldWish& wish) const;
  // The same for a value of the usual type of its kind.
  WrittenField write(const Spec& wish) const;
  // Text that stands between fields, escaped; nothing where the language cannot have it there.
  virtual std::optional<std::string> write_literal(std::string_view text) const;
  // A whole template.
  virtual WrittenTemplate write_template(std::span<const TemplatePart> parts) const;
  // A statement that prints a template with the values of these names, ready to paste.
  virtual std::string write_statement(std::string_view source,
                                      std::span<const std::string> names) const;

 protected:
  // What the calls of the same names do, for templates that are this dialect's own.
  virtual Result<TemplateContent> do_parse(std::string_view source) const = 0;
  virtual Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                            const RenderOptions& options, Output& out, Report* report) const = 0;
  virtual std::vector<Words> do_explain(const TemplateContent& parsed) const = 0;
  virtual std::optional<Spec> do_wish_of(const TemplateContent& parsed, int field, Type type,
                                         Notes& notes) const;
  virtual std::optional<Objection> do_objection(const TemplateContent& parsed, int field,
                                                std::string_view type_in_source) const;
  virtual Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                            std::span<const std::string> names) const;

 private:
  Outcome not_its_own(const Template& parsed) const;
};

// The type that a wish of this kind is usually about.
Type usual_type(Kind kind);

// All dialects, in the order of their ids.
std::span<const Dialect* const> all_dialects();
// Null when there is none of this id.
const Dialect* find_dialect(std::string_view id);

}  // namespace inky::inline v1
