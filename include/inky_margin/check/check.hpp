// A template checked against the types of its values, before it is run: what the language refuses
// or leaves undefined, what is ignored or changed in silence, and a repair where there is one.
//
//   const Dialect& c = *find_dialect("c");
//   const Type types[] = {Type::f64};
//   const Checked found = *check(c, "%d g", std::span(types));
//   found.faults[0].code, found.faults[0].span     // Code::language_undefined, {0, 2}
//   found.repaired                                 // "%g g"
//
// Each type is tried with its awkward values (trial_values), so a fault may be of some values
// only; then it states of which.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

enum class Severity : std::uint8_t {
  error,    // the program does not compile, or fails, or anything may happen
  warning,  // it prints, but not what was asked
};
std::string_view name_of(Severity severity);

// The codes that a fault may have: of what the language refuses first, then of what is ignored or
// changed in silence, then of what is only told on request.
std::span<const Code> fault_codes();
// The severity that faults of this code have, but for those that say otherwise.
Severity usual_severity(Code code);

struct Fault {
  Code code{};
  Severity severity = Severity::error;
  std::string message;
  Span span;           // in the template
  std::string effect;  // what the language's own compiler or runtime does about it
  std::string repair;  // the field as it should be; empty: there is no telling
};

struct Checked {
  std::vector<Fault> faults;
  // The template with every repair done; nothing where a fault has none.
  std::optional<std::string> repaired;
};

// What is asked of a template besides being right.
struct Demands {
  bool same_everywhere = false;  // its text depends on no locale that is not named: for machines
  bool ends_line = false;        // what it prints ends with a new line
  std::size_t most_columns = 0;  // of it as source; 0: any
  // Of source: a whole number is read with the sign that its type has. %x of an int is an idiom.
  bool signedness = false;
};

// The most fields of a template that is checked: each is tried with the awkward values of its type.
inline constexpr std::size_t most_fields_checked = 1000;

// An error only for what no checking can answer, such as a template over the limit. Where the types
// are left out they are those that the fields ask for; an empty list is no values at all.
Result<Checked> check(const Dialect& dialect, std::string_view source,
                      std::optional<std::span<const Type>> types, const Demands& demands = {});

// What source states of a value that a template is given.
struct Given {
  std::optional<Type> type;    // nothing: unknown, so it is assumed to fit its field
  std::optional<Value> value;  // where it stands there as a literal
  std::string name;            // empty: given by place. Those by place come before those by name
  std::string type_name;       // of its type, as it is declared there; empty: unknown
  std::string written;         // how it is written there, for messages; empty: unknown
};

struct GivenValues {
  // Nothing: how many there are is unknown either, so they are assumed to fit.
  std::optional<std::vector<Given>> values;
  // More values may follow; they are assumed to fit.
  bool more_may_follow = false;
  // Values that the template leaves over are taken by another one, which stands in its place at
  // times.
  bool spare = false;
  // The names that the template uses and nobody gives are those of variables in scope.
  bool names_from_scope = false;
};

// The same where source states some of it: a fault is one whatever the rest may be.
Result<Checked> check(const Dialect& dialect, std::string_view source, const GivenValues& given,
                      const Demands& demands = {});

}  // namespace inky::inline v1
