// What Formatter finds wrong with a field before it prints anything.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/format/template.hpp"

namespace inky::inline v1::java_language {

// What may be wrong with a field: the exception, and why.
struct Fault {
  std::string_view exception;
  std::string why;
};

// Behind %t or %T: the part of a time that a letter names.
bool is_time_field(const Field& field);
bool has_flag(const Field& field, char flag);

// The first fault of a field, in Formatter's own order. `source` is the field as it is written.
std::optional<Fault> find_fault(const Field& field, std::string_view source);

// "%d"
std::string letter_name(const Field& field);
// A letter of the alphabet in lower case.

}  // namespace inky::inline v1::java_language
