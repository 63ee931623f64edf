// A template checked against the types of its values, before it is run: what the language refuses
// or leaves undefined, what is ignored or changed in silence, and a repair where there is one.
//
//   const Dialect& c = *find_dialect("c");
//   const Type types[] = {Type::f64};
//   const Checked found = *check(c, "%d g", std::span(types));
//   found.faults[0].code, found.faults[0].span     // Code::language_undefined, {0, 2}
//   found.repaired                                 // nothing: which letter is meant, nobody can
//   tell
//
// Each type stands for the awkward values of it (trial_values), so a fault may be of some values
// only; then it says of which.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace inky {

enum class Severity : std::uint8_t {
  error,    // the program does not compile, or fails, or anything may happen
  warning,  // it prints, but not what was asked
};
std::string_view name_of(Severity severity);

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

// An error only for what no checking can answer, such as a template over the limit. Where the types
// are left out they are those that the fields ask for; an empty list is no values at all.
Result<Checked> check(const Dialect& dialect, std::string_view source,
                      std::optional<std::span<const Type>> types);

}  // namespace inky
