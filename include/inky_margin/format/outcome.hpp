// The result of rendering: a text, a text with complaints, or no text, for one of three reasons.
//
//   prints     the text is in the Output
//   complains  the text is in the Output, and the language reports that something is wrong: on
//              standard error, by its exit status, or by marks in the text itself
//   fails      the language itself refuses, at compile time or at run time, by a name of its own
//   undefined  the language gives no meaning to this; anything might be printed
//   error      the request is bad, or beyond a stated limit; the language was not asked
//
// An outcome is one pointer, null when all is well, so the usual case costs nothing.
#pragma once

#include <cassert>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <vector>

#include "inky_margin/format/note.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// What a language states of a template that it prints all the same.
struct Complaint {
  std::string as;       // its own name for it, or the first words of its message
  std::string message;  // why, in ours
  Span span;            // in the template
};

class [[nodiscard]] Outcome {
 public:
  enum class Kind : std::uint8_t { prints, complains, fails_compile, fails_run, undefined, error };

  Outcome() = default;  // prints
  // REQUIRES: a complaint. `status`: the exit status that the program ends with, where the language
  // decides that.
  static Outcome complains(std::vector<Complaint> complaints,
                           std::optional<int> status = std::nullopt);
  static Outcome fails_at_compile(std::string as, std::string why, Span span);
  static Outcome fails_at_run(std::string as, std::string why, Span span);
  static Outcome undefined(std::string why, Span span);
  static Outcome error(Error error);

  Kind kind() const { return trouble_ ? trouble_->kind : Kind::prints; }
  // Whether there is a text; and whether the language has nothing against it.
  bool prints() const { return !trouble_ || trouble_->kind == Kind::complains; }
  bool prints_cleanly() const { return !trouble_; }

  // None unless it complains.
  std::span<const Complaint> complaints() const {
    return trouble_ ? std::span<const Complaint>(trouble_->complaints)
                    : std::span<const Complaint>();
  }
  // The exit status that goes with the complaints; nothing where the language decides none.
  std::optional<int> status() const { return trouble_ ? trouble_->status : std::nullopt; }

  // Each REQUIRES: not prints_cleanly(). Checked by assert. Of complaints they show the first.
  const std::string& failure_name() const { return known().as; }  // empty where there is none
  const std::string& why() const { return known().error.message; }
  // Where in the template.
  Span span() const { return known().error.span; }
  const Error& as_error() const { return known().error; }

 private:
  struct Trouble {
    Kind kind;
    std::string as;
    Error error;
    std::vector<Complaint> complaints = {};
    std::optional<int> status = {};
  };
  const Trouble& known() const {
    assert(trouble_ != nullptr);
    return *trouble_;
  }
  static Outcome trouble(Kind kind, std::string as, std::string why, Span span);

  std::unique_ptr<const Trouble> trouble_;
};

// Where a field's text is in what was rendered, in bytes from the start of this rendering.
struct PlacedField {
  int field;
  Span output;
  int value = -1;  // which value it shows, from 0; -1: the field decides, or none
  std::optional<Value> computed = {};  // what it shows, where that is the value of an expression
};

// What to tell about a rendering besides its text. Asking for it costs time and allocations.
struct Report {
  Notes notes;
  std::vector<PlacedField> fields;
  // Where the language answers with several texts, or with none: each one's place in the output, in
  // which a new line is between them. Nothing here: the answer is one text.
  std::optional<std::vector<Span>> texts;
};

}  // namespace inky::inline v1
