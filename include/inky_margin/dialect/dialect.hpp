// A dialect: one formatting facility of one language.
//
//   const Dialect* c = find_dialect("c");
//   Result<Template> t = c->parse("%+08.2f|%s");
//   TextBuffer out;
//   const Value values[] = {Value::real(2.675), Value::text("ink")};
//   c->render(*t, values, out).prints()       // true
//   out.view()                                // "+0002.67|ink"
//   c->render(*t, {}, out).kind()             // Outcome::Kind::undefined: %f has no value to print
//
// A dialect states its facts as data; its parser, its renderer, its guide page and its notes all
// read them. Dialects are immutable and live as long as the program: share them freely.
#pragma once

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/writer.hpp"
#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/template.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/columns.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1 {

struct ProgramForm;
struct RunForm;
struct TableForm;
struct ComposingForm;

// A letter that states how a value is shown.
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

// How to split a long literal over source lines: the text before it, between two parts of it, and
// behind it. Empty `between` means that it cannot be split.
struct LineSplit {
  std::string_view before;
  std::string_view between;
  std::string_view after;
  bool loses_blanks = false;   // those that the next line begins with
  bool at_insertions = false;  // not a literal, but a chain: it goes on before a <<
  std::string_view between_values = "\n    ";
};

// How a facility rounds a real.
struct RoundingFact {
  Rounding rule = Rounding::half_even;
  std::string_view basis = {};  // what is rounded: "the stored value"; empty: it shows no reals
  // Whether that is always the stored value, exactly, and no digits that were made of it first.
  bool stored_value = true;
};

// What source of the language is made of. Of the library alone.
struct LanguageForms {
  const ProgramForm* program = nullptr;      // a whole program; null: there is none
  const RunForm* run = nullptr;              // how such a program is built and run; null: it is not
  const TableForm* table = nullptr;          // a program that prints a table; null: there is none
  const ComposingForm* composing = nullptr;  // helpers that change a text; null: there are none
  LineSplit line_split = {};
};

// What the caller of a facility chooses beside the template: a locale, a rounding.
struct SettingFact {
  std::string_view name;                     // "locale"
  std::string_view meaning;                  // "whose marks and words are printed"
  std::string_view usual;                    // the value where none is chosen
  std::span<const std::string_view> values;  // those supported
  // Of many values, some that between them show what the setting changes; empty: all of them do.
  std::span<const std::string_view> telling = {};
};

// How fields are written: %d, {}, or in a way of the language's own (a call, a chain, a pattern).
enum class TemplateStyle : std::uint8_t { percent, braces, own };

// A value that is a count of a field.
struct CountSource {
  std::string name;   // empty: it is given by its place
  int index = unset;  // from 0; of one without a name
};

// Whether a language has a type of decimals. Where it has none, a decimal is the nearest f64.
enum class Decimals : std::uint8_t {
  none,
  of_96_bits,  // finite, of a whole number below 2^96 and 0 to 28 places; more are rounded
  finite,
  with_specials,  // also infinities and not-a-number
};

struct DialectFacts {
  std::string_view id;
  std::string_view language;
  std::string_view facility;
  std::string_view standard;   // what defines it
  std::string_view toolchain;  // the runtime and version these facts were taken from
  std::string_view program;    // its compiler or interpreter, which shows its --version
  WidthUnit width_unit;        // what a width and a precision of text count
  RoundingFact rounding;
  TemplateStyle style = TemplateStyle::percent;
  // How a field is written: of a letter, which means @, and of a real to N places; ~ stands
  // for a point and N zeros, or for nothing. Empty: there is no such field.
  std::string_view letter_form = "%@";
  std::string_view places_form = "%.Nf";
  std::string_view modifiers_are = "Lengths";  // the title over the modifiers
  // The quotes that a template may stand in. Empty: it is pasted with what is around it.
  std::string_view quotes = "\"";
  bool options = false;  // whether values of it may be options: Type::some
  Decimals decimals = Decimals::none;
  bool times = false;      // whether values may be dates, times, durations, moments with an offset
  bool fractions = false;  // whether values may be fractions of two whole numbers
  // The type that a value has in source where it is a width or a precision. Empty: any whole number.
  std::string_view count_type = {};
  LanguageForms forms = {};
  std::span<const SettingFact> settings = {};  // what its caller may choose
  std::span<const ConversionFact> conversions;
  std::span<const FlagFact> flags;
  std::span<const ModifierFact> modifiers;
  // What letters mean behind a modifier; empty: what they mean without one.
  std::span<const ConversionFact> modified_letters = {};
  std::span<const EscapeFact> escapes;
  std::span<const FailureFact> failures;
};

// One of the facts' settings, and the value chosen.
struct Setting {
  std::string_view name;
  std::string_view value;
};

struct RenderOptions {
  // REQUIRES: find_fault() finds nothing in any of them. What is left out has its usual value.
  std::span<const Setting> settings = {};
  std::optional<WidthUnit> width_of = {};  // what widths count, instead of the dialect's own unit

