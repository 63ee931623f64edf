// A template carried from one dialect to another, with a verdict that was earned: before it states
// that both print the same text, it renders both sides over a fixed set of awkward values and shows
// the first that shows the difference.
//
//   const Dialect& c = *find_dialect("c");
//   const Result<Template> parsed = c.parse("%-8s|%8.2f");
//   const auto cargo = Cargo::make(c, *parsed, {});
//   const Carried there = cargo->to(*find_dialect("rust"));
//   *there.source, there.verdict      // "{:8}|{:8.2}", Verdict::same_for
//   there.range                       // "v1: texts of printable ASCII; v2: finite numbers"
//
// A verdict is about all values of the stated types as far as the search can see: it is exact in
// what it refutes, and as good as its set of values in what it affirms.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

enum class Verdict : std::uint8_t {
  same,      // the same text for every value tried
  same_for,  // the same text for every value tried of a range
  differs,   // an example shows the difference
  cannot,    // the other language has no such template
};
std::string_view name_of(Verdict verdict);

// Values that the two sides print differently.
struct CarryExample {
  std::vector<Value> values;
  std::string here;
  std::string there;         // its text, or
  bool there_fails = false;  // why there is none
  std::string reason;        // from the facts of the two; empty where they do not tell
};

// The most values of a template that is carried: each is tried with the awkward ones of its type.
inline constexpr int most_values_carried = 50;

// The names of the values that a template takes by name, in the order they first appear; none where
// it takes them by place.
std::vector<std::string> value_names(const Template& parsed);

// The type of value that a field asks for, as far as it states; text where it does not.
Type type_said(const Dialect& dialect, const Template& parsed, int field);

// Why two templates with the same fields print differently, field by field, each reason once. The
// values are those that each is rendered with.
std::string why_different(const Dialect& here, const Template& template_here,
                          std::span<const Value> values_here, const Dialect& there,
                          const Template& template_there, std::span<const Value> values_there);
// The same of two texts of one value, from the facts of the dialects; empty where these do not
// tell.
std::string why_different(const Dialect& here, const Dialect& there, const Value& value,
                          std::string_view text_here, std::string_view text_there);

struct Carried {
  const Dialect* dialect = nullptr;
  std::optional<std::string> source;  // nothing where it cannot be carried
  std::string statement;              // that prints it, ready to paste
  // What the statement gives, in order: which of the values, from 0.
  std::vector<int> arguments;
  // What each of them is called there; empty where they are given by place.
  std::vector<std::string> names;
  Verdict verdict = Verdict::cannot;
  std::string range;                    // of same_for
  std::optional<CarryExample> example;  // of differs and same_for: outside the range
  Notes notes;  // what is in the way has its span in the template carried, others have none
};

// A template, ready to be carried anywhere. It keeps what it needs of the template and refers to
// its dialect, which lives as long as the program.
class Cargo {
 public:
  // `types`: of the values, in order; where they are left out, what the fields ask for decides. An
  // error where the template prints nothing in its own language.
  static Result<Cargo> make(const Dialect& from, const Template& parsed,
                            std::span<const Type> types);

  Carried to(const Dialect& other) const;

  // Of each value: what it is called in source, and its type.
  std::span<const std::string> names() const { return names_; }
  std::span<const Type> types() const { return types_; }
  // A value that has the place `index`, given its name where the template names its values.
  Value given(int index, const Value& value) const;

 private:
  friend class Carrying;
  void join_moments();

  const Dialect* from_ = nullptr;
  const Template* parsed_ = nullptr;
  std::vector<TemplatePart> parts_;
  std::vector<int> shown_;  // which value each part shows; unset for literals
  std::vector<std::string> names_;
  std::vector<Type> types_;
  bool named_ = false;  // the template names its values
  Notes obstacles_;     // why no other language has the like
};

// The statement that prints a template, over as many lines of source as it takes for none to have
// more columns, in the language's own way; a field, an escape and a word are never parted, so a
// line may still be longer. As it is where it fits, or where the language has no way. A statement
// that is indented has what follows its first line indented as far.
std::string over_lines(const Dialect& dialect, const Template& parsed, const std::string& statement,
                       std::size_t most_columns, std::size_t indent = 0);

// The values that a verdict is earned on, the tellingest first.
std::span<const Value> trial_values(Type type);

}  // namespace inky::inline v1
