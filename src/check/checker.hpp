// The check of one template.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/check/check.hpp"

namespace inky::inline v1 {

class Checker {
 public:
  Checker(const Dialect& dialect, std::string_view source,
          std::optional<std::span<const Type>> types, const Demands& demands)
      : dialect_(dialect), source_(source), types_given_(types), demands_(demands) {}
  Checker(const Dialect& dialect, std::string_view source, const GivenValues& given,
          const Demands& demands)
      : dialect_(dialect), source_(source), given_(&given), demands_(demands) {}

  Result<Checked> run();

 private:
  static constexpr std::size_t most_rounds = 64;
  static constexpr std::size_t most_values_tried = 60;

  struct Trouble {
    Outcome outcome;
    std::string of;  // the values, where it is not all of them
  };
  // A stretch of the source that stands where another one stood.
  struct Edit {
    Span before;
    std::size_t size;
  };

  // A value of the call: one that is known, or any of its type.
  struct Slot {
    Type type = Type::text;
    std::optional<Value> known;
    std::string name;
    bool told = true;   // its type is
    bool suits = true;  // a type was found for it that its field takes
    std::string type_name;
    std::string written;
    bool is_count = false;  // of source: a width or a precision, of a size that is usual
  };

  void settle(const Template& parsed);
  void settle_unknown(const Template& parsed);
  void take_counts_as_signed(const Template& parsed);
  std::vector<CountSource> counts_of(const Template& parsed) const;
  Slot* slot_of(const CountSource& count);

  void settle_types(const Template& parsed, const std::vector<std::string>& names);

  // A value of unknown type has the type that its field asks for.
  void take_what_is_said(const Template& parsed);

  // And where that is refused, the first that is not.
  void suit(const Template& parsed);
  void suit_fields(const Template& parsed);
  void suit_field(const Template& parsed, std::size_t at);

  // The same where a field takes its values as it goes, so that none is known to be its own.
  void suit_unplaced(const Template& parsed);

  bool is_unsettled(const Template& parsed, const Outcome& outcome);

  // Whether fields take their values as they go, so that none is known to be its own.
  bool is_unplaced(const Template& parsed) const;
  int slot_named(std::string_view name) const;
  int index_of(const Field& field) const;

  // The values of a step: each type's own, in turn.
  std::vector<Value> values_at(std::size_t step) const;
  static Value trial(Type type, std::size_t step);
  // Whether a value may be any of its type. A character of source has 16 bits in some languages,
  // so that it is an easy one.
  bool is_any(const Slot& slot) const;
  // A value that nobody knows is an easy one.
  static Value usual(const Slot& slot);
  std::size_t steps() const;

  std::optional<Trouble> find_trouble(const Template& parsed);

  Span in_original(Span span) const;

  // The fault; whether it was fixed, so that looking further makes sense.
  bool add(const Template& parsed, const Trouble& trouble);

  // The value of the field at this place; null where it has none.
  const Slot* slot_at(const Template& parsed, Span span) const;

  std::optional<Objection> objection_at(const Template& parsed, Span span) const;

  // Whether the field at this place is refused whatever it is given.
  static bool is_refused_at(const Template& parsed, Span span);

  // Whether the field at this place shows the address of its value, a text or one of any type.
  bool is_address(const Template& parsed, Span span) const;
  // Whether the language does what the field at this place says, and we do not.
  static bool is_refused_here_only(const Template& parsed, Span span);

  // A message about a value that stands for one of the source: it has the words of the source in
  // the place of the value.
  std::string in_words_of_source(std::string message, const Template& parsed, Span span,
                                 std::size_t step = 0) const;
  // The same of a note that a field reads a whole number with another sign.
  std::string message_of(const Note& note, const Template& parsed, std::size_t step) const;

  // The field written again for the type that it is given.
  bool mend(const Template& parsed, Span span, Fault& fault);

  // A repair that still fails at the same place is none.
  bool try_source(const Template& parsed, const Field& field, const std::string& written,
                  Fault& fault);

  void collect_notes(const Template& parsed);

  // More digits than any value of the type has: 17 identify an f64, and 9 an f32 (see weighing).
  bool asks_too_many_digits(const Template& parsed, Span span) const;

  // Whether a note is about a value that nobody knows, or about how a template was typed, which
  // source leaves no doubt of.
  bool is_guess(const Template& parsed, const Note& note) const;

  // Whether another value in the place of one that is not known takes a note about counts away.
  bool hangs_on_a_value(const Template& parsed, const Note& note) const;

  // Whether a value of every type that suits the field has the note.
  bool is_of_any_type(const Template& parsed, const Note& note, std::size_t slot) const;

  // Values that print, by a name of their type that the field does not take. Those behind others
  // first, so that mending one leaves the places of the rest.
  void find_objections(const Template& parsed);

  // Fields whose text another locale changes.
  void find_locales(const Template& parsed);

  void find_open_line(const Template& parsed);

  void find_long_lines();

  const Dialect& dialect_;
  std::string source_;
  std::optional<std::span<const Type>> types_given_;
  const GivenValues* given_ = nullptr;  // null: the types alone are
  const Demands& demands_;
  std::vector<Slot> slots_;
  std::optional<Span> unsettled_;  // of a trouble that no types were found against
  std::vector<Edit> edits_;
  Checked out_;
  TextBuffer text_;
};

}  // namespace inky::inline v1
