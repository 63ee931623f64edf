// Patterns of java.time.format.DateTimeFormatter, as they print: "dd/MM/yyyy HH:mm".
//
// Defined by the Java SE 17 API, DateTimeFormatter and DateTimeFormatterBuilder; observed on
// OpenJDK 17.0.15.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"
#include "locales.hpp"

namespace inky::inline v1::java_language {

enum class PatternFault : std::uint8_t {
  none,
  bad_pattern,  // IllegalArgumentException, when the formatter is made
  lacks_part,   // UnsupportedTemporalTypeException, when it is used
  not_supported_yet
};

// In a pattern of our own: the fraction of the second, as far as there is one, behind its point.
inline constexpr char fraction_mark = '\x02';
// "GMT", or the offset where that is another; an instant as its toString() has it.
inline constexpr char greenwich_mark = '\x03';
inline constexpr char instant_mark = '\x04';

// Appends what the pattern makes of a moment, a date or a time.
PatternFault append_by_pattern(const Value& value, std::string_view pattern,
                               const JavaLocale& locale, std::string& out);

// The pattern of ofLocalizedDate and its like: FULL is 0, SHORT 3, and below 0 is none of the two.
std::string localized_pattern(int date_style, int time_style, const JavaLocale& locale);

}  // namespace inky::inline v1::java_language
