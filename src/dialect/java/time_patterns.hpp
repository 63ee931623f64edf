// Patterns of java.time.format.DateTimeFormatter, as they print: "dd/MM/yyyy HH:mm".
//
// Defined by the Java SE 17 API, DateTimeFormatter; observed on OpenJDK 17.0.15.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::java_language {

enum class PatternFault : std::uint8_t {
  none,
  bad_pattern,  // IllegalArgumentException, when the formatter is made
  lacks_part,   // UnsupportedTemporalTypeException, when it is used
  not_supported_yet
};

// Appends what the pattern makes of a moment, a date or a time, in the root locale.
PatternFault append_by_pattern(const Value& value, std::string_view pattern, std::string& out);

}  // namespace inky::inline v1::java_language