  // The value chosen; empty where the setting is left out.
  std::string_view setting(std::string_view name) const {
    for (const Setting& one : settings) {
      if (one.name == name) return one.value;
    }
    return {};
  }
};

// The value of a setting that a person means by a name: of a locale, "de_DE.UTF-8", "de-DE", and "de"
// where no other country is likelier. Nothing where there is none.
std::optional<std::string_view> find_value(const SettingFact& fact, std::string_view given);
// The fact of a setting; null where the dialect has none of this name.
const SettingFact* find_setting(const DialectFacts& facts, std::string_view name);
// Why a setting cannot be chosen: its name or its value is unknown. Nothing where it can.
std::optional<Error> find_fault(const DialectFacts& facts, const Setting& setting);

// One stretch of a template in words.
struct Words {
  Span span;
  std::string_view role;  // "literal", "flag", "width", ...
  std::string meaning;
  int field = unset;  // which it belongs to; unset: a literal
};

// Why the language objects to a value whose bits are right, and what to write instead.
struct Objection {
  Code code{};  // language_undefined, or what else it amounts to
  std::string why;
  std::string repair;  // empty: nothing
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

class Dialect {
 public:
  virtual ~Dialect() = default;

  virtual const DialectFacts& facts() const = 0;

  // Reads a template as written in source. An error only for what no rendering can answer, such
  // as a width beyond the limit: what the language leaves undefined is read, and reports it later.
  Result<Template> parse(std::string_view source) const;

  // Appends the text of a template that this dialect parsed; an error (other_dialect) where another
  // did. Unless it prints, `out` is left as it was. `report` may be null.
  Outcome render(const Template& parsed, std::span<const Value> values,
                 const RenderOptions& options, Output& out, Report* report) const {
    if (parsed.dialect_ != this) return not_its_own(parsed);
    for (const Value& value : values) {
      if (value.type() >= Type::moment && lacks(value))
        return render_foreign(parsed, values, options, out, report);
    }
    if (parsed.is_statement()) return render_in_call(parsed, values, options, out, report);
    return do_render(parsed.content_, values, options, out, report);
  }
  Outcome render(const Template& parsed, std::span<const Value> values, Output& out) const {
    static constexpr RenderOptions usual;
    return render(parsed, values, usual, out, nullptr);
  }

  // What the language has in the place of each value: the nearest f64 of a decimal where it has no
  // decimals, and so on. An error where it has nothing, as render() gives it.
  Result<std::vector<Value>> own_values(std::span<const Value> values) const;

  // Appends what the language prints for a value when no format is given; undefined where it has no
  // such thing.
  Outcome print_plainly(const Value& value, Output& out) const;

  // ---- What a template of this dialect means. Each REQUIRES: this dialect parsed it. ----

  // What each stretch of the template means, in order.
  std::vector<Words> explain(const Template& parsed) const;
  // What is wished of the value that a field shows, when it is of this type. Nothing where a wish
  // cannot say it; the reason is a note.
  std::optional<Spec> wish_of(const Template& parsed, int field, Type type, Notes& notes) const;
  // Whether a field takes a value that source declares by this name of a type, where the name has
  // more to it than the value: a long and a long long of C have the same values.
  std::optional<Objection> objection(const Template& parsed, int field,
                                     std::string_view type_in_source) const;
  // The values that are the width and the precision of a field.
  std::vector<CountSource> counts_of(const Template& parsed, int field) const;
  // A statement that prints the template with the values of these names. It is written again from
  // what was read, so that nothing in it can leave its literal. An error where it cannot stand in
  // source (bad_template), or was not read whole.
  Result<WrittenCall> write_call(const Template& parsed, std::span<const std::string> names) const;

  // ---- Writing ----

  // What writes templates of this dialect. One that writes nothing, and reports it, where a dialect
  // has none of its own.
  virtual const Writer& writer() const;

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
  virtual std::vector<CountSource> do_counts_of(const TemplateContent& parsed, int field) const;
  virtual Outcome do_print_plainly(const Value& value, Output& out) const;
  virtual Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                            std::span<const std::string> names) const;

 private:
  Outcome not_its_own(const Template& parsed) const;
  // Whether the language has no type for the value, or for one within it, or rounds it.
  bool lacks(const Value& value) const;
  // What the language has in its place, where it has anything.
  Value own_value(const Value& value) const;
  Outcome has_no_options(const Value& value, Span span) const;
  Outcome refuse_foreign(const Value& value, Span span) const;
  Outcome render_foreign(const Template& parsed, std::span<const Value> values,
                         const RenderOptions& options, Output& out, Report* report) const;
  static Outcome render_in_call(const Template& parsed, std::span<const Value> values,
                                const RenderOptions& options, Output& out, Report* report);
};

// All dialects, in the order of their ids.
std::span<const Dialect* const> all_dialects();
// Null when there is none of this id.
const Dialect* find_dialect(std::string_view id);

}  // namespace inky::inline v1
